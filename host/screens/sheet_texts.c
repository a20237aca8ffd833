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

/* All digits become the one that is the widest in a font. */
static int widest_digits(const struct jl_text_style *style, const char *text) {
    int widest = 0;
    for (char digit = '0'; digit <= '9'; digit++) {
        char with[TEXT_OF_VALUE];
        snprintf(with, sizeof with, "%s", text);
        for (char *c = with; *c; c++) {
            *c = *c >= '0' && *c <= '9' ? digit : *c;
        }
        int width = jl_text_width(style, with);
        widest = width > widest ? width : widest;
    }
    return widest;
}

int jl_host_value_widest(const struct jl_text_style *style, const struct value *value) {
    char text[TEXT_OF_VALUE];
    int widest = 0;
    if (value->kind == JL_SCREEN_CHOICE) {
        for (int i = 0; i < value->count; i++) {
            int width = jl_text_width(style, value->choices[i]);
            widest = width > widest ? width : widest;
        }
        return widest;
    }
    const int32_t numbers[] = {value->least, value->most, value->least < 0 ? 0 : value->least};
    for (size_t i = 0; i < sizeof numbers / sizeof numbers[0]; i++) {
        jl_host_value_text(value, numbers[i], NULL, text);
        bool digits = value->kind == JL_SCREEN_NUMBER || value->kind == JL_SCREEN_CLOCK;
        int width = digits ? widest_digits(style, text) : jl_text_width(style, text);
        widest = width > widest ? width : widest;
    }
    return widest;
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
