/* The functions of a screen that a program calls, as C. */
#include "write_parts.h"

static bool meet(const struct item *a, const struct item *b) {
    bool together = a->page == NONE || b->page == NONE || a->page == b->page;
    return together && !jl_rect_is_empty(jl_rect_intersect(a->paints, b->paints));
}

bool jl_host_is_covered(const struct jl_screen *screen, int item) {
    for (int i = item + 1; i < screen->item_count; i++) {
        if (meet(&screen->items[item], &screen->items[i])) {
            return true;
        }
    }
    return false;
}

bool jl_host_redraws_itself(const struct jl_screen *screen, int index) {
    const struct item *item = &screen->items[index];
    return jl_host_instrument_type(item) && !item->when.compare &&
           !jl_host_is_covered(screen, index);
}

/* "if (screen->page == X_main) {" around what is on a page; `page` NONE: all. */
static void open_page(FILE *out, const struct jl_screen *screen, int page, const char *indent) {
    if (page != NONE && screen->page_count > 1) {
        fprintf(out, "%sif (screen->page == %s_page_%s) {\n", indent, screen->name,
                screen->page_names[page]);
    }
}

static void close_page(FILE *out, const struct jl_screen *screen, int page, const char *indent) {
    if (page != NONE && screen->page_count > 1) {
        fprintf(out, "%s}\n", indent);
    }
}

/* ---- all of it ---- */

/* A function of all items in order, with or without instruments that redraw themselves. */
static void write_draw_items(FILE *out, const struct jl_screen *screen, bool instruments) {
    fprintf(out, "static void draw_%s(const struct %s *screen, struct jl_target *target) {\n",
            instruments ? "all" : "rest", screen->name);
    int page = NONE;
    for (int i = 0; i < screen->item_count; i++) {
        const struct item *item = &screen->items[i];
        if (!instruments && jl_host_redraws_itself(screen, i)) {
            continue;
        }
        if (item->page != page) {
            close_page(out, screen, page, "    ");
            page = item->page;
            open_page(out, screen, page, "    ");
        }
        fprintf(out, "%sitem_%d(screen, target);\n",
                page != NONE && screen->page_count > 1 ? "        " : "    ", i);
    }
    close_page(out, screen, page, "    ");
    if (!screen->item_count) {
        fputs("    (void)screen;\n    (void)target;\n", out);
    }
    fputs("}\n\n", out);
}

static bool any_redraws_itself(const struct jl_screen *screen) {
    for (int i = 0; i < screen->item_count; i++) {
        if (jl_host_redraws_itself(screen, i)) {
            return true;
        }
    }
    return false;
}

/* ---- what changed ---- */

static void write_differs(FILE *out, const struct jl_screen *screen, uint64_t needs) {
    bool first = true;
    for (int v = 0; v < screen->value_count; v++) {
        const struct value *value = &screen->values[v];
        if (!(needs >> v & 1)) {
            continue;
        }
        fputs(first ? "" : " || ", out);
        if (value->kind == JL_SCREEN_WORDS || value->kind == JL_SCREEN_SERIES) {
            fprintf(out, "differ(now->%s, was->%s, sizeof now->%s)", value->name, value->name,
                    value->name);
        } else {
            fprintf(out, "now->%s != was->%s", value->name, value->name);
        }
        first = false;
    }
}

/* An item whose values changed: alone, or all that is within its box, back to front. */
static void write_again(FILE *out, const struct jl_screen *screen, int index) {
    const struct item *item = &screen->items[index];
    struct jl_rect box = item->paints;
    fputs("        if (", out);
    write_differs(out, screen, item->needs);
    fputs(") {\n            changed = true;\n", out);
    if (item->covers && !item->when.compare && !jl_host_is_covered(screen, index)) {
        fprintf(out, "            item_%d(screen, target);\n        }\n", index);
        return;
    }
    fprintf(
        out,
        "            struct jl_rect before = jl_target_clip(target, (struct jl_rect){%d, %d, %d, "
        "%d});\n",
        box.x, box.y, box.w, box.h);
    for (int i = 0; i < screen->item_count; i++) {
        const struct item *other = &screen->items[i];
        if (i != index && !meet(item, other)) {
            continue;
        }
        /* On a page of its own, where this one is on all. */
        bool asks = item->page == NONE && other->page != NONE && screen->page_count > 1;
        if (asks) {
            open_page(out, screen, other->page, "            ");
        }
        fprintf(out, "            %sitem_%d(screen, target);\n", asks ? "    " : "", i);
        if (asks) {
            close_page(out, screen, other->page, "            ");
        }
    }
    fputs("            jl_target_unclip(target, before);\n        }\n", out);
}

/* Words and series, byte by byte. */
static void write_differ(FILE *out, const struct jl_screen *screen) {
    uint64_t shown = 0;
    bool any = false;
    for (int i = 0; i < screen->item_count; i++) {
        shown |= jl_host_redraws_itself(screen, i) ? 0 : screen->items[i].needs;
    }
    for (int v = 0; v < screen->value_count; v++) {
        enum jl_screen_value_kind kind = screen->values[v].kind;
        any |= (shown >> v & 1) && (kind == JL_SCREEN_WORDS || kind == JL_SCREEN_SERIES);
    }
    if (any) {
        fputs("static bool differ(const void *a, const void *b, size_t bytes) {\n"
              "    const uint8_t *one = a, *other = b;\n    while (bytes && *one == *other) {\n"
              "        one++;\n        other++;\n        bytes--;\n    }\n"
              "    return bytes != 0;\n}\n\n",
              out);
    }
}

