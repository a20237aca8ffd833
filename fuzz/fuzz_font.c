/* Packed fonts: what jl_font_open() lets through can be drawn. */
#include "fuzz.h"
#include "jadelamp/jadelamp.h"

int LLVMFuzzerTestOneInput(const uint8_t *data, size_t size) {
    static uint8_t pixels[64 * 64 * 3];
    struct jl_font font;
    struct jl_frame frame;
    if (jl_font_open(&font, data, size) == JL_OK &&
        jl_frame_init(&frame, &jl_rgb888, 64, 64, pixels, sizeof pixels) == JL_OK) {
        const struct jl_text_style style = {.font = &font, .ink = JL_WHITE};
        jl_text(&frame.target, 3, 3, "Abg \u00C4\u0416\u96E8\x7F", &style);
    }
    return 0;
}
