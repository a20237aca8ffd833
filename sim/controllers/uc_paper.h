/* The emulated e-paper parts uc8151, uc8176 and uc8179: one machine, described by their facts. */
#ifndef JADELAMP_SIM_UC_PAPER_H
#define JADELAMP_SIM_UC_PAPER_H

#include "jadelamp/sim/emulators.h"

#include "paper_chip.h"

struct uc_paper_part {
    int sources, gates;
    bool wide;           /* columns in 61h, 65h and 90h have two bytes */
    bool options_low;    /* 50h: DDX is in bits 1..0 of its first byte, else in bits 5..4 */
    int partial_degrees; /* TSSET (E5h) that chooses a partial waveform; 0: has none */
};

enum { UC_TABLES = 5, UC_TABLE_BYTES = 60 };

struct uc_paper_chip {
    struct paper_chip base;
    uint8_t settings;                          /* 00h */
    int columns, rows;                         /* 61h */
    int first_source, first_gate;              /* 65h */
    uint8_t data_options;                      /* DDX */
    uint32_t frame_us;                         /* 30h */
    bool fixed_degrees;                        /* E0h */
    int degrees;                               /* E5h */
    uint8_t tables[UC_TABLES][UC_TABLE_BYTES]; /* 20h..24h */
    bool partial_mode;                         /* 91h */
    int x_start, x_end, y_start, y_end;        /* 90h, in pixels, included */
    int plane, x, y;                           /* where data goes; plane -1: nowhere */
    bool only_window;                          /* the update under way drives the window only */
    uint8_t ram[];                             /* two planes of gates * sources / 8 */
};

extern const struct machine jl_sim_uc_paper_machine;

#define UC_PAPER_PART(NAME, COMMANDS, SOURCES, GATES, CYCLE_PS, FACTS)                             \
    {                                                                                              \
        .name = NAME, .commands = COMMANDS, .machine = &jl_sim_uc_paper_machine, .facts = FACTS,   \
        .state_bytes = sizeof(struct uc_paper_chip) + 2 * (size_t)(GATES) * ((SOURCES) / 8),       \
        .fixed_bytes = PAPER_GLASS_BYTES(SOURCES, GATES), .serial_cycle_ps = CYCLE_PS              \
    }

#endif
