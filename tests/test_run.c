/* Programs of the user's own on the board: how they end, and what is told of them. */
#include "harness.h"

#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "jadelamp/host/png.h"
#include "jadelamp/host/run.h"
#include "jadelamp/jadelamp.h"
#include "shell.h"

static const struct jl_panel_config oled = {
    .controller = &jl_ssd1306, .bus = &jl_bus_i2c, .width = 128, .height = 32, .i2c_address = 0x3C};
static uint8_t pixels[JL_MONO_COLUMNS_BYTES(128, 32)];
static struct jl_panel panel;
static struct jl_frame frame;
static volatile int for_ever = 1;

static jl_status show_a_box(const struct jl_port *port) {
    jl_panel_open(&panel, &oled, port);
    jl_panel_wake(&panel);
    jl_panel_frame(&panel, &frame, pixels, sizeof pixels);
    jl_fill_rect(&frame.target, (struct jl_rect){10, 4, 30, 20}, JL_WHITE);
    jl_panel_present(&panel, &frame);
    return jl_panel_status(&panel);
}

static jl_status wait_a_while(const struct jl_port *port) {
    jl_status status = show_a_box(port);
    port->ops->wait_us(port->context, 250000);
    return status;
}

static jl_status loop_for_ever(const struct jl_port *port) {
    show_a_box(port);
    while (for_ever) {
        port->ops->wait_us(port->context, 1000);
    }
    return JL_OK;
}

static jl_status look_at_the_clock(const struct jl_port *port) {
    show_a_box(port);
    while (for_ever) {
        port->ops->now_us(port->context);
    }
    return JL_OK;
}

static jl_status wait_for_a_pin(const struct jl_port *port) {
    show_a_box(port);
    while (for_ever) {
        port->ops->get_pin(port->context, JL_PIN_BUSY);
    }
    return JL_OK;
}

static jl_status turn_in_place(const struct jl_port *port) {
    show_a_box(port);
    while (for_ever) {
    }
    return JL_OK;
}

static jl_status toggle_a_pin(const struct jl_port *port) {
    for (bool high = false; for_ever; high = !high) {
        port->ops->set_pin(port->context, JL_PIN_RESET, high);
    }
    return JL_OK;
}

static jl_status talk_to_nobody(const struct jl_port *port) {
    struct jl_panel_config wrong = oled;
    wrong.i2c_address = 0x3D;
    jl_panel_open(&panel, &wrong, port);
    jl_panel_wake(&panel);
    return jl_panel_status(&panel);
}

static jl_status do_nothing(const struct jl_port *port) {
    (void)port;
    return JL_OK;
}

