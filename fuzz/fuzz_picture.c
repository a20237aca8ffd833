/* Pictures: what they claim, and what libgd makes of them. */
#include "fuzz.h"
#include "jadelamp/host/pixmap.h"

int LLVMFuzzerTestOneInput(const uint8_t *data, size_t size) {
    struct jl_pixmap pixmap;
    struct jl_complaint complaint;
    if (jl_pixmap_read(fuzz_file(data, size), &pixmap, &complaint)) {
        jl_pixmap_free(&pixmap);
    }
    return 0;
}
