/* Images that come from outside. */
#include "../core/packing.h"

jl_status jl_image_check(const struct jl_image *image, size_t pixel_bytes) {
    if (!image || !image->format || !image->pixels || image->width < 1 || image->height < 1 ||
        (image->format->layout == JL_LAYOUT_PALETTE && !image->palette) ||
        (image->mask && image->mask_bits != 1 && image->mask_bits != 4)) {
        return JL_BAD_ARGUMENT;
    }
    struct jl_lines lines = jl_lines_of(image);
    if ((uint64_t)lines.units * lines.unit_bytes > UINT16_MAX) {
        return JL_OUT_OF_RANGE;
    }
    if (image->packing) {
        return image->packing->check(image->pixels, pixel_bytes, &lines) ? JL_OK : JL_TOO_SMALL;
    }
    uint64_t needed = (uint64_t)lines.units * lines.unit_bytes * lines.count;
    return pixel_bytes < needed ? JL_TOO_SMALL : JL_OK;
}

jl_status jl_image_check_mask(const struct jl_image *image, size_t mask_bytes) {
    if (!image || !image->mask || image->width < 1 || image->height < 1 ||
        (image->mask_bits != 1 && image->mask_bits != 4)) {
        return JL_BAD_ARGUMENT;
    }
    uint32_t line_bytes = ((uint32_t)(image->width * (int32_t)image->mask_bits) + 7u) / 8u;
    return mask_bytes < (uint64_t)line_bytes * (uint16_t)image->height ? JL_TOO_SMALL : JL_OK;
}
