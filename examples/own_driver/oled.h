/* A driver of one's own for a 128x32 OLED with an ssd1306 on I2C. It knows nothing of Jade Lamp. */
#ifndef OLED_H
#define OLED_H

#include <stdbool.h>
#include <stddef.h>
#include <stdint.h>

enum { OLED_WIDTH = 128, OLED_HEIGHT = 32, OLED_ADDRESS = 0x3C };

struct oled {
    /* Sends a transfer; false: not acknowledged. On the microcontroller, its I2C peripheral. */
    bool (*write)(void *context, uint8_t address, const uint8_t *bytes, size_t count);
    void *context;
    uint8_t
        picture[OLED_WIDTH * OLED_HEIGHT / 8]; /* columns of eight pixels, the top one in bit 0 */
};

/* Wakes the panel and shows the picture as it is. False: it does not answer. */
bool oled_start(struct oled *oled);

/* A rectangle, its ends included, lit or dark; in memory. It has to lie on the glass. */
void oled_fill(struct oled *oled, int left, int top, int right, int bottom, bool lit);

/* Sends columns of the picture, the ends included. */
bool oled_show(struct oled *oled, int left, int right);

#endif
