/* Composition of the window. */
#include "view.h"

#include <string.h>

#include "jadelamp/draw.h"
#include "jadelamp/host/frame_picture.h"
#include "jadelamp/text.h"

enum {
    MARGIN = 14,
    LINE_HEIGHT = 20,
    LEAST_WIDTH = 680, /* for the strip */
    USUAL_WIDTH = 1200,
    USUAL_HEIGHT = 684,
    VALUES_WIDTH = 230,
    VALUE_HEIGHT = 36,
    TRACK_TOP = 22, /* below its name */
    TRACK_HEIGHT = 8,
    BEZEL = 3,       /* dots around a photo: jl_glass_photo() */
    SPLIT_ROWS = 16, /* above the gap of yellow-blue glass */
};

#define GROUND JL_RGB(38, 42, 46)
#define STRIP  JL_RGB(20, 23, 26)

/* ---- places ---- */

static bool is_split(const struct jl_glass *glass) {
    return glass->kind == JL_GLASS_YELLOW_BLUE && glass->height > SPLIT_ROWS;
}

static void size_of(const struct view *view, const struct view_place *place, int zoom, int *width,
                    int *height) {
    const struct jl_glass *glass = &place->glass;
    int around = view->plain ? 0 : 2 * BEZEL;
    *width = (glass->width + around) * zoom;
    *height = (glass->height + around + (!view->plain && is_split(glass))) * zoom;
    if (place->turn & 1) {
        int side = *width;
        *width = *height;
        *height = side;
    }
}

static void whole_size(const struct view *view, int zoom, int *width, int *height) {
    *width = MARGIN;
    *height = 0;
    for (int i = 0; i < view->count; i++) {
        int across, down;
        size_of(view, &view->places[i], zoom, &across, &down);
        *width += across + MARGIN;
        *height = down > *height ? down : *height;
    }
    int values = view->value_count * VALUE_HEIGHT;
    *width += view->value_count ? VALUES_WIDTH + MARGIN : 0;
    *height = values > *height ? values : *height;
    *height += 2 * MARGIN;
}

static int fitting_zoom(const struct view *view, int least) {
    for (int zoom = 8; zoom > least; zoom--) {
        int width, height;
        whole_size(view, zoom, &width, &height);
        if (width <= USUAL_WIDTH && height <= USUAL_HEIGHT) {
            return zoom;
        }
    }
    return least;
}

bool jl_host_view_lay_out(struct view *view) {
    int width, height, left = MARGIN;
    if (!view->zoom) {
        view->zoom = fitting_zoom(view, 1);
    }
    if (view->zoom < 2) { /* a photo needs two pixels for one */
        view->plain = true;
    }
    whole_size(view, view->zoom, &width, &height);
    int across = width < LEAST_WIDTH ? LEAST_WIDTH : width;
    left += (across - width) / 2;
    for (int i = 0; i < view->count; i++) {
        struct view_place *place = &view->places[i];
        size_of(view, place, view->zoom, &place->width, &place->height);
        place->left = left;
        place->top = (height - place->height) / 2;
        left += place->width + MARGIN;
    }
    view->values_left = left;
    view->values_top = MARGIN;
    jl_picture_free(&view->canvas);
    if (!jl_picture_create(&view->canvas, across,
                           height + VIEW_STRIP_LINES * LINE_HEIGHT + MARGIN)) {
        return false;
    }
    size_t bytes = 3 * (size_t)view->canvas.width * (size_t)view->canvas.height;
    jl_status status = jl_frame_init(&view->frame, &jl_rgb888, (int16_t)view->canvas.width,
                                     (int16_t)view->canvas.height, view->canvas.rgb, bytes);
    jl_clear(&view->frame.target, GROUND);
    return status == JL_OK;
}

/* ---- glass ---- */

void jl_host_view_glass(struct view *view, int panel, const struct link_panel *state,
                        const uint8_t *pixels) {
    const struct view_place *place = &view->places[panel];
    const struct jl_glass *glass = &place->glass;
    /* Looked at only: the pixels are the link's. */
    struct jl_picture upright = {glass->width, glass->height, (uint8_t *)(uintptr_t)pixels};
    struct jl_picture large = {0}, mounted = {0};
    bool good = view->plain ? jl_picture_enlarge(&upright, view->zoom, &large)
                            : jl_glass_photo(glass, &upright, state->brightness, state->light,
                                             view->zoom, &large);
    if (good && place->turn) {
        good = jl_picture_turn(&large, place->turn, &mounted);
    }
    if (good) {
        jl_picture_place(&view->canvas, place->turn ? &mounted : &large, place->left, place->top);
    }
    jl_picture_free(&large);
    jl_picture_free(&mounted);
}

