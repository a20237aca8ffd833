/*
 * On SPI it has a select of its own, and the clock and data wires of the display where that is on
 * SPI, too; on I2C the bus of the display, or one of its own. In modes 0 and 3 it is the same to
 * it.
 */
#include "touch_end.h"

static bool is_spi(const struct jl_card *card) {
    return card->touch.controller->driver->is_spi;
}

jl_role_set jl_host_touch_roles(const struct jl_card *card) {
    if (!card->touch.controller) {
        return 0;
    }
    if (is_spi(card)) {
        return JL_ROLE_BIT(JL_ROLE_TOUCH_CS) | JL_ROLE_BIT(JL_ROLE_CLOCK) |
               JL_ROLE_BIT(JL_ROLE_MOSI) | JL_ROLE_BIT(JL_ROLE_MISO);
    }
    jl_role_set bus = JL_ROLE_BIT(JL_ROLE_TOUCH_SCL) | JL_ROLE_BIT(JL_ROLE_TOUCH_SDA);
    return JL_ROLE_BIT(JL_ROLE_TOUCH_RESET) | (card->bus == JL_BUS_I2C ? 0 : bus);
}

static void go_to(struct touch_end *end, uint64_t at_ps) {
    jl_board_go_to_ps(end->rig->board, at_ps + end->offset_ps);
}

static void take_event(void *context, const struct jl_bus_event *event) {
    struct touch_end *end = context;
    uint8_t byte = (uint8_t)event->value;
    switch (event->kind) {
    case JL_BUS_SELECTED:
    case JL_BUS_DESELECTED:
        go_to(end, event->at_ps);
        jl_device_set_pin(end->rig->touch_device, JL_DEVICE_CS, event->kind == JL_BUS_DESELECTED);
        jl_host_spi_end_select(&end->spi, event->kind == JL_BUS_SELECTED);
        break;
    case JL_BUS_BYTE:
        go_to(end, event->at_ps);
        end->spi.unit_ps = event->until_ps - event->at_ps;
        jl_stream_see(end->rig->touch_sim.stream, &byte, 1, end->spi.unit_ps);
        break;
    default:
        break;
    }
}

bool jl_host_touch_end_begin(struct touch_end *end, struct jl_rig *rig, uint64_t offset_ps,
                             bool has_reset) {
    const struct jl_decoding decoding = {.kind = JL_DECODE_SPI, .bits = 8, .has_cs = true};
    *end = (struct touch_end){.rig = rig, .offset_ps = offset_ps};
    if (!rig->touch_device) {
        return true;
    }
    if (is_spi(&rig->card)) {
        jl_host_spi_end_begin(&end->spi, rig->touch_sim.stream, 0, false);
        end->decoder = jl_decoder_create(&decoding, take_event, end);
        return end->decoder != NULL;
    }
    jl_host_i2c_end_begin(&end->i2c,
                          rig->touch_sim.i2c == rig->sim.i2c ? NULL : rig->touch_sim.i2c);
    if (!has_reset) {
        jl_device_set_pin(rig->touch_device, JL_DEVICE_RESET, false);
        jl_board_go_to_ps(rig->board, jl_board_now_ps(rig->board) + 20000000000u);
        jl_device_set_pin(rig->touch_device, JL_DEVICE_RESET, true);
    }
    return true;
}

void jl_host_touch_end_free(struct touch_end *end) {
    jl_decoder_destroy(end->decoder);
}

static void spi_level(struct touch_end *end, uint64_t at_ps, enum jl_role role, bool high) {
    if (role == JL_ROLE_TOUCH_CS) {
        jl_decoder_level(end->decoder, at_ps, JL_ROLE_CS, high);
    } else if (role == JL_ROLE_CLOCK || role == JL_ROLE_MOSI) {
        jl_decoder_level(end->decoder, at_ps, role, high);
    }
    if (role == JL_ROLE_CLOCK) {
        go_to(end, at_ps);
        jl_host_spi_end_clock(&end->spi, high);
    }
}

void jl_host_touch_end_level(struct touch_end *end, uint64_t at_ps, enum jl_role role, bool high) {
    if (end->decoder) {
        spi_level(end, at_ps, role, high);
    }
    if (role == JL_ROLE_TOUCH_RESET && end->rig->touch_device) {
        go_to(end, at_ps);
        jl_device_set_pin(end->rig->touch_device, JL_DEVICE_RESET, high);
    }
    if (end->i2c.bus && (role == JL_ROLE_TOUCH_SCL || role == JL_ROLE_TOUCH_SDA)) {
        go_to(end, at_ps);
        jl_host_i2c_end_level(&end->i2c, at_ps, role == JL_ROLE_TOUCH_SCL, high);
    }
}

void jl_host_touch_end_reach(struct touch_end *end, uint64_t at_ps) {
    if (end->decoder) {
        jl_decoder_reach(end->decoder, at_ps);
    }
}

bool jl_host_touch_end_drives(const struct touch_end *end, enum jl_role role, bool *high) {
    if (role == JL_ROLE_TOUCH_SDA) {
        *high = false;
        return end->i2c.pulls;
    }
    return role == JL_ROLE_MISO && jl_host_spi_end_drives(&end->spi, high);
}
