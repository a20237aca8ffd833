/*
 * Glass that is scanned out. By syncs it finds its pixels by counting from what it takes for the
 * beginning of a pulse; by DE it takes what comes while that is active, and a line without is the
 * end of a picture. A row that is not latched again fades.
 */
#include "scanned_glass.h"

#include <stdlib.h>
#include <string.h>

/* A row keeps its charge for that long, and is half gone after as long again: a guess by eye. */
#define KEEPS_PS 20000000000u

static struct scanned *state_of(struct jl_device *device) {
    return device->state;
}

static struct scanned_wires *wires_of(struct jl_device *device) {
    return device->fixed;
}

bool jl_sim_scanned_fits(const struct jl_emulated_part *part, const struct jl_glass *glass) {
    (void)part;
    return glass->width <= SCANNED_MOST_WIDTH && glass->height <= SCANNED_MOST_HEIGHT;
}

void jl_sim_scanned_power_on(struct jl_device *device) {
    struct scanned *state = state_of(device);
    state->line = -1;
    device->rgb_anew = true;
    state->noise = (uint32_t)device->noise_seed | 1;
}

bool jl_sim_scanned_tell(struct jl_device *device, enum scanned_mistake mistake) {
    struct scanned_wires *wires = wires_of(device);
    bool first = !(wires->told >> mistake & 1);
    wires->told |= 1u << mistake;
    return first;
}

/* ---- wires ---- */

static const char *const color_names[] = {"blue", "green", "red"};
static const char color_letters[] = "BGR";

/* The colour of a data line, and its number in it. */
static int color_of_line(int data_lines, int line, int *bit) {
    for (int c = 2; c > 0; c--) {
        int first;
        jl_sim_rgb_color_lines(data_lines, c, &first);
        if (line >= first) {
            *bit = line - first;
            return c;
        }
    }
    *bit = line;
    return 0;
}

/* Whether an input is on the line that a rule gives it; those that the rule leaves out do not
 * matter. */
static bool all_on(const struct jl_rgb_panel *panel, int color, int from, int count, int first,
                   int step) {
    for (int i = 0; i < count; i++) {
        if (panel->wires[color][from + i] != first + i * step) {
            return false;
        }
    }
    return true;
}

/* Tells the first thing that is wrong with a colour's wires, by what it looks like. */
static void judge_wires(struct jl_device *device, int color, int data_lines) {
    const struct jl_rgb_panel *panel = &wires_of(device)->panel;
    int first, count = jl_sim_rgb_color_lines(data_lines, color, &first);
    int bits = panel->bits[color], used = count < bits ? count : bits;
    int other_first, other = 2 - color;
    int other_count = jl_sim_rgb_color_lines(data_lines, other, &other_first);
    const char *name = color_names[color];
    char letter = color_letters[color];
    if (all_on(panel, color, bits - used, used, first + count - used, 1)) {
        return;
    }
    if (all_on(panel, color, bits - used, used, first + used - 1, -1)) {
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_DATA_LINES,
                             "%s is wired in reverse: its lowest data line leads to %c%d, the top "
                             "input; only full and none come out right",
                             name, letter, bits - 1);
    } else if (count < bits && all_on(panel, color, 0, count, first, 1)) {
        jl_sim_device_report(
            device, JL_SEVERITY_ERROR, JL_CODE_DATA_LINES,
            "the %d lines of %s lead to %c0..%c%d: at most 1/%d of its light; lead "
            "them to %c%d..%c%d, the top ones",
            count, name, letter, letter, count - 1, 1 << (bits - count), letter, bits - count,
            letter, bits - 1);
    } else if (other != color && used <= other_count &&
               all_on(panel, color, bits - used, used, other_first + other_count - used, 1)) {
        if (color == 0) { /* one sentence for both */
            jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_DATA_LINES,
                                 "red and blue are exchanged: the data lines of one lead to the "
                                 "inputs of the other");
        }
    } else {
        for (int i = bits - 1; i >= bits - used; i--) {
            int wanted = first + count - (bits - i), got = panel->wires[color][i], bit;
            if (got == JL_RGB_GROUND) {
                jl_sim_device_report(
                    device, JL_SEVERITY_ERROR, JL_CODE_DATA_LINES,
                    "input %c%d of the glass leads to ground, not to data line D%d", letter, i,
                    wanted);
                return;
            }
            if (got != wanted) {
                int other_color = color_of_line(data_lines, got, &bit);
                jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_DATA_LINES,
                                     "input %c%d of the glass is on data line D%d, which is bit %d "
                                     "of %s, not on D%d",
                                     letter, i, got, bit, color_names[other_color], wanted);
                return;
            }
        }
    }
}

