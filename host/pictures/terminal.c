/* Pictures as Unicode text. Dark pixels stay blank, so a dark terminal looks like the glass. */
#include "jadelamp/host/terminal.h"

#include <stdlib.h>
#include <string.h>

static bool lit(const struct jl_picture *picture, int x, int y) {
    return x < picture->width && y < picture->height && jl_picture_at(picture, x, y)[1] >= 128;
}

/* Bit 0 top left, 1 top right, 2 bottom left, 3 bottom right: Unicode block elements. */
static const char *const quadrants[16] = {
    " ",      "\u2598", "\u259D", "\u2580", "\u2596", "\u258C", "\u259E", "\u259B",
    "\u2597", "\u259A", "\u2590", "\u259C", "\u2584", "\u2599", "\u259F", "\u2588"};

static char *put_block(char *out, const struct jl_picture *picture, int x, int y) {
    int pattern = lit(picture, x, y) | lit(picture, x + 1, y) << 1 | lit(picture, x, y + 1) << 2 |
                  lit(picture, x + 1, y + 1) << 3;
    size_t length = strlen(quadrants[pattern]);
    memcpy(out, quadrants[pattern], length);
    return out + length;
}

/* U+2800 plus one bit a dot; the fourth row was added later, hence the order. */
static char *put_braille(char *out, const struct jl_picture *picture, int x, int y) {
    static const uint8_t dots[4][2] = {{0x01, 0x08}, {0x02, 0x10}, {0x04, 0x20}, {0x40, 0x80}};
    unsigned pattern = 0;
    for (int dy = 0; dy < 4; dy++) {
        for (int dx = 0; dx < 2; dx++) {
            pattern |= lit(picture, x + dx, y + dy) ? dots[dy][dx] : 0;
        }
    }
    *out++ = (char)0xE2;
    *out++ = (char)(0xA0 | pattern >> 6);
    *out++ = (char)(0x80 | (pattern & 0x3F));
    return out;
}

char *jl_terminal_text(const struct jl_picture *picture, enum jl_terminal_style style) {
    int rows_a_line = style == JL_TERMINAL_BRAILLE ? 4 : 2;
    size_t columns = ((size_t)picture->width + 1) / 2;
    size_t lines = (size_t)((picture->height + rows_a_line - 1) / rows_a_line);
    char *text = malloc(lines * (columns * 3 + 1) + 1);
    if (!text) {
        return NULL;
    }
    char *out = text;
    for (int y = 0; y < picture->height; y += rows_a_line) {
        for (int x = 0; x < picture->width; x += 2) {
            out = style == JL_TERMINAL_BRAILLE ? put_braille(out, picture, x, y)
                                               : put_block(out, picture, x, y);
        }
        *out++ = '\n';
    }
    *out = '\0';
    return text;
}
