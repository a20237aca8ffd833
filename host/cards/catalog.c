/* The catalog: what the drivers do not say, in words for people. */
#include "jadelamp/host/catalog.h"

#include <dirent.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <sys/stat.h>
#include <unistd.h>

#include "jadelamp/jadelamp.h"
#include "jadelamp/sim/emulators.h"

static const struct jl_catalog_entry entries[] = {
    {
        .name = "ssd1306",
        .driver = &jl_ssd1306,
        .emulator = &jl_emulated_ssd1306,
        .kind = "monochrome OLED",
        .glasses = "128x64, 128x32, 64x48, 72x40",
        .pixel_format = "1 bit, vertical bytes, bit 0 on top",
        .addresses = {0x3C, 0x3D},
        .quirks = {"It stays dark until 8D 14 comes before AF: the panel's voltage is made by its "
                   "charge pump.",
                   "0x78 and 0x7A on a board are the 8-bit forms of 0x3C and 0x3D.",
                   "64x48 glass begins at RAM column 32, 72x40 glass at 28."},
    },
    {
        .name = "ssd1315",
        .driver = &jl_ssd1315,
        .emulator = &jl_emulated_ssd1315,
        .kind = "monochrome OLED",
        .glasses = "128x64",
        .pixel_format = "1 bit, vertical bytes, bit 0 on top",
        .addresses = {0x3C, 0x3D},
        .quirks = {"Programs for an ssd1306 work as they are: newer modules have this part "
                   "instead."},
    },
    {
        .name = "ssd1309",
        .driver = &jl_ssd1309,
        .emulator = &jl_emulated_ssd1309,
        .kind = "monochrome OLED",
        .glasses = "128x64",
        .pixel_format = "1 bit, vertical bytes, bit 0 on top",
        .addresses = {0x3C, 0x3D},
        .glass_kind = JL_GLASS_WHITE,
        .quirks =
            {"It has no charge pump: the module makes the panel's voltage, and 8D does nothing."},
    },
    {
        .name = "ssd1305",
        .driver = &jl_ssd1305,
        .emulator = &jl_emulated_ssd1305,
        .kind = "monochrome OLED",
        .glasses = "128x64, 128x32",
        .pixel_format = "1 bit, vertical bytes, bit 0 on top",
        .addresses = {0x3C, 0x3D},
        .glass_kind = JL_GLASS_YELLOW,
        .quirks =
            {"Its RAM is 132 columns wide: narrower glass begins somewhere inside (first-column)."},
    },
    {
        .name = "sh1106",
        .driver = &jl_sh1106,
        .emulator = &jl_emulated_sh1106,
        .kind = "monochrome OLED",
        .glasses = "128x64",
        .pixel_format = "1 bit, vertical bytes, bit 0 on top",
        .addresses = {0x3C, 0x3D},
        .glass_kind = JL_GLASS_WHITE,
        .quirks = {"Its RAM is 132 columns wide, and 128 columns of glass begin at 2: taken for an "
                   "ssd1306, the picture stands two columns to the left and noise at the edge.",
                   "It is addressed page by page: there is no window and no hardware scroll."},
    },
    {
        .name = "sh1107",
        .driver = &jl_sh1107,
        .emulator = &jl_emulated_sh1107,
        .kind = "monochrome OLED",
        .glasses = "128x128, 64x128",
        .pixel_format = "1 bit, vertical bytes, bit 0 on top",
        .addresses = {0x3C, 0x3D},
        .glass_kind = JL_GLASS_WHITE,
        .quirks = {"It scans columns: A8, D3 and DC count columns of the glass, C0/C8 mirror them, "
                   "and A0/A1 mirror rows.",
                   "64x128 glass sits on the middle outputs (first-column = 32): A8 3F and D3 60 "
                   "show it alone.",
                   "The first line is DC 00, with an argument: 40 is no command here."},
    },
    {
        .name = "ssd0303",
        .driver = &jl_ssd0303,
        .emulator = &jl_emulated_ssd0303,
        .kind = "monochrome OLED",
        .glasses = "96x16, 132x64",
        .pixel_format = "1 bit, vertical bytes, bit 0 on top",
        .addresses = {0x3C, 0x3D},
        .glass_kind = JL_GLASS_WHITE,
        .quirks = {"Its RAM is 132 columns wide, and 96 columns of glass begin at 36.",
                   "It is addressed page by page: there is no window and no hardware scroll."},
    },
    {
        .name = "pcd8544",
        .driver = &jl_pcd8544,
        .emulator = &jl_emulated_pcd8544,
        .kind = "monochrome LCD",
        .glasses = "84x48",
        .pixel_format = "1 bit, vertical bytes, bit 0 on top",
        .glass_kind = JL_GLASS_LCD_GREY,
        .quirks = {"The contrast (Vop) differs from module to module: too low shows nothing, too "
                   "high shows black.",
                   "It is made for 3.3 V on all lines."},
    },
    {
        .name = "st7565",
        .driver = &jl_st7565,
        .emulator = &jl_emulated_st7565,
        .kind = "monochrome LCD",
        .glasses = "128x64, 132x64",
        .pixel_format = "1 bit, vertical bytes, bit 0 on top",
        .glass_kind = JL_GLASS_LCD_GREY,
        .quirks = {"Its supply is switched on in three steps (2C, 2E, 2F) with waits between.",
                   "Contrast is 81 and the resistor ratio 20..27 together: too low shows nothing, "
                   "too high shows black."},
    },
    {
        .name = "st7567",
        .driver = &jl_st7567,
        .emulator = &jl_emulated_st7567,
        .kind = "monochrome LCD",
        .glasses = "128x64",
        .pixel_format = "1 bit, vertical bytes, bit 0 on top",
        .glass_kind = JL_GLASS_LCD_GREY,
        .quirks = {"Its supply is switched on in three steps (2C, 2E, 2F) with waits between.",
                   "Contrast is 81 and the resistor ratio 20..27 together: too low shows nothing, "
                   "too high shows black."},
    },
    {
        .name = "uc1701",
        .driver = &jl_uc1701,
        .emulator = &jl_emulated_uc1701,
        .kind = "monochrome LCD",
        .glasses = "128x64",
        .pixel_format = "1 bit, vertical bytes, bit 0 on top",
        .glass_kind = JL_GLASS_LCD_BLUE,
        .quirks = {"Commands and data are those of the st7565; its usual glass is white on blue "
                   "and needs its light."},
    },
    {
        .name = "uc1609",
        .driver = &jl_uc1609,
        .emulator = &jl_emulated_uc1609,
        .kind = "monochrome LCD",
        .glasses = "192x64",
        .pixel_format = "1 bit, vertical bytes, bit 0 on top",
        .glass_kind = JL_GLASS_LCD_BLUE,
        .quirks = {"Its directions are in one byte: C0, C2, C4 or C6. C8 is no command here.",
                   "Mirrored columns are mirrored as they are written: the picture has to be sent "
                   "anew."},
    },
    {
        .name = "ks0108",
        .driver = &jl_ks0108,
        .emulator = &jl_emulated_ks0108,
        .kind = "monochrome LCD",
        .glasses = "128x64, 192x64",
        .pixel_format = "1 bit, vertical bytes, bit 0 on top",
        .chips = true,
        .glass_kind = JL_GLASS_LCD_BLUE,
        .quirks =
            {"A controller for each 64 columns, which are selected and switched on each by itself: "
             "halves in each other's place mean selects in each other's place.",
             "On some modules low selects (chips = low).", "A byte takes it up to 14 us."},
    },
    {
        .name = "sed1520",
        .driver = &jl_sed1520,
        .emulator = &jl_emulated_sed1520,
        .kind = "monochrome LCD",
        .glasses = "122x32",
        .pixel_format = "1 bit, vertical bytes, bit 0 on top",
        .chips = true,
        .glass_kind = JL_GLASS_LCD_GREEN,
        .quirks =
            {"Two controllers with 61 columns each; modules with E1 and E2 have an enable for "
             "each half instead of selects."},
    },
    {
        .name = "ls013b7dh03",
        .driver = &jl_ls013b7dh03,
        .emulator = &jl_emulated_ls013b7dh03,
        .kind = "memory LCD",
        .glasses = "128x128",
        .pixel_format = "1 bit, the leftmost pixel in bit 7, 1 is white",
        .glass_kind = JL_GLASS_SILVER,
        .quirks =
            {"VCOM has to change at least once a second, by jl_memory_lcd_vcom() or a pin, or "
             "the glass suffers.",
             "CS is active high. Only whole lines are sent; their numbers begin with 1 and "
             "travel with the lowest bit first."},
    },
    {
        .name = "ls027b7dh01",
        .driver = &jl_ls027b7dh01,
        .emulator = &jl_emulated_ls027b7dh01,
        .kind = "memory LCD",
        .glasses = "400x240",
        .pixel_format = "1 bit, the leftmost pixel in bit 7, 1 is white",
        .glass_kind = JL_GLASS_SILVER,
        .quirks = {"As the smaller one; it wants 5 V."},
    },
    {
        .name = "st7920",
        .driver = &jl_st7920,
        .emulator = &jl_emulated_st7920,
        .kind = "monochrome LCD",
        .glasses = "128x64",
        .pixel_format = "1 bit, horizontal bytes, bit 7 left",
        .glass_kind = JL_GLASS_LCD_BLUE,
        .quirks = {"CS selects while it is high, unlike all others here.",
                   "Its RAM is 256x32: the lower half of the glass is the right half of the RAM.",
                   "A byte takes it 72 us: a faster stream loses bytes."},
    },
    {
        .name = "t6963c",
        .driver = &jl_t6963c,
        .emulator = &jl_emulated_t6963c,
        .kind = "monochrome LCD",
        .glasses = "240x128, 240x64, 128x64",
        .pixel_format = "1 bit, horizontal bytes, bit 7 left",
        .own_bus = &jl_bus_t6963c,
        .own_bus_name = "jl_bus_t6963c",
        .glass_kind = JL_GLASS_LCD_BLUE,
        .quirks =
            {"Arguments go in front of their command, with C/D low; the command has C/D high.",
             "Its status has to be read before each byte, also of pixels.",
             "FS has to be low, or a byte is 6 pixels."},
    },
    {
        .name = "hd44780",
        .emulator = &jl_emulated_hd44780,
        .kind = "character LCD",
        .glasses = "8x1, 16x1, 16x2, 20x2, 40x2, 16x4, 20x4, 40x4 cells",
        .pixel_format = "5x8 dots a cell",
        .addresses = {0x27, 0x3F},
        .glass_kind = JL_GLASS_LCD_GREEN,
        .quirks = {"After power it may be in 4-bit or in 8-bit mode: 3, 3, 3 and 2 come first.",
                   "A row of blocks and nothing else: it was not woken. Nothing at all: turn the "
                   "trimmer at V0.",
                   "0x27 is a pcf8574, 0x3F a pcf8574A."},
    },
    {
        .name = "ws0010",
        .emulator = &jl_emulated_ws0010,
        .wires = {&jl_char_wire_4_oled, &jl_char_wire_8_oled},
        .wire_name = "oled",
        .kind = "character OLED",
        .glasses = "16x2, 20x4 cells",
        .pixel_format = "5x8 dots a cell",
        .glass_kind = JL_GLASS_YELLOW,
        .quirks = {"An hd44780's instructions; it stays dark until 17 switches its supply on, and "
                   "needs no contrast.",
                   "Clearing takes it 6.2 ms, four times as long as an hd44780."},
    },
    {
        .name = "ws0010_graphics",
        .driver = &jl_ws0010_graphics,
        .emulator = &jl_emulated_ws0010_graphics,
        .kind = "monochrome OLED",
        .glasses = "100x16",
        .pixel_format = "1 bit, vertical bytes, bit 0 on top",
        .glass_kind = JL_GLASS_YELLOW,
        .quirks = {"The ws0010 in its graphic mode: addresses of DDRAM are columns, 40 and 41 rows "
                   "of 8 dots.",
                   "It stays dark until 1F switches its supply on.", "A byte takes it 37 us."},
    },
    {
        .name = "aip31068",
        .emulator = &jl_emulated_aip31068,
        .wires = {&jl_char_wire_i2c},
        .wire_name = "i2c",
        .kind = "character LCD",
        .glasses = "16x2, 20x4 cells",
        .pixel_format = "5x8 dots a cell",
        .on_i2c = true,
        .addresses = {0x3E},
        .glass_kind = JL_GLASS_LCD_BLUE,
        .quirks = {"The instructions are an hd44780's, each byte behind a control byte, 80 or C0; "
                   "nothing can be read.",
                   "0x7C is the 8-bit form of 0x3E."},
    },
    {
        .name = "st7036",
        .emulator = &jl_emulated_st7036,
        .wires = {&jl_char_wire_st7036},
        .wire_name = "st7036",
        .kind = "character LCD",
        .glasses = "16x2, 20x2, 16x3 cells",
        .pixel_format = "5x8 dots a cell",
        .on_i2c = true,
        .addresses = {0x3C, 0x3D, 0x3E, 0x3F},
        .glass_kind = JL_GLASS_LCD_BLUE,
        .quirks =
            {"It stays dark until its booster, follower and contrast are set by commands of a "
             "second table (39).",
             "0x3C is an OLED's address, too."},
    },
    {
        .name = "ssd1322",
        .driver = &jl_ssd1322,
        .emulator = &jl_emulated_ssd1322,
        .kind = "grey OLED",
        .glasses = "256x64",
        .pixel_format = "4 bits, two pixels a byte",
        .glass_kind = JL_GLASS_YELLOW,
        .quirks = {"Its RAM is 480 columns wide, and 256 columns of glass begin at 112.",
                   "It addresses four pixels at a time."},
    },
    {
        .name = "ssd1325",
        .driver = &jl_ssd1325,
        .emulator = &jl_emulated_ssd1325,
        .kind = "grey OLED",
        .glasses = "128x64, 128x80",
        .pixel_format = "4 bits, two pixels a byte",
        .addresses = {0x3C, 0x3D},
        .glass_kind = JL_GLASS_YELLOW,
        .quirks = {"The 64 rows of the usual module hang on its outputs 12 to 75: the offset is A2 "
                   "4C upright, and A2 44 turned by half.",
                   "Two pixels share a byte: windows begin at even columns."},
    },
    {
        .name = "ssd1327",
        .driver = &jl_ssd1327,
        .emulator = &jl_emulated_ssd1327,
        .kind = "grey OLED",
        .glasses = "128x128, 96x96",
        .pixel_format = "4 bits, two pixels a byte",
        .addresses = {0x3C, 0x3D},
        .glass_kind = JL_GLASS_WHITE,
        .quirks = {"Two pixels share a byte: windows begin at even columns."},
    },
    {
        .name = "ssd1331",
        .driver = &jl_ssd1331,
        .emulator = &jl_emulated_ssd1331,
        .kind = "colour OLED",
        .glasses = "96x64",
        .pixel_format = "5-6-5 or 3-3-2",
        .glass_kind = JL_GLASS_COLOR_OLED,
        .quirks = {"Arguments of commands travel with D/C low, unlike on most colour controllers."},
    },
    {
        .name = "ssd1351",
        .driver = &jl_ssd1351,
        .emulator = &jl_emulated_ssd1351,
        .kind = "colour OLED",
        .glasses = "128x128",
        .pixel_format = "5-6-5 or 6-6-6",
        .glass_kind = JL_GLASS_COLOR_OLED,
        .quirks = {"Arguments of commands travel with D/C high.",
                   "Some commands are locked until FD B1."},
    },
    {
        .name = "st7735",
        .driver = &jl_st7735,
        .emulator = &jl_emulated_st7735,
        .kind = "colour TFT",
        .glasses = "128x160, 128x128, 80x160",
        .pixel_format = "5-6-5 or 6-6-6",
        .glass_kind = JL_GLASS_TFT,
        .quirks = {"Glass sits at different places in the RAM, by maker: an edge of noise means "
                   "other first-column and first-row.",
                   "Red and blue change places between makes of glass (order)."},
    },
    {
        .name = "st7789",
        .driver = &jl_st7789,
        .emulator = &jl_emulated_st7789,
        .kind = "colour TFT",
        .glasses = "240x320, 240x240, 135x240, 170x320",
        .pixel_format = "5-6-5 or 6-6-6",
        .glass_kind = JL_GLASS_TFT,
        .quirks = {"Most glass is IPS: colours are negative unless it inverts (21; ips = yes).",
                   "Glass smaller than 240x320 sits inside the RAM: 135x240 at 52, 40."},
    },
    {
        .name = "ili9341",
        .driver = &jl_ili9341,
        .emulator = &jl_emulated_ili9341,
        .kind = "colour TFT",
        .glasses = "240x320",
        .pixel_format = "5-6-5 or 6-6-6",
        .glass_kind = JL_GLASS_TFT,
        .quirks = {"11 (sleep out) needs 5 ms before the next command, and 120 ms after a reset."},
    },
    {
        .name = "ili9488",
        .driver = &jl_ili9488,
        .emulator = &jl_emulated_ili9488,
        .kind = "colour TFT",
        .glasses = "320x480",
        .pixel_format = "6-6-6; 5-6-5 on 8080 only",
        .glass_kind = JL_GLASS_TFT,
        .quirks = {"On SPI it takes 18 bits a pixel only: three bytes each."},
    },
    {
        .name = "st7796",
        .driver = &jl_st7796,
        .emulator = &jl_emulated_st7796,
        .kind = "colour TFT",
        .glasses = "320x480",
        .pixel_format = "5-6-5 or 6-6-6",
        .glass_kind = JL_GLASS_TFT,
        .quirks = {"The maker's registers are locked until F0 C3 and F0 96, and again from F0 3C "
                   "and F0 69 on.",
                   "It is taken for an ili9488, which has no 5-6-5 on SPI: this one has."},
    },
    {
        .name = "ili9163",
        .driver = &jl_ili9163,
        .emulator = &jl_emulated_ili9163,
        .kind = "colour TFT",
        .glasses = "128x160, 128x128",
        .pixel_format = "5-6-5 or 6-6-6",
        .glass_kind = JL_GLASS_TFT,
        .quirks =
            {"It is taken for an st7735, whose frame rate and power commands have other "
             "arguments.",
             "128x128 glass whose memory is strapped to 128x160 is shifted by 32 rows once it "
             "is turned by half: give it memory = 128 x 160."},
    },
    {
        .name = "ili9225",
        .driver = &jl_ili9225,
        .emulator = &jl_emulated_ili9225,
        .kind = "colour TFT",
        .glasses = "176x220",
        .pixel_format = "5-6-5",
        .glass_kind = JL_GLASS_TFT,
        .quirks = {"Its registers have 16 bits: two bytes of index with D/C low, two of value with "
                   "D/C high. It knows none of the commands that other TFTs have in common.",
                   "The supply needs its steps (10 to 14) with 50 ms between."},
    },
    {
        .name = "gc9107",
        .driver = &jl_gc9107,
        .emulator = &jl_emulated_gc9107,
        .kind = "colour TFT",
        .glasses = "128x160, 128x128",
        .pixel_format = "5-6-5 or 6-6-6",
        .glass_kind = JL_GLASS_TFT,
        .quirks = {"The maker's registers are locked until FE and EF, and unpublished.",
                   "Where glass of 128 pixels begins differs from module to module (first-column, "
                   "first-row): an edge of noise tells."},
    },
    {
        .name = "hx8357",
        .driver = &jl_hx8357,
        .emulator = &jl_emulated_hx8357,
        .kind = "colour TFT",
        .glasses = "320x480",
        .pixel_format = "5-6-5 or 6-6-6",
        .glass_kind = JL_GLASS_TFT,
        .quirks = {"The maker's registers are locked until B9 FF 83 57, which needs 300 ms; they "
                   "are those of the letter D, and other letters have others."},
    },
    {
        .name = "gc9a01",
        .driver = &jl_gc9a01,
        .emulator = &jl_emulated_gc9a01,
        .kind = "colour TFT, round",
        .glasses = "240x240",
        .pixel_format = "5-6-5 or 6-6-6",
        .glass_kind = JL_GLASS_TFT,
        .quirks = {"The glass is round and IPS: colours are negative unless it inverts (21)."},
    },
    {
        .name = "ssd1680",
        .driver = &jl_ssd1680,
        .emulator = &jl_emulated_ssd1680,
        .kind = "e-paper",
        .glasses = "122x250, 128x296, 152x296",
        .pixel_format = "1 bit, rows; with red or 4 greys two planes",
        .glass_kind = JL_GLASS_PAPER,
        .red_partial_wave = &jl_ssd1680_black_white_wave,
        .grey_wave = &jl_ssd1680_grey_wave,
        .quirks = {"BUSY is high while it is busy.",
                   "Writing the RAM shows nothing: 22 F7 and 20 start the update.",
                   "After deep sleep (10) it hears nothing but a pulse on the reset pin."},
    },
    {
        .name = "ssd1681",
        .driver = &jl_ssd1681,
        .emulator = &jl_emulated_ssd1681,
        .kind = "e-paper",
        .glasses = "200x200",
        .pixel_format = "1 bit, rows; with red or 4 greys two planes",
        .glass_kind = JL_GLASS_PAPER,
        .red_partial_wave = &jl_ssd1680_black_white_wave,
        .grey_wave = &jl_ssd1680_grey_wave,
        .quirks = {"BUSY is high while it is busy.",
                   "Writing the RAM shows nothing: 22 F7 and 20 start the update.",
                   "After deep sleep (10) it hears nothing but a pulse on the reset pin."},
    },
    {
        .name = "uc8151",
        .driver = &jl_uc8151,
        .emulator = &jl_emulated_uc8151,
        .kind = "e-paper",
        .glasses = "128x296, 104x212",
        .pixel_format = "1 bit, rows; with red or 4 greys two planes",
        .glass_kind = JL_GLASS_PAPER,
        .partial_wave = &jl_uc8151_partial_wave,
        .red_partial_wave = &jl_uc8151_black_white_wave,
        .grey_wave = &jl_uc8151_grey_wave,
        .quirks = {"BUSY is low while it is busy, and falls a moment after a command.",
                   "13 is the new picture, 10 the old one: a partial update compares them.",
                   "Its voltages are on from 04 to 02: left on, they harm the glass."},
    },
    {
        .name = "uc8176",
        .driver = &jl_uc8176,
        .emulator = &jl_emulated_uc8176,
        .kind = "e-paper",
        .glasses = "400x300",
        .pixel_format = "1 bit, rows; with red or 4 greys two planes",
        .glass_kind = JL_GLASS_PAPER,
        .partial_wave = &jl_uc8151_partial_wave,
        .red_partial_wave = &jl_uc8151_black_white_wave,
        .grey_wave = &jl_uc8151_grey_wave,
        .quirks = {"BUSY is low while it is busy, and falls a moment after a command.",
                   "13 is the new picture, 10 the old one: a partial update compares them.",
                   "Its voltages are on from 04 to 02: left on, they harm the glass."},
    },
    {
        .name = "uc8179",
        .driver = &jl_uc8179,
        .emulator = &jl_emulated_uc8179,
        .kind = "e-paper",
        .glasses = "800x480",
        .pixel_format = "1 bit, rows; with red or 4 greys two planes",
        .glass_kind = JL_GLASS_PAPER,
        .red_partial_wave = &jl_uc8151_black_white_wave,
        .grey_wave = &jl_uc8151_grey_wave,
        .quirks = {"BUSY is low while it is busy, and falls a moment after a command.",
                   "13 is the new picture, 10 the old one: a partial update compares them.",
                   "Its voltages are on from 04 to 02: left on, they harm the glass."},
    },
    {
        .name = "rgb-glass",
        .driver = &jl_rgb_glass,
        .emulator = &jl_emulated_rgb_glass,
        .kind = "scan-out glass",
        .glasses = "480x272, 800x480, 1024x600",
        .pixel_format = "as the display peripheral reads them: 5-6-5, 8-8-8, 8-bit palette",
        .glass_kind = JL_GLASS_TFT,
        .scanned = true,
        .quirks = {"It has no memory and no commands: what it shows are timings, wires and the "
                   "frame.",
                   "Sheets give the back porch with or without the sync pulse, and peripherals "
                   "want sums less one: compare with light --typed.",
                   "16 lines lead to its top inputs; on the low ones a colour is at 1/8."},
    },
    {
        .name = "st7701",
        .driver = &jl_st7701,
        .emulator = &jl_emulated_st7701,
        .kind = "scan-out glass",
        .glasses = "480x480, 480x800, 480x854",
        .pixel_format = "as the display peripheral reads them: 5-6-5, 8-8-8, 8-bit palette",
        .glass_kind = JL_GLASS_TFT,
        .scanned = true,
        .quirks = {"It stays white until its command port got sleep out and display on.",
                   "FF 77 01 00 00 and 10, 11 or 13 opens a bank of the maker's; 00 closes it.",
                   "Voltages and gate timings are the glass maker's: take theirs."},
    },
};

