/* Plain firmware code: the gate between two levels of water, and what it holds back. */
#include "sluice_sign.h"

#include "jadelamp/draw.h"
#include "jadelamp/format.h"
#include "jadelamp/shapes.h"
#include "jadelamp/text.h"

enum { TOP = 10, BED = 47, FULL_CM = 500, GATE = 25, RIGHT = 48 };

static const struct jl_text_style title = {
    .font = &jl_font_6x8, .ink = JL_BLACK, .paper = JL_WHITE};
static const struct jl_text_style plain = {.font = &jl_font_6x8, .ink = JL_WHITE};
static const struct jl_text_style large = {.font = &jl_font_8x13, .ink = JL_WHITE};

/* The left and the right water differ in their hatching. */
static const uint8_t dense[8] = {0xAA, 0xFF, 0x55, 0xFF, 0xAA, 0xFF, 0x55, 0xFF};
static const uint8_t sparse[8] = {0x88, 0x00, 0x22, 0x00, 0x88, 0x00, 0x22, 0x00};

static void draw_water(struct jl_target *target, int16_t x, int16_t width, int16_t cm,
                       const uint8_t *pattern) {
    int16_t height = (int16_t)(cm * (BED - TOP) / FULL_CM);
    int16_t surface = (int16_t)(BED - height);
    jl_fill_rect(target, (struct jl_rect){x, TOP, width, (int16_t)(surface - TOP)}, JL_BLACK);
    jl_fill_pattern(target, (struct jl_rect){x, surface, width, height}, pattern, JL_WHITE,
                    JL_BLACK);
    jl_fill_rect(target, (struct jl_rect){x, surface, width, 1}, JL_WHITE);
}

void sluice_sign_draw(struct jl_target *target, const struct sluice_reading *reading) {
    char text[JL_FORMAT_BYTES];
    jl_fill_rect(target, (struct jl_rect){0, 0, 84, 9}, JL_WHITE);
    jl_text(target, 1, 1, "SLUICE", &title);
    jl_format_int(text, sizeof text, reading->minute / 60, 2, '0');
    text[2] = ':';
    jl_format_int(text + 3, sizeof text - 3, reading->minute % 60, 2, '0');
    jl_text_at(target, 84, 1, JL_ANCHOR_RIGHT | JL_ANCHOR_TOP, text, &title);
    draw_water(target, 0, GATE - 2, reading->upper_cm, dense);
    draw_water(target, GATE + 3, RIGHT - GATE - 5, reading->lower_cm, sparse);
    jl_fill_rect(target, (struct jl_rect){GATE - 2, TOP, 5, BED - TOP}, JL_WHITE);
    jl_fill_rect(target, (struct jl_rect){0, BED, RIGHT - 2, 1}, JL_WHITE);
    jl_text(target, RIGHT, 13, "holds", &plain);
    jl_format_fixed(text, sizeof text, reading->upper_cm - reading->lower_cm, 2);
    jl_text_at(target, 84, 23, JL_ANCHOR_RIGHT | JL_ANCHOR_TOP, text, &large);
    jl_text_at(target, 84, 39, JL_ANCHOR_RIGHT | JL_ANCHOR_TOP, "metres", &plain);
}
