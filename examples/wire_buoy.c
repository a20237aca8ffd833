/* A wire-frame buoy that turns: sines from the library's table, no floating point. */
#include "drawing.h"

enum { SIDE = 128, SPOKES = 8, LEVELS = 4 };

/* Radius and height of the rings, from the mast's top to the keel. */
static const int16_t rings[LEVELS][2] = {{4, -52}, {16, -8}, {44, 10}, {20, 34}};

static struct jl_point project(int level, int spoke, jl_direction turn, jl_direction tilt) {
    jl_direction a = (jl_direction)(turn + spoke * (65536 / SPOKES));
    int32_t x = rings[level][0] * jl_sine(a);
    int32_t z = rings[level][0] * jl_cosine(a);
    int32_t y = rings[level][1] * 16384;
    /* Tilted towards the viewer; products of 1/16384 are brought back by a shift. */
    int32_t seen_y = (y / 128 * (jl_cosine(tilt) / 128)) - (z / 128 * (jl_sine(tilt) / 128));
    return (struct jl_point){(int16_t)(SIDE / 2 + x / 16384),
                             (int16_t)(SIDE / 2 + 6 + seen_y / 16384)};
}

static void draw(struct jl_frame *frame, int step) {
    struct jl_target *t = &frame->target;
    jl_direction turn = (jl_direction)(step * 2048), tilt = JL_DEGREES(20);
    jl_clear(t, JL_BLACK);
    for (int level = 0; level < LEVELS; level++) {
        struct jl_point ring[SPOKES];
        for (int spoke = 0; spoke < SPOKES; spoke++) {
            ring[spoke] = project(level, spoke, turn, tilt);
            if (level) {
                struct jl_point above = project(level - 1, spoke, turn, tilt);
                jl_draw_line(t, above.x, above.y, ring[spoke].x, ring[spoke].y, JL_WHITE);
            }
        }
        jl_stroke_polygon(t, ring, SPOKES, JL_WHITE);
    }
    jl_draw_wide_line(t, (struct jl_point){64, 3}, (struct jl_point){64, 20}, 3, JL_WHITE);
    jl_fill_circle(t, 64, 4, 3, JL_WHITE);
}

const struct drawing drawing = {&jl_mono_columns, SIDE, SIDE, 4, 2, draw};
