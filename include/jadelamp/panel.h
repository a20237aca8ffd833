/*
 * A panel: controller + glass + wiring. Its life: open, wake, present as often
 * as the picture changes, sleep, resume.
 *
 * Rules for all calls: they may block as long as the port's send does; they
 * must not be called from an interrupt, nor by two contexts at once for one
 * panel; a NULL panel gives JL_BAD_ARGUMENT. When the port reports an error
 * the call returns it at once and the panel counts as not awake: jl_panel_wake()
 * brings it back, whatever the controller saw of the broken transfer.
 */
#ifndef JADELAMP_PANEL_H
#define JADELAMP_PANEL_H

#include "jadelamp/frame.h"
#include "jadelamp/port.h"
#include "jadelamp/wake.h"

#ifdef __cplusplus
extern "C" {
#endif

struct jl_panel;
struct jl_scroll;

/** How the controller is wired. */
enum jl_bus {
    JL_BUS_I2C,
    JL_BUS_SPI, /**< 4-wire: clock, data, CS, D/C; mode 0 or 3, most significant bit first */
};

/** Facts of the module that differ from the controller's usual module. Add up. */
enum jl_module {
    JL_MODULE_USUAL = 0,
    JL_MODULE_ROWS_SEQUENTIAL =
        1 << 0,                  /**< glass rows bonded in sequence (128x32), not alternately */
    JL_MODULE_MIRROR_X = 1 << 1, /**< glass mounted the other way round left to right */
    JL_MODULE_MIRROR_Y = 1 << 2, /**< glass mounted the other way round top to bottom */
    JL_MODULE_EXTERNAL_SUPPLY =
        1 << 3,                     /**< panel voltage from outside: the charge pump stays off */
    JL_MODULE_RESET_WIRED = 1 << 4, /**< the port's JL_PIN_RESET reaches the controller */
};

/** Orientation of the picture, on top of the module's mounting. Add up. */
enum jl_flip {
    JL_FLIP_NONE = 0,
    JL_FLIP_X = 1,                            /**< left and right swapped */
    JL_FLIP_Y = 2,                            /**< top and bottom swapped */
    JL_FLIP_HALF_TURN = JL_FLIP_X | JL_FLIP_Y /**< upside down, readable */
};

/**
 * Description of a panel: constant, in flash, never copied. The zero value of
 * every member is the usual case.
 */
struct jl_panel_config {
    const struct jl_controller *controller; /**< such as &jl_ssd1306 */
    int16_t width;                          /**< of the glass, pixels */
    int16_t height;                         /**< of the glass, pixels */
    int16_t column_offset; /**< RAM column shown at the left edge, pixels; 32 on 64x48 glass */
    enum jl_bus bus;
    uint8_t i2c_address; /**< 7-bit, 0x08..0x77 */
    uint8_t module;      /**< sum of enum jl_module */
    uint8_t flip;        /**< sum of enum jl_flip at wake-up */
    uint8_t contrast;    /**< at wake-up, 1..255; 0 is the controller's usual value */
    bool inverted;       /**< at wake-up: on pixels dark, off pixels lit */
    /**
     * Such as &jl_ssd1306_scroller, for programs that use the hardware scroll; others
     * leave it NULL and do not carry its code.
     */
    const struct jl_scroller *scroller;
    /** Own wake-up sequence (wake.h), or NULL for the controller's. */
    const uint8_t *wake_steps;
    uint16_t wake_steps_bytes;
};

/** Settings that a controller turns into commands. For controller files. */
enum jl_setting {
    JL_SETTING_POWER,    /**< 0 sleep, 1 awake */
    JL_SETTING_CONTRAST, /**< 0..255 */
    JL_SETTING_INVERT,   /**< 0, 1 */
    JL_SETTING_ALL_ON,   /**< 0, 1 */
    JL_SETTING_FLIP,     /**< sum of enum jl_flip */
};

/** Most bytes that one of a controller's encoders writes. */
#define JL_STEPS_MOST_BYTES 40

/**
 * A controller: facts and encoders, all constant. The encoders send nothing;
 * they write steps (wake.h) to `out`, which holds JL_STEPS_MOST_BYTES, and
 * return how many bytes; 0 means that the controller cannot do it.
 */
struct jl_controller {
    const char *name;               /**< part number, lower case */
    const struct jl_format *format; /**< pixel format of its RAM */
    int16_t ram_width;              /**< pixels */
    int16_t ram_height;             /**< pixels */
    uint8_t buses;                  /**< bit (1 << enum jl_bus) for each */
    uint8_t default_contrast;
    uint8_t reset_low_us;      /**< least reset pulse, microseconds */
    uint8_t reset_recovery_us; /**< least wait after it, microseconds */
    uint16_t window_price_px;  /**< pixels that cost as much wire as one more window */
    /** Columns that can only be addressed together, a power of two that fills whole bytes. */
    uint8_t column_unit;
    uint8_t wake_steps_bytes;
    const uint8_t *wake_steps;
    size_t (*setup)(const struct jl_panel *panel, uint8_t *out);
    size_t (*setting)(const struct jl_panel *panel, enum jl_setting setting, uint8_t value,
                      uint8_t *out);
    /** The area is aligned to the format's lines and to column_unit, and lies on the glass. */
    size_t (*window)(const struct jl_panel *panel, struct jl_rect area, uint8_t *out);
};

/** A controller's scroll: one encoder, as in struct jl_controller. */
struct jl_scroller {
    /** NULL scroll stops; 0 bytes mean that the controller lacks the speed. */
    size_t (*encode)(const struct jl_scroll *scroll, uint8_t *out);
};

/** A panel. The caller's memory; all members are for the library. */
struct jl_panel {
    const struct jl_panel_config *config;
    const struct jl_port *port;
    uint8_t state;
    uint8_t flip;
    uint8_t contrast;
    bool inverted;
    bool all_on;
    bool stale; /* what the RAM holds is not the last frame: send all of the next one */
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
 * @return JL_OK; JL_BAD_ARGUMENT (NULL, a size below 1, a broken wake-up
 *         sequence, or a missing port operation that the bus needs);
 *         JL_BAD_ADDRESS; JL_OUT_OF_RANGE (glass and offset reach past the
 *         controller's RAM, or the width is no multiple of its column unit);
 *         JL_UNSUPPORTED (a bus the controller lacks).
 *         After an error the panel stays unusable: all calls refuse it.
 */
JL_MUST_CHECK
jl_status jl_panel_open(struct jl_panel *panel, const struct jl_panel_config *config,
                        const struct jl_port *port);

/**
 * Resets the controller (where the pin is wired), runs the wake-up sequence and
 * leaves the panel on and black. Safe from every state, also after an error in
 * the middle of a transfer.
 *
 * @return JL_OK; JL_NOT_AWAKE (not open); or the port's status
 */
JL_MUST_CHECK
jl_status jl_panel_wake(struct jl_panel *panel);

/**
 * Sends the frame, or of a tracked one (jl_frame_track()) what changed: each damaged
 * rectangle is one window and as few transfers as its memory allows. The first present
 * after a wake, a flip, a scroll, bands, direct drawing or a refused present sends
 * everything. On success the damage is cleared; after an error it is kept, so nothing is
 * lost.
 *
 * @return JL_OK (also when nothing changed: then nothing is sent);
 *         JL_NOT_AWAKE; JL_BUSY (a hardware scroll runs: the controller forbids
 *         writing its RAM); JL_UNSUPPORTED (the frame has another format);
 *         JL_OUT_OF_RANGE (another size than the glass); or the port's status
 */
JL_MUST_CHECK
jl_status jl_panel_present(struct jl_panel *panel, struct jl_frame *frame);

/** Sets the contrast, 0..255. @return JL_OK; JL_NOT_AWAKE; or the port's status */
JL_MUST_CHECK
jl_status jl_panel_contrast(struct jl_panel *panel, uint8_t contrast);

/** Shows on pixels dark and off pixels lit, or normally again. Returns as jl_panel_contrast(). */
JL_MUST_CHECK
jl_status jl_panel_invert(struct jl_panel *panel, bool inverted);

/**
 * Turns or mirrors the picture in the controller; `flip` is a sum of enum
 * jl_flip. The next present sends the whole frame, since the controller mirrors
 * columns only as they are written. Returns as jl_panel_contrast(), and
 * JL_BAD_ARGUMENT for other bits.
 */
JL_MUST_CHECK
jl_status jl_panel_flip(struct jl_panel *panel, uint8_t flip);

/** Lights every pixel whatever the RAM holds (a lamp test), or shows the RAM again. */
JL_MUST_CHECK
jl_status jl_panel_all_on(struct jl_panel *panel, bool all_on);

/** Switches the display off; the RAM keeps its picture. Returns as jl_panel_contrast(). */
JL_MUST_CHECK
jl_status jl_panel_sleep(struct jl_panel *panel);

/** Ends jl_panel_sleep() with the picture as it was. @return JL_OK; JL_NOT_AWAKE; port's */
JL_MUST_CHECK
jl_status jl_panel_resume(struct jl_panel *panel);

/**
 * Starts the controller's own horizontal scroll of some pages; no bytes flow
 * while it runs. Until jl_panel_scroll_stop() presenting gives JL_BUSY.
 *
 * @return JL_OK; JL_NOT_AWAKE; JL_OUT_OF_RANGE (pages off the glass or in the
 *         wrong order, or a speed the controller lacks); JL_UNSUPPORTED (the
 *         description names no scroller); port's
 */
JL_MUST_CHECK
jl_status jl_panel_scroll_start(struct jl_panel *panel, const struct jl_scroll *scroll);

/** Stops the scroll; the next present sends the whole frame. Returns as jl_panel_contrast(). */
JL_MUST_CHECK
jl_status jl_panel_scroll_stop(struct jl_panel *panel);

#ifdef __cplusplus
}
#endif

#endif
