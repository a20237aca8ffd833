/* Pictures from any format to any target. */
#include "jadelamp/image.h"

#include "../core/mem.h"
#include "../core/paint.h"
#include "image_read.h"

struct jl_image jl_image_of_frame(const struct jl_frame *frame) {
    return (struct jl_image){.format = frame->format,
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

/* Rows of the same format: a frame takes them byte by byte, copied or unpacked in place. */
static void copy_rows(struct jl_frame *to, struct jl_rect visible,
                      const struct placed_image *placed) {
    const struct jl_image *image = placed->reader.image;
    const struct jl_frame *from = &placed->reader.frame;
    size_t pixel_bytes = to->format->bits_per_pixel / 8;
    uint32_t from_x = (uint32_t)(visible.x - placed->x);
    uint32_t from_y = (uint32_t)(visible.y - placed->y);
    uint8_t *out = to->pixels + (size_t)(visible.y - to->target.bounds.y) * to->stride_bytes +
                   (size_t)(visible.x - to->target.bounds.x) * pixel_bytes;
    for (int row = 0; row < visible.h; row++, out += to->stride_bytes) {
        uint32_t y = from_y + (uint32_t)row;
        if (image->packing) {
            struct jl_lines lines = jl_lines_of(image);
            image->packing->read(image, &lines, placed->reader.planes, y, from_x,
                                 (uint32_t)visible.w, out);
        } else {
            memcpy(out, from->pixels + y * from->stride_bytes + from_x * pixel_bytes,
                   (size_t)visible.w * pixel_bytes);
        }
    }
    if (to->damage) {
        to->damage->add(to->damage, visible, 0);
    }
}

/* Fifteenths that a line of the mask leaves of a pixel. */
static uint8_t mask_at(const struct jl_image *image, const uint8_t *line, int x) {
    return image->mask_bits == 4 ? (uint8_t)(line[x >> 1] >> (x & 1 ? 0 : 4) & 15)
                                 : (uint8_t)((line[x >> 3] >> (7 - (x & 7)) & 1) * 15);
}

/* Runs that the mask leaves whole are copied as they are, what it leaves a part of is mixed, and
 * what it takes away is passed by. */
static void copy_masked(struct jl_frame *to, struct jl_rect visible,
                        const struct placed_image *placed) {
    const struct jl_image *image = placed->reader.image;
    size_t stride = ((size_t)image->width * image->mask_bits + 7) / 8;
    int from_x = visible.x - placed->x, end_x = from_x + visible.w;
    for (int y = visible.y; y < visible.y + visible.h; y++) {
        const uint8_t *mask = image->mask + (size_t)(y - placed->y) * stride;
        for (int x = from_x, start = x; x < end_x; start = x) {
            uint8_t there = mask_at(image, mask, x);
            enum { CLEAR, SOFT, WHOLE } kind = there == 15 ? WHOLE : there ? SOFT : CLEAR;
            do {
                there = ++x < end_x ? mask_at(image, mask, x) : 0;
            } while (x < end_x && x - start < JL_CHUNK &&
                     kind == (there == 15 ? WHOLE
                              : there     ? SOFT
                                          : CLEAR));
            struct jl_rect run = {(int16_t)(placed->x + start), (int16_t)y, (int16_t)(x - start),
                                  1};
            if (kind == WHOLE) {
                copy_rows(to, run, placed);
            } else if (kind == SOFT) {
                jl_color row[JL_CHUNK];
                jl_image_read(&placed->reader, start, y - placed->y, x - start, row);
                to->target.ops->put(&to->target, run.x, run.y, run.w, row);
            }
        }
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
    bool same = target->ops == &image->format->ops; /* then the target is a frame of that format */
    bool whole = !image->has_key && !image->palette, plain = whole && !image->mask;
    if (plain && bits && target->mode == JL_MODE_REPLACE) {
        const struct jl_bitmap map = {image->pixels, image->width, image->height, bits};
        jl_paint_stencil(target, area, &map, 0, 0, JL_WHITE, JL_BLACK);
        return;
    }
    if (same && whole && !target->painter && image->format->bits_per_pixel >= 8) {
        struct jl_rect visible = jl_rect_intersect(area, target->clip);
        if (visible.w > 0) {
            (plain ? copy_rows : copy_masked)((struct jl_frame *)target, visible, &placed);
        }
        return;
    }
    jl_paint_shade(target, area, shade, &placed);
}
