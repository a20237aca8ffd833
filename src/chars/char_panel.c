/* Character modules: opening, waking, and the way of every byte. */
#include "jadelamp/char_panel.h"

#include "../core/mem.h"
#include "cells.h"
#include "knock.h"

static bool is_known_size(const struct jl_char_panel *panel) {
    const struct jl_char_config *config = jl_cells_of(panel);
    uint8_t columns = config->columns;
    if (columns == 0) {
        return false;
    }
    if (config->flags & JL_CHAR_HALVES) {
        return config->rows == 1 && columns <= JL_CHAR_POSITIONS && !(columns & 1);
    }
    if (config->rows == 3) {
        return config->wire->three_rows && columns <= JL_CHAR_SHORT_CELLS;
    }
    return config->rows == 1
               ? columns <= JL_CHAR_POSITIONS
               : (config->rows == 2 || config->rows == 4) && columns <= JL_CHAR_LINE_CELLS;
}

jl_status jl_char_open(struct jl_char_panel *panel, const struct jl_char_config *config,
                       const struct jl_port *port) {
    if (!panel) {
        return JL_BAD_ARGUMENT;
    }
    memset(panel, 0, sizeof *panel);
    if (!jl_may_open_cells(config) || !port || !port->ops) {
        return jl_char_note(panel, JL_BAD_ARGUMENT);
    }
    jl_char_describe(panel, config);
    config = jl_cells_of(panel);
    if (config->glyph_count > 8 || (config->glyph_count && !config->glyphs)) {
        return jl_char_note(panel, JL_BAD_ARGUMENT);
    }
    panel->port = port;
    panel->light = !(config->flags & JL_CHAR_LIGHT_OFF);
    jl_status status = !is_known_size(panel) ? JL_BAD_SIZE
                       : !port->ops->wait_us ? JL_BAD_PORT
                                             : config->wire->check(panel);
    if (status != JL_OK) {
        panel->port = NULL; /* it is not open */
    }
    return jl_char_note(panel, status);
}

jl_status jl_char_note(struct jl_char_panel *panel, jl_status status) {
    if (panel && panel->status == JL_OK) {
        panel->status = (uint8_t)status;
    }
    return status;
}

jl_status jl_char_ready(struct jl_char_panel *panel) {
    return !panel ? JL_BAD_ARGUMENT : panel->awake ? JL_OK : jl_char_note(panel, JL_NOT_AWAKE);
}

jl_status jl_char_send(struct jl_char_panel *panel, uint8_t enables, uint8_t command,
                       const uint8_t *data, size_t count) {
    jl_status status = jl_cells_of(panel)->wire->send(panel, enables, command, data, count);
    panel->awake = status == JL_OK;
    return jl_char_note(panel, status);
}

jl_status jl_char_send_long(struct jl_char_panel *panel, uint8_t command) {
    jl_status status = jl_char_send(panel, jl_char_all(panel), command, NULL, 0);
    if (!jl_cells_of(panel)->wire->reads_busy) {
        uint16_t long_us = jl_cells_of(panel)->wire->long_us;
        panel->port->ops->wait_us(panel->port->context, long_us ? long_us : JL_CHAR_LONG_US);
    }
    panel->address[0] = panel->address[1] = 0;
    return status;
}

jl_status jl_char_send_at(struct jl_char_panel *panel, uint8_t controller, uint8_t position,
                          const uint8_t *codes, size_t count) {
    uint8_t *at = &panel->address[controller];
    uint8_t command = *at == position ? 0 : jl_char_address(panel, position);
    uint8_t next =
        (uint8_t)(panel->entry & JL_CHAR_RISING ? position + count
                                                : position + (size_t)JL_CHAR_POSITIONS - count);
    jl_status status = jl_char_send(panel, (uint8_t)(1 << controller), command, codes, count);
    *at = next >= JL_CHAR_POSITIONS ? (uint8_t)(next - JL_CHAR_POSITIONS) : next;
    return status;
}

jl_status jl_char_close_cgram(struct jl_char_panel *panel) {
    uint8_t controllers = jl_char_two_controllers(panel) ? 2 : 1;
    jl_status status = JL_OK;
    for (uint8_t i = 0; i < controllers && status == JL_OK; i++) {
        status = jl_char_send(panel, (uint8_t)(1 << i), jl_char_address(panel, panel->address[i]),
                              NULL, 0);
    }
    return status;
}

jl_status jl_char_wake(struct jl_char_panel *panel) {
    if (!panel || !panel->port) {
        return panel ? JL_NOT_AWAKE : JL_BAD_ARGUMENT;
    }
    const struct jl_char_config *config = jl_cells_of(panel);
    uint8_t all = jl_char_all(panel);
    uint8_t function =
        (uint8_t)(JL_CHAR_FUNCTION | (config->wire->eight_bits ? JL_CHAR_8_BITS : 0) |
                  (jl_char_two_lines(panel) ? JL_CHAR_2_LINES : 0));
    panel->awake = false;
    panel->status = JL_OK;
    jl_status status = jl_char_knock(panel);
    if (status != JL_OK) {
        return jl_char_note(panel, status);
    }
    panel->awake = true;
    panel->entry = JL_CHAR_ENTRY | JL_CHAR_RISING;
    panel->display = JL_CHAR_DISPLAY | JL_CHAR_ON;
    panel->column = panel->row = 0;
    const uint8_t steps[] = {function,     JL_CHAR_DISPLAY,         JL_CHAR_CLEAR,
                             panel->entry, config->wire->before_on, panel->display};
    for (uint8_t i = 0; i < sizeof steps && status == JL_OK; i++) {
        if (steps[i] == JL_CHAR_CLEAR) {
            status = jl_char_send_long(panel, steps[i]);
        } else if (steps[i]) {
            status = jl_char_send(panel, all, steps[i], NULL, 0);
        }
    }
    if (panel->shown) {
        memset(panel->shown, ' ', (size_t)(config->columns * config->rows));
    }
    return status == JL_OK ? jl_char_define_glyphs(panel) : status;
}
