/*
 * I2C, seen from the master. Bit timing: SCL is low for 60 % of a bit and high
 * for 40 %, which keeps tLOW and tHIGH of UM10204 table 10 at 100 kHz (4.7 us,
 * 4.0 us) and at 400 kHz (1.3 us, 0.6 us). START and STOP take one bit each. A
 * repeated START takes 1.4: tLOW + tSU;STA + tHD;STA do not fit into one bit at
 * 100 kHz (4.7 + 4.7 + 4.0 us).
 */
#include "byte_faults.h"

#include <stdio.h>
#include <stdlib.h>
#include <string.h>

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
    device->bus_bytes = &bus->byte_count;
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
        jl_sim_device_report(
            device, tolerated ? JL_SEVERITY_NOTE : JL_SEVERITY_WARNING, JL_CODE_CLOCK_TOO_FAST,
            "I2C clock %u Hz, the datasheet allows %u Hz%s", (unsigned)(1000000000000u / bit_ps),
            (unsigned)(1000000000000u / least),
            tolerated ? ": this module is said to bear it" : "");
    }
}

static uint8_t address_of(const struct jl_i2c_bus *bus, size_t i) {
    struct jl_device *device = bus->devices[i];
    return device->machine->i2c_address ? device->machine->i2c_address(device, bus->addresses[i])
                                        : bus->addresses[i];
}

/* ---- what is said of a bus ---- */

/* "0x3C", or "0x3C and 0x27"; of those that are plugged in. */
static void list_addresses(const struct jl_i2c_bus *bus, char *out, size_t size) {
    out[0] = '\0';
    for (size_t i = 0; i < bus->device_count; i++) {
        size_t length = strlen(out);
        if (!bus->devices[i]->unplugged) {
            snprintf(out + length, size - length, "%s0x%02X", length ? " and " : "",
                     address_of(bus, i));
        }
    }
}

static bool is_attached(const struct jl_i2c_bus *bus, unsigned address) {
    for (size_t i = 0; i < bus->device_count; i++) {
        if (!bus->devices[i]->unplugged && address_of(bus, i) == address) {
            return true;
        }
    }
    return false;
}

/* Nobody took the address byte. Asking who is there is no mistake; sending on is. */
static void report_refused(struct jl_i2c_bus *bus, uint8_t byte) {
    unsigned address = byte >> 1u;
    if (is_attached(bus, address >> 1u) && address >= 0x78) {
        jl_sim_bus_report(bus->board, "i2c", bus->byte_count, JL_SEVERITY_ERROR,
                          JL_CODE_ADDRESS_SHIFTED,
                          "nobody acknowledged the byte %02X: 0x%02X is the 8-bit form of 0x%02X, "
                          "and was shifted once more; give the 7-bit address, 0x%02X",
                          byte, address, address >> 1u, address >> 1u);
    } else if (is_attached(bus, byte)) {
        jl_sim_bus_report(
            bus->board, "i2c", bus->byte_count, JL_SEVERITY_ERROR, JL_CODE_ADDRESS_SHIFTED,
            "nobody acknowledged the byte %02X: it is the 7-bit address 0x%02X, which "
            "goes out shifted, with the write bit: %02X",
            byte, byte, (unsigned)byte << 1 & 0xFFu);
    }
}

/* Bytes that follow all the same. */
static void report_unheard(struct jl_i2c_bus *bus) {
    char there[120];
    if (!bus->open) {
        jl_sim_bus_report(bus->board, "i2c", bus->byte_count, JL_SEVERITY_ERROR, JL_CODE_NO_START,
                          "a byte behind a STOP reaches nobody: begin with START and an address");
    } else if (bus->reading) {
        jl_sim_bus_report(bus->board, "i2c", bus->byte_count, JL_SEVERITY_ERROR, JL_CODE_READ_BIT,
                          "bytes are sent behind the address byte %02X, whose read bit is set: the "
                          "part drives SDA itself; send %02X",
                          bus->address << 1 | 1, bus->address << 1);
    } else if (bus->refused) {
        list_addresses(bus, there, sizeof there);
        jl_sim_bus_report(bus->board, "i2c", bus->byte_count, JL_SEVERITY_ERROR,
                          JL_CODE_ADDRESS_UNANSWERED,
                          "bytes are sent on although nobody acknowledged address 0x%02X; on this "
                          "bus there is %s",
                          bus->address, *there ? there : "nobody");
    }
}

/* ---- bytes ---- */

static bool deliver_address(struct jl_i2c_bus *bus, uint8_t byte, uint64_t bit_ps) {
    bool acknowledged = false;
    bus->expect_address = false;
    bus->address = byte >> 1;
    bus->reading = byte & 1;
    for (size_t i = 0; i < bus->device_count; i++) {
        struct jl_device *device = bus->devices[i];
        uint8_t heard = byte;
        if (jl_sim_faults_any(device)) { /* the master does not notice when one is lost */
            jl_sim_faults_pass(device, bus->byte_count, &heard, 1);
        }
        if (device->unplugged || address_of(bus, i) != heard >> 1) {
            continue;
        }
        check_clock(device, bit_ps);
        bus->addressed[i] = device->machine->i2c_begin(device, heard & 1);
        acknowledged |= bus->addressed[i];
    }
    bus->refused = !acknowledged;
    if (!acknowledged) {
        report_refused(bus, byte);
    }
    return acknowledged;
}

static bool deliver_data(struct jl_i2c_bus *bus, uint8_t byte) {
    bool acknowledged = false;
    if (!bus->open || bus->reading || bus->refused) {
        report_unheard(bus);
        return false;
    }
    for (size_t i = 0; i < bus->device_count; i++) {
        struct jl_device *device = bus->devices[i];
        uint8_t heard = byte;
        if (!bus->addressed[i] || device->unplugged) {
            continue;
        }
        bool lost =
            jl_sim_faults_any(device) && !jl_sim_faults_pass(device, bus->byte_count, &heard, 1);
        acknowledged |= lost || device->machine->i2c_write(device, heard);
    }
    return acknowledged;
}

void jl_i2c_see_start(struct jl_i2c_bus *bus) {
    bus->open = true;
    bus->expect_address = true;
    for (size_t i = 0; i < bus->device_count; i++) {
        jl_sim_faults_transfer(bus->devices[i]);
        bus->addressed[i] = false;
    }
}

void jl_i2c_see_stop(struct jl_i2c_bus *bus) {
    bus->open = bus->expect_address = false;
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
    jl_i2c_see_stop(bus);
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
