/* From items to calls of the library: where each lies, and what it paints. */
#include "screen_parts.h"

/* What a curve's mark reaches beyond its box. */
enum { MARK_REACH = 5 };

static struct op *add(struct jl_screen *screen, const struct item *item, enum op_kind kind,
                      jl_color color) {
    struct op *op = &screen->ops[screen->op_count < MOST_OPS ? screen->op_count : MOST_OPS - 1];
    screen->op_count++; /* too many are told in the end */
    *op = (struct op){.kind = kind, .item = (int)(item - screen->items), .color = color};
    return op;
}

static void set(struct op *op, int a, int b, int c, int d, int e, int f) {
    const int all[6] = {a, b, c, d, e, f};
    for (int i = 0; i < 6; i++) {
        op->arguments[i] = all[i];
    }
}

static void add_rect(struct jl_screen *screen, const struct item *item, enum op_kind kind,
                     struct jl_rect r, int more, int most, jl_color color) {
    set(add(screen, item, kind, color), r.x, r.y, r.w, r.h, more, most);
}

static int fine(int pixels) {
    return JL_FINE(pixels);
}

static struct jl_rect wider(struct jl_rect r, int by) {
    return (struct jl_rect){(int16_t)(r.x - by), (int16_t)(r.y - by), (int16_t)(r.w + 2 * by),
                            (int16_t)(r.h + 2 * by)};
}

/* ---- shapes ---- */

static void lower_rect(struct jl_screen *screen, struct item *item) {
    struct jl_rect box = item->box;
    struct jl_rect in_fine = {(int16_t)fine(box.x), (int16_t)fine(box.y), (int16_t)fine(box.w),
                              (int16_t)fine(box.h)};
    item->paints = box;
    item->covers = item->has_fill && !item->radius;
    if (item->smooth) {
        if (item->has_fill) {
            add_rect(screen, item, OP_SMOOTH_ROUNDED, in_fine, fine(item->radius), 0, item->fill);
        }
        if (item->has_stroke) {
            add_rect(screen, item, OP_SMOOTH_FRAME, in_fine, fine(item->radius), fine(1),
                     item->stroke);
        }
        return;
    }
    if (item->has_fill) {
        add_rect(screen, item, item->radius ? OP_FILL_ROUNDED : OP_FILL_RECT, box, item->radius, 0,
                 item->fill);
    }
    if (item->has_stroke) {
        add_rect(screen, item, item->radius ? OP_STROKE_ROUNDED : OP_STROKE_RECT, box, item->radius,
                 0, item->stroke);
    }
}

static void lower_circle(struct jl_screen *screen, struct item *item) {
    int x = item->points[0].x, y = item->points[0].y, r = item->radius;
    item->paints = (struct jl_rect){(int16_t)(x - r), (int16_t)(y - r), (int16_t)(2 * r + 1),
                                    (int16_t)(2 * r + 1)};
    if (item->smooth) {
        if (item->has_fill) {
            set(add(screen, item, OP_SMOOTH_DISC, item->fill), fine(x) + 8, fine(y) + 8,
                fine(r) + 8, 0, 0, 0);
        }
        if (item->has_stroke) {
            set(add(screen, item, OP_SMOOTH_RING, item->stroke), fine(x) + 8, fine(y) + 8,
                fine(r) + 8, fine(r) - 8, 0, 0);
        }
        return;
    }
    if (item->has_fill) {
        set(add(screen, item, OP_FILL_CIRCLE, item->fill), x, y, r, 0, 0, 0);
    }
    if (item->has_stroke) {
        set(add(screen, item, OP_STROKE_CIRCLE, item->stroke), x, y, r, 0, 0, 0);
    }
}

static struct jl_rect around_points(const struct item *item) {
    struct jl_rect all = {item->points[0].x, item->points[0].y, 1, 1};
    for (int i = 1; i < item->point_count; i++) {
        all = jl_rect_around(all, (struct jl_rect){item->points[i].x, item->points[i].y, 1, 1});
    }
    return all;
}

