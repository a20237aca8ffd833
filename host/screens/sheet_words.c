/* Words of a sheet. */
#include "sheet_words.h"

#include "../baking/c_files.h"

#include <ctype.h>
#include <stdlib.h>
#include <string.h>

/* ---- splitting ---- */

static bool add(struct words *words, const char *text, size_t bytes, bool quoted) {
    if (words->count == WORDS_A_LINE) {
        return WORDS_FAIL(words, "a line has at most %d words", WORDS_A_LINE);
    }
    if (bytes >= WORD_BYTES) {
        return WORDS_FAIL(words, "%.40s...: a word has at most %d bytes", text, WORD_BYTES - 1);
    }
    memcpy(words->text[words->count], text, bytes);
    words->text[words->count][bytes] = '\0';
    words->quoted[words->count++] = quoted;
    return true;
}

/* Text in quotes from behind the first one; \n, \" and \\ in it. NULL: complained. */
static const char *take_quoted(struct words *words, const char *at, const char *end) {
    char text[WORD_BYTES * 2];
    size_t length = 0;
    for (; at < end && *at != '"'; at++) {
        char c = *at;
        if (c == '\\' && at + 1 < end) {
            c = *++at;
            if (c != 'n' && c != '"' && c != '\\') {
                WORDS_FAIL(words, "\\%c in a text: expected \\n, \\\" or \\\\", c);
                return NULL;
            }
            c = c == 'n' ? '\n' : c;
        }
        if (length < sizeof text - 1) {
            text[length++] = c;
        }
    }
    text[length] = '\0';
    if (at == end) {
        WORDS_FAIL(words, "\"%.40s: the quote at the end is missing", text);
        return NULL;
    }
    return add(words, text, length, true) ? at + 1 : NULL;
}

bool jl_host_words_split(struct words *words, const char *line, size_t bytes) {
    const char *at = line, *end = line + bytes;
    words->count = words->at = 0;
    while (at < end && *at != ';') {
        if (*at == ' ' || *at == '\t' || *at == ',' || *at == '\r') {
            at++;
        } else if (*at == '"') {
            at = take_quoted(words, at + 1, end);
            if (!at) {
                return false;
            }
        } else if ((unsigned char)*at < ' ' || *at == 0x7F) {
            return WORDS_FAIL(words, "a control character (%02X): expected text", (unsigned)*at);
        } else {
            const char *from = at;
            at += *at == '=';
            while (from == at || (*from != '=' && at < end && !strchr(" \t,\r\";=", *at))) {
                at++;
            }
            if (!add(words, from, (size_t)(at - from), false)) {
                return false;
            }
        }
    }
    return true;
}

/* ---- taking ---- */

const char *jl_host_word_peek(const struct words *words) {
    return words->at < words->count && !words->quoted[words->at] ? words->text[words->at] : "";
}

bool jl_host_word_is(struct words *words, const char *word) {
    bool is = strcmp(jl_host_word_peek(words), word) == 0 && *word;
    words->at += is;
    return is;
}

const char *jl_host_word_seen(const struct words *words) {
    return words->at < words->count ? words->text[words->at] : "the end of the line";
}

const char *jl_host_word_next(struct words *words, const char *what) {
    if (words->at >= words->count || words->quoted[words->at]) {
        WORDS_FAIL(words, "%s: expected %s", jl_host_word_seen(words), what);
        return NULL;
    }
    return words->text[words->at++];
}

const char *jl_host_word_text(struct words *words, const char *what) {
    if (words->at >= words->count || !words->quoted[words->at]) {
        WORDS_FAIL(words, "%s: expected %s in quotes", jl_host_word_seen(words), what);
        return NULL;
    }
    return words->text[words->at++];
}

bool jl_host_word_is_number(const struct words *words) {
    const char *word = jl_host_word_peek(words);
    return isdigit((unsigned char)word[0]) ||
           ((word[0] == '-' || word[0] == '.') && isdigit((unsigned char)word[1]));
}

