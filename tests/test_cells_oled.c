/*
 * ws0010: characters of an OLED. Its supply is a command, and clearing takes it longer than others.
 */
#include "harness.h"

#include <string.h>

#include "cells_stage.h"
#include "jadelamp/jadelamp.h"

static void open_oled(struct cells_stage *stage, const struct jl_char_wire *wire, int columns,
                      int rows) {
    struct jl_glass glass = jl_glass_cells(columns, rows, JL_GLASS_YELLOW);
    memset(stage, 0, sizeof *stage);
    stage->board = jl_board_create(7);
    stage->device = jl_board_add_device(stage->board, &jl_emulated_ws0010, "oled", &glass);
    stage->sim = (struct jl_sim_port){.board = stage->board, .device = stage->device};
    stage->port = (struct jl_port){.ops = &jl_sim_port_ops, .context = &stage->sim};
    stage->config =
        (struct jl_char_config){.wire = wire, .columns = (uint8_t)columns, .rows = (uint8_t)rows};
    EXPECT_INT(jl_char_open(&stage->panel, &stage->config, &stage->port), JL_OK);
}

static void text_that_shines(void) {
    static const struct {
        const struct jl_char_wire *wire;
        int columns, rows;
        const char *lines;
    } rows[] = {
        {&jl_char_wire_4_oled, 16, 2, "Lower gate      \nclosed   -0.75 m"},
        {&jl_char_wire_8_oled, 16, 2, "Lower gate      \nclosed   -0.75 m"},
        {&jl_char_wire_4_oled, 8, 1, "-0.75 m "},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct cells_stage stage;
        test_row("%d", (int)i);
        open_oled(&stage, rows[i].wire, rows[i].columns, rows[i].rows);
        EXPECT_CONTAINS(jl_device_why_dark(stage.device), "send 17");
        EXPECT_INT(jl_char_wake(&stage.panel), JL_OK);
        EXPECT(!jl_device_why_dark(stage.device));
        for (uint8_t row = 0; row < rows[i].rows; row++) {
            char text[20] = "";
            memcpy(text, rows[i].lines + row * (rows[i].columns + 1), (size_t)rows[i].columns);
            EXPECT_INT(jl_char_put(&stage.panel, 0, row, text), JL_OK);
        }
        cells_expect(&stage, rows[i].lines, "lines");
        EXPECT_INT(jl_char_show(&stage.panel, false), JL_OK);
        EXPECT_CONTAINS(jl_device_why_dark(stage.device), "the display is off");
        EXPECT_INT(jl_char_show(&stage.panel, true), JL_OK);
        EXPECT_INT(jl_char_clear(&stage.panel), JL_OK); /* with its long wait behind it */
        EXPECT_INT(jl_char_put(&stage.panel, 0, 0, "+"), JL_OK);
        cells_expect_quiet(&stage);
        cells_close(&stage);
    }
}

/* The usual wires know neither its supply nor its time. */
static void taken_for_an_hd44780(void) {
    struct cells_stage stage;
    open_oled(&stage, &jl_char_wire_4, 16, 2);
    EXPECT_INT(jl_char_wake(&stage.panel), JL_OK);
    cells_expect_complaint(&stage, "instruction 06 ignored: it came 39");
    EXPECT_CONTAINS(jl_device_why_dark(stage.device), "the supply of the glass is off: send 17");
    cells_close(&stage);
}

/* By bytes: the supply on and off, and graphics, which are another thing. */
static void supply_by_bytes(void) {
    static const struct {
        uint8_t byte;
        const char *dark; /* NULL: it shows */
    } rows[] = {{0x17, NULL}, {0x13, "send 17"}, {0x1F, "graphic mode"}, {0x17, NULL}};
    struct cells_stage stage;
    open_oled(&stage, &jl_char_wire_8_oled, 16, 2);
    EXPECT_INT(jl_char_wake(&stage.panel), JL_OK);
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        test_row("%02X", rows[i].byte);
        cells_byte(&stage, true, false, rows[i].byte);
        const char *why = jl_device_why_dark(stage.device);
        if (rows[i].dark) {
            EXPECT_CONTAINS(why ? why : "it shows", rows[i].dark);
        } else {
            EXPECT(!why);
        }
    }
    cells_close(&stage);
}

const struct test_group test_groups[] = {
    {"text_that_shines", text_that_shines},
    {"taken_for_an_hd44780", taken_for_an_hd44780},
    {"supply_by_bytes", supply_by_bytes},
    {NULL, NULL},
};
