/*
 * 8080 with 16 bits: opcodes and arguments travel on D7..D0 of a word of their own, pixels
 * take all 16 lines.
 */
#include "bus_pins.h"

enum { WORDS_AT_A_TIME = 16 };

static jl_status send_low(const struct jl_panel *panel, bool data, const uint8_t *bytes,
                          size_t count) {
    uint16_t words[WORDS_AT_A_TIME];
    jl_status status = JL_OK;
    while (count && status == JL_OK) {
        size_t part = 0;
        while (part < count && part < WORDS_AT_A_TIME) {
            words[part] = bytes[part];
            part++;
        }
        status = jl_bus_send(panel, data, (const uint8_t *)words, part * sizeof words[0]);
        bytes += part;
        count -= part;
    }
    return status;
}

static jl_status send(const struct jl_panel *panel, bool data, const uint8_t *bytes, size_t count) {
    if (data) {
        return jl_bus_send(panel, true, bytes, count);
    }
    size_t opcodes = jl_bus_opcodes(panel, false, count);
    jl_status status = send_low(panel, false, bytes, opcodes);
    return status == JL_OK ? send_low(panel, true, bytes + opcodes, count - opcodes) : status;
}

static jl_status check(const struct jl_panel *panel) {
    /* A limit of odd bytes would cut a word. */
    return panel->port->most_body_bytes & 1 ? JL_BAD_PORT : jl_pins_check(panel);
}

const struct jl_bus jl_bus_8080_16 = {.kind = JL_BUS_8080_16,
                                      .wires = JL_WIRES_WORD,
                                      .check = check,
                                      .send = send,
                                      .lines = jl_pins_lines,
                                      .fill = jl_pins_fill,
                                      .begin = jl_pins_begin,
                                      .end = jl_pins_end};
