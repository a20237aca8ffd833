/* Pictures from files. libgd decodes, scales and finds palettes; sizes are checked before it. */
#include "jadelamp/host/pixmap.h"

#include <errno.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <sys/stat.h>

#include "gd_library.h"

enum { MOST_FILE_BYTES = 1 << 28 };

bool jl_pixmap_create(struct jl_pixmap *pixmap, int width, int height) {
    *pixmap = (struct jl_pixmap){0, 0, NULL};
    if (width < 1 || height < 1 || width > JL_PIXMAP_SIDE || height > JL_PIXMAP_SIDE ||
        (long)width * height > JL_PIXMAP_PIXELS) {
        return false;
    }
    pixmap->rgba = calloc((size_t)width * (size_t)height, 4);
    pixmap->width = width;
    pixmap->height = height;
    return pixmap->rgba != NULL;
}

void jl_pixmap_free(struct jl_pixmap *pixmap) {
    free(pixmap->rgba);
    *pixmap = (struct jl_pixmap){0, 0, NULL};
}

static uint8_t *at(const struct jl_pixmap *pixmap, int x, int y) {
    return pixmap->rgba + ((size_t)y * (size_t)pixmap->width + (size_t)x) * 4;
}

static void replace(struct jl_pixmap *pixmap, struct jl_pixmap *with) {
    jl_pixmap_free(pixmap);
    *pixmap = *with;
}

/* ---- what a file claims to be, before anything is allocated for it ---- */

struct claim {
    const char *kind;
    long width, height;
    enum { PNG, GIF, BMP, JPEG } format;
};

static long big_endian(const uint8_t *bytes, int count) {
    long value = 0;
    while (count--) {
        value = value << 8 | *bytes++;
    }
    return value;
}

static long little_endian(const uint8_t *bytes, int count) {
    long value = 0;
    while (count--) {
        value = value << 8 | bytes[count];
    }
    return value;
}

/* Segments up to the frame header, SOF0..SOF15 (ISO 10918-1, B.1.1.3). */
static bool find_jpeg_size(const uint8_t *bytes, size_t size, struct claim *claim) {
    size_t place = 2;
    while (place + 9 < size && bytes[place] == 0xFF) {
        uint8_t marker = bytes[place + 1];
        if (marker >= 0xC0 && marker <= 0xCF && marker != 0xC4 && marker != 0xC8 &&
            marker != 0xCC) {
            claim->height = big_endian(bytes + place + 5, 2);
            claim->width = big_endian(bytes + place + 7, 2);
            return true;
        }
        /* Fill bytes stand alone, other segments have a length. */
        place += marker == 0xFF ? 1 : 2 + (size_t)big_endian(bytes + place + 2, 2);
    }
    return false;
}

static bool find_claim(const uint8_t *bytes, size_t size, struct claim *claim) {
    if (size >= 24 && memcmp(bytes, "\x89PNG\r\n\x1A\n", 8) == 0) {
        *claim = (struct claim){"PNG", big_endian(bytes + 16, 4), big_endian(bytes + 20, 4), PNG};
        return true;
    }
    if (size >= 10 && (memcmp(bytes, "GIF87a", 6) == 0 || memcmp(bytes, "GIF89a", 6) == 0)) {
        *claim =
            (struct claim){"GIF", little_endian(bytes + 6, 2), little_endian(bytes + 8, 2), GIF};
        return true;
    }
    if (size >= 26 && memcmp(bytes, "BM", 2) == 0) {
        bool old = little_endian(bytes + 14, 4) == 12; /* sizes of 16 bits */
        long height = little_endian(bytes + (old ? 20 : 22), old ? 2 : 4);
        *claim = (struct claim){"BMP", little_endian(bytes + 18, old ? 2 : 4), height, BMP};
        if (!old && height > 0x7FFFFFFF) { /* negative: rows from the top */
            claim->height = 0x100000000 - height;
        }
        return true;
    }
    if (size >= 4 && memcmp(bytes, "\xFF\xD8\xFF", 3) == 0) {
        *claim = (struct claim){"JPEG", 0, 0, JPEG};
        return find_jpeg_size(bytes, size, claim);
    }
    return false;
}

/* ---- files ---- */