bool jl_host_view_hit(const struct view *view, int x, int y, int *panel, int *glass_x,
                      int *glass_y) {
    for (int i = *panel < 0 ? 0 : *panel; i < view->count; i++) {
        const struct view_place *place = &view->places[i];
        int at_x = x - place->left, at_y = y - place->top;
        int across = place->width, down = place->height;
        if (*panel < 0 && (at_x < 0 || at_y < 0 || at_x >= across || at_y >= down)) {
            continue;
        }
        for (int quarter = place->turn; quarter & 3; quarter++) { /* on, until it is upright */
            int was_x = at_x, side = across;
            at_x = down - 1 - at_y;
            at_y = was_x;
            across = down;
            down = side;
        }
        int bezel = view->plain ? 0 : BEZEL * view->zoom;
        at_x -= bezel;
        at_y -= bezel;
        bool below = !view->plain && is_split(&place->glass) && at_y >= SPLIT_ROWS * view->zoom;
        at_y -= below ? view->zoom : 0;
        bool inside = at_x >= 0 && at_y >= 0 && at_x < place->glass.width * view->zoom &&
                      at_y < place->glass.height * view->zoom;
        at_x = at_x < 0 ? 0 : at_x / view->zoom;
        at_y = at_y < 0 ? 0 : at_y / view->zoom;
        *glass_x = at_x < place->glass.width ? at_x : place->glass.width - 1;
        *glass_y = at_y < place->glass.height ? at_y : place->glass.height - 1;
        if (inside || *panel >= 0) {
            *panel = i;
            return inside;
        }
    }
    return false;
}

/* ---- the strip ---- */

void jl_host_view_strip(struct view *view) {
    static const jl_color inks[] = {[VIEW_USUAL] = JL_RGB(226, 230, 232),
                                    [VIEW_QUIET] = JL_RGB(132, 140, 146),
                                    [VIEW_WARNS] = JL_RGB(246, 190, 80),
                                    [VIEW_ALARMS] = JL_RGB(255, 124, 104)};
    struct jl_target *target = &view->frame.target;
    int16_t top = (int16_t)(view->canvas.height - VIEW_STRIP_LINES * LINE_HEIGHT - MARGIN / 2);
    jl_fill_rect(target,
                 (struct jl_rect){0, (int16_t)(top - MARGIN / 2), target->width, target->height},
                 STRIP);
    for (int i = 0; i < VIEW_STRIP_LINES; i++) {
        const struct view_line *line = &view->strip[i];
        const struct jl_text_style style = {
            .font = &jl_font_sans16, .ink = inks[line->mood], .paper = STRIP};
        struct jl_rect box = {MARGIN, (int16_t)(top + i * LINE_HEIGHT),
                              (int16_t)(target->width - 2 * MARGIN), LINE_HEIGHT};
        jl_text_box(target, box, JL_TEXT_ELLIPSIS, line->text, &style);
    }
}

/* ---- values ---- */

static struct jl_rect track_of(const struct view *view, int index) {
    return (struct jl_rect){(int16_t)view->values_left,
                            (int16_t)(view->values_top + index * VALUE_HEIGHT + TRACK_TOP),
                            VALUES_WIDTH, TRACK_HEIGHT};
}

void jl_host_view_values(struct view *view) {
    struct jl_target *target = &view->frame.target;
    const struct jl_text_style name = {
        .font = &jl_font_sans16, .ink = JL_RGB(160, 168, 174), .paper = GROUND};
    struct jl_text_style now = name;
    now.ink = JL_RGB(226, 230, 232);
    for (int i = 0; i < view->value_count; i++) {
        const struct link_value *value = &view->values[i];
        struct jl_rect track = track_of(view, i);
        int16_t top = (int16_t)(track.y - TRACK_TOP);
        jl_text_field(target, track.x, top, VALUES_WIDTH / 2, JL_ANCHOR_LEFT, value->name, &name);
        jl_text_field(target, (int16_t)(track.x + VALUES_WIDTH / 2), top, VALUES_WIDTH / 2,
                      JL_ANCHOR_RIGHT, value->text, &now);
        if (!value->slides) {
            continue;
        }
        int64_t range = (int64_t)value->most - value->least;
        int16_t done = (int16_t)(((int64_t)value->number - value->least) * track.w / range);
        done = done < 0 ? 0 : done > track.w ? track.w : done;
        jl_fill_rect(target, (struct jl_rect){track.x, track.y, done, track.h},
                     JL_RGB(64, 160, 150));
        jl_fill_rect(target,
                     (struct jl_rect){(int16_t)(track.x + done), track.y, (int16_t)(track.w - done),
                                      track.h},
                     STRIP);
    }
}

int jl_host_view_slide(const struct view *view, int x, int y, int held, int32_t *number) {
    for (int i = held < 0 ? 0 : held; i < view->value_count; i++) {
        const struct link_value *value = &view->values[i];
        struct jl_rect track = track_of(view, i);
        int at = x - track.x;
        bool inside = at >= 0 && at < track.w && y >= track.y - TRACK_TOP / 2 &&
                      y < track.y + track.h + TRACK_TOP / 4;
        if (!value->slides || (held < 0 && !inside)) {
            continue;
        }
        at = at < 0 ? 0 : at >= track.w ? track.w - 1 : at;
        int64_t range = (int64_t)value->most - value->least;
        *number = (int32_t)(value->least + (at * range + (track.w - 1) / 2) / (track.w - 1));
        return i;
    }
    return NONE_THERE;
}
