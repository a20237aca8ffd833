/* What a careful reader would object to: nothing here is a mistake in the sheet's words. */
#include <stdarg.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "screen_parts.h"

__attribute__((format(printf, 3, 4))) static void find(struct jl_screen *screen, int line,
                                                       const char *format, ...) {
    char text[400], whole[1000];
    va_list arguments;
    va_start(arguments, format);
    vsnprintf(text, sizeof text, format, arguments);
    va_end(arguments);
    snprintf(whole, sizeof whole, "%s:%d: %s", screen->file, line, text);
    if (screen->finding_count < MOST_FINDINGS) {
        screen->findings[screen->finding_count] = strdup(whole);
        screen->finding_count += screen->findings[screen->finding_count] != NULL;
    }
}

/* Words at a place: what they paint is as wide as the glass, since nobody knows how long they are.
 */
static bool has_open_end(const struct jl_screen *screen, const struct item *item) {
    return item->kind == ITEM_TEXT && item->has_place && jl_host_item_widest(screen, item) < 0;
}

/* ---- off the glass ---- */

static void look_at_edges(struct jl_screen *screen, const struct item *item) {
    struct jl_rect box = item->paints;
    const struct {
        int beyond;
        const char *edge;
    } edges[] = {{-box.x, "left"},
                 {-box.y, "upper"},
                 {box.x + box.w - screen->glass.width, "right"},
                 {box.y + box.h - screen->glass.height, "lower"}};
    bool open = has_open_end(screen, item);
    for (int i = 0; i < 4; i++) {
        bool across = i % 2 == 0;
        if (edges[i].beyond > 0 && !(open && across)) {
            find(screen, item->line, "%s: it reaches %d pixel%s past the %s edge of the glass",
                 jl_host_item_word(item->kind), edges[i].beyond, edges[i].beyond == 1 ? "" : "s",
                 edges[i].edge);
        }
    }
}

/* ---- texts ---- */

/* A text as it may look at its widest, for a reader. */
static void name_text(const struct jl_screen *screen, const struct item *item, char *out,
                      size_t size) {
    size_t length = 0;
    *out = '\0';
    for (int i = 0; i < item->piece_count && length < size - 1; i++) {
        const struct piece *piece = &item->pieces[i];
        bool letters = piece->value == NONE;
        int more = snprintf(out + length, size - length, letters ? "%s" : "{%s}",
                            letters ? piece->letters : screen->values[piece->value].name);
        length += more > 0 ? (size_t)more : 0;
    }
}

static void look_at_text(struct jl_screen *screen, const struct item *item) {
    char text[120];
    const struct jl_font *font = screen->fonts[item->font].font;
    int widest = jl_host_item_widest(screen, item);
    name_text(screen, item, text, sizeof text);
    if (item->has_box && item->box.h < font->height) {
        find(screen, item->line, "text \"%s\": the font is %d pixels high, and the box %d", text,
             font->height, item->box.h);
    }
    if (item->has_box && !item->wraps && widest > item->box.w) {
        find(screen, item->line, "text \"%s\": it needs up to %d pixels, and the box is %d wide",
             text, widest, item->box.w);
    }
    bool fixed = item->piece_count == 1 && item->pieces[0].value == NONE;
    if (item->has_box && item->wraps && fixed) {
        const struct jl_text_style style = jl_host_item_style(screen, item);
        struct jl_text_size size =
            jl_text_box_size(item->box.w, JL_TEXT_WRAP, item->pieces[0].letters, &style);
        if (size.height > item->box.h || size.width > item->box.w) {
            find(screen, item->line,
                 "text \"%s\": wrapped it needs %d x %d pixels, and the box is "
                 "%d x %d",
                 text, size.width, size.height, item->box.w, item->box.h);
        }
    }
}

/* ---- instruments with numbers ---- */

static void look_at_number(struct jl_screen *screen, const struct item *item) {
    const struct jl_theme *theme = &screen->themes[item->theme].theme;
    const struct value *value = &screen->values[item->value];
    const struct jl_text_style large = {.font = theme->large}, small = {.font = theme->font};
    int unit = *item->unit ? jl_text_width(&small, item->unit) + 3 : 0;
    int width = jl_host_value_widest(&large, value) + unit + 4;
    int height = theme->large->height + (*item->label ? theme->font->height : 0);
    if (width > item->box.w || height > item->box.h) {
        find(screen, item->line, "number %s: it needs up to %d x %d pixels, and the box is %d x %d",
             value->name, width, height, item->box.w, item->box.h);
    }
}

/* Places that the ends of the range need, a sign among them; the point has none. */
static void look_at_digits(struct jl_screen *screen, const struct item *item) {
    const struct value *value = &screen->values[item->value];
    const int32_t ends[] = {value->least, value->most};
    int most = 0;
    for (int i = 0; i < 2; i++) {
        char text[TEXT_OF_VALUE];
        jl_host_value_text(value, ends[i], NULL, text);
        int places = (int)strlen(text) - (strchr(text, '.') != NULL);
        most = places > most ? places : most;
    }
    if (most > item->places) {
        find(screen, item->line, "digits %s: it needs up to %d places, and has %d", value->name,
             most, item->places);
    }
}

/* ---- characters ---- */

