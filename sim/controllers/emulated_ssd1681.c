/* Emulated ssd1681: 200 sources, 200 gates. */
#include "ssd_paper.h"

static const struct ssd_paper_part facts = {.sources = 200, .gates = 200};

const struct jl_emulated_part jl_emulated_ssd1681 = {
    .name = "ssd1681",
    .commands = &jl_sim_ssd1680_commands,
    .machine = &jl_sim_ssd_paper_machine,
    .facts = &facts,
    .state_bytes = SSD_PAPER_STATE_BYTES(200, 200),
    .fixed_bytes = PAPER_GLASS_BYTES(200, 200),
    .serial_cycle_ps = 50000,
};
