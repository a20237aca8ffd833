/*
 * The panel as a target. An operation is drawn piece by piece into the caller's buffer, by the
 * format's own code, and each piece goes on where the last one ended.
 */
#include "../core/lone.h"
#include "direct.h"
#include "panel.h"

static void draw_fill(struct jl_frame *piece, struct jl_rect area, int16_t x, int16_t y,
                      const void *context) {
    (void)x;
    (void)y;
    jl_ops_of(&piece->target)
        ->fill(&piece->target, area, jl_ink(&piece->target, *(const jl_color *)context));
}

/* One pixel, sent over and over: as fast as the wire where pixels are whole bytes. */
static void fill_solid(struct jl_direct *direct, struct jl_rect area, jl_color color) {
    struct jl_panel *panel = direct->panel;
    struct jl_frame pixel = jl_direct_piece(direct, 1, 1);
    struct jl_stretch stretch = {0};
    jl_status status;
    jl_ops_of(&pixel.target)
        ->fill(&pixel.target, pixel.target.bounds, jl_ink(&pixel.target, color));
    while ((status = jl_stretch_next(panel, &area, &stretch)) == JL_OK && stretch.area.h &&
           (status = jl_config_of(panel)->bus->fill(
                panel, direct->buffer,
                (uint32_t)stretch.area.w * (uint32_t)stretch.area.h * pixel.stride_bytes)) ==
               JL_OK) {
    }
    jl_direct_sent(direct, status);
}

static void fill(struct jl_target *target, struct jl_rect area, jl_color color) {
    struct jl_direct *direct = (struct jl_direct *)target;
    if (jl_format_of(direct->panel)->bits_per_pixel < 8) {
        jl_direct_stream(direct, area, draw_fill, &color);
    } else if (jl_direct_ready(direct)) {
        fill_solid(direct, area, color);
    }
}

static void draw_stencil(struct jl_frame *piece, struct jl_rect area, int16_t x, int16_t y,
                         const void *context) {
    struct jl_stencil s = *(const struct jl_stencil *)context;
    s.map_x = (int16_t)(s.map_x + x - s.area.x);
    s.map_y = (int16_t)(s.map_y + y - s.area.y);
    s.area = area;
    jl_ops_of(&piece->target)->stencil(&piece->target, &s);
}

/* With a transparent side only runs of the other one are sent, row by row. */
static void stencil_runs(struct jl_target *target, const struct jl_stencil *s) {
    bool wanted = s->paper == JL_CLEAR;
    jl_color color = wanted ? s->ink : s->paper;
    for (int y = 0; y < s->area.h; y++) {
        int run = 0;
        for (int x = 0; x <= s->area.w; x++) {
            bool set = x < s->area.w &&
                       (s->map->order->column(s->map, s->map_x + x, s->map_y + y) & 1) == wanted;
            if (set) {
                continue;
            }
            if (run < x) {
                struct jl_rect r = {(int16_t)(s->area.x + run), (int16_t)(s->area.y + y),
                                    (int16_t)(x - run), 1};
                fill(target, r, color);
            }
            run = x + 1;
        }
    }
}

static void stencil(struct jl_target *target, const struct jl_stencil *wanted) {
    struct jl_direct *direct = (struct jl_direct *)target;
    struct jl_stencil s = *wanted;
    bool clear = s.ink == JL_CLEAR || s.paper == JL_CLEAR;
    if (s.ink == JL_CLEAR && s.paper == JL_CLEAR) {
        return;
    }
    if (clear && !jl_direct_shares_bytes(direct)) {
        stencil_runs(target, &s);
        return;
    }
    s.ink = s.ink == JL_CLEAR ? direct->background : s.ink;
    s.paper = s.paper == JL_CLEAR ? direct->background : s.paper;
    jl_direct_stream(direct, s.area, draw_stencil, &s);
}

struct placed_row {
    const jl_color *row;
    int16_t x;
};

static void draw_row(struct jl_frame *piece, struct jl_rect area, int16_t x, int16_t y,
                     const void *context) {
    const struct placed_row *run = context;
    (void)y;
    jl_ops_put(&piece->target, area.x, area.y, area.w, run->row + (x - run->x));
}

/* Runs without JL_CLEAR, each one window. */
static void put(struct jl_target *target, int16_t x, int16_t y, int16_t count,
                const jl_color *row) {
    for (int16_t start = 0, end; start < count; start = end) {
        bool clear = row[start] == JL_CLEAR;
        for (end = start; end < count && (row[end] == JL_CLEAR) == clear; end++) {
        }
        if (!clear) {
            struct jl_rect run = {(int16_t)(x + start), y, (int16_t)(end - start), 1};
            struct placed_row placed = {row + start, run.x};
            jl_direct_stream((struct jl_direct *)target, run, draw_row, &placed);
        }
    }
}

#define DIRECT_OPS .fill = fill, .stencil = stencil, .put = put, .shade = jl_direct_shade

static const struct jl_target_ops direct_ops = {DIRECT_OPS};
static const struct jl_target_ops direct_ops_with_shades = {DIRECT_OPS, .shades = JL_SHADES_SHOWN};

jl_status jl_direct_init(struct jl_direct *direct, struct jl_panel *panel, void *buffer,
                         size_t buffer_bytes) {
    if (!direct || !buffer) {
        return JL_BAD_ARGUMENT;
    }
    jl_status status = jl_panel_ready(panel);
    *direct = (struct jl_direct){.panel = panel,
                                 .buffer = buffer,
                                 .buffer_bytes = buffer_bytes,
                                 .background = JL_BLACK,
                                 .status = status};
    if (status != JL_OK) {
        return status;
    }
    const struct jl_format *format = jl_format_of(panel);
    if (format->planes > 1 || jl_config_of(panel)->controller->column_unit > 1) {
        direct->status = JL_UNSUPPORTED;
    } else if (buffer_bytes < jl_line_bytes(format, 1)) {
        direct->status = JL_TOO_SMALL;
    }
    direct->turn = panel->turn;
    jl_target_init(&direct->target, format->ops.shades ? &direct_ops_with_shades : &direct_ops,
                   panel->width, panel->height);
    return direct->status;
}
