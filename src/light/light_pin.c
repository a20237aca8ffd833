/* A backlight that is on or off. */
#include "jadelamp/light.h"

static jl_status set(struct jl_panel *panel, uint16_t duty) {
    return jl_panel_light(panel, duty >= 32768);
}

const struct jl_light_way jl_light_pin = {set};
