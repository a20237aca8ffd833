/*
 * SPI and 8080, as a master drives them: blocking transfers, and DMA. Time passes piece by piece,
 * so that a controller that scans its glass meanwhile sees the RAM as it fills. A DMA transfer's
 * bytes leave memory when the wire takes them.
 */
#include "jadelamp/sim/faults.h"
#include "stream.h"

#include <stdlib.h>
#include <string.h>

static void write_pieces(struct jl_stream_bus *bus, const uint8_t *bytes, size_t units,
                         struct framing framing) {
    struct jl_board *board = bus->board;
    uint64_t unit_ps = framing.nine ? bus->unit_ps / 8 * 9 : bus->unit_ps;
    /* Commands one by one, since each may be too early for the one before. */
    size_t most =
        jl_sim_board_records(board) || jl_sim_stream_has_commands(bus, framing) ? 1 : PIECE_UNITS;
    while (units) {
        size_t now = units < most ? units : most;
        if (jl_sim_board_records(board)) {
            jl_sim_stream_record_unit(bus, bytes, framing, board->now_ps);
        }
        jl_sim_stream_deliver(bus, bytes, now, framing);
        jl_sim_board_advance(board, board->now_ps + now * unit_ps);
        bus->byte_count += now * (size_t)bus->unit_bytes;
        bytes += now * (size_t)bus->unit_bytes;
        units -= now;
    }
}

/* A transfer begins when the last one is out and the master's software is through. */
static void begin(struct jl_stream_bus *bus) {
    jl_stream_finish(bus);
    jl_sim_board_advance(bus->board, bus->board->now_ps + bus->overhead_ps);
}

static void end(struct jl_stream_bus *bus, uint64_t at_ps) {
    jl_sim_wire_set(bus->board, bus->strobe, bus->idle_high, at_ps);
}

void jl_stream_see(struct jl_stream_bus *bus, const uint8_t *bytes, size_t count,
                   uint64_t unit_ps) {
    bus->unit_ps = unit_ps;
    write_pieces(bus, bytes, count / (size_t)bus->unit_bytes, (struct framing){false, false});
}

void jl_stream_see_nine(struct jl_stream_bus *bus, uint8_t byte, bool data, uint64_t unit_ps) {
    bus->unit_ps = unit_ps / 9 * 8;
    write_pieces(bus, &byte, 1, (struct framing){true, data});
}

void jl_stream_write(struct jl_stream_bus *bus, const uint8_t *bytes, size_t count) {
    begin(bus);
    jl_stream_see(bus, bytes, count, bus->unit_ps);
    end(bus, bus->board->now_ps);
}

void jl_stream_read_cycle(struct jl_stream_bus *bus, uint64_t cycle_ps) {
    bus->read_unit_ps = bus->lines ? cycle_ps : 8 * cycle_ps;
}

uint16_t jl_stream_see_read(struct jl_stream_bus *bus, uint64_t unit_ps) {
    struct jl_board *board = bus->board;
    bus->unit_ps = unit_ps;
    uint16_t value = jl_sim_stream_read_unit(bus);
    if (jl_sim_board_records(board)) {
        jl_sim_stream_record_read(bus, value, board->now_ps);
    }
    jl_sim_board_advance(board, board->now_ps + unit_ps);
    bus->byte_count += (size_t)bus->unit_bytes;
    return value;
}

void jl_stream_read(struct jl_stream_bus *bus, uint8_t *bytes, size_t count) {
    begin(bus);
    uint64_t write_ps = bus->unit_ps;
    uint64_t read_ps = bus->read_unit_ps > write_ps ? bus->read_unit_ps : write_ps;
    for (size_t i = 0; i < count; i++) {
        bytes[i] = (uint8_t)jl_stream_see_read(bus, read_ps);
    }
    bus->unit_ps = write_ps;
    end(bus, bus->board->now_ps);
}

void jl_stream_write_nine(struct jl_stream_bus *bus, const uint8_t *bytes, size_t count,
                          bool data) {
    begin(bus);
    write_pieces(bus, bytes, count, (struct framing){true, data});
    end(bus, bus->board->now_ps);
}

