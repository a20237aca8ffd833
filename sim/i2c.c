/*
 * I2C, seen from the master. Bit timing: SCL is low for 60 % of a bit and high
 * for 40 %, which keeps tLOW and tHIGH of UM10204 table 10 at 100 kHz (4.7 us,
 * 4.0 us) and at 400 kHz (1.3 us, 0.6 us). START and STOP take one bit each. A
 * repeated START takes 1.4: tLOW + tSU;STA + tHD;STA do not fit into one bit at
 * 100 kHz (4.7 + 4.7 + 4.0 us).
 */
#include "board_parts.h"

#include <stdlib.h>

#define STUCK_WAIT_PS 25000000000u /* 25 ms, after SMBus' tTIMEOUT */

static bool good_clock(uint32_t clock_hz) {
    return clock_hz >= 1000 && clock_hz <= 5000000;
}

struct jl_i2c_bus *jl_board_add_i2c(struct jl_board *board, uint32_t clock_hz,
                                    uint32_t overhead_ns) {
    if (board->i2c_count == MOST_BUSES || !good_clock(clock_hz)) {
        return NULL;
    }
    struct jl_i2c_bus *bus = calloc(1, sizeof *bus);
    if (!bus) {
        return NULL;
    }
    bus->board = board;
    bus->bit_ps = 1000000000000u / clock_hz;
    bus->overhead_ps = overhead_ns * (uint64_t)1000;
    bus->scl = jl_sim_wire_create(board, true);
    bus->sda = jl_sim_wire_create(board, true);
    board->i2c[board->i2c_count++] = bus;
    return bus;
}

bool jl_i2c_attach(struct jl_i2c_bus *bus, struct jl_device *device, uint8_t address) {
    if (address < 0x08 || address > 0x77 || bus->device_count == MOST_ON_BUS ||
        !device->part->i2c_cycle_ps) {
        return false;
    }
    bus->devices[bus->device_count] = device;
    bus->addresses[bus->device_count] = address;
    bus->device_count++;
    device->i2c = bus;
    return true;
}

bool jl_i2c_slow_down(struct jl_i2c_bus *bus, uint32_t clock_hz) {
    if (!good_clock(clock_hz)) {
        return false;
    }
    uint64_t bit_ps = 1000000000000u / clock_hz;
    bus->bit_ps = bit_ps > bus->bit_ps ? bit_ps : bus->bit_ps;
    return true;
}

/* One bit: SDA changes a quarter into the low phase, and stays while SCL is high. */
static void clock_bit(struct jl_i2c_bus *bus, bool sda) {
    struct jl_board *board = bus->board;
    if (jl_sim_board_records(board)) {
        uint64_t start = board->now_ps;
        jl_sim_wire_set(board, bus->scl, false, start);
        jl_sim_wire_set(board, bus->sda, sda, start + bus->bit_ps * 15 / 100);
        jl_sim_wire_set(board, bus->scl, true, start + bus->bit_ps * 60 / 100);
    }
    jl_sim_board_advance(board, board->now_ps + bus->bit_ps);
}

static void start_again(struct jl_i2c_bus *bus) {
    struct jl_board *board = bus->board;
    uint64_t start = board->now_ps;
    jl_sim_wire_set(board, bus->scl, false, start);
    jl_sim_wire_set(board, bus->sda, true, start + bus->bit_ps * 15 / 100);
    jl_sim_wire_set(board, bus->scl, true, start + bus->bit_ps * 52 / 100);
    jl_sim_wire_set(board, bus->sda, false, start + bus->bit_ps * 99 / 100);
    jl_sim_board_advance(board, board->now_ps + bus->bit_ps * 140 / 100);
}

bool jl_i2c_start(struct jl_i2c_bus *bus) {
    struct jl_board *board = bus->board;
    if (bus->sda_held) {
        jl_sim_wire_set(board, bus->sda, false, board->now_ps);
        jl_sim_board_advance(board, board->now_ps + STUCK_WAIT_PS);
        return false;
    }
    if (bus->open) { /* SDA has to rise again first, while SCL is low */
        start_again(bus);
    } else {
        jl_sim_board_advance(board, board->now_ps + bus->overhead_ps);
        jl_sim_wire_set(board, bus->sda, false, board->now_ps + bus->bit_ps * 60 / 100);
        jl_sim_board_advance(board, board->now_ps + bus->bit_ps);
    }
    jl_i2c_see_start(bus);
    return true;
}

/* Whether an injected fault swallows the byte that is about to move. */
static bool swallowed(const struct jl_i2c_bus *bus) {
    return bus->failing && (bus->byte_count == bus->fail_byte ||
                            (bus->fail_for_good && bus->byte_count > bus->fail_byte));
}