const struct jl_catalog_entry *jl_catalog(size_t *count) {
    *count = sizeof entries / sizeof entries[0];
    return entries;
}

/* A character module has no driver of this kind. */
#define EXPANDER_CYCLE_NS 10000 /* pcf8574: 100 kHz */
#define CELLS_CYCLE_NS    500   /* hd44780: tcycE at 5 V */

uint32_t jl_catalog_most_i2c_hz(const struct jl_catalog_entry *entry) {
    const struct jl_controller *driver = entry->driver;
    bool has = driver ? driver->buses >> JL_BUS_I2C & 1 : entry->addresses[0] != 0;
    return has ? 1000000000u / (driver || entry->on_i2c ? jl_bus_i2c.cycle_ns : EXPANDER_CYCLE_NS)
               : 0;
}

uint32_t jl_catalog_most_serial_hz(const struct jl_catalog_entry *entry) {
    const struct jl_controller *driver = entry->driver;
    return driver && driver->serial_cycle_ns ? 1000000000u / driver->serial_cycle_ns : 0;
}

uint32_t jl_catalog_least_cycle_ns(const struct jl_catalog_entry *entry) {
    return entry->driver ? entry->driver->parallel_cycle_ns : entry->on_i2c ? 0 : CELLS_CYCLE_NS;
}