/* The light of a colour when its data lines have such levels: of fewer than eight inputs the top
 * ones come again, so that full is full. */
static uint32_t light_of(const struct jl_rgb_panel *panel, int color, uint32_t data) {
    int bits = panel->bits[color];
    uint32_t light = 0;
    for (int place = 7, input = bits - 1; place >= 0 && bits > 0; place--, input--) {
        input = input < 0 ? bits - 1 : input;
        int wire = panel->wires[color][input];
        light |= (wire >= 0 ? data >> wire & 1 : 0u) << place;
    }
    return light;
}

/* A colour is the sum of what each data line adds, so bytes of data lines have tables; the top
 * bits that are repeated are bits of the same lines, which do not carry. */
static void make_tables(struct scanned_wires *wires) {
    for (int byte = 0; byte < 3; byte++) {
        for (uint32_t value = 0; value < 256; value++) {
            uint32_t data = value << (8 * byte), rgb = 0;
            for (int c = 0; c < 3; c++) {
                rgb |= light_of(&wires->panel, c, data) << (8 * c);
            }
            wires->colors[byte][value] = rgb;
        }
    }
}

void jl_sim_scanned_attach(struct jl_device *device, const struct jl_rgb_panel *panel,
                           int data_lines) {
    struct scanned_wires *wires = wires_of(device);
    wires->panel = *panel;
    wires->attached = true;
    make_tables(wires);
    for (int c = 0; c < 3; c++) {
        judge_wires(device, c, data_lines);
    }
}

/* ---- latching ---- */

/* xorshift: Marsaglia, 2003. */
static uint32_t noise(struct scanned *state) {
    uint32_t n = state->noise;
    n ^= n << 13;
    n ^= n >> 17;
    n ^= n << 5;
    return state->noise = n;
}

static void latch(const struct scanned_wires *wires, uint8_t *rgb, uint32_t data) {
    uint32_t color = wires->colors[0][data & 255] | wires->colors[1][data >> 8 & 255] |
                     wires->colors[2][data >> 16 & 255];
    rgb[0] = (uint8_t)(color >> 16);
    rgb[1] = (uint8_t)(color >> 8);
    rgb[2] = (uint8_t)color;
}

/* A clock that looks as the data changes sees old and new lines; one that is too fast, now and
 * then. */
static uint32_t spoiled(struct scanned *state, const struct rgb_line *line, int at) {
    uint32_t now = at >= 0 && at < line->pixels ? line->data[at] : 0;
    uint32_t before = at > 0 && at <= line->pixels ? line->data[at - 1] : 0;
    uint32_t mix = noise(state);
    return (before & mix) | (now & ~mix);
}

/* Row y, whose first pixel the glass takes at a clock of the line. */
static void latch_row(struct jl_device *device, const struct rgb_line *line, int y, int from) {
    struct scanned *state = state_of(device);
    int width = device->glass.width;
    uint8_t *rgb = state->rgb + 3 * (size_t)y * (size_t)width;
    const struct scanned_wires *wires = wires_of(device);
    bool edge = line->falling == wires->panel.timing.falling;
    bool fast = wires->panel.most_hz > 0 && line->clock_hz > wires->panel.most_hz;
    int offset = from - line->first;
    state->row_ps[y] = jl_board_now_ps(device->board);
    if (line->same) {
        return;
    }
    for (int x = 0; x < width; x++, rgb += 3) {
        int at = offset + x;
        if (edge || (fast && (noise(state) & 7) == 0)) {
            latch(wires, rgb, spoiled(state, line, at));
        } else {
            latch(wires, rgb, at >= 0 && at < line->pixels ? line->data[at] : 0);
        }
    }
}

/* ---- what is said, with what it looks like ---- */

