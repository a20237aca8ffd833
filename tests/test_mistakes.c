/*
 * Mistakes that firmware and wiring make, one at a time: what the glass shows then, by the geometry
 * of the mistake alone, and what a developer is told.
 */
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "harness.h"
#include "raw.h"

/* ---- a picture that has no symmetry, and how programs send it ---- */

static bool dot(int x, int y) {
    return (x * 5 + y * 3 + x * y / 7) % 11 < 4 || x == 0 || (y == 1 && x < 40);
}

/* Shades that flow, 5-6-5. */
static unsigned shade(int x, int y) {
    return (unsigned)(x / 8 & 31) << 11 | (unsigned)(y / 5 & 63) << 5 | (unsigned)((x + y) / 18);
}

static uint32_t seen_as(unsigned v) {
    unsigned r = v >> 11, g = v >> 5 & 63, b = v & 31;
    return (r << 3 | r >> 2) << 16 | (g << 2 | g >> 4) << 8 | (b << 3 | b >> 2);
}

static uint8_t page_byte(int column, int page) {
    unsigned byte = 0;
    for (int bit = 0; bit < 8; bit++) {
        byte |= (unsigned)dot(column, 8 * page + bit) << bit;
    }
    return (uint8_t)byte;
}

static uint8_t stream[320000];

/* 128 x 64 dots as pages, all of them or each with its own address from a column on. */
static size_t pages(void) {
    for (int i = 0; i < 1024; i++) {
        stream[i] = page_byte(i % 128, i / 128);
    }
    return 1024;
}

static void send_pages(struct raw *raw, int column) {
    char command[20];
    pages();
    for (int page = 0; page < 8; page++) {
        snprintf(command, sizeof command, "CB%d C%02X C%02X", page, column & 15,
                 0x10 | column >> 4);
        raw_play(raw, command);
        raw_send(raw, true, stream + 128 * page, 128);
    }
}

enum { W = 240, H = 320 };

/* A picture of so many pixels in bits a pixel; 17: 16 with the low byte first. */
static size_t shades(int width, int height, int bits) {
    size_t at = 0;
    for (int i = 0; i < width * height; i++) {
        unsigned v = shade(i % width, i / width), r = v >> 11, g = v >> 5 & 63, b = v & 31;
        switch (bits) {
        case 8:
            stream[at++] = (uint8_t)((r >> 2) << 5 | (g >> 3) << 2 | b >> 3);
            break;
        case 12:
            if (i % 2 == 0) {
                stream[at++] = (uint8_t)((r >> 1) << 4 | g >> 2);
                stream[at] = (uint8_t)((b >> 1) << 4);
            } else {
                stream[at] = (uint8_t)(stream[at] | r >> 1);
                stream[++at] = (uint8_t)((g >> 2) << 4 | b >> 1);
                at++;
            }
            break;
        case 16:
            stream[at++] = (uint8_t)(v >> 8);
            stream[at++] = (uint8_t)v;
            break;
        case 17:
            stream[at++] = (uint8_t)v;
            stream[at++] = (uint8_t)(v >> 8);
            break;
        default: /* 24, 32 */
            stream[at++] = (uint8_t)(r << 3);
            stream[at++] = (uint8_t)(g << 2);
            stream[at++] = (uint8_t)(b << 3);
            if (bits == 32) {
                stream[at++] = 0;
            }
            break;
        }
    }
    return at;
}

/* A script of raw_play() with more words: what "P..." sends is in the table below. */
static void play(struct raw *raw, const char *script) {
    char word[600];
    for (const char *at = script; *at; at += *at == ' ') {
        size_t length = strcspn(at, " ");
        snprintf(word, sizeof word, "%.*s", (int)length, at);
        int a = 0, b = 0, c = 0;
        if (strcmp(word, "Pall") == 0) {
            raw_send(raw, true, stream, pages());
        } else if (sscanf(word, "Ppages%d", &a) == 1) {
            send_pages(raw, a);
        } else if (sscanf(word, "Pblack%d", &a) == 1) {
            memset(stream, 0, sizeof stream);
            raw_send(raw, true, stream, (size_t)a);
        } else if (sscanf(word, "Pcut%d", &a) == 1) {
            raw_send(raw, true, stream, shades(W, H, 16) - (size_t)a);
        } else if (sscanf(word, "P%dx%dx%d", &a, &b, &c) == 3) {
            raw_send(raw, true, stream, shades(a, b, c));
        } else {
            raw_play(raw, word);
        }
        at += length;
    }
}

/* ---- glasses ---- */

/* What a place must show; ANYTHING: what it held before, such as noise. */
enum { ANYTHING = 0x1000000 };
typedef uint32_t (*shown_fn)(int x, int y);

