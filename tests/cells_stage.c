#include "cells_stage.h"

#include <string.h>

#include "harness.h"
#include "naive.h"

const struct jl_char_wire *const cells_wires[CELLS_WIRES] = {
    &jl_char_wire_4, &jl_char_wire_8, &jl_char_wire_4_busy, &jl_char_wire_8_busy,
    &jl_char_wire_expander};

const struct cells_size cells_sizes[CELLS_SIZES] = {
    {8, 1, false},  {16, 1, false}, {16, 1, true},  {8, 2, false},  {16, 2, false},
    {20, 2, false}, {40, 2, false}, {16, 4, false}, {20, 4, false}, {40, 4, false}};

const struct jl_char_expander cells_map_two = {
    .rs = 1, .e = 4, .e2 = 2, .light = 8, .data = {16, 32, 64, 128}};

static int bit_of(uint8_t mask) {
    int bit = 0;
    while (mask && !(mask >> bit & 1)) {
        bit++;
    }
    return mask ? bit : -1;
}

static struct jl_cells_wiring wiring_of(const struct jl_char_expander *map) {
    return (struct jl_cells_wiring){.rs = bit_of(map->rs),
                                    .rw = bit_of(map->rw),
                                    .e = bit_of(map->e),
                                    .e2 = bit_of(map->e2),
                                    .light = bit_of(map->light),
                                    .data = {bit_of(map->data[0]), bit_of(map->data[1]),
                                             bit_of(map->data[2]), bit_of(map->data[3])},
                                    .light_low = map->light_low};
}

void cells_open_config(struct cells_stage *stage, const struct jl_char_config *config,
                       const struct jl_char_expander *map, uint32_t clock_hz) {
    struct jl_glass glass = jl_glass_cells(config->columns, config->rows, JL_GLASS_LCD_GREEN);
    memset(stage, 0, sizeof *stage);
    stage->map = *map;
    stage->config = *config;
    stage->config.expander = &stage->map;
    glass.halves = config->flags & JL_CHAR_HALVES;
    glass.european_rom = config->rom == &jl_char_rom_a02;
    stage->board = jl_board_create(7);
    stage->device = jl_board_add_device(stage->board, &jl_emulated_hd44780, "lcd", &glass);
    stage->sim = (struct jl_sim_port){.board = stage->board, .device = stage->device};
    if (config->wire == &jl_char_wire_expander) {
        struct jl_cells_wiring wiring = wiring_of(map);
        stage->expander = jl_board_add_expander(stage->board, "exp", stage->device, &wiring);
        stage->sim.i2c = jl_board_add_i2c(stage->board, clock_hz, 0);
        EXPECT(jl_i2c_attach(stage->sim.i2c, stage->expander, config->i2c_address));
    }
    stage->port = (struct jl_port){.ops = &jl_sim_port_ops,
                                   .context = &stage->sim,
                                   .work_memory = stage->work,
                                   .work_memory_bytes = sizeof stage->work,
                                   .clock_hz = clock_hz};
    EXPECT_INT(jl_char_open(&stage->panel, &stage->config, &stage->port), JL_OK);
}

void cells_open(struct cells_stage *stage, const struct cells_size *size, int wire) {
    struct jl_char_config config = {.wire = cells_wires[wire],
                                    .rom = &jl_char_rom_a02,
                                    .columns = size->columns,
                                    .rows = size->rows,
                                    .flags = size->halves ? JL_CHAR_HALVES : 0,
                                    .i2c_address = 0x27};
    bool two = size->columns == 40 && size->rows == 4;
    cells_open_config(stage, &config, two ? &cells_map_two : &jl_char_expander_usual, 100000);
}

void cells_close(struct cells_stage *stage) {
    jl_board_destroy(stage->board);
}

void cells_expect(struct cells_stage *stage, const char *lines, const char *name) {
    static struct naive sheet;
    struct jl_picture seen, expected;
    const struct jl_glass *glass = jl_device_glass(stage->device);
    naive_init(&sheet, glass->width, glass->height);
    for (int y = 0; *lines; y += JL_CELL_HEIGHT) {
        char row[100];
        size_t length = strcspn(lines, "\n");
        memcpy(row, lines, length);
        row[length] = '\0';
        naive_text(&sheet, 0, y, row, JL_WHITE, JL_BLACK);
        lines += length + (lines[length] == '\n');
    }
    EXPECT(naive_picture(&sheet, &expected));
    EXPECT(jl_device_picture(stage->device, &seen));
    EXPECT_PICTURE(&seen, &expected, name);
    jl_picture_free(&seen);
    jl_picture_free(&expected);
}

void cells_expect_text(struct cells_stage *stage, const char *text) {
    char seen[2000];
    EXPECT(jl_cells_text(stage->device, seen, sizeof seen) < sizeof seen);
    EXPECT_TEXT(seen, text);
}

void cells_expect_quiet(struct cells_stage *stage) {
    const struct jl_diagnostic *list;
    size_t count = jl_board_diagnostics(stage->board, &list);
    for (size_t i = 0; i < count; i++) {
        if (list[i].severity != JL_SEVERITY_NOTE) {
            EXPECT_TEXT(list[i].text, "");
            return;
        }
    }
    EXPECT(count < 256);
}

void cells_expect_complaint(struct cells_stage *stage, const char *text) {
    const struct jl_diagnostic *list;
    size_t count = jl_board_diagnostics(stage->board, &list);
    for (size_t i = 0; i < count; i++) {
        if (strstr(list[i].text, text)) {
            EXPECT(list[i].severity != JL_SEVERITY_NOTE);
            return;
        }
    }
    EXPECT_CONTAINS(count ? list[count - 1].text : "no diagnostic", text);
}

void cells_pulse(struct jl_device *device, struct jl_board *board, bool rs, uint8_t lines,
                 unsigned wait_us) {
    jl_device_set_pin(device, JL_DEVICE_DC, rs);
    for (int i = 0; i < 8; i++) {
        jl_device_set_pin(device, (enum jl_device_pin)(JL_DEVICE_D0 + i), lines >> i & 1);
    }
    jl_board_wait_ps(board, 100000);
    jl_device_set_pin(device, JL_DEVICE_E, true);
    jl_board_wait_ps(board, 300000);
    jl_device_set_pin(device, JL_DEVICE_E, false);
    jl_board_wait_ps(board, 300000 + wait_us * (uint64_t)1000000);
}

void cells_byte(struct cells_stage *stage, bool eight, bool rs, uint8_t byte) {
    unsigned wait_us = !rs && byte < 4 ? 3000 : 60;
    if (eight) {
        cells_pulse(stage->device, stage->board, rs, byte, wait_us);
        return;
    }
    cells_pulse(stage->device, stage->board, rs, byte & 0xF0, 0);
    cells_pulse(stage->device, stage->board, rs, (uint8_t)(byte << 4), wait_us);
}
