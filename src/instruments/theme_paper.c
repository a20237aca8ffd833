/* 1 bit, black on white; red where there is red. */
#include "jadelamp/theme.h"

#include "jadelamp/font.h"

const struct jl_theme jl_theme_paper = {
    .back = JL_WHITE,
    .face = JL_WHITE,
    .ink = JL_BLACK,
    .line = JL_BLACK,
    .unlit = JL_WHITE,
    .accent = JL_BLACK,
    .good = JL_BLACK,
    .warn = JL_BLACK,
    .alarm = JL_RED,
    .font = &jl_font_6x8,
    .large = &jl_font_8x13,
};
