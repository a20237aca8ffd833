/* A menu: a title, and the rows of the open page. */
#include "jadelamp/instruments/menu.h"

#include "rows.h"

static int16_t title_height(const struct jl_menu_face *face) {
    return (int16_t)(face->theme->font->height + 2);
}

static struct rows rows_of(const struct jl_menu *menu) {
    const struct jl_menu_page *page = menu->pages[menu->depth];
    struct jl_rect box = menu->face->box;
    int16_t title = title_height(menu->face);
    box.y = (int16_t)(box.y + title);
    box.h = (int16_t)(box.h - title);
    return (struct rows){
        box,         menu->face->theme,           &page->entries->text, sizeof *page->entries,
        page->count, menu->selected[menu->depth], menu->first};
}

/* Another page is open now. */
static void show_page(struct jl_menu *menu) {
    menu->first = menu->rest = 0;
    struct rows rows = rows_of(menu);
    menu->first = jl_rows_first(&rows);
    menu->drawn = false;
}

static void go_back(struct jl_menu *menu) {
    if (menu->depth > 0) {
        menu->depth--;
        show_page(menu);
    }
}

static int16_t choose(struct jl_menu *menu) {
    const struct jl_menu_page *page = menu->pages[menu->depth];
    const struct jl_menu_entry *entry = &page->entries[menu->selected[menu->depth]];
    if (!entry->page) {
        return entry->id;
    }
    if (menu->depth + 1 < JL_MENU_DEPTH) {
        menu->depth++;
        menu->pages[menu->depth] = entry->page;
        menu->selected[menu->depth] = 0;
        show_page(menu);
    }
    return JL_MENU_NONE;
}

int16_t jl_menu_event(struct jl_menu *menu, const struct jl_event *event) {
    struct rows rows = rows_of(menu);
    struct jl_rect title = menu->face->box;
    title.h = title_height(menu->face);
    bool back = event->kind == JL_EVENT_KEY && event->which == JL_KEY_BACK && !event->dx;
    if (back || (event->kind == JL_EVENT_TAP && jl_rect_has(title, event->x, event->y))) {
        go_back(menu);
        return JL_MENU_NONE;
    }
    bool chosen =
        jl_rows_event(&rows, event, &menu->selected[menu->depth], &menu->first, &menu->rest);
    return chosen ? choose(menu) : JL_MENU_NONE;
}

static void draw(struct jl_target *target, const void *instrument) {
    const struct jl_menu *menu = instrument;
    const struct jl_theme *theme = menu->face->theme;
    struct jl_rect title = menu->face->box;
    struct jl_text_style style = jl_theme_text(theme->font, theme->ink, JL_CLEAR);
    struct rows rows = rows_of(menu);
    title.h = title_height(menu->face);
    jl_fill_rect(target, title, theme->face);
    jl_fill_rect(target, (struct jl_rect){title.x, (int16_t)(title.y + title.h - 1), title.w, 1},
                 theme->line);
    int16_t x = (int16_t)(title.x + 2);
    if (menu->depth > 0) { /* an arrow: there is a way back */
        int16_t half = (int16_t)(style.font->height / 3), y = (int16_t)(title.y + title.h / 2 - 1);
        for (int16_t i = 0; i <= half; i++) {
            jl_fill_rect(
                target,
                (struct jl_rect){(int16_t)(x + i), (int16_t)(y - i), 1, (int16_t)(2 * i + 1)},
                theme->ink);
        }
        x = (int16_t)(x + half + 4);
    }
    jl_text_box(target, (struct jl_rect){x, title.y, (int16_t)(title.x + title.w - x), title.h},
                JL_TEXT_ELLIPSIS, menu->pages[menu->depth]->title, &style);
    jl_rows_draw(target, &rows);
}

static void find_changes(const struct jl_menu *menu, struct parts *parts) {
    struct rows rows = rows_of(menu);
    jl_rows_changes(&rows, menu->shown_selected, menu->shown_first, parts);
}

bool jl_menu_redraw(struct jl_target *target, struct jl_menu *menu) {
    struct parts parts = {0};
    if (menu->drawn) {
        find_changes(menu, &parts);
    } else {
        jl_parts_add(&parts, menu->face->box);
    }
    menu->shown_selected = menu->selected[menu->depth];
    menu->shown_first = menu->first;
    menu->drawn = true;
    return jl_parts_draw(&parts, menu->face->box, target, draw, menu);
}

void jl_menu_draw(struct jl_target *target, const struct jl_menu *menu) {
    jl_instrument_draw(target, menu->face->box, draw, menu);
}
