/*
 * From a pixmap to an image. Colours are stored and read back by the library's own formats, so
 * that what is baked rounds as what is drawn.
 */
#include "jadelamp/host/bake_picture.h"

#include <stdlib.h>
#include <string.h>

#include "jadelamp/draw.h"
#include "packer.h"

struct pixel {
    int r, g, b, alpha;
};

static struct pixel pixel_at(const struct jl_pixmap *pixmap, int x, int y) {
    const uint8_t *p = pixmap->rgba + ((size_t)y * (size_t)pixmap->width + (size_t)x) * 4;
    return (struct pixel){p[0], p[1], p[2], p[3]};
}

/* ---- size ---- */

static int scaled(int value, long numerator, long denominator) {
    long result = (value * numerator + denominator / 2) / denominator;
    return result < 1 ? 1 : (int)result;
}

/* In the middle of a clear picture of the size; what reaches outside is cut. */
static bool centre(struct jl_pixmap *pixmap, int width, int height) {
    struct jl_pixmap whole;
    int left = (width - pixmap->width) / 2, top = (height - pixmap->height) / 2;
    if (!jl_pixmap_create(&whole, width, height)) {
        return false;
    }
    for (int y = 0; y < pixmap->height; y++) {
        for (int x = 0; x < pixmap->width; x++) {
            int to_x = x + left, to_y = y + top;
            if (to_x >= 0 && to_x < width && to_y >= 0 && to_y < height) {
                memcpy(whole.rgba + ((size_t)to_y * (size_t)width + (size_t)to_x) * 4,
                       pixmap->rgba + ((size_t)y * (size_t)pixmap->width + (size_t)x) * 4, 4);
            }
        }
    }
    jl_pixmap_free(pixmap);
    *pixmap = whole;
    return true;
}

static bool resize(struct jl_pixmap *pixmap, const struct jl_picture_recipe *recipe) {
    int width = recipe->width, height = recipe->height;
    if (!width) {
        return true;
    }
    if (recipe->fit == JL_BAKE_STRETCH) {
        return jl_pixmap_scale(pixmap, width, height);
    }
    /* The side that decides: the one which would reach outside, or would not reach it. */
    bool wider = (long)pixmap->width * height > (long)width * pixmap->height;
    bool by_width = wider == (recipe->fit == JL_BAKE_FIT);
    int fitted_width = by_width ? width : scaled(pixmap->width, height, pixmap->height);
    int fitted_height = by_width ? scaled(pixmap->height, width, pixmap->width) : height;
    return jl_pixmap_scale(pixmap, fitted_width, fitted_height) && centre(pixmap, width, height);
}

static bool shape(struct jl_pixmap *pixmap, const struct jl_picture_recipe *recipe,
                  struct jl_complaint *complaint) {
    if (recipe->crop_width && !jl_pixmap_crop(pixmap, recipe->crop_x, recipe->crop_y,
                                              recipe->crop_width, recipe->crop_height)) {
        return jl_complain(complaint, "cannot cut %d x %d from %d,%d on: the picture has %d x %d",
                           recipe->crop_width, recipe->crop_height, recipe->crop_x, recipe->crop_y,
                           pixmap->width, pixmap->height);
    }
    if (!jl_pixmap_turn(pixmap, recipe->quarter_turns) || !resize(pixmap, recipe)) {
        return jl_complain(complaint, "cannot make the picture %d x %d: out of memory",
                           recipe->width, recipe->height);
    }
    return pixmap->width <= 32767 && pixmap->height <= 32767;
}

/* ---- transparency ---- */

static int mixed(int from, int to, int share) {
    return (from * (255 - share) + to * share + 127) / 255;
}

static bool is_there(struct pixel pixel) {
    return pixel.alpha >= 128;
}

/* Puts the background behind everything. */
static void flatten(struct jl_pixmap *pixmap, jl_color background) {
    for (int i = 0; i < pixmap->width * pixmap->height; i++) {
        uint8_t *p = pixmap->rgba + (size_t)i * 4;
        p[0] = (uint8_t)mixed(jl_color_red(background), p[0], p[3]);
        p[1] = (uint8_t)mixed(jl_color_green(background), p[1], p[3]);
        p[2] = (uint8_t)mixed(jl_color_blue(background), p[2], p[3]);
    }
}

