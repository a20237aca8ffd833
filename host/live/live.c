/* Levels, as they come, to the emulated part. */
#include "jadelamp/host/live.h"

#include <stdlib.h>

#include "../traffic/traffic_bus.h"
#include "../traffic/traffic_feed.h"
#include "i2c_end.h"
#include "spi_end.h"
#include "touch_end.h"

struct jl_live {
    struct jl_decoder *decoder;
    struct jl_rig rig;
    bool rig_open;
    struct traffic_feed feed;
    struct i2c_end i2c;
    struct spi_end spi;
    struct touch_end touch;
    struct jl_hand_step *steps; /* of fingers, on the board's clock */
    bool gives;                 /* a strobe reads from a parallel bus: */
    uint16_t given;
    uint64_t read_ps; /* when the last such strobe began; 0: none did */
    jl_live_fn fn;
    void *context;
    jl_role_set high;    /* levels */
    uint16_t light_duty; /* while the light is on */
};

struct jl_live_roles jl_live_roles(const struct jl_card *card) {
    struct jl_decoding decoding;
    struct jl_live_roles roles;
    jl_host_describe_bus(card, &decoding, &roles.wanted, &roles.needed);
    if (card->bus != JL_BUS_SPI || !jl_part_gives_on_spi(card->controller->emulator)) {
        roles.wanted &= ~JL_ROLE_BIT(JL_ROLE_MISO);
    }
    roles.wanted |= jl_host_touch_roles(card);
    return roles;
}

const char *jl_live_pin_name(const struct jl_card *card, enum jl_role role) {
    return jl_host_pin_of(card, role);
}

/* I2C reaches the part as levels, since it answers; all else as events. What was read has been
 * given before its strobe ended. */
static void take_event(void *context, const struct jl_bus_event *event) {
    struct jl_live *live = context;
    bool on_bus = event->kind != JL_BUS_RESET && event->kind != JL_BUS_LIGHT;
    if (!(live->rig.sim.i2c && on_bus) && event->kind != JL_BUS_READ) {
        jl_host_feed(&live->feed, event);
    }
    if (event->kind == JL_BUS_LIGHT && event->high) {
        jl_device_set_light(live->rig.device, live->light_duty);
    }
    if (event->kind == JL_BUS_SELECTED || event->kind == JL_BUS_DESELECTED) {
        jl_host_spi_end_select(&live->spi, event->kind == JL_BUS_SELECTED);
    } else if (event->kind == JL_BUS_BYTE || event->kind == JL_BUS_READ) {
        uint64_t took = event->until_ps - event->at_ps;
        live->spi.unit_ps =
            live->spi.three_wires && event->kind == JL_BUS_BYTE ? took * 8 / 9 : took;
    }
    if (jl_host_feed_is_asked(&live->feed, event) && jl_decoder_answered(live->decoder)) {
        jl_host_spi_end_ask(&live->spi);
    }
    if (live->fn) {
        live->fn(live->context, event);
    }
}

struct jl_live *jl_live_open(const struct jl_card *card, jl_role_set wires,
                             struct jl_complaint *complaint) {
    struct jl_decoding decoding;
    struct jl_live_roles roles;
    if (card->controller->scanned) {
        jl_complain(complaint,
                    "%s: glass that is scanned out hangs on a display peripheral, and on "
                    "no wires that a program moves",
                    card->name);
        return NULL;
    }
    struct jl_live *live = calloc(1, sizeof *live);
    if (!live) {
        jl_complain(complaint, "%s: out of memory", card->name);
        return NULL;
    }
    jl_host_describe_bus(card, &decoding, &roles.wanted, &roles.needed);
    decoding.has_cs = wires >> JL_ROLE_CS & 1;
    live->light_duty = UINT16_MAX;
    live->decoder = jl_decoder_create(&decoding, take_event, live);
    if (!live->decoder) {
        jl_complain(complaint, "%s: out of memory, or a bus that cannot be read", card->name);
    }
    live->rig_open = live->decoder && jl_rig_open(&live->rig, card, complaint);
    if (!live->rig_open) {
        jl_live_close(live);
        return NULL;
    }
    jl_host_feed_begin(&live->feed, &live->rig, TRAFFIC_BEFORE_PS, wires >> JL_ROLE_RESET & 1,
                       wires >> JL_ROLE_CS & 1, wires >> JL_ROLE_LIGHT & 1);
    jl_host_i2c_end_begin(&live->i2c, live->rig.sim.i2c);
    bool three_wires = card->bus == JL_BUS_SPI_3WIRE;
    jl_host_spi_end_begin(&live->spi,
                          card->bus == JL_BUS_SPI || three_wires ? live->rig.sim.stream : NULL,
                          card->spi_mode, three_wires);
    jl_host_spi_end_select(&live->spi, !decoding.has_cs);
    if (!jl_host_touch_end_begin(&live->touch, &live->rig, TRAFFIC_BEFORE_PS,
                                 wires >> JL_ROLE_TOUCH_RESET & 1)) {
        jl_complain(complaint, "%s: out of memory", card->name);
        jl_live_close(live);
        return NULL;
    }
    return live;
}

void jl_live_close(struct jl_live *live) {
    if (live) {
        if (live->rig_open) {
            jl_rig_close(&live->rig);
        }
        jl_host_touch_end_free(&live->touch);
        jl_decoder_destroy(live->decoder);
        free(live->steps);
        free(live);
    }
}

struct jl_rig *jl_live_rig(struct jl_live *live) {
    return &live->rig;
}

uint64_t jl_live_offset_ps(const struct jl_live *live) {
    return live->feed.offset_ps;
}

static bool is_high(const struct jl_live *live, enum jl_role role) {
    return live->high >> role & 1;
}

