/* Texts of items: with values in them, as wide as they can be, and in which style. */
#include <stdio.h>
#include <string.h>

#include "screen_parts.h"

void jl_host_item_text(const struct jl_screen *screen, const struct item *item,
                       const struct jl_screen_state *state, char *out, size_t size) {
    size_t length = 0;
    *out = '\0';
    for (int i = 0; i < item->piece_count && length < size - 1; i++) {
        const struct piece *piece = &item->pieces[i];
        char text[TEXT_OF_VALUE];
        if (piece->value != NONE) {
            jl_host_value_text(&screen->values[piece->value], state->numbers[piece->value],
                               state->words[piece->value], text);
        }
        int more = snprintf(out + length, size - length, "%s",
                            piece->value == NONE ? piece->letters : text);
        length += more > 0 ? (size_t)more : 0;
    }
}

struct jl_text_style jl_host_item_style(const struct jl_screen *screen, const struct item *item) {
    const struct font *font = &screen->fonts[item->font];
    return (struct jl_text_style){.font = font->font,
                                  .ink = item->ink,
                                  .paper = item->paper,
                                  .fallbacks = font->other_count ? font->chain : NULL};
}

struct widths {
    int least, most;
};

static void take(struct widths *widths, int width) {
    widths->least = width < widths->least ? width : widths->least;
    widths->most = width > widths->most ? width : widths->most;
}

/* With each digit in place of all of them. */
static void take_digits(const struct jl_text_style *style, const char *text,
                        struct widths *widths) {
    for (char digit = '0'; digit <= '9'; digit++) {
        char with[TEXT_OF_VALUE];
        snprintf(with, sizeof with, "%s", text);
        for (char *c = with; *c; c++) {
            *c = *c >= '0' && *c <= '9' ? digit : *c;
        }
        take(widths, jl_text_width(style, with));
    }
}

/* Of numbers their ends, and what is the shortest between them. */
static struct widths value_widths(const struct jl_text_style *style, const struct value *value) {
    struct widths widths = {INT16_MAX, 0};
    char text[TEXT_OF_VALUE];
    for (int i = 0; value->kind == JL_SCREEN_CHOICE && i < value->count; i++) {
        take(&widths, jl_text_width(style, value->choices[i]));
    }
    if (value->kind == JL_SCREEN_CHOICE) {
        return widths;
    }
    const int32_t numbers[] = {value->least, value->most,
                               value->least < 0 && value->most > 0 ? 0 : value->least};
    for (size_t i = 0; i < sizeof numbers / sizeof numbers[0]; i++) {
        jl_host_value_text(value, numbers[i], NULL, text);
        if (value->kind == JL_SCREEN_NUMBER || value->kind == JL_SCREEN_CLOCK) {
            take_digits(style, text, &widths);
        } else {
            take(&widths, jl_text_width(style, text));
        }
    }
    return widths;
}

int jl_host_value_widest(const struct jl_text_style *style, const struct value *value) {
    return value_widths(style, value).most;
}

bool jl_host_item_is_always(const struct jl_screen *screen, const struct item *item, int width) {
    struct jl_text_style style = jl_host_item_style(screen, item);
    int all = 0;
    for (int i = 0; i < item->piece_count; i++) {
        const struct piece *piece = &item->pieces[i];
        if (piece->value == NONE) {
            all += jl_text_width(&style, piece->letters);
            continue;
        }
        const struct value *value = &screen->values[piece->value];
        struct widths widths =
            value->kind == JL_SCREEN_WORDS ? (struct widths){0, 1} : value_widths(&style, value);
        if (widths.least != widths.most) {
            return false;
        }
        all += widths.most;
    }
    return all == width;
}

int jl_host_item_widest(const struct jl_screen *screen, const struct item *item) {
    struct jl_text_style style = jl_host_item_style(screen, item);
    int width = 0;
    for (int i = 0; i < item->piece_count; i++) {
        const struct piece *piece = &item->pieces[i];
        if (piece->value == NONE) {
            width += jl_text_width(&style, piece->letters);
        } else if (screen->values[piece->value].kind == JL_SCREEN_WORDS) {
            return -1;
        } else {
            width += jl_host_value_widest(&style, &screen->values[piece->value]);
        }
    }
    return width;
}