static void judge_levels(struct jl_device *device, const struct rgb_line *line) {
    const struct jl_rgb_panel *panel = &wires_of(device)->panel;
    if (line->falling == panel->timing.falling && jl_sim_scanned_tell(device, SCANNED_EDGE)) {
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_CLOCK_EDGE,
                             "data changes with the clock edge at which the glass latches it: set "
                             "the other edge");
    }
    if (panel->most_hz > 0 && line->clock_hz > panel->most_hz &&
        jl_sim_scanned_tell(device, SCANNED_FAST)) {
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_CLOCK_TOO_FAST,
                             "the pixel clock is %.2f MHz, the glass takes %.2f: some pixels are "
                             "wrong",
                             line->clock_hz / 1e6, panel->most_hz / 1e6);
    }
    if (!panel->by_syncs || !line->hsync_driven) {
        return;
    }
    if (line->hsync_high != panel->timing.hsync_high &&
        jl_sim_scanned_tell(device, SCANNED_HSYNC)) {
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_SYNC_LEVEL,
                             "HSYNC is active %s, the glass wants it %s: the picture is shifted by "
                             "the pulse of %d clocks",
                             line->hsync_high ? "high" : "low", line->hsync_high ? "low" : "high",
                             line->hsync_clocks);
    }
}

/* From the beginning of a pulse, as it comes, to the first pixel. */
static void judge_row(struct jl_device *device, const struct rgb_line *line) {
    const struct jl_rgb_panel *panel = &wires_of(device)->panel;
    const struct jl_rgb_timing *t = &panel->timing;
    int wanted = t->line.sync + t->line.back;
    if (line->pixels != t->width && jl_sim_scanned_tell(device, SCANNED_WIDTH)) {
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_TIMING,
                             "a line has %d pixels, the glass %d: cut, or left free", line->pixels,
                             t->width);
    }
    if (panel->by_syncs && line->first != wanted &&
        jl_sim_scanned_tell(device, SCANNED_LINE_SHIFT)) {
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_TIMING,
                             "sync and back porch of a line are %d clocks, the glass wants %d: the "
                             "picture is shifted by %d to the %s",
                             line->first, wanted, abs(line->first - wanted),
                             line->first > wanted ? "right" : "left");
    }
}

/* A picture is over: `rows` of it had pixels, from line `first` after the beginning of VSYNC on. */
static void judge_picture(struct jl_device *device, const struct rgb_line *line, int lines,
                          int first, int rows) {
    const struct jl_rgb_panel *panel = &wires_of(device)->panel;
    const struct jl_rgb_timing *t = &panel->timing;
    int wanted = t->picture.sync + t->picture.back;
    double refresh = line->clock_hz / ((double)line->clocks * lines);
    if (rows != t->height && jl_sim_scanned_tell(device, SCANNED_HEIGHT)) {
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_TIMING,
                             "a picture has %d lines, the glass %d: cut, or left free", rows,
                             t->height);
    }
    bool other_pulse = wires_of(device)->told >> SCANNED_VSYNC & 1; /* counted from elsewhere */
    if (panel->by_syncs && first != wanted && !other_pulse &&
        jl_sim_scanned_tell(device, SCANNED_PICTURE_SHIFT)) {
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_TIMING,
                             "sync and back porch of a picture are %d lines, the glass wants %d: "
                             "the picture is shifted by %d %s",
                             first, wanted, abs(first - wanted), first > wanted ? "down" : "up");
    }
    bool slow = line->clock_hz < panel->least_hz || refresh < 50;
    if (slow && jl_sim_scanned_tell(device, SCANNED_SLOW)) {
        jl_sim_device_report(
            device, JL_SEVERITY_WARNING, JL_CODE_CLOCK_TOO_SLOW,
            "the pixel clock is %.2f MHz, %.1f pictures a second: rows fade before "
            "they are written again, and the glass flickers",
            line->clock_hz / 1e6, refresh);
    }
}

/* Glass that waits for what nobody drives shows nothing. */
static const char *what_is_missing(struct jl_device *device, const struct rgb_line *line) {
    const struct jl_rgb_panel *panel = &wires_of(device)->panel;
    if (panel->by_syncs) {
        return line->hsync_driven && line->vsync_driven
                   ? NULL
                   : "HSYNC and VSYNC are idle, and this glass counts from them";
    }
    if (!line->de_driven) {
        return "DE never becomes active, and this glass goes by it";
    }
    return line->de_high == !panel->timing.de_low
               ? NULL
               : "DE is active at the other level: the glass takes porches for pixels, which are "
                 "black";
}

/* ---- a line ---- */

