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
struct jl_frame;
struct jl_showing;

/** Updates of e-paper: how the glass takes over what the RAM holds (epaper.h). */
enum jl_update {
    JL_UPDATE_AUTO,    /**< as the policy of the description says */
    JL_UPDATE_FULL,    /**< every pixel, with flashes: no ghosts; seconds */
    JL_UPDATE_FAST,    /**< the same with less flashing, where the part can: slight ghosts */
    JL_UPDATE_PARTIAL, /**< only what changed, without a flash: ghosts; less than a second */
};

/**
 * A stretch of an area: lines of pixels that follow one another in the controller's RAM, so that
 * nothing has to be said between them.
 */
struct jl_stretch {
    struct jl_rect
        area;      /**< of the picture as turned; h is 0 before the first and behind the last */
    uint8_t plane; /**< of formats with two */
    /** Asked for by the caller: each stretch lies below, or at the right of, the one before. */
    bool in_order;
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
#define JL_STEPS_MOST_BYTES 48

/** What a part has whose glass keeps its picture (e-paper); encoders as in struct jl_controller. */
struct jl_paper {
    /**
     * jl_panel_present() of a frame that fits an awake panel: jl_paper_present. These are
     * pointers, so that programs without e-paper do not carry their code.
     */
    jl_status (*present)(struct jl_panel *panel, struct jl_frame *frame);
    /** Goes on with a picture, as far as it can without waiting: jl_paper_show. */
    jl_status (*show)(struct jl_panel *panel, struct jl_showing *showing,
                      const struct jl_frame *frame);
    /** The same, and waits: jl_paper_wait. True: all areas are to be sent (again). */
    bool (*wait)(struct jl_panel *panel, struct jl_showing *showing, const struct jl_frame *frame,
                 jl_status *status);
    /** Ends a deep sleep: jl_paper_resume. */
    jl_status (*resume)(struct jl_panel *panel);
    /** The steps of an update, waits for BUSY among them. */
    size_t (*update)(const struct jl_panel *panel, enum jl_update update, uint8_t *out);
    uint8_t updates; /**< bit (1 << enum jl_update) for each it has waveforms of its own for */
    bool keeps_ram;  /**< in deep sleep */
};

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
    uint16_t buses;                 /**< bit (1 << enum jl_bus_kind) for each */
    uint8_t default_contrast;
    uint8_t turns; /**< bit (1 << turn) for each sum of enum jl_turn it can do */
    /** Bytes of an opcode where its arguments travel with D/C high, like pixels: 1, or 2 where
     * registers have an index of 16 bits; 0: all of a step travels with D/C low. */
    uint8_t opcode_bytes;
    /**
     * Columns that can only be addressed together, a power of two that fills whole bytes. On
     * e-paper 1: its columns go by bytes, and the last byte of a row may reach past the glass.
     */
    uint8_t column_unit;
    bool whole_lines;           /**< lines can only be sent whole */
    uint8_t byte_us;            /**< busy after every byte, microseconds; 0: never */
    uint16_t reset_low_us;      /**< least reset pulse, microseconds */
    uint16_t reset_recovery_us; /**< least wait after it, microseconds */
    /** Pixels that cost as much wire as one more window; plus JL_WINDOW_A_LINE (damage.h) where
     * each line of an area is a window of its own, as with jl_next_page. */
    uint16_t window_price_px;
    /** Layouts it takes, bit (1 << enum jl_layout) for each, by enum jl_wires. */
    uint16_t layouts[JL_WIRES_COUNT];
    uint16_t serial_cycle_ns;   /**< least SPI clock cycle when written */
    uint16_t parallel_cycle_ns; /**< least write cycle, 8080 and 6800 */
    uint16_t wake_steps_bytes;
    const uint8_t *wake_steps;
    size_t (*setup)(const struct jl_panel *panel, uint8_t *out);
    size_t (*setting)(const struct jl_panel *panel, enum jl_setting setting, uint8_t value,
                      uint8_t *out);
    /** For jl_next_...: the steps that address a stretch, whose area lies on the glass. Else NULL.
     */
    size_t (*window)(const struct jl_panel *panel, const struct jl_stretch *stretch, uint8_t *out);
    /**
     * Goes through an area: makes `stretch` the next one (of an h of 0: the first), writes the
     * steps in front of its pixels and returns their bytes; 0 is none. Behind the last one it sets
     * h to 0, and the steps are what ends the area. One of the jl_next_... below, or the
     * controller's own. The area is aligned to the format's lines; stretches are to column_unit,
     * too.
     */
    size_t (*next)(struct jl_panel *panel, const struct jl_rect *area, struct jl_stretch *stretch,
                   uint8_t *out);
    /** jl_rare_step on controllers with a BUSY pin or blocks of their own, else NULL. */
    jl_status (*rare_step)(const struct jl_panel *panel, const uint8_t *step);
    const struct jl_paper *paper; /**< of e-paper, else NULL */
};

