/* Character modules: what goes over the wire, to the bit, and what happens when it breaks. */
#include <stdio.h>
#include <string.h>

#include "cells_stage.h"
#include "harness.h"
#include "vcd.h"

/* ---- a port that writes down pulses of E ("C38 D41 ", nibbles as "C3 ") and bytes on I2C ---- */

struct probe {
    char text[6000];
    size_t length;
    bool pins[JL_PIN_D7 + 1];
    bool always_busy;
    int transfers;
    bool eight;
    uint32_t waited_us; /* since the last pulse */
    uint32_t before_pulse_us[40];
    int pulses;
};

static void note(struct probe *probe, const char *what, unsigned number, int digits) {
    probe->length +=
        (size_t)snprintf(probe->text + probe->length, sizeof probe->text - probe->length, "%s%0*X ",
                         what, digits, number);
    EXPECT(probe->length < sizeof probe->text);
}

static void probe_pin(void *context, enum jl_pin pin, bool high) {
    struct probe *probe = context;
    bool falls = probe->pins[pin] && !high && !probe->pins[JL_PIN_RW];
    probe->pins[pin] = high;
    if (!falls || (pin != JL_PIN_E && pin != JL_PIN_E2)) {
        return;
    }
    unsigned byte = 0;
    for (int i = 0; i < 8; i++) {
        byte |= (unsigned)probe->pins[JL_PIN_D0 + i] << i;
    }
    probe->before_pulse_us[probe->pulses++ % 40] = probe->waited_us;
    probe->waited_us = 0;
    bool data = probe->pins[JL_PIN_DC];
    const char *what = pin == JL_PIN_E ? data ? "D" : "C" : data ? "d" : "c";
    note(probe, what, probe->eight ? byte : byte >> 4, probe->eight ? 2 : 1);
}

static bool probe_level(void *context, enum jl_pin pin) {
    return pin == JL_PIN_D7 && ((struct probe *)context)->always_busy;
}

static jl_status probe_send(void *context, const struct jl_transfer *t) {
    struct probe *probe = context;
    probe->transfers++;
    EXPECT_INT((int)t->head_bytes, 0);
    for (size_t i = 0; i < t->body_bytes; i++) {
        note(probe, "", t->body[i], 2);
    }
    return JL_OK;
}

static void probe_wait(void *context, uint32_t microseconds) {
    ((struct probe *)context)->waited_us += microseconds;
}

static const struct jl_port_ops probe_ops = {
    .send = probe_send, .set_pin = probe_pin, .get_pin = probe_level, .wait_us = probe_wait};

static struct probe probe;
static struct jl_port port;
static struct jl_char_config config;
static struct jl_char_panel panel;
static uint8_t work[400];

static void forget(void) {
    probe.length = 0;
    probe.text[0] = '\0';
    probe.transfers = 0;
}

static void probe_open(const struct cells_size *size, int wire) {
    memset(&probe, 0, sizeof probe);
    probe.eight = cells_wires[wire]->eight_bits;
    config = (struct jl_char_config){.wire = cells_wires[wire],
                                     .expander = &jl_char_expander_usual,
                                     .columns = size->columns,
                                     .rows = size->rows,
                                     .flags = size->halves ? JL_CHAR_HALVES : 0,
                                     .i2c_address = 0x27};
    if (size->columns == 40 && size->rows == 4) {
        config.expander = &cells_map_two;
    }
    port = (struct jl_port){.ops = &probe_ops,
                            .context = &probe,
                            .work_memory = work,
                            .work_memory_bytes = sizeof work,
                            .clock_hz = 100000};
    EXPECT_INT(jl_char_open(&panel, &config, &port), JL_OK);
    EXPECT_TEXT(probe.text, "");
}

static const struct cells_size wide = {16, 2, false}, large = {20, 4, false};

/* After the tables of the HD44780U datasheet; the bytes of the expander by the wiring. */
static void wake_up_bytes(void) {
    static const struct {
        struct cells_size size;
        int wire;
        const char *bytes;
    } rows[] = {
        {{16, 2, false}, 1, "C30 C30 C30 C38 C08 C01 C06 C0C "},
        {{16, 2, false}, 3, "C30 C30 C30 C38 C08 C01 C06 C0C "},
        {{8, 1, false}, 1, "C30 C30 C30 C30 C08 C01 C06 C0C "},
        {{16, 1, true}, 1, "C30 C30 C30 C38 C08 C01 C06 C0C "},
        {{16, 2, false}, 0, "C3 C3 C3 C2 C2 C8 C0 C8 C0 C1 C0 C6 C0 CC "},
        {{16, 2, false}, 2, "C3 C3 C3 C2 C2 C8 C0 C8 C0 C1 C0 C6 C0 CC "},
        {{40, 4, false}, 1, "C30 c30 C30 c30 C30 c30 C38 c38 C08 c08 C01 c01 C06 c06 C0C c0C "},
        {{20, 4, false},
         4,
         "FB 08 3C 38 3C 38 3C 38 2C 28 2C 28 8C 88 0C 08 8C 88 0C 08 1C 18 0C 08 6C 68 "
         "0C 08 CC C8 "},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        test_row("%d x %d, wire %d", rows[i].size.columns, rows[i].size.rows, rows[i].wire);
        probe_open(&rows[i].size, rows[i].wire);
        EXPECT_INT(jl_char_wake(&panel), JL_OK);
        EXPECT_TEXT(probe.text, rows[i].bytes);
    }
}

