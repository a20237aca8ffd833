/* Pictures as Unicode text. Dark pixels stay blank, so a dark terminal looks like the glass. */
#include "jadelamp/host/terminal.h"

#include <stdlib.h>
#include <string.h>

/* A picture, and how many pixels a side of it make a dot. */
struct view {
    const struct jl_picture *picture;
    int shrink, width, height;
};

static bool lit(const struct view *view, int x, int y) {
    int count = 0, all = 0;
    for (int dy = 0; dy < view->shrink; dy++) {
        for (int dx = 0; dx < view->shrink; dx++) {
            int px = x * view->shrink + dx, py = y * view->shrink + dy;
            if (px < view->picture->width && py < view->picture->height) {
                count += jl_picture_at(view->picture, px, py)[1] >= 128;
                all++;
            }
        }
    }
    return count > 0 && count * 3 >= all;
}

/* Bit 0 top left, 1 top right, 2 bottom left, 3 bottom right: Unicode block elements. */
static const char *const quadrants[16] = {
    " ",      "\u2598", "\u259D", "\u2580", "\u2596", "\u258C", "\u259E", "\u259B",
    "\u2597", "\u259A", "\u2590", "\u259C", "\u2584", "\u2599", "\u259F", "\u2588"};

static char *put_block(char *out, const struct view *view, int x, int y) {
    int pattern = lit(view, x, y) | lit(view, x + 1, y) << 1 | lit(view, x, y + 1) << 2 |
                  lit(view, x + 1, y + 1) << 3;
    size_t length = strlen(quadrants[pattern]);
    memcpy(out, quadrants[pattern], length);
    return out + length;
}

/* U+2800 plus one bit a dot; the fourth row was added later, hence the order. */
static char *put_braille(char *out, const struct view *view, int x, int y) {
    static const uint8_t dots[4][2] = {{0x01, 0x08}, {0x02, 0x10}, {0x04, 0x20}, {0x40, 0x80}};
    unsigned pattern = 0;
    for (int dy = 0; dy < 4; dy++) {
        for (int dx = 0; dx < 2; dx++) {
            pattern |= lit(view, x + dx, y + dy) ? dots[dy][dx] : 0;
        }
    }
    *out++ = (char)0xE2;
    *out++ = (char)(0xA0 | pattern >> 6);
    *out++ = (char)(0x80 | (pattern & 0x3F));
    return out;
}

char *jl_terminal_text(const struct jl_picture *picture, enum jl_terminal_style style,
                       int most_columns) {
    int rows_a_line = style == JL_TERMINAL_BRAILLE ? 4 : 2;
    int shrink = 1;
    while (most_columns > 0 && (picture->width + 2 * shrink - 1) / (2 * shrink) > most_columns) {
        shrink++;
    }
    struct view view = {picture, shrink, (picture->width + shrink - 1) / shrink,
                        (picture->height + shrink - 1) / shrink};
    size_t columns = ((size_t)view.width + 1) / 2;
    size_t lines = (size_t)((view.height + rows_a_line - 1) / rows_a_line);
    char *text = malloc(lines * (columns * 3 + 1) + 1);
    if (!text) {
        return NULL;
    }
    char *out = text;
    for (int y = 0; y < view.height; y += rows_a_line) {
        for (int x = 0; x < view.width; x += 2) {
            out = style == JL_TERMINAL_BRAILLE ? put_braille(out, &view, x, y)
                                               : put_block(out, &view, x, y);
        }
        *out++ = '\n';
    }
    *out = '\0';
    return text;
}
