/* The calls of the host library, each in a line or two as a program of one's own would have it:
 * cards, captures and what is judged by them. */
#include "harness.h"

#include <errno.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <unistd.h>

#include "jadelamp/jadelamp.h"
#include "jadelamp/host/budget.h"
#include "jadelamp/host/capture_write.h"
#include "jadelamp/host/catalog.h"
#include "jadelamp/host/check.h"
#include "jadelamp/host/file.h"
#include "jadelamp/host/findings.h"
#include "jadelamp/host/live.h"
#include "jadelamp/host/png.h"
#include "jadelamp/host/reading.h"
#include "jadelamp/host/replay.h"
#include "jadelamp/host/report.h"
#include "jadelamp/host/scan.h"
#include "jadelamp/host/sight.h"
#include "jadelamp/host/stand.h"
#include "jadelamp/host/suspects.h"
#include "jadelamp/host/timeline.h"
#include "jadelamp/host/timings.h"
#include "jadelamp/host/wake_import.h"
#include "jadelamp/host/workload.h"
#include "shell.h"

static struct jl_complaint complaint;
static struct jl_card oled, tft, module, epaper;

static void find(const char *name, struct jl_card *card) {
    EXPECT(jl_card_find(name, card, &complaint));
}

static void begin(void) {
    shell_begin();
    complaint.text[0] = '\0';
    find("ssd1306-128x64-i2c", &oled);
    find("st7789-240x240-spi", &tft);
    find("hd44780-16x2-4bit", &module);
    find("ssd1680-128x296-spi", &epaper);
}

static void end(void) {
    EXPECT_TEXT(complaint.text, "");
    shell_end();
}

/* What a call prints into a file. */
static const char *printed(FILE *out) {
    static char text[8192];
    rewind(out);
    size_t count = fread(text, 1, sizeof text - 1, out);
    text[count] = '\0';
    fclose(out);
    return text;
}

/* ---- cards and the catalog ---- */

static void cards_and_their_text(void) {
    struct jl_card unnamed, parallel, memory;
    static const uint8_t contrast[] = {JL_STEP_SEND(0x81, 0x7F)};
    begin();
    find("ks0108-128x64", &parallel);
    EXPECT(jl_card_is_parallel(&parallel) && !jl_card_is_parallel(&oled));
    find("ls027b7dh01-400x240", &memory); /* SCS, active high: its datasheet's timing chart */
    EXPECT(jl_card_selects_high(&memory) && !jl_card_selects_high(&tft));
    EXPECT_INT((long long)jl_card_step_length(contrast), sizeof contrast);
    char *source = jl_card_source("ssd1306-128x64-i2c", &complaint);
    EXPECT(source && strstr(source, "[panel]"));
    free(source);
    EXPECT(jl_card_find_unnamed("ssd1306-128x64-i2c", &unnamed, &complaint) &&
           !unnamed.controller_left_out);
    EXPECT(!jl_complain_at(&complaint, "own.card", 3, "%s was read", "x"));
    EXPECT_TEXT(complaint.text, "own.card:3: x was read");
    EXPECT(!jl_card_source("no-such-card", &complaint));
    EXPECT_CONTAINS(complaint.text, "no-such-card");
    complaint.text[0] = '\0';
    end();
}

static void catalog_and_its_limits(void) {
    size_t count = 0;
    const struct jl_touch_entry *touch = jl_touch_catalog(&count);
    EXPECT(count >= 4 && jl_touch_catalog_find(touch[0].name) == touch);
    EXPECT(!jl_touch_catalog_find("ssd1306"));
    /* ssd1306 datasheet, tables 13-4 and 13-6: SPI of 100 ns, I2C of 400 kHz; no bus of strobes
     * here is slower than table 13-3's 300 ns. */
    const struct jl_catalog_entry *ssd1306 = jl_catalog_find("ssd1306");
    EXPECT_INT(jl_catalog_most_i2c_hz(ssd1306), 400000);
    EXPECT_INT(jl_catalog_most_serial_hz(ssd1306), 10000000);
    EXPECT(jl_catalog_most_i2c_hz(jl_catalog_find("st7789")) == 0);
    EXPECT_INT(jl_catalog_least_cycle_ns(jl_catalog_find("st7789")), 66);
    EXPECT(jl_catalog_dweller(0x3C) && !jl_catalog_dweller(0x09));
}

/* ---- captures ---- */

