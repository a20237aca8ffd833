/* A list. */
#include "jadelamp/instruments/list.h"

#include "rows.h"

static struct rows rows_of(const struct jl_list *list) {
    return (struct rows){list->face->box, list->face->theme, list->items, sizeof *list->items,
                         list->count,     list->selected,    list->first};
}

bool jl_list_event(struct jl_list *list, const struct jl_event *event) {
    struct rows rows = rows_of(list);
    return jl_rows_event(&rows, event, &list->selected, &list->first, &list->rest);
}

void jl_list_select(struct jl_list *list, int16_t row) {
    row = row < list->count ? row : (int16_t)(list->count - 1);
    list->selected = row > 0 ? row : 0;
    struct rows rows = rows_of(list);
    list->first = jl_rows_first(&rows);
}

static void draw(struct jl_target *target, const void *instrument) {
    struct rows rows = rows_of(instrument);
    jl_rows_draw(target, &rows);
}

static void find_changes(const struct jl_list *list, struct parts *parts) {
    struct rows rows = rows_of(list);
    jl_rows_changes(&rows, list->shown_selected, list->shown_first, parts);
}

bool jl_list_redraw(struct jl_target *target, struct jl_list *list) {
    struct parts parts = {0};
    if (list->drawn) {
        find_changes(list, &parts);
    } else {
        jl_parts_add(&parts, list->face->box);
    }
    list->shown_selected = list->selected;
    list->shown_first = list->first;
    list->drawn = true;
    return jl_parts_draw(&parts, list->face->box, target, draw, list);
}

void jl_list_draw(struct jl_target *target, const struct jl_list *list) {
    jl_instrument_draw(target, list->face->box, draw, list);
}
