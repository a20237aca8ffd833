/*
 * xpt2046: resistive glass, 12 bits (datasheet, "control byte" and "24 clocks per conversion"). The
 * reply to a control byte is a busy bit, then the number. Settings are from practice: five samples
 * of each axis behind one that is dropped, their median, none of them far off; pressure, too,
 * behind one that is dropped, before and after, so that a finger that leaves in between is no
 * point.
 */
#include "touch.h"

enum {
    START = 0x80,
    CHANNEL_Y = 0x10, /* A2..A0 in bits 6..4 */
    CHANNEL_Z1 = 0x30,
    CHANNEL_Z2 = 0x40,
    CHANNEL_X = 0x50,
    POWER_ON = 0x03, /* between conversions; 0 re-arms the pen line */
    SAMPLES = 5,
    MOST_APART = 40, /* about 3 pixels */
    LEAST_Z1 = 100,
    X_OHMS = 400,     /* of the glass from side to side; 200 to 900 */
    MOST_OHMS = 2000, /* between the layers: more is no touch */
};

static jl_status convert(const struct jl_touch *touch, uint8_t channel, bool last,
                         uint16_t *value) {
    uint8_t control = (uint8_t)(START | channel | (last ? 0 : POWER_ON)), reply[2];
    const struct jl_transfer t = {.body = &control, .body_bytes = 1};
    jl_status status = touch->port->ops->receive(touch->port->context, &t, reply, sizeof reply);
    *value = (uint16_t)((reply[0] << 8 | reply[1]) >> 3 & 0xFFF);
    return status;
}

/* The first conversion of another channel is poor, so there is one before it. */
static jl_status pressure(const struct jl_touch *touch, uint8_t channel, uint16_t *value) {
    jl_status status = convert(touch, channel, false, value);
    return status == JL_OK ? convert(touch, channel, false, value) : status;
}

/* The median of five samples; false in `steady` when they differ too much. */
static jl_status sample(const struct jl_touch *touch, uint8_t channel, uint16_t *value,
                        bool *steady) {
    uint16_t sorted[SAMPLES];
    jl_status status = convert(touch, channel, false, value); /* the first one is poor */
    for (uint8_t i = 0; i < SAMPLES && status == JL_OK; i++) {
        status = convert(touch, channel, false, value);
        uint8_t at = i;
        for (; at > 0 && sorted[at - 1] > *value; at--) {
            sorted[at] = sorted[at - 1];
        }
        sorted[at] = *value;
    }
    if (status == JL_OK) {
        *value = sorted[SAMPLES / 2];
        *steady = *steady && sorted[SAMPLES - 1] - sorted[0] <= MOST_APART;
    }
    return status;
}

static jl_status read_point(struct jl_touch *touch) {
    uint16_t z1, z2 = 0, x = 0, y = 0, z1_after = 0;
    bool steady = true;
    jl_status status = pressure(touch, CHANNEL_Z1, &z1);
    if (status == JL_OK && z1 >= LEAST_Z1) {
        status = pressure(touch, CHANNEL_Z2, &z2);
        status = status == JL_OK ? sample(touch, CHANNEL_X, &x, &steady) : status;
        status = status == JL_OK ? sample(touch, CHANNEL_Y, &y, &steady) : status;
        status = status == JL_OK ? pressure(touch, CHANNEL_Z1, &z1_after) : status;
    }
    uint16_t unused;
    jl_status end = convert(touch, CHANNEL_Y, true, &unused);
    if (status != JL_OK || end != JL_OK) {
        return status != JL_OK ? status : end;
    }
    if (z1_after < LEAST_Z1 || z2 <= z1 || !steady) { /* Z2 no higher: nobody drives the line */
        return JL_OK;
    }
    /* Datasheet: R = Rx * x / 4096 * (Z2 / Z1 - 1). */
    int32_t ohms = (int32_t)X_OHMS * x / 4096 * ((int32_t)z2 - z1) / z1;
    if (ohms <= MOST_OHMS) {
        jl_touch_keep(touch, x, y, 0, (uint16_t)ohms);
    }
    return JL_OK;
}

static jl_status read(struct jl_touch *touch) {
    const struct jl_port *port = touch->port;
    touch->raw_count = 0;
    port->ops->set_pin(port->context, JL_PIN_TOUCH_CS, false);
    jl_status status = read_point(touch);
    port->ops->set_pin(port->context, JL_PIN_TOUCH_CS, true);
    return status;
}

const struct jl_touch_part jl_xpt2046 = {
    .name = "xpt2046",
    .is_spi = true,
    .pen_is_level = true,
    .read = read,
};
