/* The touch panel of a rig. */
#include "jadelamp/sim/touch.h"

#include "jadelamp/host/connect.h"
#include "rig_parts.h"

/* The bus of the display, where the touch part can share it; else one of its own. */
static bool connect(struct jl_rig *rig) {
    const struct jl_card_touch *touch = &rig->card.touch;
    bool spi = touch->controller->driver->is_spi;
    struct jl_connection connection = {.bus = spi ? JL_BUS_SPI : JL_BUS_I2C,
                                       .i2c_address = touch->i2c_address,
                                       .clock_hz = touch->clock_hz,
                                       .overhead_ns = rig->card.overhead_ns};
    rig->touch_sim = (struct jl_sim_port){.board = rig->board, .device = rig->touch_device};
    if (!spi) {
        rig->touch_sim.i2c = rig->sim.i2c;
    } else if (rig->card.bus == JL_BUS_SPI && rig->card.spi_mode == 0) {
        rig->touch_sim.stream = rig->sim.stream;
        rig->sim.clock_hz = rig->card.clock_hz; /* each at its own */
    }
    return jl_connect(&rig->touch_sim, rig->touch_device, &connection);
}

bool jl_host_rig_open_touch(struct jl_rig *rig, struct jl_complaint *complaint) {
    const struct jl_card *card = &rig->card;
    const struct jl_touch_entry *part = card->touch.controller;
    if (!part) {
        return true;
    }
    struct jl_glass glass = {.width = card->width, .height = card->height, .kind = JL_GLASS_TFT};
    rig->touch_device = jl_board_add_device(rig->board, part->emulator, part->name, &glass);
    if (!rig->touch_device || !connect(rig)) {
        return jl_complain(complaint, "cannot put the %s of %s on the board", part->name,
                           card->name);
    }
    struct jl_touch_flaws flaws = {.turn = card->touch.mounting};
    jl_touch_set_flaws(rig->touch_device, &flaws);
    rig->sim.touch = &rig->touch_sim;
    rig->sim.touch_address = card->touch.i2c_address;
    rig->touch_port = (struct jl_port){.ops = &jl_sim_port_ops, .context = &rig->touch_sim};
    rig->touch_config = (struct jl_touch_config){
        .part = part->driver,
        .width = (int16_t)card->width,
        .height = (int16_t)card->height,
        .mounting = part->driver->is_spi ? JL_TURN_0 : card->touch.mounting,
        .i2c_address = card->touch.i2c_address,
        .reset_wired = !part->driver->is_spi,
        .pen_wired = true};
    jl_status status = jl_touch_open(&rig->touch, &rig->touch_config, &rig->touch_port);
    status = status == JL_OK ? jl_touch_turn(&rig->touch, card->turn) : status;
    return status == JL_OK ||
           jl_complain(complaint, "the touch panel of %s: %s", card->name, jl_status_text(status));
}

jl_status jl_rig_calibrate(struct jl_rig *rig, struct jl_touch_map *map) {
    int16_t width = rig->touch_config.width, height = rig->touch_config.height;
    struct jl_touch_pair pairs[3] = {{0, 0, (int16_t)(width / 10), (int16_t)(height / 10)},
                                     {0, 0, (int16_t)(width * 9 / 10), (int16_t)(height / 2)},
                                     {0, 0, (int16_t)(width / 2), (int16_t)(height * 9 / 10)}};
    jl_status status = rig->touch_device ? JL_OK : JL_UNSUPPORTED;
    for (int i = 0; i < 3 && status == JL_OK; i++) {
        struct jl_point raw = {0, 0};
        bool touching = false;
        jl_touch_press(rig->touch_device, 0, pairs[i].x, pairs[i].y);
        status = jl_touch_read_raw(&rig->touch, &raw, &touching);
        status = status == JL_OK && !touching ? JL_NO_ANSWER : status;
        pairs[i].raw_x = raw.x;
        pairs[i].raw_y = raw.y;
    }
    if (rig->touch_device) {
        jl_touch_lift(rig->touch_device, 0);
    }
    status = status == JL_OK ? jl_touch_calibrate(pairs, 3, map, NULL) : status;
    return status == JL_OK ? jl_touch_use_map(&rig->touch, map) : status;
}