/* An I2C write of one byte to an address, at 100 kHz: START, bits with an acknowledge, STOP. */
static uint64_t write_byte(struct jl_capture_writer *writer, const uint8_t *bytes, int count) {
    enum { SCL, SDA };
    uint64_t at = 1000000, half = 5000000;
    jl_capture_write_level(writer, at, SCL, true);
    jl_capture_write_level(writer, at, SDA, true);
    jl_capture_write_level(writer, at += half, SDA, false);
    for (int bit = 0; bit < 9 * count; bit++) {
        bool high = bit % 9 < 8 && (bytes[bit / 9] >> (7 - bit % 9) & 1);
        jl_capture_write_level(writer, at += half, SCL, false);
        jl_capture_write_level(writer, at + 100, SDA, high);
        jl_capture_write_level(writer, at += half, SCL, true);
    }
    jl_capture_write_level(writer, at += half, SCL, false);
    jl_capture_write_level(writer, at + 100, SDA, false);
    jl_capture_write_level(writer, at += half, SCL, true);
    jl_capture_write_level(writer, at += half, SDA, true);
    return at;
}

static void captures_of_ones_own(void) {
    static const char *const names[] = {"scl", "sda"};
    static const uint8_t inverse[] = {0x78, 0x00, 0xA7};
    struct jl_capture_writer writer = {.stamped = false};
    struct jl_capture_item item;
    begin();
    EXPECT(jl_capture_write_begin(&writer, shell_path("own.vcd"), "bus", names, 2, &complaint));
    uint64_t until = write_byte(&writer, inverse, sizeof inverse);
    EXPECT(jl_capture_write_end(&writer, until + 1000000, &complaint));

    struct jl_capture *capture = jl_capture_open(shell_path("own.vcd"), NULL, &complaint);
    const struct jl_capture_name *wires;
    int levels = 0;
    EXPECT(capture && !jl_capture_has_bytes(capture));
    EXPECT_INT((long long)jl_capture_names(capture, &wires), 2);
    while (jl_capture_next(capture, &item, &complaint) == JL_CAPTURE_ITEM) {
        levels++;
    }
    EXPECT(levels > 2 * 27 && jl_capture_now_ps(capture) == until + 1000000);
    jl_capture_close(capture);

    struct jl_traffic *traffic = jl_traffic_open(shell_path("own.vcd"), &oled, NULL, &complaint);
    EXPECT_TEXT(jl_traffic_wire(traffic, JL_ROLE_SCL), "bus.scl");
    EXPECT(!jl_traffic_wire(traffic, JL_ROLE_DC) && !jl_traffic_was_awake(traffic));
    EXPECT_TEXT(jl_role_name(JL_ROLE_SCL), "scl");
    jl_traffic_close(traffic);
    end();
}

static void count_lines(void *context, const struct jl_reading_line *line) {
    int *counts = context;
    counts[line->kind]++;
}

static void count_events(void *context, const struct jl_bus_event *event, bool foreign) {
    (void)foreign;
    *(int *)context += event->kind == JL_BUS_BYTE;
}

static void count_looks(void *context, uint64_t at_ps, bool is_pause) {
    (void)at_ps;
    *(int *)context += !is_pause;
}

static void traffic_event_by_event(void) {
    static const uint64_t times[] = {1, 2};
    int bytes = 0, looks = 0, lines[JL_LINE_DOUBT + 1] = {0};
    struct jl_bus_event event;
    bool foreign;
    begin();
    EXPECT(jl_workload_record(&oled, "first-light", shell_path("first.vcd"), &complaint));
    const struct jl_traffic_options woken = {.awake = true};
    struct jl_traffic *t = jl_traffic_open(shell_path("first.vcd"), &oled, &woken, &complaint);
    jl_traffic_tap(t, count_events, &bytes);
    jl_traffic_watch(t, &(struct jl_traffic_watch){
                            .times = times, .time_count = 2, .fn = count_looks, .context = &looks});
    while (jl_traffic_next(t, &event, &foreign, &complaint) == JL_TRAFFIC_EVENT) {
    }
    /* 1024 bytes of pixels, a control byte and an address before them, and the sequence. */
    EXPECT(bytes > 1026 && looks == 2 && jl_traffic_now_ps(t) > 0);
    EXPECT(!jl_device_why_dark(jl_traffic_rig(t)->device));
    EXPECT(jl_findings_ms(jl_board_now_ps(jl_traffic_rig(t)->board), jl_traffic_offset_ps(t)) > 20);
    EXPECT(jl_findings_ms(0, jl_traffic_offset_ps(t)) == 0);
    EXPECT_INT((long long)jl_findings_count(jl_traffic_rig(t)->board), 0);
    jl_traffic_close(t);

    t = jl_workload_traffic(&oled, "first-light", &complaint);
    EXPECT(t && jl_reading_run(t, count_lines, lines, &complaint));
    EXPECT(lines[JL_LINE_COMMAND] >= 2 && lines[JL_LINE_DATA] >= 1 &&
           lines[JL_LINE_DIAGNOSTIC] == 0);
    EXPECT_TEXT(jl_line_kind_name(JL_LINE_WAIT), "wait");
    jl_traffic_close(t);

    FILE *out = tmpfile();
    const struct jl_reading_line reset = {.kind = JL_LINE_RESET, .high = true};
    jl_reading_print(out, &reset, false);
    EXPECT_CONTAINS(printed(out), "reset");
    end();
}

