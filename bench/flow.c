/*
 * What a colour panel's work costs on each bus, in virtual time: exact and the same in every run.
 * "ideal" is the payload alone: 8 clocks a byte on SPI, 9 with three wires, a strobe a byte or a
 * word on 8080. A transfer's overhead is what the firmware's bus driver takes for each call.
 */
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "jadelamp/host/connect.h"
#include "jadelamp/jadelamp.h"
#include "jadelamp/sim/emulators.h"
#include "jadelamp/sim/sim_port.h"

enum { W = 240, H = 320, CLOCK_HZ = 15151515, CYCLE_NS = 66 };

static const struct bus_row {
    const char *name;
    const struct jl_bus *bus;
    const struct jl_format *format;
} buses[] = {
    {"SPI 15.15 MHz", &jl_bus_spi, &jl_rgb565},
    {"3-wire 15.15 MHz", &jl_bus_spi_3wire, &jl_rgb565},
    {"8080, 8 bits, 66 ns", &jl_bus_8080_8, &jl_rgb565},
    {"8080, 16 bits, 66 ns", &jl_bus_8080_16, &jl_rgb565_cpu},
};
static const uint32_t overheads_ns[] = {0, 2000, 20000};

static struct {
    struct jl_board *board;
    struct jl_sim_port sim;
    struct jl_port port;
    struct jl_panel_config config;
    struct jl_panel panel;
    struct jl_frame frame, other;
    struct jl_damage damage;
    struct jl_async async;
    const struct bus_row *bus;
} s;

static uint16_t memory[2][W * H], bands[2][W * 16];
static uint16_t work_memory[1024]; /* gathers narrow areas; fills on three wires */

static void must(jl_status status) {
    if (status != JL_OK) {
        fprintf(stderr, "bench: %s\n", jl_status_text(status));
        exit(1);
    }
}

static void open_station(const struct bus_row *bus, uint32_t overhead_ns, bool track) {
    memset(&s, 0, sizeof s);
    s.bus = bus;
    s.board = jl_board_create(1);
    s.port = (struct jl_port){.ops = &jl_sim_port_rich_ops,
                              .context = &s.sim,
                              .least_start_bytes = 64,
                              .work_memory = (uint8_t *)work_memory,
                              .work_memory_bytes = sizeof work_memory};
    s.config = (struct jl_panel_config){.controller = &jl_st7789,
                                        .bus = bus->bus,
                                        .format = bus->format,
                                        .width = W,
                                        .height = H,
                                        .module = JL_MODULE_IPS};
    struct jl_glass glass = jl_glass_described(&s.config, JL_GLASS_TFT);
    s.sim.board = s.board;
    struct jl_device *device = jl_board_add_device(s.board, &jl_emulated_st7789, "tft", &glass);
    if (!device || !jl_connect(&s.sim, device,
                               &(struct jl_connection){.bus = bus->bus->kind,
                                                       .clock_hz = CLOCK_HZ,
                                                       .cycle_ns = CYCLE_NS,
                                                       .overhead_ns = overhead_ns})) {
        must(JL_BAD_BUS);
    }
    must(jl_frame_init(&s.frame, bus->format, W, H, memory[0], sizeof memory[0]));
    must(jl_frame_init(&s.other, bus->format, W, H, memory[1], sizeof memory[1]));
    if (track) {
        jl_frame_track(&s.frame, &s.damage);
    }
    must(jl_panel_open(&s.panel, &s.config, &s.port));
    must(jl_panel_wake(&s.panel));
    must(jl_async_init(&s.async, &s.panel, NULL, NULL));
    must(jl_panel_present(&s.panel, &s.frame));
}

static double ideal_us(double payload) {
    switch (s.bus->bus->kind) {
    case JL_BUS_SPI:
        return payload * 8 * 0.066;
    case JL_BUS_SPI_3WIRE:
        return payload * 9 * 0.066;
    case JL_BUS_8080_8:
        return payload * 0.066;
    default:
        return payload / 2 * 0.066;
    }
}

