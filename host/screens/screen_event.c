/* What hands do with a screen in a preview. */
#include "screen_parts.h"

static bool is_inside(struct jl_rect box, const struct jl_event *event) {
    return event->x >= box.x && event->y >= box.y && event->x < box.x + box.w &&
           event->y < box.y + box.h;
}

static bool press(const struct item *item, struct jl_screen_state *state) {
    bool goes = item->goes != NONE && item->goes != state->page;
    state->page = item->goes != NONE ? item->goes : state->page;
    return goes;
}

bool jl_screen_event(const struct jl_screen *screen, const struct jl_event *event,
                     struct jl_screen_state *state) {
    if (event->kind == JL_EVENT_KEY) {
        for (int i = 0; i < screen->key_count; i++) {
            const struct key_way *way = &screen->keys[i];
            if (way->key == event->which && (way->page == NONE || way->page == state->page)) {
                struct item goes = {.goes = way->goes};
                return press(way->button == NONE ? &goes : &screen->items[way->button], state);
            }
        }
        return false;
    }
    for (int i = screen->item_count - 1; i >= 0; i--) { /* the front first */
        const struct item *item = &screen->items[i];
        if (!jl_host_item_is_on(item, state->page) ||
            !jl_host_condition_holds(&item->when, state)) {
            continue;
        }
        if (item->kind == ITEM_BUTTON && event->kind == JL_EVENT_TAP &&
            is_inside(item->box, event)) {
            return press(item, state);
        }
        if (item->kind == ITEM_SLIDER && is_inside(item->box, event)) {
            const struct jl_slider_face face = jl_host_slider_face(screen, item);
            struct jl_slider slider = {.face = &face, .value = state->numbers[item->value]};
            /* Wherever the finger is, it came down there: a preview has no memory of it. */
            struct jl_event down = *event;
            down.kind = JL_EVENT_PRESS;
            jl_slider_event(&slider, &down);
            bool moved = slider.value != state->numbers[item->value];
            state->numbers[item->value] = slider.value;
            return moved;
        }
    }
    return false;
}
