/*
 * The board's other side: bytes and edges at times of their own, reading, outputs of devices, and
 * recordings whose time never goes back.
 */
#include "harness.h"

#include <stdlib.h>
#include <string.h>

#include "../sim/device.h"
#include "raw.h"
#include "stage.h"
#include "vcd.h"

static struct bus_log blocking, flying;

static void record_present(bool async, struct bus_log *log) {
    const struct make *make = make_named("ssd1331 96x64");
    struct vcd_text sink = {0};
    struct stage stage;
    struct jl_async sending;
    stage_open(&stage, make, &(struct wish){.ops = &jl_sim_port_rich_ops});
    EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
    EXPECT_INT(jl_async_init(&sending, &stage.panel, NULL, NULL), JL_OK);
    struct jl_frame frame = stage_frame(&stage, 0);
    struct jl_damage damage;
    jl_frame_track(&frame, &damage);
    EXPECT_INT(jl_panel_present(&stage.panel, &frame), JL_OK);
    for (int i = 0; i < 40; i++) {
        jl_draw_pixel(&frame.target, (int16_t)(i * 2), (int16_t)(i % 9 * 7),
                      JL_RGB(40u * (unsigned)i & 255u, 99, 201));
    }
    EXPECT(jl_board_record(stage.board, vcd_take, &sink));
    EXPECT_INT(async ? jl_async_present(&sending, &frame) : jl_panel_present(&stage.panel, &frame),
               JL_OK);
    while (async && jl_async_poll(&sending) == JL_BUSY) {
        jl_board_wait_ps(stage.board, 137000); /* looked at in the middle of bits */
    }
    EXPECT(jl_board_record_end(stage.board));
    struct vcd vcd = vcd_parse(sink.text);
    EXPECT(vcd.good);
    decode_spi(&vcd, vcd_wire(&vcd, "ssd1331_96x64", "cs"), vcd_wire(&vcd, "ssd1331_96x64", "sck"),
               vcd_wire(&vcd, "ssd1331_96x64", "mosi"), vcd_wire(&vcd, "ssd1331_96x64", "dc"), log);
    vcd_free(&vcd);
    free(sink.text);
    stage_close(&stage);
}

/* Not a bit is lost or added when a transfer is recorded while time goes on in little steps. */
static void asynchronous_recordings(void) {
    record_present(false, &blocking);
    record_present(true, &flying);
    EXPECT(blocking.count > 500);
    EXPECT_INT((long long)flying.count, (long long)blocking.count);
    for (size_t i = 0; i < blocking.count && i < flying.count; i++) {
        if (blocking.tokens[i].kind != flying.tokens[i].kind ||
            blocking.tokens[i].byte != flying.tokens[i].byte) {
            EXPECT_INT((long long)i, -1);
            break;
        }
    }
    EXPECT(!flying.changed_while_high);
}

/* TE edges between the edges of the bits, over several scans. */
static void tearing_recordings(void) {
    const struct make *make = make_named("st7789 240x240");
    for (int async = 0; async < 2; async++) {
        struct vcd_text sink = {0};
        struct stage stage;
        struct jl_async sending;
        test_row("async %d", async);
        stage_open(&stage, make, &(struct wish){.ops = &jl_sim_port_rich_ops});
        EXPECT_INT(jl_panel_wake(&stage.panel), JL_OK);
        EXPECT_INT(jl_async_init(&sending, &stage.panel, NULL, NULL), JL_OK);
        struct jl_frame frame = stage_frame(&stage, 0);
        EXPECT(jl_board_record(stage.board, vcd_take, &sink));
        EXPECT_INT(async ? jl_async_present(&sending, &frame)
                         : jl_panel_present(&stage.panel, &frame),
                   JL_OK);
        EXPECT_INT(jl_async_finish(&sending), JL_OK);
        jl_board_wait_ps(stage.board, 50000000000u);
        EXPECT(jl_board_record_end(stage.board));
        struct vcd vcd = vcd_parse(sink.text);
        EXPECT(vcd.good);
        int te = vcd_wire(&vcd, "st7789_240x240", "te"), rises = 0;
        for (size_t i = 0; i < vcd.edge_count; i++) {
            rises += vcd.edges[i].wire == te && vcd.edges[i].high && vcd.edges[i].ns > 0;
        }
        EXPECT(rises >= 5); /* 61 ms of picture and 50 of waiting, at 60 Hz */
        vcd_free(&vcd);
        free(sink.text);
        stage_close(&stage);
    }
}

/* ---- bytes and edges at times of their own ---- */

