/* Texts with values in them. */
#include <stdio.h>
#include <string.h>

#include "screen_parts.h"

/* "Tide {height} m" in pieces; "{{" is a brace. */
bool jl_host_sheet_read_pieces(struct sheet_reading *reading, struct item *item, const char *text) {
    struct words *words = &reading->words;
    size_t length = 0;
    struct piece *piece = &item->pieces[0];
    *piece = (struct piece){.value = NONE};
    item->piece_count = 0;
    for (const char *c = text; *c; c++) {
        bool is_value = *c == '{' && c[1] != '{';
        if (!is_value) {
            c += *c == '{';
            piece->letters[length++] = *c;
            piece->letters[length] = '\0';
            continue;
        }
        const char *end = strchr(c, '}');
        char name[NAME_BYTES];
        if (!end || end - c > NAME_BYTES) {
            return WORDS_FAIL(words, "\"%s\": expected } behind the name of a value; {{ is a brace",
                              text);
        }
        snprintf(name, sizeof name, "%.*s", (int)(end - c - 1), c + 1);
        if (!*name) {
            return WORDS_FAIL(words, "{}: expected the name of a value; {{ is a brace");
        }
        int value = jl_screen_value_find(reading->screen, name);
        if (value == NONE || reading->screen->values[value].kind == JL_SCREEN_SERIES) {
            return WORDS_FAIL(words,
                              "{%s}: no value of that name can be written; write value %s = "
                              "... above",
                              name, name);
        }
        if (item->piece_count + 3 > MOST_PIECES) {
            return WORDS_FAIL(words, "\"%s\": too many values in one text", text);
        }
        item->piece_count += length > 0;
        item->pieces[item->piece_count++] = (struct piece){.value = value};
        piece = &item->pieces[item->piece_count];
        *piece = (struct piece){.value = NONE};
        length = 0;
        c = end;
    }
    item->piece_count += length > 0;
    return true;
}
