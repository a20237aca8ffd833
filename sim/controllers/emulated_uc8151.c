/* Emulated uc8151: 160 sources, 296 gates; no partial waveform of its own. */
#include "uc_paper.h"

static const struct uc_paper_part facts = {.sources = 160, .gates = 296};

const struct jl_emulated_part jl_emulated_uc8151 =
    UC_PAPER_PART("uc8151", &jl_sim_uc8151_commands, 160, 296, 100000, &facts);
