/*
 * Character controllers on I2C by themselves: aip31068, and st7036 with its contrast and icons. The
 * bytes by their sheets, pictures dot by dot, and mistakes.
 */
#include "harness.h"

#include <stdio.h>
#include <string.h>

#include "cells_stage.h"
#include "jadelamp/jadelamp.h"

enum { PARTS = 2 };

static const struct part {
    const struct jl_emulated_part *emulated;
    const struct jl_char_wire *wire;
    uint8_t address;
} parts[PARTS] = {{&jl_emulated_aip31068, &jl_char_wire_i2c, 0x3E},
                  {&jl_emulated_st7036, &jl_char_wire_st7036, 0x3C}};

static void open_part(struct cells_stage *stage, int which, int columns, int rows,
                      uint32_t clock_hz, uint16_t most_bytes) {
    const struct part *part = &parts[which];
    struct jl_glass glass = jl_glass_cells(columns, rows, JL_GLASS_LCD_BLUE);
    glass.european_rom = true;
    memset(stage, 0, sizeof *stage);
    stage->board = jl_board_create(7);
    stage->device = jl_board_add_device(stage->board, part->emulated, "lcd", &glass);
    stage->sim = (struct jl_sim_port){.board = stage->board,
                                      .device = stage->device,
                                      .i2c = jl_board_add_i2c(stage->board, clock_hz, 0)};
    EXPECT(jl_i2c_attach(stage->sim.i2c, stage->device, part->address));
    stage->port = (struct jl_port){.ops = &jl_sim_port_ops,
                                   .context = &stage->sim,
                                   .most_body_bytes = most_bytes,
                                   .clock_hz = clock_hz};
    stage->config = (struct jl_char_config){.wire = part->wire,
                                            .rom = &jl_char_rom_a02,
                                            .columns = (uint8_t)columns,
                                            .rows = (uint8_t)rows,
                                            .i2c_address = part->address};
    EXPECT_INT(jl_char_open(&stage->panel, &stage->config, &stage->port), JL_OK);
}

/* At once, through a buffer, with glyphs, at each clock and with short transfers. */
static void text_in_cells(void) {
    static const struct {
        int columns, rows;
        uint32_t clock_hz;
        uint16_t most_bytes;
        const char *lines;
    } rows[] = {
        {16, 3, 400000, 0, "Upper gate      \nLower gate      \nopen     +1.25 m"},
        {10, 3, 100000, 3, "Upper gate\nLower gate\n   +1.25 m"},
        {16, 2, 400000, 0, "Upper gate      \nopen     +1.25 m"},
        {16, 2, 100000, 0, "Upper gate      \nopen     +1.25 m"},
        {20, 2, 400000, 7, "Upper gate          \nopen         +1.25 m"},
        {8, 1, 400000, 2, "+1.25 m "},
        {20, 4, 400000, 0,
         "Upper gate          \nopen         +1.25 m\nLower gate          \nclosed       -0.75 m"},
    };
    for (size_t i = 0; i < PARTS * sizeof rows / sizeof rows[0]; i++) {
        const int r = (int)i / PARTS, which = (int)i % PARTS;
        if (rows[r].rows == 3 && parts[which].wire != &jl_char_wire_st7036) {
            continue;
        }
        for (int buffered = 0; buffered < 2; buffered++) {
            struct cells_stage stage;
            uint8_t memory[JL_CHAR_BUFFER_BYTES(20, 4)];
            test_row("part %d, row %d, buffer %d", which, r, buffered);
            open_part(&stage, which, rows[r].columns, rows[r].rows, rows[r].clock_hz,
                      rows[r].most_bytes);
            EXPECT_INT(jl_char_wake(&stage.panel), JL_OK);
            if (buffered) {
                EXPECT_INT(jl_char_buffer(&stage.panel, memory, sizeof memory), JL_OK);
            }
            const char *line = rows[r].lines;
            for (uint8_t row = 0; row < rows[r].rows; row++) {
                char text[24];
                snprintf(text, sizeof text, "%.*s", rows[r].columns, line);
                EXPECT_INT(jl_char_put(&stage.panel, 0, row, text), JL_OK);
                line += rows[r].columns + 1;
            }
            if (buffered) {
                EXPECT_INT(jl_char_present(&stage.panel), JL_OK);
            }
            cells_expect(&stage, rows[r].lines, "lines");
            cells_expect_quiet(&stage);
            cells_close(&stage);
        }
    }
}

/* Bytes of all transfers, as they went out. */
static struct {
    char text[600];
    size_t length;
} said;

static jl_status say(void *context, const struct jl_transfer *t) {
    (void)context;
    for (size_t i = 0; i < t->body_bytes && said.length + 4 < sizeof said.text; i++) {
        said.length += (size_t)snprintf(said.text + said.length, 4, "%02X", t->body[i]);
    }
    said.length += (size_t)snprintf(said.text + said.length, 3, " ");
    return JL_OK;
}

static void no_wait(void *context, uint32_t microseconds) {
    (void)context;
    (void)microseconds;
}

