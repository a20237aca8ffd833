/* Bytes on their way to a device: lines that are stuck, bits that flip, transfers that are cut. */
#include "byte_faults.h"

uint8_t jl_sim_faults_stuck(const struct jl_device *device, uint8_t byte) {
    if (!device->stream) {
        return byte;
    }
    uint8_t held = (uint8_t)(device->faults.held >> JL_DEVICE_D0);
    uint8_t high = (uint8_t)(device->faults.held_high >> JL_DEVICE_D0);
    if (!device->stream->lines) { /* one line for all bits */
        held = held & 1 ? 0xFF : 0;
        high = high & 1 ? 0xFF : 0;
    }
    return (uint8_t)((byte & ~held) | (held & high));
}

/* Steele and Vigna's splitmix64: good enough for which bit it is, and any seed will do. */
static uint64_t random_after(uint64_t *state) {
    uint64_t z = *state += 0x9E3779B97F4A7C15u;
    z = (z ^ z >> 30) * 0xBF58476D1CE4E5B9u;
    z = (z ^ z >> 27) * 0x94D049BB133111EBu;
    return z ^ z >> 31;
}

uint64_t jl_sim_faults_next(struct faults *faults) {
    return 1 + random_after(&faults->flip_state) % (2 * (uint64_t)faults->flip_one_in - 1);
}

static uint8_t flip(struct faults *faults, uint8_t byte) {
    uint64_t passed = 0;
    while (faults->flip_after <= 8 - passed) {
        passed += faults->flip_after;
        byte ^= (uint8_t)(0x100u >> passed);
        faults->flip_after = jl_sim_faults_next(faults);
    }
    faults->flip_after -= 8 - passed;
    return byte;
}

size_t jl_sim_faults_pass(struct jl_device *device, uint64_t first, uint8_t *bytes, size_t count) {
    struct faults *faults = &device->faults;
    if (faults->cutting && first + count > faults->cut_byte) {
        uint64_t rest = faults->cut_byte > first ? faults->cut_byte - first : 0;
        count = (size_t)rest;
        faults->cut = true;
    }
    for (size_t i = 0; i < count; i++) {
        bytes[i] =
            jl_sim_faults_stuck(device, faults->flip_one_in ? flip(faults, bytes[i]) : bytes[i]);
    }
    return count;
}
