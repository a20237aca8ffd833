/*
 * A strip chart. A sweep draws anew only the rows that the new column fills, and those that the
 * column ahead had filled.
 */
#include "jadelamp/instruments/chart.h"

#include "../core/paint.h"
#include "instrument.h"
#include "jadelamp/format.h"

void jl_chart_empty(struct jl_chart *chart) {
    chart->count = 0;
    chart->open_values = 0;
    chart->last = 0;
    chart->drawn = false;
}

void jl_chart_add(struct jl_chart *chart, int16_t value) {
    struct jl_chart_column *open = &chart->open;
    if (chart->open_values == 0) {
        *open = (struct jl_chart_column){value, value};
    }
    open->low = value < open->low ? value : open->low;
    open->high = value > open->high ? value : open->high;
    chart->last = value;
    if (++chart->open_values >= chart->face->values) {
        chart->columns[chart->count % chart->room] = *open;
        chart->count++;
        chart->open_values = 0;
    }
}

/* Where the columns are drawn. */
static struct jl_rect plot_of(const struct jl_chart *chart) {
    struct jl_rect plot = jl_inset(chart->face->box, 1);
    if (plot.w > 0 && (uint16_t)plot.w > chart->room) {
        plot.w = (int16_t)chart->room;
    }
    plot.w = plot.w > 0 && plot.h > 0 ? plot.w : 0;
    return plot;
}

static uint8_t gap_of(const struct jl_chart_face *face) {
    return face->gap ? face->gap : 1;
}

/* The number of the column at x of the plot: 0 was the first ever. False: nothing is there. */
static bool column_at(const struct jl_chart *chart, int16_t width, int16_t x, uint32_t *number) {
    uint32_t count = chart->count, back;
    if (chart->face->sweeps) {
        /* x is where column x, x + width, x + 2 width ... is: the last of these. */
        uint32_t head = count % (uint16_t)width;
        back = ((uint32_t)width + head - 1 - (uint16_t)x) % (uint16_t)width;
        if (back + gap_of(chart->face) >= (uint16_t)width) {
            return false;
        }
    } else {
        back = (uint32_t)(width - 1 - x);
    }
    *number = count - 1 - back;
    return back < count;
}

/* The rows of a column, to the end of the one before, so that the line has no holes. */
static struct jl_rect rows_of(const struct jl_chart *chart, struct jl_rect plot, int16_t x,
                              uint32_t number) {
    struct jl_chart_column column = chart->columns[number % chart->room];
    if (number > 0 && chart->count - number < chart->room) {
        struct jl_chart_column before = chart->columns[(number - 1) % chart->room];
        column.low = column.low > before.high ? before.high : column.low;
        column.high = column.high < before.low ? before.low : column.high;
    }
    int16_t low = jl_scale_at(&chart->face->scale, column.low, (int16_t)(plot.h - 1));
    int16_t high = jl_scale_at(&chart->face->scale, column.high, (int16_t)(plot.h - 1));
    return (struct jl_rect){(int16_t)(plot.x + x), (int16_t)(plot.y + plot.h - 1 - high), 1,
                            (int16_t)(high - low + 1)};
}

static jl_color color_of(const struct jl_chart *chart, uint32_t number) {
    const struct jl_chart_column *column = &chart->columns[number % chart->room];
    const struct jl_scale *scale = &chart->face->scale;
    uint8_t low = jl_scale_grade(scale, column->low), high = jl_scale_grade(scale, column->high);
    uint8_t grade = low > high ? low : high;
    return grade == JL_GRADE_GOOD ? chart->face->theme->accent
                                  : jl_theme_grade(chart->face->theme, grade);
}

static struct jl_text_style number_style(const struct jl_chart_face *face) {
    return jl_theme_text(face->theme->font, face->theme->ink, face->theme->face);
}

