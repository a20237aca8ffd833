/* Functions that draw items, as C: the same calls as sheet_draw.c makes. */
#include <string.h>

#include "write_parts.h"

/* ---- what texts are put together with ---- */

static const struct value *value_of(const struct jl_screen *screen, const struct piece *piece) {
    return &screen->values[piece->value];
}

/* A text of one piece that needs no putting together. */
static bool is_plain(const struct jl_screen *screen, const struct item *item) {
    if (item->piece_count != 1) {
        return item->piece_count == 0;
    }
    const struct piece *piece = &item->pieces[0];
    enum jl_screen_value_kind kind =
        piece->value == NONE ? JL_SCREEN_WORDS : value_of(screen, piece)->kind;
    return kind == JL_SCREEN_WORDS || kind == JL_SCREEN_CHOICE || kind == JL_SCREEN_SWITCH;
}

/* Whether texts that are put together have something of a kind; NONE: letters, or the like. */
static bool puts_some(const struct jl_screen *screen, int kind) {
    for (int i = 0; i < screen->item_count; i++) {
        const struct item *item = &screen->items[i];
        for (int k = 0; k < item->piece_count && !is_plain(screen, item); k++) {
            int of = item->pieces[k].value == NONE ? NONE
                                                   : (int)value_of(screen, &item->pieces[k])->kind;
            bool letters = of == NONE || of == JL_SCREEN_WORDS || of == JL_SCREEN_CHOICE ||
                           of == JL_SCREEN_SWITCH;
            if (of == kind || (kind == NONE && letters)) {
                return true;
            }
        }
    }
    return false;
}

static void write_helpers(FILE *out, const struct jl_screen *screen) {
    if (puts_some(screen, NONE)) {
        fputs("static char *put(char *at, const char *text) {\n    while (*text) {\n"
              "        *at++ = *text++;\n    }\n    *at = '\\0';\n    return at;\n}\n\n",
              out);
    }
    if (puts_some(screen, JL_SCREEN_NUMBER)) {
        fputs("static char *put_number(char *at, int32_t number, uint8_t decimals) {\n"
              "    return at + jl_format_fixed(at, JL_FORMAT_BYTES, number, decimals);\n}\n\n",
              out);
    }
    if (puts_some(screen, JL_SCREEN_CLOCK)) {
        fputs("static char *put_clock(char *at, int16_t minute) {\n"
              "    for (uint8_t i = 0; i < 5; i++) {\n        at[i] = '-';\n    }\n"
              "    at[2] = ':';\n    at[5] = '\\0';\n    if (minute >= 0) {\n"
              "        uint8_t hours = (uint8_t)((uint16_t)minute / 60 % 24);\n"
              "        uint8_t minutes = (uint8_t)((uint16_t)minute % 60);\n"
              "        at[0] = (char)('0' + hours / 10);\n"
              "        at[1] = (char)('0' + hours % 10);\n"
              "        at[3] = (char)('0' + minutes / 10);\n"
              "        at[4] = (char)('0' + minutes % 10);\n    }\n    return at + 5;\n}\n\n",
              out);
    }
    for (int v = 0; v < screen->value_count; v++) {
        const struct value *value = &screen->values[v];
        bool used = false;
        for (int i = 0; i < screen->item_count; i++) {
            for (int k = 0; k < screen->items[i].piece_count; k++) {
                used |= screen->items[i].pieces[k].value == v;
            }
        }
        if (used && value->kind == JL_SCREEN_CHOICE) {
            fprintf(out, "static const char *const choices_%s[%d] = {", value->name, value->count);
            for (int i = 0; i < value->count; i++) {
                fputs(i ? ", " : "", out);
                jl_host_write_string(out, value->choices[i]);
            }
            fputs("};\n\n", out);
        }
    }
}

/* Which of several things a value chooses. What is none is the first: no reading past the end. */
static void write_index(FILE *out, const struct value *value) {
    if (value->kind == JL_SCREEN_SWITCH) {
        fprintf(out, "screen->values.%s ? 1 : 0", value->name);
    } else {
        fprintf(out, "screen->values.%s < %d ? screen->values.%s : 0", value->name, value->count,
                value->name);
    }
}

/* Text of a value that is letters: an expression. */
static void write_letters(FILE *out, const struct jl_screen *screen, const struct piece *piece) {
    if (piece->value == NONE) {
        jl_host_write_string(out, piece->letters);
        return;
    }
    const struct value *value = value_of(screen, piece);
    switch (value->kind) {
    case JL_SCREEN_CHOICE:
        fprintf(out, "choices_%s[", value->name);
        write_index(out, value);
        fputc(']', out);
        break;
    case JL_SCREEN_SWITCH:
        fprintf(out, "screen->values.%s ? \"on\" : \"off\"", value->name);
        break;
    default:
        fprintf(out, "screen->values.%s", value->name);
        break;
    }
}

