/* What the drivers of st7565, st7567 and uc1701 share (command tables of their datasheets). */
#include "lcd_pages.h"

#include "../core/lone.h"
#include "../core/mem.h"
#include "../core/orientation.h"
#include "page_window.h"

enum { VOLUME = 0x81, ADC = 0xA0, ALL_ON = 0xA4, INVERSE = 0xA6, DISPLAY = 0xAE, COM_SCAN = 0xC0 };

static unsigned mirrors_of(const struct jl_panel *panel, unsigned turn) {
    return jl_mirrors_of_turn(turn) ^ jl_mirrors_of_module(jl_config_of(panel));
}

/* On the usual module columns run from SEG0 at the left, and rows from the last COM at the top. */
static void put_turn(uint8_t *out, const struct jl_panel *panel, unsigned turn) {
    unsigned mirrors = mirrors_of(panel, turn);
    out[0] = (uint8_t)(ADC | (mirrors & AXES_MIRROR_X));
    out[1] = (uint8_t)(COM_SCAN | (mirrors & AXES_MIRROR_Y ? 0 : 8));
}

/* The volume has 6 bits. */
static uint8_t volume(uint8_t contrast) {
    return contrast >> 2;
}

size_t jl_lcd_pages_setup(const struct jl_panel *panel, uint8_t *out) {
    out[0] = 6;
    put_turn(out + 1, panel, panel->turn);
    out[3] = VOLUME;
    out[4] = volume(panel->contrast);
    out[5] = ALL_ON;
    out[6] = (uint8_t)(INVERSE | panel->inverted);
    return 7;
}

size_t jl_lcd_pages_setting(const struct jl_panel *panel, enum jl_setting what, uint8_t value,
                            uint8_t *out) {
    out[0] = 2;
    switch (what) {
    case JL_SETTING_POWER: /* power save is display off and all points on */
        out[1] = (uint8_t)(value ? ALL_ON : DISPLAY);
        out[2] = (uint8_t)(value ? DISPLAY | 1 : ALL_ON | 1);
        break;
    case JL_SETTING_CONTRAST:
        out[1] = VOLUME;
        out[2] = volume(value);
        break;
    case JL_SETTING_TURN:
        put_turn(out + 1, panel, value);
        break;
    case JL_SETTING_INVERT:
    case JL_SETTING_ALL_ON:
        out[0] = 1;
        out[1] = (uint8_t)((what == JL_SETTING_INVERT ? INVERSE : ALL_ON) | (value != 0));
        break;
    default:
        return 0;
    }
    return 1u + out[0];
}

/*
 * With the columns reversed the first of them is at SEG131, so a glass of 128 columns on
 * SEG0 to SEG127 begins at column 4 then.
 */
size_t jl_lcd_pages_window(const struct jl_panel *panel, const struct jl_stretch *stretch,
                           uint8_t *out) {
    const struct jl_panel_config *config = jl_config_of(panel);
    bool reversed = (mirrors_of(panel, panel->turn) & AXES_MIRROR_X) != 0;
    int left = reversed ? config->controller->ram_width - config->width - config->column_offset
                        : config->column_offset;
    return jl_page_window(stretch->area, left, out);
}
