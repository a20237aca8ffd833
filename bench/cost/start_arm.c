/* Start on an emulated Cortex-M board. */
#include <stdint.h>

extern uint32_t stack_top, data_load, data_start, data_end, bss_start, bss_end;
void measure(void);

void reset_handler(void);
void reset_handler(void) {
    const uint32_t *from = &data_load;
    for (uint32_t *to = &data_start; to < &data_end;) {
        *to++ = *from++;
    }
    for (uint32_t *to = &bss_start; to < &bss_end;) {
        *to++ = 0;
    }
    measure();
}

__attribute__((section(".vectors"), used)) static const struct {
    const void *initial_stack;
    void (*reset)(void);
} vectors = {&stack_top, reset_handler};
