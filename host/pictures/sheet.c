/* Pictures side by side. */
#include "jadelamp/host/sheet.h"

#include <stdlib.h>
#include <string.h>

#include "jadelamp/draw.h"
#include "jadelamp/host/frame_picture.h"
#include "jadelamp/text.h"

enum { GAP = 10, ABOVE = 3, LETTERS = 15 };

static const struct jl_text_style style = {
    .font = &jl_font_8x13, .ink = JL_BLACK, .paper = JL_WHITE};

/* Text on white, as wide as the picture above it. */
static bool put_caption(struct jl_picture *sheet, int x, int y, int width, int height,
                        const char *text) {
    size_t bytes = JL_RGB888_BYTES(width, height);
    uint8_t *pixels = malloc(bytes);
    struct jl_frame frame;
    struct jl_picture picture;
    bool good = pixels && jl_frame_init(&frame, &jl_rgb888, (int16_t)width, (int16_t)height, pixels,
                                        bytes) == JL_OK;
    if (good) {
        jl_clear(&frame.target, JL_WHITE);
        const struct jl_rect box = {.w = (int16_t)width, .h = (int16_t)height};
        jl_text_box(&frame.target, box, JL_TEXT_WRAP, text, &style);
        good = jl_frame_picture(&frame, &picture);
    }
    if (good) {
        jl_picture_place(sheet, &picture, x, y);
        jl_picture_free(&picture);
    }
    free(pixels);
    return good;
}

/* Of the longest, with a little air below. */
static int caption_height(int width, const char *const *captions, int count) {
    int most = LETTERS;
    for (int i = 0; i < count; i++) {
        int height = jl_text_box_size((int16_t)width, JL_TEXT_WRAP, captions[i], &style).height;
        most = height + 2 > most ? height + 2 : most;
    }
    return most;
}

bool jl_sheet_create(struct jl_picture *sheet, const struct jl_picture *pictures,
                     const char *const *captions, int count, int columns) {
    int letters = caption_height(pictures[0].width, captions, count);
    int width = pictures[0].width + GAP, height = pictures[0].height + ABOVE + letters + GAP;
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
        good &= put_caption(sheet, x, y + pictures[0].height + ABOVE, pictures[0].width, letters,
                            captions[i]);
    }
    if (!good) {
        jl_picture_free(sheet);
    }
    return good;
}