/* Where rows begin: 00 40 14 54 on 20 x 4, and so on. The first is where the clear left it. */
static void row_addresses(void) {
    static const struct {
        struct cells_size size;
        const char *bytes;
    } rows[] = {
        {{8, 1, false}, "D58 D59 "},
        {{16, 1, false}, "D58 D59 CB2 D21 "},
        {{16, 1, true}, "D58 D59 CC0 D38 "},
        {{16, 2, false}, "D58 D59 CC0 D58 D59 "},
        {{20, 2, false}, "D58 D59 CC0 D58 D59 "},
        {{40, 2, false}, "D58 D59 CC0 D58 D59 "},
        {{16, 4, false}, "D58 D59 CC0 D58 D59 C90 D58 D59 CD0 D58 D59 "},
        {{20, 4, false}, "D58 D59 CC0 D58 D59 C94 D58 D59 CD4 D58 D59 "},
        {{40, 4, false}, "D58 D59 CC0 D58 D59 d58 d59 cC0 d58 d59 "},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        test_row("%d x %d", rows[i].size.columns, rows[i].size.rows);
        probe_open(&rows[i].size, 1);
        EXPECT_INT(jl_char_wake(&panel), JL_OK);
        forget();
        for (uint8_t row = 0; row < rows[i].size.rows; row++) {
            EXPECT_INT(jl_char_put(&panel, 0, row, "XY"), JL_OK);
        }
        if (rows[i].size.columns == 16 && rows[i].size.rows == 1 && !rows[i].size.halves) {
            EXPECT_INT(jl_char_put_hidden(&panel, 50, 0, "!"), JL_OK); /* 80 on one line */
        }
        if (rows[i].size.halves) {
            EXPECT_INT(jl_char_put(&panel, 8, 0, "8"), JL_OK);
        }
        EXPECT_TEXT(probe.text, rows[i].bytes);
    }
}

/* Every call of its own, as the instruction table has it. */
static void instructions(void) {
    probe_open(&wide, 1);
    EXPECT_INT(jl_char_wake(&panel), JL_OK);
    forget();
    static const uint8_t rows[8] = {1, 2, 4, 8, 16, 31, 0, 0xFF};
    EXPECT_INT(jl_char_cursor(&panel, 2, 1, JL_CHAR_LINE | JL_CHAR_BLINK), JL_OK);
    EXPECT_INT(jl_char_show(&panel, false), JL_OK);
    EXPECT_INT(jl_char_show(&panel, true), JL_OK);
    EXPECT_INT(jl_char_shift(&panel, 2), JL_OK);
    EXPECT_INT(jl_char_shift(&panel, -1), JL_OK);
    EXPECT_INT(jl_char_move(&panel, 1), JL_OK);
    EXPECT_INT(jl_char_move(&panel, -1), JL_OK);
    EXPECT_INT(jl_char_entry(&panel, JL_CHAR_LEFTWARD | JL_CHAR_AUTOSCROLL), JL_OK);
    EXPECT_INT(jl_char_clear(&panel), JL_OK);
    EXPECT_INT(jl_char_entry(&panel, 0), JL_OK);
    EXPECT_INT(jl_char_home(&panel), JL_OK);
    EXPECT_INT(jl_char_define(&panel, 3, rows), JL_OK);
    EXPECT_TEXT(probe.text, "C0F CC2 C0B C0F C1C C1C C18 C14 C10 C05 C01 C05 C06 C02 "
                            "C58 D01 D02 D04 D08 D10 D1F D00 DFF C80 ");
}