/* Where the number stands when it has a text: the width of that text. */
static struct jl_rect number_area(const struct jl_chart_face *face, int16_t value) {
    char text[JL_FORMAT_BYTES];
    struct jl_text_style style = number_style(face);
    jl_format_fixed(text, sizeof text, value, face->decimals);
    int16_t width = jl_text_width(&style, text);
    return (struct jl_rect){(int16_t)(face->box.x + face->box.w - 2 - width),
                            (int16_t)(face->box.y + 2), width, style.font->height};
}

static void draw_grid(struct jl_target *target, const struct jl_chart_face *face,
                      struct jl_rect plot) {
    for (uint8_t i = 1; i < face->divisions; i++) {
        int16_t y = (int16_t)(plot.y + (int32_t)(plot.h - 1) * i / face->divisions);
        /* Dots, which a column hides: every fourth pixel. */
        for (int16_t x = 0; x < plot.w; x = (int16_t)(x + 4)) {
            jl_draw_pixel(target, (int16_t)(plot.x + x), y, face->theme->line);
        }
    }
}

static void draw(struct jl_target *target, const void *instrument) {
    const struct jl_chart *chart = instrument;
    const struct jl_chart_face *face = chart->face;
    struct jl_rect plot = plot_of(chart), seen = jl_paint_visible(target);
    jl_fill_rect(target, face->box, face->theme->face);
    jl_stroke_rect(target, face->box, face->theme->line);
    draw_grid(target, face, plot);
    seen = jl_rect_intersect(seen, plot);
    int32_t from = (int32_t)seen.x - plot.x;
    for (int32_t x = from; plot.w > 0 && x < from + seen.w; x++) {
        uint32_t number;
        if (column_at(chart, plot.w, (int16_t)x, &number)) {
            jl_fill_rect(target, rows_of(chart, plot, (int16_t)x, number), color_of(chart, number));
        }
    }
    if (face->number && (chart->count || chart->open_values)) {
        char text[JL_FORMAT_BYTES];
        struct jl_text_style style = number_style(face);
        struct jl_rect area = number_area(face, chart->last);
        jl_format_fixed(text, sizeof text, chart->last, face->decimals);
        jl_text(target, area.x, area.y, text, &style);
    }
}

/* Of a sweep: the columns since, and those that became empty ahead of them. */
static void find_columns(const struct jl_chart *chart, struct parts *parts) {
    struct jl_rect plot = plot_of(chart);
    uint32_t width = (uint16_t)plot.w, since = chart->count - chart->shown;
    uint8_t gap = gap_of(chart->face);
    if (width == 0 || !chart->face->sweeps || since >= gap || since > MOST_PARTS / 2 - 1) {
        jl_parts_add(parts, plot); /* what was there is gone from the memory, or it is too much */
        return;
    }
    for (uint32_t i = chart->shown; i < chart->count; i++) {
        jl_parts_add(parts, rows_of(chart, plot, (int16_t)(i % width), i));
        if (i + gap >= width && i + gap - width < i) {
            uint32_t old = i + gap - width; /* as it was shown, a width ago */
            jl_parts_add(parts, rows_of(chart, plot, (int16_t)(old % width), old));
        }
    }
}

static void find_changes(const struct jl_chart *chart, struct parts *parts) {
    const struct jl_chart_face *face = chart->face;
    if (chart->count != chart->shown) {
        find_columns(chart, parts);
    }
    if (face->number && chart->last != chart->shown_last) {
        jl_parts_add(parts, jl_rect_around(number_area(face, chart->last),
                                           number_area(face, chart->shown_last)));
    }
}

bool jl_chart_redraw(struct jl_target *target, struct jl_chart *chart) {
    struct parts parts = {0};
    if (chart->drawn) {
        find_changes(chart, &parts);
    } else {
        jl_parts_add(&parts, chart->face->box);
    }
    chart->shown = chart->count;
    chart->shown_last = chart->last;
    chart->drawn = true;
    return jl_parts_draw(&parts, chart->face->box, target, draw, chart);
}

void jl_chart_draw(struct jl_target *target, const struct jl_chart *chart) {
    jl_instrument_draw(target, chart->face->box, draw, chart);
}
