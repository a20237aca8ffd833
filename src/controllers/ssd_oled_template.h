/*
 * The encoders of a descriptor. Included by one file a part, behind `own`, which says what the part
 * has differently.
 */
#include "jadelamp/panel.h"

static size_t setup(const struct jl_panel *panel, uint8_t *out) {
    return jl_ssd_setup(&own, panel, out);
}

static size_t setting(const struct jl_panel *panel, enum jl_setting what, uint8_t value,
                      uint8_t *out) {
    return jl_ssd_setting(&own, panel, what, value, out);
}

static size_t window(const struct jl_panel *panel, const struct jl_stretch *stretch, uint8_t *out) {
    return jl_ssd_window(&own, panel, stretch, out);
}
