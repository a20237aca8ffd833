/* A timeline, drawn with cairo as PNG or SVG. */
#include "jadelamp/host/timeline.h"

#include <cairo-svg.h>
#include <cairo.h>
#include <math.h>
#include <stdio.h>
#include <string.h>

#include "jadelamp/host/file.h"
#include "timeline_lanes.h"

enum { LEFT = 104, RIGHT = 96, TOP = 60, LANE = 46, BAR = 28, USUAL_WIDTH = 1280 };
enum { HEIGHT = TOP + LANES * LANE + 56, SHADES = 8 };

static const struct look {
    const char *name;
    double red, green, blue;
} looks[LANES] = {
    [LANE_SELECT] = {"CS", 0.35, 0.42, 0.50},   [LANE_COMMANDS] = {"commands", 0.80, 0.45, 0.10},
    [LANE_DATA] = {"data", 0.05, 0.50, 0.42},   [LANE_GAPS] = {"gaps", 0.62, 0.58, 0.20},
    [LANE_WAITS] = {"waits", 0.60, 0.62, 0.66}, [LANE_FOUND] = {"found wrong", 0.78, 0.10, 0.16},
};

static void set_ink(cairo_t *cairo) {
    cairo_set_source_rgb(cairo, 0.13, 0.15, 0.17);
}

static void put_text(cairo_t *cairo, double x, double y, double size, const char *text) {
    cairo_set_font_size(cairo, size);
    cairo_move_to(cairo, x, y);
    cairo_show_text(cairo, text);
}

/* Ends at x. */
static void put_text_before(cairo_t *cairo, double x, double y, double size, const char *text) {
    cairo_text_extents_t extents;
    cairo_set_font_size(cairo, size);
    cairo_text_extents(cairo, text, &extents);
    put_text(cairo, x - extents.x_advance, y, size, text);
}

/* ---- lanes ---- */

static double bar_of(enum lane lane) {
    return TOP + lane * LANE + (LANE - BAR) / 2.0;
}

/* Pixels of one shade are one rectangle; what covers a little of a pixel is still seen. */
static int shade_of(double cover) {
    int shade = (int)ceil(cover * SHADES);
    return shade > SHADES ? SHADES : shade;
}

static void draw_bar(cairo_t *cairo, const struct lanes *lanes, enum lane lane) {
    const double *cover = lanes->cover + (size_t)lane * (size_t)lanes->width;
    const struct look *look = &looks[lane];
    for (int x = 0, end; x < lanes->width; x = end) {
        int shade = shade_of(cover[x]);
        for (end = x + 1; end < lanes->width && shade_of(cover[end]) == shade; end++) {
        }
        if (shade) {
            cairo_set_source_rgba(cairo, look->red, look->green, look->blue,
                                  0.12 + 0.88 * shade / SHADES);
            cairo_rectangle(cairo, LEFT + x, bar_of(lane), end - x, BAR);
            cairo_fill(cairo);
        }
    }
}

static void draw_lane(cairo_t *cairo, const struct lanes *lanes, enum lane lane, bool is_i2c) {
    char text[40];
    double base = bar_of(lane) + BAR / 2.0 + 4;
    set_ink(cairo);
    put_text_before(cairo, LEFT - 12, base, 12,
                    lane == LANE_SELECT && is_i2c ? "transfers" : looks[lane].name);
    if (lane == LANE_FOUND) {
        snprintf(text, sizeof text, "%.0f", lanes->share[lane]);
    } else {
        snprintf(text, sizeof text, "%.1f %%", 100 * lanes->share[lane]);
    }
    put_text(cairo, LEFT + lanes->width + 12, base, 12, text);
    cairo_set_source_rgb(cairo, 0.93, 0.94, 0.95);
    cairo_rectangle(cairo, LEFT, bar_of(lane), lanes->width, BAR);
    cairo_fill(cairo);
    draw_bar(cairo, lanes, lane);
}

static void draw_mark(cairo_t *cairo, double x) {
    const struct look *look = &looks[LANE_FOUND];
    cairo_set_source_rgb(cairo, look->red, look->green, look->blue);
    cairo_move_to(cairo, x, bar_of(LANE_FOUND));
    cairo_rel_line_to(cairo, 6, BAR);
    cairo_rel_line_to(cairo, -12, 0);
    cairo_close_path(cairo);
    cairo_fill(cairo);
}

/* Within its span, and no further than that. */
static void draw_label(cairo_t *cairo, const struct label *label) {
    double left = LEFT + label->left, width = label->right - label->left;
    if (label->lane == LANE_FOUND) {
        draw_mark(cairo, left);
        return;
    }
    cairo_save(cairo);
    cairo_rectangle(cairo, left + 2, bar_of(label->lane), width - 4, BAR);
    cairo_clip(cairo);
    if (label->lane == LANE_WAITS) {
        set_ink(cairo);
    } else {
        cairo_set_source_rgb(cairo, 1, 1, 1);
    }
    put_text(cairo, left + 5, bar_of(label->lane) + BAR / 2.0 + 4, 11, label->text);
    cairo_restore(cairo);
}

/* ---- the axis ---- */

/* 1, 2 or 5 times a power of ten, so that about ten steps go into a time. */
static double nice_step(double time) {
    double power = pow(10, floor(log10(time / 10)));
    double steps = time / 10 / power;
    return power * (steps <= 1 ? 1 : steps <= 2 ? 2 : steps <= 5 ? 5 : 10);
}

