/* Pictures from any format to any target. */
#include "jadelamp/image.h"

#include "../core/lone.h"
#include "../core/mem.h"
#include "../core/paint.h"
#include "image_read.h"

struct jl_image jl_image_of_frame(const struct jl_frame *frame) {
    return (struct jl_image){.format = jl_frame_format(frame),
                             .pixels = frame->pixels,
                             .palette = frame->palette,
                             .width = frame->target.bounds.w,
                             .height = frame->target.bounds.h};
}

struct placed_image {
    struct jl_image_reader reader;
    int x, y;
};

static void shade(const void *context, int x, int y, int count, jl_color *row) {
    const struct placed_image *placed = context;
    jl_image_read(&placed->reader, x - placed->x, y - placed->y, count, row);
}

/* Rows of two frames' memory that lie over each other. */
struct rows {
    uint8_t *to;
    const uint8_t *from;
    size_t to_stride, from_stride, pixel_bytes;
};

static struct rows rows_of(const struct jl_frame *to, struct jl_rect visible,
                           const struct placed_image *placed) {
    const struct jl_frame *from = &placed->reader.frame;
    struct rows rows = {to->pixels, from->pixels, to->stride_bytes, from->stride_bytes,
                        jl_frame_format(to)->bits_per_pixel / 8};
    rows.to += (size_t)(visible.y - to->target.bounds.y) * rows.to_stride +
               (size_t)(visible.x - to->target.bounds.x) * rows.pixel_bytes;
    rows.from += (size_t)(visible.y - placed->y) * rows.from_stride +
                 (size_t)(visible.x - placed->x) * rows.pixel_bytes;
    return rows;
}

/* Of the same format: a frame takes them byte by byte, copied or unpacked in place. */
static void copy_rows(const struct jl_frame *to, struct jl_rect visible,
                      const struct placed_image *placed) {
    const struct jl_image *image = placed->reader.image;
    struct rows rows = rows_of(to, visible, placed);
    size_t bytes = (size_t)visible.w * rows.pixel_bytes;
    if (image->packing) {
        struct jl_lines lines = jl_lines_of(image);
        uint32_t x = (uint32_t)(visible.x - placed->x), y = (uint32_t)(visible.y - placed->y);
        for (int row = 0; row < visible.h; row++, rows.to += rows.to_stride) {
            image->packing->read(image, &lines, placed->reader.planes, y++, x, (uint32_t)visible.w,
                                 rows.to);
        }
    } else if (bytes == rows.to_stride && bytes == rows.from_stride) {
        size_t all = bytes * (uint16_t)visible.h;
        memcpy(rows.to, rows.from, all);
    } else {
        for (int row = visible.h; row; row--) {
            memcpy(rows.to, rows.from, bytes);
            rows.to += rows.to_stride;
            rows.from += rows.from_stride;
        }
    }
}

/* What becomes of a run of pixels. */
enum part { CLEAR, SOFT, WHOLE };

static enum part part_at(const struct jl_image *image, const uint8_t *line, int x) {
    uint8_t there = jl_mask_at(image, line, x);
    return there == 15 ? WHOLE : there ? SOFT : CLEAR;
}

/* Passes by bytes of a mask that are all whole or all clear, and are what the run is. */
static int pass_bytes(const struct jl_image *image, const uint8_t *line, int x, int end,
                      enum part part) {
    const unsigned log2 = image->mask_bits == 4 ? 1 : 3;
    const uint8_t alike = part == WHOLE ? 0xFF : 0;
    const int in_byte = 1 << log2;
    while (x < end && !(x & (in_byte - 1)) && line[x >> log2] == alike) {
        x += in_byte;
    }
    return x < end ? x : end;
}

/* Runs that the mask leaves whole are copied as they are, what it leaves a part of is mixed, and
 * what it takes away is passed by. */
static void copy_masked(struct jl_frame *to, struct jl_rect visible,
                        const struct placed_image *placed) {
    const struct jl_image *image = placed->reader.image;
    struct rows rows = rows_of(to, visible, placed);
    size_t stride = ((size_t)image->width * image->mask_bits + 7) / 8;
    const uint8_t *mask = image->mask + (size_t)(visible.y - placed->y) * stride;
    int first = visible.x - placed->x, end = first + visible.w;
    for (int y = visible.y; y < visible.y + visible.h; y++) {
        enum part part = part_at(image, mask, first), next = CLEAR;
        for (int x = first, start = x; x < end; start = x, part = next) {
            do {
                x++;
                if (part != SOFT && !(x & 1)) {
                    x = pass_bytes(image, mask, x, end, part);
                }
                next = x < end ? part_at(image, mask, x) : CLEAR;
            } while (x < end && next == part && (part != SOFT || x - start < JL_CHUNK));
            if (part == WHOLE) {
                size_t at = (size_t)(start - first) * rows.pixel_bytes;
                memcpy(rows.to + at, rows.from + at, (size_t)(x - start) * rows.pixel_bytes);
            } else if (part == SOFT) {
                jl_color row[JL_CHUNK];
                jl_image_read(&placed->reader, start, y - placed->y, x - start, row);
                jl_ops_of(&to->target)
                    ->put(&to->target, (int16_t)(placed->x + start), (int16_t)y,
                          (int16_t)(x - start), row);
            }
        }
        mask += stride;
        rows.to += rows.to_stride;
        rows.from += rows.from_stride;
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
    struct placed_image placed = {jl_image_open(image, planes), x, y};
    const struct jl_bit_order *bits = bits_of(image);
    bool same =
        jl_ops_of(target) == &image->format->ops; /* then the target is a frame of that format */
    bool whole = !image->has_key && !image->palette, plain = whole && !image->mask;
    if (plain && bits && target->mode == JL_MODE_REPLACE) {
        const struct jl_bitmap map = {image->pixels, image->width, image->height, bits};
        jl_paint_stencil(target, &(struct jl_stencil){area, &map, 0, 0, JL_WHITE, JL_BLACK});
        return;
    }
    if (same && (plain || (whole && !image->packing)) && !target->painter &&
        image->format->bits_per_pixel >= 8) {
        struct jl_rect visible = jl_rect_intersect(area, target->clip);
        if (visible.w > 0) {
            struct jl_frame *frame = (struct jl_frame *)target;
            struct jl_damage *damage = jl_paint_swap_damage(target, NULL);
            if (image->mask) {
                copy_masked(frame, visible, &placed);
            } else {
                copy_rows(frame, visible, &placed);
            }
            jl_paint_swap_damage(target, damage);
            if (damage) {
                damage->add(damage, visible, 0);
            }
        }
        return;
    }
    jl_paint_shade(target, area, shade, &placed);
}
