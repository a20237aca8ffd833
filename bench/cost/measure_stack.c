/*
 * The deepest stack of an example, seen: the memory below is painted, the example runs with a port
 * that takes everything, and what is still painted was never used. Without interrupts, and without
 * the frames of a port of yours. Output and end are by semihosting, on ARM and on RISC-V.
 */
#include "example.h"
#include "jadelamp/format.h"

extern uint32_t stack_limit;

enum { PAINT = 0x5A, MARGIN = 128 };
enum { SYS_WRITE0 = 4, SYS_EXIT = 0x18, STOPPED = 0x20026 };

static void semihosting(uintptr_t call, const void *argument) {
#ifdef __riscv
    register uintptr_t a0 __asm__("a0") = call;
    register const void *a1 __asm__("a1") = argument;
    __asm__ volatile(".option push\n.option norvc\nslli x0, x0, 0x1f\nebreak\nsrai x0, x0, 7\n"
                     ".option pop"
                     : "+r"(a0)
                     : "r"(a1)
                     : "memory");
#else
    register uintptr_t r0 __asm__("r0") = call;
    register const void *r1 __asm__("r1") = argument;
    __asm__ volatile("bkpt 0xAB" : "+r"(r0) : "r"(r1) : "memory");
#endif
}

static jl_status take_all(void *context, const struct jl_transfer *transfer) {
    (void)context, (void)transfer;
    return JL_OK;
}

static void wait_us(void *context, uint32_t microseconds) {
    (void)context, (void)microseconds;
}

static void set_pin(void *context, enum jl_pin pin, bool high) {
    (void)context, (void)pin, (void)high;
}

/* BUSY: whatever is waited for comes with the next look. */
static bool get_pin(void *context, enum jl_pin pin) {
    static bool level;
    (void)context, (void)pin;
    level = !level;
    return level;
}

static const struct jl_port_ops ops = {
    .send = take_all, .wait_us = wait_us, .set_pin = set_pin, .get_pin = get_pin};
static const struct jl_port port = {.ops = &ops};

void measure(void);
void measure(void) {
    char text[16];
    volatile uint8_t here = 0;
    volatile uint8_t *bottom = (volatile uint8_t *)&stack_limit, *top = &here - MARGIN, *at;
    for (at = bottom; at < top; at++) {
        *at = PAINT;
    }
    jl_status status = example_run(&port);
    for (at = bottom; *at == PAINT && at < top; at++) {
    }
    jl_format_int(text, sizeof text, (int32_t)(&here - at), 0, ' ');
    semihosting(SYS_WRITE0, status == JL_OK ? text : jl_status_name(status));
    semihosting(SYS_WRITE0, "\n");
#ifdef __riscv
    static const uintptr_t stopped[] = {STOPPED, 0};
    semihosting(SYS_EXIT, stopped);
#else
    semihosting(SYS_EXIT, (const void *)(uintptr_t)STOPPED);
#endif
    for (;;) {
    }
}
