/* Colours, fonts and themes of a sheet. */
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "screen_parts.h"

/* ---- colours ---- */

/* The sixteen names of CSS 2.1 (4.3.6), and orange. */
static const struct color known_colors[] = {
    {"black", JL_BLACK},     {"silver", JL_SILVER}, {"gray", JL_GRAY},   {"grey", JL_GRAY},
    {"white", JL_WHITE},     {"maroon", JL_MAROON}, {"red", JL_RED},     {"purple", JL_PURPLE},
    {"green", JL_GREEN},     {"lime", JL_LIME},     {"olive", JL_OLIVE}, {"yellow", JL_YELLOW},
    {"navy", JL_NAVY},       {"blue", JL_BLUE},     {"teal", JL_TEAL},   {"aqua", JL_AQUA},
    {"fuchsia", JL_FUCHSIA}, {"orange", JL_ORANGE},
};
enum { KNOWN_COLORS = sizeof known_colors / sizeof known_colors[0] };

static bool find_color(const struct color *colors, int count, const char *name, jl_color *color) {
    for (int i = count - 1; i >= 0; i--) { /* the last one said */
        if (strcmp(colors[i].name, name) == 0) {
            *color = colors[i].color;
            return true;
        }
    }
    return false;
}

/* "20%" as 0..255. */
static bool take_percent(struct words *words, unsigned *level) {
    const char *word = jl_host_word_peek(words);
    char *end = NULL;
    long percent = strtol(word, &end, 10);
    if (end == word || strcmp(end, "%") != 0 || percent < 0 || percent > 100) {
        return WORDS_FAIL(words, "%s: expected three percentages, such as 20%% 60%% 80%%",
                          *word ? word : "the end of the line");
    }
    words->at++;
    *level = (unsigned)((percent * 255 + 50) / 100);
    return true;
}

static bool take_hex(struct words *words, jl_color *color) {
    const char *word = jl_host_word_peek(words);
    unsigned long value = strtoul(word + 1, NULL, 16);
    if (strspn(word + 1, "0123456789abcdefABCDEF") != 6 || word[7]) {
        return WORDS_FAIL(words, "%s: expected six hex digits, such as #3399CC", word);
    }
    words->at++;
    *color = (jl_color)value;
    return true;
}

bool jl_host_sheet_color(struct sheet_reading *reading, bool clear, jl_color *color) {
    struct words *words = &reading->words;
    const struct jl_screen *screen = reading->screen;
    const char *word = jl_host_word_peek(words);
    if (*word == '#') {
        return take_hex(words, color);
    }
    if (jl_host_word_is_number(words)) {
        unsigned red, green, blue;
        if (!take_percent(words, &red) || !take_percent(words, &green) ||
            !take_percent(words, &blue)) {
            return false;
        }
        *color = JL_RGB(red, green, blue);
        return true;
    }
    if (clear && jl_host_word_is(words, "none")) {
        *color = JL_CLEAR;
        return true;
    }
    if (find_color(screen->colors, screen->color_count, word, color) ||
        find_color(known_colors, KNOWN_COLORS, word, color)) {
        words->at++;
        return true;
    }
    return WORDS_FAIL(words,
                      "%s: %s one of a line color NAME = ..., one such as white or teal, #3399CC, "
                      "or 20%% 60%% 80%%",
                      jl_host_word_seen(words),
                      *word ? "no colour has that name; expected" : "expected a colour:");
}

bool jl_host_sheet_read_color(struct sheet_reading *reading) {
    struct jl_screen *screen = reading->screen;
    if (screen->color_count == MOST_COLORS) {
        return WORDS_FAIL(&reading->words, "a sheet has at most %d colours", MOST_COLORS);
    }
    struct color color = {"", 0};
    if (!jl_host_word_name(&reading->words, "the name of a colour", color.name) ||
        !jl_host_word_must(&reading->words, "=", "color water = 20% 60% 80%") ||
        !jl_host_sheet_color(reading, false, &color.color)) {
        return false;
    }
    screen->colors[screen->color_count++] = color;
    return true;
}

/* ---- fonts ---- */

static const struct {
    const char *name, *constant;
    const struct jl_font *font;
} known_fonts[] = {
    {"3x5", "jl_font_3x5", &jl_font_3x5},
    {"5x7", "jl_font_5x7", &jl_font_5x7},
    {"5x7_greek_cyrillic", "jl_font_5x7_greek_cyrillic", &jl_font_5x7_greek_cyrillic},
    {"6x8", "jl_font_6x8", &jl_font_6x8},
    {"8x13", "jl_font_8x13", &jl_font_8x13},
    {"digits28", "jl_font_digits28", &jl_font_digits28},
    {"icons12", "jl_font_icons12", &jl_font_icons12},
    {"sans16", "jl_font_sans16", &jl_font_sans16},
    {"sans24", "jl_font_sans24", &jl_font_sans24},
    {"sans32", "jl_font_sans32", &jl_font_sans32},
    {"sans16_greek", "jl_font_sans16_greek", &jl_font_sans16_greek},
    {"sans24_greek", "jl_font_sans24_greek", &jl_font_sans24_greek},
    {"sans32_greek", "jl_font_sans32_greek", &jl_font_sans32_greek},
    {"sans16_cyrillic", "jl_font_sans16_cyrillic", &jl_font_sans16_cyrillic},
    {"sans24_cyrillic", "jl_font_sans24_cyrillic", &jl_font_sans24_cyrillic},
    {"sans32_cyrillic", "jl_font_sans32_cyrillic", &jl_font_sans32_cyrillic},
    {"figures28", "jl_font_figures28", &jl_font_figures28},
    {"figures48", "jl_font_figures48", &jl_font_figures48},
};

