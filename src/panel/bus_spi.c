/* SPI, 4-wire. */
#include "bus_pins.h"

const struct jl_bus jl_bus_spi = {.kind = JL_BUS_SPI,
                                  .wires = JL_WIRES_SERIAL,
                                  .check = jl_pins_check,
                                  .send = jl_pins_send,
                                  .lines = jl_pins_lines,
                                  .fill = jl_pins_fill,
                                  .begin = jl_pins_begin,
                                  .end = jl_pins_end};