/* Cells that change, and what is sent for them; the buffer stands at `before` and is shown. */
static void changed_cells(void) {
    static const struct {
        struct cells_size size;
        const char *before[4], *after[4];
        const char *bytes;
    } rows[] = {
        {{20, 4, false}, {"tide 1.84"}, {"tide 1.84"}, ""},
        {{20, 4, false}, {"tide 1.84"}, {"tide 1.85"}, "C88 D35 "},
        {{20, 4, false}, {"", "", "", "4"}, {"", "", "", "5"}, "CD4 D35 "},
        {{20, 4, false}, {"abc"}, {"xbz"}, "C80 D78 D62 D7A "},
        {{20, 4, false}, {"abcd"}, {"xbcz"}, "C80 D78 C83 D7A "},
        {{20, 4, false},
         {"                   a", "", "b"},
         {"                   c", "", "d"},
         "C93 D63 D64 "},
        {{20, 4, false},
         {"", "", "                   a", ""},
         {"", "x", "                   b", ""},
         "CA7 D62 D78 "},
        {{20, 2, false},
         {"                   a", "b"},
         {"                   c", "d"},
         "C93 D63 CC0 D64 "},
        {{16, 1, true}, {"       ab"}, {"       cd"}, "C87 D63 CC0 D64 "},
        {{40, 4, false}, {"", "", "a"}, {"", "", "b"}, "c80 d62 "},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        uint8_t memory[JL_CHAR_BUFFER_BYTES(40, 4)];
        test_row("%s", rows[i].bytes);
        probe_open(&rows[i].size, 1);
        EXPECT_INT(jl_char_buffer(&panel, memory, sizeof memory), JL_OK);
        EXPECT_INT(jl_char_wake(&panel), JL_OK); /* all cells are blank then */
        for (int step = 0; step < 2; step++) {
            const char *const *lines = step ? rows[i].after : rows[i].before;
            for (uint8_t row = 0; row < 4; row++) {
                if (lines[row]) {
                    EXPECT_INT(jl_char_put(&panel, 0, row, lines[row]), JL_OK);
                }
            }
            forget();
            EXPECT_INT(jl_char_present(&panel), JL_OK);
        }
        EXPECT_TEXT(probe.text, rows[i].bytes);
        forget();
        EXPECT_INT(jl_char_present(&panel), JL_OK);
        EXPECT_TEXT(probe.text, "");
    }
}

/* A cursor that shows comes back after a present; one that does not costs nothing. */
static void cursor_after_a_present(void) {
    uint8_t memory[64];
    probe_open(&wide, 1);
    EXPECT_INT(jl_char_buffer(&panel, memory, 63), JL_TOO_SMALL);
    EXPECT_INT(jl_char_wake(&panel), JL_OK);
    EXPECT_INT(jl_char_present(&panel), JL_UNSUPPORTED);
    EXPECT_INT(jl_char_buffer(&panel, memory, 64), JL_OK);
    EXPECT_INT(jl_char_present(&panel), JL_OK);
    EXPECT_INT(jl_char_cursor(&panel, 5, 1, JL_CHAR_LINE), JL_OK);
    forget();
    EXPECT_INT(jl_char_put(&panel, 0, 0, "a"), JL_OK);
    EXPECT_INT(jl_char_present(&panel), JL_OK);
    EXPECT_INT(jl_char_present(&panel), JL_OK);
    EXPECT_TEXT(probe.text, "C80 D61 CC5 ");
    panel.awake = false; /* as an error leaves it: also where nothing has changed */
    EXPECT_INT(jl_char_present(&panel), JL_NOT_AWAKE);
    panel.awake = true;
    EXPECT_INT(jl_char_entry(&panel, JL_CHAR_LEFTWARD), JL_UNSUPPORTED);
    EXPECT_INT(jl_char_type(&panel, "x"), JL_UNSUPPORTED);
    EXPECT_INT(jl_char_put_hidden(&panel, 0, 0, "x"), JL_UNSUPPORTED);
    EXPECT_INT(jl_char_buffer(&panel, NULL, 0), JL_OK);
    EXPECT_INT(jl_char_entry(&panel, JL_CHAR_LEFTWARD), JL_OK);
    EXPECT_INT(jl_char_buffer(&panel, memory, 64), JL_UNSUPPORTED);
}

/* As few bytes and transfers as RS and E allow: 4 a character, 1 for each change of RS. */
static void expander_traffic(void) {
    uint8_t memory[160];
    char text[21];
    probe_open(&large, CELLS_EXPANDER);
    EXPECT_INT(jl_char_buffer(&panel, memory, sizeof memory), JL_OK);
    EXPECT_INT(jl_char_wake(&panel), JL_OK);
    EXPECT_INT(jl_char_put(&panel, 0, 1, "A"), JL_OK);
    forget();
    EXPECT_INT(jl_char_present(&panel), JL_OK);
    EXPECT_TEXT(probe.text, "CC C8 0C 08 09 4D 49 1D 19 ");
    EXPECT_INT(probe.transfers, 1);
    for (int size = 0; size < 3; size++) {
        test_row("size %d", size);
        port.work_memory_bytes = size == 0 ? sizeof work : 0;
        port.most_body_bytes = size == 2 ? 30 : 0;
        for (uint8_t row = 0; row < 4; row++) {
            memset(text, 'a' + size * 4 + row, 20);
            text[20] = '\0';
            EXPECT_INT(jl_char_put(&panel, 0, row, text), JL_OK);
        }
        forget();
        EXPECT_INT(jl_char_present(&panel), JL_OK);
        /* RS low, address, RS high, 80 characters; then the address has come round. */
        EXPECT_INT((int)(probe.length / 3), (size ? 0 : 1 + 4 + 1) + 80 * 4);
        EXPECT_INT(probe.transfers, size == 0 ? 1 : size == 1 ? 5 : 11);
    }
    EXPECT_INT(jl_char_light(&panel, false), JL_OK);
    EXPECT_INT(jl_char_put(&panel, 1, 0, "?"), JL_OK);
    forget();
    EXPECT_INT(jl_char_present(&panel), JL_OK);
    EXPECT_TEXT(probe.text, "00 84 80 14 10 01 35 31 F5 F1 ");
}

