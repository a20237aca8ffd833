/*
 * SPI as master (ATmega328P datasheet 23): a byte takes 8 bit times of SPR1:0 and SPI2X, in the
 * mode of CPOL and CPHA, moves MOSI and SCK where they are outputs, and takes MISO.
 */
#include "machine.h"

enum { SPIE = 1 << 7, SPE = 1 << 6, DORD = 1 << 5, MSTR = 1 << 4, CPOL = 1 << 3, CPHA = 1 << 2 };
enum { SPIF = 1 << 7, WCOL = 1 << 6, SPI2X = 1 };
enum { HALVES = 16 };

static uint8_t *reg(const struct machine *machine, uint16_t address) {
    return &machine->avr->data[address];
}

static bool is_master(const struct machine *machine) {
    const struct part *part = machine->part;
    uint8_t control = part->spi.spcr ? *reg(machine, part->spi.spcr) : 0;
    return (control & (SPE | MSTR)) == (SPE | MSTR);
}

bool spi_listens(const struct machine *machine, struct pin pin) {
    return pins_same(pin, machine->part->spi.miso) && is_master(machine);
}

bool spi_drives(const struct machine *machine, struct pin pin, bool *high) {
    const struct part *part = machine->part;
    if (!is_master(machine)) {
        return false;
    }
    uint8_t control = *reg(machine, part->spi.spcr);
    if (pins_same(pin, part->spi.sck)) {
        *high = machine->spi.busy ? machine->spi.sck : control & CPOL;
        return true;
    }
    *high = machine->spi.mosi;
    return pins_same(pin, part->spi.mosi);
}

/* A low level at SS, where it is an input, ends being master. */
static bool lost_master(struct machine *machine) {
    const struct part *part = machine->part;
    if (!is_master(machine) || pins_is_output(machine, part->spi.ss) ||
        pins_latch(machine, part->spi.ss) || pins_level(machine, part->spi.ss)) {
        return false;
    }
    machine_say(machine, "the SS pin is an input and not pulled up: a low level there ends being "
                         "master of SPI (MSTR); make it an output");
    return true;
}

static void end_byte(struct machine *machine) {
    const struct part *part = machine->part;
    machine->spi.busy = false;
    machine->spi.received = machine->spi.shifted;
    *reg(machine, part->spi.spsr) |= SPIF;
    machine->spi.seen_flag = false;
    machine_interrupt(machine, part->spi.vector);
}

/* A half bit: where CPHA is 0, data come half a bit before the edge that takes them, which is at
 * the beginning of the second half in any case. */
static void half(struct machine *machine) {
    struct spi *spi = &machine->spi;
    uint8_t control = *reg(machine, machine->part->spi.spcr);
    bool idle = control & CPOL, second = spi->step & 1;
    unsigned bit = spi->step / 2;
    bool level = (control & DORD ? spi->byte >> bit : spi->byte >> (7 - bit)) & 1;
    spi->mosi = second ? spi->mosi : level;
    if (second && pins_hears(machine, machine->part->spi.miso)) {
        spi->shifted |= (uint8_t)(1 << (control & DORD ? bit : 7 - bit));
    }
    spi->sck = second == !(control & CPHA) ? !idle : idle;
}

void spi_catch_up(struct machine *machine, uint64_t cycle) {
    struct spi *spi = &machine->spi;
    while (spi->busy && spi->next <= cycle) {
        uint64_t at = spi->next;
        if (spi->step == HALVES) {
            end_byte(machine);
        } else {
            half(machine);
            spi->step++;
            spi->next = spi->start + spi->divider * (uint64_t)spi->step / 2;
        }
        pins_tell(machine, at);
    }
}

static void write_data(struct avr_t *avr, avr_io_addr_t address, uint8_t value, void *context) {
    struct machine *machine = context;
    const struct part *part = machine->part;
    machine_catch_up(machine, avr->cycle);
    uint8_t control = *reg(machine, part->spi.spcr), *status = reg(machine, part->spi.spsr);
    if (machine->spi.seen_flag) {
        *status = (uint8_t)(*status & ~(SPIF | WCOL));
        machine_interrupt_over(machine, part->spi.vector);
    }
    if (!is_master(machine)) {
        machine_say(machine, control & SPE
                                 ? "a byte for SPI while it is no master: it goes nowhere"
                                 : "a byte for SPI while it is off (SPE): it goes nowhere");
        return;
    }
    if (lost_master(machine)) {
        *reg(machine, part->spi.spcr) = (uint8_t)(control & ~MSTR);
        *status |= SPIF;
        return;
    }
    if (machine->spi.busy) {
        *status |= WCOL;
        machine_say(machine, "a byte for SPI while the last one is on its way (WCOL): it is lost");
        return;
    }
    static const unsigned dividers[] = {4, 16, 64, 128};
    avr->data[address] = value;
    *status = (uint8_t)(*status & ~SPIF);
    machine->spi = (struct spi){.busy = true,
                                .byte = value,
                                .start = avr->cycle + 1,
                                .next = avr->cycle + 1,
                                .divider = dividers[control & 3] >> (*status & SPI2X),
                                .sck = control & CPOL,
                                .mosi = machine->spi.mosi};
    machine_wake_at(machine, avr->cycle + 1 + 8ull * machine->spi.divider);
}

static uint8_t read_data(struct avr_t *avr, avr_io_addr_t address, void *context) {
    struct machine *machine = context;
    (void)address;
    machine_catch_up(machine, avr->cycle);
    if (machine->spi.seen_flag) {
        uint8_t *status = reg(machine, machine->part->spi.spsr);
        *status = (uint8_t)(*status & ~(SPIF | WCOL));
        machine_interrupt_over(machine, machine->part->spi.vector);
    }
    return machine->spi.received;
}

static uint8_t read_status(struct avr_t *avr, avr_io_addr_t address, void *context) {
    struct machine *machine = context;
    machine_catch_up(machine, avr->cycle);
    machine->spi.seen_flag = avr->data[address] & SPIF;
    return avr->data[address];
}

static void write_status(struct avr_t *avr, avr_io_addr_t address, uint8_t value, void *context) {
    (void)context;
    avr->data[address] = (uint8_t)((avr->data[address] & ~SPI2X) | (value & SPI2X));
}

static void write_control(struct avr_t *avr, avr_io_addr_t address, uint8_t value, void *context) {
    struct machine *machine = context;
    machine_catch_up(machine, avr->cycle);
    avr->data[address] = value;
    if (lost_master(machine)) {
        avr->data[address] = (uint8_t)(value & ~MSTR);
    }
    pins_tell(machine, avr->cycle);
}

void spi_begin(struct machine *machine) {
    const struct part *part = machine->part;
    if (part->spi.spcr) {
        machine_take_register(machine, part->spi.spcr, NULL, write_control);
        machine_take_register(machine, part->spi.spsr, read_status, write_status);
        machine_take_register(machine, part->spi.spdr, read_data, write_data);
    }
}
