/*
 * SPI and 8080, as the devices see them: bytes or words that stream to those whose CS is low. On
 * SPI, MOSI changes on the falling edge of SCK and is sampled on the rising one, in mode 0 as in
 * mode 3. On 8080, data are taken with the rising edge of WR. The times are a master's
 * (stream_master.c), or whatever somebody saw.
 */
#include "stream.h"

#include "byte_faults.h"

#include <string.h>

bool jl_stream_attach(struct jl_stream_bus *bus, struct jl_device *device) {
    const struct jl_emulated_part *part = device->part;
    if (bus->device_count == MOST_ON_BUS || (bus->lines == 16 && !part->words) ||
        (bus->lines ? !part->parallel_cycle_ps : !part->serial_cycle_ps) ||
        (bus->lines && !bus->enable && part->no_8080) || (bus->enable && part->no_6800)) {
        return false;
    }
    bus->devices[bus->device_count++] = device;
    device->stream = bus;
    device->bus_bytes = &bus->byte_count;
    return true;
}

void jl_device_three_wire(struct jl_device *device, bool three_wire) {
    device->three_wire = three_wire;
}

void jl_device_tolerates(struct jl_device *device, uint64_t cycle_ps) {
    device->tolerated_cycle_ps = cycle_ps;
}

bool jl_sim_device_is_selected(const struct jl_device *device) {
    bool high = device->part->select_high && jl_sim_device_is_serial(device);
    return device->pins[JL_DEVICE_CS] == high;
}

bool jl_sim_device_has_dc(const struct jl_device *device) {
    const struct command_set *set = device->part->commands;
    return device->stream && device->machine->show && !(set && set->arguments_first) &&
           !(device->part->select_high && jl_sim_device_is_serial(device));
}

uint64_t jl_sim_device_unit_ps(const struct jl_device *device) {
    return device->stream->unit_ps;
}

bool jl_sim_device_is_serial(const struct jl_device *device) {
    return device->stream && !device->stream->lines;
}

/* ---- too fast ---- */

static void report_clock(struct jl_device *device, bool parallel, bool tolerated, uint64_t cycle,
                         uint64_t least) {
    const char *effect =
        tolerated ? ": this module is said to bear it" : ": some bytes arrive wrong";
    enum jl_severity severity = tolerated ? JL_SEVERITY_NOTE : JL_SEVERITY_WARNING;
    if (device->clock_reported) {
        return;
    }
    device->clock_reported = true;
    if (parallel) {
        jl_sim_device_report(device, severity, JL_CODE_CLOCK_TOO_FAST,
                             "write cycle of %.1f ns, the datasheet asks for %.1f ns at least%s",
                             (double)cycle / 1e3, (double)least / 1e3, effect);
    } else {
        jl_sim_device_report(device, severity, JL_CODE_CLOCK_TOO_FAST,
                             "SPI clock %.2f MHz, the datasheet allows %.2f MHz%s",
                             1e6 / (double)cycle, 1e6 / (double)least, effect);
    }
}

/* The chance of a wrong byte, in 65536ths: 0 within the part's limit. */
static uint32_t error_chance(const struct jl_stream_bus *bus, struct jl_device *device) {
    uint64_t least = bus->lines ? device->part->parallel_cycle_ps : device->part->serial_cycle_ps;
    uint64_t cycle = bus->lines ? bus->unit_ps : bus->unit_ps / 8;
    if (cycle >= least) {
        return 0;
    }
    bool tolerated = device->tolerated_cycle_ps && cycle >= device->tolerated_cycle_ps;
    report_clock(device, bus->lines != 0, tolerated, cycle, least);
    if (tolerated) {
        return 0;
    }
    /* A choice, not physics: at four times the clock about one byte in 85 is wrong. */
    return (uint32_t)(256 * (least - cycle) / cycle) + 1;
}

static void spoil(struct jl_device *device, uint8_t *bytes, size_t count, uint32_t chance) {
    for (size_t i = 0; i < count; i++) {
        uint8_t noise[3];
        jl_sim_device_noise(device, noise, sizeof noise);
        if ((noise[0] | (uint32_t)noise[1] << 8) < chance) {
            bytes[i] ^= (uint8_t)(1u << (noise[2] & 7));
        }
    }
}

