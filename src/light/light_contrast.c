/* Light by the controller's own contrast or brightness. */
#include "jadelamp/light.h"

static jl_status set(struct jl_panel *panel, uint16_t duty) {
    return jl_panel_contrast(panel, (uint8_t)(duty >> 8));
}

const struct jl_light_way jl_light_contrast = {set};
