/* A bundle for one panel alone opens that one, and no other; its frames have its format. */
#include <stdio.h>

#include "jadelamp.h"

static jl_status send(void *context, const struct jl_transfer *t) {
    (void)context, (void)t;
    return JL_OK;
}

static void wait_us(void *context, uint32_t microseconds) {
    (void)context, (void)microseconds;
}

static void paint(struct jl_target *target, struct jl_rect area, uint32_t ink) {
    (void)area, (void)ink;
    target->width = -1; /* nobody comes here */
}

static int wrong;

static void expect(bool good, const char *what) {
    wrong += !good;
    if (!good) {
        printf("lone.c: %s\n", what);
    }
}

int main(void) {
    static const struct jl_port_ops ops = {.send = send, .wait_us = wait_us};
    static const struct jl_port port = {.ops = &ops};
    static const struct jl_format other = {.bits_per_pixel = 1, .planes = 1, .column_bits = 1};
    static const struct jl_target_ops own = {.fill = paint};
    static uint8_t pixels[1024];
    struct jl_panel panel;
    struct jl_frame frame;
    struct jl_target target;
    const struct jl_panel_config copy = ssd1306_128x64_i2c;
    expect(jl_panel_open(&panel, &copy, &port) == JL_BAD_ARGUMENT,
           "another description is refused");
    expect(jl_panel_open(&panel, NULL, &port) == JL_BAD_ARGUMENT, "and so is none");
    expect(jl_panel_wake(&panel) == JL_NOT_AWAKE, "then the panel stays unusable");
    expect(jl_panel_open(NULL, &ssd1306_128x64_i2c, &port) == JL_BAD_ARGUMENT, "no panel");
    expect(jl_panel_open(&panel, &ssd1306_128x64_i2c, NULL) == JL_BAD_ARGUMENT, "no port");
    expect(jl_panel_open(&panel, &ssd1306_128x64_i2c, &port) == JL_OK, "the right one is opened");
    expect(jl_panel_wake(&panel) == JL_OK, "and woken");
    expect(jl_frame_init(&frame, &other, 8, 8, pixels, sizeof pixels) == JL_BAD_ARGUMENT,
           "a frame of another format is refused");
    jl_fill_rect(&frame.target, (struct jl_rect){0, 0, 8, 8}, JL_WHITE);
    expect(pixels[0] == 0, "and nothing is drawn on it");
    expect(jl_panel_frame(&panel, &frame, pixels, 1023) == JL_TOO_SMALL, "a byte is missing");
    expect(jl_panel_frame(&panel, &frame, pixels, sizeof pixels) == JL_OK, "a frame of the panel");
    jl_fill_rect(&frame.target, (struct jl_rect){0, 0, 8, 8}, JL_WHITE);
    expect(pixels[7] == 0xFF && pixels[8] == 0, "is drawn on");
    jl_target_init(&target, &own, 8, 8);
    jl_fill_rect(&target, (struct jl_rect){0, 0, 8, 8}, JL_WHITE);
    expect(target.width == 8, "a target of the program's own is empty");
    return wrong != 0;
}
