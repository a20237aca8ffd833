/* A line of text in a field of its own. */
#include "jadelamp/draw.h"
#include "text_cells.h"

uint16_t jl_text_field(struct jl_target *target, int16_t x, int16_t y, int16_t width, uint8_t align,
                       const char *text, const struct jl_text_style *style) {
    int16_t height = style->font->height;
    int32_t used = jl_text_width(style, text);
    int32_t room = (int32_t)width - used;
    int32_t before = align & JL_ANCHOR_RIGHT ? room : align & JL_ANCHOR_CENTRE ? room / 2 : 0;
    if (width < 1 || x + before < INT16_MIN) {
        return 0;
    }
    struct jl_rect outside = jl_target_clip(target, (struct jl_rect){x, y, width, height});
    if (room > 0) {
        int32_t behind = x + before + used;
        jl_fill_rect(target, (struct jl_rect){x, y, (int16_t)before, height}, style->paper);
        if (behind <= INT16_MAX) {
            struct jl_rect rest = {(int16_t)behind, y, (int16_t)(room - before), height};
            jl_fill_rect(target, rest, style->paper);
        }
    }
    uint16_t missing = 0;
    if (x + before <= INT16_MAX) {
        missing = jl_text_part(target, (int16_t)(x + before), y, text, NULL, style);
    }
    jl_target_unclip(target, outside);
    return missing;
}
