/*
 * Paths, row by row. In a row each edge has a crossing, from which on the even-odd
 * parity flips, and a run of outline pixels. The row is walked from event to event,
 * looking at all edges each time: no memory is needed, and each pixel is set once.
 */
#include "path.h"

#include "../core/paint.h"
#include "ellipse.h"
#include "line_row.h"

/* An open path of n points has n - 1 lines, a closed one n. */
static size_t edges(const struct jl_path *path) {
    return path->count && !path->closed ? path->count - 1 : path->count;
}

static struct jl_point edge_end(const struct jl_path *path, size_t edge) {
    return path->points[edge + 1 < path->count ? edge + 1 : 0];
}

/* Where the edge flips the parity of the row, or INT32_MAX where it does not. */
static int32_t crossing(struct jl_point a, struct jl_point b, int32_t y) {
    if (a.y > b.y) {
        struct jl_point other = a;
        a = b;
        b = other;
    }
    /* Half open, so that a corner counts for one of its two edges. */
    if (y < a.y || y >= b.y) {
        return INT32_MAX;
    }
    int64_t dy = (int64_t)b.y - a.y;
    /* The first column at or right of the exact crossing. */
    return (int32_t)(a.x - jl_floor_divide(-(int64_t)(y - a.y) * ((int32_t)b.x - a.x), dy));
}

/* Whether column x of row y belongs to the path, and the next column where that may change. */
static bool look(const struct jl_path *path, int32_t x, int32_t y, int32_t *next) {
    bool inside = false, outline = false;
    *next = INT32_MAX;
    for (size_t i = 0; i < edges(path); i++) {
        struct jl_point a = path->points[i], b = edge_end(path, i);
        int32_t flip = path->filled ? crossing(a, b, y) : INT32_MAX;
        int32_t first, last;
        if (flip <= x) {
            inside = !inside;
        } else if (flip < *next) {
            *next = flip;
        }
        if (!jl_line_row(a, b, y, &first, &last)) {
            continue;
        }
        outline = outline || (x >= first && x <= last);
        if (first > x && first < *next) {
            *next = first;
        }
        if (last >= x && last + 1 < *next) {
            *next = last + 1;
        }
    }
    return inside || outline;
}

void jl_path_rows(struct jl_target *target, const struct jl_path *path, jl_color color) {
    struct jl_rect visible = jl_paint_visible(target);
    int top = INT16_MAX, bottom = INT16_MIN, left = INT16_MAX, right = INT16_MIN;
    struct jl_brush brush = jl_brush_of(target, color);
    for (size_t i = 0; i < path->count; i++) {
        top = path->points[i].y < top ? path->points[i].y : top;
        bottom = path->points[i].y > bottom ? path->points[i].y : bottom;
        left = path->points[i].x < left ? path->points[i].x : left;
        right = path->points[i].x > right ? path->points[i].x : right;
    }
    int32_t last_row = (int32_t)visible.y + visible.h - 1;
    int32_t end = (int32_t)visible.x + visible.w;
    jl_shape_begins(target, (int32_t)right - left, (int32_t)bottom - top);
    for (int32_t y = top > visible.y ? top : visible.y; y <= bottom && y <= last_row; y++) {
        int32_t next;
        for (int32_t x = visible.x; x < end; x = next) {
            bool covered = look(path, x, y, &next);
            if (next > end) {
                next = end;
            }
            if (covered) {
                jl_brush_span(&brush, x, next - 1, y);
            }
        }
    }
    jl_shape_ends(target);
}
