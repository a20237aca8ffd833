/*
 * Reading MIPI DCS parts (DCS 1.02, section 6): 0Ah get_power_mode, 2Eh read_memory_start. The
 * identities are those of the parts' datasheets; that of the st7735 is a planning value.
 */
#include "jadelamp/controllers/readings.h"

#define READS_BYTES (1 << JL_BUS_SPI | 1 << JL_BUS_SPI_3WIRE | 1 << JL_BUS_8080_8)

#define DCS_READING(command, answer)                                                               \
    {                                                                                              \
        .buses = READS_BYTES | 1 << JL_BUS_8080_16, .memory_buses = READS_BYTES,                   \
        .id_command = (command), .id = (answer), .state_command = 0x0A,                            \
        .state_bits = {0x04, 0x10, 0x80, 0x40, 0x20}, .memory_command = 0x2E,                      \
        .memory_in_six_bits = true                                                                 \
    }

const struct jl_reading jl_st7735_reading = DCS_READING(0x04, 0x7C89F0);
const struct jl_reading jl_st7789_reading = DCS_READING(0x04, 0x858552);
const struct jl_reading jl_ili9341_reading = DCS_READING(0xD3, 0x009341);
const struct jl_reading jl_ili9488_reading = DCS_READING(0xD3, 0x009488);
const struct jl_reading jl_st7796_reading = DCS_READING(0xD3, 0x007796);
const struct jl_reading jl_ili9163_reading = DCS_READING(0x04, 0x548066);
const struct jl_reading jl_gc9a01_reading = DCS_READING(0x04, 0x009A01);
