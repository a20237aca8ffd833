/* Glass that latches what an RGB bus clocks out: what such parts have in common. */
#ifndef JADELAMP_SIM_SCANNED_GLASS_H
#define JADELAMP_SIM_SCANNED_GLASS_H

#include "../rgb_line.h"

enum { SCANNED_MOST_WIDTH = 1280, SCANNED_MOST_HEIGHT = 864 };

/* Mistakes that are told once. */
enum scanned_mistake {
    SCANNED_WIDTH,
    SCANNED_HEIGHT,
    SCANNED_LINE_SHIFT,
    SCANNED_PICTURE_SHIFT,
    SCANNED_HSYNC,
    SCANNED_VSYNC,
    SCANNED_EDGE,
    SCANNED_FAST,
    SCANNED_SLOW,
    SCANNED_DE,
    SCANNED_SYNCS,
    SCANNED_SLEEPING,
};

/* What survives a loss of power (device->fixed): its wires. */
struct scanned_wires {
    struct jl_rgb_panel panel;
    bool attached;
    uint32_t told; /* 1 << enum scanned_mistake */
    /* colours (0xRRGGBB) of the data lines, a byte of them a table */
    uint32_t colors[3][256];
};

/* The state of such a part begins with it. */
struct scanned {
    bool running; /* lines come */
    uint32_t noise;
    /* where it is */
    bool vsync_active;           /* the level was its active one */
    bool is_blank;               /* the line before had no DE, */
    bool found;                  /* and so it is known where a picture begins */
    int line;                    /* since the pulse began, or of the rows with DE; -1: nowhere */
    int lines_before, first_row; /* of the picture as it comes: for the judgement */
    const char *why_dark;
    uint64_t row_ps[SCANNED_MOST_HEIGHT]; /* when a row was latched last; 0: never */
    uint8_t rgb[SCANNED_MOST_WIDTH * SCANNED_MOST_HEIGHT * 3];
};

/* Members of a machine. */
bool jl_sim_scanned_fits(const struct jl_emulated_part *part, const struct jl_glass *glass);
void jl_sim_scanned_power_on(struct jl_device *device);
void jl_sim_scanned_attach(struct jl_device *device, const struct jl_rgb_panel *panel,
                           int data_lines);
void jl_sim_scanned_take_line(struct jl_device *device, const struct rgb_line *line);
void jl_sim_scanned_show(struct jl_device *device, struct jl_picture *picture);
uint8_t jl_sim_scanned_brightness(struct jl_device *device);
const char *jl_sim_scanned_why_dark(struct jl_device *device);

/* Whether a mistake is to be told now, which it is once. */
bool jl_sim_scanned_tell(struct jl_device *device, enum scanned_mistake mistake);

#endif
