/*
 * The ST7920 beyond its picture, which test_mono.c covers: text and symbols from its character
 * memory, by their exact bytes and on the glass, and what mistakes look like.
 */
#include <stdio.h>
#include <string.h>

#include "harness.h"

#include "notebook.h"
#include "raw.h"
#include "stage.h"

static const struct make st7920_make = {
    .name = "st7920 128x64",
    .controller = &jl_st7920,
    .emulator = &jl_emulated_st7920,
    .width = 128,
    .height = 64,
    .clock_hz = 2500000,
    .cycle_ns = 1200,
    .formats = {&jl_mono_rows, NULL, NULL},
    .bus = &jl_bus_st7920_serial,
};

static const struct make st7565_make = {
    .name = "st7565 128x64",
    .controller = &jl_st7565,
    .emulator = &jl_emulated_st7565,
    .width = 128,
    .height = 64,
    .clock_hz = 20000000,
    .cycle_ns = 240,
    .formats = {&jl_mono_columns, NULL, NULL},
};

static struct notebook book;

static const uint16_t ring[16] = {0x07E0, 0x1818, 0x2004, 0x4002, 0x4002, 0x8001, 0x8001, 0x8001,
                                  0x8001, 0x8001, 0x8001, 0x4002, 0x4002, 0x2004, 0x1818, 0x07E0};

static void text_bytes(void) {
    struct jl_port port = {.ops = &note_ops, .context = &book};
    struct stage stage;
    stage_open(&stage, &st7920_make, &(struct wish){0});
    stage.config.bus = &jl_bus_6800_8;
    memset(&book, 0, sizeof book);
    EXPECT_INT(jl_panel_open(&stage.panel, &stage.config, &port), JL_OK);
    EXPECT_INT(jl_st7920_text(&stage.panel, 0, 0, "x"), JL_NOT_AWAKE);
    EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
    /* Rows begin at 80, 90, 88, 98; a column is half an address; 36 shows graphics again. */
    static const struct {
        uint8_t column, row;
        const char *text, *bytes;
    } rows[] = {
        {0, 0, "AB", "C3080 D4142 C36"},
        {2, 1, "A", "C3091 D4120 C36"},
        {14, 2, "~\t", "C308F D7E3F C36"},
        {4, 3, "", ""},
        {0, 3, "0123456789ABCDEF", "C3098 D30313233343536373839414243444546 C36"},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        memset(&book, 0, sizeof book);
        book.kept = 40;
        test_row("%s", rows[i].text);
        EXPECT_INT(jl_st7920_text(&stage.panel, rows[i].column, rows[i].row, rows[i].text), JL_OK);
        EXPECT_TEXT(book.text, rows[i].bytes);
    }
    memset(&book, 0, sizeof book);
    book.kept = 4;
    EXPECT_INT(jl_st7920_text(&stage.panel, 1, 0, "A"), JL_OUT_OF_RANGE);
    EXPECT_INT(jl_st7920_text(&stage.panel, 16, 0, ""), JL_OUT_OF_RANGE);
    EXPECT_INT(jl_st7920_text(&stage.panel, 0, 4, "A"), JL_OUT_OF_RANGE);
    EXPECT_INT(jl_st7920_text(&stage.panel, 12, 0, "ABCDE"), JL_OUT_OF_RANGE);
    EXPECT_INT(jl_st7920_text(&stage.panel, 0, 0, "0123456789ABCDEFG"), JL_OUT_OF_RANGE);
    EXPECT_INT(jl_st7920_define(&stage.panel, 4, ring), JL_OUT_OF_RANGE);
    EXPECT_INT(jl_st7920_symbol(&stage.panel, 0, 0, 4), JL_OUT_OF_RANGE);
    EXPECT_INT(jl_st7920_symbol(&stage.panel, 3, 0, 0), JL_OUT_OF_RANGE);
    EXPECT_TEXT(book.text, "");
    EXPECT_INT(jl_st7920_define(&stage.panel, 2, ring), JL_OK);
    EXPECT_INT(jl_st7920_symbol(&stage.panel, 6, 2, 2), JL_OK);
    EXPECT_INT(jl_st7920_text_clear(&stage.panel), JL_OK);
    EXPECT_TEXT(book.text, "C3060 D07E01818.. C36 C308B D0004 C36 C3001 C36");
    stage_close(&stage);

    stage_open(&stage, &st7565_make, &(struct wish){0});
    EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
    EXPECT_INT(jl_st7920_text(&stage.panel, 0, 0, "A"), JL_UNSUPPORTED);
    stage_close(&stage);
}

