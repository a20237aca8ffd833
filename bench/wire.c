/*
 * What work costs on the wire, in virtual time: exact and the same in every run.
 * "ideal" is the payload alone: 9 clocks a byte on I2C, 8 on SPI.
 */
#include <stdio.h>
#include <stdlib.h>

#include "jadelamp/host/connect.h"
#include "jadelamp/jadelamp.h"
#include "jadelamp/sim/emulators.h"
#include "jadelamp/sim/sim_port.h"

struct setup {
    const char *name;
    enum jl_bus_kind bus;
    uint32_t hz;
    uint32_t overhead_ns;
};

struct station {
    struct jl_board *board;
    struct jl_sim_port sim;
    struct jl_port port;
    struct jl_panel_config config;
    struct jl_panel panel;
    struct jl_frame frame;
    struct jl_damage damage;
    uint8_t pixels[JL_MONO_COLUMNS_BYTES(128, 64)];
};

static void must(jl_status status) {
    if (status != JL_OK) {
        fprintf(stderr, "bench: %s\n", jl_status_text(status));
        exit(1);
    }
}

static void open_station(struct station *s, const struct setup *setup) {
    *s = (struct station){.board = jl_board_create(1)};
    s->port = (struct jl_port){.ops = &jl_sim_port_ops, .context = &s->sim};
    s->config =
        (struct jl_panel_config){.controller = &jl_ssd1306,
                                 .width = 128,
                                 .height = 64,
                                 .bus = setup->bus == JL_BUS_I2C ? &jl_bus_i2c : &jl_bus_spi,
                                 .i2c_address = 0x3C};
    struct jl_glass glass = jl_glass_described(&s->config, JL_GLASS_WHITE);
    s->sim.board = s->board;
    struct jl_device *device = jl_board_add_device(s->board, &jl_emulated_ssd1306, "oled", &glass);
    if (!device || !jl_connect(&s->sim, device,
                               &(struct jl_connection){.bus = setup->bus,
                                                       .i2c_address = 0x3C,
                                                       .clock_hz = setup->hz,
                                                       .overhead_ns = setup->overhead_ns})) {
        must(JL_BAD_BUS);
    }
    must(jl_frame_init(&s->frame, &jl_mono_columns, 128, 64, s->pixels, sizeof s->pixels));
    jl_frame_track(&s->frame, &s->damage);
    must(jl_panel_open(&s->panel, &s->config, &s->port));
    must(jl_panel_wake(&s->panel));
}

static uint64_t bytes_moved(const struct station *s) {
    return s->sim.i2c ? jl_i2c_byte_count(s->sim.i2c) : jl_stream_byte_count(s->sim.stream);
}

static void draw_frame(struct station *s) {
    jl_draw_test_card(&s->frame.target, "bench");
    jl_frame_damage_all(&s->frame);
}

static void draw_digits(struct station *s, const char *text) {
    static const struct jl_text_style style = {.font = &jl_font_6x8, .ink = JL_WHITE};
    jl_text(&s->frame.target, 20, 28, text, &style);
}

static void measure(struct station *s, const struct setup *setup, const char *what,
                    size_t payload) {
    unsigned clocks = setup->bus == JL_BUS_I2C ? 9 : 8;
    uint64_t start = jl_board_now_ps(s->board), bytes = bytes_moved(s);
    must(jl_panel_present(&s->panel, &s->frame));
    double us = (double)(jl_board_now_ps(s->board) - start) / 1e6;
    printf("  %-18s %-24s %5llu bytes %10.1f us", setup->name, what,
           (unsigned long long)(bytes_moved(s) - bytes), us);
    if (payload) {
        double ideal = (double)payload * clocks * 1e6 / setup->hz;
        printf("  ideal %9.1f us  +%.2f %%", ideal, (us / ideal - 1) * 100);
    }
    putchar('\n');
}

int main(void) {
    static const uint32_t overheads_ns[] = {0, 2000, 20000};
    static const struct setup setups[] = {{"I2C 400 kHz", JL_BUS_I2C, 400000, 0},
                                          {"SPI 8 MHz", JL_BUS_SPI, 8000000, 0}};
    for (int o = 0; o < 3; o++) {
        printf("ssd1306, 128x64, %u us of overhead a transfer\n",
               (unsigned)(overheads_ns[o] / 1000));
        for (int i = 0; i < 2; i++) {
            static struct station s;
            struct setup setup = setups[i];
            setup.overhead_ns = overheads_ns[o];
            open_station(&s, &setup);
            draw_frame(&s);
            measure(&s, &setup, "full frame", 1024);
            draw_digits(&s, "123.4 cm");
            must(jl_panel_present(&s.panel, &s.frame));
            draw_digits(&s, "136.5 cm"); /* 2, 3 and 4 become 3, 6 and 5 */
            measure(&s, &setup, "three digits of a text", 0);
            draw_digits(&s, "136.5 cm");
            measure(&s, &setup, "the same text again", 0);
            jl_board_destroy(s.board);
        }
    }
    return 0;
}
