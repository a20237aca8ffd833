/*
 * Scan-out. A picture is vertical total times horizontal total clocks of the peripheral; clock 0 of
 * line 0 is where both sync pulses begin. Glass that goes by syncs finds its pixels by counting
 * from what it takes for the beginning of a pulse; glass that goes by DE takes what comes while it
 * is active.
 */
#include "jadelamp/sim/scan.h"

#include <stdarg.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

struct scan {
    const struct jl_scan_source *source;
    const struct jl_scan_panel *panel;
    struct jl_scan_sight *sight;
    uint32_t *line; /* data lines at each pixel of the line that is clocked out */
    uint64_t noise;
    int clocks, lines; /* totals of the peripheral */
    double fifo;       /* bytes in it */
    long skipped;      /* pixels that never came */
    long next;         /* pixel of the frame that memory gives next */
};

__attribute__((format(printf, 2, 3))) static void remark(struct jl_scan_sight *sight,
                                                         const char *format, ...) {
    if (sight->remark_count < JL_SCAN_MOST_REMARKS) {
        va_list arguments;
        va_start(arguments, format);
        vsnprintf(sight->remarks[sight->remark_count++].text, sizeof sight->remarks[0].text, format,
                  arguments);
        va_end(arguments);
    }
}

static uint32_t noise(struct scan *scan) {
    scan->noise = scan->noise * 6364136223846793005u + 1442695040888963407u;
    return (uint32_t)(scan->noise >> 40);
}

static int total(int active, const struct jl_scan_porches *porches) {
    return active + porches->sync + porches->back + porches->front;
}

void jl_scan_wire_16(struct jl_scan_panel *panel) {
    static const struct { int first, bits; } colors[] = {{0, 5}, {5, 6}, {11, 5}};
    for (int c = 0; c < 3; c++) {
        for (int bit = 0; bit < 8; bit++) {
            int from_top = (7 - bit) % colors[c].bits;
            panel->wires[c * 8 + bit] = colors[c].first + colors[c].bits - 1 - from_top;
        }
    }
}

void jl_scan_wire_24(struct jl_scan_panel *panel) {
    for (int i = 0; i < JL_SCAN_LINES; i++) {
        panel->wires[i] = i;
    }
}

/* ---- the peripheral ---- */

/* The data lines of a pixel of the frame: blue from line 0 on, then green, then red. */
static uint32_t data_of(const struct jl_scan_source *source, long pixel) {
    long width = source->timing.width;
    const uint8_t *row = source->pixels + (size_t)(pixel / width) * source->stride_bytes;
    long x = pixel % width;
    switch (source->bits_per_pixel) {
    case 8:
        return source->palette[row[x]];
    case 16:
        return (uint32_t)(row[2 * x] | row[2 * x + 1] << 8);
    default:
        return (uint32_t)row[3 * x] << 16 | (uint32_t)row[3 * x + 1] << 8 | row[3 * x + 2];
    }
}

/* Memory fills the FIFO all the time; pixels empty it. An empty one gives the pixel before again,
 * and all that follows comes late by one. */
static void clock_out_line(struct scan *scan) {
    const struct jl_scan_source *source = scan->source;
    const struct jl_scan_timing *t = &source->timing;
    double bytes = source->bits_per_pixel / 8.0;
    double gives = source->memory_bytes_s / t->clock_hz; /* in a clock */
    uint32_t last = 0;
    for (int x = 0; x < t->width; x++) {
        bool enough = true;
        if (source->memory_bytes_s > 0) {
            scan->fifo += gives;
            enough = scan->fifo >= bytes;
            scan->fifo -= enough ? bytes : 0;
            scan->fifo = scan->fifo > source->fifo_bytes ? source->fifo_bytes : scan->fifo;
        }
        if (enough && scan->next < (long)t->width * t->height) {
            last = data_of(source, scan->next++);
        } else {
            scan->skipped += !enough;
        }
        scan->line[x] = last;
    }
    scan->fifo += gives * (scan->clocks - t->width);
    scan->fifo = scan->fifo > source->fifo_bytes ? source->fifo_bytes : scan->fifo;
}

