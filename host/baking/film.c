/* Films: animated GIFs by giflib, or one file after the other. */
#include <errno.h>
#include <gif_lib.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "jadelamp/host/bake_frames.h"

enum { MOST_FILM_PIXELS = 1 << 27 };

void jl_film_free(struct jl_film *film) {
    for (int i = 0; film->pictures && i < film->count; i++) {
        jl_pixmap_free(&film->pictures[i]);
    }
    free(film->pictures);
    free(film->shown_ms);
    *film = (struct jl_film){NULL, NULL, 0};
}

static bool allocate(struct jl_film *film, int count) {
    film->pictures = calloc((size_t)count, sizeof *film->pictures);
    film->shown_ms = calloc((size_t)count, sizeof *film->shown_ms);
    return film->pictures && film->shown_ms;
}

/* ---- GIF ---- */

static void put_pixel(struct jl_pixmap *canvas, int x, int y, const GifColorType *color) {
    if (x < 0 || y < 0 || x >= canvas->width || y >= canvas->height) {
        return;
    }
    uint8_t *p = canvas->rgba + ((size_t)y * (size_t)canvas->width + (size_t)x) * 4;
    p[0] = color ? color->Red : 0;
    p[1] = color ? color->Green : 0;
    p[2] = color ? color->Blue : 0;
    p[3] = color ? 255 : 0;
}

/* An image of the file onto the canvas; NULL colours: its area becomes clear. */
static void put_image(struct jl_pixmap *canvas, const SavedImage *image, const ColorMapObject *map,
                      int clear_index) {
    const GifImageDesc *place = &image->ImageDesc;
    for (int y = 0; y < place->Height; y++) {
        for (int x = 0; x < place->Width; x++) {
            int index = image->RasterBits[(size_t)y * (size_t)place->Width + (size_t)x];
            if (!map) {
                put_pixel(canvas, place->Left + x, place->Top + y, NULL);
            } else if (index != clear_index && index < map->ColorCount) {
                put_pixel(canvas, place->Left + x, place->Top + y, &map->Colors[index]);
            }
        }
    }
}

static bool copy(struct jl_pixmap *to, const struct jl_pixmap *from) {
    if (!jl_pixmap_create(to, from->width, from->height)) {
        return false;
    }
    memcpy(to->rgba, from->rgba, (size_t)from->width * (size_t)from->height * 4);
    return true;
}

/* GIF89a, graphic control extension: what becomes of an image before the next one. */
static bool take_images(GifFileType *gif, int shown_ms, struct jl_film *film,
                        struct jl_pixmap *canvas) {
    for (int i = 0; i < gif->ImageCount; i++) {
        const SavedImage *image = &gif->SavedImages[i];
        const ColorMapObject *map =
            image->ImageDesc.ColorMap ? image->ImageDesc.ColorMap : gif->SColorMap;
        GraphicsControlBlock control = {.TransparentColor = NO_TRANSPARENT_COLOR};
        struct jl_pixmap before = {0, 0, NULL};
        DGifSavedExtensionToGCB(gif, i, &control);
        if (!map || !image->RasterBits || !copy(&before, canvas)) {
            jl_pixmap_free(&before);
            return false;
        }
        put_image(canvas, image, map, control.TransparentColor);
        bool kept = copy(&film->pictures[i], canvas);
        film->shown_ms[i] = control.DelayTime > 0 ? control.DelayTime * 10 : shown_ms;
        film->count = i + 1;
        if (control.DisposalMode == DISPOSE_BACKGROUND) {
            put_image(canvas, image, NULL, 0);
        } else if (control.DisposalMode == DISPOSE_PREVIOUS) {
            memcpy(canvas->rgba, before.rgba, (size_t)canvas->width * (size_t)canvas->height * 4);
        }
        jl_pixmap_free(&before);
        if (!kept) {
            return false;
        }
    }
    return true;
}

/* ---- what a GIF claims, before anything is unpacked (GIF89a, sections 18 to 26) ---- */

struct gif_claim {
    long width, height, images, pixels;
};

static long next_number(FILE *stream) {
    int low = fgetc(stream), high = fgetc(stream);
    return high < 0 ? -1 : low | (long)high << 8;
}

static void skip_table(FILE *stream, int flags) {
    if (flags >= 0 && flags & 0x80) {
        fseek(stream, 3L << ((flags & 7) + 1), SEEK_CUR);
    }
}

static void skip_blocks(FILE *stream) {
    for (int size; (size = fgetc(stream)) > 0;) {
        fseek(stream, size, SEEK_CUR);
    }
}

