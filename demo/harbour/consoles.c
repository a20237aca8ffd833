/* The things with hands on them: what firmware does in its main loop, on a board. */
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "data_path.h"
#include "harbour_console.h"
#include "jadelamp/calibration.h"
#include "jadelamp/demo/harbour.h"
#include "jadelamp/host/file.h"
#include "jadelamp/host/hand_script.h"
#include "jadelamp/host/png.h"
#include "jadelamp/host/rig.h"
#include "jadelamp/host/sheet.h"
#include "jadelamp/light.h"
#include "lock_panel.h"

enum { WIDE = 500, LOOP_MS = 10, TICK_MS = 100, KNOB_US = 1000 };
#define PS_PER_MS ((uint64_t)1000000000)

/* A run: a rig, the hands, and the pictures of the film so far. */
struct run {
    struct jl_rig rig;
    struct jl_hand_script script;
    struct jl_picture photos[JL_HAND_MOST_LOOKS];
    size_t photo_count;
    struct jl_demo_console *result;
    jl_status status;
};

static uint32_t now_ms(const struct run *run) {
    return (uint32_t)(jl_board_now_ps(run->rig.board) / PS_PER_MS);
}

/* To the next turn of the loop, which begins every 10 ms unless the last one took longer. */
static void pass(struct run *run) {
    uint64_t now = jl_board_now_ps(run->rig.board), loop = LOOP_MS * PS_PER_MS;
    jl_board_wait_ps(run->rig.board, loop - now % loop);
}

static bool is_over(const struct run *run) {
    return run->status != JL_OK || jl_board_now_ps(run->rig.board) > run->script.end_ps + PS_PER_MS;
}

/* A picture of half the size, each pixel the mean of four: captions stay readable beside it. */
static bool halve(struct jl_picture *picture) {
    struct jl_picture half;
    if (!jl_picture_create(&half, picture->width / 2, picture->height / 2)) {
        return false;
    }
    for (int y = 0; y < half.height; y++) {
        for (int x = 0; x < half.width; x++) {
            const uint8_t *a = jl_picture_at(picture, 2 * x, 2 * y);
            const uint8_t *b = jl_picture_at(picture, 2 * x, 2 * y + 1);
            for (int i = 0; i < 3; i++) {
                half.rgb[3 * (y * half.width + x) + i] =
                    (uint8_t)((a[i] + a[i + 3] + b[i] + b[i + 3] + 2) / 4);
            }
        }
    }
    jl_picture_free(picture);
    *picture = half;
    return true;
}

/* Takes the pictures that are due. */
static bool take_photos(struct run *run) {
    while (run->photo_count < run->script.look_count &&
           run->script.looks[run->photo_count].at_ps <= jl_board_now_ps(run->rig.board)) {
        struct jl_picture *photo = &run->photos[run->photo_count];
        if (!jl_rig_photo(&run->rig, 2, photo)) {
            run->status = JL_TOO_SMALL;
            return false;
        }
        run->photo_count++;
        if (photo->width > WIDE && !halve(photo)) {
            run->status = JL_TOO_SMALL;
            return false;
        }
    }
    return true;
}

static void present(struct run *run) {
    struct jl_demo_console *result = run->result;
    struct jl_rgb_bus *rgb = run->rig.sim.rgb;
    uint64_t before = jl_rig_bus_bytes(&run->rig);
    run->status = jl_rig_present(&run->rig);
    result->presents++;
    result->bytes =
        rgb ? jl_rgb_byte_count(rgb) : result->bytes + jl_rig_bus_bytes(&run->rig) - before;
    result->scans = rgb ? jl_rgb_picture_count(rgb) : 0;
}

/* On the wires of the touch controller, whoever else is on them. */
static uint64_t touch_bytes(const struct run *run) {
    const struct jl_sim_port *port = &run->rig.touch_sim;
    return port->i2c ? jl_i2c_byte_count(port->i2c) : jl_stream_byte_count(port->stream);
}

/* ---- the harbour console: calibrated first ---- */

