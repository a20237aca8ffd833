/*
 * Emulated scan-out: a display peripheral that clocks pictures out of memory, wires, and glass that
 * latches them as its own datasheet says. The two know nothing of each other: where their numbers
 * differ the picture is wrong as on a desk, and what is wrong is said.
 */
#ifndef JADELAMP_SIM_SCAN_H
#define JADELAMP_SIM_SCAN_H

#include <stddef.h>

#include "jadelamp/sim/picture.h"

#ifdef __cplusplus
extern "C" {
#endif

/** Sync pulse, back porch and front porch, in clocks or lines. */
struct jl_scan_porches {
    int sync, back, front;
};

/** Timings, as typed into a peripheral, or as in the datasheet of a glass. */
struct jl_scan_timing {
    int width, height;
    double clock_hz;
    struct jl_scan_porches line, picture;
    bool hsync_high, vsync_high, de_low;
    bool falling; /**< of glass: it latches as the clock falls; of a peripheral: data changes as it
                       falls, so the middle of the pixel is the rising edge */
};

enum { JL_SCAN_LINES = 24, JL_SCAN_GROUND = -1, JL_SCAN_MOST_REMARKS = 16 };

/** The microcontroller's side. */
struct jl_scan_source {
    struct jl_scan_timing timing;
    bool drives_de, drives_syncs;
    const uint8_t *pixels; /**< the frame; its bytes leave memory when they are clocked out */
    size_t stride_bytes;
    int bits_per_pixel; /**< 8 (by the palette), 16 (5-6-5, low byte first) or 24 (red first) */
    const uint32_t *palette; /**< 0xRRGGBB, 256 of them */
    double memory_bytes_s;   /**< what memory gives; 0: as much as is needed */
    int fifo_bytes;          /**< between memory and the wires */
};

/** The glass, and how it is wired. */
struct jl_scan_panel {
    struct jl_scan_timing timing;
    bool by_syncs; /**< it counts from the syncs; else it goes by DE */
    double least_hz, most_hz;
    /**
     * Where its data inputs lead, B0..B7, G0..G7, R0..R7: a data line of the peripheral (0..23), or
     * JL_SCAN_GROUND. With 16 lines these are B0..B4, G0..G5, R0..R4.
     */
    int wires[JL_SCAN_LINES];
};

struct jl_scan_remark {
    char text[160];
};

/** What a person sees, and what was wrong. */
struct jl_scan_sight {
    struct jl_picture picture;
    struct jl_scan_remark remarks[JL_SCAN_MOST_REMARKS];
    int remark_count;
    bool dark; /**< nothing is shown at all */
};

/**
 * Scans one picture out onto the glass.
 *
 * @param noise_seed of what the wires do where they are sampled too early
 * @return false: no memory. Else free sight->picture
 */
bool jl_scan_picture(const struct jl_scan_source *source, const struct jl_scan_panel *panel,
                     uint64_t noise_seed, struct jl_scan_sight *sight);

/** Wires of 16 lines to glass of 24 inputs: top bits to top bits, the low ones to the top again. */
void jl_scan_wire_16(struct jl_scan_panel *panel);

/** Wires of 24 lines, one to one. */
void jl_scan_wire_24(struct jl_scan_panel *panel);

#ifdef __cplusplus
}
#endif

#endif
