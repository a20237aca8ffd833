/*
 * An I2C port expander before a module. Each byte on the bus sets all eight outputs, so a nibble
 * takes two: with E, and without. RS may not change while E does (40 ns before it rises, 10 ns
 * after it fell), so each change of RS takes a byte of its own. Nothing here waits between
 * characters: at 100 kHz a byte takes 90 us, and the controller at most 59.
 */
#include "cells.h"

#define LIMIT_HZ 100000u /* PCF8574 datasheet, fSCL */

/* Bytes on their way into transfers. */
struct parcel {
    struct jl_char_panel *panel;
    uint8_t *bytes;
    size_t size, used;
    jl_status status;
};

static void flush(struct parcel *parcel) {
    const struct jl_port *port = parcel->panel->port;
    struct jl_transfer t = {.body = parcel->bytes,
                            .body_bytes = parcel->used,
                            .i2c_address = jl_cells_of(parcel->panel)->i2c_address};
    if (parcel->status == JL_OK && parcel->used) {
        parcel->status = port->ops->send(port->context, &t);
    }
    parcel->used = 0;
}

static void add(struct parcel *parcel, uint8_t outputs) {
    if (parcel->used == parcel->size) {
        flush(parcel);
    }
    parcel->bytes[parcel->used++] = outputs;
    parcel->panel->outputs = outputs;
}

static struct parcel begin(struct jl_char_panel *panel, uint8_t *spare, size_t spare_bytes) {
    const struct jl_port *port = panel->port;
    bool own = port->work_memory_bytes > spare_bytes;
    struct parcel parcel = {.panel = panel,
                            .bytes = own ? port->work_memory : spare,
                            .size = own ? port->work_memory_bytes : spare_bytes};
    if (port->most_body_bytes && port->most_body_bytes < parcel.size) {
        parcel.size = port->most_body_bytes;
    }
    return parcel;
}

static jl_status end(struct parcel *parcel) {
    flush(parcel);
    return parcel->status;
}

static uint8_t light_bit(const struct jl_char_panel *panel) {
    const struct jl_char_expander *map = jl_cells_of(panel)->expander;
    return panel->light != map->light_low ? map->light : 0;
}

static void add_nibble(struct parcel *parcel, uint8_t enables, bool data, unsigned nibble) {
    struct jl_char_panel *panel = parcel->panel;
    const struct jl_char_expander *map = jl_cells_of(panel)->expander;
    uint8_t outputs = (uint8_t)((data ? map->rs : 0) | light_bit(panel));
    if ((panel->outputs & map->rs) != (outputs & map->rs)) {
        add(parcel, outputs);
    }
    for (uint8_t i = 0; i < 4; i++) {
        outputs = (uint8_t)(outputs | (nibble >> i & 1 ? map->data[i] : 0));
    }
    add(parcel, (uint8_t)(outputs | (enables & 1 ? map->e : 0) | (enables & 2 ? map->e2 : 0)));
    add(parcel, outputs);
}

static void add_byte(struct parcel *parcel, uint8_t enables, bool data, uint8_t byte) {
    add_nibble(parcel, enables, data, byte >> 4);
    add_nibble(parcel, enables, data, byte & 15u);
    for (uint8_t i = 0; i < parcel->panel->idle_bytes; i++) {
        add(parcel, parcel->panel->outputs);
    }
}

static jl_status send(struct jl_char_panel *panel, uint8_t enables, uint8_t command,
                      const uint8_t *data, size_t count) {
    uint8_t spare[64];
    struct parcel parcel = begin(panel, spare, sizeof spare);
    if (command) {
        add_byte(&parcel, enables, false, command);
    }
    for (size_t i = 0; i < count && parcel.status == JL_OK; i++) {
        add_byte(&parcel, enables, true, data[i]);
    }
    return end(&parcel);
}

static jl_status knock(struct jl_char_panel *panel, uint8_t nibble) {
    uint8_t spare[4];
    struct parcel parcel = begin(panel, spare, sizeof spare);
    add_nibble(&parcel, jl_char_all(panel), false, nibble);
    return end(&parcel);
}

