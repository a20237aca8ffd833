/*
 * Scrolls of the grey and colour OLED parts: while one runs the RAM itself moves, as on the
 * monochrome parts: the datasheets ask for the picture again after the scroll stops.
 *
 * Taken where the datasheets leave room:
 *  - A frame takes 10 ms: the frame rates after reset are near 100 Hz; B3 is not counted here.
 *  - A step with rows moves the picture towards row 0.
 */
#include "ssd_oled.h"

#include <string.h>

enum { WIDEST = 128 };
static const uint64_t FRAME_PS = UINT64_C(10000000000);

void jl_sim_oled_scroll_start(struct jl_device *device) {
    struct oled_chip *chip = device->state;
    struct oled_scroll *scroll = &chip->scroll;
    if (!scroll->frames) {
        jl_sim_device_report(device, JL_SEVERITY_WARNING, JL_CODE_SCROLL_NOT_SET,
                             "scroll start without a scroll setup has no effect");
        return;
    }
    scroll->running = true;
    scroll->next_ps = jl_board_now_ps(device->board) + FRAME_PS * (uint64_t)scroll->frames;
}

/* Turns a row by `by` cells, 0..count-1, towards higher ones. */
static void turn_row(uint32_t *row, int count, int by) {
    uint32_t old[WIDEST];
    memcpy(old, row, (size_t)count * sizeof *row);
    for (int i = 0; i < count; i++) {
        row[(i + by) % count] = old[i];
    }
}

static void move_columns(struct oled_chip *chip, int width, uint64_t steps) {
    const struct oled_scroll *scroll = &chip->scroll;
    int count = scroll->last_cell - scroll->first_cell + 1;
    int by = (int)(steps % (uint64_t)count) * (scroll->cells_a_step % count) % count;
    for (int row = scroll->first_row; by && row <= scroll->last_row; row++) {
        turn_row(chip->cells + row * width + scroll->first_cell, count, (by + count) % count);
    }
}

static void reverse_rows(uint32_t *cells, int width, int first, int last) {
    uint32_t kept[WIDEST];
    size_t row_bytes = (size_t)width * sizeof *cells;
    for (; first < last; first++, last--) {
        memcpy(kept, cells + first * width, row_bytes);
        memcpy(cells + first * width, cells + last * width, row_bytes);
        memcpy(cells + last * width, kept, row_bytes);
    }
}

/* All rows towards row 0. */
static void move_rows(struct oled_chip *chip, int width, int height, int by) {
    reverse_rows(chip->cells, width, 0, by - 1);
    reverse_rows(chip->cells, width, by, height - 1);
    reverse_rows(chip->cells, width, 0, height - 1);
}

void jl_sim_oled_scroll_catch_up(struct jl_device *device, int width, int height) {
    struct oled_chip *chip = device->state;
    struct oled_scroll *scroll = &chip->scroll;
    uint64_t now = jl_board_now_ps(device->board);
    if (!scroll->running || now < scroll->next_ps) {
        return;
    }
    uint64_t step = FRAME_PS * (uint64_t)scroll->frames;
    uint64_t steps = (now - scroll->next_ps) / step + 1;
    scroll->next_ps += steps * step;
    if (!scroll->rows_a_step) {
        move_columns(chip, width, steps);
        return;
    }
    /* So many steps turn both ways back to where they began. */
    for (uint64_t i = steps % ((uint64_t)width * (uint64_t)height); i > 0; i--) {
        move_columns(chip, width, 1);
        move_rows(chip, width, height, scroll->rows_a_step);
    }
}

void jl_sim_oled_scroll_tell_write(struct jl_device *device) {
    const struct oled_chip *chip = device->state;
    if (chip->scroll.running) {
        jl_sim_device_report(device, JL_SEVERITY_WARNING, JL_CODE_SCROLL_RUNNING,
                             "RAM written while the scroll runs: stop it first");
    }
}

void jl_sim_oled_scroll_set(struct jl_device *device, const struct oled_scroll *wanted, int width,
                            int height) {
    struct oled_chip *chip = device->state;
    bool rows_fit = wanted->first_row <= wanted->last_row && wanted->last_row < height;
    bool cells_fit = wanted->first_cell >= 0 && wanted->first_cell <= wanted->last_cell &&
                     wanted->last_cell < width;
    bool inside = cells_fit && (rows_fit || !wanted->cells_a_step) && wanted->rows_a_step < height;
    if (!inside) {
        jl_sim_device_report(
            device, JL_SEVERITY_ERROR, JL_CODE_SCROLL_RANGE,
            "scroll setup %02X of rows %d..%d: expected rows 0..%d, columns inside the RAM, and an "
            "end not before the start; the setup stays",
            chip->command, wanted->first_row, wanted->last_row, height - 1);
        return;
    }
    chip->scroll = *wanted;
}