static void take_by_syncs(struct jl_device *device, const struct rgb_line *line) {
    struct scanned *state = state_of(device);
    const struct jl_rgb_timing *t = &wires_of(device)->panel.timing;
    bool active = line->vsync == t->vsync_high;
    if (active && !state->vsync_active) {
        if (state->line >= 0 && state->lines_before) {
            judge_picture(device, line, state->line + 1, state->first_row, state->lines_before);
        }
        state->line = -1;
        state->lines_before = 0;
    }
    bool begins = active && !state->vsync_active;
    state->vsync_active = active;
    state->line = begins ? 0 : state->line >= 0 || active ? state->line + 1 : -1;
    if (state->line < 0) {
        return;
    }
    if (line->pixels) {
        state->first_row = state->lines_before ? state->first_row : state->line;
        state->lines_before++;
        judge_row(device, line);
    }
    /* A pulse of the other polarity begins where the real one ends. */
    int pulse = line->hsync_high == t->hsync_high ? 0 : line->hsync_clocks;
    int y = state->line - t->picture.sync - t->picture.back;
    if (y >= 0 && y < device->glass.height) {
        latch_row(device, line, y, pulse + t->line.sync + t->line.back);
    }
}

static void take_by_de(struct jl_device *device, const struct rgb_line *line) {
    struct scanned *state = state_of(device);
    if (!line->pixels) {
        state->lines_before++;
        state->is_blank = true;
        return;
    }
    if (state->is_blank) {
        if (state->line >= 0) {
            judge_picture(device, line, state->line + 1 + state->lines_before, 0, state->line + 1);
        }
        state->line = -1;
        state->lines_before = 0;
        state->is_blank = false;
        state->found = true;
    }
    if (!state->found) {
        state->why_dark = "DE has no line of rest between pictures, and this glass finds their "
                          "beginning by it";
    } else if (++state->line < device->glass.height) {
        judge_row(device, line);
        latch_row(device, line, state->line, line->first);
    }
}

/* VSYNC is told apart, since it takes a picture to see it. */
static void judge_vsync(struct jl_device *device, const struct rgb_line *line) {
    const struct jl_rgb_timing *t = &wires_of(device)->panel.timing;
    /* Pixels while it is active: it is so for most of the time. */
    if (wires_of(device)->panel.by_syncs && line->vsync_driven && line->pixels &&
        line->vsync == t->vsync_high && jl_sim_scanned_tell(device, SCANNED_VSYNC)) {
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_SYNC_LEVEL,
                             "VSYNC is active %s, the glass wants it %s: the picture is shifted by "
                             "its pulse",
                             t->vsync_high ? "low" : "high", t->vsync_high ? "high" : "low");
    }
}

void jl_sim_scanned_take_line(struct jl_device *device, const struct rgb_line *line) {
    struct scanned *state = state_of(device);
    if (device->unplugged || !wires_of(device)->attached) {
        return;
    }
    state->running = true;
    state->why_dark = what_is_missing(device, line);
    if (state->why_dark) {
        return;
    }
    judge_levels(device, line);
    judge_vsync(device, line);
    if (wires_of(device)->panel.by_syncs) {
        take_by_syncs(device, line);
    } else {
        take_by_de(device, line);
    }
}

/* ---- what is seen ---- */

void jl_sim_scanned_show(struct jl_device *device, struct jl_picture *picture) {
    const struct scanned *state = state_of(device);
    size_t row_bytes = 3 * (size_t)picture->width;
    for (int y = 0; y < picture->height; y++) {
        const uint8_t *from = state->rgb + (size_t)y * row_bytes;
        uint8_t *to = picture->rgb + (size_t)y * row_bytes;
        uint64_t age = jl_board_now_ps(device->board) - state->row_ps[y];
        if (!state->row_ps[y]) {
            continue; /* black: it never had a charge */
        }
        if (age <= KEEPS_PS) {
            memcpy(to, from, row_bytes);
            continue;
        }
        uint32_t left = (uint32_t)(256 * KEEPS_PS / age);
        for (size_t i = 0; i < row_bytes; i++) {
            to[i] = (uint8_t)(from[i] * left >> 8);
        }
    }
}

uint8_t jl_sim_scanned_brightness(struct jl_device *device) {
    (void)device;
    return UINT8_MAX;
}

const char *jl_sim_scanned_why_dark(struct jl_device *device) {
    const struct scanned *state = state_of(device);
    return !wires_of(device)->attached ? "its pixel lines are not wired"
           : !state->running           ? "nothing is scanned out to it: its clock stands still"
                                       : state->why_dark;
}
