/* Filling areas of the panel piece by piece, through the caller's buffer. */
#include "../core/lone.h"
#include "direct.h"
#include "../core/quotient.h"
#include "panel.h"

struct jl_frame jl_direct_piece(const struct jl_direct *direct, int16_t width, int16_t rows) {
    const struct jl_format *format = jl_format_of(direct->panel);
    struct jl_frame frame = {.pixels = direct->buffer,
                             .stride_bytes = (uint16_t)jl_line_bytes(format, width)};
    jl_frame_describe(&frame, format);
    jl_frame_aim(&frame, width, rows);
    return frame;
}

/* One piece: background where the area does not reach, the operation where it does. */
static jl_status send_piece(struct jl_direct *direct, struct jl_rect piece, struct jl_rect area,
                            jl_piece_fn draw, const void *context) {
    struct jl_frame frame = jl_direct_piece(direct, piece.w, piece.h);
    struct jl_rect part = jl_rect_intersect(piece, area);
    if (part.h < piece.h || part.w < piece.w) {
        jl_ops_of(&frame.target)
            ->fill(&frame.target, frame.target.bounds, jl_ink(&frame.target, direct->background));
    }
    struct jl_rect local = {(int16_t)(part.x - piece.x), (int16_t)(part.y - piece.y), part.w,
                            part.h};
    draw(&frame, local, part.x, part.y, context);
    size_t bytes = (size_t)frame.stride_bytes * (size_t)jl_lines(jl_frame_format(&frame), piece.h);
    return jl_config_of(direct->panel)->bus->send(direct->panel, true, direct->buffer, bytes);
}

bool jl_direct_ready(struct jl_direct *direct) {
    if (direct->status == JL_OK) {
        direct->status = jl_panel_ready(direct->panel);
    }
    if (direct->status == JL_OK && direct->panel->turn != direct->turn) {
        direct->status = JL_TURNED;
    }
    return direct->status == JL_OK;
}

void jl_direct_sent(struct jl_direct *direct, jl_status status) {
    direct->panel->shown = NULL;
    if (status != JL_OK) {
        direct->status = jl_panel_end_call(direct->panel, status);
    }
}

int jl_direct_columns(const struct jl_direct *direct) {
    const struct jl_panel *panel = direct->panel;
    uint32_t unit =
        jl_config_of(panel)->controller->whole_lines ? (uint32_t)panel->width : jl_unit(panel);
    uint32_t unit_bytes = (uint32_t)jl_line_bytes(jl_format_of(panel), (int16_t)unit);
    uint32_t units = jl_quotient((uint32_t)direct->buffer_bytes, unit_bytes);
    if (units * unit > INT16_MAX) {
        units = jl_quotient(INT16_MAX, unit);
    }
    return (int)(units * unit);
}

/* As many whole lines at a time as the buffer holds, or parts of one. */
static jl_status stream_stretch(struct jl_direct *direct, struct jl_rect part, struct jl_rect area,
                                jl_piece_fn draw, const void *context) {
    unsigned shift = jl_format_of(direct->panel)->line_rows_log2;
    int fitting = jl_direct_columns(direct);
    int16_t piece_w = fitting < part.w ? (int16_t)fitting : part.w;
    int lines = (int)jl_lines(jl_format_of(direct->panel), part.h);
    int at_a_time = (int)jl_quotient((uint32_t)fitting, (uint32_t)piece_w);
    lines = at_a_time < lines ? at_a_time : lines;
    int16_t piece_h = (int16_t)(lines << shift);
    jl_status status = JL_OK;
    for (int y = 0; y < part.h && status == JL_OK; y += piece_h) {
        int16_t h = part.h - y < piece_h ? (int16_t)(part.h - y) : piece_h;
        for (int x = 0; x < part.w && status == JL_OK; x += piece_w) {
            int16_t w = part.w - x < piece_w ? (int16_t)(part.w - x) : piece_w;
            struct jl_rect piece = {(int16_t)(part.x + x), (int16_t)(part.y + y), w, h};
            status = send_piece(direct, piece, area, draw, context);
        }
    }
    return status;
}

void jl_direct_stream(struct jl_direct *direct, struct jl_rect area, jl_piece_fn draw,
                      const void *context) {
    if (jl_direct_columns(direct) < 1 || area.w < 1 || !jl_direct_ready(direct)) {
        return;
    }
    struct jl_rect whole = area;
    jl_area_grow(direct->panel, &whole);
    struct jl_stretch stretch = {0};
    jl_status status;
    while ((status = jl_stretch_next(direct->panel, &whole, &stretch)) == JL_OK && stretch.area.h &&
           (status = stream_stretch(direct, stretch.area, area, draw, context)) == JL_OK) {
    }
    jl_direct_sent(direct, status);
}
