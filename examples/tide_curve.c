/* The day's tide: a filled area under a polyline, axes with labels, the present moment. */
#include "drawing.h"

enum { WIDTH = 240, HEIGHT = 160, LEFT = 26, TOP = 22, PLOT_W = 204, PLOT_H = 112, HOURS = 24 };

/* Made-up heights of Heron Quay, centimetres, every hour from midnight to midnight. */
static const int16_t heights[HOURS + 1] = {275, 352, 397, 402, 366, 300, 220, 151, 94,
                                           77,  94,  146, 215, 292, 351, 382, 379, 338,
                                           270, 196, 129, 88,  80,  108, 166};

static int16_t plot_x(int hour) {
    return (int16_t)(LEFT + hour * (PLOT_W - 1) / HOURS);
}

static int16_t plot_y(int cm) {
    return (int16_t)(TOP + PLOT_H - 1 - cm * (PLOT_H - 1) / 450);
}

static void axes(struct jl_target *t) {
    static const struct jl_text_style style = {
        .font = &jl_font_6x8, .ink = JL_SILVER, .paper = JL_CLEAR};
    char text[JL_FORMAT_BYTES];
    for (int m = 0; m <= 4; m++) {
        int16_t y = plot_y(m * 100);
        jl_fill_pattern(t, (struct jl_rect){LEFT, y, PLOT_W, 1}, jl_pattern_checker, JL_GRAY,
                        JL_CLEAR);
        jl_format_int(text, sizeof text, m, 0, ' ');
        jl_text_at(t, LEFT - 4, y, JL_ANCHOR_RIGHT | JL_ANCHOR_MIDDLE, text, &style);
    }
    for (int hour = 0; hour <= HOURS; hour += 6) {
        jl_fill_rect(t, (struct jl_rect){plot_x(hour), TOP + PLOT_H, 1, 4}, JL_SILVER);
        jl_format_int(text, sizeof text, hour, 2, '0');
        jl_text_at(t, plot_x(hour), TOP + PLOT_H + 6, JL_ANCHOR_CENTRE, text, &style);
    }
    jl_text_turned(t, 0, TOP + 76, JL_TEXT_UP, "metres", &style);
}

static void draw(struct jl_frame *frame, int step) {
    static const struct jl_text_style title = {
        .font = &jl_font_6x8, .ink = JL_WHITE, .paper = JL_CLEAR};
    struct jl_target *t = &frame->target;
    struct jl_point curve[HOURS + 3];
    int now = 9 + step * 6;
    jl_fill_gradient(t, (struct jl_rect){0, 0, WIDTH, HEIGHT}, JL_AXIS_Y, JL_RGB(8, 16, 40),
                     JL_BLACK, frame->format->channel_bits);
    jl_text_at(t, WIDTH / 2, 6, JL_ANCHOR_CENTRE, "Heron Quay  tide today", &title);
    for (int hour = 0; hour <= HOURS; hour++) {
        curve[hour] = (struct jl_point){plot_x(hour), plot_y(heights[hour])};
    }
    curve[HOURS + 1] = (struct jl_point){plot_x(HOURS), plot_y(0)};
    curve[HOURS + 2] = (struct jl_point){plot_x(0), plot_y(0)};
    jl_fill_polygon(t, curve, HOURS + 3, JL_RGB(0, 60, 110));
    axes(t);
    jl_draw_polyline(t, curve, HOURS + 1, JL_AQUA);
    /* What is over lies under a veil. */
    jl_target_mode(t, JL_MODE_BLEND, 110);
    jl_fill_rect(t, (struct jl_rect){LEFT, TOP, (int16_t)(plot_x(now) - LEFT), PLOT_H}, JL_BLACK);
    jl_target_mode(t, JL_MODE_REPLACE, 0);
    jl_fill_rect(t, (struct jl_rect){plot_x(now), TOP, 1, PLOT_H}, JL_ORANGE);
    jl_fill_circle(t, curve[now].x, curve[now].y, 3, JL_ORANGE);
    jl_stroke_circle(t, curve[now].x, curve[now].y, 4, JL_WHITE);
}

const struct drawing drawing = {&jl_rgb565, WIDTH, HEIGHT, 2, 2, draw};
