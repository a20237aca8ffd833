/* Sets of characters: ranges and text. */
#include <string.h>

#include "fuzz.h"
#include "jadelamp/host/bake_font.h"

int LLVMFuzzerTestOneInput(const uint8_t *data, size_t size) {
    static struct jl_code_set set;
    char text[300];
    size = size < sizeof text - 1 ? size : sizeof text - 1;
    memcpy(text, data, size);
    text[size] = '\0';
    jl_code_set_add_ranges(&set, text);
    jl_code_set_add_text(&set, text);
    return 0;
}
