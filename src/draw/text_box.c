/* Text in a box: lines are found by walking the characters twice, once to count, once to draw. */
#include "jadelamp/draw.h"
#include "text_cells.h"

struct line {
    const char *start;
    const char *end;  /* behind the last character to be drawn */
    const char *next; /* where the next line starts; NULL after the last */
    int32_t width;    /* of start..end, pixels */
};

static int32_t cell_width(const struct jl_text_style *style, uint32_t code) {
    struct jl_text_glyph found;
    jl_text_cell(style, code, &found);
    return found.glyph.advance;
}

/* The line that starts at `text`; `most` is the width to wrap at, or INT16_MAX. */
static struct line find_line(const struct jl_text_style *style, const char *text, int32_t most) {
    struct line line = {text, NULL, NULL, 0};
    struct line at_blank = line;
    const char *at = text;
    int32_t width = 0;
    for (;;) {
        const char *before = at;
        uint32_t code = jl_utf8_next(&at);
        if (code == 0 || code == '\n') {
            line.end = before;
            line.next = code ? at : NULL;
            line.width = width < INT16_MAX ? width : INT16_MAX;
            /* The last word may be the one that does not fit. */
            return width > most && at_blank.end ? at_blank : line;
        }
        if (code == ' ') {
            if (width > most && at_blank.end) {
                return at_blank;
            }
            at_blank = (struct line){text, before, at, width};
        }
        width += width < INT16_MAX ? cell_width(style, code) : 0;
    }
}

static void draw_line(struct jl_target *target, const struct jl_text_style *style,
                      const struct line *line, struct jl_rect box, int32_t y, uint8_t options,
                      bool shorten) {
    static const char dots[] = "...";
    int32_t dots_width = 3 * cell_width(style, '.');
    const char *end = line->end;
    int32_t width = line->width;
    if (shorten) {
        /* As many characters as leave room for the dots. */
        const char *at = line->start;
        end = at;
        width = 0;
        while (at != line->end) {
            int32_t cell = cell_width(style, jl_utf8_next(&at));
            if (width + cell + dots_width > box.w) {
                break;
            }
            width += cell;
            end = at;
        }
    }
    int32_t whole = width + (shorten ? dots_width : 0);
    int32_t x = box.x;
    if (options & JL_ANCHOR_RIGHT) {
        x += box.w - whole;
    } else if (options & JL_ANCHOR_CENTRE) {
        x += (box.w - whole) / 2;
    }
    if (x < INT16_MIN || x > INT16_MAX || y < INT16_MIN || y > INT16_MAX) {
        return;
    }
    jl_text_part(target, (int16_t)x, (int16_t)y, line->start, end, style);
    if (shorten && x + width <= INT16_MAX) {
        jl_text_part(target, (int16_t)(x + width), (int16_t)y, dots, NULL, style);
    }
}

struct jl_text_size jl_text_box_size(int16_t width, uint8_t options, const char *text,
                                     const struct jl_text_style *style) {
    struct jl_text_size size = {0, 0, 0};
    int32_t most = options & JL_TEXT_WRAP ? width : INT16_MAX;
    int32_t height = style->font->height;
    for (const char *at = text; at && size.lines < UINT16_MAX; size.lines++) {
        struct line line = find_line(style, at, most);
        size.width = (int16_t)(line.width > size.width ? line.width : size.width);
        height += size.lines ? jl_line_pitch(style) : 0;
        height = height < INT16_MAX ? height : INT16_MAX;
        at = line.next;
    }
    size.height = (int16_t)height;
    return size;
}

uint16_t jl_text_box(struct jl_target *target, struct jl_rect box, uint8_t options,
                     const char *text, const struct jl_text_style *style) {
    int32_t most = options & JL_TEXT_WRAP ? box.w : INT16_MAX;
    uint16_t lines = 0;
    for (const char *at = text; at && lines < UINT16_MAX; lines++) {
        at = find_line(style, at, most).next;
    }
    int32_t pitch = jl_line_pitch(style);
    int32_t spacing = pitch - style->font->height; /* not below the last line */
    int32_t fit = box.h < style->font->height ? 0 : (box.h + spacing) / pitch;
    bool cut = (options & JL_TEXT_ELLIPSIS) && lines > fit;
    int32_t shown = cut ? fit : lines;
    int32_t room = box.h - (shown * pitch - spacing);
    int32_t y = box.y;
    if ((options & JL_ANCHOR_BOTTOM) == JL_ANCHOR_BOTTOM) {
        y += room;
    } else if ((options & JL_ANCHOR_BOTTOM) == JL_ANCHOR_MIDDLE) {
        y += room / 2;
    }
    struct jl_rect before = jl_target_clip(target, box);
    const char *at = text;
    for (int32_t i = 0; i < shown && at; i++, y += pitch) {
        struct line line = find_line(style, at, most);
        bool shorten =
            (options & JL_TEXT_ELLIPSIS) && (line.width > box.w || (cut && i == shown - 1));
        draw_line(target, style, &line, box, y, options, shorten);
        at = line.next;
    }
    jl_target_unclip(target, before);
    return lines;
}
