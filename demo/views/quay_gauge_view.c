/* Plain firmware code: it draws on any target of at least 128x64. */
#include "quay_gauge.h"

#include "jadelamp/draw.h"
#include "jadelamp/format.h"
#include "jadelamp/text.h"

static const struct jl_text_style plain = {.font = &jl_font_6x8, .ink = JL_WHITE};
static const struct jl_text_style title = {
    .font = &jl_font_6x8, .ink = JL_BLACK, .paper = JL_WHITE};
static const struct jl_text_style big = {.font = &jl_font_digits28, .ink = JL_WHITE};

/* Always four characters, 84 pixels wide: "3.91", or "-.42" below the datum. */
static void big_height(struct jl_target *target, int16_t x, int16_t y, int32_t cm) {
    char text[JL_FORMAT_BYTES];
    jl_format_fixed(text, sizeof text, cm, 2);
    if (cm < 0) {
        text[1] = '.';
        text[2] = text[3];
        text[3] = text[4];
        text[4] = '\0';
    }
    jl_text(target, x, y, text, &big);
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

    big_height(target, 3, 16, reading->height_cm);
    jl_text(target, 88, 36, "m", &plain);
    trend_arrow(target, 103, 16, reading->trend);
    jl_text(target, 97, 36,
            reading->trend == TIDE_RISING    ? "rise "
            : reading->trend == TIDE_FALLING ? "fall "
                                             : "slack",
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
