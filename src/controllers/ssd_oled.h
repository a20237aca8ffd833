/*
 * Grey and colour OLED controllers of one family: windows by 15h and 75h, remap by A0h, modes by
 * A4h to A7h, display by AEh and AFh. What their encoders share.
 */
#ifndef JADELAMP_SRC_SSD_OLED_H
#define JADELAMP_SRC_SSD_OLED_H

#include "jadelamp/panel.h"

/* What the parts have differently. */
struct jl_ssd_part {
    uint8_t multiplex;    /* opcode of rows - 1 */
    uint8_t normal;       /* opcode of the normal display: A4 or A6 */
    uint8_t column_shift; /* 2^n pixels in a column address */
    uint8_t write_opcode; /* before pixels; 0: none */
    uint8_t *(*put_remap)(uint8_t *out, const struct jl_panel *panel, uint8_t turn);
    uint8_t *(*put_contrast)(uint8_t *out, uint8_t contrast);
};

size_t jl_ssd_setup(const struct jl_ssd_part *part, const struct jl_panel *panel, uint8_t *out);
size_t jl_ssd_setting(const struct jl_ssd_part *part, const struct jl_panel *panel,
                      enum jl_setting what, uint8_t value, uint8_t *out);
size_t jl_ssd_window(const struct jl_ssd_part *own, const struct jl_panel *panel,
                     const struct jl_stretch *stretch, uint8_t *out);

/* One command with one argument. */
static inline uint8_t *jl_ssd_put(uint8_t *out, uint8_t command, uint8_t argument) {
    out[0] = 2;
    out[1] = command;
    out[2] = argument;
    return out + 3;
}

/* What the descriptors have in common; the steps are called wake_steps, and the encoders are those
 * of ssd_oled_template.h. */
#define JL_SSD_CONTROLLER                                                                          \
    .wake_steps = wake_steps, .wake_steps_bytes = sizeof wake_steps, .setup = setup,               \
    .setting = setting, .window = window

/* Their buses but I2C and 16 bits. */
#define JL_SSD_BUSES (1 << JL_BUS_SPI | 1 << JL_BUS_SPI_3WIRE | 1 << JL_BUS_8080_8)

#endif