/* NULL: complained. */
static struct font *add_font(struct sheet_reading *reading, const char *name) {
    struct jl_screen *screen = reading->screen;
    if (screen->font_count == MOST_FONTS) {
        WORDS_FAIL(&reading->words, "a sheet has at most %d fonts", MOST_FONTS);
        return NULL;
    }
    struct font *font = &screen->fonts[screen->font_count];
    font->wanted = calloc(1, sizeof *font->wanted);
    if (!font->wanted) {
        WORDS_FAIL(&reading->words, "out of memory for a font");
        return NULL;
    }
    screen->font_count++;
    snprintf(font->name, sizeof font->name, "%s", name);
    font->line = reading->words.line;
    return font;
}

static int add_known(struct sheet_reading *reading, size_t known) {
    struct font *font = add_font(reading, known_fonts[known].name);
    if (!font) {
        return NONE;
    }
    font->font = known_fonts[known].font;
    font->constant = known_fonts[known].constant;
    return reading->screen->font_count - 1;
}

/* The sheet's font that is one of the library's. */
static int font_of(struct sheet_reading *reading, const struct jl_font *wanted) {
    const struct jl_screen *screen = reading->screen;
    for (int i = 0; i < screen->font_count; i++) {
        if (screen->fonts[i].font == wanted && !screen->fonts[i].other_count) {
            return i;
        }
    }
    for (size_t i = 0; i < sizeof known_fonts / sizeof known_fonts[0]; i++) {
        if (known_fonts[i].font == wanted) {
            return add_known(reading, i);
        }
    }
    WORDS_FAIL(&reading->words, "a theme has a font that is not known here");
    return NONE;
}

int jl_host_sheet_font(struct sheet_reading *reading) {
    struct jl_screen *screen = reading->screen;
    struct words *words = &reading->words;
    const char *word = jl_host_word_next(words, "the name of a font");
    if (!word) {
        return NONE;
    }
    for (int i = screen->font_count - 1; i >= 0; i--) {
        if (strcmp(screen->fonts[i].name, word) == 0) {
            return i;
        }
    }
    for (size_t i = 0; i < sizeof known_fonts / sizeof known_fonts[0]; i++) {
        if (strcmp(known_fonts[i].name, word) == 0) {
            return add_known(reading, i);
        }
    }
    WORDS_FAIL(
        words,
        "%s: no font has that name; expected 3x5, 5x7, 6x8, 8x13, digits28, icons12, "
        "sans16, sans24, sans32, figures28, figures48, or one of a line font NAME = \"FILE\" "
        "size N",
        word);
    return NONE;
}

/* Behind "=": a file with its size, or a font that is known. */
static bool read_first_font(struct sheet_reading *reading, const char *name) {
    struct jl_screen *screen = reading->screen;
    struct words *words = &reading->words;
    if (words->at >= words->count || !words->quoted[words->at]) {
        int index = jl_host_sheet_font(reading);
        if (index == NONE) {
            return false;
        }
        if (*screen->fonts[index].path) {
            return WORDS_FAIL(words, "%s is a file's already: use that name",
                              screen->fonts[index].name);
        }
        struct font *font = add_font(reading, name);
        if (font) {
            font->font = screen->fonts[index].font;
            font->constant = screen->fonts[index].constant;
        }
        return font != NULL;
    }
    const char *file = jl_host_word_text(words, "a file");
    struct font *font = add_font(reading, name);
    if (!font) {
        return false;
    }
    font->bits = 1;
    if (!jl_host_sheet_path(reading, file, font->path) ||
        !jl_host_word_must(words, "size", "font label = \"sans.ttf\" size 16 soft") ||
        !jl_host_word_int(words, "pixels", 4, 127, &font->pixels)) {
        return false;
    }
    while (words->at < words->count && strcmp(jl_host_word_peek(words), "else") != 0) {
        if (jl_host_word_is(words, "soft")) {
            font->bits = 4;
        } else if (jl_host_word_is(words, "characters")) {
            const char *more = jl_host_word_text(words, "characters");
            if (!more) {
                return false;
            }
            if (!jl_code_set_add_text(font->wanted, more)) {
                return WORDS_FAIL(words, "characters: that is not UTF-8");
            }
        } else {
            return WORDS_FAIL(words, "%s: expected soft, characters \"...\" or else FONT",
                              words->text[words->at]);
        }
    }
    return true;
}

