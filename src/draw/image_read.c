/* Reading the pixels of a picture. */
#include "image_read.h"

#include "../core/lines.h"

static struct jl_frame frame_of(const struct jl_image *image) {
    struct jl_frame frame = {.format = image->format, .palette = image->palette};
    frame.target.bounds = (struct jl_rect){0, 0, image->width, image->height};
    /* Never written: get() alone is called. */
    frame.pixels = (uint8_t *)(uintptr_t)image->pixels;
    frame.stride_bytes = (uint16_t)jl_line_bytes(image->format, image->width);
    frame.plane_bytes = (uint32_t)frame.stride_bytes * jl_lines(image->format, image->height);
    return frame;
}

struct jl_image_reader jl_image_open(const struct jl_image *image, struct jl_unpacking planes[2]) {
    return (struct jl_image_reader){frame_of(image), image, planes};
}

/* Packed pixels become a frame of one line, as wide as the units that hold them. */
static void unpack(const struct jl_image_reader *reader, int x, int y, int count, jl_color *row) {
    const struct jl_image *image = reader->image;
    const struct jl_format *format = image->format;
    struct jl_lines lines = jl_lines_of(image);
    uint32_t first = (uint32_t)x / lines.unit_pixels;
    uint32_t units = ((uint32_t)(x + count) + lines.unit_pixels - 1) / lines.unit_pixels - first;
    uint32_t line = (uint32_t)y >> format->line_rows_log2;
    uint8_t bytes[JL_CHUNK * 4]; /* one plane of 4 bytes a pixel, or two of less than one */
    struct jl_frame frame = reader->frame;
    for (uint8_t plane = 0; plane < format->planes; plane++) {
        image->packing->read(image, &lines, &reader->planes[plane],
                             line + plane * (lines.count / format->planes), first, units,
                             bytes + plane * units);
    }
    frame.pixels = bytes;
    frame.stride_bytes = (uint16_t)(units * lines.unit_bytes);
    frame.target.bounds.y = (int16_t)(line << format->line_rows_log2);
    frame.plane_bytes = frame.stride_bytes;
    format->ops.get(&frame.target, (int16_t)(x - (int)(first * lines.unit_pixels)), (int16_t)y,
                    (int16_t)count, row);
}

/* What the mask leaves of pixels. */
static void mask_row(const struct jl_image *image, int x, int y, int count, jl_color *row) {
    size_t stride = ((size_t)image->width * image->mask_bits + 7) / 8;
    const uint8_t *line = image->mask + (size_t)y * stride;
    for (int i = 0; i < count; i++, x++) {
        uint32_t there = jl_mask_at(image, line, x);
        row[i] = there ? row[i] | (jl_color)(255 - there * 17) << 24 : JL_CLEAR;
    }
}

void jl_image_read(const struct jl_image_reader *reader, int x, int y, int count, jl_color *row) {
    const struct jl_image *image = reader->image;
    if (image->packing) {
        unpack(reader, x, y, count, row);
    } else {
        image->format->ops.get(&reader->frame.target, (int16_t)x, (int16_t)y, (int16_t)count, row);
    }
    for (int i = 0; image->has_key && i < count; i++) {
        if (row[i] == image->key) {
            row[i] = JL_CLEAR;
        }
    }
    if (image->mask) {
        mask_row(image, x, y, count, row);
    }
}
