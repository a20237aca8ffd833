/* Text art to glyphs of character modules, and these to C. */
#include "jadelamp/host/glyph_art.h"

#include <string.h>

#include "c_files.h"
#include "text_art.h"

enum { COLUMNS = 5, ROWS = 8, MOST_GLYPHS = 8 };

bool jl_glyph_art_read(const char *path, struct jl_glyph_art *art, struct jl_complaint *complaint) {
    struct text_art drawn = {.width = COLUMNS, .height = ROWS, .most = MOST_GLYPHS};
    bool good = jl_host_text_art_read(path, &drawn, complaint);
    memset(art, 0, sizeof *art);
    for (int i = 0; good && i < drawn.count; i++) {
        art->glyphs[i].code = drawn.glyphs[i].code;
        for (int y = 0; y < ROWS; y++) {
            art->glyphs[i].rows[y] = (uint8_t)drawn.glyphs[i].rows[y];
        }
        art->count++;
    }
    jl_host_text_art_free(&drawn);
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
    if (!jl_host_c_files_begin(&files, directory, name, made, "jadelamp/char_panel.h", complaint)) {
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
    return jl_host_c_files_commit(&files, complaint);
}
