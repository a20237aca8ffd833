/* Columns of a map, several at a time. */
#ifndef JADELAMP_SRC_MAP_COLUMNS_H
#define JADELAMP_SRC_MAP_COLUMNS_H

#include "jadelamp/draw.h"

/* Rows y .. y+7 of columns x .. x+count-1, each as its order's column() gives it. */
void jl_map_columns(const struct jl_bitmap *map, int x, int y, int count, uint8_t *out);

#endif