/* Text over graphics, by both buses: the ink of each, and neither where both are lit. */
static void text_on_the_glass(void) {
    struct stage stage;
    stage_open(&stage, &st7920_make, &(struct wish){0});
    struct jl_frame frame = stage_frame(&stage, 0);
    EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
    EXPECT_INT(jl_panel_present(&stage.panel, &frame), JL_OK);
    EXPECT_INT(jl_st7920_text(&stage.panel, 0, 0, "H"), JL_OK);
    EXPECT_INT(jl_st7920_text(&stage.panel, 14, 3, "HH"), JL_OK);
    EXPECT_INT(jl_st7920_define(&stage.panel, 1, ring), JL_OK);
    EXPECT_INT(jl_st7920_symbol(&stage.panel, 4, 2, 1), JL_OK);
    struct jl_picture seen;
    EXPECT(jl_device_picture(stage.device, &seen));
    for (int i = 0; i < 16 * 16; i++) {
        EXPECT_INT(stage_lit(&seen, 32 + i % 16, 32 + i / 16), ring[i / 16] >> (15 - i % 16) & 1);
    }
    /* An H of 7x9 stands on row 11: two stems and a bar. */
    static const int places[][2] = {{0, 0}, {112, 48}, {120, 48}};
    for (int k = 0; k < 3; k++) {
        int stems = 0, all = 0;
        for (int y = 0; y < 16; y++) {
            stems += stage_lit(&seen, places[k][0], places[k][1] + y) &&
                     stage_lit(&seen, places[k][0] + 6, places[k][1] + y);
            for (int x = 0; x < 8; x++) {
                all += stage_lit(&seen, places[k][0] + x, places[k][1] + y);
            }
        }
        EXPECT_INT(stems, 9);
        EXPECT_INT(all, 9 * 2 + 5);
    }
    jl_picture_free(&seen);
    jl_fill_rect(&frame.target, (struct jl_rect){0, 0, 128, 32}, JL_WHITE);
    EXPECT_INT(jl_panel_present(&stage.panel, &frame), JL_OK);
    EXPECT(jl_device_picture(stage.device, &seen));
    int dark = 0;
    for (int i = 0; i < 128 * 32; i++) {
        dark += !stage_lit(&seen, i % 128, i / 128);
    }
    EXPECT_INT(dark, 9 * 2 + 5);
    jl_picture_free(&seen);
    EXPECT_INT(jl_st7920_text_clear(&stage.panel), JL_OK);
    EXPECT(jl_device_picture(stage.device, &seen));
    EXPECT(stage_lit(&seen, 0, 5) && !stage_lit(&seen, 32, 40));
    jl_picture_free(&seen);
    EXPECT_INT((long long)jl_board_diagnostic_total(stage.board), 0);
    stage_close(&stage);
}

static struct raw st7920_open(void) {
    struct jl_glass glass = {.width = 128, .height = 64};
    struct raw raw = raw_open(&jl_emulated_st7920, glass, 2500000);
    raw.select_high = true;
    jl_device_set_pin(raw.device, JL_DEVICE_CS, false);
    return raw;
}

