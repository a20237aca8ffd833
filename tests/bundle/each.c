/*
 * A bundle of one card: wakes the panel, draws, presents, goes on in bands, and changes settings;
 * all that goes out is printed. The same with --lone must print the same. PANEL is the constant of
 * the description, CELLS is defined for character modules.
 */
#include <stdio.h>

#include "jadelamp.h"

static jl_status send(void *context, const struct jl_transfer *t) {
    (void)context;
    printf("send %d+%d: ", (int)t->head_bytes, (int)t->body_bytes);
    fwrite(t->head, 1, t->head_bytes, stdout);
    fwrite(t->body, 1, t->body_bytes, stdout);
    return JL_OK;
}

static void wait_us(void *context, uint32_t microseconds) {
    (void)context;
    printf("wait %u ", (unsigned)microseconds);
}

static void set_pin(void *context, enum jl_pin pin, bool high) {
    (void)context;
    printf("pin %d %d ", (int)pin, high);
}

static bool get_pin(void *context, enum jl_pin pin) {
    static bool level; /* what is waited for comes with the next look */
    (void)context, (void)pin;
    level = !level;
    return level;
}

static jl_status receive(void *context, const struct jl_transfer *t, uint8_t *bytes, size_t count) {
    (void)context, (void)t;
    for (size_t i = 0; i < count; i++) {
        bytes[i] = 0x03; /* ready, for parts that are asked */
    }
    return JL_OK;
}

static const struct jl_port_ops ops = {
    .send = send, .wait_us = wait_us, .set_pin = set_pin, .get_pin = get_pin, .receive = receive};
static const struct jl_port port = {.ops = &ops};

static void say(const char *what, jl_status status) {
    printf("%s %d ", what, (int)status);
}

#ifdef CELLS
static void run(void) {
    static uint8_t cells[400];
    struct jl_char_panel panel;
    say("open", jl_char_open(&panel, &PANEL, &port));
    say("wake", jl_char_wake(&panel));
    say("put", jl_char_put(&panel, 0, 0, "Heron Quay, the upper gate is open until evening"));
    say("buffer", jl_char_buffer(&panel, cells, sizeof cells));
    say("wake", jl_char_wake(&panel));
    say("put", jl_char_put(&panel, 1, 0, "Quay"));
    say("present", jl_char_present(&panel));
    say("in all", jl_char_status(&panel));
}
#else
static void run(void) {
    static uint8_t pixels[800 * 480 * 2], memory[4000];
    static const struct jl_text_style style = {
        .font = &jl_font_8x13, .ink = JL_WHITE, .paper = JL_BLACK};
    struct jl_panel panel;
    struct jl_frame frame;
    struct jl_bands bands;
    say("open", jl_panel_open(&panel, &PANEL, &port));
    say("wake", jl_panel_wake(&panel));
    say("frame", jl_panel_frame(&panel, &frame, pixels, sizeof pixels));
    jl_text(&frame.target, 3, 5, "Heron", &style);
    jl_fill_circle(&frame.target, 20, 15, 9, JL_WHITE);
    say("present", jl_panel_present(&panel, &frame));
    say("bands", jl_bands_begin(&bands, &panel, memory, sizeof memory));
    while (jl_bands_next(&bands)) {
        jl_text(&bands.frame.target, 1, 9, "Quay", &style);
    }
    say("bands", jl_bands_end(&bands));
    say("contrast", jl_panel_contrast(&panel, 77));
    say("turn", jl_panel_turn(&panel, JL_TURN_180));
    say("invert", jl_panel_invert(&panel, true));
    say("sleep", jl_panel_sleep(&panel));
    say("resume", jl_panel_resume(&panel));
    say("in all", jl_panel_status(&panel));
}
#endif

int main(void) {
    run();
    return fflush(stdout) == 0 ? 0 : 1;
}