static void seen_on_i2c(void) {
    static const struct jl_glass glass = {.width = 128, .height = 64};
    struct jl_board *board = jl_board_create(1);
    struct jl_device *device = jl_board_add_device(board, &jl_emulated_ssd1306, "d", &glass);
    /* The bus of our own is slow; what was seen is not. */
    struct jl_i2c_bus *bus = jl_board_add_i2c(board, 1000, 5000000);
    const struct jl_diagnostic *list;
    EXPECT(jl_i2c_attach(bus, device, 0x3C));
    EXPECT(jl_board_go_to_ps(board, 7000));
    EXPECT(!jl_board_go_to_ps(board, 6999));
    jl_i2c_see_start(bus);
    EXPECT(jl_i2c_see_byte(bus, 0x78, 2500000));
    static const uint8_t bytes[] = {0x00, 0xAE, 0x8D, 0x14, 0xA5, 0xAF};
    for (size_t i = 0; i < sizeof bytes; i++) {
        EXPECT(jl_board_go_to_ps(board, 7000 + (i + 1) * 22500000));
        EXPECT(jl_i2c_see_byte(bus, bytes[i], 2500000));
    }
    jl_i2c_stop(bus);
    EXPECT_INT((long long)jl_i2c_byte_count(bus), 7);
    jl_board_wait_ps(board, 200000000000u);
    EXPECT(jl_device_why_dark(device) == NULL);
    for (size_t i = jl_board_diagnostics(board, &list); i > 0; i--) {
        EXPECT(list[i - 1].severity == JL_SEVERITY_NOTE);
    }
    /* Nobody at another address; and a clock that is seen to be too fast is reported. */
    jl_i2c_see_start(bus);
    EXPECT(!jl_i2c_see_byte(bus, 0x7A, 2500000));
    jl_i2c_see_start(bus);
    EXPECT(jl_i2c_see_byte(bus, 0x79, 1000000));
    EXPECT_INT(jl_i2c_see_read(bus) & 0x40, 0); /* on */
    size_t count = jl_board_diagnostics(board, &list);
    EXPECT_CONTAINS(list[count - 1].text, "I2C clock 1000000 Hz, the datasheet allows 400000 Hz");
    jl_board_destroy(board);
}

static void seen_on_spi(void) {
    struct raw raw =
        raw_open(&jl_emulated_ssd1306, (struct jl_glass){.width = 128, .height = 64}, 1000);
    static const uint8_t bytes[] = {0xAE, 0x8D, 0x14, 0xA5, 0xAF};
    const struct jl_diagnostic *list;
    jl_device_set_pin(raw.device, JL_DEVICE_DC, false);
    jl_device_set_pin(raw.device, JL_DEVICE_CS, false);
    uint64_t before = jl_board_now_ps(raw.board);
    jl_stream_see(raw.bus, bytes, sizeof bytes, 800000);
    EXPECT_INT((long long)(jl_board_now_ps(raw.board) - before), 5 * 800000);
    EXPECT_INT((long long)jl_board_diagnostics(raw.board, &list), 0);
    jl_stream_see(raw.bus, bytes, 1, 400000); /* 20 MHz */
    EXPECT_INT((long long)jl_board_diagnostics(raw.board, &list), 1);
    EXPECT_CONTAINS(list[0].text, "SPI clock 20.00 MHz");
    jl_board_destroy(raw.board);
}

/* ---- reading ---- */

/* Pulses of a line, each of half a cycle. */
static void expect_strobes(const struct vcd *vcd, const char *name, bool high, int count,
                           uint64_t half_ns) {
    int wire = vcd_wire(vcd, "p", name), strobes = 0;
    uint64_t begun = 0;
    bool within = false;
    for (size_t i = 0; i < vcd->edge_count; i++) {
        const struct vcd_edge *edge = &vcd->edges[i];
        if (edge->wire == wire && edge->high == high) {
            begun = edge->ns;
            within = true;
        } else if (edge->wire == wire && within) {
            EXPECT_INT((long long)(edge->ns - begun), (long long)half_ns);
            within = false;
            strobes++;
        }
    }
    EXPECT_INT(strobes, count);
}

static void read_under_cs(struct raw *raw, uint8_t command, uint8_t *bytes, size_t count) {
    jl_device_set_pin(raw->device, JL_DEVICE_DC, false);
    jl_device_set_pin(raw->device, JL_DEVICE_CS, false);
    jl_stream_write(raw->bus, &command, 1);
    jl_device_set_pin(raw->device, JL_DEVICE_DC, true);
    jl_stream_read(raw->bus, bytes, count);
    jl_device_set_pin(raw->device, JL_DEVICE_CS, true);
}

