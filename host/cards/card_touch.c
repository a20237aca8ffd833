/* Touch in cards. */
#include "card_touch.h"

#include <stdio.h>
#include <string.h>

bool jl_host_card_read_touch(struct reading *reading, const char *key, const char *value) {
    char known[120] = "";
    size_t count;
    const struct jl_touch_entry *entries = jl_touch_catalog(&count);
    reading->card->touch.controller = jl_touch_catalog_find(value);
    for (size_t i = 0; i < count; i++) {
        size_t length = strlen(known);
        snprintf(known + length, sizeof known - length, "%s%s", i ? ", " : "", entries[i].name);
    }
    return reading->card->touch.controller ||
           FAIL(reading, "%s = %s: unknown touch controller; known are: %s", key, value, known);
}

bool jl_host_card_read_touch_address(struct reading *reading, const char *key, const char *value) {
    return jl_host_card_address(reading, key, value, &reading->card->touch.i2c_address);
}

bool jl_host_card_read_touch_clock(struct reading *reading, const char *key, const char *value) {
    return jl_host_card_hertz(reading, key, value, &reading->card->touch.clock_hz);
}

bool jl_host_card_read_touch_mounting(struct reading *reading, const char *key, const char *value) {
    int turn = 0;
    bool good = jl_host_card_choice(reading, key, value, jl_host_card_turns, &turn);
    reading->card->touch.mounting = (uint8_t)turn;
    return good;
}

bool jl_host_card_check_touch(struct reading *reading) {
    static const char *const keys[] = {"address", "clock", "mounting"};
    struct jl_card_touch *touch = &reading->card->touch;
    const struct jl_touch_entry *part = touch->controller;
    for (size_t i = 0; i < sizeof keys / sizeof keys[0] && !part; i++) {
        if (jl_host_card_seen(reading, "touch", keys[i])) {
            return FAIL_KEY(reading, "touch", keys[i],
                            "[touch] %s: expected controller, too, such as controller = ft6x36",
                            keys[i]);
        }
    }
    if (!part) {
        return true;
    }
    if (part->driver->is_spi && touch->i2c_address) {
        return FAIL_KEY(reading, "touch", "address",
                        "[touch] address: the %s is on SPI, and has none: leave it out",
                        part->name);
    }
    if (touch->i2c_address && !memchr(part->addresses, touch->i2c_address, 2)) {
        char other[16] = "";
        if (part->addresses[1]) {
            snprintf(other, sizeof other, " or 0x%02X", part->addresses[1]);
        }
        return FAIL_KEY(reading, "touch", "address",
                        "[touch] address = 0x%02X: the %s answers at 0x%02X%s", touch->i2c_address,
                        part->name, part->addresses[0], other);
    }
    touch->i2c_address = touch->i2c_address ? touch->i2c_address : part->addresses[0];
    touch->clock_hz = touch->clock_hz ? touch->clock_hz : part->most_hz;
    if (!part->driver->is_spi && touch->clock_hz > 5000000) {
        return FAIL_KEY(reading, "touch", "clock",
                        "[touch] clock: I2C ends at 5 MHz; the %s allows %u kHz", part->name,
                        (unsigned)(part->most_hz / 1000));
    }
    return true;
}
