/* Plain firmware code: black and red on white paper. */
#include "notice_board.h"

#include "jadelamp/compose.h"
#include "jadelamp/draw.h"
#include "jadelamp/format.h"
#include "jadelamp/icons.h"
#include "jadelamp/shapes.h"
#include "jadelamp/text.h"

enum { WIDTH = 296, HEIGHT = 128, BAR = 22, LEFT = 8, TIMES_TOP = 48, ROW = 16, RIGHT_HALF = 148 };

static const struct jl_font *const icons[] = {&jl_font_icons12, NULL};
static const struct jl_text_style title = {
    .font = &jl_font_8x13, .ink = JL_WHITE, .paper = JL_BLACK, .fallbacks = icons};
static const struct jl_text_style plain = {
    .font = &jl_font_8x13, .ink = JL_BLACK, .paper = JL_WHITE, .fallbacks = icons};
static const struct jl_text_style small = {
    .font = &jl_font_5x7, .ink = JL_BLACK, .paper = JL_WHITE};
static const struct jl_text_style red = {
    .font = &jl_font_8x13, .ink = JL_WHITE, .paper = JL_RED, .fallbacks = icons};

/* "HH:MM" */
static void time_text(char *out, int16_t minute) {
    jl_format_int(out, 3, minute / 60, 2, '0');
    out[2] = ':';
    jl_format_int(out + 3, 3, minute % 60, 2, '0');
}

void notice_board_clock(struct jl_target *target, int16_t minute) {
    char text[8];
    time_text(text, minute);
    jl_text_at(target, WIDTH - LEFT, 4, JL_ANCHOR_RIGHT | JL_ANCHOR_TOP, text, &title);
}

static void draw_times(struct jl_target *target, const struct notice_board *board) {
    jl_text(target, LEFT, TIMES_TOP - 16, "The sluice is open", &small);
    for (int i = 0; i < board->sluice_count; i++) {
        char text[24], opens[8], closes[8];
        struct jl_compose row;
        time_text(opens, board->sluice[i].opens);
        time_text(closes, board->sluice[i].closes);
        jl_compose_begin(&row, text, sizeof text);
        jl_compose_text(&row, JL_ICON_SLUICE " ", 0);
        jl_compose_text(&row, opens, 0);
        jl_compose_text(&row, " - ", 0);
        jl_compose_text(&row, closes, 0);
        jl_text(target, LEFT, (int16_t)(TIMES_TOP + ROW * i), text, &plain);
    }
}

void notice_board_draw(struct jl_target *target, const struct notice_board *board) {
    jl_clear(target, JL_WHITE);
    jl_fill_rect(target, (struct jl_rect){0, 0, WIDTH, BAR}, JL_BLACK);
    jl_text(target, LEFT, 4, "HERON QUAY", &title);
    notice_board_clock(target, board->minute);
    draw_times(target, board);
    if (*board->warning) {
        struct jl_rect box = {RIGHT_HALF, BAR + 6, WIDTH - RIGHT_HALF - 6, HEIGHT - BAR - 12};
        struct jl_rect text = {(int16_t)(box.x + 6), (int16_t)(box.y + 4), (int16_t)(box.w - 12),
                               (int16_t)(box.h - 8)};
        jl_fill_rect(target, box, JL_RED);
        jl_text_box(target, text, JL_ANCHOR_LEFT | JL_ANCHOR_MIDDLE | JL_TEXT_WRAP, board->warning,
                    &red);
    }
}