#define DOT(column, row) (dot((column), (row)) ? 0xFFFFFFu : 0u)
#define SHOWN(name, color)                                                                         \
    static uint32_t name(int x, int y) {                                                           \
        (void)x;                                                                                   \
        (void)y;                                                                                   \
        return (color);                                                                            \
    }

SHOWN(black, 0)
SHOWN(lit, 0xFFFFFF)
SHOWN(upright, DOT(x, y))
SHOWN(interlaced, DOT(x, y % 2 ? 32 + y / 2 : y / 2))
SHOWN(lower_half, y < 32 ? 0 : DOT(x, y - 32))
SHOWN(left_right, DOT(127 - x, y))
SHOWN(up_down, DOT(x, 63 - y))
SHOWN(turned, DOT(127 - x, 63 - y))
SHOWN(rolled, DOT(x, (y + 8) % 64))
SHOWN(one_stripe, y < 8 ? DOT(x, 56 + y) : ANYTHING)
SHOWN(down_the_columns, DOT((8 * x + y / 8) % 128, (8 * x + y / 8) / 128 * 8 + y % 8))
SHOWN(second_half, DOT(x, y + 32))
SHOWN(two_further, x < 126 ? DOT(x + 2, y) : ANYTHING)
/* 00 and 07 of the column range set column 7 and 7F the start line 63 of a part with pages. */
SHOWN(a_stripe_from_7, (y + 63) % 64 < 8 && x + 2 >= 7 ? DOT(x + 2 - 7, (y + 63) % 64) : ANYTHING)

SHOWN(shades_upright, seen_as(shade(x, y)))
SHOWN(negative, seen_as(shade(x, y)) ^ 0xFFFFFF)
SHOWN(red_for_blue, (seen_as(shade(x, y)) & 0xFF) << 16 | (seen_as(shade(x, y)) & 0xFF00) |
                        seen_as(shade(x, y)) >> 16)
SHOWN(bytes_exchanged, seen_as((shade(x, y) << 8 & 0xFF00) | shade(x, y) >> 8))
SHOWN(beyond_2_and_1, x + 2 < 128 && y + 1 < 160 ? seen_as(shade(x + 2, y + 1)) : ANYTHING)
SHOWN(quarter_turn, seen_as(shade(y, W - 1 - x)))
SHOWN(on_its_side, y < W && x < W ? seen_as(shade(y, x)) : ANYTHING)
/* A window whose columns go on to EF00: its first line takes that many pixels. */
SHOWN(two_lines, y > 1 ? ANYTHING
                 : y * 0xEF01 + x < W * H
                     ? seen_as(shade((y * 0xEF01 + x) % W, (y * 0xEF01 + x) / W))
                     : ANYTHING)

/* A window at 20,30 of 101 x 80, and pixels of 100 x 80. */
static uint32_t slanted(int x, int y) {
    int i = (y - 30) * 101 + x - 20;
    bool inside = x >= 20 && x <= 120 && y >= 30 && i < 100 * 80;
    return inside ? seen_as(shade(i % 100, i / 100)) : 0;
}

/* Bytes of a stream taken three by three, six bits each; behind its end the black from before. */
static uint32_t by_three(int x, int y) {
    size_t at = 3 * ((size_t)y * W + (size_t)x);
    uint32_t color = 0;
    for (int i = 0; i < 3; i++) {
        unsigned v = stream[at + (size_t)i] >> 2;
        color = color << 8 | (v << 2 | v >> 4);
    }
    return at + 3 <= 2 * W * H ? color : 0;
}

/* ---- panels ---- */

static const struct front {
    const struct jl_emulated_part *part;
    struct jl_glass glass;
} low_oled = {&jl_emulated_ssd1306, {.width = 128, .height = 32}},
  oled = {&jl_emulated_ssd1306, {.width = 128, .height = 64}},
  locked = {&jl_emulated_ssd1309, {.width = 128, .height = 64, .external_supply = true}},
  pages_only = {&jl_emulated_sh1106, {.width = 128, .height = 64, .column_offset = 2}},
  lcd = {&jl_emulated_st7565, {.width = 128, .height = 64, .kind = JL_GLASS_LCD_GREEN}},
  small_lcd = {&jl_emulated_pcd8544, {.width = 84, .height = 48, .kind = JL_GLASS_LCD_GREEN}},
  grey = {&jl_emulated_ssd1322, {.width = 256, .height = 64, .column_offset = 112}},
  color_oled = {&jl_emulated_ssd1331, {.width = 96, .height = 64, .kind = JL_GLASS_COLOR_OLED}},
  rich_oled = {&jl_emulated_ssd1351, {.width = 128, .height = 128, .kind = JL_GLASS_COLOR_OLED}},
  tft = {&jl_emulated_ili9341, {.width = W, .height = H, .kind = JL_GLASS_TFT, .bgr = true}},
  ips = {&jl_emulated_st7789, {.width = W, .height = H, .kind = JL_GLASS_TFT, .ips = true}},
  large_tft = {&jl_emulated_ili9488, {.width = W, .height = H, .kind = JL_GLASS_TFT}},
  moved_tft =
      {&jl_emulated_st7735,
       {.width = 128, .height = 160, .column_offset = 2, .row_offset = 1, .kind = JL_GLASS_TFT}},
  paper = {&jl_emulated_ssd1680, {.width = 122, .height = 250, .kind = JL_GLASS_PAPER}};

