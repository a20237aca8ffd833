/* Scripts of hands. */
#include "fuzz.h"
#include "jadelamp/host/hand_script.h"

int LLVMFuzzerTestOneInput(const uint8_t *data, size_t size) {
    static struct jl_hand_script script;
    static char text[4096];
    struct jl_complaint complaint;
    size = size < sizeof text - 1 ? size : sizeof text - 1;
    memcpy(text, data, size);
    text[size] = '\0';
    jl_hand_script_read_text("hands", text, &script, &complaint);
    return 0;
}
