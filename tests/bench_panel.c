#include "bench_panel.h"

#include "harness.h"

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
    bench->sim = (struct jl_sim_port){.board = bench->board, .device = bench->device};
    bench->port = (struct jl_port){.ops = &jl_sim_port_ops, .context = &bench->sim};
    if (config->bus->kind == JL_BUS_I2C) {
        bench->sim.i2c = jl_board_add_i2c(bench->board, 400000, 0);
        EXPECT(jl_i2c_attach(bench->sim.i2c, bench->device, config->i2c_address));
    } else {
        bench->sim.stream = config->bus->kind == JL_BUS_8080_8
                                ? jl_board_add_8080(bench->board, 300, 0, 8)
                                : jl_board_add_spi(bench->board, 8000000, 0, 0);
        jl_device_three_wire(bench->device, config->bus->kind == JL_BUS_SPI_3WIRE);
        EXPECT(jl_stream_attach(bench->sim.stream, bench->device));
    }
    EXPECT_INT(jl_frame_init(&bench->frame, &jl_mono_columns, config->width, config->height,
                             bench->pixels, sizeof bench->pixels),
               JL_OK);
    jl_frame_track(&bench->frame, &bench->damage);
    EXPECT_INT(jl_panel_open(&bench->panel, &bench->config, &bench->port), JL_OK);
}

void bench_open_usual(struct bench_panel *bench, const struct jl_panel_config *config) {
    struct jl_glass glass = {
        .width = config->width,
        .height = config->height,
        .column_offset = config->column_offset,
        .mirrored_x = (config->module & JL_MODULE_MIRROR_X) != 0,
        .mirrored_y = (config->module & JL_MODULE_MIRROR_Y) != 0,
        .rows_sequential = (config->module & JL_MODULE_ROWS_SEQUENTIAL) != 0,
        .external_supply = (config->module & JL_MODULE_EXTERNAL_SUPPLY) != 0,
    };
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