static void bad_descriptions(void) {
    static const struct jl_char_glyph nine[9];
    static const struct jl_char_expander twice = {.rs = 1, .e = 4, .data = {16, 32, 64, 64}},
                                         two_bits = {.rs = 3, .e = 4, .data = {16, 32, 64, 128}},
                                         lacks = {.rs = 1, .e = 4, .data = {16, 32, 64, 0}};
    const struct {
        struct jl_char_config config;
        uint32_t clock_hz;
        jl_status status;
    } rows[] = {
        {{.wire = NULL, .columns = 16, .rows = 2}, 0, JL_BAD_ARGUMENT},
        {{.wire = &jl_char_wire_8, .columns = 0, .rows = 2}, 0, JL_BAD_SIZE},
        {{.wire = &jl_char_wire_8, .columns = 16, .rows = 3}, 0, JL_BAD_SIZE},
        {{.wire = &jl_char_wire_8, .columns = 16, .rows = 0}, 0, JL_BAD_SIZE},
        {{.wire = &jl_char_wire_8, .columns = 41, .rows = 2}, 0, JL_BAD_SIZE},
        {{.wire = &jl_char_wire_8, .columns = 81, .rows = 1}, 0, JL_BAD_SIZE},
        {{.wire = &jl_char_wire_8, .columns = 15, .rows = 1, .flags = JL_CHAR_HALVES},
         0,
         JL_BAD_SIZE},
        {{.wire = &jl_char_wire_8, .columns = 16, .rows = 2, .flags = JL_CHAR_HALVES},
         0,
         JL_BAD_SIZE},
        {{.wire = &jl_char_wire_8, .columns = 16, .rows = 2, .glyphs = nine, .glyph_count = 9},
         0,
         JL_BAD_ARGUMENT},
        {{.wire = &jl_char_wire_8, .columns = 16, .rows = 2, .glyph_count = 1}, 0, JL_BAD_ARGUMENT},
        {{.wire = &jl_char_wire_expander, .columns = 16, .rows = 2, .i2c_address = 0x27},
         0,
         JL_BAD_ARGUMENT},
        {{.wire = &jl_char_wire_expander,
          .expander = &twice,
          .columns = 16,
          .rows = 2,
          .i2c_address = 0x27},
         0,
         JL_BAD_WIRING},
        {{.wire = &jl_char_wire_expander,
          .expander = &two_bits,
          .columns = 16,
          .rows = 2,
          .i2c_address = 0x27},
         0,
         JL_BAD_WIRING},
        {{.wire = &jl_char_wire_expander,
          .expander = &lacks,
          .columns = 16,
          .rows = 2,
          .i2c_address = 0x27},
         0,
         JL_BAD_WIRING},
        {{.wire = &jl_char_wire_expander,
          .expander = &jl_char_expander_usual,
          .columns = 40,
          .rows = 4,
          .i2c_address = 0x27},
         0,
         JL_BAD_WIRING},
        {{.wire = &jl_char_wire_expander,
          .expander = &jl_char_expander_usual,
          .columns = 16,
          .rows = 2,
          .i2c_address = 0x4E},
         0,
         JL_OK}, /* 0x4E is the 8-bit form of 0x27, but may be an address */
        {{.wire = &jl_char_wire_expander,
          .expander = &jl_char_expander_usual,
          .columns = 16,
          .rows = 2,
          .i2c_address = 0x7E},
         0,
         JL_BAD_ADDRESS},
        {{.wire = &jl_char_wire_expander,
          .expander = &jl_char_expander_usual,
          .columns = 16,
          .rows = 2,
          .i2c_address = 0x27},
         400000,
         JL_CLOCK_TOO_FAST},
        {{.wire = &jl_char_wire_expander,
          .expander = &jl_char_expander_usual,
          .columns = 16,
          .rows = 2,
          .flags = JL_CHAR_FAST_EXPANDER,
          .i2c_address = 0x27},
         400000,
         JL_OK},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        const struct jl_port with = {
            .ops = &probe_ops, .context = &probe, .clock_hz = rows[i].clock_hz};
        test_row("row %d", (int)i);
        forget();
        EXPECT_INT(jl_char_open(&panel, &rows[i].config, &with), rows[i].status);
        EXPECT_TEXT(probe.text, "");
    }
    /* Ports that lack what a wire needs. */
    static const struct jl_port_ops no_pins = {.send = probe_send, .wait_us = probe_wait},
                                    no_input = {.set_pin = probe_pin, .wait_us = probe_wait},
                                    no_wait = {.send = probe_send, .set_pin = probe_pin};
    static const struct {
        int wire;
        const struct jl_port_ops *ops;
    } lacking[] = {{0, &no_pins},  {1, &no_pins}, {2, &no_input}, {3, &no_input},
                   {4, &no_input}, {0, &no_wait}, {4, &no_wait}};
    for (size_t i = 0; i < sizeof lacking / sizeof lacking[0]; i++) {
        const struct jl_port with = {.ops = lacking[i].ops, .context = &probe};
        probe_open(&wide, lacking[i].wire);
        test_row("lacking %d", (int)i);
        EXPECT_INT(jl_char_open(&panel, &config, &with), JL_BAD_PORT);
    }
    EXPECT_INT(jl_char_open(NULL, &config, &port), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_char_open(&panel, &config, NULL), JL_BAD_ARGUMENT);
}

