/* A touch panel of 240x320 on the board. */
#ifndef JADELAMP_TESTS_TOUCH_STAGE_H
#define JADELAMP_TESTS_TOUCH_STAGE_H

#include "jadelamp/jadelamp.h"
#include "jadelamp/sim/sim_port.h"
#include "jadelamp/sim/touch.h"

enum { TOUCH_WIDTH = 240, TOUCH_HEIGHT = 320, TOUCH_PARTS = 5 };

struct touch_make {
    const char *name;
    const struct jl_touch_part *part;
    const struct jl_emulated_part *emulator;
    uint8_t address;
    int fingers;
};
extern const struct touch_make touch_makes[TOUCH_PARTS];

struct touch_stage {
    struct jl_board *board;
    struct jl_device *device;
    struct jl_i2c_bus *i2c;
    struct jl_sim_port sim;
    struct jl_port port;
    struct jl_touch_config config;
    struct jl_touch_map map;
    struct jl_touch touch;
};

/* On a board, opened; without a map. */
void touch_stage_open(struct touch_stage *s, const struct touch_make *make, uint8_t mounting);

/* Woken, and calibrated where it must be. */
void touch_stage_awake(struct touch_stage *s, const struct touch_make *make, uint8_t mounting);

/* Lets 11 ms pass and reads; how many points. */
int touch_stage_look(struct touch_stage *s, struct jl_touch_point *points);

#endif
