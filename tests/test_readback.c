/*
 * What controllers answer: their identity, their state, and patterns through their memory, on the
 * buses that can be read. The parts are emulated, and written without the library's tables.
 */
#include "harness.h"

#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "jadelamp/controllers/readings.h"
#include "jadelamp/host/catalog.h"
#include "jadelamp/host/reading.h"
#include "jadelamp/host/rig.h"
#include "jadelamp/host/traffic.h"
#include "jadelamp/jadelamp.h"
#include "jadelamp/sim/emulators.h"
#include "jadelamp/sim/faults.h"
#include "vcd.h"

static struct jl_complaint complaint;

/* A card of a size, a bus and no more. */
static struct jl_card card_of(const char *controller, const char *size, const char *bus) {
    char text[300];
    struct jl_card card;
    snprintf(text, sizeof text,
             "[panel]\ncontroller = %s\n[glass]\nsize = %s pixels\n[bus]\nkind = %s\n%s",
             controller, size, bus,
             strcmp(bus, "i2c") ? "[pins]\nreset = wired\n" : "address = 0x3C\n");
    EXPECT(jl_card_read_text("test", text, strlen(text), &card, &complaint));
    return card;
}

/* The description of one part, and the glass and the part of another. */
static bool open_on(struct jl_rig *rig, const char *described, const char *there, const char *size,
                    const char *bus) {
    struct jl_card card = card_of(described, size, bus);
    struct jl_card glass = card_of(there, size, bus);
    return test_check(jl_rig_open_on(rig, &card, &glass, &complaint), __FILE__, __LINE__,
                      "%s on %s", described, there);
}

static void expect_content(struct jl_rig *rig) {
    const struct jl_diagnostic *list;
    for (size_t i = jl_board_diagnostics(rig->board, &list); i > 0; i--) {
        test_check(list[i - 1].severity == JL_SEVERITY_NOTE, __FILE__, __LINE__, "%s",
                   list[i - 1].text);
    }
}

static const struct {
    const char *name;
    const struct jl_reading *reading;
    uint32_t id; /* as the datasheets print it */
} tfts[] = {
    {"st7735", &jl_st7735_reading, 0x7C89F0},   {"st7789", &jl_st7789_reading, 0x858552},
    {"ili9341", &jl_ili9341_reading, 0x009341}, {"ili9488", &jl_ili9488_reading, 0x009488},
    {"gc9a01", &jl_gc9a01_reading, 0x009A01},   {"st7796", &jl_st7796_reading, 0x007796},
    {"ili9163", &jl_ili9163_reading, 0x548066},
};
enum { TFTS = sizeof tfts / sizeof tfts[0] };

static const char *const tft_buses[] = {"spi", "spi-3wire", "8080-8", "8080-16"};

/* Every TFT part asked as every other one, asleep and awake, on every bus. */
static void identities(void) {
    for (size_t b = 0; b < sizeof tft_buses / sizeof tft_buses[0]; b++) {
        for (int there = 0; there < TFTS; there++) {
            for (int said = 0; said < TFTS; said++) {
                struct jl_rig rig;
                uint32_t id = 1;
                test_row("%s: %s asked as %s", tft_buses[b], tfts[there].name, tfts[said].name);
                if (!open_on(&rig, tfts[said].name, tfts[there].name, "80 x 160", tft_buses[b])) {
                    continue;
                }
                jl_status right = said == there ? JL_OK : JL_WRONG_PART;
                EXPECT_INT(jl_panel_identify(&rig.panel, tfts[said].reading, &id), right);
                EXPECT_INT(id, tfts[there].id);
                EXPECT_TEXT(jl_part_of_id(id), tfts[there].name);
                EXPECT_INT(jl_panel_status(&rig.panel), right);
                if (said == there) {
                    EXPECT_INT(jl_panel_wake(&rig.panel), JL_OK);
                    EXPECT_INT(jl_panel_identify(&rig.panel, tfts[said].reading, NULL), JL_OK);
                    expect_content(&rig);
                }
                jl_rig_close(&rig);
            }
        }
    }
    EXPECT(jl_part_of_id(0x123456) == NULL);
    EXPECT(jl_part_of_id(0) == NULL);
}