#define OLED_SET  "CAE CD580 CA83F CD300 C40 C8D14 C2000 CA1 CC8 CDA12 C81CF CD9F1 CDB40 CA4 CA6 "
#define OLED_ALL  "C21007F C220007 Pall "
#define OLED_WAKE "R ~1 " OLED_SET
#define SH_WAKE   "R ~1 CAE CD580 CA83F CD300 C40 CAD8B CA1 CC8 CDA12 C81CF CD9F1 CDB40 CA4 CA6 "
#define LCD_WAKE  "R ~6 CA2 CA0 CC8 C25 C8120 C2C ~50 C2E ~50 C2F ~10 "
#define TFT_WAKE  "R ~120 C11 ~120 C3A D55 C36 D08 "
#define TFT_ALL   "C2A D000000EF C2B D0000013F C2C P240x320x16 "
#define TFT_BLACK "C2A D000000EF C2B D0000013F C2C Pblack230400 "
#define IPS_WAKE  "R ~120 C11 ~120 C3A D55 C36 D00 C21 "

/* One pixel in a window of its own, eight times. */
#define PIXEL "C2A D00010001 C2B D00010001 C2C DF800 "
#define EIGHT PIXEL PIXEL PIXEL PIXEL PIXEL PIXEL PIXEL PIXEL
#define TWO   "C2A D00010001 C2B D00010002 C2C DF800F800 "
#define TWOS  TWO TWO TWO TWO TWO TWO TWO TWO

enum { RIGHT = -1 };