/* Every call on a module that takes none gives the same status. */
static void expect_from_every_call(struct jl_char_panel *module, jl_status status) {
    static const uint8_t rows[8];
    EXPECT_INT(jl_char_put(module, 0, 0, "x"), status);
    EXPECT_INT(jl_char_put_codes(module, 0, 0, rows, 1), status);
    EXPECT_INT(jl_char_put_hidden(module, 0, 0, "x"), status);
    EXPECT_INT(jl_char_type(module, "x"), status);
    EXPECT_INT(jl_char_field(module, 0, 0, 5, JL_CHAR_LEFT, "x", ' '), status);
    EXPECT_INT(jl_char_number(module, 0, 0, 5, 1, 0), status);
    EXPECT_INT(jl_char_marquee(module, 0, 0, 5, "x", 1), status);
    EXPECT_INT(jl_char_clear(module), status);
    EXPECT_INT(jl_char_home(module), status);
    EXPECT_INT(jl_char_cursor(module, 0, 0, 1), status);
    EXPECT_INT(jl_char_show(module, true), status);
    EXPECT_INT(jl_char_shift(module, 1), status);
    EXPECT_INT(jl_char_move(module, 0), status);
    EXPECT_INT(jl_char_entry(module, 1), status);
    EXPECT_INT(jl_char_define(module, 0, rows), status);
    EXPECT_INT(jl_char_test_card(module, "x"), status);
    EXPECT_INT(jl_char_present(module), status);
}

static void nothing_before_the_wake_up(void) {
    static uint8_t memory[JL_CHAR_BUFFER_BYTES(16, 2)];
    probe_open(&wide, 1);
    expect_from_every_call(&panel, JL_NOT_AWAKE);
    EXPECT_TEXT(probe.text, "");
    EXPECT_INT(jl_char_status(&panel), JL_NOT_AWAKE);
    test_row("no panel");
    expect_from_every_call(NULL, JL_BAD_ARGUMENT);
    EXPECT_INT(jl_char_wake(NULL), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_char_light(NULL, true), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_char_buffer(NULL, memory, sizeof memory), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_char_status(NULL), JL_BAD_ARGUMENT);
    test_row("a refused description");
    config.columns = 41;
    EXPECT_INT(jl_char_open(&panel, &config, &port), JL_BAD_SIZE);
    expect_from_every_call(&panel, JL_NOT_AWAKE);
    EXPECT_INT(jl_char_wake(&panel), JL_NOT_AWAKE);
    EXPECT_INT(jl_char_light(&panel, true), JL_NOT_AWAKE);
    EXPECT_INT(jl_char_buffer(&panel, memory, sizeof memory), JL_NOT_AWAKE);
    EXPECT_TEXT(probe.text, "");
    EXPECT_INT(jl_char_status(&panel), JL_BAD_SIZE);
}

/* A program without checks learns at its end what went wrong first. */
static void first_status_is_kept(void) {
    probe_open(&wide, 2);
    EXPECT_INT(jl_char_status(&panel), JL_OK);
    EXPECT_INT(jl_char_wake(&panel), JL_OK);
    EXPECT_INT(jl_char_put(&panel, 0, 9, "x"), JL_OUT_OF_RANGE);
    EXPECT_INT(jl_char_put(&panel, 14, 0, "tide"), JL_TOO_WIDE);
    EXPECT_INT(jl_char_put(&panel, 0, 1, "goes on"), JL_OK);
    EXPECT_INT(jl_char_status(&panel), JL_OUT_OF_RANGE);
    EXPECT_INT(jl_char_wake(&panel), JL_OK);
    EXPECT_INT(jl_char_status(&panel), JL_OK);
    probe.always_busy = true;
    EXPECT_INT(jl_char_put(&panel, 0, 0, "x"), JL_TIMEOUT);
    forget();
    expect_from_every_call(&panel, JL_NOT_AWAKE);
    EXPECT_TEXT(probe.text, "");
    EXPECT_INT(jl_char_status(&panel), JL_TIMEOUT);
    EXPECT_INT(jl_char_wake(&panel), JL_TIMEOUT);
    EXPECT_INT(jl_char_status(&panel), JL_TIMEOUT);
    probe.always_busy = false;
    EXPECT_INT(jl_char_wake(&panel), JL_OK);
    EXPECT_INT(jl_char_status(&panel), JL_OK);
}

/* Figures 23 and 24 of the HD44780U datasheet: 40 ms, 4.1 ms, 100 us; and 1.52 ms for clearing,
 * which an oscillator of 190 kHz stretches to 2.16 ms. */
