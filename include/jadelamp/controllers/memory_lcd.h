/*
 * Memory LCDs: 1-bit glass that keeps its picture with microwatts; SPI (jl_bus_memory_lcd).
 */
#ifndef JADELAMP_CONTROLLERS_MEMORY_LCD_H
#define JADELAMP_CONTROLLERS_MEMORY_LCD_H

#include "jadelamp/panel.h"

#ifdef __cplusplus
extern "C" {
#endif

/**
 * Glass of 128x128 and of 400x240. Frames are jl_black_white; only whole lines are sent, so pieces
 * for jl_panel_send() are as wide as the glass, and nothing is drawn without a frame or bands. The
 * port's CS is high while the glass is selected; DISP is to be high. The glass cannot be turned,
 * inverted or put to sleep by commands.
 *
 * The voltage in front of the glass has to change at least once a second, or the glass suffers:
 * call one of the functions below every half second or so, also while the picture stands.
 */
extern const struct jl_controller jl_ls013b7dh03;
extern const struct jl_controller jl_ls027b7dh01;

/**
 * Changes the voltage by a command of two bytes. For modules whose EXTMODE is low. Not while
 * another call on this panel is under way, thus not in an interrupt.
 *
 * @return JL_OK; JL_BAD_ARGUMENT (NULL); JL_NOT_AWAKE; or the port's status
 */
jl_status jl_memory_lcd_vcom(struct jl_panel *panel);

/**
 * The same by a pin, the port's JL_PIN_VCOM, for modules whose EXTMODE is high. May be called in an
 * interrupt if the port's set_pin() may. A timer's output does as well, without this.
 */
jl_status jl_memory_lcd_vcom_pin(struct jl_panel *panel);

#ifdef __cplusplus
}
#endif

#endif
