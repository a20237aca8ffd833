/* Fonts, pictures, styles, themes and faces as C. */
#include <string.h>

#include "../baking/c_files.h"
#include "write_parts.h"

void jl_host_write_string(FILE *out, const char *text) {
    bool after_hex = false;
    fputc('"', out);
    for (const char *c = text; *c; c++) {
        unsigned char byte = (unsigned char)*c;
        if (byte == '"' || byte == '\\') {
            fprintf(out, "\\%c", byte);
        } else if (byte == '\n') {
            fputs("\\n", out);
        } else if (byte == '?') {
            fputs("\\?", out); /* no trigraphs (ISO 9899:2011, 5.2.1.1) */
        } else if (byte < 0x20 || byte >= 0x7F) {
            fprintf(out, "\\x%02X", byte);
        } else {
            /* A hexadecimal escape goes on as long as digits do (6.4.4.4): the text is parted. */
            fprintf(out, after_hex && strchr("0123456789abcdefABCDEF", byte) ? "\" \"%c" : "%c",
                    byte);
        }
        after_hex = byte != '\n' && (byte < 0x20 || byte >= 0x7F);
    }
    fputc('"', out);
}

void jl_host_write_color(FILE *out, jl_color color) {
    if (color == JL_CLEAR) {
        fputs("JL_CLEAR", out);
    } else {
        fprintf(out, "0x%06X", (unsigned)color);
    }
}

/* ---- fonts ---- */

static bool is_used(const struct jl_screen *screen, int font) {
    bool used = false;
    for (int i = 0; i < screen->item_count && !used; i++) {
        const struct item *item = &screen->items[i];
        used = item->font == font;
        for (int k = 0; item->font != NONE && k < screen->fonts[item->font].other_count; k++) {
            used |= screen->fonts[item->font].others[k] == font;
        }
        if (item->theme != NONE) {
            const struct theme *theme = &screen->themes[item->theme];
            used |= theme->font == font || theme->large == font;
        }
    }
    return used;
}

static void write_font(FILE *out, const struct font *font, int index) {
    const struct jl_baked_font *baked = &font->baked;
    if (!baked->table) {
        return; /* the library's, as it is */
    }
    bool soft = baked->table[4] == 4;
    fprintf(out, "/* %s: %d characters of %s, %zu bytes. */\n", font->name, baked->glyphs,
            *font->path ? baked->family : font->constant, baked->bytes);
    if (!*font->path && soft) {
        fputs("/* From DejaVu Sans, Copyright (c) 2003 by Bitstream, Inc. All Rights Reserved. "
              "Bitstream Vera\n * is a trademark of Bitstream, Inc. DejaVu changes are in public "
              "domain. The licence is in\n * fonts/dejavu-notice.txt of Jade Lamp. */\n",
              out);
    }
    fprintf(out, "static const uint8_t JL_FLASH font_%d_table[%zu] = {\n", index, baked->bytes);
    jl_host_c_write_bytes(out, baked->table, baked->bytes);
    fprintf(out,
            "};\nstatic const struct jl_font font_%d = {&jl_font_packed_%s, font_%d_table, %d, %d, "
            "%d};\n\n",
            index, soft ? "coverage" : "stencil", index, font->font->height, font->font->ascent,
            font->font->box_width);
}

static void write_font_name(FILE *out, const struct jl_screen *screen, int font) {
    if (screen->fonts[font].baked.table) {
        fprintf(out, "&font_%d", font);
    } else {
        fprintf(out, "&%s", screen->fonts[font].constant);
    }
}

static void write_others(FILE *out, const struct jl_screen *screen, int index) {
    const struct font *font = &screen->fonts[index];
    if (!font->other_count) {
        return;
    }
    fprintf(out, "static const struct jl_font *const others_%d[] = {", index);
    for (int i = 0; i < font->other_count; i++) {
        write_font_name(out, screen, font->others[i]);
        fputs(", ", out);
    }
    fputs("NULL};\n\n", out);
}

/* ---- pictures ---- */

/* Whether a picture is written as a bitmap, by who draws it. */
static bool is_bitmap(const struct jl_screen *screen, int item) {
    for (int i = 0; i < screen->op_count; i++) {
        if (screen->ops[i].item == item && screen->ops[i].kind == OP_BITMAP) {
            return true;
        }
    }
    return false;
}

static int owner_of(const struct jl_screen *screen, int picture) {
    for (int i = 0; i < screen->item_count; i++) {
        for (int k = 0; k < screen->items[i].picture_count; k++) {
            if (screen->items[i].pictures[k] == picture) {
                return i;
            }
        }
    }
    return NONE;
}

