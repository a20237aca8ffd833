/* The board's wires: a recording decodes to the bytes sent, with the timing of the standards. */
#include "harness.h"

#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "bench_panel.h"
#include "jadelamp/host/rig.h"
#include "jadelamp/jadelamp.h"
#include "jadelamp/sim/faults.h"
#include "vcd.h"

static struct bus_log decoded;

static void expect_tokens(const char *kinds, const uint8_t *bytes) {
    size_t count = strlen(kinds);
    EXPECT_INT((long long)decoded.count, (long long)count);
    for (size_t i = 0; i < count && i < decoded.count; i++) {
        test_row("token %zu", i);
        EXPECT_INT(decoded.tokens[i].kind, kinds[i]);
        EXPECT_INT(decoded.tokens[i].byte, bytes[i]);
    }
}

/* Least times of UM10204 table 10, ns: standard mode up to 100 kHz, fast mode to 400 kHz. */
static void i2c_recording(void) {
    static const struct {
        uint32_t hz;
        unsigned low, high, data_setup, start_hold, stop_setup, bus_free;
    } modes[] = {{100000, 4700, 4000, 250, 4000, 4000, 4700},
                 {400000, 1300, 600, 100, 600, 600, 1300}};
    for (int i = 0; i < 2; i++) {
        struct vcd_text sink = {0};
        struct jl_glass glass = {.width = 128, .height = 64};
        struct jl_board *board = jl_board_create(1);
        struct jl_device *device =
            jl_board_add_device(board, &jl_emulated_ssd1306, "quay gauge", &glass);
        struct jl_device *second =
            jl_board_add_device(board, &jl_emulated_ssd1306, "spare", &glass);
        struct jl_i2c_bus *bus = jl_board_add_i2c(board, modes[i].hz, 20000);
        EXPECT(jl_i2c_attach(bus, device, 0x3C) && jl_i2c_attach(bus, second, 0x3D));
        EXPECT(jl_board_record(board, vcd_take, &sink));
        EXPECT(!jl_board_record(board, vcd_take, &sink)); /* one recording at a time */
        EXPECT(jl_i2c_start(bus));
        EXPECT(jl_i2c_write(bus, 0x78));
        EXPECT(jl_i2c_write(bus, 0x00));
        EXPECT(jl_i2c_write(bus, 0xA5));
        jl_i2c_stop(bus);
        EXPECT(jl_i2c_start(bus));
        EXPECT(!jl_i2c_write(bus, 0x4E)); /* nobody there */
        jl_i2c_stop(bus);
        EXPECT(jl_i2c_start(bus));
        EXPECT(jl_i2c_write(bus, 0x78));
        EXPECT(jl_i2c_start(bus)); /* repeated */
        EXPECT(jl_i2c_write(bus, 0x79));
        EXPECT_INT(jl_i2c_read(bus, false), 0x40); /* status: display off */
        jl_i2c_stop(bus);
        /* START and STOP 3 times, a repeated START of 1.4 bits, 7 bytes, 3 pauses of 20 us. */
        uint64_t bit_ps = 1000000000000u / modes[i].hz;
        EXPECT_INT((long long)jl_board_now_ps(board),
                   (long long)(bit_ps * (60 + 14 + 7 * 90) / 10 + 3 * 20000000));
        EXPECT(jl_board_record_end(board));
        EXPECT(!jl_board_record_end(board));

        struct vcd vcd = vcd_parse(sink.text);
        EXPECT(vcd.good);
        EXPECT_CONTAINS(sink.text, "$timescale 1 ns $end");
        EXPECT_INT((long long)vcd.end_ns, (long long)(jl_board_now_ps(board) / 1000));
        int scl = vcd_wire(&vcd, "quay_gauge", "scl"), sda = vcd_wire(&vcd, "quay_gauge", "sda");
        EXPECT(scl >= 0 && sda >= 0 && vcd_wire(&vcd, "quay_gauge", "reset") >= 0);
        decode_i2c(&vcd, scl, sda, &decoded);
        static const uint8_t bytes[] = {0, 0x78, 0x00, 0xA5, 0,    0,    0x4E,
                                        0, 0,    0x78, 0,    0x79, 0x40, 0};
        expect_tokens("SAAAPSNPSASANP", bytes);
        test_row("%u Hz", (unsigned)modes[i].hz);
        EXPECT(!decoded.changed_while_high);
        EXPECT(decoded.low >= modes[i].low && decoded.low < 1000000);
        EXPECT(decoded.high >= modes[i].high && decoded.high < 1000000);
        EXPECT(decoded.data_setup >= modes[i].data_setup && decoded.data_setup < 1000000);
        EXPECT(decoded.start_hold >= modes[i].start_hold && decoded.start_hold < 1000000);
        EXPECT(decoded.stop_setup >= modes[i].stop_setup && decoded.stop_setup < 1000000);
        EXPECT(decoded.bus_free >= modes[i].bus_free && decoded.bus_free < 1000000);
        /* The other device on the bus declares the same wires in its own scope. */
        decode_i2c(&vcd, vcd_wire(&vcd, "spare", "scl"), vcd_wire(&vcd, "spare", "sda"), &decoded);
        expect_tokens("SAAAPSNPSASANP", bytes);
        vcd_free(&vcd);
        free(sink.text);
        jl_board_destroy(board);
    }
}