/* ---- bits to words ---- */

static void count_by_dc(struct jl_device *device, bool data, uint8_t first, size_t bytes) {
    if (data && bytes && !device->low_bytes && !device->early_data_reported &&
        jl_sim_device_has_dc(device)) {
        device->early_data_reported = true;
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_DATA_FIRST,
                             "data %02X before any command: is D/C wired and the right way round? "
                             "Or was the wake-up sequence left out?",
                             first);
    }
    *(data ? &device->high_bytes : &device->low_bytes) += bytes;
    if (!data && !device->high_bytes && device->low_bytes > MOST_COMMANDS &&
        !device->stuck_reported && jl_sim_device_has_dc(device)) {
        device->stuck_reported = true;
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_DC_STUCK,
                             "%d bytes came with D/C low and none with D/C high: pixels are taken "
                             "for commands; is the D/C pin the right one, and driven?",
                             MOST_COMMANDS);
    }
}

/* Puts bits into the device's shift register; whole words go to the device. */
static void shift_in(struct jl_device *device, unsigned value, unsigned bits) {
    unsigned word = device->three_wire ? 9 : 8;
    for (unsigned bit = bits; bit > 0; bit--) {
        device->shifted = device->shifted << 1 | (value >> (bit - 1) & 1);
        if (++device->shifted_bits == word) {
            uint8_t byte = (uint8_t)device->shifted;
            bool data = device->three_wire ? device->shifted >> 8 & 1 : device->pins[JL_DEVICE_DC];
            count_by_dc(device, data, byte, 1);
            device->machine->write(device, &byte, 1, data);
            device->shifted = 0;
            device->shifted_bits = 0;
        }
    }
}

void jl_sim_stream_deselected(struct jl_device *device) {
    /* What fills the last byte of packed 9-bit words up is no word: zeros, less than a byte. */
    bool filling = device->three_wire && !device->shifted && device->shifted_bits < 8;
    if (device->shifted_bits && !filling) {
        bool nines = !device->three_wire && device->cs_bits % 9 == 0;
        bool eights = device->three_wire && device->cs_bits % 8 == 0;
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_WORD_CUT,
                             "CS rose in the middle of a word: %u of its %d bits are lost%s",
                             device->shifted_bits, device->three_wire ? 9 : 8,
                             nines    ? "; they came by nine, as for 3 wires, and the part is "
                                        "strapped for 4"
                             : eights ? "; they came by eight, as for 4 wires, and the part is "
                                        "strapped for 3"
                                      : "");
    }
    device->cs_bits = 0;
    device->shifted = 0;
    device->shifted_bits = 0;
}

static void deliver_serial(struct jl_device *device, const uint8_t *bytes, size_t count,
                           struct framing framing) {
    device->cs_bits += (unsigned)count * (framing.nine ? 9 : 8);
    if (!framing.nine && !device->three_wire && !device->shifted_bits) {
        count_by_dc(device, device->pins[JL_DEVICE_DC], bytes[0], count);
        device->machine->write(device, bytes, count, device->pins[JL_DEVICE_DC]);
        return;
    }
    for (size_t i = 0; i < count; i++) {
        device->at_base = i;
        shift_in(device, bytes[i] | (unsigned)framing.data << 8, framing.nine ? 9 : 8);
    }
}

