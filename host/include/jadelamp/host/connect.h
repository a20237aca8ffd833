/*
 * The simulated wires between a port and a device: the one place where a bus of a panel becomes a
 * bus of the board. For rigs, tests and measurements.
 */
#ifndef JADELAMP_HOST_CONNECT_H
#define JADELAMP_HOST_CONNECT_H

#include "jadelamp/panel.h"
#include "jadelamp/sim/sim_port.h"

#ifdef __cplusplus
extern "C" {
#endif

/** What the firmware's bus driver is set to. */
struct jl_connection {
    enum jl_bus_kind bus;
    uint8_t i2c_address;  /**< 7-bit; I2C */
    int spi_mode;         /**< 0 or 3; SPI */
    uint32_t clock_hz;    /**< I2C, SPI and the st7920's serial bus */
    uint32_t cycle_ns;    /**< write cycle; 8080 and 6800 */
    uint32_t overhead_ns; /**< what its software takes for a transfer */
};

/** The glass that a panel's description is of: size, place in the RAM, bits of enum jl_module. */
struct jl_glass jl_glass_described(const struct jl_panel_config *config, enum jl_glass_kind kind);

/**
 * Puts a device at the end of a port's wires.
 *
 * A port without a bus gets one of its own. A port that has one (i2c or stream, of the same board)
 * shares it: on SPI each port keeps its own clock; on I2C, where every device listens to every
 * byte, the bus slows down to the slowest of them; the rest stays as the first device has it.
 *
 * @param port   its board is set; so is its device where that is another one, as for a character
 *               module behind an expander
 * @param device who listens on the bus
 * @return false: the bus does not fit the device, or has no place or such clock
 */
bool jl_connect(struct jl_sim_port *port, struct jl_device *device,
                const struct jl_connection *connection);

#ifdef __cplusplus
}
#endif

#endif
