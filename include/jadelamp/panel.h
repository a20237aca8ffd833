/*
 * A panel: controller + glass + wiring. Its life: open, wake, present as often
 * as the picture changes, sleep, resume.
 *
 *   jl_panel_open(&panel, &description, &port);
 *   jl_panel_wake(&panel);
 *   jl_panel_frame(&panel, &frame, pixels, sizeof pixels);
 *   jl_text(&frame.target, 0, 0, "Hello", &style);
 *   jl_panel_present(&panel, &frame);
 *   return jl_panel_status(&panel);
 *
 * Every call returns its status. The panel also keeps the first one that was not JL_OK, so that
 * a program may check once, at the end: jl_panel_status().
 *
 * All calls: they may block as long as the port's send does. They may not come from an interrupt,
 * nor from two contexts at once for one panel.
 *
 * Statuses of all calls that talk to the controller, beside those that stand with a call:
 *   JL_OK            done
 *   JL_BAD_ARGUMENT  the panel, or another pointer that must be there, is NULL
 *   JL_NOT_AWAKE     not open, never woken, asleep, or lost after an error: nothing was sent
 *   JL_BUSY          a hardware scroll runs, and the controller forbids writing: nothing was sent
 *   the port's       passed on as it is
 *
 * After an error of the port nobody knows what the controller saw. Calls do nothing until
 * jl_panel_wake() brings it back. After a failed jl_panel_open() all calls do nothing. A call that
 * is refused (a bad argument, something the controller lacks) changes nothing, and later calls go
 * on.
 */
#ifndef JADELAMP_PANEL_H
#define JADELAMP_PANEL_H

#include "jadelamp/bus.h"
#include "jadelamp/controller.h"
#include "jadelamp/frame.h"
#include "jadelamp/port.h"
#include "jadelamp/wake.h"

