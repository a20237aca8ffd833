#include <stddef.h>
#include <stdint.h>

extern void uart_put(uint8_t byte); /* yours */
extern uint32_t microseconds(void); /* yours */

static uint16_t check;

static void put(uint8_t byte) {
    check ^= (uint16_t)(byte << 8);
    for (int bit = 0; bit < 8; bit++) {
        check = (uint16_t)(check & 0x8000 ? check << 1 ^ 0x1021 : check << 1);
    }
    if (byte == 0xC0 || byte == 0xDB) { /* RFC 1055 */
        uart_put(0xDB);
        byte = byte == 0xC0 ? 0xDC : 0xDD;
    }
    uart_put(byte);
}

void tap(uint8_t kind, const uint8_t *bytes, size_t count) {
    static uint8_t number;
    uint32_t now = microseconds();
    uart_put(0xC0);
    check = 0xFFFF;
    put(kind);
    put(number++);
    for (int shift = 0; shift < 32; shift += 8) {
        put((uint8_t)(now >> shift));
    }
    while (count--) {
        put(*bytes++);
    }
    uint16_t word = check;
    put((uint8_t)word);
    put((uint8_t)(word >> 8));
    uart_put(0xC0);
}