static bool make_mask(const struct jl_pixmap *pixmap, int bits, struct jl_baked_picture *baked) {
    size_t stride = ((size_t)pixmap->width * (size_t)bits + 7) / 8;
    baked->mask_bytes = stride * (size_t)pixmap->height;
    baked->mask = calloc(baked->mask_bytes, 1);
    for (int y = 0; baked->mask && y < pixmap->height; y++) {
        for (int x = 0; x < pixmap->width; x++) {
            struct pixel pixel = pixel_at(pixmap, x, y);
            uint8_t *row = baked->mask + (size_t)y * stride;
            int share = (pixel.alpha * 15 + 127) / 255;
            if (bits == 1) {
                row[x / 8] = (uint8_t)(row[x / 8] | is_there(pixel) << (7 - x % 8));
            } else {
                row[x / 2] = (uint8_t)(row[x / 2] | share << (x % 2 ? 0 : 4));
            }
        }
    }
    baked->image.mask = baked->mask;
    baked->image.mask_bits = (uint8_t)bits;
    return baked->mask != NULL;
}

/* ---- colours ---- */

/* A frame of one pixel, which says what a format makes of a colour. */
struct prober {
    struct jl_frame frame;
    uint16_t memory[8];
};

static void probe_begin(struct prober *prober, const struct jl_format *format,
                        const jl_color *palette) {
    jl_status status =
        format->layout == JL_LAYOUT_PALETTE
            ? jl_frame_init_palette(&prober->frame, format, palette, 1, 1, prober->memory,
                                    sizeof prober->memory)
            : jl_frame_init(&prober->frame, format, 1, 1, prober->memory, sizeof prober->memory);
    (void)status; /* a pixel always fits */
}

static jl_color probe(struct prober *prober, jl_color color) {
    jl_color seen;
    jl_fill_rect(&prober->frame.target, prober->frame.target.bounds, color);
    prober->frame.format->ops.get(&prober->frame.target, 0, 0, 1, &seen);
    return seen;
}

static int clamp(int value) {
    return value < 0 ? 0 : value > 255 ? 255 : value;
}

static bool is_grey(const struct jl_format *format) {
    return format->planes == 1 && format->layout != JL_LAYOUT_PALETTE &&
           format->bits_per_pixel <= 4;
}

/* Levels that lie apart: what a step of a channel is, for the pattern. */
static int step_of(const struct jl_format *format, int channel) {
    if (format->layout == JL_LAYOUT_PALETTE) {
        static const int steps[] = {255, 128, 0, 72, 0, 0, 0, 32}; /* by bits: a guess */
        return steps[format->bits_per_pixel - 1];
    }
    return format->planes > 1 ? 255 : 255 / ((1 << format->channel_bits[channel]) - 1);
}

/* Bayer's order of 64, as bits of x and y interleaved. */
static int pattern(int x, int y) {
    int value = 0;
    for (int bit = 0; bit < 3; bit++) {
        value = value << 2 | ((x ^ y) >> bit & 1) << 1 | (y >> bit & 1);
    }
    return value;
}

static void add_error(int *row, int x, int width, const int error[3], int weight) {
    for (int channel = 0; channel < 3 && x >= 0 && x < width; channel++) {
        row[x * 3 + channel] += error[channel] * weight;
    }
}

/* What is wanted at a pixel, before rounding. */
static void wanted(const struct jl_pixmap *pixmap, int x, int y, bool grey, int out[3]) {
    struct pixel p = pixel_at(pixmap, x, y);
    int luminance = jl_color_luminance(JL_RGB((jl_color)p.r, (jl_color)p.g, (jl_color)p.b));
    out[0] = grey ? luminance : p.r;
    out[1] = grey ? luminance : p.g;
    out[2] = grey ? luminance : p.b;
}

