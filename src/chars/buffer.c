/* The buffer: what is wanted beside what is shown, cell by cell in the order of DDRAM. */
#include "../core/mem.h"
#include "cells.h"

static uint8_t cell_count(const struct jl_char_panel *panel) {
    return (uint8_t)(jl_cells_of(panel)->columns * jl_cells_of(panel)->rows);
}

jl_status jl_char_buffer(struct jl_char_panel *panel, void *memory, size_t size) {
    if (!panel || !panel->port) {
        return panel ? JL_NOT_AWAKE : JL_BAD_ARGUMENT;
    }
    uint8_t cells = cell_count(panel);
    panel->wanted = panel->shown = NULL;
    if (!memory) {
        return JL_OK;
    }
    if (size < 2u * cells) {
        return jl_char_note(panel, JL_TOO_SMALL);
    }
    if (panel->awake && panel->entry != (JL_CHAR_ENTRY | JL_CHAR_RISING)) {
        return jl_char_note(panel, JL_UNSUPPORTED);
    }
    panel->wanted = memory;
    panel->shown = panel->wanted + cells;
    memset(panel->wanted, ' ', cells);
    /* 0xFE is no code that text maps to, so every cell of a module in use differs. */
    memset(panel->shown, 0xFE, cells);
    return JL_OK;
}

static bool differs(const struct jl_char_panel *panel, uint8_t cell) {
    return panel->wanted[cell] != panel->shown[cell];
}

/* The strip of a cell, which becomes its place there. There are four at most: no division. */
static uint8_t strip_of(const struct jl_char_panel *panel, uint8_t *cell) {
    uint8_t cells = jl_char_strip_cells(panel), strip = 0;
    for (; *cell >= cells; strip++) {
        *cell = (uint8_t)(*cell - cells);
    }
    return strip;
}

/* Whether DDRAM goes on from the cell before to this one. */
static bool goes_on(const struct jl_char_panel *panel, uint8_t cell) {
    uint8_t cells = jl_char_strip_cells(panel), strip = strip_of(panel, &cell);
    if (cell) {
        return true;
    }
    struct jl_char_strip before = jl_char_strip_at(panel, (uint8_t)(strip - 1));
    struct jl_char_strip here = jl_char_strip_at(panel, strip);
    /* Never from one controller to the other, whose positions begin at 0. */
    return before.position + cells == here.position;
}

/*
 * The end of the run that begins at a cell. One equal cell inside is sent again: an address
 * instead costs as much on parallel wires, and more on an expander, where RS changes twice.
 */
static uint8_t run_end(const struct jl_char_panel *panel, uint8_t first, uint8_t cells) {
    uint8_t end = (uint8_t)(first + 1);
    for (uint8_t at = end; at < cells && at <= end + 1 && goes_on(panel, at); at++) {
        if (differs(panel, at)) {
            end = (uint8_t)(at + 1);
        }
    }
    return end;
}

static jl_status send_run(struct jl_char_panel *panel, uint8_t first, uint8_t end) {
    uint8_t within = first;
    struct jl_char_strip strip = jl_char_strip_at(panel, strip_of(panel, &within));
    size_t count = (size_t)(end - first);
    jl_status status = jl_char_send_at(panel, strip.controller, (uint8_t)(strip.position + within),
                                       panel->wanted + first, count);
    if (status == JL_OK) {
        memcpy(panel->shown + first, panel->wanted + first, count);
    }
    return status;
}

/* A cursor that shows stays where it was set, not behind what was sent. */
static jl_status restore_cursor(struct jl_char_panel *panel) {
    uint8_t offset;
    uint8_t index = jl_char_strip_of(panel, panel->column, panel->row, &offset);
    struct jl_char_strip strip = jl_char_strip_at(panel, index);
    if (!(panel->display & (JL_CHAR_LINE | JL_CHAR_BLINK))) {
        return JL_OK;
    }
    return jl_char_send_at(panel, strip.controller, (uint8_t)(strip.position + offset), NULL, 0);
}

jl_status jl_char_present(struct jl_char_panel *panel) {
    jl_status status = jl_char_ready(panel);
    if (status != JL_OK) {
        return status;
    }
    if (!panel->wanted) {
        return jl_char_note(panel, JL_UNSUPPORTED);
    }
    uint8_t cells = cell_count(panel);
    for (uint8_t at = 0; at < cells && status == JL_OK; at++) {
        if (differs(panel, at)) {
            uint8_t end = run_end(panel, at, cells);
            status = send_run(panel, at, end);
            at = (uint8_t)(end - 1);
        }
    }
    return status == JL_OK ? restore_cursor(panel) : status;
}
