/* Pixels whose bytes change places on their way. */
#include "../core/lone.h"
#include "jadelamp/bands.h"
#include "panel.h"

static void swap_rows(const struct jl_frame *band, struct jl_rect area, const uint8_t *pixels,
                      uint16_t stride_bytes) {
    const struct jl_rect *rows = &band->target.bounds;
    uint8_t *out = band->pixels;
    for (int16_t y = 0; y < rows->h; y++) {
        size_t line = (size_t)(rows->y - area.y + y) * stride_bytes;
        const uint16_t *row = (const uint16_t *)(const void *)(pixels + line);
        for (int16_t x = 0; x < rows->w; x++) {
            *out++ = (uint8_t)(row[x] >> 8);
            *out++ = (uint8_t)row[x];
        }
    }
}

jl_status jl_panel_send_rgb565_cpu(struct jl_panel *panel, struct jl_rect area,
                                   const uint16_t *pixels, uint16_t stride_bytes, void *memory,
                                   size_t memory_bytes) {
    struct jl_bands bands;
    jl_status status = jl_panel_ready(panel);
    if (status != JL_OK) {
        return status;
    }
    if (jl_format_of(panel) == &jl_rgb565_cpu) {
        return jl_panel_send(panel, area, pixels, stride_bytes);
    }
    if (jl_format_of(panel) != &jl_rgb565) {
        return jl_panel_note(panel, JL_BAD_FRAME_FORMAT);
    }
    if (!pixels) {
        return jl_panel_note(panel, JL_BAD_ARGUMENT);
    }
    jl_bands_begin_area(&bands, panel, area, memory, memory_bytes);
    while (jl_bands_next(&bands)) {
        swap_rows(&bands.frame, area, (const uint8_t *)pixels, stride_bytes);
    }
    return jl_bands_end(&bands);
}
