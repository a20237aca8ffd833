/* Emulated ssd1680: 176 sources, 296 gates; glass of 122x250 begins at source 0. */
#include "ssd_paper.h"

static const struct ssd_paper_part facts = {.sources = 176, .gates = 296};

const struct jl_emulated_part jl_emulated_ssd1680 = {
    .name = "ssd1680",
    .commands = &jl_sim_ssd1680_commands,
    .machine = &jl_sim_ssd_paper_machine,
    .facts = &facts,
    .state_bytes = SSD_PAPER_STATE_BYTES(176, 296),
    .fixed_bytes = PAPER_GLASS_BYTES(176, 296),
    .serial_cycle_ps = 50000,
};
