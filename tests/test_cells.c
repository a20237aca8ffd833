/* Character modules: what stands on the glass. */
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "cells_stage.h"
#include "harness.h"
#include "jadelamp/wake.h"
#include "naive.h"

static const struct cells_size wide = {16, 2, false}, large = {20, 4, false};
static struct cells_stage stage;

static void open_awake(const struct cells_size *size, int wire) {
    cells_open(&stage, size, wire);
    EXPECT_INT(jl_char_wake(&stage.panel), JL_OK);
}

/* Each cell its own character, so that no two places can be confused within a row. */
static void fill_lines(const struct cells_size *size, char *lines) {
    for (int row = 0; row < size->rows; row++) {
        for (int column = 0; column < size->columns; column++) {
            *lines++ = (char)('!' + row * 15 + column);
        }
        *lines++ = '\n';
    }
    lines[-1] = '\0';
}

static void put_lines(const char *lines) {
    for (uint8_t row = 0; *lines; row++) {
        char text[100];
        size_t length = strcspn(lines, "\n");
        snprintf(text, sizeof text, "%.*s", (int)length, lines);
        EXPECT_INT(jl_char_put(&stage.panel, 0, row, text), JL_OK);
        lines += length + (lines[length] == '\n');
    }
}

/* Every size by every wire, at once and by a buffer, on the slowest and the fastest controller. */
static void every_size_and_wire(void) {
    for (int i = 0; i < CELLS_SIZES * CELLS_WIRES * 4; i++) {
        const struct cells_size *size = &cells_sizes[i / 4 / CELLS_WIRES];
        char lines[200], name[64];
        uint8_t memory[JL_CHAR_BUFFER_BYTES(40, 4)];
        snprintf(name, sizeof name, "cells-%dx%d-%d-%d", size->columns, size->rows,
                 i / 4 % CELLS_WIRES, i % 4);
        test_row("%s", name);
        cells_open(&stage, size, i / 4 % CELLS_WIRES);
        jl_cells_oscillator(stage.device, i & 2 ? 190000 : 350000);
        EXPECT_INT(jl_char_wake(&stage.panel), JL_OK);
        fill_lines(size, lines);
        if (i & 1) {
            EXPECT_INT(jl_char_buffer(&stage.panel, memory, sizeof memory), JL_OK);
        }
        put_lines(lines);
        if (i & 1) {
            EXPECT_INT(jl_char_present(&stage.panel), JL_OK);
        }
        cells_expect(&stage, lines, name);
        cells_expect_quiet(&stage);
        cells_close(&stage);
    }
}

/* The wake-up brings the same picture whatever the interface was in the middle of. */
static void wakes_from_any_phase(void) {
    static const enum jl_cells_start starts[] = {JL_CELLS_RESET, JL_CELLS_8_BITS, JL_CELLS_4_BITS,
                                                 JL_CELLS_HALF};
    for (int i = 0; i < 4 * CELLS_WIRES; i++) {
        test_row("start %d, wire %d", i % 4, i / 4);
        cells_open(&stage, i & 1 ? &wide : &large, i / 4);
        jl_cells_start(stage.device, starts[i % 4]);
        EXPECT_INT(jl_char_wake(&stage.panel), JL_OK);
        EXPECT_INT(jl_char_put(&stage.panel, 3, 1, "awake"), JL_OK);
        cells_expect(&stage, "\n   awake", "cells-awake");
        cells_close(&stage);
    }
}

/* The datasheet's initialisation by instruction, played by hand. */
static void datasheet_initialisation(void) {
    static const enum jl_cells_start starts[] = {JL_CELLS_RESET, JL_CELLS_8_BITS, JL_CELLS_4_BITS,
                                                 JL_CELLS_HALF};
    static const uint8_t setup[] = {0x08, 0x01, 0x06, 0x0C};
    for (int i = 0; i < 8; i++) {
        bool eight = i & 1;
        test_row("%d bits, start %d", eight ? 8 : 4, i / 2);
        cells_open(&stage, &wide, eight);
        jl_cells_start(stage.device, starts[i / 2]);
        jl_board_wait_ps(stage.board, 15000000000u);
        cells_pulse(stage.device, stage.board, false, 0x30, 4100);
        cells_pulse(stage.device, stage.board, false, 0x30, 100);
        cells_pulse(stage.device, stage.board, false, 0x30, 100);
        if (!eight) {
            cells_pulse(stage.device, stage.board, false, 0x20, 100);
        }
        cells_byte(&stage, eight, false, eight ? 0x38 : 0x28);
        for (int k = 0; k < 4; k++) {
            cells_byte(&stage, eight, false, setup[k]);
        }
        cells_byte(&stage, eight, true, 'H');
        cells_byte(&stage, eight, true, 'i');
        cells_expect(&stage, "Hi", "cells-by-hand");
        cells_close(&stage);
    }
}

/* Before any wake-up a glass of two lines shows the row of blocks. */
static void blocks_before_the_wake_up(void) {
    struct jl_picture seen;
    cells_open(&stage, &wide, 0);
    EXPECT(jl_device_why_dark(stage.device) == NULL);
    EXPECT(jl_device_picture(stage.device, &seen));
    for (int y = 0; y < seen.height; y++) {
        for (int x = 0; x < seen.width; x++) {
            bool dot = x % 6 != 5 && y < 8;
            if (*jl_picture_at(&seen, x, y) != (dot ? 255 : 0)) {
                EXPECT_INT(x, -1);
            }
        }
    }
    jl_picture_free(&seen);
    EXPECT_INT(jl_char_wake(&stage.panel), JL_OK);
    cells_expect(&stage, "", "cells-blank");
    cells_close(&stage);

    cells_open(&stage, &cells_sizes[0], 0);
    EXPECT_CONTAINS(jl_device_why_dark(stage.device), "display is off");
    cells_close(&stage);
}

static int lit_dots(void) {
    struct jl_picture seen;
    int count = 0;
    EXPECT(jl_device_picture(stage.device, &seen));
    for (int i = 0; i < seen.width * seen.height; i++) {
        count += seen.rgb[i * 3] != 0;
    }
    jl_picture_free(&seen);
    return count;
}

