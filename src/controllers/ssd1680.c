/* ssd1680: 176 sources, 296 gates. */
#include "ssd_paper.h"

const struct jl_controller jl_ssd1680 = SSD_PAPER_CONTROLLER("ssd1680", 176, 296);
