/* Plain firmware code: it draws on any target of at least 128x64. */
#include "quay_gauge.h"

#include "jadelamp/draw.h"
#include "jadelamp/format.h"
#include "jadelamp/text.h"

enum { DIGIT_W = 15, DIGIT_H = 29, BAR = 4, PITCH = 19 };

static const struct jl_text_style plain = {&jl_font_6x8, JL_WHITE, JL_BLACK, NULL};
static const struct jl_text_style title = {&jl_font_6x8, JL_BLACK, JL_WHITE, NULL};

/* A seven-segment digit; value 10 is blank, 11 a minus. */
static void big_digit(struct jl_target *target, int16_t x, int16_t y, uint8_t value) {
    /* One bit a segment, in the order of the table below. */
    static const uint8_t lit[12] = {0x3F, 0x06, 0x5B, 0x4F, 0x66, 0x6D,
                                    0x7D, 0x07, 0x7F, 0x6F, 0x00, 0x40};
    enum { HALF = (DIGIT_H - BAR) / 2 };
    static const struct jl_rect segments[7] = {
        {1, 0, DIGIT_W - 2, BAR},                 /* top */
        {DIGIT_W - BAR, 1, BAR, HALF + 1},        /* upper right */
        {DIGIT_W - BAR, HALF + 2, BAR, HALF + 1}, /* lower right */
        {1, DIGIT_H - BAR, DIGIT_W - 2, BAR},     /* bottom */
        {0, HALF + 2, BAR, HALF + 1},             /* lower left */
        {0, 1, BAR, HALF + 1},                    /* upper left */
        {1, HALF, DIGIT_W - 2, BAR},              /* middle */
    };
    /* Dark ones first: neighbours share corner pixels, which a lit one keeps. */
    for (int pass = 0; pass < 2; pass++) {
        for (int i = 0; i < 7; i++) {
            if ((lit[value] >> i & 1) == pass) {
                struct jl_rect bar = segments[i];
                bar.x = (int16_t)(bar.x + x);
                bar.y = (int16_t)(bar.y + y);
                jl_fill_rect(target, bar, pass ? JL_WHITE : JL_BLACK);
            }
        }
    }
}

static void big_height(struct jl_target *target, int16_t x, int16_t y, int32_t cm) {
    uint8_t sign = cm < 0 ? 11 : 10;
    uint32_t size = (uint32_t)(cm < 0 ? -cm : cm);
    uint8_t metres = (uint8_t)(size / 100 % 10);
    big_digit(target, x, y, cm < 0 ? sign : metres);
    jl_fill_rect(target, (struct jl_rect){(int16_t)(x + 18), (int16_t)(y + DIGIT_H - 4), 4, 4},
                 JL_WHITE);
    big_digit(target, (int16_t)(x + 25), y, (uint8_t)(size / 10 % 10));
    big_digit(target, (int16_t)(x + 25 + PITCH), y, (uint8_t)(size % 10));
}

/* An arrow of 15x15, rows, leftmost pixel in bit 7; falling is drawn from the bottom up. */
static const uint8_t arrow_up[] = {0x01, 0x00, 0x03, 0x80, 0x07, 0xC0, 0x0F, 0xE0, 0x1F, 0xF0,
                                   0x3F, 0xF8, 0x7F, 0xFC, 0xFF, 0xFE, 0x07, 0xC0, 0x07, 0xC0,
                                   0x07, 0xC0, 0x07, 0xC0, 0x07, 0xC0, 0x07, 0xC0, 0x07, 0xC0};
static const uint8_t arrow_down[] = {0x07, 0xC0, 0x07, 0xC0, 0x07, 0xC0, 0x07, 0xC0, 0x07, 0xC0,
                                     0x07, 0xC0, 0x07, 0xC0, 0xFF, 0xFE, 0x7F, 0xFC, 0x3F, 0xF8,
                                     0x1F, 0xF0, 0x0F, 0xE0, 0x07, 0xC0, 0x03, 0x80, 0x01, 0x00};
static const uint8_t slack_bar[] = {0x00, 0x00, 0x00, 0x00, 0x00, 0x00, 0x00, 0x00, 0xFF, 0xFE,
                                    0xFF, 0xFE, 0x00, 0x00, 0x00, 0x00, 0x00, 0x00, 0xFF, 0xFE,
                                    0xFF, 0xFE, 0x00, 0x00, 0x00, 0x00, 0x00, 0x00, 0x00, 0x00};

static void trend_arrow(struct jl_target *target, int16_t x, int16_t y, enum tide_trend trend) {
    struct jl_bitmap map = {slack_bar, 15, 15, &jl_bits_rows_msb};
    map.bits = trend == TIDE_RISING ? arrow_up : trend == TIDE_FALLING ? arrow_down : slack_bar;
    jl_draw_bitmap(target, x, y, &map, JL_WHITE, JL_BLACK);
}

/* "HH:MM" at out, 6 bytes. */
static void clock_text(char *out, int32_t minute) {
    out[0] = (char)('0' + minute / 600 % 10);
    out[1] = (char)('0' + minute / 60 % 10);
    out[2] = ':';
    out[3] = (char)('0' + minute % 60 / 10);
    out[4] = (char)('0' + minute % 10);
    out[5] = '\0';
}

void quay_gauge_draw(struct jl_target *target, const struct quay_reading *reading) {
    char text[14];
    jl_stroke_rect(target, (struct jl_rect){0, 0, 128, 64}, JL_WHITE);
    jl_fill_rect(target, (struct jl_rect){1, 1, 126, 2}, JL_WHITE);
    jl_fill_rect(target, (struct jl_rect){1, 3, 4, 8}, JL_WHITE);
    jl_text(target, 5, 3, "HERON QUAY", &title);
    jl_fill_rect(target, (struct jl_rect){65, 3, 28, 8}, JL_WHITE);
    clock_text(text, reading->minute);
    jl_text(target, 93, 3, text, &title);
    jl_fill_rect(target, (struct jl_rect){123, 3, 4, 8}, JL_WHITE);
    jl_fill_rect(target, (struct jl_rect){1, 11, 126, 1}, JL_WHITE);

    big_height(target, 7, 16, reading->height_cm);
    jl_text(target, 71, 37, "m", &plain);
    trend_arrow(target, 96, 16, reading->trend);
    jl_text(target, 82, 37,
            reading->trend == TIDE_RISING    ? "rising "
            : reading->trend == TIDE_FALLING ? "falling"
                                             : "slack  ",
            &plain);

    jl_fill_rect(target, (struct jl_rect){1, 49, 126, 1}, JL_WHITE);
    jl_text(target, 5, 53, "HIGH", &plain);
    if (reading->next_high_minute < 0) {
        jl_text(target, 35, 53, "not today      ", &plain);
        return;
    }
    clock_text(text, reading->next_high_minute);
    jl_text(target, 35, 53, text, &plain);
    jl_text(target, 65, 53, " at ", &plain);
    jl_format_fixed(text, sizeof text, reading->next_high_cm, 2);
    jl_text(target, 89, 53, text, &plain);
    jl_text(target, 113, 53, " m", &plain);
}