static void contrast_voltage(void) {
    open_awake(&wide, 0);
    EXPECT_INT(jl_char_put(&stage.panel, 0, 0, "text"), JL_OK);
    jl_cells_voltage(stage.device, 3000);
    EXPECT_CONTAINS(jl_device_why_dark(stage.device), "V0");
    EXPECT_INT(lit_dots(), 0);
    jl_cells_voltage(stage.device, 4000);
    cells_expect(&stage, "text", "cells-pale");
    EXPECT(jl_device_brightness(stage.device) < 200);
    jl_cells_voltage(stage.device, 4500);
    EXPECT_INT(jl_device_brightness(stage.device), 255);
    jl_cells_voltage(stage.device, 6000);
    EXPECT_INT(lit_dots(), 16 * 2 * 40);
    jl_device_set_plugged(stage.device, false);
    jl_device_set_plugged(stage.device, true);
    EXPECT_INT(lit_dots(), 16 * 2 * 40); /* nobody touched the trimmer */
    cells_close(&stage);
}

/* Instructions that are right by themselves, and text that nobody can see. */
static void lost_text(void) {
    static const struct {
        uint8_t bytes[6]; /* instructions up to a 0, then text */
        const char *text, *says;
    } rows[] = {
        {{0x20, 0x0C, 0xC0}, "lower", "address 40 is the far end of the only line"},
        {{0x28, 0x0C, 0xC0}, "lower", NULL},
        {{0x28, 0x0C, 0x80}, "0123456789ABCDEF", NULL},
        {{0x28, 0x0C, 0x80}, "0123456789ABCDEFG", "47 is text at address 10"},
        {{0x28, 0x0C, 0xD0}, "x", "where no cell of this glass shows it: a line has 16"},
        {{0x28, 0x0C, 0x18, 0x90}, "x", NULL}, /* the display is shifted */
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        test_row("row %zu", i);
        open_awake(&wide, 0);
        for (int k = 0; rows[i].bytes[k]; k++) {
            cells_byte(&stage, false, false, rows[i].bytes[k]);
        }
        for (const char *at = rows[i].text; *at; at++) {
            cells_byte(&stage, false, true, (uint8_t)*at);
        }
        const struct jl_diagnostic *list;
        EXPECT_INT((long long)jl_board_diagnostics(stage.board, &list), rows[i].says != NULL);
        EXPECT_CONTAINS(rows[i].says ? list[0].text : "", rows[i].says ? rows[i].says : "");
        cells_close(&stage);
    }
}

/* A nibble too much makes letters of halves of letters; waking heals it. */
static void nibble_slip(void) {
    open_awake(&wide, 0);
    cells_pulse(stage.device, stage.board, true, 0x50, 60);
    EXPECT_INT(jl_char_put(&stage.panel, 0, 0, "lock"), JL_OK);
    char text[400];
    jl_cells_text(stage.device, text, sizeof text);
    EXPECT(!strstr(text, "lock"));
    EXPECT_INT(jl_char_wake(&stage.panel), JL_OK);
    EXPECT_INT(jl_char_put(&stage.panel, 0, 0, "lock"), JL_OK);
    cells_expect(&stage, "lock", "cells-after-slip");
    cells_close(&stage);
}

static void early_bytes_are_ignored(void) {
    open_awake(&wide, 1);
    cells_pulse(stage.device, stage.board, true, 'A', 0);
    cells_pulse(stage.device, stage.board, true, 'B', 100); /* 0.6 us after the first */
    cells_pulse(stage.device, stage.board, true, 'C', 100);
    cells_expect_text(&stage, "|AC              |\n|                |\n");
    cells_expect_complaint(&stage, "data 42 ignored: it came 40.");
    cells_pulse(stage.device, stage.board, false, 0x01, 1000);
    cells_pulse(stage.device, stage.board, true, 'D', 1000);
    cells_expect_complaint(&stage, "data 44 ignored: it came 51");
    cells_pulse(stage.device, stage.board, true, 'E', 1000);
    cells_expect_text(&stage, "|E               |\n|                |\n");
    cells_close(&stage);
}

static void short_pulses_are_reported(void) {
    static const struct {
        uint64_t setup_ps, high_ps, low_ps;
        const char *says;
    } rows[] = {
        {20000, 300000, 300000, "RS and R/W before E rises: 20 ns, the datasheet asks for 40 ns"},
        {100000, 150000, 600000, "E high: 150 ns"},
        {100000, 250000, 100000, "E from rise to rise: 350 ns"},
        {100000, 300000, 5000, "levels held after E fell: 5 ns"},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        test_row("%s", rows[i].says);
        open_awake(&wide, 1);
        cells_expect_quiet(&stage);
        for (int k = 0; k < 2; k++) {
            jl_device_set_pin(stage.device, JL_DEVICE_DC, !k);
            jl_board_wait_ps(stage.board, k && i == 2 ? 0 : rows[i].setup_ps);
            jl_device_set_pin(stage.device, JL_DEVICE_E, true);
            jl_board_wait_ps(stage.board, rows[i].high_ps);
            jl_device_set_pin(stage.device, JL_DEVICE_E, false);
            jl_board_wait_ps(stage.board, rows[i].low_ps);
        }
        cells_expect_complaint(&stage, rows[i].says);
        cells_close(&stage);
    }
    /* Each of the data lines, too soon before E falls, or behind it. */
    for (int i = 0; i < 16; i++) {
        enum jl_device_pin line = (enum jl_device_pin)(JL_DEVICE_D0 + i / 2);
        test_row("D%d, %s", i / 2, i % 2 ? "behind" : "before");
        open_awake(&wide, 1);
        jl_device_set_pin(stage.device, JL_DEVICE_DC, true);
        jl_device_set_pin(stage.device, line, true);
        jl_board_wait_ps(stage.board, 100000);
        jl_device_set_pin(stage.device, JL_DEVICE_E, true);
        jl_board_wait_ps(stage.board, 300000);
        jl_device_set_pin(stage.device, i % 2 ? JL_DEVICE_E : line, false);
        jl_board_wait_ps(stage.board, 5000);
        jl_device_set_pin(stage.device, i % 2 ? line : JL_DEVICE_E, false);
        jl_board_wait_ps(stage.board, 300000);
        cells_expect_complaint(&stage, i % 2 ? "levels held after E fell: 5 ns"
                                             : "data before E falls: 5 ns");
        cells_close(&stage);
    }
}

