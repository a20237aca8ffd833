/* The text of the t6963c (datasheet, text area and character generator). */
#include "../core/lone.h"
#include "../panel/panel.h"
#include "t6963c.h"

enum { SYMBOLS = 128, GRAPHICS = 0x98, BOTH = 0x9C };

static jl_status write(struct jl_panel *panel, uint16_t address, const uint8_t *bytes,
                       size_t count) {
    jl_status status = jl_t6963c_begin(panel, address);
    if (status == JL_OK) {
        status = jl_config_of(panel)->bus->send(panel, true, bytes, count);
    }
    return jl_panel_end_call(panel, jl_t6963c_end(panel, status));
}

/* By an encoder, so that a copy of the descriptor will do. */
static jl_status ready(struct jl_panel *panel, bool in_range) {
    jl_status status = jl_panel_ready(panel);
    if (status == JL_OK && jl_config_of(panel)->controller->next != jl_t6963c.next) {
        status = jl_panel_note(panel, JL_UNSUPPORTED);
    }
    return status == JL_OK && !in_range ? jl_panel_note(panel, JL_OUT_OF_RANGE) : status;
}

static bool is_inside(const struct jl_panel *panel, int column, int row, size_t count) {
    return panel && jl_config_of(panel) && column + (long)count <= jl_config_of(panel)->width / 8 &&
           row < jl_config_of(panel)->height / 8;
}

static uint16_t place(const struct jl_panel *panel, uint8_t column, uint8_t row) {
    return (uint16_t)(T6963C_TEXT_AT + row * (jl_config_of(panel)->width / 8) + column);
}

jl_status jl_t6963c_text(struct jl_panel *panel, uint8_t column, uint8_t row, const char *text) {
    uint8_t codes[32]; /* as many columns as the widest glass has, and more */
    size_t count = 0;
    for (; count < sizeof codes && text[count]; count++) {
        char c = text[count];
        codes[count] = (uint8_t)((c >= ' ' && c <= '~' ? c : '?') - ' ');
    }
    jl_status status = ready(panel, is_inside(panel, column, row, count));
    return status == JL_OK && count ? write(panel, place(panel, column, row), codes, count)
                                    : status;
}

jl_status jl_t6963c_text_show(struct jl_panel *panel, bool on) {
    const uint8_t mode = on ? BOTH : GRAPHICS;
    jl_status status = ready(panel, true);
    return status == JL_OK
               ? jl_panel_end_call(panel, jl_config_of(panel)->bus->send(panel, false, &mode, 1))
               : status;
}

jl_status jl_t6963c_text_clear(struct jl_panel *panel) {
    const uint8_t blank = 0;
    jl_status status = ready(panel, true);
    if (status != JL_OK) {
        return status;
    }
    uint16_t left =
        (uint16_t)((jl_config_of(panel)->width / 8) * ((jl_config_of(panel)->height + 7) / 8));
    status = jl_t6963c_begin(panel, T6963C_TEXT_AT);
    for (; left && status == JL_OK; left--) {
        status = jl_config_of(panel)->bus->send(panel, true, &blank, 1);
    }
    status = jl_panel_end_call(panel, jl_t6963c_end(panel, status));
    return status == JL_OK ? jl_t6963c_text_show(panel, true) : status;
}

jl_status jl_t6963c_define(struct jl_panel *panel, uint8_t index, const uint8_t rows[8]) {
    jl_status status = ready(panel, index < SYMBOLS);
    uint16_t address = (uint16_t)(T6963C_SYMBOLS_AT + 8 * index);
    return status == JL_OK ? write(panel, address, rows, 8) : status;
}

jl_status jl_t6963c_symbol(struct jl_panel *panel, uint8_t column, uint8_t row, uint8_t index) {
    const uint8_t code = (uint8_t)(SYMBOLS + index);
    jl_status status = ready(panel, index < SYMBOLS && is_inside(panel, column, row, 1));
    return status == JL_OK ? write(panel, place(panel, column, row), &code, 1) : status;
}
