/* Touch, light and instruments on processors of 16-bit and 32-bit int: numbers that must agree. */
#include "cases.h"

#include "jadelamp/jadelamp.h"

enum { W = 128, H = 64 };

static uint8_t pixels[JL_MONO_COLUMNS_BYTES(W, H)];
static uint32_t noise_state = 1;

static int16_t noise(int16_t least, int16_t most) {
    noise_state = noise_state * 1664525u + 1013904223u;
    return (int16_t)(least +
                     (int32_t)((noise_state >> 16) % (uint32_t)((int32_t)most - least + 1)));
}

static void emit_number(int32_t value) {
    const uint8_t bytes[4] = {(uint8_t)value, (uint8_t)(value >> 8), (uint8_t)(value >> 16),
                              (uint8_t)(value >> 24)};
    emit(bytes, sizeof bytes);
}

static void calibrations(void) {
    for (uint8_t run = 0; run < 40; run++) {
        struct jl_touch_pair pairs[5];
        struct jl_touch_map map = {0};
        struct jl_touch_residuals off = {0, 0};
        uint8_t count = run & 1 ? 5 : 3;
        for (uint8_t i = 0; i < count; i++) {
            int16_t x = (int16_t)(i % 2 * 700 + noise(0, 90)),
                    y = (int16_t)(i * 150 + noise(0, 60));
            pairs[i] = (struct jl_touch_pair){(int16_t)(200 + x * 4 + noise(-9, 9)),
                                              (int16_t)(3900 - y * 4 + noise(-9, 9)), x, y};
        }
        emit_number((int32_t)jl_touch_calibrate(pairs, count, &map, &off));
        const int32_t numbers[] = {map.xx, map.xy,    map.x0,   map.yx,  map.yy,
                                   map.y0, map.check, off.mean, off.most};
        for (size_t i = 0; i < sizeof numbers / sizeof numbers[0]; i++) {
            emit_number(numbers[i]);
        }
        int16_t x = noise(0, 4095), y = noise(0, 4095);
        struct jl_point at = jl_touch_map_apply(&map, x, y);
        emit_number(at.x);
        emit_number(at.y);
    }
}

static void gestures(void) {
    struct jl_gestures fingers = {.settings = &jl_gestures_usual};
    struct jl_touch_point points[2] = {{0, 0, 0, 0}, {300, 200, 1, 0}};
    uint32_t now = 4294966000u; /* wraps on the way */
    for (int16_t i = 0; i < 1500; i++) {
        struct jl_event events[JL_GESTURE_EVENTS];
        points[0].x = (int16_t)(points[0].x + noise(-9, 9) * (i / 40 % 3));
        points[0].y = i / 40 % 5 == 4 ? noise(-900, 900) : points[0].y;
        uint8_t down = (uint8_t)(i / 12 % 3 != 2 ? 1 + (i / 50 % 2) : 0);
        now += (uint16_t)noise(3, 25);
        uint8_t n = jl_gestures_feed(&fingers, points, down, now, events);
        for (uint8_t k = 0; k < n; k++) {
            emit_number(events[k].kind * 256 + events[k].which);
            emit_number(events[k].x);
            emit_number(events[k].y);
            emit_number(events[k].dx);
            emit_number(events[k].dy);
        }
    }
}

static jl_status send(void *context, const struct jl_transfer *t) {
    (void)context;
    (void)t;
    return JL_OK;
}

static void wait_us(void *context, uint32_t us) {
    (void)context;
    (void)us;
}

static void set_duty(void *context, enum jl_pin pin, uint16_t duty) {
    (void)context;
    emit_number((int32_t)pin);
    emit_number(duty);
}

static void lights(void) {
    static const struct jl_port_ops ops = {.send = send, .wait_us = wait_us, .set_duty = set_duty};
    static const struct jl_port port = {.ops = &ops};
    static const struct jl_panel_config config = {.controller = &jl_ssd1306,
                                                  .width = 128,
                                                  .height = 64,
                                                  .bus = &jl_bus_i2c,
                                                  .i2c_address = 60};
    static const struct jl_light_config light_config = {.way = &jl_light_pwm,
                                                        .full = 255,
                                                        .dim = 90,
                                                        .fade_ms = 40000,
                                                        .dim_after_ms = 90000,
                                                        .off_after_ms = 300000};
    struct jl_panel panel;
    struct jl_light light;
    emit_number((int32_t)jl_panel_open(&panel, &config, &port));
    emit_number((int32_t)jl_light_open(&light, &light_config, &panel));
    for (uint32_t ms = 0; ms < 500000; ms += 150) {
        (void)jl_light_tick(&light, ms + 4294900000u);
    }
}

void run_touch(void) {
    calibrations();
    gestures();
    lights();
    emit(END_MARK, sizeof END_MARK - 1);
}

/* One of each, on 128x64; its values and events at random. */
static const struct jl_zone zones[] = {
    {-100000, JL_GRADE_ALARM}, {500000, JL_GRADE_GOOD}, {2000000000, JL_GRADE_WARN}};
