/* Text and numbers in fields. */
#include "../core/mem.h"
#include "cells.h"
#include "jadelamp/format.h"

jl_status jl_char_field(struct jl_char_panel *panel, uint8_t column, uint8_t row, uint8_t width,
                        enum jl_char_align align, const char *text, uint32_t fill) {
    uint8_t wide[JL_CHAR_POSITIONS], codes[JL_CHAR_POSITIONS];
    jl_status status = jl_char_takes_text(panel);
    if (status != JL_OK) {
        return status;
    }
    if (width > sizeof wide) {
        return jl_char_note(panel, JL_OUT_OF_RANGE);
    }
    uint8_t count = jl_char_encode(panel, text, codes, width);
    count = count < width ? count : width;
    uint8_t room = (uint8_t)(width - count);
    uint8_t left = align == JL_CHAR_LEFT ? 0 : align == JL_CHAR_RIGHT ? room : room / 2;
    if (room) {
        memset(wide, jl_char_code(panel, fill), width);
    }
    memcpy(wide + left, codes, count);
    return jl_char_put_codes(panel, column, row, wide, width);
}

jl_status jl_char_number(struct jl_char_panel *panel, uint8_t column, uint8_t row, uint8_t width,
                         int32_t value, uint8_t decimals) {
    char text[JL_FORMAT_BYTES];
    bool fits = jl_format_fixed(text, sizeof text, value, decimals) <= width;
    jl_status status =
        jl_char_field(panel, column, row, width, JL_CHAR_RIGHT, fits ? text : "", fits ? ' ' : '#');
    return status == JL_OK && !fits ? jl_char_note(panel, JL_TOO_WIDE) : status;
}