/* Control bytes by the sheets: 80 one command, C0 one character, 00 and 40 the last of them. */
static void bytes_on_the_wire(void) {
    static const struct jl_port_ops ops = {.send = say, .wait_us = no_wait};
    static const struct jl_port port = {.ops = &ops, .clock_hz = 400000};
    struct jl_char_panel panel;
    struct jl_char_config config = {
        .wire = &jl_char_wire_i2c, .columns = 16, .rows = 2, .i2c_address = 0x3E};
    said.length = 0;
    EXPECT_INT(jl_char_open(&panel, &config, &port), JL_OK);
    EXPECT_INT(jl_char_wake(&panel), JL_OK);
    EXPECT_TEXT(said.text, "0030 0030 0030 0038 0008 0001 0006 000C ");
    said.length = 0;
    EXPECT_INT(jl_char_put(&panel, 2, 1, "Go"), JL_OK);
    EXPECT_TEXT(said.text, "80C2C047406F ");

    config.wire = &jl_char_wire_st7036;
    config.contrast = 0x2A;
    said.length = 0;
    EXPECT_INT(jl_char_open(&panel, &config, &port), JL_OK);
    EXPECT_INT(jl_char_wake(&panel), JL_OK);
    EXPECT_TEXT(said.text,
                "0039 0014 007A 005E 006C 0038 0030 0030 0030 0038 0008 0001 0006 000C ");
    said.length = 0;
    EXPECT_INT(jl_st7036_contrast(&panel, 5), JL_OK);
    EXPECT_TEXT(said.text, "0039 0075 005C 0038 ");
    said.length = 0;
    EXPECT_INT(jl_st7036_icons(&panel, 7, 0x11), JL_OK);
    EXPECT_TEXT(said.text, "0039 80474011 0038 0080 "); /* and text goes on at 00 */
    config.rows = 3;                                    /* lines at 00, 10 and 20, and FX set */
    said.length = 0;
    EXPECT_INT(jl_char_open(&panel, &config, &port), JL_OK);
    EXPECT_INT(jl_char_wake(&panel), JL_OK);
    EXPECT_TEXT(said.text,
                "0039 0015 007A 005E 006C 0038 0030 0030 0030 0038 0008 0001 0006 000C ");
    said.length = 0;
    EXPECT_INT(jl_char_put(&panel, 14, 1, "Up"), JL_OK);
    EXPECT_INT(jl_char_put(&panel, 0, 2, "A"), JL_OK); /* it goes on by itself */
    EXPECT_INT(jl_char_put(&panel, 15, 2, "Z"), JL_OK);
    EXPECT_INT(jl_char_put(&panel, 0, 0, "B"), JL_OK);
    EXPECT_TEXT(said.text, "809EC0554070 4041 80AF405A 80804042 ");
    EXPECT_INT(jl_char_put_hidden(&panel, 0, 0, "x"), JL_UNSUPPORTED);
    EXPECT_INT(jl_st7036_contrast(&panel, 64), JL_OUT_OF_RANGE);
    EXPECT_INT(jl_st7036_icons(&panel, 16, 0), JL_OUT_OF_RANGE);
    EXPECT_INT(jl_st7036_icons(&panel, 0, 32), JL_OUT_OF_RANGE);
    EXPECT_INT(jl_st7036_contrast(NULL, 5), JL_BAD_ARGUMENT);
}

/* How much contrast shows what; and text is as it was behind icons. */
static void contrast_of_an_st7036(void) {
    static const struct {
        uint8_t contrast;
        const char *dark; /* NULL: it shows */
    } rows[] = {{0, "too little contrast"}, {15, "too little contrast"}, {20, NULL}, {36, NULL}};
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct cells_stage stage;
        test_row("contrast %d", rows[i].contrast);
        open_part(&stage, 1, 16, 2, 400000, 0);
        EXPECT_CONTAINS(jl_device_why_dark(stage.device), "the glass has no voltage: 5C");
        EXPECT_INT(jl_char_wake(&stage.panel), JL_OK);
        EXPECT(!jl_device_why_dark(stage.device));
        EXPECT_INT(jl_st7036_contrast(&stage.panel, rows[i].contrast), JL_OK);
        EXPECT_INT(jl_char_put(&stage.panel, 0, 0, "Level"), JL_OK);
        EXPECT_INT(jl_st7036_icons(&stage.panel, 3, 9), JL_OK);
        EXPECT_INT(jl_char_type(&stage.panel, " 12"), JL_OK);
        const char *why = jl_device_why_dark(stage.device);
        if (rows[i].dark) {
            EXPECT_CONTAINS(why ? why : "it shows", rows[i].dark);
        } else {
            EXPECT(!why);
            cells_expect(&stage, "Level 12        \n                ", "level");
        }
        cells_expect_quiet(&stage);
        cells_close(&stage);
    }
    /* too much: blocks all over, as with the trimmer of others */
    struct cells_stage stage;
    open_part(&stage, 1, 8, 1, 400000, 0);
    EXPECT_INT(jl_char_wake(&stage.panel), JL_OK);
    EXPECT_INT(jl_st7036_contrast(&stage.panel, 63), JL_OK);
    cells_expect_text(&stage, "|\u2588\u2588\u2588\u2588\u2588\u2588\u2588\u2588|\n");
    cells_close(&stage);
}

