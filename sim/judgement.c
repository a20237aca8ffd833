/*
 * How a glass shows the memory behind it: said where that cannot be what a program wants. Judged
 * when pixels come and the display is on, so that a wake-up sequence has its time.
 */
#include <stdlib.h>
#include <string.h>

#include "device.h"

#define SNOW_IS_SEEN_PS 30000000000u /* 30 ms: about two pictures */

static bool is_behind(struct jl_device *device, int x, int y, struct place *place) {
    return device->machine->behind(device, x, y, place);
}

/* ---- rows and columns ---- */

/* What the part scans one by one: rows of most glass, columns of some. */
static const char *scanned_name(const struct jl_device *device) {
    return device->machine->words->columns ? "column" : "row";
}

static int scanned_count(const struct jl_device *device) {
    return device->machine->words->columns ? device->glass.width : device->glass.height;
}

static bool is_behind_scanned(struct jl_device *device, int at, struct place *place) {
    bool columns = device->machine->words->columns;
    return is_behind(device, columns ? at : 0, columns ? 0 : at, place);
}

/* Rows that no output drives. */
static bool tell_missing_rows(struct jl_device *device) {
    const struct geometry_words *words = device->machine->words;
    int first = -1, last = -1;
    for (int at = 0; at < scanned_count(device); at++) {
        struct place place;
        if (!is_behind_scanned(device, at, &place)) {
            first = first < 0 ? at : first;
            last = at;
        }
    }
    if (first >= 0 && words->rows) {
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_GEOMETRY,
                             "%ss %d to %d of the glass are not driven: %s has to reach its %d "
                             "%ss, and %s to be as it is bonded",
                             scanned_name(device), first, last, words->rows, scanned_count(device),
                             scanned_name(device), words->order ? words->order : words->roll);
    }
    return first >= 0;
}

/* How often the next row of the glass is not the next of the memory, and where that is. */
static int count_jumps(struct jl_device *device, int *at) {
    struct place one, next;
    int jumps = 0;
    is_behind_scanned(device, 0, &one);
    for (int i = 1; i < scanned_count(device); i++, one = next) {
        is_behind_scanned(device, i, &next);
        if (abs(next.line - one.line) != 1) {
            jumps++;
            *at = i;
        }
    }
    return jumps;
}

/* Without a jump, and yet the first rows of the memory are not on the glass: right, if a program
 * writes those rows. */
static void tell_first_rows(struct jl_device *device, int jumps) {
    struct place top, bottom;
    is_behind_scanned(device, 0, &top);
    is_behind_scanned(device, scanned_count(device) - 1, &bottom);
    int first = top.line < bottom.line ? top.line : bottom.line;
    if (jumps == 0 && first > 0 && device->machine->words->roll && !device->judged.once) {
        jl_sim_device_report(device, JL_SEVERITY_NOTE, JL_CODE_GEOMETRY,
                             "the glass shows %ss %d to %d of the memory, and not the first ones "
                             "(%s, multiplex ratio)",
                             scanned_name(device), first, first + scanned_count(device) - 1,
                             device->machine->words->roll);
    }
}

/* Whether a step to the right and one down are mirrored where pixels are addressed. */
static bool is_mirrored(struct jl_device *device, int y) {
    struct place here, right, below;
    if (device->glass.width < 2 || !is_behind(device, 0, y, &here) ||
        !is_behind(device, 1, y, &right) || !is_behind(device, 0, y + 1, &below)) {
        return false;
    }
    return (right.column - here.column) * (below.row - here.row) -
               (right.row - here.row) * (below.column - here.column) <
           0;
}

static void judge_geometry(struct jl_device *device) {
    const struct geometry_words *words = device->machine->words;
    int jump = 0, height = device->glass.height;
    if (height < 3 || tell_missing_rows(device)) {
        return;
    }
    int jumps = count_jumps(device, &jump);
    if (jumps > 4 && words->order) {
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_GEOMETRY,
                             "rows of the memory come out in another order than this glass is "
                             "bonded: %s",
                             words->order);
        return;
    }
    if (jumps == 1 && words->roll && !device->judged.once) {
        jl_sim_device_report(device, JL_SEVERITY_WARNING, JL_CODE_GEOMETRY,
                             "the picture is rolled: its first %s is in %s %d of the glass (%s)",
                             scanned_name(device), scanned_name(device), jump, words->roll);
    }
    tell_first_rows(device, jumps);
    if (!device->means_mirrored && !device->judged.once &&
        is_mirrored(device, !words->columns && jump < height / 2 ? height - 2 : 0)) {
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_GEOMETRY,
                             "the picture is mirrored on this glass: change one of %s",
                             words->mirror);
    }
    if (device->machine->judge_more && !device->judged.once) {
        device->machine->judge_more(device);
    }
}

/* ---- where data go ---- */

/*
 * Columns of the glass that lie in a window, or its rows (with `down`). A step along one side of
 * the glass moves either the column or the row of the memory.
 */