const struct jl_catalog_entry *jl_catalog_find(const char *name) {
    for (size_t i = 0; i < sizeof entries / sizeof entries[0]; i++) {
        if (strcmp(entries[i].name, name) == 0) {
            return &entries[i];
        }
    }
    return NULL;
}

const char *jl_catalog_dweller(uint8_t address) {
    static const struct {
        uint8_t first, last;
        const char *who;
    } dwellers[] = {
        {0x14, 0x14, "touch controller (gt911, its other address)"},
        {0x15, 0x15, "touch controller (cst816)"},
        {0x20, 0x26, "port expander (pcf8574), often behind a character LCD"},
        {0x27, 0x27, "port expander (pcf8574), the usual backpack of a character LCD"},
        {0x38, 0x38, "touch controller (ft6x36), or a pcf8574A port expander"},
        {0x39, 0x3B, "port expander (pcf8574A)"},
        {0x3C, 0x3C,
         "OLED controller (ssd1306, ssd1315, ssd1309, sh1106, sh1107, ssd1325, ssd1327) with SA0 "
         "low"},
        {0x3D, 0x3D,
         "OLED controller (ssd1306, ssd1315, ssd1309, sh1106, sh1107, ssd1325, ssd1327) with SA0 "
         "high"},
        {0x3E, 0x3E, "character LCD (aip31068, st7036), or a pcf8574A port expander"},
        {0x3F, 0x3F, "port expander (pcf8574A), a usual backpack of a character LCD"},
        {0x50, 0x57, "EEPROM (24xx)"},
        {0x5D, 0x5D, "touch controller (gt911)"},
        {0x68, 0x68, "clock or motion sensor"},
    };
    for (size_t i = 0; i < sizeof dwellers / sizeof dwellers[0]; i++) {
        if (address >= dwellers[i].first && address <= dwellers[i].last) {
            return dwellers[i].who;
        }
    }
    return NULL;
}

