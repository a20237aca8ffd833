/*
 * Wake-up sequences as application notes and firmwares in use have them, written from the
 * controllers' facts: each works on its glass, so that a judge must be silent about it.
 */
#include "check_cases.h"

/* What is in most rows. */
#define I2C   "i2c", "address = 0x3C\nclock = 400 kHz"
#define SPI4  "spi", "clock = 4 MHz"
#define SPI6  "spi", "clock = 6 MHz"
#define SPI   "spi", "clock = 10 MHz"
#define SPI15 "spi", "clock = 15 MHz"

const struct check_base check_bases[] = {
    /* ---- ssd1306 ---- */
    {"ssd1306", "ssd1306", "128 x 64", I2C, "", "",
     "AE|D5 80|A8 3F|D3 00|40|8D 14|20 00|A1|C8|DA 12|81 CF|D9 F1|DB 20|A4|A6|2E|21 00 7F|"
     "22 00 07|clear|AF|~100"},
    {"ssd1306-32", "ssd1306", "128 x 32", I2C, "", "",
     "AE|D5 80|A8 1F|D3 00|40|8D 14|20 00|A1|C8|DA 02|81 8F|D9 F1|DB 20|A4|A6|2E|21 00 7F|"
     "22 00 03|clear|AF"},
    {"ssd1306 note's order", "ssd1306", "128 x 64", I2C, "", "",
     "A8 3F|D3 00|40|A1|C8|DA 12|81 7F|A4|A6|D5 80|8D 14|20 00|clear|AF"},
    {"ssd1306 what differs from reset", "ssd1306", "128 x 64", I2C, "", "",
     "8D 14|20 00|A1|C8|clear|AF"},
    {"ssd1306 page addresses on the way", "ssd1306", "128 x 64", I2C, "", "",
     "AE|00|10|40|81 CF|A1|A6|A8 3F|C8|D3 00|D5 80|D9 F1|DA 12|DB 40|20 00|8D 14|A4|clear|AF"},
    {"ssd1306 all in one transfer", "ssd1306", "128 x 64", I2C, "", "",
     "AE D5 80 A8 3F D3 00 40 8D 14 20 00 A1 C8 DA 12 81 CF|D9 F1 DB 40 A4 A6|clear|AF"},
    {"ssd1306 supply from outside", "ssd1306", "128 x 64", I2C, "supply = external", "",
     "AE|D5 80|A8 3F|D3 00|40|8D 10|20 00|A1|C8|DA 12|81 9F|D9 22|DB 40|A4|A6|2E|clear|AF"},
    {"ssd1306 turned by half", "ssd1306", "128 x 64", I2C, "", "orientation = half-turn",
     "AE|D5 80|A8 3F|D3 00|40|8D 14|20 00|A0|C0|DA 12|81 CF|D9 F1|DB 40|A4|A6|clear|AF"},
    {"ssd1306 negative", "ssd1306", "128 x 64", I2C, "", "inverted = yes",
     "AE|8D 14|20 00|A1|C8|81 40|A7|clear|AF"},
    {"ssd1306 fast clock", "ssd1306", "128 x 64", SPI, "", "",
     "AE|D5 F0|A8 3F|D3 00|40|8D 14|20 00|A1|C8|DA 12|81 FF|D9 1F|DB 30|A4|A6|clear|AF|~100"},
    {"ssd1306 no operations", "ssd1306", "128 x 64", SPI, "", "",
     "E3|E3|AE|E3|8D 14|20 00|A1|C8|DA 12|81 CF|clear|AF"},
    {"ssd1306 64x48", "ssd1306", "64 x 48", I2C, "first-column = 32", "",
     "AE|D5 80|A8 2F|D3 00|40|8D 14|20 00|A1|C8|DA 12|81 CF|D9 F1|DB 40|A4|A6|clear|AF"},
    {"ssd1306 64x32", "ssd1306", "64 x 32", I2C, "first-column = 32\nrows = alternate", "",
     "AE|D5 80|A8 1F|D3 00|40|8D 14|20 00|A1|C8|DA 12|81 CF|D9 F1|DB 40|A4|A6|clear|AF"},
    {"ssd1306 72x40", "ssd1306", "72 x 40", I2C, "first-column = 28", "",
     "AE|D5 F0|A8 27|D3 00|40|8D 14|20 00|A1|C8|DA 12|81 AF|D9 22|DB 20|2E|A4|A6|clear|AF"},
    {"ssd1306 96x16", "ssd1306", "96 x 16", I2C, "", "",
     "AE|D5 60|A8 0F|D3 00|40|8D 14|20 00|A1|C8|DA 02|81 7F|D9 F1|DB 40|A4|A6|clear|AF"},
    {"ssd1306 3 wires", "ssd1306", "128 x 64", "spi-3wire", "clock = 4 MHz", "", "",
     "AE|8D 14|20 00|A1|C8|DA 12|81 CF|D9 F1|DB 20|clear|AF"},
    {"ssd1306 parallel", "ssd1306", "128 x 64", "8080-8", "cycle = 300 ns", "", "",
     "AE|8D 14|20 00|A1|C8|DA 12|81 CF|D9 F1|DB 20|clear|AF"},
    {"ssd1306 contrast at the end", "ssd1306", "128 x 64", I2C, "", "",
     "AE|8D 14|20 00|A1|C8|clear|AF|81 60"},
    /* ---- its relatives ---- */
    {"ssd1315", "ssd1315", "128 x 64", I2C, "", "",
     "AE|D5 80|A8 3F|D3 00|40|8D 14|20 00|A1|C8|DA 12|81 CF|D9 F1|A4|A6|clear|AF"},
    {"ssd1309", "ssd1309", "128 x 64", SPI, "", "",
     "FD 12|AE|D5 A0|A8 3F|D3 00|40|20 00|A1|C8|DA 12|81 7F|D9 82|DB 34|A4|A6|21 00 7F|22 00 07|"
     "clear|AF|~100"},
    {"ssd1309 on I2C", "ssd1309", "128 x 64", I2C, "", "",
     "AE|D5 70|20 00|A1|C8|DA 12|81 BF|D9 25|DB 34|A4|A6|clear|AF"},
    {"ssd1309 turned by half", "ssd1309", "128 x 64", SPI, "", "orientation = half-turn",
     "FD 12|AE|D5 A0|A8 3F|D3 00|40|20 00|A0|C0|DA 12|81 DF|D9 82|DB 34|A4|A6|clear|AF"},
    {"ssd1305", "ssd1305", "128 x 64", SPI4, "first-column = 4", "",
     "AE|D5 A0|A8 3F|D3 00|40|20 00|A1|C8|DA 12|91 3F 3F 3F 3F|81 80|82 80|D8 05|D9 D2|DB 34|A4|"
     "A6|clear|AF"},
    {"ssd0303", "ssd0303", "96 x 16", I2C, "first-column = 36", "",
     "AE|D5 80|A8 0F|D3 00|40|D8 00|A1|C8|DA 02|81 60|D9 22|DB 35|AD 8B|A4|A6|clear|AF"},
    {"sh1106", "sh1106", "128 x 64", I2C, "first-column = 2", "",
     "AE|D5 80|A8 3F|D3 00|40|AD 8B|32|A1|C8|DA 12|81 80|D9 22|DB 35|A4|A6|clear|AF|~100"},
    {"sh1106 what differs from reset", "sh1106", "128 x 64", I2C, "first-column = 2", "",
     "A1|C8|clear|AF"},
    {"sh1106 more voltage", "sh1106", "128 x 64", SPI4, "first-column = 2", "",
     "AE|02|10|40|B0|81 CF|A1|C8|A6|A8 3F|AD 8B|33|D3 00|D5 F0|D9 1F|DA 12|DB 40|A4|clear|AF"},
    {"sh1106 turned by half", "sh1106", "128 x 64", SPI4, "first-column = 2",
     "orientation = half-turn",
     "AE|D5 80|A8 3F|D3 00|40|AD 8B|A0|C0|DA 12|81 80|D9 22|DB 35|A4|A6|"
     "clear|AF"},
    {"sh1107", "sh1107", "128 x 128", I2C, "", "",
     "AE|D5 50|20|A8 7F|D3 00|DC 00|AD 8B|A0|C0|81 80|D9 22|DB 35|A4|A6|clear|AF|~100"},
    {"sh1107 upright", "sh1107", "64 x 128", I2C, "first-column = 32", "",
     "AE|D5 51|20|81 4F|AD 8B|A0|C0|DC 00|D3 60|D9 22|DB 35|A8 3F|A4|A6|clear|AF"},
    {"sh1107 turned by half", "sh1107", "64 x 128", SPI4, "first-column = 32",
     "orientation = half-turn", "AE|20|AD 8B|A1|C8|DC 00|D3 20|A8 3F|A4|A6|clear|AF"},
    /* ---- grey ---- */
    {"ssd1327", "ssd1327", "128 x 128", SPI, "", "",
     "FD 12|AE|15 00 3F|75 00 7F|81 80|A0 51|A1 00|A2 00|A4|A8 7F|B1 F1|B3 00|AB 01|B6 0F|BE 0F|"
     "BC 08|D5 62|clear|AF|~200"},
    {"ssd1327 on I2C", "ssd1327", "128 x 128", I2C, "", "",
     "AE|15 00 3F|75 00 7F|81 D4|A0 51|A1 00|A2 00|A4|A8 7F|B1 11|B3 C0|AB 01|B6 04|BE 0F|BC 08|"
     "D5 62|FD 12|clear|AF"},
    {"ssd1327 96x96", "ssd1327", "96 x 96", SPI, "first-column = 16", "",
     "FD 12|AE|A8 5F|A1 00|A2 00|A0 51|81 80|B1 22|B3 50|AB 01|B6 0A|BE 05|BC 08|D5 62|B9|A4|"
     "clear|AF"},
    {"ssd1327 turned by half", "ssd1327", "128 x 128", SPI, "", "orientation = half-turn",
     "FD 12|AE|81 80|A0 42|A1 00|A2 00|A4|A8 7F|B1 F1|B3 00|AB 01|B6 0F|BE 0F|BC 08|D5 "
     "62|clear|AF"},
    {"ssd1325", "ssd1325", "128 x 64", SPI4, "", "",
     "AE|B3 91|A8 3F|A2 4C|A1 00|AD 02|A0 50|86|B8 01 11 22 32 43 54 65 76|81 7F|B2 51|B1 55|BC 10|"
     "B4 02|B0 28|BE 1C|BF 0F|A4|clear|AF|~100"},
    {"ssd1322", "ssd1322", "256 x 64", SPI, "first-column = 112", "",
     "FD 12|AE|B3 91|CA 3F|A2 00|A1 00|A0 14 11|B5 00|AB 01|B4 A0 FD|C1 9F|C7 0F|B9|B1 E2|D1 82 20|"
     "BB 1F|B6 08|BE 07|A6|A9|clear|AF|~200"},
    {"ssd1322 turned by half", "ssd1322", "256 x 64", SPI, "first-column = 112",
     "orientation = half-turn",
     "FD 12|AE|B3 91|CA 3F|A2 00|A1 00|A0 06 11|B5 00|AB 01|B4 A0 FD|C1 FF|C7 0F|B9|B1 E2|D1 A2 20|"
     "BB 1F|B6 08|BE 07|A6|clear|AF"},
    {"ssd1322 own greys", "ssd1322", "256 x 64", SPI, "first-column = 112", "",
     "FD 12|AE|B3 F3|CA 3F|A2 00|A1 00|A0 14 11|AB 01|B4 A0 FD|C1 7F|C7 0A|"
     "B8 0C 18 24 30 3C 48 54 60 6C 78 84 90 9C A8 B4|00|B1 E2|BB 1F|B6 08|BE 07|A6|clear|AF"},
    /* ---- colour OLED ---- */
    {"ssd1351", "ssd1351", "128 x 128", SPI, "", "",
     "FD 12|FD B1|AE|B3 F1|CA 7F|A0 74|15 00 7F|75 00 7F|A1 00|A2 00|B5 00|AB 01|B1 32|"
     "B4 A0 B5 55|BB 17|BE 05|C1 C8 80 C8|C7 0F|B6 01|A6|clear|AF|~200"},
    {"ssd1351 short", "ssd1351", "128 x 128", SPI, "", "",
     "FD 12|FD B1|AE|CA 7F|A0 74|A1 00|A2 00|C1 80 80 80|C7 0B|A6|clear|AF"},
    {"ssd1351 turned by half", "ssd1351", "128 x 128", SPI, "", "orientation = half-turn",
     "FD 12|FD B1|AE|B3 F1|CA 7F|A0 66|A1 00|A2 00|B5 00|AB 01|B1 32|BB 17|BE 05|C1 C8 80 C8|C7 0F|"
     "B6 01|A6|clear|AF"},
    {"ssd1331", "ssd1331", "96 x 64", SPI6, "", "",
     "AE|A0 72|A1 00|A2 00|A4|A8 3F|AD 8E|B0 0B|B1 31|B3 F0|8A 64|8B 78|8C 64|BB 3A|BE 3E|87 06|"
     "81 91|82 50|83 7D|clear|AF|~100"},
    {"ssd1331 subpixels the other way", "ssd1331", "96 x 64", SPI6, "order = swapped", "",
     "AE|A0 76|A1 00|A2 00|A4|A8 3F|AD 8E|B0 0B|B1 31|B3 F0|8A 64|8B 78|8C 64|BB 3A|BE 3E|87 06|"
     "81 91|82 50|83 7D|clear|AF"},
    {"ssd1331 short", "ssd1331", "96 x 64", SPI6, "", "",
     "AE|A0 72|AD 8E|87 0F|81 FF|82 FF|83 FF|"
     "clear|AF"},
    /* ---- LCD of one colour ---- */
    {"pcd8544", "pcd8544", "84 x 48", SPI4, "", "", "21|C0|04|13|20|80|40|clear|0C"},
    {"pcd8544 other glass", "pcd8544", "84 x 48", SPI4, "", "", "21|B8|04|14|20|clear|0C"},
    {"pcd8544 short", "pcd8544", "84 x 48", SPI4, "", "", "21|C2|13|20|clear|0C"},
    {"st7565", "st7565", "128 x 64", SPI, "", "",
     "A2|A0|C8|40|25|81 20|2C|~50|2E|~50|2F|~10|A4|A6|clear|AF"},
    {"st7565 reset by command", "st7565", "128 x 64", SPI, "", "",
     "E2|AE|A2|A0|C8|40|25|81 22|2C|~50|2E|~50|2F|~50|A4|A6|clear|AF"},
    {"st7565 columns the other way", "st7565", "128 x 64", SPI, "", "orientation = half-turn",
     "A2|A1|C0|40|24|81 28|2C|~50|2E|~50|2F|~10|A4|A6|clear|AF"},
    {"st7567", "st7567", "128 x 64", SPI, "", "",
     "E2|~5|A2|A0|C8|24|81 20|2C|~50|2E|~50|2F|~50|40|A4|A6|clear|AF"},
    {"uc1701", "uc1701", "128 x 64", SPI, "", "",
     "E2|~5|A2|A0|C8|40|25|81 20|2C|~50|2E|~50|2F|~10|F8 00|FA 93|A4|A6|clear|AF"},
    {"uc1701 3 wires", "uc1701", "128 x 64", "spi-3wire", "clock = 4 MHz", "", "",
     "E2|~10|40|A0|C8|A2|2C|~50|2E|~50|2F|~50|25|81 20|A4|A6|clear|AF"},
    {"uc1609", "uc1609", "192 x 64", SPI, "", "",
     "E2|~10|A1|EB|81 80|C4|40|89|2F|~50|A4|A6|clear|AF"},
    {"uc1609 turned by half", "uc1609", "192 x 64", SPI, "", "orientation = half-turn",
     "E2|~10|24|EB|C2|81 88|2F|~50|clear|AF"},
    {"ks0108", "ks0108", "128 x 64", "6800-8", "cycle = 1000 ns", "", "", "~1|3E|C0|clear|3F"},
    {"sed1520", "sed1520", "122 x 32", "6800-8", "cycle = 1000 ns", "", "",
     "~1|E2|AE|A9|C0|A0|A4|EE|clear|AF"},
    {"ws0010 graphics", "ws0010_graphics", "100 x 16", "6800-8", "cycle = 1000 ns", "", "",
     "~500|38|38|08|01|~7|06|1F|clear|0C"},
    {"t6963c", "t6963c", "240 x 128", "8080-8", "cycle = 1000 ns", "", "",
     "~1|B2|80|42 00 00|40 00 10|43 1E 00|41 1E 00|clear|98"},
    {"st7920", "st7920", "128 x 64", "st7920-serial", "clock = 1 MHz", "", "",
     "~40|30|~1|30|~1|0C|~1|01|~10|06|34|~1|clear|36"},
    /* ---- TFT ---- */
    {"st7735", "st7735", "128 x 160", SPI15, "memory = 128 x 160", "",
     "01|~150|11|~120|B1 01 2C 2D|B2 01 2C 2D|B3 01 2C 2D 01 2C 2D|B4 07|C0 A2 02 84|C1 C5|"
     "C2 0A 00|C3 8A 2A|C4 8A EE|C5 0E|20|36 00|3A 05|13|clear|29|~100"},
    {"st7735 with gammas", "st7735", "128 x 160", SPI15,
     "memory = 128 x 160\nmounting = half-turn\norder = swapped", "",
     "01|~150|11|~255|B1 01 2C 2D|B2 01 2C 2D|B3 01 2C 2D 01 2C 2D|B4 07|C0 A2 02 84|C1 C5|C2 0A "
     "00|"
     "C3 8A 2A|C4 8A EE|C5 0E|20|36 C8|3A 05|"
     "E0 02 1C 07 12 37 32 29 2D 29 25 2B 39 00 01 03 10|"
     "E1 03 1D 07 06 2E 2C 29 2D 2E 2E 37 3F 00 00 02 10|13|clear|29|~100"},
    {"st7735 80x160", "st7735", "80 x 160", SPI15,
     "first-column = 26\nfirst-row = 1\nmounting = half-turn\norder = swapped\nips = yes", "",
     "~120|11|~120|B1 01 2C 2D|B4 07|C0 A2 02 84|C1 C5|C5 0E|21|36 C8|3A 05|13|clear|29"},
    {"st7735 128x128", "st7735", "128 x 128", SPI15,
     "first-column = 2\nfirst-row = 1\nmemory = 132 x 132", "",
     "01|~120|11|~120|B1 01 2C 2D|C0 A2 02 84|C1 C5|C5 0E|36 00|3A 05|13|clear|29"},
    {"st7735 18 bits", "st7735", "128 x 160", SPI15, "memory = 128 x 160", "format = 6-6-6",
     "01|~150|11|~120|B1 01 2C 2D|B4 07|C0 A2 02 84|C1 C5|C5 0E|36 00|3A 06|clear|29"},
    {"st7789", "st7789", "240 x 240", SPI15, "ips = yes", "",
     "01|~150|11|~120|3A 55|36 00|B2 0C 0C 00 33 33|B7 35|BB 19|C0 2C|C2 01|C3 12|C4 20|C6 0F|"
     "D0 A4 A1|21|13|clear|29"},
    {"st7789 short", "st7789", "240 x 320", SPI15, "ips = yes", "",
     "~120|11|~120|3A 05|36 00|21|clear|29"},
    {"st7789 no reset by command", "st7789", "240 x 240", "spi", "clock = 15 MHz\nmode = 3",
     "ips = yes", "", "~120|11|~120|36 00|3A 55|B0 00 F0|21|13|clear|29|~10"},
    {"st7789 135x240", "st7789", "135 x 240", SPI15, "first-column = 52\nfirst-row = 40\nips = yes",
     "",
     "01|~150|11|~120|36 00|3A 55|B2 0C 0C 00 33 33|B7 35|BB 28|C0 2C|C2 01|C3 10|C4 20|C6 0F|"
     "D0 A4 A1|E0 D0 00 02 07 0A 28 32 44 42 06 0E 12 14 17|"
     "E1 D0 00 02 07 0A 28 31 54 47 0E 1C 17 1B 1E|21|clear|29|~120"},
    {"st7789 240x280", "st7789", "240 x 280", SPI15, "first-row = 20\nips = yes", "",
     "~120|11|~120|36 00|3A 05|B2 0B 0B 00 33 35|B7 11|BB 35|C0 2C|C2 01|C3 0D|C4 20|C6 13|D0 A4 "
     "A1|21|"
     "clear|29"},
    {"st7789 a quarter turn", "st7789", "240 x 320", SPI15, "ips = yes",
     "orientation = quarter-turn", "01|~150|11|~120|3A 55|36 60|21|13|clear|29"},
    {"st7789 parallel", "st7789", "170 x 320", "8080-8", "cycle = 66 ns",
     "first-column = 35\nips = yes", "", "01|~120|11|~120|3A 55|36 00|21|13|clear|29"},
    {"ili9341", "ili9341", "240 x 320", SPI, "mounting = mirrored-x\norder = swapped", "",
     "01|~120|C0 23|C1 10|C5 3E 28|C7 86|36 48|3A 55|B1 00 18|B6 08 82 27|26 01|11|~120|clear|29"},
    {"ili9341 with all of the maker's", "ili9341", "240 x 320", SPI,
     "mounting = mirrored-x\norder = swapped", "",
     "01|~120|EF 03 80 02|CF 00 C1 30|ED 64 03 12 81|E8 85 00 78|CB 39 2C 00 34 02|F7 20|EA 00 00|"
     "C0 23|C1 10|C5 3E 28|C7 86|36 48|37 00 00|3A 55|B1 00 18|B6 08 82 27|F2 00|26 01|"
     "E0 0F 31 2B 0C 0E 08 4E F1 37 07 10 03 0E 09 00|"
     "E1 00 0E 14 03 11 07 31 C1 48 08 0F 0C 31 36 0F|11|~150|clear|29|~150"},
    {"ili9341 short", "ili9341", "240 x 320", SPI, "mounting = mirrored-x\norder = swapped", "",
     "~120|11|~120|36 48|3A 55|clear|29"},
    {"ili9341 lying", "ili9341", "240 x 320", SPI, "mounting = mirrored-x\norder = swapped",
     "orientation = quarter-turn", "01|~120|11|~120|36 28|3A 55|clear|29"},
    {"ili9341 3 wires", "ili9341", "240 x 320", "spi-3wire", "clock = 10 MHz",
     "mounting = mirrored-x\norder = swapped", "", "01|~120|11|~120|36 48|3A 55|clear|29"},
    {"ili9488", "ili9488", "320 x 480", SPI15, "mounting = mirrored-x\norder = swapped", "",
     "~120|C0 17 15|C1 41|C5 00 12 80|36 48|3A 66|B0 80|B1 A0|B4 02|B6 02 02 3B|B7 "
     "C6|11|~120|clear|29|~25"},
    {"ili9488 with gammas", "ili9488", "320 x 480", SPI15, "mounting = mirrored-x\norder = swapped",
     "",
     "~120|E0 00 03 09 08 16 0A 3F 78 4C 09 0A 08 16 1A 0F|"
     "E1 00 16 19 03 0F 05 32 45 46 04 0E 0D 35 37 0F|C0 17 15|C1 41|C5 00 12 80|36 48|3A 66|B0 00|"
     "B1 A0|B4 02|B6 02 02 3B|F7 A9 51 2C 82|11|~120|clear|29|~25"},
    {"ili9488 parallel", "ili9488", "320 x 480", "8080-16", "cycle = 66 ns",
     "mounting = mirrored-x\norder = swapped", "", "01|~120|11|~120|36 48|3A 55|clear|29"},
    {"st7796", "st7796", "320 x 480", SPI15, "mounting = mirrored-x\norder = swapped", "",
     "01|~120|11|~120|F0 C3|F0 96|36 48|3A 55|B4 01|B6 80 02 3B|E8 40 8A 00 00 29 19 A5 33|C1 "
     "06|C2 "
     "A7|C5 18|"
     "E0 F0 09 0B 06 04 15 2F 54 42 3C 17 14 18 1B|E1 E0 09 0B 06 04 03 2B 43 42 3B 16 14 17 1B|"
     "F0 3C|F0 69|clear|~120|29"},
    {"ili9225", "ili9225", "176 x 220", SPI15, "", "",
     "00 10 00 00|00 11 00 00|00 12 00 00|00 13 00 00|00 14 00 00|~40|00 11 00 18|00 12 61 21|"
     "00 13 00 6F|00 14 49 5F|00 10 08 00|~10|00 11 10 3B|~50|00 01 01 1C|00 02 01 00|00 03 10 30|"
     "00 07 00 00|00 08 08 08|00 0B 11 00|00 0C 00 00|00 0F 0D 01|clear|00 07 00 12|~50|00 07 10 "
     "17"},
    {"ili9163", "ili9163", "128 x 128", SPI15,
     "memory = 128 x 160\nmounting = half-turn\norder = swapped", "",
     "01|~120|11|~120|26 04|B1 0C 14|C0 0C 05|C1 02|C5 31 58|C7 40|3A 05|36 C8|F2 01|"
     "E0 3F 25 1C 1E 20 12 2A 90 24 11 00 00 00 00 00|"
     "E1 20 20 20 20 05 00 15 A7 3D 18 25 2A 2B 2B 3A|clear|29"},
    {"ili9163 short", "ili9163", "128 x 128", SPI15,
     "memory = 128 x 160\nmounting = half-turn\norder = swapped", "",
     "~120|11|~120|3A 05|36 C8|clear|29"},
    {"gc9107", "gc9107", "128 x 128", SPI15, "first-column = 2\nfirst-row = 1\norder = swapped", "",
     "~120|FE|EF|B0 C0|B2 2F|B3 03|B6 19|B7 01|AC C8|AB 0F|3A 05|B4 04|A8 07|B8 08|E7 5A|E8 23|"
     "E9 47|EA 99|C6 30|C7 1F|36 08|11|~120|clear|29"},
    {"hx8357", "hx8357", "320 x 480", SPI15, "mounting = half-turn", "",
     "01|~10|B9 FF 83 57|~300|B3 80 00 06 06|B6 25|B0 68|CC 05|B1 00 15 1C 1C 83 AA|"
     "C0 50 50 01 3C 1E 08|B4 02 40 00 2A 2A 0D 78|3A 55|36 C0|35 00|44 00 "
     "02|11|~150|clear|29|~50"},
    {"st7796 short", "st7796", "320 x 480", SPI15, "mounting = mirrored-x\norder = swapped", "",
     "~120|11|~120|36 48|3A 55|clear|29"},
    {"gc9a01", "gc9a01", "240 x 240", SPI15, "shape = round\nips = yes\norder = swapped", "",
     "~120|EF|EB 14|FE|EF|EB 14|84 40|85 FF|86 FF|87 FF|88 0A|89 21|8A 00|8B 80|8C 01|8D 01|8E "
     "FF|8F FF|"
     "B6 00 20|36 08|3A 05|90 08 08 08 08|BD 06|BC 00|FF 60 01 04|C3 13|C4 13|C9 22|BE 11|E1 10 0E|"
     "DF 21 0C 02|F0 45 09 08 08 26 2A|F1 43 70 72 36 37 6F|ED 1B 0B|AE 77|CD 63|E8 34|"
     "62 18 0D 71 ED 70 70 18 0F 71 EF 70 70|35|21|11|~120|clear|29|~20"},
    {"gc9a01 short", "gc9a01", "240 x 240", SPI15, "shape = round\nips = yes\norder = swapped", "",
     "~120|FE|EF|36 08|3A 05|21|11|~120|clear|29"},
    /* ---- e-paper ---- */
    {"ssd1680", "ssd1680", "128 x 296", SPI, "", "",
     "12|busy low|01 27 01 00|11 03|44 00 0F|45 00 00 27 01|3C 05|18 80|21 00 80|clear"},
    {"ssd1680 with borders", "ssd1680", "128 x 296", SPI, "", "",
     "12|busy low|74 54|7E 3B|01 27 01 00|11 03|44 00 0F|45 00 00 27 01|3C 01|2C 36|18 80|21 00 80|"
     "clear"},
    {"uc8151", "uc8151", "128 x 296", SPI, "", "",
     "06 17 17 17|04|~1|busy high|00 9F|61 80 01 28|50 77|clear"},
    /* ---- character modules ---- */
    {"hd44780", "hd44780", "16 x 2", "parallel-4", "", "", "",
     "~50|pulse 3|~5|pulse 3|~1|pulse 3|~1|pulse 2|28|08|01|~3|06|0C"},
    {"hd44780 8 bits", "hd44780", "16 x 2", "parallel-8", "", "", "",
     "~50|pulse 3|~5|pulse 3|~1|pulse 3|38|08|01|~3|06|0C"},
    {"hd44780 without an entry", "hd44780", "20 x 4", "parallel-4", "", "", "",
     "28|08|01|~3|06|0C"},
    {"hd44780 expander", "hd44780", "16 x 2", "expander", "address = 0x27", "", "",
     "~50|pulse 3|~5|pulse 3|~1|pulse 3|~1|pulse 2|28|08|06|01|~3|0C"},
    {"hd44780 busy flag", "hd44780", "16 x 2", "parallel-8", "busy = yes", "", "",
     "~40|pulse 3|~5|pulse 3|~1|pulse 3|38|08|01|06|0C"},
    {"aip31068", "aip31068", "16 x 2", "i2c", "address = 0x3E", "", "", "~50|38|0C|01|~3|06"},
    {"st7036", "st7036", "16 x 2", "i2c", "address = 0x3C", "", "",
     "~50|38|39|14|74|5E|6C|~200|38|0C|01|~3|06"},
    {"ws0010", "ws0010", "16 x 2", "parallel-8", "", "", "",
     "~500|pulse 3|~5|pulse 3|~1|pulse 3|38|08|01|~7|06|17|0C"},
    {"hd44780 one row", "hd44780", "8 x 1", "parallel-4", "", "", "", "20|08|01|~3|06|0C"},
};
const size_t check_base_count = sizeof check_bases / sizeof check_bases[0];
