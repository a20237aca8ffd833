/* Animated GIFs: what is counted before, and what is put together after giflib. */
#include "fuzz.h"
#include "jadelamp/host/bake_frames.h"

int LLVMFuzzerTestOneInput(const uint8_t *data, size_t size) {
    struct jl_film film;
    struct jl_complaint complaint;
    const char *path = fuzz_file(data, size);
    if (jl_film_read(&path, 1, 100, &film, &complaint)) {
        jl_film_free(&film);
    }
    return 0;
}
