/* 1 bit, lit on dark. */
#include "jadelamp/theme.h"

#include "jadelamp/font.h"

const struct jl_theme jl_theme_lit = {
    .back = JL_BLACK,
    .face = JL_BLACK,
    .ink = JL_WHITE,
    .line = JL_WHITE,
    .unlit = JL_BLACK,
    .accent = JL_WHITE,
    .good = JL_WHITE,
    .warn = JL_WHITE,
    .alarm = JL_WHITE,
    .font = &jl_font_6x8,
    .large = &jl_font_8x13,
};