static void spi_recording(void) {
    for (int mode = 0; mode <= 3; mode += 3) {
        struct vcd_text sink = {0};
        struct jl_glass glass = {.width = 128, .height = 64};
        struct jl_board *board = jl_board_create(1);
        struct jl_device *device = jl_board_add_device(board, &jl_emulated_ssd1306, "d", &glass);
        struct jl_stream_bus *bus = jl_board_add_spi(board, 8000000, 2000, mode);
        static const uint8_t command[] = {0x21, 0x0A, 0x80}, data[] = {0x55, 0x01};
        EXPECT(jl_stream_attach(bus, device));
        EXPECT(jl_board_record(board, vcd_take, &sink));
        jl_device_set_pin(device, JL_DEVICE_DC, false);
        jl_device_set_pin(device, JL_DEVICE_CS, false);
        jl_stream_write(bus, command, sizeof command);
        jl_device_set_pin(device, JL_DEVICE_DC, true);
        jl_stream_write(bus, data, sizeof data);
        jl_device_set_pin(device, JL_DEVICE_CS, true);
        jl_stream_write(bus, data, sizeof data); /* to nobody */
        EXPECT_INT((long long)jl_board_now_ps(board),
                   (3 * 8 + 2 * 8 + 2 * 8) * 125000 + 3 * 2000000);
        EXPECT(jl_board_record_end(board));
        struct vcd vcd = vcd_parse(sink.text);
        EXPECT(vcd.good);
        decode_spi(&vcd, vcd_wire(&vcd, "d", "cs"), vcd_wire(&vcd, "d", "sck"),
                   vcd_wire(&vcd, "d", "mosi"), vcd_wire(&vcd, "d", "dc"), &decoded);
        static const uint8_t bytes[] = {0x21, 0x0A, 0x80, 0x55, 0x01};
        expect_tokens("CCCDD", bytes);
        EXPECT(!decoded.changed_while_high);
        EXPECT(decoded.data_setup >= 62 && decoded.data_setup < 1000);
        vcd_free(&vcd);
        free(sink.text);
        jl_board_destroy(board);
    }
}

/* A sink that refuses is reported at the end, and nothing breaks meanwhile. */
static void recording_into_a_full_disk(void) {
    struct vcd_text sink = {.refuse_after = 900};
    struct bench_panel bench;
    struct jl_panel_config usual = bench_usual_config();
    bench_open_usual(&bench, &usual);
    EXPECT(jl_board_record(bench.board, vcd_take, &sink));
    EXPECT_INT(jl_panel_wake(&bench.panel), JL_OK);
    EXPECT(!jl_board_record_end(bench.board));
    free(sink.text);
    bench_close(&bench);
}

