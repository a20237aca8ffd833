/*
 * pcf8574, a port expander on I2C: every byte written sets its eight outputs, which are high
 * after power-on and weak while high, so that a read brings the levels of the pins.
 */
#include "../device.h"

#include "jadelamp/sim/cells.h"

/* Wirings that are sold; the first is the usual one. */
static const struct jl_cells_wiring known_maps[] = {{0, 1, 2, -1, 3, {4, 5, 6, 7}, false},
                                                    {4, 5, 6, -1, 7, {0, 1, 2, 3}, false},
                                                    {6, 5, 4, -1, 7, {0, 1, 2, 3}, false}};
enum { MAPS = sizeof known_maps / sizeof known_maps[0], OWN = MAPS, TRIES = MAPS + 1 };

/* So many bytes hold a whole wake-up, whichever map it was made for. */
enum { ENOUGH_BYTES = 16 };

struct state {
    uint8_t outputs;
    /* by map: how much of the knock 3, 3, 3, 2 has come */
    uint8_t knocks[TRIES];
    int bytes;
    bool told;
};

struct fixed {
    struct jl_device *module;
    struct jl_cells_wiring wiring;
};

static bool bit_of(uint8_t outputs, int bit) {
    return outputs >> bit & 1;
}

static void drive(const struct fixed *fixed, uint8_t outputs, enum jl_device_pin pin, int bit) {
    if (bit >= 0) {
        jl_device_set_pin(fixed->module, pin, bit_of(outputs, bit));
    }
}

/* The enables that become high, or low. */
static void drive_enables(const struct fixed *fixed, uint8_t outputs, bool high) {
    const struct jl_cells_wiring *wiring = &fixed->wiring;
    if (bit_of(outputs, wiring->e) == high) {
        drive(fixed, outputs, JL_DEVICE_E, wiring->e);
    }
    if (wiring->e2 >= 0 && bit_of(outputs, wiring->e2) == high) {
        drive(fixed, outputs, JL_DEVICE_E2, wiring->e2);
    }
}

/*
 * The outputs change together. An enable that falls takes what was there before, and one that
 * rises comes with the new levels; what that violates the module says.
 */
static void set_outputs(struct jl_device *device, uint8_t outputs) {
    const struct fixed *fixed = device->fixed;
    const struct jl_cells_wiring *wiring = &fixed->wiring;
    ((struct state *)device->state)->outputs = outputs;
    drive_enables(fixed, outputs, false);
    drive(fixed, outputs, JL_DEVICE_DC, wiring->rs);
    drive(fixed, outputs, JL_DEVICE_RW, wiring->rw);
    for (int i = 0; i < 4; i++) {
        drive(fixed, outputs, (enum jl_device_pin)(JL_DEVICE_D0 + 4 + i), wiring->data[i]);
    }
    if (wiring->light >= 0) {
        jl_device_set_pin(fixed->module, JL_DEVICE_LIGHT,
                          bit_of(outputs, wiring->light) != wiring->light_low);
    }
    drive_enables(fixed, outputs, true);
}

static void power_on(struct jl_device *device) {
    if (((struct fixed *)device->fixed)->module) { /* not while it is made */
        set_outputs(device, 0xFF);
    }
}

static bool i2c_begin(struct jl_device *device, bool read) {
    (void)device;
    (void)read;
    return true;
}

/* ---- which map the firmware may have in mind ---- */

static const struct jl_cells_wiring *map_of(const struct jl_device *device, int number) {
    return number < MAPS ? &known_maps[number] : &((const struct fixed *)device->fixed)->wiring;
}

/* A nibble that a map would latch between two bytes goes on with the knock, or begins it. */
static void listen_for_knock(uint8_t *knocks, const struct jl_cells_wiring *map, uint8_t before,
                             uint8_t now) {
    static const uint8_t knock[] = {3, 3, 3, 2};
    bool falls = bit_of(before, map->e) && !bit_of(now, map->e);
    if (!falls || bit_of(before, map->rs) || (map->rw >= 0 && bit_of(before, map->rw)) ||
        *knocks == sizeof knock) {
        return;
    }
    uint8_t nibble = 0;
    for (int i = 0; i < 4; i++) {
        nibble = (uint8_t)(nibble | bit_of(before, map->data[i]) << i);
    }
    *knocks = nibble == knock[*knocks] ? (uint8_t)(*knocks + 1) : nibble == 3;
}

