/*
 * What the drivers of the 1-bit OLED controllers share with the one of ssd1306, where these
 * encoders are: remaps A0h/A1h and C0h/C8h, contrast 81h, switches A4h to A7h, AEh, AFh.
 */
#ifndef JADELAMP_SRC_MONO_OLED_H
#define JADELAMP_SRC_MONO_OLED_H

#include "jadelamp/panel.h"

/*
 * The COM pins configuration, second byte of DAh: 12h alternate, 02h in sequence. Modules of
 * 128x32 and 96x16 are bonded in sequence, all others alternately; the least bit of `module` says
 * that this one is not.
 */
static inline uint8_t jl_mono_oled_pins(const struct jl_panel_config *config) {
    /* At most 32 rows, and more than 64 columns: both are below 0 then. */
    unsigned sequential = ((config->height - 33) & (64 - config->width)) < 0;
    return (uint8_t)(0x12 - ((sequential ^ (config->module & JL_MODULE_ROWS_OTHER)) << 4));
}

/* Writes the two remaps of a turn on a module. */
void jl_mono_oled_turn(uint8_t *out, const struct jl_panel *panel, unsigned turn);

/* Size, wiring, turn, contrast and inversion. */
size_t jl_mono_oled_setup(const struct jl_panel *panel, uint8_t *out);

/* The same with the charge pump, 8Dh, and the precharge that it wants. */
size_t jl_mono_oled_setup_with_pump(const struct jl_panel *panel, uint8_t *out);

size_t jl_mono_oled_setting(const struct jl_panel *panel, enum jl_setting what, uint8_t value,
                            uint8_t *out);

/* RAM column of the picture's left edge. */
int16_t jl_mono_oled_first_column(const struct jl_panel *panel);

/* Window by 21h and 22h. */
size_t jl_mono_oled_window(const struct jl_panel *panel, const struct jl_stretch *stretch,
                           uint8_t *out);

/* What the descriptors have in common; the steps are called wake_steps. */
#define MONO_OLED_COMMON                                                                           \
    .format = &jl_mono_columns,                                                                    \
    .buses = 1 << JL_BUS_I2C | 1 << JL_BUS_SPI | 1 << JL_BUS_SPI_3WIRE | 1 << JL_BUS_8080_8 |      \
             1 << JL_BUS_6800_8,                                                                   \
    .layouts[JL_WIRES_SERIAL] = 1 << JL_LAYOUT_MONO_COLUMNS,                                       \
    .layouts[JL_WIRES_PARALLEL] = 1 << JL_LAYOUT_MONO_COLUMNS, .turns = JL_TURNS_EVEN,             \
    .column_unit = 1, .wake_steps = wake_steps, .wake_steps_bytes = sizeof wake_steps

#define MONO_OLED_CONTROLLER .ram_height = 64, .setting = jl_mono_oled_setting, MONO_OLED_COMMON

#endif
