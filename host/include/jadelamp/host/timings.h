/*
 * Timings of glass that is scanned out, in the forms in which display peripherals want them, side
 * by side; and a file of numbers as somebody typed them, compared with the card. docs/scan-out.md
 * has an example of each.
 */
#ifndef JADELAMP_HOST_TIMINGS_H
#define JADELAMP_HOST_TIMINGS_H

#include <stdio.h>

#include "jadelamp/host/card.h"

#ifdef __cplusplus
extern "C" {
#endif

/** The parts of a line, or of a picture, in the order in which they come. */
enum jl_timing_part {
    JL_TIMING_SYNC,
    JL_TIMING_BACK_PORCH,
    JL_TIMING_PIXELS,
    JL_TIMING_FRONT_PORCH,
    JL_TIMING_PARTS
};

/** The forms: each part by itself; sums from the beginning of the pulse on, less one; and of a
 * line each part in byte clocks of a serial link, rounded to the nearest. */
enum jl_timing_form { JL_FORM_SEPARATE, JL_FORM_SUMMED, JL_FORM_LINK, JL_TIMING_FORMS };

/** Index 0: of a line, in clocks; 1: of a picture, in lines. */
struct jl_timings {
    struct jl_scanout_sums sums;
    int parts[2][JL_TIMING_FORMS][JL_TIMING_PARTS]; /**< 0 in JL_FORM_LINK without a link */
    int totals[2][JL_TIMING_FORMS];                 /**< of the summed form, less one */
    double link_line;     /**< link clocks of a line, not rounded; 0: no link */
    size_t buffers_bytes; /**< all frames, or line buffers */
    bool line_buffers;
};

/** Works them out for a card of glass that is scanned out. False: it is none. */
bool jl_timings_of(const struct jl_card *card, struct jl_timings *timings);

/** Prints them for a person, two blanks before each line. */
void jl_timings_print(FILE *out, const struct jl_card *card, const struct jl_timings *timings);

/** "sync", "back porch", "pixels", "front porch"; and "separate", "summed" or "link". Constant. */
const char *jl_timing_part_name(enum jl_timing_part part);
const char *jl_timing_form_name(enum jl_timing_form form);

enum { JL_TYPED_MOST = 40, JL_TYPED_TEXT = 240 };

/** What was typed, against a card. */
struct jl_typed {
    int numbers; /**< that were compared */
    int count;   /**< contradictions; the first JL_TYPED_MOST have a text: file:line and reason */
    char texts[JL_TYPED_MOST][JL_TYPED_TEXT];
    /** The card as a peripheral with those numbers would have it: of the first place in the file
     * that contradicts the card, else of the first one. What was not typed is as on the card. */
    struct jl_card card;
    bool is_possible; /**< `card` can be scanned out; else it is the card as it was */
};

/**
 * Reads a file of typed numbers: sections by places, each with its form and its numbers.
 *
 * @return false after complaining: the file cannot be read, or says something that no number is
 */
bool jl_typed_read(const char *path, const struct jl_card *card, struct jl_typed *typed,
                   struct jl_complaint *complaint);

#ifdef __cplusplus
}
#endif

#endif