/* ---- the glass ---- */

/* What the inputs see when they look as the data changes: each line is old or new. */
static uint32_t blurred(struct scan *scan, uint32_t before, uint32_t now) {
    uint32_t mix = noise(scan);
    return (before & mix) | (now & ~mix);
}

static void latch(struct scan *scan, int x, int y, uint32_t data) {
    uint8_t *rgb =
        scan->sight->picture.rgb + 3 * ((size_t)y * (size_t)scan->sight->picture.width + (size_t)x);
    for (int c = 0; c < 3; c++) {
        unsigned value = 0;
        for (int bit = 0; bit < 8; bit++) {
            int wire = scan->panel->wires[c * 8 + bit];
            value |= (wire >= 0 ? data >> wire & 1 : 0u) << bit;
        }
        rgb[2 - c] = (uint8_t)value;
    }
}

/* The column of the glass at which a clock of the line arrives; negative: none. */
static int first_clock(const struct scan *scan) {
    const struct jl_scan_timing *host = &scan->source->timing, *glass = &scan->panel->timing;
    if (!scan->panel->by_syncs) {
        return host->line.sync + host->line.back;
    }
    /* A pulse of the other polarity begins where the real one ends. */
    int from = host->hsync_high == glass->hsync_high ? 0 : host->line.sync;
    return from + glass->line.sync + glass->line.back;
}

static int first_line(const struct scan *scan) {
    const struct jl_scan_timing *host = &scan->source->timing, *glass = &scan->panel->timing;
    if (!scan->panel->by_syncs) {
        return host->picture.sync + host->picture.back;
    }
    int from = host->vsync_high == glass->vsync_high ? 0 : host->picture.sync;
    return from + glass->picture.sync + glass->picture.back;
}

/* A line of the peripheral onto the glass; pixels before and behind the active ones are black. */
static void show_line(struct scan *scan, int line) {
    const struct jl_scan_timing *host = &scan->source->timing;
    struct jl_picture *picture = &scan->sight->picture;
    bool wrong_edge = host->falling == scan->panel->timing.falling;
    bool too_fast = scan->panel->most_hz > 0 && host->clock_hz > scan->panel->most_hz;
    int active = host->line.sync + host->line.back, from = first_clock(scan);
    int y = line - first_line(scan);
    y = y < 0 ? y + scan->lines : y;
    for (int x = 0; x < picture->width; x++) {
        int at = from + x - active;
        if (y >= picture->height || (!scan->panel->by_syncs && at >= host->width)) {
            continue;
        }
        uint32_t now = at >= 0 && at < host->width ? scan->line[at] : 0;
        uint32_t before = at > 0 && at <= host->width ? scan->line[at - 1] : 0;
        bool spoiled = wrong_edge || (too_fast && noise(scan) % 8 == 0);
        latch(scan, x, y, spoiled ? blurred(scan, before, now) : now);
    }
}

/* ---- what is said ---- */

static void compare(struct scan *scan, const char *what, const char *unit, int host, int glass,
                    const char *effect) {
    if (host != glass) {
        remark(scan->sight, "%s is %d %s, the glass wants %d: %s by %d", what, host, unit, glass,
               effect, abs(host - glass));
    }
}

static void compare_pulse(struct scan *scan, const char *what, const char *unit, bool host_high,
                          bool glass_high, int length) {
    if (host_high != glass_high) {
        remark(scan->sight, "%s is active %s, the glass wants it %s: shifted by its pulse of %d %s",
               what, host_high ? "high" : "low", glass_high ? "high" : "low", length, unit);
    }
}

