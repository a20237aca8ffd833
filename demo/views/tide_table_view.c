/* Plain firmware code: a table, a curve, and a line of what is now. */
#include "tide_table.h"

#include "jadelamp/compose.h"
#include "jadelamp/draw.h"
#include "jadelamp/format.h"
#include "jadelamp/icons.h"
#include "jadelamp/shapes.h"
#include "jadelamp/text.h"

enum { WIDTH = 400, LEFT = 16, TABLE_TOP = 52, ROW = 20, CURVE_TOP = 170, CURVE_BOTTOM = 256 };
enum { MOST_CM = 480, NOW_TOP = 274, DAY = 24 * 60 };

static const struct jl_font *const icons[] = {&jl_font_icons12, NULL};
static const struct jl_text_style title = {
    .font = &jl_font_8x13, .ink = JL_WHITE, .paper = JL_BLACK};
static const struct jl_text_style plain = {
    .font = &jl_font_8x13, .ink = JL_BLACK, .paper = JL_WHITE, .fallbacks = icons};
static const struct jl_text_style small = {
    .font = &jl_font_5x7, .ink = JL_BLACK, .paper = JL_WHITE};

/* "HH:MM" */
static void add_time(struct jl_compose *text, int minute) {
    char time[6];
    jl_format_int(time, 3, minute / 60, 2, '0');
    time[2] = ':';
    jl_format_int(time + 3, 3, minute % 60, 2, '0');
    jl_compose_text(text, time, 0);
}

static int16_t x_of(int minute) {
    return (int16_t)(LEFT + (WIDTH - 2 * LEFT) * (int32_t)minute / DAY);
}

static int16_t y_of(int cm) {
    return (int16_t)(CURVE_BOTTOM - (CURVE_BOTTOM - CURVE_TOP) * (int32_t)cm / MOST_CM);
}

static void draw_turns(struct jl_target *target, const struct tide_table *table) {
    for (int i = 0; i < table->turn_count; i++) {
        char line[48];
        struct jl_compose text;
        jl_compose_begin(&text, line, sizeof line);
        jl_compose_text(&text,
                        table->turns[i].high ? JL_ICON_TIDE_RISING " high water  "
                                             : JL_ICON_TIDE_FALLING " low water   ",
                        0);
        add_time(&text, table->turns[i].minute);
        jl_compose_text(&text, "   ", 0);
        jl_compose_fixed(&text, table->turns[i].height_cm, 2, 6);
        jl_compose_text(&text, " m", 0);
        jl_text(target, LEFT, (int16_t)(TABLE_TOP + ROW * i), line, &plain);
    }
}

static void draw_curve(struct jl_target *target, const struct tide_table *table) {
    static const uint8_t water[8] = {0x88, 0x00, 0x22, 0x00, 0x88, 0x00, 0x22, 0x00};
    for (int i = 0; i + 1 < TIDE_TABLE_HEIGHTS; i++) {
        int16_t x = x_of(i * 30), end = x_of(i * 30 + 30);
        for (int16_t at = x; at < end; at++) { /* water under the curve */
            int32_t cm = table->heights[i] + (table->heights[i + 1] - table->heights[i]) *
                                                 (int32_t)(at - x) / (end - x);
            int16_t y = y_of((int)cm);
            jl_fill_pattern(target, (struct jl_rect){at, y, 1, (int16_t)(CURVE_BOTTOM - y)}, water,
                            JL_BLACK, JL_WHITE);
        }
        jl_draw_wide_line(target, (struct jl_point){x, y_of(table->heights[i])},
                          (struct jl_point){end, y_of(table->heights[i + 1])}, 3, JL_BLACK);
    }
    jl_fill_rect(target, (struct jl_rect){LEFT, CURVE_BOTTOM, WIDTH - 2 * LEFT, 1}, JL_BLACK);
    for (int hour = 0; hour <= 24; hour += 6) {
        char text[8];
        jl_format_int(text, sizeof text, hour, 2, '0');
        jl_fill_rect(target, (struct jl_rect){x_of(hour * 60), CURVE_BOTTOM, 1, 4}, JL_BLACK);
        jl_text_at(target, x_of(hour * 60), CURVE_BOTTOM + 5, JL_ANCHOR_CENTRE | JL_ANCHOR_TOP,
                   text, &small);
    }
}

void tide_table_now(struct jl_target *target, const struct tide_table *table) {
    char line[48];
    struct jl_compose text;
    int16_t now = table->heights[table->minute / 30];
    jl_compose_begin(&text, line, sizeof line);
    add_time(&text, table->minute);
    jl_compose_text(&text, "  the tide is at ", 0);
    jl_compose_fixed(&text, now, 2, 0);
    jl_compose_text(&text, " m", 0);
    jl_text_field(target, LEFT, NOW_TOP + 6, WIDTH - 2 * LEFT, JL_ANCHOR_LEFT, line, &plain);
}

void tide_table_draw(struct jl_target *target, const struct tide_table *table) {
    jl_clear(target, JL_WHITE);
    jl_fill_rect(target, (struct jl_rect){0, 0, WIDTH, 34}, JL_BLACK);
    jl_text(target, LEFT, 10, "HERON QUAY  tides of today", &title);
    draw_turns(target, table);
    draw_curve(target, table);
    tide_table_now(target, table);
}
