/* Packed pictures: reading a part of a line. */
#ifndef JADELAMP_SRC_PACKING_H
#define JADELAMP_SRC_PACKING_H

#include "jadelamp/image.h"

/* Where reading has got to: a control byte, the place of its first unit, and its line's begin. */
struct jl_unpacking {
    const uint8_t *at, *line_at;
    uint32_t line, unit;
};

/* What an image's lines of memory are made of. */
struct jl_lines {
    uint32_t units; /* of a line */
    uint32_t count; /* of all planes */
    uint8_t unit_bytes;
    uint8_t unit_pixels;
};

struct jl_packing {
    /* `count` units of a line from one on. The state is zeroed at first. */
    void (*read)(const struct jl_image *image, const struct jl_lines *lines,
                 struct jl_unpacking *state, uint32_t line, uint32_t first, uint32_t count,
                 uint8_t *out);
    bool (*check)(const uint8_t *at, size_t bytes, const struct jl_lines *lines);
};

static inline struct jl_lines jl_lines_of(const struct jl_image *image) {
    const struct jl_format *format = image->format;
    bool columns = format->line_rows_log2 != 0;
    uint8_t bits = format->bits_per_pixel;
    struct jl_lines lines = {.unit_bytes = (uint8_t)(bits < 8 ? 1 : bits >> 3),
                             .unit_pixels = (uint8_t)(columns || bits >= 8 ? 1 : 8 / bits)};
    uint32_t in_plane =
        ((uint32_t)image->height + (1u << format->line_rows_log2) - 1) >> format->line_rows_log2;
    lines.units = ((uint32_t)image->width + lines.unit_pixels - 1) / lines.unit_pixels;
    lines.count = in_plane * format->planes;
    return lines;
}

#endif
