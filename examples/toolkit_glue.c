/*
 * Under a widget toolkit. Whatever its name, it wants four things: a flush of an area from one of
 * two buffers in the processor's order of 5-6-5, a call to it when the buffer is free again, where
 * the finger is, and the time. The glue is all between the lines; above it stands a toolkit of a
 * few lines, which draws a button, and redraws it when it is touched.
 */
#include "example.h"

enum { SIDE = 240, BUFFER_ROWS = 20 };

static const struct jl_panel_config tft = {.controller = &jl_gc9a01,
                                           .bus = &jl_bus_spi,
                                           .width = SIDE,
                                           .height = SIDE,
                                           .turn = JL_TURN_90,
                                           .module = JL_MODULE_IPS | JL_MODULE_BGR |
                                                     JL_MODULE_RESET_WIRED};
static const struct jl_touch_config glass = {
    .part = &jl_cst816, .width = SIDE, .height = SIDE, .i2c_address = 0x15, .reset_wired = true};

/* ---- the toolkit: two buffers, pieces of odd sizes, and what it is told ---- */

static uint16_t buffers[2][SIDE * BUFFER_ROWS];
static bool is_free[2] = {true, true};
static int next_buffer;
static bool pressed, stale = true;
static uint32_t clock_ms, pressed_ms;

static void glue_flush(struct jl_rect area, uint16_t *pixels);
static bool glue_finger(int16_t *x, int16_t *y);

static const struct jl_rect button = {71, 83, 101, 73};

static uint16_t color_at(int16_t x, int16_t y) {
    bool inside =
        x >= button.x && y >= button.y && x < button.x + button.w && y < button.y + button.h;
    return inside ? (pressed ? 0xFD20 : 0x2589) : (uint16_t)((y >> 3) << 11 | 12);
}

/* Draws an area, in pieces that fit a buffer. */
static void toolkit_redraw(struct jl_rect area) {
    int16_t rows = (int16_t)(BUFFER_ROWS * SIDE / area.w);
    for (int16_t y = 0; y < area.h; y = (int16_t)(y + rows)) {
        struct jl_rect piece = {area.x, (int16_t)(area.y + y), area.w,
                                (int16_t)(area.h - y < rows ? area.h - y : rows)};
        uint16_t *to = buffers[next_buffer];
        while (!is_free[next_buffer]) { /* the glue's ready call ends this */
        }
        for (int16_t row = 0; row < piece.h; row++) {
            for (int16_t x = 0; x < piece.w; x++) {
                *to++ = color_at((int16_t)(piece.x + x), (int16_t)(piece.y + row));
            }
        }
        is_free[next_buffer] = false;
        glue_flush(piece, buffers[next_buffer]);
        next_buffer ^= 1;
    }
}

static void toolkit_ready(const uint16_t *pixels) {
    is_free[pixels == buffers[1]] = true;
}

static void toolkit_run(uint32_t passed_ms) {
    int16_t x = 0, y = 0;
    clock_ms += passed_ms;
    bool now = glue_finger(&x, &y) && x >= button.x && y >= button.y && x < button.x + button.w &&
               y < button.y + button.h;
    if (stale) {
        toolkit_redraw((struct jl_rect){0, 0, SIDE, SIDE});
        stale = false;
    }
    if (now != pressed) {
        pressed = now;
        pressed_ms = clock_ms;
        toolkit_redraw(button);
    }
}

/* ---- the glue: all that a toolkit needs of the library ---- */

static struct jl_panel panel;
static struct jl_async async;
static struct jl_touch touch;
static const uint16_t *in_flight;

static void ready(void *context) {
    (void)context;
    if (in_flight) {
        toolkit_ready(in_flight);
        in_flight = NULL;
    }
}

/* The bytes change places where they are; then DMA takes them while the toolkit draws on. The one
 * before ends first, and says so. */
static void glue_flush(struct jl_rect area, uint16_t *pixels) {
    int32_t count = (int32_t)area.w * area.h;
    for (int32_t i = 0; i < count; i++) {
        pixels[i] = (uint16_t)(pixels[i] << 8 | pixels[i] >> 8);
    }
    jl_status status = jl_async_finish(&async);
    in_flight = pixels;
    status = status == JL_OK ? jl_async_send(&async, area, pixels, (uint16_t)(area.w * 2)) : status;
    if (status != JL_OK) { /* the toolkit goes on; wake the panel again where your program can */
        ready(NULL);
    }
}

static bool glue_finger(int16_t *x, int16_t *y) {
    struct jl_touch_point point;
    uint8_t count;
    jl_touch_read(&touch, &point, 1, &count);
    *x = count ? point.x : *x;
    *y = count ? point.y : *y;
    return count;
}

jl_status example_run(const struct jl_port *port) {
    jl_panel_open(&panel, &tft, port);
    jl_panel_wake(&panel);
    jl_status status = jl_async_init(&async, &panel, ready, NULL);
    status = status == JL_OK ? jl_touch_open(&touch, &glass, port) : status;
    status = status == JL_OK ? jl_touch_wake(&touch) : status;
    status = status == JL_OK ? jl_touch_turn(&touch, tft.turn) : status; /* as the panel */
    uint32_t last = port->ops->now_us(port->context) / 1000;
    for (int i = 0; i < 100 && status == JL_OK; i++) {
        uint32_t now = port->ops->now_us(port->context) / 1000;
        toolkit_run(now - last);
        last = now;
        if (in_flight) { /* the last piece, whose buffer nobody waits for */
            status = jl_async_finish(&async);
        }
        port->ops->wait_us(port->context, 10000);
    }
    return status != JL_OK ? status : jl_panel_status(&panel);
}
