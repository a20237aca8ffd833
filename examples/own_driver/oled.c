#include "oled.h"

#include <string.h>

enum { COMMANDS = 0x00, DATA = 0x40, PAGES = OLED_HEIGHT / 8 };

static bool send_commands(struct oled *oled, const uint8_t *commands, size_t count) {
    uint8_t bytes[32] = {COMMANDS};
    memcpy(bytes + 1, commands, count);
    return oled->write(oled->context, OLED_ADDRESS, bytes, count + 1);
}

bool oled_start(struct oled *oled) {
    static const uint8_t wake[] = {
        0xAE,       /* off */
        0xA8, 0x1F, /* 32 rows */
        0xD3, 0x00, /* no offset */
        0x40,       /* first line */
        0xA1, 0xC8, /* as the module is mounted */
        0xDA, 0x02, /* rows one after the other */
        0x81, 0x8F, /* contrast */
        0xA4, 0xA6, /* the RAM, not inverted */
        0xD5, 0x80, /* clock */
        0x8D, 0x14, /* charge pump on */
        0x20, 0x01, /* down a column first, so that some columns are one transfer */
    };
    static const uint8_t on = 0xAF;
    return send_commands(oled, wake, sizeof wake) && oled_show(oled, 0, OLED_WIDTH - 1) &&
           send_commands(oled, &on, 1);
}

void oled_fill(struct oled *oled, int left, int top, int right, int bottom, bool lit) {
    for (int y = top; y <= bottom; y++) {
        for (int x = left; x <= right; x++) {
            uint8_t *byte = &oled->picture[x * PAGES + y / 8];
            uint8_t bit = (uint8_t)(1u << y % 8);
            *byte = (uint8_t)(lit ? *byte | bit : *byte & ~bit);
        }
    }
}

bool oled_show(struct oled *oled, int left, int right) {
    const uint8_t window[] = {0x21, (uint8_t)left, (uint8_t)right, 0x22, 0, PAGES - 1};
    if (!send_commands(oled, window, sizeof window)) {
        return false;
    }
    for (int x = left; x <= right; x += 16) { /* the peripheral takes 65 bytes at a time */
        uint8_t bytes[1 + 16 * PAGES] = {DATA};
        size_t columns = (size_t)(right - x + 1 < 16 ? right - x + 1 : 16);
        memcpy(bytes + 1, &oled->picture[x * PAGES], columns * PAGES);
        if (!oled->write(oled->context, OLED_ADDRESS, bytes, columns * PAGES + 1)) {
            return false;
        }
    }
    return true;
}