static void look_for_another_map(struct jl_device *device, uint8_t before, uint8_t now) {
    struct state *state = device->state;
    for (int i = 0; i < TRIES; i++) {
        listen_for_knock(&state->knocks[i], map_of(device, i), before, now);
    }
    if (++state->bytes < ENOUGH_BYTES || state->told || state->knocks[OWN] == 4) {
        return;
    }
    for (int i = 0; i < MAPS; i++) {
        const struct jl_cells_wiring *map = &known_maps[i];
        if (state->knocks[i] == 4) {
            state->told = true;
            jl_sim_device_report(
                device, JL_SEVERITY_ERROR, JL_CODE_EXPANDER_MAP,
                "the knock 3, 3, 3, 2 never comes by the wires of this module; it "
                "would with rs P%d, rw P%d, e P%d, light P%d, d4..d7 P%d..P%d: the "
                "program has that map",
                map->rs, map->rw, map->e, map->light, map->data[0], map->data[3]);
            return;
        }
    }
}

static bool i2c_write(struct jl_device *device, uint8_t byte) {
    look_for_another_map(device, ((const struct state *)device->state)->outputs, byte);
    set_outputs(device, byte);
    return true;
}

static uint8_t i2c_read(struct jl_device *device) {
    const struct fixed *fixed = device->fixed;
    uint8_t levels = ((const struct state *)device->state)->outputs;
    for (int i = 0; i < 4; i++) {
        int bit = fixed->wiring.data[i];
        if (!jl_device_pin(fixed->module, (enum jl_device_pin)(JL_DEVICE_D0 + 4 + i))) {
            levels = (uint8_t)(levels & ~(1 << bit));
        }
    }
    return levels;
}

static bool fits(const struct jl_emulated_part *part, const struct jl_glass *glass) {
    (void)part;
    (void)glass;
    return true;
}

static void show(struct jl_device *device, struct jl_picture *picture) {
    (void)device;
    (void)picture;
}

static uint8_t brightness(struct jl_device *device) {
    (void)device;
    return 0;
}

static const char *why_dark(struct jl_device *device) {
    (void)device;
    return "it is no display";
}

static const struct machine machine = {
    .fits = fits,
    .power_on = power_on,
    .i2c_begin = i2c_begin,
    .i2c_write = i2c_write,
    .i2c_read = i2c_read,
    .show = show,
    .brightness = brightness,
    .why_dark = why_dark,
};

static const struct jl_emulated_part pcf8574 = {
    .name = "pcf8574",
    .machine = &machine,
    .state_bytes = sizeof(struct state),
    .fixed_bytes = sizeof(struct fixed),
    .i2c_cycle_ps = 10000000, /* 100 kHz */
};

static bool take(int bit, bool needed, unsigned *used) {
    bool good = bit < 0 ? !needed : bit < 8 && !(*used >> bit & 1);
    *used |= bit < 0 ? 0 : 1u << bit;
    return good;
}

static bool is_sound(const struct jl_cells_wiring *wiring) {
    unsigned used = 0;
    bool good = take(wiring->rs, true, &used) && take(wiring->e, true, &used) &&
                take(wiring->rw, false, &used) && take(wiring->e2, false, &used) &&
                take(wiring->light, false, &used);
    for (int i = 0; i < 4; i++) {
        good = good && take(wiring->data[i], true, &used);
    }
    return good;
}

struct jl_device *jl_board_add_expander(struct jl_board *board, const char *name,
                                        struct jl_device *module,
                                        const struct jl_cells_wiring *wiring) {
    const struct jl_glass none = {.width = 1, .height = 1};
    struct jl_device *device =
        is_sound(wiring) ? jl_board_add_device(board, &pcf8574, name, &none) : NULL;
    if (device) {
        *(struct fixed *)device->fixed = (struct fixed){module, *wiring};
        set_outputs(device, 0xFF);
    }
    return device;
}
