/* Fonts and pictures of a sheet: just what it can show. */
#include <string.h>

#include "screen_parts.h"

/* ---- which characters ---- */

static void want(struct jl_screen *screen, int font, const char *text) {
    jl_code_set_add_text(screen->fonts[font].wanted, text);
}

static void want_value(struct jl_screen *screen, int font, const struct value *value) {
    switch (value->kind) {
    case JL_SCREEN_NUMBER:
        want(screen, font, value->least < 0 ? "-" : "");
        want(screen, font, value->decimals ? "." : "");
        want(screen, font, "0123456789");
        break;
    case JL_SCREEN_CLOCK:
        want(screen, font, value->least < 0 ? "0123456789:-" : "0123456789:");
        break;
    case JL_SCREEN_CHOICE:
        for (int i = 0; i < value->count; i++) {
            want(screen, font, value->choices[i]);
        }
        break;
    case JL_SCREEN_SWITCH:
        want(screen, font, "onf");
        break;
    case JL_SCREEN_WORDS: /* whatever the program makes of them */
        jl_code_set_add_ranges(screen->fonts[font].wanted, "20-7E");
        want(screen, font, value->words);
        break;
    default:
        break;
    }
}

static void want_item(struct jl_screen *screen, const struct item *item) {
    for (int i = 0; i < item->piece_count; i++) {
        if (item->pieces[i].value == NONE) {
            want(screen, item->font, item->pieces[i].letters);
        } else {
            want_value(screen, item->font, &screen->values[item->pieces[i].value]);
        }
    }
    if (item->theme == NONE) {
        return;
    }
    const struct theme *theme = &screen->themes[item->theme];
    want(screen, theme->font, item->label);
    want(screen, theme->font, item->unit);
    if (item->kind == ITEM_NUMBER) {
        want_value(screen, theme->large, &screen->values[item->value]);
    } else if (item->kind == ITEM_DIAL && item->has_numbers) {
        want_value(screen, theme->font, &screen->values[item->value]);
        want(screen, theme->font, item->from < 0 ? "-" : "");
    } else if (item->kind == ITEM_PROGRESS) {
        want(screen, theme->font, "0123456789%");
    }
}

/* ---- fonts ---- */

static bool bake_font(struct jl_screen *screen, struct font *font, struct jl_complaint *complaint) {
    struct jl_complaint why = {""};
    bool any = false;
    for (size_t i = 0; i < sizeof font->wanted->bits && !any; i++) {
        any = font->wanted->bits[i] != 0;
    }
    if (!any && *font->path) {
        jl_code_set_add_text(font->wanted, " "); /* named, and not used: it shows nothing */
    }
    bool good = *font->path ? jl_bake_font(font->path, font->pixels, font->bits, font->wanted,
                                           &font->baked, &why)
                            : jl_bake_subset(font->font, font->wanted, &font->baked, &why);
    if (!good) {
        return jl_complain_at(complaint, screen->file, font->line, "%s", why.text);
    }
    font->font = font->baked.table ? &font->baked.font : font->font;
    int room = (int)(sizeof font->baked.missing / sizeof font->baked.missing[0]);
    for (int i = 0; i < font->baked.missing_count && i < room; i++) {
        for (int other = 0; other < font->other_count; other++) {
            jl_code_set_add(screen->fonts[font->others[other]].wanted, font->baked.missing[i]);
        }
    }
    return true;
}

/* Whether a font stands behind one that is not baked yet, and may lack something. */
static bool waits(const struct jl_screen *screen, int index, const bool baked[MOST_FONTS]) {
    for (int i = 0; i < screen->font_count; i++) {
        for (int other = 0; other < screen->fonts[i].other_count; other++) {
            if (screen->fonts[i].others[other] == index && !baked[i]) {
                return true;
            }
        }
    }
    return false;
}

static bool bake_fonts(struct jl_screen *screen, struct jl_complaint *complaint) {
    for (int i = 0; i < screen->item_count; i++) {
        want_item(screen, &screen->items[i]);
    }
    bool baked[MOST_FONTS] = {false};
    for (int turn = 0; turn < screen->font_count; turn++) {
        for (int i = 0; i < screen->font_count; i++) {
            if (baked[i] || waits(screen, i, baked)) {
                continue;
            }
            if (!bake_font(screen, &screen->fonts[i], complaint)) {
                return false;
            }
            baked[i] = true;
        }
    }
    for (int i = 0; i < screen->font_count; i++) {
        struct font *font = &screen->fonts[i];
        for (int other = 0; other < font->other_count; other++) {
            font->chain[other] = screen->fonts[font->others[other]].font;
        }
    }
    for (int i = 0; i < screen->theme_count; i++) {
        struct theme *theme = &screen->themes[i];
        theme->theme.font = screen->fonts[theme->font].font;
        theme->theme.large = screen->fonts[theme->large].font;
    }
    return true;
}

/* ---- pictures ---- */

static bool has_clear(const struct jl_pixmap *pixmap) {
    for (int i = 0; i < pixmap->width * pixmap->height; i++) {
        if (pixmap->rgba[i * 4 + 3] != 255) {
            return true;
        }
    }
    return false;
}

static bool bake_picture(struct jl_screen *screen, struct picture *picture,
                         struct jl_complaint *complaint) {
    static const struct jl_format *const formats[] = {[JL_SCREEN_MONO] = &jl_mono_rows,
                                                      [JL_SCREEN_GREY] = &jl_grey4,
                                                      [JL_SCREEN_COLOR] = &jl_rgb565};
    struct jl_complaint why = {""};
    struct jl_pixmap pixmap;
    bool mono = screen->glass.colors == JL_SCREEN_MONO;
    if (!jl_pixmap_read(picture->path, &pixmap, &why)) {
        return jl_complain_at(complaint, screen->file, picture->line, "%s", why.text);
    }
    struct jl_picture_recipe recipe = {
        .format = formats[screen->glass.colors],
        .width = picture->width,
        .height = picture->height,
        .dither = screen->glass.colors == JL_SCREEN_COLOR ? JL_BAKE_NEAREST : JL_BAKE_DIFFUSION,
        .plain = mono, /* a bitmap, where nothing of it is clear */
        .clear = !has_clear(&pixmap) ? JL_BAKE_BACKGROUND
                 : mono              ? JL_BAKE_MASK_1
                                     : JL_BAKE_MASK_4};
    bool good = jl_bake_pixmap(&pixmap, &recipe, &picture->baked, &why);
    jl_pixmap_free(&pixmap);
    return good || jl_complain_at(complaint, screen->file, picture->line, "%s: %s", picture->path,
                                  why.text);
}

bool jl_host_sheet_bake(struct jl_screen *screen, struct jl_complaint *complaint) {
    for (int i = 0; i < screen->picture_count; i++) {
        if (!bake_picture(screen, &screen->pictures[i], complaint)) {
            return false;
        }
    }
    return bake_fonts(screen, complaint);
}
