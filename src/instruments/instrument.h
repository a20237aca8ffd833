/* What instruments use inside. */
#ifndef JADELAMP_SRC_INSTRUMENT_H
#define JADELAMP_SRC_INSTRUMENT_H

#include "jadelamp/draw.h"
#include "jadelamp/instruments/instrument.h"

enum { MOST_PARTS = 16 };

/* Rectangles that are to be drawn anew. */
struct parts {
    uint8_t count;
    struct jl_rect list[MOST_PARTS];
};

/* Adds one; when there is no place, the last one grows. Empty ones are passed over. */
void jl_parts_add(struct parts *parts, struct jl_rect part);

/* Draws an instrument through a rectangle. */
void jl_instrument_draw(struct jl_target *target, struct jl_rect through,
                        void (*draw)(struct jl_target *target, const void *instrument),
                        const void *instrument);

/* Draws an instrument through each part, cut to its box. False: there was none. */
bool jl_parts_draw(const struct parts *parts, struct jl_rect box, struct jl_target *target,
                   void (*draw)(struct jl_target *target, const void *instrument),
                   const void *instrument);

/* Whether anything of an area can be seen on the target as it is clipped. */
bool jl_instrument_sees(const struct jl_target *target, struct jl_rect area);

/* Where a value lies on a length of pixels, 0..length. */
int16_t jl_scale_at(const struct jl_scale *scale, int32_t value, int16_t length);

/* A value within the scale; a value `steps` of a size further. */
int32_t jl_scale_cut(const struct jl_scale *scale, int32_t value);
int32_t jl_scale_step(const struct jl_scale *scale, int32_t value, int32_t size, int32_t steps);

/* How bad a value is, and its colour. */
uint8_t jl_scale_grade(const struct jl_scale *scale, int32_t value);
jl_color jl_theme_grade(const struct jl_theme *theme, uint8_t grade);

static inline struct jl_text_style jl_theme_text(const struct jl_font *font, jl_color ink,
                                                 jl_color paper) {
    return (struct jl_text_style){.font = font, .ink = ink, .paper = paper};
}

/* A rectangle within another one. */
static inline struct jl_rect jl_inset(struct jl_rect box, int16_t by) {
    return (struct jl_rect){(int16_t)(box.x + by), (int16_t)(box.y + by), (int16_t)(box.w - 2 * by),
                            (int16_t)(box.h - 2 * by)};
}

/* A box with a label in its middle, as buttons are. */
enum { LOOK_PRESSED = 1, LOOK_FOCUSED = 2, LOOK_DISABLED = 4 };
void jl_draw_key_cap(struct jl_target *target, struct jl_rect box, const struct jl_theme *theme,
                     const char *label, uint8_t look);

/* Whether a place lies in a box. */
bool jl_rect_has(struct jl_rect box, int16_t x, int16_t y);

/* Follows a finger. True: it was lifted on the box where it had come down. */
bool jl_grip_event(struct jl_grip *grip, struct jl_rect box, const struct jl_event *event);

/* Steps of a knob, or of the keys up and down, downwards being more. 0: no such event. */
int16_t jl_event_steps(const struct jl_event *event);

/* The key that chooses goes down; repeats do not count. */
static inline bool jl_event_chooses(const struct jl_event *event) {
    return event->kind == JL_EVENT_KEY && event->which == JL_KEY_OK && !event->dx;
}

#endif