void jl_stream_repeat(struct jl_stream_bus *bus, const uint8_t *bytes, size_t count,
                      uint32_t times) {
    uint8_t many[PIECE_UNITS * 12]; /* whole pixels of 1 to 4 bytes */
    size_t copies = sizeof many / count;
    for (size_t i = 0; i < copies; i++) {
        memcpy(many + i * count, bytes, count);
    }
    begin(bus);
    while (times) {
        size_t now = times < copies ? times : copies;
        write_pieces(bus, many, now * count / (size_t)bus->unit_bytes,
                     (struct framing){false, false});
        times -= (uint32_t)now;
    }
    end(bus, bus->board->now_ps);
}

/* ---- DMA ---- */

bool jl_stream_busy(const struct jl_stream_bus *bus) {
    return bus->timed.in_flight;
}

static uint64_t next_ps(const struct timed *timed) {
    const struct jl_stream_bus *bus = (const struct jl_stream_bus *)timed;
    const struct flight *flight = &bus->flight;
    size_t piece = flight->units - flight->taken;
    piece = piece < PIECE_UNITS ? piece : PIECE_UNITS;
    return flight->start_ps + (flight->taken + piece) * bus->unit_ps;
}

static uint64_t begun_ps(const struct timed *timed) {
    const struct jl_stream_bus *bus = (const struct jl_stream_bus *)timed;
    return bus->flight.start_ps + bus->flight.taken * bus->unit_ps;
}

static uint64_t end_ps(const struct jl_stream_bus *bus) {
    return bus->flight.start_ps + bus->flight.units * bus->unit_ps;
}

static void report_overwritten(struct jl_stream_bus *bus, size_t first, size_t count) {
    struct flight *flight = &bus->flight;
    if (flight->reported || memcmp(flight->bytes + first, flight->as_started + first, count) == 0) {
        return;
    }
    while (flight->bytes[first] == flight->as_started[first]) {
        first++;
    }
    flight->reported = true;
    for (size_t i = 0; i < bus->device_count; i++) {
        if (jl_sim_device_is_selected(bus->devices[i])) {
            jl_sim_device_report(
                bus->devices[i], JL_SEVERITY_ERROR, JL_CODE_BUFFER_IN_FLIGHT,
                "the buffer at %p was overwritten in flight: byte %zu of %zu was %02X "
                "when the transfer started at %.3f ms, the wire took %02X",
                (const void *)flight->bytes, first, flight->units * (size_t)bus->unit_bytes,
                flight->as_started[first], (double)flight->start_ps / 1e9, flight->bytes[first]);
        }
    }
}

/* What the wire has taken whole by then. Devices see the time at which their piece began. */
static void deliver_until(struct timed *timed, uint64_t until_ps) {
    struct jl_stream_bus *bus = (struct jl_stream_bus *)timed;
    const struct framing plain = {false, false};
    struct jl_board *board = bus->board;
    struct flight *flight = &bus->flight;
    uint64_t whole = (until_ps - flight->start_ps) / bus->unit_ps;
    uint64_t kept = board->now_ps;
    size_t most =
        jl_sim_board_records(board) || jl_sim_stream_has_commands(bus, plain) ? 1 : PIECE_UNITS;
    while (flight->taken < flight->units && flight->taken < whole) {
        size_t units = (size_t)(whole < flight->units ? whole : flight->units) - flight->taken;
        units = units < most ? units : most;
        size_t first = flight->taken * (size_t)bus->unit_bytes;
        size_t count = units * (size_t)bus->unit_bytes;
        board->now_ps = flight->start_ps + flight->taken * bus->unit_ps;
        if (jl_sim_board_records(board)) {
            jl_sim_stream_record_unit(bus, flight->bytes + first, plain, board->now_ps);
        }
        report_overwritten(bus, first, count);
        jl_sim_stream_deliver(bus, flight->bytes + first, units, plain);
        bus->byte_count += count;
        flight->taken += units;
    }
    board->now_ps = kept;
    if (flight->taken == flight->units) {
        uint64_t through_ps = end_ps(bus);
        free(flight->as_started);
        *flight = (struct flight){0};
        timed->in_flight = false;
        end(bus, through_ps);
    }
}

bool jl_stream_start(struct jl_stream_bus *bus, const uint8_t *bytes, size_t count) {
    if (bus->timed.in_flight) {
        return false;
    }
    uint8_t *copy = malloc(count ? count : 1);
    if (!copy) {
        return false;
    }
    begin(bus);
    memcpy(copy, bytes, count);
    bus->flight = (struct flight){.bytes = bytes,
                                  .as_started = copy,
                                  .units = count / (size_t)bus->unit_bytes,
                                  .start_ps = bus->board->now_ps};
    bus->timed.in_flight = true;
    deliver_until(&bus->timed, bus->board->now_ps);
    return true;
}

