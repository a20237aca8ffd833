/* Text to cells: at once, or to the buffer. */
#include "../core/mem.h"
#include "cells.h"

/* Whether `count` cells from one on are on the glass, the way text runs. */
static bool fits(const struct jl_char_panel *panel, uint8_t column, uint8_t row, uint8_t count) {
    const struct jl_char_config *config = panel->config;
    if (column >= config->columns || row >= config->rows) {
        return false;
    }
    bool rightward = panel->wanted || !panel->awake || (panel->entry & JL_CHAR_RISING);
    return count <= (rightward ? config->columns - column : column + 1);
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
    if (!fits(panel, column, row, count)) {
        return JL_OUT_OF_RANGE;
    }
    if (panel->wanted) {
        buffer_cells(panel, column, row, codes, count);
        return JL_OK;
    }
    return panel->awake ? send_cells(panel, column, row, codes, count) : JL_NOT_AWAKE;
}

jl_status jl_char_put(struct jl_char_panel *panel, uint8_t column, uint8_t row, const char *text) {
    uint8_t codes[JL_CHAR_POSITIONS];
    uint8_t count = jl_char_encode(panel, text, codes, sizeof codes);
    return jl_char_put_codes(panel, column, row, codes, count);
}
