/* Text art, as characters and as a font. */
#include "fuzz.h"
#include "jadelamp/host/bake_font.h"
#include "jadelamp/host/glyph_art.h"

int LLVMFuzzerTestOneInput(const uint8_t *data, size_t size) {
    struct jl_glyph_art art;
    struct jl_baked_font baked;
    struct jl_complaint complaint;
    const char *path = fuzz_file(data, size);
    jl_glyph_art_read(path, &art, &complaint);
    if (jl_bake_art_font(path, 0, &baked, &complaint)) {
        jl_baked_font_free(&baked);
    }
    FILE *nowhere = fopen("/dev/null", "w");
    jl_print_baked_font(path, nowhere, &complaint);
    fclose(nowhere);
    return 0;
}