/* Wake and present, recorded and decoded: the driver's traffic as a person with a probe sees it. */
static void whole_present_on_the_wires(void) {
    struct vcd_text sink = {0};
    struct bench_panel bench;
    struct jl_panel_config usual = bench_usual_config();
    bench_open_usual(&bench, &usual);
    EXPECT_INT(jl_panel_wake(&bench.panel), JL_OK);
    jl_draw_test_card(&bench.frame.target, "wires");
    EXPECT(jl_board_record(bench.board, vcd_take, &sink));
    uint64_t start_ns = jl_board_now_ps(bench.board) / 1000;
    EXPECT_INT(jl_panel_present(&bench.panel, &bench.frame), JL_OK);
    EXPECT(jl_board_record_end(bench.board));
    struct vcd vcd = vcd_parse(sink.text);
    decode_i2c(&vcd, vcd_wire(&vcd, "oled", "scl"), vcd_wire(&vcd, "oled", "sda"), &decoded);
    static const uint8_t window[] = {0x78, 0x00, 0x21, 0x00, 0x7F, 0x22, 0x00, 0x07};
    EXPECT_INT((long long)decoded.count, 1 + 8 + 1 + 1 + 2 + 1024 + 1);
    for (size_t i = 0; i < sizeof window; i++) {
        EXPECT_INT(decoded.tokens[1 + i].byte, window[i]);
    }
    for (size_t i = 0; i < 1024; i++) {
        test_row("byte %zu", i);
        EXPECT_INT(decoded.tokens[13 + i].byte, bench.pixels[i]);
        EXPECT_INT(decoded.tokens[13 + i].kind, 'A');
    }
    /* 9310 bits: START, STOP and 8 bytes of 9 bits; START, STOP and 1026 bytes. */
    EXPECT_INT((long long)(vcd.end_ns - start_ns), 9310 * 2500);
    vcd_free(&vcd);
    free(sink.text);
    bench_close(&bench);
}

static void limits_are_kept(void) {
    struct jl_glass glass = {.width = 128, .height = 64};
    struct jl_glass too_wide = {.width = 129, .height = 64};
    struct jl_glass off_edge = {.width = 72, .height = 40, .column_offset = 57};
    struct jl_board *board = jl_board_create(1);
    EXPECT(jl_board_add_device(board, &jl_emulated_ssd1306, "x", &too_wide) == NULL);
    EXPECT(jl_board_add_device(board, &jl_emulated_ssd1306, "x", &off_edge) == NULL);
    EXPECT(jl_board_add_i2c(board, 999, 0) == NULL);
    EXPECT(jl_board_add_i2c(board, 5000001, 0) == NULL);
    EXPECT(jl_board_add_spi(board, 8000000, 0, 1) == NULL);
    EXPECT(jl_board_add_spi(board, 999, 0, 0) == NULL);
    EXPECT(jl_board_add_spi(board, 200000001, 0, 0) == NULL);
    EXPECT(jl_board_add_8080(board, 0, 0, 8) == NULL);
    EXPECT(jl_board_add_8080(board, 1000001, 0, 8) == NULL);
    EXPECT(jl_board_add_8080(board, 100, 0, 9) == NULL);
    EXPECT(jl_board_add_6800(board, 0, 0) == NULL);
    EXPECT(jl_board_add_6800(board, 1000001, 0) == NULL);
    struct jl_stream_bus *lines = jl_board_add_8080(board, 100, 0, 16);
    EXPECT(lines && !jl_stream_clock(lines, 1000000)); /* it has none */
    EXPECT(!jl_stream_slow_down(lines, 0) && !jl_stream_slow_down(lines, 1001));
    EXPECT(jl_stream_slow_down(lines, 1000));
    jl_board_destroy(board);
    board = jl_board_create(1);
    struct jl_i2c_bus *bus = NULL;
    for (int i = 0; i < 8; i++) {
        bus = jl_board_add_i2c(board, 100000, 0);
        EXPECT(bus != NULL);
        EXPECT(jl_board_add_spi(board, 100000, 0, 0) != NULL);
    }
    EXPECT(jl_board_add_i2c(board, 100000, 0) == NULL);
    EXPECT(jl_board_add_spi(board, 100000, 0, 0) == NULL);
    struct jl_device *device = NULL;
    for (int i = 0; i < 32; i++) {
        device = jl_board_add_device(board, &jl_emulated_ssd1306,
                                     "a name much longer than thirty-one characters", &glass);
        EXPECT(device != NULL);
        EXPECT_INT(jl_i2c_attach(bus, device, 0x3C), i < 16);
    }
    EXPECT(jl_board_add_device(board, &jl_emulated_ssd1306, "x", &glass) == NULL);
    EXPECT(!jl_i2c_attach(bus, device, 0x78));
    jl_board_destroy(board);
    jl_board_destroy(NULL);
}

