/* Faults, from what was typed to the board. */
#include "jadelamp/host/fault.h"

#include <math.h>
#include <stdlib.h>
#include <string.h>

/* ---- reading ---- */

static const struct pin_name {
    const char *name;
    enum jl_device_pin pin;
} pin_names[] = {{"reset", JL_DEVICE_RESET}, {"dc", JL_DEVICE_DC},       {"rs", JL_DEVICE_DC},
                 {"cs", JL_DEVICE_CS},       {"te", JL_DEVICE_TE},       {"busy", JL_DEVICE_BUSY},
                 {"pen", JL_DEVICE_PEN},     {"e", JL_DEVICE_E},         {"e2", JL_DEVICE_E2},
                 {"rw", JL_DEVICE_RW},       {"light", JL_DEVICE_LIGHT}, {"mosi", JL_DEVICE_D0}};

static bool find_pin(const char *name, size_t length, enum jl_device_pin *pin) {
    for (size_t i = 0; i < sizeof pin_names / sizeof pin_names[0]; i++) {
        if (strlen(pin_names[i].name) == length && memcmp(pin_names[i].name, name, length) == 0) {
            *pin = pin_names[i].pin;
            return true;
        }
    }
    bool line = length == 2 && name[0] == 'd' && name[1] >= '0' && name[1] <= '7';
    if (line) {
        *pin = (enum jl_device_pin)(JL_DEVICE_D0 + (name[1] - '0'));
    }
    return line;
}

static bool read_pin(const char *text, struct jl_fault *fault) {
    const char *dash = strrchr(text, '-');
    fault->kind = JL_FAULT_PIN;
    fault->high = dash && strcmp(dash, "-high") == 0;
    return dash && (fault->high || strcmp(dash, "-low") == 0) &&
           find_pin(text, (size_t)(dash - text), &fault->pin);
}

/* A number without a sign up to `most`, and what follows it. */
static bool read_number(const char *text, uint64_t most, uint64_t *number, const char **rest) {
    char *end;
    if (*text < '0' || *text > '9') {
        return false;
    }
    *number = strtoull(text, &end, 10);
    *rest = end;
    return *number <= most;
}

static bool read_ms(const char *text, uint64_t *ps) {
    char *end;
    double ms = strtod(text, &end);
    bool good = end != text && !*end && ms >= 0 && ms <= 1e9;
    *ps = good ? (uint64_t)llround(ms * 1e9) : 0;
    return good;
}

/* What stands behind "name=", or NULL. */
static const char *behind(const char *text, const char *name) {
    size_t length = strlen(name);
    return strncmp(text, name, length) == 0 && text[length] == '=' ? text + length + 1 : NULL;
}

static bool read_counted(const char *text, struct jl_fault *fault) {
    static const struct {
        const char *name;
        enum jl_fault_kind kind;
        uint64_t least, most;
    } forms[] = {{"nack-at", JL_FAULT_NACK_AT, 0, UINT64_MAX / 4},
                 {"cut-at", JL_FAULT_CUT_AT, 0, UINT64_MAX / 4},
                 {"flip", JL_FAULT_FLIP, 1, UINT32_MAX},
                 {"slow", JL_FAULT_SLOW, 1, 1000}};
    for (size_t i = 0; i < sizeof forms / sizeof forms[0]; i++) {
        const char *value = behind(text, forms[i].name);
        if (value) {
            uint64_t seed = 1;
            bool good = read_number(value, forms[i].most, &fault->number, &value) &&
                        fault->number >= forms[i].least;
            if (good && forms[i].kind == JL_FAULT_FLIP && *value == ',') {
                good = read_number(value + 1, UINT32_MAX, &seed, &value);
            }
            fault->kind = forms[i].kind;
            fault->seed = (uint32_t)seed;
            return good && !*value;
        }
    }
    return false;
}

