/* Screen sheets: what is read can be drawn, with any values of its ranges. */
#include <stdlib.h>
#include <string.h>

#include "fuzz.h"
#include "jadelamp/frame.h"
#include "jadelamp/host/screen_sheet.h"

int LLVMFuzzerTestOneInput(const uint8_t *data, size_t size) {
    static struct jl_screen_state state, shown;
    static uint8_t pixels[256 * 256 * 2];
    struct jl_complaint complaint = {""};
    struct jl_frame frame;
    const struct jl_screen_glass glass = {.colors = (enum jl_screen_colors)(size % 3)};
    struct jl_screen *screen =
        jl_screen_read_text("sheet", (const char *)data, size, &glass, &complaint);
    if (!screen) {
        if (!*complaint.text) {
            abort(); /* refused without a word */
        }
        return 0;
    }
    if (jl_frame_init(&frame, &jl_rgb565, 256, 256, pixels, sizeof pixels) != JL_OK) {
        abort();
    }
    for (int step = 0; step < 3; step++) {
        shown = state;
        jl_screen_sample(screen, step, &state);
        for (int i = 0; step && i < jl_screen_value_count(screen); i++) {
            struct jl_screen_value value = jl_screen_value(screen, i);
            state.numbers[i] = step == 1 ? value.least : value.most;
        }
        for (state.page = 0; state.page < jl_screen_page_count(screen); state.page++) {
            jl_screen_draw(screen, &state, &frame.target);
        }
        state.page = 0;
        jl_screen_update(screen, &shown, &state, &frame.target);
        struct jl_event tap = {.kind = JL_EVENT_TAP, .x = 20, .y = 20};
        jl_screen_event(screen, &tap, &state);
    }
    jl_screen_free(screen);
    return 0;
}
