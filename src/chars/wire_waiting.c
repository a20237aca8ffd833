/* Parallel wiring without R/W: every byte waits for the slowest controller. */
#include "wire_parallel.h"

static void send_byte(struct jl_char_panel *panel, uint8_t enables, bool data, uint8_t byte) {
    jl_wire_select(panel, data, false);
    jl_wire_byte(panel, enables, byte);
    panel->port->ops->wait_us(panel->port->context, data ? JL_CHAR_DATA_US : JL_CHAR_US);
}

jl_status jl_wire_send_waiting(struct jl_char_panel *panel, uint8_t enables, uint8_t command,
                               const uint8_t *data, size_t count) {
    if (command) {
        send_byte(panel, enables, false, command);
    }
    for (size_t i = 0; i < count; i++) {
        send_byte(panel, enables, true, data[i]);
    }
    return JL_OK;
}

#define WAITING(bits)                                                                              \
    {                                                                                              \
        .eight_bits = (bits) == 8, .check = jl_wire_check, .rest = jl_wire_rest,                   \
        .knock = jl_wire_knock, .send = jl_wire_send_waiting, .light = jl_wire_light               \
    }

const struct jl_char_wire jl_char_wire_4 = WAITING(4);
const struct jl_char_wire jl_char_wire_8 = WAITING(8);
