/* A frame of another format, converted piece by piece. */
#include "../core/lone.h"
#include "../core/paint.h"
#include "direct.h"
#include "panel.h"
#include "present.h"
#include "show.h"

enum { CHUNK = 16 };

/* From the frame to a piece in the panel's format, some colours at a time. */
static void draw_converted(struct jl_frame *piece, struct jl_rect area, int16_t x, int16_t y,
                           const void *context) {
    const struct jl_frame *frame = context;
    jl_color row[CHUNK];
    for (int16_t dy = 0; dy < area.h; dy++) {
        for (int16_t dx = 0; dx < area.w; dx = (int16_t)(dx + CHUNK)) {
            int16_t count = area.w - dx < CHUNK ? (int16_t)(area.w - dx) : CHUNK;
            jl_ops_of(&frame->target)
                ->get(&frame->target, (int16_t)(x + dx), (int16_t)(y + dy), count, row);
            jl_ops_put(&piece->target, (int16_t)(area.x + dx), (int16_t)(area.y + dy), count, row);
        }
    }
}

static jl_status check(const struct jl_panel *panel, const struct jl_frame *frame,
                       const void *memory, size_t memory_bytes) {
    if (!frame || !memory) {
        return JL_BAD_ARGUMENT;
    }
    if (frame->target.bounds.w != panel->width || frame->target.bounds.h != panel->height) {
        return JL_BAD_FRAME_SIZE;
    }
    if (!jl_ops_of(&frame->target)->get || jl_format_of(panel)->planes > 1) {
        return JL_UNSUPPORTED;
    }
    int16_t unit =
        jl_config_of(panel)->controller->whole_lines ? panel->width : (int16_t)jl_unit(panel);
    return memory_bytes < jl_line_bytes(jl_format_of(panel), unit) ? JL_TOO_SMALL : JL_OK;
}

jl_status jl_panel_present_as(struct jl_panel *panel, struct jl_frame *frame, void *memory,
                              size_t memory_bytes) {
    jl_status status = jl_panel_ready(panel);
    if (status != JL_OK) {
        return status;
    }
    status = check(panel, frame, memory, memory_bytes);
    if (status != JL_OK) {
        return jl_panel_note(panel, status);
    }
    struct jl_direct direct = {.panel = panel,
                               .buffer = memory,
                               .buffer_bytes = memory_bytes,
                               .status = JL_OK,
                               .turn = panel->turn};
    const struct jl_rect *areas;
    uint8_t count = jl_present_areas(panel, frame, &areas);
    struct jl_showing showing = {.areas = count};
    while (direct.status == JL_OK && jl_show_next(panel, &showing, frame, &direct.status)) {
        for (uint8_t i = 0; i < count && direct.status == JL_OK; i++) {
            /* Pages are drawn whole: the rows above and below come from the frame, too. */
            struct jl_rect area = jl_whole_lines(panel, areas[i]);
            jl_area_grow(panel, &area);
            if (area.h > panel->height - area.y) {
                area.h = (int16_t)(panel->height - area.y);
            }
            if (area.w > panel->width - area.x) {
                area.w = (int16_t)(panel->width - area.x);
            }
            jl_direct_stream(&direct, area, draw_converted, frame);
        }
    }
    if (showing.refused) {
        return jl_panel_note(panel, direct.status);
    }
    if (direct.status == JL_OK) {
        jl_present_done(panel, frame);
    }
    return jl_panel_end_call(panel, direct.status);
}