static void traffic_that_is_judged(void) {
    struct jl_budget budget;
    struct jl_remedies remedies;
    struct jl_budget_request request = {.remedies = &remedies};
    static struct jl_check_result check;
    begin();
    struct jl_traffic *t = jl_workload_traffic(&tft, "number", &complaint);
    EXPECT(t && jl_budget_run(t, &request, &budget, &complaint));
    EXPECT(budget.bytes ==
           budget.opcode_bytes + budget.argument_bytes + budget.data_bytes + budget.framing_bytes);
    EXPECT(budget.read_bytes == 0);
    EXPECT_CONTAINS(jl_remedy_text(JL_REMEDY_CHANGES), "changed");
    jl_traffic_close(t);

    t = jl_workload_traffic(&tft, "first-light", &complaint);
    EXPECT(t && jl_check_traffic(t, &check, &complaint) && check.commands >= 2);
    EXPECT(check.count == 0 || check.findings[0].grade == JL_CHECK_WASTEFUL);
    jl_traffic_close(t);

    struct jl_replay_result result;
    char base[] = "again";
    t = jl_workload_traffic(&oled, "first-light", &complaint);
    EXPECT(t &&
           jl_replay(t, &(struct jl_replay_request){.directory = shell_path("."), .base = base},
                     &result, &complaint));
    EXPECT_INT((long long)result.path_count, 2);
    EXPECT(shell_has("again-glass.png") && shell_has("again-photo.png"));
    jl_traffic_close(t);

    t = jl_workload_traffic(&oled, "first-light", &complaint);
    EXPECT(t && jl_timeline_write(t,
                                  &(struct jl_timeline_request){.path = shell_path("line.png"),
                                                                .to_ps = 1000000000},
                                  &complaint));
    EXPECT(shell_has("line.png"));
    jl_traffic_close(t);
    end();
}

static void take_event(void *context, const struct jl_bus_event *event) {
    *(int *)context += event->kind == JL_BUS_BYTE;
}

/* An SPI command, bit by bit, as a processor's pins would move. */
static void wires_that_move(void) {
    int bytes = 0;
    uint64_t at = 0;
    bool high;
    struct jl_card card;
    begin();
    find("ssd1306-128x64-spi", &card);
    struct jl_live_roles roles = jl_live_roles(&card);
    EXPECT(roles.needed & JL_ROLE_BIT(JL_ROLE_DC) && !(roles.wanted & JL_ROLE_BIT(JL_ROLE_SDA)));
    EXPECT(!jl_live_pin_name(&card, JL_ROLE_DC));
    struct jl_live *l = jl_live_open(&card, roles.needed, &complaint);
    jl_live_on_event(l, take_event, &bytes);
    jl_live_level(l, at, JL_ROLE_CLOCK, false);
    jl_live_level(l, at, JL_ROLE_DC, false);
    for (int bit = 7; bit >= 0; bit--) {
        jl_live_level(l, at += 100000, JL_ROLE_MOSI, 0xA5 >> bit & 1); /* entire display on */
        jl_live_level(l, at += 100000, JL_ROLE_CLOCK, true);
        jl_live_level(l, at += 100000, JL_ROLE_CLOCK, false);
    }
    jl_live_end(l, at += 1000000);
    EXPECT_INT(bytes, 1);
    EXPECT(!jl_live_drives(l, JL_ROLE_MOSI, &high) && !jl_live_output(l, at, JL_DEVICE_BUSY));
    EXPECT(jl_board_now_ps(jl_live_rig(l)->board) == at + jl_live_offset_ps(l));
    jl_live_close(l);
    end();
}

