/* PNG through libpng's simplified interface, which reports errors without longjmp. */
#include "jadelamp/host/png.h"

#include <png.h>

#include "jadelamp/host/file.h"

enum { MOST_SIDE = 16384 };

bool jl_png_write(const char *path, const struct jl_picture *picture,
                  struct jl_complaint *complaint) {
    png_image image = {.version = PNG_IMAGE_VERSION,
                       .width = (png_uint_32)picture->width,
                       .height = (png_uint_32)picture->height,
                       .format = PNG_FORMAT_RGB};
    struct jl_file file;
    if (!jl_file_begin(&file, path, complaint)) {
        return false;
    }
    if (!png_image_write_to_stdio(&image, file.stream, 0, picture->rgb, 0, NULL)) {
        jl_file_fail(&file);
    }
    return jl_file_commit(&file, complaint);
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
