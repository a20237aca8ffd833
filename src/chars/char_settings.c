/* What a module can be told beside text. */
#include "../core/mem.h"
#include "cells.h"

/* Whether a setting may be sent: a panel that takes commands, and a value in range. */
static jl_status check(struct jl_char_panel *panel, bool in_range) {
    jl_status status = jl_char_ready(panel);
    return status == JL_OK && !in_range ? jl_char_note(panel, JL_OUT_OF_RANGE) : status;
}

static jl_status send_entry(struct jl_char_panel *panel) {
    return jl_char_send(panel, jl_char_all(panel), panel->entry, NULL, 0);
}

jl_status jl_char_clear(struct jl_char_panel *panel) {
    jl_status status = jl_char_takes_text(panel);
    if (status != JL_OK) {
        return status;
    }
    if (panel->wanted) {
        memset(panel->wanted, ' ',
               (size_t)(jl_cells_of(panel)->columns * jl_cells_of(panel)->rows));
        return JL_OK;
    }
    status = jl_char_send_long(panel, JL_CHAR_CLEAR);
    panel->column = panel->row = 0;
    /* Clearing makes the controller write rightward again (table 6). */
    return status == JL_OK && !(panel->entry & JL_CHAR_RISING) ? send_entry(panel) : status;
}

jl_status jl_char_home(struct jl_char_panel *panel) {
    jl_status status = jl_char_ready(panel);
    if (status != JL_OK) {
        return status;
    }
    panel->column = panel->row = 0;
    return jl_char_send_long(panel, JL_CHAR_HOME);
}

/* Of two controllers only the one under the cursor shows it. */
static jl_status send_display(struct jl_char_panel *panel) {
    uint8_t with = panel->display;
    uint8_t without = (uint8_t)(with & ~(JL_CHAR_LINE | JL_CHAR_BLINK));
    uint8_t lower = jl_char_two_controllers(panel) && panel->row >= 2;
    jl_status status = jl_char_send(panel, (uint8_t)(1 << lower), with, NULL, 0);
    if (status == JL_OK && jl_char_two_controllers(panel)) {
        status = jl_char_send(panel, (uint8_t)(2 >> lower), without, NULL, 0);
    }
    return status;
}

jl_status jl_char_cursor(struct jl_char_panel *panel, uint8_t column, uint8_t row, uint8_t cursor) {
    jl_status status = jl_char_ready(panel);
    if (status != JL_OK) {
        return status;
    }
    const struct jl_char_config *config = jl_cells_of(panel);
    if (column >= config->columns || row >= config->rows ||
        cursor > (JL_CHAR_LINE | JL_CHAR_BLINK)) {
        return jl_char_note(panel, JL_OUT_OF_RANGE);
    }
    uint8_t offset;
    panel->column = column;
    panel->row = row;
    panel->display = (uint8_t)((panel->display & ~(JL_CHAR_LINE | JL_CHAR_BLINK)) | cursor);
    status = send_display(panel);
    if (status != JL_OK) {
        return status;
    }
    struct jl_char_strip strip =
        jl_char_strip_at(panel, jl_char_strip_of(panel, column, row, &offset));
    return jl_char_send_at(panel, strip.controller, (uint8_t)(strip.position + offset), NULL, 0);
}

jl_status jl_char_show(struct jl_char_panel *panel, bool on) {
    jl_status status = jl_char_ready(panel);
    if (status != JL_OK) {
        return status;
    }
    panel->display = (uint8_t)(on ? panel->display | JL_CHAR_ON : panel->display & ~JL_CHAR_ON);
    return send_display(panel);
}

jl_status jl_char_light(struct jl_char_panel *panel, bool on) {
    if (!panel || !panel->port) {
        return panel ? JL_NOT_AWAKE : JL_BAD_ARGUMENT;
    }
    panel->light = on;
    return jl_char_note(panel, jl_cells_of(panel)->wire->light(panel));
}

/* Shifts are single steps on the wire. */
static jl_status shift(struct jl_char_panel *panel, uint8_t command, int8_t cells) {
    uint8_t count = (uint8_t)(cells < 0 ? -cells : cells);
    command = (uint8_t)(JL_CHAR_SHIFT | command | (cells < 0 ? 0 : JL_CHAR_RIGHTWARD));
    jl_status status = jl_char_ready(panel);
    for (; count && status == JL_OK; count--) {
        status = jl_char_send(panel, jl_char_all(panel), command, NULL, 0);
    }
    return status;
}

jl_status jl_char_shift(struct jl_char_panel *panel, int8_t cells) {
    return shift(panel, JL_CHAR_WHOLE, cells);
}

jl_status jl_char_move(struct jl_char_panel *panel, int8_t cells) {
    jl_status status = jl_char_ready(panel);
    if (status != JL_OK) {
        return status;
    }
    for (uint8_t i = 0; i < 2; i++) {
        int next = (panel->address[i] + cells) % JL_CHAR_POSITIONS;
        panel->address[i] = (uint8_t)(next < 0 ? next + JL_CHAR_POSITIONS : next);
    }
    return shift(panel, 0, cells);
}

jl_status jl_char_entry(struct jl_char_panel *panel, uint8_t entry) {
    jl_status status = check(panel, entry <= (JL_CHAR_LEFTWARD | JL_CHAR_AUTOSCROLL));
    if (status != JL_OK) {
        return status;
    }
    if (panel->wanted && entry) {
        return jl_char_note(panel, JL_UNSUPPORTED);
    }
    panel->entry = (uint8_t)(JL_CHAR_ENTRY | (entry & JL_CHAR_LEFTWARD ? 0 : JL_CHAR_RISING) |
                             (entry & JL_CHAR_AUTOSCROLL ? JL_CHAR_SCROLLS : 0));
    return send_entry(panel);
}

jl_status jl_char_define(struct jl_char_panel *panel, uint8_t index, const uint8_t rows[8]) {
    jl_status status = check(panel, index <= 7);
    if (status != JL_OK) {
        return status;
    }
    /* The address in CGRAM runs the way text does. */
    bool rightward = (panel->entry & JL_CHAR_RISING) != 0;
    uint8_t run[8];
    for (uint8_t i = 0; i < 8; i++) {
        run[i] = rows[rightward ? i : 7 - i];
    }
    uint8_t command = (uint8_t)(JL_CHAR_CGRAM | index << 3 | (rightward ? 0 : 7));
    status = jl_char_send(panel, jl_char_all(panel), command, run, 8);
    return status == JL_OK ? jl_char_close_cgram(panel) : status;
}
