/*
 * Animations: pictures that follow each other, each stored as the rectangles that changed.
 * jadelamp bake frames makes them.
 */
#ifndef JADELAMP_ANIMATION_H
#define JADELAMP_ANIMATION_H

#include "jadelamp/image.h"

#ifdef __cplusplus
extern "C" {
#endif

/** A rectangle that changes. */
struct jl_animation_part {
    int16_t x, y; /**< from the animation's top left */
    struct jl_image image;
};

/** What makes one picture of the one before. */
struct jl_animation_step {
    const struct jl_animation_part *parts;
    uint16_t part_count;
    uint16_t shown_ms; /**< how long the picture stands */
};

/** An animation; constant. */
struct jl_animation {
    int16_t width, height;
    uint16_t step_count;
    /** The first one is a whole picture. */
    const struct jl_animation_step *steps;
    /** From the last picture to the first one, for going round. */
    struct jl_animation_step again;
};

/** An animation under way. The members are for the library. */
struct jl_player {
    const struct jl_animation *animation;
    uint32_t due_ms;
    uint16_t next;
    bool once; /* ends with the last picture */
};

/** Begins an animation: its first picture is due at once. @param once ends with the last picture */
void jl_player_begin(struct jl_player *player, const struct jl_animation *animation,
                     uint32_t now_ms, bool once);

/**
 * Draws what is due onto a target, with the animation's top left at (x, y), and nothing else: a
 * tracked frame is damaged where the picture changed. Late pictures are caught up with, so the
 * target always holds a whole one; after more than one whole round the rest is left out.
 *
 * @param now_ms any clock of milliseconds that wraps at 2^32
 * @return whether something was drawn
 */
bool jl_player_poll(struct jl_player *player, struct jl_target *target, int16_t x, int16_t y,
                    uint32_t now_ms);

/** Milliseconds until the next picture, 0 when it is due, UINT32_MAX after the last one. */
uint32_t jl_player_left(const struct jl_player *player, uint32_t now_ms);

#ifdef __cplusplus
}
#endif

#endif
