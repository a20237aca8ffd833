/* Emulated glass that is scanned out and has no command port. */
#include "jadelamp/sim/emulators.h"
#include "scanned_glass.h"

static const struct machine machine = {
    .fits = jl_sim_scanned_fits,
    .power_on = jl_sim_scanned_power_on,
    .show = jl_sim_scanned_show,
    .brightness = jl_sim_scanned_brightness,
    .why_dark = jl_sim_scanned_why_dark,
    .attach_rgb = jl_sim_scanned_attach,
    .take_line = jl_sim_scanned_take_line,
};

const struct jl_emulated_part jl_emulated_rgb_glass = {
    .name = "rgb-glass",
    .machine = &machine,
    .state_bytes = sizeof(struct scanned),
    .fixed_bytes = sizeof(struct scanned_wires),
};
