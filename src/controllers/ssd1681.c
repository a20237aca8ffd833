/* ssd1681: 200 sources, 200 gates. */
#include "ssd_paper.h"

const struct jl_controller jl_ssd1681 = SSD_PAPER_CONTROLLER("ssd1681", 200, 200);
