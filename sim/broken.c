/* Bad joints, wires and supplies. */
#include "jadelamp/sim/faults.h"

#include <string.h>

#include "byte_faults.h"

/* ---- wires that are stuck ---- */

static bool has_wire(const struct jl_device *device, enum jl_device_pin pin) {
    bool line = device->stream && pin >= JL_DEVICE_D0;
    return line ? device->stream->lines || pin == JL_DEVICE_D0 : device->pin_wires[pin] != NO_WIRE;
}

bool jl_device_hold_pin(struct jl_device *device, enum jl_device_pin pin, bool high) {
    struct faults *faults = &device->faults;
    uint32_t bit = 1u << pin;
    if (!has_wire(device, pin)) {
        return false;
    }
    jl_device_release_pin(device, pin);
    bool driven = device->pins[pin];
    jl_device_set_pin(device, pin, high);
    faults->held |= bit;
    faults->held_high = high ? faults->held_high | bit : faults->held_high & ~bit;
    faults->outside_high = driven ? faults->outside_high | bit : faults->outside_high & ~bit;
    jl_sim_wire_set(device->board, device->pin_wires[pin], high, device->board->now_ps);
    return true;
}

void jl_device_release_pin(struct jl_device *device, enum jl_device_pin pin) {
    struct faults *faults = &device->faults;
    if (faults->held >> pin & 1) {
        faults->held &= ~(1u << pin);
        jl_device_set_pin(device, pin, faults->outside_high >> pin & 1);
    }
}

/* ---- bytes that change or do not arrive ---- */

bool jl_device_cut_at(struct jl_device *device, uint64_t index) {
    if (!device->bus_bytes) {
        return false;
    }
    device->faults.cutting = true;
    device->faults.cut = false;
    device->faults.cut_byte = *device->bus_bytes + index;
    return true;
}

bool jl_device_flip_bits(struct jl_device *device, uint32_t one_in, uint32_t seed) {
    struct faults *faults = &device->faults;
    if (!device->bus_bytes) {
        return false;
    }
    faults->flip_one_in = one_in;
    faults->flip_state = seed;
    faults->flip_after = one_in ? jl_sim_faults_next(faults) : 0;
    return true;
}

/* ---- the supply ---- */

static void lose_registers(struct jl_device *device) {
    const struct machine *machine = device->machine;
    jl_sim_judge_anew(device);
    if (machine->brown_out) {
        machine->brown_out(device);
    } else if (machine->reset) {
        /* It resets itself, in no time. */
        device->faults.silent = true;
        machine->reset(device, true);
        machine->reset(device, !device->pins[JL_DEVICE_RESET]);
        device->faults.silent = false;
    } else {
        machine->power_on(device);
    }
}

static void brown_out(struct jl_board *board) {
    board->brown_out = NULL;
    for (size_t i = 0; i < board->device_count; i++) {
        if (!board->devices[i]->unplugged) {
            lose_registers(board->devices[i]);
        }
    }
    for (size_t i = 0; i < board->i2c_count; i++) { /* until the next START */
        memset(board->i2c[i]->addressed, 0, sizeof board->i2c[i]->addressed);
    }
}

void jl_board_brown_out_at(struct jl_board *board, uint64_t at_ps) {
    board->brown_out = brown_out;
    board->brown_out_ps = at_ps;
    if (at_ps <= board->now_ps) {
        brown_out(board);
    }
}
