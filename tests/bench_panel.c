#include "bench_panel.h"

#include "harness.h"
#include "jadelamp/host/connect.h"

struct jl_panel_config bench_usual_config(void) {
    return (struct jl_panel_config){.controller = &jl_ssd1306,
                                    .width = 128,
                                    .height = 64,
                                    .bus = &jl_bus_i2c,
                                    .i2c_address = 0x3C,
                                    .motion = &jl_ssd1306_motion};
}

void bench_open(struct bench_panel *bench, const struct jl_panel_config *config,
                const struct jl_glass *glass) {
    *bench = (struct bench_panel){.config = *config};
    bench->board = jl_board_create(2026);
    bench->device = jl_board_add_device(bench->board, &jl_emulated_ssd1306, "oled", glass);
    EXPECT(bench->device != NULL);
    jl_device_intend(bench->device, config->turn & JL_TURN_MIRROR, config->inverted);
    bench->sim.board = bench->board;
    EXPECT(jl_connect(
        &bench->sim, bench->device,
        &(struct jl_connection){.bus = config->bus->kind,
                                .i2c_address = config->i2c_address,
                                .clock_hz = config->bus->kind == JL_BUS_I2C ? 400000 : 8000000,
                                .cycle_ns = 300}));
    bench->port = (struct jl_port){.ops = &jl_sim_port_ops, .context = &bench->sim};
    EXPECT_INT(jl_frame_init(&bench->frame, &jl_mono_columns, config->width, config->height,
                             bench->pixels, sizeof bench->pixels),
               JL_OK);
    jl_frame_track(&bench->frame, &bench->damage);
    EXPECT_INT(jl_panel_open(&bench->panel, &bench->config, &bench->port), JL_OK);
}

void bench_open_usual(struct bench_panel *bench, const struct jl_panel_config *config) {
    struct jl_glass glass = jl_glass_described(config, JL_GLASS_WHITE);
    bench_open(bench, config, &glass);
}

void bench_close(struct bench_panel *bench) {
    jl_board_destroy(bench->board);
}

struct jl_picture bench_look(struct bench_panel *bench) {
    struct jl_picture picture;
    jl_board_wait_ps(bench->board, 200000000000u);
    EXPECT(jl_device_picture(bench->device, &picture));
    return picture;
}
