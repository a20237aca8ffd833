/* Reading a sheet: line by line, and what is said before the items. */
#include <ctype.h>
#include <errno.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "screen_parts.h"

enum { MOST_FILE_BYTES = 1 << 20 };

/* ---- the head ---- */

static bool read_screen(struct sheet_reading *reading) {
    return jl_host_word_name(&reading->words, "a name", reading->screen->name);
}

/* "128 x 64", as often as wanted. */
static bool read_glass(struct sheet_reading *reading) {
    struct words *words = &reading->words;
    do {
        struct jl_screen_glass *glass = &reading->glasses[reading->glass_count];
        if (reading->glass_count == MOST_GLASSES) {
            return WORDS_FAIL(words, "a sheet has at most %d sizes of glass", MOST_GLASSES);
        }
        if (!jl_host_word_int(words, "a width", 1, 4096, &glass->width) ||
            !jl_host_word_must(words, "x", "glass 128 x 64") ||
            !jl_host_word_int(words, "a height", 1, 4096, &glass->height)) {
            return false;
        }
        reading->glass_count++;
    } while (jl_host_word_is_number(words));
    struct jl_screen_glass *chosen = &reading->screen->glass;
    for (int i = 0; i < reading->glass_count && !chosen->width; i++) {
        const struct jl_screen_glass *glass = &reading->glasses[i];
        if (!reading->wanted.width ||
            (glass->width == reading->wanted.width && glass->height == reading->wanted.height)) {
            chosen->width = glass->width;
            chosen->height = glass->height;
        }
    }
    return true;
}

/* Which variant the lines below are of: all, sizes, kinds of colours. */
static bool read_only(struct sheet_reading *reading) {
    static const char *const kinds[] = {"mono", "grey", "colour"};
    struct words *words = &reading->words;
    const struct jl_screen_glass *glass = &reading->screen->glass;
    bool sizes = false, size_fits = false, colors = false, color_fits = false;
    if (jl_host_word_is(words, "all")) {
        reading->skips = false;
        return true;
    }
    while (words->at < words->count) {
        int width, height;
        bool found = false;
        for (int i = 0; i < 3 && !found; i++) {
            found = jl_host_word_is(words, kinds[i]) || (i == 2 && jl_host_word_is(words, "color"));
            color_fits |= found && (int)glass->colors == i;
            colors |= found;
        }
        if (found) {
            continue;
        }
        if (!jl_host_word_is_number(words)) {
            return WORDS_FAIL(words,
                              "%s: expected all, or sizes such as 128 x 64, or mono, grey, "
                              "colour",
                              words->text[words->at]);
        }
        if (!jl_host_word_int(words, "a width", 1, 4096, &width) ||
            !jl_host_word_must(words, "x", "only 128 x 64") ||
            !jl_host_word_int(words, "a height", 1, 4096, &height)) {
            return false;
        }
        sizes = true;
        size_fits |= width == glass->width && height == glass->height;
    }
    if (!sizes && !colors) {
        return WORDS_FAIL(words, "only: expected all, or sizes such as 128 x 64, or mono, grey, "
                                 "colour");
    }
    reading->skips = (sizes && !size_fits) || (colors && !color_fits);
    return true;
}

static int find_page(const struct jl_screen *screen, const char *name) {
    for (int i = 0; i < screen->page_count; i++) {
        if (strcmp(screen->page_names[i], name) == 0) {
            return i;
        }
    }
    return NONE;
}

static bool read_page(struct sheet_reading *reading) {
    struct jl_screen *screen = reading->screen;
    char name[NAME_BYTES];
    if (!jl_host_word_name(&reading->words, "the name of a page", name)) {
        return false;
    }
    reading->page = find_page(screen, name);
    if (reading->page == NONE) {
        if (screen->page_count == MOST_PAGES) {
            return WORDS_FAIL(&reading->words, "a sheet has at most %d pages", MOST_PAGES);
        }
        strcpy(screen->page_names[screen->page_count], name);
        reading->page = screen->page_count++;
    }
    return true;
}

