/* Paths: lines from point to point, open or closed. */
#ifndef JADELAMP_SRC_PATH_H
#define JADELAMP_SRC_PATH_H

#include "jadelamp/shapes.h"

struct jl_path {
    const struct jl_point *points;
    size_t count;
    bool closed, filled;
};

/* Row by row: each pixel is set once. */
void jl_path_rows(struct jl_target *target, const struct jl_path *path, jl_color color);

/* Its lines, one by one where setting joints twice does no harm, else by rows. */
void jl_path_stroke(struct jl_target *target, const struct jl_path *path, jl_color color);

#endif