static void wake_up_waits(void) {
    static const struct {
        int pulse, least_us, most_us;
    } rows[] = {
        {0, 40000, 60000}, {1, 4100, 8000}, {2, 100, 1000}, {3, 100, 1000}, {6, 2160, 4000}};
    probe_open(&wide, 1);
    EXPECT_INT(jl_char_wake(&panel), JL_OK);
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        test_row("pulse %d", rows[i].pulse);
        EXPECT(probe.before_pulse_us[rows[i].pulse] >= (uint32_t)rows[i].least_us);
        EXPECT(probe.before_pulse_us[rows[i].pulse] <= (uint32_t)rows[i].most_us);
    }
}

/* A busy flag that never drops ends in a status, and the next wake-up works. */
static void stuck_busy_flag(void) {
    for (int wire = 2; wire < 4; wire++) {
        probe_open(&wide, wire);
        probe.always_busy = true;
        EXPECT_INT(jl_char_wake(&panel), JL_TIMEOUT);
        EXPECT_INT(jl_char_put(&panel, 0, 0, "x"), JL_NOT_AWAKE);
        probe.always_busy = false;
        EXPECT_INT(jl_char_wake(&panel), JL_OK);
        probe.always_busy = true;
        EXPECT_INT(jl_char_put(&panel, 0, 0, "x"), JL_TIMEOUT);
        EXPECT_INT(jl_char_put(&panel, 0, 0, "x"), JL_NOT_AWAKE);
    }
}

/* ---- on the board ---- */

static struct cells_stage stage;

static void expander_fails_at_every_byte(void) {
    for (int for_good = 0; for_good < 2; for_good++) {
        for (uint64_t at = 0; at < 140; at++) {
            test_row("byte %d fails %s", (int)at, for_good ? "for good" : "once");
            cells_open(&stage, &large, CELLS_EXPANDER);
            jl_i2c_fail_at(stage.sim.i2c, at, for_good);
            jl_status status = jl_char_wake(&stage.panel);
            if (status == JL_OK) {
                status = jl_char_put(&stage.panel, 2, 2, "ferry due 14:05");
            }
            EXPECT_INT(status, at < jl_i2c_byte_count(stage.sim.i2c) ? JL_NO_ANSWER : JL_OK);
            if (status == JL_OK) {
                jl_i2c_heal(stage.sim.i2c);
            }
            EXPECT_INT(jl_char_put(&stage.panel, 0, 0, "x"),
                       status == JL_OK ? JL_OK : JL_NOT_AWAKE);
            jl_i2c_heal(stage.sim.i2c);
            EXPECT_INT(jl_char_wake(&stage.panel), JL_OK);
            EXPECT_INT(jl_char_put(&stage.panel, 2, 2, "ferry due 14:05"), JL_OK);
            cells_expect(&stage, "\n\n  ferry due 14:05", "cells-retry");
            cells_close(&stage);
        }
    }
}

/* Every map of the library and one of ours; the backlight follows its polarity. */
static void expander_maps(void) {
    static const struct jl_char_expander ours = {
        .rs = 128, .e = 1, .data = {2, 64, 4, 32}, .light = 16, .rw = 8};
    const struct jl_char_expander *maps[] = {&jl_char_expander_usual, &jl_char_expander_light_low,
                                             &jl_char_expander_data_first,
                                             &jl_char_expander_e_first, &ours};
    for (size_t i = 0; i < sizeof maps / sizeof maps[0]; i++) {
        const struct jl_char_config described = {.wire = &jl_char_wire_expander,
                                                 .columns = 16,
                                                 .rows = 2,
                                                 .i2c_address = (uint8_t)(0x38 + i)};
        test_row("map %d", (int)i);
        cells_open_config(&stage, &described, maps[i], 100000);
        EXPECT_INT(jl_char_wake(&stage.panel), JL_OK);
        EXPECT(jl_device_light_on(stage.device));
        EXPECT_INT(jl_char_put(&stage.panel, 1, 1, "lock 3"), JL_OK);
        EXPECT_INT(jl_char_light(&stage.panel, false), JL_OK);
        EXPECT(!jl_device_light_on(stage.device));
        EXPECT_INT(jl_char_put(&stage.panel, 6, 1, "4"), JL_OK);
        EXPECT(!jl_device_light_on(stage.device));
        cells_expect(&stage, "\n lock 4", "cells-map");
        cells_expect_quiet(&stage);
        cells_close(&stage);
    }
}

/* Above the limit by explicit wish: the slowest controller still gets its time. */
static void fast_expander(void) {
    static const uint32_t clocks[] = {100000, 200000, 400000, 1000000};
    for (size_t i = 0; i < 4; i++) {
        const struct jl_char_config described = {.wire = &jl_char_wire_expander,
                                                 .columns = 20,
                                                 .rows = 4,
                                                 .flags = JL_CHAR_FAST_EXPANDER,
                                                 .i2c_address = 0x27};
        test_row("%u Hz", (unsigned)clocks[i]);
        cells_open_config(&stage, &described, &jl_char_expander_usual, clocks[i]);
        jl_cells_oscillator(stage.device, 190000);
        EXPECT_INT(jl_char_wake(&stage.panel), JL_OK);
        EXPECT_INT(jl_char_put(&stage.panel, 0, 1, "chamber 2.40 m"), JL_OK);
        cells_expect(&stage, "\nchamber 2.40 m", "cells-fast");
        if (i == 0) {
            cells_expect_quiet(&stage);
        } else {
            cells_expect_complaint(&stage, "the datasheet allows 100000 Hz");
            EXPECT_INT((int)jl_board_diagnostic_total(stage.board), 1);
        }
        cells_close(&stage);
    }
}

