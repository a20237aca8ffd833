/*
 * A dial: only where the needle was and is, is drawn anew, in pieces along the needle, so that a
 * needle at a slant does not cost the square around it.
 */
#include "jadelamp/instruments/dial.h"

#include "../core/paint.h"
#include "instrument.h"
#include "jadelamp/format.h"
#include "jadelamp/smooth.h"

enum { PIECES = 8, MARK_WIDTH = 20 /* sixteenths */ };

struct measures {
    struct jl_point middle;
    int16_t radius; /* of the rim */
    int16_t ring;   /* thickness of the worst zone; marks are as long */
    int16_t needle; /* width */
    int16_t hub;
};

static struct measures measures_of(const struct jl_dial_face *face) {
    int16_t side = face->box.w < face->box.h ? face->box.w : face->box.h;
    struct measures m = {
        {(int16_t)(face->box.x + face->box.w / 2), (int16_t)(face->box.y + face->box.h / 2)},
        (int16_t)((side - 1) / 2),
        0,
        0,
        0};
    m.ring = (int16_t)(m.radius / 9 > 3 ? m.radius / 9 : 3);
    m.needle = (int16_t)(m.radius / 24 | 1);
    m.hub = (int16_t)(m.radius / 12 > 1 ? m.radius / 12 : 1);
    return m;
}

static uint32_t sweep_of(const struct jl_dial_face *face, int32_t value) {
    int64_t whole = (int64_t)face->scale.to - face->scale.from;
    int64_t part = (int64_t)jl_scale_cut(&face->scale, value) - face->scale.from;
    return whole > 0 ? (uint32_t)(face->sweep * (uint64_t)part / (uint64_t)whole) : 0;
}

static jl_direction direction_of(const struct jl_dial_face *face, int32_t value) {
    return (jl_direction)(face->start + sweep_of(face, value));
}

/* Whether all that is to be drawn lies within a radius: pieces of a needle lie within the marks. */
static bool is_inside(const struct jl_target *target, const struct measures *m, int16_t radius) {
    struct jl_rect seen = jl_paint_visible(target);
    int32_t left = seen.x - m->middle.x, right = left + seen.w - 1;
    int32_t top = seen.y - m->middle.y, bottom = top + seen.h - 1;
    int32_t x = -left > right ? -left : right, y = -top > bottom ? -top : bottom;
    return radius > 0 && x * x + y * y < (int32_t)radius * radius;
}

/* The middle of the middle pixel, and a radius to the outer edge of a pixel. */
static struct jl_point fine_middle(const struct measures *m) {
    return jl_fine_middle(m->middle.x, m->middle.y);
}

static int16_t fine_radius(int16_t radius) {
    return (int16_t)(JL_FINE(radius) + 8);
}

static int16_t thickness_of(const struct jl_zone *zone, const struct measures *m) {
    return (int16_t)((m->ring * (zone->grade + 1) + 2) / 3);
}

/* Soft edges are mixed with what is known to be below, so that a dial is the same on all targets.
 */
static void draw_zones(struct jl_target *target, const struct jl_dial_face *face,
                       const struct measures *m) {
    uint32_t from = 0;
    for (uint8_t i = 0; i < face->scale.zone_count; i++) {
        const struct jl_zone *zone = &face->scale.zones[i];
        uint32_t to = sweep_of(face, zone->to);
        int16_t outer = (int16_t)(m->radius - 2);
        int16_t thick = thickness_of(zone, m);
        if (!is_inside(target, m, (int16_t)(outer - thick - 2))) {
            jl_smooth_arc(target, fine_middle(m), fine_radius(outer),
                          fine_radius((int16_t)(outer - thick)), (jl_direction)(face->start + from),
                          to - from, JL_ENDS_FLAT, jl_theme_grade(face->theme, zone->grade),
                          face->theme->face);
        }
        from = to;
    }
}

/* A part of a mark, on a ground; whole pixels where it is upright. */
static void draw_line(struct jl_target *target, const struct measures *m, jl_direction way,
                      int16_t outer, int16_t inner, jl_color ink, jl_color ground) {
    if (outer > inner) {
        jl_smooth_line(target, jl_point_at(fine_middle(m), way, fine_radius(outer)),
                       jl_point_at(fine_middle(m), way, fine_radius(inner)), MARK_WIDTH,
                       JL_ENDS_FLAT, ink, ground);
    }
}

