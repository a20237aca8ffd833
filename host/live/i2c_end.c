/*
 * UM10204 3.1: bits count as SCL rises, and devices change SDA as it falls. Behind the eighth bit
 * the one who listens pulls SDA low for a clock.
 */
#include "i2c_end.h"

enum { BITS = 8, WITH_ANSWER = 9 };

void jl_host_i2c_end_begin(struct i2c_end *end, struct jl_i2c_bus *bus) {
    *end = (struct i2c_end){.bus = bus, .scl = true, .sda = true};
}

static void bit_rose(struct i2c_end *end, uint64_t at_ps) {
    if (!end->open || end->bits >= WITH_ANSWER) {
        return;
    }
    if (end->bits < BITS) {
        end->first_rise_ps = end->bits ? end->first_rise_ps : at_ps;
        end->last_rise_ps = at_ps;
        end->byte = end->reading ? end->byte : (end->byte << 1 | end->sda) & 0xFF;
    } else {
        end->master_wants = !end->sda;
    }
    end->bits++;
}

/* Puts a bit of the byte that is read on the line. */
static void give_bit(struct i2c_end *end) {
    end->pulls = !(end->byte >> (BITS - 1 - end->bits) & 1);
}

static void begin_read(struct i2c_end *end) {
    end->byte = jl_i2c_see_read(end->bus);
    give_bit(end);
}

static void byte_came(struct i2c_end *end) {
    uint64_t bit_ps = (end->last_rise_ps - end->first_rise_ps) / (BITS - 1);
    end->pulls = jl_i2c_see_byte(end->bus, (uint8_t)end->byte, bit_ps ? bit_ps : 1);
    end->master_wants = false;
}

/* The clock of the answer is over. */
static void next_byte(struct i2c_end *end) {
    bool answered = end->pulls;
    end->bits = 0;
    end->pulls = false;
    if (end->reading ? end->master_wants : end->address_due && answered && end->byte & 1) {
        end->reading = true;
        begin_read(end);
    } else if (end->reading) {
        end->reading = false;
        end->open = false; /* nobody listens until the next START */
    }
    end->address_due = false;
}

static void bit_fell(struct i2c_end *end) {
    if (end->bits == WITH_ANSWER) {
        next_byte(end);
    } else if (end->bits == BITS && end->reading) {
        end->pulls = false;
    } else if (end->bits == BITS) {
        byte_came(end);
    } else if (end->reading) {
        give_bit(end);
    }
}

static void sda_moved(struct i2c_end *end) {
    if (!end->scl) {
        return;
    }
    end->open = !end->sda;
    end->bits = end->byte = 0;
    end->reading = end->pulls = false;
    end->address_due = end->open;
    (end->open ? jl_i2c_see_start : jl_i2c_see_stop)(end->bus);
}

void jl_host_i2c_end_level(struct i2c_end *end, uint64_t at_ps, bool is_scl, bool high) {
    bool *line = is_scl ? &end->scl : &end->sda;
    if (*line == high) {
        return;
    }
    *line = high;
    if (!is_scl) {
        sda_moved(end);
    } else if (high) {
        bit_rose(end, at_ps);
    } else if (end->open) {
        bit_fell(end);
    }
}
