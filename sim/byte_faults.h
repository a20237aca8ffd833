/* Inside the board: what faults do to bytes on their way to a device. */
#ifndef JADELAMP_SIM_BYTE_FAULTS_H
#define JADELAMP_SIM_BYTE_FAULTS_H

#include "board_parts.h"

/* Whether bytes do not arrive as they were sent. */
static inline bool jl_sim_faults_any(const struct jl_device *device) {
    return device->faults.cutting || device->faults.flip_one_in ||
           device->faults.held >> JL_DEVICE_D0;
}

/* Changes bytes in place, the first of which is number `first` on the bus. How many arrive. */
size_t jl_sim_faults_pass(struct jl_device *device, uint64_t first, uint8_t *bytes, size_t count);

/* A byte behind data wires that are stuck, whichever way it goes. */
uint8_t jl_sim_faults_stuck(const struct jl_device *device, uint8_t byte);

/* A transfer ended, or another one begins: what was cut is heard again. */
static inline void jl_sim_faults_transfer(struct jl_device *device) {
    device->faults.cutting = device->faults.cutting && !device->faults.cut;
}

/* How many bits until the next one that flips: from 1 to twice the average less one, all alike. */
uint64_t jl_sim_faults_next(struct faults *faults);

#endif