static void count_stops(void *context, const struct jl_bus_event *event) {
    *(int *)context += event->kind == JL_BUS_STOP;
}

/* The stop of a transfer is the last edge before the wires rest: it is told when time goes on. */
static void wires_that_rest(void) {
    static const struct {
        enum jl_role role;
        bool high;
    } edges[] = {{JL_ROLE_SDA, true},  {JL_ROLE_SCL, true}, {JL_ROLE_SDA, false},
                 {JL_ROLE_SCL, false}, {JL_ROLE_SCL, true}, {JL_ROLE_SCL, false},
                 {JL_ROLE_SCL, true},  {JL_ROLE_SDA, true}};
    int stops = 0;
    uint64_t at = 0;
    struct jl_card card;
    begin();
    find("ssd1306-128x64-i2c", &card);
    struct jl_live *l = jl_live_open(&card, jl_live_roles(&card).needed, &complaint);
    jl_live_on_event(l, count_stops, &stops);
    for (size_t i = 0; i < sizeof edges / sizeof edges[0]; i++) {
        jl_live_level(l, at += 2500000, edges[i].role, edges[i].high);
    }
    EXPECT_INT(stops, 0);
    jl_live_reach(l, at); /* another wire may move at this very time */
    EXPECT_INT(stops, 0);
    jl_live_reach(l, at + 1000000);
    EXPECT_INT(stops, 1);
    jl_live_close(l);
    end();
}

/* An identification on a parallel bus, whose strobes come as fast as a processor's pins move. The
 * datasheet asks for a read cycle of 160 ns. */
static void reads_of_a_parallel_bus(void) {
    static const struct {
        uint64_t cycle_ps;
        size_t warnings;
    } cases[] = {{160000, 0}, {159000, 1}, {80000, 1}};
    for (size_t i = 0; i < sizeof cases / sizeof cases[0]; i++) {
        const struct jl_diagnostic *list;
        uint64_t at = 1000000;
        bool high;
        struct jl_card card;
        begin();
        find("ili9341-240x320-8080", &card);
        struct jl_live *l = jl_live_open(&card, jl_live_roles(&card).needed, &complaint);
        for (enum jl_role role = 0; role < JL_ROLES; role++) {
            jl_live_level(l, at, role, role != JL_ROLE_CS && role != JL_ROLE_DC);
        }
        for (int line = 0; line < 8; line++) { /* 09h: status */
            jl_live_level(l, at, (enum jl_role)(JL_ROLE_D0 + line), 0x09 >> line & 1);
        }
        jl_live_level(l, at += 100000, JL_ROLE_WR, false);
        jl_live_level(l, at += 100000, JL_ROLE_WR, true);
        jl_live_level(l, at += 100000, JL_ROLE_DC, true);
        at += 1000000;
        for (int read = 0; read < 3; read++, at += cases[i].cycle_ps) {
            jl_live_level(l, at, JL_ROLE_RD, false);
            EXPECT(jl_live_drives(l, JL_ROLE_D0, &high));
            jl_live_level(l, at + cases[i].cycle_ps / 2, JL_ROLE_RD, true);
        }
        jl_live_end(l, at + 1000000);
        test_row("a cycle of %llu ps", (unsigned long long)cases[i].cycle_ps);
        size_t count = jl_board_diagnostics(jl_live_rig(l)->board, &list), warnings = 0;
        for (size_t j = 0; j < count; j++) {
            warnings += list[j].code == JL_CODE_CLOCK_TOO_FAST;
        }
        EXPECT_INT((long long)warnings, (long long)cases[i].warnings);
        jl_live_close(l);
        end();
    }
}

