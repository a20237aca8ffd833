/* A progress bar; the text in it changes its colour where the bar has reached it. */
#include "jadelamp/instruments/progress.h"

#include "instrument.h"
#include "jadelamp/format.h"

enum { PERCENT_BYTES = 6 };

static int16_t part_of(const struct jl_progress *progress, int16_t whole) {
    const struct jl_scale scale = {0, progress->all, NULL, 0};
    return jl_scale_at(&scale, progress->done, whole);
}

static int16_t length_of(const struct jl_progress *progress) {
    return part_of(progress, (int16_t)(progress->face->box.w - 4));
}

static int16_t percent_of(const struct jl_progress *progress) {
    return progress->all > 0 ? (int16_t)((int64_t)progress->done * 100 / progress->all) : 0;
}

static void draw_text(struct jl_target *target, const struct jl_progress *progress, jl_color ink,
                      struct jl_rect through) {
    const struct jl_progress_face *face = progress->face;
    struct jl_text_style style = jl_theme_text(face->theme->font, ink, JL_CLEAR);
    char text[PERCENT_BYTES + 2];
    size_t end = jl_format_int(text, PERCENT_BYTES, percent_of(progress), 0, ' ');
    text[end] = '%';
    text[end + 1] = 0;
    struct jl_rect before = jl_target_clip(target, through);
    jl_text_box(target, face->box, JL_ANCHOR_CENTRE | JL_ANCHOR_MIDDLE, text, &style);
    jl_target_unclip(target, before);
}

static void draw(struct jl_target *target, const void *instrument) {
    const struct jl_progress *progress = instrument;
    const struct jl_progress_face *face = progress->face;
    struct jl_rect full = jl_inset(face->box, 2), empty = full;
    full.w = length_of(progress);
    empty.x = (int16_t)(full.x + full.w);
    empty.w = (int16_t)(empty.w - full.w);
    jl_fill_rect(target, face->box, face->theme->face);
    jl_stroke_rect(target, face->box, face->theme->line);
    jl_fill_rect(target, full, face->theme->accent);
    jl_fill_rect(target, empty, face->theme->unlit);
    draw_text(target, progress, face->theme->back, full);
    draw_text(target, progress, face->theme->ink, empty);
}

static void find_changes(const struct jl_progress *progress, struct parts *parts) {
    struct jl_rect box = jl_inset(progress->face->box, 2);
    int16_t from = progress->shown, to = length_of(progress);
    if (from != to) {
        int16_t low = from < to ? from : to;
        jl_parts_add(parts, (struct jl_rect){(int16_t)(box.x + low), box.y,
                                             (int16_t)(from + to - 2 * low), box.h});
    }
    if (progress->shown_percent != percent_of(progress)) {
        /* Both texts are at most as wide as the widest. */
        struct jl_text_style style = jl_theme_text(progress->face->theme->font, 0, 0);
        int16_t width = jl_text_width(&style, "100%");
        jl_parts_add(parts,
                     jl_rect_intersect((struct jl_rect){(int16_t)(box.x + (box.w - width) / 2 - 1),
                                                        box.y, (int16_t)(width + 2), box.h},
                                       box));
    }
}

bool jl_progress_redraw(struct jl_target *target, struct jl_progress *progress) {
    struct parts parts = {0};
    if (progress->drawn) {
        find_changes(progress, &parts);
    } else {
        jl_parts_add(&parts, progress->face->box);
    }
    progress->shown = length_of(progress);
    progress->shown_percent = percent_of(progress);
    progress->drawn = true;
    return jl_parts_draw(&parts, progress->face->box, target, draw, progress);
}

void jl_progress_draw(struct jl_target *target, const struct jl_progress *progress) {
    jl_instrument_draw(target, progress->face->box, draw, progress);
}