/* Three lines by raw bytes: their addresses, where they wrap, and what two lines are told. */
static void three_lines(void) {
    struct cells_stage stage;
    open_part(&stage, 1, 16, 3, 400000, 0);
    EXPECT_INT(jl_char_wake(&stage.panel), JL_OK);
    cells_expect_quiet(&stage);
    static const uint8_t bytes[][4] = {{0x80, 0x8F, 0x40, 'a'},
                                       {0x80, 0xAF, 0x40, 'b'},
                                       {0x80, 0x9F, 0x40, 'c'},
                                       {0x80, 0xB0, 0x40, 'd'}};
    for (int i = 0; i < 4; i++) {
        struct jl_transfer t = {.body = bytes[i], .body_bytes = 4, .i2c_address = 0x3C};
        EXPECT_INT(stage.port.ops->send(stage.port.context, &t), JL_OK);
        static const uint8_t more[] = {0x40, '+'};
        t = (struct jl_transfer){.body = more, .body_bytes = 2, .i2c_address = 0x3C};
        jl_board_wait_ps(stage.board, 60000000);
        if (i < 3) {
            EXPECT_INT(stage.port.ops->send(stage.port.context, &t), JL_OK);
        }
        jl_board_wait_ps(stage.board, 60000000);
    }
    cells_expect_text(&stage, "|+              a|\n|+              c|\n|+              b|\n");
    cells_expect_complaint(&stage, "DDRAM address 30 does not exist: three lines have");
    static const uint8_t for_two[][2] = {{0x00, 0x39}, {0x00, 0x14}};
    for (int i = 0; i < 2; i++) {
        struct jl_transfer t = {.body = for_two[i], .body_bytes = 2, .i2c_address = 0x3C};
        EXPECT_INT(stage.port.ops->send(stage.port.context, &t), JL_OK);
        jl_board_wait_ps(stage.board, 60000000);
    }
    cells_expect_complaint(&stage, "14 is for one or two lines");
    cells_close(&stage);
}

static void what_is_wrong(void) {
    static const struct {
        const char *name;
        uint8_t address, columns, rows;
        uint32_t clock_hz;
        jl_status right;
    } rows[] = {
        {"right", 0x3E, 16, 2, 400000, JL_OK},
        {"fast", 0x3E, 16, 2, 400001, JL_CLOCK_TOO_FAST},
        {"no address", 0, 16, 2, 400000, JL_BAD_ADDRESS},
        {"8-bit address", 0x7C, 16, 2, 400000, JL_BAD_ADDRESS},
        {"two controllers", 0x3E, 40, 4, 400000, JL_BAD_SIZE},
        {"three long rows", 0x3E, 17, 3, 400000, JL_BAD_SIZE},
    };
    static const struct jl_port_ops ops = {.send = say, .wait_us = no_wait};
    for (size_t i = 0; i < 2 * sizeof rows / sizeof rows[0]; i++) {
        size_t r = i / 2;
        const struct jl_port port = {.ops = &ops, .clock_hz = rows[r].clock_hz};
        const struct jl_char_config config = {.wire = parts[i % 2].wire,
                                              .columns = rows[r].columns,
                                              .rows = rows[r].rows,
                                              .i2c_address = rows[r].address};
        struct jl_char_panel panel;
        test_row("%s", rows[r].name);
        EXPECT_INT(jl_char_open(&panel, &config, &port), rows[r].right);
    }
    const struct jl_port bytewise = {.ops = &ops, .most_body_bytes = 1};
    const struct jl_char_config usual = {
        .wire = &jl_char_wire_i2c, .columns = 16, .rows = 2, .i2c_address = 0x3E};
    struct jl_char_panel panel;
    EXPECT_INT(jl_char_open(&panel, &usual, &bytewise), JL_BAD_PORT); /* no room for two */
    /* Characters that come faster than the controller takes them; and nobody answers. */
    struct cells_stage stage;
    open_part(&stage, 0, 16, 2, 400000, 0);
    EXPECT_INT(jl_char_wake(&stage.panel), JL_OK);
    const uint8_t run[] = {0x40, 'f', 'a', 's', 't'};
    struct jl_transfer t = {.body = run, .body_bytes = sizeof run, .i2c_address = 0x3E};
    EXPECT_INT(stage.port.ops->send(stage.port.context, &t), JL_OK);
    cells_expect_complaint(&stage, "data 61 ignored: it came");
    t.i2c_address = 0x3C;
    EXPECT_INT(stage.port.ops->send(stage.port.context, &t), JL_NO_ANSWER);
    cells_close(&stage);
}

const struct test_group test_groups[] = {
    {"text_in_cells", text_in_cells},
    {"bytes_on_the_wire", bytes_on_the_wire},
    {"contrast_of_an_st7036", contrast_of_an_st7036},
    {"three_lines", three_lines},
    {"what_is_wrong", what_is_wrong},
    {NULL, NULL},
};