/* ---- the work; each leaves what changed to be presented ---- */

static const struct jl_text_style style = {.font = &jl_font_6x8, .ink = JL_WHITE};

static void full_frame(void) {
    jl_frame_damage_all(&s.frame);
}
static void line(void) {
    jl_draw_line(&s.frame.target, 20, 100, 219, 100, JL_AQUA);
}
static void glyph(void) {
    jl_text(&s.frame.target, 100, 50, "7", &style);
}
static void ten_changes(void) {
    for (int i = 0; i < 10; i++) {
        jl_text(&s.frame.target, (int16_t)(10 + i % 2 * 120), (int16_t)(20 + i / 2 * 60), "3.91",
                &style);
    }
}
static void chart(void) {
    struct jl_rect area = {20, 150, 200, 100};
    jl_frame_scroll(&s.frame, area, -1, 0, JL_NAVY);
    jl_fill_rect(&s.frame.target, (struct jl_rect){219, 190, 1, 60}, JL_AQUA);
}

static const struct {
    const char *name;
    void (*work)(void);
    double payload; /* bytes of the pixels that change */
} works[] = {
    {"full frame", full_frame, W *H * 2},
    {"full clear", NULL, W *H * 2},
    {"line of 200 pixels", line, 400},
    {"glyph 6x8", glyph, 96},
    {"ten texts of 24x8", ten_changes, 10 * 24 * 8 * 2},
    {"chart 200x100 by 1", chart, 200 * 100 * 2},
};

static void clear_directly(void) {
    struct jl_direct direct;
    uint8_t pixel[2];
    must(jl_direct_init(&direct, &s.panel, pixel, sizeof pixel));
    jl_clear(&direct.target, JL_ORANGE);
    must(direct.status);
}

/* What a present keeps the processor waiting. */
static double run(void (*work)(void), bool async) {
    must(jl_async_finish(&s.async));
    uint64_t start = jl_board_now_ps(s.board);
    if (!work) {
        clear_directly();
    } else {
        work();
        must(async ? jl_async_present(&s.async, &s.frame) : jl_panel_present(&s.panel, &s.frame));
    }
    return (double)(jl_board_now_ps(s.board) - start) / 1e6;
}

static void table(void) {
    for (size_t o = 0; o < 3; o++) {
        printf("st7789, 240x320, 5-6-5; %u us of overhead a transfer\n"
               "  %-22s %-20s %8s %12s %12s %9s %12s\n",
               (unsigned)(overheads_ns[o] / 1000), "", "", "bytes", "us", "ideal us", "over",
               "async us");
        for (size_t b = 0; b < 4; b++) {
            for (size_t w = 0; w < sizeof works / sizeof works[0]; w++) {
                open_station(&buses[b], overheads_ns[o], true);
                uint64_t bytes = jl_stream_byte_count(s.sim.stream);
                double us = run(works[w].work, false);
                bytes = jl_stream_byte_count(s.sim.stream) - bytes;
                double ideal = ideal_us(works[w].payload);
                printf("  %-22s %-20s %8llu %12.1f %12.1f %8.2f %%", buses[b].name, works[w].name,
                       (unsigned long long)bytes, us, ideal, (us / ideal - 1) * 100);
                if (works[w].work) {
                    printf(" %12.1f", run(works[w].work, true));
                }
                putchar('\n');
                jl_board_destroy(s.board);
            }
        }
    }
}

/* ---- drawing while sending ---- */

enum { PICTURES = 20, SLICES = 64 };

/* A drawing that takes so long; a main loop that looks after the wire now and then. */
static void draw_for(double us) {
    for (int i = 0; i < SLICES; i++) {
        jl_board_wait_ps(s.board, (uint64_t)(us * 1e6 / SLICES));
        jl_status status = jl_async_poll(&s.async);
        must(status == JL_BUSY ? JL_OK : status); /* still under way */
    }
}

