/* ft6x36: two points, in registers 02h to 0Eh (application note, "register map"). */
#include "touch.h"

enum { POINT_COUNT = 0x02, POINT_BYTES = 6, MOST_POINTS = 2, EVENT_UP = 1, EVENT_NONE = 3 };

static jl_status wake(struct jl_touch *touch) {
    /* Normal mode; the pen line is low as long as something touches, instead of pulses. */
    static const uint8_t settings[][2] = {{0x00, 0x00}, {0xA4, 0x00}};
    jl_status status = jl_touch_send(touch, settings[0], sizeof settings[0]);
    return status == JL_OK ? jl_touch_send(touch, settings[1], sizeof settings[1]) : status;
}

static jl_status read(struct jl_touch *touch) {
    static const uint8_t address = POINT_COUNT;
    uint8_t bytes[1 + MOST_POINTS * POINT_BYTES];
    jl_status status = jl_touch_registers(touch, &address, 1, bytes, sizeof bytes);
    touch->raw_count = 0;
    uint8_t told = bytes[0] & 0x0F;
    if (status != JL_OK || told > MOST_POINTS) { /* more: it boots, and the rest is not valid */
        return status;
    }
    /* One that was lifted may still lie before one that is down. */
    for (const uint8_t *p = bytes + 1; p < bytes + sizeof bytes; p += POINT_BYTES) {
        uint8_t event = p[0] >> 6;
        if (event != EVENT_UP && event != EVENT_NONE && touch->raw_count < told) {
            jl_touch_keep(touch, (uint16_t)((p[0] & 0x0F) << 8 | p[1]),
                          (uint16_t)((p[2] & 0x0F) << 8 | p[3]), p[2] >> 4, 0);
        }
    }
    return JL_OK;
}

const struct jl_touch_part jl_ft6x36 = {
    .name = "ft6x36",
    .pen_is_level = true,
    .reset_low_ms = 5,
    .reset_recovery_ms = 300,
    .wake = wake,
    .read = read,
};
