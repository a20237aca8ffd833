/* How values are written: as words of a sheet, and in texts. */
#include <ctype.h>
#include <stdio.h>
#include <string.h>

#include "screen_parts.h"

/* "07:30" as a minute of the day. */
static bool parse_clock(const char *text, int32_t *minute) {
    int hours, minutes, used = 0;
    bool good = sscanf(text, "%2d:%2d%n", &hours, &minutes, &used) == 2 && !text[used] &&
                isdigit((unsigned char)text[0]) && hours >= 0 && hours < 24 && minutes >= 0 &&
                minutes < 60;
    *minute = good ? hours * 60 + minutes : 0;
    return good;
}

static bool read_number(struct words *words, const struct value *value, int32_t *number) {
    const char *word = jl_host_word_peek(words);
    if (!jl_host_word_fixed(words, value->name, value->decimals, number)) {
        return false;
    }
    if (*number < value->least || *number > value->most) {
        char least[TEXT_OF_VALUE], most[TEXT_OF_VALUE];
        jl_host_value_text(value, value->least, NULL, least);
        jl_host_value_text(value, value->most, NULL, most);
        return WORDS_FAIL(words, "%s: %s is from %s to %s", word, value->name, least, most);
    }
    return true;
}

bool jl_host_value_read(struct words *words, const struct value *value, int32_t *number,
                        char text[JL_SCREEN_WORDS_BYTES]) {
    const char *word = jl_host_word_peek(words);
    *number = 0;
    switch (value->kind) {
    case JL_SCREEN_NUMBER:
    case JL_SCREEN_SERIES:
        return read_number(words, value, number);
    case JL_SCREEN_CLOCK:
        if (value->least < 0 && jl_host_word_is(words, "none")) {
            *number = -1;
            return true;
        }
        if (!parse_clock(word, number)) {
            return WORDS_FAIL(words, "%s: expected a time of day for %s, such as 07:30%s",
                              *word ? word : "the end of the line", value->name,
                              value->least < 0 ? ", or none" : "");
        }
        words->at++;
        return true;
    case JL_SCREEN_SWITCH:
        *number = jl_host_word_is(words, "on");
        return *number || jl_host_word_is(words, "off") ||
               WORDS_FAIL(words, "%s: expected on or off for %s",
                          *word ? word : "the end of the line", value->name);
    default:
        break;
    }
    const char *quoted = jl_host_word_text(words, value->name);
    if (!quoted) {
        return false;
    }
    if (value->kind == JL_SCREEN_WORDS) {
        if (strlen(quoted) > value->count) {
            return WORDS_FAIL(words, "\"%s\": %s has at most %d bytes", quoted, value->name,
                              value->count);
        }
        memcpy(text, quoted, strlen(quoted) + 1);
        return true;
    }
    for (int i = 0; i < value->count; i++) {
        if (strcmp(value->choices[i], quoted) == 0) {
            *number = i;
            return true;
        }
    }
    return WORDS_FAIL(words, "\"%s\": %s has no such choice", quoted, value->name);
}

void jl_host_value_text(const struct value *value, int32_t number, const char *words, char *out) {
    switch (value->kind) {
    case JL_SCREEN_CLOCK:
        if (number < 0) {
            snprintf(out, TEXT_OF_VALUE, "--:--");
        } else {
            snprintf(out, TEXT_OF_VALUE, "%02d:%02d", (int)(number / 60 % 24), (int)(number % 60));
        }
        break;
    case JL_SCREEN_CHOICE:
        snprintf(out, TEXT_OF_VALUE, "%s",
                 number >= 0 && number < value->count ? value->choices[number] : "");
        break;
    case JL_SCREEN_WORDS:
        snprintf(out, TEXT_OF_VALUE, "%s", words ? words : "");
        break;
    case JL_SCREEN_SWITCH:
        snprintf(out, TEXT_OF_VALUE, "%s", number ? "on" : "off");
        break;
    default:
        jl_format_fixed(out, TEXT_OF_VALUE, number, value->decimals);
        break;
    }
}
