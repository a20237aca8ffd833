/*
 * What somebody sees on a real glass, compared with the suspects of its card: a screenshot, a
 * rendering, or a photograph.
 */
#ifndef JADELAMP_HOST_SEEN_H
#define JADELAMP_HOST_SEEN_H

#include "jadelamp/host/suspects.h"

#ifdef __cplusplus
extern "C" {
#endif

struct jl_seen_request {
    const struct jl_picture *photo;
    /** The corners of the part of the glass that can light up, in pixels of the photo: top left,
     * top right, bottom right, bottom left. Else what is lit is taken for it: before dark things
     * only. */
    bool has_corners;
    double corners[4][2];
};

enum { JL_SEEN_BEST = 3 };

struct jl_seen_match {
    int suspect;     /**< its place in the list; -1: as it should be */
    double likeness; /**< 1: alike, 0: nothing in common, -1: the negative */
};

struct jl_seen {
    struct jl_seen_match best[JL_SEEN_BEST]; /**< the most alike first */
    int count;
    bool fits;    /**< the first is alike enough to be it */
    bool is_sure; /**< and no other comes near */
};

/**
 * Straightens the glass, and compares it with what each mistake shows. Brightness, contrast and the
 * tint of the light are of no account; so mistakes that change only these cannot be told apart.
 *
 * @return false after complaining: nothing lit in it, a glass of a few pixels, or a character
 *         module without corners
 */
bool jl_suspects_compare(const struct jl_suspects *suspects, const struct jl_seen_request *request,
                         struct jl_seen *seen, struct jl_complaint *complaint);

#ifdef __cplusplus
}
#endif

#endif