/* One line has addresses 00 to 4F; of two, each has 28 hexadecimal. */
static void addresses_that_exist(void) {
    static const struct {
        struct cells_size size;
        uint8_t address;
        bool exists;
    } rows[] = {{{8, 1, false}, 0x4F, true},   {{8, 1, false}, 0x50, false},
                {{8, 1, false}, 0x28, true},   {{16, 2, false}, 0x27, true},
                {{16, 2, false}, 0x28, false}, {{16, 2, false}, 0x3F, false},
                {{16, 2, false}, 0x67, true},  {{16, 2, false}, 0x68, false}};
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        const struct jl_diagnostic *list;
        test_row("%d rows, address %02X", rows[i].size.rows, rows[i].address);
        open_awake(&rows[i].size, 1);
        cells_byte(&stage, true, false, (uint8_t)(0x80 | rows[i].address));
        if (rows[i].exists) {
            EXPECT_INT((long long)jl_board_diagnostics(stage.board, &list), 0);
        } else {
            cells_expect_complaint(&stage, "does not exist");
        }
        cells_close(&stage);
    }
}

/* Firmware that does not know where a row ends, and one that looks. */
static void past_the_last_column(void) {
    open_awake(&wide, 0);
    EXPECT_INT(jl_char_put(&stage.panel, 16, 0, ""), JL_OUT_OF_RANGE);
    EXPECT_INT(jl_char_put(&stage.panel, 0, 2, "x"), JL_OUT_OF_RANGE);
    EXPECT_INT(jl_char_put_codes(&stage.panel, 12, 0, (const uint8_t *)"gates", 5),
               JL_OUT_OF_RANGE);
    cells_expect(&stage, "", "cells-untouched");
    EXPECT_INT(jl_char_put(&stage.panel, 13, 1, "gates"), JL_TOO_WIDE);
    cells_expect(&stage, "\n             gat", "cells-cut");
    EXPECT_INT(jl_char_clear(&stage.panel), JL_OK);
    EXPECT_INT(jl_char_put_hidden(&stage.panel, 12, 0, "gates shut"), JL_OK);
    cells_expect_text(&stage, "|            gate|\n|                |\n"
                              "hidden 10..27 |s shut                  |\n");
    EXPECT_INT(jl_char_shift(&stage.panel, -8), JL_OK);
    cells_expect(&stage, "    gates shut", "cells-shifted");
    EXPECT_INT(jl_char_shift(&stage.panel, 9), JL_OK);
    cells_expect(&stage, "             gat", "cells-shifted-back");
    EXPECT_INT(jl_char_home(&stage.panel), JL_OK);
    cells_expect(&stage, "            gate", "cells-home");
    EXPECT_INT(jl_char_put_hidden(&stage.panel, 35, 1, "123456"), JL_OUT_OF_RANGE);
    cells_close(&stage);

    open_awake(&large, 0); /* the row ends where row 2 begins */
    EXPECT_INT(jl_char_put_hidden(&stage.panel, 0, 0, "x"), JL_UNSUPPORTED);
    cells_byte(&stage, false, false, 0x80 + 18);
    for (int i = 0; i < 5; i++) {
        cells_byte(&stage, false, true, (uint8_t)('a' + i));
    }
    cells_expect(&stage, "                  ab\n\ncde\n", "cells-20x4-overrun");
    cells_close(&stage);
}

static void entry_directions(void) {
    for (int wire = 0; wire < CELLS_WIRES; wire++) {
        test_row("wire %d", wire);
        open_awake(&wide, wire);
        EXPECT_INT(jl_char_entry(&stage.panel, JL_CHAR_LEFTWARD), JL_OK);
        EXPECT_INT(jl_char_put(&stage.panel, 5, 0, "abc"), JL_OK);
        EXPECT_INT(jl_char_put(&stage.panel, 2, 1, "xyz-cut"), JL_TOO_WIDE);
        static const uint8_t rows[8] = {31, 16, 16, 16, 16, 16, 16, 16};
        EXPECT_INT(jl_char_define(&stage.panel, 0, rows), JL_OK);
        EXPECT_INT(jl_char_put_codes(&stage.panel, 9, 1, (const uint8_t[]){0}, 1), JL_OK);
        struct jl_picture seen;
        EXPECT(jl_device_picture(stage.device, &seen));
        for (int y = 0; y < 8; y++) { /* the rows are not upside down */
            EXPECT_INT(*jl_picture_at(&seen, 9 * 6 + 4, 9 + y) != 0, y == 0);
        }
        jl_picture_free(&seen);
        EXPECT_INT(jl_char_entry(&stage.panel, 0), JL_OK);
        EXPECT_INT(jl_char_put(&stage.panel, 9, 1, " "), JL_OK);
        cells_expect(&stage, "   cba\nzyx", "cells-leftward");

        /* Typing at the right edge: the display runs along. */
        EXPECT_INT(jl_char_clear(&stage.panel), JL_OK);
        EXPECT_INT(jl_char_entry(&stage.panel, JL_CHAR_AUTOSCROLL), JL_OK);
        EXPECT_INT(jl_char_cursor(&stage.panel, 15, 0, JL_CHAR_NO_CURSOR), JL_OK);
        EXPECT_INT(jl_char_type(&stage.panel, "tide"), JL_OK);
        EXPECT_INT(jl_char_type(&stage.panel, " 1.8"), JL_OK);
        cells_expect(&stage, "       tide 1.8", "cells-autoscroll");
        EXPECT_INT(jl_char_entry(&stage.panel, 4), JL_OUT_OF_RANGE);
        cells_expect_quiet(&stage);
        cells_close(&stage);
    }
}

/* Dots that are lit in a cell. */
static int cell_dots(int column, int row) {
    struct jl_picture seen;
    int count = 0;
    EXPECT(jl_device_picture(stage.device, &seen));
    for (int i = 0; i < 40; i++) {
        count += *jl_picture_at(&seen, column * 6 + i % 5, row * 9 + i / 5) != 0;
    }
    jl_picture_free(&seen);
    return count;
}