/* Outputs change together: RS in the same byte as E is what the module complains of. */
static void careless_expander_firmware(void) {
    static const struct {
        uint8_t bytes[3];
        const char *says;
    } rows[] = {{{0x08, 0x4D, 0x49}, "RS and R/W before E rises: 0 ns"},
                {{0x09, 0x4D, 0x08}, "levels held after E fell: 0 ns"}};
    for (size_t i = 0; i < 2; i++) {
        cells_open(&stage, &wide, CELLS_EXPANDER);
        EXPECT_INT(jl_char_wake(&stage.panel), JL_OK);
        cells_expect_quiet(&stage);
        EXPECT(jl_i2c_start(stage.sim.i2c));
        EXPECT(jl_i2c_write(stage.sim.i2c, 0x27 << 1));
        for (int k = 0; k < 3; k++) {
            EXPECT(jl_i2c_write(stage.sim.i2c, rows[i].bytes[k]));
        }
        jl_i2c_stop(stage.sim.i2c);
        cells_expect_complaint(&stage, rows[i].says);
        cells_close(&stage);
    }
}

/* A port expander reads its pins; one that is unplugged answers nobody, and comes back. */
static void expander_by_hand(void) {
    cells_open(&stage, &wide, CELLS_EXPANDER);
    EXPECT(jl_i2c_start(stage.sim.i2c));
    EXPECT(jl_i2c_write(stage.sim.i2c, 0x27 << 1 | 1));
    /* All outputs are high, so E and R/W are, too: the module shows a blank, 20, on its lines. */
    EXPECT_INT(jl_i2c_read(stage.sim.i2c, false), 0x2F);
    jl_i2c_stop(stage.sim.i2c);
    EXPECT_INT(jl_char_wake(&stage.panel), JL_OK);
    jl_device_set_plugged(stage.expander, false);
    EXPECT_INT(jl_char_put(&stage.panel, 0, 0, "x"), JL_NO_ANSWER);
    EXPECT_INT(jl_char_put(&stage.panel, 0, 0, "x"), JL_NOT_AWAKE);
    jl_device_set_plugged(stage.expander, true);
    EXPECT_INT(jl_char_wake(&stage.panel), JL_OK);
    jl_device_set_plugged(stage.expander, false);
    EXPECT_INT(jl_char_light(&stage.panel, false), JL_NO_ANSWER);
    EXPECT_INT(jl_char_put(&stage.panel, 0, 0, "x"), JL_NOT_AWAKE);
    EXPECT_INT(jl_char_light(&stage.panel, true), JL_NO_ANSWER);
    jl_device_set_plugged(stage.expander, true);
    EXPECT(jl_device_light_on(stage.device)); /* all outputs are high again */
    EXPECT_INT(jl_char_wake(&stage.panel), JL_OK);
    EXPECT_INT(jl_char_put(&stage.panel, 0, 0, "back"), JL_OK);
    cells_expect(&stage, "back", "cells-back");
    static const struct jl_cells_wiring bad[] = {
        {0, 1, 2, -1, 3, {4, 5, 6, 6}, false},
        {0, 1, 2, -1, 3, {4, 5, 6, -1}, false},
        {0, 1, 8, -1, 3, {4, 5, 6, 7}, false},
    };
    for (size_t i = 0; i < 3; i++) {
        EXPECT(!jl_board_add_expander(stage.board, "bad", stage.device, &bad[i]));
    }
    cells_close(&stage);
}

