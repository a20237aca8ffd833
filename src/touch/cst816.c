/* cst816 (S, T, D): one point, in registers 02h to 06h (register declaration). */
#include "touch.h"

enum { FINGERS = 0x02 };

static jl_status wake(struct jl_touch *touch) {
    static const uint8_t stay_awake[] = {0xFE, 0x01};
    return touch->config->sleeps ? JL_OK : jl_touch_send(touch, stay_awake, sizeof stay_awake);
}

static jl_status read(struct jl_touch *touch) {
    static const uint8_t address = FINGERS;
    uint8_t bytes[5];
    jl_status status = jl_touch_registers(touch, &address, 1, bytes, sizeof bytes);
    touch->raw_count = 0;
    if (status == JL_NO_ANSWER && touch->config->sleeps) {
        return JL_OK; /* it does not answer its address while it sleeps, and nothing touches it */
    }
    if (status == JL_OK && bytes[0] == 1) {
        jl_touch_keep(touch, (uint16_t)((bytes[1] & 0x0F) << 8 | bytes[2]),
                      (uint16_t)((bytes[3] & 0x0F) << 8 | bytes[4]), 0, 0);
    }
    return status;
}

const struct jl_touch_part jl_cst816 = {
    .name = "cst816",
    .reset_low_ms = 10,
    .reset_recovery_ms = 50,
    .wake = wake,
    .read = read,
};