static void cursor_and_blink(void) {
    static const struct {
        struct cells_size size;
        uint8_t column, row;
    } rows[] = {{{16, 2, false}, 3, 1},  {{20, 4, false}, 19, 3}, {{16, 1, true}, 8, 0},
                {{40, 4, false}, 39, 3}, {{40, 4, false}, 0, 1},  {{40, 4, false}, 7, 2}};
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        uint8_t column = rows[i].column, row = rows[i].row;
        test_row("%d,%d", column, row);
        open_awake(&rows[i].size, 0);
        EXPECT_INT(jl_char_cursor(&stage.panel, column, row, JL_CHAR_LINE), JL_OK);
        EXPECT_INT(cell_dots(column, row), 5);
        EXPECT_INT(lit_dots(), 5);
        EXPECT_INT(jl_char_cursor(&stage.panel, column, row, JL_CHAR_BLINK), JL_OK);
        int dark = 0;
        for (int k = 0; k < 8; k++) { /* 379 ms each way: two of eight quarters of a second */
            dark += cell_dots(column, row) == 40;
            EXPECT(cell_dots(column, row) == 40 || cell_dots(column, row) == 0);
            jl_board_wait_ps(stage.board, 379259259259u / 2);
        }
        EXPECT_INT(dark, 4);
        EXPECT_INT(jl_char_cursor(&stage.panel, column, row, 0), JL_OK);
        EXPECT_INT(lit_dots(), 0);
        EXPECT_INT(jl_char_cursor(&stage.panel, rows[i].size.columns, row, 1), JL_OUT_OF_RANGE);
        EXPECT_INT(jl_char_cursor(&stage.panel, column, row, 4), JL_OUT_OF_RANGE);
        cells_close(&stage);
    }
}

static void show_and_move(void) {
    open_awake(&wide, 2);
    EXPECT_INT(jl_char_put(&stage.panel, 0, 0, "quay"), JL_OK);
    EXPECT_INT(jl_char_show(&stage.panel, false), JL_OK);
    EXPECT_CONTAINS(jl_device_why_dark(stage.device), "display is off");
    EXPECT_INT(jl_char_show(&stage.panel, true), JL_OK);
    EXPECT_INT(jl_char_cursor(&stage.panel, 4, 0, 0), JL_OK);
    EXPECT_INT(jl_char_move(&stage.panel, 3), JL_OK);
    EXPECT_INT(jl_char_type(&stage.panel, "7"), JL_OK);
    EXPECT_INT(jl_char_move(&stage.panel, -8), JL_OK);
    EXPECT_INT(jl_char_type(&stage.panel, "Q"), JL_OK);
    cells_expect(&stage, "Quay   7", "cells-moved");
    /* Before the first cell is the last one of the second line; the next is the first again. */
    EXPECT_INT(jl_char_cursor(&stage.panel, 0, 0, 0), JL_OK);
    EXPECT_INT(jl_char_move(&stage.panel, -1), JL_OK);
    EXPECT_INT(jl_char_type(&stage.panel, "!"), JL_OK);
    EXPECT_INT(jl_char_put(&stage.panel, 0, 0, "q"), JL_OK);
    cells_expect(&stage, "quay   7", "cells-round");
    stage.panel.missing = UINT16_MAX - 1; /* the count stays at its end */
    EXPECT_INT(jl_char_put(&stage.panel, 13, 1, "\u96E8\u96E8\u96E8"), JL_OK);
    EXPECT_INT(stage.panel.missing, UINT16_MAX);
    cells_expect_quiet(&stage);
    cells_close(&stage);
}

static const struct jl_char_glyph glyphs[3] = {
    {0x26F5, {4, 12, 28, 4, 31, 31, 14, 0}},
    {0x2581, {0, 0, 0, 0, 0, 0, 0, 31}},
    {0, {31, 31, 31, 31, 31, 31, 31, 31}},
};

static void glyphs_of_ones_own(void) {
    for (int wire = 0; wire < CELLS_WIRES; wire++) {
        const struct jl_char_config config = {.wire = cells_wires[wire],
                                              .rom = &jl_char_rom_a02,
                                              .glyphs = glyphs,
                                              .glyph_count = 3,
                                              .columns = 20,
                                              .rows = 4,
                                              .i2c_address = 0x20};
        test_row("wire %d", wire);
        cells_open_config(&stage, &config, &jl_char_expander_usual, 100000);
        EXPECT_INT(jl_char_wake(&stage.panel), JL_OK);
        EXPECT_INT(jl_char_put(&stage.panel, 0, 0, "first"), JL_OK); /* not into CGRAM */
        cells_expect(&stage, "first", "cells-after-glyphs");
        EXPECT_INT(jl_char_field(&stage.panel, 0, 0, 5, JL_CHAR_LEFT, "", 0), JL_OK);
        EXPECT_INT(stage.panel.missing, 1); /* the glyph without a code point is not U+0000 */
        stage.panel.missing = 0;
        EXPECT_INT(jl_char_put(&stage.panel, 2, 1, "\u26F5 \u2581"), JL_OK);
        EXPECT_INT(jl_char_put_codes(&stage.panel, 6, 1, (const uint8_t[]){2}, 1), JL_OK);
        struct jl_picture seen;
        EXPECT(jl_device_picture(stage.device, &seen));
        for (int i = 0; i < 3; i++) {
            for (int y = 0; y < 8; y++) {
                for (int x = 0; x < 5; x++) {
                    bool dot = *jl_picture_at(&seen, (2 + i * 2) * 6 + x, 9 + y) != 0;
                    EXPECT_INT(dot, glyphs[i].rows[y] >> (4 - x) & 1);
                }
            }
        }
        jl_picture_free(&seen);
        EXPECT_INT(stage.panel.missing, 0);
        EXPECT_INT(jl_char_define(&stage.panel, 8, glyphs[0].rows), JL_OUT_OF_RANGE);
        EXPECT_INT(jl_char_define(&stage.panel, 2, glyphs[1].rows), JL_OK);
        EXPECT_INT(cell_dots(6, 1), 5);
        EXPECT_INT(jl_char_type(&stage.panel, "!"), JL_OK); /* CGRAM is closed again */
        EXPECT_INT(jl_char_put(&stage.panel, 0, 0, "\u96E8 \xFF"), JL_OK);
        EXPECT_INT(stage.panel.missing, 2);
        cells_expect_text(&stage, "|? ???               |\n|  \u24EA \u2460 \u2461!            |\n"
                                  "|                    |\n|                    |\n");
        cells_expect_quiet(&stage);
        cells_close(&stage);
    }
}