static bool is_directory(const char *path) {
    struct stat info;
    return stat(path, &info) == 0 && S_ISDIR(info.st_mode);
}

static bool try_share(const char *base, const char *between, const char *folder, char *out,
                      size_t size) {
    int length = snprintf(out, size, "%s%s/%s", base, between, folder);
    return length > 0 && (size_t)length < size && is_directory(out);
}

bool jl_share_path(const char *folder, char *out, size_t size) {
    const char *chosen = getenv("JADELAMP_SHARE");
    if (chosen) {
        return try_share(chosen, "", folder, out, size);
    }
    char program[1024];
    ssize_t length = readlink("/proc/self/exe", program, sizeof program - 1);
    if (length > 0) {
        program[length] = '\0';
        char *slash = strrchr(program, '/');
        if (slash) {
            *slash = '\0';
            if (try_share(program, "/../share/jadelamp", folder, out, size)) {
                return true;
            }
        }
    }
    return try_share(JADELAMP_SOURCE_SHARE, "", folder, out, size);
}

static int is_card(const struct dirent *entry) {
    const char *dot = strrchr(entry->d_name, '.');
    return dot && strcmp(dot, ".card") == 0;
}

bool jl_share_cards(const char *folder, jl_card_file_fn each, void *context) {
    char place[1024];
    struct dirent **list;
    int count;
    if (!jl_share_path(folder, place, sizeof place) ||
        (count = scandir(place, &list, is_card, alphasort)) < 0) {
        return false;
    }
    for (int i = 0; i < count; i++) {
        char path[1300];
        char name[256];
        snprintf(path, sizeof path, "%s/%s", place, list[i]->d_name);
        snprintf(name, sizeof name, "%s", list[i]->d_name);
        *strrchr(name, '.') = '\0';
        each(context, name, path);
        free(list[i]);
    }
    free(list);
    return true;
}
