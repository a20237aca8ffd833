/* Images from elsewhere: what jl_image_check() lets through can be drawn. */
#include "fuzz.h"
#include "jadelamp/jadelamp.h"

int LLVMFuzzerTestOneInput(const uint8_t *data, size_t size) {
    static const struct jl_format *const formats[] = {
        &jl_mono_columns, &jl_mono_rows, &jl_grey2,    &jl_grey4,
        &jl_rgb332,       &jl_rgb565,    &jl_rgb666,   &jl_black_white_red,
        &jl_palette1,     &jl_palette4,  &jl_palette8, &jl_rgb565_cpu};
    static jl_color palette[256];
    static uint8_t pixels[64 * 64 * 3];
    struct jl_frame frame;
    if (size < 4) {
        return 0;
    }
    struct jl_image image = {.format = formats[data[0] % 12],
                             .pixels = data + 4,
                             .width = (int16_t)(data[1] % 100),
                             .height = (int16_t)(data[2] % 100),
                             .palette = palette,
                             .packing = data[3] & 1 ? &jl_packing_runs : NULL};
    if (image.format == &jl_rgb565_cpu && !image.packing) {
        return 0; /* its memory must be aligned */
    }
    if (jl_image_check(&image, size - 4) == JL_OK &&
        jl_frame_init(&frame, &jl_rgb888, 64, 64, pixels, sizeof pixels) == JL_OK) {
        jl_draw_image(&frame.target, (int16_t)(data[3] % 80 - 40), -5, &image);
    }
    return 0;
}