static void write_picture(FILE *out, const struct picture *picture, int index, bool bitmap) {
    const struct jl_baked_picture *baked = &picture->baked;
    const struct jl_image *image = &baked->image;
    fprintf(out, "static const uint8_t JL_FLASH picture_%d_pixels[%zu] = {\n", index,
            baked->pixel_bytes);
    jl_host_c_write_bytes(out, baked->pixels, baked->pixel_bytes);
    fputs("};\n", out);
    if (baked->mask_bytes) {
        fprintf(out, "static const uint8_t picture_%d_mask[%zu] = {\n", index, baked->mask_bytes);
        jl_host_c_write_bytes(out, baked->mask, baked->mask_bytes);
        fputs("};\n", out);
    }
    if (bitmap) {
        fprintf(out,
                "static const struct jl_bitmap picture_%d = {picture_%d_pixels, %d, %d, "
                "&jl_flash_rows_msb};\n\n",
                index, index, image->width, image->height);
        return;
    }
    fprintf(out,
            "static const struct jl_image picture_%d = {\n    .format = &%s,\n"
            "    .pixels = picture_%d_pixels,\n    .width = %d,\n    .height = %d,\n",
            index, jl_bake_format_constant(image->format), index, image->width, image->height);
    if (baked->mask_bytes) {
        fprintf(out, "    .mask = picture_%d_mask,\n    .mask_bits = %d,\n", index,
                image->mask_bits);
    }
    fprintf(out, "    .packing = %s,\n};\n\n", jl_host_c_packing(image));
}

/* Pictures of which a value chooses one. */
static void write_chosen(FILE *out, const struct jl_screen *screen) {
    for (int i = 0; i < screen->item_count; i++) {
        const struct item *item = &screen->items[i];
        if (item->kind != ITEM_PICTURE || item->value == NONE) {
            continue;
        }
        fprintf(out, "static const struct jl_%s *const pictures_of_%d[%d] = {",
                is_bitmap(screen, i) ? "bitmap" : "image", i, item->picture_count);
        for (int k = 0; k < item->picture_count; k++) {
            fprintf(out, "%s&picture_%d", k ? ", " : "", item->pictures[k]);
        }
        fputs("};\n\n", out);
    }
}

/* ---- styles and themes ---- */

static void write_styles(FILE *out, const struct jl_screen *screen) {
    for (int i = 0; i < screen->item_count; i++) {
        const struct item *item = &screen->items[i];
        int same = i; /* one that looks the same has been written */
        for (int k = 0; k < i && same == i && item->kind == ITEM_TEXT; k++) {
            const struct item *other = &screen->items[k];
            same = other->kind == ITEM_TEXT && other->font == item->font &&
                           other->ink == item->ink && other->paper == item->paper
                       ? k
                       : i;
        }
        if (item->kind != ITEM_TEXT) {
            continue;
        }
        if (same != i) {
            fprintf(out, "#define style_%d style_%d\n", i, same);
            continue;
        }
        fprintf(out, "static const struct jl_text_style style_%d = {.font = ", i);
        write_font_name(out, screen, item->font);
        fputs(", .ink = ", out);
        jl_host_write_color(out, item->ink);
        fputs(", .paper = ", out);
        jl_host_write_color(out, item->paper);
        if (screen->fonts[item->font].other_count) {
            fprintf(out, ", .fallbacks = others_%d", item->font);
        }
        fputs("};\n", out);
    }
    fputc('\n', out);
}

static void write_theme(FILE *out, const struct jl_screen *screen, int index) {
    const struct jl_theme *t = &screen->themes[index].theme;
    const struct {
        const char *name;
        jl_color color;
    } colors[] = {{"back", t->back}, {"face", t->face},   {"ink", t->ink},
                  {"line", t->line}, {"unlit", t->unlit}, {"accent", t->accent},
                  {"good", t->good}, {"warn", t->warn},   {"alarm", t->alarm}};
    fprintf(out, "static const struct jl_theme theme_%d = {", index);
    for (size_t i = 0; i < sizeof colors / sizeof colors[0]; i++) {
        fprintf(out, "%s.%s = ", i ? ", " : "", colors[i].name);
        jl_host_write_color(out, colors[i].color);
    }
    fputs(", .font = ", out);
    write_font_name(out, screen, screen->themes[index].font);
    fputs(", .large = ", out);
    write_font_name(out, screen, screen->themes[index].large);
    fputs("};\n\n", out);
}

void jl_host_write_looks(FILE *out, const struct jl_screen *screen) {
    for (int i = 0; i < screen->font_count; i++) {
        if (is_used(screen, i)) {
            write_font(out, &screen->fonts[i], i);
        }
    }
    for (int i = 0; i < screen->font_count; i++) {
        if (is_used(screen, i)) {
            write_others(out, screen, i);
        }
    }
    for (int i = 0; i < screen->picture_count; i++) {
        write_picture(out, &screen->pictures[i], i, is_bitmap(screen, owner_of(screen, i)));
    }
    write_chosen(out, screen);
    write_styles(out, screen);
    for (int i = 0; i < screen->theme_count; i++) {
        bool used = false;
        for (int k = 0; k < screen->item_count; k++) {
            used |= screen->items[k].theme == i;
        }
        if (used) {
            write_theme(out, screen, i);
        }
    }
}