/* Devices on a bus that is too fast get their bytes all the same: most do. */
static void check_clock(struct jl_device *device, uint64_t bit_ps) {
    uint64_t least = device->part->i2c_cycle_ps;
    if (bit_ps < least && !device->clock_reported) {
        bool tolerated = device->tolerated_cycle_ps && bit_ps >= device->tolerated_cycle_ps;
        device->clock_reported = true;
        jl_sim_device_report(device, tolerated ? JL_SEVERITY_NOTE : JL_SEVERITY_WARNING,
                             "I2C clock %u Hz, the datasheet allows %u Hz%s",
                             (unsigned)(1000000000000u / bit_ps),
                             (unsigned)(1000000000000u / least),
                             tolerated ? ": this module is said to bear it" : "");
    }
}

static uint8_t address_of(const struct jl_i2c_bus *bus, size_t i) {
    struct jl_device *device = bus->devices[i];
    return device->machine->i2c_address ? device->machine->i2c_address(device, bus->addresses[i])
                                        : bus->addresses[i];
}

static bool deliver_address(struct jl_i2c_bus *bus, uint8_t byte, uint64_t bit_ps) {
    bool acknowledged = false;
    bus->expect_address = false;
    for (size_t i = 0; i < bus->device_count; i++) {
        struct jl_device *device = bus->devices[i];
        if (device->unplugged || address_of(bus, i) != byte >> 1) {
            continue;
        }
        check_clock(device, bit_ps);
        bus->addressed[i] = device->machine->i2c_begin(device, byte & 1);
        acknowledged |= bus->addressed[i];
    }
    return acknowledged;
}

static bool deliver_data(struct jl_i2c_bus *bus, uint8_t byte) {
    bool acknowledged = false;
    for (size_t i = 0; i < bus->device_count; i++) {
        if (bus->addressed[i] && !bus->devices[i]->unplugged) {
            acknowledged |= bus->devices[i]->machine->i2c_write(bus->devices[i], byte);
        }
    }
    return acknowledged;
}

void jl_i2c_see_start(struct jl_i2c_bus *bus) {
    bus->open = true;
    bus->expect_address = true;
    for (size_t i = 0; i < bus->device_count; i++) {
        bus->addressed[i] = false;
    }
}

bool jl_i2c_see_byte(struct jl_i2c_bus *bus, uint8_t byte, uint64_t bit_ps) {
    bool acknowledged = false;
    if (!swallowed(bus)) {
        acknowledged =
            bus->expect_address ? deliver_address(bus, byte, bit_ps) : deliver_data(bus, byte);
    }
    bus->byte_count++;
    return acknowledged;
}

uint8_t jl_i2c_see_read(struct jl_i2c_bus *bus) {
    uint8_t byte = 0xFF; /* the pull-ups */
    for (size_t i = 0; i < bus->device_count; i++) {
        struct jl_device *device = bus->devices[i];
        if (bus->addressed[i] && !device->unplugged && device->machine->i2c_read) {
            byte &= device->machine->i2c_read(device);
        }
    }
    bus->byte_count++;
    return byte;
}

bool jl_i2c_write(struct jl_i2c_bus *bus, uint8_t byte) {
    bool acknowledged = jl_i2c_see_byte(bus, byte, bus->bit_ps);
    for (int bit = 7; bit >= 0; bit--) {
        clock_bit(bus, byte >> bit & 1);
    }
    clock_bit(bus, !acknowledged);
    return acknowledged;
}

uint8_t jl_i2c_read(struct jl_i2c_bus *bus, bool acknowledge) {
    uint8_t byte = jl_i2c_see_read(bus);
    for (int bit = 7; bit >= 0; bit--) {
        clock_bit(bus, byte >> bit & 1);
    }
    clock_bit(bus, !acknowledge);
    return byte;
}

void jl_i2c_stop(struct jl_i2c_bus *bus) {
    struct jl_board *board = bus->board;
    uint64_t start = board->now_ps;
    jl_sim_wire_set(board, bus->scl, false, start);
    jl_sim_wire_set(board, bus->sda, false, start + bus->bit_ps * 15 / 100);
    jl_sim_wire_set(board, bus->scl, true, start + bus->bit_ps * 60 / 100);
    jl_sim_board_advance(board, board->now_ps + bus->bit_ps);
    jl_sim_wire_set(board, bus->sda, true, board->now_ps);
    bus->open = false;
}

uint64_t jl_i2c_byte_count(const struct jl_i2c_bus *bus) {
    return bus->byte_count;
}

void jl_i2c_fail_at(struct jl_i2c_bus *bus, uint64_t index, bool for_good) {
    bus->failing = true;
    bus->fail_for_good = for_good;
    bus->fail_byte = bus->byte_count + index;
}

void jl_i2c_heal(struct jl_i2c_bus *bus) {
    bus->failing = false;
}

void jl_i2c_hold_sda(struct jl_i2c_bus *bus, bool held) {
    bus->sda_held = held;
    jl_sim_wire_set(bus->board, bus->sda, !held, bus->board->now_ps);
}
