/* The text mode of the st7920 (datasheet, instruction set 1 and the display RAM). */
#include "jadelamp/controllers/st7920_text.h"

#include "../core/lone.h"
#include "../panel/panel.h"

enum {
    BASIC = 0x30,
    GRAPHICS = 0x36, /* back to instruction set 2; graphics stay on */
    CLEAR = 0x01,
    CLEAR_US = 2000, /* 1.6 ms by the sheet */
    SET_CGRAM = 0x40,
    SET_TEXT = 0x80, /* of pairs of characters; rows 2 and 3 follow rows 0 and 1: 80 90 88 98 */
    COLUMNS = 16,
    ROWS = 4,
    SYMBOL_BYTES = 32,
};

/* An instruction of the basic set, data behind it, and back to graphics. */
static jl_status send(struct jl_panel *panel, uint8_t instruction, const uint8_t *data,
                      size_t count) {
    const struct jl_bus *bus = jl_config_of(panel)->bus;
    const uint8_t before[] = {BASIC, instruction}, after = GRAPHICS;
    jl_status status = bus->send(panel, false, before, sizeof before);
    if (status == JL_OK && instruction == CLEAR) {
        panel->port->ops->wait_us(panel->port->context, CLEAR_US);
    }
    if (status == JL_OK && count) {
        status = bus->send(panel, true, data, count);
    }
    if (status == JL_OK) {
        status = bus->send(panel, false, &after, 1);
    }
    return jl_panel_end_call(panel, status);
}

/* By an encoder, so that a copy of the descriptor will do. */
static jl_status ready(struct jl_panel *panel) {
    jl_status status = jl_panel_ready(panel);
    bool other = status == JL_OK && jl_config_of(panel)->controller->window != jl_st7920.window;
    return other ? jl_panel_note(panel, JL_UNSUPPORTED) : status;
}

static uint8_t place(uint8_t column, uint8_t row) {
    return (uint8_t)(SET_TEXT | (row & 1) << 4 | (row & 2) << 2 | column >> 1);
}

jl_status jl_st7920_text(struct jl_panel *panel, uint8_t column, uint8_t row, const char *text) {
    uint8_t codes[COLUMNS];
    uint8_t count = 0;
    jl_status status = ready(panel);
    for (; status == JL_OK && *text && count < COLUMNS; text++) {
        codes[count++] = (uint8_t)(*text >= ' ' && *text <= '~' ? *text : '?');
    }
    if (status == JL_OK &&
        (column & 1 || row >= ROWS || column + count > COLUMNS || *text || column >= COLUMNS)) {
        status = jl_panel_note(panel, JL_OUT_OF_RANGE);
    }
    if (status != JL_OK || count == 0) {
        return status;
    }
    if (count & 1) {
        codes[count++] = ' ';
    }
    return send(panel, place(column, row), codes, count);
}

jl_status jl_st7920_text_clear(struct jl_panel *panel) {
    jl_status status = ready(panel);
    return status == JL_OK ? send(panel, CLEAR, NULL, 0) : status;
}

jl_status jl_st7920_define(struct jl_panel *panel, uint8_t index, const uint16_t rows[16]) {
    uint8_t bytes[SYMBOL_BYTES];
    jl_status status = ready(panel);
    if (status == JL_OK && index > 3) {
        status = jl_panel_note(panel, JL_OUT_OF_RANGE);
    }
    if (status != JL_OK) {
        return status;
    }
    for (int i = 0; i < SYMBOL_BYTES; i++) {
        bytes[i] = (uint8_t)(i & 1 ? rows[i / 2] : rows[i / 2] >> 8);
    }
    return send(panel, (uint8_t)(SET_CGRAM | index << 4), bytes, sizeof bytes);
}

jl_status jl_st7920_symbol(struct jl_panel *panel, uint8_t column, uint8_t row, uint8_t index) {
    const uint8_t code[] = {0, (uint8_t)(index << 1)};
    jl_status status = ready(panel);
    if (status == JL_OK && (column & 1 || column >= COLUMNS || row >= ROWS || index > 3)) {
        status = jl_panel_note(panel, JL_OUT_OF_RANGE);
    }
    return status == JL_OK ? send(panel, place(column, row), code, sizeof code) : status;
}
