/* The tide table of the demo. */
#include "jadelamp/demo/harbour.h"

#include "csv_table.h"

static bool take_row(void *context, const struct table_place *place,
                     char *const fields[TABLE_FIELDS], struct jl_complaint *complaint) {
    struct jl_tide_table *table = context;
    if (table->count == JL_DEMO_MOST_ROWS) {
        return jl_complain(complaint, "%s:%d: more than %d rows", place->path, place->line,
                           JL_DEMO_MOST_ROWS);
    }
    struct jl_tide_row *row = &table->rows[table->count];
    long cm;
    bool below = fields[1][0] == '-';
    if (!table_minute(fields[0], &row->minute) || !table_number(fields[1] + below, 0, 999, &cm) ||
        (below && cm > 99)) {
        return jl_complain(complaint,
                           "%s:%d: read \"%s\", expected a time and centimetres from -99 to 999, "
                           "such as 09:40,184",
                           place->path, place->line, place->text);
    }
    row->height_cm = (int)(below ? -cm : cm);
    if (table->count && row->minute <= row[-1].minute) {
        return jl_complain(complaint, "%s:%d: %s is not later than the row before", place->path,
                           place->line, place->text);
    }
    table->count++;
    return true;
}

bool jl_tide_read(const char *path, struct jl_tide_table *table, struct jl_complaint *complaint) {
    table->count = 0;
    return table_read(path, "time,height_cm", take_row, table, complaint);
}

int jl_tide_next_high(const struct jl_tide_table *table, int after) {
    for (int i = after > 0 ? after : 1; i + 1 < table->count; i++) {
        int here = table->rows[i].height_cm;
        if (here > table->rows[i - 1].height_cm && here >= table->rows[i + 1].height_cm) {
            return i;
        }
    }
    return -1;
}
