/*
 * Start, clock and output on the emulated board. The emulator lets each instruction take 1 ns, and
 * SysTick counts at 25 MHz, so a count is 40 instructions. Output and end are by semihosting.
 */
#include "measure.h"

#include "jadelamp/format.h"

#define SYSTICK ((volatile uint32_t *)0xE000E010u)
enum { INSTRUCTIONS_A_COUNT = 40, FULL = 0xFFFFFF };

extern uint32_t stack_top, data_load, data_start, data_end, bss_start, bss_end;

static void semihosting(uint32_t call, const void *argument) {
    register uint32_t r0 __asm__("r0") = call;
    register const void *r1 __asm__("r1") = argument;
    __asm__ volatile("bkpt 0xAB" : "+r"(r0) : "r"(r1) : "memory");
}

static void print(const char *text) {
    semihosting(4, text);
}

static void nothing(void *context) {
    (void)context;
}

static uint32_t counts(void (*volatile call)(void *context), void *context) {
    SYSTICK[2] = 0;
    uint32_t start = SYSTICK[2];
    call(context);
    return (start - SYSTICK[2]) & FULL;
}

uint32_t measure(void (*call)(void *context), void *context) {
    uint32_t empty = counts(nothing, NULL), all = counts(call, context);
    return all > empty ? (all - empty) * INSTRUCTIONS_A_COUNT : 0;
}

static void print_name(const char *name) {
    uint32_t length = 0;
    print("  ");
    print(name);
    while (name[length]) {
        length++;
    }
    for (; length < 34; length++) {
        print(" ");
    }
}

void report(const char *name, int32_t first, int32_t second, int32_t third) {
    const int32_t numbers[] = {first, second, third};
    char text[16];
    print_name(name);
    for (int i = 0; i < 3 && numbers[i] >= 0; i++) {
        jl_format_int(text, sizeof text, numbers[i], 10, ' ');
        print(text);
    }
    print("\n");
}

void report_tenths(const char *name, int32_t first, int32_t second) {
    const int32_t numbers[] = {first, second};
    char text[24];
    print_name(name);
    for (int i = 0; i < 2; i++) {
        jl_format_fixed(text, sizeof text, numbers[i], 1);
        uint32_t length = 0;
        while (text[length]) {
            length++;
        }
        for (; length < 12; length++) {
            print(" ");
        }
        print(numbers[i] ? text : "  -");
    }
    print("\n");
}

void reset_handler(void);
void reset_handler(void) {
    const uint32_t *from = &data_load;
    for (uint32_t *to = &data_start; to < &data_end;) {
        *to++ = *from++;
    }
    for (uint32_t *to = &bss_start; to < &bss_end;) {
        *to++ = 0;
    }
    SYSTICK[1] = FULL;
    SYSTICK[0] = 5; /* on, at the core's clock */
    bench();
    semihosting(0x18, (const void *)0x20026); /* stopped as it should */
    for (;;) {
    }
}

__attribute__((section(".vectors"), used)) static const struct {
    const void *initial_stack;
    void (*reset)(void);
} vectors = {&stack_top, reset_handler};
