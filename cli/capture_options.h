/* What the verbs that read captures have in common. */
#ifndef JADELAMP_CLI_CAPTURE_OPTIONS_H
#define JADELAMP_CLI_CAPTURE_OPTIONS_H

#include "cli.h"
#include "jadelamp/host/traffic.h"

/* As popt gives it; zero it first. */
struct cli_capture {
    char *card, *time_unit;
    char **wires;
    double threshold, pulse_ns;
    int awake;
};

#define CLI_CAPTURE_OPTIONS(TYPED)                                                                 \
    {"card", 'c', POPT_ARG_STRING, &(TYPED).card, 0, "the panel behind the wires", "CARD"},        \
        {"wire",                                                                                   \
         'w',                                                                                      \
         POPT_ARG_ARGV,                                                                            \
         &(TYPED).wires,                                                                           \
         0,                                                                                        \
         "what a wire of the capture is for, if its name does not tell; roles are scl, sda, cs, "  \
         "dc, clk, mosi, miso, wr, rd, e, rw, rst, light, d0 to d15",                              \
         "ROLE=NAME"},                                                                             \
        {"threshold",                                                                              \
         0,                                                                                        \
         POPT_ARG_DOUBLE,                                                                          \
         &(TYPED).threshold,                                                                       \
         0,                                                                                        \
         "of a CSV file in volts: high from here on; else 1.5",                                    \
         "VOLTS"},                                                                                 \
        {"time-unit",                                                                              \
         0,                                                                                        \
         POPT_ARG_STRING,                                                                          \
         &(TYPED).time_unit,                                                                       \
         0,                                                                                        \
         "of a CSV file: s, ms, us, ns or ps; else as its header says, or s",                      \
         "UNIT"},                                                                                  \
        {"awake",                                                                                  \
         0,                                                                                        \
         POPT_ARG_NONE,                                                                            \
         &(TYPED).awake,                                                                           \
         0,                                                                                        \
         "the capture begins later than the wake-up sequence: the card's driver wakes the panel "  \
         "before it",                                                                              \
         NULL},                                                                                    \
    {                                                                                              \
        "pulse", 0, POPT_ARG_DOUBLE, &(TYPED).pulse_ns, 0,                                         \
            "shorter pulses are glitches, and left out", "NS"                                      \
    }

/* Opens a capture for the card. NULL: reported. */
struct jl_traffic *cli_open_capture(const char *verb, const char *path,
                                    const struct cli_capture *typed);

void cli_capture_free(struct cli_capture *typed);

#endif
