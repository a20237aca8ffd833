/* Text that is longer than its field. */
#include "../core/utf8.h"
#include "../core/mem.h"
#include "cells.h"

enum { BLANKS_BETWEEN = 3 };

static uint16_t length_of(const char *text) {
    uint16_t count = 0;
    while (count < UINT16_MAX - BLANKS_BETWEEN && jl_utf8_next(&text)) {
        count++;
    }
    return count;
}

jl_status jl_char_marquee(struct jl_char_panel *panel, uint8_t column, uint8_t row, uint8_t width,
                          const char *text, uint16_t step) {
    uint8_t codes[JL_CHAR_POSITIONS];
    jl_status status = jl_char_takes_text(panel);
    if (status != JL_OK) {
        return status;
    }
    uint16_t length = length_of(text);
    if (length <= width) {
        return jl_char_field(panel, column, row, width, JL_CHAR_LEFT, text, ' ');
    }
    if (width > sizeof codes) {
        return jl_char_note(panel, JL_OUT_OF_RANGE);
    }
    const char *at = text;
    uint16_t place = (uint16_t)(step % (length + BLANKS_BETWEEN));
    for (uint16_t i = 0; i < place; i++) {
        jl_utf8_next(&at); /* stays at the end */
    }
    for (uint8_t i = 0; i < width; i++, place++) {
        if (place == length + BLANKS_BETWEEN) {
            place = 0;
            at = text;
        }
        codes[i] = place < length ? jl_char_code(panel, jl_utf8_next(&at)) : ' ';
    }
    return jl_char_put_codes(panel, column, row, codes, width);
}
