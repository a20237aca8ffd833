/* Tables of the demo's data: comma-separated values with a header line. */
#ifndef JADELAMP_DEMO_CSV_TABLE_H
#define JADELAMP_DEMO_CSV_TABLE_H

#include <stdbool.h>

#include "jadelamp/host/complaint.h"

enum { TABLE_FIELDS = 5 };

/* Where a row stands, for complaints. */
struct table_place {
    const char *path;
    int line;
    const char *text;
};

/* Takes a row's fields; false after complaining. */
typedef bool (*table_row_fn)(void *context, const struct table_place *place,
                             char *const fields[TABLE_FIELDS], struct jl_complaint *complaint);

/* Reads rows of as many fields as the header has; at least one row. */
bool table_read(const char *path, const char *header, table_row_fn row, void *context,
                struct jl_complaint *complaint);

/* A whole number, with nothing behind it. */
bool table_number(const char *text, long least, long most, long *number);

/* "HH:MM" to a minute of the day. */
bool table_minute(const char *text, int *minute);

#endif
