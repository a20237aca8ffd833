/*
 * Pins: a port's DDR and PORT, or a peripheral, drive them; else the panel, a key, a pull-up. What
 * nobody drives and nobody ever drove, the panel is not told of.
 */
#include <simavr/avr_ioport.h>
#include <simavr/sim_io.h>

#include "machine.h"

enum { OF_PIN, OF_DDR, OF_PORT };

static uint16_t place_of(const struct part *part, char letter) {
    for (const struct port_place *port = part->ports; port->letter; port++) {
        if (port->letter == letter) {
            return port->address;
        }
    }
    return 0;
}

bool pins_same(struct pin a, struct pin b) {
    return a.port == b.port && a.bit == b.bit && a.port;
}

bool pins_is_output(const struct machine *machine, struct pin pin) {
    return machine->avr->data[place_of(machine->part, pin.port) + OF_DDR] >> pin.bit & 1;
}

bool pins_latch(const struct machine *machine, struct pin pin) {
    return machine->avr->data[place_of(machine->part, pin.port) + OF_PORT] >> pin.bit & 1;
}

/* ---- who drives ---- */

static bool processor_drives(const struct machine *machine, struct pin pin, bool *high) {
    bool low;
    if (twi_owns(machine, pin, &low) || usi_owns(machine, pin, &low)) {
        *high = false;
        return low;
    }
    if (!pins_is_output(machine, pin) || spi_listens(machine, pin)) {
        return false;
    }
    uint16_t duty;
    if (pwm_drives(machine, pin, &duty)) {
        *high = duty > 0;
    } else if (!spi_drives(machine, pin, high) && !usi_drives(machine, pin, high)) {
        *high = pins_latch(machine, pin);
    }
    return true;
}

static struct wire *wire_at(struct machine *machine, struct pin pin, enum jl_role *role) {
    uint8_t place = machine->places[pin.port - 'A'][pin.bit].role;
    *role = (enum jl_role)(place - 1);
    return place ? &machine->wires[*role] : NULL;
}

static struct input *input_at(struct machine *machine, struct pin pin) {
    uint8_t place = machine->places[pin.port - 'A'][pin.bit].input;
    return place ? &machine->inputs[place - 1] : NULL;
}

/* Keys and contacts close to ground. */
static bool input_level(struct machine *machine, const struct input *input) {
    uint64_t now = machine_ps(machine, machine->avr->cycle);
    const struct jl_hand_script *hands = machine->hands;
    unsigned keys, contacts;
    switch (input->kind) {
    case INPUT_KEY:
        keys = hands ? (unsigned)jl_hand_key(hands->steps, hands->step_count, input->which, now)
                           << input->which
                     : machine->worked.keys;
        return !(keys >> input->which & 1);
    case INPUT_KNOB:
        contacts = hands ? jl_hand_knob(hands->steps, hands->step_count, 0, now)
                         : jl_hand_contacts(machine->worked.quarters);
        return !(contacts >> input->which & 1);
    default:
        return jl_live_output(machine->live, now, (enum jl_device_pin)input->which);
    }
}

/* 1 or 0; -1: nobody drives it. */
static int line_level(struct machine *machine, struct pin pin) {
    enum jl_role role = JL_ROLES;
    const struct wire *wire = wire_at(machine, pin, &role);
    const struct input *input = wire ? NULL : input_at(machine, pin);
    bool high = true, other = true;
    bool driven = processor_drives(machine, pin, &high);
    if (wire && jl_live_drives(machine->live, role, &other)) {
        return driven ? high && other : other;
    }
    if (driven) {
        return high;
    }
    if (input) {
        return input_level(machine, input);
    }
    bool lifted = wire && (role == JL_ROLE_TOUCH_SDA || role == JL_ROLE_TOUCH_SCL ||
                           (machine->pulled_up && (role == JL_ROLE_SDA || role == JL_ROLE_SCL)));
    return lifted || pins_latch(machine, pin) ? 1 : -1;
}

bool pins_level(struct machine *machine, struct pin pin) {
    int level = line_level(machine, pin);
    enum jl_role role;
    const struct wire *wire = level < 0 ? wire_at(machine, pin, &role) : NULL;
    return level < 0 ? wire && wire->told && wire->high : level;
}

bool pins_hears(struct machine *machine, struct pin pin) {
    return line_level(machine, pin) != 0;
}