static void reads(void) {
    static const struct {
        const char *name;
        const struct jl_emulated_part *part;
        const char *script;
        uint8_t command;
        uint8_t bytes[5];
    } rows[] = {
        /* One dummy clock before the identity: 85 85 52 comes a bit late. */
        {"identity", &jl_emulated_st7789, "R ~120", 0x04, {0x42, 0xC2, 0xA9, 0x00}},
        {"identity 1", &jl_emulated_st7789, "R ~120", 0xDA, {0x85, 0}},
        {"identity 3", &jl_emulated_st7735, "R ~120", 0xDC, {0xF0, 0}},
        {"vendor identity", &jl_emulated_ili9341, "R ~120", 0xD3, {0x00, 0x00, 0x93, 0x41, 0}},
        {"asleep", &jl_emulated_ili9341, "R ~120", 0x0A, {0x08, 0}},
        {"awake", &jl_emulated_ili9341, "R ~120 C11 ~120 C29", 0x0A, {0x9C, 0}},
        {"idle", &jl_emulated_ili9341, "R ~120 C11 ~120 C29 C39", 0x0A, {0xDC, 0}},
        {"address mode", &jl_emulated_gc9a01, "R ~120 C36 D68", 0x0B, {0x68, 0}},
        {"pixel format", &jl_emulated_gc9a01, "R ~120 C3A D55", 0x0C, {0x55, 0}},
        {"not inverted", &jl_emulated_gc9a01, "R ~120", 0x0D, {0x00, 0}},
        {"inverted", &jl_emulated_gc9a01, "R ~120 C21", 0x0D, {0x20, 0}},
        {"brightness", &jl_emulated_ili9341, "R ~120 C51 DA7", 0x52, {0xA7, 0}},
        /* F800 and 07E0, in 18 bits, behind 8 dummy clocks. */
        {"memory",
         &jl_emulated_ili9341,
         "R ~120 C11 ~120 C3A D55 C2A D00000001 C2B D00000001 C2C DF80007E0",
         0x2E,
         {0x00, 0xFC, 0x00, 0x00, 0x00}},
        {"no register", &jl_emulated_ili9341, "R ~120", 0x36, {0x00, 0x00}},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct raw raw =
            raw_open(rows[i].part, (struct jl_glass){.width = 8, .height = 8}, 6000000);
        uint8_t bytes[5];
        test_row("%s", rows[i].name);
        raw_play(&raw, rows[i].script);
        read_under_cs(&raw, rows[i].command, bytes, sizeof bytes);
        EXPECT_BYTES(bytes, rows[i].bytes, 4);
        raw_expect_complaint(&raw, NULL);
        jl_board_destroy(raw.board);
    }
    /* Too fast for reading, though not for writing; and nobody there. */
    struct raw raw =
        raw_open(&jl_emulated_st7789, (struct jl_glass){.width = 8, .height = 8}, 15000000);
    uint8_t byte;
    raw_play(&raw, "R ~120");
    read_under_cs(&raw, 0xDA, &byte, 1);
    raw_expect_complaint(&raw, "read with a cycle of 66.7 ns, the datasheet asks for 150.0 ns");
    jl_stream_read(raw.bus, &byte, 1);
    EXPECT_INT(byte, 0xFF);
    jl_board_destroy(raw.board);

    /* On a parallel bus a whole byte comes first, and a recording shows D7..D0 and RD. */
    struct vcd_text sink = {0};
    struct jl_glass glass = {.width = 8, .height = 8};
    raw.board = jl_board_create(1);
    raw.bus = jl_board_add_8080(raw.board, 200, 0, 8);
    raw.device = jl_board_add_device(raw.board, &jl_emulated_st7789, "p", &glass);
    EXPECT(jl_stream_attach(raw.bus, raw.device));
    raw_play(&raw, "R ~120");
    EXPECT(jl_board_record(raw.board, vcd_take, &sink));
    uint8_t bytes[4];
    read_under_cs(&raw, 0x04, bytes, 4);
    EXPECT(jl_board_record_end(raw.board));
    EXPECT_BYTES(bytes, "\x00\x85\x85\x52", 4);
    struct vcd vcd = vcd_parse(sink.text);
    EXPECT(vcd.good);
    expect_strobes(&vcd, "rd", false, 4, 100);
    vcd_free(&vcd);
    free(sink.text);
    jl_board_destroy(raw.board);

    /* On a 6800 bus the same line strobes both ways: a command, and a status that is read. */
    sink = (struct vcd_text){0};
    glass = (struct jl_glass){.width = 128, .height = 64, .kind = JL_GLASS_LCD_GREY};
    raw.board = jl_board_create(1);
    raw.bus = jl_board_add_6800(raw.board, 1000, 0);
    raw.device = jl_board_add_device(raw.board, &jl_emulated_st7565, "p", &glass);
    EXPECT(jl_stream_attach(raw.bus, raw.device));
    raw_play(&raw, "R ~6 CA1");
    EXPECT(jl_board_record(raw.board, vcd_take, &sink));
    jl_device_set_pin(raw.device, JL_DEVICE_CS, false);
    jl_device_set_pin(raw.device, JL_DEVICE_DC, false);
    jl_stream_read(raw.bus, bytes, 3);
    jl_device_set_pin(raw.device, JL_DEVICE_CS, true);
    EXPECT(jl_board_record_end(raw.board));
    vcd = vcd_parse(sink.text);
    EXPECT(vcd.good);
    expect_strobes(&vcd, "e", true, 3, 500);
    vcd_free(&vcd);
    free(sink.text);
    jl_board_destroy(raw.board);
}

