/*
 * A program for the window, built in several ways: it shows how often the key ok went down and
 * where the knob stands, keeps both, and is told by WAY what to do with the key.
 */
#include <jadelamp/jadelamp.h>
#include <stdlib.h>

#define WAY_COUNTS  0
#define WAY_REBUILT 1 /* the same, with a mark of its own */
#define WAY_CRASHES 2
#define WAY_HANGS   3
#define WAY_FAILS   4
#define WAY_EXITS   5
#define WAY_BIGGER  6 /* keeps more than the others */

struct kept {
    int presses, detents;
#if WAY == WAY_BIGGER
    int more;
#endif
};

/* As struct jl_program_kept of jadelamp/host/window.h, which firmware does not include. */
struct program_kept {
    void *memory;
    size_t bytes;
};

jl_status jadelamp_program(const struct jl_port *port);
extern struct program_kept jadelamp_kept;

static struct kept kept;
struct program_kept jadelamp_kept = {&kept, sizeof kept};

static void react(void) {
#if WAY == WAY_CRASHES
    abort();
#elif WAY == WAY_HANGS
    for (volatile unsigned i = 0;; i++) { /* with a sign it would end by overflow */
    }
#elif WAY == WAY_EXITS
    exit(3);
#endif
}

static uint8_t pixels[JL_MONO_COLUMNS_BYTES(128, 32)];

static void draw(struct jl_target *target) {
    jl_clear(target, JL_BLACK);
    jl_fill_rect(target, (struct jl_rect){0, 0, (int16_t)(kept.presses * 4), 8}, JL_WHITE);
    jl_fill_rect(target, (struct jl_rect){64, 8, (int16_t)(kept.detents * 4), 8}, JL_WHITE);
#if WAY == WAY_REBUILT
    jl_fill_rect(target, (struct jl_rect){120, 24, 8, 8}, JL_WHITE);
#endif
}

static bool pin(const struct jl_port *port, enum jl_pin which) {
    return port->ops->get_pin(port->context, which);
}

jl_status jadelamp_program(const struct jl_port *port) {
    static const struct jl_panel_config oled = {.controller = &jl_ssd1306,
                                                .bus = &jl_bus_i2c,
                                                .width = 128,
                                                .height = 32,
                                                .i2c_address = 0x3C};
    struct jl_panel panel;
    struct jl_frame frame;
    struct jl_key ok = {.key = JL_KEY_OK};
    struct jl_knob knob = {.quarters = 4};
    struct jl_event event;
    jl_panel_open(&panel, &oled, port);
    jl_panel_wake(&panel);
    jl_panel_frame(&panel, &frame, pixels, sizeof pixels);
    draw(&frame.target);
    jl_panel_present(&panel, &frame);
#if WAY == WAY_FAILS
    return JL_TIMEOUT;
#endif
    while (jl_panel_status(&panel) == JL_OK) {
        uint32_t now_ms = port->ops->now_us(port->context) / 1000;
        bool changed = false;
        if (jl_key_feed(&ok, !pin(port, JL_PIN_KEY_OK), now_ms, &event) &&
            event.kind == JL_EVENT_KEY && event.dx == 0) {
            kept.presses++;
            react();
            changed = true;
        }
        if (jl_knob_feed(&knob, pin(port, JL_PIN_KNOB_A), pin(port, JL_PIN_KNOB_B), &event)) {
            kept.detents += event.dx;
            changed = true;
        }
        if (changed) {
            draw(&frame.target);
            jl_panel_present(&panel, &frame);
        }
        port->ops->wait_us(port->context, 500);
    }
    return jl_panel_status(&panel);
}
