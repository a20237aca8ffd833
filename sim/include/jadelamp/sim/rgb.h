/*
 * The RGB bus: a display peripheral clocks pictures out of the firmware's memory, line by line in
 * virtual time, and glass without a memory latches them as its own datasheet says. The two know
 * nothing of each other: where their numbers differ the picture is wrong as on a desk, and what is
 * wrong is said (jl_board_diagnostics()).
 *
 * The glass is a device on the board: jl_emulated_rgb_glass, or a part with a command port.
 */
#ifndef JADELAMP_SIM_RGB_H
#define JADELAMP_SIM_RGB_H

#include "jadelamp/sim/board.h"

#ifdef __cplusplus
extern "C" {
#endif

struct jl_rgb_bus;

/** Sync pulse, back porch and front porch, in clocks or lines. */
struct jl_rgb_porches {
    int sync, back, front;
};

/** Timings, as typed into a peripheral, or as in the datasheet of a glass. */
struct jl_rgb_timing {
    int width, height;
    double clock_hz;
    struct jl_rgb_porches line, picture;
    bool hsync_high, vsync_high, de_low;
    bool falling; /**< of glass: it latches as the clock falls; of a peripheral: data changes as it
                       falls, so the middle of the pixel is the rising edge */
};

enum { JL_RGB_GROUND = -1 };

/** The microcontroller's side. */
struct jl_rgb_source {
    struct jl_rgb_timing timing;
    bool drives_de, drives_syncs;
    int data_lines;        /**< 16, 18 or 24: blue from line 0 on, then green, then red */
    int bits_per_pixel;    /**< of frames: 8 by the palette, 16 (5-6-5, low byte first), 24 (red
                                first), 32 (blue first), in rows without gaps */
    double memory_bytes_s; /**< what memory gives; 0: as much as is needed */
    int fifo_bytes;        /**< between memory and the wires */
    double refill_bytes_s; /**< what an interrupt that fills line buffers writes; 0: at once */
};

/** The glass, and how it is wired. */
struct jl_rgb_panel {
    struct jl_rgb_timing timing;
    bool by_syncs; /**< it counts from the syncs; else it goes by DE */
    double least_hz, most_hz;
    int bits[3]; /**< inputs of blue, green and red, 5 to 8 */
    /** Where they lead, the lowest input first: a data line of the peripheral (0..23), or
     * JL_RGB_GROUND. */
    int wires[3][8];
};

/** Wires as they should be: top bits to top bits; what is left over to ground, or to the top bits
 * again, so that white stays white. */
void jl_rgb_wire(struct jl_rgb_panel *panel, int data_lines, bool repeat);

/**
 * Adds a peripheral and its wires to a glass, before a recording begins. It is idle until a frame
 * is shown.
 *
 * @param source, panel copied
 * @return NULL: no memory, no place (4), a device that is no such glass, or numbers that cannot be:
 *         sizes below 1, no clock, other data lines or bits
 */
struct jl_rgb_bus *jl_board_add_rgb(struct jl_board *board, const struct jl_rgb_source *source,
                                    struct jl_device *glass, const struct jl_rgb_panel *panel);

/**
 * Scans from this memory from the next vertical sync on; the first one begins at once. What lies
 * behind `bytes` is read as zero. The memory is the caller's while it is shown.
 */
void jl_rgb_show(struct jl_rgb_bus *bus, const void *pixels, size_t bytes);

/** Whether the last one of jl_rgb_show() is on the wires. */
bool jl_rgb_is_shown(const struct jl_rgb_bus *bus);

/** Colours of 8-bit frames (0xRRGGBB, 256 of them, copied), from the next vertical sync on. */
void jl_rgb_palette(struct jl_rgb_bus *bus, const uint32_t *colors);

/** An interrupt of the firmware. */
typedef void (*jl_rgb_interrupt)(void *context);

/**
 * Scans two line buffers in turn instead, from the next vertical sync on; calls `through` whenever
 * one is. What it writes arrives at source.refill_bytes_s.
 */
void jl_rgb_show_lines(struct jl_rgb_bus *bus, uint8_t *const buffers[2], size_t buffer_bytes,
                       jl_rgb_interrupt through, void *context);

/**
 * The firmware is over: what its memory holds now goes on to be shown, of line buffers the rows of
 * the last picture. The memory is not read any more, and no interrupt comes. False: no memory for
 * a copy; then the clock stands still.
 */
bool jl_rgb_hold(struct jl_rgb_bus *bus);

/** Bytes read from memory so far. */
uint64_t jl_rgb_byte_count(const struct jl_rgb_bus *bus);

/** Of its pictures, those that are through. */
uint32_t jl_rgb_picture_count(const struct jl_rgb_bus *bus);

/**
 * Which lines a recording has in full: clock and data of a whole picture are large. Of the first
 * picture after the recording has begun; syncs and DE are recorded all the time.
 *
 * @param first line after the beginning of VSYNC, 0..
 */
void jl_rgb_record_lines(struct jl_rgb_bus *bus, int first, int count);

#ifdef __cplusplus
}
#endif

#endif
