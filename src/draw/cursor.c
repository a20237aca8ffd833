/* Printing that goes on where it ended. */
#include "jadelamp/draw.h"
#include "jadelamp/format.h"
#include "text_cells.h"

void jl_cursor_begin(struct jl_cursor *cursor, struct jl_target *target, struct jl_rect box,
                     const struct jl_text_style *style) {
    *cursor =
        (struct jl_cursor){.target = target, .style = style, .box = box, .x = box.x, .y = box.y};
}

static void new_line(struct jl_cursor *cursor) {
    int32_t y = (int32_t)cursor->y + jl_line_pitch(cursor->style);
    cursor->x = cursor->box.x;
    cursor->y = (int16_t)(y < INT16_MAX ? y : INT16_MAX);
}

uint16_t jl_print(struct jl_cursor *cursor, const char *text) {
    struct jl_target *target = cursor->target;
    const struct jl_rect *box = &cursor->box;
    int32_t end = (int32_t)box->x + box->w;
    uint16_t missing = 0;
    uint32_t code;
    struct jl_rect before = jl_target_clip(target, *box);
    for (const char *at = text; (code = jl_utf8_next(&at)) != 0; text = at) {
        struct jl_text_glyph found;
        if (code == '\n') {
            new_line(cursor);
            continue;
        }
        jl_text_cell(cursor->style, code, &found);
        int32_t behind = (int32_t)cursor->x + found.glyph.advance;
        if (behind > end && !cursor->cut && cursor->x > box->x) {
            new_line(cursor);
            behind = (int32_t)cursor->x + found.glyph.advance;
        }
        missing = (uint16_t)(missing +
                             jl_text_part(target, cursor->x, cursor->y, text, at, cursor->style));
        cursor->x = (int16_t)(behind < INT16_MAX ? behind : INT16_MAX);
    }
    jl_target_unclip(target, before);
    return missing;
}

uint16_t jl_print_number(struct jl_cursor *cursor, int32_t value, uint8_t decimals) {
    char digits[JL_FORMAT_BYTES];
    jl_format_fixed(digits, sizeof digits, value, decimals);
    return jl_print(cursor, digits);
}
