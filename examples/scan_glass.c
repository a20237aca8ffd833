/*
 * Glass without a memory, 480x272: the frame is scanned out of RAM by a display peripheral. Here
 * the peripheral is emulated, set up four times: right, with a porch too long, with the other clock
 * edge, and with memory that is too slow. Writes scan_glass.png.
 */
#include <stdio.h>
#include <string.h>

#include "jadelamp/draw.h"
#include "jadelamp/host/png.h"
#include "jadelamp/host/sheet.h"
#include "jadelamp/instruments.h"
#include "jadelamp/scanout.h"
#include "jadelamp/sim/scan.h"

enum { WIDTH = 480, HEIGHT = 272, PICTURES = 4 };

/* From the sheet of the glass. Your program has this; the emulated glass has its own, below. */
static const struct jl_scanout_config config = {.width = WIDTH,
                                                .height = HEIGHT,
                                                .clock_hz = 9000000,
                                                .least_hz = 5000000,
                                                .most_hz = 12000000,
                                                .line = {41, 2, 2},
                                                .picture = {10, 2, 2},
                                                .flags = JL_SCANOUT_SYNC,
                                                .data_lines = 24};
static uint16_t pixels[WIDTH * HEIGHT];

static void show(void *context, const void *from) {
    *(const void **)context = from; /* on hardware: the address register of the layer */
}

static bool is_shown(void *context) {
    (void)context;
    return true;
}

static const struct jl_scanout_ops ops = {.show = show, .is_shown = is_shown};

static void draw(struct jl_target *target) {
    static const struct jl_zone zones[] = {
        {60, JL_GRADE_GOOD}, {80, JL_GRADE_WARN}, {100, JL_GRADE_ALARM}};
    static const struct jl_dial_face face = {.box = {20, 40, 200, 200},
                                             .theme = &jl_theme_night,
                                             .scale = {0, 100, zones, 3},
                                             .start = JL_DEGREES(225),
                                             .sweep = JL_SWEEP(270),
                                             .major = 5,
                                             .minor = 4,
                                             .numbers = true,
                                             .label = "inflow"};
    struct jl_dial dial = {.face = &face, .value = 64};
    static const struct jl_text_style style = {
        .font = &jl_font_8x13, .ink = JL_WHITE, .paper = JL_CLEAR};
    jl_clear(target, jl_theme_night.back);
    jl_stroke_rect(target, (struct jl_rect){0, 0, WIDTH, HEIGHT}, JL_WHITE);
    jl_text(target, 20, 14, "Heron Quay, inner basin", &style);
    jl_dial_draw(target, &dial);
    jl_fill_gradient(target, (struct jl_rect){250, 50, 210, 50}, JL_AXIS_X, JL_BLACK, JL_RED, NULL);
    jl_fill_gradient(target, (struct jl_rect){250, 110, 210, 50}, JL_AXIS_X, JL_BLACK, JL_LIME,
                     NULL);
    jl_fill_gradient(target, (struct jl_rect){250, 170, 210, 50}, JL_AXIS_X, JL_BLACK, JL_BLUE,
                     NULL);
}

/* The peripheral as the config says, and the glass as its own sheet says. */
static bool scan(const void *from, int mistake, struct jl_scan_sight *sight) {
    const struct jl_scan_timing sheet = {
        .width = 480, .height = 272, .clock_hz = 9e6, .line = {41, 2, 2}, .picture = {10, 2, 2}};
    struct jl_scan_panel panel = {
        .timing = sheet, .by_syncs = true, .least_hz = 5e6, .most_hz = 12e6};
    struct jl_scan_source source = {
        .timing = {.width = config.width,
                   .height = config.height,
                   .clock_hz = config.clock_hz,
                   .line = {config.line.sync, config.line.back, config.line.front},
                   .picture = {config.picture.sync, config.picture.back, config.picture.front},
                   .falling = true},
        .drives_syncs = true,
        .pixels = from,
        .stride_bytes = 2 * WIDTH,
        .bits_per_pixel = 16,
        .fifo_bytes = 256};
    jl_scan_wire_16(&panel);
    source.timing.line.back += mistake == 1 ? 43 : 0;
    source.timing.falling = mistake != 2;
    source.memory_bytes_s = mistake == 3 ? 15.6e6 : 0; /* 15.7 are needed in the mean */
    return jl_scan_picture(&source, &panel, 1, sight);
}

int main(int argc, char **argv) {
    static const char *const captions[PICTURES] = {"right", "a back porch of 45 instead of 2",
                                                   "the other clock edge", "memory too slow"};
    const void *scanned = NULL;
    struct jl_scanout glass;
    struct jl_scanout_sums sums;
    struct jl_picture pictures[PICTURES], sheet = {0};
    char path[1024];
    struct jl_complaint complaint = {""};
    jl_status status = jl_scanout_open(&glass, &config, &ops, &scanned, &jl_rgb565_cpu, pixels,
                                       NULL, sizeof pixels);
    if (status != JL_OK || jl_scanout_sums(&config, 16, &sums) != JL_OK) {
        fprintf(stderr, "scan_glass: %s\n", jl_status_text(status));
        return 1;
    }
    printf("%u x %u clocks, %.1f pictures a second, %.1f MB/s in the mean, %.1f at the peak\n",
           sums.line_clocks, sums.picture_lines, sums.refresh_mhz / 1e3, sums.mean_bytes_s / 1e6,
           sums.peak_bytes_s / 1e6);
    draw(&glass.frame.target);
    jl_scanout_present(&glass);
    for (int i = 0; i < PICTURES; i++) {
        struct jl_scan_sight sight;
        if (!scan(scanned, i, &sight)) {
            return 1;
        }
        pictures[i] = sight.picture;
        printf("%s: %s\n", captions[i], sight.remark_count ? sight.remarks[0].text : "no remark");
    }
    snprintf(path, sizeof path, "%s/scan_glass.png", argc > 1 ? argv[1] : ".");
    bool good = jl_sheet_create(&sheet, pictures, captions, PICTURES, 2) &&
                jl_png_write(path, &sheet, &complaint);
    printf("%s: %s\n", path, good ? "written" : complaint.text);
    for (int i = 0; i < PICTURES; i++) {
        jl_picture_free(&pictures[i]);
    }
    jl_picture_free(&sheet);
    return good ? 0 : 1;
}