/* Text after a glyph without an address lands in CGRAM. */
static void cgram_left_open(void) {
    open_awake(&wide, 0);
    cells_byte(&stage, false, false, 0x40);
    for (int i = 0; i < 8; i++) {
        cells_byte(&stage, false, true, 0x1F);
    }
    cells_expect_quiet(&stage);
    cells_byte(&stage, false, true, 'H');
    cells_expect_complaint(&stage, "48 was written to CGRAM address 08");
    cells_expect(&stage, "", "cells-cgram-open");
    cells_close(&stage);
}

/* What a controller answers, read by hand in 8-bit mode. */
static uint8_t read_byte(bool rs) {
    uint8_t byte = 0;
    jl_device_set_pin(stage.device, JL_DEVICE_RW, true);
    jl_device_set_pin(stage.device, JL_DEVICE_DC, rs);
    jl_board_wait_ps(stage.board, 100000);
    jl_device_set_pin(stage.device, JL_DEVICE_E, true);
    jl_board_wait_ps(stage.board, 400000);
    for (int i = 0; i < 8; i++) {
        byte = (uint8_t)(byte | jl_device_pin(stage.device, (enum jl_device_pin)(JL_DEVICE_D0 + i))
                                    << i);
    }
    jl_device_set_pin(stage.device, JL_DEVICE_E, false);
    jl_board_wait_ps(stage.board, 400000);
    jl_device_set_pin(stage.device, JL_DEVICE_RW, false);
    jl_board_wait_ps(stage.board, 100000000);
    return byte;
}

static void reads(void) {
    open_awake(&wide, 1);
    EXPECT_INT(jl_char_put(&stage.panel, 3, 1, "ok"), JL_OK);
    EXPECT_INT(read_byte(false), 0x45);
    cells_byte(&stage, true, false, 0xC3);
    EXPECT_INT(read_byte(true), 'o');
    EXPECT_INT(read_byte(true), 'k');
    EXPECT_INT(read_byte(false), 0x45);
    cells_pulse(stage.device, stage.board, false, 0x01, 500);
    EXPECT_INT(read_byte(false), 0x80);
    cells_byte(&stage, true, false, 0x48);
    jl_board_wait_ps(stage.board, 2000000000);
    cells_byte(&stage, true, false, 0x48);
    cells_byte(&stage, true, true, 0x15);
    cells_byte(&stage, true, false, 0x48);
    EXPECT_INT(read_byte(true), 0x15);
    EXPECT_INT(read_byte(false), 0x09);
    cells_close(&stage);
}

/* Reading in 4-bit mode: two pulses a byte, the upper half first, and the phase stays right. */
static void reads_by_nibbles(void) {
    open_awake(&wide, 0);
    EXPECT_INT(jl_char_put(&stage.panel, 3, 1, "ok"), JL_OK);
    EXPECT_INT(read_byte(false) >> 4, 0x4);
    EXPECT_INT(read_byte(false) >> 4, 0x5);
    cells_byte(&stage, false, false, 0xC3);
    EXPECT_INT(read_byte(true) >> 4, 'o' >> 4);
    EXPECT_INT(read_byte(true) >> 4, 'o' & 15);
    EXPECT_INT(read_byte(true) >> 4, 'k' >> 4);
    EXPECT_INT(read_byte(true) >> 4, 'k' & 15);
    cells_byte(&stage, false, true, '!');
    cells_expect(&stage, "\n   ok!", "cells-read");
    cells_close(&stage);
}

/* Corners of the instruction table, by hand. */
static void instructions_by_hand(void) {
    open_awake(&wide, 1);
    static const uint8_t rows[8] = {0, 0, 0, 31, 0, 0, 0, 0};
    EXPECT_INT(jl_char_define(&stage.panel, 1, rows), JL_OK);
    cells_byte(&stage, true, true, 0x09); /* 08 to 0F are 00 to 07 again */
    EXPECT_INT(cell_dots(0, 0), 5);
    cells_byte(&stage, true, false, 0x04); /* leftward, until a clear */
    cells_byte(&stage, true, false, 0x01);
    cells_byte(&stage, true, true, 'a');
    cells_byte(&stage, true, true, 'b');
    cells_expect(&stage, "ab", "cells-cleared");
    cells_byte(&stage, true, false, 0x0E);
    EXPECT_INT(cell_dots(2, 0), 5);
    cells_byte(&stage, true, false, 0x42); /* in CGRAM nothing has a cursor */
    cells_expect(&stage, "ab", "cells-no-cursor");
    cells_byte(&stage, true, false, 0x80);
    EXPECT_INT(cell_dots(2, 0), 0);
    cells_byte(&stage, true, false, 0x00);
    cells_expect_complaint(&stage, "00 is no instruction");
    cells_byte(&stage, true, false, 0xA8);
    cells_expect_complaint(&stage, "DDRAM address 28 does not exist");
    cells_byte(&stage, true, true, 'x'); /* lost */
    cells_byte(&stage, true, false, 0x0C);
    cells_expect(&stage, "ab", "cells-lost");
    cells_close(&stage);

    /* A byte whose first half came too early is ignored whole. */
    open_awake(&wide, 0);
    cells_byte(&stage, false, true, 'a');
    cells_pulse(stage.device, stage.board, true, 0x60, 0);
    cells_pulse(stage.device, stage.board, true, 0x20, 2);
    cells_pulse(stage.device, stage.board, true, 0x60, 200);
    cells_pulse(stage.device, stage.board, true, 0x30, 200);
    cells_expect(&stage, "ab", "cells-half-early");
    cells_expect_complaint(&stage, "data 63 ignored");
    cells_close(&stage);
}

/* ---- the ROMs ---- */

/* Code points that two ROM codes, or two code points one ROM code, stand for. */
static bool is_alias(uint32_t code) {
    static const uint16_t aliases[] = {0xA0,   0xB0,   0xB5,   0xB7,   0xDF,   0x2126,
                                       0x2211, 0x3001, 0x3002, 0x300C, 0x300D, 0x30FB,
                                       0x30FC, 0xD8,   0x3BC,  0x413,  0x424};
    for (size_t i = 0; i < sizeof aliases / sizeof aliases[0]; i++) {
        if (aliases[i] == code) {
            return true;
        }
    }
    return code >= 0x400 && code < 0x430; /* capitals drawn like Latin ones */
}

