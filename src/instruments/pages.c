/* Tabs or dots for pages. */
#include "jadelamp/instruments/pages.h"

#include "instrument.h"
#include "jadelamp/shapes.h"

static struct jl_rect tab_of(const struct jl_pages_face *face, uint8_t page) {
    int16_t left = (int16_t)((int32_t)face->box.w * page / face->count);
    int16_t right = (int16_t)((int32_t)face->box.w * (page + 1) / face->count);
    return (struct jl_rect){(int16_t)(face->box.x + left), face->box.y, (int16_t)(right - left),
                            face->box.h};
}

bool jl_pages_event(struct jl_pages *pages, const struct jl_event *event) {
    const struct jl_pages_face *face = pages->face;
    int32_t page = pages->page, before = page;
    if (event->kind == JL_EVENT_TAP) {
        for (uint8_t i = 0; i < face->count; i++) {
            page = jl_rect_has(tab_of(face, i), event->x, event->y) ? i : page;
        }
    } else if (event->kind == JL_EVENT_FLICK && jl_rect_has(face->flick, event->x, event->y)) {
        int32_t dx = event->dx, dy = event->dy;
        bool across = dx * dx > dy * dy;
        page += across ? (dx < 0 ? 1 : -1) : 0; /* to the left brings what is on the right */
    } else if (pages->focused) {
        page += jl_event_steps(event);
    }
    page = page >= face->count ? face->count - 1 : page;
    pages->page = (uint8_t)(page < 0 ? 0 : page);
    return pages->page != before;
}

static void draw_tab(struct jl_target *target, const struct jl_pages *pages, uint8_t page) {
    const struct jl_theme *theme = pages->face->theme;
    struct jl_rect tab = tab_of(pages->face, page);
    bool chosen = page == pages->page;
    if (!pages->face->titles) {
        int16_t radius = (int16_t)((tab.w < tab.h ? tab.w : tab.h) / 6 + 1);
        int16_t x = (int16_t)(tab.x + tab.w / 2), y = (int16_t)(tab.y + tab.h / 2);
        jl_fill_circle(target, x, y, radius, chosen ? theme->accent : theme->unlit);
        jl_stroke_circle(target, x, y, radius, chosen && pages->focused ? theme->ink : theme->line);
        return;
    }
    struct jl_text_style style =
        jl_theme_text(theme->font, chosen ? theme->back : theme->ink, JL_CLEAR);
    jl_fill_rect(target, tab, chosen ? theme->accent : theme->face);
    jl_stroke_rect(target, tab, chosen && pages->focused ? theme->ink : theme->line);
    jl_text_box(target, tab, JL_ANCHOR_CENTRE | JL_ANCHOR_MIDDLE | JL_TEXT_ELLIPSIS,
                pages->face->titles[page], &style);
}

static void draw(struct jl_target *target, const void *instrument) {
    const struct jl_pages *pages = instrument;
    jl_fill_rect(target, pages->face->box, pages->face->theme->back);
    for (uint8_t i = 0; i < pages->face->count; i++) {
        struct jl_rect before = jl_target_clip(target, tab_of(pages->face, i));
        draw_tab(target, pages, i);
        jl_target_unclip(target, before);
    }
}

static void find_changes(const struct jl_pages *pages, struct parts *parts) {
    if (pages->page != pages->shown || pages->focused != pages->shown_focused) {
        jl_parts_add(parts, tab_of(pages->face, pages->shown));
        if (pages->page != pages->shown) {
            jl_parts_add(parts, tab_of(pages->face, pages->page));
        }
    }
}

bool jl_pages_redraw(struct jl_target *target, struct jl_pages *pages) {
    struct parts parts = {0};
    if (pages->drawn) {
        find_changes(pages, &parts);
    } else {
        jl_parts_add(&parts, pages->face->box);
    }
    pages->shown = pages->page;
    pages->shown_focused = pages->focused;
    pages->drawn = true;
    return jl_parts_draw(&parts, pages->face->box, target, draw, pages);
}

void jl_pages_draw(struct jl_target *target, const struct jl_pages *pages) {
    jl_instrument_draw(target, pages->face->box, draw, pages);
}