/* The recording as a person with a probe reads it: RS and the lines as E falls. */
static void wires_of_a_module(void) {
    static struct vcd_text recording;
    for (int wire = 0; wire < CELLS_WIRES; wire++) {
        char seen[400] = "";
        bool levels[VCD_WIRES] = {false}, eight = cells_wires[wire]->eight_bits;
        test_row("wire %d", wire);
        recording.length = 0;
        cells_open(&stage, &wide, wire);
        EXPECT(jl_board_record(stage.board, vcd_take, &recording));
        EXPECT_INT(jl_char_wake(&stage.panel), JL_OK);
        EXPECT_INT(jl_char_put(&stage.panel, 0, 0, "H"), JL_OK);
        EXPECT(jl_board_record_end(stage.board));
        struct vcd vcd = vcd_parse(recording.text);
        EXPECT(vcd.good);
        int e = vcd_wire(&vcd, "lcd", "e"), rs = vcd_wire(&vcd, "lcd", "rs"),
            rw = vcd_wire(&vcd, "lcd", "rw"), d0 = vcd_wire(&vcd, "lcd", "d0");
        EXPECT(vcd_wire(&vcd, "lcd", "light") >= 0);
        EXPECT_INT(vcd_wire(&vcd, "exp", "scl") >= 0, wire == CELLS_EXPANDER);
        for (size_t i = 0; i < vcd.edge_count; i++) {
            const struct vcd_edge *edge = &vcd.edges[i];
            bool fell = edge->wire == e && levels[e] && !edge->high && !levels[rw];
            levels[edge->wire] = edge->high;
            unsigned byte = 0;
            for (int bit = 0; bit < 8; bit++) {
                byte |= (unsigned)levels[d0 + bit] << bit;
            }
            if (fell) {
                snprintf(seen + strlen(seen), 8, "%c%0*X ", levels[rs] ? 'D' : 'C', eight ? 2 : 1,
                         eight ? byte : byte >> 4);
            }
        }
        EXPECT_TEXT(seen, eight ? "C30 C30 C30 C38 C08 C01 C06 C0C D48 "
                                : "C3 C3 C3 C2 C2 C8 C0 C8 C0 C1 C0 C6 C0 CC D4 D8 ");
        vcd_free(&vcd);
        cells_close(&stage);
    }
}

static void glasses_that_fit(void) {
    static const struct {
        int columns, rows;
        bool halves, fits;
    } rows[] = {{16, 2, false, true},  {80, 1, false, true},  {81, 1, false, false},
                {16, 3, false, false}, {41, 2, false, false}, {0, 2, false, false},
                {16, 1, true, true},   {15, 1, true, false},  {16, 2, true, false}};
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct jl_board *board = jl_board_create(1);
        struct jl_glass glass = jl_glass_cells(rows[i].columns, rows[i].rows, JL_GLASS_LCD_GREY);
        glass.halves = rows[i].halves;
        test_row("%d x %d", rows[i].columns, rows[i].rows);
        EXPECT_INT(jl_board_add_device(board, &jl_emulated_hd44780, "lcd", &glass) != NULL,
                   rows[i].fits);
        jl_board_destroy(board);
    }
    struct jl_board *board = jl_board_create(1);
    struct jl_glass glass = jl_glass_cells(16, 2, JL_GLASS_LCD_GREY);
    glass.width++;
    EXPECT(!jl_board_add_device(board, &jl_emulated_hd44780, "lcd", &glass));
    jl_board_destroy(board);
}

/* Random bytes as text, anywhere: a status each time, and never a write outside the row. */
static void random_text(void) {
    struct test_random random = {99};
    for (int i = 0; i < 3000; i++) {
        char text[300];
        int count = test_random_between(&random, 0, 298);
        for (int k = 0; k < count; k++) {
            text[k] = (char)test_random_between(&random, 1, 255);
        }
        text[count] = '\0';
        if (i % 100 == 0) {
            probe_open(&cells_sizes[i / 100 % CELLS_SIZES], i / 1000);
            EXPECT_INT(jl_char_wake(&panel), JL_OK);
        }
        forget();
        uint8_t column = (uint8_t)test_random_between(&random, 0, 50);
        uint8_t row = (uint8_t)test_random_between(&random, 0, 5);
        uint8_t width = (uint8_t)test_random_between(&random, 0, 90);
        bool inside = column < config.columns && row < config.rows;
        jl_status status = jl_char_field(&panel, column, row, width, JL_CHAR_CENTRE, text, ' ');
        EXPECT_INT(status, inside && column + width <= config.columns ? JL_OK : JL_OUT_OF_RANGE);
        forget();
        status = jl_char_marquee(&panel, column, row, width, text, (uint16_t)i);
        EXPECT_INT(status, inside && column + width <= config.columns ? JL_OK : JL_OUT_OF_RANGE);
        forget();
        status = jl_char_put(&panel, column, row, text);
        EXPECT(status == (inside ? count ? status : JL_OK : JL_OUT_OF_RANGE));
        EXPECT(status == JL_OK || status == JL_TOO_WIDE || !inside);
        EXPECT(status == JL_OUT_OF_RANGE || inside);
    }
}

const struct test_group test_groups[] = {
    {"wake_up_bytes", wake_up_bytes},
    {"row_addresses", row_addresses},
    {"instructions", instructions},
    {"changed_cells", changed_cells},
    {"cursor_after_a_present", cursor_after_a_present},
    {"expander_traffic", expander_traffic},
    {"bad_descriptions", bad_descriptions},
    {"nothing_before_the_wake_up", nothing_before_the_wake_up},
    {"wake_up_waits", wake_up_waits},
    {"first_status_is_kept", first_status_is_kept},
    {"stuck_busy_flag", stuck_busy_flag},
    {"expander_fails_at_every_byte", expander_fails_at_every_byte},
    {"expander_maps", expander_maps},
    {"fast_expander", fast_expander},
    {"careless_expander_firmware", careless_expander_firmware},
    {"expander_by_hand", expander_by_hand},
    {"wires_of_a_module", wires_of_a_module},
    {"glasses_that_fit", glasses_that_fit},
    {"random_text", random_text},
    {NULL, NULL},
};