static void ends(void) {
    static const struct {
        const char *name;
        jl_program program;
        enum jl_run_end end;
        jl_status status, bus_status;
        bool lit;
        double least_waited_us, most_waited_us;
        const char *says;
    } rows[] = {
        {"returns", show_a_box, JL_RUN_RETURNED, JL_OK, JL_OK, true, 0, 0, "returned JL_OK: ok"},
        {"waits", wait_a_while, JL_RUN_RETURNED, JL_OK, JL_OK, true, 250000, 250000,
         "250.00 waiting"},
        {"loops", loop_for_ever, JL_RUN_TIME_UP, JL_OK, JL_OK, true, 450000, 500000,
         "still running after 0.5 s of its time: stopped"},
        {"clock", look_at_the_clock, JL_RUN_TIME_UP, JL_OK, JL_OK, true, 450000, 500000, "stopped"},
        {"pin", wait_for_a_pin, JL_RUN_TIME_UP, JL_OK, JL_OK, true, 450000, 500000, "stopped"},
        {"stuck", turn_in_place, JL_RUN_STUCK, JL_OK, JL_OK, true, 0, 0, "stuck: no transfer"},
        {"toggles", toggle_a_pin, JL_RUN_STUCK, JL_OK, JL_OK, false, 0, 0, "stuck"},
        {"nobody", talk_to_nobody, JL_RUN_RETURNED, JL_NO_ANSWER, JL_NO_ANSWER, false, 0, 0,
         "first error of the bus: no answer"},
        {"nothing", do_nothing, JL_RUN_RETURNED, JL_OK, JL_OK, false, 0, 0, "dark: "},
    };
    static struct jl_card card;
    static struct jl_run_result result;
    struct jl_complaint complaint = {""};
    EXPECT(jl_card_find("ssd1306-128x32-i2c", &card, &complaint));
    shell_begin();
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        char text[4000] = "";
        struct jl_run_request request = {.name = rows[i].name,
                                         .directory = shell_path("here"),
                                         .most_ms = 500,
                                         .patience_ms = 1000};
        test_row("%s", rows[i].name);
        EXPECT(jl_run(&card, rows[i].program, &request, &result, &complaint));
        EXPECT_INT(result.end, rows[i].end);
        EXPECT_INT(result.status, rows[i].status);
        EXPECT_INT(result.bus_status, rows[i].bus_status);
        EXPECT_INT(result.sight.why_dark == NULL, rows[i].lit);
        EXPECT_INT(jl_run_has_findings(&result),
                   rows[i].status != JL_OK || !rows[i].lit || rows[i].end == JL_RUN_STUCK);
        EXPECT(result.waited_us >= rows[i].least_waited_us - 1 &&
               result.waited_us <= rows[i].most_waited_us + 1);
        /* All time is on the wire or waited for, since computing takes none. */
        double rest = result.whole_us - result.cost.microseconds - result.waited_us;
        EXPECT(rest > -1 && rest < 1);
        FILE *out = fmemopen(text, sizeof text, "w");
        jl_run_print(out, &result);
        fclose(out);
        EXPECT_CONTAINS(text, rows[i].says);
        EXPECT_CONTAINS(text, result.sight.photo_path);
        struct jl_picture glass;
        if (EXPECT(jl_png_read(result.sight.glass_path, &glass, &complaint))) {
            int wrong = 0;
            for (int p = 0; p < 128 * 32; p++) {
                bool inside = p % 128 >= 10 && p % 128 < 40 && p / 128 >= 4 && p / 128 < 24;
                wrong += (glass.rgb[p * 3] != 0) != (inside && rows[i].lit);
            }
            EXPECT_INT(wrong, 0);
            jl_picture_free(&glass);
        }
        jl_run_close(&result);
    }
    shell_end();
}

/* What a present costs, by the datasheet's and UM10204's counts: 9 clocks a byte, and START and
 * STOP. */
static void costs_are_measured(void) {
    static struct jl_card card;
    static struct jl_run_result result;
    struct jl_complaint complaint = {""};
    EXPECT(jl_card_find("ssd1306-128x32-i2c", &card, &complaint));
    shell_begin();
    EXPECT(jl_run(&card, show_a_box,
                  &(struct jl_run_request){.name = "x", .directory = shell_path("")}, &result,
                  &complaint));
    double least = (double)result.cost.bytes * 9 * 2.5;
    EXPECT(result.cost.bytes > 512 && result.cost.bytes < 1400);
    EXPECT(result.cost.microseconds > least && result.cost.microseconds < least * 1.05);
    EXPECT(result.transfers > 3 && result.transfers < 40);
    jl_run_close(&result);
    shell_end();
}

/* Where a finger is, the program draws; touch is on I2C beside a display on SPI, on one port. */
static int marks;
static jl_status mark_the_finger(const struct jl_port *port) {
    static const struct jl_panel_config round = {.controller = &jl_gc9a01,
                                                 .bus = &jl_bus_spi,
                                                 .width = 240,
                                                 .height = 240,
                                                 .module = JL_MODULE_BGR | JL_MODULE_IPS |
                                                           JL_MODULE_RESET_WIRED};
    static const struct jl_touch_config glass = {
        .part = &jl_cst816, .width = 240, .height = 240, .i2c_address = 0x15, .reset_wired = true};
    static uint8_t work[480];
    struct jl_direct direct;
    struct jl_touch touch;
    jl_panel_open(&panel, &round, port);
    jl_panel_wake(&panel);
    jl_status status = jl_direct_init(&direct, &panel, work, sizeof work);
    status = status == JL_OK ? jl_touch_open(&touch, &glass, port) : status;
    status = status == JL_OK ? jl_touch_wake(&touch) : status;
    jl_clear(&direct.target, JL_BLACK);
    for (int i = 0; i < 60 && status == JL_OK; i++) {
        struct jl_touch_point point;
        uint8_t count = 0;
        status = jl_touch_read(&touch, &point, 1, &count);
        if (count) {
            marks++;
            jl_fill_rect(&direct.target, (struct jl_rect){point.x, point.y, 3, 3}, JL_WHITE);
        }
        port->ops->wait_us(port->context, 20000);
    }
    return status != JL_OK ? status : jl_panel_status(&panel);
}