void jl_stream_finish(struct jl_stream_bus *bus) {
    jl_sim_board_advance(bus->board, bus->board->now_ps + jl_stream_left_ps(bus));
}

uint64_t jl_stream_left_ps(const struct jl_stream_bus *bus) {
    return bus->timed.in_flight && end_ps(bus) > bus->board->now_ps
               ? end_ps(bus) - bus->board->now_ps
               : 0;
}

uint64_t jl_stream_byte_count(const struct jl_stream_bus *bus) {
    return bus->byte_count;
}

static void release(struct timed *timed) {
    struct jl_stream_bus *bus = (struct jl_stream_bus *)timed;
    free(bus->flight.as_started);
    free(bus);
}

static const struct timed_ops flight_ops = {next_ps, begun_ps, deliver_until, release};

/* ---- buses ---- */

static struct jl_stream_bus *add(struct jl_board *board, uint64_t unit_ps, uint32_t overhead_ns) {
    if (board->stream_count == MOST_BUSES) {
        return NULL;
    }
    struct jl_stream_bus *bus = calloc(1, sizeof *bus);
    if (!bus) {
        return NULL;
    }
    bus->timed.ops = &flight_ops;
    bus->board = board;
    bus->unit_ps = unit_ps;
    bus->unit_bytes = 1;
    bus->times_slower = 1;
    bus->overhead_ps = overhead_ns * (uint64_t)1000;
    board->stream_count++;
    board->timed[board->timed_count++] = &bus->timed;
    return bus;
}

static uint64_t spi_byte_ps(uint32_t clock_hz) {
    return 1000000000000u / clock_hz * 8;
}

static bool good_clock(uint32_t clock_hz) {
    return clock_hz >= 1000 && clock_hz <= 200000000;
}

struct jl_stream_bus *jl_board_add_spi(struct jl_board *board, uint32_t clock_hz,
                                       uint32_t overhead_ns, int mode) {
    if (!good_clock(clock_hz) || (mode != 0 && mode != 3)) {
        return NULL;
    }
    struct jl_stream_bus *bus = add(board, spi_byte_ps(clock_hz), overhead_ns);
    if (bus) {
        bus->idle_high = mode == 3;
        bus->strobe = jl_sim_wire_create(board, bus->idle_high);
        bus->data[0] = jl_sim_wire_create(board, false);
        bus->miso = jl_sim_wire_create(board, true);
    }
    return bus;
}

struct jl_stream_bus *jl_board_add_8080(struct jl_board *board, uint32_t cycle_ns,
                                        uint32_t overhead_ns, int lines) {
    if (cycle_ns < 1 || cycle_ns > 1000000 || (lines != 8 && lines != 16)) {
        return NULL;
    }
    struct jl_stream_bus *bus = add(board, cycle_ns * (uint64_t)1000, overhead_ns);
    if (bus) {
        bus->lines = lines;
        bus->unit_bytes = lines / 8;
        bus->idle_high = true;
        bus->strobe = jl_sim_wire_create(board, true);
        bus->read_strobe = jl_sim_wire_create(board, true);
        for (int i = 0; i < lines; i++) {
            bus->data[i] = jl_sim_wire_create(board, false);
        }
    }
    return bus;
}

struct jl_stream_bus *jl_board_add_6800(struct jl_board *board, uint32_t cycle_ns,
                                        uint32_t overhead_ns) {
    struct jl_stream_bus *bus = jl_board_add_8080(board, cycle_ns, overhead_ns, 8);
    if (bus) {
        bus->enable = true;
        bus->idle_high = false;
        board->levels[bus->strobe] = false;
        board->levels[bus->read_strobe] = false; /* R/W: write */
    }
    return bus;
}

bool jl_stream_clock(struct jl_stream_bus *bus, uint32_t clock_hz) {
    if (bus->lines || !good_clock(clock_hz) || bus->timed.in_flight) {
        return false;
    }
    bus->unit_ps = spi_byte_ps(clock_hz) * bus->times_slower;
    return true;
}

bool jl_stream_slow_down(struct jl_stream_bus *bus, uint32_t times) {
    if (times < 1 || times > 1000 || bus->timed.in_flight) {
        return false;
    }
    bus->unit_ps = bus->unit_ps / bus->times_slower * times;
    bus->times_slower = times;
    return true;
}
