/* Reading text art. */
#include "text_art.h"

#include <ctype.h>
#include <errno.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <sys/stat.h>

enum { LINE_BYTES = 1000 };

struct drawing {
    const char *path;
    FILE *stream;
    int line;
    struct text_art *art;
    struct jl_complaint *complaint;
    int open; /* glyphs whose rows are being read */
    int row;  /* of these, the next */
};

#define WRONG(drawing, ...)                                                                        \
    jl_complain_at((drawing)->complaint, (drawing)->path, (drawing)->line, __VA_ARGS__)

static bool is_taken(const struct text_art *art, uint32_t code) {
    for (int i = 0; i < art->count; i++) {
        if (art->glyphs[i].code == code) {
            return true;
        }
    }
    return false;
}

static bool add_glyph(struct drawing *drawing, const char *word) {
    struct text_art *art = drawing->art;
    char *end;
    unsigned long code = strtoul(word, &end, 16);
    if (*end || !isxdigit((unsigned char)*word) || code < 0x20 || code > 0x10FFFF) {
        return WRONG(drawing, "\"%s\" is no code point: expected such as 26F5, 20 to 10FFFF", word);
    }
    if (is_taken(art, (uint32_t)code)) {
        return WRONG(drawing, "%s is drawn twice", word);
    }
    if (art->count == art->most) {
        return WRONG(drawing, "there is room for %d characters, and this is one more", art->most);
    }
    art->glyphs[art->count++] = (struct text_art_glyph){.code = (uint32_t)code};
    drawing->open++;
    return true;
}

static bool begin_glyphs(struct drawing *drawing, char *words) {
    char *rest = words;
    drawing->open = drawing->row = 0;
    for (char *word; (word = strtok_r(rest, " \t", &rest)) != NULL;) {
        if (!add_glyph(drawing, word)) {
            return false;
        }
    }
    return drawing->open || WRONG(drawing, "expected code points behind =, such as = 26F5");
}

/* A row of one character; the first one says how wide it is, unless all have one width. */
static bool read_dots(struct drawing *drawing, const char *word, struct text_art_glyph *glyph) {
    uint64_t dots = 0;
    int width = (int)strlen(word);
    int expected = drawing->art->width ? drawing->art->width : glyph->width;
    for (int x = 0; x < width; x++) {
        if (word[x] != '#' && word[x] != '.') {
            return WRONG(drawing, "'%c' is neither # (a dot) nor . (none)", word[x]);
        }
        dots = dots << 1 | (word[x] == '#');
    }
    if ((expected && width != expected) || width > ART_SIDE) {
        return WRONG(drawing, "\"%s\" is %d dots wide, expected %d", word, width,
                     expected ? expected : ART_SIDE);
    }
    glyph->width = width;
    glyph->rows[drawing->row] = dots;
    glyph->height = drawing->row + 1;
    return true;
}

static bool read_row(struct drawing *drawing, char *words) {
    struct text_art *art = drawing->art;
    int count = 0, most = art->height ? art->height : ART_SIDE;
    char *rest = words;
    if (!drawing->open) {
        return WRONG(drawing, "expected = and code points before the first row");
    }
    if (drawing->row == most) {
        return WRONG(drawing, "a row more than %d: expected = and code points", most);
    }
    for (char *word; (word = strtok_r(rest, " \t", &rest)) != NULL; count++) {
        struct text_art_glyph spare = {.width = 0};
        bool wanted = count < drawing->open;
        if (!read_dots(drawing, word,
                       wanted ? &art->glyphs[art->count - drawing->open + count] : &spare)) {
            return false;
        }
    }
    drawing->row++;
    return count == drawing->open ||
           WRONG(drawing, "%d characters in this row, expected %d", count, drawing->open);
}

static bool is_complete(struct drawing *drawing) {
    int expected = drawing->art->height;
    if (!drawing->open || (expected ? drawing->row == expected : drawing->row > 0)) {
        return true;
    }
    return WRONG(drawing, "only %d rows, expected %d", drawing->row, expected ? expected : 1);
}

/* "@ ascent 9 height 12": pairs of a word and a number, of which only the ascent counts here. */
static bool read_metrics(struct drawing *drawing, char *words) {
    char *rest = words;
    for (char *word; (word = strtok_r(rest, " \t", &rest)) != NULL;) {
        const char *number = strtok_r(rest, " \t", &rest);
        char *end = NULL;
        long value = number ? strtol(number, &end, 10) : 0;
        if (!number || *end || value < 0 || value > ART_SIDE) {
            return WRONG(drawing, "@ %s: expected a number behind it, 0 to %d", word, ART_SIDE);
        }
        if (strcmp(word, "ascent") == 0) {
            drawing->art->ascent = (int)value;
        }
    }
    return true;
}

static bool read_line(struct drawing *drawing, char *line) {
    size_t length = strcspn(line, "\r\n");
    if (length == LINE_BYTES - 1) {
        return WRONG(drawing, "the line is longer than %d characters", LINE_BYTES - 2);
    }
    line[length] = '\0';
    char *text = line + strspn(line, " \t");
    if (!*text || *text == ';') {
        return true;
    }
    if (*text == '@') {
        return read_metrics(drawing, text + 1);
    }
    if (*text == '=') {
        return is_complete(drawing) && begin_glyphs(drawing, text + 1);
    }
    return read_row(drawing, text);
}

bool jl_host_text_art_read(const char *path, struct text_art *art, struct jl_complaint *complaint) {
    struct drawing drawing = {.path = path, .art = art, .complaint = complaint};
    struct stat info;
    char line[LINE_BYTES];
    art->count = 0;
    art->glyphs = calloc((size_t)art->most, sizeof *art->glyphs);
    if (stat(path, &info) == 0 && S_ISDIR(info.st_mode)) {
        return jl_complain(complaint, "cannot read %s: it is a directory", path);
    }
    drawing.stream = art->glyphs ? fopen(path, "r") : NULL;
    if (!drawing.stream) {
        return jl_complain(complaint, "cannot read %s: %s", path, strerror(errno));
    }
    bool good = true;
    while (good && fgets(line, sizeof line, drawing.stream)) {
        drawing.line++;
        good = read_line(&drawing, line);
    }
    fclose(drawing.stream);
    return good && is_complete(&drawing) &&
           (art->count || WRONG(&drawing, "no character: expected = and code points, then rows of "
                                          "dots"));
}

void jl_host_text_art_free(struct text_art *art) {
    free(art->glyphs);
    art->glyphs = NULL;
}
