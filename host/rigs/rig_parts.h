/* What the files of a rig share. */
#ifndef JADELAMP_HOST_RIG_PARTS_H
#define JADELAMP_HOST_RIG_PARTS_H

#include "jadelamp/host/rig.h"

/* Takes over the bus of a rig beside it, where the two can share it. */
void jl_host_rig_share(struct jl_rig *rig, struct jl_rig *beside);

/*
 * Wires the device that listens for the card's panel to the rig's port; its address on I2C is its
 * own. False: no fit, no room.
 */
bool jl_host_rig_connect(struct jl_rig *rig, struct jl_device *device, uint8_t i2c_address);

/* Puts the card's touch controller on the board, if it has one, and opens its driver. */
bool jl_host_rig_open_touch(struct jl_rig *rig, struct jl_complaint *complaint);

/* Builds module (of a card of its own), wires and panel of a rig whose card, board and port are
 * set. */
bool jl_host_rig_open_cells(struct jl_rig *rig, const struct jl_card *module,
                            struct jl_complaint *complaint);

/* The same for glass that is scanned out. */
bool jl_host_rig_open_scanned(struct jl_rig *rig, const struct jl_card *glass,
                              struct jl_complaint *complaint);

/* Adds a card's module and, where it has one, its expander to a board. NULL: no fit, no room. */
struct jl_device *jl_host_cells_add(struct jl_board *board, const struct jl_card *card,
                                    struct jl_device **expander);

#endif