static void mistakes(void) {
    static const struct {
        const char *name, *script, *complaint, *dark;
    } rows[] = {
        /* CF8n0m0: an instruction nm */
        {"right", "~41 CF83000 ~1 CF800C0 ~1 CF83040 ~1 CF83060", NULL, NULL},
        {"too early after power-on", "CF83000 ~41", "too early", "never switched on"},
        {"two in one go", "~41 CF8300000C0 ~1", "too early", "never switched on"},
        {"graphics left off", "~41 CF83000 ~1 CF800C0 ~1 CF83040", NULL, "graphics are not shown"},
        {"RE and G at once", "~41 CF83000 ~1 CF800C0 ~1 CF83060", "changes RE and G at once",
         "graphics are not shown"},
        {"no sync byte", "~41 C3000", "sync byte belongs", "never switched on"},
        {"rows 32 and on", "~41 CF83000 ~1 CF800C0 ~1 CF83040 ~1 CF83060 ~1 CF8A000",
         "beyond the 32 that show", NULL},
        {"standby", "~41 CF83000 ~1 CF800C0 ~1 CF83040 ~1 CF83060 ~1 CF80010", NULL, "standby"},
        {"asleep", "~41 CF83000 ~1 CF800C0 ~1 CF83040 ~1 CF83060 ~1 CF80080", NULL, "0C of that"},
        {"4 lines on a serial bus", "~41 CF82000 ~1 CF800C0 ~1 CF82040 ~1 CF82060", NULL, NULL},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct raw raw = st7920_open();
        test_row("%s", rows[i].name);
        raw_play(&raw, rows[i].script);
        const char *complaint = rows[i].complaint;
        /* after a missing sync byte each byte is reported */
        if (i == 5) {
            EXPECT_INT((long long)jl_board_diagnostic_total(raw.board), 2);
            const struct jl_diagnostic *list;
            jl_board_diagnostics(raw.board, &list);
            EXPECT_CONTAINS(list[0].text, complaint);
        } else {
            raw_expect_complaint(&raw, complaint);
        }
        const char *dark = jl_device_why_dark(raw.device);
        EXPECT_CONTAINS(dark ? dark : "lit", rows[i].dark ? rows[i].dark : "lit");
        jl_board_destroy(raw.board);
    }
    /* Its CS is active high, and it has no 8080 bus. */
    struct jl_board *board = jl_board_create(1);
    struct jl_glass glass = {.width = 128, .height = 64};
    struct jl_device *device = jl_board_add_device(board, &jl_emulated_st7920, "p", &glass);
    EXPECT(!jl_stream_attach(jl_board_add_8080(board, 1200, 0, 8), device));
    EXPECT(jl_stream_attach(jl_board_add_6800(board, 1200, 0), device));
    jl_board_destroy(board);
}

/* On a parallel bus at 0.1 ms a byte, out of its start-up. */
static struct raw parallel_open(void) {
    struct jl_glass glass = {.width = 128, .height = 64};
    struct raw raw = {.board = jl_board_create(1)};
    raw.bus = jl_board_add_6800(raw.board, 100000, 0);
    raw.device = jl_board_add_device(raw.board, &jl_emulated_st7920, "panel", &glass);
    EXPECT(jl_stream_attach(raw.bus, raw.device));
    raw_play(&raw, "~41");
    return raw;
}

/* Extended instructions 03 and 40 to 7F: row N of the memory stands at the top of each half. */
static void graphics_that_move(void) {
    static const struct {
        const char *scroll;
        int y; /* where row 5 is seen; -1: nowhere */
    } rows[] = {{"", 5},         {"C43", 5},      {"C03 C43", 2},        {"C03 C45", 0},
                {"C03 C46", -1}, {"C03 C7B", 10}, {"C03 C43 C02 C44", 2}};
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct raw raw = parallel_open();
        struct jl_picture glass;
        test_row("%s", rows[i].scroll);
        raw_play(&raw, "C30 C0C C34 C36");
        for (int row = 0; row < 64; row++) { /* all dark, but for the first dot of row 5 */
            char script[40];
            snprintf(script, sizeof script, "C%02X C80", 0x80 | row);
            raw_play(&raw, script);
            for (int k = 0; k < 32; k++) {
                raw_play(&raw, row == 5 && k == 0 ? "D80" : "D00");
            }
        }
        raw_play(&raw, rows[i].scroll);
        EXPECT(jl_device_picture(raw.device, &glass));
        for (int y = 0; y < 64; y++) {
            EXPECT_INT(*jl_picture_at(&glass, 0, y) > 0, y == rows[i].y);
        }
        jl_picture_free(&glass);
        jl_board_destroy(raw.board);
    }
}

