/* Text to cells: at once, or to the buffer. */
#include "../core/mem.h"
#include "cells.h"

jl_status jl_char_takes_text(struct jl_char_panel *panel) {
    return panel && panel->wanted ? JL_OK : jl_char_ready(panel);
}

/* Cells from one on to the end of its row, the way text runs. */
static uint8_t room(const struct jl_char_panel *panel, uint8_t column) {
    bool rightward = panel->wanted || (panel->entry & JL_CHAR_RISING);
    return (uint8_t)(rightward ? panel->config->columns - column : column + 1);
}

static jl_status send_cells(struct jl_char_panel *panel, uint8_t column, uint8_t row,
                            const uint8_t *codes, uint8_t count) {
    bool rightward = (panel->entry & JL_CHAR_RISING) != 0;
    uint8_t cells = jl_char_strip_cells(panel->config);
    jl_status status = JL_OK;
    while (count && status == JL_OK) {
        uint8_t offset;
        struct jl_char_strip strip =
            jl_char_strip_at(panel->config, jl_char_strip_of(panel->config, column, row, &offset));
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
        uint8_t strip = jl_char_strip_of(panel->config, column, row, &offset);
        panel->wanted[strip * jl_char_strip_cells(panel->config) + offset] = *codes++;
    }
}

jl_status jl_char_put_codes(struct jl_char_panel *panel, uint8_t column, uint8_t row,
                            const uint8_t *codes, uint8_t count) {
    jl_status status = jl_char_takes_text(panel);
    if (status != JL_OK) {
        return status;
    }
    if (column >= panel->config->columns || row >= panel->config->rows ||
        count > room(panel, column)) {
        return jl_char_note(panel, JL_OUT_OF_RANGE);
    }
    if (panel->wanted) {
        buffer_cells(panel, column, row, codes, count);
        return JL_OK;
    }
    return send_cells(panel, column, row, codes, count);
}

jl_status jl_char_put(struct jl_char_panel *panel, uint8_t column, uint8_t row, const char *text) {
    uint8_t codes[JL_CHAR_POSITIONS];
    jl_status status = jl_char_takes_text(panel);
    if (status != JL_OK) {
        return status;
    }
    uint8_t count = jl_char_encode(panel, text, codes, sizeof codes);
    uint8_t fitting = column < panel->config->columns ? room(panel, column) : 0;
    if (count <= fitting || !fitting) {
        return jl_char_put_codes(panel, column, row, codes, count);
    }
    status = jl_char_put_codes(panel, column, row, codes, fitting);
    return status == JL_OK ? jl_char_note(panel, JL_TOO_WIDE) : status;
}
