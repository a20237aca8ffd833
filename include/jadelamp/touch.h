/*
 * Touch: fingers on the glass, as pixels of the picture.
 *
 *   jl_touch_open(&touch, &description, &port);
 *   jl_touch_wake(&touch);
 *   for (;;) {
 *       jl_touch_read(&touch, points, 2, &count);
 *       if (count) { ... points[0].x, points[0].y ... }
 *   }
 *
 * The port needs receive(). A touch controller on SPI has a clock of its own, so it gets a port of
 * its own, which may have the same hardware behind it; CS is JL_PIN_TOUCH_CS.
 *
 * Polling is enough; where the pen line is wired (JL_PIN_PEN) nothing is read while it is high.
 * After an error there are no points, and the next read tries again: touch never stops a screen.
 * None of the calls may come from an interrupt.
 */
#ifndef JADELAMP_TOUCH_H
#define JADELAMP_TOUCH_H

#include "jadelamp/geometry.h"
#include "jadelamp/port.h"
#include "jadelamp/touch_map.h"

#ifdef __cplusplus
extern "C" {
#endif

struct jl_touch;

/** Most points that a part tells at a time. */
#define JL_TOUCH_POINTS 5

/** A finger. */
struct jl_touch_point {
    int16_t x, y;      /**< pixels of the picture, as it is turned */
    uint8_t finger;    /**< the same as long as it stays on the glass */
    uint16_t pressure; /**< of resistive glass: ohms between the layers, less is harder; else 0 */
};

/** A controller; constants below. The members are for the library. */
struct jl_touch_part {
    const char *name;
    bool is_spi;
    bool pen_is_level; /* the pen line stays low while something touches */
    uint16_t reset_low_ms, reset_recovery_ms;
    jl_status (*wake)(struct jl_touch *touch); /* behind the reset; NULL: nothing to do */
    /* Sets raw and raw_count. */
    jl_status (*read)(struct jl_touch *touch);
};

/** Resistive, one point, on SPI up to 2.5 MHz; tells 0..4095 across the glass: needs a map. */
extern const struct jl_touch_part jl_xpt2046;
/** Capacitive, two points, on I2C at 0x38; tells pixels of its glass, as do the next ones. */
extern const struct jl_touch_part jl_ft6x36;
/**
 * Capacitive, five points, on I2C at 0x5D or 0x14. With reset and pen line wired, jl_touch_wake()
 * chooses the address; get_pin() must make the pen line an input again after set_pin() drove it.
 * Without, it stays as the module has chosen.
 */
extern const struct jl_touch_part jl_gt911;
/** Capacitive, one point, on I2C at 0x15 (S, T and D alike). */
extern const struct jl_touch_part jl_cst816;

/** Description of a touch panel: constant. */
struct jl_touch_config {
    const struct jl_touch_part *part;
    int16_t width, height;          /**< of the upright glass, pixels */
    const struct jl_touch_map *map; /**< from the part's coordinates; NULL: they are pixels */
    uint8_t mounting;    /**< sum of enum jl_turn: how the touch glass lies on the upright one; a
                              map has it in it, so leave it 0 there */
    uint8_t i2c_address; /**< 7 bits */
    bool reset_wired;    /**< JL_PIN_TOUCH_RESET */
    bool pen_wired;      /**< JL_PIN_PEN: nothing is read while it is high, of parts where it is a
                              level; else polling */
    bool sleeps;         /**< cst816: let it sleep a few seconds after a touch; no answer is no
                              touch then. Else it is told to stay awake */
};

/** A touch panel. The caller's memory; members are for the library. */
struct jl_touch {
    const struct jl_touch_config *config; /* NULL: not open */
    const struct jl_port *port;
    const struct jl_touch_map *map;
    uint8_t turn;
    uint8_t raw_count;
    struct jl_touch_point raw[JL_TOUCH_POINTS]; /* in the part's own coordinates */
};

/**
 * Ties it to its description and port. Sends nothing.
 *
 * @return JL_OK; JL_BAD_ARGUMENT (NULL, no part, or a map that is none: jl_touch_map_is_good());
 *         JL_BAD_SIZE (below 1); JL_BAD_TURN (no such mounting); JL_BAD_ADDRESS; JL_BAD_PORT (no
 *         receive(), send() or wait_us(); no set_pin() for SPI or reset; no get_pin() for the pen
 *         line)
 */
JL_MUST_CHECK
jl_status jl_touch_open(struct jl_touch *touch, const struct jl_touch_config *config,
                        const struct jl_port *port);

/**
 * Resets it where that is wired, waits for its boot (up to 300 ms), and reads from it once.
 *
 * @return JL_OK; JL_BAD_ARGUMENT (NULL, or not open); JL_NO_ANSWER and the like from the port
 */
JL_MUST_CHECK
jl_status jl_touch_wake(struct jl_touch *touch);

/**
 * Points follow the picture from now on: the sum of enum jl_turn that the panel or its target has.
 * The same map serves all of them.
 *
 * @return JL_OK; JL_BAD_ARGUMENT; JL_BAD_TURN (no such sum)
 */
jl_status jl_touch_turn(struct jl_touch *touch, uint8_t turn);

/**
 * Takes another map than the description's, such as a fresh one. NULL: none, so pixels.
 *
 * @param map the caller's, as long as the touch panel is used
 * @return JL_OK; JL_BAD_ARGUMENT (NULL, not open, or no map: then nothing changes)
 */
jl_status jl_touch_use_map(struct jl_touch *touch, const struct jl_touch_map *map);

/**
 * Reads where fingers are now. Points up to 8 pixels off the glass are moved to its edge; what is
 * further off is no touch.
 *
 * @param points receives at most `most` points
 * @param count receives how many; 0 after an error
 * @return JL_OK (also when nothing touches); JL_BAD_ARGUMENT; or the port's status
 */
jl_status jl_touch_read(struct jl_touch *touch, struct jl_touch_point *points, uint8_t most,
                        uint8_t *count);

/**
 * Reads one finger in the part's own coordinates: for jl_touch_calibrate().
 *
 * @param raw receives it; not changed while nothing touches
 * @param touching receives whether something does; false after an error
 * @return JL_OK; JL_BAD_ARGUMENT; or the port's status
 */
jl_status jl_touch_read_raw(struct jl_touch *touch, struct jl_point *raw, bool *touching);

#ifdef __cplusplus
}
#endif

#endif
