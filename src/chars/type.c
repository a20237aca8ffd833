/* Text that goes on where the controller is, and text behind the edge of the glass. */
#include "cells.h"

jl_status jl_char_type(struct jl_char_panel *panel, const char *text) {
    uint8_t codes[JL_CHAR_POSITIONS], offset;
    struct jl_char_strip strip = jl_char_strip_at(
        panel->config, jl_char_strip_of(panel->config, panel->column, panel->row, &offset));
    if (panel->wanted) {
        return JL_UNSUPPORTED;
    }
    uint8_t count = jl_char_encode(panel, text, codes, sizeof codes);
    if (count > sizeof codes) {
        return JL_OUT_OF_RANGE;
    }
    return jl_char_send_at(panel, strip.controller, panel->address[strip.controller], codes, count);
}

jl_status jl_char_put_hidden(struct jl_char_panel *panel, uint8_t column, uint8_t row,
                             const char *text) {
    const struct jl_char_config *config = panel->config;
    uint8_t codes[JL_CHAR_POSITIONS];
    uint8_t line = jl_char_two_lines(config) ? JL_CHAR_LINE_CELLS : JL_CHAR_POSITIONS;
    if (panel->wanted || config->rows == 4 || config->flags & JL_CHAR_HALVES ||
        !(panel->entry & JL_CHAR_RISING)) {
        return panel->awake ? JL_UNSUPPORTED : JL_NOT_AWAKE;
    }
    uint8_t count = jl_char_encode(panel, text, codes, sizeof codes);
    if (row >= config->rows || column >= line || count > line - column) {
        return JL_OUT_OF_RANGE;
    }
    return jl_char_send_at(panel, 0, (uint8_t)(row * JL_CHAR_LINE_CELLS + column), codes, count);
}
