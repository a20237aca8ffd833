/* Drawing a screen: the calls, as the C makes them. */
#include <string.h>

#include "screen_parts.h"

const struct op_call jl_host_op_calls[] = {
    [OP_CLEAR] = {"jl_clear", "c"},
    [OP_FILL_RECT] = {"jl_fill_rect", "rc"},
    [OP_STROKE_RECT] = {"jl_stroke_rect", "rc"},
    [OP_FILL_ROUNDED] = {"jl_fill_rounded", "rnc"},
    [OP_STROKE_ROUNDED] = {"jl_stroke_rounded", "rnc"},
    [OP_FILL_CIRCLE] = {"jl_fill_circle", "nnnc"},
    [OP_STROKE_CIRCLE] = {"jl_stroke_circle", "nnnc"},
    [OP_LINE] = {"jl_draw_line", "nnnnc"},
    [OP_WIDE_LINE] = {"jl_draw_wide_line", "ppnc"},
    [OP_SMOOTH_DISC] = {"jl_smooth_disc", "pncz"},
    [OP_SMOOTH_RING] = {"jl_smooth_ring", "pnncz"},
    [OP_SMOOTH_LINE] = {"jl_smooth_line", "ppnecz"},
    [OP_SMOOTH_ROUNDED] = {"jl_smooth_rounded", "rncz"},
    [OP_SMOOTH_FRAME] = {"jl_smooth_rounded_frame", "rnncz"},
    [OP_INSTRUMENT] = {NULL, NULL},
};

static struct jl_rect rect_of(const int *a) {
    return (struct jl_rect){(int16_t)a[0], (int16_t)a[1], (int16_t)a[2], (int16_t)a[3]};
}

static struct jl_point point_of(const int *a) {
    return (struct jl_point){(int16_t)a[0], (int16_t)a[1]};
}

/* Where a mark stands between the ends of a curve; values off their range count as its ends. */
static int32_t share(int32_t value, int32_t from, int32_t to, int32_t span) {
    value = value < from ? from : value > to ? to : value;
    return (int32_t)((int64_t)(value - from) * span / (to - from));
}

static void draw_curve(const struct jl_screen *screen, const struct item *item,
                       const struct jl_screen_state *state, struct jl_target *target) {
    const struct value *value = &screen->values[item->value];
    struct jl_point points[CURVE_POINTS];
    int count = value->count;
    jl_host_curve_points(item, state->series[item->value], count, points);
    if (item->has_fill) {
        jl_fill_polygon(target, points, (size_t)count + 2, item->fill);
    }
    if (item->has_stroke) {
        jl_draw_polyline(target, points, (size_t)count, item->stroke);
    }
    if (item->mark != NONE) {
        const struct value *across = &screen->values[item->across];
        struct jl_rect box = item->box;
        int16_t x = (int16_t)(box.x + share(state->numbers[item->across], across->least,
                                            across->most, box.w - 1));
        int16_t y = (int16_t)(box.y + box.h - 1 -
                              share(state->numbers[item->mark], item->from, item->to, box.h - 1));
        jl_fill_rect(target, (struct jl_rect){x, box.y, 1, box.h}, item->mark_ink);
        jl_fill_circle(target, x, y, 4, item->mark_ink);
    }
}

static const struct jl_image *image_of(const struct jl_screen *screen, const struct item *item,
                                       const struct jl_screen_state *state) {
    int32_t which = item->value == NONE ? 0 : state->numbers[item->value];
    which = which < 0 || which >= item->picture_count ? 0 : which;
    return &screen->pictures[item->pictures[which]].baked.image;
}