#ifdef __cplusplus
extern "C" {
#endif

/** Facts of the module that differ from the controller's usual module. Add up. */
enum jl_module {
    JL_MODULE_USUAL = 0,
    /**
     * ssd0303, ssd1305, ssd1306, ssd1309, ssd1315, sh1106: glass rows bonded the other way than
     * usual for the size. Usual is in sequence for 128x32 and 96x16, else alternately.
     */
    JL_MODULE_ROWS_OTHER = 1 << 0,
    /** ks0108, sed1520: the chips select while their lines are low. */
    JL_MODULE_CHIPS_LOW = 1 << 0,
    JL_MODULE_MIRROR_X = 1 << 1, /**< glass mounted the other way round left to right */
    JL_MODULE_MIRROR_Y = 1 << 2, /**< glass mounted the other way round top to bottom */
    JL_MODULE_EXTERNAL_SUPPLY =
        1 << 3,                     /**< panel voltage from outside: the charge pump stays off */
    JL_MODULE_RESET_WIRED = 1 << 4, /**< the port's JL_PIN_RESET reaches the controller */
    JL_MODULE_BGR =
        1 << 5, /**< subpixels in the other order than on the controller's usual glass */
    JL_MODULE_IPS = 1 << 6, /**< glass that shows colours negative unless the controller inverts */
    JL_MODULE_LIGHT_WIRED = 1 << 7, /**< the port's JL_PIN_LIGHT switches the light behind it */
};

struct jl_epaper;
struct jl_epaper_config;

/** Bytes to send that are too many for a step, in flash: an opcode and its arguments. */
struct jl_block {
    const uint8_t *bytes;
    size_t count;
};

/**
 * Description of a panel: constant, in flash, never copied. The zero value of
 * every member is the usual case.
 */
struct jl_panel_config {
    const struct jl_controller *controller; /**< such as &jl_ssd1306 */
    const struct jl_bus *bus;               /**< such as &jl_bus_spi */
    /** Pixel format of frames and bands, or NULL for the controller's usual one. */
    const struct jl_format *format;
    int16_t width;         /**< of the glass, upright, pixels */
    int16_t height;        /**< of the glass, upright, pixels */
    int16_t column_offset; /**< RAM column shown at the left edge, pixels; 32 on 64x48 glass */
    int16_t row_offset;    /**< RAM row shown at the upper edge */
    uint8_t i2c_address;   /**< 7-bit, 0x08..0x77 */
    uint8_t module;        /**< sum of enum jl_module */
    uint8_t turn;          /**< sum of enum jl_turn at wake-up, on top of the module's mounting */
    uint8_t contrast;      /**< at wake-up, 1..255; 0 is the controller's usual value */
    bool inverted;         /**< at wake-up: on pixels dark, off pixels lit */
    /**
     * Such as &jl_ssd1306_motion, for programs that use the hardware scroll; others
     * leave it NULL and do not carry its code.
     */
    const struct jl_motion *motion;
    /** Own wake-up sequence (wake.h), or NULL for the controller's. */
    const uint8_t *wake_steps;
    uint16_t wake_steps_bytes;
    uint16_t block_count;
    const struct jl_block *blocks; /**< for JL_STEP_BLOCK, or NULL */
    /** What e-paper has beside (epaper.h), or NULL: the usual. */
    const struct jl_epaper_config *epaper;
};

/** What an asynchronous present has under way (async.h). For the library. */
struct jl_sending {
    jl_status (*finish)(struct jl_sending *sending);
};

/** How far the showing of a picture on e-paper has come. For the library. */
struct jl_showing {
    uint8_t pass;
    uint8_t step_at; /* bytes of the update's steps that are done */
    uint8_t areas;   /* how many there are to send */
    bool send;       /* all of them, now */
    bool waiting;
    bool complete;  /* the glass shows the picture */
    bool refused;   /* by the policy, or for want of a waveform: nothing was sent */
    uint32_t since; /* the port's clock; without one, how often was looked */
};

/** How far the sending of an area has come. For the library. */
struct jl_flow {
    struct jl_rect area;
    struct jl_stretch stretch;
    int16_t sent; /* rows of the stretch */
};

/** A panel. The caller's memory; all members are for the library. */
struct jl_panel {
    uint8_t state; /* bytes first: they are reached with short instructions there */
    uint8_t turn;
    uint8_t contrast;
    bool inverted;
    uint8_t status; /* the first that was not JL_OK */
    uint8_t update; /* of e-paper: enum jl_update, the one under way or the last one */
    uint8_t plane;  /* of e-paper: where pixels go; 0 new, 1 old */
    uint8_t vcom;   /* of memory LCDs: its level, as the mode byte has it */
    const struct jl_panel_config *config;
    const struct jl_port *port;
    const struct jl_format *format;
    const struct jl_frame *shown; /* what the RAM holds; NULL: send all of the next frame */
    struct jl_sending *sending;   /* what an asynchronous present has under way */
    struct jl_epaper *epaper;     /* what the policy of updates remembers */
    const void *streaming;        /* whose pixels go on in the open window; commands end that */
    struct jl_rect addressed;     /* of parts that keep addresses; w, h 0: not known */
    int16_t width;                /* of the picture, as turned */
    int16_t height;
};

/** Directions of the hardware scroll, as a person sees them. */
enum jl_scroll_direction { JL_SCROLL_LEFT, JL_SCROLL_RIGHT };

/** A hardware scroll. Pages are bands of 8 rows, 0 at the top. */
struct jl_scroll {
    enum jl_scroll_direction direction;
    uint8_t first_page;
    uint8_t last_page; /**< included */
    /**
     * Display frames from step to step: 2, 3, 4, 5, 25, 64, 128 or 256
     * (ssd1306: datasheet table 9-1, command 26h/27h); others are refused.
     */
    uint16_t frames_per_step;
};

/**
 * Ties a panel to its description and port. Sends nothing.
 *
 * @param panel  the caller's memory, any content
 * @param config must outlive the panel
 * @param port   must outlive the panel
 * @return JL_OK; JL_BAD_ARGUMENT (NULL, no controller or no bus); JL_BAD_PORT;
 *         JL_BAD_BUS; JL_BAD_ADDRESS; JL_BAD_SIZE (also the offsets); JL_BAD_FORMAT;
 *         JL_BAD_TURN; JL_BAD_STEPS: jl_status_text() says which member is meant.
 *         After an error the panel stays unusable: all calls refuse it.
 */
jl_status jl_panel_open(struct jl_panel *panel, const struct jl_panel_config *config,
                        const struct jl_port *port);

/**
 * Compares the port's clock with the controller's limit for writing.
 *
 * @param limit_hz receives the limit, whatever the result; may be NULL
 * @return JL_OK (also when the port does not say its clock); JL_CLOCK_TOO_FAST: a
 *         warning, the panel works as far as the wires allow; JL_BAD_ARGUMENT (not open)
 */
JL_MUST_CHECK
jl_status jl_panel_check_clock(const struct jl_panel *panel, uint32_t *limit_hz);

/**
 * Resets the controller (where the pin is wired), runs the wake-up sequence and
 * leaves the panel on and showing the format's clear colour. Safe from every state, also
 * after an error in the middle of a transfer. Turn, contrast and inversion are as last set, or
 * as the description says where they were not.
 *
 * @return JL_OK; JL_NOT_AWAKE (not open); JL_TIMEOUT (a step waited for BUSY); JL_UNSUPPORTED (the
 *         controller does not take such a step of your own sequence); JL_BAD_STEPS (a block that
 *         the description does not have); or the port's status
 */
jl_status jl_panel_wake(struct jl_panel *panel);

/**
 * The first status other than JL_OK that a call on this panel gave since the last jl_panel_wake(),
 * or since jl_panel_open(): for programs that check once, at the end. Bands count, and errors of
 * the bus in asynchronous sendings; drawing without a frame keeps a status of its own (direct.h).
 * Sends nothing.
 *
 * @return JL_OK: all went well; JL_BAD_ARGUMENT (NULL)
 */
JL_MUST_CHECK
jl_status jl_panel_status(const struct jl_panel *panel);

/**
 * jl_frame_init() with the format and the size of the panel's picture, as it is turned now.
 * Works before jl_panel_wake().
 *
 * @param pixels the caller's, must outlive the frame
 * @return as jl_frame_init(): after an error the frame is empty, drawing on it is safe and does
 *         nothing; JL_BAD_ARGUMENT (NULL, or not open)
 */
jl_status jl_panel_frame(struct jl_panel *panel, struct jl_frame *frame, void *pixels,
                         size_t pixel_bytes);

/**
 * Sends the frame, or of a tracked one (jl_frame_track()) what changed: each damaged
 * rectangle is one window and as few transfers as its memory allows. The first present
 * after a wake, a turn, a scroll, bands, direct drawing or another frame sends everything, as
 * does the first one after another panel has presented the frame. On success the damage is
 * cleared; after an error, or when the call is refused, it is kept, so nothing is lost.
 *
 * @return as all calls (JL_OK also when nothing changed: then nothing is sent);
 *         JL_BAD_FRAME_FORMAT; JL_BAD_FRAME_SIZE (another than the picture's, as turned)
 */
jl_status jl_panel_present(struct jl_panel *panel, struct jl_frame *frame);

/**
 * Presents what differs from a shadow of the last picture, and makes the shadow equal: for
 * programs that clear and redraw. Only damaged areas are compared. The shadow may hold anything
 * at first, and after other calls: everything is sent then.
 *
 * @param frame  tracked (jl_frame_track())
 * @param shadow the caller's, as many bytes as the frame has; one for each panel, and for the
 *               library alone from then on
 * @return as jl_panel_present(); JL_BAD_ARGUMENT also when the frame tracks no damage
 */
jl_status jl_panel_present_changes(struct jl_panel *panel, struct jl_frame *frame, void *shadow);

/**
 * Sends pixels of the panel's format to an area of the picture, as one window: for widget
 * toolkits that draw pieces into buffers of their own. The next present sends everything.
 *
 * @param area   on the picture; of whole units of columns, and of pages with vertical bytes
 * @param pixels the caller's, free again on return; not NULL
 * @param stride_bytes from line to line of `pixels`
 * @return as all calls; JL_OUT_OF_RANGE (such an area cannot be addressed: nothing is sent)
 */
jl_status jl_panel_send(struct jl_panel *panel, struct jl_rect area, const void *pixels,
                        uint16_t stride_bytes);

/**
 * The same for pixels of 5-6-5 in the processor's own order, as most widget toolkits draw them: for
 * panels of jl_rgb565 their bytes change places on the way, for those of jl_rgb565_cpu (16-bit
 * buses) they are sent from where they are.
 *
 * @param memory the caller's, free again on return: at least a line of the area, 2 bytes a pixel;
 *               all in one window, with one transfer for each time it is full
 * @return as jl_panel_send(); JL_BAD_FRAME_FORMAT (the panel has neither of these formats);
 *         JL_TOO_SMALL
 */
jl_status jl_panel_send_rgb565_cpu(struct jl_panel *panel, struct jl_rect area,
                                   const uint16_t *pixels, uint16_t stride_bytes, void *memory,
                                   size_t memory_bytes);

/**
 * Presents a frame of another format, converted on its way: a 3-3-2, 4-bit palette, grey or
 * 1-bit frame on a 5-6-5 panel takes a half to a sixteenth of the RAM. Any format that can be
 * read back goes to any other of one plane.
 *
 * @param memory the caller's, free again on return; the larger, the fewer transfers
 * @param memory_bytes at least one pixel of the panel (one unit of columns)
 * @return as all calls; JL_BAD_FRAME_SIZE; JL_TOO_SMALL (the memory); JL_UNSUPPORTED (two planes,
 *         or a frame that cannot be read)
 */
jl_status jl_panel_present_as(struct jl_panel *panel, struct jl_frame *frame, void *memory,
                              size_t memory_bytes);

/**
 * Sets the contrast, 0..255; on TFT controllers the brightness of the light they drive.
 * @return as all calls; JL_UNSUPPORTED (the controller lacks it: nothing is sent)
 */
jl_status jl_panel_contrast(struct jl_panel *panel, uint8_t contrast);

/** Shows on pixels dark and off pixels lit, or normally again. Returns as jl_panel_contrast(). */
jl_status jl_panel_invert(struct jl_panel *panel, bool inverted);

/**
 * Turns or mirrors the picture in the controller; `turn` is a sum of enum jl_turn, as in
 * jl_target_turn(). After a quarter turn width and height of the picture change places:
 * frames need the other size. The next present sends the whole frame, since controllers
 * mirror pixels only as they are written.
 *
 * @return as all calls; JL_BAD_TURN (the controller cannot do it: nothing is sent)
 */
jl_status jl_panel_turn(struct jl_panel *panel, uint8_t turn);

/** Shows 8 colours only and saves power, or all of them again. Returns as jl_panel_contrast(). */
jl_status jl_panel_idle(struct jl_panel *panel, bool idle);

/**
 * Lights every pixel whatever the RAM holds (a lamp test), or shows the RAM again. Returns as
 * jl_panel_contrast().
 */
jl_status jl_panel_all_on(struct jl_panel *panel, bool all_on);

/**
 * Switches the light behind the glass by the port's JL_PIN_LIGHT. Nothing else touches that pin:
 * keep it low until the first picture is presented, so that nobody sees the wake-up. Dimming is
 * the port's own affair.
 *
 * @return JL_OK; JL_UNSUPPORTED (the description lacks JL_MODULE_LIGHT_WIRED); JL_BAD_PORT (no
 *         set_pin()); JL_NOT_AWAKE (not open); JL_BAD_ARGUMENT (NULL)
 */
jl_status jl_panel_light(struct jl_panel *panel, bool on);

/** Switches the display off; the RAM keeps its picture. Returns as jl_panel_contrast(). */
jl_status jl_panel_sleep(struct jl_panel *panel);

/** Ends jl_panel_sleep() with the picture as it was. Of an awake panel: does nothing, JL_OK. */
jl_status jl_panel_resume(struct jl_panel *panel);

/**
 * Starts the controller's own horizontal scroll of some pages; no bytes flow
 * while it runs. Until jl_panel_scroll_stop() presenting gives JL_BUSY.
 *
 * @return as all calls; JL_OUT_OF_RANGE (pages off the glass or in the wrong order, or a speed
 *         the controller lacks); JL_NO_MOTION (the description names no motion that scrolls)
 */
jl_status jl_panel_scroll_start(struct jl_panel *panel, const struct jl_scroll *scroll);

/**
 * Rolls rows of the glass without sending pixels: rows top .. top + rows - 1 (of the
 * upright glass) show the picture's same rows from the `first`-th of them on, around and
 * around; first = 0 is the picture as presented. What is presented while rolled goes to
 * the RAM as if it were not.
 *
 * @return as all calls; JL_OUT_OF_RANGE (rows off the glass, first not among them); JL_NO_MOTION
 *         (the description names no motion that can); JL_UNSUPPORTED (it rolls the whole RAM
 *         only, and other rows were asked for)
 */
jl_status jl_panel_roll(struct jl_panel *panel, int16_t top, int16_t rows, int16_t first);

/**
 * Shows only some rows of the upright glass and saves power; 0 rows show all again.
 * Returns as jl_panel_roll().
 */
jl_status jl_panel_show_rows(struct jl_panel *panel, int16_t top, int16_t rows);

/** Stops the scroll; the next present sends the whole frame. Where none runs: nothing, JL_OK. */
jl_status jl_panel_scroll_stop(struct jl_panel *panel);

#ifdef __cplusplus
}
#endif

#endif
