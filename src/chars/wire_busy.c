/* Parallel wiring with R/W: every byte waits until the controller says that it is ready. */
#include "wire_parallel.h"

/* A read takes 2 us at least: 4 ms and more, where 2.2 ms is the longest instruction. */
enum { MOST_READS = 2000 };

/* Reads the busy flag of one controller: D7 while E is high; in 4-bit mode the address follows. */
static bool is_busy(const struct jl_char_panel *panel, uint8_t enable) {
    const struct jl_port *port = panel->port;
    jl_wire_enable(panel, enable, true);
    bool busy = port->ops->get_pin(port->context, JL_PIN_D7);
    jl_wire_enable(panel, enable, false);
    if (!jl_cells_of(panel)->wire->eight_bits) {
        jl_wire_enable(panel, enable, true);
        jl_wire_enable(panel, enable, false);
    }
    return busy;
}

static jl_status wait_ready(struct jl_char_panel *panel, uint8_t enables) {
    uint16_t reads = MOST_READS;
    bool busy = false;
    jl_wire_select(panel, false, true);
    for (uint8_t enable = 1; enable <= 2; enable = (uint8_t)(enable << 1)) {
        busy = enables & enable;
        while (busy && reads) {
            busy = is_busy(panel, enable);
            reads--;
        }
        if (busy) {
            break;
        }
    }
    jl_wire_select(panel, false, false);
    return busy ? JL_TIMEOUT : JL_OK;
}

static jl_status send_byte(struct jl_char_panel *panel, uint8_t enables, bool data, uint8_t byte) {
    jl_status status = wait_ready(panel, enables);
    if (status == JL_OK) {
        jl_wire_select(panel, data, false);
        jl_wire_byte(panel, enables, byte);
    }
    return status;
}

static jl_status send(struct jl_char_panel *panel, uint8_t enables, uint8_t command,
                      const uint8_t *data, size_t count) {
    jl_status status = command ? send_byte(panel, enables, false, command) : JL_OK;
    for (size_t i = 0; i < count && status == JL_OK; i++) {
        status = send_byte(panel, enables, true, data[i]);
    }
    return status;
}

#define READING(bits)                                                                              \
    {                                                                                              \
        .eight_bits = (bits) == 8, .reads_busy = true, .check = jl_wire_check,                     \
        .rest = jl_wire_rest, .knock = jl_wire_knock, .send = send, .light = jl_wire_light         \
    }

const struct jl_char_wire jl_char_wire_4_busy = READING(4);
const struct jl_char_wire jl_char_wire_8_busy = READING(8);
