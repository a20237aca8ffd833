/* Rigs of character modules. */
#ifndef JADELAMP_HOST_RIG_CELLS_H
#define JADELAMP_HOST_RIG_CELLS_H

#include "jadelamp/host/rig.h"

/* Builds board, module, wires and panel of a rig whose card and port are set. */
bool jl_host_rig_open_cells(struct jl_rig *rig, struct jl_complaint *complaint);

/* Adds a card's module and, where it has one, its expander to a board. NULL: no fit, no room. */
struct jl_device *jl_host_cells_add(struct jl_board *board, const struct jl_card *card,
                                    struct jl_device **expander);

#endif
