/* Devices: power, pins, and what their glass shows. */
#include "byte_faults.h"
#include "stream.h"

#include <stdio.h>
#include <stdlib.h>
#include <string.h>

static void power_on(struct jl_device *device) {
    memset(device->state, 0, device->part->state_bytes);
    device->took_bytes = device->bytes_passed = false;
    device->low_bytes = device->high_bytes = 0;
    memset(device->opcodes, 0, sizeof device->opcodes);
    device->command_came = device->reset_came = false;
    memset(&device->window, 0, sizeof device->window);
    device->machine->power_on(device);
    jl_sim_judge_power_on(device);
}

/* VCD identifiers take no white space. */
static void set_name(struct jl_device *device, const char *name, const char *suffix) {
    int room = DEVICE_NAME_BYTES - 1 - (int)strlen(suffix);
    snprintf(device->name, sizeof device->name, "%.*s%s", room, name, suffix);
    memcpy(device->scope, device->name, sizeof device->scope);
    for (char *c = device->scope; *c; c++) {
        bool plain =
            (*c >= '0' && *c <= '9') || (*c >= 'a' && *c <= 'z') || (*c >= 'A' && *c <= 'Z');
        *c = plain ? *c : '_';
    }
}

static bool scope_taken(const struct jl_board *board, const char *scope) {
    for (size_t i = 0; i < board->device_count; i++) {
        if (strcmp(board->devices[i]->scope, scope) == 0) {
            return true;
        }
    }
    return false;
}

/* Two devices of one name could not be told apart in a recording or a diagnostic. */
static void name_apart(struct jl_device *device, const char *name) {
    set_name(device, name, "");
    for (int number = 2; scope_taken(device->board, device->scope); number++) {
        char suffix[12];
        snprintf(suffix, sizeof suffix, "_%d", number);
        set_name(device, name, suffix);
    }
}

/* No glass is larger, and no sum of such numbers overflows. */
#define MOST_SIDE 4096

static bool is_sane(const struct jl_glass *glass) {
    const int sizes[] = {glass->width, glass->height};
    const int others[] = {glass->column_offset, glass->row_offset,   glass->ram_width,
                          glass->ram_height,    glass->cell_columns, glass->cell_rows};
    for (size_t i = 0; i < sizeof others / sizeof others[0]; i++) {
        if (others[i] < 0 || others[i] > MOST_SIDE) {
            return false;
        }
    }
    return sizes[0] >= 1 && sizes[0] <= MOST_SIDE && sizes[1] >= 1 && sizes[1] <= MOST_SIDE;
}

static bool is_chip(int pin) {
    return pin >= JL_DEVICE_CHIP1 && pin <= JL_DEVICE_CHIP3;
}

struct jl_device *jl_board_add_device(struct jl_board *board, const struct jl_emulated_part *part,
                                      const char *name, const struct jl_glass *glass) {
    if (board->device_count == MOST_DEVICES || !is_sane(glass) ||
        !part->machine->fits(part, glass)) {
        return NULL;
    }
    struct jl_device *device = calloc(1, sizeof *device);
    void *state = calloc(1, part->state_bytes);
    void *fixed = calloc(1, part->fixed_bytes + 1);
    void *at_power_on = part->machine->behind ? malloc(part->state_bytes) : NULL;
    if (!device || !state || !fixed || (part->machine->behind && !at_power_on)) {
        free(device);
        free(state);
        free(fixed);
        free(at_power_on);
        return NULL;
    }
    device->part = part;
    device->machine = part->machine;
    device->board = board;
    device->state = state;
    device->fixed = fixed;
    device->at_power_on = at_power_on;
    device->glass = *glass;
    device->celsius = 25;
    device->light_duty = UINT16_MAX;
    device->noise_seed = board->noise_seed + board->device_count;
    name_apart(device, name);
    for (int i = 0; i < DEVICE_PINS; i++) {
        bool selects = i == JL_DEVICE_CS && part->select_high && !part->parallel_cycle_ps;
        device->pins[i] = (i < JL_DEVICE_TE && !selects) || i >= JL_DEVICE_CHIP1;
        bool has =
            i < JL_DEVICE_TE || part->machine->outputs >> i & 1 ||
            (i == JL_DEVICE_LIGHT && glass->light_wired) ||
            (i == JL_DEVICE_VCOM && part->machine->vcom) || (is_chip(i) && part->machine->chips) ||
            (part->machine->pin_changed && i > JL_DEVICE_PEN && i != JL_DEVICE_VCOM && !is_chip(i));
        device->pin_wires[i] = has ? jl_sim_wire_create(board, device->pins[i]) : NO_WIRE;
    }
    board->devices[board->device_count++] = device;
    power_on(device);
    return device;
}

