/*
 * ROM A00 (HD44780U datasheet, table 4): JIS X 0201 katakana, yen and arrows inside ASCII.
 */
#include "jadelamp/char_wiring.h"

static const struct jl_char_range JL_FLASH ranges[] = {
    {0x0020, 60, 0x20}, {0x005D, 33, 0x5D}, {0x00A0, 1, 0x20},
    {0x00A2, 2, 0xEC},  {0x00A5, 1, 0x5C}, /* ¥ */
    {0x00B0, 1, 0xDF},                     /* ° */
    {0x00B5, 1, 0xE4},                     /* µ */
    {0x00B7, 1, 0xA5},                     /* · */
    {0x00DF, 1, 0xE2},                     /* ß */
    {0x00E4, 1, 0xE1},                     /* ä */
    {0x00F1, 1, 0xEE},                     /* ñ */
    {0x00F6, 1, 0xEF},                     /* ö */
    {0x00F7, 1, 0xFD},                     /* ÷ */
    {0x00FC, 1, 0xF5},                     /* ü */
    {0x03A3, 1, 0xF6},                     /* Σ */
    {0x03A9, 1, 0xF4},                     /* Ω */
    {0x03B1, 1, 0xE0},                     /* α */
    {0x03B2, 1, 0xE2},                     /* β */
    {0x03B5, 1, 0xE3},                     /* ε */
    {0x03B8, 1, 0xF2},                     /* θ */
    {0x03BC, 1, 0xE4},                     /* μ */
    {0x03C0, 1, 0xF7},                     /* π */
    {0x03C1, 1, 0xE6},                     /* ρ */
    {0x03C3, 1, 0xE5},                     /* σ */
    {0x2126, 1, 0xF4},                     /* Ω */
    {0x2190, 1, 0x7F},                     /* ← */
    {0x2192, 1, 0x7E},                     /* → */
    {0x2211, 1, 0xF6},                     /* ∑ */
    {0x221A, 1, 0xE8},                     /* √ */
    {0x221E, 1, 0xF3},                     /* ∞ */
    {0x2588, 1, 0xFF},                     /* █ */
    {0x3001, 1, 0xA4},                     /* 、 */
    {0x3002, 1, 0xA1},                     /* 。 */
    {0x300C, 2, 0xA2},  {0x30FB, 1, 0xA5}, /* ・ */
    {0x30FC, 1, 0xB0},                     /* ー */
    {0x4E07, 1, 0xFB},                     /* 万 */
    {0x5186, 1, 0xFC},                     /* 円 */
    {0x5343, 1, 0xFA},                     /* 千 */
    {0xFF61, 63, 0xA1},
};

const struct jl_char_rom jl_char_rom_a00 = {ranges, sizeof ranges / sizeof ranges[0]};