static void deliver_to(const struct jl_stream_bus *bus, struct jl_device *device,
                       const uint8_t *bytes, size_t units, struct framing framing) {
    uint8_t spoiled[PIECE_UNITS * 2];
    size_t count = units * (size_t)bus->unit_bytes;
    if (!count) {
        return;
    }
    uint32_t chance = error_chance(bus, device);
    if (chance) {
        memcpy(spoiled, bytes, count);
        spoil(device, spoiled, count, chance);
        bytes = spoiled;
    }
    if (jl_sim_faults_any(device)) {
        memmove(spoiled, bytes, count);
        count = jl_sim_faults_pass(device, bus->byte_count, spoiled, count);
        units = count / (size_t)bus->unit_bytes;
        bytes = spoiled;
        if (!units) {
            return;
        }
    }
    device->at = device->at_base = 0;
    device->at_word_bytes = 1;
    device->at_unit_bytes = (size_t)bus->unit_bytes;
    device->at_unit_ps = framing.nine ? bus->unit_ps / 8 * 9 : bus->unit_ps;
    if (bus->lines) {
        count_by_dc(device, device->pins[JL_DEVICE_DC], bytes[0], count);
    }
    if (bus->lines == 16) {
        uint16_t words[PIECE_UNITS];
        memcpy(words, bytes, count);
        device->machine->write_words(device, words, units, device->pins[JL_DEVICE_DC]);
    } else if (bus->lines) {
        device->machine->write(device, bytes, units, device->pins[JL_DEVICE_DC]);
    } else {
        deliver_serial(device, bytes, units, framing);
    }
    device->at = device->at_base = 0;
}

bool jl_sim_stream_has_commands(const struct jl_stream_bus *bus, struct framing framing) {
    for (size_t i = 0; i < bus->device_count; i++) {
        const struct jl_device *device = bus->devices[i];
        bool data = device->three_wire ? framing.nine && framing.data : device->pins[JL_DEVICE_DC];
        if (!data && !device->unplugged && jl_sim_device_is_selected(device)) {
            return true;
        }
    }
    return false;
}

static const char *name_of(const struct jl_stream_bus *bus) {
    return !bus->lines ? "spi" : bus->enable ? "6800" : "8080";
}

void jl_sim_stream_deliver(struct jl_stream_bus *bus, const uint8_t *bytes, size_t units,
                           struct framing framing) {
    const struct jl_device *selected = NULL;
    for (size_t i = 0; i < bus->device_count; i++) {
        struct jl_device *device = bus->devices[i];
        bool for_it = !device->unplugged && jl_sim_device_is_selected(device);
        device->took_bytes |= for_it;
        device->bytes_passed |= !for_it;
        if (!for_it) {
            continue;
        }
        if (selected && !bus->contention_reported) {
            bus->contention_reported = true;
            jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_TWO_SELECTED,
                                 "takes bytes together with %s: the CS pins of both are low",
                                 selected->name);
        }
        selected = device;
        deliver_to(bus, device, bytes, units, framing);
    }
    if (!selected && bus->device_count) {
        jl_sim_bus_report(
            bus->board, name_of(bus), bus->byte_count, JL_SEVERITY_WARNING, JL_CODE_NONE_SELECTED,
            "bytes pass while no part is selected: no CS is active%s",
            bus->devices[0]->part->select_high && !bus->lines ? " (high selects here)" : "");
    }
}

/* ---- wires of the recording ---- */

static void record_bits(struct jl_stream_bus *bus, unsigned value, int bits, uint64_t start) {
    uint64_t bit_ps = bus->unit_ps / 8;
    for (int bit = bits - 1; bit >= 0; bit--, start += bit_ps) {
        jl_sim_wire_set(bus->board, bus->strobe, false, start);
        jl_sim_wire_set(bus->board, bus->data[0], value >> bit & 1, start);
        jl_sim_wire_set(bus->board, bus->strobe, true, start + bit_ps / 2);
    }
}

static void record_word(struct jl_stream_bus *bus, unsigned word, uint64_t start) {
    jl_sim_wire_set(bus->board, bus->strobe, !bus->idle_high, start);
    for (int i = 0; i < bus->lines; i++) {
        jl_sim_wire_set(bus->board, bus->data[i], word >> i & 1, start);
    }
    jl_sim_wire_set(bus->board, bus->strobe, bus->idle_high, start + bus->unit_ps / 2);
}

void jl_sim_stream_record_unit(struct jl_stream_bus *bus, const uint8_t *bytes,
                               struct framing framing, uint64_t start) {
    if (bus->lines == 16) {
        uint16_t word;
        memcpy(&word, bytes, sizeof word);
        record_word(bus, word, start);
    } else if (bus->lines) {
        record_word(bus, bytes[0], start);
    } else {
        record_bits(bus, bytes[0] | (unsigned)framing.data << 8, framing.nine ? 9 : 8, start);
    }
}