/* "key ok goes PAGE", "key down presses BUTTON". Names are looked up in the end. */
static bool read_key(struct sheet_reading *reading) {
    static const char *const names[] = {"ok", "back", "up", "down"};
    struct jl_screen *screen = reading->screen;
    struct words *words = &reading->words;
    if (screen->key_count == MOST_KEYS) {
        return WORDS_FAIL(words, "a sheet has at most %d keys", MOST_KEYS);
    }
    struct key_way *way = &screen->keys[screen->key_count];
    *way = (struct key_way){NONE, reading->page, NONE, NONE};
    for (int i = 0; i < 4 && way->key == NONE; i++) {
        way->key = jl_host_word_is(words, names[i]) ? i : NONE;
    }
    if (way->key == NONE) {
        return WORDS_FAIL(words, "%s: expected ok, back, up or down, as in: key ok goes menu",
                          jl_host_word_seen(words));
    }
    char name[NAME_BYTES];
    if (jl_host_word_is(words, "goes")) {
        if (!jl_host_word_name(words, "the name of a page", name)) {
            return false;
        }
        way->goes = find_page(screen, name);
        if (way->goes == NONE) {
            return WORDS_FAIL(words, "%s: no page has that name yet; write page %s above", name,
                              name);
        }
    } else if (jl_host_word_is(words, "presses")) {
        if (!jl_host_word_name(words, "the name of a button", name)) {
            return false;
        }
        for (int i = 0; i < screen->item_count; i++) {
            if (screen->items[i].kind == ITEM_BUTTON && strcmp(screen->items[i].name, name) == 0) {
                way->button = i;
            }
        }
        if (way->button == NONE) {
            return WORDS_FAIL(words, "%s: no button has that name above", name);
        }
    } else {
        return WORDS_FAIL(words, "%s: expected goes PAGE or presses BUTTON",
                          words->at < words->count ? words->text[words->at]
                                                   : "the end of the line");
    }
    screen->key_count++;
    return true;
}

/* ---- lines ---- */

static bool needs_glass(struct sheet_reading *reading, const char *word) {
    struct jl_screen *screen = reading->screen;
    if (screen->glass.width) {
        return true;
    }
    if (reading->glass_count) {
        return WORDS_FAIL(&reading->words,
                          "the sheet is for other glass than %d x %d: add that size to the line "
                          "glass",
                          reading->wanted.width, reading->wanted.height);
    }
    return WORDS_FAIL(&reading->words,
                      "%s: expected a line glass before it, such as glass 128 x 64", word);
}

static bool read_statement(struct sheet_reading *reading) {
    static const struct {
        const char *word;
        bool (*read)(struct sheet_reading *reading);
        bool is_head; /* may stand before the glass */
    } statements[] = {
        {"screen", read_screen, true},
        {"glass", read_glass, true},
        {"only", read_only, false},
        {"color", jl_host_sheet_read_color, false},
        {"font", jl_host_sheet_read_font, false},
        {"theme", jl_host_sheet_read_theme, false},
        {"value", jl_host_sheet_read_value, false},
        {"page", read_page, false},
        {"key", read_key, false},
    };
    struct words *words = &reading->words;
    const char *word = jl_host_word_next(words, "what the line is about");
    if (!word) {
        return false;
    }
    bool is_only = strcmp(word, "only") == 0;
    if (reading->skips && !is_only) {
        words->at = words->count; /* not of this variant */
        return true;
    }
    for (size_t i = 0; i < sizeof statements / sizeof statements[0]; i++) {
        if (strcmp(word, statements[i].word) == 0) {
            return (statements[i].is_head || needs_glass(reading, word)) &&
                   statements[i].read(reading);
        }
    }
    int kind = jl_host_item_kind(word);
    if (kind == NONE) {
        return WORDS_FAIL(words,
                          "%s: no line begins so; expected screen, glass, only, color, font, "
                          "theme, value, page, key, or an item: ground, rect, circle, line, text, "
                          "picture, curve, bar, dial, level, progress, digits, number, lamp, "
                          "button, slider",
                          word);
    }
    return needs_glass(reading, word) && jl_host_sheet_read_item(reading, (enum item_kind)kind);
}

static bool read_lines(struct sheet_reading *reading, const char *text, size_t bytes) {
    struct words *words = &reading->words;
    const char *at = text, *end = text + bytes;
    for (words->line = 1; at < end; words->line++) {
        const char *stop = memchr(at, '\n', (size_t)(end - at));
        stop = stop ? stop : end;
        if (!jl_host_words_split(words, at, (size_t)(stop - at)) ||
            (words->count && (!read_statement(reading) || !jl_host_words_end(words)))) {
            return false;
        }
        at = stop + (stop < end);
    }
    return true;
}

