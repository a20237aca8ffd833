/* Wake-up sequences that work, and what becomes of them when somebody makes a mistake. */
#ifndef JADELAMP_TESTS_CHECK_CASES_H
#define JADELAMP_TESTS_CHECK_CASES_H

#include <stddef.h>

#include "jadelamp/host/check.h"

/*
 * Steps are parted by "|": bytes in hexadecimal; ~N waits N ms; "busy low" waits for that level;
 * "clear" stands for the pixels of a clearing.
 */
struct check_base {
    const char *name, *controller, *size, *bus;
    const char *bus_lines, *glass_lines, *panel_lines; /* of a card */
    const char *steps;
};
extern const struct check_base check_bases[];
extern const size_t check_base_count;

/* What was done to a sequence, and what must be said of it. */
struct sabotage {
    const char *base, *was, *is; /* `is` empty: the step is left out */
    enum jl_check_grade grade;   /* of the worst that is found */
    const char *step;            /* the command that is to blame; "" where none is there */
    const char *says;            /* a part of the reason */
};
extern const struct sabotage sabotages[];
extern const size_t sabotage_count;

#endif