/* Nobody there, a line that is stuck, a bus that only takes, a part without an identity. */
static void nobody_to_ask(void) {
    static const struct {
        const char *name, *controller, *bus;
        const struct jl_reading *reading;
        int stuck; /* 1 reset, 2 the plug */
        jl_status right;
    } rows[] = {
        {"unplugged", "st7789", "spi", &jl_st7789_reading, 2, JL_NO_ANSWER},
        {"unplugged", "st7789", "8080-8", &jl_st7789_reading, 2, JL_NO_ANSWER},
        {"reset held low", "ili9341", "spi", &jl_ili9341_reading, 1, JL_NO_ANSWER},
        {"no identity", "ssd1306", "8080-8", &jl_mono_oled_reading, 0, JL_UNSUPPORTED},
        {"takes only", "ssd1306", "spi", &jl_mono_oled_reading, 0, JL_UNSUPPORTED},
        {"takes only", "st7565", "spi", &jl_lcd_pages_reading, 0, JL_UNSUPPORTED},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct jl_rig rig;
        uint32_t id = 1;
        test_row("%s: %s on %s", rows[i].name, rows[i].controller, rows[i].bus);
        if (!open_on(&rig, rows[i].controller, rows[i].controller, "128 x 64", rows[i].bus)) {
            continue;
        }
        if (rows[i].stuck == 1) {
            EXPECT(jl_device_hold_pin(rig.device, JL_DEVICE_RESET, false));
        } else if (rows[i].stuck == 2) {
            jl_device_set_plugged(rig.device, false);
        }
        EXPECT_INT(jl_panel_identify(&rig.panel, rows[i].reading, &id), rows[i].right);
        EXPECT_INT(id, 0);
        jl_rig_close(&rig);
    }
}

/* The ports that cannot, and calls that are wrong. */
static void refused(void) {
    struct jl_rig rig;
    uint8_t said = 1;
    test_row("refused");
    EXPECT_INT(jl_panel_identify(NULL, &jl_st7789_reading, NULL), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_panel_ask(NULL, &jl_st7789_reading, &said), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_panel_test_wires(NULL, &jl_st7789_reading, NULL), JL_BAD_ARGUMENT);
    if (!open_on(&rig, "st7789", "st7789", "240 x 240", "spi-3wire")) {
        return;
    }
    EXPECT_INT(jl_panel_identify(&rig.panel, NULL, NULL), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_panel_ask(&rig.panel, &jl_st7789_reading, NULL), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_panel_test_wires(&rig.panel, &jl_st7789_reading, NULL), JL_NOT_AWAKE);
    struct jl_port_ops poor = *rig.port.ops;
    poor.send_nine = NULL;
    rig.port.ops = &poor;
    EXPECT_INT(jl_panel_identify(&rig.panel, &jl_st7789_reading, NULL), JL_BAD_PORT);
    jl_rig_close(&rig);

    if (!open_on(&rig, "st7789", "st7789", "240 x 240", "spi")) {
        return;
    }
    poor = *rig.port.ops;
    poor.receive = NULL;
    rig.port.ops = &poor;
    EXPECT_INT(jl_panel_identify(&rig.panel, &jl_st7789_reading, NULL), JL_BAD_PORT);
    EXPECT_INT(jl_panel_ask(&rig.panel, &jl_st7789_reading, &said), JL_BAD_PORT);
    struct jl_panel closed;
    EXPECT_INT(jl_panel_open(&closed, &rig.config, NULL), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_panel_identify(&closed, &jl_st7789_reading, NULL), JL_NOT_AWAKE);
    jl_rig_close(&rig);
}

/* A part asleep, awake, in idle mode, off again; what MIPI DCS parts say of all, and others of one.
 */