static void hands_on_a_run(void) {
    static struct jl_card card;
    static struct jl_run_result result;
    static struct jl_hand_script hands;
    struct jl_complaint complaint = {""};
    EXPECT(jl_card_find("gc9a01-240x240-touch", &card, &complaint));
    EXPECT(jl_hand_script_read_text("x", "1 s tap 60 70\n1.3 s tap 150 120\n", &hands, &complaint));
    shell_begin();
    EXPECT(
        jl_run(&card, mark_the_finger,
               &(struct jl_run_request){.name = "x", .directory = shell_path(""), .hands = &hands},
               &result, &complaint));
    EXPECT_INT(result.status, JL_OK);
    EXPECT(!result.other_bus && !jl_run_has_findings(&result));
    EXPECT(marks >= 6 && marks <= 10); /* two touches of 80 ms, looked at every 20 ms */
    const struct jl_picture *seen = &result.sight.glass;
    EXPECT_INT(jl_picture_at(seen, 60, 70)[0], 255);
    EXPECT_INT(jl_picture_at(seen, 152, 122)[0], 255);
    EXPECT_INT(jl_picture_at(seen, 100, 100)[0], 0);
    jl_run_close(&result);
    shell_end();
}

static int presses, detents;

static jl_status count_deeds(const struct jl_port *port) {
    struct jl_key ok = {.key = JL_KEY_OK}, down = {.key = JL_KEY_DOWN};
    struct jl_knob knob = {.quarters = 4};
    struct jl_event event;
    const struct jl_port_ops *ops = port->ops;
    presses = detents = 0;
    for (uint32_t now_ms = 0; now_ms < 1500; now_ms++) {
        bool raw_ok = !ops->get_pin(port->context, JL_PIN_KEY_OK);
        bool raw_down = !ops->get_pin(port->context, JL_PIN_KEY_DOWN);
        presses += jl_key_feed(&ok, raw_ok, now_ms, &event) && event.kind == JL_EVENT_KEY;
        presses +=
            100 * (jl_key_feed(&down, raw_down, now_ms, &event) && event.kind == JL_EVENT_KEY);
        if (jl_knob_feed(&knob, ops->get_pin(port->context, JL_PIN_KNOB_A),
                         ops->get_pin(port->context, JL_PIN_KNOB_B), &event)) {
            detents += event.dx;
        }
        ops->wait_us(port->context, 1000);
    }
    return show_a_box(port);
}

/* Keys and a knob are pins of the port, where the card has them. */
static void keys_on_a_run(void) {
    static struct jl_card card;
    static struct jl_run_result result;
    static struct jl_hand_script hands;
    struct jl_complaint complaint = {""};
    static const char text[] = "[panel]\ncontroller = ssd1306\n[glass]\nsize = 128 x 32\n[bus]\n"
                               "kind = i2c\naddress = 0x3C\nclock = 400 kHz\n[pins]\n"
                               "key_ok = PB0\n";
    EXPECT(jl_card_read_text("hands", text, sizeof text - 1, &card, &complaint));
    EXPECT(jl_card_has_keys(&card) && !jl_card_has_knob(&card));
    EXPECT_TEXT(jl_card_pin(&card, "key_ok"), "PB0");
    EXPECT(jl_hand_script_read_text(
        "x", "0.2 s key ok\n0.5 s key ok\n0.7 s key down\n1 s turn 3\n1.2 s turn -1\n", &hands,
        &complaint));
    shell_begin();
    struct jl_run_request request = {.name = "x", .directory = shell_path("")};
    EXPECT(jl_run(&card, count_deeds, &request, &result, &complaint));
    EXPECT_INT(presses, 0);
    EXPECT_INT(detents, 0);
    jl_run_close(&result);
    request.hands = &hands;
    EXPECT(jl_run(&card, count_deeds, &request, &result, &complaint));
    EXPECT_INT(presses, 102);
    EXPECT_INT(detents, 2);
    jl_run_close(&result);
    shell_end();
}