static size_t most_bytes(const struct jl_screen *screen, const struct item *item) {
    size_t bytes = 1;
    for (int i = 0; i < item->piece_count; i++) {
        const struct piece *piece = &item->pieces[i];
        const struct value *value = piece->value == NONE ? NULL : value_of(screen, piece);
        size_t choice = 0;
        for (int k = 0; value && value->kind == JL_SCREEN_CHOICE && k < value->count; k++) {
            size_t length = strlen(value->choices[k]);
            choice = length > choice ? length : choice;
        }
        bytes += !value                            ? strlen(piece->letters)
                 : value->kind == JL_SCREEN_CHOICE ? choice
                 : value->kind == JL_SCREEN_WORDS  ? value->count
                 : value->kind == JL_SCREEN_SWITCH ? 3
                 : value->kind == JL_SCREEN_CLOCK  ? 6
                                                   : JL_FORMAT_BYTES;
    }
    return bytes;
}

/* Puts the text together, in `text`, unless it is an expression already. */
static void write_text(FILE *out, const struct jl_screen *screen, const struct item *item) {
    if (is_plain(screen, item)) {
        return;
    }
    bool reads_on = item->piece_count > 1;
    fprintf(out, "    char text[%zu];\n%s", most_bytes(screen, item),
            reads_on ? "    char *end = text;\n" : "");
    for (int i = 0; i < item->piece_count; i++) {
        const struct piece *piece = &item->pieces[i];
        const struct value *value = piece->value == NONE ? NULL : value_of(screen, piece);
        const char *to = !reads_on ? "    " : i < item->piece_count - 1 ? "    end = " : "    ";
        const char *at = reads_on ? "end" : "text";
        if (value && value->kind == JL_SCREEN_NUMBER) {
            fprintf(out, "%sput_number(%s, screen->values.%s, %d);\n", to, at, value->name,
                    value->decimals);
        } else if (value && value->kind == JL_SCREEN_CLOCK) {
            fprintf(out, "%sput_clock(%s, screen->values.%s);\n", to, at, value->name);
        } else {
            fprintf(out, "%sput(%s, ", to, at);
            write_letters(out, screen, piece);
            fputs(");\n", out);
        }
    }
}

static void write_text_name(FILE *out, const struct jl_screen *screen, const struct item *item) {
    if (!is_plain(screen, item)) {
        fputs("text", out);
    } else if (!item->piece_count) {
        fputs("\"\"", out);
    } else {
        write_letters(out, screen, &item->pieces[0]);
    }
}

/* ---- calls ---- */

static void write_arguments(FILE *out, const struct op *op, const char *letters) {
    const int *a = op->arguments;
    for (; *letters; letters++) {
        fputs(", ", out);
        switch (*letters) {
        case 'r':
            fprintf(out, "(struct jl_rect){%d, %d, %d, %d}", a[0], a[1], a[2], a[3]);
            a += 4;
            break;
        case 'p':
            fprintf(out, "(struct jl_point){%d, %d}", a[0], a[1]);
            a += 2;
            break;
        case 'n':
            fprintf(out, "%d", *a++);
            break;
        case 'e':
            fputs("JL_ENDS_ROUND", out);
            break;
        case 'z':
            fputs("JL_CLEAR", out);
            break;
        default:
            jl_host_write_color(out, op->color);
            break;
        }
    }
}

/* Where a value stands between its ends, over a span of pixels. */
static void write_share(FILE *out, const char *name, const char *value, int32_t from, int32_t to,
                        int span) {
    bool wide = ((int64_t)to - from) * span > INT32_MAX;
    fprintf(out,
            "    int32_t %s = screen->values.%s;\n"
            "    %s = %s < %ld ? %ld : %s > %ld ? %ld : %s;\n"
            "    %s = (int32_t)((%s)(%s - (%ld)) * %d / %ld);\n",
            name, value, name, name, (long)from, (long)from, name, (long)to, (long)to, name, name,
            wide ? "int64_t" : "int32_t", name, (long)from, span, (long)to - (long)from);
}

static void write_curve(FILE *out, const struct jl_screen *screen, const struct item *item) {
    const struct value *value = &screen->values[item->value];
    struct jl_rect box = item->box;
    int count = value->count;
    fprintf(out,
            "    struct jl_point points[%d];\n    for (int16_t i = 0; i < %d; i++) {\n"
            "        int32_t height = screen->values.%s[i];\n"
            "        height = height < %ld ? %ld : height > %ld ? %ld : height;\n"
            "        points[i].x = (int16_t)(%d + (int32_t)i * %d / %d);\n"
            "        points[i].y = (int16_t)(%d - (height - (%ld)) * %d / %ld);\n    }\n",
            count + 2, count, value->name, (long)item->from, (long)item->from, (long)item->to,
            (long)item->to, box.x, box.w - 1, count - 1, box.y + box.h - 1, (long)item->from,
            box.h - 1, (long)(item->to - item->from));
    if (item->has_fill) {
        fprintf(out,
                "    points[%d] = (struct jl_point){%d, %d};\n"
                "    points[%d] = (struct jl_point){%d, %d};\n"
                "    jl_fill_polygon(target, points, %d, ",
                count, box.x + box.w - 1, box.y + box.h - 1, count + 1, box.x, box.y + box.h - 1,
                count + 2);
        jl_host_write_color(out, item->fill);
        fputs(");\n", out);
    }
    if (item->has_stroke) {
        fprintf(out, "    jl_draw_polyline(target, points, %d, ", count);
        jl_host_write_color(out, item->stroke);
        fputs(");\n", out);
    }
    if (item->mark != NONE) {
        const struct value *across = &screen->values[item->across];
        write_share(out, "x", across->name, across->least, across->most, box.w - 1);
        write_share(out, "y", screen->values[item->mark].name, item->from, item->to, box.h - 1);
        fprintf(out, "    jl_fill_rect(target, (struct jl_rect){(int16_t)(%d + x), %d, 1, %d}, ",
                box.x, box.y, box.h);
        jl_host_write_color(out, item->mark_ink);
        fprintf(out, ");\n    jl_fill_circle(target, (int16_t)(%d + x), (int16_t)(%d - y), 4, ",
                box.x, box.y + box.h - 1);
        jl_host_write_color(out, item->mark_ink);
        fputs(");\n", out);
    }
}

