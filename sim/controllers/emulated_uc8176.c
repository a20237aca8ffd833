/* Emulated uc8176: 400 sources, 300 gates; no partial waveform of its own. */
#include "uc_paper.h"

static const struct uc_paper_part facts = {.sources = 400, .gates = 300, .wide = true};

const struct jl_emulated_part jl_emulated_uc8176 =
    UC_PAPER_PART("uc8176", &jl_sim_uc8179_commands, 400, 300, 100000, &facts);
