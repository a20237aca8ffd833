/* Baked fonts as a specimen, and as C. */
#include "byte_table.h"
#include "c_files.h"
#include "jadelamp/draw.h"
#include "jadelamp/frame.h"
#include "jadelamp/host/bake_font.h"
#include "jadelamp/text.h"

enum { SPECIMEN_WIDTH = 640, MARGIN = 8, MOST_SPECIMEN_ROWS = 60 };

/* Draws, or only counts the rows when there is no target. */
static int draw_specimen(const struct jl_baked_font *baked, struct jl_target *target) {
    const struct jl_text_style style = {
        .font = &baked->font, .ink = JL_BLACK, .paper = JL_CLEAR, .fallbacks = NULL};
    int x = MARGIN, row = 0;
    for (uint32_t code = 0; code < JL_CODE_POINTS && row < MOST_SPECIMEN_ROWS; code++) {
        char text[5];
        if (!jl_font_has(&baked->font, code)) {
            continue;
        }
        jl_host_code_to_utf8(code, text);
        int width = jl_text_width(&style, text);
        if (x + width > SPECIMEN_WIDTH - MARGIN) {
            x = MARGIN;
            row++;
        }
        if (target) {
            jl_text(target, (int16_t)x, (int16_t)(MARGIN + row * (baked->font.height + 2)), text,
                    &style);
        }
        x += width + 2;
    }
    return row + 1;
}

bool jl_baked_font_specimen(const struct jl_baked_font *baked, struct jl_picture *specimen) {
    struct jl_frame frame;
    int rows = draw_specimen(baked, NULL);
    int height = 2 * MARGIN + rows * (baked->font.height + 2);
    if (!jl_picture_create(specimen, SPECIMEN_WIDTH, height)) {
        return false;
    }
    if (jl_frame_init(&frame, &jl_rgb888, SPECIMEN_WIDTH, (int16_t)height, specimen->rgb,
                      (size_t)SPECIMEN_WIDTH * (size_t)height * 3) != JL_OK) {
        jl_picture_free(specimen);
        return false;
    }
    jl_fill_rect(&frame.target, frame.target.bounds, JL_WHITE);
    draw_specimen(baked, &frame.target);
    return true;
}

bool jl_baked_font_write(const struct jl_baked_font *baked, const char *directory, const char *name,
                         const char *made, struct jl_complaint *complaint) {
    struct c_files files;
    const struct jl_font *font = &baked->font;
    bool soft = baked->table[4] == 4;
    if (!jl_host_c_files_begin(&files, directory, name, made, "jadelamp/font.h", complaint)) {
        return false;
    }
    fprintf(files.header.stream,
            "/*\n * %s: %d characters in lines of %d pixels, %d bit%s a pixel, %zu bytes.\n */\n"
            "extern const struct jl_font %s;\nenum { %s_bytes = %zu };\n",
            baked->family, baked->glyphs, font->height, soft ? 4 : 1, soft ? "s" : "", baked->bytes,
            name, name, baked->bytes);
    fprintf(files.body.stream, "static const uint8_t JL_FLASH table[%zu] = {\n", baked->bytes);
    jl_host_c_write_bytes(files.body.stream, baked->table, baked->bytes);
    fprintf(files.body.stream,
            "};\n\nconst struct jl_font %s = {\n    .kind = &jl_font_packed_%s,\n"
            "    .table = table,\n    .height = %d,\n    .ascent = %d,\n    .box_width = %d,\n};\n",
            name, soft ? "coverage" : "stencil", font->height, font->ascent, font->box_width);
    return jl_host_c_files_commit(&files, complaint);
}