static void states(void) {
    static const struct {
        const char *controller, *bus, *size;
        const struct jl_reading *reading;
        bool dcs;
    } rows[] = {
        {"ili9341", "spi", "240 x 320", &jl_ili9341_reading, true},
        {"st7789", "spi-3wire", "240 x 240", &jl_st7789_reading, true},
        {"gc9a01", "8080-8", "240 x 240", &jl_gc9a01_reading, true},
        {"ili9488", "8080-16", "320 x 480", &jl_ili9488_reading, true},
        {"ssd1306", "i2c", "128 x 64", &jl_mono_oled_reading, false},
        {"sh1106", "i2c", "128 x 64", &jl_mono_oled_reading, false},
        {"sh1107", "i2c", "128 x 128", &jl_mono_oled_reading, false},
        {"ssd1309", "8080-8", "128 x 64", &jl_mono_oled_reading, false},
        {"ssd1315", "8080-8", "128 x 64", &jl_mono_oled_reading, false},
        {"ssd1305", "6800-8", "128 x 64", &jl_mono_oled_reading, false},
        {"ssd1327", "i2c", "128 x 128", &jl_ssd1327_reading, false},
        {"ssd1325", "i2c", "128 x 64", &jl_ssd1327_reading, false},
        {"ssd1322", "8080-8", "256 x 64", &jl_ssd1322_reading, false},
        {"st7565", "6800-8", "128 x 64", &jl_lcd_pages_reading, false},
        {"uc1701", "8080-8", "128 x 64", &jl_lcd_pages_reading, false},
        {"ks0108", "6800-8", "128 x 64", &jl_lcd_pages_reading, false},
        {"ks0108", "6800-8", "192 x 64", &jl_lcd_pages_reading, false},
        {"sed1520", "6800-8", "122 x 32", &jl_lcd_pages_reading, false},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct jl_rig rig;
        uint8_t said = 0xEE;
        const uint8_t awake =
            rows[i].dcs ? JL_SAID_ON | JL_SAID_AWAKE | JL_SAID_BOOSTED : JL_SAID_ON;
        test_row("%s on %s", rows[i].controller, rows[i].bus);
        if (!open_on(&rig, rows[i].controller, rows[i].controller, rows[i].size, rows[i].bus)) {
            continue;
        }
        EXPECT_INT(jl_panel_ask(&rig.panel, rows[i].reading, &said), JL_OK);
        EXPECT_INT(said, 0);
        EXPECT_INT(jl_panel_wake(&rig.panel), JL_OK);
        EXPECT_INT(jl_panel_ask(&rig.panel, rows[i].reading, &said), JL_OK);
        EXPECT_INT(said, awake);
        if (rows[i].dcs) {
            EXPECT_INT(jl_panel_idle(&rig.panel, true), JL_OK);
            EXPECT_INT(jl_panel_ask(&rig.panel, rows[i].reading, &said), JL_OK);
            EXPECT_INT(said, awake | JL_SAID_IDLE);
            EXPECT_INT(jl_panel_idle(&rig.panel, false), JL_OK);
        }
        EXPECT_INT(jl_panel_sleep(&rig.panel), JL_OK);
        EXPECT_INT(jl_panel_ask(&rig.panel, rows[i].reading, &said), JL_OK);
        EXPECT_INT(said, 0);
        expect_content(&rig);
        jl_device_set_plugged(rig.device, false);
        EXPECT_INT(jl_panel_ask(&rig.panel, rows[i].reading, &said), JL_NO_ANSWER);
        EXPECT_INT(said, 0);
        jl_rig_close(&rig);
    }
}

/* D3h and what came: behind a byte that says nothing, 00 93 41. */
static void see_identity(void *context, const struct jl_reading_line *line) {
    static const uint8_t answer[] = {0x00, 0x00, 0x93, 0x41};
    const char *wrong = line->kind == JL_LINE_DOUBT        ? line->text
                        : line->kind == JL_LINE_DIAGNOSTIC ? line->diagnostic->text
                                                           : NULL;
    test_check(!wrong, __FILE__, __LINE__, "%s", wrong ? wrong : "");
    if (line->kind == JL_LINE_COMMAND && line->explained->opcode == 0xD3) {
        EXPECT_INT((int)line->explained->count, (int)sizeof answer);
        EXPECT_BYTES(line->explained->arguments, answer, sizeof answer);
        EXPECT(!line->unseen);
        *(int *)context += 1;
    }
}

