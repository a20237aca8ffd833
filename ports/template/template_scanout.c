/*
 * What a port adds for glass that is scanned out, on a made-up display peripheral whose registers
 * take effect at the next vertical sync. Its timings are set once, before: jadelamp light CARD
 * prints them in the forms that peripherals want.
 */
#include "template_port.h"

/* Yours: the bits of your display peripheral, and the lines of your data cache. */
#define DISPLAY_RELOAD 0x01u /* written: at the next sync; read: it has not come yet */
#define DISPLAY_TWO    0x02u /* goes from one address to the other by itself, with an interrupt */
#define CACHE_LINE     32u

static void show(void *context, const void *pixels) {
    struct template_display_hardware *hw = context;
    hw->display->address = (uint32_t)(uintptr_t)pixels;
    hw->display->control = DISPLAY_RELOAD;
}

static bool is_shown(void *context) {
    struct template_display_hardware *hw = context;
    return !(hw->display->control & DISPLAY_RELOAD);
}

/* Only where there is a data cache, and frames lie in memory that it caches. */
static void clean(void *context, const void *from, size_t bytes) {
    struct template_display_hardware *hw = context;
    uintptr_t line = (uintptr_t)from & ~(uintptr_t)(CACHE_LINE - 1);
    for (; line < (uintptr_t)from + bytes; line += CACHE_LINE) {
        *hw->cache_clean = (uint32_t)line;
    }
}

static void palette(void *context, const jl_color *colors) {
    struct template_display_hardware *hw = context;
    for (uint32_t i = 0; i < 256; i++) {
        hw->display->color = i << 24 | (uint32_t)jl_color_red(colors[i]) << 16 |
                             (uint32_t)jl_color_green(colors[i]) << 8 | jl_color_blue(colors[i]);
    }
}

static void lines(void *context, struct jl_scanout_lines *of) {
    struct template_display_hardware *hw = context;
    hw->lines = of;
    hw->display->address = (uint32_t)(uintptr_t)of->buffers[0];
    hw->display->other_address = (uint32_t)(uintptr_t)of->buffers[1];
    hw->display->bytes = (uint32_t)of->buffer_bytes;
    hw->display->control = DISPLAY_RELOAD | DISPLAY_TWO;
}

/* Call it from the interrupt that says that a line buffer is through. */
void template_line_buffer_through(struct template_display_hardware *hw) {
    jl_scanout_refill(hw->lines);
}

static const struct jl_scanout_ops scanout = {
    .show = show, .is_shown = is_shown, .clean = clean, .palette = palette, .lines = lines};

const struct jl_port_ops template_display_ops = {.send = template_spi_send,
                                                 .wait_us = template_wait_us,
                                                 .set_pin = template_set_pin,
                                                 .scanout = &scanout};
