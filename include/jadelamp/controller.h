/*
 * What a controller file implements: facts and encoders, all constant. Users of panels
 * need only the name of one (controllers/...). docs/adding-a-controller.md goes
 * through it.
 */
#ifndef JADELAMP_CONTROLLER_H
#define JADELAMP_CONTROLLER_H

#include "jadelamp/bus.h"
#include "jadelamp/geometry.h"
#include "jadelamp/status.h"

#ifdef __cplusplus
extern "C" {
#endif

struct jl_scroll;

/** Lines of memory on their way into an area of a controller's RAM. */
struct jl_run {
    struct jl_rect area;   /**< aligned to the format's lines and the controller's columns */
    const uint8_t *line;   /**< the caller's, the area's first; NULL: black */
    uint16_t stride_bytes; /**< from line to line */
};

/** Turns (a bit 1 << enum jl_turn each) of parts that turn and mirror in all ways, */
#define JL_TURNS_ALL 0xFF
/** of parts that mirror both axes but cannot exchange them, */
#define JL_TURNS_EVEN 0x55
/** and of parts that only show the picture upright. */
#define JL_TURNS_NONE 0x01

/** Settings that a controller turns into commands. */
enum jl_setting {
    JL_SETTING_POWER,    /**< 0 sleep, 1 awake */
    JL_SETTING_CONTRAST, /**< 0..255 */
    JL_SETTING_INVERT,   /**< 0, 1 */
    JL_SETTING_ALL_ON,   /**< 0, 1 */
    JL_SETTING_TURN,     /**< sum of enum jl_turn */
    JL_SETTING_IDLE,     /**< 0, 1 */
};

/** Most bytes that one of a controller's encoders writes. */
#define JL_STEPS_MOST_BYTES 40

/**
 * A controller. The encoders send nothing; they write steps (wake.h) to `out`,
 * which holds JL_STEPS_MOST_BYTES, and return how many bytes; 0 means that the
 * controller cannot do it.
 */
struct jl_controller {
    const char *name;               /**< part number, lower case */
    const struct jl_format *format; /**< of a panel whose description names none */
    int16_t ram_width;              /**< pixels */
    int16_t ram_height;             /**< pixels */
    uint8_t buses;                  /**< bit (1 << enum jl_bus_kind) for each */
    uint8_t default_contrast;
    uint8_t turns;          /**< bit (1 << turn) for each sum of enum jl_turn it can do */
    bool arguments_as_data; /**< with D/C high, like pixels; else like opcodes */
    bool line_windows;      /**< a window is one line: each page, or row, needs an address */
    /** Columns that can only be addressed together, a power of two that fills whole bytes. */
    uint8_t column_unit;
    uint8_t byte_us;            /**< busy after every byte, microseconds; 0: never */
    uint8_t reset_low_us;       /**< least reset pulse, microseconds */
    uint16_t reset_recovery_us; /**< least wait after it, microseconds */
    uint16_t window_price_px;   /**< pixels that cost as much wire as one more window */
    /** Layouts it takes, bit (1 << enum jl_layout) for each: on SPI and I2C, on 8 bits, on 16. */
    uint16_t serial_layouts, parallel_layouts, word_layouts;
    uint16_t serial_cycle_ns;   /**< least SPI clock cycle when written */
    uint16_t parallel_cycle_ns; /**< least write cycle, 8080 */
    uint16_t wake_steps_bytes;
    const uint8_t *wake_steps;
    size_t (*setup)(const struct jl_panel *panel, uint8_t *out);
    size_t (*setting)(const struct jl_panel *panel, enum jl_setting setting, uint8_t value,
                      uint8_t *out);
    /**
     * The area, of the picture as turned, is aligned to the format's lines and to
     * column_unit, and lies on the glass.
     */
    size_t (*window)(const struct jl_panel *panel, struct jl_rect area, uint8_t *out);
    /** jl_write_window(), or how else an area is opened and filled. */
    jl_status (*write)(struct jl_panel *panel, const struct jl_run *run);
    /** jl_wait_busy_pin on controllers with a BUSY pin, else NULL. */
    jl_status (*wait_busy)(const struct jl_port *port, const uint8_t arguments[3]);
};

/**
 * Runs JL_STEP_WAIT_BUSY; the arguments are the level and the limit in ms, low byte first.
 * @return JL_OK; JL_TIMEOUT; JL_UNSUPPORTED (the port has no get_pin())
 */
jl_status jl_wait_busy_pin(const struct jl_port *port, const uint8_t arguments[3]);

/** Writes an area as one window. For controllers whose address goes on from line to line. */
jl_status jl_write_window(struct jl_panel *panel, const struct jl_run *run);
/** Writes an area line by line, each a window. For controllers that only address a page. */
jl_status jl_write_lines(struct jl_panel *panel, const struct jl_run *run);
/**
 * The same for window encoders that write page, upper and lower column digit in one step: pages
 * after the first leave the lower digit out where it has not changed.
 */
jl_status jl_write_pages(struct jl_panel *panel, const struct jl_run *run);
/** As jl_write_lines(), but lines as wide as the RAM follow one another. */
jl_status jl_write_wrapped(struct jl_panel *panel, const struct jl_run *run);

/** A controller's scrolls and partial display; encoders as in struct jl_controller. */
struct jl_scroller {
    /** NULL scroll stops; 0 bytes mean that the controller lacks the speed. Or NULL. */
    size_t (*encode)(const struct jl_scroll *scroll, uint8_t *out);
    /**
     * Rows of the glass from `top` on, `rows` of them, show the RAM from the
     * `first`-th of them on, around and around. Or NULL.
     */
    size_t (*roll)(const struct jl_panel *panel, int16_t top, int16_t rows, int16_t first,
                   uint8_t *out);
    /** Shows only some rows of the glass; 0 rows show all again. Or NULL. */
    size_t (*part)(const struct jl_panel *panel, int16_t top, int16_t rows, uint8_t *out);
};

#ifdef __cplusplus
}
#endif

#endif