/* Whether a font or one behind it has a character. */
static bool chain_has(const struct jl_screen *screen, const struct font *font, uint32_t code) {
    bool has = jl_font_has(font->font, code);
    for (int i = 0; i < font->other_count && !has; i++) {
        has = jl_font_has(screen->fonts[font->others[i]].font, code);
    }
    return has;
}

static void look_at_fonts(struct jl_screen *screen) {
    for (int i = 0; i < screen->font_count; i++) {
        const struct font *font = &screen->fonts[i];
        int room = (int)(sizeof font->baked.missing / sizeof font->baked.missing[0]);
        char codes[200] = "";
        int count = 0;
        for (int k = 0; k < font->baked.missing_count && k < room; k++) {
            size_t length = strlen(codes);
            if (!chain_has(screen, font, font->baked.missing[k])) {
                count++;
                snprintf(codes + length, sizeof codes - length, " U+%04X",
                         (unsigned)font->baked.missing[k]);
            }
        }
        /* Fonts behind another one lack much that is never asked of them. */
        bool behind = false;
        for (int k = 0; k < screen->font_count; k++) {
            for (int other = 0; other < screen->fonts[k].other_count; other++) {
                behind |= screen->fonts[k].others[other] == i;
            }
        }
        if (count && !behind) {
            find(screen, font->line, "font %s lacks %d character%s that the screen shows:%s",
                 font->name, count, count == 1 ? "" : "s", codes);
        }
    }
}

/* ---- overlaps ---- */

static bool meet(struct jl_rect a, struct jl_rect b) {
    return !jl_rect_is_empty(jl_rect_intersect(a, b));
}

static bool holds(struct jl_rect outer, struct jl_rect inner) {
    return inner.x >= outer.x && inner.y >= outer.y && inner.x + inner.w <= outer.x + outer.w &&
           inner.y + inner.h <= outer.y + outer.h;
}

/* Whether two conditions are never met together: tried around what they compare with. */
static bool exclude(const struct condition *a, const struct condition *b) {
    if (!a->compare || !b->compare || a->value != b->value) {
        return false;
    }
    const int32_t around[] = {a->number - 1, a->number, a->number + 1,
                              b->number - 1, b->number, b->number + 1};
    for (size_t i = 0; i < sizeof around / sizeof around[0]; i++) {
        struct condition first = *a, second = *b;
        static struct jl_screen_state state; /* large; one number of it is used */
        first.value = second.value = 0;
        state.numbers[0] = around[i];
        if (jl_host_condition_holds(&first, &state) && jl_host_condition_holds(&second, &state)) {
            return false;
        }
    }
    return true;
}

static bool is_content(const struct item *item) {
    return item->kind >= ITEM_TEXT;
}

static bool is_solid(const struct item *item) {
    return (item->kind == ITEM_RECT || item->kind == ITEM_CIRCLE) && item->has_fill;
}

/* What is meant: text on a picture, a curve, a dial or a filled shape below it. */
static bool is_meant(const struct item *below, const struct item *above) {
    bool ground =
        below->kind == ITEM_PICTURE || below->kind == ITEM_CURVE || below->kind == ITEM_DIAL;
    return ground && holds(below->paints, above->paints);
}

static void look_at_overlaps(struct jl_screen *screen) {
    for (int i = 0; i < screen->item_count; i++) {
        const struct item *below = &screen->items[i];
        for (int k = i + 1; k < screen->item_count && is_content(below); k++) {
            const struct item *above = &screen->items[k];
            bool together =
                below->page == NONE || above->page == NONE || below->page == above->page;
            if (!together || !(is_content(above) || is_solid(above)) ||
                !meet(below->paints, above->paints) || exclude(&below->when, &above->when) ||
                is_meant(below, above) || has_open_end(screen, below) ||
                has_open_end(screen, above)) {
                continue;
            }
            find(screen, above->line, "%s: it lies over the %s of line %d",
                 jl_host_item_word(above->kind), jl_host_item_word(below->kind), below->line);
        }
    }
}

/* ---- values ---- */

static void look_at_values(struct jl_screen *screen) {
    uint64_t shown = 0;
    for (int i = 0; i < screen->item_count; i++) {
        shown |= screen->items[i].needs;
    }
    for (int i = 0; i < screen->value_count; i++) {
        if (!(shown >> i & 1)) {
            find(screen, screen->values[i].line, "value %s: no item shows it",
                 screen->values[i].name);
        }
    }
}

void jl_host_sheet_look(struct jl_screen *screen) {
    for (int i = 0; i < screen->item_count; i++) {
        const struct item *item = &screen->items[i];
        look_at_edges(screen, item);
        if (item->kind == ITEM_TEXT) {
            look_at_text(screen, item);
        } else if (item->kind == ITEM_NUMBER) {
            look_at_number(screen, item);
        } else if (item->kind == ITEM_DIGITS) {
            look_at_digits(screen, item);
        }
    }
    look_at_fonts(screen);
    look_at_overlaps(screen);
    look_at_values(screen);
}

size_t jl_screen_findings(const struct jl_screen *screen, const char *const **list) {
    *list = screen->finding_count ? (const char *const *)screen->findings : NULL;
    return screen->finding_count;
}
