/* Pictures side by side. */
#include "jadelamp/host/sheet.h"

#include <stdlib.h>
#include <string.h>

#include "jadelamp/draw.h"
#include "jadelamp/host/frame_picture.h"
#include "jadelamp/text.h"

enum { GAP = 10, CAPTION = 20, LETTERS = 15 };

/* A line of text on white, as wide as the picture above it. */
static bool put_caption(struct jl_picture *sheet, int x, int y, int width, const char *text) {
    const struct jl_text_style style = {.font = &jl_font_8x13, .ink = JL_BLACK, .paper = JL_WHITE};
    size_t bytes = JL_RGB888_BYTES(width, LETTERS);
    uint8_t *pixels = malloc(bytes);
    struct jl_frame frame;
    struct jl_picture picture;
    bool good = pixels &&
                jl_frame_init(&frame, &jl_rgb888, (int16_t)width, LETTERS, pixels, bytes) == JL_OK;
    if (good) {
        jl_clear(&frame.target, JL_WHITE);
        jl_text(&frame.target, 0, 0, text, &style);
        good = jl_frame_picture(&frame, &picture);
    }
    if (good) {
        jl_picture_place(sheet, &picture, x, y);
        jl_picture_free(&picture);
    }
    free(pixels);
    return good;
}

bool jl_sheet_create(struct jl_picture *sheet, const struct jl_picture *pictures,
                     const char *const *captions, int count, int columns) {
    int width = pictures[0].width + GAP, height = pictures[0].height + CAPTION + GAP;
    columns = columns < count ? columns : count;
    int rows = (count + columns - 1) / columns;
    if (!jl_picture_create(sheet, columns * width + GAP, rows * height + GAP)) {
        return false;
    }
    memset(sheet->rgb, 255, (size_t)(sheet->width * sheet->height * 3));
    bool good = true;
    for (int i = 0; i < count; i++) {
        int x = GAP + i % columns * width, y = GAP + i / columns * height;
        jl_picture_place(sheet, &pictures[i], x, y);
        good &=
            put_caption(sheet, x, y + height - CAPTION - GAP + 3, pictures[0].width, captions[i]);
    }
    if (!good) {
        jl_picture_free(sheet);
    }
    return good;
}
