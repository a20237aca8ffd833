/* Who is on the I2C bus? */
#include "jadelamp/port.h"

#define FIRST_ADDRESS 0x08
#define LAST_ADDRESS  0x77

jl_status jl_scan_i2c(const struct jl_port *port, uint8_t found[16]) {
    if (!port || !port->ops || !port->ops->send || !found) {
        return JL_BAD_ARGUMENT;
    }
    for (uint8_t i = 0; i < 16; i++) {
        found[i] = 0;
    }
    for (uint8_t address = FIRST_ADDRESS; address <= LAST_ADDRESS; address++) {
        struct jl_transfer empty_write = {.i2c_address = address};
        jl_status status = port->ops->send(port->context, &empty_write);
        if (status == JL_OK) {
            found[address >> 3] = (uint8_t)(found[address >> 3] | 1u << (address & 7));
        } else if (status != JL_NO_ANSWER) {
            return status;
        }
    }
    return JL_OK;
}
