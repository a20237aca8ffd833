/* What pins and peripherals share: time, interrupts, registers, what is said. */
#include "machine.h"

uint64_t machine_ps(const struct machine *machine, uint64_t cycle) {
    uint64_t seconds = cycle / machine->frequency, rest = cycle % machine->frequency;
    return seconds * 1000000000000u + rest * 100000000000u / machine->frequency * 10;
}

void machine_catch_up(struct machine *machine, uint64_t cycle) {
    spi_catch_up(machine, cycle);
    twi_catch_up(machine, cycle);
}

static avr_cycle_count_t woken(struct avr_t *avr, avr_cycle_count_t when, void *context) {
    (void)avr;
    machine_catch_up(context, when);
    return 0;
}

void machine_wake_at(struct machine *machine, uint64_t cycle) {
    avr_cycle_timer_register(machine->avr, cycle - machine->avr->cycle, woken, machine);
}

static avr_int_vector_t *vector_of(struct machine *machine, uint8_t number) {
    avr_int_table_t *table = &machine->avr->interrupts;
    for (int i = 0; i < table->vector_count; i++) {
        if (table->vector[i]->vector == number) {
            return table->vector[i];
        }
    }
    return NULL;
}

void machine_interrupt(struct machine *machine, uint8_t vector) {
    avr_int_vector_t *found = vector_of(machine, vector);
    if (found) {
        avr_raise_interrupt(machine->avr, found);
    }
}

void machine_interrupt_over(struct machine *machine, uint8_t vector) {
    avr_int_vector_t *found = vector_of(machine, vector);
    if (found) {
        avr_clear_interrupt(machine->avr, found);
    }
}

void machine_say(struct machine *machine, const char *text) {
    for (size_t i = 0; i < machine->said_count; i++) {
        if (machine->said[i].text == text) {
            machine->said[i].count++;
            return;
        }
    }
    if (machine->said_count < MOST_SAID) {
        machine->said[machine->said_count++] =
            (struct said){.text = text, .cycle = machine->avr->cycle, .count = 1};
    }
}

static void keep(struct avr_t *avr, avr_io_addr_t address, uint8_t value, void *context) {
    (void)context;
    avr->data[address] = value;
}

/* Instead of what the simulator has there: it refuses second readers, and calls all writers. */
void machine_take_register(struct machine *machine, uint16_t address, avr_io_read_t read,
                           avr_io_write_t write) {
    avr_io_addr_t io = AVR_DATA_TO_IO(address);
    machine->avr->io[io].r.c = read;
    machine->avr->io[io].r.param = machine;
    machine->avr->io[io].w.c = write ? write : keep;
    machine->avr->io[io].w.param = machine;
}
