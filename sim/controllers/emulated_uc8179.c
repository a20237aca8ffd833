/* Emulated uc8179: 800 sources, 600 gates; TSSET of 6E chooses its partial waveform. */
#include "uc_paper.h"

static const struct uc_paper_part facts = {
    .sources = 800, .gates = 600, .wide = true, .options_low = true, .partial_degrees = 0x6E};

const struct jl_emulated_part jl_emulated_uc8179 =
    UC_PAPER_PART("uc8179", &jl_sim_uc8179_commands, 800, 600, 50000, &facts);