static void calibrate(struct run *run, struct jl_calibration *screen) {
    static const struct jl_text_style style = {
        .font = &jl_font_8x13, .ink = JL_WHITE, .paper = JL_BLACK};
    run->status = jl_calibration_begin(screen, &run->rig.touch, &style, 5);
    while (run->status == JL_OK &&
           jl_calibration_run(screen, &jl_rig_frame(&run->rig)->target, now_ms(run))) {
        run->status = jl_rig_present(&run->rig);
        take_photos(run);
        pass(run);
        if (is_over(run)) {
            run->status = JL_TIMEOUT;
        }
    }
    run->status = run->status == JL_OK ? screen->status : run->status;
    run->status =
        run->status == JL_OK ? jl_touch_use_map(&run->rig.touch, &screen->map) : run->status;
}

static void run_console(struct run *run) {
    static struct harbour_console console;
    static const struct jl_light_config light_config = {.way = &jl_light_pwm,
                                                        .full = 255,
                                                        .dim = 130,
                                                        .fade_ms = 400,
                                                        .dim_after_ms = 6000,
                                                        .off_after_ms = 12000};
    struct jl_gestures gestures = {.settings = &jl_gestures_usual};
    struct jl_calibration screen;
    struct jl_light light;
    struct jl_touch *touch = &run->rig.touch;
    run->status = jl_touch_wake(touch);
    run->status = run->status == JL_OK ? jl_panel_light(&run->rig.panel, true) : run->status;
    if (run->status == JL_OK) {
        calibrate(run, &screen);
    }
    run->status =
        run->status == JL_OK ? jl_light_open(&light, &light_config, &run->rig.panel) : run->status;
    harbour_console_begin(&console);
    uint32_t tick = now_ms(run);
    while (!is_over(run)) {
        struct jl_touch_point points[2];
        struct jl_event events[JL_GESTURE_EVENTS];
        uint8_t count;
        uint32_t now = now_ms(run);
        uint64_t before = touch_bytes(run);
        (void)jl_touch_read(touch, points, 2, &count); /* after an error nothing touches */
        run->result->touch_bytes += touch_bytes(run) - before;
        uint8_t happened = jl_gestures_feed(&gestures, points, count, now, events);
        for (uint8_t i = 0; i < happened; i++) {
            run->result->events++;
            if (jl_light_event(&light, &events[i], now)) {
                harbour_console_event(&console, &events[i]);
            }
        }
        for (; now - tick >= TICK_MS; tick += TICK_MS) {
            harbour_console_tick(&console);
        }
        if (harbour_console_redraw(&jl_rig_frame(&run->rig)->target, &console)) {
            present(run);
        }
        (void)jl_light_tick(&light, now); /* tries again */
        take_photos(run);
        pass(run);
    }
}

/* ---- the lock panel: a knob and two keys ---- */

static void feed_controls(struct run *run, struct jl_knob *knob, struct jl_key keys[2],
                          struct lock_panel *panel) {
    const struct jl_hand_step *steps = run->script.steps;
    size_t count = run->script.step_count;
    uint64_t end = jl_board_now_ps(run->rig.board);
    struct jl_event event;
    /* As a timer's interrupt would, a thousand times a second; a turn of the loop at once. */
    for (uint64_t at = end > LOOP_MS * PS_PER_MS ? end - LOOP_MS * PS_PER_MS : 0; at < end;
         at += KNOB_US * (PS_PER_MS / 1000)) {
        unsigned contacts = jl_hand_knob(steps, count, 0, at);
        if (jl_knob_feed(knob, contacts & 1, contacts & 2, &event)) {
            run->result->events++;
            lock_panel_event(panel, &event);
        }
    }
    for (int i = 0; i < 2; i++) {
        bool down = jl_hand_key(steps, count, keys[i].key, end);
        if (jl_key_feed(&keys[i], down, now_ms(run), &event)) {
            run->result->events++;
            lock_panel_event(panel, &event);
        }
    }
}

