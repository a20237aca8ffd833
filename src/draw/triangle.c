/*
 * Filled triangles. A row of one is a single run: from the leftmost pixel that any of its three
 * lines has there to the rightmost one, since what is inside lies between lines. So the lines are
 * stepped from row to row, in 32 bits and without a division.
 */
#include "../core/paint.h"
#include "../core/quotient.h"

#include "ellipse.h"
#include "jadelamp/shapes.h"

/*
 * A line as jl_line_row() has it, from its upper end down. Steep ones have one column a row: that
 * of floor(exact + 1/2). Flat ones have the steps k along x whose row is floor(exact + 1/2); they
 * begin at ceil((2 r - 1) reach / (2 dy)).
 */
struct edge {
    int32_t y, end_y;    /* the row that it stands at, and its last one */
    int32_t x, from, to; /* of its upper end; columns of the row, away from there */
    int32_t next, rest;  /* of flat ones where the next row begins; what is left of a step */
    int32_t whole, part, all;
    bool leftwards, flat;
};

static struct edge edge_of(struct jl_point a, struct jl_point b) {
    if (a.y > b.y) {
        struct jl_point other = a;
        a = b;
        b = other;
    }
    int32_t dx = (int32_t)b.x - a.x, dy = (int32_t)b.y - a.y, reach = dx < 0 ? -dx : dx;
    struct edge e = {
        .y = a.y, .end_y = b.y, .x = a.x, .all = 2 * dy, .leftwards = dx < 0, .flat = reach >= dy};
    if (dy == 0) {
        e.to = reach;
    } else if (e.flat) {
        e.whole = (int32_t)jl_quotient((uint32_t)reach, (uint32_t)dy);
        e.part = 2 * (reach - e.whole * dy);
        e.next = (int32_t)jl_quotient((uint32_t)(reach + e.all - 1), (uint32_t)e.all);
        e.rest = e.next * e.all - reach;
        e.to = e.next - 1;
    } else {
        e.part = 2 * reach;
        e.rest = dy;
    }
    return e;
}

static void step(struct edge *e) {
    e->y++;
    if (e->flat) {
        e->from = e->next;
        e->next += e->whole;
        e->rest -= e->part;
        if (e->rest < 0) {
            e->rest += e->all;
            e->next++;
        }
        e->to = e->next - 1;
        return;
    }
    /* Of columns to the left, halves go to the right. */
    e->rest += e->leftwards ? -e->part : e->part;
    if (e->rest >= e->all || e->rest < 0) {
        e->rest += e->leftwards ? e->all : -e->all;
        e->from++;
        e->to = e->from;
    }
}

/* Widens a run by what the line has in its row. The last row of a flat line ends where it does. */
static void widen(const struct edge *e, int32_t reach, int32_t *left, int32_t *right) {
    int32_t to = e->to < reach ? e->to : reach;
    int32_t first = e->leftwards ? e->x - to : e->x + e->from;
    int32_t last = e->leftwards ? e->x - e->from : e->x + to;
    *left = first < *left ? first : *left;
    *right = last > *right ? last : *right;
}

static int32_t widest(const int32_t *reaches) {
    int32_t most = 0;
    for (int i = 0; i < 3; i++) {
        int32_t reach = reaches[i] < 0 ? -reaches[i] : reaches[i];
        most = reach > most ? reach : most;
    }
    return most;
}

void jl_fill_triangle(struct jl_target *target, struct jl_point a, struct jl_point b,
                      struct jl_point c, jl_color color) {
    struct edge edges[3] = {edge_of(a, b), edge_of(b, c), edge_of(c, a)};
    const int32_t reaches[3] = {b.x - (int32_t)a.x, c.x - (int32_t)b.x, a.x - (int32_t)c.x};
    struct jl_brush brush = jl_brush_of(target, color);
    struct jl_rect visible = jl_paint_visible(target);
    int32_t top = visible.y, bottom = top + visible.h - 1, first = INT32_MAX, last = INT32_MIN;
    for (int i = 0; i < 3; i++) {
        first = edges[i].y < first ? edges[i].y : first;
        last = edges[i].end_y > last ? edges[i].end_y : last;
    }
    jl_shape_begins(target, widest(reaches), last - first);
    last = last < bottom ? last : bottom;
    for (int32_t y = first > top ? first : top; y <= last; y++) {
        int32_t left = INT32_MAX, right = INT32_MIN;
        for (int i = 0; i < 3; i++) {
            struct edge *e = &edges[i];
            while (e->y < y && e->y < e->end_y) {
                step(e);
            }
            if (e->y == y) {
                widen(e, reaches[i] < 0 ? -reaches[i] : reaches[i], &left, &right);
            }
        }
        jl_brush_span(&brush, left, right, y);
    }
    jl_shape_ends(target);
}
