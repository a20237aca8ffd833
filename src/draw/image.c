/* Pictures from any format to any target. */
#include "jadelamp/image.h"

#include "../core/mem.h"
#include "../core/paint.h"

/* The picture as a frame that is only read, so that its format's get() can be asked. */
static struct jl_frame frame_of(const struct jl_image *image) {
    struct jl_frame frame = {.format = image->format};
    uint32_t line_bits = ((uint32_t)image->width * image->format->bits_per_pixel)
                         << image->format->line_rows_log2;
    frame.target.bounds = (struct jl_rect){0, 0, image->width, image->height};
    /* Never written: get() alone is called. */
    frame.pixels = (uint8_t *)(uintptr_t)image->pixels;
    frame.stride_bytes = (uint16_t)((line_bits + 7) / 8);
    return frame;
}

struct jl_image jl_image_of_frame(const struct jl_frame *frame) {
    return (struct jl_image){.format = frame->format,
                             .pixels = frame->pixels,
                             .width = frame->target.bounds.w,
                             .height = frame->target.bounds.h};
}

struct placed_image {
    struct jl_frame frame;
    const struct jl_image *image;
    int x, y;
};

static void shade(const void *context, int x, int y, int count, jl_color *row) {
    /* get() takes a target that it may change, but does not. */
    const struct placed_image *placed = context;
    struct jl_frame frame = placed->frame;
    placed->image->format->ops.get(&frame.target, (int16_t)(x - placed->x),
                                   (int16_t)(y - placed->y), (int16_t)count, row);
    for (int i = 0; placed->image->has_key && i < count; i++) {
        if (row[i] == placed->image->key) {
            row[i] = JL_CLEAR;
        }
    }
}

/* Rows of the same format: a frame takes them byte by byte. */
static void copy_rows(struct jl_frame *to, struct jl_rect visible, const struct jl_frame *from,
                      int from_x, int from_y) {
    size_t pixel_bytes = to->format->bits_per_pixel / 8;
    const uint8_t *source =
        from->pixels + (size_t)from_y * from->stride_bytes + (size_t)from_x * pixel_bytes;
    uint8_t *out = to->pixels + (size_t)(visible.y - to->target.bounds.y) * to->stride_bytes +
                   (size_t)visible.x * pixel_bytes;
    size_t row_bytes = (size_t)visible.w * pixel_bytes;
    for (int y = 0; y < visible.h; y++) {
        memcpy(out, source, row_bytes);
        out += to->stride_bytes;
        source += from->stride_bytes;
    }
    if (to->damage) {
        to->damage->add(to->damage, visible);
    }
}

void jl_draw_image(struct jl_target *target, int16_t x, int16_t y, const struct jl_image *image) {
    struct jl_rect area = {x, y, image->width, image->height};
    struct placed_image placed = {frame_of(image), image, x, y};
    bool same = target->ops == &image->format->ops; /* then the target is a frame of that format */
    if (same && !target->painter && !image->has_key && image->format->bits_per_pixel >= 8) {
        struct jl_rect visible = jl_rect_intersect(area, target->clip);
        if (visible.w > 0) {
            copy_rows((struct jl_frame *)target, visible, &placed.frame, visible.x - x,
                      visible.y - y);
        }
        return;
    }
    jl_paint_shade(target, area, shade, &placed);
}