/* A board's own recording says what was answered, on the wires where it was. */
static void recordings_of_answers(void) {
    for (size_t i = 0; i < sizeof tft_buses / sizeof tft_buses[0]; i++) {
        struct vcd_text text = {0};
        struct jl_rig rig;
        int seen = 0;
        test_row("%s", tft_buses[i]);
        if (!open_on(&rig, "ili9341", "ili9341", "240 x 320", tft_buses[i])) {
            continue;
        }
        EXPECT(jl_board_record(rig.board, vcd_take, &text));
        EXPECT_INT(jl_panel_wake(&rig.panel), JL_OK);
        EXPECT_INT(jl_panel_identify(&rig.panel, &jl_ili9341_reading, NULL), JL_OK);
        EXPECT(jl_board_record_end(rig.board));
        char name[30];
        snprintf(name, sizeof name, "answers-%s.vcd", tft_buses[i]);
        FILE *file = fopen(name, "w");
        EXPECT(file && fwrite(text.text, 1, text.length, file) == text.length && !fclose(file));
        free(text.text);
        jl_rig_close(&rig);
        struct jl_card card = card_of("ili9341", "240 x 320", tft_buses[i]);
        struct jl_traffic *traffic = jl_traffic_open(name, &card, NULL, &complaint);
        EXPECT(traffic && jl_reading_run(traffic, see_identity, &seen, &complaint));
        EXPECT_INT(seen, 1);
        jl_traffic_close(traffic);
        remove(name);
    }
}

/* ---- patterns through the memory ---- */

static const struct wires_row {
    const char *controller, *bus, *size, *format;
    const struct jl_reading *reading;
    int bytes; /* 16 pixels on up to four lines */
} wires_rows[] = {
    {"ili9341", "spi", "240 x 320", "5-6-5", &jl_ili9341_reading, 128},
    {"ili9341", "spi", "240 x 320", "6-6-6", &jl_ili9341_reading, 192},
    {"st7789", "spi-3wire", "135 x 240", "5-6-5", &jl_st7789_reading, 128},
    {"gc9a01", "8080-8", "240 x 240", "5-6-5", &jl_gc9a01_reading, 128},
    {"ili9488", "spi", "320 x 480", "usual", &jl_ili9488_reading, 192},
    {"st7735", "8080-8", "128 x 160", "6-6-6", &jl_st7735_reading, 192},
    {"st7796", "spi", "320 x 480", "5-6-5", &jl_st7796_reading, 128},
    {"ili9163", "spi", "128 x 160", "5-6-5", &jl_ili9163_reading, 128},
    {"ssd1306", "8080-8", "128 x 64", "usual", &jl_mono_oled_reading, 64},
    {"ssd1306", "6800-8", "96 x 16", "usual", &jl_mono_oled_reading, 32},
    {"sh1106", "8080-8", "128 x 64", "usual", &jl_mono_oled_reading, 64},
    {"sh1107", "8080-8", "128 x 128", "usual", &jl_mono_oled_reading, 64},
    {"ssd1327", "8080-8", "128 x 128", "usual", &jl_ssd1327_reading, 32},
    {"ssd1325", "8080-8", "128 x 64", "usual", &jl_ssd1327_reading, 32},
    {"ssd1331", "8080-8", "96 x 64", "usual", &jl_ssd1331_reading, 128},
    {"ssd1322", "8080-8", "256 x 64", "usual", &jl_ssd1322_reading, 32},
    {"ssd1351", "8080-8", "128 x 128", "usual", &jl_ssd1351_reading, 128},
    {"st7565", "6800-8", "128 x 64", "usual", &jl_lcd_pages_reading, 64},
    {"st7567", "8080-8", "128 x 64", "usual", &jl_lcd_pages_reading, 64},
    {"ks0108", "6800-8", "128 x 64", "usual", &jl_lcd_pages_reading, 64},
    {"sed1520", "6800-8", "122 x 32", "usual", &jl_lcd_pages_reading, 64},
};
enum { WIRES_ROWS = sizeof wires_rows / sizeof wires_rows[0] };

