/* Commands that a part does not have: a relative's, or its own with the bits turned around. */
#include "device.h"

/* That many different ones, all of which are commands when read from the other end, are no
 * chance. */
enum { ENOUGH = 6 };

static uint8_t reversed(uint8_t byte) {
    uint8_t out = 0;
    for (int bit = 0; bit < 8; bit++) {
        out = (uint8_t)(out << 1 | (byte >> bit & 1));
    }
    return out;
}

static bool is_noted(const struct jl_device *device, uint8_t opcode) {
    return device->unknown[opcode / 8] >> (opcode % 8) & 1;
}

/* Whether the unknown ones, and there are enough, are known from the other end. */
static bool look_reversed(const struct jl_device *device) {
    int count = 0;
    for (unsigned opcode = 0; opcode < 256; opcode++) {
        if (is_noted(device, (uint8_t)opcode)) {
            count++;
            if (!jl_sim_find_command(device->part->commands, reversed((uint8_t)opcode))) {
                return false;
            }
        }
    }
    return count >= ENOUGH;
}

void jl_sim_unknown_command(struct jl_device *device, uint8_t opcode) {
    const struct stranger *stranger = device->part->strangers;
    while (stranger && stranger->instead && (opcode < stranger->first || opcode > stranger->last)) {
        stranger++;
    }
    bool explained = stranger && stranger->instead;
    jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_UNKNOWN_COMMAND,
                         "unknown command %02X%s%s", opcode, explained ? ": " : "",
                         explained ? stranger->instead : "");
    device->unknown[opcode / 8] |= (uint8_t)(1u << (opcode % 8));
    if (!device->reversed_reported && look_reversed(device)) {
        device->reversed_reported = true;
        jl_sim_device_report(
            device, JL_SEVERITY_ERROR, JL_CODE_BITS_REVERSED,
            "the unknown commands are commands with their bits reversed: the least "
            "significant bit comes first; send the most significant one first");
    }
}