static void judge(struct scan *scan) {
    const struct jl_scan_timing *host = &scan->source->timing, *glass = &scan->panel->timing;
    const struct jl_scan_panel *panel = scan->panel;
    struct jl_scan_sight *sight = scan->sight;
    compare(scan, "the width", "pixels", host->width, glass->width, "cut or left free");
    compare(scan, "the height", "lines", host->height, glass->height, "cut or left free");
    if (panel->by_syncs) {
        compare(scan, "sync and back porch of a line", "clocks", host->line.sync + host->line.back,
                glass->line.sync + glass->line.back, "the picture is shifted sideways");
        compare(scan, "sync and back porch of a picture", "lines",
                host->picture.sync + host->picture.back, glass->picture.sync + glass->picture.back,
                "the picture is shifted up or down");
        compare_pulse(scan, "HSYNC", "clocks", host->hsync_high, glass->hsync_high,
                      host->line.sync);
        compare_pulse(scan, "VSYNC", "lines", host->vsync_high, glass->vsync_high,
                      host->picture.sync);
    }
    if (host->falling == glass->falling) {
        remark(sight, "data changes as the glass latches it: set the other clock edge");
    }
    double refresh = host->clock_hz / ((double)scan->clocks * scan->lines);
    if (panel->most_hz > 0 && host->clock_hz > panel->most_hz) {
        remark(sight, "the pixel clock is %.2f MHz, the glass takes %.2f: some pixels are wrong",
               host->clock_hz / 1e6, panel->most_hz / 1e6);
    } else if (host->clock_hz < panel->least_hz || refresh < 50) {
        remark(sight, "the pixel clock is %.2f MHz, %.1f pictures a second: the glass flickers",
               host->clock_hz / 1e6, refresh);
    }
    if (scan->skipped) {
        remark(sight,
               "memory is too slow: %ld pixels were late, and what follows is shifted; "
               "%.1f MB/s are needed while pixels are clocked out, it gives %.1f",
               scan->skipped, host->clock_hz * scan->source->bits_per_pixel / 8e6,
               scan->source->memory_bytes_s / 1e6);
    }
}

/* Glass that waits for what nobody drives shows nothing. */
static bool is_dark(struct scan *scan) {
    const struct jl_scan_panel *panel = scan->panel;
    if (!panel->by_syncs && !scan->source->drives_de) {
        remark(scan->sight, "DE never becomes active, and this glass goes by DE: it stays dark");
        return true;
    }
    if (!panel->by_syncs && scan->source->timing.de_low != panel->timing.de_low) {
        remark(scan->sight,
               "DE is active %s, the glass wants it %s: it takes the porches for "
               "pixels, and shows black",
               scan->source->timing.de_low ? "low" : "high", panel->timing.de_low ? "low" : "high");
        return true;
    }
    if (panel->by_syncs && !scan->source->drives_syncs) {
        remark(scan->sight, "the syncs are idle, and this glass counts from them: it stays dark");
        return true;
    }
    return false;
}

bool jl_scan_picture(const struct jl_scan_source *source, const struct jl_scan_panel *panel,
                     uint64_t noise_seed, struct jl_scan_sight *sight) {
    const struct jl_scan_timing *host = &source->timing;
    struct scan scan = {.source = source, .panel = panel, .sight = sight, .noise = noise_seed};
    memset(sight, 0, sizeof *sight);
    scan.clocks = total(host->width, &host->line);
    scan.lines = total(host->height, &host->picture);
    scan.fifo = source->fifo_bytes;
    scan.line = calloc((size_t)host->width, sizeof *scan.line);
    if (!scan.line ||
        !jl_picture_create(&sight->picture, panel->timing.width, panel->timing.height)) {
        free(scan.line);
        return false;
    }
    sight->dark = is_dark(&scan);
    int active = host->picture.sync + host->picture.back;
    for (int line = 0; line < scan.lines && !sight->dark; line++) {
        if (line >= active && line < active + host->height) {
            clock_out_line(&scan);
            show_line(&scan, line);
        }
    }
    judge(&scan);
    free(scan.line);
    return true;
}
