/* The test card of character modules. */
#include "cells.h"

/* The signs of the corners: each has its own number of dots in the middle. */
static const uint8_t corners[4][8] = {
    {0x1F, 0x10, 0x10, 0x14, 0x10, 0x10, 0x10, 0x10},
    {0x1F, 0x01, 0x01, 0x05, 0x01, 0x05, 0x01, 0x01},
    {0x10, 0x10, 0x12, 0x10, 0x12, 0x10, 0x12, 0x1F},
    {0x01, 0x01, 0x09, 0x05, 0x09, 0x05, 0x01, 0x1F},
};

/* Backslash or yen, tilde or arrow, plus-minus or katakana, a or alpha, y or a full block. */
static const uint8_t telling[] = {0x5C, 0x7E, 0xB1, 0xE0, 0xFF};

static jl_status put_code(struct jl_char_panel *panel, uint8_t column, uint8_t row, uint8_t code) {
    return jl_char_put_codes(panel, column, row, &code, 1);
}

/* The signs at both ends, or the number of the row where it is a middle one. */
static jl_status put_ends(struct jl_char_panel *panel, uint8_t row) {
    uint8_t rows = jl_cells_of(panel)->rows;
    bool first = row == 0, last = row == rows - 1;
    uint8_t left = (uint8_t)(first ? 0 : last ? 2 : '0' + row);
    uint8_t right = (uint8_t)(first ? 1 : last ? 3 : '0' + row);
    jl_status status = put_code(panel, 0, row, left);
    return status == JL_OK ? put_code(panel, (uint8_t)(jl_cells_of(panel)->columns - 1), row, right)
                           : status;
}

/* The last digit of each column's number. */
static jl_status put_ruler(struct jl_char_panel *panel, uint8_t row) {
    jl_status status = JL_OK;
    for (uint8_t column = 1; column + 1 < jl_cells_of(panel)->columns && status == JL_OK;
         column++) {
        status = put_code(panel, column, row, (uint8_t)('0' + column % 10));
    }
    return status;
}

static jl_status put_middle(struct jl_char_panel *panel, uint8_t row, const char *title) {
    const struct jl_char_config *config = jl_cells_of(panel);
    uint8_t inner = (uint8_t)(config->columns - 2);
    if (row == config->rows - 1) {
        return put_ruler(panel, row);
    }
    if (row > 0) {
        return jl_char_field(panel, 1, row, inner, JL_CHAR_CENTRE,
                             row == 1 ? "0123 ABC abc" : "gjpqy", ' ');
    }
    /* The telling codes where there is room beside a title. */
    uint8_t codes = inner >= 2 * sizeof telling ? sizeof telling : 0;
    jl_status status =
        jl_char_field(panel, 1, 0, (uint8_t)(inner - codes), JL_CHAR_LEFT, title, ' ');
    return status == JL_OK
               ? jl_char_put_codes(panel, (uint8_t)(1 + inner - codes), 0, telling, codes)
               : status;
}

jl_status jl_char_test_card(struct jl_char_panel *panel, const char *title) {
    jl_status status = jl_char_ready(panel);
    if (status != JL_OK) {
        return status;
    }
    if (jl_cells_of(panel)->columns < 2) {
        return jl_char_note(panel, JL_UNSUPPORTED);
    }
    for (uint8_t i = 0; i < 4 && status == JL_OK; i++) {
        status = jl_char_define(panel, i, corners[i]);
    }
    for (uint8_t row = 0; row < jl_cells_of(panel)->rows && status == JL_OK; row++) {
        status = put_ends(panel, row);
        if (status == JL_OK) {
            status = put_middle(panel, row, title);
        }
    }
    return status == JL_OK && panel->wanted ? jl_char_present(panel) : status;
}
