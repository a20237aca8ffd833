/* The noise of the board: the same in every run. */
#include "device.h"

/* splitmix64: a well-known public-domain mixer; here it only has to look like noise. */
static uint64_t next_noise(uint64_t *state) {
    uint64_t z = *state += 0x9E3779B97F4A7C15u;
    z = (z ^ (z >> 30)) * 0xBF58476D1CE4E5B9u;
    z = (z ^ (z >> 27)) * 0x94D049BB133111EBu;
    return z ^ (z >> 31);
}

void jl_sim_device_noise(struct jl_device *device, uint8_t *bytes, size_t count) {
    for (size_t i = 0; i < count; i++) {
        bytes[i] = (uint8_t)next_noise(&device->noise_seed);
    }
}
