/* Which pin hangs on which wire of the panel: by option, by the card, or where SPI and TWI are. */
#include "firmware_run.h"

#include <stdio.h>
#include <string.h>

static bool complain_pin(const struct part *part, const char *wire, const char *name,
                         struct jl_complaint *complaint) {
    char all[200];
    part_pin_names(part, all, sizeof all);
    return jl_complain(complaint, "%s = %s: the %s has no such pin; expected one of %s", wire, name,
                       part->name, all);
}

static bool take_typed(struct machine *machine, const char *typed, jl_role_set wanted,
                       struct jl_complaint *complaint) {
    const char *equals = strchr(typed, '=');
    for (int role = 0; equals && role < JL_ROLES; role++) {
        const char *name = jl_role_name((enum jl_role)role);
        bool named = strlen(name) == (size_t)(equals - typed) &&
                     strncmp(name, typed, (size_t)(equals - typed)) == 0;
        if (!named || !(wanted >> role & 1)) {
            continue;
        }
        machine->wires[role].used = true;
        return part_pin(machine->part, equals + 1, &machine->wires[role].pin) ||
               complain_pin(machine->part, name, equals + 1, complaint);
    }
    size_t length = 0;
    char roles[160] = "";
    for (int role = 0; role < JL_ROLES; role++) {
        if (wanted >> role & 1 && length < sizeof roles) {
            length += (size_t)snprintf(roles + length, sizeof roles - length, "%s%s",
                                       length ? ", " : "", jl_role_name((enum jl_role)role));
        }
    }
    return jl_complain(complaint,
                       "--wire %.60s: expected WIRE=PIN, such as cs=PB2; this card's wires are %s",
                       typed, roles);
}

/* Where the part's own peripheral is. */
static struct pin usual_pin(const struct part *part, enum jl_role role) {
    const struct {
        enum jl_role role;
        struct pin pin, usi;
    } usual[] = {{JL_ROLE_SCL, part->twi.scl, part->usi.clock},
                 {JL_ROLE_SDA, part->twi.sda, part->usi.in},
                 {JL_ROLE_CLOCK, part->spi.sck, part->usi.clock},
                 {JL_ROLE_MOSI, part->spi.mosi, part->usi.out},
                 {JL_ROLE_MISO, part->spi.miso, part->usi.in},
                 {JL_ROLE_TOUCH_SCL, part->twi.scl, part->usi.clock},
                 {JL_ROLE_TOUCH_SDA, part->twi.sda, part->usi.in}};
    for (size_t i = 0; i < sizeof usual / sizeof usual[0]; i++) {
        if (usual[i].role == role) {
            return usual[i].pin.port ? usual[i].pin : usual[i].usi;
        }
    }
    return (struct pin){0};
}

static bool take_role(struct machine *machine, const struct jl_card *card, enum jl_role role,
                      bool needed, struct jl_complaint *complaint) {
    struct wire *wire = &machine->wires[role];
    const char *name = jl_live_pin_name(card, role);
    if (wire->used) {
        return true;
    }
    if (name) {
        wire->used = true;
        return part_pin(machine->part, name, &wire->pin) ||
               complain_pin(machine->part, jl_role_name(role), name, complaint);
    }
    wire->pin = usual_pin(machine->part, role);
    wire->used = wire->usual = wire->pin.port != 0;
    return wire->used || !needed ||
           jl_complain(complaint,
                       "%s: the card does not say which pin %s is: add \"%s = PB1\" or the like "
                       "to its [pins], or say --wire %s=PB1",
                       card->name, jl_role_name(role), jl_role_name(role), jl_role_name(role));
}

static bool take_input(struct machine *machine, const struct jl_card *card, const char *wire,
                       struct input input, struct jl_complaint *complaint) {
    const char *name = jl_card_pin(card, wire);
    if (!name) {
        return true;
    }
    input.name = wire;
    if (!part_pin(machine->part, name, &input.pin)) {
        return complain_pin(machine->part, wire, name, complaint);
    }
    machine->inputs[machine->input_count++] = input;
    return true;
}