static void draw_axis(cairo_t *cairo, const struct lanes *lanes) {
    double from = (double)lanes->from_ps / 1e6, to = (double)lanes->to_ps / 1e6; /* us */
    double step = nice_step(to - from), bottom = TOP + LANES * LANE;
    bool in_ms = to >= 2000;
    char text[40];
    for (double at = ceil(from / step) * step; at <= to + step / 1000; at += step) {
        double x = LEFT + (at - from) * lanes->width / (to - from);
        cairo_set_source_rgba(cairo, 0.13, 0.15, 0.17, 0.18);
        cairo_set_line_width(cairo, 1);
        cairo_move_to(cairo, x, TOP);
        cairo_line_to(cairo, x, bottom + 4);
        cairo_stroke(cairo);
        set_ink(cairo);
        snprintf(text, sizeof text, "%.7g", in_ms ? at / 1e3 : at);
        put_text_before(cairo, x + 3.3 * (double)strlen(text), bottom + 18, 11, text);
    }
    put_text_before(cairo, LEFT + lanes->width + 40, bottom + 18, 11, in_ms ? "ms" : "us");
}

static void draw(cairo_t *cairo, const struct lanes *lanes, const struct jl_card *card) {
    char title[200];
    bool is_i2c = card->bus == JL_BUS_I2C;
    cairo_select_font_face(cairo, "DejaVu Sans", CAIRO_FONT_SLANT_NORMAL, CAIRO_FONT_WEIGHT_NORMAL);
    cairo_set_source_rgb(cairo, 1, 1, 1);
    cairo_paint(cairo);
    set_ink(cairo);
    put_text(cairo, LEFT, 26, 16, card->name);
    snprintf(title, sizeof title, "%.3f to %.3f ms: bits %.1f %% of the time",
             (double)lanes->from_ps / 1e9, (double)lanes->to_ps / 1e9, 100 * lanes->bits);
    put_text(cairo, LEFT, 45, 12, title);
    for (int lane = 0; lane < LANES; lane++) {
        draw_lane(cairo, lanes, (enum lane)lane, is_i2c);
    }
    draw_axis(cairo, lanes);
    for (size_t i = 0; i < lanes->label_count; i++) {
        draw_label(cairo, &lanes->labels[i]);
    }
}

/* ---- files ---- */

static cairo_status_t write_some(void *file, const unsigned char *bytes, unsigned count) {
    return jl_file_write(file, (const char *)bytes, count) ? CAIRO_STATUS_SUCCESS
                                                           : CAIRO_STATUS_WRITE_ERROR;
}

static bool ends_with(const char *path, const char *ending) {
    size_t length = strlen(path), ending_length = strlen(ending);
    return length > ending_length && strcmp(path + length - ending_length, ending) == 0;
}

static bool write_file(const struct lanes *lanes, const struct jl_card *card, const char *path,
                       struct jl_complaint *complaint) {
    struct jl_file file = {0};
    int width = LEFT + lanes->width + RIGHT;
    if (!jl_file_begin(&file, path, complaint)) {
        return false;
    }
    bool svg = ends_with(path, ".svg");
    cairo_surface_t *surface =
        svg ? cairo_svg_surface_create_for_stream(write_some, &file, width, HEIGHT)
            : cairo_image_surface_create(CAIRO_FORMAT_RGB24, width, HEIGHT);
    cairo_t *cairo = cairo_create(surface);
    draw(cairo, lanes, card);
    cairo_status_t status = cairo_status(cairo);
    cairo_destroy(cairo);
    if (status == CAIRO_STATUS_SUCCESS && !svg) {
        status = cairo_surface_write_to_png_stream(surface, write_some, &file);
    }
    cairo_surface_finish(surface);
    status = status == CAIRO_STATUS_SUCCESS ? cairo_surface_status(surface) : status;
    cairo_surface_destroy(surface);
    if (status != CAIRO_STATUS_SUCCESS) {
        jl_file_abandon(&file);
        return jl_complain(complaint, "cannot draw %s: %s", path, cairo_status_to_string(status));
    }
    return jl_file_commit(&file, complaint);
}

bool jl_timeline_write(struct jl_traffic *traffic, const struct jl_timeline_request *request,
                       struct jl_complaint *complaint) {
    int width = request->width ? request->width : USUAL_WIDTH;
    struct lanes lanes = {.from_ps = request->from_ps, .to_ps = request->to_ps};
    if (!ends_with(request->path, ".png") && !ends_with(request->path, ".svg")) {
        return jl_complain(complaint, "%s: a timeline is a .png or .svg file", request->path);
    }
    if (width < 400 || width > 8000) {
        return jl_complain(complaint, "a timeline is 400 to 8000 pixels wide, and not %d", width);
    }
    if (lanes.to_ps <= lanes.from_ps) {
        return jl_complain(complaint, "there is no time from %.3f to %.3f ms to draw",
                           (double)lanes.from_ps / 1e9, (double)lanes.to_ps / 1e9);
    }
    lanes.width = width - LEFT - RIGHT;
    bool good = jl_host_lanes_begin(&lanes) ||
                jl_complain(complaint, "out of memory for %s", request->path);
    good = good && jl_host_lanes_fill(&lanes, traffic, complaint) &&
           write_file(&lanes, &jl_traffic_rig(traffic)->card, request->path, complaint);
    jl_host_lanes_free(&lanes);
    return good;
}