/* Rows of text begin at words 00, 10, 08, 18; a word is 16 dots wide. */
static void cursor(void) {
    static const struct {
        const char *script; /* on 8 lines, 0.1 ms a byte */
        int lit, x, y;
    } rows[] = {
        {"C0C", 0, -1, -1},
        {"C0E", 16, 0, 15},
        {"C0E C90", 16, 0, 31},
        {"C0E C88", 16, 0, 47},
        {"C0E C9F", 16, 112, 63},
        {"C0E C14", 16, 16, 15},
        {"C0E C8314", 16, 64, 15},
        {"C0E C8310", 16, 32, 15},
        {"C0E C8010", 16, 112, 63},
        {"C0E D20", 16, 0, 15}, /* half a word */
        {"C0E D2020", 16, 16, 15},
        {"C04 C0E C82 D2020", 16, 16, 15},
        {"C04 C0E C01 ~2 D2020", 16, 16, 15}, /* 01 writes forward again */
        {"C0E C9F D2020", 16, 0, 15},
        {"C0E C82 C02", 16, 0, 15},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct raw raw = parallel_open();
        int x = -1, y = -1;
        test_row("%s", rows[i].script);
        raw_play(&raw, "C30");
        raw_play(&raw, rows[i].script);
        EXPECT_INT(raw_count_color(raw.device, 0xFFFFFF, &x, &y), rows[i].lit);
        EXPECT_INT(x, rows[i].x);
        EXPECT_INT(y, rows[i].y);
        raw_expect_complaint(&raw, NULL);
        /* A blink inverts the whole word, half of the time. */
        raw_play(&raw, "C0D");
        int inverted = 0;
        for (int k = 0; k < 8; k++) {
            int lit = raw_count_color(raw.device, 0xFFFFFF, &x, &y);
            EXPECT(lit == 0 || lit == 256);
            inverted += lit == 256;
            raw_play(&raw, "~100");
        }
        EXPECT_INT(inverted, 4);
        jl_board_destroy(raw.board);
    }
}

/* A box of 60 dots, the first at 1,0 of a word, moved and turned around; and 4 data lines. */
static void text_that_moves(void) {
    static const struct {
        const char *script;
        int lit, x, y;
        const char *says;
    } rows[] = {
        {"C30 C0C C80 DA1A1", 60, 1, 0, NULL},
        {"C30 C0C C82 DA1A1", 60, 33, 0, NULL},
        {"C30 C0C C82 DA1A1 C18", 60, 17, 0, NULL},
        {"C30 C0C C82 DA1A1 C1C", 60, 49, 0, NULL},
        {"C30 C0C C80 DA1A1 C18", 60, 113, 32, NULL}, /* 16 words go around, in two rows */
        {"C30 C0C C9F DA1A1 C1C", 60, 1, 16, NULL},
        {"C30 C0C C82 DA1A1 C18 C02", 60, 33, 0, NULL},
        {"C30 C0C C07 C82 DA1A1", 60, 17, 0, NULL}, /* with each character */
        {"C30 C0C C05 C82 DA1A1", 60, 49, 0, NULL},
        {"C30 C0C C06 C82 DA1A1", 60, 33, 0, NULL},
        {"C30 C0C C82 DA1A1 C34 C04", 2 * 2048 - 60, 0, 0, NULL}, /* rows 0 and 2 */
        {"C30 C0C C82 DA1A1 C34 C05", 2 * 2048 + 60, 33, 0, NULL},
        {"C30 C0C C82 DA1A1 C34 C06", 60, 33, 0, NULL}, /* lines that no glass shows */
        {"C30 C0C C82 DA1A1 C34 C04 C04", 60, 33, 0, NULL},
        {"C30 C0C C82 DA1A1 C34 C03 C02", 60, 33, 0, NULL}, /* what 40 and more set is chosen */
        {"C30 C0C C82 DA1A1 C34 C08", 0, -1, -1, NULL},
        {"C30 C0C C82 DA1A1 C34 C08 C0C", 60, 33, 0, NULL},
        {"C20 C00C0 C8020 DA010A010", 60, 33, 0, NULL},
        {"C30 C20 C2000 C00C0 C8020 DA010A010", 60, 33, 0, NULL},
        {"C20 C00C0 C8020 C3000 C84 DA1A1", 60, 65, 0, NULL}, /* back to 8 lines */
        {"C20 C0C C80", 0, -1, -1, "0x0C has bits on D3..D0"},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct raw raw = parallel_open();
        int x = -1, y = -1;
        test_row("%s", rows[i].script);
        raw_play(&raw, rows[i].script);
        EXPECT_INT(raw_count_color(raw.device, 0xFFFFFF, &x, &y), rows[i].lit);
        EXPECT_INT(x, rows[i].x);
        EXPECT_INT(y, rows[i].y);
        raw_expect_complaint(&raw, rows[i].says);
        jl_board_destroy(raw.board);
    }
}