/* ---- reading ---- */

static void check_read_cycle(const struct jl_stream_bus *bus, struct jl_device *device) {
    uint64_t least =
        bus->lines ? device->part->parallel_read_cycle_ps : device->part->serial_read_cycle_ps;
    uint64_t cycle = bus->lines ? bus->unit_ps : bus->unit_ps / 8;
    if (cycle < least && !device->read_clock_reported) {
        device->read_clock_reported = true;
        jl_sim_device_report(
            device, JL_SEVERITY_WARNING, JL_CODE_CLOCK_TOO_FAST,
            "read with a cycle of %.1f ns, the datasheet asks for %.1f ns at least",
            (double)cycle / 1e3, (double)least / 1e3);
    }
}

static bool can_be_read(const struct jl_device *device) {
    return device->machine->read && !device->unplugged && jl_sim_device_is_selected(device);
}

static uint16_t read_device(const struct jl_stream_bus *bus, struct jl_device *device) {
    const struct machine *machine = device->machine;
    uint16_t given =
        bus->lines == 16 && machine->read_word ? machine->read_word(device) : machine->read(device);
    /* On a parallel bus it comes over the wires that are written to. */
    return bus->lines ? (uint16_t)((given & 0xFF00) | jl_sim_faults_stuck(device, (uint8_t)given))
                      : given;
}

uint16_t jl_sim_stream_read_unit(struct jl_stream_bus *bus) {
    uint16_t value = bus->lines == 16 ? 0xFFFF : 0xFF; /* nobody drives the lines */
    for (size_t i = 0; i < bus->device_count; i++) {
        struct jl_device *device = bus->devices[i];
        if (can_be_read(device)) {
            check_read_cycle(bus, device);
            value &= read_device(bus, device);
        }
    }
    return value;
}

bool jl_part_gives_on_spi(const struct jl_emulated_part *part) {
    return part->machine->gives != NULL;
}

bool jl_stream_gives(struct jl_stream_bus *bus, uint64_t unit_ps, uint16_t *value) {
    bool any = false;
    for (size_t i = 0; i < bus->device_count; i++) {
        struct jl_device *device = bus->devices[i];
        const struct machine *machine = device->machine;
        if (!can_be_read(device) || !(bus->lines || (machine->gives && machine->gives(device)))) {
            continue;
        }
        if (!value) {
            return true;
        }
        if (unit_ps) {
            bus->unit_ps = unit_ps;
            check_read_cycle(bus, device);
        }
        uint16_t given = read_device(bus, device);
        *value = any ? *value & given : given;
        any = true;
    }
    return any;
}

/* What is read from parts on three wires comes on the one that data go out on. */
static wire_id answers_on(const struct jl_stream_bus *bus) {
    for (size_t i = 0; i < bus->device_count; i++) {
        if (bus->devices[i]->three_wire && jl_sim_device_is_selected(bus->devices[i])) {
            return bus->data[0];
        }
    }
    return bus->miso;
}

void jl_sim_stream_record_read(struct jl_stream_bus *bus, uint16_t value, uint64_t start) {
    struct jl_board *board = bus->board;
    uint64_t bit_ps = bus->unit_ps / 8;
    if (bus->lines) {
        jl_sim_wire_set(board, bus->read_strobe, bus->enable, start);
        jl_sim_wire_set(board, bus->strobe, bus->enable || bus->idle_high, start);
        for (int i = 0; i < bus->lines; i++) {
            jl_sim_wire_set(board, bus->data[i], value >> i & 1, start);
        }
        jl_sim_wire_set(board, bus->strobe, bus->idle_high, start + bus->unit_ps / 2);
        jl_sim_wire_set(board, bus->read_strobe, !bus->enable, start + bus->unit_ps / 2);
        return;
    }
    wire_id wire = answers_on(bus);
    for (int bit = 7; bit >= 0; bit--, start += bit_ps) {
        jl_sim_wire_set(board, bus->strobe, false, start);
        jl_sim_wire_set(board, wire, value >> bit & 1, start);
        jl_sim_wire_set(board, bus->strobe, true, start + bit_ps / 2);
    }
}
