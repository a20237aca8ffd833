/* What a screen has. */
#include <string.h>

#include "screen_parts.h"

const char *jl_screen_name(const struct jl_screen *screen) {
    return screen->name;
}

struct jl_screen_glass jl_screen_glass(const struct jl_screen *screen) {
    return screen->glass;
}

struct jl_screen_glass jl_screen_glass_of(const struct jl_card *card) {
    bool on_side = card->turn & 1;
    const struct jl_format *format = card->format;
    int bits = format ? format->bits_per_pixel * format->planes : 1;
    bool red = format == &jl_black_white_red;
    return (struct jl_screen_glass){.width = on_side ? card->height : card->width,
                                    .height = on_side ? card->width : card->height,
                                    .colors = red || bits > 4 ? JL_SCREEN_COLOR
                                              : bits > 1      ? JL_SCREEN_GREY
                                                              : JL_SCREEN_MONO};
}

int jl_screen_page_count(const struct jl_screen *screen) {
    return screen->page_count;
}

const char *jl_screen_page_name(const struct jl_screen *screen, int page) {
    return screen->page_names[page];
}

int jl_screen_value_count(const struct jl_screen *screen) {
    return screen->value_count;
}

struct jl_screen_value jl_screen_value(const struct jl_screen *screen, int index) {
    const struct value *value = &screen->values[index];
    return (struct jl_screen_value){value->name, value->kind,     value->least,
                                    value->most, value->decimals, value->count};
}

int jl_screen_value_find(const struct jl_screen *screen, const char *name) {
    for (int i = 0; i < screen->value_count; i++) {
        if (strcmp(screen->values[i].name, name) == 0) {
            return i;
        }
    }
    return NONE;
}
