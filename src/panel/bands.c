/* A picture, band by band. */
#include "jadelamp/bands.h"

#include "../core/lone.h"
#include "../core/mem.h"
#include "bands.h"
#include "panel.h"
#include "show.h"

/* What begins a run over an area, which the controller can address. */
static jl_status begin(struct jl_bands *bands, struct jl_rect area, void *memory,
                       size_t memory_bytes) {
    struct jl_panel *panel = bands->panel;
    const struct jl_format *format = jl_format_of(panel);
    size_t line_bytes = (size_t)jl_line_bytes(format, area.w);
    size_t plane_bytes = memory_bytes >> (format->planes - 1); /* one or two */
    if (plane_bytes < line_bytes) {
        return JL_TOO_SMALL;
    }
    bands->showing.areas = 1;
    jl_status status = JL_OK;
    jl_show_next(panel, &bands->showing, NULL, &status);
    if (status != JL_OK) {
        return status;
    }
    jl_frame_describe(&bands->frame, format);
    jl_frame_aim(&bands->frame, panel->width, panel->height);
    bands->frame.target.bounds = (struct jl_rect){area.x, area.y, area.w, 0}; /* no band yet */
    bands->frame.pixels = memory;
    bands->frame.stride_bytes = (uint16_t)line_bytes;
    bands->frame.plane_bytes = (uint32_t)plane_bytes;
    bands->area = area;
    bands->memory_bytes = plane_bytes;
    bands->is_whole = area.w == panel->width && area.h == panel->height;
    bands->turn = panel->turn;
    panel->streaming = NULL; /* a picture of its own, even when `bands` is where another was */
    return JL_OK;
}

/* The panel is ready for pixels, or the run has failed. */
static bool may_begin(struct jl_bands *bands, struct jl_panel *panel, const void *memory) {
    *bands = (struct jl_bands){.panel = panel, .status = JL_BAD_ARGUMENT};
    if (memory) {
        bands->status = jl_panel_ready(panel);
    }
    return bands->status == JL_OK;
}

jl_status jl_bands_begin(struct jl_bands *bands, struct jl_panel *panel, void *memory,
                         size_t memory_bytes) {
    if (!bands) {
        return JL_BAD_ARGUMENT;
    }
    if (may_begin(bands, panel, memory)) {
        struct jl_rect all = {0, 0, panel->width, panel->height};
        bands->status = begin(bands, all, memory, memory_bytes);
    }
    return bands->status;
}

jl_status jl_bands_begin_area(struct jl_bands *bands, struct jl_panel *panel, struct jl_rect area,
                              void *memory, size_t memory_bytes) {
    if (!bands) {
        return JL_BAD_ARGUMENT;
    }
    if (may_begin(bands, panel, memory)) {
        bands->status = jl_area_addressable(panel, area) ? begin(bands, area, memory, memory_bytes)
                                                         : JL_OUT_OF_RANGE;
    }
    return bands->status;
}

jl_status jl_bands_go_on(struct jl_bands *bands) {
    struct jl_panel *panel = bands->panel;
    jl_status status = jl_panel_ready(panel);
    if (status == JL_OK && panel->turn != bands->turn) {
        status = JL_TURNED;
    }
    bool planes =
        jl_frame_format(&bands->frame)->planes > 1; /* one behind the other, band for band */
    if (status == JL_OK && (planes || panel->streaming != &bands->flow)) {
        struct jl_rect rest = bands->frame.target.bounds;
        int16_t held = rest.h;
        if (!planes) {
            rest.h = (int16_t)(bands->area.y + bands->area.h - rest.y);
        }
        jl_flow_begin(&bands->flow, rest, held < rest.h); /* the last band needs no order */
    }
    return status;
}

static jl_status send_band(struct jl_bands *bands) {
    struct jl_panel *panel = bands->panel;
    struct jl_rest rest = {.lines = 1};
    jl_status status = jl_bands_go_on(bands);
    if (status != JL_OK) {
        return status;
    }
    while (status == JL_OK && rest.lines) {
        status = jl_flow_next(panel, &bands->flow, &bands->frame, &rest);
        if (status == JL_OK && rest.lines) {
            status = jl_config_of(panel)->bus->lines(panel, &rest);
        }
    }
    return jl_panel_end_call(panel, status);
}

/* E-paper shows the picture now, and may want it once more: then the first band comes again. */
static bool comes_again(struct jl_bands *bands) {
    struct jl_panel *panel = bands->panel;
    if (!jl_config_of(panel)->controller->paper) {
        return false;
    }
    bands->status = jl_panel_ready(panel); /* the last band is out */
    if (bands->status != JL_OK || !jl_show_next(panel, &bands->showing, NULL, &bands->status)) {
        jl_panel_end_call(panel, bands->status);
        return false;
    }
    bands->frame.target.bounds.y = bands->area.y;
    panel->streaming = NULL; /* to another plane */
    return true;
}

bool jl_bands_next(struct jl_bands *bands) {
    struct jl_rect *band = &bands->frame.target.bounds;
    if (bands->status != JL_OK) {
        return false;
    }
    if (band->h > 0) {
        bands->status = bands->send ? bands->send(bands) : send_band(bands);
    }
    /* below the last band */
    int16_t rows_left = (int16_t)(bands->area.y + bands->area.h - band->y - band->h);
    band->y = (int16_t)(band->y + band->h);
    band->h = 0;
    if (bands->status != JL_OK) {
        return false;
    }
    if (rows_left == 0) {
        if (!comes_again(bands)) {
            return false;
        }
        rows_left = bands->area.h;
    }
    unsigned shift = jl_frame_format(&bands->frame)->line_rows_log2;
    size_t used = 0;
    int16_t rows = 0;
    while (used + bands->frame.stride_bytes <= bands->memory_bytes && rows < rows_left) {
        used += bands->frame.stride_bytes;
        rows = (int16_t)(rows + (1 << shift));
    }
    band->h = rows < rows_left ? rows : rows_left;
    bands->frame.target.clip = *band;
    for (uint8_t plane = 0; plane < jl_frame_format(&bands->frame)->planes; plane++) {
        memset(bands->frame.pixels + plane * bands->memory_bytes,
               jl_frame_format(&bands->frame)->clear[plane], used);
    }
    return true;
}

jl_status jl_bands_end(struct jl_bands *bands) {
    /* Whatever the panel held as its last frame is gone: the next present sends everything. */
    struct jl_panel *panel = bands->panel;
    if (panel) {
        /* E-paper's old plane may still be known; the name of no frame says so. */
        bool known = bands->showing.complete && (panel->shown || bands->is_whole);
        panel->shown = known ? (const void *)panel->epaper : NULL;
        panel->plane = 0;
        panel->update = JL_UPDATE_AUTO;
    }
    if (bands->send && bands->status == JL_OK) {
        bands->frame.target.bounds.h = 0; /* of a run that is given up: its last band is not sent */
        bands->status = bands->send(bands);
    }
    return panel ? jl_panel_note(panel, bands->status) : bands->status;
}
