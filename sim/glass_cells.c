/* Glasses of character cells. */
#include "jadelamp/sim/glass.h"

struct jl_glass jl_glass_cells(int columns, int rows, enum jl_glass_kind kind) {
    return (struct jl_glass){.width = columns * JL_CELL_WIDTH - 1,
                             .height = rows * JL_CELL_HEIGHT - 1,
                             .kind = kind,
                             .light_wired = true,
                             .cell_columns = columns,
                             .cell_rows = rows};
}

bool jl_glass_is_gap(const struct jl_glass *glass, int x, int y) {
    return glass->cell_columns &&
           (x % JL_CELL_WIDTH == JL_CELL_WIDTH - 1 || y % JL_CELL_HEIGHT == JL_CELL_HEIGHT - 1);
}
