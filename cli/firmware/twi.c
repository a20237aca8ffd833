/*
 * TWI as master (ATmega328P datasheet 26): START, bytes and STOP at the bit time of TWBR and TWPS,
 * with the acknowledgement of whoever is on the wires. Status codes of tables 26-3 and 26-4.
 */
#include "machine.h"

enum {
    TWINT = 1 << 7,
    TWEA = 1 << 6,
    TWSTA = 1 << 5,
    TWSTO = 1 << 4,
    TWWC = 1 << 3,
    TWEN = 1 << 2
};
enum {
    STARTED = 0x08,
    STARTED_AGAIN = 0x10,
    WRITE_TAKEN = 0x18,
    WRITE_REFUSED = 0x20,
    BYTE_TAKEN = 0x28,
    BYTE_REFUSED = 0x30,
    READ_TAKEN = 0x40,
    READ_REFUSED = 0x48,
    READ_MORE = 0x50,
    READ_LAST = 0x58,
    NOTHING = 0xF8,
};
enum { BITS = 9 };

static uint8_t *reg(const struct machine *machine, uint16_t address) {
    return &machine->avr->data[address];
}

bool twi_owns(const struct machine *machine, struct pin pin, bool *low) {
    const struct part *part = machine->part;
    if (!part->twi.twcr || !(*reg(machine, part->twi.twcr) & TWEN)) {
        return false;
    }
    bool is_clock = pins_same(pin, part->twi.scl);
    *low = is_clock ? machine->twi.scl_low : machine->twi.sda_low;
    return is_clock || pins_same(pin, part->twi.sda);
}

static void begin(struct machine *machine, enum twi_deed deed) {
    static const unsigned prescaler[] = {1, 4, 16, 64};
    struct twi *twi = &machine->twi;
    uint64_t bit = 16 + 2ull * *reg(machine, machine->part->twi.twbr) *
                            prescaler[*reg(machine, machine->part->twi.twsr) & 3];
    twi->deed = deed;
    twi->step = twi->bits = 0;
    twi->start = machine->avr->cycle;
    twi->bit_cycles = bit;
    twi->next = twi->start + bit / 4;
    machine_wake_at(machine, twi->start + (deed == TWI_BYTE ? BITS : 1) * bit);
}

static void end(struct machine *machine, uint8_t status) {
    const struct part *part = machine->part;
    uint8_t *bits = reg(machine, part->twi.twsr);
    *bits = (uint8_t)(status | (*bits & 3));
    machine->twi.deed = TWI_IDLE;
    *reg(machine, part->twi.twcr) |= TWINT;
    machine_interrupt(machine, part->twi.vector);
}

/* Quarters of a bit: SDA, SCL up, SDA down; SCL down. */
static void step_start(struct machine *machine) {
    struct twi *twi = &machine->twi;
    switch (twi->step) {
    case 0:
        twi->sda_low = false;
        break;
    case 1:
        twi->scl_low = false;
        break;
    case 2:
        twi->sda_low = true;
        break;
    default:
        twi->scl_low = true;
        end(machine, twi->owns ? STARTED_AGAIN : STARTED);
        twi->owns = twi->address_due = true;
        twi->reading = false;
        break;
    }
}

static void control_written(struct machine *machine, uint8_t value);

static void step_stop(struct machine *machine) {
    struct twi *twi = &machine->twi;
    switch (twi->step) {
    case 0:
        twi->sda_low = true;
        break;
    case 1:
        twi->scl_low = false;
        break;
    case 2:
        break;
    default:
        twi->sda_low = false;
        twi->owns = false;
        twi->deed = TWI_IDLE;
        *reg(machine, machine->part->twi.twcr) &= (uint8_t)~TWSTO;
        if (twi->held) {
            twi->held = false;
            control_written(machine, twi->held_value);
        }
        break;
    }
}

/* What was sent or read is through. */
static void end_byte(struct machine *machine, bool acknowledged) {
    struct twi *twi = &machine->twi;
    uint8_t byte = *reg(machine, machine->part->twi.twdr);
    bool read = byte & 1;
    if (!twi->address_due) {
        end(machine, twi->reading ? (acknowledged ? READ_MORE : READ_LAST)
                                  : (acknowledged ? BYTE_TAKEN : BYTE_REFUSED));
        return;
    }
    twi->address_due = false;
    twi->reading = read;
    end(machine, read ? (acknowledged ? READ_TAKEN : READ_REFUSED)
                      : (acknowledged ? WRITE_TAKEN : WRITE_REFUSED));
}