/* The pen line of a resistive part follows a finger, on the clock of the levels. */
static void fingers_on_wires_that_move(void) {
    const struct jl_hand_step steps[] = {
        {.at_ps = 2000000000, .deed = JL_HAND_PRESS, .which = 0, .x = 10, .y = 10},
        {.at_ps = 5000000000, .deed = JL_HAND_LIFT, .which = 0}};
    struct jl_card card;
    begin();
    find("ili9341-240x320-touch", &card);
    struct jl_live_roles roles = jl_live_roles(&card);
    EXPECT(roles.wanted & JL_ROLE_BIT(JL_ROLE_TOUCH_CS) &&
           !(roles.needed & JL_ROLE_BIT(JL_ROLE_TOUCH_CS)));
    EXPECT_TEXT(jl_role_name(JL_ROLE_TOUCH_CS), "touch_cs");
    struct jl_live *l = jl_live_open(&card, roles.needed, &complaint);
    EXPECT(jl_live_follow(l, steps, 2, &complaint));
    EXPECT(jl_live_output(l, 1000000000, JL_DEVICE_PEN));
    EXPECT(!jl_live_output(l, 3000000000, JL_DEVICE_PEN));
    EXPECT(jl_live_output(l, 6000000000, JL_DEVICE_PEN));
    jl_live_close(l);
    l = jl_live_open(&card, roles.needed, &complaint);
    jl_live_finger(l, 1000000000, 0, 10, 10);
    EXPECT(!jl_live_output(l, 3000000000, JL_DEVICE_PEN));
    jl_live_finger(l, 4000000000, 0, -1, -1);
    EXPECT(jl_live_output(l, 6000000000, JL_DEVICE_PEN));
    jl_live_close(l);
    find("ili9341-240x320-spi", &card);
    l = jl_live_open(&card, jl_live_roles(&card).needed, &complaint);
    jl_live_finger(l, 1000000000, 0, 10, 10); /* no touch panel: nothing happens */
    EXPECT(!jl_live_output(l, 3000000000, JL_DEVICE_BUSY));
    jl_live_close(l);
    find("ili9341-240x320-touch", &card);
    l = jl_live_open(&card, roles.needed | JL_ROLE_BIT(JL_ROLE_LIGHT), &complaint);
    static const uint16_t duties[] = {0, 1, 0x8000, 0, UINT16_MAX};
    for (size_t i = 0; i < sizeof duties / sizeof duties[0]; i++) {
        jl_live_light(l, (i + 1) * 1000000000, duties[i]);
        jl_live_end(l, (i + 1) * 1000000000 + 1000);
        EXPECT_INT(jl_device_pin(jl_live_rig(l)->device, JL_DEVICE_LIGHT), duties[i] > 0);
    }
    jl_live_close(l);
    end();
}

/* ---- looking ---- */

static void draw_greeting(void *context) {
    struct jl_rig *rig = context;
    EXPECT_INT(jl_rig_wake(rig), JL_OK);
    jl_draw_test_card(&jl_rig_frame(rig)->target, "quay");
    EXPECT_INT(jl_rig_present(rig), JL_OK);
}

static void glass_that_is_looked_at(void) {
    static struct jl_rig rig;
    struct jl_sight sight = {.why_dark = NULL};
    struct jl_picture photo = {0}, sheet = {0};
    jl_status status;
    begin();
    EXPECT(jl_rig_open(&rig, &oled, &complaint));
    struct jl_sight_request request = {shell_path("."), "greeting", 2, false};
    EXPECT(jl_sight_of(&rig, &request, draw_greeting, &rig, &sight, &complaint));
    EXPECT(!jl_sight_has_findings(&rig, &sight) && shell_has("greeting.vcd"));
    FILE *out = tmpfile();
    jl_sight_print(out, &rig, &sight);
    jl_findings_print(out, rig.board, 0);
    EXPECT_CONTAINS(printed(out), "greeting-glass.png");
    jl_sight_free(&sight);
    request = (struct jl_sight_request){shell_path("."), "after", 2, false};
    EXPECT(jl_sight_after(&rig, &request, &sight, &complaint) && !shell_has("after.vcd"));
    jl_sight_free(&sight);
    EXPECT(jl_rig_photograph(&rig, shell_path("."), "seen", 2, &complaint) &&
           shell_has("seen-photo.png"));
    EXPECT(jl_rig_photo(&rig, 3, &photo) && photo.width >= 3 * 128);
    jl_picture_free(&photo);
    jl_rig_close(&rig);

    EXPECT(jl_rig_open(&rig, &epaper, &complaint) && jl_rig_wake(&rig) == JL_OK);
    EXPECT(jl_rig_film_update(&rig, 4, 2, &sheet, &status, &complaint) && status == JL_OK);
    EXPECT(sheet.width > 0);
    jl_picture_free(&sheet);
    jl_rig_close(&rig);
    EXPECT_INT((long long)jl_rig_palette()[255], 0xFFFFFF); /* 3-3-2: all bits */
    end();
}

