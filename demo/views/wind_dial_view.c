/* Plain firmware code: ring sectors, ticks, a pointer and text, all by direction, with soft edges.
 */
#include "wind_dial.h"

#include "jadelamp/format.h"
#include "jadelamp/smooth.h"
#include "jadelamp/text.h"

struct dial {
    struct jl_target *target;
    int16_t x, y, radius;
};

/* A place in a direction, at so many per cent of the radius, in sixteenths of a pixel. */
static struct jl_point fine_at(const struct dial *dial, jl_direction direction, int32_t percent) {
    return jl_point_at(jl_fine_middle(dial->x, dial->y), direction,
                       (int16_t)(dial->radius * 16 * percent / 100));
}

/* The same in pixels, for text. */
static struct jl_point at(const struct dial *dial, jl_direction direction, int32_t percent) {
    int32_t distance = dial->radius * percent;
    return (struct jl_point){(int16_t)(dial->x + distance * jl_sine(direction) / (100 * 16384)),
                             (int16_t)(dial->y - distance * jl_cosine(direction) / (100 * 16384))};
}

static void ticks(const struct dial *dial) {
    for (uint32_t degrees = 0; degrees < 360; degrees += 15) {
        jl_direction direction = JL_DEGREES(degrees);
        bool main = degrees % 90 == 0;
        jl_smooth_line(dial->target, fine_at(dial, direction, main ? 82 : 87),
                       fine_at(dial, direction, 93), main ? JL_FINE(3) : 20, JL_ENDS_ROUND,
                       JL_SILVER, JL_CLEAR);
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
    struct jl_point arrow[] = {
        fine_at(dial, from, 62), fine_at(dial, (jl_direction)(from + 29000), 36),
        fine_at(dial, (jl_direction)(from + 32768), 22),
        fine_at(dial, (jl_direction)(from + 36536), 36), fine_at(dial, from, 62)};
    jl_smooth_polygon(dial->target, arrow, 4, JL_ORANGE, JL_CLEAR);
    jl_smooth_polyline(dial->target, arrow, 5, 20, JL_ENDS_ROUND, JL_WHITE, JL_CLEAR);
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
    struct jl_rect fine = {JL_FINE(box.x), JL_FINE(box.y), JL_FINE(box.w), JL_FINE(box.h)};
    jl_smooth_rounded(dial->target, fine, JL_FINE(6), JL_NAVY, JL_CLEAR);
    jl_smooth_rounded_frame(dial->target, fine, JL_FINE(6), 20, JL_AQUA, JL_CLEAR);
    jl_text_at(dial->target, dial->x, (int16_t)(box.y + 8), JL_ANCHOR_CENTRE | JL_ANCHOR_MIDDLE,
               text, &style);
}

void wind_dial_draw(struct jl_target *target, int16_t x, int16_t y, int16_t radius,
                    const struct wind_reading *reading) {
    const struct dial dial = {target, x, y, radius};
    jl_direction wind = JL_DEGREES((uint32_t)reading->degrees);
    struct jl_point middle = jl_fine_middle(x, y);
    int16_t outer = (int16_t)(JL_FINE(radius) + 8), inner = (int16_t)(outer - JL_FINE(radius) / 20);
    jl_smooth_disc(target, middle, outer, JL_RGB(10, 30, 48), JL_CLEAR);
    jl_smooth_ring(target, middle, outer, inner, JL_TEAL, JL_CLEAR);
    /* Gusts veer: the sector that the wind moves in. */
    jl_smooth_arc(target, middle, outer, inner, (jl_direction)(wind - 4000), 6500, JL_ENDS_FLAT,
                  JL_YELLOW, JL_CLEAR);
    ticks(&dial);
    letters(&dial);
    pointer(&dial, wind);
    speed(&dial, reading->knots);
}
