/* Text that goes on where the controller is, and text behind the edge of the glass. */
#include "cells.h"

jl_status jl_char_type(struct jl_char_panel *panel, const char *text) {
    uint8_t codes[JL_CHAR_POSITIONS], offset;
    jl_status status = jl_char_ready(panel);
    if (status != JL_OK) {
        return status;
    }
    if (panel->wanted) {
        return jl_char_note(panel, JL_UNSUPPORTED);
    }
    struct jl_char_strip strip =
        jl_char_strip_at(panel, jl_char_strip_of(panel, panel->column, panel->row, &offset));
    uint8_t count = jl_char_encode(panel, text, codes, sizeof codes);
    if (count > sizeof codes) {
        return jl_char_note(panel, JL_TOO_WIDE);
    }
    return jl_char_send_at(panel, strip.controller, panel->address[strip.controller], codes, count);
}

jl_status jl_char_put_hidden(struct jl_char_panel *panel, uint8_t column, uint8_t row,
                             const char *text) {
    uint8_t codes[JL_CHAR_POSITIONS];
    jl_status status = jl_char_ready(panel);
    if (status != JL_OK) {
        return status;
    }
    const struct jl_char_config *config = jl_cells_of(panel);
    uint8_t line = jl_char_two_lines(panel) ? JL_CHAR_LINE_CELLS : JL_CHAR_POSITIONS;
    if (panel->wanted || config->rows > 2 || config->flags & JL_CHAR_HALVES ||
        !(panel->entry & JL_CHAR_RISING)) {
        return jl_char_note(panel, JL_UNSUPPORTED);
    }
    uint8_t count = jl_char_encode(panel, text, codes, sizeof codes);
    if (row >= config->rows || column >= line || count > line - column) {
        return jl_char_note(panel, JL_OUT_OF_RANGE);
    }
    return jl_char_send_at(panel, 0, (uint8_t)(row * JL_CHAR_LINE_CELLS + column), codes, count);
}