static void present_blocking(double draw_us) {
    draw_for(draw_us);
    must(jl_panel_present(&s.panel, &s.frame));
}
static void present_two_frames(double draw_us) {
    static int turn;
    draw_for(draw_us);
    must(jl_async_present(&s.async, turn++ % 2 ? &s.other : &s.frame));
}
static void present_bands(double draw_us) {
    struct jl_bands run;
    must(jl_bands_begin_async(&run, &s.async, bands[0], bands[1], sizeof bands[0]));
    while (jl_bands_next(&run)) {
        jl_board_wait_ps(s.board, (uint64_t)(draw_us * 1e6 * 16 / H));
    }
    must(jl_bands_end(&run));
}

static void drawing_meanwhile(void) {
    static const struct {
        const char *name;
        void (*present)(double draw_us);
    } ways[] = {{"blocking", present_blocking},
                {"two frames", present_two_frames},
                {"two bands of 16 rows", present_bands}};
    static const double shares[] = {0.5, 1.0, 2.0};
    puts("Drawing while sending: st7789, 240x320, a picture; 20 us of overhead a transfer");
    printf("  %-22s %-22s %10s %10s %12s %14s\n", "", "", "draw ms", "wire ms", "in all ms",
           "over the longer");
    for (size_t b = 0; b < 4; b += 2) {
        for (size_t d = 0; d < 3; d++) {
            for (size_t w = 0; w < 3; w++) {
                open_station(&buses[b], 20000, false);
                double wire = ideal_us(W * H * 2), draw = wire * shares[d];
                ways[w].present(draw); /* from here on something is always under way */
                uint64_t start = jl_board_now_ps(s.board);
                for (int i = 0; i < PICTURES; i++) {
                    ways[w].present(draw);
                }
                double us = (double)(jl_board_now_ps(s.board) - start) / 1e6 / PICTURES;
                printf("  %-22s %-22s %10.2f %10.2f %12.2f %12.2f %%\n", buses[b].name,
                       ways[w].name, draw / 1e3, wire / 1e3, us / 1e3,
                       (us / (draw > wire ? draw : wire) - 1) * 100);
                jl_board_destroy(s.board);
            }
        }
    }
}

/* ---- without a frame ---- */

static void without_a_frame(void) {
    static const size_t sizes[] = {2, 200, 2000, 20000};
    static uint8_t pixels[20000];
    const struct jl_rect area = {20, 30, 100, 100};
    puts("A gradient of 100x100 without a frame, st7789 on SPI at 15.15 MHz");
    printf("  %-26s %8s %12s %12s %9s\n", "memory", "bytes", "us", "ideal us", "over");
    for (size_t o = 0; o < 3; o += 2) {
        for (size_t i = 0; i < sizeof sizes / sizeof sizes[0]; i++) {
            struct jl_direct direct;
            open_station(&buses[0], overheads_ns[o], false);
            uint64_t start = jl_board_now_ps(s.board), bytes = jl_stream_byte_count(s.sim.stream);
            must(jl_direct_init(&direct, &s.panel, pixels, sizes[i]));
            jl_fill_gradient(&direct.target, area, JL_AXIS_X, JL_NAVY, JL_AQUA, NULL);
            must(direct.status);
            double us = (double)(jl_board_now_ps(s.board) - start) / 1e6;
            double ideal = ideal_us(area.w * area.h * 2);
            printf("  %5zu bytes, %2u us a call %8llu %12.1f %12.1f %7.2f %%\n", sizes[i],
                   (unsigned)(overheads_ns[o] / 1000),
                   (unsigned long long)(jl_stream_byte_count(s.sim.stream) - bytes), us, ideal,
                   (us / ideal - 1) * 100);
            jl_board_destroy(s.board);
        }
    }
}

int main(void) {
    table();
    without_a_frame();
    drawing_meanwhile();
    return 0;
}