static jl_status light(struct jl_char_panel *panel) {
    uint8_t outputs =
        (uint8_t)((panel->outputs & jl_cells_of(panel)->expander->rs) | light_bit(panel));
    struct parcel parcel = begin(panel, &outputs, 1);
    add(&parcel, outputs);
    jl_status status = end(&parcel);
    panel->awake &= status == JL_OK;
    return status;
}

/* Bytes between two characters so that the controller is through with the first one: none while a
   byte of nine clocks takes longer than that. */
static uint8_t idle_bytes(const struct jl_port *port) {
    uint32_t clocks = port->clock_hz / 1000 * JL_CHAR_DATA_US;
    uint8_t bytes = 0;
    while ((bytes + 1u) * 9000 < clocks && bytes < UINT8_MAX) {
        bytes++;
    }
    return bytes;
}

/* After power-on all outputs are high: E falls while R/W still is, which writes nothing. */
static jl_status rest(struct jl_char_panel *panel) {
    const struct jl_char_expander *map = jl_cells_of(panel)->expander;
    uint8_t spare[2];
    struct parcel parcel = begin(panel, spare, sizeof spare);
    panel->idle_bytes = idle_bytes(panel->port);
    add(&parcel, (uint8_t) ~(map->e | map->e2));
    add(&parcel, light_bit(panel));
    return end(&parcel);
}

/* Whether `mask` is one bit that is not in *used; it is then. */
static bool take_bit(uint8_t mask, bool needed, uint8_t *used) {
    bool good = mask ? !(mask & (mask - 1)) && !(mask & *used) : !needed;
    *used = (uint8_t)(*used | mask);
    return good;
}

static jl_status check(const struct jl_char_panel *panel) {
    const struct jl_char_config *config = jl_cells_of(panel);
    const struct jl_char_expander *map = config->expander;
    const struct jl_port *port = panel->port;
    uint8_t used = 0;
    if (!map) {
        return JL_BAD_ARGUMENT;
    }
    bool good = take_bit(map->rs, true, &used) && take_bit(map->e, true, &used) &&
                take_bit(map->e2, jl_char_two_controllers(panel), &used) &&
                take_bit(map->rw, false, &used) && take_bit(map->light, false, &used);
    for (uint8_t i = 0; i < 4; i++) {
        good = good && take_bit(map->data[i], true, &used);
    }
    if (!good) {
        return JL_BAD_WIRING;
    }
    if (config->i2c_address < 0x08 || config->i2c_address > 0x77) {
        return JL_BAD_ADDRESS;
    }
    if (!port->ops->send) {
        return JL_BAD_PORT;
    }
    bool fast = port->clock_hz > LIMIT_HZ;
    return fast && !(config->flags & JL_CHAR_FAST_EXPANDER) ? JL_CLOCK_TOO_FAST : JL_OK;
}

const struct jl_char_wire jl_char_wire_expander = {
    .check = check, .rest = rest, .knock = knock, .send = send, .light = light};

#define BIT(n) (1u << (n))
const struct jl_char_expander jl_char_expander_usual = {.rs = BIT(0),
                                                        .rw = BIT(1),
                                                        .e = BIT(2),
                                                        .light = BIT(3),
                                                        .data = {BIT(4), BIT(5), BIT(6), BIT(7)}};
const struct jl_char_expander jl_char_expander_light_low = {
    .rs = BIT(0),
    .rw = BIT(1),
    .e = BIT(2),
    .light = BIT(3),
    .data = {BIT(4), BIT(5), BIT(6), BIT(7)},
    .light_low = true};
const struct jl_char_expander jl_char_expander_data_first = {
    .rs = BIT(4),
    .rw = BIT(5),
    .e = BIT(6),
    .light = BIT(7),
    .data = {BIT(0), BIT(1), BIT(2), BIT(3)}};
const struct jl_char_expander jl_char_expander_e_first = {.rs = BIT(6),
                                                          .rw = BIT(5),
                                                          .e = BIT(4),
                                                          .light = BIT(7),
                                                          .data = {BIT(0), BIT(1), BIT(2), BIT(3)}};
