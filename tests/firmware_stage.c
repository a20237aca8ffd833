/* What hangs on which pins of a processor. */
#include "firmware_stage.h"

#include <stdio.h>

#include "harness.h"
#include "shell.h"

#define TOUCH_CARD                                                                                 \
    "[panel]\ncontroller = ili9341\n[glass]\nsize = 24 x 8 pixels\n[bus]\nkind = spi\n"            \
    "clock = 4 MHz\n[pins]\ncs = PB2\ndc = PB1\nreset = PB0\ntouch_pen = PD7\n"

static const struct {
    const char *name, *text;
} cards[] = {
    {"lcd.card", "[panel]\ncontroller = pcd8544\n[glass]\nsize = 84 x 48 pixels\ncolor = lcd-grey\n"
                 "[bus]\nkind = spi\nclock = 4 MHz\n[pins]\ncs = PD3\ndc = PD4\nreset = PD5\n"},
    {"heart.card", "[panel]\ncontroller = hd44780\n[glass]\nsize = 16 x 2 cells\nrom = a02\n"
                   "color = lcd-green\n[bus]\nkind = parallel-4\n[pins]\nrs = PB0\ne = PB1\n"
                   "d4 = PD4\nd5 = PD5\nd6 = PD6\nd7 = PD7\n"},
    {"rw.card", "[panel]\ncontroller = hd44780\n[glass]\nsize = 16 x 2 cells\ncolor = lcd-green\n"
                "[bus]\nkind = parallel-4\n[pins]\nrs = PB0\ne = PB1\nrw = PB2\n"
                "d4 = PD4\nd5 = PD5\nd6 = PD6\nd7 = PD7\n"},
    {"busy.card",
     "[panel]\ncontroller = hd44780\n[glass]\nsize = 16 x 2 cells\nrom = a02\n"
     "color = lcd-green\n[bus]\nkind = parallel-4\n[pins]\nrs = PA0\nrw = PA1\ne = PA2\n"
     "d4 = PA4\nd5 = PA5\nd6 = PA6\nd7 = PA7\n"},
    {"memory.card", "[panel]\ncontroller = ls013b7dh03\n[glass]\nsize = 128 x 128 pixels\n[bus]\n"
                    "kind = memory-lcd\nclock = 1 MHz\n[pins]\ncs = PD4\n"},
    {"usi.card", "[panel]\ncontroller = ssd1306\n[glass]\nsize = 128 x 32 pixels\ncolor = white\n"
                 "[bus]\nkind = spi\nclock = 8 MHz\n[pins]\ncs = PB0\ndc = PB3\nreset = PB4\n"},
    {"tft.card", "[panel]\ncontroller = ili9341\n[glass]\nsize = 24 x 8 pixels\n[bus]\nkind = spi\n"
                 "clock = 4 MHz\n[pins]\ncs = PB2\ndc = PB1\nreset = PB0\n"},
    {"resistive.card", TOUCH_CARD "touch_cs = PD6\n[touch]\ncontroller = xpt2046\nclock = 1 MHz\n"},
    {"capacitive.card", TOUCH_CARD "[touch]\ncontroller = ft6x36\n"},
    {"knob.card",
     "[panel]\ncontroller = ili9341\n[glass]\nsize = 24 x 8 pixels\n[bus]\nkind = spi\n"
     "clock = 4 MHz\n[pins]\ncs = PB2\ndc = PB1\nreset = PB0\nknob_a = PC0\n"
     "knob_b = PC1\n"},
    {"dimmed.card",
     "[panel]\ncontroller = ili9341\n[glass]\nsize = 24 x 8 pixels\n[bus]\nkind = spi\n"
     "clock = 4 MHz\n[pins]\ncs = PB5\ndc = PB4\nreset = PB6\nlight = wired\n"},
    {"pages.card", "[panel]\ncontroller = st7565\n[glass]\nsize = 128 x 64 pixels\n[bus]\n"
                   "kind = 6800-8\ncycle = 400 ns\n[pins]\ncs = PC2\ndc = PC3\nreset = PC4\n"
                   "e = PC0\nrw = PC1\nd0 = PA0\nd1 = PA1\nd2 = PA2\nd3 = PA3\nd4 = PA4\n"
                   "d5 = PA5\nd6 = PA6\nd7 = PA7\n"},
    {"small.card",
     "[panel]\ncontroller = ili9341\n[glass]\nsize = 24 x 8 pixels\n[bus]\nkind = spi\n"
     "clock = 4 MHz\n[pins]\nclk = PB2\ndc = PB3\nlight = wired\n"},
    {"held.card",
     "[panel]\ncontroller = ili9341\n[glass]\nsize = 24 x 8 pixels\n[bus]\nkind = spi\n"
     "clock = 4 MHz\n[pins]\ndc = PB3\nreset = PB4\n"},
    {"mode3.card",
     "[panel]\ncontroller = ili9341\n[glass]\nsize = 24 x 8 pixels\n[bus]\nkind = spi\n"
     "mode = 3\nclock = 4 MHz\n[pins]\ncs = PB2\ndc = PB1\nreset = PB0\n"},
    {"lines.card", "[panel]\ncontroller = ili9341\n[glass]\nsize = 24 x 8 pixels\n[bus]\n"
                   "kind = 8080-8\ncycle = 500 ns\n[pins]\ncs = PC2\ndc = PC3\nreset = PC4\n"
                   "wr = PC0\nrd = PC1\nd0 = PA0\nd1 = PA1\nd2 = PA2\nd3 = PA3\nd4 = PA4\n"
                   "d5 = PA5\nd6 = PA6\nd7 = PA7\n"},
    {"three.card", "[panel]\ncontroller = ili9341\n[glass]\nsize = 24 x 8 pixels\n[bus]\n"
                   "kind = spi-3wire\nclock = 4 MHz\n[pins]\ncs = PB2\nreset = PB0\n"},
    {"wide.card", "[panel]\ncontroller = ili9341\n[glass]\nsize = 24 x 8 pixels\n[bus]\n"
                  "kind = 8080-16\ncycle = 500 ns\n[pins]\ncs = PC2\ndc = PC3\nreset = PC4\n"
                  "wr = PC0\nrd = PC1\nd0 = PA0\nd1 = PA1\nd2 = PA2\nd3 = PA3\nd4 = PA4\n"
                  "d5 = PA5\nd6 = PA6\nd7 = PA7\nd8 = PL0\nd9 = PL1\nd10 = PL2\nd11 = PL3\n"
                  "d12 = PL4\nd13 = PL5\nd14 = PL6\nd15 = PL7\n"},
    {"key.card", "[panel]\ncontroller = ssd1306\n[glass]\nsize = 128 x 32 pixels\ncolor = white\n"
                 "[bus]\nkind = i2c\naddress = 0x3C\nclock = 400 kHz\n[pins]\nkey_ok = PB3\n"},
    {"apart.card", "[panel]\ncontroller = ssd1306\n[glass]\nsize = 128 x 32 pixels\ncolor = white\n"
                   "[bus]\nkind = i2c\naddress = 0x3D\nclock = 400 kHz\n"},
    {"twice.card", "[panel]\ncontroller = ssd1306\n[glass]\nsize = 128 x 32 pixels\ncolor = white\n"
                   "[bus]\nkind = spi\nclock = 8 MHz\n[pins]\ncs = PB0\ndc = PB0\n"},
    {"same.card", "[panel]\ncontroller = ssd1306\n[glass]\nsize = 128 x 32 pixels\ncolor = white\n"
                  "[bus]\nkind = spi\nclock = 8 MHz\n[pins]\ncs = PB0\ndc = PB3\nreset = PB4\n"
                  "key_ok = PB3\n"},
    {"wrong.card", "[panel]\ncontroller = ssd1306\n[glass]\nsize = 128 x 32 pixels\n[bus]\n"
                   "kind = i2c\naddress = 0x3C\nclock = 400 kHz\n[pins]\nkey_ok = PB7\n"},
    {"one.card", "[panel]\ncontroller = ssd1306\n[glass]\nsize = 128 x 32 pixels\ncolor = white\n"
                 "[bus]\nkind = i2c\naddress = 0x3C\nclock = 400 kHz\n[pins]\nkey_ok = PB3\n"
                 "key_back = PB3\n"},
    {"far.card", "[panel]\ncontroller = ssd1306\n[glass]\nsize = 128 x 32 pixels\ncolor = white\n"
                 "[bus]\nkind = spi\nclock = 8 MHz\n[pins]\ndc = GPIO25\n"},
};

void firmware_begin(void) {
    shell_begin();
    for (size_t i = 0; i < sizeof cards / sizeof cards[0]; i++) {
        FILE *file = fopen(shell_path(cards[i].name), "w");
        EXPECT(file != NULL);
        fputs(cards[i].text, file);
        fclose(file);
    }
}

int firmware_wrong_pixels(const char *name, int width, int height, bool (*rule)(int x, int y)) {
    struct jl_picture glass = shell_picture(name);
    int wrong = glass.width == width && glass.height == height ? 0 : -1;
    for (int i = 0; wrong >= 0 && i < width * height; i++) {
        wrong += (glass.rgb[3 * i + 1] > 127) != rule(i % width, i / width);
    }
    jl_picture_free(&glass);
    return wrong;
}

bool firmware_diagonals(int x, int y) {
    return x % 8 == y % 8;
}

bool firmware_turned_over(int x, int y) {
    return !firmware_diagonals(x, y);
}