/* ---- outputs of devices ---- */

/* A made-up part: busy for 3 us of every 10, and touched from 5 us on. */
static bool made_up_output(struct jl_device *device, enum jl_device_pin pin, uint64_t at_ps) {
    (void)device;
    return pin == JL_DEVICE_BUSY ? at_ps % 10000000 < 3000000 : at_ps >= 5000000;
}
static uint64_t made_up_change(struct jl_device *device, enum jl_device_pin pin,
                               uint64_t after_ps) {
    (void)device;
    if (pin == JL_DEVICE_BUSY) {
        uint64_t start = after_ps / 10000000 * 10000000;
        return after_ps - start < 3000000 ? start + 3000000 : start + 10000000;
    }
    return after_ps < 5000000 ? 5000000 : UINT64_MAX;
}
static bool made_up_fits(const struct jl_emulated_part *part, const struct jl_glass *glass) {
    return part != NULL && glass != NULL;
}
static void made_up_nothing(struct jl_device *device) {
    (void)device;
}

static void outputs(void) {
    static const struct machine machine = {.fits = made_up_fits,
                                           .power_on = made_up_nothing,
                                           .outputs = 1u << JL_DEVICE_BUSY | 1u << JL_DEVICE_PEN,
                                           .output = made_up_output,
                                           .output_change = made_up_change};
    static const struct jl_emulated_part part = {
        .name = "made up", .machine = &machine, .state_bytes = 1};
    struct jl_glass glass = {.width = 1, .height = 1};
    struct vcd_text sink = {0};
    struct jl_board *board = jl_board_create(1);
    struct jl_device *device = jl_board_add_device(board, &part, "m", &glass);
    struct jl_sim_port sim = {.board = board, .device = device};
    EXPECT(jl_board_record(board, vcd_take, &sink));
    EXPECT(jl_sim_port_ops.get_pin(&sim, JL_PIN_BUSY));
    EXPECT(!jl_device_pin(device, JL_DEVICE_PEN));
    EXPECT(!jl_device_pin(device, JL_DEVICE_TE)); /* it has none */
    jl_board_wait_ps(board, 4000000);
    EXPECT(!jl_sim_port_ops.get_pin(&sim, JL_PIN_BUSY));
    jl_board_wait_ps(board, 30000000);
    EXPECT(jl_device_pin(device, JL_DEVICE_PEN));
    EXPECT(jl_board_record_end(board));
    struct vcd vcd = vcd_parse(sink.text);
    EXPECT(vcd.good);
    int busy = vcd_wire(&vcd, "m", "busy"), pen = vcd_wire(&vcd, "m", "pen"), edges = 0;
    for (size_t i = 0; i < vcd.edge_count; i++) {
        if (vcd.edges[i].wire == pen && vcd.edges[i].high) {
            EXPECT_INT((long long)vcd.edges[i].ns, 5000);
        }
        edges += vcd.edges[i].wire == busy;
    }
    EXPECT(edges >= 7);
    vcd_free(&vcd);
    free(sink.text);
    jl_board_destroy(board);
}

const struct test_group test_groups[] = {
    {"asynchronous_recordings", asynchronous_recordings},
    {"tearing_recordings", tearing_recordings},
    {"seen_on_i2c", seen_on_i2c},
    {"seen_on_spi", seen_on_spi},
    {"reads", reads},
    {"outputs", outputs},
    {NULL, NULL},
};
