/*
 * Sending while the program draws on: the port's start() and poll() move pixels by DMA, so the
 * next picture, or the next band of one, can be made meanwhile in other memory.
 *
 *   jl_async_init(&async, &panel, NULL, NULL);
 *   for (int n = 0;; n ^= 1) {
 *       draw(&frames[n].target);                    // while frames[n ^ 1] is on the wire
 *       status = jl_async_present(&async, &frames[n]);
 *   }
 *
 * Memory in flight must not change: what is drawn over it shows as it is, torn, on the glass.
 * With one frame call jl_async_finish() before drawing again; with two, jl_async_present()
 * waits by itself for the one before.
 *
 * All other calls on the panel (sleep, contrast, a blocking present ...) wait for the end of
 * what is under way by themselves, so that no pin and no setting changes in the middle. Another
 * panel on the same wires must wait, too: jl_async_finish().
 *
 * Transfers shorter than the port's least_start_bytes block, as do the opcodes of windows, and
 * all on ports without start() and on buses that repack bytes (3-wire SPI, the st7920's). None of
 * the calls may come from an interrupt.
 *
 * What begins to send returns JL_OK: it is under way, or all out already. jl_async_poll() tells
 * which. A start() of the port that answers JL_BUSY is tried again by jl_async_poll().
 */
#ifndef JADELAMP_ASYNC_H
#define JADELAMP_ASYNC_H

#include "jadelamp/bands.h"
#include "jadelamp/panel.h"

#ifdef __cplusplus
extern "C" {
#endif

/** Called once when all of a picture or piece is out and its memory is free again. */
typedef void (*jl_ready_fn)(void *context);

/** What is under way on a panel. The caller's memory; members are for the library. */
struct jl_async {
    struct jl_sending sending;
    struct jl_panel *panel;
    jl_ready_fn ready;
    void *context;
    struct jl_frame frame;                 /* as it was when the sending began */
    struct jl_flow *flow;                  /* what goes on; NULL: nothing is under way */
    struct jl_flow own_flow;               /* of presents and pieces */
    struct jl_rect areas[JL_DAMAGE_RECTS]; /* the last of those left comes next */
    struct jl_rest rest;                   /* to be sent before the flow is asked again */
    size_t left_in_line;
    uint32_t since_us, allowed_us; /* of a transfer, by the port's clock */
    uint8_t area_count, areas_left;
    bool in_flight;
    bool refused;              /* the port could not start a transfer: it is tried again */
    bool shows;                /* a picture on e-paper: an update belongs to it */
    struct jl_showing showing; /* how far that is */
};

/**
 * Ties it to a panel. Sends nothing, but waits for what is under way; one is enough for a panel.
 *
 * @param ready   called from within jl_async_... calls, and from calls on the panel that wait; it
 *                may not call them itself. NULL: not wanted
 * @param context passed to it
 * @return JL_OK; JL_BAD_ARGUMENT (NULL); JL_NOT_AWAKE (not open)
 */
JL_MUST_CHECK
jl_status jl_async_init(struct jl_async *async, struct jl_panel *panel, jl_ready_fn ready,
                        void *context);

/**
 * Begins to send what jl_panel_present() would, and returns as soon as waiting for the wire is
 * all that is left. What was under way before ends first. The damage is cleared at once:
 * after an error later on, the wake-up that it needs sends everything anyway.
 *
 * @return JL_OK (under way, or all is out); else as jl_panel_present(): JL_BUSY means that it is
 *         refused, since a hardware scroll runs
 */
JL_MUST_CHECK
jl_status jl_async_present(struct jl_async *async, struct jl_frame *frame);

/**
 * Begins to send what jl_panel_present_changes() would. Returns as jl_async_present(), and
 * JL_BAD_ARGUMENT as jl_panel_present_changes(). The shadow is free again on return.
 */
JL_MUST_CHECK
jl_status jl_async_present_changes(struct jl_async *async, struct jl_frame *frame, void *shadow);

/**
 * Begins to send pixels of the panel's format to an area of the picture: for widget toolkits
 * that draw pieces into buffers of their own.
 *
 * @param area   on the picture; of whole units of columns, and of pages with vertical bytes
 * @param pixels the caller's; must not change until all is out
 * @param stride_bytes from line to line of `pixels`
 * @return as jl_async_present(); JL_OUT_OF_RANGE (such an area cannot be addressed: nothing is
 *         sent); JL_BAD_ARGUMENT (NULL)
 */
JL_MUST_CHECK
jl_status jl_async_send(struct jl_async *async, struct jl_rect area, const void *pixels,
                        uint16_t stride_bytes);

/**
 * Goes on with what is under way, without waiting. Call it often when areas are narrower
 * than the picture: each of their lines is a transfer.
 *
 * @return JL_BUSY (still under way); JL_OK (all is out); JL_TIMEOUT (the port has a clock, and a
 *         transfer took a second longer than I2C at 100 kHz would need, or none could be started
 *         for so long); or the port's status. After an error the panel must be woken again
 */
JL_MUST_CHECK
jl_status jl_async_poll(struct jl_async *async);

/** Waits until all is out. @return as jl_async_poll(), but never JL_BUSY */
JL_MUST_CHECK
jl_status jl_async_finish(struct jl_async *async);

/**
 * Bands with two pieces of memory: one is drawn while the other is on the wire. Use it instead
 * of jl_bands_begin(); the rest is the same.
 *
 * @param memory_a, memory_b the caller's, memory_bytes each, until jl_bands_end()
 * @return as jl_bands_begin()
 */
JL_MUST_CHECK
jl_status jl_bands_begin_async(struct jl_bands *bands, struct jl_async *async, void *memory_a,
                               void *memory_b, size_t memory_bytes);

#ifdef __cplusplus
}
#endif

#endif
