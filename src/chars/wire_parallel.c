/* Parallel wirings by pins (HD44780U datasheet, figures 25 to 27). */
#include "wire_parallel.h"

enum { RS_HIGH = 1, READING = 2 };

void jl_wire_select(struct jl_char_panel *panel, bool data, bool read) {
    uint8_t levels = (uint8_t)((data ? RS_HIGH : 0) | (read ? READING : 0));
    if (levels == panel->outputs) {
        return;
    }
    jl_wire_pin(panel, JL_PIN_DC, data);
    if (jl_cells_of(panel)->wire->reads_busy) {
        jl_wire_pin(panel, JL_PIN_RW, read);
    }
    panel->outputs = levels;
    panel->port->ops->wait_us(panel->port->context, 1);
}

void jl_wire_enable(const struct jl_char_panel *panel, uint8_t enables, bool high) {
    if (enables & 1) {
        jl_wire_pin(panel, JL_PIN_E, high);
    }
    if ((enables & 2) && jl_char_two_controllers(panel)) {
        jl_wire_pin(panel, JL_PIN_E2, high);
    }
    panel->port->ops->wait_us(panel->port->context, 1);
}

/* The data lines from `first` to D7, the lowest bit on `first`. */
static void put_lines(const struct jl_char_panel *panel, enum jl_pin first, unsigned bits) {
    for (int pin = (int)first; pin <= JL_PIN_D7; pin++, bits >>= 1) {
        jl_wire_pin(panel, (enum jl_pin)pin, bits & 1);
    }
}

static void pulse(const struct jl_char_panel *panel, uint8_t enables) {
    jl_wire_enable(panel, enables, true);
    jl_wire_enable(panel, enables, false);
}

/* All eight lines, or the upper half of a byte where only those are wired. */
static void put_upper(const struct jl_char_panel *panel, uint8_t byte) {
    bool eight = jl_cells_of(panel)->wire->eight_bits;
    put_lines(panel, eight ? JL_PIN_D0 : JL_PIN_D4, eight ? byte : byte >> 4);
}

void jl_wire_byte(const struct jl_char_panel *panel, uint8_t enables, uint8_t byte) {
    put_upper(panel, byte);
    pulse(panel, enables);
    if (!jl_cells_of(panel)->wire->eight_bits) {
        put_lines(panel, JL_PIN_D4, byte & 15u);
        pulse(panel, enables);
    }
}

jl_status jl_wire_check(const struct jl_char_panel *panel) {
    const struct jl_port_ops *ops = panel->port->ops;
    bool reads = jl_cells_of(panel)->wire->reads_busy;
    return ops->set_pin && (!reads || ops->get_pin) ? JL_OK : JL_BAD_PORT;
}

jl_status jl_wire_light(struct jl_char_panel *panel) {
    jl_wire_pin(panel, JL_PIN_LIGHT, panel->light);
    return JL_OK;
}

jl_status jl_wire_rest(struct jl_char_panel *panel) {
    jl_wire_enable(panel, jl_char_all(panel), false);
    panel->outputs = RS_HIGH | READING; /* perhaps; so both are driven now */
    jl_wire_select(panel, false, false);
    return jl_wire_light(panel);
}

jl_status jl_wire_knock(struct jl_char_panel *panel, uint8_t nibble) {
    put_upper(panel, (uint8_t)(nibble << 4));
    pulse(panel, jl_char_all(panel));
    return JL_OK;
}
