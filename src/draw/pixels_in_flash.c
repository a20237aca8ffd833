/* Pixels as they are, in flash, where that is a memory of its own: a packing that packs nothing. */
#include "../core/flash.h"
#include "../core/packing.h"

#ifdef __AVR__
static void read(const struct jl_image *image, const struct jl_lines *lines,
                 struct jl_unpacking *state, uint32_t line, uint32_t first, uint32_t count,
                 uint8_t *out) {
    (void)state;
    const uint8_t *from = image->pixels;
    jl_flash_read(out, from + (line * lines->units + first) * lines->unit_bytes,
                  (size_t)count * lines->unit_bytes);
}

static bool check(const uint8_t *at, size_t bytes, const struct jl_lines *lines) {
    (void)at;
    return bytes >= (size_t)lines->units * lines->count * lines->unit_bytes;
}

const struct jl_packing jl_pixels_in_flash = {.read = read, .check = check};
#endif
