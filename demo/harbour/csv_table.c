/* Reading tables. */
#include "csv_table.h"

#include <ctype.h>
#include <errno.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

/* Splits at commas, in place; how many fields there are, even when more than fit. */
static int split(char *line, char *fields[TABLE_FIELDS]) {
    int count = 0;
    for (char *at = line; at; count++) {
        char *comma = strchr(at, ',');
        if (comma) {
            *comma = '\0';
        }
        if (count < TABLE_FIELDS) {
            fields[count] = at;
        }
        at = comma ? comma + 1 : NULL;
    }
    return count;
}

static int count_fields(const char *header) {
    int count = 1;
    for (; *header; header++) {
        count += *header == ',';
    }
    return count;
}

static bool read_rows(FILE *stream, const char *path, const char *header, table_row_fn row,
                      void *context, struct jl_complaint *complaint) {
    char line[80], copy[80];
    char *fields[TABLE_FIELDS];
    int number = 0;
    while (fgets(line, sizeof line, stream)) {
        number++;
        line[strcspn(line, "\r\n")] = '\0';
        if (number == 1 && strcmp(line, header) != 0) {
            return jl_complain(complaint, "%s:1: read \"%s\", expected \"%s\"", path, line, header);
        }
        if (number == 1) {
            continue;
        }
        struct table_place place = {path, number, line};
        memcpy(copy, line, sizeof copy);
        if (split(copy, fields) != count_fields(header)) {
            return jl_complain(complaint, "%s:%d: read \"%s\", expected %d values: %s", path,
                               number, line, count_fields(header), header);
        }
        if (!row(context, &place, fields, complaint)) {
            return false;
        }
    }
    return number > 1 ||
           jl_complain(complaint, "%s: no rows, expected a table of %s", path, header);
}

bool table_read(const char *path, const char *header, table_row_fn row, void *context,
                struct jl_complaint *complaint) {
    FILE *stream = fopen(path, "r");
    if (!stream) {
        return jl_complain(complaint, "cannot read the table %s: %s", path, strerror(errno));
    }
    bool good = read_rows(stream, path, header, row, context, complaint);
    fclose(stream);
    return good;
}

bool table_minute(const char *text, int *minute) {
    for (int i = 0; i < 5; i++) {
        if (i == 2 ? text[i] != ':' : !isdigit((unsigned char)text[i])) {
            return false;
        }
    }
    int hours = (text[0] - '0') * 10 + text[1] - '0';
    int minutes = (text[3] - '0') * 10 + text[4] - '0';
    *minute = hours * 60 + minutes;
    return text[5] == '\0' && hours < 24 && minutes < 60;
}

bool table_number(const char *text, long least, long most, long *number) {
    char *end;
    *number = strtol(text, &end, 10);
    return end != text && !*end && *number >= least && *number <= most;
}
