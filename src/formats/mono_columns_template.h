/*
 * The formats of 1 bit a pixel in vertical bytes. Included by one file a format, which
 * defines COLUMN_MSB as 0 or 1. Works on whole bytes: 8 rows of a column at a time,
 * with a mask at the ragged top and bottom.
 *
 * A byte that gets the value it already had is not damage, so redrawing a text of
 * which three digits changed sends three digits.
 */
#include "format.h"

/* A byte with row 0 in bit 0, in the order of the format; its own inverse. */
static inline unsigned ordered(unsigned bits) {
#if COLUMN_MSB
    bits = (bits & 0x55) << 1 | (bits >> 1 & 0x55);
    bits = (bits & 0x33) << 2 | (bits >> 2 & 0x33);
    bits = (bits & 0x0F) << 4 | (bits >> 4 & 0x0F);
#endif
    return bits;
}

/* One copy for all that follows: it is as long as any of them. */
#ifdef __GNUC__
__attribute__((noinline))
#endif
static uint8_t *
byte_at(const struct jl_target *target, int16_t x, int16_t y) {
    const struct jl_frame *frame = (const struct jl_frame *)target;
    return jl_format_line(frame, y, 3) + jl_format_column(frame, x);
}

/*
 * Fills and stencils are one loop, since flash is scarcer than time here: a fill is a
 * stencil of ink everywhere (no map). int throughout: narrower locals cost sign
 * extensions on a Cortex-M0.
 */
static void stencil(struct jl_target *target, const struct jl_stencil *s) {
    struct jl_frame *frame = (struct jl_frame *)target;
    /* All bits or none: what a clear bit of the map becomes, and whether a set one differs; whether
     * a clear one is drawn, and a set one otherwise. */
    uint_fast8_t paper_bits = (uint_fast8_t)jl_lit_bits(s->paper, target);
    uint_fast8_t bits_differ = (uint_fast8_t)jl_lit_bits(s->ink, target) ^ paper_bits;
    uint_fast8_t paper_draws = s->paper == JL_CLEAR ? 0x00 : 0xFF;
    uint_fast8_t draws_differ = s->ink == JL_CLEAR ? paper_draws : (uint_fast8_t)~paper_draws;
    int end_y = s->area.y + s->area.h;

    uint8_t *line = byte_at(target, s->area.x, s->area.y);
    for (int top = s->area.y & ~7; top < end_y; top += 8, line += frame->stride_bytes) {
        int above = s->area.y - top;
        int below = top + 8 - end_y;
        int left = s->area.w,
            right = -1; /* columns within the area in which a byte really changed */
        uint_fast8_t mask = (uint_fast8_t)(above > 0 ? 0xFFu << above : 0xFFu);
        mask = (uint_fast8_t)(mask & (below > 0 ? 0xFFu >> below : 0xFFu));
        uint_fast8_t draws_set = draws_differ & mask, draws_clear = paper_draws & mask;
        if (!s->map && mask == 0xFF && !frame->damage) {
            memset(line, (int)(bits_differ ^ paper_bits),
                   (size_t)s->area.w); /* nobody wants to know what changes */
            continue;
        }
        for (int i = 0; i < s->area.w; i++) {
            uint_fast8_t source =
                s->map ? s->map->order->column(s->map, s->map_x + i, s->map_y - above) : 0xFF;
            uint_fast8_t draws = (source & draws_set) ^ draws_clear;
            uint_fast8_t change =
                (uint_fast8_t)((line[i] ^ ordered((source & bits_differ) ^ paper_bits)) &
                               ordered(draws));
            if (change) {
                line[i] = (uint8_t)(line[i] ^ change);
                left = i < left ? i : left;
                right = i;
            }
        }
        if (right >= 0) {
            struct jl_rect changed = {(int16_t)(s->area.x + left), (int16_t)top,
                                      (int16_t)(right - left + 1), 8};
            jl_format_changed(frame, changed);
        }
    }
}

static void fill(struct jl_target *target, struct jl_rect area, uint32_t ink) {
    stencil(target, &(struct jl_stencil){area, NULL, 0, 0, ink * 0x010101u, JL_CLEAR});
}

static unsigned bit_of(int y) {
    return ordered(1u << (y & 7));
}

static void get(const struct jl_target *target, int16_t x, int16_t y, int16_t count,
                jl_color *row) {
    const uint8_t *line = byte_at(target, x, y);
    for (int i = 0; i < count; i++) {
        row[i] = line[i] & bit_of(y) ? JL_WHITE : JL_BLACK;
    }
}

static unsigned dot(uint32_t ink, struct jl_target *target, int16_t x, int16_t y) {
    const struct jl_frame *frame = (const struct jl_frame *)target;
    uint8_t *byte = jl_format_line(frame, y, 3) + jl_format_column(frame, x);
    unsigned change = (*byte ^ (unsigned)ink) & bit_of(y);
    *byte = (uint8_t)(*byte ^ change);
    return change;
}

#define MONO_COLUMNS_FORMAT(its_layout)                                                            \
    {                                                                                              \
        .ops = {.ink = jl_lit_bits, .fill = fill, .stencil = stencil, .get = get, .dot = dot},     \
        .column_bits = 8, .bits_per_pixel = 1, .planes = 1, .line_rows_log2 = 3,                   \
        .channel_bits = {1, 1, 1}, .layout = its_layout,                                           \
        .window_price_px = 80 /* a window of ssd1306-like parts on I2C costs 10 bytes */           \
    }
