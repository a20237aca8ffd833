/* Seven-segment digits: a digit is drawn anew when its segments change. */
#include "jadelamp/instruments/digits.h"

#include "instrument.h"
#include "jadelamp/format.h"

/* Segments: bit 0 is the upper bar, then clockwise, bit 6 the middle bar; bit 7 is the point. */
enum { MINUS = 0x40, POINT = 0x80, MOST_PLACES = 10 };
static const uint8_t shapes[10] = {0x3F, 0x06, 0x5B, 0x4F, 0x66, 0x6D, 0x7D, 0x07, 0x7F, 0x6F};

static uint8_t places_of(const struct jl_digits_face *face) {
    return face->places < MOST_PLACES ? face->places : (uint8_t)MOST_PLACES;
}

/* The segments of each place. */
static void segments_of(const struct jl_digits_face *face, int32_t value, uint8_t *segments) {
    char text[JL_FORMAT_BYTES];
    uint8_t places = places_of(face), at = places;
    bool point = false, fits = true;
    for (size_t i = jl_format_fixed(text, sizeof text, value, face->decimals); i > 0; i--) {
        char c = text[i - 1];
        if (c == '.') {
            point = true;
        } else if (at == 0) {
            fits = false;
        } else {
            segments[--at] = (uint8_t)((c == '-' ? MINUS : shapes[c - '0']) | (point ? POINT : 0));
            point = false;
        }
    }
    while (at > 0) {
        segments[--at] = 0;
    }
    for (uint8_t i = 0; i < places && !fits; i++) {
        segments[i] = MINUS;
    }
}

/* A place of the box: from column to column, so that all of the box is used. */
static struct jl_rect place_of(const struct jl_digits_face *face, uint8_t place) {
    int16_t width = face->box.w, places = places_of(face);
    int16_t left = (int16_t)((int32_t)width * place / places);
    int16_t right = (int16_t)((int32_t)width * (place + 1) / places);
    return (struct jl_rect){(int16_t)(face->box.x + left), face->box.y, (int16_t)(right - left),
                            face->box.h};
}

static void draw_place(struct jl_target *target, const struct jl_theme *theme, struct jl_rect box,
                       uint8_t segments) {
    int16_t thick = (int16_t)(box.w / 7 > 0 ? box.w / 7 : 1);
    int16_t w = (int16_t)(box.w - 3 * thick), x = (int16_t)(box.x + thick / 2);
    int16_t h = (int16_t)((box.h - 3 * thick) / 2), y = box.y;
    int16_t right = (int16_t)(x + w - thick), middle = (int16_t)(y + thick + h);
    int16_t low = (int16_t)(middle + thick), bottom = (int16_t)(low + h);
    const struct jl_rect bars[8] = {
        {(int16_t)(x + thick), y, (int16_t)(w - 2 * thick), thick},
        {right, (int16_t)(y + thick), thick, h},
        {right, low, thick, h},
        {(int16_t)(x + thick), bottom, (int16_t)(w - 2 * thick), thick},
        {x, low, thick, h},
        {x, (int16_t)(y + thick), thick, h},
        {(int16_t)(x + thick), middle, (int16_t)(w - 2 * thick), thick},
        {(int16_t)(right + thick + thick / 2), bottom, thick, thick},
    };
    for (uint8_t i = 0; i < 8; i++) {
        jl_fill_rect(target, bars[i], segments >> i & 1 ? theme->accent : theme->unlit);
    }
}

static void draw(struct jl_target *target, const void *instrument) {
    const struct jl_digits *digits = instrument;
    const struct jl_digits_face *face = digits->face;
    uint8_t segments[MOST_PLACES];
    segments_of(face, digits->value, segments);
    jl_fill_rect(target, face->box, face->theme->face);
    for (uint8_t i = 0; i < places_of(face); i++) {
        struct jl_rect place = place_of(face, i);
        if (jl_instrument_sees(target, place)) {
            struct jl_rect before = jl_target_clip(target, place);
            draw_place(target, face->theme, place, segments[i]);
            jl_target_unclip(target, before);
        }
    }
}

static void find_changes(const struct jl_digits *digits, struct parts *parts) {
    uint8_t before[MOST_PLACES], now[MOST_PLACES];
    segments_of(digits->face, digits->shown, before);
    segments_of(digits->face, digits->value, now);
    for (uint8_t i = 0; i < places_of(digits->face); i++) {
        if (before[i] != now[i]) {
            jl_parts_add(parts, place_of(digits->face, i));
        }
    }
}

bool jl_digits_redraw(struct jl_target *target, struct jl_digits *digits) {
    struct parts parts = {0};
    if (digits->drawn) {
        find_changes(digits, &parts);
    } else {
        jl_parts_add(&parts, digits->face->box);
    }
    digits->shown = digits->value;
    digits->drawn = true;
    return jl_parts_draw(&parts, digits->face->box, target, draw, digits);
}

void jl_digits_draw(struct jl_target *target, const struct jl_digits *digits) {
    jl_instrument_draw(target, digits->face->box, draw, digits);
}
