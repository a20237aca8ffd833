/* SPI, 4-wire, where CS selects while it is high. */
#include "bus_pins.h"

static void begin(const struct jl_panel *panel, bool data, struct jl_transfer *transfer) {
    *transfer = (struct jl_transfer){0};
    jl_bus_pin(panel->port, JL_PIN_DC, data);
    jl_bus_pin(panel->port, JL_PIN_CS, true);
}

static void end(const struct jl_panel *panel) {
    jl_bus_pin(panel->port, JL_PIN_CS, false);
}

const struct jl_bus jl_bus_spi_cs_high = {.kind = JL_BUS_SPI,
                                          .wires = JL_WIRES_SERIAL,
                                          .check = jl_pins_check,
                                          .send = jl_pins_send,
                                          .lines = jl_pins_lines,
                                          .fill = jl_pins_fill,
                                          .begin = begin,
                                          .end = end};
