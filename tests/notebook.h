/* A port that writes down what it is asked to send: "C2A D000F ..." by D/C. */
#ifndef JADELAMP_TESTS_NOTEBOOK_H
#define JADELAMP_TESTS_NOTEBOOK_H

#include "jadelamp/port.h"

struct notebook {
    char text[4096];
    size_t length;
    bool data, selected;
    bool selected_high; /* CS selects while high */
    int transfers;
    int kept; /* bytes of a transfer that are written down */
};

jl_status note_send(void *context, const struct jl_transfer *t);
void note_pin(void *context, enum jl_pin pin, bool high);
void note_wait(void *context, uint32_t microseconds);

/* Operations that take a struct notebook as context; waits take no time. */
extern const struct jl_port_ops note_ops;

#endif