bool jl_host_sheet_read_font(struct sheet_reading *reading) {
    struct jl_screen *screen = reading->screen;
    struct words *words = &reading->words;
    char name[NAME_BYTES];
    if (!jl_host_word_name(words, "the name of a font", name) ||
        !jl_host_word_must(words, "=", "font label = \"sans.ttf\" size 16") ||
        !read_first_font(reading, name)) {
        return false;
    }
    int index = screen->font_count - 1;
    while (jl_host_word_is(words, "else")) {
        int other = jl_host_sheet_font(reading);
        struct font *font = &screen->fonts[index];
        if (other == NONE) {
            return false;
        }
        if (other == index) {
            return WORDS_FAIL(words, "else %s: expected another font than %s itself", name, name);
        }
        if (font->other_count == MOST_OTHERS) {
            return WORDS_FAIL(words, "else %s: at most %d other fonts are asked in turn",
                              screen->fonts[other].name, MOST_OTHERS);
        }
        font->others[font->other_count++] = other;
    }
    return true;
}

/* ---- themes ---- */

static const struct {
    const char *name;
    const struct jl_theme *theme;
} known_themes[] = {
    {"night", &jl_theme_night},
    {"day", &jl_theme_day},
    {"lit", &jl_theme_lit},
    {"paper", &jl_theme_paper},
};
enum { KNOWN_THEMES = sizeof known_themes / sizeof known_themes[0] };

/* NONE: there is none; or complained, of its fonts. */
static int find_theme(struct sheet_reading *reading, const char *name) {
    struct jl_screen *screen = reading->screen;
    for (int i = screen->theme_count - 1; i >= 0; i--) {
        if (strcmp(screen->themes[i].name, name) == 0) {
            return i;
        }
    }
    for (int i = 0; i < KNOWN_THEMES; i++) {
        if (strcmp(known_themes[i].name, name) == 0 && screen->theme_count < MOST_THEMES) {
            struct theme *theme = &screen->themes[screen->theme_count];
            snprintf(theme->name, sizeof theme->name, "%s", name);
            theme->theme = *known_themes[i].theme;
            theme->font = font_of(reading, theme->theme.font);
            theme->large = font_of(reading, theme->theme.large);
            return theme->font == NONE || theme->large == NONE ? NONE : screen->theme_count++;
        }
    }
    return NONE;
}

int jl_host_sheet_usual_theme(struct sheet_reading *reading) {
    return find_theme(reading, reading->screen->glass.colors == JL_SCREEN_MONO ? "lit" : "night");
}

int jl_host_sheet_theme(struct sheet_reading *reading) {
    const char *word = jl_host_word_next(&reading->words, "the name of a theme");
    if (!word) {
        return NONE;
    }
    int index = find_theme(reading, word);
    if (index == NONE && !*reading->words.complaint->text) {
        WORDS_FAIL(&reading->words,
                   "%s: no theme has that name; expected night, day, lit, paper, or one of a line "
                   "theme NAME = ...; at most %d in a sheet",
                   word, MOST_THEMES);
    }
    return index;
}

/* "theme harbour = night face navy accent orange font label" */
bool jl_host_sheet_read_theme(struct sheet_reading *reading) {
    struct jl_screen *screen = reading->screen;
    struct words *words = &reading->words;
    char name[NAME_BYTES];
    if (!jl_host_word_name(words, "the name of a theme", name) ||
        !jl_host_word_must(words, "=", "theme harbour = night accent orange")) {
        return false;
    }
    int like = jl_host_sheet_theme(reading);
    if (like == NONE) {
        return false;
    }
    if (screen->theme_count == MOST_THEMES) {
        return WORDS_FAIL(words, "a sheet has at most %d themes", MOST_THEMES);
    }
    struct theme *theme = &screen->themes[screen->theme_count++];
    *theme = screen->themes[like];
    strcpy(theme->name, name);
    struct jl_theme *t = &theme->theme;
    const struct {
        const char *word;
        jl_color *color;
    } colors[] = {{"back", &t->back}, {"face", &t->face},   {"ink", &t->ink},
                  {"line", &t->line}, {"unlit", &t->unlit}, {"accent", &t->accent},
                  {"good", &t->good}, {"warn", &t->warn},   {"alarm", &t->alarm}};
    while (words->at < words->count) {
        bool known = false, good = true;
        for (size_t i = 0; i < sizeof colors / sizeof colors[0] && !known; i++) {
            known = jl_host_word_is(words, colors[i].word);
            good = !known || jl_host_sheet_color(reading, false, colors[i].color);
        }
        int *font = known                             ? NULL
                    : jl_host_word_is(words, "font")  ? &theme->font
                    : jl_host_word_is(words, "large") ? &theme->large
                                                      : NULL;
        if (font) {
            *font = jl_host_sheet_font(reading);
            good = *font != NONE;
            known = true;
        }
        if (!good) {
            return false;
        }
        if (!known) {
            return WORDS_FAIL(words,
                              "%s: expected back, face, ink, line, unlit, accent, good, warn or "
                              "alarm with a colour, font or large with a font",
                              words->text[words->at]);
        }
    }
    return true;
}
