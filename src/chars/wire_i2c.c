/*
 * A controller on I2C. Each byte has a control byte in front: bit 7 says that another one follows
 * behind the byte, bit 6 is RS. So a byte takes 18 clocks and 45 us at 400 kHz, longer than the
 * controller's 43 (aip31068) and 27 (st7036), and nothing has to wait between.
 */
#include "wire_i2c.h"

#define LIMIT_HZ 400000u /* both sheets */

enum { MORE = 0x80, RS = 0x40, PAIRS_BYTES = 32 };

jl_status jl_wire_i2c_check(const struct jl_char_panel *panel) {
    const struct jl_char_config *config = jl_cells_of(panel);
    const struct jl_port *port = panel->port;
    return !port->ops->send || port->most_body_bytes == 1             ? JL_BAD_PORT
           : config->i2c_address < 0x08 || config->i2c_address > 0x77 ? JL_BAD_ADDRESS
           : jl_char_two_controllers(panel)                           ? JL_BAD_SIZE
           : port->clock_hz > LIMIT_HZ                                ? JL_CLOCK_TOO_FAST
                                                                      : JL_OK;
}

jl_status jl_wire_i2c_light(struct jl_char_panel *panel) {
    const struct jl_port *port = panel->port;
    if (port->ops->set_pin) {
        port->ops->set_pin(port->context, JL_PIN_LIGHT, panel->light);
    }
    return JL_OK;
}

/* START and STOP leave nothing half done. */
jl_status jl_wire_i2c_rest(struct jl_char_panel *panel) {
    return jl_wire_i2c_light(panel);
}

jl_status jl_wire_i2c_send(struct jl_char_panel *panel, uint8_t enables, uint8_t command,
                           const uint8_t *data, size_t count) {
    const struct jl_port *port = panel->port;
    uint8_t pairs[PAIRS_BYTES];
    struct jl_transfer t = {.body = pairs, .i2c_address = jl_cells_of(panel)->i2c_address};
    size_t most = port->most_body_bytes && port->most_body_bytes < PAIRS_BYTES
                      ? port->most_body_bytes & ~(size_t)1
                      : PAIRS_BYTES;
    jl_status status = JL_OK;
    (void)enables;
    while ((command || count) && status == JL_OK) {
        size_t used = 0;
        do {
            pairs[used] = command ? MORE : MORE | RS;
            pairs[used + 1] = command ? command : *data++;
            count -= !command;
            command = 0;
            used += 2;
        } while (used < most && count);
        pairs[used - 2] &= (uint8_t)~MORE; /* the last one */
        t.body_bytes = used;
        status = port->ops->send(port->context, &t);
    }
    return status;
}

jl_status jl_wire_i2c_knock(struct jl_char_panel *panel, uint8_t nibble) {
    return jl_wire_i2c_send(panel, 1, (uint8_t)(nibble << 4), NULL, 0);
}

const struct jl_char_wire jl_char_wire_i2c = {.eight_bits = true,
                                              .check = jl_wire_i2c_check,
                                              .rest = jl_wire_i2c_rest,
                                              .knock = jl_wire_i2c_knock,
                                              .send = jl_wire_i2c_send,
                                              .light = jl_wire_i2c_light};
