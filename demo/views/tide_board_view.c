/* Plain firmware code: the day's tide as a filled curve, the moment, and the wind below. */
#include "tide_board.h"

#include "jadelamp/draw.h"
#include "jadelamp/format.h"
#include "jadelamp/shapes.h"
#include "jadelamp/text.h"

enum { LEFT = 26, TOP = 34, PLOT_W = 204, PLOT_H = 130, MOST_CM = 450 };

static const jl_color ground = JL_RGB(6, 14, 30);

static int16_t plot_x(int32_t minute) {
    return (int16_t)(LEFT + minute * (PLOT_W - 1) / 1440);
}

static int16_t plot_y(int32_t cm) {
    return (int16_t)(TOP + PLOT_H - 1 - cm * (PLOT_H - 1) / MOST_CM);
}

/* "HH:MM", 6 bytes. */
static void clock_text(char *out, int32_t minute) {
    jl_format_int(out, 3, minute / 60, 2, '0');
    out[2] = ':';
    jl_format_int(out + 3, 3, minute % 60, 2, '0');
}

static void title(struct jl_target *t, const struct tide_board *board) {
    static const struct jl_text_style style = {
        .font = &jl_font_8x13, .ink = JL_WHITE, .paper = JL_CLEAR};
    char text[6];
    jl_fill_rect(t, (struct jl_rect){0, 0, 240, 24}, JL_TEAL);
    jl_text(t, 8, 6, "HERON QUAY", &style);
    clock_text(text, board->minute);
    jl_text_at(t, 232, 6, JL_ANCHOR_RIGHT, text, &style);
}

static void axes(struct jl_target *t) {
    static const struct jl_text_style style = {
        .font = &jl_font_6x8, .ink = JL_SILVER, .paper = JL_CLEAR};
    char text[JL_FORMAT_BYTES];
    for (int16_t m = 0; m <= 4; m++) {
        int16_t y = plot_y(m * 100);
        jl_fill_pattern(t, (struct jl_rect){LEFT, y, PLOT_W, 1}, jl_pattern_checker, JL_GRAY,
                        JL_CLEAR);
        jl_format_int(text, sizeof text, m, 0, ' ');
        jl_text_at(t, LEFT - 6, y, JL_ANCHOR_RIGHT | JL_ANCHOR_MIDDLE, text, &style);
    }
    for (int16_t hour = 0; hour <= 24; hour = (int16_t)(hour + 6)) {
        int16_t x = plot_x(hour * 60);
        jl_fill_rect(t, (struct jl_rect){x, TOP + PLOT_H, 1, 4}, JL_SILVER);
        jl_format_int(text, sizeof text, hour, 2, '0');
        jl_text_at(t, x < 228 ? x : 228, TOP + PLOT_H + 6, JL_ANCHOR_CENTRE, text, &style);
    }
    jl_text_turned(t, 2, TOP + 80, JL_TEXT_UP, "metres", &style);
}

static void curve(struct jl_target *t, const struct tide_board *board) {
    struct jl_point points[TIDE_BOARD_HEIGHTS + 2];
    for (int16_t i = 0; i < TIDE_BOARD_HEIGHTS; i++) {
        points[i] = (struct jl_point){plot_x(i * 60), plot_y(board->heights[i])};
    }
    points[TIDE_BOARD_HEIGHTS] = (struct jl_point){plot_x(1440), plot_y(0)};
    points[TIDE_BOARD_HEIGHTS + 1] = (struct jl_point){plot_x(0), plot_y(0)};
    jl_fill_polygon(t, points, TIDE_BOARD_HEIGHTS + 2, JL_RGB(0, 60, 110));
    jl_draw_polyline(t, points, TIDE_BOARD_HEIGHTS, JL_AQUA);
}

static void moment(struct jl_target *t, const struct tide_board *board) {
    int16_t x = plot_x(board->minute), y = plot_y(board->height_cm);
    jl_fill_rect(t, (struct jl_rect){x, TOP, 1, PLOT_H}, JL_ORANGE);
    jl_fill_circle(t, x, y, 4, JL_ORANGE);
    jl_stroke_circle(t, x, y, 5, JL_WHITE);
}

static void height(struct jl_target *t, const struct tide_board *board) {
    static const struct jl_text_style large = {
        .font = &jl_font_digits28, .ink = JL_WHITE, .paper = JL_CLEAR};
    static const struct jl_text_style plain = {
        .font = &jl_font_8x13, .ink = JL_SILVER, .paper = JL_CLEAR};
    char text[JL_FORMAT_BYTES];
    jl_text(t, 144, 196, "tide", &plain);
    jl_format_fixed(text, sizeof text, board->height_cm, 2);
    jl_text(t, 140, 216, text, &large);
    jl_text(t, 144, 254, "metres", &plain);
}

void tide_board_draw(struct jl_target *target, const struct tide_board *board) {
    jl_clear(target, ground);
    title(target, board);
    curve(target, board);
    axes(target);
    moment(target, board);
    jl_fill_rect(target, (struct jl_rect){8, 184, 224, 1}, JL_TEAL);
    wind_dial_draw(target, 68, 252, 60, &board->wind);
    height(target, board);
}
