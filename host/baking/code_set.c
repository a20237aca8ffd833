/* Sets of characters. */
#include <ctype.h>
#include <errno.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "jadelamp/host/bake_font.h"

enum { MOST_FILE_BYTES = 1 << 26 };

void jl_code_set_add(struct jl_code_set *set, uint32_t code) {
    if (code < JL_CODE_POINTS) {
        set->bits[code >> 3] = (uint8_t)(set->bits[code >> 3] | 1u << (code & 7));
    }
}

/* One character of UTF-8 (RFC 3629), or a negative number: malformed. */
static int32_t next_code(const uint8_t **text, const uint8_t *end) {
    static const uint32_t least[] = {0, 0x80, 0x800, 0x10000};
    uint8_t lead = *(*text)++;
    int more = lead < 0x80 ? 0 : lead >= 0xF0 ? 3 : lead >= 0xE0 ? 2 : 1;
    if (lead >= 0x80 && (lead < 0xC2 || lead > 0xF4 || end - *text < more)) {
        return -1;
    }
    uint32_t code = more ? lead & (0x3Fu >> more) : lead;
    for (int i = 0; i < more; i++, (*text)++) {
        if ((**text & 0xC0) != 0x80) {
            return -1;
        }
        code = code << 6 | (**text & 0x3Fu);
    }
    bool surrogate = code >= 0xD800 && code < 0xE000;
    return code < least[more] || code >= JL_CODE_POINTS || surrogate ? -1 : (int32_t)code;
}

/* The character that an escape stands for, or 0. `text` is behind the backslash. */
static uint32_t escaped(const uint8_t *text, const uint8_t *end) {
    int digits = *text == 'u' ? 4 : *text == 'U' ? 8 : 0;
    char number[9] = "";
    if (!digits || end - text <= digits) {
        return 0;
    }
    for (int i = 0; i < digits; i++) {
        if (!isxdigit(text[1 + i])) {
            return 0;
        }
        number[i] = (char)text[1 + i];
    }
    return (uint32_t)strtoul(number, NULL, 16);
}

static bool add_bytes(struct jl_code_set *set, const uint8_t *at, const uint8_t *end,
                      bool escapes) {
    bool good = true;
    while (at < end) {
        int32_t code = next_code(&at, end);
        good &= code >= 0;
        if (code >= 0x20 && code != 0x7F) {
            jl_code_set_add(set, (uint32_t)code);
        }
        if (escapes && code == '\\' && at < end) {
            uint32_t meant = escaped(at, end);
            if (meant >= 0x20) {
                jl_code_set_add(set, meant);
            }
        }
    }
    return good;
}

bool jl_code_set_add_text(struct jl_code_set *set, const char *text) {
    const uint8_t *bytes = (const uint8_t *)text;
    return add_bytes(set, bytes, bytes + strlen(text), false);
}

bool jl_code_set_add_ranges(struct jl_code_set *set, const char *text) {
    while (*text) {
        char *end;
        if (!isxdigit((unsigned char)*text)) {
            return false;
        }
        unsigned long first = strtoul(text, &end, 16), last = first;
        if (*end == '-') {
            if (!isxdigit((unsigned char)end[1])) {
                return false;
            }
            last = strtoul(end + 1, &end, 16);
        }
        if (first > last || last >= JL_CODE_POINTS || (*end && *end != ',') ||
            (*end == ',' && !end[1])) {
            return false;
        }
        for (unsigned long code = first; code <= last; code++) {
            jl_code_set_add(set, (uint32_t)code);
        }
        text = *end ? end + 1 : end;
    }
    return true;
}

bool jl_code_set_add_file(struct jl_code_set *set, const char *path,
                          struct jl_complaint *complaint) {
    FILE *stream = fopen(path, "rb");
    uint8_t *bytes = stream ? malloc(MOST_FILE_BYTES) : NULL;
    size_t count = bytes ? fread(bytes, 1, MOST_FILE_BYTES, stream) : 0;
    bool good = bytes && !ferror(stream);
    if (!good) {
        jl_complain(complaint, "cannot read the text %s: %s", path, strerror(errno));
    } else if (count == MOST_FILE_BYTES) {
        good = jl_complain(complaint, "the text %s is longer than %d bytes", path, MOST_FILE_BYTES);
    } else {
        good = add_bytes(set, bytes, bytes + count, true) ||
               jl_complain(complaint, "the text %s is not UTF-8", path);
    }
    free(bytes);
    if (stream) {
        fclose(stream);
    }
    return good;
}
