/* PNG through libpng's simplified interface, which reports errors without longjmp. */
#include "jadelamp/host/png.h"

#include <png.h>
#include <stdlib.h>
#include <string.h>

#include "jadelamp/host/file.h"

enum { MOST_SIDE = 16384 };

bool jl_png_write(const char *path, const struct jl_picture *picture,
                  struct jl_complaint *complaint) {
    png_image image = {.version = PNG_IMAGE_VERSION,
                       .width = (png_uint_32)picture->width,
                       .height = (png_uint_32)picture->height,
                       .format = PNG_FORMAT_RGB};
    png_alloc_size_t size = PNG_IMAGE_PNG_SIZE_MAX(image);
    void *bytes = malloc(size);
    if (!bytes) {
        return jl_complain(complaint, "cannot write %s: out of memory", path);
    }
    bool good;
    if (png_image_write_to_memory(&image, bytes, &size, 0, picture->rgb, 0, NULL)) {
        good = jl_file_put(path, bytes, size, complaint);
    } else {
        good = jl_complain(complaint, "cannot write %s: %s", path, image.message);
    }
    free(bytes);
    return good;
}

bool jl_png_read(const char *path, struct jl_picture *picture, struct jl_complaint *complaint) {
    png_image image = {.version = PNG_IMAGE_VERSION};
    picture->rgb = NULL;
    if (!png_image_begin_read_from_file(&image, path)) {
        return jl_complain(complaint, "cannot read %s: %s", path, image.message);
    }
    bool good = false;
    if (image.width > MOST_SIDE || image.height > MOST_SIDE) {
        jl_complain(complaint, "cannot read %s: %u x %u pixels, at most %d a side are taken", path,
                    (unsigned)image.width, (unsigned)image.height, MOST_SIDE);
    } else if (!jl_picture_create(picture, (int)image.width, (int)image.height)) {
        jl_complain(complaint, "cannot read %s: out of memory", path);
    } else {
        static const png_color black = {0, 0, 0};
        image.format = PNG_FORMAT_RGB;
        good = png_image_finish_read(&image, &black, picture->rgb, 0, NULL) != 0;
        if (!good) {
            jl_complain(complaint, "cannot read %s: %s", path, image.message);
            jl_picture_free(picture);
        }
    }
    png_image_free(&image);
    return good;
}

static bool inside(const struct jl_picture *picture, int x, int y) {
    return x < picture->width && y < picture->height;
}

long jl_picture_compare(const struct jl_picture *a, const struct jl_picture *b,
                        struct jl_picture *difference) {
    int width = a->width > b->width ? a->width : b->width;
    int height = a->height > b->height ? a->height : b->height;
    long differing = 0;
    bool draw = difference && jl_picture_create(difference, width, height);
    for (int y = 0; y < height; y++) {
        for (int x = 0; x < width; x++) {
            static const uint8_t outside[3] = {0, 0, 0};
            const uint8_t *pa = inside(a, x, y) ? jl_picture_at(a, x, y) : outside;
            const uint8_t *pb = inside(b, x, y) ? jl_picture_at(b, x, y) : outside;
            bool same = inside(a, x, y) && inside(b, x, y) && memcmp(pa, pb, 3) == 0;
            differing += !same;
            if (draw) {
                uint8_t *out = jl_picture_at(difference, x, y);
                bool first_lighter = pa[0] + pa[1] + pa[2] > pb[0] + pb[1] + pb[2];
                for (int c = 0; c < 3; c++) {
                    out[c] = same ? pa[c] / 3 : 0;
                }
                if (!same) {
                    out[first_lighter ? 0 : 1] = 255;
                }
            }
        }
    }
    return differing;
}