static void each_shows_and_is_told(void) {
    static const struct {
        const char *name;
        const struct front *front;
        const char *script;
        unsigned wiring; /* sum of enum raw_wiring */
        int code;        /* RIGHT: nothing is wrong */
        shown_fn shown;  /* NULL: something else than the right picture */
        const char *says;
    } rows[] = {
        {"right", &oled, OLED_WAKE OLED_ALL "CAF ~150", 0, RIGHT, upright, ""},
        /* the wires */
        {"D/C low", &oled, OLED_WAKE OLED_ALL "CAF ~150", RAW_DC_LOW, JL_CODE_DC_STUCK, NULL,
         "none with D/C high"},
        {"D/C high", &oled, OLED_WAKE OLED_ALL "CAF ~150", RAW_DC_HIGH, JL_CODE_DATA_FIRST, black,
         "none was taken for a command"},
        {"D/C inverted", &oled, OLED_WAKE OLED_ALL "CAF ~150", RAW_DC_INVERTED, JL_CODE_DATA_FIRST,
         black, "data AE before any command: is D/C wired and the right way round?"},
        {"CS never low", &oled, OLED_WAKE OLED_ALL "CAF ~150", RAW_CS_HIGH, JL_CODE_NONE_SELECTED,
         black, "CS was high whenever a byte passed"},
        {"low bit first", &oled, OLED_WAKE OLED_ALL "CAF ~150", RAW_LOW_BIT_FIRST,
         JL_CODE_BITS_REVERSED, black, "the least significant bit comes first"},
        {"low bit first, TFT", &tft, TFT_WAKE TFT_ALL "C29 ~50", RAW_LOW_BIT_FIRST,
         JL_CODE_BITS_REVERSED, black, "the least significant bit comes first"},
        {"D/C high, TFT", &tft, TFT_WAKE TFT_ALL "C29 ~50", RAW_DC_HIGH, JL_CODE_DATA_FIRST, black,
         "none was taken for a command"},
        {"D/C inverted, TFT", &tft, TFT_WAKE TFT_ALL "C29 ~50", RAW_DC_INVERTED, JL_CODE_DATA_FIRST,
         black, "data 11 before any command"},
        /* arguments */
        {"an argument lost", &oled,
         "R ~1 CAE CD580 CA8 CD300 C40 C8D14 C2000 CA1 CC8 CDA12 C81CF " OLED_ALL "CAF ~150", 0,
         JL_CODE_ARGUMENT_VALUE, NULL, "it is a command: is an argument missing before it?"},
        {"arguments as data", &color_oled, "R ~1 CA0 D72 CA1 D00 CAF ~150", 0,
         JL_CODE_ARGUMENT_AS_DATA, NULL, "this part takes them with D/C low"},
        {"arguments as commands", &grey, "R ~1 CFD12 CAE CB391 CCA3F", 0, JL_CODE_ARGUMENT_COUNT,
         black, "this part takes them with D/C high"},
        {"pixels without 2C", &tft, TFT_WAKE "C2A D000000EF C2B D0000013F P240x320x16 C29 ~50", 0,
         JL_CODE_NO_WRITE_COMMAND, NULL, "pixels need 2C or 3C before them"},
        /* reset and waits */
        {"reset held", &oled, OLED_WAKE OLED_ALL "CAF ~150", RAW_RESET_HELD, JL_CODE_RESET_HELD,
         black, "bytes arrive while the reset pin is low"},
        {"reset short", &oled, "r ~1 " OLED_SET OLED_ALL "CAF ~150", 0, JL_CODE_RESET_TOO_SHORT,
         upright, "reset was low for 1000 ns, at least 3 us"},
        {"no recovery", &oled, "R " OLED_SET OLED_ALL "CAF ~150", 0, JL_CODE_RESET_RECOVERY,
         upright, "first byte 0 ns after reset"},
        {"no recovery in colour", &color_oled, "R CAE ~1 CA0 C72 CAF ~150", 0,
         JL_CODE_RESET_RECOVERY, NULL, "first byte 0.0 us after reset"},
        {"never reset", &tft, "C11 ~120 C3A D55 C36 D08 " TFT_ALL "C29 ~50", 0,
         JL_CODE_RESET_MISSING, shades_upright, "after a warm start old settings stay"},
        {"no charge pump", &oled, "R ~1 CAE CA83F C2000 CA1 CC8 " OLED_ALL "CAF ~150", 0, RIGHT,
         black, "send 8D 14 before AF"},
        {"no sleep out", &tft, "R ~120 C3A D55 C36 D08 " TFT_ALL "C29 ~50", 0, JL_CODE_ASLEEP,
         black, "send 11 (exit_sleep_mode) and wait"},
        {"no wait", &tft, "R ~120 C11 C29 ~120 C3A D55 C36 D08 " TFT_ALL "~50", 0, JL_CODE_BUSY,
         black, "29 came 5.00 ms too early after 11 (exit_sleep_mode) and is lost"},
        {"never on", &oled, OLED_WAKE OLED_ALL "~150", 0, RIGHT, black, "never switched on"},
        {"never on, TFT", &tft, TFT_WAKE TFT_ALL "~50", 0, RIGHT, black, "never switched on"},
        {"not cleared", &oled, OLED_WAKE "CAF ~150 " OLED_ALL, 0, JL_CODE_NOISE_SHOWN, upright,
         "showed the noise of power-on: clear its memory first"},
        {"on too early", &oled, "R ~1 C8D14 CAF CA83F C2000 CA1 CC8 CDA12 " OLED_ALL "~150", 0,
         JL_CODE_ON_TOO_EARLY, upright, "at the end of the wake-up sequence"},
        {"locked", &locked, "R ~1 CFD16 CAE CA83F C2000 CA1 CC8 CDA12 CAF ~150", 0, JL_CODE_LOCKED,
         black, "send FD 12 first"},
        {"power at once", &lcd, "R ~6 CA2 CA0 CC8 C25 C8120 C2C C2E C2F ~10 Ppages0 CAF ~50", 0,
         JL_CODE_WAIT_TOO_SHORT, upright, "waits up to 50 ms between 2C, 2E and 2F"},
        {"no 2F", &lcd, "R ~6 CA2 CA0 CC8 C25 C8120 C2C ~50 C2E ~50 Ppages0 CAF ~50", 0, RIGHT,
         black, "send 2C, 2E, 2F with waits"},
        {"Vop too high", &lcd, "R ~6 CA2 CA0 CC8 C27 C813F C2C ~50 C2E ~50 C2F ~9 Ppages0 CAF ~50",
         0, JL_CODE_CONTRAST, lit, "all dots turn dark"},
        {"extended set left open", &small_lcd, "R C21 CB8 C14 C0C C40 C80 *504", 0,
         JL_CODE_UNKNOWN_COMMAND, black, "20 leaves it"},
        {"all on left", &oled, OLED_WAKE "CA5 " OLED_ALL "CAF ~150", 0, JL_CODE_ALL_ON, lit,
         "A4 shows the RAM"},
        {"idle left", &tft, TFT_WAKE "C39 " TFT_ALL "C29 ~50", 0, JL_CODE_PART_ON, NULL,
         "8 colours only"},
        {"partial left", &tft, TFT_WAKE "C30 D00100020 C12 " TFT_ALL "C29 ~50", 0, JL_CODE_PART_ON,
         NULL, "rows 16 to 32 only show"},
        /* geometry */
        {"COM pins", &oled, OLED_WAKE "CDA02 " OLED_ALL "CAF ~150", 0, JL_CODE_GEOMETRY, interlaced,
         "in another order than this glass is bonded: COM pins (DA)"},
        {"multiplex", &oled, OLED_WAKE "CA81F " OLED_ALL "CAF ~150", 0, JL_CODE_GEOMETRY,
         lower_half, "the multiplex ratio (A8) has to reach its 64 rows"},
        {"segment remap", &oled, OLED_WAKE "CA0 " OLED_ALL "CAF ~150", 0, JL_CODE_GEOMETRY,
         left_right, "mirrored on this glass: change one of A0/A1"},
        {"COM direction", &oled, OLED_WAKE "CC0 " OLED_ALL "CAF ~150", 0, JL_CODE_GEOMETRY, up_down,
         "C0/C8"},
        {"half a turn", &oled, OLED_WAKE "CA0 CC0 " OLED_ALL "CAF ~150", 0, RIGHT, turned, ""},
        {"start line", &oled, OLED_WAKE "C48 " OLED_ALL "CAF ~150", 0, JL_CODE_GEOMETRY, rolled,
         "the picture is rolled: its first row is in row 56"},
        {"no column offset", &pages_only, SH_WAKE "Ppages0 CAF ~150", 0, JL_CODE_NOISE_SHOWN,
         two_further, "columns 126 to 127 of the glass show noise"},
        {"right, with the offset", &pages_only, SH_WAKE "Ppages2 CAF ~150", 0, RIGHT, upright, ""},
        {"windows on pages only", &pages_only, SH_WAKE "C2000 C21007F C220007 Pall CAF ~150", 0,
         JL_CODE_RELATIVE, a_stripe_from_7, "3 of 3 commands unknown here are known to"},
        {"a picture in page mode", &oled, OLED_WAKE "C2002 CB0 C00 C10 Pall CAF ~150", 0,
         JL_CODE_PAGE_OVERRUN, one_stripe, "20 00 takes a whole picture"},
        {"vertical mode", &oled, OLED_WAKE "C2001 " OLED_ALL "CAF ~150", 0, RIGHT, down_the_columns,
         ""}, /* the program may want it */
        {"end before start", &oled, OLED_WAKE "C217F00 C220007 Pall CAF ~150", 0,
         JL_CODE_ARGUMENT_VALUE, NULL, "an end not before the start"},
        {"columns in pixels", &grey, "R ~1 CFD D12 CA0 D1411 C15 D70EF C75 D003F C5C CAF ~250", 0,
         JL_CODE_WINDOW_RANGE, NULL, "15 (columns) 112..239: expected 0..119"},
        {"offset never sent", &rich_oled,
         "R ~1 CFD D12 CFD DB1 CA0 D74 C15 D007F C75 D007F C5C Pblack32768 CAF ~250", 0,
         JL_CODE_GEOMETRY, black, "the picture is rolled"},
        {"one too wide", &tft,
         TFT_WAKE TFT_BLACK "C2A D00140078 C2B D001E006D C2C P100x80x16 C2A D00000001 C29 ~50", 0,
         JL_CODE_WINDOW_SHARE, slanted, "its ends are included, start + size - 1"},
        {"turned, sides as before", &tft,
         TFT_WAKE TFT_BLACK "C36 D28 C2A D000000EF C2B D0000013F C2C P240x320x16 C29 ~50", 0,
         JL_CODE_WINDOW_RANGE, on_its_side, "the RAM ends at 239 in this address mode"},
        {"a quarter turn", &tft,
         TFT_WAKE "C36 D68 C2A D0000013F C2B D000000EF C2C P320x240x16 C29 ~50", 0, RIGHT,
         quarter_turn, ""},
        {"turned without a mirror", &tft,
         TFT_WAKE TFT_BLACK "C36 D28 C2A D000000EF C2B D000000EF C2C P240x240x16 C29 ~50", 0,
         JL_CODE_GEOMETRY, on_its_side, "change one of MX, MY and MV (36)"},
        {"offset of the glass, rows", &moved_tft,
         "R ~120 C11 ~120 C3A D55 C36 D00 C2A D0000007F C2B D0000009F C2C P128x160x16 C29 ~50", 0,
         JL_CODE_NOISE_SHOWN, beyond_2_and_1, "rows 159 to 159 of the glass show noise"},
        {"64 rows on glass of 32", &low_oled, OLED_WAKE "CDA02 " OLED_ALL "CAF ~150", 0,
         JL_CODE_GEOMETRY, second_half, "the glass shows rows 32 to 63 of the memory"},
        {"soft reset only", &tft, "C01 ~150 C11 ~120 C3A D55 C36 D08 " TFT_ALL "C29 ~50", 0, RIGHT,
         shades_upright, ""},
        {"one too wide and high", &tft,
         TFT_WAKE TFT_BLACK "C2A D00140078 C2B D001E006E C2C P100x80x16 C2A D00000001 C29 ~50", 0,
         JL_CODE_WINDOW_SHARE, slanted, "pixels came for 100 x 80, and the window has 101 x 81"},
        {"offset of the glass", &moved_tft,
         "R ~120 C11 ~120 C3A D55 C36 D00 C2A D0000007F C2B D0000009F C2C P128x160x16 C29 ~50", 0,
         JL_CODE_NOISE_SHOWN, beyond_2_and_1, "columns 126 to 127 of the glass show noise"},
        {"addresses of 8 bits", &tft, TFT_WAKE "C2A D00EF C2B D0000013F C2C P240x320x16 C29 ~50", 0,
         JL_CODE_ARGUMENT_COUNT, shades_upright, "command 2A got 2 argument(s), expected 4"},
        {"addresses turned around", &tft,
         TFT_WAKE "C2A D0000EF00 C2B D0000013F C2C P240x320x16 C29 ~50", 0, JL_CODE_WINDOW_RANGE,
         two_lines, "0..61184: the RAM ends at 239"},
        {"one pixel a window", &tft,
         TFT_WAKE TFT_ALL EIGHT EIGHT EIGHT EIGHT EIGHT EIGHT EIGHT EIGHT "C2A D00000000 C29 ~50",
         0, JL_CODE_ONE_PIXEL, NULL, "64 windows of one pixel in a row"},
        {"fewer of one pixel in a row", &tft,
         TFT_WAKE EIGHT EIGHT EIGHT EIGHT EIGHT EIGHT EIGHT TFT_ALL "C29 ~50", 0, RIGHT,
         shades_upright, ""},
        {"two pixels a window", &tft,
         TFT_WAKE TWOS TWOS TWOS TWOS TWOS TWOS TWOS TWOS TFT_ALL "C29 ~50", 0, RIGHT,
         shades_upright, ""},
        {"rows without padding", &paper,
         "R ~10 C12 ~10 C01 DF90000 C11 D03 C44 D000F C45 D0000F900 C4E D00 C4F D0000 C24 "
         "Pblack3813 C22 DF7 C20 ~4000",
         0, JL_CODE_WINDOW_SHARE, NULL, "122 pixels do not fill them, pad each row"},
        /* colours */
        {"right, TFT", &tft, TFT_WAKE TFT_ALL "C29 ~50", 0, RIGHT, shades_upright, ""},
        {"order of colours", &tft, TFT_WAKE "C36 D00 " TFT_ALL "C29 ~50", 0, JL_CODE_COLORS,
         red_for_blue, "wants bit 3 of 36 (BGR) set"},
        {"right, IPS", &ips, IPS_WAKE TFT_ALL "C29 ~50", 0, RIGHT, shades_upright, ""},
        {"no inversion on IPS", &ips, IPS_WAKE "C20 " TFT_ALL "C29 ~50", 0, JL_CODE_COLORS,
         negative, "wants 21 (enter_invert_mode)"},
        {"inversion on TN", &tft, TFT_WAKE "C21 " TFT_ALL "C29 ~50", 0, JL_CODE_COLORS, negative,
         "wants 20 (exit_invert_mode)"},
        {"low byte first", &tft,
         TFT_WAKE "C2A D000000EF C2B D0000013F C2C P240x320x17 C2A D00000001 C29 ~50", 0,
         JL_CODE_BYTES_EXCHANGED, bytes_exchanged, "is the low byte sent first?"},
        {"16 bits for 18", &tft,
         TFT_WAKE "C3A D66 " TFT_BLACK "C2C P240x320x16 C2A D00000001 C29 ~50", 0,
         JL_CODE_WINDOW_SHARE, by_three, "pixels of 16 bits, and the part takes 24?"},
        {"16 bits on a serial bus", &large_tft, "R ~120 C11 ~120 C3A D55", 0, JL_CODE_PIXEL_FORMAT,
         NULL, "no 16 bits a pixel on a serial bus"},
        {"12 bits for 16", &tft,
         TFT_WAKE "C2A D000000EF C2B D0000013F C2C P240x320x12 C2A D00000001 C29 ~50", 0,
         JL_CODE_WINDOW_SHARE, NULL, "pixels of 12 bits, and the part takes 16?"},
        {"8 bits for 16", &tft,
         TFT_WAKE "C2A D000000EF C2B D0000013F C2C P240x320x8 C2A D00000001 C29 ~50", 0,
         JL_CODE_WINDOW_SHARE, NULL, "pixels of 8 bits, and the part takes 16?"},
        {"18 bits for 16", &tft,
         TFT_WAKE "C2A D000000EF C2B D0000013F C2C P240x320x24 C2A D00000001 C29 ~50", 0,
         JL_CODE_WINDOW_SHARE, NULL, "pixels of 18 or 24 bits, and the part takes 16?"},
        {"32 bits for 24", &tft,
         TFT_WAKE "C3A D66 C2A D000000EF C2B D0000013F C2C P240x320x32 C2A D00000001 C29 ~50", 0,
         JL_CODE_WINDOW_SHARE, NULL, "pixels of 32 bits, and the part takes 24?"},
        {"a byte lost", &tft, TFT_WAKE "C2A D000000EF C2B D0000013F C2C Pcut1 C29 ~50", 0,
         JL_CODE_PIXEL_CUT, NULL, "the last pixel is cut: 1 byte(s) of it are lost"},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct raw raw = raw_open(rows[i].front->part, rows[i].front->glass, 4000000);
        struct jl_picture glass;
        test_row("%s", rows[i].name);
        raw.wiring = rows[i].wiring;
        play(&raw, rows[i].script);
        EXPECT(jl_device_picture(raw.device, &glass));
        int wrong = 0;
        for (int p = 0; p < glass.width * glass.height; p++) {
            const uint8_t *at = glass.rgb + 3 * p;
            uint32_t seen = (uint32_t)at[0] << 16 | (uint32_t)at[1] << 8 | at[2];
            int x = p % glass.width, y = p / glass.width;
            uint32_t wanted = rows[i].shown      ? rows[i].shown(x, y)
                              : glass.width == W ? shades_upright(x, y)
                                                 : upright(x, y);
            wrong += wanted != ANYTHING && seen != wanted;
        }
        EXPECT_INT(wrong > 0, rows[i].shown == NULL);
        const char *why = jl_device_why_dark(raw.device);
        const struct jl_diagnostic *list;
        size_t count = jl_board_diagnostics(raw.board, &list);
        int complaints = 0, of_code = 0;
        char said[30000] = "";
        size_t length = 0;
        for (size_t k = 0; k < count; k++) {
            complaints += list[k].severity != JL_SEVERITY_NOTE;
            of_code += (int)list[k].code == rows[i].code;
            if (length + 2 * sizeof list[k].text < sizeof said) {
                length +=
                    (size_t)snprintf(said + length, sizeof said - length, "%s\n", list[k].text);
            }
        }
        snprintf(said + length, sizeof said - length, "%s", why ? why : "");
        EXPECT_CONTAINS(said, rows[i].says);
        EXPECT(rows[i].code == RIGHT ? complaints == 0 : of_code > 0);
        EXPECT(rows[i].code != RIGHT || *rows[i].says || count == 0);
        if (rows[i].shown == black && rows[i].front != &rich_oled) {
            EXPECT(why != NULL);
        }
        jl_picture_free(&glass);
        jl_board_destroy(raw.board);
    }
}