bool jl_fault_read(const char *text, struct jl_fault *fault, struct jl_complaint *complaint) {
    const char *ms = behind(text, "brown-out-at");
    *fault = (struct jl_fault){.seed = 1};
    if (strcmp(text, "unplugged") == 0) {
        fault->kind = JL_FAULT_UNPLUGGED;
        return true;
    }
    if (strcmp(text, "sda-low") == 0) {
        fault->kind = JL_FAULT_SDA_LOW;
        return true;
    }
    fault->kind = JL_FAULT_BROWN_OUT_AT;
    if (ms ? read_ms(ms, &fault->number) : read_counted(text, fault) || read_pin(text, fault)) {
        return true;
    }
    return jl_complain(complaint,
                       "\"%s\" is no fault: expected unplugged, sda-low, nack-at=BYTE, "
                       "cut-at=BYTE, flip=N or flip=N,SEED (one bit in N), slow=N (1 to 1000 "
                       "times), brown-out-at=MS, or a pin with -low or -high: reset, dc, cs, busy, "
                       "te, mosi, d0 to d7, e, rw, light",
                       text);
}

/* ---- injecting ---- */

static bool refuse(const struct jl_rig *rig, const char *why, struct jl_complaint *complaint) {
    return jl_complain(complaint, "%s: %s", rig->card.name, why);
}

static bool slow_down(struct jl_rig *rig, uint64_t times) {
    return rig->sim.i2c      ? jl_i2c_slow_down(rig->sim.i2c, rig->card.clock_hz / (uint32_t)times)
           : rig->sim.stream ? jl_stream_slow_down(rig->sim.stream, (uint32_t)times)
                             : false;
}

static bool inject(const struct jl_fault *fault, struct jl_rig *rig, uint64_t replay_offset_ps,
                   struct jl_complaint *complaint) {
    bool replayed = replay_offset_ps != UINT64_MAX;
    struct jl_device *hears = rig->expander ? rig->expander : rig->device; /* on the bus */
    switch (fault->kind) {
    case JL_FAULT_UNPLUGGED:
        jl_device_set_plugged(rig->device, false);
        jl_device_set_plugged(hears, false);
        return true;
    case JL_FAULT_NACK_AT:
        if (!rig->sim.i2c) {
            return refuse(rig, "nack-at needs an acknowledge bit, which only I2C has; try cut-at",
                          complaint);
        }
        jl_i2c_fail_at(rig->sim.i2c, fault->number, true);
        return true;
    case JL_FAULT_SDA_LOW:
        if (!rig->sim.i2c || replayed) {
            return refuse(rig,
                          replayed ? "sda-low has no meaning in a replay: the traffic went through"
                                   : "there is no SDA, which only I2C has; try mosi-low",
                          complaint);
        }
        jl_i2c_hold_sda(rig->sim.i2c, true);
        return true;
    case JL_FAULT_PIN:
        return jl_device_hold_pin(rig->device, fault->pin, fault->high) ||
               refuse(rig, "it has no such wire to be stuck", complaint);
    case JL_FAULT_CUT_AT:
        return jl_device_cut_at(hears, fault->number) ||
               refuse(rig, "it is on no bus whose bytes are counted: nothing to cut", complaint);
    case JL_FAULT_FLIP:
        return jl_device_flip_bits(hears, (uint32_t)fault->number, fault->seed) ||
               refuse(rig, "it is on no bus of bytes: try a stuck line, such as d4-low", complaint);
    case JL_FAULT_SLOW:
        return (!replayed && slow_down(rig, fault->number)) ||
               refuse(rig,
                      replayed ? "slow has no meaning in a replay: its clock is the capture's"
                               : "it has no clock that could be so slow",
                      complaint);
    case JL_FAULT_BROWN_OUT_AT:
        jl_board_brown_out_at(rig->board, fault->number + (replayed ? replay_offset_ps : 0));
        return true;
    }
    return false;
}

bool jl_fault_inject(const struct jl_fault *faults, size_t count, struct jl_rig *rig,
                     uint64_t replay_offset_ps, struct jl_complaint *complaint) {
    for (size_t i = 0; i < count; i++) {
        if (!inject(&faults[i], rig, replay_offset_ps, complaint)) {
            return false;
        }
    }
    return true;
}