static void run_lock(struct run *run) {
    struct lock_panel panel;
    struct jl_knob knob = {.quarters = 4};
    struct jl_key keys[2] = {{.key = JL_KEY_OK}, {.key = JL_KEY_BACK}};
    uint32_t tick = now_ms(run);
    lock_panel_begin(&panel);
    while (!is_over(run)) {
        feed_controls(run, &knob, keys, &panel);
        for (; now_ms(run) - tick >= TICK_MS; tick += TICK_MS) {
            lock_panel_tick(&panel);
        }
        if (lock_panel_redraw(&jl_rig_frame(&run->rig)->target, &panel)) {
            present(run);
        }
        take_photos(run);
        pass(run);
    }
}

static const struct {
    const char *card, *script, *hands;
    void (*run)(struct run *run);
    int columns;
} kinds[JL_DEMO_CONSOLES] = {
    {"harbour-console", "console", "a finger", run_console, 3},
    {"lock-panel", "lock", "a knob and two keys", run_lock, 4},
};

static bool write_film(struct run *run, const char *directory, int kind,
                       struct jl_complaint *complaint) {
    const char *captions[JL_HAND_MOST_LOOKS];
    char path[1024];
    struct jl_picture sheet;
    for (size_t i = 0; i < run->photo_count; i++) {
        captions[i] = run->script.looks[i].caption;
    }
    if (run->photo_count == 0 || !jl_sheet_create(&sheet, run->photos, captions,
                                                  (int)run->photo_count, kinds[kind].columns)) {
        return jl_complain(complaint, "no film of %s: no memory, or no look in its script",
                           kinds[kind].card);
    }
    bool good =
        jl_directory_make(directory, complaint) &&
        jl_path_join(path, sizeof path, directory, kinds[kind].card, "-film.png", complaint) &&
        jl_png_write(path, &sheet, complaint);
    jl_picture_free(&sheet);
    return good;
}

static bool run_kind(struct run *run, const char *directory, int kind,
                     struct jl_complaint *complaint) {
    struct jl_demo_console *result = run->result;
    run->status = jl_rig_wake(&run->rig);
    if (run->rig.touch_device) {
        jl_touch_follow(run->rig.touch_device, run->script.steps, run->script.step_count);
    }
    if (run->status == JL_OK) {
        kinds[kind].run(run);
    }
    result->seconds = jl_rig_now_us(&run->rig) / 1e6;
    result->diagnostics = jl_board_diagnostic_total(run->rig.board);
    return run->status == JL_OK ? write_film(run, directory, kind, complaint)
                                : jl_complain(complaint, "the %s: %s", result->card.name,
                                              jl_status_text(run->status));
}

static bool show_console(const char *data, const char *directory, int kind,
                         struct jl_demo_console *result, struct jl_complaint *complaint) {
    char card[1024], script[1024];
    struct run *run = calloc(1, sizeof *run);
    *result = (struct jl_demo_console){.base = kinds[kind].card, .hands = kinds[kind].hands};
    bool good = run || jl_complain(complaint, "out of memory for the %s", kinds[kind].card);
    good =
        good && data_path(card, sizeof card, data, "cards", kinds[kind].card, ".card", complaint) &&
        data_path(script, sizeof script, data, "data", kinds[kind].script, ".hands", complaint) &&
        jl_card_read(card, &result->card, complaint) &&
        jl_hand_script_read(script, &run->script, complaint);
    if (good && jl_rig_open(&run->rig, &result->card, complaint)) {
        jl_hand_script_turn(&run->script, result->card.turn, result->card.width,
                            result->card.height);
        run->result = result;
        good = run_kind(run, directory, kind, complaint);
        jl_rig_close(&run->rig);
    } else {
        good = false;
    }
    for (size_t i = 0; run && i < run->photo_count; i++) {
        jl_picture_free(&run->photos[i]);
    }
    free(run);
    return good;
}

bool jl_demo_consoles(const char *data, const char *directory,
                      struct jl_demo_console consoles[JL_DEMO_CONSOLES],
                      struct jl_complaint *complaint) {
    bool good = true;
    for (int kind = 0; kind < JL_DEMO_CONSOLES && good; kind++) {
        good = show_console(data, directory, kind, &consoles[kind], complaint);
    }
    return good;
}