static void reports_and_suspects(void) {
    struct jl_report report;
    static struct jl_suspects suspects;
    struct jl_scan_result scan;
    begin();
    char *source = jl_card_source("ssd1306-128x64-i2c", &complaint);
    EXPECT(jl_report_write(&oled, source, shell_path("."), &report, &complaint) && report.lit);
    free(source);
    EXPECT(shell_has("ssd1306-128x64-i2c-report.html"));
    EXPECT(jl_suspects_draw(&oled, &suspects, &complaint) && suspects.count > 5);
    EXPECT(jl_suspects_write(&suspects, shell_path("."), "oled", &complaint));
    EXPECT(shell_has("oled-suspects.html") && shell_has("oled-suspects-1.png"));
    jl_suspects_free(&suspects);
    EXPECT(jl_scan_cards(&oled, 1, false, &scan, &complaint) && JL_SCAN_FOUND(scan.found, 0x3C));
    end();
}

static void numbers_and_sequences(void) {
    struct jl_card glass;
    struct jl_timings timings;
    static struct jl_wake_import import;
    static const char text[] = "0xAE\n0x81 0x7F\ndelay 5\n";
    begin();
    find("rgb-480x272", &glass);
    EXPECT(jl_timings_of(&glass, &timings) && !jl_timings_of(&oled, &timings));
    EXPECT(jl_timings_of(&glass, &timings));
    FILE *out = tmpfile();
    jl_timings_print(out, &glass, &timings);
    EXPECT_CONTAINS(printed(out), "porch");
    EXPECT_TEXT(jl_wake_layout_name(JL_WAKE_ROWS), "rows");
    EXPECT(jl_wake_import_text("notes", text, sizeof text - 1, JL_WAKE_LINES, NULL, &import,
                               &complaint));
    out = tmpfile();
    jl_wake_import_print(out, &import, jl_catalog_find("ssd1306"));
    EXPECT_CONTAINS(printed(out), "7F");
    end();
}

/* ---- files ---- */

static void files_whole_or_not(void) {
    struct jl_file file = {0};
    begin();
    jl_file_tidy_on_signals();
    EXPECT(jl_file_begin(&file, shell_path("kept.txt"), &complaint));
    EXPECT(jl_file_write(&file, "heron", 5) && jl_file_commit(&file, &complaint) &&
           shell_has("kept.txt"));
    EXPECT(jl_file_begin(&file, shell_path("dropped.txt"), &complaint));
    jl_file_abandon(&file);
    EXPECT(!shell_has("dropped.txt") && shell_files() == 1);
    EXPECT(jl_file_begin(&file, shell_path("failed.txt"), &complaint));
    errno = ENOSPC;
    jl_file_fail(&file);
    errno = EIO; /* later, and of something else */
    jl_file_fail(&file);
    EXPECT(!jl_file_write(&file, "heron", 5) && !jl_file_commit(&file, &complaint));
    EXPECT_CONTAINS(complaint.text, strerror(ENOSPC));
    EXPECT(!shell_has("failed.txt") && shell_files() == 1);
    complaint.text[0] = '\0';
    end();
}

/* All wires into a file; and what does not come in is not left behind. */
static void recordings(void) {
    static struct jl_card card;
    static struct jl_rig rig;
    for (int fails = 0; fails < 2; fails++) {
        struct jl_file file = {0};
        begin();
        EXPECT(jl_card_find("ssd1306-128x64-i2c", &card, &complaint));
        EXPECT(jl_rig_open(&rig, &card, &complaint));
        EXPECT(jl_file_begin(&file, shell_path("wires.vcd"), &complaint));
        jl_rig_record(&rig, &file);
        EXPECT_INT(jl_rig_wake(&rig), JL_OK);
        if (fails) {
            errno = ENOSPC;
            jl_file_fail(&file);
        }
        EXPECT_INT(jl_panel_contrast(&rig.panel, 9), JL_OK);
        jl_rig_record_end(&rig, &file);
        EXPECT(jl_file_commit(&file, &complaint) == !fails);
        EXPECT_CONTAINS(complaint.text, fails ? strerror(ENOSPC) : "");
        EXPECT_INT(shell_files(), !fails);
        EXPECT_INT(shell("grep -q enddefinitions wires.vcd"), fails ? 2 : 0);
        complaint.text[0] = '\0';
        jl_rig_close(&rig);
        end();
    }
}