/* While the enable is high and it is read, a part on plain pins drives its lines. */
static void record_answer(struct jl_device *device, enum jl_device_pin pin, bool high) {
    bool enable = pin == JL_DEVICE_E || pin == JL_DEVICE_E2;
    if (!enable || !device->pins[JL_DEVICE_RW] || !device->machine->pin_level ||
        !jl_sim_board_records(device->board)) {
        return;
    }
    for (int line = JL_DEVICE_D0; line <= JL_DEVICE_D7; line++) {
        bool level = high ? jl_device_pin(device, (enum jl_device_pin)line) : device->pins[line];
        jl_sim_wire_set(device->board, device->pin_wires[line], level, device->board->now_ps);
    }
}

void jl_device_set_pin(struct jl_device *device, enum jl_device_pin pin, bool high) {
    device->driven |= 1u << pin;
    device->light_duty = pin == JL_DEVICE_LIGHT ? UINT16_MAX : device->light_duty;
    if (device->faults.held >> pin & 1) {
        uint32_t bit = 1u << pin;
        device->faults.outside_high =
            high ? device->faults.outside_high | bit : device->faults.outside_high & ~bit;
        return;
    }
    if (device->pins[pin] == high) {
        return;
    }
    if (pin != JL_DEVICE_RESET && pin != JL_DEVICE_VCOM && device->stream &&
        device->stream->timed.in_flight && jl_sim_device_is_selected(device)) {
        jl_sim_device_report(
            device, JL_SEVERITY_ERROR, JL_CODE_PIN_IN_FLIGHT,
            "%s changed while a transfer was still on the wire: wait for its end first",
            pin == JL_DEVICE_CS ? "CS" : "D/C");
    }
    device->pins[pin] = high;
    device->reset_came |= pin == JL_DEVICE_RESET;
    jl_sim_wire_set(device->board, device->pin_wires[pin], high, device->board->now_ps);
    if (device->unplugged) {
        return;
    }
    if (device->machine->pin_changed) {
        device->machine->pin_changed(device, pin, high);
        record_answer(device, pin, high);
    } else if (pin == JL_DEVICE_RESET) {
        jl_sim_judge_anew(device);
        if (device->machine->reset) {
            device->machine->reset(device, !high);
        }
    } else if (pin == JL_DEVICE_CS && !jl_sim_device_is_selected(device)) {
        jl_sim_faults_transfer(device);
        jl_sim_stream_deselected(device);
    } else if (pin == JL_DEVICE_CS && device->machine->selected) {
        device->machine->selected(device);
    } else if (pin == JL_DEVICE_VCOM && device->machine->vcom) {
        device->machine->vcom(device);
    }
}

void jl_device_set_light(struct jl_device *device, uint16_t duty) {
    jl_device_set_pin(device, JL_DEVICE_LIGHT, duty);
    device->light_duty = duty;
}

