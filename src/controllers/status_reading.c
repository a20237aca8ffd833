/*
 * Reading OLED and LCD parts: with D/C low a status, with D/C high the memory behind a dummy byte
 * (ssd1306 datasheet 8.1.1 and 8.1.2; st7565 "display data read"). Parts whose pixels have an
 * opcode ask for them with 5Dh (ssd1322, ssd1351: read RAM command).
 */
#include "jadelamp/controllers/readings.h"

#define PARALLEL (1 << JL_BUS_8080_8 | 1 << JL_BUS_6800_8)

/* Bit 6 of the status is set while the display is off (ssd1306 datasheet, table 9-2). */
#define OLED_READING(serial, command)                                                              \
    {                                                                                              \
        .buses = (serial) | PARALLEL, .memory_buses = PARALLEL, .state_flip = 0x40,                \
        .state_bits = {0x40}, .memory_command = (command)                                          \
    }

const struct jl_reading jl_mono_oled_reading = OLED_READING(1 << JL_BUS_I2C, 0);
const struct jl_reading jl_ssd1327_reading = OLED_READING(1 << JL_BUS_I2C, 0);
const struct jl_reading jl_ssd1331_reading = OLED_READING(0, 0);
const struct jl_reading jl_ssd1322_reading = OLED_READING(0, 0x5D);
const struct jl_reading jl_ssd1351_reading = OLED_READING(0, 0x5D);

/* Bit 5 of the status is set while the display is off (st7565 datasheet, "status read"). */
const struct jl_reading jl_lcd_pages_reading = {
    .buses = PARALLEL, .memory_buses = PARALLEL, .state_flip = 0x20, .state_bits = {0x20}};
