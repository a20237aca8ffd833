/*
 * A program that emits bytes, RUN, on an ATmega2560: they go out of USART 0 (datasheet section
 * 22.10). For scripts/check-small-int and scripts/check-bundle.
 */
#include <stddef.h>
#include <stdint.h>

void emit(const void *bytes, size_t count);
void RUN(void);

#define UCSR0A (*(volatile uint8_t *)0xC0) /* bit 5: the data register is empty */
#define UCSR0B (*(volatile uint8_t *)0xC1) /* bit 3: the transmitter is on */
#define UDR0   (*(volatile uint8_t *)0xC6)

void emit(const void *bytes, size_t count) {
    for (const uint8_t *at = bytes; count; count--) {
        while (!(UCSR0A & 0x20)) {
        }
        UDR0 = *at++;
    }
}

int main(void) {
    UCSR0B = 0x08;
    RUN();
    for (;;) {
    }
}