static void utf8_of(uint32_t code, char *out) {
    if (code < 0x80) {
        sprintf(out, "%c", (int)code);
    } else if (code < 0x800) {
        sprintf(out, "%c%c", (int)(0xC0 | code >> 6), (int)(0x80 | (code & 63)));
    } else {
        sprintf(out, "%c%c%c", (int)(0xE0 | code >> 12), (int)(0x80 | (code >> 6 & 63)),
                (int)(0x80 | (code & 63)));
    }
}

/* The library's maps against the emulator's ROMs, which were written apart. */
static void rom_maps(void) {
    static const struct {
        const struct jl_char_rom *rom;
        int reached;
        /* ROM codes with a drawing that no text reaches: a doubled letter, a sign of no code. */
        const char *unreached;
    } rows[] = {
        {&jl_char_rom_a00, 96 + 63 + 23, "A0 E7 E9 EA EB F0 F1 F8 F9 FE "},
        {&jl_char_rom_a02, 16 + 96 + 128, ""},
    };
    for (size_t i = 0; i < 2; i++) {
        const struct jl_char_config config = {
            .wire = &jl_char_wire_8, .rom = rows[i].rom, .columns = 16, .rows = 2};
        uint8_t memory[64];
        bool reached[256] = {false};
        char text[256], seen[256][8], unreached[200] = "";
        int count = 0;
        cells_open_config(&stage, &config, &jl_char_expander_usual, 0);
        EXPECT_INT(jl_char_wake(&stage.panel), JL_OK);
        for (int code = 16; code < 256; code++) {
            EXPECT_INT(jl_char_put_codes(&stage.panel, 0, 0, (const uint8_t[]){(uint8_t)code}, 1),
                       JL_OK);
            jl_cells_text(stage.device, text, sizeof text);
            snprintf(seen[code], sizeof seen[code], "%.*s", (int)strcspn(text + 1, " |"), text + 1);
        }
        EXPECT_INT(jl_char_buffer(&stage.panel, memory, sizeof memory), JL_OK);
        for (uint32_t code = 0x20; code < 0x10000; code++) {
            char utf8[8];
            uint16_t missing = stage.panel.missing = 0;
            utf8_of(code, utf8);
            if (code >= 0xD800 && code < 0xE000) {
                continue;
            }
            EXPECT(jl_char_put(&stage.panel, 0, 0, utf8) == JL_OK);
            if (stage.panel.missing != missing) {
                continue;
            }
            uint8_t at = memory[0];
            test_row("U+%04X at %02X", (unsigned)code, at);
            reached[at] = true;
            if (!is_alias(code) && code != ' ' && code != '|') {
                EXPECT_TEXT(seen[at], utf8);
            }
        }
        for (int code = 16; code < 256; code++) {
            bool drawn = strcmp(seen[code], "\u00B7") != 0 || reached[code];
            count += reached[code];
            if (drawn && !reached[code]) {
                snprintf(unreached + strlen(unreached), 8, "%02X ", (unsigned)code);
            }
        }
        test_row("ROM %d", (int)i);
        EXPECT_INT(count, rows[i].reached);
        EXPECT_TEXT(unreached, rows[i].unreached);
        cells_close(&stage);
    }
}

/* Some characters, drawn once more by hand. */
static void rom_dots(void) {
    static const struct {
        const struct jl_char_rom *rom;
        const char *text;
        uint8_t rows[8];
    } rows[] = {
        {&jl_char_rom_a00, "H", {0x11, 0x11, 0x11, 0x1F, 0x11, 0x11, 0x11, 0}},
        {&jl_char_rom_a00, "\u2588", {31, 31, 31, 31, 31, 31, 31, 31}},
        {&jl_char_rom_a00, "\uFF9B", {0, 31, 17, 17, 17, 17, 31, 0}},  /* a box */
        {&jl_char_rom_a00, "\uFF74", {0, 31, 4, 4, 4, 4, 31, 0}},      /* a beam */
        {&jl_char_rom_a02, "\u0416", {21, 21, 21, 14, 21, 21, 21, 0}}, /* zhe */
        {&jl_char_rom_a02, "\u041F", {31, 17, 17, 17, 17, 17, 17, 0}}, /* pe */
        {&jl_char_rom_a02, "\u00CF", {10, 0, 14, 4, 4, 4, 14, 0}},     /* I, in five rows */
        {&jl_char_rom_a02, "\u00E8", {8, 4, 14, 17, 31, 16, 14, 0}},   /* e with grave */
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        const struct jl_char_config config = {
            .wire = &jl_char_wire_8, .rom = rows[i].rom, .columns = 16, .rows = 2};
        test_row("%s", rows[i].text);
        cells_open_config(&stage, &config, &jl_char_expander_usual, 0);
        EXPECT_INT(jl_char_wake(&stage.panel), JL_OK);
        EXPECT_INT(jl_char_put(&stage.panel, 0, 0, rows[i].text), JL_OK);
        EXPECT_INT(stage.panel.missing, 0);
        struct jl_picture seen;
        EXPECT(jl_device_picture(stage.device, &seen));
        for (int y = 0; y < 8; y++) {
            uint8_t dots = 0;
            for (int x = 0; x < 5; x++) {
                dots = (uint8_t)(dots << 1 | (*jl_picture_at(&seen, x, y) != 0));
            }
            EXPECT_INT(dots, rows[i].rows[y]);
        }
        jl_picture_free(&seen);
        cells_close(&stage);
    }
}

/* ---- fields ---- */