/* ---- I2C: how control bytes and pixels are packed ---- */

static void send_i2c(struct jl_i2c_bus *bus, uint8_t address, const uint8_t *bytes, size_t count) {
    jl_i2c_start(bus);
    jl_i2c_write(bus, address);
    for (size_t i = 0; i < count; i++) {
        jl_i2c_write(bus, bytes[i]);
    }
    jl_i2c_stop(bus);
}

/* Hexadecimal bytes behind a control byte; a control byte above FF is left out. */
static void send_commands(struct jl_i2c_bus *bus, unsigned control, const char *hex) {
    uint8_t bytes[80];
    size_t count = 0;
    if (control <= 0xFF) {
        bytes[count++] = (uint8_t)control;
    }
    for (; *hex; hex += 2) {
        unsigned value = 0;
        sscanf(hex, "%2x", &value);
        bytes[count++] = (uint8_t)value;
    }
    send_i2c(bus, 0x78, bytes, count);
}

enum { NO_CONTROL = 0x100 };

/* Chunks of pixels, each with its control byte, or only the first; a driver may drop their tails.
 */
static void send_chunks(struct jl_i2c_bus *bus, size_t chunk, bool each, size_t kept) {
    uint8_t bytes[140] = {0x40};
    pages();
    for (size_t at = 0; at < 1024; at += chunk) {
        bool control = each || at == 0;
        memcpy(bytes + control, stream + at, chunk);
        size_t count = chunk + control;
        send_i2c(bus, 0x78, bytes, count < kept ? count : kept);
    }
}