/* ---- faces ---- */

const char *jl_host_instrument_type(const struct item *item) {
    return item->kind >= ITEM_BAR ? jl_host_item_word(item->kind) : NULL;
}

static void write_scale(FILE *out, const struct item *item, int index) {
    fprintf(out, ".scale = {%ld, %ld", (long)item->from, (long)item->to);
    if (item->zone_count) {
        fprintf(out, ", zones_%d, %d}", index, item->zone_count);
    } else {
        fputs(", NULL, 0}", out);
    }
}

static void write_text_member(FILE *out, const char *name, const char *text) {
    if (*text) {
        fprintf(out, ", .%s = ", name);
        jl_host_write_string(out, text);
    }
}

static void write_face(FILE *out, const struct jl_screen *screen, int index) {
    const struct item *item = &screen->items[index];
    const char *type = jl_host_instrument_type(item);
    int decimals = item->value == NONE ? 0 : screen->values[item->value].decimals;
    if (item->zone_count && item->kind != ITEM_LAMP) {
        fprintf(out, "static const struct jl_zone zones_%d[] = {", index);
        for (int i = 0; i < item->zone_count; i++) {
            fprintf(out, "{%ld, %d}, ", (long)item->zones[i].to, item->zones[i].grade);
        }
        fputs("};\n", out);
    }
    if (item->kind == ITEM_NUMBER && item->has_scale) {
        fprintf(out, "static const struct jl_scale scale_%d = {%ld, %ld, %s", index,
                (long)item->from, (long)item->to, item->zone_count ? "" : "NULL, 0};\n");
        if (item->zone_count) {
            fprintf(out, "zones_%d, %d};\n", index, item->zone_count);
        }
    }
    fprintf(out,
            "static const struct jl_%s_face face_%d = {.box = {%d, %d, %d, %d}, .theme = "
            "&theme_%d",
            type, index, item->box.x, item->box.y, item->box.w, item->box.h, item->theme);
    if (item->has_scale && item->kind != ITEM_NUMBER) {
        fputs(", ", out);
        write_scale(out, item, index);
    }
    switch (item->kind) {
    case ITEM_BAR:
        fprintf(out, ", .divisions = %d", item->divisions);
        break;
    case ITEM_DIAL:
        fprintf(out,
                ", .start = JL_DEGREES(%d), .sweep = JL_SWEEP(%d), .major = %d, .minor = %d, "
                ".numbers = %s, .decimals = %d",
                item->start, item->sweep, item->major, item->minor,
                item->has_numbers ? "true" : "false", decimals);
        write_text_member(out, "label", item->label);
        break;
    case ITEM_LEVEL:
        fprintf(out, ", .segments = %d", item->segments);
        break;
    case ITEM_DIGITS:
        fprintf(out, ", .places = %d, .decimals = %d", item->places, decimals);
        break;
    case ITEM_NUMBER:
        fprintf(out, ", .decimals = %d, .is_large = true", decimals);
        write_text_member(out, "label", item->label);
        write_text_member(out, "unit", item->unit);
        if (item->has_scale) {
            fprintf(out, ", .scale = &scale_%d", index);
        }
        break;
    case ITEM_LAMP:
        write_text_member(out, "label", item->label);
        fprintf(out, ", .grade = %d", item->zones[0].grade);
        break;
    case ITEM_BUTTON:
        write_text_member(out, "label", item->label);
        break;
    case ITEM_SLIDER:
        fprintf(out, ", .step = %ld", (long)item->step);
        break;
    default:
        break;
    }
    fputs("};\n", out);
}

void jl_host_write_faces(FILE *out, const struct jl_screen *screen) {
    for (int i = 0; i < screen->item_count; i++) {
        if (jl_host_instrument_type(&screen->items[i])) {
            write_face(out, screen, i);
        }
    }
}

void jl_host_write_instrument_value(FILE *out, const struct jl_screen *screen,
                                    const struct item *item, const char *instrument) {
    if (item->value == NONE) {
        return;
    }
    const struct value *value = &screen->values[item->value];
    if (item->kind == ITEM_PROGRESS) {
        fprintf(out, "    %s.done = screen->values.%s - (%ld);\n    %s.all = %ld;\n", instrument,
                value->name, (long)value->least, instrument, (long)(value->most - value->least));
    } else {
        fprintf(out, "    %s.%s = screen->values.%s;\n", instrument,
                item->kind == ITEM_LAMP ? "on" : "value", value->name);
    }
}
