/* The traffic of a run as a tap (docs/tap.md), for a window beside it, in real time. */
#ifndef JADELAMP_CLI_FIRMWARE_TELL_TAP_H
#define JADELAMP_CLI_FIRMWARE_TELL_TAP_H

#include "jadelamp/host/decode.h"
#include "jadelamp/tap.h"

enum { TELL_MOST = 1 << 15 };

/* What hands do in the window right now. */
struct tap_hands {
    uint8_t keys;      /* a bit each that is down */
    int quarters;      /* of a detent that the knob was turned */
    int fingers[2][2]; /* column and row; below 0: not on the glass */
};

struct tell_tap {
    int file;    /* a socket, to write to, and to read what hands do; 0: nobody listens */
    int window;  /* its process; 0: it has ended */
    bool closed; /* by who listened */
    struct jl_port nowhere, tapped;
    struct jl_tap tap;
    bool is_i2c, open, data; /* of the transfer that is gathered */
    uint8_t address, bytes[TELL_MOST];
    size_t count;
    uint64_t at_ps; /* of its first byte */
    double begun_s; /* real time when the run began */
    char line[80];  /* of hands, as far as it has come */
    size_t line_bytes;
    struct tap_hands hands;
};

/* Starts a window on a card, to which the tap is told. hands: the window tells what its mouse and
 * keys do; not so when a script holds the pins. False: reported. */
bool tell_tap_window(struct tell_tap *tell, const char *card, bool hands);

void tell_tap_event(struct tell_tap *tell, const struct jl_bus_event *event);

/* What is known goes out, and real time catches up with the run's. */
void tell_tap_pace(struct tell_tap *tell, uint64_t now_ps);

/* Takes what the window said of its hands meanwhile. False: nothing new. */
bool tell_tap_hands(struct tell_tap *tell);

/* Ends the telling, and waits until the window is closed. */
void tell_tap_end(struct tell_tap *tell);

#endif