/* ---- the stand ---- */

static void stand_without_macros(void) {
    static const uint8_t read_id[] = {0x04};
    uint8_t bytes[4] = {0};
    begin();
    struct jl_stand *s = jl_stand_open("st7789-240x240-spi", "calls");
    struct jl_panel *panel = &jl_stand_rig(s)->panel;
    EXPECT_INT(jl_panel_wake(panel), JL_OK);
    jl_stand_mark(s);
    jl_stand_drive(s, JL_DEVICE_CS, false);
    jl_stand_drive(s, JL_DEVICE_DC, false);
    jl_stand_write(s, read_id, 1);
    jl_stand_drive(s, JL_DEVICE_DC, true);
    jl_stand_read(s, bytes, sizeof bytes);
    jl_stand_drive(s, JL_DEVICE_CS, true);
    EXPECT(jl_stand_bytes(s) == 5 && (bytes[1] || bytes[2] || bytes[3]));
    EXPECT(jl_stand_most_bytes(s, 5, __FILE__, __LINE__) &&
           jl_stand_most_us(s, 100, __FILE__, __LINE__));
    EXPECT(jl_stand_holds(s, true, "true", __FILE__, __LINE__));
    EXPECT_INT(jl_stand_close(s), 0);

    s = jl_stand_open("ssd1306-128x64-i2c", "calls");
    EXPECT(jl_stand_i2c_read(s, 0x3C, bytes, 1) && !jl_stand_i2c_read(s, 0x22, bytes, 1));
    jl_draw_test_card(&jl_rig_frame(jl_stand_rig(s))->target, "quay");
    EXPECT_INT(jl_rig_wake(jl_stand_rig(s)), JL_OK);
    EXPECT_INT(jl_rig_present(jl_stand_rig(s)), JL_OK);
    struct jl_picture glass = {0};
    jl_stand_wait_us(s, 200000); /* the pump comes up */
    EXPECT(jl_rig_look(jl_stand_rig(s), &glass) &&
           jl_png_write(shell_path("glass.png"), &glass, &complaint));
    jl_picture_free(&glass);
    EXPECT(jl_stand_glass(s, shell_path("glass.png"), __FILE__, __LINE__));
    EXPECT(jl_stand_no_findings(s, __FILE__, __LINE__));
    EXPECT_INT(jl_stand_close(s), 0);

    s = jl_stand_open("hd44780-16x2-4bit", "calls");
    EXPECT_INT(jl_char_wake(&jl_stand_rig(s)->cells), JL_OK);
    EXPECT_INT(jl_char_put(&jl_stand_rig(s)->cells, 0, 0, "Sluice 3"), JL_OK);
    EXPECT_INT(jl_char_present(&jl_stand_rig(s)->cells), JL_OK);
    EXPECT(jl_stand_text(s, "Sluice 3\n", __FILE__, __LINE__));
    EXPECT_INT(jl_stand_close(s), 0);

    s = jl_stand_open("ssd1306-128x64-spi", "nine");
    jl_stand_write_nine(s, false, (const uint8_t[]){0xA5}, 1);
    EXPECT(jl_stand_bytes(s) > 0 && jl_stand_holds(s, true, "sent", __FILE__, __LINE__));
    EXPECT_INT(jl_stand_close(s), 0);
    end();
}

const struct test_group test_groups[] = {
    {"cards_and_their_text", cards_and_their_text},
    {"catalog_and_its_limits", catalog_and_its_limits},
    {"captures_of_ones_own", captures_of_ones_own},
    {"traffic_event_by_event", traffic_event_by_event},
    {"traffic_that_is_judged", traffic_that_is_judged},
    {"wires_that_move", wires_that_move},
    {"wires_that_rest", wires_that_rest},
    {"reads_of_a_parallel_bus", reads_of_a_parallel_bus},
    {"fingers_on_wires_that_move", fingers_on_wires_that_move},
    {"glass_that_is_looked_at", glass_that_is_looked_at},
    {"reports_and_suspects", reports_and_suspects},
    {"numbers_and_sequences", numbers_and_sequences},
    {"files_whole_or_not", files_whole_or_not},
    {"recordings", recordings},
    {"stand_without_macros", stand_without_macros},
    {NULL, NULL},
};