/* What must have been said in the end. */
static bool check_whole(struct sheet_reading *reading) {
    struct jl_screen *screen = reading->screen;
    if (!*screen->name) {
        return jl_complain(reading->words.complaint,
                           "%s: there is no line screen NAME, such as screen quay_gauge",
                           reading->words.file);
    }
    reading->words.line = reading->words.line > 1 ? reading->words.line - 1 : 1;
    if (!needs_glass(reading, "the end of the sheet")) {
        return false;
    }
    if (!screen->page_count) { /* all of it is one page */
        strcpy(screen->page_names[screen->page_count++], "main");
    }
    return true;
}

/*
 * Below all of it is black, where no ground says otherwise: what is not there any more must go, and
 * another page may stand there before.
 */
static bool add_grounds(struct sheet_reading *reading) {
    struct jl_screen *screen = reading->screen;
    for (int page = 0; page < screen->page_count; page++) {
        bool has = false;
        for (int i = 0; i < screen->item_count; i++) {
            const struct item *item = &screen->items[i];
            has |=
                item->kind == ITEM_GROUND && !item->when.compare && jl_host_item_is_on(item, page);
        }
        if (has) {
            continue;
        }
        if (screen->item_count == MOST_ITEMS) {
            return WORDS_FAIL(&reading->words,
                              "a sheet has at most %d items, with a ground for "
                              "page %s",
                              MOST_ITEMS, screen->page_names[page]);
        }
        memmove(screen->items + 1, screen->items,
                sizeof screen->items[0] * (size_t)screen->item_count++);
        screen->items[0] = jl_host_item_new(ITEM_GROUND, reading->words.line,
                                            screen->page_count > 1 ? page : NONE);
        screen->items[0].fill = JL_BLACK;
        for (int i = 0; i < screen->key_count; i++) {
            screen->keys[i].button += screen->keys[i].button != NONE;
        }
    }
    return true;
}

static void folder_of(const char *path, char folder[512]) {
    const char *slash = strrchr(path, '/');
    int length = slash ? (int)(slash - path) : 1;
    snprintf(folder, 512, "%.*s", length, slash ? path : ".");
}

struct jl_screen *jl_screen_read_text(const char *name, const char *text, size_t bytes,
                                      const struct jl_screen_glass *glass,
                                      struct jl_complaint *complaint) {
    struct jl_screen *screen = calloc(1, sizeof *screen);
    struct sheet_reading *reading = calloc(1, sizeof *reading);
    bool good = screen && reading;
    if (!good) {
        jl_complain(complaint, "out of memory for the sheet %s", name);
    } else {
        reading->screen = screen;
        reading->words.file = name;
        reading->words.complaint = complaint;
        reading->page = NONE;
        reading->wanted = *glass;
        screen->glass.colors = glass->colors;
        snprintf(screen->file, sizeof screen->file, "%s", name);
        folder_of(name, reading->folder);
        good = read_lines(reading, text, bytes) && check_whole(reading) && add_grounds(reading) &&
               jl_host_sheet_bake(screen, complaint) && jl_host_sheet_lower(screen, complaint);
    }
    free(reading);
    if (!good) {
        jl_screen_free(screen);
        return NULL;
    }
    jl_host_sheet_look(screen);
    return screen;
}

struct jl_screen *jl_screen_read(const char *path, const struct jl_screen_glass *glass,
                                 struct jl_complaint *complaint) {
    FILE *stream = fopen(path, "r");
    char *text = malloc(MOST_FILE_BYTES + 1);
    size_t count = stream && text ? fread(text, 1, MOST_FILE_BYTES + 1, stream) : 0;
    bool failed = !stream || !text || ferror(stream);
    int reason = errno;
    struct jl_screen *screen = NULL;
    if (stream) {
        fclose(stream);
    }
    if (failed) {
        jl_complain(complaint, "cannot read the sheet %s: %s", path,
                    reason ? strerror(reason) : "out of memory");
    } else if (count > MOST_FILE_BYTES) {
        jl_complain(complaint, "%s: a sheet has at most %d bytes", path, MOST_FILE_BYTES);
    } else {
        screen = jl_screen_read_text(path, text, count, glass, complaint);
    }
    free(text);
    return screen;
}

void jl_screen_free(struct jl_screen *screen) {
    if (!screen) {
        return;
    }
    for (int i = 0; i < screen->font_count; i++) {
        free(screen->fonts[i].wanted);
        jl_baked_font_free(&screen->fonts[i].baked);
    }
    for (int i = 0; i < screen->picture_count; i++) {
        jl_baked_picture_free(&screen->pictures[i].baked);
    }
    for (int i = 0; i < screen->value_count; i++) {
        free(screen->values[i].samples);
    }
    for (size_t i = 0; i < screen->finding_count; i++) {
        free(screen->findings[i]);
    }
    free(screen);
}