/* Busy and address with RS low; the memory with RS high, behind a dummy byte. */
static void reads_on_parallel_buses(void) {
    static const struct {
        const char *script;
        bool data;
        int count;
        uint8_t bytes[5];
    } rows[] = {
        {"C30 C85", false, 1, {0x05}},
        {"C30 C48", false, 1, {0x08}},
        {"C30 C82 D4142 C82", true, 4, {0xFF, 0x41, 0x42, ' '}},
        {"C30 C40 D1122 C40", true, 3, {0xFF, 0x11, 0x22}},
        {"C34 C85 C83 D12345678 C85 C83", true, 5, {0xFF, 0x12, 0x34, 0x56, 0x78}},
        {"C20 C8050", false, 2, {0x0F, 0x5F}}, /* nobody drives D3..D0 */
        {"C20 C8020 D40104020 C8020", true, 4, {0xFF, 0xFF, 0x4F, 0x1F}},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct raw raw = parallel_open();
        uint8_t bytes[5];
        test_row("%s", rows[i].script);
        raw_play(&raw, rows[i].script);
        jl_board_wait_ps(raw.board, 100000000u);
        jl_device_set_pin(raw.device, JL_DEVICE_CS, false);
        jl_device_set_pin(raw.device, JL_DEVICE_DC, rows[i].data);
        jl_stream_read(raw.bus, bytes, (size_t)rows[i].count);
        EXPECT_BYTES(bytes, rows[i].bytes, (size_t)rows[i].count);
        jl_device_set_pin(raw.device, JL_DEVICE_CS, true);
        raw_expect_complaint(&raw, NULL);
        if (i == 0) { /* for 1.6 ms */
            raw_play(&raw, "C01");
            jl_device_set_pin(raw.device, JL_DEVICE_CS, false);
            jl_stream_read(raw.bus, bytes, 1);
            EXPECT_INT(bytes[0], 0x80);
            jl_board_wait_ps(raw.board, 1600000000u);
            jl_stream_read(raw.bus, bytes, 1);
            EXPECT_INT(bytes[0], 0x00);
        }
        jl_board_destroy(raw.board);
    }
}

const struct test_group test_groups[] = {
    {"text_bytes", text_bytes},
    {"text_on_the_glass", text_on_the_glass},
    {"mistakes", mistakes},
    {"cursor", cursor},
    {"text_that_moves", text_that_moves},
    {"graphics_that_move", graphics_that_move},
    {"reads_on_parallel_buses", reads_on_parallel_buses},
    {NULL, NULL},
};