/* A mark lies on its zone, and on the face where that is thinner. */
static void draw_mark(struct jl_target *target, const struct jl_dial_face *face,
                      const struct measures *m, uint32_t sweep, bool is_major) {
    jl_direction way = (jl_direction)(face->start + sweep);
    int16_t outer = (int16_t)(m->radius - 2), between = outer;
    int16_t inner = (int16_t)(outer - (is_major ? m->ring : m->ring / 2) - 1);
    struct jl_point a = jl_point_at(m->middle, way, outer), b = jl_point_at(m->middle, way, inner);
    struct jl_rect around =
        jl_rect_around((struct jl_rect){a.x, a.y, 1, 1}, (struct jl_rect){b.x, b.y, 1, 1});
    struct jl_rect soft = {(int16_t)(around.x - 2), (int16_t)(around.y - 2),
                           (int16_t)(around.w + 4), (int16_t)(around.h + 4)};
    jl_color ink = is_major ? face->theme->ink : face->theme->line, ground = face->theme->face;
    if (!jl_instrument_sees(target, soft)) {
        return;
    }
    for (uint8_t i = 0; i < face->scale.zone_count; i++) {
        const struct jl_zone *zone = &face->scale.zones[i];
        if (sweep < sweep_of(face, zone->to) || i + 1 == face->scale.zone_count) {
            ground = jl_theme_grade(face->theme, zone->grade);
            between = (int16_t)(outer - thickness_of(zone, m));
            break;
        }
    }
    between = between < inner ? inner : between;
    draw_line(target, m, way, outer, between, ink, ground);
    draw_line(target, m, way, between, inner, ink, face->theme->face);
}

static void draw_marks(struct jl_target *target, const struct jl_dial_face *face,
                       const struct measures *m) {
    uint16_t minor = face->minor ? face->minor : 1, count = (uint16_t)(face->major * minor);
    for (uint16_t i = 0; i <= count; i++) {
        draw_mark(target, face, m, (uint32_t)((uint64_t)face->sweep * i / count), i % minor == 0);
    }
}

/* A text around a place, if it is seen. */
static void draw_text(struct jl_target *target, struct jl_point at, const char *text,
                      const struct jl_text_style *style) {
    int16_t width = jl_text_width(style, text), height = style->font->height;
    struct jl_rect area = {(int16_t)(at.x - width / 2 - 1), (int16_t)(at.y - height / 2 - 1),
                           (int16_t)(width + 2), (int16_t)(height + 2)};
    if (jl_instrument_sees(target, area)) {
        jl_text_at(target, at.x, at.y, JL_ANCHOR_CENTRE | JL_ANCHOR_MIDDLE, text, style);
    }
}

/* How far from the marks the middle of a text stands, so that its box does not touch them. */
static int16_t room_of(const struct jl_text_style *style, const char *text, jl_direction way) {
    int32_t across = jl_sine(way), down = jl_cosine(way);
    across = across < 0 ? -across : across;
    down = down < 0 ? -down : down;
    return (int16_t)((jl_text_width(style, text) * across + style->font->height * down) >> 15);
}

/* Numbers stand inside the marks. One that would stand on the first, all round, is left out. */
static void draw_numbers(struct jl_target *target, const struct jl_dial_face *face,
                         const struct measures *m) {
    struct jl_text_style style = jl_theme_text(face->theme->font, face->theme->ink, JL_CLEAR);
    int64_t whole = (int64_t)face->scale.to - face->scale.from;
    uint8_t count = face->sweep >= JL_SWEEP(360) ? face->major : (uint8_t)(face->major + 1);
    for (uint8_t i = 0; i < count; i++) {
        char text[JL_FORMAT_BYTES];
        jl_direction way = (jl_direction)(face->start + (uint64_t)face->sweep * i / face->major);
        jl_format_fixed(text, sizeof text, (int32_t)(face->scale.from + whole * i / face->major),
                        face->decimals);
        int16_t at = (int16_t)(m->radius - m->ring - 6 - room_of(&style, text, way));
        draw_text(target, jl_point_at(m->middle, way, at), text, &style);
    }
}

/* The needle goes from a tail behind the middle to the marks. */
static void needle_of(const struct jl_dial_face *face, const struct measures *m, int32_t value,
                      struct jl_point *tail, struct jl_point *tip) {
    jl_direction way = direction_of(face, value);
    *tip = jl_point_at(m->middle, way, (int16_t)(m->radius - m->ring - m->needle - 5));
    *tail = jl_point_at(m->middle, way, (int16_t) - (m->radius / 6));
}

static void fine_needle_of(const struct jl_dial_face *face, const struct measures *m, int32_t value,
                           struct jl_point *tail, struct jl_point *tip) {
    jl_direction way = direction_of(face, value);
    *tip = jl_point_at(fine_middle(m), way, JL_FINE(m->radius - m->ring - m->needle - 5));
    *tail = jl_point_at(fine_middle(m), way, (int16_t)-JL_FINE(m->radius / 6));
}