static bool span_of(struct jl_device *device, bool down, const struct window *window, int *first,
                    int *last) {
    int count = down ? device->glass.height : device->glass.width;
    struct place one, next;
    *first = *last = -1;
    if (!is_behind(device, 0, 0, &one) || !is_behind(device, down ? 0 : 1, down ? 1 : 0, &next)) {
        return false;
    }
    bool by_column = one.column != next.column;
    for (int i = 0; i < count; i++) {
        struct place place;
        if (!is_behind(device, down ? 0 : i, down ? i : 0, &place)) {
            continue;
        }
        bool inside =
            by_column ? place.column >= window->first_column && place.column <= window->last_column
                      : place.row >= window->first_row && place.row <= window->last_row;
        *first = inside && *first < 0 ? i : *first;
        *last = inside ? i : *last;
    }
    return *first >= 0;
}

bool jl_device_data_box(struct jl_device *device, struct jl_box *box) {
    struct window window;
    if (!device->machine->window || device->glass.width < 2 || device->glass.height < 2) {
        return false;
    }
    device->machine->window(device, &window);
    return span_of(device, false, &window, &box->left, &box->right) &&
           span_of(device, true, &window, &box->top, &box->bottom);
}

unsigned jl_device_data_depth(const struct jl_device *device) {
    return device->judged.depth;
}

/* ---- what was there at power-on ---- */

static bool is_noise(struct jl_device *device, int x, int y) {
    struct place place;
    return is_behind(device, x, y, &place) &&
           memcmp((const uint8_t *)device->state + place.offset, device->at_power_on + place.offset,
                  place.bytes) == 0;
}

/* Whether a whole column of the glass, or a row, is as it was. A write of the same is no matter:
 * not in all places at once. */
static bool is_noise_all_along(struct jl_device *device, int x, int y) {
    int count = y < 0 ? device->glass.height : device->glass.width;
    for (int i = 0; i < count; i++) {
        if (!is_noise(device, y < 0 ? x : i, y < 0 ? i : y)) {
            return false;
        }
    }
    return true;
}

static bool is_all_noise(struct jl_device *device) {
    for (int y = 0; y < device->glass.height; y++) {
        if (!is_noise_all_along(device, -1, y)) {
            return false;
        }
    }
    return true;
}

static void tell_unwritten(struct jl_device *device, bool columns) {
    int count = columns ? device->glass.width : device->glass.height, first = -1, last = -1;
    for (int i = 0; i < count; i++) {
        if (columns ? is_noise_all_along(device, i, -1) : is_noise_all_along(device, -1, i)) {
            first = first < 0 ? i : first;
            last = i;
        }
    }
    if (first >= 0) {
        jl_sim_device_report(device, JL_SEVERITY_WARNING, JL_CODE_NOISE_SHOWN,
                             "%s %d to %d of the glass show noise: they were never written. Does "
                             "the memory behind the glass begin at another %s?",
                             columns ? "columns" : "rows", first, last, columns ? "column" : "row");
    }
}

/* ---- when ---- */

void jl_sim_judge_power_on(struct jl_device *device) {
    memset(&device->judged, 0, sizeof device->judged);
    if (device->machine->behind) {
        memcpy(device->at_power_on, device->state, device->part->state_bytes);
    }
}

void jl_sim_judge_anew(struct jl_device *device) {
    device->judged.geometry = false;
}

static void judge(struct jl_device *device) {
    struct judged *judged = &device->judged;
    if (!judged->geometry) {
        judge_geometry(device);
        judged->geometry = judged->once = true;
    }
}

void jl_sim_judge_look(struct jl_device *device) {
    struct judged *judged = &device->judged;
    uint64_t pixels = (uint64_t)device->glass.width * (uint64_t)device->glass.height;
    if (judged->on && !judged->edges && judged->bits && judged->bits >= pixels * judged->depth) {
        judged->edges = true;
        tell_unwritten(device, true);
        tell_unwritten(device, false);
    }
}

void jl_sim_judge_setting(struct jl_device *device, bool on) {
    if (on && !device->judged.once) { /* later it is a change, not part of the wake-up */
        jl_sim_device_report(device, JL_SEVERITY_NOTE, JL_CODE_ON_TOO_EARLY,
                             "the display is on before it is set up, and flashes: switch it on at "
                             "the end of the wake-up sequence");
    }
}

void jl_sim_judge_on(struct jl_device *device) {
    struct judged *judged = &device->judged;
    judged->on = true;
    judged->on_since_ps = jl_board_now_ps(device->board);
    judged->snow = !judged->snow_told && is_all_noise(device);
    if (judged->bits && !judged->snow) {
        judge(device);
    }
}

void jl_sim_judge_shown(struct jl_device *device) {
    struct judged *judged = &device->judged;
    if (judged->snow && !judged->snow_told) {
        uint64_t since = jl_board_now_ps(device->board) - judged->on_since_ps;
        judged->snow_told = true;
        if (since >= SNOW_IS_SEEN_PS) {
            jl_sim_device_report(device, JL_SEVERITY_WARNING, JL_CODE_NOISE_SHOWN,
                                 "the display was on for %.0f ms before the first pixel came, and "
                                 "showed the noise of power-on: clear its memory first",
                                 (double)since / 1e9);
        }
    }
    judge(device);
}
