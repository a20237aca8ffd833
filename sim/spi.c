/*
 * SPI, seen from the master: MOSI changes on the falling edge of SCK and is
 * sampled on the rising one, in mode 0 as in mode 3.
 */
#include "board_parts.h"

#include <stdlib.h>

struct jl_spi_bus *jl_board_add_spi(struct jl_board *board, uint32_t clock_hz, uint32_t overhead_ns,
                                    int mode) {
    if (board->spi_count == MOST_BUSES || clock_hz < 1000 || clock_hz > 200000000 ||
        (mode != 0 && mode != 3)) {
        return NULL;
    }
    struct jl_spi_bus *bus = calloc(1, sizeof *bus);
    if (!bus) {
        return NULL;
    }
    bus->board = board;
    bus->clock_hz = clock_hz;
    bus->bit_ps = 1000000000000u / clock_hz;
    bus->overhead_ps = overhead_ns * (uint64_t)1000;
    bus->idle_high = mode == 3;
    bus->sck = wire_create(board, bus->idle_high);
    bus->mosi = wire_create(board, false);
    board->spi[board->spi_count++] = bus;
    return bus;
}

bool jl_spi_attach(struct jl_spi_bus *bus, struct jl_device *device) {
    if (bus->device_count == MOST_ON_BUS || !device->ops->spi_write) {
        return false;
    }
    bus->devices[bus->device_count++] = device;
    device->spi = bus;
    return true;
}

static void record_byte(struct jl_spi_bus *bus, uint8_t byte, uint64_t start) {
    for (int bit = 7; bit >= 0; bit--, start += bus->bit_ps) {
        wire_set(bus->board, bus->sck, false, start);
        wire_set(bus->board, bus->mosi, byte >> bit & 1, start);
        wire_set(bus->board, bus->sck, true, start + bus->bit_ps / 2);
    }
}

void jl_spi_write(struct jl_spi_bus *bus, const uint8_t *bytes, size_t count) {
    struct jl_board *board = bus->board;
    board->now_ps += bus->overhead_ps;
    for (size_t i = 0; i < bus->device_count; i++) {
        struct jl_device *device = bus->devices[i];
        if (!device->unplugged && !device->pins[JL_DEVICE_CS]) {
            if (device->ops->clocked) {
                device->ops->clocked(device, false, bus->clock_hz);
            }
            device->ops->spi_write(device, bytes, count, device->pins[JL_DEVICE_DC]);
        }
    }
    if (board_records(board)) {
        for (size_t i = 0; i < count; i++) {
            record_byte(bus, bytes[i], board->now_ps + i * 8 * bus->bit_ps);
        }
    }
    board->now_ps += count * 8 * bus->bit_ps;
    if (count) {
        wire_set(board, bus->sck, bus->idle_high, board->now_ps);
    }
    bus->byte_count += count;
}

uint64_t jl_spi_byte_count(const struct jl_spi_bus *bus) {
    return bus->byte_count;
}
