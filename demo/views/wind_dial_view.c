/* Plain firmware code: ring sectors, ticks, a pointer polygon and text, all by direction. */
#include "wind_dial.h"

#include "jadelamp/format.h"
#include "jadelamp/shapes.h"
#include "jadelamp/text.h"

struct dial {
    struct jl_target *target;
    int16_t x, y, radius;
};

/* A point in a direction, at so many per cent of the radius. */
static struct jl_point at(const struct dial *dial, jl_direction direction, int32_t percent) {
    int32_t distance = dial->radius * percent;
    return (struct jl_point){(int16_t)(dial->x + distance * jl_sine(direction) / (100 * 16384)),
                             (int16_t)(dial->y - distance * jl_cosine(direction) / (100 * 16384))};
}

static void ticks(const struct dial *dial) {
    for (uint32_t degrees = 0; degrees < 360; degrees += 15) {
        jl_direction direction = JL_DEGREES(degrees);
        bool main = degrees % 90 == 0;
        jl_draw_wide_line(dial->target, at(dial, direction, main ? 82 : 87),
                          at(dial, direction, 93), main ? 3 : 1, JL_SILVER);
    }
}

static void letters(const struct dial *dial) {
    static const char *const names[] = {"N", "E", "S", "W"};
    static const struct jl_text_style small = {
        .font = &jl_font_6x8, .ink = JL_WHITE, .paper = JL_CLEAR};
    static const struct jl_text_style large = {
        .font = &jl_font_8x13, .ink = JL_WHITE, .paper = JL_CLEAR};
    for (uint32_t i = 0; i < 4; i++) {
        struct jl_point p = at(dial, (jl_direction)(i * 16384), 72);
        jl_text_at(dial->target, p.x, p.y, JL_ANCHOR_CENTRE | JL_ANCHOR_MIDDLE, names[i],
                   dial->radius < 80 ? &small : &large);
    }
}

static void pointer(const struct dial *dial, jl_direction from) {
    struct jl_point arrow[] = {at(dial, from, 62), at(dial, (jl_direction)(from + 29000), 36),
                               at(dial, (jl_direction)(from + 32768), 22),
                               at(dial, (jl_direction)(from + 36536), 36)};
    jl_fill_polygon(dial->target, arrow, 4, JL_ORANGE);
    jl_stroke_polygon(dial->target, arrow, 4, JL_WHITE);
}

static void speed(const struct dial *dial, int16_t knots) {
    static const struct jl_text_style style = {
        .font = &jl_font_8x13, .ink = JL_WHITE, .paper = JL_CLEAR};
    char text[JL_FORMAT_BYTES];
    struct jl_rect box = {(int16_t)(dial->x - 26), (int16_t)(dial->y + dial->radius * 28 / 100), 52,
                          17};
    size_t n = jl_format_int(text, sizeof text, knots, 0, ' ');
    text[n++] = ' ';
    text[n++] = 'k';
    text[n++] = 'n';
    text[n] = '\0';
    jl_fill_rounded(dial->target, box, 5, JL_NAVY);
    jl_stroke_rounded(dial->target, box, 5, JL_AQUA);
    jl_text_at(dial->target, dial->x, (int16_t)(box.y + 8), JL_ANCHOR_CENTRE | JL_ANCHOR_MIDDLE,
               text, &style);
}

void wind_dial_draw(struct jl_target *target, int16_t x, int16_t y, int16_t radius,
                    const struct wind_reading *reading) {
    const struct dial dial = {target, x, y, radius};
    jl_direction wind = JL_DEGREES((uint32_t)reading->degrees);
    jl_fill_circle(target, x, y, radius, JL_RGB(10, 30, 48));
    jl_fill_ring(target, x, y, radius, (int16_t)(radius - radius / 20), 0, JL_SWEEP(360), JL_TEAL);
    /* Gusts veer: the sector that the wind moves in. */
    jl_fill_ring(target, x, y, radius, (int16_t)(radius - radius / 20), (jl_direction)(wind - 4000),
                 6500, JL_YELLOW);
    ticks(&dial);
    letters(&dial);
    pointer(&dial, wind);
    speed(&dial, reading->knots);
}
