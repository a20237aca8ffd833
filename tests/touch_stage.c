/* Touch panels on the board. */
#include "touch_stage.h"

#include "harness.h"

const struct touch_make touch_makes[TOUCH_PARTS] = {
    {"ft6x36", &jl_ft6x36, &jl_emulated_ft6x36, 0x38, 2},
    {"gt911", &jl_gt911, &jl_emulated_gt911, 0x5D, 5},
    {"gt911 at 14", &jl_gt911, &jl_emulated_gt911, 0x14, 5},
    {"cst816", &jl_cst816, &jl_emulated_cst816, 0x15, 1},
    {"xpt2046", &jl_xpt2046, &jl_emulated_xpt2046, 0, 1},
};

void touch_stage_open(struct touch_stage *s, const struct touch_make *make, uint8_t mounting) {
    *s = (struct touch_stage){.board = jl_board_create(5)};
    struct jl_glass glass = {.width = TOUCH_WIDTH, .height = TOUCH_HEIGHT, .kind = JL_GLASS_TFT};
    s->device = jl_board_add_device(s->board, make->emulator, make->name, &glass);
    s->sim = (struct jl_sim_port){.board = s->board, .device = s->device};
    if (make->part->is_spi) {
        s->sim.stream = jl_board_add_spi(s->board, 2000000, 1000, 0);
        EXPECT(jl_stream_attach(s->sim.stream, s->device));
    } else {
        s->i2c = jl_board_add_i2c(s->board, 400000, 1000);
        EXPECT(jl_i2c_attach(s->i2c, s->device, make->part == &jl_gt911 ? 0x5D : make->address));
        s->sim.i2c = s->i2c;
    }
    struct jl_touch_flaws flaws = {.turn = mounting};
    jl_touch_set_flaws(s->device, &flaws);
    s->port = (struct jl_port){.ops = &jl_sim_port_ops, .context = &s->sim};
    s->config = (struct jl_touch_config){.part = make->part,
                                         .width = TOUCH_WIDTH,
                                         .height = TOUCH_HEIGHT,
                                         .mounting = make->part->is_spi ? 0 : mounting,
                                         .i2c_address = make->address,
                                         .reset_wired = !make->part->is_spi,
                                         .pen_wired = true};
    EXPECT_INT(jl_touch_open(&s->touch, &s->config, &s->port), JL_OK);
}

void touch_stage_awake(struct touch_stage *s, const struct touch_make *make, uint8_t mounting) {
    touch_stage_open(s, make, mounting);
    EXPECT_INT(jl_touch_wake(&s->touch), JL_OK);
    if (!make->part->is_spi) {
        return;
    }
    struct jl_touch_pair pairs[3] = {{0, 0, 24, 32}, {0, 0, 216, 160}, {0, 0, 120, 288}};
    for (int i = 0; i < 3; i++) {
        struct jl_point raw = {0, 0};
        bool touching = false;
        jl_touch_press(s->device, 0, pairs[i].x, pairs[i].y);
        EXPECT_INT(jl_touch_read_raw(&s->touch, &raw, &touching), JL_OK);
        EXPECT(touching);
        pairs[i].raw_x = raw.x;
        pairs[i].raw_y = raw.y;
    }
    jl_touch_lift(s->device, 0);
    EXPECT_INT(jl_touch_calibrate(pairs, 3, &s->map, NULL), JL_OK);
    s->config.map = &s->map;
    EXPECT_INT(jl_touch_open(&s->touch, &s->config, &s->port), JL_OK);
}

int touch_stage_look(struct touch_stage *s, struct jl_touch_point *points) {
    uint8_t count = 99;
    jl_board_wait_ps(s->board, (uint64_t)11000000000); /* longer than a report's period */
    EXPECT_INT(jl_touch_read(&s->touch, points, JL_TOUCH_POINTS, &count), JL_OK);
    return count;
}