static void lower_line(struct jl_screen *screen, struct item *item) {
    int width = item->width;
    item->paints = wider(around_points(item), width > 1 || item->smooth ? width / 2 + 1 : 0);
    for (int i = 0; i + 1 < item->point_count; i++) {
        struct jl_point a = item->points[i], b = item->points[i + 1];
        if (!item->smooth && width == 1 && (a.x == b.x || a.y == b.y)) {
            struct jl_rect r =
                jl_rect_around((struct jl_rect){a.x, a.y, 1, 1}, (struct jl_rect){b.x, b.y, 1, 1});
            add_rect(screen, item, OP_FILL_RECT, r, 0, 0, item->ink);
        } else if (item->smooth) {
            set(add(screen, item, OP_SMOOTH_LINE, item->ink), fine(a.x) + 8, fine(a.y) + 8,
                fine(b.x) + 8, fine(b.y) + 8, fine(width), 0);
        } else {
            set(add(screen, item, width > 1 ? OP_WIDE_LINE : OP_LINE, item->ink), a.x, a.y, b.x,
                b.y, width, 0);
        }
    }
}

/* ---- texts ---- */

/* Where a text at a place can reach; one pixel of room, since halves are rounded. */
static struct jl_rect reach_of(const struct jl_screen *screen, const struct item *item) {
    const struct jl_font *font = screen->fonts[item->font].font;
    int width = jl_host_item_widest(screen, item), x = item->points[0].x, y = item->points[0].y;
    int known = width < 0 ? screen->glass.width : width;
    int left = x, top = y;
    switch (item->anchor & 3) {
    case JL_ANCHOR_CENTRE:
        left = x - known / 2 - 1;
        known += 1;
        break;
    case JL_ANCHOR_RIGHT:
        left = x - known;
        break;
    default:
        break;
    }
    switch (item->anchor & 12) {
    case JL_ANCHOR_MIDDLE:
        top = y - font->height / 2 - 1;
        break;
    case JL_ANCHOR_BASELINE:
        top = y - font->ascent;
        break;
    case JL_ANCHOR_BOTTOM:
        top = y - font->height;
        break;
    default:
        break;
    }
    int more = (item->anchor & 12) == JL_ANCHOR_MIDDLE;
    return (struct jl_rect){(int16_t)left, (int16_t)top, (int16_t)known,
                            (int16_t)(font->height + more)};
}

/* A line in a box whose paper is filled, too, and no pixel is set twice. */
static void lower_field(struct jl_screen *screen, struct item *item) {
    struct jl_rect box = item->box;
    int height = screen->fonts[item->font].font->height;
    int room = box.h - height;
    int above = (item->anchor & 12) == JL_ANCHOR_MIDDLE   ? room / 2
                : (item->anchor & 12) == JL_ANCHOR_BOTTOM ? room
                                                          : 0;
    if (above > 0) {
        add_rect(screen, item, OP_FILL_RECT, (struct jl_rect){box.x, box.y, box.w, (int16_t)above},
                 0, 0, item->paper);
    }
    bool fixed = true; /* no value in it */
    for (int i = 0; i < item->piece_count; i++) {
        fixed &= item->pieces[i].value == NONE;
    }
    int width = jl_host_item_widest(screen, item), rest = box.w - width;
    if (jl_host_item_is_always(screen, item, box.w)) {
        set(add(screen, item, OP_TEXT, 0), box.x, box.y + above, 0, 0, 0, 0);
    } else if (fixed && rest > 0) { /* what a field would do, without the code for fields */
        int before = (item->anchor & 3) == JL_ANCHOR_RIGHT    ? rest
                     : (item->anchor & 3) == JL_ANCHOR_CENTRE ? rest / 2
                                                              : 0;
        if (before) {
            add_rect(
                screen, item, OP_FILL_RECT,
                (struct jl_rect){box.x, (int16_t)(box.y + above), (int16_t)before, (int16_t)height},
                0, 0, item->paper);
        }
        set(add(screen, item, OP_TEXT, 0), box.x + before, box.y + above, 0, 0, 0, 0);
        if (rest - before) {
            add_rect(screen, item, OP_FILL_RECT,
                     (struct jl_rect){(int16_t)(box.x + before + width), (int16_t)(box.y + above),
                                      (int16_t)(rest - before), (int16_t)height},
                     0, 0, item->paper);
        }
    } else {
        set(add(screen, item, OP_TEXT_FIELD, 0), box.x, box.y + above, box.w, item->anchor & 3, 0,
            0);
    }
    if (room - above > 0) {
        add_rect(screen, item, OP_FILL_RECT,
                 (struct jl_rect){box.x, (int16_t)(box.y + above + height), box.w,
                                  (int16_t)(room - above)},
                 0, 0, item->paper);
    }
    item->covers = true;
}

