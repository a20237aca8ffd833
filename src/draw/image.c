/* Pictures from any format to any target. */
#include "jadelamp/image.h"

#include "../core/lines.h"
#include "../core/mem.h"
#include "../core/paint.h"
#include "../core/packing.h"

/* The picture as a frame that is only read, so that its format's get() can be asked. */
static struct jl_frame frame_of(const struct jl_image *image) {
    struct jl_frame frame = {.format = image->format, .palette = image->palette};
    frame.target.bounds = (struct jl_rect){0, 0, image->width, image->height};
    /* Never written: get() alone is called. */
    frame.pixels = (uint8_t *)(uintptr_t)image->pixels;
    frame.stride_bytes = (uint16_t)jl_line_bytes(image->format, image->width);
    frame.plane_bytes = frame.stride_bytes * jl_lines(image->format, image->height);
    return frame;
}

struct jl_image jl_image_of_frame(const struct jl_frame *frame) {
    return (struct jl_image){.format = frame->format,
                             .pixels = frame->pixels,
                             .palette = frame->palette,
                             .width = frame->target.bounds.w,
                             .height = frame->target.bounds.h};
}

struct placed_image {
    struct jl_frame frame;
    const struct jl_image *image;
    int x, y;
    struct jl_unpacking *planes; /* of a packed image: one a plane */
};

/* Packed pixels become a frame of one line, as wide as the units that hold them. */
static void unpack(const struct placed_image *placed, int x, int y, int count, jl_color *row) {
    const struct jl_image *image = placed->image;
    const struct jl_format *format = image->format;
    struct jl_lines lines = jl_lines_of(image);
    uint32_t first = (uint32_t)x / lines.unit_pixels;
    uint32_t units = ((uint32_t)(x + count) + lines.unit_pixels - 1) / lines.unit_pixels - first;
    uint32_t line = (uint32_t)y >> format->line_rows_log2;
    uint8_t bytes[JL_CHUNK * 4]; /* one plane of 4 bytes a pixel, or two of less than one */
    struct jl_frame frame = placed->frame;
    for (uint8_t plane = 0; plane < format->planes; plane++) {
        image->packing->read(image, &lines, &placed->planes[plane],
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
    bool fine = image->mask_bits == 4;
    size_t stride = ((size_t)image->width * image->mask_bits + 7) / 8;
    const uint8_t *line = image->mask + (size_t)y * stride;
    for (int i = 0; i < count; i++, x++) {
        unsigned there = fine ? (unsigned)line[x >> 1] >> (x & 1 ? 0 : 4) & 15u
                              : ((unsigned)line[x >> 3] >> (7 - (x & 7)) & 1u) * 15;
        row[i] = there ? row[i] | (jl_color)(255 - there * 17) << 24 : JL_CLEAR;
    }
}

static void shade(const void *context, int x, int y, int count, jl_color *row) {
    const struct placed_image *placed = context;
    const struct jl_image *image = placed->image;
    x -= placed->x;
    y -= placed->y;
    if (image->packing) {
        unpack(placed, x, y, count, row);
    } else {
        image->format->ops.get(&placed->frame.target, (int16_t)x, (int16_t)y, (int16_t)count, row);
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

/* Rows of the same format: a frame takes them byte by byte, copied or unpacked in place. */
static void copy_rows(struct jl_frame *to, struct jl_rect visible,
                      const struct placed_image *placed) {
    const struct jl_image *image = placed->image;
    const struct jl_frame *from = &placed->frame;
    size_t pixel_bytes = to->format->bits_per_pixel / 8;
    uint32_t from_x = (uint32_t)(visible.x - placed->x);
    uint32_t from_y = (uint32_t)(visible.y - placed->y);
    uint8_t *out = to->pixels + (size_t)(visible.y - to->target.bounds.y) * to->stride_bytes +
                   (size_t)(visible.x - to->target.bounds.x) * pixel_bytes;
    for (int row = 0; row < visible.h; row++, out += to->stride_bytes) {
        uint32_t y = from_y + (uint32_t)row;
        if (image->packing) {
            struct jl_lines lines = jl_lines_of(image);
            image->packing->read(image, &lines, placed->planes, y, from_x, (uint32_t)visible.w,
                                 out);
        } else {
            memcpy(out, from->pixels + y * from->stride_bytes + from_x * pixel_bytes,
                   (size_t)visible.w * pixel_bytes);
        }
    }
    if (to->damage) {
        to->damage->add(to->damage, visible, 0);
    }
}

/* Plain pictures of one bit are stencils of white and black. */
static const struct jl_bit_order *bits_of(const struct jl_image *image) {
    enum jl_layout layout = (enum jl_layout)image->format->layout;
    return image->packing                     ? NULL
           : layout == JL_LAYOUT_MONO_COLUMNS ? &jl_bits_columns
           : layout == JL_LAYOUT_MONO_ROWS    ? &jl_bits_rows_msb
                                              : NULL;
}

void jl_draw_image(struct jl_target *target, int16_t x, int16_t y, const struct jl_image *image) {
    struct jl_rect area = {x, y, image->width, image->height};
    struct jl_unpacking planes[2] = {{NULL, NULL, 0, 0}};
    struct placed_image placed = {frame_of(image), image, x, y, planes};
    const struct jl_bit_order *bits = bits_of(image);
    bool same = target->ops == &image->format->ops; /* then the target is a frame of that format */
    bool plain = !image->has_key && !image->mask && !image->palette;
    if (plain && bits && target->mode == JL_MODE_REPLACE) {
        const struct jl_bitmap map = {image->pixels, image->width, image->height, bits};
        jl_paint_stencil(target, area, &map, 0, 0, JL_WHITE, JL_BLACK);
        return;
    }
    if (same && plain && !target->painter && image->format->bits_per_pixel >= 8) {
        struct jl_rect visible = jl_rect_intersect(area, target->clip);
        if (visible.w > 0) {
            copy_rows((struct jl_frame *)target, visible, &placed);
        }
        return;
    }
    jl_paint_shade(target, area, shade, &placed);
}