static void write_instrument(FILE *out, const struct jl_screen *screen, int index) {
    const struct item *item = &screen->items[index];
    const char *type = jl_host_instrument_type(item);
    bool has_hands = item->kind == ITEM_BUTTON || item->kind == ITEM_SLIDER;
    if (has_hands) { /* how it is held shows, too */
        fprintf(out, "    struct jl_%s instrument = screen->%s_%d;\n", type, type, index);
    } else {
        fprintf(out, "    struct jl_%s instrument = {0};\n", type);
    }
    fprintf(out, "    instrument.face = &face_%d;\n", index);
    jl_host_write_instrument_value(out, screen, item, "instrument");
    fprintf(out, "    jl_%s_draw(target, &instrument);\n", type);
}

static void write_op(FILE *out, const struct jl_screen *screen, const struct op *op) {
    const struct item *item = &screen->items[op->item];
    const int *a = op->arguments;
    switch (op->kind) {
    case OP_TEXT:
        fprintf(out, "    jl_text(target, %d, %d, ", a[0], a[1]);
        break;
    case OP_TEXT_AT:
        fprintf(out, "    jl_text_at(target, %d, %d, %d, ", a[0], a[1], a[2]);
        break;
    case OP_TEXT_FIELD:
        fprintf(out, "    jl_text_field(target, %d, %d, %d, %d, ", a[0], a[1], a[2], a[3]);
        break;
    case OP_TEXT_BOX:
        fprintf(out, "    jl_text_box(target, (struct jl_rect){%d, %d, %d, %d}, %d, ", a[0], a[1],
                a[2], a[3], a[4]);
        break;
    case OP_IMAGE:
    case OP_BITMAP:
        fprintf(out, "    jl_draw_%s(target, %d, %d, ", op->kind == OP_IMAGE ? "image" : "bitmap",
                a[0], a[1]);
        if (item->value == NONE) {
            fprintf(out, "&picture_%d", item->pictures[0]);
        } else {
            fprintf(out, "pictures_of_%d[", op->item);
            write_index(out, &screen->values[item->value]);
            fputc(']', out);
        }
        fputs(op->kind == OP_IMAGE ? ");\n" : ", JL_WHITE, JL_BLACK);\n", out);
        return;
    case OP_CURVE:
        write_curve(out, screen, item);
        return;
    case OP_INSTRUMENT:
        write_instrument(out, screen, op->item);
        return;
    default:
        fprintf(out, "    %s(target", jl_host_op_calls[op->kind].function);
        write_arguments(out, op, jl_host_op_calls[op->kind].arguments);
        fputs(");\n", out);
        return;
    }
    write_text_name(out, screen, item);
    fprintf(out, ", &style_%d);\n", op->item);
}

static void write_condition(FILE *out, const struct jl_screen *screen,
                            const struct condition *when) {
    static const char *const unless[] = {[EQUAL] = "!=", [UNEQUAL] = "==", [LESS] = ">=",
                                         [MORE] = "<=",  [AT_MOST] = ">",  [AT_LEAST] = "<"};
    if (when->compare) {
        fprintf(out, "    if (screen->values.%s %s %ld) {\n        return;\n    }\n",
                screen->values[when->value].name, unless[when->compare], (long)when->number);
    }
}

void jl_host_write_items(FILE *out, const struct jl_screen *screen) {
    int op = 0;
    write_helpers(out, screen);
    for (int i = 0; i < screen->item_count; i++) {
        const struct item *item = &screen->items[i];
        bool has_hands = item->kind == ITEM_BUTTON || item->kind == ITEM_SLIDER;
        fprintf(out,
                "/* line %d: %s */\nstatic void item_%d(const struct %s *screen, struct "
                "jl_target *target) {\n",
                item->line, jl_host_item_word(item->kind), i, screen->name);
        if (!item->needs && !has_hands) {
            fputs("    (void)screen;\n", out);
        }
        write_condition(out, screen, &item->when);
        write_text(out, screen, item);
        for (; op < screen->op_count && screen->ops[op].item == i; op++) {
            write_op(out, screen, &screen->ops[op]);
        }
        fputs("}\n\n", out);
    }
}
