/* Rigs: several panels on one board, as a product has them. */
#include "harness.h"

#include <stdlib.h>
#include <string.h>

#include "jadelamp/draw.h"
#include "jadelamp/host/frame_picture.h"
#include "jadelamp/host/rig.h"
#include "jadelamp/sim/touch.h"
#include "vcd.h"

enum { MOST = 3 };

static struct jl_complaint complaint;
static struct jl_card card;

static const struct row {
    const char *name;
    struct {
        const char *card;
        uint8_t address;   /* other than the card's */
        uint32_t clock_hz; /* other than the card's */
        double byte_us;    /* what a byte must take on its wires; parallel: a strobe */
    } panels[MOST];
    int buses;
} rows[] = {
    {"two OLEDs on I2C",
     {{"ssd1306-128x64-i2c", 0, 0, 22.5}, {"ssd1306-128x64-i2c", 0x3D, 0, 22.5}},
     1},
    {"a slow one slows its bus down",
     {{"ssd1306-128x64-i2c", 0, 0, 90}, {"sh1106-128x64-i2c", 0x3D, 100000, 90}},
     1},
    {"a fast one does not speed it up",
     {{"sh1106-128x64-i2c", 0x3D, 100000, 90}, {"ssd1306-128x64-i2c", 0, 0, 90}},
     1},
    {"TFT and OLED on SPI, each at its clock",
     {{"st7789-240x240-spi", 0, 0, 8 / 15.0}, {"ssd1331-96x64-spi", 0, 0, 8 / 6.0}},
     1},
    {"four and three wires, one bus",
     {{"uc1701-128x64-spi", 0, 0, 0}, {"uc1701-128x64-3wire", 0, 0, 0}},
     1},
    {"the st7920 has its own wires",
     {{"ssd1331-96x64-spi", 0, 0, 8 / 6.0}, {"st7920-128x64-serial", 0, 0, 0}},
     2},
    {"three kinds of wires",
     {{"st7735-128x160-spi", 0, 0, 8 / 15.0},
      {"ssd1306-128x64-i2c", 0, 0, 22.5},
      {"ili9341-240x320-8080", 0, 0, 0}},
     3},
};

/*
 * Touch beside the display: on its SPI bus at a clock of its own, or on I2C. A finger on a pixel of
 * the picture that is shown is read at that pixel, while pictures are sent in between.
 */
static void touch_beside_the_display(void) {
    static const struct {
        const char *card;
        uint8_t turn, mounting;
    } touch_rows[] = {
        {"ili9341-240x320-touch", JL_TURN_0, JL_TURN_0},
        {"ili9341-240x320-touch", JL_TURN_90, JL_TURN_270},
        {"ili9341-240x320-touch", JL_TURN_270, JL_TURN_180 | JL_TURN_MIRROR},
        {"gc9a01-240x240-touch", JL_TURN_0, JL_TURN_0},
        {"gc9a01-240x240-touch", JL_TURN_180, JL_TURN_90 | JL_TURN_MIRROR},
    };
    for (size_t i = 0; i < sizeof touch_rows / sizeof touch_rows[0]; i++) {
        struct jl_rig rig;
        struct jl_touch_map map;
        test_row("%s, turn %d, mounting %d", touch_rows[i].card, touch_rows[i].turn,
                 touch_rows[i].mounting);
        EXPECT(jl_card_find(touch_rows[i].card, &card, &complaint));
        card.turn = touch_rows[i].turn;
        card.touch.mounting = touch_rows[i].mounting;
        if (!EXPECT(jl_rig_open(&rig, &card, &complaint))) {
            continue;
        }
        EXPECT_INT(jl_panel_wake(&rig.panel), JL_OK);
        EXPECT_INT(jl_touch_wake(&rig.touch), JL_OK);
        if (card.touch.controller->driver->is_spi) {
            EXPECT_INT(jl_rig_calibrate(&rig, &map), JL_OK);
        }
        jl_clear(&rig.frame.target, JL_BLACK);
        jl_draw_pixel(&rig.frame.target, 100, 60, JL_WHITE);
        EXPECT_INT(jl_panel_present(&rig.panel, &rig.frame), JL_OK);
        jl_board_wait_ps(rig.board, (uint64_t)200000000000);
        /* Where it is lit on the upright glass, there the finger goes. */
        struct jl_picture glass;
        EXPECT(jl_device_picture(rig.device, &glass));
        int lit = 0;
        while (lit < glass.width * glass.height && glass.rgb[3 * lit] < 128) {
            lit++;
        }
        jl_touch_press(rig.touch_device, 0, lit % glass.width, lit / glass.width);
        struct jl_touch_point points[1];
        uint8_t count = 0;
        EXPECT_INT(jl_touch_read(&rig.touch, points, 1, &count), JL_OK);
        if (EXPECT_INT(count, 1)) {
            EXPECT(abs(points[0].x - 100) <= 1);
            EXPECT(abs(points[0].y - 60) <= 1);
        }
        EXPECT_INT((long long)jl_board_diagnostic_total(rig.board), 0);
        jl_picture_free(&glass);
        jl_rig_close(&rig);
    }
}

