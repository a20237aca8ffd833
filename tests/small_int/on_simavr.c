/*
 * Runs a program for the ATmega2560 on a simulated processor, and writes what it sends on USART 0
 * into a file, until so many bytes are there. usage: on_simavr PROGRAM.elf OUT BYTES
 *
 * A program of its own, built by scripts/check-small-int only: the simulator's licence is GPL-3.
 */
#include <simavr/avr_uart.h>
#include <simavr/sim_avr.h>
#include <simavr/sim_elf.h>
#include <stdio.h>
#include <stdlib.h>

#define MOST_CYCLES 20000000000u /* 20 minutes of the microcontroller: it hangs */

static long seen;

static void take(struct avr_irq_t *irq, uint32_t value, void *out) {
    (void)irq;
    fputc((int)value, out);
    seen++;
}

int main(int argc, char **argv) {
    elf_firmware_t firmware = {0};
    avr_t *avr = avr_make_mcu_by_name("atmega2560");
    if (argc != 4 || !avr || elf_read_firmware(argv[1], &firmware) != 0) {
        fprintf(stderr, "usage: on_simavr PROGRAM.elf OUT BYTES\n");
        return 2;
    }
    FILE *out = fopen(argv[2], "wb");
    long wanted = atol(argv[3]);
    if (!out) {
        perror(argv[2]);
        return 2;
    }
    uint32_t flags = 0;
    avr_init(avr);
    firmware.frequency = 16000000;
    avr_load_firmware(avr, &firmware);
    avr_ioctl(avr, AVR_IOCTL_UART_GET_FLAGS('0'), &flags);
    flags &= ~(uint32_t)(AVR_UART_FLAG_STDIO | AVR_UART_FLAG_POLL_SLEEP);
    avr_ioctl(avr, AVR_IOCTL_UART_SET_FLAGS('0'), &flags);
    avr_irq_register_notify(avr_io_getirq(avr, AVR_IOCTL_UART_GETIRQ('0'), UART_IRQ_OUTPUT), take,
                            out);
    int state = cpu_Running;
    while (seen < wanted && avr->cycle < MOST_CYCLES && state != cpu_Done && state != cpu_Crashed) {
        state = avr_run(avr);
    }
    for (uint64_t end = avr->cycle + 1000000; avr->cycle < end && state == cpu_Running;) {
        state = avr_run(avr); /* what comes too much shows, too */
    }
    return fclose(out) == 0 && seen >= wanted ? 0 : 1;
}