/* What stands still; only what can be seen of it. */
static void draw_plate(struct jl_target *target, const struct jl_dial_face *face,
                       const struct measures *m) {
    const struct jl_theme *theme = face->theme;
    if (is_inside(target, m, (int16_t)(m->radius - 2))) {
        jl_clear(target, theme->face);
    } else {
        jl_fill_rect(target, face->box, theme->back);
        jl_smooth_disc(target, fine_middle(m), fine_radius(m->radius), theme->line, theme->back);
        jl_smooth_disc(target, fine_middle(m), fine_radius((int16_t)(m->radius - 1)), theme->face,
                       theme->line);
    }
    if (!is_inside(target, m, (int16_t)(m->radius - m->ring - 5))) {
        draw_zones(target, face, m);
        if (face->major) {
            draw_marks(target, face, m);
        }
    }
    if (face->major && face->numbers) {
        draw_numbers(target, face, m);
    }
    if (face->label) {
        struct jl_text_style style = jl_theme_text(theme->font, theme->line, JL_CLEAR);
        struct jl_point at = {m->middle.x, (int16_t)(m->middle.y + m->radius * 2 / 5)};
        draw_text(target, at, face->label, &style);
    }
}

static void draw(struct jl_target *target, const void *instrument) {
    const struct jl_dial *dial = instrument;
    const struct jl_dial_face *face = dial->face;
    struct measures m = measures_of(face);
    struct jl_point tail, tip;
    struct jl_rect hub = {(int16_t)(m.middle.x - m.hub), (int16_t)(m.middle.y - m.hub),
                          (int16_t)(2 * m.hub + 1), (int16_t)(2 * m.hub + 1)};
    draw_plate(target, face, &m);
    fine_needle_of(face, &m, dial->value, &tail, &tip);
    jl_smooth_line(target, tail, tip, JL_FINE(m.needle), JL_ENDS_ROUND, face->theme->accent,
                   face->theme->face);
    if (jl_instrument_sees(target, hub)) {
        jl_smooth_disc(target, fine_middle(&m), fine_radius(m.hub), face->theme->ink,
                       face->theme->accent);
    }
}

static int16_t between(int16_t from, int16_t to, int16_t part) {
    return (int16_t)(from + (int32_t)(to - from) * part / PIECES);
}

/* What a piece of a needle may touch: its width all around, and rounding. */
static struct jl_rect piece_of(struct jl_point tail, struct jl_point tip, int16_t width,
                               int16_t piece) {
    int16_t x0 = between(tail.x, tip.x, piece), x1 = between(tail.x, tip.x, (int16_t)(piece + 1));
    int16_t y0 = between(tail.y, tip.y, piece), y1 = between(tail.y, tip.y, (int16_t)(piece + 1));
    int16_t left = x0 < x1 ? x0 : x1, top = y0 < y1 ? y0 : y1, room = (int16_t)(width / 2 + 2);
    return (struct jl_rect){(int16_t)(left - room), (int16_t)(top - room),
                            (int16_t)(x0 + x1 - 2 * left + 1 + 2 * room),
                            (int16_t)(y0 + y1 - 2 * top + 1 + 2 * room)};
}

static void find_changes(const struct jl_dial *dial, struct parts *parts) {
    const struct jl_dial_face *face = dial->face;
    struct measures m = measures_of(face);
    struct jl_point tail, tip, tail_before, tip_before;
    if (direction_of(face, dial->value) == direction_of(face, dial->shown)) {
        return;
    }
    needle_of(face, &m, dial->value, &tail, &tip);
    needle_of(face, &m, dial->shown, &tail_before, &tip_before);
    int16_t dx = (int16_t)(tip.x - tip_before.x), dy = (int16_t)(tip.y - tip_before.y);
    bool is_near = dx < 12 && dx > -12 && dy < 12 && dy > -12;
    for (int i = 0; i < PIECES; i++) {
        struct jl_rect now = piece_of(tail, tip, m.needle, (int16_t)i);
        struct jl_rect before = piece_of(tail_before, tip_before, m.needle, (int16_t)i);
        now = jl_rect_intersect(now, face->box);
        before = jl_rect_intersect(before, face->box);
        if (is_near) {
            jl_parts_add(parts, jl_rect_around(now, before));
        } else {
            jl_parts_add(parts, before);
            jl_parts_add(parts, now);
        }
    }
}

bool jl_dial_redraw(struct jl_target *target, struct jl_dial *dial) {
    struct parts parts = {0};
    if (dial->drawn) {
        find_changes(dial, &parts);
    } else {
        jl_parts_add(&parts, dial->face->box);
    }
    dial->shown = dial->value;
    dial->drawn = true;
    return jl_parts_draw(&parts, dial->face->box, target, draw, dial);
}

void jl_dial_draw(struct jl_target *target, const struct jl_dial *dial) {
    jl_instrument_draw(target, dial->face->box, draw, dial);
}
