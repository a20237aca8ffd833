/* Bytes that a driver of one's own pushes to the stand's bus. */
#include <stdio.h>

#include "stand_parts.h"

/* Once: the driver under test talks to another bus. */
static void tell_bus(struct jl_stand *stand, const char *right) {
    if (stand && !stand->bus_told) {
        stand->bus_told = true;
        jl_host_stand_fail(stand, NULL, 0);
        fprintf(stderr, "the card %s is on another bus: call %s\n", stand->rig.card.name, right);
    }
}

static struct jl_i2c_bus *i2c_of(struct jl_stand *stand) {
    struct jl_i2c_bus *bus = stand ? stand->rig.sim.i2c : NULL;
    if (!bus) {
        tell_bus(stand, stand && stand->rig.sim.stream ? "jl_stand_write()" : "jl_stand_drive()");
    }
    return bus;
}

static struct jl_stream_bus *stream_of(struct jl_stand *stand) {
    struct jl_stream_bus *bus = stand ? stand->rig.sim.stream : NULL;
    if (!bus) {
        tell_bus(stand, stand && stand->rig.sim.i2c ? "jl_stand_i2c_write()" : "jl_stand_drive()");
    }
    return bus;
}

bool jl_stand_i2c_write(struct jl_stand *stand, uint8_t address, const uint8_t *bytes,
                        size_t count) {
    struct jl_i2c_bus *bus = i2c_of(stand);
    if (!bus || !jl_i2c_start(bus)) {
        return false;
    }
    bool acknowledged = jl_i2c_write(bus, (uint8_t)(address << 1));
    for (size_t i = 0; i < count && acknowledged; i++) {
        acknowledged = jl_i2c_write(bus, bytes[i]);
    }
    jl_i2c_stop(bus);
    return acknowledged;
}

bool jl_stand_i2c_read(struct jl_stand *stand, uint8_t address, uint8_t *bytes, size_t count) {
    struct jl_i2c_bus *bus = i2c_of(stand);
    if (!bus || !jl_i2c_start(bus)) {
        return false;
    }
    bool acknowledged = jl_i2c_write(bus, (uint8_t)(address << 1 | 1));
    for (size_t i = 0; i < count && acknowledged; i++) {
        bytes[i] = jl_i2c_read(bus, i + 1 < count);
    }
    jl_i2c_stop(bus);
    return acknowledged;
}

void jl_stand_write(struct jl_stand *stand, const uint8_t *bytes, size_t count) {
    struct jl_stream_bus *bus = stream_of(stand);
    if (bus) {
        jl_stream_write(bus, bytes, count);
    }
}

void jl_stand_write_nine(struct jl_stand *stand, bool data, const uint8_t *bytes, size_t count) {
    struct jl_stream_bus *bus = stream_of(stand);
    if (bus && jl_card_is_parallel(&stand->rig.card)) {
        tell_bus(stand, "jl_stand_write()");
    } else if (bus) {
        jl_stream_write_nine(bus, bytes, count, data);
    }
}

void jl_stand_read(struct jl_stand *stand, uint8_t *bytes, size_t count) {
    struct jl_stream_bus *bus = stream_of(stand);
    if (bus) {
        jl_stream_read(bus, bytes, count);
    }
}
