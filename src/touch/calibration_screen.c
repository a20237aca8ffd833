/* The screen on which the crosses are touched. */
#include "jadelamp/calibration.h"

#include "jadelamp/draw.h"
#include "touch.h"

enum { STEADY_MS = 100, LIFT_MS = 100, MOST_APART = 48, MOST_ROUNDS = 3, ARM = 9 };
/* In 1/16 of a pixel. Of five places none is off by more than twice the mean then. */
enum { MOST_MEAN = 3 * 16 };

jl_status jl_calibration_begin(struct jl_calibration *screen, struct jl_touch *touch,
                               const struct jl_text_style *style, uint8_t places) {
    if (!screen) {
        return JL_BAD_ARGUMENT;
    }
    *screen = (struct jl_calibration){.touch = touch, .style = style, .places = places};
    if (!touch || !touch->config || !style || (places != 3 && places != 5)) {
        screen->status = JL_BAD_ARGUMENT;
    }
    return screen->status;
}

/* A tenth from the edges; three of them so that no two share a row or a column. */
static struct jl_point place(const struct jl_calibration *screen, const struct jl_target *target,
                             uint8_t index) {
    static const uint8_t of_three[][2] = {{1, 1}, {9, 5}, {5, 9}};
    static const uint8_t of_five[][2] = {{1, 1}, {9, 1}, {9, 9}, {1, 9}, {5, 5}};
    const uint8_t *tenths = screen->places == 3 ? of_three[index] : of_five[index];
    return (struct jl_point){(int16_t)((int32_t)target->width * tenths[0] / 10),
                             (int16_t)((int32_t)target->height * tenths[1] / 10)};
}

static void draw_cross(struct jl_target *target, struct jl_point at, jl_color color) {
    jl_fill_rect(target, (struct jl_rect){(int16_t)(at.x - ARM), at.y, 2 * ARM + 1, 1}, color);
    jl_fill_rect(target, (struct jl_rect){at.x, (int16_t)(at.y - ARM), 1, 2 * ARM + 1}, color);
}

/* All of it at first; then the text, and one cross instead of another. */
static void draw(struct jl_calibration *screen, struct jl_target *target) {
    const struct jl_text_style *style = screen->style;
    char text[] = "Touch the cross: 1 of 5";
    text[sizeof text - 7] = (char)('1' + screen->done);
    text[sizeof text - 2] = (char)('0' + screen->places);
    if (screen->cleared) {
        uint8_t last = screen->done ? screen->done : screen->places;
        draw_cross(target, place(screen, target, (uint8_t)(last - 1)), style->paper);
    } else {
        jl_clear(target, style->paper);
        screen->cleared = true;
    }
    /* Not in the middle, where the last of five crosses is. */
    jl_text_box(target,
                (struct jl_rect){ARM, (int16_t)(target->height / 5),
                                 (int16_t)(target->width - 2 * ARM), (int16_t)(target->height / 5)},
                JL_TEXT_WRAP | JL_ANCHOR_CENTRE | JL_ANCHOR_MIDDLE, text, style);
    draw_cross(target, place(screen, target, screen->done), style->ink);
    screen->drawn = true;
}

static bool is_near(const struct jl_touch_pair *pair, struct jl_point raw) {
    int16_t dx = (int16_t)(raw.x - pair->raw_x), dy = (int16_t)(raw.y - pair->raw_y);
    return dx <= MOST_APART && dx >= -MOST_APART && dy <= MOST_APART && dy >= -MOST_APART;
}

/* All crosses were touched. */
static void finish(struct jl_calibration *screen) {
    screen->status =
        jl_touch_calibrate(screen->pairs, screen->places, &screen->map, &screen->residuals);
    if (screen->status == JL_OK && screen->residuals.mean > MOST_MEAN) {
        screen->status = JL_OUT_OF_RANGE;
    }
    if (screen->status != JL_OK && ++screen->rounds < MOST_ROUNDS) {
        screen->status = JL_OK;
        screen->done = 0;
    }
}

/* A finger is at `raw`: takes the cross once it has stayed. */
static void take(struct jl_calibration *screen, const struct jl_target *target, struct jl_point raw,
                 uint32_t now_ms) {
    struct jl_touch_pair *pair = &screen->pairs[screen->done];
    if (!screen->steady || !is_near(pair, raw)) {
        screen->steady = 1;
        screen->seen_ms = now_ms;
        pair->raw_x = raw.x;
        pair->raw_y = raw.y;
        return;
    }
    if (now_ms - screen->seen_ms < STEADY_MS) {
        return;
    }
    struct jl_point at =
        jl_touch_glass_of_picture(screen->touch, place(screen, target, screen->done));
    pair->x = at.x;
    pair->y = at.y;
    screen->steady = 0;
    screen->wait_for_lift = true;
    screen->drawn = false;
    screen->done++;
}

bool jl_calibration_run(struct jl_calibration *screen, struct jl_target *target, uint32_t now_ms) {
    if (screen->status != JL_OK || (screen->done == screen->places && !screen->wait_for_lift)) {
        return false;
    }
    struct jl_point raw = {0, 0};
    bool touching = false;
    (void)jl_touch_read_raw(screen->touch, &raw, &touching); /* no touch after an error */
    if (screen->wait_for_lift) {
        if (touching) {
            screen->seen_ms = now_ms;
        } else if (now_ms - screen->seen_ms >= LIFT_MS) {
            screen->wait_for_lift = false;
            if (screen->done == screen->places) {
                finish(screen);
            }
        }
    } else if (touching) {
        take(screen, target, raw, now_ms);
    } else {
        screen->steady = 0;
    }
    bool asks = screen->status == JL_OK && screen->done < screen->places;
    if (asks && !screen->drawn) {
        draw(screen, target);
    }
    return asks || screen->wait_for_lift;
}
