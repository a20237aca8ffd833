/* A page of text: four fonts, icons through the fallback chain, alignment, wrapping, ellipsis. */
#include "drawing.h"

enum { WIDTH = 320, HEIGHT = 200 };

static const struct jl_font *const with_icons[] = {&jl_font_5x7_greek_cyrillic, &jl_font_icons12,
                                                   NULL};

static const struct jl_text_style title = {
    .font = &jl_font_5x7, .ink = JL_YELLOW, .paper = JL_CLEAR, .fallbacks = with_icons};
static const struct jl_text_style body = {
    .font = &jl_font_5x7, .ink = JL_WHITE, .paper = JL_CLEAR, .fallbacks = with_icons};
static const struct jl_text_style medium = {
    .font = &jl_font_8x13, .ink = JL_WHITE, .paper = JL_CLEAR};
static const struct jl_text_style small = {
    .font = &jl_font_3x5, .ink = JL_SILVER, .paper = JL_CLEAR};
static const struct jl_text_style big = {
    .font = &jl_font_digits28, .ink = JL_AQUA, .paper = JL_CLEAR};
static const struct jl_text_style icons = {
    .font = &jl_font_icons12, .ink = JL_ORANGE, .paper = JL_CLEAR};

static void draw(struct jl_frame *frame, int step) {
    struct jl_target *t = &frame->target;
    (void)step;
    jl_clear(t, JL_RGB(8, 14, 24));
    jl_text_at(t, WIDTH / 2, 6, JL_ANCHOR_CENTRE, "\uE004 Heron Quay \uE004", &title);
    jl_fill_rect(t, (struct jl_rect){8, 22, WIDTH - 16, 1}, JL_TEAL);

    jl_text(t, 10, 28, "3.91m", &big);
    jl_text_at(t, 132, 30, JL_ANCHOR_LEFT, "\uE006 marée haute à 15:14", &body);
    jl_text_at(t, 132, 44, JL_ANCHOR_LEFT, "Wind SSW 17 kn, 12 °C ±1", &body);

    jl_text_box(t, (struct jl_rect){10, 66, 148, 80}, JL_TEXT_WRAP,
                "Größere Boote: Schleuse! Año, ¿qué? Ålesund, Þórshöfn, fjgpqy @ 0123456789",
                &medium);
    jl_text_box(t, (struct jl_rect){170, 66, 140, 60}, JL_TEXT_WRAP | JL_ANCHOR_RIGHT,
                "Θαλασσα, πυλη λιμενος. Причал закрыт, шлюз.", &body);
    jl_text_box(t, (struct jl_rect){170, 116, 140, 12}, JL_TEXT_ELLIPSIS | JL_ANCHOR_RIGHT,
                "missing: \u0152; what does not fit ends in dots", &body);

    jl_text(t, 10, 148,
            "micro: 47 \u03A9, 100 \u00B5F, \u2190 \u2191 \u2192 \u2193, déjà vu, the quick brown "
            "fox 0123456789",
            &small);
    jl_text(t, 10, 157, "MICRO CAPITALS: PACK MY BOX WITH FIVE DOZEN JUGS !?#%&()*+,-./:;", &small);
    for (uint16_t i = 0; i < 24; i++) {
        char text[4] = {(char)0xEE, (char)0x80, (char)(0x80 + i), 0}; /* U+E000 + i */
        jl_text(t, (int16_t)(10 + i % 12 * 25), (int16_t)(168 + i / 12 * 15), text, &icons);
    }
}

const struct drawing drawing = {&jl_rgb565, WIDTH, HEIGHT, 1, 4, draw};