/* ---- the noise in the RAM at power-on ---- */

/* A port that looks at the glass after everything it does. */
static struct watch {
    struct jl_rig rig;
    int looks, lit;
} watch;

static void look_at_noise(void) {
    struct jl_picture glass;
    if (jl_device_why_dark(watch.rig.device)) {
        return;
    }
    watch.looks++;
    EXPECT(jl_device_picture(watch.rig.device, &glass));
    for (int i = 0; i < glass.width * glass.height * 3; i++) {
        watch.lit += glass.rgb[i] != 0;
    }
    jl_picture_free(&glass);
}

static jl_status watched_send(void *context, const struct jl_transfer *t) {
    const struct jl_port *inner = context;
    jl_status status = inner->ops->send(inner->context, t);
    look_at_noise();
    return status;
}

static jl_status watched_nine(void *context, const struct jl_transfer *t, bool data) {
    const struct jl_port *inner = context;
    jl_status status = inner->ops->send_nine(inner->context, t, data);
    look_at_noise();
    return status;
}

static jl_status watched_receive(void *context, const struct jl_transfer *t, uint8_t *bytes,
                                 size_t count) {
    const struct jl_port *inner = context;
    return inner->ops->receive(inner->context, t, bytes, count);
}

static void watched_wait(void *context, uint32_t microseconds) {
    const struct jl_port *inner = context;
    /* In pieces, since the light comes up somewhere in between. */
    for (int i = 0; i < 4; i++) {
        inner->ops->wait_us(inner->context, (microseconds + 3) / 4);
        look_at_noise();
    }
}

static void watched_pin(void *context, enum jl_pin pin, bool high) {
    const struct jl_port *inner = context;
    inner->ops->set_pin(inner->context, pin, high);
    look_at_noise();
}

static bool watched_get(void *context, enum jl_pin pin) {
    const struct jl_port *inner = context;
    return inner->ops->get_pin(inner->context, pin);
}

static void watch_card(void *context, const char *name, const char *path) {
    static const struct jl_port_ops ops = {.send = watched_send,
                                           .wait_us = watched_wait,
                                           .set_pin = watched_pin,
                                           .get_pin = watched_get,
                                           .receive = watched_receive,
                                           .send_nine = watched_nine};
    EXPECT(jl_card_read(path, &card, &complaint));
    /* Character modules show blocks until they are woken, paper its last picture, and memory LCDs
     * are white when they are clear. */
    if (!card.controller->driver || card.controller->driver->paper || card.controller->scanned ||
        card.format == &jl_black_white) {
        return;
    }
    ++*(int *)context;
    test_row("%s", name);
    watch.looks = watch.lit = 0;
    /* A slow bus, on which noise would be seen for long. */
    card.clock_hz = card.clock_hz ? 100000 : 0;
    card.cycle_ns = card.cycle_ns ? 10000 : 0;
    EXPECT(jl_rig_open(&watch.rig, &card, &complaint));
    struct jl_port inner = watch.rig.port, port = inner;
    port.ops = &ops;
    port.context = &inner;
    EXPECT_INT(jl_panel_open(&watch.rig.panel, &watch.rig.config, &port), JL_OK);
    EXPECT_INT(jl_panel_wake(&watch.rig.panel), JL_OK);
    if (card.module & JL_MODULE_LIGHT_WIRED) {
        EXPECT_INT(jl_panel_light(&watch.rig.panel, true), JL_OK);
    }
    watched_wait(&inner, 400000);
    EXPECT(watch.looks > 0);
    EXPECT_INT(watch.lit, 0);
    jl_rig_close(&watch.rig);
}

static void noise_is_never_lit(void) {
    int cards = 0;
    EXPECT(jl_share_cards("cards", watch_card, &cards));
    EXPECT(cards > 30);
}

static int open_all(const struct row *row, struct jl_rig *rigs) {
    int count = 0;
    for (; count < MOST && row->panels[count].card; count++) {
        EXPECT(jl_card_find(row->panels[count].card, &card, &complaint));
        if (row->panels[count].address) {
            card.i2c_address = row->panels[count].address;
        }
        if (row->panels[count].clock_hz) {
            card.clock_hz = row->panels[count].clock_hz;
        }
        EXPECT(jl_rig_open_beside(&rigs[count], &card, count ? rigs : NULL, &complaint));
        EXPECT_TEXT(complaint.text, "");
    }
    return count;
}

