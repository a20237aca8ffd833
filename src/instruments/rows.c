/* Rows of text. */
#include "rows.h"

#include "../core/mem.h"

enum { BAR = 3 };

static int16_t height_of(const struct rows *rows) {
    return (int16_t)(rows->theme->font->height + (rows->theme->font->height > 9 ? 5 : 1));
}

int16_t jl_rows_seen(const struct rows *rows) {
    int16_t seen = (int16_t)(rows->box.h / height_of(rows));
    return seen > 0 ? seen : 1;
}

static bool has_bar(const struct rows *rows) {
    return rows->count > jl_rows_seen(rows);
}

struct jl_rect jl_rows_area(const struct rows *rows, int16_t row) {
    int16_t height = height_of(rows);
    return (struct jl_rect){rows->box.x, (int16_t)(rows->box.y + (row - rows->first) * height),
                            (int16_t)(rows->box.w - (has_bar(rows) ? BAR + 1 : 0)), height};
}

int16_t jl_rows_at(const struct rows *rows, int16_t x, int16_t y) {
    if (!jl_rect_has(rows->box, x, y)) {
        return -1;
    }
    int16_t row = (int16_t)((y - rows->box.y) / height_of(rows));
    return row < jl_rows_seen(rows) && row + rows->first < rows->count
               ? (int16_t)(row + rows->first)
               : (int16_t)-1;
}

static int16_t cut_first(const struct rows *rows, int16_t first) {
    int16_t most = (int16_t)(rows->count - jl_rows_seen(rows));
    first = first > most ? most : first;
    return first < 0 ? 0 : first;
}

int16_t jl_rows_first(const struct rows *rows) {
    int16_t first = rows->first, seen = jl_rows_seen(rows);
    first = rows->selected < first ? rows->selected : first;
    first = rows->selected >= first + seen ? (int16_t)(rows->selected - seen + 1) : first;
    return cut_first(rows, first);
}

static const char *text_of(const struct rows *rows, int16_t row) {
    const char *text;
    memcpy(&text, (const char *)rows->texts + (size_t)row * rows->stride, sizeof text);
    return text;
}

static void draw_row(struct jl_target *target, const struct rows *rows, int16_t row) {
    bool chosen = row == rows->selected;
    struct jl_rect area = jl_rows_area(rows, row);
    const struct jl_theme *theme = rows->theme;
    struct jl_text_style style =
        jl_theme_text(theme->font, chosen ? theme->back : theme->ink, JL_CLEAR);
    jl_fill_rect(target, area, chosen ? theme->accent : theme->face);
    area.x = (int16_t)(area.x + 2);
    area.w = (int16_t)(area.w - 2);
    jl_text_box(target, area, JL_ANCHOR_MIDDLE | JL_TEXT_ELLIPSIS, text_of(rows, row), &style);
}

/* As long as what is seen is of all, where it is in it. */
static void draw_bar(struct jl_target *target, const struct rows *rows) {
    struct jl_rect bar = {(int16_t)(rows->box.x + rows->box.w - BAR), rows->box.y, BAR,
                          rows->box.h};
    jl_fill_rect(target, bar, rows->theme->unlit);
    bar.y = (int16_t)(bar.y + (int32_t)rows->box.h * rows->first / rows->count);
    bar.h = (int16_t)((int32_t)rows->box.h * jl_rows_seen(rows) / rows->count);
    bar.h = bar.h > 0 ? bar.h : 1;
    jl_fill_rect(target, bar, rows->theme->line);
}

void jl_rows_draw(struct jl_target *target, const struct rows *rows) {
    jl_fill_rect(target, rows->box, rows->theme->face);
    for (int16_t i = 0; i < jl_rows_seen(rows) && rows->first + i < rows->count; i++) {
        int16_t row = (int16_t)(rows->first + i);
        if (jl_instrument_sees(target, jl_rows_area(rows, row))) {
            draw_row(target, rows, row);
        }
    }
    if (has_bar(rows)) {
        draw_bar(target, rows);
    }
}

void jl_rows_changes(const struct rows *rows, int16_t shown_selected, int16_t shown_first,
                     struct parts *parts) {
    if (rows->first != shown_first) {
        jl_parts_add(parts, rows->box);
    } else if (rows->selected != shown_selected) {
        /* One of them may be out of sight. */
        jl_parts_add(parts, jl_rect_intersect(jl_rows_area(rows, shown_selected), rows->box));
        jl_parts_add(parts, jl_rect_intersect(jl_rows_area(rows, rows->selected), rows->box));
    }
}

static int16_t within(int32_t value, int16_t most) {
    return (int16_t)(value > most ? most : value < 0 ? 0 : value);
}

bool jl_rows_event(const struct rows *rows, const struct jl_event *event, int16_t *selected,
                   int16_t *first, int16_t *rest) {
    int16_t row = jl_rows_at(rows, event->x, event->y), height = height_of(rows);
    int16_t steps = jl_event_steps(event);
    struct rows moved = *rows;
    if (rows->count < 1) {
        return false;
    }
    if (steps) {
        moved.selected = within((int32_t)*selected + steps, (int16_t)(rows->count - 1));
        *selected = moved.selected;
        *first = jl_rows_first(&moved);
        return false;
    }
    switch (event->kind) {
    case JL_EVENT_PRESS:
        *rest = 0;
        return false;
    case JL_EVENT_TAP:
        *selected = row >= 0 ? row : *selected;
        return row >= 0;
    case JL_EVENT_DRAG: {
        if (!jl_rect_has(rows->box, event->x, event->y)) {
            return false;
        }
        int16_t gone = (int16_t)(*rest + event->dy), by = (int16_t)(gone / height);
        *rest = (int16_t)(gone - by * height);
        *first = cut_first(rows, (int16_t)(*first - by));
        return false;
    }
    case JL_EVENT_FLICK:
        if (jl_rect_has(rows->box, event->x, event->y)) {
            int16_t page = jl_rows_seen(rows);
            *first = cut_first(rows, (int16_t)(*first + (event->dy > 0 ? -page : page)));
        }
        return false;
    default:
        return jl_event_chooses(event);
    }
}
