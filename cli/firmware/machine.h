/*
 * A simulated processor whose pins are wired to an emulated panel. The simulator gives the core,
 * its timers and interrupts; pins, SPI, TWI and USI are ours, since those of its version 1.6 take
 * fixed times, move no pins, and answer at once.
 */
#ifndef JADELAMP_CLI_FIRMWARE_MACHINE_H
#define JADELAMP_CLI_FIRMWARE_MACHINE_H

#include "jadelamp/host/capture_write.h"
#include "jadelamp/host/hand_script.h"
#include "jadelamp/host/live.h"

#include <simavr/sim_avr.h>
#include <simavr/sim_cycle_timers.h>
#include <simavr/sim_interrupts.h>

#include "firmware_file.h"
#include "processors.h"

enum { MOST_INPUTS = 9, MOST_SAID = 12, SAID = 160 };

/* A wire between the processor and the panel. */
struct wire {
    bool used, told, high;
    uint16_t duty; /* of a light, as it was told */
    bool usual;    /* nobody named its pin: it is where the processor's own peripheral is */
    struct pin pin;
    size_t index; /* in the capture */
};

/* What the processor only reads: keys, contacts, outputs of the panel. */
struct input {
    const char *name; /* as [pins] has it */
    struct pin pin;
    enum { INPUT_KEY, INPUT_KNOB, INPUT_PANEL } kind;
    int which;
    bool high;
};

/* What hands do in a window, where no script says it. */
struct worked {
    uint8_t keys;         /* a bit each that is down */
    int wanted, quarters; /* of a detent that the knob is turned to, and stands at */
    uint64_t turned_ps;   /* since when it stands there */
};

struct spi {
    bool busy, seen_flag;
    uint8_t byte, shifted, received;
    unsigned step; /* of 16 half bits, and the end */
    uint64_t start, next;
    unsigned divider; /* cycles of a bit */
    bool sck, mosi;
};

struct twi {
    enum twi_deed { TWI_IDLE, TWI_START, TWI_BYTE, TWI_STOP } deed;
    bool owns, address_due, reading, scl_low, sda_low, nobody;
    bool held; /* something was written during a STOP: */
    uint8_t held_value;
    unsigned step, bits;
    uint64_t start, next, bit_cycles;
};

struct usi {
    bool out; /* the latch behind bit 7 */
    bool clock;
};

/* What the firmware did wrong with the processor, once each. */
struct said {
    const char *text; /* constant */
    uint64_t cycle;
    unsigned count;
};

struct machine {
    avr_t *avr;
    const struct part *part;
    const struct firmware *firmware;
    uint32_t frequency;
    struct jl_live *live;
    struct jl_capture_writer *writer; /* NULL: nothing is recorded */
    struct wire wires[JL_ROLES];
    /* Of each pin, by the letter of its port: the role of its wire, or the number of its input,
     * plus one; 0: none. */
    struct {
        uint8_t role, input;
    } places['L' - 'A' + 1][8];
    struct input inputs[MOST_INPUTS];
    size_t input_count;
    const struct jl_hand_script *hands; /* or NULL: */
    struct worked worked;
    bool pulled_up; /* the bus has resistors: I2C */
    struct spi spi;
    struct twi twi;
    struct usi usi;
    struct said said[MOST_SAID];
    size_t said_count;
    bool stack_set;
    uint16_t lowest_stack;
    uint32_t deepest_pc;
};

/* The time of a cycle. */
uint64_t machine_ps(const struct machine *machine, uint64_t cycle);

/* Whatever the peripherals do up to a cycle, happens. */
void machine_catch_up(struct machine *machine, uint64_t cycle);

/* Wakes the core in time when it sleeps. */
void machine_wake_at(struct machine *machine, uint64_t cycle);

/* Sets an interrupt's flag, and calls it when it is enabled. */
void machine_interrupt(struct machine *machine, uint8_t vector);
void machine_interrupt_over(struct machine *machine, uint8_t vector);

/* A mistake of the firmware; the text is constant. */
void machine_say(struct machine *machine, const char *text);

/* A register is ours: reads and writes of it. NULL: as memory. */
void machine_take_register(struct machine *machine, uint16_t address, avr_io_read_t read,
                           avr_io_write_t write);

/* ---- pins ---- */

void pins_begin(struct machine *machine);

/* The level of a pin, whoever drives it. */
bool pins_level(struct machine *machine, struct pin pin);

/* The same of an input that is read as high where nobody drives it. */
bool pins_hears(struct machine *machine, struct pin pin);

/* The panel hears what moved. */
void pins_tell(struct machine *machine, uint64_t cycle);

/* Inputs that changed raise their interrupts, and a light that a timer drives is told of. */
void pins_look_at_inputs(struct machine *machine);

bool pins_same(struct pin a, struct pin b);
bool pins_is_output(const struct machine *machine, struct pin pin);
bool pins_latch(const struct machine *machine, struct pin pin); /* its bit in PORT */

/* ---- peripherals: each drives some pins when it is on ---- */

void spi_begin(struct machine *machine);
void spi_catch_up(struct machine *machine, uint64_t cycle);
bool spi_drives(const struct machine *machine, struct pin pin, bool *high);
/* MISO is an input while SPI is on, whatever DDR says. */
bool spi_listens(const struct machine *machine, struct pin pin);

/* Whether a timer drives the pin; how long it is high, of 65535. */
bool pwm_drives(const struct machine *machine, struct pin pin, uint16_t *duty);

void twi_begin(struct machine *machine);
void twi_catch_up(struct machine *machine, uint64_t cycle);
/* True: the pin is TWI's; then it is pulled low, or let go. */
bool twi_owns(const struct machine *machine, struct pin pin, bool *low);

void usi_begin(struct machine *machine);
bool usi_drives(const struct machine *machine, struct pin pin, bool *high);
/* In two-wire mode a pin that is an output is pulled low, or let go. */
bool usi_owns(const struct machine *machine, struct pin pin, bool *low);
/* The pins may have moved by PORT. */
void usi_clocked(struct machine *machine);

#endif