void jl_host_op_draw(const struct jl_screen *screen, const struct op *op,
                     const struct jl_screen_state *state, struct jl_target *target) {
    const struct item *item = &screen->items[op->item];
    const int *a = op->arguments;
    int16_t n[6];
    for (int i = 0; i < 6; i++) {
        n[i] = (int16_t)a[i];
    }
    char text[WORD_BYTES * 4];
    struct jl_text_style style;
    if (op->kind >= OP_TEXT && op->kind <= OP_TEXT_BOX) {
        jl_host_item_text(screen, item, state, text, sizeof text);
        style = jl_host_item_style(screen, item);
    }
    switch (op->kind) {
    case OP_CLEAR:
        jl_clear(target, op->color);
        break;
    case OP_FILL_RECT:
        jl_fill_rect(target, rect_of(a), op->color);
        break;
    case OP_STROKE_RECT:
        jl_stroke_rect(target, rect_of(a), op->color);
        break;
    case OP_FILL_ROUNDED:
        jl_fill_rounded(target, rect_of(a), n[4], op->color);
        break;
    case OP_STROKE_ROUNDED:
        jl_stroke_rounded(target, rect_of(a), n[4], op->color);
        break;
    case OP_FILL_CIRCLE:
        jl_fill_circle(target, n[0], n[1], n[2], op->color);
        break;
    case OP_STROKE_CIRCLE:
        jl_stroke_circle(target, n[0], n[1], n[2], op->color);
        break;
    case OP_LINE:
        jl_draw_line(target, n[0], n[1], n[2], n[3], op->color);
        break;
    case OP_WIDE_LINE:
        jl_draw_wide_line(target, point_of(a), point_of(a + 2), n[4], op->color);
        break;
    case OP_SMOOTH_DISC:
        jl_smooth_disc(target, point_of(a), n[2], op->color, JL_CLEAR);
        break;
    case OP_SMOOTH_RING:
        jl_smooth_ring(target, point_of(a), n[2], n[3], op->color, JL_CLEAR);
        break;
    case OP_SMOOTH_LINE:
        jl_smooth_line(target, point_of(a), point_of(a + 2), n[4], JL_ENDS_ROUND, op->color,
                       JL_CLEAR);
        break;
    case OP_SMOOTH_ROUNDED:
        jl_smooth_rounded(target, rect_of(a), n[4], op->color, JL_CLEAR);
        break;
    case OP_SMOOTH_FRAME:
        jl_smooth_rounded_frame(target, rect_of(a), n[4], n[5], op->color, JL_CLEAR);
        break;
    case OP_TEXT:
        jl_text(target, n[0], n[1], text, &style);
        break;
    case OP_TEXT_AT:
        jl_text_at(target, n[0], n[1], (uint8_t)a[2], text, &style);
        break;
    case OP_TEXT_FIELD:
        jl_text_field(target, n[0], n[1], n[2], (uint8_t)a[3], text, &style);
        break;
    case OP_TEXT_BOX:
        jl_text_box(target, rect_of(a), (uint8_t)a[4], text, &style);
        break;
    case OP_IMAGE:
        jl_draw_image(target, n[0], n[1], image_of(screen, item, state));
        break;
    case OP_BITMAP: {
        const struct jl_image *image = image_of(screen, item, state);
        const struct jl_bitmap map = {image->pixels, image->width, image->height,
                                      &jl_bits_rows_msb};
        jl_draw_bitmap(target, n[0], n[1], &map, JL_WHITE, JL_BLACK);
        break;
    }
    case OP_CURVE:
        draw_curve(screen, item, state, target);
        break;
    case OP_INSTRUMENT:
        jl_host_instrument_draw(screen, item, state, target);
        break;
    }
}

void jl_screen_draw(const struct jl_screen *screen, const struct jl_screen_state *state,
                    struct jl_target *target) {
    for (int i = 0; i < screen->op_count; i++) {
        const struct op *op = &screen->ops[i];
        const struct item *item = &screen->items[op->item];
        if (jl_host_item_is_on(item, state->page) && jl_host_condition_holds(&item->when, state)) {
            jl_host_op_draw(screen, op, state, target);
        }
    }
}

static bool differs(const struct jl_screen_state *a, const struct jl_screen_state *b, int value) {
    return a->numbers[value] != b->numbers[value] ||
           memcmp(a->words[value], b->words[value], sizeof a->words[value]) != 0 ||
           memcmp(a->series[value], b->series[value], sizeof a->series[value]) != 0;
}

bool jl_screen_update(const struct jl_screen *screen, const struct jl_screen_state *shown,
                      const struct jl_screen_state *state, struct jl_target *target) {
    uint64_t changed = 0;
    bool any = false;
    if (shown->page != state->page) {
        jl_screen_draw(screen, state, target);
        return true;
    }
    for (int i = 0; i < screen->value_count; i++) {
        changed |= differs(shown, state, i) ? (uint64_t)1 << i : 0;
    }
    for (int i = 0; i < screen->item_count; i++) {
        const struct item *item = &screen->items[i];
        if (item->needs & changed && jl_host_item_is_on(item, state->page)) {
            struct jl_rect before = jl_target_clip(target, item->paints);
            jl_screen_draw(screen, state, target);
            jl_target_unclip(target, before);
            any = true;
        }
    }
    return any;
}
