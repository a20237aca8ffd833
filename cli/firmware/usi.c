/*
 * USI (ATtiny85 datasheet 15) as master: three wires (SPI) or two (I2C), clocked by software
 * strobes. Its start detector is a slave's, and left out.
 */
#include "machine.h"

enum { WM = 3 << 4, TWO_WIRE = 2 << 4, CS1 = 1 << 3, CS0 = 1 << 2, CLK = 1 << 1, TC = 1 };
enum { OVERFLOW = 1 << 6, FLAGS = 0xF0, COUNT = 0x0F };

static uint8_t *reg(const struct machine *machine, uint16_t address) {
    return &machine->avr->data[address];
}

static uint8_t mode(const struct machine *machine) {
    return machine->part->usi.usicr ? *reg(machine, machine->part->usi.usicr) : 0;
}

bool usi_drives(const struct machine *machine, struct pin pin, bool *high) {
    *high = machine->usi.out;
    return (mode(machine) & WM) == 1 << 4 && pins_same(pin, machine->part->usi.out);
}

bool usi_owns(const struct machine *machine, struct pin pin, bool *low) {
    bool is_data = pins_same(pin, machine->part->usi.in);
    bool two = mode(machine) & TWO_WIRE;
    if (!two || !(is_data || pins_same(pin, machine->part->usi.clock)) ||
        !pins_is_output(machine, pin)) {
        return false;
    }
    *low = !pins_latch(machine, pin) || (is_data && !machine->usi.out);
    return true;
}

/* The latch lets bit 7 through in the first half of a clock, and always by internal clocks. */
static void follow(struct machine *machine) {
    uint8_t control = mode(machine);
    bool open = !(control & CS1) || machine->usi.clock == !!(control & CS0);
    machine->usi.out = open ? *reg(machine, machine->part->usi.usidr) >> 7 : machine->usi.out;
}

static void count(struct machine *machine) {
    const struct part *part = machine->part;
    uint8_t *status = reg(machine, part->usi.usisr);
    uint8_t next = (uint8_t)((*status + 1) & COUNT);
    *status = (uint8_t)((*status & FLAGS) | next);
    if (next == 0) {
        *status |= OVERFLOW;
        *reg(machine, part->usi.usibr) = *reg(machine, part->usi.usidr);
        machine_interrupt(machine, part->usi.vector);
    }
}

static void shift(struct machine *machine) {
    uint8_t *data = reg(machine, machine->part->usi.usidr);
    *data = (uint8_t)(*data << 1 | pins_level(machine, machine->part->usi.in));
}

void usi_clocked(struct machine *machine) {
    uint8_t control = mode(machine);
    if (!(control & WM)) {
        return;
    }
    bool now = pins_level(machine, machine->part->usi.clock);
    if (now != machine->usi.clock) {
        machine->usi.clock = now;
        if (control & CS1 && now == !(control & CS0)) {
            shift(machine);
        }
        if ((control & (CS1 | CLK)) == CS1) {
            count(machine);
        }
    }
    follow(machine);
}

static void write_control(struct avr_t *avr, avr_io_addr_t address, uint8_t value, void *context) {
    struct machine *machine = context;
    const struct pin clock = machine->part->usi.clock;
    avr->data[address] = (uint8_t)(value & ~(CLK | TC));
    if (value & TC) {
        for (const struct port_place *port = machine->part->ports; port->letter; port++) {
            if (port->letter == clock.port) {
                avr->data[port->address + 2] ^= (uint8_t)(1u << clock.bit);
            }
        }
    }
    /* Bits 1 and 0 are strobes; which clock counts is told by the write that has them. */
    avr->data[address] = value;
    usi_clocked(machine);
    if (value & CLK && value & CS1 && value & TC) {
        count(machine);
    } else if (value & CLK && !(value & (CS1 | CS0))) {
        shift(machine);
        count(machine);
        follow(machine);
    }
    avr->data[address] = (uint8_t)(value & ~(value & CS1 ? TC : CLK | TC));
    pins_tell(machine, avr->cycle);
}

static void write_data(struct avr_t *avr, avr_io_addr_t address, uint8_t value, void *context) {
    struct machine *machine = context;
    avr->data[address] = value;
    follow(machine);
    pins_tell(machine, avr->cycle);
}

/* Flags are cleared by ones; the counter is set. */
static void write_status(struct avr_t *avr, avr_io_addr_t address, uint8_t value, void *context) {
    struct machine *machine = context;
    uint8_t flags = (uint8_t)(avr->data[address] & FLAGS & ~value);
    avr->data[address] = (uint8_t)(flags | (value & COUNT));
    if (value & OVERFLOW) {
        machine_interrupt_over(machine, machine->part->usi.vector);
    }
}

void usi_begin(struct machine *machine) {
    const struct part *part = machine->part;
    if (part->usi.usicr) {
        machine_take_register(machine, part->usi.usicr, NULL, write_control);
        machine_take_register(machine, part->usi.usisr, NULL, write_status);
        machine_take_register(machine, part->usi.usidr, NULL, write_data);
    }
}
