/*
 * The voltage that drives a passive LCD: too low and nothing turns, too high and the dots that
 * should not turn do so as well. The limits are a choice for a usual glass, relative to the
 * voltage at which it looks right.
 */
#ifndef JADELAMP_SIM_LCD_DRIVE_H
#define JADELAMP_SIM_LCD_DRIVE_H

#include "../device.h"

/* Shares of the right voltage, in percent. */
enum { LCD_FAINT_PERCENT = 85, LCD_FULL_PERCENT = 97, LCD_GHOST_PERCENT = 116 };

enum lcd_drive { LCD_TOO_LOW, LCD_RIGHT, LCD_TOO_HIGH };

static inline enum lcd_drive lcd_drive_of(int millivolts, int right_millivolts) {
    int percent = millivolts * 100 / right_millivolts;
    return percent < LCD_FAINT_PERCENT   ? LCD_TOO_LOW
           : percent > LCD_GHOST_PERCENT ? LCD_TOO_HIGH
                                         : LCD_RIGHT;
}

/* How dark the dots that turn are, 0..255: faint at the lower limit. */
static inline uint8_t lcd_darkness(int millivolts, int right_millivolts) {
    int percent = millivolts * 100 / right_millivolts;
    int over = percent - LCD_FAINT_PERCENT;
    int range = LCD_FULL_PERCENT - LCD_FAINT_PERCENT;
    return over < 0 ? 0 : over >= range ? 255 : (uint8_t)(60 + over * 195 / range);
}

#endif
