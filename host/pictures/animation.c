/* Animated GIF by libgd. */
#include "jadelamp/host/animation.h"

#include "gd_library.h"
#include "jadelamp/host/file.h"

static gdImagePtr image_of(const struct gd_library *gd, const struct jl_picture *picture) {
    gdImagePtr image = gd->gdImageCreateTrueColor(picture->width, picture->height);
    for (int y = 0; image && y < picture->height; y++) {
        for (int x = 0; x < picture->width; x++) {
            const uint8_t *at = picture->rgb + 3 * (y * picture->width + x);
            gd->gdImageSetPixel(image, x, y, gdTrueColor(at[0], at[1], at[2]));
        }
    }
    if (image) {
        gd->gdImageTrueColorToPalette(image, 0, 256);
    }
    return image;
}

static bool put(const struct gd_library *gd, struct jl_file *file, void *bytes, int count) {
    bool good = bytes && jl_file_write(file, bytes, (size_t)count);
    gd->gdFree(bytes);
    return good;
}

bool jl_animation_write(const char *path, const struct jl_picture *pictures,
                        const uint32_t *milliseconds, size_t count,
                        struct jl_complaint *complaint) {
    struct jl_file file = {0};
    const struct gd_library *gd = jl_host_gd(complaint);
    bool good = count > 0;
    if (!gd || !jl_file_begin(&file, path, complaint)) {
        return false;
    }
    for (size_t i = 0; good && i < count; i++) {
        uint32_t shown = milliseconds[i] < 20 ? 20 : milliseconds[i];
        gdImagePtr image = image_of(gd, &pictures[i]);
        int bytes = 0;
        good = image != NULL;
        if (good && i == 0) {
            void *head = gd->gdImageGifAnimBeginPtr(image, &bytes, 0, 0);
            good = put(gd, &file, head, bytes);
        }
        if (good) {
            void *frame = gd->gdImageGifAnimAddPtr(image, &bytes, 1, 0, 0, (int)(shown + 5) / 10,
                                                   gdDisposalNone, NULL);
            good = put(gd, &file, frame, bytes);
        }
        if (image) {
            gd->gdImageDestroy(image);
        }
    }
    if (good) {
        int bytes = 0;
        void *tail = gd->gdImageGifAnimEndPtr(&bytes);
        good = put(gd, &file, tail, bytes);
    }
    if (!good) {
        jl_file_abandon(&file);
        return jl_complain(complaint, "%s: the animation could not be written", path);
    }
    return jl_file_commit(&file, complaint);
}