static void step_byte(struct machine *machine) {
    struct twi *twi = &machine->twi;
    const struct part *part = machine->part;
    uint8_t *data = reg(machine, part->twi.twdr);
    bool answer = twi->bits == BITS - 1, listens = twi->reading && !twi->address_due;
    switch (twi->step % 4) {
    case 0:
        twi->sda_low = answer    ? listens && *reg(machine, part->twi.twcr) & TWEA
                       : listens ? false
                                 : !(*data >> (7 - twi->bits) & 1);
        break;
    case 1:
        twi->scl_low = false;
        break;
    case 2:
        if (answer) {
            twi->nobody = pins_level(machine, part->twi.sda);
        } else if (listens) {
            *data = (uint8_t)(*data << 1 | pins_level(machine, part->twi.sda));
        }
        break;
    default:
        twi->scl_low = true;
        twi->bits++;
        if (answer) {
            end_byte(machine, !twi->nobody);
        }
        break;
    }
}

void twi_catch_up(struct machine *machine, uint64_t cycle) {
    struct twi *twi = &machine->twi;
    while (twi->deed != TWI_IDLE && twi->next <= cycle) {
        uint64_t at = twi->next;
        switch (twi->deed) {
        case TWI_START:
            step_start(machine);
            break;
        case TWI_STOP:
            step_stop(machine);
            break;
        default:
            step_byte(machine);
            break;
        }
        pins_tell(machine, at);
        if (twi->deed != TWI_IDLE && twi->next == at) { /* no new deed */
            twi->step++;
            twi->next = twi->start + (twi->step + 1) * twi->bit_cycles / 4;
        }
    }
}

/* A one written to TWINT begins what the other bits ask for. */
static void control_written(struct machine *machine, uint8_t value) {
    const struct part *part = machine->part;
    struct twi *twi = &machine->twi;
    uint8_t *control = reg(machine, part->twi.twcr);
    if (!(value & TWEN)) {
        *twi = (struct twi){.deed = TWI_IDLE};
        *control = (uint8_t)(value & ~(TWINT | TWSTO));
        machine_interrupt_over(machine, part->twi.vector);
        return;
    }
    if (!(value & TWINT)) {
        *control = (uint8_t)((value & ~TWINT) | (*control & TWINT));
        return;
    }
    *control = (uint8_t)(value & ~(TWINT | TWWC));
    machine_interrupt_over(machine, part->twi.vector);
    if (value & TWSTO && twi->owns) {
        twi->held = value & TWSTA;
        twi->held_value = (uint8_t)(value & ~TWSTO);
        begin(machine, TWI_STOP);
    } else if (value & TWSTA) {
        begin(machine, TWI_START);
    } else if (twi->owns) {
        begin(machine, TWI_BYTE);
    } else {
        *control = (uint8_t)(*control & ~TWSTO);
    }
}

static void write_control(struct avr_t *avr, avr_io_addr_t address, uint8_t value, void *context) {
    struct machine *machine = context;
    (void)address;
    machine_catch_up(machine, avr->cycle);
    if (machine->twi.deed == TWI_STOP && value & TWEN && value & TWINT) {
        machine->twi.held = true;
        machine->twi.held_value = value;
    } else if (machine->twi.deed != TWI_IDLE && value & TWINT && value & TWEN) {
        machine_say(machine, "TWCR is written with TWINT while TWI is at work: wait until TWINT "
                             "is set");
    } else {
        control_written(machine, value);
    }
    pins_tell(machine, avr->cycle);
}

static uint8_t read_control(struct avr_t *avr, avr_io_addr_t address, void *context) {
    machine_catch_up(context, avr->cycle);
    return avr->data[address];
}

static void write_data(struct avr_t *avr, avr_io_addr_t address, uint8_t value, void *context) {
    struct machine *machine = context;
    machine_catch_up(machine, avr->cycle);
    if (machine->twi.deed == TWI_BYTE) {
        *reg(machine, machine->part->twi.twcr) |= TWWC;
        machine_say(machine, "TWDR is written while a byte is on its way (TWWC): it is lost");
        return;
    }
    avr->data[address] = value;
}

static void write_status(struct avr_t *avr, avr_io_addr_t address, uint8_t value, void *context) {
    (void)context;
    avr->data[address] = (uint8_t)((avr->data[address] & ~3) | (value & 3));
}

void twi_begin(struct machine *machine) {
    const struct part *part = machine->part;
    if (part->twi.twcr) {
        machine_take_register(machine, part->twi.twcr, read_control, write_control);
        machine_take_register(machine, part->twi.twsr, read_control, write_status);
        machine_take_register(machine, part->twi.twdr, read_control, write_data);
        machine_take_register(machine, part->twi.twbr, NULL, NULL);
        *reg(machine, part->twi.twsr) = NOTHING;
        *reg(machine, part->twi.twdr) = 0xFF;
    }
}
