/* The emulated part behind a capture. */
#include "traffic_feed.h"

#include <string.h>

static void go_to(struct traffic_feed *feed, uint64_t at_ps) {
    jl_board_go_to_ps(feed->rig->board, at_ps + feed->offset_ps);
}

uint64_t jl_host_unit_ps(const struct jl_card *card) {
    uint64_t bits = card->bus == JL_BUS_I2C || card->bus == JL_BUS_SPI_3WIRE ? 9 : 8;
    return card->cycle_ns   ? (uint64_t)card->cycle_ns * 1000
           : card->clock_hz ? bits * 1000000000000u / card->clock_hz
                            : bits * 1000000;
}

void jl_host_feed_begin(struct traffic_feed *feed, struct jl_rig *rig, uint64_t offset_ps,
                        bool has_reset, bool has_cs, bool has_light) {
    *feed = (struct traffic_feed){.rig = rig,
                                  .device = rig->expander ? rig->expander : rig->device,
                                  .offset_ps = offset_ps,
                                  .pins = rig->card.cells.bus == JL_CELLS_PARALLEL_4 ||
                                          rig->card.cells.bus == JL_CELLS_PARALLEL_8,
                                  .unit_ps = jl_host_unit_ps(&rig->card)};
    if (!has_reset) {
        jl_board_go_to_ps(rig->board, 50000000000u);
        jl_device_set_pin(rig->device, JL_DEVICE_RESET, false);
        jl_board_go_to_ps(rig->board, 70000000000u);
        jl_device_set_pin(rig->device, JL_DEVICE_RESET, true);
    }
    if (!has_cs && rig->card.bus != JL_BUS_I2C) {
        jl_device_set_pin(rig->device, JL_DEVICE_CS, jl_card_selects_high(&rig->card));
    }
    if (!has_light) {
        jl_device_set_pin(rig->device, JL_DEVICE_LIGHT, true);
    }
}

static bool feed_i2c(struct traffic_feed *feed, const struct jl_bus_event *event) {
    struct jl_i2c_bus *bus = feed->rig->sim.i2c;
    uint64_t bit = (event->until_ps - event->at_ps) / 9;
    switch (event->kind) {
    case JL_BUS_START:
        feed->other = false;
        jl_i2c_see_start(bus);
        return false;
    case JL_BUS_STOP:
        jl_i2c_see_stop(bus);
        return false;
    case JL_BUS_READ:
        if (!feed->other) {
            jl_i2c_see_read(bus);
        }
        return feed->other;
    default:
        /* Who acknowledged is there, and not ours: the bus has more parts than the panel. */
        if (event->address) {
            feed->other = event->value >> 1 != feed->rig->card.i2c_address && !event->refused;
        }
        if (!feed->other) {
            jl_i2c_see_byte(bus, (uint8_t)event->value, bit ? bit : feed->unit_ps / 9);
        }
        return feed->other;
    }
}

static void feed_stream(struct traffic_feed *feed, const struct jl_bus_event *event) {
    struct jl_stream_bus *bus = feed->rig->sim.stream;
    uint64_t took = event->until_ps - event->at_ps;
    uint64_t unit = took ? took : feed->unit_ps;
    uint8_t byte = (uint8_t)event->value;
    jl_device_set_pin(feed->device, JL_DEVICE_DC, event->data);
    if (event->kind == JL_BUS_READ) {
        jl_stream_see_read(bus, unit);
        return;
    }
    if (feed->rig->card.bus == JL_BUS_SPI_3WIRE) {
        jl_stream_see_nine(bus, byte, event->data, unit);
    } else if (feed->rig->card.bus == JL_BUS_8080_16) {
        jl_stream_see(bus, (const uint8_t *)&event->value, sizeof event->value, unit);
    } else {
        jl_stream_see(bus, &byte, 1, unit);
    }
}

bool jl_host_feed_is_asked(const struct traffic_feed *feed, const struct jl_bus_event *event) {
    return feed->rig->card.bus == JL_BUS_SPI_3WIRE && feed->rig->sim.stream &&
           event->kind == JL_BUS_BYTE && !event->data &&
           jl_stream_gives(feed->rig->sim.stream, 0, NULL);
}

bool jl_host_feed(struct traffic_feed *feed, const struct jl_bus_event *event) {
    if (event->kind == JL_BUS_DOUBT) {
        return false;
    }
    go_to(feed, event->at_ps);
    switch (event->kind) {
    case JL_BUS_RESET:
        jl_device_set_pin(feed->rig->device, JL_DEVICE_RESET, event->high);
        return false;
    case JL_BUS_LIGHT:
        jl_device_set_pin(feed->rig->device, JL_DEVICE_LIGHT, event->high);
        return false;
    case JL_BUS_CHIP1:
    case JL_BUS_CHIP2:
    case JL_BUS_CHIP3:
        jl_device_set_pin(feed->rig->device,
                          (enum jl_device_pin)(JL_DEVICE_CHIP1 + (int)(event->kind - JL_BUS_CHIP1)),
                          event->high);
        return false;
    case JL_BUS_SELECTED:
    case JL_BUS_DESELECTED:
        jl_device_set_pin(feed->device, JL_DEVICE_CS,
                          (event->kind == JL_BUS_SELECTED) ==
                              (jl_card_selects_high(&feed->rig->card)));
        return false;
    default:
        break;
    }
    if (feed->rig->sim.i2c) {
        return feed_i2c(feed, event);
    }
    if (feed->rig->sim.stream) {
        feed_stream(feed, event);
    }
    return false;
}

void jl_host_feed_level(struct traffic_feed *feed, uint64_t at_ps, enum jl_role role, bool high) {
    static const struct {
        enum jl_role role;
        enum jl_device_pin pin;
    } pins[] = {{JL_ROLE_DC, JL_DEVICE_DC},
                {JL_ROLE_E, JL_DEVICE_E},
                {JL_ROLE_E2, JL_DEVICE_E2},
                {JL_ROLE_RW, JL_DEVICE_RW}};
    go_to(feed, at_ps);
    for (size_t i = 0; i < sizeof pins / sizeof pins[0]; i++) {
        if (pins[i].role == role) {
            jl_device_set_pin(feed->device, pins[i].pin, high);
        }
    }
    if (role >= JL_ROLE_D0 && role < JL_ROLE_D0 + 8) {
        jl_device_set_pin(feed->device,
                          (enum jl_device_pin)(JL_DEVICE_D0 + (int)(role - JL_ROLE_D0)), high);
    }
}

void jl_host_feed_end(struct traffic_feed *feed, uint64_t at_ps) {
    /* Panels light up some time after they are switched on, and captures end early. */
    go_to(feed, at_ps + 500000000000u);
}
