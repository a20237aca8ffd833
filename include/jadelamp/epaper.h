/*
 * E-paper: a glass that keeps its picture without power, and takes seconds to change it.
 *
 * An e-paper panel is a panel like others: open, wake, draw, present. Presenting sends the picture
 * to the controller's RAM, starts an update of the glass and waits for its end. Without more, every
 * update is a full one: it flashes, and leaves no ghosts.
 *
 *   static struct jl_epaper paper;
 *   jl_panel_open(&panel, &description, &port);
 *   jl_epaper_begin(&paper, &panel);          // from now on partial updates, too
 *   jl_panel_wake(&panel);
 *   jl_panel_frame(&panel, &frame, pixels, sizeof pixels);
 *   jl_frame_track(&frame, &damage);
 *   jl_panel_present(&panel, &frame);         // full: the first one
 *   jl_text(&frame.target, 8, 8, "12:01", &style);
 *   jl_panel_present(&panel, &frame);         // partial: only the clock moves
 *   jl_panel_sleep(&panel);                   // the picture stays
 *
 * jl_async_present() does the same while the program goes on: jl_async_poll() looks at the BUSY
 * pin, and may as well be called when its interrupt says so. The frame must not change until all
 * is out, since a partial update sends it once more behind the update.
 *
 * Bands: the drawing code runs once for the picture, and once more for the controller's copy of it
 * (the "old" plane that partial updates compare with). Drawing without a frame, jl_panel_send() and
 * jl_panel_send_image() write to the RAM only: call jl_epaper_update() behind them.
 *
 * Frames of black and white are jl_black_white, with red jl_black_white_red, of four greys
 * jl_grey2_planes (that needs a wave, see below).
 */
#ifndef JADELAMP_EPAPER_H
#define JADELAMP_EPAPER_H

#include "jadelamp/panel.h"

#ifdef __cplusplus
extern "C" {
#endif

/** A waveform of your own, or one of those that come with a controller: blocks to send. */
struct jl_wave {
    const struct jl_block *blocks;
    uint8_t count;
};

/** What the rim of the glass around the picture shows. */
enum jl_border { JL_BORDER_WHITE, JL_BORDER_BLACK, JL_BORDER_FLOATING };

/** What e-paper has beside a description of a panel. Constant; zero is the usual case. */
struct jl_epaper_config {
    /* The policy: what JL_UPDATE_AUTO chooses, once jl_epaper_begin() was called. */
    uint8_t most_partials;     /**< partial updates from one full update to the next; 0: 10 */
    uint8_t most_percent;      /**< a greater share of the picture changed: full; 0: 100 */
    uint16_t least_interval_s; /**< between two full updates that nobody asked for; 0: none */

    uint8_t border;     /**< enum jl_border */
    bool busy_inverted; /**< the module turns the level of BUSY round */
    bool given_degrees; /**< the part takes `degrees`, and does not measure itself */
    int8_t degrees;     /**< Celsius */
    /** Waveforms instead of the part's own, or NULL. */
    const struct jl_wave *full_wave, *fast_wave, *partial_wave;
};

/** What the policy remembers. The caller's memory; members are for the library. */
struct jl_epaper {
    struct jl_sending sleeping; /* ends a sleep in between, as a call waits for a transfer */
    struct jl_panel *panel;
    jl_status (*shown)(struct jl_panel *panel); /* behind an update; or NULL */
    jl_status (*choose)(struct jl_panel *panel, const struct jl_showing *showing,
                        const struct jl_frame *frame);
    uint8_t request;  /* enum jl_update, of the next present */
    uint8_t partials; /* since the last full update */
    bool was_full;    /* there was one, at this time: */
    uint32_t full_at_us;
};

/**
 * From now on presents follow the policy. Sends nothing. NULL: all updates are full again.
 *
 * @param epaper the caller's, as long as the panel is used
 * @return JL_OK; JL_BAD_ARGUMENT (no panel); JL_UNSUPPORTED (no e-paper); JL_NOT_AWAKE (not open)
 */
jl_status jl_epaper_begin(struct jl_epaper *epaper, struct jl_panel *panel);

/**
 * What the next present of a picture does, whatever the policy says; it does it even when nothing
 * changed. A partial update that is not possible becomes a full one: at first, after an error,
 * after a sleep that loses the RAM, where red changes, and where the part has no waveform for it.
 *
 * @return as jl_epaper_begin(); JL_UNSUPPORTED also before it
 */
jl_status jl_epaper_request(struct jl_panel *panel, enum jl_update update);

/**
 * From now on the panel goes to deep sleep behind each update, and wakes by itself for the next
 * call: about a microampere in between, and 20 ms more for each update. Where the part loses its
 * RAM all updates are full ones then. Sends nothing.
 *
 * @return as jl_epaper_request(); JL_UNSUPPORTED also where reset is not wired: nothing could end
 *         the sleep
 */
jl_status jl_epaper_sleep_between(struct jl_panel *panel, bool sleeps);

/**
 * Updates the glass from what the RAM holds, behind drawings without a frame; blocks. The first
 * present of a frame behind those sends everything, in a full update. Partial is full here.
 *
 * @return as all calls on a panel (panel.h); JL_TIMEOUT (BUSY never came, or never went);
 *         JL_UNSUPPORTED (no e-paper, or it has no such update)
 */
jl_status jl_epaper_update(struct jl_panel *panel, enum jl_update update);

#ifdef __cplusplus
}
#endif

#endif
