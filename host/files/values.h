/* Values in panel cards: numbers, quantities with units, choices, bytes. */
#ifndef JADELAMP_HOST_CARD_VALUES_H
#define JADELAMP_HOST_CARD_VALUES_H

#include <stdbool.h>
#include <stddef.h>
#include <stdint.h>

/* Ends with a NULL name. */
struct choice {
    const char *name;
    int value;
};

/* Ends with a NULL name. */
struct unit {
    const char *name;
    double factor;
};

bool jl_host_choose(const char *text, const struct choice *choices, int *out);

/* "a, b or c"; returns `out`. */
const char *jl_host_list_choices(const struct choice *choices, char *out, size_t size);

/* A whole number, decimal or 0x..., with nothing behind it. */
bool jl_host_parse_number(const char *text, long least, long most, long *out);

/* A number and a unit; the range is in terms of factor 1. */
bool jl_host_parse_quantity(const char *text, const struct unit *units, double least, double most,
                            double *out);

/* "128 x 64", "128x64", perhaps with "pixels" or "cells" behind; 1 to 4096 a side. */
bool jl_host_parse_size(const char *text, int *width, int *height);

/* Bytes of two hex digits with blanks between; how many, or 0 when it is not that. */
size_t jl_host_parse_hex_bytes(const char *text, uint8_t *out, size_t most);

/* A name as people mean it: letters and digits only, in lower case, cut to the room. */
void jl_host_plain_name(const char *name, char *out, size_t size);

#endif
