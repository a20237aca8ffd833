/*
 * The library as two files, for programs that take "copy these files in" and no more: jadelamp.h
 * and jadelamp.c, with the controllers, buses, formats and fonts that cards and names ask for.
 */
#ifndef JADELAMP_HOST_BUNDLE_H
#define JADELAMP_HOST_BUNDLE_H

#include "jadelamp/host/card.h"

#ifdef __cplusplus
extern "C" {
#endif

enum { JL_BUNDLE_CARDS = 16, JL_BUNDLE_NAMES = 32 };

/** What goes into it. */
struct jl_bundle {
    const struct jl_card *cards; /**< their descriptions and pins come as constants, too */
    int card_count;              /**< up to JL_BUNDLE_CARDS */
    /** Constants of the library beside those of the cards, such as "jl_font_8x13". */
    const char *names[JL_BUNDLE_NAMES];
    int name_count;
    bool all; /**< everything */
    /** The one card's panel is the only one: all that its description says is a constant to the
     * compiler, which then leaves out what other panels would need; no other can be opened. */
    bool lone;
    const char *made; /**< what made it, for the first comment */
};

/** What came out. */
struct jl_bundle_told {
    int files;                         /**< of the library, in the .c */
    size_t header_bytes, source_bytes; /**< of the two */
};

/**
 * Writes DIRECTORY/jadelamp.h and DIRECTORY/jadelamp.c, both or neither. The same wishes give the
 * same bytes. Two cards of one name, a name that the library does not have, a missing folder of
 * sources: false, and the complaint says it.
 */
bool jl_bundle_write(const struct jl_bundle *bundle, const char *directory,
                     struct jl_bundle_told *told, struct jl_complaint *complaint);

#ifdef __cplusplus
}
#endif

#endif
