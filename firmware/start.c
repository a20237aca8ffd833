/* The least a Cortex-M needs to run an example with the template port: for measuring size. */
#include "example.h"
#include "template_port.h"

extern uint32_t stack_top, data_load, data_start, data_end, bss_start, bss_end;

/* Made-up addresses: the program is linked and measured, not flashed. */
#ifdef ON_PINS
static struct template_pins hardware = {
    .microseconds = (volatile uint32_t *)0x40001024,
    .outputs = (volatile uint32_t *)0x50000014,
    .bits = {[JL_PIN_DC] = 1,
             [JL_PIN_E] = 2,
             [JL_PIN_D4] = 16,
             [JL_PIN_D5] = 32,
             [JL_PIN_D6] = 64,
             [JL_PIN_D7] = 128},
};
static const struct jl_port port = {.ops = &template_pins_ops, .context = &hardware};
#else
static struct template_hardware hardware = {
    .bus = (volatile struct template_registers *)0x40005400,
    .microseconds = (volatile uint32_t *)0x40001024,
    .outputs = (volatile uint32_t *)0x50000014,
    .reset_bit = 1,
    .dc_bit = 2,
    .cs_bit = 4,
#ifdef ON_SPI
    .inputs = (volatile uint32_t *)0x50000010,
    .busy_bit = 8,
#endif
};
#ifdef ON_SPI
static const struct jl_port port = {.ops = &template_spi_ops, .context = &hardware};
#else
static const struct jl_port port = {.ops = &template_i2c_ops, .context = &hardware};
#endif
#endif

void reset_handler(void);
void reset_handler(void) {
    const uint32_t *from = &data_load;
    for (uint32_t *to = &data_start; to < &data_end;) {
        *to++ = *from++;
    }
    for (uint32_t *to = &bss_start; to < &bss_end;) {
        *to++ = 0;
    }
    volatile jl_status status = example_run(&port);
    for (;;) {
        (void)status; /* kept for the debugger */
    }
}

/* The first two entries of the vector table (ARMv6-M reference manual, B1.5.3). */
__attribute__((section(".vectors"), used)) static const struct {
    const void *initial_stack;
    void (*reset)(void);
} vectors = {&stack_top, reset_handler};