static void fields(void) {
    static const struct {
        uint8_t column, width;
        enum jl_char_align align;
        const char *text;
        uint32_t fill;
        const char *row;
    } rows[] = {
        {0, 16, JL_CHAR_LEFT, "gate", ' ', "gate"},
        {0, 16, JL_CHAR_RIGHT, "gate", '.', "............gate"},
        {0, 16, JL_CHAR_CENTRE, "gate", '-', "------gate------"},
        {2, 7, JL_CHAR_CENTRE, "gate", '*', "  *gate**"},
        {2, 3, JL_CHAR_RIGHT, "gate", '*', "  gat"},
        {2, 4, JL_CHAR_LEFT, "", '=', "  ===="},
        {15, 1, JL_CHAR_LEFT, "x", ' ', "               x"},
        {5, 0, JL_CHAR_LEFT, "x", ' ', ""},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        test_row("%s in %d", rows[i].text, rows[i].width);
        open_awake(&wide, 1);
        EXPECT_INT(jl_char_field(&stage.panel, rows[i].column, 0, rows[i].width, rows[i].align,
                                 rows[i].text, rows[i].fill),
                   JL_OK);
        cells_expect(&stage, rows[i].row, "cells-field");
        EXPECT_INT(jl_char_field(&stage.panel, 10, 0, 7, JL_CHAR_LEFT, "x", ' '), JL_OUT_OF_RANGE);
        EXPECT_INT(jl_char_field(&stage.panel, 0, 0, 200, JL_CHAR_LEFT, "x", ' '), JL_OUT_OF_RANGE);
        cells_close(&stage);
    }
}

static void numbers(void) {
    static const struct {
        int32_t value;
        uint8_t width, decimals;
        jl_status status;
        const char *row;
    } rows[] = {{184, 5, 2, JL_OK, " 1.84"},
                {-5, 5, 1, JL_OK, " -0.5"},
                {12345, 5, 0, JL_OK, "12345"},
                {123456, 5, 0, JL_TOO_WIDE, "#####"},
                {INT32_MIN, 16, 0, JL_OK, "     -2147483648"}};
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        test_row("%d", (int)rows[i].value);
        open_awake(&wide, 1);
        EXPECT_INT(
            jl_char_number(&stage.panel, 0, 0, rows[i].width, rows[i].value, rows[i].decimals),
            rows[i].status);
        cells_expect(&stage, rows[i].row, "cells-number");
        cells_close(&stage);
    }
}

static void marquee(void) {
    static const struct {
        uint16_t step;
        const char *row;
    } rows[] = {{0, " North"},  {1, " orth "},  {6, " quay "},  {9, " y   N"},
                {10, "    No"}, {12, "  Nort"}, {13, " North"}, {65000, " North"}};
    open_awake(&wide, 1);
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        test_row("step %d", rows[i].step);
        EXPECT_INT(jl_char_marquee(&stage.panel, 1, 0, 5, "North quay", rows[i].step), JL_OK);
        cells_expect(&stage, rows[i].row, "cells-marquee");
    }
    EXPECT_INT(jl_char_marquee(&stage.panel, 1, 0, 5, "fitte", 3), JL_OK);
    cells_expect(&stage, " fitte", "cells-marquee-fits");
    EXPECT_INT(jl_char_marquee(&stage.panel, 0, 1, 16, "stands", 77), JL_OK);
    EXPECT_INT(jl_char_marquee(&stage.panel, 1, 0, 5, "", 3), JL_OK);
    cells_expect(&stage, "\nstands", "cells-marquee-short");
    EXPECT_INT(jl_char_marquee(&stage.panel, 12, 0, 5, "too far to go", 3), JL_OUT_OF_RANGE);
    cells_close(&stage);
}

/* Random text by a buffer equals a grid of characters, on every size. */
static void buffered_text_equals_a_grid(void) {
    struct test_random random = {42};
    for (int i = 0; i < CELLS_SIZES; i++) {
        const struct cells_size *size = &cells_sizes[i];
        uint8_t memory[JL_CHAR_BUFFER_BYTES(40, 4)];
        char grid[4][41] = {""}, lines[200];
        test_row("%d x %d", size->columns, size->rows);
        open_awake(size, i % CELLS_WIRES);
        EXPECT_INT(jl_char_put(&stage.panel, 0, 0, "before"), JL_OK);
        EXPECT_INT(jl_char_buffer(&stage.panel, memory, sizeof memory), JL_OK);
        for (int row = 0; row < 4; row++) {
            memset(grid[row], ' ', size->columns);
        }
        for (int turn = 0; turn < 60; turn++) {
            for (int k = test_random_between(&random, 0, 4); k; k--) {
                int row = test_random_between(&random, 0, size->rows - 1);
                int column = test_random_between(&random, 0, size->columns - 1);
                int count = test_random_between(&random, 0, 6);
                char text[8] = "";
                for (int c = 0; c < count; c++) {
                    text[c] = (char)test_random_between(&random, ' ', '~');
                }
                bool fits = column + count <= size->columns;
                EXPECT_INT(jl_char_put(&stage.panel, (uint8_t)column, (uint8_t)row, text),
                           fits ? JL_OK : JL_TOO_WIDE);
                count = fits ? count : size->columns - column;
                memcpy(&grid[row][column], text, (size_t)count);
            }
            if (turn == 30) {
                EXPECT_INT(jl_char_clear(&stage.panel), JL_OK);
                for (int row = 0; row < size->rows; row++) {
                    memset(grid[row], ' ', size->columns);
                }
            }
            EXPECT_INT(jl_char_present(&stage.panel), JL_OK);
            snprintf(lines, sizeof lines, "%s\n%s\n%s\n%s", grid[0], size->rows > 1 ? grid[1] : "",
                     size->rows > 2 ? grid[2] : "", size->rows > 2 ? grid[3] : "");
            cells_expect(&stage, lines, "cells-buffered");
        }
        cells_expect_quiet(&stage);
        cells_close(&stage);
    }
}

static void test_card_of_cells(void) {
    static const struct {
        struct cells_size size;
        const char *text;
    } rows[] = {
        {{20, 4, false},
         "|\u24EAlock         \\~\u00B1\u00E0\u00FF\u2460|\n|1   0123 ABC abc   1|\n"
         "|2      gjpqy       2|\n|\u2461123456789012345678\u2462|\n"},
        {{16, 2, false},
         "|\u24EAlock     \\~\u00B1\u00E0\u00FF\u2460|\n|\u246112345678901234\u2462|\n"},
        {{8, 1, false}, "|\u24EA123456\u2460|\n"},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        open_awake(&rows[i].size, CELLS_EXPANDER);
        EXPECT_INT(jl_char_test_card(&stage.panel, "lock"), JL_OK);
        cells_expect_text(&stage, rows[i].text);
        EXPECT_INT(cell_dots(0, 0), 5 + 7 + 1);
        EXPECT_INT(cell_dots(rows[i].size.columns - 1, 0), 5 + 7 + 2);
        cells_close(&stage);
    }
}

