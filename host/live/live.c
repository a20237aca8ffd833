/* Levels, as they come, to the emulated part. */
#include "jadelamp/host/live.h"

#include <stdlib.h>

#include "../traffic/traffic_bus.h"
#include "../traffic/traffic_feed.h"
#include "i2c_end.h"

/* Time before the first level, in which the part is powered and, without a wire for it, reset. */
#define BEFORE_PS 500000000000u

struct jl_live {
    struct jl_decoder *decoder;
    struct jl_rig rig;
    bool rig_open;
    struct traffic_feed feed;
    struct i2c_end i2c;
    jl_live_fn fn;
    void *context;
    jl_role_set high; /* levels */
};

struct jl_live_roles jl_live_roles(const struct jl_card *card) {
    struct jl_decoding decoding;
    struct jl_live_roles roles;
    jl_host_describe_bus(card, &decoding, &roles.wanted, &roles.needed);
    return roles;
}

const char *jl_live_pin_name(const struct jl_card *card, enum jl_role role) {
    return jl_host_pin_of(card, role);
}

/* I2C reaches the part as levels, since it answers; all else as events. */
static void take_event(void *context, const struct jl_bus_event *event) {
    struct jl_live *live = context;
    bool on_bus = event->kind != JL_BUS_RESET && event->kind != JL_BUS_LIGHT;
    if (!live->rig.sim.i2c || !on_bus) {
        jl_host_feed(&live->feed, event);
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
    live->decoder = jl_decoder_create(&decoding, take_event, live);
    if (!live->decoder) {
        jl_complain(complaint, "%s: out of memory, or a bus that cannot be read", card->name);
    }
    live->rig_open = live->decoder && jl_rig_open(&live->rig, card, complaint);
    if (!live->rig_open) {
        jl_live_close(live);
        return NULL;
    }
    jl_host_feed_begin(&live->feed, &live->rig, BEFORE_PS, wires >> JL_ROLE_RESET & 1,
                       wires >> JL_ROLE_CS & 1, wires >> JL_ROLE_LIGHT & 1);
    jl_host_i2c_end_begin(&live->i2c, live->rig.sim.i2c);
    return live;
}

void jl_live_close(struct jl_live *live) {
    if (live) {
        if (live->rig_open) {
            jl_rig_close(&live->rig);
        }
        jl_decoder_destroy(live->decoder);
        free(live);
    }
}

struct jl_rig *jl_live_rig(struct jl_live *live) {
    return &live->rig;
}

uint64_t jl_live_offset_ps(const struct jl_live *live) {
    return live->feed.offset_ps;
}

void jl_live_level(struct jl_live *live, uint64_t at_ps, enum jl_role role, bool high) {
    live->high = high ? live->high | JL_ROLE_BIT(role) : live->high & ~(JL_ROLE_BIT(role));
    if (live->feed.pins) {
        jl_host_feed_level(&live->feed, at_ps, role, high);
    }
    jl_decoder_level(live->decoder, at_ps, role, high);
    if (live->rig.sim.i2c && (role == JL_ROLE_SCL || role == JL_ROLE_SDA)) {
        jl_board_go_to_ps(live->rig.board, at_ps + live->feed.offset_ps);
        jl_host_i2c_end_level(&live->i2c, at_ps, role == JL_ROLE_SCL, high);
    }
}

bool jl_live_drives(struct jl_live *live, enum jl_role role, bool *high) {
    if (role == JL_ROLE_SDA) {
        *high = false;
        return live->i2c.pulls;
    }
    bool reads = live->feed.pins && live->high >> JL_ROLE_RW & 1 &&
                 live->high & (JL_ROLE_BIT(JL_ROLE_E) | JL_ROLE_BIT(JL_ROLE_E2));
    if (!reads || role < JL_ROLE_D0 || role >= JL_ROLE_D0 + 8) {
        return false;
    }
    *high = jl_device_pin(live->feed.device,
                          (enum jl_device_pin)(JL_DEVICE_D0 + (int)(role - JL_ROLE_D0)));
    return true;
}

bool jl_live_output(struct jl_live *live, uint64_t at_ps, enum jl_device_pin pin) {
    jl_board_go_to_ps(live->rig.board, at_ps + live->feed.offset_ps);
    return jl_device_pin(live->rig.device, pin);
}

void jl_live_on_event(struct jl_live *live, jl_live_fn fn, void *context) {
    live->fn = fn;
    live->context = context;
}

void jl_live_end(struct jl_live *live, uint64_t at_ps) {
    jl_decoder_end(live->decoder, at_ps);
    jl_board_go_to_ps(live->rig.board, at_ps + live->feed.offset_ps);
}