/**
 * Runs JL_STEP_WAIT_BUSY and JL_STEP_BLOCK. Apart, so that most programs do not carry it.
 * @return JL_OK; JL_TIMEOUT; JL_UNSUPPORTED (the port has no get_pin()); JL_BAD_STEPS (no such
 *         block); or the port's status
 */
jl_status jl_rare_step(const struct jl_panel *panel, const uint8_t *step);

/** The area is one stretch, by the controller's window; planes follow each other. */
size_t jl_next_window(struct jl_panel *panel, const struct jl_rect *area,
                      struct jl_stretch *stretch, uint8_t *out);
/** The same for controllers with a column_unit: columns grow to whole ones. */
size_t jl_next_units(struct jl_panel *panel, const struct jl_rect *area, struct jl_stretch *stretch,
                     uint8_t *out);
/** Each line of memory (a row; with vertical bytes a page) is a stretch with an address. */
size_t jl_next_line(struct jl_panel *panel, const struct jl_rect *area, struct jl_stretch *stretch,
                    uint8_t *out);
/**
 * The same for window encoders that write page, upper and lower column digit in one step: pages
 * after the first leave the lower digit out where it has not changed.
 */
size_t jl_next_page(struct jl_panel *panel, const struct jl_rect *area, struct jl_stretch *stretch,
                    uint8_t *out);
/** As jl_next_line(), but lines as wide as the RAM follow one another. */
size_t jl_next_wrapped(struct jl_panel *panel, const struct jl_rect *area,
                       struct jl_stretch *stretch, uint8_t *out);

/**
 * For e-paper: columns grow to whole units; of two planes the second is left alone in a partial
 * update.
 */
size_t jl_next_paper(struct jl_panel *panel, const struct jl_rect *area, struct jl_stretch *stretch,
                     uint8_t *out);

/** The members of struct jl_paper. */
jl_status jl_paper_present(struct jl_panel *panel, struct jl_frame *frame);
jl_status jl_paper_show(struct jl_panel *panel, struct jl_showing *showing,
                        const struct jl_frame *frame);
bool jl_paper_wait(struct jl_panel *panel, struct jl_showing *showing, const struct jl_frame *frame,
                   jl_status *status);
jl_status jl_paper_resume(struct jl_panel *panel);
/**
 * jl_rare_step() for e-paper: BUSY may be inverted by the description, and blocks from
 * JL_PAPER_WAVE on are those of the wave of the update under way. Refuses what these parts cannot
 * do: offsets of columns that are no multiple of 8 (JL_BAD_SIZE).
 */
jl_status jl_paper_rare_step(const struct jl_panel *panel, const uint8_t *step);
#define JL_PAPER_WAVE 0x80

/** How a controller moves or hides the picture by itself; encoders as in struct jl_controller. */
struct jl_motion {
    /** NULL scroll stops; 0 bytes mean that the controller lacks the speed. Or NULL. */
    size_t (*scroll)(const struct jl_scroll *scroll, uint8_t *out);
    /**
     * Rows of the glass from `top` on, `rows` of them, show the RAM from the
     * `first`-th of them on, around and around. Or NULL.
     */
    size_t (*roll)(const struct jl_panel *panel, int16_t top, int16_t rows, int16_t first,
                   uint8_t *out);
    /** Shows only some rows of the glass; 0 rows show all again. Or NULL. */
    size_t (*show_rows)(const struct jl_panel *panel, int16_t top, int16_t rows, uint8_t *out);
};

#ifdef __cplusplus
}
#endif

#endif