/* A light is as bright as a timer makes it. */
static void tell_light(struct machine *machine, uint64_t at_ps) {
    struct wire *wire = &machine->wires[JL_ROLE_LIGHT];
    uint16_t duty = wire->high ? UINT16_MAX : 0;
    if (wire->told && pins_is_output(machine, wire->pin)) {
        (void)pwm_drives(machine, wire->pin, &duty);
    }
    if (wire->told && duty != wire->duty) {
        wire->duty = duty;
        jl_live_light(machine->live, at_ps, duty);
    }
}

/* In the order of roles: clocks before data, so that what moves with an edge counts behind it. */
void pins_tell(struct machine *machine, uint64_t cycle) {
    uint64_t at_ps = machine_ps(machine, cycle);
    for (int role = 0; role < JL_ROLES; role++) {
        struct wire *wire = &machine->wires[role];
        int level = wire->used ? line_level(machine, wire->pin) : -1;
        if (level < 0 || (wire->told && wire->high == (level == 1))) {
            continue;
        }
        wire->told = true;
        wire->high = level == 1;
        if (machine->writer) {
            jl_capture_write_level(machine->writer, at_ps, wire->index, wire->high);
        }
        jl_live_level(machine->live, at_ps, (enum jl_role)role, wire->high);
    }
    tell_light(machine, at_ps);
}

/* From contact to contact, however fast the wheel was. */
static void turn_on(struct machine *machine) {
    const uint64_t quarter_ps = 2000000000;
    struct worked *worked = &machine->worked;
    uint64_t now = machine_ps(machine, machine->avr->cycle);
    if (worked->quarters != worked->wanted && now - worked->turned_ps >= quarter_ps) {
        worked->quarters += worked->wanted > worked->quarters ? 1 : -1;
        worked->turned_ps = now;
    }
}

void pins_look_at_inputs(struct machine *machine) {
    turn_on(machine);
    if (machine->wires[JL_ROLE_LIGHT].used) { /* timers say nothing of what they do */
        pins_tell(machine, machine->avr->cycle);
    }
    for (size_t i = 0; i < machine->input_count; i++) {
        struct input *input = &machine->inputs[i];
        bool high = input_level(machine, input);
        if (high != input->high) {
            input->high = high;
            avr_raise_irq(avr_io_getirq(machine->avr,
                                        (uint32_t)AVR_IOCTL_IOPORT_GETIRQ(input->pin.port),
                                        input->pin.bit),
                          high);
        }
    }
}

/* ---- registers ---- */

static void moved(struct machine *machine) {
    usi_clocked(machine);
    pins_tell(machine, machine->avr->cycle);
}

static void write_register(struct avr_t *avr, avr_io_addr_t address, uint8_t value, void *context) {
    machine_catch_up(context, avr->cycle);
    avr->data[address] = value;
    moved(context);
}

/* Ones written to PIN turn bits of PORT over. */
static void write_pin(struct avr_t *avr, avr_io_addr_t address, uint8_t value, void *context) {
    machine_catch_up(context, avr->cycle);
    avr->data[address + OF_PORT] ^= value;
    moved(context);
}

static uint8_t read_pin(struct avr_t *avr, avr_io_addr_t address, void *context) {
    struct machine *machine = context;
    uint8_t value = 0;
    machine_catch_up(machine, avr->cycle);
    for (const struct port_place *port = machine->part->ports; port->letter; port++) {
        for (uint8_t bit = 0; port->address == address && bit < 8; bit++) {
            bool high =
                port->bits >> bit & 1 && pins_level(machine, (struct pin){port->letter, bit});
            value = (uint8_t)(value | high << bit);
        }
    }
    return value;
}

void pins_begin(struct machine *machine) {
    for (const struct port_place *port = machine->part->ports; port->letter; port++) {
        machine_take_register(machine, port->address + OF_PIN, read_pin, write_pin);
        machine_take_register(machine, port->address + OF_DDR, NULL, write_register);
        machine_take_register(machine, port->address + OF_PORT, NULL, write_register);
    }
    for (size_t i = 0; i < machine->input_count; i++) {
        struct pin pin = machine->inputs[i].pin;
        machine->inputs[i].high = true;
        machine->places[pin.port - 'A'][pin.bit].input = (uint8_t)(i + 1);
    }
    for (int role = 0; role < JL_ROLES; role++) {
        struct pin pin = machine->wires[role].pin;
        if (machine->wires[role].used) {
            machine->places[pin.port - 'A'][pin.bit].role = (uint8_t)(role + 1);
        }
    }
    pins_tell(machine, 0);
}
