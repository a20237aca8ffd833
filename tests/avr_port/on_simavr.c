/*
 * Runs a program for the ATmega2560 on a simulated processor until it sleeps, and writes what it
 * sends: on SPI a line for each byte, with D/C; on TWI a line for each transfer. usage: on_simavr
 * PROGRAM.elf [unplugged]     (then nobody answers on TWI)
 *
 * A program of its own, built by scripts/check-avr-port only: the simulator's licence is GPL-3. Its
 * TWI says at once that it is done; here TWCR keeps TWINT low for as long as nine bits take.
 */
#include <simavr/avr_spi.h>
#include <simavr/avr_twi.h>
#include <simavr/sim_avr.h>
#include <simavr/sim_elf.h>
#include <simavr/sim_io.h>
#include <stdio.h>
#include <string.h>

enum { PORT_E = 0x2E, DC = 1 << 4, CS = 1 << 3, TWCR = 0xBC, TWINT = 0x80, OLED = 0x3C };

#define MOST_CYCLES (60ull * 16000000)
#define TWI_CYCLES  2000u /* more than the simulator's own */

static avr_t *avr;
static avr_irq_t *twi_answer;
static avr_cycle_count_t twi_until;
static int unplugged;

static void on_spi(avr_irq_t *irq, uint32_t value, void *context) {
    (void)irq, (void)context;
    uint8_t pins = avr->data[PORT_E];
    if (!(pins & CS)) {
        printf("%c %02X\n", pins & DC ? 'D' : 'C', (unsigned)value & 0xFF);
    }
}

static void on_twi(avr_irq_t *irq, uint32_t value, void *context) {
    (void)irq, (void)context;
    avr_twi_msg_irq_t message = {.u.v = value};
    if (message.u.twi.msg & TWI_COND_STOP) {
        printf("\n");
    }
    if (message.u.twi.msg & TWI_COND_START) {
        printf("%02X:", message.u.twi.addr >> 1);
    }
    if (message.u.twi.msg & TWI_COND_WRITE) {
        printf(" %02X", message.u.twi.data);
    }
    if (!unplugged && message.u.twi.msg & (TWI_COND_START | TWI_COND_WRITE) &&
        message.u.twi.addr >> 1 == OLED) {
        avr_raise_irq(twi_answer, avr_twi_irq_msg(TWI_COND_ACK, message.u.twi.addr, 1));
    }
}

static void twcr_written(avr_t *core, avr_io_addr_t address, uint8_t value, void *context) {
    (void)address, (void)context;
    if (value & TWINT) {
        twi_until = core->cycle + TWI_CYCLES;
    }
}

static uint8_t twcr_read(avr_t *core, avr_io_addr_t address, void *context) {
    (void)context;
    uint8_t value = core->data[address];
    /* What is returned is kept by the simulator, so TWINT has to be set again. */
    return core->cycle < twi_until ? (uint8_t)(value & ~TWINT)
           : twi_until             ? (uint8_t)(value | TWINT)
                                   : value;
}

int main(int argc, char **argv) {
    elf_firmware_t firmware = {0};
    avr = avr_make_mcu_by_name("atmega2560");
    unplugged = argc == 3 && strcmp(argv[2], "unplugged") == 0;
    if (argc != 2 + unplugged || !avr || elf_read_firmware(argv[1], &firmware) != 0) {
        fprintf(stderr, "usage: on_simavr PROGRAM.elf [unplugged]\n");
        return 2;
    }
    avr_init(avr);
    firmware.frequency = 16000000;
    avr_load_firmware(avr, &firmware);
    avr_irq_register_notify(avr_io_getirq(avr, AVR_IOCTL_SPI_GETIRQ(0), SPI_IRQ_OUTPUT), on_spi,
                            NULL);
    avr_irq_register_notify(avr_io_getirq(avr, AVR_IOCTL_TWI_GETIRQ(0), TWI_IRQ_OUTPUT), on_twi,
                            NULL);
    twi_answer = avr_io_getirq(avr, AVR_IOCTL_TWI_GETIRQ(0), TWI_IRQ_INPUT);
    avr_register_io_write(avr, TWCR, twcr_written, NULL);
    avr_register_io_read(avr, TWCR, twcr_read, NULL);
    int state = cpu_Running;
    while (avr->cycle < MOST_CYCLES && state != cpu_Done && state != cpu_Crashed) {
        state = avr_run(avr);
    }
    return state == cpu_Done ? 0 : 1;
}