static bool take_inputs(struct machine *machine, const struct jl_card *card,
                        struct jl_complaint *complaint) {
    static const struct {
        const char *wire;
        struct input input;
    } inputs[MOST_INPUTS] = {
        {"key_ok", {.kind = INPUT_KEY, .which = 0}},
        {"key_back", {.kind = INPUT_KEY, .which = 1}},
        {"key_up", {.kind = INPUT_KEY, .which = 2}},
        {"key_down", {.kind = INPUT_KEY, .which = 3}},
        {"knob_a", {.kind = INPUT_KNOB, .which = 0}},
        {"knob_b", {.kind = INPUT_KNOB, .which = 1}},
        {"busy", {.kind = INPUT_PANEL, .which = JL_DEVICE_BUSY}},
        {"te", {.kind = INPUT_PANEL, .which = JL_DEVICE_TE}},
        {"touch_pen", {.kind = INPUT_PANEL, .which = JL_DEVICE_PEN}},
    };
    for (size_t i = 0; i < MOST_INPUTS; i++) {
        if (!take_input(machine, card, inputs[i].wire, inputs[i].input, complaint)) {
            return false;
        }
    }
    return true;
}

/* Two wires on one pin are a slip of the card. */
static bool all_apart(const struct machine *machine, struct jl_complaint *complaint) {
    struct {
        const char *name;
        struct pin pin;
    } all[JL_ROLES + MOST_INPUTS];
    size_t count = 0;
    for (int role = 0; role < JL_ROLES; role++) {
        if (machine->wires[role].used) {
            all[count].name = jl_role_name((enum jl_role)role);
            all[count++].pin = machine->wires[role].pin;
        }
    }
    for (size_t i = 0; i < machine->input_count; i++) {
        all[count].name = machine->inputs[i].name;
        all[count++].pin = machine->inputs[i].pin;
    }
    for (size_t i = 0; i < count; i++) {
        for (size_t k = 0; k < i; k++) {
            if (pins_same(all[i].pin, all[k].pin)) {
                return jl_complain(complaint, "P%c%d is both %s and %s: a pin has one wire",
                                   all[i].pin.port, all[i].pin.bit, all[k].name, all[i].name);
            }
        }
    }
    return true;
}

static bool is_elsewhere(const struct machine *machine, enum jl_role role) {
    struct pin pin = machine->wires[role].pin;
    for (int other = 0; other < JL_ROLES; other++) {
        const struct wire *wire = &machine->wires[other];
        if (other != (int)role && wire->used && pins_same(wire->pin, pin)) {
            return true;
        }
    }
    for (size_t i = 0; i < machine->input_count; i++) {
        if (pins_same(machine->inputs[i].pin, pin)) {
            return true;
        }
    }
    return false;
}

/* Many leave MISO or TWI alone, and use the pin for something else; and SPI is nobody's where the
 * display is on other wires and nothing selects the touch controller. */
static void leave_unneeded(struct machine *machine, jl_role_set needed) {
    const jl_role_set spi =
        JL_ROLE_BIT(JL_ROLE_CLOCK) | JL_ROLE_BIT(JL_ROLE_MOSI) | JL_ROLE_BIT(JL_ROLE_MISO);
    bool no_spi = !(needed & spi) && !machine->wires[JL_ROLE_TOUCH_CS].used;
    for (int role = 0; role < JL_ROLES; role++) {
        struct wire *wire = &machine->wires[role];
        bool optional = wire->used && wire->usual && !(needed >> role & 1);
        if (optional &&
            (is_elsewhere(machine, (enum jl_role)role) || (no_spi && spi >> role & 1))) {
            wire->used = false;
        }
    }
}

bool wiring_read(struct machine *machine, const struct jl_card *card, char *const *typed,
                 struct jl_complaint *complaint) {
    const struct jl_live_roles roles = jl_live_roles(card);
    for (; typed && *typed; typed++) {
        if (!take_typed(machine, *typed, roles.wanted, complaint)) {
            return false;
        }
    }
    for (int role = 0; role < JL_ROLES; role++) {
        if (roles.wanted >> role & 1 &&
            !take_role(machine, card, (enum jl_role)role, roles.needed >> role & 1, complaint)) {
            return false;
        }
    }
    if (!take_inputs(machine, card, complaint)) {
        return false;
    }
    leave_unneeded(machine, roles.needed);
    return all_apart(machine, complaint);
}