static uint8_t *read_file(const char *path, size_t *size, struct jl_complaint *complaint) {
    struct stat info;
    FILE *stream = stat(path, &info) == 0 && S_ISDIR(info.st_mode) ? NULL : fopen(path, "rb");
    if (!stream) {
        jl_complain(complaint, "cannot read the picture %s: %s", path,
                    errno ? strerror(errno) : "it is a directory");
        return NULL;
    }
    uint8_t *bytes = NULL;
    if (info.st_size < 1 || info.st_size > MOST_FILE_BYTES) {
        jl_complain(complaint, "cannot read the picture %s: it has %lld bytes, expected 1 to %d",
                    path, (long long)info.st_size, MOST_FILE_BYTES);
    } else if (!(bytes = malloc((size_t)info.st_size))) {
        jl_complain(complaint, "out of memory for %s", path);
    } else {
        *size = fread(bytes, 1, (size_t)info.st_size, stream);
    }
    fclose(stream);
    return bytes;
}

static gdImagePtr decode(const struct gd_library *gd, const struct claim *claim, size_t size,
                         void *bytes) {
    switch (claim->format) {
    case PNG:
        return gd->gdImageCreateFromPngPtr((int)size, bytes);
    case GIF:
        return gd->gdImageCreateFromGifPtr((int)size, bytes);
    case BMP:
        return gd->gdImageCreateFromBmpPtr((int)size, bytes);
    default:
        return gd->gdImageCreateFromJpegPtr((int)size, bytes);
    }
}

/* Solid is 0 in libgd, and clear 127. The image is destroyed. */
static bool take_picture(const struct gd_library *gd, gdImagePtr image, struct jl_pixmap *pixmap) {
    bool good = image && gd->gdImagePaletteToTrueColor(image) &&
                jl_pixmap_create(pixmap, gdImageSX(image), gdImageSY(image));
    for (int i = 0; good && i < pixmap->width * pixmap->height; i++) {
        int color = gdImageTrueColorPixel(image, i % pixmap->width, i / pixmap->width);
        uint8_t *pixel = pixmap->rgba + (size_t)i * 4;
        pixel[0] = (uint8_t)gdTrueColorGetRed(color);
        pixel[1] = (uint8_t)gdTrueColorGetGreen(color);
        pixel[2] = (uint8_t)gdTrueColorGetBlue(color);
        pixel[3] = (uint8_t)(255 - gdTrueColorGetAlpha(color) * 255 / 127);
    }
    if (image) {
        gd->gdImageDestroy(image);
    }
    return good;
}

static gdImagePtr to_gd(const struct gd_library *gd, const struct jl_pixmap *pixmap) {
    gdImagePtr image = gd->gdImageCreateTrueColor(pixmap->width, pixmap->height);
    for (int y = 0; image && y < pixmap->height; y++) {
        for (int x = 0; x < pixmap->width; x++) {
            const uint8_t *pixel = at(pixmap, x, y);
            gdImageTrueColorPixel(image, x, y) =
                gdTrueColorAlpha(pixel[0], pixel[1], pixel[2], 127 - pixel[3] * 127 / 255);
        }
    }
    return image;
}

static void be_silent(int priority, const char *format, va_list arguments) {
    (void)priority;
    (void)format;
    (void)arguments;
}

bool jl_pixmap_read(const char *path, struct jl_pixmap *pixmap, struct jl_complaint *complaint) {
    const struct gd_library *gd = jl_host_gd(complaint);
    struct claim claim;
    size_t size = 0;
    *pixmap = (struct jl_pixmap){0, 0, NULL};
    errno = 0;
    uint8_t *bytes = gd ? read_file(path, &size, complaint) : NULL;
    if (!bytes) {
        return false;
    }
    bool good = find_claim(bytes, size, &claim);
    if (!good) {
        jl_complain(complaint, "%s: expected a PNG, JPEG, GIF or BMP picture", path);
    } else if (claim.width < 1 || claim.height < 1 || claim.width > JL_PIXMAP_SIDE ||
               claim.height > JL_PIXMAP_SIDE || claim.width * claim.height > JL_PIXMAP_PIXELS) {
        good = jl_complain(complaint,
                           "%s: a %s picture of %ld x %ld: expected 1 to %d a side and at most %d "
                           "pixels in all",
                           path, claim.kind, claim.width, claim.height, JL_PIXMAP_SIDE,
                           JL_PIXMAP_PIXELS);
    } else {
        gd->gdSetErrorMethod(be_silent);
        good =
            take_picture(gd, decode(gd, &claim, size, bytes), pixmap) ||
            jl_complain(complaint, "%s: the %s picture is broken or cut short", path, claim.kind);
    }
    free(bytes);
    return good;
}

