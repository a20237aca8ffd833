/*
 * Where cells are in DDRAM. A line holds 40; modules of four rows go on with row 2 where row 0
 * ends, and with row 3 where row 1 ends (00, 40, 14, 54 on 20 columns); 40 x 4 has two
 * controllers of two rows. Three rows are lines of 16, which follow one another (00, 10, 20).
 */
#include "cells.h"

uint8_t jl_char_strip_cells(const struct jl_char_panel *panel) {
    const struct jl_char_config *config = jl_cells_of(panel);
    return config->flags & JL_CHAR_HALVES ? config->columns / 2 : config->columns;
}

struct jl_char_strip jl_char_strip_at(const struct jl_char_panel *panel, uint8_t index) {
    const struct jl_char_config *config = jl_cells_of(panel);
    if (jl_char_two_controllers(panel)) {
        return (struct jl_char_strip){index >> 1, (uint8_t)((index & 1) * JL_CHAR_LINE_CELLS)};
    }
    if (config->rows == 4) {
        uint8_t line = index >> 1, later = index & 1;
        return (struct jl_char_strip){
            0, (uint8_t)(line * JL_CHAR_LINE_CELLS + later * config->columns)};
    }
    uint8_t line = config->rows == 3 ? JL_CHAR_SHORT_CELLS : JL_CHAR_LINE_CELLS;
    return (struct jl_char_strip){0, (uint8_t)(index * line)};
}

uint8_t jl_char_strip_of(const struct jl_char_panel *panel, uint8_t column, uint8_t row,
                         uint8_t *offset) {
    const struct jl_char_config *config = jl_cells_of(panel);
    uint8_t cells = jl_char_strip_cells(panel);
    *offset = column;
    if (column >= cells) { /* the right half */
        *offset = (uint8_t)(column - cells);
        return 1;
    }
    if (config->rows == 4 && !jl_char_two_controllers(panel)) {
        return (uint8_t)((row & 1) << 1 | row >> 1);
    }
    return row;
}

uint8_t jl_char_address(const struct jl_char_panel *panel, uint8_t position) {
    const struct jl_char_config *config = jl_cells_of(panel);
    bool second = jl_char_two_lines(panel) && position >= JL_CHAR_LINE_CELLS && config->rows != 3;
    return (uint8_t)(JL_CHAR_DDRAM | (second ? position + 0x40 - JL_CHAR_LINE_CELLS : position));
}