static void lower_text(struct jl_screen *screen, struct item *item) {
    struct jl_rect box = item->box;
    for (int i = 0; i < item->piece_count; i++) {
        if (item->pieces[i].value != NONE) {
            item->needs |= (uint64_t)1 << item->pieces[i].value;
        }
    }
    if (item->has_place) {
        item->paints = reach_of(screen, item);
        set(add(screen, item, item->anchor ? OP_TEXT_AT : OP_TEXT, 0), item->points[0].x,
            item->points[0].y, item->anchor, 0, 0, 0);
        return;
    }
    item->paints = box;
    bool solid = item->paper != JL_CLEAR;
    if (solid && !item->wraps && box.h >= screen->fonts[item->font].font->height) {
        lower_field(screen, item);
        return;
    }
    if (solid) {
        add_rect(screen, item, OP_FILL_RECT, box, 0, 0, item->paper);
        item->covers = true;
    }
    add_rect(screen, item, OP_TEXT_BOX, box,
             item->anchor | JL_TEXT_ELLIPSIS | (item->wraps ? JL_TEXT_WRAP : 0), 0, 0);
}

/* ---- the rest ---- */

static void lower_picture(struct jl_screen *screen, struct item *item) {
    const struct jl_point at = item->points[0];
    bool solid = true, same = true;
    const struct jl_image *first = &screen->pictures[item->pictures[0]].baked.image;
    struct jl_rect all = {at.x, at.y, first->width, first->height};
    for (int i = 0; i < item->picture_count; i++) {
        const struct jl_baked_picture *baked = &screen->pictures[item->pictures[i]].baked;
        struct jl_rect box = {at.x, at.y, baked->image.width, baked->image.height};
        solid &= !baked->mask_bytes && !baked->image.has_key;
        same &= box.w == first->width && box.h == first->height;
        all = jl_rect_around(all, box);
    }
    item->paints = all;
    item->covers = solid && same;
    bool bitmap = solid && screen->glass.colors == JL_SCREEN_MONO;
    set(add(screen, item, bitmap ? OP_BITMAP : OP_IMAGE, 0), at.x, at.y, 0, 0, 0, 0);
}

static void lower_item(struct jl_screen *screen, struct item *item) {
    if (item->value != NONE) {
        item->needs |= (uint64_t)1 << item->value;
    }
    if (item->when.compare) {
        item->needs |= (uint64_t)1 << item->when.value;
    }
    switch (item->kind) {
    case ITEM_GROUND:
        item->paints =
            (struct jl_rect){0, 0, (int16_t)screen->glass.width, (int16_t)screen->glass.height};
        item->covers = true;
        add(screen, item, OP_CLEAR, item->fill);
        break;
    case ITEM_RECT:
        lower_rect(screen, item);
        break;
    case ITEM_CIRCLE:
        lower_circle(screen, item);
        break;
    case ITEM_LINE:
        lower_line(screen, item);
        break;
    case ITEM_TEXT:
        lower_text(screen, item);
        break;
    case ITEM_PICTURE:
        lower_picture(screen, item);
        break;
    case ITEM_CURVE:
        item->paints = item->box;
        if (item->mark != NONE) {
            item->paints = wider(item->box, MARK_REACH);
            item->needs |= (uint64_t)1 << item->across | (uint64_t)1 << item->mark;
        }
        add(screen, item, OP_CURVE, 0);
        break;
    default: /* all of its box belongs to an instrument */
        item->paints = item->box;
        item->covers = true;
        add(screen, item, OP_INSTRUMENT, 0);
        break;
    }
}

bool jl_host_sheet_lower(struct jl_screen *screen, struct jl_complaint *complaint) {
    for (int i = 0; i < screen->item_count; i++) {
        lower_item(screen, &screen->items[i]);
    }
    return screen->op_count <= MOST_OPS ||
           jl_complain(complaint, "%s: the items need %d drawing calls; at most %d are possible",
                       screen->file, screen->op_count, MOST_OPS);
}

void jl_host_curve_points(const struct item *item, const int16_t *series, int count,
                          struct jl_point points[CURVE_POINTS]) {
    struct jl_rect box = item->box;
    for (int i = 0; i < count; i++) {
        int32_t height = series[i] < item->from ? item->from
                         : series[i] > item->to ? item->to
                                                : series[i];
        points[i].x = (int16_t)(box.x + i * (int32_t)(box.w - 1) / (count - 1));
        points[i].y =
            (int16_t)(box.y + box.h - 1 -
                      (height - item->from) * (int32_t)(box.h - 1) / (item->to - item->from));
    }
    points[count] = (struct jl_point){(int16_t)(box.x + box.w - 1), (int16_t)(box.y + box.h - 1)};
    points[count + 1] = (struct jl_point){box.x, (int16_t)(box.y + box.h - 1)};
}
