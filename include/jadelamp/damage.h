/*
 * Damage: the rectangles of a frame that changed since it was last presented.
 *
 * A few rectangles are kept. Two of them are joined when the pixels sent in
 * vain are cheaper than opening a window of their own on the wire.
 */
#ifndef JADELAMP_DAMAGE_H
#define JADELAMP_DAMAGE_H

#include <stdbool.h>

#include "jadelamp/geometry.h"

#ifdef __cplusplus
extern "C" {
#endif

/** How many rectangles are kept apart: 8 bytes of RAM each. */
#define JL_DAMAGE_RECTS 12

/** In window_price_px: each line of a window is one of its own. */
#define JL_WINDOW_A_LINE 0x8000u

struct jl_panel;

struct jl_damage {
    /**
     * Adds a rectangle of whole units of rows. Set by jl_damage_init(), so that only programs
     * that track damage carry its code.
     *
     * @param patience_px that of the target, jl_target.patience_px
     */
    void (*add)(struct jl_damage *damage, struct jl_rect area, uint8_t patience_px);
    /* Whose RAM, and which shadow of it, lack nothing but this damage. For the library. */
    const struct jl_panel *panel;
    const uint8_t *shadow;
    /**
     * Price of one more window, in pixels that could be sent instead. Joining
     * two rectangles that adds no more than this is done at once. With JL_WINDOW_A_LINE added
     * it is the price of each line of units of rows.
     */
    uint16_t window_price_px;
    uint8_t row_unit_log2; /**< 2^n rows of the frame share bytes, and are sent together */
    uint8_t count;         /**< rectangles in use */
    /** Of formats with two: the second may have changed, too. For the library. */
    bool second_plane;
    struct jl_rect rects[JL_DAMAGE_RECTS];
};

/** Sets up an empty damage list. jl_frame_track() does it for a frame. */
void jl_damage_init(struct jl_damage *damage, uint16_t window_price_px, uint8_t row_unit_log2);

/** Nothing is damaged. */
void jl_damage_clear(struct jl_damage *damage);

/**
 * Adds a rectangle of the frame, for what a program wrote to the pixels itself; an empty one
 * changes nothing. Never loses pixels: when all places are taken, the cheapest join is made. Not
 * from an interrupt while another context draws or presents.
 */
void jl_damage_add(struct jl_damage *damage, struct jl_rect area);

#ifdef __cplusplus
}
#endif

#endif
