/* Pictures of a sheet. */
#include "../core/paint.h"
#include "jadelamp/transform.h"

static int32_t columns_of(const struct jl_sheet *sheet) {
    return sheet->width > 0 ? sheet->image->width / sheet->width : 0;
}

uint16_t jl_sheet_count(const struct jl_sheet *sheet) {
    int32_t rows = sheet->height > 0 ? sheet->image->height / sheet->height : 0;
    int32_t count = columns_of(sheet) * rows;
    const int32_t most = (int32_t)UINT16_MAX;
    return (uint16_t)(count < most ? count : most);
}

void jl_draw_tile(struct jl_target *target, int16_t x, int16_t y, const struct jl_sheet *sheet,
                  uint16_t index, uint8_t flips) {
    if (index >= jl_sheet_count(sheet)) {
        return;
    }
    int32_t columns = columns_of(sheet);
    struct jl_rect from = {(int16_t)(index % columns * sheet->width),
                           (int16_t)(index / columns * sheet->height), sheet->width, sheet->height};
    struct jl_rect to = {x, y, sheet->width, sheet->height};
    int32_t left = (int32_t)x - from.x, top = (int32_t)y - from.y;
    if (flips || left < INT16_MIN || top < INT16_MIN) {
        jl_draw_scaled(target, to, sheet->image, &from, JL_SAMPLE_NEAREST, flips);
        return;
    }
    struct jl_rect before = jl_target_clip(target, to);
    jl_draw_image(target, (int16_t)left, (int16_t)top, sheet->image);
    jl_target_unclip(target, before);
}

void jl_draw_tiles(struct jl_target *target, int16_t x, int16_t y, const struct jl_sheet *sheet,
                   const uint8_t *map, uint16_t columns, uint16_t rows) {
    for (uint16_t row = 0; row < rows; row++) {
        for (uint16_t column = 0; column < columns; column++) {
            int32_t left = x + (int32_t)column * sheet->width;
            int32_t top = y + (int32_t)row * sheet->height;
            if (left <= INT16_MAX && top <= INT16_MAX) {
                jl_draw_tile(target, (int16_t)left, (int16_t)top, sheet,
                             map[(uint32_t)row * columns + column], JL_FLIP_NONE);
            }
        }
    }
}