#define SCALE                                                                                      \
    { -2000000000, 2000000000, zones, 3 }
/* One font: constants lie in RAM there. */
static const struct jl_theme theme = {.ink = JL_WHITE,
                                      .line = JL_WHITE,
                                      .accent = JL_WHITE,
                                      .good = JL_WHITE,
                                      .warn = JL_WHITE,
                                      .alarm = JL_WHITE,
                                      .font = &jl_font_6x8,
                                      .large = &jl_font_6x8};
#define THEME (&theme)
#define BOX                                                                                        \
    { 3, 2, 121, 60 }

static const char *const items[] = {"Tide",  "Wind",   "Upper gate", "Lower gate", "Lamps",
                                    "About", "Barges", "Notices",    "Locks"};

static int32_t value(void) {
    int32_t high = noise(-32768, 32767), low = noise(0, 32767);
    return noise(0, 3) ? high * 65536 + low : low % 100;
}

static struct jl_event event(void) {
    struct jl_event e = {0};
    e.kind = (uint8_t)noise(JL_EVENT_PRESS, JL_EVENT_KEY_UP);
    e.which = (uint8_t)noise(0, 3);
    e.x = noise(0, 130);
    e.y = noise(0, 66);
    e.dx = noise(-2, 2);
    e.dy = noise(-20, 20);
    return e;
}

#define EACH(name, face_text, state, change)                                                       \
    {                                                                                              \
        static const struct jl_##name##_face face = face_text;                                     \
        struct jl_##name it = state;                                                               \
        for (uint8_t i = 0; i < 6; i++) {                                                          \
            struct jl_event e = event();                                                           \
            (void)e;                                                                               \
            jl_##name##_redraw(&frame->target, &it);                                               \
            emit(pixels, sizeof pixels);                                                           \
            change;                                                                                \
        }                                                                                          \
    }
#define LIST(...)                                                                                  \
    { __VA_ARGS__ }

static void shows(struct jl_frame *frame) {
    static struct jl_chart_column columns[119];
    EACH(bar, LIST(BOX, THEME, SCALE, 5), LIST(.face = &face), it.value = value())
    EACH(level, LIST(BOX, THEME, SCALE, 20), LIST(.face = &face), jl_level_set(&it, value()))
    EACH(dial,
         LIST(.box = BOX, .theme = THEME, .scale = SCALE, .start = JL_DEGREES(225),
              .sweep = JL_SWEEP(270), .major = 4, .minor = 5, .label = "kn"),
         LIST(.face = &face), it.value = value())
    EACH(digits, LIST(BOX, THEME, 10, 3), LIST(.face = &face), it.value = value())
    EACH(number, LIST(BOX, THEME, "Tide", "m", 5, true, NULL), LIST(.face = &face),
         it.value = value())
    EACH(progress, LIST(BOX, THEME), LIST(.face = &face, .all = 2000000000),
         it.done = value() & 0x6FFFFFFF)
    EACH(
        chart, LIST(BOX, THEME, LIST(-30000, 30000, NULL, 0), 4, 2, true, 3, true, 1),
        LIST(.face = &face, .columns = columns, .room = 119),
        for (uint8_t k = 0; k < 40; k++) { jl_chart_add(&it, noise(-32768, 32767)); })
}

static void takes(struct jl_frame *frame) {
    EACH(lamp, LIST(BOX, THEME, "Pump", JL_GRADE_WARN), LIST(.face = &face), it.on = i & 1)
    EACH(button, LIST(BOX, THEME, "Open"), LIST(.face = &face), jl_button_event(&it, &e))
    EACH(check, LIST(BOX, THEME, "Lit"), LIST(.face = &face), jl_check_event(&it, &e))
    EACH(slider, LIST(BOX, THEME, SCALE, 70000), LIST(.face = &face, .focused = true),
         jl_slider_event(&it, &e))
    EACH(stepper, LIST(BOX, THEME, SCALE, 7000000, 3, "cm"), LIST(.face = &face, .focused = true),
         jl_stepper_event(&it, &e))
    EACH(list, LIST(BOX, THEME), LIST(.face = &face, .items = items, .count = 9),
         jl_list_event(&it, &e))
    EACH(pages, LIST(BOX, THEME, items, 3, BOX), LIST(.face = &face, .focused = true),
         jl_pages_event(&it, &e))
    EACH(message, LIST(BOX, THEME, "Gate", "Close it?", {"Yes", "No", NULL}, 1),
         LIST(.face = &face), jl_message_event(&it, &e))
}

static void run(void (*cases)(struct jl_frame *frame)) {
    struct jl_frame frame;
    if (jl_frame_init(&frame, &jl_mono_columns, W, H, pixels, sizeof pixels) == JL_OK) {
        cases(&frame);
    }
    emit(END_MARK, sizeof END_MARK - 1);
}

void run_instruments(void) {
    run(shows);
}

void run_controls(void) {
    run(takes);
}
