/*
 * The start of an image: memory, the port, the program; then its status in words on UART0
 * (115200 baud, 8N1, PA1).
 */
#include "cortex_m3_port.h"
#include "example.h"

#define REGISTER     CORTEX_M3_REGISTER
#define RCGC1        REGISTER(0x400FE104)
#define RCGC2        REGISTER(0x400FE108)
#define GPIO_A_AFSEL REGISTER(0x40004420)
#define GPIO_A_DEN   REGISTER(0x4000451C)
#define UART_DR      REGISTER(0x4000C000)
#define UART_FR      REGISTER(0x4000C018)
#define UART_IBRD    REGISTER(0x4000C024)
#define UART_FBRD    REGISTER(0x4000C028)
#define UART_LCRH    REGISTER(0x4000C02C)
#define UART_CTL     REGISTER(0x4000C030)
enum { UART_PINS = 0x03, FIFO_FULL = 0x20, EIGHT_BITS = 0x60, ON_AND_SENDING = 0x101 };

extern uint32_t stack_top, data_load, data_start, data_end, bss_start, bss_end;

static void start_uart(void) {
    RCGC1 |= 1;
    RCGC2 |= 1;
    (void)RCGC2;
    (void)RCGC2;
    GPIO_A_AFSEL |= UART_PINS;
    GPIO_A_DEN |= UART_PINS;
    UART_IBRD = CORTEX_M3_HZ / (16 * 115200); /* 3, and 16 of 64: 3.255 */
    UART_FBRD = (CORTEX_M3_HZ * 4 / 115200) % 64;
    UART_LCRH = EIGHT_BITS;
    UART_CTL = ON_AND_SENDING;
}

static void put_all(void *context, const uint8_t *bytes, size_t count) {
    (void)context;
    for (; count; count--) {
        while (UART_FR & FIFO_FULL) {
        }
        UART_DR = *bytes++;
    }
}

static void print(const char *text) {
    size_t count = 0;
    while (text[count]) {
        count++;
    }
    put_all(NULL, (const uint8_t *)text, count);
}

void reset_handler(void);
void reset_handler(void) {
    const uint32_t *from = &data_load; /* symbols of the linker: one memory, not objects */
    /* cppcheck-suppress comparePointers */
    for (uint32_t *to = &data_start; to < &data_end;) {
        *to++ = *from++;
    }
    /* cppcheck-suppress comparePointers */
    for (uint32_t *to = &bss_start; to < &bss_end;) {
        *to++ = 0;
    }
    start_uart();
    cortex_m3_start();
#ifdef TAPPED /* docs/tap.md: what is sent goes to the UART, too */
    static struct jl_tap tap;
    static struct jl_port tapped;
    jl_tap_begin(&tap, &tapped, &cortex_m3_port, put_all, NULL);
    jl_status status = example_run(&tapped);
    print("\n");
#else
    jl_status status = example_run(&cortex_m3_port);
#endif
    print("status: ");
    print(jl_status_text(status));
    print("\n");
    for (;;) {
    }
}

/* The first two entries of the vector table (ARMv7-M reference manual, B1.5.3). */
__attribute__((section(".vectors"), used)) static const struct {
    const void *initial_stack;
    void (*reset)(void);
} vectors = {&stack_top, reset_handler};