/* Adds an image's claim; false: it is not inside the screen. */
static bool count_image(FILE *stream, struct gif_claim *claim) {
    long left = next_number(stream), top = next_number(stream);
    long width = next_number(stream), height = next_number(stream);
    if (left < 0 || top < 0 || width < 1 || height < 1 || left + width > claim->width ||
        top + height > claim->height) {
        return false;
    }
    skip_table(stream, fgetc(stream));
    fgetc(stream); /* code size */
    skip_blocks(stream);
    claim->images++;
    claim->pixels += claim->width * claim->height;
    return claim->images <= JL_MOST_FRAMES && claim->pixels <= MOST_FILM_PIXELS;
}

static bool is_bounded(FILE *stream) {
    struct gif_claim claim = {0, 0, 0, 0};
    fseek(stream, 6, SEEK_SET);
    claim.width = next_number(stream);
    claim.height = next_number(stream);
    skip_table(stream, fgetc(stream));
    fseek(stream, 2, SEEK_CUR); /* background, shape of pixels */
    for (int mark; (mark = fgetc(stream)) != ';' && mark != EOF;) {
        if (mark == '!') {
            fgetc(stream);
            skip_blocks(stream);
        } else if (mark != ',' || !count_image(stream, &claim)) {
            return false;
        }
    }
    return claim.images > 0;
}

static bool check_gif(const char *path, struct jl_complaint *complaint) {
    FILE *stream = fopen(path, "rb");
    bool good = stream && is_bounded(stream);
    if (stream) {
        fclose(stream);
    }
    return good || jl_complain(complaint,
                               "%s: the GIF is broken, or has an image outside its screen, more "
                               "than %d images, or more than %d pixels in all",
                               path, JL_MOST_FRAMES, MOST_FILM_PIXELS);
}

static bool read_gif(const char *path, int shown_ms, struct jl_film *film,
                     struct jl_complaint *complaint) {
    int error = 0;
    struct jl_pixmap canvas = {0, 0, NULL};
    if (!check_gif(path, complaint)) {
        return false;
    }
    GifFileType *gif = DGifOpenFileName(path, &error);
    bool good =
        gif && DGifSlurp(gif) == GIF_OK && gif->ImageCount > 0 && gif->ImageCount <= JL_MOST_FRAMES;
    if (!good) {
        jl_complain(complaint, "%s: the GIF is broken or cut short", path);
    } else {
        good = (allocate(film, gif->ImageCount) &&
                jl_pixmap_create(&canvas, gif->SWidth, gif->SHeight) &&
                take_images(gif, shown_ms, film, &canvas)) ||
               jl_complain(complaint,
                           "%s: out of memory, an image without colours, or larger than %d a side",
                           path, JL_PIXMAP_SIDE);
    }
    jl_pixmap_free(&canvas);
    if (gif) {
        DGifCloseFile(gif, &error);
    }
    return good;
}

/* ---- files ---- */

static bool read_files(const char *const *paths, int count, int shown_ms, struct jl_film *film,
                       struct jl_complaint *complaint) {
    if (!allocate(film, count)) {
        return jl_complain(complaint, "out of memory for %d pictures", count);
    }
    for (int i = 0; i < count; i++) {
        if (!jl_pixmap_read(paths[i], &film->pictures[i], complaint)) {
            return false;
        }
        film->count = i + 1;
        film->shown_ms[i] = shown_ms;
        const struct jl_pixmap *first = &film->pictures[0], *here = &film->pictures[i];
        if (here->width != first->width || here->height != first->height) {
            return jl_complain(complaint, "%s: %d x %d, and the first one has %d x %d", paths[i],
                               here->width, here->height, first->width, first->height);
        }
        if ((long)(i + 1) * here->width * here->height > MOST_FILM_PIXELS) {
            return jl_complain(complaint, "%s: more than %d pixels in all", paths[i],
                               MOST_FILM_PIXELS);
        }
    }
    return true;
}

/* False: it cannot be opened. */
static bool look_whether_gif(const char *path, bool *gif, struct jl_complaint *complaint) {
    char mark[6] = "";
    FILE *stream = fopen(path, "rb");
    if (!stream) {
        return jl_complain(complaint, "cannot read the picture %s: %s", path, strerror(errno));
    }
    *gif = fread(mark, 1, sizeof mark, stream) == sizeof mark && memcmp(mark, "GIF8", 4) == 0;
    fclose(stream);
    return true;
}

bool jl_film_read(const char *const *paths, int count, int shown_ms, struct jl_film *film,
                  struct jl_complaint *complaint) {
    *film = (struct jl_film){NULL, NULL, 0};
    if (count < 1 || count > JL_MOST_FRAMES) {
        return jl_complain(complaint, "%d files: expected 1 to %d", count, JL_MOST_FRAMES);
    }
    bool gif = false;
    bool good = (count > 1 || look_whether_gif(paths[0], &gif, complaint)) &&
                (gif ? read_gif(paths[0], shown_ms, film, complaint)
                     : read_files(paths, count, shown_ms, film, complaint));
    if (!good) {
        jl_film_free(film);
    }
    return good;
}
