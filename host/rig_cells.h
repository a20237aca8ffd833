/* Rigs of character modules. */
#ifndef JADELAMP_HOST_RIG_CELLS_H
#define JADELAMP_HOST_RIG_CELLS_H

#include "jadelamp/host/rig.h"

/* Builds board, module, wires and panel of a rig whose card and port are set. */
bool rig_open_cells(struct jl_rig *rig, struct jl_complaint *complaint);

#endif