static void write_redraws(FILE *out, const struct jl_screen *screen) {
    for (int i = 0; i < screen->item_count; i++) {
        const struct item *item = &screen->items[i];
        char name[80];
        if (!jl_host_redraws_itself(screen, i)) {
            continue;
        }
        const char *type = jl_host_instrument_type(item);
        snprintf(name, sizeof name, "screen->%s_%d", type, i);
        open_page(out, screen, item->page, "    ");
        fprintf(out, "    %s.face = &face_%d;\n", name, i);
        jl_host_write_instrument_value(out, screen, item, name);
        fprintf(out, "    %s.drawn &= !whole;\n", name);
        fprintf(out, "    changed |= jl_%s_redraw(target, &%s);\n", type, name);
        close_page(out, screen, item->page, "    ");
    }
}

static void write_update(FILE *out, const struct jl_screen *screen) {
    bool some = false;
    for (int i = 0; i < screen->item_count; i++) {
        some |= screen->items[i].needs && !jl_host_redraws_itself(screen, i);
    }
    fprintf(out,
            "bool %s_update(struct %s *screen, struct jl_target *target) {\n"
            "    bool whole = !screen->drawn || screen->page != screen->shown_page;\n"
            "    bool changed = whole;\n    if (whole) {\n        draw_%s(screen, target);\n    }",
            screen->name, screen->name, any_redraws_itself(screen) ? "rest" : "all");
    if (some) {
        fprintf(out,
                " else {\n        const struct %s_values *now = &screen->values, *was = "
                "&screen->shown;\n",
                screen->name);
        for (int i = 0; i < screen->item_count; i++) {
            const struct item *item = &screen->items[i];
            if (item->needs && !jl_host_redraws_itself(screen, i)) {
                open_page(out, screen, item->page, "        ");
                write_again(out, screen, i);
                close_page(out, screen, item->page, "        ");
            }
        }
        fputs("    }", out);
    }
    fputc('\n', out);
    write_redraws(out, screen);
    fprintf(out,
            "%s    screen->shown_page = screen->page;\n    screen->drawn = true;\n"
            "    return changed;\n}\n",
            screen->value_count ? "    screen->shown = screen->values;\n" : "");
}

/* ---- events ---- */

static void write_press(FILE *out, const struct jl_screen *screen, const struct item *item,
                        const char *indent) {
    if (item->goes != NONE) {
        fprintf(out, "%sscreen->page = %s_page_%s;\n", indent, screen->name,
                screen->page_names[item->goes]);
    } else {
        fprintf(out, "%s%s_on_%s(screen);\n", indent, screen->name, item->name);
    }
    fprintf(out, "%sreturn true;\n", indent);
}

static void write_key(FILE *out, const struct jl_screen *screen, const struct key_way *way) {
    static const char *const names[] = {"OK", "BACK", "UP", "DOWN"};
    fprintf(out, "    if (event->kind == JL_EVENT_KEY && event->which == JL_KEY_%s",
            names[way->key]);
    if (way->page != NONE && screen->page_count > 1) {
        fprintf(out, " && screen->page == %s_page_%s", screen->name, screen->page_names[way->page]);
    }
    fputs(") {\n", out);
    if (way->button != NONE) {
        write_press(out, screen, &screen->items[way->button], "        ");
    } else {
        fprintf(out, "        screen->page = %s_page_%s;\n        return true;\n", screen->name,
                screen->page_names[way->goes]);
    }
    fputs("    }\n", out);
}

static void write_event(FILE *out, const struct jl_screen *screen) {
    fprintf(out, "\nbool %s_event(struct %s *screen, const struct jl_event *event) {\n",
            screen->name, screen->name);
    for (int i = 0; i < screen->key_count; i++) {
        write_key(out, screen, &screen->keys[i]);
    }
    for (int i = screen->item_count - 1; i >= 0; i--) { /* the front first */
        const struct item *item = &screen->items[i];
        if (item->kind != ITEM_BUTTON && item->kind != ITEM_SLIDER) {
            continue;
        }
        const char *type = jl_host_instrument_type(item);
        open_page(out, screen, item->page, "    ");
        fprintf(out, "    screen->%s_%d.face = &face_%d;\n", type, i, i);
        if (item->kind == ITEM_BUTTON) {
            fprintf(out, "    if (jl_button_event(&screen->button_%d, event)) {\n", i);
            write_press(out, screen, item, "        ");
        } else {
            const struct value *value = &screen->values[item->value];
            const char *name = value->name;
            bool small = value->least >= INT16_MIN && value->most <= INT16_MAX;
            fprintf(out,
                    "    screen->slider_%d.value = screen->values.%s;\n"
                    "    if (jl_slider_event(&screen->slider_%d, event)) {\n"
                    "        screen->values.%s = (int%d_t)screen->slider_%d.value;\n"
                    "        %s_on_%s(screen);\n        return true;\n",
                    i, name, i, name, small ? 16 : 32, i, screen->name, name);
        }
        fputs("    }\n", out);
        close_page(out, screen, item->page, "    ");
    }
    fputs("    return false;\n}\n", out);
}

void jl_host_write_calls(FILE *out, const struct jl_screen *screen) {
    bool hands = screen->key_count > 0;
    for (int i = 0; i < screen->item_count; i++) {
        hands |= screen->items[i].kind == ITEM_BUTTON || screen->items[i].kind == ITEM_SLIDER;
    }
    write_draw_items(out, screen, true);
    if (any_redraws_itself(screen)) {
        write_draw_items(out, screen, false);
    }
    fprintf(out,
            "void %s_draw(const struct %s *screen, struct jl_target *target) {\n"
            "    draw_all(screen, target);\n}\n\n",
            screen->name, screen->name);
    write_differ(out, screen);
    write_update(out, screen);
    if (hands) {
        write_event(out, screen);
    }
}