static void scan_finds_each_address(void) {
    struct jl_glass glass = {.width = 128, .height = 64};
    uint8_t found[16];
    for (int address = 0x08; address <= 0x77; address++) {
        struct jl_board *board = jl_board_create(1);
        struct jl_device *device = jl_board_add_device(board, &jl_emulated_ssd1306, "x", &glass);
        struct jl_sim_port sim = {.board = board, .i2c = jl_board_add_i2c(board, 400000, 0)};
        struct jl_port port = {.ops = &jl_sim_port_ops, .context = &sim};
        test_row("address 0x%02X", (unsigned)address);
        EXPECT(jl_i2c_attach(sim.i2c, device, (uint8_t)address));
        EXPECT_INT(jl_scan_i2c(&port, found), JL_OK);
        for (int a = 0; a < 128; a++) {
            EXPECT_INT(JL_SCAN_FOUND(found, a), a == address);
        }
        jl_i2c_hold_sda(sim.i2c, true);
        EXPECT_INT(jl_scan_i2c(&port, found), JL_TIMEOUT);
        jl_board_destroy(board);
    }
    EXPECT_INT(jl_scan_i2c(NULL, found), JL_BAD_ARGUMENT);
}

/* 8080: what the lines hold as WR rises, and TE beside it; DMA recorded like the rest. */
static void parallel_and_te_recorded(void) {
    static const uint8_t script[] = {0x11, 0x35, 0x29, 0xA5, 0x5A, 0x0F};
    for (int lines = 8; lines <= 16; lines += 8) {
        for (int dma = 0; dma < 2; dma++) {
            struct vcd_text sink = {0};
            struct jl_board *board = jl_board_create(5);
            struct jl_glass glass = {.width = 240, .height = 240};
            struct jl_stream_bus *bus = jl_board_add_8080(board, 100, 0, lines);
            struct jl_device *device =
                jl_board_add_device(board, &jl_emulated_st7789, "tft", &glass);
            uint16_t words[6];
            test_row("%d lines, DMA %d", lines, dma);
            EXPECT(jl_stream_attach(bus, device));
            EXPECT(jl_board_record(board, vcd_take, &sink));
            jl_device_set_pin(device, JL_DEVICE_DC, false);
            jl_device_set_pin(device, JL_DEVICE_CS, false);
            for (int i = 0; i < 6; i++) {
                words[i] = (uint16_t)(script[i] | (lines == 16 ? 0x9000 : 0));
                const uint8_t *bytes = lines == 16 ? (const uint8_t *)&words[i] : &script[i];
                if (dma) {
                    EXPECT(jl_stream_start(bus, bytes, (size_t)lines / 8));
                    jl_stream_finish(bus);
                } else {
                    jl_stream_write(bus, bytes, (size_t)lines / 8);
                }
                jl_board_wait_ps(board, 6000000000u);
            }
            jl_board_wait_ps(board, 100000000000u);
            EXPECT(jl_board_record_end(board));
            struct vcd vcd = vcd_parse(sink.text);
            EXPECT(vcd.good);
            int wr = vcd_wire(&vcd, "tft", "wr"), te = vcd_wire(&vcd, "tft", "te"), strobes = 0;
            int te_rises = 0;
            unsigned value = 0;
            uint64_t fell = 0, te_rose = 0;
            for (size_t i = 0; i < vcd.edge_count; i++) {
                const struct vcd_edge *edge = &vcd.edges[i];
                const char *name = vcd.wires[edge->wire].name;
                int line = 0;
                if (name[0] == 'd' && sscanf(name, "d%d", &line) == 1) {
                    value = edge->high ? value | 1u << line : value & ~(1u << line);
                } else if (edge->wire == wr && !edge->high) {
                    fell = edge->ns;
                } else if (edge->wire == wr && edge->ns && strobes < 6) {
                    EXPECT_INT(value, words[strobes]);
                    EXPECT_INT((long long)(edge->ns - fell), 50);
                    strobes++;
                } else if (edge->wire == te && edge->high) {
                    /* C6 0F after reset: (320 + 24) lines of 49 us */
                    if (te_rises++ > 1) {
                        EXPECT_INT((long long)(edge->ns - te_rose), 344 * 49000);
                    }
                    te_rose = edge->ns;
                }
            }
            EXPECT_INT(strobes, 6);
            EXPECT(te_rises >= 5);
            vcd_free(&vcd);
            free(sink.text);
            jl_board_destroy(board);
        }
    }
}

