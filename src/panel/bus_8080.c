/* 8080 and 6800 with 8 bits: the bytes and pins of SPI, strobed by the port as each bus asks. */
#include "bus_pins.h"

const struct jl_bus jl_bus_8080_8 = {.kind = JL_BUS_8080_8,
                                     .wires = JL_WIRES_PARALLEL,
                                     .check = jl_pins_check,
                                     .send = jl_pins_send,
                                     .lines = jl_pins_lines,
                                     .fill = jl_pins_fill,
                                     .begin = jl_pins_begin,
                                     .end = jl_pins_end};

const struct jl_bus jl_bus_6800_8 = {.kind = JL_BUS_6800_8,
                                     .wires = JL_WIRES_PARALLEL,
                                     .check = jl_pins_check,
                                     .send = jl_pins_send,
                                     .lines = jl_pins_lines,
                                     .fill = jl_pins_fill,
                                     .begin = jl_pins_begin,
                                     .end = jl_pins_end};
