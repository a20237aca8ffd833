/*
 * What the emulated e-paper parts have alike: commands with their arguments, BUSY, deep sleep,
 * reset, and an update under way. First in the state of each of them.
 */
#ifndef JADELAMP_SIM_PAPER_CHIP_H
#define JADELAMP_SIM_PAPER_CHIP_H

#include "../paper_glass.h"

enum { PAPER_ARGUMENTS = 153 }; /* the longest command: a waveform table */

struct paper_chip {
    uint8_t command;
    uint8_t arguments[PAPER_ARGUMENTS];
    int argument_count, least, most;
    bool known;
    bool asleep, in_reset;
    bool powered; /* the voltages of the glass are on */
    bool busy_reported, asleep_reported, power_reported, stale_reported;
    bool waits_for_update, red_written;
    uint64_t powered_since_ps, reset_edge_ps, busy_from_ps, busy_until_ps;
    struct paper_update update;
};

/* How a part says what is wrong. */
struct paper_words {
    const char *sleep; /* what sent it to sleep */
    const char *idle;  /* what to wait for */
    const char *power; /* what switches the voltages off */
};

/* A command with all its arguments is there. */
typedef void (*paper_run_fn)(struct jl_device *device);

/* A byte with D/C low. */
void jl_sim_paper_opcode(struct jl_device *device, uint8_t opcode, paper_run_fn run);
/* A byte behind it. */
void jl_sim_paper_argument(struct jl_device *device, uint8_t byte, paper_run_fn run);

/* Busy from some microseconds after now, for others. */
void jl_sim_paper_busy(struct jl_device *device, uint64_t after_us, uint64_t for_us);
bool jl_sim_paper_is_busy(const struct jl_device *device, uint64_t at_ps);

/* Whether a byte cannot be taken now; says why, once for each time that it happens. */
bool jl_sim_paper_deaf(struct jl_device *device, const struct paper_words *words, uint8_t byte,
                       bool data);

/* An edge of the reset pin: stops an update, ends a sleep. A low of less is reported. */
void jl_sim_paper_reset(struct jl_device *device, bool low, uint32_t least_us);

/* Members of the machines. */
void jl_sim_paper_power_off(struct jl_device *device);
uint64_t jl_sim_paper_output_change(struct jl_device *device, enum jl_device_pin pin,
                                    uint64_t after_ps);
void jl_sim_paper_picture(struct jl_device *device, struct jl_picture *picture);
uint8_t jl_sim_paper_brightness(struct jl_device *device);

/* Why the glass does not show what was written; NULL: it does. */
const char *jl_sim_paper_why(const struct jl_device *device, const char *no_update,
                             const char *never);

#endif
