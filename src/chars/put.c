/* Text to cells: at once, or to the buffer. */
#include "../core/utf8.h"
#include "cells.h"

jl_status jl_char_takes_text(struct jl_char_panel *panel) {
    return panel && panel->wanted ? JL_OK : jl_char_ready(panel);
}

/* Cells from one on to the end of its row, the way text runs. */
static uint8_t room(const struct jl_char_panel *panel, uint8_t column) {
    bool rightward = panel->wanted || (panel->entry & JL_CHAR_RISING);
    return (uint8_t)(rightward ? jl_cells_of(panel)->columns - column : column + 1);
}

static jl_status send_cells(struct jl_char_panel *panel, uint8_t column, uint8_t row,
                            const uint8_t *codes, uint8_t count) {
    bool rightward = (panel->entry & JL_CHAR_RISING) != 0;
    uint8_t cells = jl_char_strip_cells(panel);
    jl_status status = JL_OK;
    while (count && status == JL_OK) {
        uint8_t offset;
        struct jl_char_strip strip =
            jl_char_strip_at(panel, jl_char_strip_of(panel, column, row, &offset));
        uint8_t part = (uint8_t)(rightward ? cells - offset : offset + 1);
        part = part < count ? part : count;
        status = jl_char_send_at(panel, strip.controller, (uint8_t)(strip.position + offset), codes,
                                 part);
        codes += part;
        count = (uint8_t)(count - part);
        column = (uint8_t)(rightward ? column + part : column - part);
    }
    return status;
}

static void buffer_cells(struct jl_char_panel *panel, uint8_t column, uint8_t row,
                         const uint8_t *codes, uint8_t count) {
    for (; count; count--, column++) {
        uint8_t offset;
        uint8_t strip = jl_char_strip_of(panel, column, row, &offset);
        panel->wanted[strip * jl_char_strip_cells(panel) + offset] = *codes++;
    }
}

/* Cells that are on the glass. */
static jl_status put_cells(struct jl_char_panel *panel, uint8_t column, uint8_t row,
                           const uint8_t *codes, uint8_t count) {
    if (panel->wanted) {
        buffer_cells(panel, column, row, codes, count);
        return JL_OK;
    }
    return send_cells(panel, column, row, codes, count);
}

static bool is_on_glass(const struct jl_char_panel *panel, uint8_t column, uint8_t row) {
    return column < jl_cells_of(panel)->columns && row < jl_cells_of(panel)->rows;
}

jl_status jl_char_put_codes(struct jl_char_panel *panel, uint8_t column, uint8_t row,
                            const uint8_t *codes, uint8_t count) {
    jl_status status = jl_char_takes_text(panel);
    if (status != JL_OK) {
        return status;
    }
    if (!is_on_glass(panel, column, row) || count > room(panel, column)) {
        return jl_char_note(panel, JL_OUT_OF_RANGE);
    }
    return put_cells(panel, column, row, codes, count);
}

/* A row of most modules at a time: so many bytes of stack, and one transfer for it. */
enum { AT_A_TIME = 20 };

jl_status jl_char_put(struct jl_char_panel *panel, uint8_t column, uint8_t row, const char *text) {
    jl_status status = jl_char_takes_text(panel);
    if (status != JL_OK) {
        return status;
    }
    if (!is_on_glass(panel, column, row)) {
        return jl_char_note(panel, JL_OUT_OF_RANGE);
    }
    uint8_t codes[AT_A_TIME], left = room(panel, column);
    bool rightward = panel->wanted || (panel->entry & JL_CHAR_RISING);
    uint32_t code;
    do {
        uint8_t count = 0;
        while (count < AT_A_TIME && count < left && (code = jl_utf8_next(&text)) != 0) {
            codes[count++] = jl_char_code(panel, code);
        }
        status = put_cells(panel, column, row, codes, count);
        column = (uint8_t)(rightward ? column + count : column - count);
        left = (uint8_t)(left - count);
    } while (status == JL_OK && left && *text);
    return status == JL_OK && *text ? jl_char_note(panel, JL_TOO_WIDE) : status;
}