/* ---- changes ---- */

bool jl_pixmap_crop(struct jl_pixmap *pixmap, int x, int y, int width, int height) {
    struct jl_pixmap part;
    if (x < 0 || y < 0 || x > pixmap->width || y > pixmap->height || width > pixmap->width - x ||
        height > pixmap->height - y || !jl_pixmap_create(&part, width, height)) {
        return false;
    }
    for (int row = 0; row < height; row++) {
        memcpy(at(&part, 0, row), at(pixmap, x, y + row), (size_t)width * 4);
    }
    replace(pixmap, &part);
    return true;
}

static bool turn_once(struct jl_pixmap *pixmap) {
    struct jl_pixmap turned;
    if (!jl_pixmap_create(&turned, pixmap->height, pixmap->width)) {
        return false;
    }
    for (int y = 0; y < turned.height; y++) {
        for (int x = 0; x < turned.width; x++) {
            memcpy(at(&turned, x, y), at(pixmap, y, pixmap->height - 1 - x), 4);
        }
    }
    replace(pixmap, &turned);
    return true;
}

bool jl_pixmap_turn(struct jl_pixmap *pixmap, int quarters) {
    bool good = true;
    for (int i = 0; i < (quarters & 3) && good; i++) {
        good = turn_once(pixmap);
    }
    return good;
}

bool jl_pixmap_scale(struct jl_pixmap *pixmap, int width, int height) {
    struct jl_pixmap scaled;
    const struct gd_library *gd = jl_host_gd(NULL);
    if (width == pixmap->width && height == pixmap->height) {
        return true;
    }
    if (!gd || !jl_pixmap_create(&scaled, width, height)) { /* the size, and is there room? */
        return false;
    }
    jl_pixmap_free(&scaled);
    gdImagePtr image = to_gd(gd, pixmap), other = NULL;
    if (image) {
        gd->gdImageSetInterpolationMethod(image, GD_CATMULLROM);
        other = gd->gdImageScale(image, (unsigned)width, (unsigned)height);
        gd->gdImageDestroy(image);
    }
    bool good = take_picture(gd, other, &scaled);
    if (good) {
        replace(pixmap, &scaled);
    }
    return good;
}

/* All colours, if there are no more than that; else 0. */
static int exact_palette(const struct jl_pixmap *pixmap, int most, uint32_t *palette) {
    int used = 0;
    for (int i = 0; i < pixmap->width * pixmap->height; i++) {
        const uint8_t *p = pixmap->rgba + (size_t)i * 4;
        uint32_t color = (uint32_t)(p[0] << 16 | p[1] << 8 | p[2]);
        int found = 0;
        while (found < used && palette[found] != color) {
            found++;
        }
        if (found == most) {
            return 0;
        }
        palette[found] = color;
        used = found == used ? used + 1 : used;
    }
    return used;
}

int jl_pixmap_palette(const struct jl_pixmap *pixmap, int most, uint32_t *palette) {
    int used = exact_palette(pixmap, most, palette);
    if (used) {
        memset(palette + used, 0, (size_t)(most - used) * sizeof *palette);
        return used;
    }
    const struct gd_library *gd = jl_host_gd(NULL);
    gdImagePtr image = gd ? to_gd(gd, pixmap) : NULL;
    memset(palette, 0, (size_t)most * sizeof *palette);
    if (image && gd->gdImageTrueColorToPalette(image, 0, most)) {
        used = gdImageColorsTotal(image);
        for (int i = 0; i < used; i++) {
            palette[i] = (uint32_t)(gdImageRed(image, i) << 16 | gdImageGreen(image, i) << 8 |
                                    gdImageBlue(image, i));
        }
    }
    if (image) {
        gd->gdImageDestroy(image);
    }
    return used;
}
