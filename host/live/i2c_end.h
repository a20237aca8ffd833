/* The devices' end of an I2C bus whose lines somebody moves: it answers. */
#ifndef JADELAMP_HOST_I2C_END_H
#define JADELAMP_HOST_I2C_END_H

#include "jadelamp/sim/board.h"

struct i2c_end {
    struct jl_i2c_bus *bus; /* NULL: there is none */
    bool scl, sda;          /* the lines, high at first */
    bool open, address_due, reading, pulls;
    bool master_wants; /* it acknowledged the byte that it read */
    unsigned bits, byte;
    uint64_t first_rise_ps, last_rise_ps;
};

void jl_host_i2c_end_begin(struct i2c_end *end, struct jl_i2c_bus *bus);

/* A line has another level. Afterwards `pulls` says whether a device holds SDA low. */
void jl_host_i2c_end_level(struct i2c_end *end, uint64_t at_ps, bool is_scl, bool high);

#endif
