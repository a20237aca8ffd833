/* Words to bytes, and what they leave open asked of the emulated part. */
#include "word_step.h"

#include <string.h>

#include "jadelamp/sim/board.h"
#include "jadelamp/sim/explain.h"

/* Whether a part says that an argument is out of its range. */
static bool complains(const struct jl_catalog_entry *part, const uint8_t *bytes, size_t count) {
    struct jl_board *board = jl_board_create(1);
    struct jl_stream_bus *bus = board ? jl_board_add_spi(board, 1000000, 0, 0) : NULL;
    const struct jl_glass glass = {.width = 32, .height = 32, .kind = JL_GLASS_WHITE};
    struct jl_device *device =
        bus ? jl_board_add_device(board, part->emulator, part->name, &glass) : NULL;
    bool found = false;
    if (device && jl_stream_attach(bus, device)) {
        const struct jl_diagnostic *list;
        jl_device_set_pin(device, JL_DEVICE_RESET, false);
        jl_board_wait_ps(board, 20000000000u);
        jl_device_set_pin(device, JL_DEVICE_RESET, true);
        jl_board_wait_ps(board, 200000000000u);
        jl_device_set_pin(device, JL_DEVICE_DC, false);
        jl_device_set_pin(device, JL_DEVICE_CS, false);
        jl_stream_write(bus, bytes, 1);
        jl_device_set_pin(device, JL_DEVICE_DC, jl_explain_opcode_bytes(part->emulator) != 0);
        jl_stream_write(bus, bytes + 1, count - 1);
        for (size_t i = jl_board_diagnostics(board, &list); i > 0; i--) {
            found |= list[i - 1].code == JL_CODE_ARGUMENT_VALUE;
        }
    }
    jl_board_destroy(board);
    return found;
}

bool jl_host_word_step(const struct jl_catalog_entry *part, const char *text, uint8_t *out,
                       size_t *count) {
    struct jl_worded_command worded;
    if (!jl_explain_read(part->emulator, text, &worded)) {
        return false;
    }
    *count = worded.count;
    memcpy(out, worded.bytes, worded.count);
    if (jl_explain_opcode_bytes(part->emulator) == 2) {
        memmove(out + 1, out, worded.count);
        out[0] = 0;
        ++*count;
        return true; /* registers take all values */
    }
    if (worded.count != 2 || !complains(part, out, 2)) {
        return true;
    }
    for (unsigned more = 1; more < 256; more++) {
        out[1] = (uint8_t)(worded.bytes[1] | more);
        if (!(more & ~worded.unsaid[1]) && !complains(part, out, 2)) {
            return true;
        }
    }
    return false;
}
