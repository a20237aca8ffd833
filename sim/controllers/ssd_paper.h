/* The emulated e-paper parts ssd1680 and ssd1681: one machine, described by their facts. */
#ifndef JADELAMP_SIM_SSD_PAPER_H
#define JADELAMP_SIM_SSD_PAPER_H

#include "jadelamp/sim/emulators.h"

#include "../paper_glass.h"

struct ssd_paper_part {
    int sources, gates; /* of the RAM, too */
};

/* The tables of command 32h: levels of 5 rows by 12 groups, times of 12 groups, frame rates. */
enum { SSD_TABLE_BYTES = 153 };

struct ssd_paper_chip {
    /* registers */
    uint8_t command;
    uint8_t arguments[SSD_TABLE_BYTES];
    int argument_count, least, most;
    bool known, in_ram;
    int gates;                         /* 01h */
    bool from_the_end;                 /* 01h, TB: the scan begins at the last gate */
    int first_gate;                    /* 0Fh */
    uint8_t entry;                     /* 11h */
    uint8_t ram_options, source_range; /* 21h */
    uint8_t sequence;                  /* 22h */
    bool inner_sensor;                 /* 18h */
    int celsius;                       /* as read or written: 1Ah */
    int x_start, x_end, y_start, y_end, x, y;
    uint8_t table[SSD_TABLE_BYTES];
    bool own_table; /* the table came by 32h */
    struct wave wave;
    bool wave_loaded;
    bool analog_on;
    uint64_t analog_since_ps;
    /* what it is doing */
    bool asleep, in_reset, was_reset;
    uint64_t reset_edge_ps, busy_until_ps;
    bool busy_reported, asleep_reported, waits_for_update, power_reported, stale_reported;
    bool red_written;
    bool partial; /* the update under way compares old and new */
    struct paper_update update;
    uint8_t ram[]; /* two planes of gates * sources / 8 */
};

extern const struct machine jl_sim_ssd_paper_machine;

#define SSD_PAPER_STATE_BYTES(SOURCES, GATES)                                                      \
    (sizeof(struct ssd_paper_chip) + 2 * (size_t)(GATES) * ((SOURCES) / 8))

#endif
