/* The look of a button. */
#include "instrument.h"
#include "jadelamp/shapes.h"

void jl_draw_key_cap(struct jl_target *target, struct jl_rect box, const struct jl_theme *theme,
                     const char *label, uint8_t look) {
    bool pressed = look & LOOK_PRESSED;
    jl_color paper = pressed ? theme->accent : theme->face;
    jl_color ink = pressed ? theme->back : (look & LOOK_DISABLED) ? theme->line : theme->ink;
    int16_t radius = (int16_t)(box.h / 5);
    struct jl_text_style style = jl_theme_text(theme->font, ink, JL_CLEAR);
    jl_fill_rect(target, box, theme->back);
    jl_fill_rounded(target, box, radius, paper);
    jl_stroke_rounded(target, box, radius, look & LOOK_DISABLED ? theme->unlit : theme->line);
    if (look & LOOK_FOCUSED) {
        jl_stroke_rounded(target, jl_inset(box, 2), radius, pressed ? theme->back : theme->accent);
    }
    if (label) {
        jl_text_box(target, jl_inset(box, 1), JL_ANCHOR_CENTRE | JL_ANCHOR_MIDDLE, label, &style);
    }
}