/* A sequence of one's own, with and without the entry, on every wire; and what is none. */
static void wakes_by_steps(void) {
    static const uint8_t usual[] = {JL_STEP_SETUP};
    static const uint8_t own[] = {JL_STEP_SEND(0x28, 0x08), JL_STEP_CLEAR,
                                  JL_STEP_SEND(0x06, 0x0C)};
    static const uint8_t whole[] = {
        JL_STEP_WAIT_MS(50),   JL_CHAR_STEP_PULSE(3), JL_STEP_WAIT_MS(5),
        JL_CHAR_STEP_PULSE(3), JL_STEP_WAIT_MS(1),    JL_CHAR_STEP_PULSE(3),
        JL_CHAR_STEP_PULSE(2), JL_STEP_SEND(0x28),    JL_STEP_SEND(0x08),
        JL_STEP_SEND(0x01),    JL_STEP_WAIT_MS(3),    JL_STEP_SEND(0x06, 0x0F)};
    static const struct {
        const char *name;
        const uint8_t *steps;
        size_t bytes;
        int wire;
        uint8_t display;
    } rows[] = {
        {"usual, 4 lines", usual, sizeof usual, 0, 0x0C},
        {"usual, 8 lines", usual, sizeof usual, 1, 0x0C},
        {"usual, expander", usual, sizeof usual, CELLS_EXPANDER, 0x0C},
        {"own, 4 lines", own, sizeof own, 0, 0x0C},
        {"own, expander", own, sizeof own, CELLS_EXPANDER, 0x0C},
        {"with pulses, 4 lines", whole, sizeof whole, 0, 0x0F},
        {"with pulses, expander", whole, sizeof whole, CELLS_EXPANDER, 0x0F},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        uint8_t memory[JL_CHAR_BUFFER_BYTES(16, 2)];
        test_row("%s", rows[i].name);
        cells_open(&stage, &wide, rows[i].wire);
        EXPECT_INT(jl_char_wake_by(&stage.panel, rows[i].steps, rows[i].bytes), JL_OK);
        EXPECT_INT(jl_char_put(&stage.panel, 2, 1, "Lock 2"), JL_OK);
        cells_expect_text(&stage, "|                |\n|  Lock 2        |\n");
        EXPECT_INT(stage.panel.display, rows[i].display);
        /* A second time, with a buffer: all cells are sent, whatever they held. */
        EXPECT_INT(jl_char_buffer(&stage.panel, memory, sizeof memory), JL_OK);
        EXPECT_INT(jl_char_put(&stage.panel, 0, 0, "Gate 1"), JL_OK);
        EXPECT_INT(jl_char_present(&stage.panel), JL_OK);
        EXPECT_INT(jl_char_wake_by(&stage.panel, rows[i].steps, rows[i].bytes), JL_OK);
        cells_expect_text(&stage, "|                |\n|                |\n");
        EXPECT_INT(jl_char_present(&stage.panel), JL_OK);
        cells_expect_text(&stage, "|Gate 1          |\n|                |\n");
        cells_expect_quiet(&stage);
        cells_close(&stage);
    }
    /* More milliseconds than a byte holds. */
    static const uint8_t slow[] = {JL_STEP_WAIT_MS(300), JL_STEP_SETUP};
    cells_open(&stage, &wide, 0);
    uint64_t began = jl_board_now_ps(stage.board);
    EXPECT_INT(jl_char_wake_by(&stage.panel, slow, sizeof slow), JL_OK);
    EXPECT(jl_board_now_ps(stage.board) - began >= 300 * (uint64_t)1000000000);
    cells_close(&stage);
    static const struct {
        const char *name;
        uint8_t steps[4];
        size_t bytes;
    } bad[] = {{"cut", {2, 0x28}, 2},
               {"cut wait", {JL_STEP_CODE_WAIT_MS, 1}, 2},
               {"no pins to wait for", {JL_STEP_WAIT_BUSY(0, 5)}, 4},
               {"a block", {JL_STEP_BLOCK(0)}, 2},
               {"nothing", {0}, 1}};
    for (size_t i = 0; i < sizeof bad / sizeof bad[0]; i++) {
        test_row("%s", bad[i].name);
        cells_open(&stage, &wide, 0);
        EXPECT_INT(jl_char_wake_by(&stage.panel, bad[i].steps, bad[i].bytes), JL_BAD_STEPS);
        EXPECT_INT(jl_char_status(&stage.panel), JL_BAD_STEPS);
        EXPECT_INT(jl_char_wake_by(&stage.panel, NULL, 1), JL_BAD_STEPS);
        EXPECT_INT(jl_char_wake_by(NULL, usual, 1), JL_BAD_ARGUMENT);
        cells_close(&stage);
    }
}

const struct test_group test_groups[] = {
    {"every_size_and_wire", every_size_and_wire},
    {"wakes_from_any_phase", wakes_from_any_phase},
    {"datasheet_initialisation", datasheet_initialisation},
    {"blocks_before_the_wake_up", blocks_before_the_wake_up},
    {"contrast_voltage", contrast_voltage},
    {"lost_text", lost_text},
    {"nibble_slip", nibble_slip},
    {"early_bytes_are_ignored", early_bytes_are_ignored},
    {"short_pulses_are_reported", short_pulses_are_reported},
    {"addresses_that_exist", addresses_that_exist},
    {"past_the_last_column", past_the_last_column},
    {"entry_directions", entry_directions},
    {"cursor_and_blink", cursor_and_blink},
    {"show_and_move", show_and_move},
    {"glyphs_of_ones_own", glyphs_of_ones_own},
    {"cgram_left_open", cgram_left_open},
    {"reads", reads},
    {"reads_by_nibbles", reads_by_nibbles},
    {"instructions_by_hand", instructions_by_hand},
    {"rom_maps", rom_maps},
    {"rom_dots", rom_dots},
    {"fields", fields},
    {"numbers", numbers},
    {"marquee", marquee},
    {"buffered_text_equals_a_grid", buffered_text_equals_a_grid},
    {"test_card_of_cells", test_card_of_cells},
    {"wakes_by_steps", wakes_by_steps},
    {NULL, NULL},
};
