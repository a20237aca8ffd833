/* The traffic of a run as a tap (docs/tap.md), for a window beside it, in real time. */
#ifndef JADELAMP_CLI_FIRMWARE_TELL_TAP_H
#define JADELAMP_CLI_FIRMWARE_TELL_TAP_H

#include "jadelamp/host/decode.h"

enum { TELL_MOST = 200 };

struct tell_tap {
    int file;    /* to write to; 0: nobody listens */
    int window;  /* its process; 0: it has ended */
    bool closed; /* by who listened */
    bool is_i2c; /* I2C was seen: what follows an address belongs to it */
    uint8_t number, kind, bytes[TELL_MOST];
    unsigned count;
    uint64_t at_ps; /* of the first of them */
    double begun_s; /* real time when the run began */
};

/* Starts a window on a card, to which the tap is told. False: reported. */
bool tell_tap_window(struct tell_tap *tap, const char *card);

void tell_tap_event(struct tell_tap *tap, const struct jl_bus_event *event);

/* What is known goes out, and real time catches up with the run's. */
void tell_tap_pace(struct tell_tap *tap, uint64_t now_ps);

/* Ends the telling, and waits until the window is closed. */
void tell_tap_end(struct tell_tap *tap);

#endif
