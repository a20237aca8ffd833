/*
 * Drawing on the panel itself, without a frame: each fill, glyph cell or run of pixels
 * becomes one window and its transfer, through a small buffer of the caller's. Pictures and
 * gradients go out in windows as large as the buffer. Addresses that the last drawing has set
 * already are not sent again, where the controller keeps them (MIPI DCS parts).
 */
#ifndef JADELAMP_DIRECT_H
#define JADELAMP_DIRECT_H

#include "jadelamp/panel.h"

#ifdef __cplusplus
extern "C" {
#endif

/**
 * A panel as a target. Draw on `target`. It cannot be read back, so only
 * JL_MODE_REPLACE is possible, and soft edges of glyphs become hard.
 *
 * On controllers whose bytes hold 8 rows, a row cannot be written without its 7
 * neighbours: the rest of a byte becomes background, and JL_CLEAR counts as background.
 * Align to rows that are a multiple of 8 there, or use bands. The same holds for the columns of
 * e-paper, which needs jl_epaper_update() behind the drawing, too.
 */
struct jl_direct {
    struct jl_target target;
    struct jl_panel *panel;
    uint8_t *buffer; /**< the caller's */
    size_t buffer_bytes;
    jl_color background; /**< may be changed at any time; black at first */
    uint8_t turn;        /**< of the panel when the target was set up */
    /**
     * The first error; after it nothing is sent. JL_NOT_AWAKE when the panel was sent to sleep:
     * set it to JL_OK after resuming, or set up the target again. JL_TURNED when the panel was
     * turned: set up the target again.
     */
    jl_status status;
};

/**
 * Sets up a target on an awake panel. Sends nothing.
 *
 * @param buffer the caller's, as long as the target is used; the larger, the fewer
 *               transfers: a line of the panel's format is plenty
 * @return JL_OK; JL_BAD_ARGUMENT (NULL); JL_TOO_SMALL (not one pixel, or column of 8 rows);
 *         JL_UNSUPPORTED (columns that cannot be addressed one by one, or two planes);
 *         JL_NOT_AWAKE; JL_BUSY
 */
JL_MUST_CHECK
jl_status jl_direct_init(struct jl_direct *direct, struct jl_panel *panel, void *buffer,
                         size_t buffer_bytes);

#ifdef __cplusplus
}
#endif

#endif