struct dithering {
    struct prober prober;
    struct jl_frame *frame;
    const struct jl_picture_recipe *recipe;
    int *errors[2]; /* in sixteenths: this row, and the next */
    jl_color key;   /* as stored */
    long clashes;   /* solid pixels that look like the key */
};

static jl_color rounded(struct dithering *d, const struct jl_pixmap *pixmap, int x, int y) {
    const struct jl_format *format = d->recipe->format;
    int want[3], error[3];
    wanted(pixmap, x, y, is_grey(format), want);
    for (int channel = 0; channel < 3; channel++) {
        if (d->recipe->dither == JL_BAKE_ORDERED) {
            want[channel] += step_of(format, channel) * (2 * pattern(x, y) - 63) / 128;
        } else if (d->recipe->dither == JL_BAKE_DIFFUSION) {
            want[channel] += d->errors[0][x * 3 + channel] / 16;
        }
    }
    jl_color color =
        JL_RGB((jl_color)clamp(want[0]), (jl_color)clamp(want[1]), (jl_color)clamp(want[2]));
    jl_color seen = probe(&d->prober, color);
    if (d->recipe->dither == JL_BAKE_DIFFUSION) {
        error[0] = want[0] - jl_color_red(seen);
        error[1] = want[1] - jl_color_green(seen);
        error[2] = want[2] - jl_color_blue(seen);
        add_error(d->errors[0], x + 1, pixmap->width, error, 7);
        add_error(d->errors[1], x - 1, pixmap->width, error, 3);
        add_error(d->errors[1], x, pixmap->width, error, 5);
        add_error(d->errors[1], x + 1, pixmap->width, error, 1);
    }
    return seen;
}

static void store_row(struct dithering *d, const struct jl_pixmap *pixmap, int y) {
    bool with_key = d->recipe->clear == JL_BAKE_KEY;
    for (int x = 0; x < pixmap->width; x++) {
        jl_color seen = rounded(d, pixmap, x, y);
        if (with_key && !is_there(pixel_at(pixmap, x, y))) {
            seen = d->key;
        } else if (with_key && seen == d->key) {
            d->clashes++;
        }
        jl_fill_rect(&d->frame->target, (struct jl_rect){(int16_t)x, (int16_t)y, 1, 1}, seen);
    }
    int *done = d->errors[0];
    d->errors[0] = d->errors[1];
    d->errors[1] = done;
    memset(done, 0, (size_t)pixmap->width * 3 * sizeof *done);
}

static bool store(const struct jl_pixmap *pixmap, const struct jl_picture_recipe *recipe,
                  struct jl_baked_picture *baked, struct jl_complaint *complaint) {
    struct jl_frame frame;
    struct dithering d = {.frame = &frame, .recipe = recipe};
    int16_t width = (int16_t)pixmap->width, height = (int16_t)pixmap->height;
    bool indexed = recipe->format->layout == JL_LAYOUT_PALETTE;
    jl_status status = indexed
                           ? jl_frame_init_palette(&frame, recipe->format, baked->palette, width,
                                                   height, baked->pixels, baked->pixel_bytes)
                           : jl_frame_init(&frame, recipe->format, width, height, baked->pixels,
                                           baked->pixel_bytes);
    int *errors = calloc((size_t)pixmap->width * 6, sizeof *errors);
    if (status != JL_OK || !errors) {
        free(errors);
        return jl_complain(complaint, "cannot make the picture: %s",
                           errors ? jl_status_text(status) : "out of memory");
    }
    d.errors[0] = errors;
    d.errors[1] = errors + (size_t)pixmap->width * 3;
    probe_begin(&d.prober, recipe->format, baked->palette);
    d.key = probe(&d.prober, recipe->key);
    for (int y = 0; y < pixmap->height; y++) {
        store_row(&d, pixmap, y);
    }
    free(errors);
    baked->image.has_key = recipe->clear == JL_BAKE_KEY;
    baked->image.key = d.key;
    return !d.clashes || jl_complain(complaint,
                                     "%ld solid pixels have the key colour #%06X as this format "
                                     "stores it: jl_host_choose another, or a mask",
                                     d.clashes, (unsigned)d.key);
}

