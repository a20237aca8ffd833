/* The emulated e-paper parts ssd1680 and ssd1681: one machine, described by their facts. */
#ifndef JADELAMP_SIM_SSD_PAPER_H
#define JADELAMP_SIM_SSD_PAPER_H

#include "jadelamp/sim/emulators.h"

#include "paper_chip.h"

struct ssd_paper_part {
    int sources, gates; /* of the RAM, too */
};

struct ssd_paper_chip {
    struct paper_chip base;
    bool in_ram;         /* 24h or 26h: bytes are pixels */
    int gates;           /* 01h */
    bool from_the_end;   /* 01h, TB: the scan begins at the last gate */
    int first_gate;      /* 0Fh */
    uint8_t entry;       /* 11h */
    uint8_t ram_options; /* 21h */
    uint8_t sequence;    /* 22h */
    bool inner_sensor;   /* 18h */
    int celsius;         /* as read or written: 1Ah */
    int x_start, x_end, y_start, y_end, x, y;
    bool own_table; /* the waveform came by 32h */
    struct wave wave;
    bool wave_loaded;
    bool partial;  /* the update under way compares old and new */
    uint8_t ram[]; /* two planes of gates * sources / 8 */
};

extern const struct machine jl_sim_ssd_paper_machine;

#define SSD_PAPER_STATE_BYTES(SOURCES, GATES)                                                      \
    (sizeof(struct ssd_paper_chip) + 2 * (size_t)(GATES) * ((SOURCES) / 8))

#endif
