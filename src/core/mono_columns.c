/*
 * The format of 1 bit a pixel in vertical bytes. Works on whole bytes: 8 rows
 * of a column at a time, with a mask at the ragged top and bottom.
 *
 * A byte that gets the value it already had is not damage, so redrawing a text
 * of which three digits changed sends three digits.
 */
#include "jadelamp/draw.h"
#include "jadelamp/frame.h"

/* Columns and pages (lines of 8 rows) in which a byte really changed. */
struct touched {
    int16_t left, right;
    int16_t top_page, bottom_page;
};

static void touched_note(struct touched *t, int16_t x, int16_t page)
{
    if (x < t->left) {
        t->left = x;
    }
    if (x > t->right) {
        t->right = x;
    }
    if (page < t->top_page) {
        t->top_page = page;
    }
    t->bottom_page = page; /* pages are visited from the top down */
}

static void touched_report(const struct touched *t, struct jl_frame *frame)
{
    if (t->right < t->left) {
        return;
    }
    struct jl_rect whole = {0, 0, frame->target.width, frame->target.height};
    struct jl_rect pages = {t->left, (int16_t)(t->top_page * 8),
                            (int16_t)(t->right - t->left + 1),
                            (int16_t)((t->bottom_page - t->top_page + 1) * 8)};
    jl_damage_add(&frame->damage, jl_rect_intersect(pages, whole));
}

/* The rows of `area` that lie on a page, as bits of its bytes. */
static uint8_t page_mask(struct jl_rect area, int16_t page)
{
    int16_t above = (int16_t)(area.y - page * 8);
    int16_t below = (int16_t)(page * 8 + 8 - (area.y + area.h));
    uint8_t mask = 0xFF;
    if (above > 0) {
        mask = (uint8_t)(mask << above);
    }
    if (below > 0) {
        mask &= (uint8_t)(0xFF >> below);
    }
    return mask;
}

static uint8_t is_lit(jl_color color)
{
    return jl_color_luminance(color) >= 128 ? 0xFF : 0x00;
}

static const struct touched nothing = {INT16_MAX, -1, INT16_MAX, -1};

static void fill(struct jl_target *target, struct jl_rect area, jl_color color)
{
    struct jl_frame *frame = (struct jl_frame *)target;
    uint8_t bits = is_lit(color);
    int16_t last_page = (int16_t)((area.y + area.h - 1) / 8);
    struct touched touched = nothing;
    for (int16_t page = (int16_t)(area.y / 8); page <= last_page; page++) {
        uint8_t mask = page_mask(area, page);
        uint8_t keep = (uint8_t)~mask;
        uint8_t set = bits & mask;
        uint8_t *byte = frame->pixels + (size_t)page * frame->stride_bytes + area.x;
        for (int16_t i = 0; i < area.w; i++) {
            uint8_t now = (uint8_t)((byte[i] & keep) | set);
            if (now != byte[i]) {
                byte[i] = now;
                touched_note(&touched, (int16_t)(area.x + i), page);
            }
        }
    }
    touched_report(&touched, frame);
}

/* Rows y .. y+7 of column x of a map, row y in bit 0; 0 outside the map. */
static uint8_t fetch_column(const struct jl_bitmap *map, int16_t x, int16_t y)
{
    if (x < 0 || x >= map->width || y >= map->height || y <= -8) {
        return 0;
    }
    uint8_t bits = 0;
    if (map->order == JL_BITS_COLUMNS) {
        /* y may be -7..-1, hence the shift by 8 before dividing. */
        int16_t page = (int16_t)((y + 8) / 8 - 1);
        uint8_t shift = (uint8_t)((y + 8) % 8);
        int16_t pages = (int16_t)((map->height + 7) / 8);
        const uint8_t *byte = map->bits + (int32_t)page * map->width + x;
        if (page >= 0) {
            bits = (uint8_t)(byte[0] >> shift);
        }
        if (shift && page + 1 < pages) {
            bits |= (uint8_t)(byte[map->width] << (8 - shift));
        }
        int16_t rows_left = (int16_t)(map->height - y);
        return rows_left < 8 ? (uint8_t)(bits & (0xFF >> (8 - rows_left))) : bits;
    }
    int16_t stride = (int16_t)((map->width + 7) / 8);
    uint8_t mask = (uint8_t)(map->order == JL_BITS_ROWS_MSB ? 0x80 >> (x % 8) : 1 << (x % 8));
    int16_t first = y < 0 ? (int16_t)-y : 0;
    int16_t end = map->height - y < 8 ? (int16_t)(map->height - y) : 8;
    const uint8_t *byte = map->bits + (int32_t)(y + first) * stride + x / 8;
    for (int16_t row = first; row < end; row++, byte += stride) {
        if (*byte & mask) {
            bits |= (uint8_t)(1 << row);
        }
    }
    return bits;
}

static void stencil(struct jl_target *target, struct jl_rect area, const struct jl_bitmap *map,
                    int16_t map_x, int16_t map_y, jl_color ink, jl_color paper)
{
    struct jl_frame *frame = (struct jl_frame *)target;
    uint8_t ink_writes = ink == JL_CLEAR ? 0x00 : 0xFF;
    uint8_t paper_writes = paper == JL_CLEAR ? 0x00 : 0xFF;
    uint8_t ink_bits = is_lit(ink) & ink_writes;
    uint8_t paper_bits = is_lit(paper) & paper_writes;
    int16_t last_page = (int16_t)((area.y + area.h - 1) / 8);
    struct touched touched = nothing;
    for (int16_t page = (int16_t)(area.y / 8); page <= last_page; page++) {
        uint8_t mask = page_mask(area, page);
        int16_t row = (int16_t)(map_y + page * 8 - area.y);
        uint8_t *byte = frame->pixels + (size_t)page * frame->stride_bytes + area.x;
        for (int16_t i = 0; i < area.w; i++) {
            uint8_t src = fetch_column(map, (int16_t)(map_x + i), row);
            uint8_t write = (uint8_t)(((src & ink_writes) | (~src & paper_writes)) & mask);
            uint8_t value = (uint8_t)((src & ink_bits) | (~src & paper_bits));
            uint8_t now = (uint8_t)((byte[i] & ~write) | (value & write));
            if (now != byte[i]) {
                byte[i] = now;
                touched_note(&touched, (int16_t)(area.x + i), page);
            }
        }
    }
    touched_report(&touched, frame);
}

const struct jl_format jl_mono_columns = {
    .ops = {.fill = fill, .stencil = stencil},
    .bits_per_pixel = 1,
    .rows_per_line = 8,
};