bool jl_host_word_int(struct words *words, const char *what, long least, long most, int *number) {
    const char *word = jl_host_word_peek(words);
    char *end = NULL;
    long value = strtol(word, &end, 10);
    if (!*word || *end || value < least || value > most) {
        return WORDS_FAIL(words, "%s: expected %s, a whole number from %ld to %ld",
                          jl_host_word_seen(words), what, least, most);
    }
    words->at++;
    *number = (int)value;
    return true;
}

/* "-12.5" with 2 decimals is -1250. False: it is none, too fine, or too large. */
static bool parse_fixed(const char *word, int decimals, int32_t *number) {
    bool minus = *word == '-';
    int64_t value = 0;
    int behind = -1, digits = 0;
    for (word += minus; *word; word++) {
        if (*word == '.' && behind < 0) {
            behind = 0;
            continue;
        }
        if (!isdigit((unsigned char)*word) || digits > 12) {
            return false;
        }
        value = value * 10 + (*word - '0');
        digits++;
        behind += behind >= 0;
    }
    if (!digits || behind > decimals) {
        return false;
    }
    for (int more = behind < 0 ? 0 : behind; more < decimals; more++) {
        value *= 10;
    }
    value = minus ? -value : value;
    *number = (int32_t)value;
    return value >= -2147483647 && value <= 2147483647;
}

bool jl_host_word_fixed(struct words *words, const char *what, int decimals, int32_t *number) {
    const char *word = jl_host_word_peek(words);
    if (!*word || !parse_fixed(word, decimals, number)) {
        return decimals ? WORDS_FAIL(words,
                                     "%s: expected %s, a number with up to %d digits behind the "
                                     "point",
                                     jl_host_word_seen(words), what, decimals)
                        : WORDS_FAIL(words, "%s: expected %s, a whole number",
                                     jl_host_word_seen(words), what);
    }
    words->at++;
    return true;
}

bool jl_host_word_must(struct words *words, const char *word, const char *example) {
    return jl_host_word_is(words, word) ||
           WORDS_FAIL(words, "%s: expected %s, as in: %s", jl_host_word_seen(words), word, example);
}

/* As far as the drawing calls of the library go, and no farther. */
enum { FARTHEST = 8191 };

bool jl_host_word_place(struct words *words, struct jl_point *place) {
    int x, y;
    if (!jl_host_word_int(words, "a column", -FARTHEST, FARTHEST, &x) ||
        !jl_host_word_int(words, "a row", -FARTHEST, FARTHEST, &y)) {
        return false;
    }
    *place = (struct jl_point){(int16_t)x, (int16_t)y};
    return true;
}

bool jl_host_word_box(struct words *words, struct jl_rect *box) {
    struct jl_point place;
    int width, height;
    if (!jl_host_word_place(words, &place) ||
        !jl_host_word_int(words, "a width", 1, FARTHEST, &width) ||
        !jl_host_word_must(words, "x", "4 20 120 x 8 (left, top, width x height)") ||
        !jl_host_word_int(words, "a height", 1, FARTHEST, &height)) {
        return false;
    }
    *box = (struct jl_rect){place.x, place.y, (int16_t)width, (int16_t)height};
    return true;
}

bool jl_host_word_name(struct words *words, const char *what, char name[32]) {
    const char *word = jl_host_word_next(words, what);
    if (!word) {
        return false;
    }
    bool good = isalpha((unsigned char)*word) && strlen(word) < 32;
    for (const char *c = word; *c; c++) {
        good &= (isalnum((unsigned char)*c) || *c == '_') && !((unsigned char)*c & 0x80);
    }
    if (good && !jl_host_c_is_name(word)) {
        return WORDS_FAIL(words, "%s is a word of C: expected another one for %s", word, what);
    }
    if (!good) {
        return WORDS_FAIL(words,
                          "%s: expected %s of up to 31 letters, digits and _, beginning with a "
                          "letter",
                          word, what);
    }
    strcpy(name, word);
    return true;
}

bool jl_host_words_end(const struct words *words) {
    return words->at >= words->count ||
           WORDS_FAIL(words, "%s: it is not known here", jl_host_word_seen(words));
}
