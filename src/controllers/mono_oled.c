/* The usual 1-bit OLED without a pump: what its description decides. */
#include "mono_oled.h"

#include "../core/lone.h"
#include "../core/mem.h"

enum { ROWS = 2, PINS = 4, TURN = 5, CONTRAST = 8, INVERSE = 10 };
static const uint8_t setup_steps[] = {
    JL_STEP_SEND(0xA8, 63,    /* multiplex ratio: rows - 1 */
                 0xDA, 0x12,  /* COM pins: alternate; 02 sequential */
                 0xA1, 0xC8,  /* remaps */
                 0x81, 0,     /* contrast */
                 0xA4, 0xA6), /* show the RAM, not inverted */
};

size_t jl_mono_oled_setup(const struct jl_panel *panel, uint8_t *out) {
    const struct jl_panel_config *config = jl_config_of(panel);
    memcpy(out, setup_steps, sizeof setup_steps);
    out[ROWS] = (uint8_t)(config->height - 1);
    out[PINS] = jl_mono_oled_pins(config);
    jl_mono_oled_turn(out + TURN, panel, panel->turn);
    out[CONTRAST] = panel->contrast;
    out[INVERSE] = panel->inverted ? 0xA7 : 0xA6;
    return sizeof setup_steps;
}
