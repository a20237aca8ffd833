/* Text art to glyphs of character modules, and these to C. */
#include "jadelamp/host/glyph_art.h"

#include <ctype.h>
#include <errno.h>
#include <stdarg.h>
#include <stdlib.h>
#include <string.h>
#include <sys/stat.h>

#include "c_files.h"

enum { COLUMNS = 5, ROWS = 8, MOST_GLYPHS = 8, LINE_BYTES = 200 };

struct drawing {
    const char *path;
    FILE *stream;
    int line;
    struct jl_glyph_art *art;
    struct jl_complaint *complaint;
    int open; /* glyphs whose rows are being read */
    int row;  /* of these, the next */
};

__attribute__((format(printf, 2, 3))) static bool wrong(struct drawing *drawing, const char *format,
                                                        ...) {
    char text[300];
    va_list arguments;
    va_start(arguments, format);
    vsnprintf(text, sizeof text, format, arguments);
    va_end(arguments);
    return jl_complain(drawing->complaint, "%s:%d: %s", drawing->path, drawing->line, text);
}

static bool is_taken(const struct jl_glyph_art *art, uint32_t code) {
    for (int i = 0; i < art->count; i++) {
        if (art->glyphs[i].code == code) {
            return true;
        }
    }
    return false;
}

static bool add_glyph(struct drawing *drawing, const char *word) {
    struct jl_glyph_art *art = drawing->art;
    char *end;
    unsigned long code = strtoul(word, &end, 16);
    if (*end || !isxdigit((unsigned char)*word) || code < 0x20 || code > 0x10FFFF) {
        return wrong(drawing, "\"%s\" is no code point: expected such as 26F5, 20 to 10FFFF", word);
    }
    if (is_taken(art, (uint32_t)code)) {
        return wrong(drawing, "%s is drawn twice", word);
    }
    if (art->count == MOST_GLYPHS) {
        return wrong(drawing, "a module has room for %d characters, and this is one more",
                     MOST_GLYPHS);
    }
    art->glyphs[art->count++] = (struct jl_char_glyph){.code = (uint32_t)code};
    drawing->open++;
    return true;
}

/* "= 26F5 2581": which glyphs stand side by side in the rows below. */
static bool begin_glyphs(struct drawing *drawing, char *words) {
    char *rest = words;
    drawing->open = drawing->row = 0;
    for (char *word; (word = strtok_r(rest, " \t", &rest)) != NULL;) {
        if (!add_glyph(drawing, word)) {
            return false;
        }
    }
    return drawing->open || wrong(drawing, "expected code points behind =, such as = 26F5");
}

static bool read_dots(struct drawing *drawing, const char *word, uint8_t *dots) {
    *dots = 0;
    for (size_t x = 0; word[x]; x++) {
        if (word[x] != '#' && word[x] != '.') {
            return wrong(drawing, "'%c' is neither # (a dot) nor . (none)", word[x]);
        }
        *dots = (uint8_t)(*dots << 1 | (word[x] == '#'));
    }
    return strlen(word) == COLUMNS ||
           wrong(drawing, "\"%s\" is %zu dots wide, expected %d", word, strlen(word), COLUMNS);
}

static bool read_row(struct drawing *drawing, char *words) {
    struct jl_glyph_art *art = drawing->art;
    int count = 0;
    char *rest = words;
    if (drawing->row == (drawing->open ? ROWS : 0)) {
        return drawing->open
                   ? wrong(drawing, "a row more than %d: expected = and code points", ROWS)
                   : wrong(drawing, "expected = and code points before the first row");
    }
    for (char *word; (word = strtok_r(rest, " \t", &rest)) != NULL; count++) {
        uint8_t dots;
        if (!read_dots(drawing, word, &dots)) {
            return false;
        }
        if (count < drawing->open) {
            art->glyphs[art->count - drawing->open + count].rows[drawing->row] = dots;
        }
    }
    drawing->row++;
    return count == drawing->open ||
           wrong(drawing, "%d characters in this row, expected %d", count, drawing->open);
}

static bool is_complete(struct drawing *drawing) {
    return !drawing->open || drawing->row == ROWS ||
           wrong(drawing, "only %d rows, expected %d", drawing->row, ROWS);
}

static bool read_line(struct drawing *drawing, char *line) {
    size_t length = strcspn(line, "\r\n");
    if (length == LINE_BYTES - 1) {
        return wrong(drawing, "the line is longer than %d characters", LINE_BYTES - 2);
    }
    line[length] = '\0';
    char *text = line + strspn(line, " \t");
    if (!*text || *text == ';') {
        return true;
    }
    if (*text == '=') {
        return is_complete(drawing) && begin_glyphs(drawing, text + 1);
    }
    return read_row(drawing, text);
}

bool jl_glyph_art_read(const char *path, struct jl_glyph_art *art, struct jl_complaint *complaint) {
    struct drawing drawing = {.path = path, .art = art, .complaint = complaint};
    struct stat info;
    char line[LINE_BYTES];
    bool good = true;
    memset(art, 0, sizeof *art);
    if (stat(path, &info) == 0 && S_ISDIR(info.st_mode)) {
        return jl_complain(complaint, "cannot read %s: it is a directory", path);
    }
    drawing.stream = fopen(path, "r");
    if (!drawing.stream) {
        return jl_complain(complaint, "cannot read %s: %s", path, strerror(errno));
    }
    while (good && fgets(line, sizeof line, drawing.stream)) {
        drawing.line++;
        good = read_line(&drawing, line);
    }
    fclose(drawing.stream);
    if (good) {
        good = is_complete(&drawing) &&
               (art->count || wrong(&drawing, "no character: expected = and code points, then 8 "
                                              "rows of 5 dots"));
    }
    return good;
}

/* ---- to C ---- */

static void write_glyph(FILE *stream, const struct jl_char_glyph *glyph) {
    fprintf(stream, "    {0x%04X,\n     {\n", (unsigned)glyph->code);
    for (int y = 0; y < ROWS; y++) {
        fprintf(stream, "         0x%02X, /* ", glyph->rows[y]);
        for (int x = COLUMNS - 1; x >= 0; x--) {
            fputc(glyph->rows[y] >> x & 1 ? '#' : '.', stream);
        }
        fprintf(stream, " */\n");
    }
    fprintf(stream, "     }},\n");
}

bool jl_glyph_art_bake(const struct jl_glyph_art *art, const char *directory, const char *name,
                       const char *source, struct jl_complaint *complaint) {
    struct c_files files;
    char made[300];
    snprintf(made, sizeof made, "jadelamp bake glyph from %.200s: edit that.", source);
    if (!c_files_begin(&files, directory, name, made, "jadelamp/char_panel.h", complaint)) {
        return false;
    }
    fprintf(files.header.stream,
            "/* %d characters, %zu bytes. */\nextern const struct jl_char_glyph %s[%d];\n",
            art->count, (size_t)art->count * sizeof(struct jl_char_glyph), name, art->count);
    fprintf(files.body.stream, "const struct jl_char_glyph %s[%d] = {\n", name, art->count);
    for (int i = 0; i < art->count; i++) {
        write_glyph(files.body.stream, &art->glyphs[i]);
    }
    fprintf(files.body.stream, "};\n");
    return c_files_commit(&files, complaint);
}