/* ---- all together ---- */

static size_t memory_bytes(const struct jl_format *format, int width, int height) {
    size_t rows = (size_t)1 << format->line_rows_log2;
    size_t lines = ((size_t)height + rows - 1) >> format->line_rows_log2;
    return format->planes * lines * (((size_t)width * rows * format->bits_per_pixel + 7) / 8);
}

static bool pack(struct jl_baked_picture *baked) {
    size_t bytes = jl_host_pack_image(&baked->image, NULL);
    uint8_t *packed = bytes < baked->pixel_bytes ? malloc(bytes) : NULL;
    if (!packed) {
        return bytes >= baked->pixel_bytes;
    }
    jl_host_pack_image(&baked->image, packed);
    free(baked->pixels);
    baked->pixels = packed;
    baked->pixel_bytes = bytes;
    baked->image.pixels = packed;
    baked->image.packing = &jl_packing_runs;
    return true;
}

static bool make(struct jl_pixmap *pixmap, const struct jl_picture_recipe *recipe,
                 struct jl_baked_picture *baked, struct jl_complaint *complaint) {
    int mask_bits = recipe->clear == JL_BAKE_MASK_1 ? 1 : recipe->clear == JL_BAKE_MASK_4 ? 4 : 0;
    if (mask_bits && !make_mask(pixmap, mask_bits, baked)) {
        return jl_complain(complaint, "out of memory for the mask");
    }
    if (recipe->clear == JL_BAKE_BACKGROUND) {
        flatten(pixmap, recipe->background);
    }
    if (recipe->format->layout == JL_LAYOUT_PALETTE) {
        baked->palette_count = 1 << recipe->format->bits_per_pixel;
        if (recipe->palette) {
            memcpy(baked->palette, recipe->palette,
                   (size_t)baked->palette_count * sizeof *baked->palette);
        } else if (!jl_pixmap_palette(pixmap, baked->palette_count, baked->palette)) {
            return jl_complain(complaint, "out of memory for the palette");
        }
        baked->image.palette = baked->palette;
    }
    baked->pixel_bytes = baked->plain_bytes =
        memory_bytes(recipe->format, pixmap->width, pixmap->height);
    baked->pixels = calloc(baked->pixel_bytes, 1);
    baked->image.format = recipe->format;
    baked->image.pixels = baked->pixels;
    baked->image.width = (int16_t)pixmap->width;
    baked->image.height = (int16_t)pixmap->height;
    if (!baked->pixels) {
        return jl_complain(complaint, "out of memory for %zu bytes of pixels", baked->pixel_bytes);
    }
    return store(pixmap, recipe, baked, complaint) &&
           (recipe->plain || pack(baked) || jl_complain(complaint, "out of memory for packing"));
}

bool jl_bake_pixmap(struct jl_pixmap *pixmap, const struct jl_picture_recipe *recipe,
                    struct jl_baked_picture *baked, struct jl_complaint *complaint) {
    memset(baked, 0, sizeof *baked);
    bool good = shape(pixmap, recipe, complaint) && make(pixmap, recipe, baked, complaint);
    if (!good) {
        jl_baked_picture_free(baked);
    }
    return good;
}

void jl_baked_picture_free(struct jl_baked_picture *baked) {
    free(baked->pixels);
    free(baked->mask);
    baked->pixels = baked->mask = NULL;
}

bool jl_baked_preview(const struct jl_baked_picture *baked, jl_color background,
                      struct jl_picture *preview) {
    struct jl_frame frame;
    int16_t width = baked->image.width, height = baked->image.height;
    if (!jl_picture_create(preview, width, height)) {
        return false;
    }
    /* A picture is a frame of 8-8-8. */
    if (jl_frame_init(&frame, &jl_rgb888, width, height, preview->rgb,
                      (size_t)width * (size_t)height * 3) != JL_OK) {
        jl_picture_free(preview);
        return false;
    }
    jl_fill_rect(&frame.target, frame.target.bounds, background);
    jl_draw_image(&frame.target, 0, 0, &baked->image);
    return true;
}
