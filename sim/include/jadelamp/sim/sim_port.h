/*
 * A jl_port onto the board: what the firmware's port is on hardware.
 */
#ifndef JADELAMP_SIM_SIM_PORT_H
#define JADELAMP_SIM_SIM_PORT_H

#include "jadelamp/port.h"
#include "jadelamp/sim/rgb.h"
#include "jadelamp/sim/touch.h"

#ifdef __cplusplus
extern "C" {
#endif

/** Keys and a knob that a program reads as pins: what a script says, and what is held now. */
struct jl_sim_hand {
    const struct jl_hand_step *steps; /**< the caller's, or NULL */
    size_t step_count;
    uint8_t keys;      /**< bit K: key K (enum jl_key_name) is held */
    int knob_quarters; /**< of a detent, clockwise since the start; beside those of the script */
};

/** Context of a simulated port. Exactly one of i2c and stream is set, or neither beside rgb. */
struct jl_sim_port {
    struct jl_board *board;
    struct jl_i2c_bus *i2c;
    struct jl_stream_bus *stream;
    struct jl_rgb_bus *rgb;   /**< of glass that is scanned out, else NULL */
    size_t frame_bytes;       /**< of a frame for it */
    struct jl_device *device; /**< whose pins the port drives; may be NULL on I2C */
    uint32_t clock_hz;        /**< SPI: set before each transfer; 0: the bus stays as it is */
    /** A touch controller that programs reach through this port, too: its pins, what they receive,
     * and what they send to its address. NULL: none */
    const struct jl_sim_port *touch;
    uint8_t touch_address;          /**< 7 bits; 0: on SPI */
    const struct jl_sim_hand *hand; /**< NULL: no keys and no knob are there; their pins are high */
};

/** Operations that take a struct jl_sim_port as context: what every port has. */
extern const struct jl_port_ops jl_sim_port_ops;

/** The same on SPI and 8080 with repeat(), send_nine(), start() and poll(). */
extern const struct jl_port_ops jl_sim_port_rich_ops;

#ifdef __cplusplus
}
#endif

#endif
