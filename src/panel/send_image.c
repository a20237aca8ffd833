/* Pictures in the panel's own format. */
#include "../core/lone.h"
#include "../core/packing.h"
#include "panel.h"

/* Some lines at a time, unpacked into the caller's memory. */
static jl_status send_packed(struct jl_panel *panel, struct jl_rect area,
                             const struct jl_image *image, uint8_t *memory, size_t memory_bytes) {
    struct jl_lines lines = jl_lines_of(image);
    uint32_t line_bytes = lines.units * lines.unit_bytes;
    uint32_t at_once = (uint32_t)(memory_bytes / line_bytes);
    struct jl_unpacking state = {NULL, NULL, 0, 0};
    jl_status status = at_once ? JL_OK : jl_panel_note(panel, JL_TOO_SMALL);
    uint8_t rows_log2 = image->format->line_rows_log2;
    for (uint32_t line = 0; line < lines.count && status == JL_OK;) {
        uint32_t count = lines.count - line < at_once ? lines.count - line : at_once;
        struct jl_rect piece = area;
        piece.y = (int16_t)(area.y + (int)(line << rows_log2));
        piece.h = (int16_t)(line + count < lines.count ? count << rows_log2
                                                       : (uint32_t)(area.y + area.h - piece.y));
        for (uint32_t i = 0; i < count; i++) {
            image->packing->read(image, &lines, &state, line + i, 0, lines.units,
                                 memory + i * line_bytes);
        }
        status = jl_panel_send(panel, piece, memory, (uint16_t)line_bytes);
        line += count;
    }
    return status;
}

jl_status jl_panel_send_image(struct jl_panel *panel, int16_t x, int16_t y,
                              const struct jl_image *image, void *memory, size_t memory_bytes) {
    if (!panel) {
        return JL_BAD_ARGUMENT;
    }
    if (!image || !image->format || !image->pixels || image->width < 1 || image->height < 1 ||
        (image->packing && !memory)) {
        return jl_panel_note(panel, JL_BAD_ARGUMENT);
    }
    if (image->format != jl_format_of(panel) || image->has_key || image->mask ||
        image->format->planes > 1) {
        return jl_panel_note(panel, JL_UNSUPPORTED);
    }
    struct jl_lines lines = jl_lines_of(image);
    uint8_t rows_log2 = image->format->line_rows_log2;
    /* Whole lines of memory: a last page that is not full is sent with what is behind it. */
    struct jl_rect area = {x, y, image->width, (int16_t)(lines.count << rows_log2)};
    if (y >= 0 && image->height <= panel->height - y && area.h > panel->height - y) {
        area.h = (int16_t)(panel->height - y); /* the glass ends within that page */
    }
    return image->packing ? send_packed(panel, area, image, memory, memory_bytes)
                          : jl_panel_send(panel, area, image->pixels,
                                          (uint16_t)(lines.units * lines.unit_bytes));
}