static bool open_wires(struct jl_rig *rig, const struct wires_row *row, const char *turn) {
    char text[300];
    struct jl_card card;
    snprintf(text, sizeof text,
             "[panel]\ncontroller = %s\nformat = %s\norientation = %s\n[glass]\nsize = %s pixels\n"
             "[bus]\nkind = %s\n[pins]\nreset = wired\n",
             row->controller, row->format, turn, row->size, row->bus);
    return test_check(jl_card_read_text("test", text, strlen(text), &card, &complaint) &&
                          jl_rig_open(rig, &card, &complaint) &&
                          jl_panel_wake(&rig->panel) == JL_OK,
                      __FILE__, __LINE__, "%s", complaint.text);
}

static void memories(void) {
    static const char *const turns[] = {"upright", "half-turn", "quarter-turn",
                                        "mirrored-three-quarter-turn"};
    for (int i = 0; i < WIRES_ROWS * 4; i++) {
        const struct wires_row *row = &wires_rows[i / 4];
        bool tft = row->reading->id_command != 0;
        struct jl_rig rig;
        struct jl_wire_test test;
        test_row("%s on %s, %s, %s", row->controller, row->bus, row->format, turns[i % 4]);
        const struct jl_catalog_entry *part = jl_catalog_find(row->controller);
        bool turns_so = tft || i % 4 == 0 || (i % 4 == 1 && part->driver->turns != JL_TURNS_NONE);
        if (!turns_so || !open_wires(&rig, row, turns[i % 4])) {
            continue;
        }
        EXPECT_INT(jl_panel_test_wires(&rig.panel, row->reading, &test), JL_OK);
        EXPECT_INT(test.bytes, row->bytes);
        EXPECT_INT(test.wrong + test.wrong_bits + test.always_low + test.always_high, 0);
        expect_content(&rig);
        /* The next present sends the whole picture, and nothing of the patterns stays. */
        struct jl_picture seen, right;
        struct jl_frame *frame = jl_rig_frame(&rig);
        jl_fill_rect(&frame->target, frame->target.bounds, JL_WHITE);
        EXPECT_INT(jl_panel_present(&rig.panel, frame), JL_OK);
        EXPECT(jl_device_picture(rig.device, &seen));
        EXPECT_INT(jl_panel_wake(&rig.panel), JL_OK);
        EXPECT_INT(jl_panel_present(&rig.panel, frame), JL_OK);
        EXPECT(jl_device_picture(rig.device, &right));
        EXPECT_PICTURE(&seen, &right, "after_a_test_of_wires");
        jl_picture_free(&seen);
        jl_picture_free(&right);
        jl_rig_close(&rig);
    }
}

/* A data wire that breaks behind the wake-up is named; so is one that flips now and then. */
static void wires_that_break_behind_the_wake_up(void) {
    for (int i = 0; i < WIRES_ROWS * 16; i++) {
        const struct wires_row *row = &wires_rows[i / 16];
        int wire = i % 8;
        bool high = i % 16 >= 8;
        struct jl_rig rig;
        struct jl_wire_test test;
        if (!strncmp(row->bus, "spi", 3)) {
            continue;
        }
        test_row("%s on %s, D%d at %d", row->controller, row->bus, wire, high);
        if (!open_wires(&rig, row, "upright")) {
            continue;
        }
        EXPECT(jl_device_hold_pin(rig.device, (enum jl_device_pin)(JL_DEVICE_D0 + wire), high));
        jl_status status = jl_panel_test_wires(&rig.panel, row->reading, &test);
        EXPECT(status == JL_MISREAD || status == JL_NO_ANSWER);
        /* TFT parts are read in six bits, D7 to D2. */
        if (wire > 1 || !row->reading->id_command) {
            EXPECT((high ? test.always_high : test.always_low) >> wire & 1);
        }
        jl_rig_close(&rig);
    }
}