/* RD low, or the enable high while R/W says read: from the first edge of it on the part gives. A
 * cycle is from one such edge to the next. */
static void look_at_strobe(struct jl_live *live, uint64_t at_ps, enum jl_role role, bool high) {
    bool intel = role == JL_ROLE_RD;
    if (!live->rig.sim.stream || !(intel || role == JL_ROLE_E)) {
        return;
    }
    live->gives = false;
    if (intel ? !high : high && is_high(live, JL_ROLE_RW)) {
        jl_board_go_to_ps(live->rig.board, at_ps + live->feed.offset_ps);
        jl_device_set_pin(live->feed.device, JL_DEVICE_DC, is_high(live, JL_ROLE_DC));
        uint64_t cycle_ps = live->read_ps ? at_ps - live->read_ps : 0;
        live->gives = jl_stream_gives(live->rig.sim.stream, cycle_ps, &live->given);
        live->read_ps = at_ps;
    }
}

void jl_live_reach(struct jl_live *live, uint64_t at_ps) {
    jl_decoder_reach(live->decoder, at_ps);
    jl_host_touch_end_reach(&live->touch, at_ps);
}

void jl_live_level(struct jl_live *live, uint64_t at_ps, enum jl_role role, bool high) {
    jl_live_reach(live, at_ps);
    live->high = high ? live->high | JL_ROLE_BIT(role) : live->high & ~(JL_ROLE_BIT(role));
    if (live->feed.pins) {
        jl_host_feed_level(&live->feed, at_ps, role, high);
    }
    jl_decoder_level(live->decoder, at_ps, role, high);
    if (live->rig.sim.i2c && (role == JL_ROLE_SCL || role == JL_ROLE_SDA)) {
        jl_board_go_to_ps(live->rig.board, at_ps + live->feed.offset_ps);
        jl_host_i2c_end_level(&live->i2c, at_ps, role == JL_ROLE_SCL, high);
    }
    if (role == JL_ROLE_CLOCK) {
        jl_host_spi_end_clock(&live->spi, high);
    }
    look_at_strobe(live, at_ps, role, high);
    jl_host_touch_end_level(&live->touch, at_ps, role, high);
}

void jl_live_light(struct jl_live *live, uint64_t at_ps, uint16_t duty) {
    live->light_duty = duty ? duty : UINT16_MAX;
    if (is_high(live, JL_ROLE_LIGHT) != (duty > 0)) {
        jl_live_level(live, at_ps, JL_ROLE_LIGHT, duty > 0);
    }
    jl_live_reach(live, at_ps);
    if (duty) {
        jl_board_go_to_ps(live->rig.board, at_ps + live->feed.offset_ps);
        jl_device_set_light(live->rig.device, duty);
    }
}

bool jl_live_drives(struct jl_live *live, enum jl_role role, bool *high) {
    if (role == JL_ROLE_SDA) {
        *high = false;
        return live->i2c.pulls;
    }
    if (jl_host_touch_end_drives(&live->touch, role, high)) {
        return true;
    }
    if (role == (live->spi.three_wires ? JL_ROLE_MOSI : JL_ROLE_MISO)) {
        return jl_host_spi_end_drives(&live->spi, high);
    }
    if (role < JL_ROLE_D0 || role > JL_ROLE_D15) {
        return false;
    }
    if (!live->feed.pins) {
        *high = live->given >> (role - JL_ROLE_D0) & 1;
        return live->gives;
    }
    *high = jl_device_pin(live->feed.device,
                          (enum jl_device_pin)(JL_DEVICE_D0 + (int)(role - JL_ROLE_D0)));
    return is_high(live, JL_ROLE_RW) && (is_high(live, JL_ROLE_E) || is_high(live, JL_ROLE_E2));
}

bool jl_live_output(struct jl_live *live, uint64_t at_ps, enum jl_device_pin pin) {
    jl_live_reach(live, at_ps);
    jl_board_go_to_ps(live->rig.board, at_ps + live->feed.offset_ps);
    bool touch = pin == JL_DEVICE_PEN && live->rig.touch_device;
    return jl_device_pin(touch ? live->rig.touch_device : live->rig.device, pin);
}

void jl_live_finger(struct jl_live *live, uint64_t at_ps, int finger, int x, int y) {
    if (!live->rig.touch_device) {
        return;
    }
    jl_live_reach(live, at_ps);
    jl_board_go_to_ps(live->rig.board, at_ps + live->feed.offset_ps);
    if (x < 0) {
        jl_touch_lift(live->rig.touch_device, finger);
    } else {
        jl_touch_press(live->rig.touch_device, finger, x, y);
    }
}

bool jl_live_follow(struct jl_live *live, const struct jl_hand_step *steps, size_t count,
                    struct jl_complaint *complaint) {
    if (!live->rig.touch_device || !count) {
        return true;
    }
    struct jl_hand_step *own = calloc(count, sizeof *own);
    if (!own) {
        return jl_complain(complaint, "out of memory for the fingers");
    }
    for (size_t i = 0; i < count; i++) {
        own[i] = steps[i];
        own[i].at_ps += live->feed.offset_ps;
    }
    jl_touch_follow(live->rig.touch_device, own, count);
    free(live->steps);
    live->steps = own;
    return true;
}

void jl_live_on_event(struct jl_live *live, jl_live_fn fn, void *context) {
    live->fn = fn;
    live->context = context;
}

void jl_live_end(struct jl_live *live, uint64_t at_ps) {
    jl_live_reach(live, at_ps);
    jl_decoder_end(live->decoder, at_ps);
    jl_board_go_to_ps(live->rig.board, at_ps + live->feed.offset_ps);
}
