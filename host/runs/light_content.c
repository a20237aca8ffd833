/* Content of the user's own, through the library, as a program would show it. */
#include "light_content.h"

#include <stdio.h>

#include "jadelamp/draw.h"
#include "jadelamp/text.h"

/* Paper is white, all other glass dark. */
static jl_color ground_of(const struct jl_frame *frame) {
    return frame->format->clear[0] ? JL_WHITE : JL_BLACK;
}

void jl_host_draw_test_card(struct jl_frame *frame, const char *title) {
    unsigned bits = frame->format->bits_per_pixel;
    if (frame->format->clear[0]) { /* fresh frames are white paper */
        jl_draw_paper_test_card(&frame->target, title);
    } else if (bits == 1) {
        jl_draw_test_card(&frame->target, title);
    } else if (bits <= 4) {
        jl_draw_grey_test_card(&frame->target, title);
    } else {
        jl_draw_color_test_card(&frame->target, title);
    }
}

void jl_host_draw_text(struct jl_frame *frame, const char *text) {
    static const struct jl_font *const fonts[] = {&jl_font_8x13, &jl_font_5x7, &jl_font_3x5};
    static const struct jl_font *const others[] = {&jl_font_5x7_greek_cyrillic, &jl_font_icons12,
                                                   NULL};
    struct jl_target *target = &frame->target;
    jl_color ground = ground_of(frame);
    struct jl_text_style style = {
        .ink = ground == JL_BLACK ? JL_WHITE : JL_BLACK, .paper = ground, .fallbacks = others};
    uint8_t options = JL_ANCHOR_CENTRE | JL_ANCHOR_MIDDLE | JL_TEXT_WRAP;
    for (size_t i = 0; i < sizeof fonts / sizeof fonts[0]; i++) {
        style.font = fonts[i];
        struct jl_text_size size = jl_text_box_size(target->width, options, text, &style);
        if (size.width <= target->width && size.height <= target->height) {
            break;
        }
    }
    jl_clear(target, ground);
    jl_text_box(target, (struct jl_rect){0, 0, target->width, target->height},
                (uint8_t)(options | JL_TEXT_ELLIPSIS), text, &style);
}

/* Bytes of the first `most` characters, up to a line end. */
static size_t row_bytes(const char *text, int most) {
    size_t at = 0;
    for (int count = 0; text[at] && text[at] != '\n'; at++) {
        count += (text[at] & 0xC0) != 0x80; /* the first byte of a character */
        if (count > most) {
            break;
        }
    }
    return at;
}

jl_status jl_host_cells_text(struct jl_char_panel *panel, const char *text) {
    char row_text[4 * 80 + 1];
    jl_char_clear(panel);
    for (uint8_t row = 0; row < panel->config->rows && *text; row++) {
        size_t bytes = row_bytes(text, panel->config->columns);
        snprintf(row_text, sizeof row_text, "%.*s", (int)bytes, text);
        jl_char_put(panel, 0, row, row_text);
        text += bytes;
        text += *text == '\n';
    }
    jl_status sent = jl_char_present(panel);
    jl_status first = jl_char_status(panel);
    return sent != JL_OK ? sent : first != JL_OK ? first : *text ? JL_TOO_WIDE : JL_OK;
}

bool jl_host_bake_for(const struct jl_rig *rig, const char *path, struct jl_baked_picture *baked,
                      struct jl_complaint *complaint) {
    struct jl_pixmap pixmap;
    if (rig->card.cells.bus) {
        return jl_complain(complaint, "%s is a character module, which shows no pictures",
                           rig->card.name);
    }
    struct jl_picture_recipe recipe = {
        .format = rig->frame.format,
        .width = rig->frame.target.width,
        .height = rig->frame.target.height,
        .dither = rig->frame.format->bits_per_pixel < 16 ? JL_BAKE_DIFFUSION : JL_BAKE_NEAREST,
        .plain = true};
    if (!jl_pixmap_read(path, &pixmap, complaint)) {
        return false;
    }
    bool good = jl_bake_pixmap(&pixmap, &recipe, baked, complaint);
    jl_pixmap_free(&pixmap);
    return good;
}

void jl_host_draw_picture(struct jl_frame *frame, const struct jl_baked_picture *baked) {
    struct jl_target *target = &frame->target;
    const struct jl_image *image = &baked->image;
    jl_clear(target, ground_of(frame));
    jl_draw_image(target, (int16_t)((target->width - image->width) / 2),
                  (int16_t)((target->height - image->height) / 2), image);
}