SHOWN(compressed, y < 8 && x < 124 ? DOT(128 * (x / 31) % 128 + x % 31, x / 31 * 8 + y) : ANYTHING)

static void packed_wrongly_on_i2c(void) {
    static const struct {
        const char *name;
        unsigned control; /* of the wake-up sequence */
        int code;
        size_t chunk, kept;
        shown_fn shown;
        const char *says;
        bool each;
    } rows[] = {
        {"right", 0x00, RIGHT, 128, 200, upright, "", true},
        {"no control byte", NO_CONTROL, JL_CODE_CONTROL_BYTE, 128, 200, black,
         "AE stands where a control byte belongs", true},
        {"one command, then a run", 0x80, JL_CODE_CONTROL_BYTE, 128, 200, black,
         "stands where a control byte belongs", true},
        {"chunks without their 40", 0x00, JL_CODE_CONTROL_BYTE, 16, 200, NULL,
         "stands where a control byte belongs", false},
        /* 31 of each 128: the stream closes up, and starts with the first bytes of each page */
        {"a buffer of 32 bytes", 0x00, RIGHT, 128, 32, compressed, "", true},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct jl_board *board = jl_board_create(3);
        struct jl_i2c_bus *bus = jl_board_add_i2c(board, 400000, 0);
        struct jl_device *device = jl_board_add_device(board, oled.part, "panel", &oled.glass);
        struct jl_picture glass;
        EXPECT(jl_i2c_attach(bus, device, 0x3C));
        test_row("%s", rows[i].name);
        send_commands(bus, rows[i].control,
                      "AED580A83FD300408D142000A1C8DA1281CFD9F1DB40A4A621007F220007");
        send_chunks(bus, rows[i].chunk, rows[i].each, rows[i].kept);
        send_commands(bus, rows[i].control, "AF");
        jl_board_wait_ps(board, 150000000000u);
        EXPECT(jl_device_picture(device, &glass));
        int wrong = 0;
        for (int p = 0; p < 128 * 64; p++) {
            shown_fn shown = rows[i].shown ? rows[i].shown : upright;
            uint32_t wanted = shown(p % 128, p / 128);
            wrong += wanted != ANYTHING && (glass.rgb[3 * p] ? 0xFFFFFF : 0) != wanted;
        }
        EXPECT_INT(wrong > 0, rows[i].shown == NULL);
        const struct jl_diagnostic *list;
        size_t of_code = 0, count = jl_board_diagnostics(board, &list);
        for (size_t k = 0; k < count; k++) {
            of_code += (int)list[k].code == rows[i].code;
        }
        EXPECT_INT(rows[i].code == RIGHT ? count == 0 : of_code > 0, true);
        EXPECT_CONTAINS(raw_said(board, "panel"), rows[i].says);
        jl_picture_free(&glass);
        jl_board_destroy(board);
    }
}

