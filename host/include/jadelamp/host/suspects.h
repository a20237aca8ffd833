/*
 * Suspects: what the glass of a card would show under each likely mistake. Each picture comes from
 * the mistaken description, bytes or wires on the emulated controller; none is painted.
 */
#ifndef JADELAMP_HOST_SUSPECTS_H
#define JADELAMP_HOST_SUSPECTS_H

#include "jadelamp/host/fault.h"

#ifdef __cplusplus
extern "C" {
#endif

enum { JL_SUSPECTS_MOST = 40, JL_SUSPECTS_PAGE = 12 };

struct jl_suspect {
    const char *name;    /**< short, for scripts: "mirrored" */
    const char *mistake; /**< in a few words, for a caption */
    const char *remedy;  /**< a sentence */
};

struct jl_suspects {
    struct jl_suspect list[JL_SUSPECTS_MOST];
    struct jl_picture photos[JL_SUSPECTS_MOST];
    const char *dark[JL_SUSPECTS_MOST]; /**< why nothing is lit; NULL: something is */
    int count;
    struct jl_picture right; /**< the photo without a mistake */
    int bezel;               /**< its pixels around what can light up */
    bool has_no_border;      /**< the test card of character modules has none that is lit */
    int pages;               /**< written by jl_suspects_write() */
};

/**
 * Draws those that the card can have, and that show: what looks as it should is left out. For
 * panels with a memory of dots, and character modules. Free it in either case.
 */
bool jl_suspects_draw(const struct jl_card *card, struct jl_suspects *suspects,
                      struct jl_complaint *complaint);

void jl_suspects_free(struct jl_suspects *suspects);

/**
 * Writes contact sheets, BASE-suspects-1.png and so on with JL_SUSPECTS_PAGE mistakes each, and
 * BASE-suspects.html, which has all of it in one file, with the remedies; it works offline and
 * without scripts.
 */
bool jl_suspects_write(struct jl_suspects *suspects, const char *directory, const char *base,
                       struct jl_complaint *complaint);

#ifdef __cplusplus
}
#endif

#endif
