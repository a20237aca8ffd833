/*
 * Animations baked into C: each picture as the rectangles that changed.
 */
#ifndef JADELAMP_HOST_BAKE_FRAMES_H
#define JADELAMP_HOST_BAKE_FRAMES_H

#include "jadelamp/animation.h"
#include "jadelamp/host/bake_picture.h"

#ifdef __cplusplus
extern "C" {
#endif

enum {
    JL_MOST_FRAMES = 500,
    JL_ANIMATION_PART_BYTES = 40, /**< flash of a struct jl_animation_part on a 32-bit machine */
};

/** Pictures with their times, before baking. */
struct jl_film {
    struct jl_pixmap *pictures; /**< all of one size */
    int *shown_ms;
    int count;
};

/**
 * Reads an animated GIF, or files of one size that follow each other.
 *
 * @param shown_ms of each file; and of what a GIF gives no time
 */
bool jl_film_read(const char *const *paths, int count, int shown_ms, struct jl_film *film,
                  struct jl_complaint *complaint);

void jl_film_free(struct jl_film *film);

/** A baked animation. Free it; its steps point into it. */
struct jl_baked_frames {
    struct jl_animation animation;
    struct jl_animation_step *steps;
    struct jl_baked_picture *pictures; /**< of all parts, in order; one more step's at the end */
    struct jl_animation_part *parts;
    int part_count;
    jl_color palette[256];
    int palette_count;
    const struct jl_format *format;
    size_t pixel_bytes; /**< of all parts */
    size_t plain_bytes; /**< of as many whole pictures, not packed */
};

/** Bakes a film, which it changes. Masks and keys are not for films: JL_BAKE_BACKGROUND. */
bool jl_bake_frames(struct jl_film *film, const struct jl_picture_recipe *recipe,
                    struct jl_baked_frames *baked, struct jl_complaint *complaint);

void jl_baked_frames_free(struct jl_baked_frames *baked);

/** The pictures as they will be seen, side by side in rows of up to five. */
bool jl_baked_frames_preview(const struct jl_baked_frames *baked, struct jl_picture *preview);

/** Writes DIRECTORY/NAME.c and NAME.h: `const struct jl_animation NAME`. Both or neither. */
bool jl_baked_frames_write(const struct jl_baked_frames *baked, const char *directory,
                           const char *name, const char *made, struct jl_complaint *complaint);

/** What playing costs on a card's wire, on the simulated board. */
struct jl_frames_cost {
    double bytes; /**< a picture, of one round after the first one */
    double per_second;
};

/** False: the complaint says why the card cannot show it. */
bool jl_baked_frames_cost(const struct jl_baked_frames *baked, const char *card,
                          struct jl_frames_cost *cost, struct jl_complaint *complaint);

#ifdef __cplusplus
}
#endif

#endif