/* ---- calls as time passes ---- */

struct witness {
    struct jl_rig *rig;
    uint64_t step_ps, last_ps;
    int calls, early, half_sent;
};

static uint64_t witness(void *context, uint64_t now_ps) {
    struct witness *seen = context;
    struct jl_picture glass;
    seen->calls++;
    seen->early += seen->calls > 1 && now_ps != seen->last_ps + seen->step_ps;
    seen->early += now_ps != jl_board_now_ps(seen->rig->board);
    seen->last_ps = now_ps;
    if (jl_device_picture(seen->rig->device, &glass)) {
        const uint8_t *first = jl_picture_at(&glass, 60, 5), *last = jl_picture_at(&glass, 60, 300);
        seen->half_sent += first[1] == 255 && last[1] == 0;
        jl_picture_free(&glass);
    }
    return now_ps + seen->step_ps;
}

static uint64_t count_only(void *context, uint64_t now_ps) {
    ++*(int *)context;
    return now_ps; /* not later: the next picosecond is meant */
}

/* Within waits, blocking transfers and DMA, at the times that were asked for. */
static void calls_as_time_passes(void) {
    static struct jl_card card;
    static struct jl_rig rig;
    struct jl_complaint complaint = {""};
    int calls = 0;
    EXPECT(jl_card_find("st7789-240x320-spi", &card, &complaint));
    EXPECT(jl_rig_open(&rig, &card, &complaint));
    EXPECT_INT(jl_rig_wake(&rig), JL_OK);
    jl_clear(&rig.frame.target, JL_WHITE);
    uint64_t begun_ps = jl_board_now_ps(rig.board);
    struct witness seen = {.rig = &rig, .step_ps = 1000000000};
    jl_board_on_time(rig.board, witness, &seen);
    EXPECT_INT(jl_rig_present(&rig), JL_OK);
    uint64_t took_ps = jl_board_now_ps(rig.board) - begun_ps;
    EXPECT_INT(seen.calls, (int)(took_ps / seen.step_ps) + 1);
    EXPECT_INT(seen.early, 0);
    EXPECT(seen.half_sent > seen.calls / 2); /* between row 5 and row 300 of 320 */
    /* The same while DMA is under way, and in a wait. */
    jl_clear(&rig.frame.target, JL_BLACK);
    EXPECT_INT(jl_rig_present(&rig), JL_OK);
    jl_clear(&rig.frame.target, JL_WHITE);
    int before = seen.half_sent;
    struct jl_async sending;
    EXPECT_INT(jl_async_init(&sending, &rig.panel, NULL, NULL), JL_OK);
    EXPECT_INT(jl_async_present(&sending, &rig.frame), JL_OK);
    jl_board_wait_ps(rig.board, took_ps / 2);
    EXPECT(seen.half_sent > before + 5);
    EXPECT_INT(seen.early, 0);
    EXPECT_INT(jl_async_finish(&sending), JL_OK);
    jl_board_on_time(rig.board, count_only, &calls);
    jl_board_wait_ps(rig.board, 9);
    EXPECT_INT(calls, 10);
    jl_board_on_time(rig.board, NULL, NULL);
    jl_board_wait_ps(rig.board, 100);
    EXPECT_INT(calls, 10);
    jl_rig_close(&rig);
}

const struct test_group test_groups[] = {
    {"i2c_recording", i2c_recording},
    {"spi_recording", spi_recording},
    {"recording_into_full_disk", recording_into_a_full_disk},
    {"whole_present", whole_present_on_the_wires},
    {"limits_are_kept", limits_are_kept},
    {"scan_finds", scan_finds_each_address},
    {"parallel_and_te_recorded", parallel_and_te_recorded},
    {"calls_as_time_passes", calls_as_time_passes},
    {NULL, NULL},
};
