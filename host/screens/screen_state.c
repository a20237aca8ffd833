/* What a screen has, and what it shows. */
#include <stdio.h>
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

int jl_screen_sample_count(const struct jl_screen *screen) {
    int most = 1;
    for (int i = 0; i < screen->value_count; i++) {
        const struct value *value = &screen->values[i];
        bool steps = value->kind != JL_SCREEN_SERIES && value->sample_count > most;
        most = steps ? value->sample_count : most;
    }
    return most;
}

void jl_screen_sample(const struct jl_screen *screen, int step, struct jl_screen_state *state) {
    memset(state, 0, sizeof *state);
    step = step < 0 ? 0 : step;
    for (int i = 0; i < screen->value_count; i++) {
        const struct value *value = &screen->values[i];
        int count = value->sample_count;
        if (value->kind == JL_SCREEN_SERIES) {
            for (int k = 0; k < value->count; k++) { /* the last one goes on */
                int at = k < count ? k : count - 1;
                state->series[i][k] = (int16_t)(count ? value->samples[at] : value->least);
            }
            continue;
        }
        state->numbers[i] = count              ? value->samples[step % count]
                            : value->least > 0 ? value->least
                                               : 0;
        memcpy(state->words[i], value->words, sizeof value->words);
    }
}

bool jl_screen_set(const struct jl_screen *screen, const char *name, const char *text,
                   struct jl_screen_state *state, struct jl_complaint *complaint) {
    static struct words words; /* large */
    int index = jl_screen_value_find(screen, name);
    if (index == NONE) {
        return jl_complain(complaint, "%s: the sheet %s has no value of that name", name,
                           screen->file);
    }
    const struct value *value = &screen->values[index];
    if (value->kind == JL_SCREEN_SERIES) {
        return jl_complain(complaint, "%s: a series cannot be set so", name);
    }
    words = (struct words){
        .file = screen->file, .line = value->line, .complaint = complaint, .count = 1};
    words.quoted[0] = value->kind == JL_SCREEN_CHOICE || value->kind == JL_SCREEN_WORDS;
    size_t length = strlen(text);
    if (length >= WORD_BYTES) {
        return jl_complain(complaint, "%s: that is too long", name);
    }
    memcpy(words.text[0], text, length + 1);
    int32_t number;
    char letters[JL_SCREEN_WORDS_BYTES] = "";
    if (!jl_host_value_read(&words, value, &number, letters)) {
        return false;
    }
    state->numbers[index] = number;
    memcpy(state->words[index], letters, sizeof letters);
    return true;
}

void jl_screen_value_text(const struct jl_screen *screen, int index,
                          const struct jl_screen_state *state, char *out, size_t size) {
    const struct value *value = &screen->values[index];
    char text[TEXT_OF_VALUE] = "";
    if (value->kind != JL_SCREEN_SERIES) {
        jl_host_value_text(value, state->numbers[index], state->words[index], text);
    }
    snprintf(out, size, "%s", text);
}
