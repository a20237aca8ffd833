/* The tide table of the demo. */
#include "jadelamp/host/demo.h"

#include <errno.h>
#include <stdio.h>
#include <string.h>

static bool parse_row(const char *line, struct jl_tide_row *row) {
    int hour, minute, used = 0;
    if (sscanf(line, "%2d:%2d,%d%n", &hour, &minute, &row->height_cm, &used) != 3 || hour < 0 ||
        hour > 23 || minute < 0 || minute > 59 || row->height_cm < -99 || row->height_cm > 999) {
        return false;
    }
    row->minute = hour * 60 + minute;
    return line[used + (int)strspn(line + used, " \r\n")] == '\0';
}

static bool read_rows(FILE *stream, const char *path, struct jl_tide_table *table,
                      struct jl_complaint *complaint) {
    char line[80];
    int number = 0;
    table->count = 0;
    while (fgets(line, sizeof line, stream)) {
        number++;
        line[strcspn(line, "\r\n")] = '\0';
        if (number == 1) {
            if (strcmp(line, "time,height_cm") != 0) {
                return jl_complain(complaint, "%s:1: read \"%s\", expected \"time,height_cm\"",
                                   path, line);
            }
            continue;
        }
        if (table->count == JL_DEMO_MOST_ROWS) {
            return jl_complain(complaint, "%s:%d: more than %d rows", path, number,
                               JL_DEMO_MOST_ROWS);
        }
        struct jl_tide_row *row = &table->rows[table->count];
        if (!parse_row(line, row)) {
            return jl_complain(
                complaint,
                "%s:%d: read \"%s\", expected a time and centimetres from -99 to 999, "
                "such as 09:40,184",
                path, number, line);
        }
        if (table->count && row->minute <= row[-1].minute) {
            return jl_complain(complaint, "%s:%d: %s is not later than the row before", path,
                               number, line);
        }
        table->count++;
    }
    return table->count > 0 || jl_complain(complaint, "%s: no rows, expected a tide table", path);
}

bool jl_tide_read(const char *path, struct jl_tide_table *table, struct jl_complaint *complaint) {
    FILE *stream = fopen(path, "r");
    if (!stream) {
        return jl_complain(complaint, "cannot read the tide table %s: %s", path, strerror(errno));
    }
    bool good = read_rows(stream, path, table, complaint);
    fclose(stream);
    return good;
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
