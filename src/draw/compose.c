/* Text put together from words and numbers. */
#include "jadelamp/compose.h"

#include "../core/mem.h"
#include "../core/utf8.h"
#include "jadelamp/format.h"

void jl_compose_begin(struct jl_compose *text, char *memory, size_t size) {
    *text = (struct jl_compose){.text = memory, .size = size};
    memory[0] = 0;
}

/* Bytes of the first `most` characters, or fewer where `room` bytes are full. */
static size_t fitting_bytes(const char *words, size_t room, size_t *characters) {
    const char *at = words;
    *characters = 0;
    for (;;) {
        const char *before = at;
        if (jl_utf8_next(&at) == 0) {
            return (size_t)(at - words);
        }
        if ((size_t)(at - words) > room) {
            return (size_t)(before - words);
        }
        ++*characters;
    }
}

static void add_blanks(struct jl_compose *text, size_t count) {
    while (count-- && !text->full) {
        text->full = text->used + 1 >= text->size;
        if (!text->full) {
            text->text[text->used++] = ' ';
        }
    }
    text->text[text->used] = 0;
}

void jl_compose_text(struct jl_compose *text, const char *words, int8_t width) {
    size_t characters;
    size_t wanted = (size_t)(width < 0 ? -width : width);
    size_t bytes = fitting_bytes(words, SIZE_MAX, &characters);
    size_t blanks = characters < wanted ? wanted - characters : 0;
    if (width > 0) {
        add_blanks(text, blanks);
    }
    if (text->full) {
        return;
    }
    size_t room = text->size - text->used - 1;
    if (bytes > room) {
        text->full = true;
        bytes = fitting_bytes(words, room, &characters);
    }
    memcpy(text->text + text->used, words, bytes);
    text->used += bytes;
    text->text[text->used] = 0;
    if (width < 0) {
        add_blanks(text, blanks);
    }
}

/* A part of a number would be read as another number. */
static void add_number(struct jl_compose *text, const char *digits, int8_t width) {
    size_t length = 0;
    size_t wanted = (size_t)(width < 0 ? -width : width);
    while (digits[length]) {
        length++;
    }
    length = length < wanted ? wanted : length;
    if (text->full || length > text->size - text->used - 1) {
        text->full = true;
        return;
    }
    jl_compose_text(text, digits, width);
}

void jl_compose_int(struct jl_compose *text, int32_t value, int8_t width) {
    jl_compose_fixed(text, value, 0, width);
}

void jl_compose_unsigned(struct jl_compose *text, uint32_t value, int8_t width) {
    char digits[JL_FORMAT_BYTES];
    jl_format_unsigned(digits, sizeof digits, value, 0, ' ');
    add_number(text, digits, width);
}

void jl_compose_fixed(struct jl_compose *text, int32_t value, uint8_t decimals, int8_t width) {
    char digits[JL_FORMAT_BYTES];
    jl_format_fixed(digits, sizeof digits, value, decimals);
    add_number(text, digits, width);
}

void jl_compose_hex(struct jl_compose *text, uint32_t value, uint8_t digits) {
    char hex[JL_FORMAT_BYTES];
    uint8_t most = JL_FORMAT_BYTES - 1;
    jl_format_hex(hex, sizeof hex, value, digits < most ? digits : most);
    add_number(text, hex, 0);
}
