/* Names of the pixel formats. */
#include <stdio.h>
#include <string.h>

#include "jadelamp/host/bake_picture.h"

static const struct {
    const char *name, *constant, *order;
    const struct jl_format *format;
} formats[] = {
    {"mono-columns", "jl_mono_columns", "vertical bytes, bit 0 on top", &jl_mono_columns},
    {"mono-columns-msb", "jl_mono_columns_msb", "vertical bytes, bit 7 on top",
     &jl_mono_columns_msb},
    {"mono-rows", "jl_mono_rows", "rows, the left pixel in bit 7", &jl_mono_rows},
    {"grey2", "jl_grey2", "rows, the left pixel in bits 7..6", &jl_grey2},
    {"grey4", "jl_grey4", "rows, the left pixel in the high nibble", &jl_grey4},
    {"grey4-low", "jl_grey4_low", "rows, the left pixel in the low nibble", &jl_grey4_low},
    {"3-3-2", "jl_rgb332", "red in bits 7..5", &jl_rgb332},
    {"5-6-5", "jl_rgb565", "the byte with red first", &jl_rgb565},
    {"5-6-5-cpu", "jl_rgb565_cpu", "16-bit words of a little-endian processor", &jl_rgb565_cpu},
    {"6-6-6", "jl_rgb666", "three bytes, red first, in bits 7..2", &jl_rgb666},
    {"6-6-6-low", "jl_rgb666_low", "three bytes, red first, in bits 5..0", &jl_rgb666_low},
    {"8-8-8", "jl_rgb888", "three bytes, red first", &jl_rgb888},
    {"x-8-8-8", "jl_xrgb8888", "32-bit words of a little-endian processor", &jl_xrgb8888},
    {"palette1", "jl_palette1", "rows, the left pixel in bit 7", &jl_palette1},
    {"palette2", "jl_palette2", "rows, the left pixel in bits 7..6", &jl_palette2},
    {"palette4", "jl_palette4", "rows, the left pixel in the high nibble", &jl_palette4},
    {"palette8", "jl_palette8", "a byte a pixel", &jl_palette8},
    {"black-white", "jl_black_white", "rows, the left pixel in bit 7, fresh frames white",
     &jl_black_white},
    {"grey2-planes", "jl_grey2_planes",
     "two planes of rows, upper and lower bit, the left pixel in bit 7", &jl_grey2_planes},
    {"black-white-red", "jl_black_white_red",
     "two planes of rows, white and red, the left pixel in bit 7", &jl_black_white_red},
};

enum { COUNT = sizeof formats / sizeof formats[0] };

const struct jl_format *jl_bake_format(const char *name) {
    for (int i = 0; i < COUNT; i++) {
        if (strcmp(formats[i].name, name) == 0) {
            return formats[i].format;
        }
    }
    return NULL;
}

const char *jl_bake_format_name(const struct jl_format *format) {
    for (int i = 0; i < COUNT; i++) {
        if (formats[i].format == format) {
            return formats[i].name;
        }
    }
    return NULL;
}

const char *jl_bake_format_constant(const struct jl_format *format) {
    for (int i = 0; i < COUNT; i++) {
        if (formats[i].format == format) {
            return formats[i].constant;
        }
    }
    return NULL;
}

const char *jl_bake_format_order(const struct jl_format *format) {
    for (int i = 0; i < COUNT; i++) {
        if (formats[i].format == format) {
            return formats[i].order;
        }
    }
    return NULL;
}

const char *jl_bake_format_list(void) {
    static char list[320];
    list[0] = '\0';
    for (int i = 0; i < COUNT; i++) {
        size_t length = strlen(list);
        snprintf(list + length, sizeof list - length, "%s%s",
                 i == 0           ? ""
                 : i == COUNT - 1 ? " or "
                                  : ", ",
                 formats[i].name);
    }
    return list;
}
