/* What a screen shows: samples, and values that are set. */
#include <stdio.h>
#include <string.h>

#include "screen_parts.h"

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
