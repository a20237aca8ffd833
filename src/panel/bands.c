/* A picture, band by band. */
#include "jadelamp/bands.h"

#include "../core/mem.h"
#include "bands.h"
#include "panel.h"
#include "window.h"

jl_status jl_bands_begin(struct jl_bands *bands, struct jl_panel *panel, void *memory,
                         size_t memory_bytes) {
    if (!bands) {
        return JL_BAD_ARGUMENT;
    }
    *bands = (struct jl_bands){.panel = panel, .status = JL_BAD_ARGUMENT};
    if (!memory) {
        return JL_BAD_ARGUMENT;
    }
    bands->status = jl_panel_ready(panel);
    if (bands->status != JL_OK) {
        return bands->status;
    }
    const struct jl_format *format = panel->format;
    size_t line_bytes = jl_line_bytes(format, panel->width);
    if (format->planes > 1) {
        return bands->status = JL_UNSUPPORTED;
    }
    if (memory_bytes < line_bytes) {
        return bands->status = JL_TOO_SMALL;
    }
    jl_target_init(&bands->frame.target, &format->ops, panel->width, panel->height);
    bands->frame.target.bounds.h = 0; /* no band yet */
    bands->frame.format = format;
    bands->frame.pixels = memory;
    bands->frame.stride_bytes = (uint16_t)line_bytes;
    bands->memory_bytes = memory_bytes;
    panel->streaming = NULL; /* a picture of its own, even when `bands` is where another was */
    return JL_OK;
}

jl_status jl_bands_open(struct jl_bands *bands, struct jl_rect band) {
    struct jl_panel *panel = bands->panel;
    jl_status status = jl_panel_ready(panel);
    if (status != JL_OK || panel->streaming == bands) {
        return status;
    }
    band.h = (int16_t)(panel->height - band.y);
    status = jl_panel_settle(panel, jl_window_open(panel, band));
    panel->streaming = bands;
    return status;
}

jl_status jl_bands_send_lines(struct jl_bands *bands, struct jl_rect band) {
    struct jl_panel *panel = bands->panel;
    jl_status status = jl_panel_ready(panel);
    return status == JL_OK ? jl_panel_settle(panel, jl_present_area(panel, &bands->frame, band))
                           : status;
}

static jl_status send_band(struct jl_bands *bands, struct jl_rect band) {
    struct jl_panel *panel = bands->panel;
    if (panel->config->controller->line_windows) {
        return jl_bands_send_lines(bands, band);
    }
    jl_status status = jl_bands_open(bands, band);
    if (status != JL_OK) {
        return status;
    }
    size_t bytes = (size_t)bands->frame.stride_bytes * jl_lines(bands->frame.format, band.h);
    return jl_panel_settle(panel,
                           panel->config->bus->send(panel, true, bands->frame.pixels, bytes));
}

bool jl_bands_next(struct jl_bands *bands) {
    struct jl_rect *band = &bands->frame.target.bounds;
    if (bands->status != JL_OK) {
        return false;
    }
    if (band->h > 0) {
        bands->status = bands->send ? bands->send(bands, *band) : send_band(bands, *band);
    }
    int16_t rows_left =
        (int16_t)(bands->panel->height - band->y - band->h); /* below the last band */
    band->y = (int16_t)(band->y + band->h);
    band->h = 0;
    if (bands->status != JL_OK || rows_left == 0) {
        return false;
    }
    unsigned shift = bands->frame.format->line_rows_log2;
    size_t used = 0;
    int16_t rows = 0;
    while (used + bands->frame.stride_bytes <= bands->memory_bytes && rows < rows_left) {
        used += bands->frame.stride_bytes;
        rows = (int16_t)(rows + (1 << shift));
    }
    band->h = rows < rows_left ? rows : rows_left;
    bands->frame.target.clip = *band;
    memset(bands->frame.pixels, 0, used);
    return true;
}

jl_status jl_bands_end(struct jl_bands *bands) {
    /* Whatever the panel held as its last frame is gone: the next present sends everything. */
    if (bands->panel) {
        bands->panel->shown = NULL;
    }
    if (bands->send && bands->status == JL_OK) {
        bands->status = bands->send(bands, (struct jl_rect){0, 0, 0, 0});
    }
    return bands->status;
}
