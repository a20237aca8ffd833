/* A target that dithers what is drawn, and puts it on a frame. */
#include "jadelamp/dither.h"

#include "../core/lone.h"
#include "../core/paint.h"
#include "dither.h"

/* Greys say the bits of their one channel three times; black, white and red has colours. */
static bool has_colors(const struct jl_format *format) {
    return format->bits_per_pixel >= 8 || format->layout == JL_LAYOUT_BLACK_WHITE_RED;
}

static jl_color dither(const struct jl_format *format, jl_color color, int x, int y) {
    const uint8_t *bits = format->channel_bits;
    int threshold = jl_bayer((unsigned)x, (unsigned)y);
    if (!has_colors(format)) {
        uint32_t grey = jl_dither_channel(jl_color_luminance(color), threshold, bits[0]);
        return JL_GREY(grey);
    }
    return JL_RGB(jl_dither_channel(jl_color_red(color), threshold, bits[0]),
                  jl_dither_channel(jl_color_green(color), threshold, bits[1]),
                  jl_dither_channel(jl_color_blue(color), threshold, bits[2]));
}

static void put(struct jl_target *target, int16_t x, int16_t y, int16_t count,
                const jl_color *row) {
    struct jl_frame *frame = ((struct jl_dithered *)target)->frame;
    bool plain = jl_frame_format(frame)->layout == JL_LAYOUT_PALETTE;
    while (count > 0) {
        jl_color chunk[JL_CHUNK];
        int16_t now = count < JL_CHUNK ? count : JL_CHUNK;
        for (int16_t i = 0; i < now; i++) {
            chunk[i] = row[i] == JL_CLEAR || plain
                           ? row[i]
                           : dither(jl_frame_format(frame), row[i], x + i, y);
        }
        jl_ops_put(&frame->target, x, y, now, chunk);
        x = (int16_t)(x + now);
        row += now;
        count = (int16_t)(count - now);
    }
}

static void get(const struct jl_target *target, int16_t x, int16_t y, int16_t count,
                jl_color *row) {
    const struct jl_frame *frame = ((const struct jl_dithered *)target)->frame;
    jl_ops_of(&frame->target)->get(&frame->target, x, y, count, row);
}

static void fill(struct jl_target *target, struct jl_rect area, jl_color color) {
    jl_color row[JL_CHUNK];
    for (int i = 0; i < JL_CHUNK; i++) {
        row[i] = color;
    }
    for (int y = 0; y < area.h; y++) {
        for (int x = 0; x < area.w; x += JL_CHUNK) {
            int count = area.w - x < JL_CHUNK ? area.w - x : JL_CHUNK;
            put(target, (int16_t)(area.x + x), (int16_t)(area.y + y), (int16_t)count, row);
        }
    }
}

static void stencil(struct jl_target *target, const struct jl_stencil *s) {
    struct jl_rect area = s->area;
    for (int y = 0; y < area.h; y++) {
        for (int x = 0; x < area.w; x++) {
            bool set = s->map->order->column(s->map, s->map_x + x, s->map_y + y) & 1;
            jl_color color = set ? s->ink : s->paper;
            put(target, (int16_t)(area.x + x), (int16_t)(area.y + y), 1, &color);
        }
    }
}

static const struct jl_target_ops dithered_ops = {
    .fill = fill, .stencil = stencil, .put = put, .get = get};

void jl_dither(struct jl_dithered *dithered, struct jl_frame *frame) {
    dithered->target = frame->target;
    dithered->target.ops = &dithered_ops;
    dithered->frame = frame;
}