static void refused_runs(void) {
    static struct jl_card card;
    static struct jl_run_result result;
    struct jl_complaint complaint = {""};
    EXPECT(jl_card_find("ssd1306-128x32-i2c", &card, &complaint));
    EXPECT(!jl_run(&card, do_nothing, &(struct jl_run_request){.directory = "/proc/nowhere"},
                   &result, &complaint));
    EXPECT_CONTAINS(complaint.text, "/proc/nowhere");
    jl_run_close(&result);
    EXPECT(jl_program_load("no-such.so", &complaint) == NULL);
    EXPECT_CONTAINS(complaint.text, "cannot load no-such.so");
    jl_run_close(&(struct jl_run_result){0});
}

/* The command with a shared object, as a user types it. */
static void the_command_runs_an_object(void) {
    static const struct {
        const char *line;
        int status;
        const char *says;
    } rows[] = {
        {JADELAMP " run " A_PROGRAM " -c ssd1306-128x32-i2c", 0, "returned JL_OK: ok"},
        {JADELAMP " run " A_PROGRAM " -c ssd1306-128x32-i2c --terminal blocks", 0, "\u2588"},
        {JADELAMP " run " A_PROGRAM " -c ssd1306-128x32-i2c --json", 0, "\"end\":\t\"returned\""},
        {JADELAMP " run " A_PROGRAM " -c ssd1306-128x32-i2c --json > /dev/full", 2, "written"},
        {JADELAMP " run " A_PROGRAM " -c ssd1306-128x32-spi", 1,
         "the program talks I2C, and this card is wired for another bus"},
        {JADELAMP " run -c ssd1306-128x32-i2c", 2, "name a shared object or firmware"},
        {JADELAMP " run " A_PROGRAM " -c missing-card", 2, "no card missing-card"},
        {JADELAMP " run missing.so -c ssd1306-128x32-i2c", 2, "cannot load missing.so"},
        {JADELAMP " run /etc/passwd -c ssd1306-128x32-i2c", 2, "cannot load /etc/passwd"},
        {JADELAMP " run libc.so.6 -c ssd1306-128x32-i2c", 2, "cannot load libc.so.6"},
        {JADELAMP " run " A_PROGRAM " -c ssd1306-128x32-i2c --seconds 0", 2, "expected 1 to 3600"},
        {JADELAMP " run " A_PROGRAM " -c ssd1306-128x32-i2c --scale 1", 2, "expected 2 to 32"},
        {JADELAMP " run " A_PROGRAM " -c ssd1306-128x32-i2c --terminal art", 2,
         "blocks or braille"},
        {JADELAMP " run " A_PROGRAM " -c ssd1306-128x32-i2c more", 2, "one argument too many"},
        {"echo '1 s tap 5 5' | " JADELAMP " run " A_PROGRAM
         " -c ssd1306-128x32-i2c --hands /dev/stdin",
         2,
         "the card ssd1306-128x32-i2c has no [touch], and no key_ok or knob_a in [pins], for the "
         "hands"},
        {"echo '1 s poke' | " JADELAMP " run " A_PROGRAM
         " -c gc9a01-240x240-touch --hands /dev/stdin",
         2, "/dev/stdin:1: poke: unknown deed"},
        {JADELAMP " run " A_PROGRAM " -c gc9a01-240x240-touch --hands missing.hands", 2,
         "cannot read the script missing.hands"},
        {JADELAMP " run --help", 0, "jadelamp_program"},
    };
    shell_begin();
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        EXPECT_INT(shell(rows[i].line), rows[i].status);
        EXPECT_CONTAINS(output, rows[i].says);
    }
    EXPECT_INT(shell_files(), 3); /* named after the object, however often it ran */
    shell_end();
}

const struct test_group test_groups[] = {
    {"ends", ends},
    {"costs_are_measured", costs_are_measured},
    {"hands_on_a_run", hands_on_a_run},
    {"keys_on_a_run", keys_on_a_run},
    {"refused_runs", refused_runs},
    {"the_command_runs_an_object", the_command_runs_an_object},
    {NULL, NULL},
};