/* Something else on every panel, so that a byte at the wrong one is seen. */
static void present_own(struct jl_rig *rig, int number, double byte_us) {
    struct jl_rect all = rig->frame.target.bounds;
    jl_clear(&rig->frame.target, JL_BLACK);
    jl_stroke_rect(&rig->frame.target, all, JL_WHITE);
    jl_draw_line(&rig->frame.target, 0, 0, (int16_t)(all.w - 1), (int16_t)(10 + 9 * number),
                 JL_WHITE);
    double start_us = jl_rig_now_us(rig);
    uint64_t start_bytes = jl_rig_bus_bytes(rig);
    EXPECT_INT(jl_panel_present(&rig->panel, &rig->frame), JL_OK);
    double us = jl_rig_now_us(rig) - start_us;
    double ideal = byte_us * (double)(jl_rig_bus_bytes(rig) - start_bytes);
    EXPECT(ideal == 0 || (us > ideal * 0.99 && us < ideal * 1.03));
}

static void expect_own(struct jl_rig *rig) {
    struct jl_picture seen, drawn;
    EXPECT(jl_device_picture(rig->device, &seen));
    EXPECT(jl_frame_picture(&rig->frame, &drawn));
    EXPECT_PICTURE(&seen, &drawn, "rig");
    jl_picture_free(&seen);
    jl_picture_free(&drawn);
}

/* A bus is one clock wire, however many scopes it is declared in; each scope has its own name. */
static void expect_recording(const char *text, int count, int buses) {
    struct vcd vcd = vcd_parse(text);
    int clocks = 0, scopes = 0;
    EXPECT(vcd.good);
    for (int i = 0; i < vcd.wire_count; i++) {
        const char *name = vcd.wires[i].name;
        bool is_clock =
            strcmp(name, "scl") == 0 || strcmp(name, "sck") == 0 || strcmp(name, "wr") == 0;
        bool again = false, same_scope = false;
        for (int j = 0; j < i; j++) {
            again |= strcmp(vcd.wires[i].id, vcd.wires[j].id) == 0;
            same_scope |= strcmp(vcd.wires[i].scope, vcd.wires[j].scope) == 0;
        }
        clocks += is_clock && !again;
        scopes += !same_scope;
    }
    EXPECT_INT(clocks, buses);
    EXPECT_INT(scopes, count);
    vcd_free(&vcd);
}

static void panels_on_a_board(void) {
    struct jl_rig *rigs = calloc(MOST, sizeof *rigs);
    for (size_t r = 0; r < sizeof rows / sizeof rows[0]; r++) {
        const struct jl_diagnostic *list;
        struct vcd_text sink = {0};
        test_row("%s", rows[r].name);
        int count = open_all(&rows[r], rigs);
        EXPECT(jl_board_record(rigs->board, vcd_take, &sink));
        for (int i = 0; i < count; i++) {
            EXPECT_INT(jl_panel_wake(&rigs[i].panel), JL_OK);
        }
        for (int i = 0; i < count; i++) {
            present_own(&rigs[i], i, rows[r].panels[i].byte_us);
        }
        EXPECT(jl_board_record_end(rigs->board));
        expect_recording(sink.text, count, rows[r].buses);
        jl_board_wait_ps(rigs->board, 200000000000u);
        for (int i = 0; i < count; i++) {
            expect_own(&rigs[i]);
        }
        EXPECT_INT((int)jl_board_diagnostics(rigs->board, &list), 0);
        while (count--) {
            jl_rig_close(&rigs[count]);
        }
        free(sink.text);
    }
    free(rigs);
}

/* A guest that does not fit leaves the others working. */
static void guests_that_do_not_fit(void) {
    struct jl_rig *rigs = calloc(40, sizeof *rigs);
    int count = 0;
    EXPECT(jl_card_find("ssd1306-128x64-i2c", &card, &complaint));
    EXPECT(jl_rig_open(&rigs[count++], &card, &complaint));
    while (count < 40 && jl_rig_open_beside(&rigs[count], &card, rigs, &complaint)) {
        count++;
    }
    EXPECT_INT(count, 16); /* on one bus */
    EXPECT_CONTAINS(complaint.text, "cannot build the board for ");
    jl_rig_close(&rigs[count]); /* harmless */
    EXPECT_INT(jl_panel_wake(&rigs->panel), JL_OK);
    while (count--) {
        jl_rig_close(&rigs[count]);
    }
    free(rigs);
}

const struct test_group test_groups[] = {
    {"panels_on_a_board", panels_on_a_board},
    {"guests_that_do_not_fit", guests_that_do_not_fit},
    {"touch_beside_the_display", touch_beside_the_display},
    {"noise_is_never_lit", noise_is_never_lit},
    {NULL, NULL},
};
