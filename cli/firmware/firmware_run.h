/* Firmware on a simulated processor, wired to the emulated panel of a card. */
#ifndef JADELAMP_CLI_FIRMWARE_RUN_H
#define JADELAMP_CLI_FIRMWARE_RUN_H

#include "jadelamp/host/sight.h"

#include "machine.h"
#include "tell_tap.h"

enum { MOST_BURSTS = 24 };

/* Traffic without a pause of a millisecond. */
struct burst {
    uint64_t from_ps, until_ps, busy_ps, bytes;
};

struct firmware_request {
    const struct firmware *firmware;
    const struct part *part;
    uint32_t frequency, seconds;
    char **wires; /* "ROLE=PIN" each, ends with NULL; or NULL */
    const struct jl_hand_script *hands;
    struct tell_tap *tap; /* or NULL: the traffic is told there, in real time */
    struct jl_sight_request look;
};

enum firmware_end { ENDED_TIME, ENDED_HALT, ENDED_SLEEP, ENDED_CRASH };

struct firmware_result {
    struct jl_live *live;
    struct jl_sight sight;
    enum firmware_end end;
    uint64_t cycles;
    uint32_t pc, pc_low, pc_high; /* of the last tenth of a second */
    uint64_t bytes;
    struct burst bursts[MOST_BURSTS]; /* the first ones */
    size_t burst_count;               /* of all */
    uint64_t last_byte_ps;
    uint32_t stack_bytes, deepest_pc; /* at its deepest, and where the program was */
    struct said said[MOST_SAID];
    size_t said_count;
    char undriven[120]; /* wires of the card that the firmware never drove */
};

/* Runs it to its end or until the time is up. False: the complaint says what is wrong; close the
 * result in either case. */
bool firmware_run(const struct jl_card *card, const struct firmware_request *request,
                  struct firmware_result *result, struct jl_complaint *complaint);
void firmware_close(struct firmware_result *result);

/* What the card and the options say of the processor's pins. */
bool wiring_read(struct machine *machine, const struct jl_card *card, char *const *typed,
                 struct jl_complaint *complaint);

#endif