/* A driver that sets the window for each picture, and drops all but the first 31 of its bytes. */
static void pictures_cut_by_a_buffer(void) {
    static const struct {
        size_t kept;
        const char *address;
        bool told;
    } rows[] = {{32, "21007F220007", true}, {31, "21007F220007", true},  {32, "B00010", true},
                {64, "21007F220007", true}, {50, "21007F220007", false}, {129, "2000B00010", false},
                {32, "21000F220000", false}}; /* more than the window holds */
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct jl_board *board = jl_board_create(3);
        struct jl_i2c_bus *bus = jl_board_add_i2c(board, 400000, 0);
        struct jl_device *device = jl_board_add_device(board, oled.part, "panel", &oled.glass);
        uint8_t bytes[1025] = {0x40};
        EXPECT(jl_i2c_attach(bus, device, 0x3C));
        test_row("row %zu", i);
        send_commands(bus, 0x00, *rows[i].address == 'B' ? "2002" : "2000");
        for (int picture = 0; picture < 5; picture++) {
            send_commands(bus, 0x00, rows[i].address);
            send_i2c(bus, 0x78, bytes, rows[i].kept);
        }
        send_commands(bus, 0x00, rows[i].address);
        EXPECT_INT(strstr(raw_said(board, "panel"), "in the I2C driver cuts them") != NULL,
                   rows[i].told);
        jl_board_destroy(board);
    }
}

/* On other buses such windows are somebody's wish. */
static void small_pictures_on_spi(void) {
    struct raw raw = raw_open(oled.part, oled.glass, 4000000);
    play(&raw, OLED_WAKE);
    for (int i = 0; i < 6; i++) {
        play(&raw, "C21007F C220007 *31");
    }
    EXPECT_TEXT(raw_said(raw.board, "panel"), "");
    jl_board_destroy(raw.board);
}

const struct test_group test_groups[] = {
    {"each_shows_and_is_told", each_shows_and_is_told},
    {"packed_wrongly_on_i2c", packed_wrongly_on_i2c},
    {"pictures_cut_by_a_buffer", pictures_cut_by_a_buffer},
    {"small_pictures_on_spi", small_pictures_on_spi},
    {NULL, NULL},
};