/* Bits that flip by chance; and a clock at which the part takes some of them wrong. */
static void spoiled_bits(void) {
    static const struct {
        const char *name;
        uint32_t clock_hz, one_in;
    } rows[] = {{"one bit in 60", 10000000, 60}, {"80 MHz", 80000000, 0}};
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct jl_rig rig;
        struct jl_wire_test test;
        struct jl_card card = card_of("ili9341", "240 x 320", "spi");
        test_row("%s", rows[i].name);
        card.clock_hz = rows[i].clock_hz;
        if (!EXPECT(jl_rig_open(&rig, &card, &complaint))) {
            continue;
        }
        EXPECT_INT(jl_panel_wake(&rig.panel), JL_OK);
        EXPECT(jl_device_flip_bits(rig.device, rows[i].one_in, 7));
        EXPECT_INT(jl_panel_test_wires(&rig.panel, &jl_ili9341_reading, &test), JL_MISREAD);
        EXPECT(test.wrong > 0 && test.wrong < test.bytes);
        EXPECT_INT(jl_panel_status(&rig.panel), JL_MISREAD);
        jl_rig_close(&rig);
    }
}

/* What goes out on MISO while somebody else moves the clock: D3h, behind a byte that says nothing.
 */
static void bits_for_a_clock_of_others(void) {
    static const uint8_t answer[] = {0x00, 0x00, 0x93, 0x41};
    const uint8_t ask = 0xD3, nothing = 0x00;
    const struct jl_diagnostic *list;
    struct jl_rig rig;
    uint16_t byte = 0x5A;
    EXPECT(jl_part_gives_on_spi(&jl_emulated_ili9341));
    EXPECT(!jl_part_gives_on_spi(&jl_emulated_ssd1306) &&
           !jl_part_gives_on_spi(&jl_emulated_pcd8544));
    if (!open_on(&rig, "ili9341", "ili9341", "240 x 320", "spi")) {
        return;
    }
    jl_device_set_pin(rig.device, JL_DEVICE_RESET, false);
    jl_board_wait_ps(rig.board, 1000000000u);
    jl_device_set_pin(rig.device, JL_DEVICE_RESET, true);
    jl_board_wait_ps(rig.board, 130000000000u);
    jl_device_set_pin(rig.device, JL_DEVICE_DC, false);
    jl_device_set_pin(rig.device, JL_DEVICE_CS, false);
    EXPECT(!jl_stream_gives(rig.sim.stream, 8000000, &byte) && byte == 0x5A);
    jl_stream_see(rig.sim.stream, &ask, 1, 8000000);
    uint64_t now = jl_board_now_ps(rig.board);
    for (size_t i = 0; i < sizeof answer; i++) {
        EXPECT(jl_stream_gives(rig.sim.stream, 8000000, &byte));
        EXPECT_INT(byte, answer[i]);
    }
    EXPECT_INT((long long)(jl_board_now_ps(rig.board) - now), 0);
    EXPECT_INT((int)jl_board_diagnostics(rig.board, &list), 0);
    EXPECT(jl_stream_gives(rig.sim.stream, 8 * 149000, &byte)); /* 150 ns a bit are asked for */
    EXPECT_INT((int)jl_board_diagnostics(rig.board, &list), 1);
    jl_device_set_pin(rig.device, JL_DEVICE_CS, true);
    EXPECT(!jl_stream_gives(rig.sim.stream, 8000000, &byte));
    jl_device_set_pin(rig.device, JL_DEVICE_CS, false);
    jl_stream_see(rig.sim.stream, &nothing, 1, 8000000);
    EXPECT(!jl_stream_gives(rig.sim.stream, 8000000, &byte));
    jl_rig_close(&rig);
}

const struct test_group test_groups[] = {
    {"identities", identities},
    {"nobody_to_ask", nobody_to_ask},
    {"recordings_of_answers", recordings_of_answers},
    {"refused", refused},
    {"states", states},
    {"bits_for_a_clock_of_others", bits_for_a_clock_of_others},
    {"memories", memories},
    {"wires_that_break_behind_the_wake_up", wires_that_break_behind_the_wake_up},
    {"spoiled_bits", spoiled_bits},
    {NULL, NULL},
};
