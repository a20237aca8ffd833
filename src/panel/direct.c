/*
 * The panel as a target. An operation is drawn piece by piece into the caller's buffer,
 * by the format's own code, and each piece continues the transfer of one window.
 */
#include "jadelamp/direct.h"

#include "../core/paint.h"
#include "direct.h"
#include "panel.h"
#include "window.h"

static struct jl_frame piece_frame(const struct jl_direct *direct, int16_t width, int16_t rows) {
    const struct jl_format *format = direct->panel->format;
    struct jl_frame frame = {.format = format,
                             .pixels = direct->buffer,
                             .stride_bytes = (uint16_t)jl_line_bytes(format, width)};
    jl_target_init(&frame.target, &format->ops, width, rows);
    return frame;
}

/* One piece: background where the area does not reach, the operation where it does. */
static jl_status send_piece(struct jl_direct *direct, struct jl_rect piece, struct jl_rect area,
                            jl_piece_fn draw, const void *context) {
    struct jl_frame frame = piece_frame(direct, piece.w, piece.h);
    struct jl_rect part = jl_rect_intersect(piece, area);
    if (part.h < piece.h) {
        frame.target.ops->fill(&frame.target, frame.target.bounds, direct->background);
    }
    struct jl_rect local = {(int16_t)(part.x - piece.x), (int16_t)(part.y - piece.y), part.w,
                            part.h};
    draw(&frame, local, part.x, part.y, context);
    size_t bytes = (size_t)frame.stride_bytes * jl_lines(frame.format, piece.h);
    return direct->panel->config->bus->send(direct->panel, true, direct->buffer, bytes);
}

/* What is under way ends first; a panel that sleeps takes no pixels, and may be resumed. */
static bool takes_pixels(struct jl_direct *direct) {
    if (direct->status == JL_OK) {
        direct->status = jl_panel_ready(direct->panel);
    }
    return direct->status == JL_OK;
}

void jl_direct_stream(struct jl_direct *direct, struct jl_rect area, jl_piece_fn draw,
                      const void *context) {
    const struct jl_format *format = direct->panel->format;
    unsigned shift = format->line_rows_log2;
    unsigned unit = direct->panel->config->controller->column_unit;
    size_t units = direct->buffer_bytes / jl_line_bytes(format, (int16_t)unit);
    int fitting = (int)((units < INT16_MAX / unit ? units : INT16_MAX / unit) * unit);
    if (fitting < 1 || area.w < 1 || !takes_pixels(direct)) {
        return;
    }
    /* Grown to whole lines of the controller's memory. */
    int first_line = area.y >> shift;
    int end_line = (area.y + area.h + (1 << shift) - 1) >> shift;
    int16_t top = (int16_t)(first_line << shift);
    int16_t lines = (int16_t)(end_line - first_line);
    bool line_windows = direct->panel->config->controller->line_windows;

    /* As many whole lines at a time as the buffer holds, or parts of one. */
    int16_t piece_w = fitting < area.w ? (int16_t)fitting : area.w;
    int16_t piece_lines = line_windows ? 1 : (int16_t)(fitting / piece_w);
    bool open = false;
    jl_status status = JL_OK;
    while (lines > 0 && status == JL_OK) {
        int16_t now = lines < piece_lines ? lines : piece_lines;
        if (!open) {
            int16_t rows = (int16_t)((line_windows ? 1 : lines) << shift);
            status = jl_window_open(direct->panel, (struct jl_rect){area.x, top, area.w, rows});
            open = !line_windows;
        }
        for (int16_t x = 0; x < area.w && status == JL_OK; x = (int16_t)(x + piece_w)) {
            int16_t w = area.w - x < piece_w ? (int16_t)(area.w - x) : piece_w;
            struct jl_rect piece = {(int16_t)(area.x + x), top, w, (int16_t)(now << shift)};
            status = send_piece(direct, piece, area, draw, context);
        }
        top = (int16_t)(top + (now << shift));
        lines = (int16_t)(lines - now);
    }
    direct->status = jl_panel_settle(direct->panel, status);
    /* The RAM no longer holds the last frame: a later present must send all of it. */
    direct->panel->shown = NULL;
}

/* ---- the operations ---- */

static void draw_fill(struct jl_frame *piece, struct jl_rect area, int16_t x, int16_t y,
                      const void *context) {
    (void)x;
    (void)y;
    piece->target.ops->fill(&piece->target, area, *(const jl_color *)context);
}

/* One pixel, sent over and over: as fast as the wire where pixels are whole bytes. */
static void fill_solid(struct jl_direct *direct, struct jl_rect area, jl_color color) {
    struct jl_panel *panel = direct->panel;
    struct jl_frame pixel = piece_frame(direct, 1, 1);
    pixel.target.ops->fill(&pixel.target, pixel.target.bounds, color);
    jl_status status = jl_window_open(panel, area);
    if (status == JL_OK) {
        status = panel->config->bus->fill(panel, direct->buffer,
                                          (uint32_t)area.w * (uint32_t)area.h * pixel.stride_bytes);
    }
    direct->status = jl_panel_settle(panel, status);
    panel->shown = NULL;
}

static void fill(struct jl_target *target, struct jl_rect area, jl_color color) {
    struct jl_direct *direct = (struct jl_direct *)target;
    if (direct->panel->format->bits_per_pixel < 8) {
        jl_direct_stream(direct, area, draw_fill, &color);
    } else if (takes_pixels(direct)) {
        fill_solid(direct, area, color);
    }
}

struct placed_stencil {
    struct jl_rect area;
    const struct jl_bitmap *map;
    int map_x, map_y;
    jl_color ink, paper;
};

static void draw_stencil(struct jl_frame *piece, struct jl_rect area, int16_t x, int16_t y,
                         const void *context) {
    const struct placed_stencil *s = context;
    piece->target.ops->stencil(&piece->target, area, s->map, (int16_t)(s->map_x + x - s->area.x),
                               (int16_t)(s->map_y + y - s->area.y), s->ink, s->paper);
}

/* With a transparent side only runs of the other one are sent, row by row. */
static void stencil_runs(struct jl_target *target, const struct placed_stencil *s) {
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

static void stencil(struct jl_target *target, struct jl_rect area, const struct jl_bitmap *map,
                    int16_t map_x, int16_t map_y, jl_color ink, jl_color paper) {
    struct jl_direct *direct = (struct jl_direct *)target;
    struct placed_stencil s = {area, map, map_x, map_y, ink, paper};
    bool shares_bytes = direct->panel->format->line_rows_log2 > 0;
    if (ink == JL_CLEAR && paper == JL_CLEAR) {
        return;
    }
    if (!shares_bytes && (ink == JL_CLEAR || paper == JL_CLEAR)) {
        stencil_runs(target, &s);
        return;
    }
    s.ink = ink == JL_CLEAR ? direct->background : ink;
    s.paper = paper == JL_CLEAR ? direct->background : paper;
    jl_direct_stream(direct, area, draw_stencil, &s);
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

static const struct jl_target_ops direct_ops = {.fill = fill, .stencil = stencil, .put = put};

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
    const struct jl_format *format = panel->format;
    if (format->planes > 1 || panel->config->controller->column_unit > 1) {
        direct->status = JL_UNSUPPORTED;
    } else if (buffer_bytes < jl_line_bytes(format, 1)) {
        direct->status = JL_TOO_SMALL;
    }
    jl_target_init(&direct->target, &direct_ops, panel->width, panel->height);
    return direct->status;
}
