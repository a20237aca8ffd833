/*
 * Bands: drawing a whole picture with a slice of its memory. The drawing code runs once
 * a band, on a target that lets through only the rows of the band; what it draws is the
 * same picture as on a full frame.
 *
 *   struct jl_bands bands;
 *   uint8_t memory[128];                        // one page of a 128x64 panel
 *   jl_bands_begin(&bands, &panel, memory, sizeof memory);
 *   while (jl_bands_next(&bands)) {
 *       draw(&bands.frame.target);
 *   }
 *   jl_status status = jl_bands_end(&bands);    // the first error, of jl_bands_begin() too
 */
#ifndef JADELAMP_BANDS_H
#define JADELAMP_BANDS_H

#include "jadelamp/panel.h"

#ifdef __cplusplus
extern "C" {
#endif

/** A run over the bands of one picture. Draw on frame.target; the rest is for the library. */
struct jl_bands {
    struct jl_frame frame;
    struct jl_panel *panel;
    size_t memory_bytes;
    struct jl_rect area; /* of the picture */
    struct jl_flow flow;
    jl_status status;
    uint8_t turn;              /* of the panel at the beginning */
    bool is_whole;             /* the area is the picture */
    struct jl_showing showing; /* on e-paper */
    /* with two pieces of memory (async.h); an empty band waits for the end */
    jl_status (*send)(struct jl_bands *bands);
    struct jl_async *async;
    uint8_t *other_memory;
};

/**
 * Starts a picture. The turn and the mode of frame.target may be set now and stay for all
 * bands; the clip is lifted at each band.
 *
 * @param memory the caller's, until jl_bands_end(); as many whole lines of the format as
 *               fit are drawn at a time, of two planes half as many
 * @return JL_OK; JL_BAD_ARGUMENT (NULL); JL_TOO_SMALL (not one line: 8 rows of vertical
 *         bytes, else one row); or as
 *         jl_panel_present() for a panel that takes no picture now. After an error
 *         jl_bands_next() gives no band.
 */
jl_status jl_bands_begin(struct jl_bands *bands, struct jl_panel *panel, void *memory,
                         size_t memory_bytes);

/**
 * The same for a part of the picture: only its pixels are sent, and a line of memory is as wide
 * as the part. The drawing code stays as it is, with the picture's coordinates.
 *
 * @param area on the picture; of whole units of columns, and of pages with vertical bytes
 * @return as jl_bands_begin(); JL_OUT_OF_RANGE (such an area cannot be addressed)
 */
jl_status jl_bands_begin_area(struct jl_bands *bands, struct jl_panel *panel, struct jl_rect area,
                              void *memory, size_t memory_bytes);

/**
 * Sends the band that was drawn (all of them in one window, unless other calls on the panel
 * come between) and makes the next one ready, in the format's clear colour. False: that was the
 * last one, or there was an error. On e-paper the last band is followed by the update, and then,
 * with jl_epaper_begin(), all of them once more: draw the same again.
 */
bool jl_bands_next(struct jl_bands *bands);

/**
 * Ends the picture.
 * @return JL_OK, or the first error of its run; JL_TURNED (the panel was turned meanwhile)
 */
jl_status jl_bands_end(struct jl_bands *bands);

#ifdef __cplusplus
}
#endif

#endif