bool jl_device_pin(struct jl_device *device, enum jl_device_pin pin) {
    const struct machine *machine = device->machine;
    if (device->faults.held >> pin & 1) {
        return device->faults.held_high >> pin & 1;
    }
    if (pin >= JL_DEVICE_TE && pin <= JL_DEVICE_PEN) {
        return !device->unplugged && machine->outputs >> pin & 1 &&
               machine->output(device, pin, device->board->now_ps);
    }
    if (device->unplugged && pin >= JL_DEVICE_D0 && device->pins[JL_DEVICE_RW]) {
        return true; /* turned around, and nobody there: the pull-ups */
    }
    return machine->pin_level && !device->unplugged ? machine->pin_level(device, pin)
                                                    : device->pins[pin];
}

void jl_device_set_plugged(struct jl_device *device, bool plugged) {
    if (plugged && device->unplugged) {
        power_on(device);
    }
    if (!plugged && !device->unplugged && device->machine->power_off) {
        device->machine->power_off(device);
    }
    device->unplugged = !plugged;
}

void jl_device_temperature(struct jl_device *device, int celsius) {
    device->celsius = celsius;
}

void jl_device_intend(struct jl_device *device, bool mirrored, bool negative) {
    device->means_mirrored = mirrored;
    device->means_negative = negative;
}

void jl_device_stored(const struct jl_device *device, uint64_t *places, uint64_t *anew) {
    *places = device->stored;
    *anew = device->stored_anew;
}

const char *jl_device_part(const struct jl_device *device) {
    return device->part->name;
}

const struct jl_glass *jl_device_glass(const struct jl_device *device) {
    return &device->glass;
}

static bool take_picture(struct jl_device *device, struct jl_picture *picture,
                         void (*show)(struct jl_device *device, struct jl_picture *picture)) {
    if (!jl_picture_create(picture, device->glass.width, device->glass.height)) {
        return false;
    }
    if (device->machine->keeps_picture || !jl_device_why_dark(device)) {
        show(device, picture);
        jl_sim_glass_hide_corners(&device->glass, picture);
    }
    return true;
}

bool jl_device_picture(struct jl_device *device, struct jl_picture *picture) {
    jl_sim_judge_look(device);
    return take_picture(device, picture, device->machine->show);
}

bool jl_device_seen(struct jl_device *device, struct jl_picture *picture) {
    return take_picture(device, picture,
                        device->machine->seen ? device->machine->seen : device->machine->show);
}

uint8_t jl_device_brightness(struct jl_device *device) {
    uint32_t brightness = jl_device_why_dark(device) ? 0 : device->machine->brightness(device);
    if (device->glass.light_wired) {
        brightness = brightness * device->light_duty / UINT16_MAX;
    }
    /* What is lit is seen, if only a little: an OLED glows at contrast 0. */
    return brightness || jl_device_why_dark(device) ? (uint8_t)brightness : 1;
}

bool jl_device_light_on(const struct jl_device *device) {
    return !device->glass.light_wired || device->pins[JL_DEVICE_LIGHT];
}

/* A dark glass whose bytes all came with D/C at one level. */
static const char *why_stuck(const struct jl_device *device) {
    bool has_dc = jl_sim_device_has_dc(device);
    if (has_dc && device->high_bytes && !device->low_bytes) {
        return "every byte came with D/C high: none was taken for a command";
    }
    if (has_dc && !device->high_bytes && device->low_bytes > MOST_COMMANDS) {
        return "every byte came with D/C low: pixels, too, were taken for commands";
    }
    return NULL;
}

const char *jl_device_why_dark(struct jl_device *device) {
    if (device->unplugged) {
        return "the panel is unplugged";
    }
    if (!device->took_bytes && device->bytes_passed) {
        return device->part->select_high
                   ? "no byte was taken: CS was low whenever a byte passed, and high selects"
                   : "no byte was taken: CS was high whenever a byte passed, and low selects";
    }
    if (!device->machine->show) {
        return "it is no display";
    }
    const char *why = device->machine->why_dark(device);
    const char *stuck = why ? why_stuck(device) : NULL;
    if (stuck) {
        return stuck;
    }
    if (!why && jl_glass_needs_light(&device->glass) && !jl_device_light_on(device)) {
        why =
            "the backlight is off, and nothing shows on this glass without it: drive its pin high";
    }
    return why;
}
