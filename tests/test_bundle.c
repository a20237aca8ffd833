/* The library as two files: what is in them, and what is not; scripts/check-bundle runs them. */
#include "harness.h"

#include <stdio.h>
#include <string.h>

#include "shell.h"

static char text[4000000];

static void read_file(const char *name) {
    FILE *file = fopen(shell_path(name), "r");
    size_t count = 0;
    if (EXPECT(file != NULL)) {
        count = fread(text, 1, sizeof text - 1, file);
        fclose(file);
    }
    text[count] = '\0';
}

/* What a bundle must hold, and what it must not; "-" before the latter. */
static const struct {
    const char *line;
    const char *file;
    const char *has[12];
} bundles[] = {
    {"--card ssd1306-128x64-i2c",
     "jadelamp.c",
     {"const struct jl_panel_config ssd1306_128x64_i2c = {",
      "const struct jl_controller jl_ssd1306 =", "const struct jl_bus jl_bus_i2c =",
      "const struct jl_motion jl_ssd1306_motion", "-const struct jl_controller jl_st7789",
      "-const struct jl_bus jl_bus_spi =", "-const struct jl_format jl_rgb666 =",
      "-jl_font_sans16 =", "-jl_char_put",
      "-#include \"j"
      "adelamp/",
      "-jl_touch_wake(", NULL}},
    {"--card ssd1306-128x64-i2c",
     "jadelamp.h",
     {"extern const struct jl_panel_config ssd1306_128x64_i2c;",
      "#define SSD1306_128X64_I2C_CLOCK_HZ 400000u",
      "extern const struct jl_controller jl_ssd1306;", "-jl_st7789", "-char_panel", "-#include \"",
      "#include <stdint.h>", "made by jadelamp bundle --card ssd1306-128x64-i2c.", NULL}},
    {"--card st7789-240x240-spi --card hd44780-20x4-expander --font 8x13 --with jl_bus_8080_8",
     "jadelamp.c",
     {"const struct jl_panel_config st7789_240x240_spi = {",
      "const struct jl_char_config hd44780_20x4_expander = {",
      "static const struct jl_char_expander hd44780_20x4_expander_outputs", "jl_font_8x13 =",
      "const struct jl_bus jl_bus_8080_8", "const struct jl_char_wire jl_char_wire_expander",
      "const struct jl_motion jl_dcs_motion", "-const struct jl_controller jl_ssd1306 =", NULL}},
    {"--card ssd1306-128x64-i2c --lone",
     "jadelamp.c",
     {"#define JL_LONE_PANEL ssd1306_128x64_i2c\n#define JL_LONE_FRAMES\n",
      "const struct jl_panel_config ssd1306_128x64_i2c = {", "jl_bands_begin(", "-jl_direct_init(",
      "-void jl_magnify(", "-jl_panel_present_as(struct", NULL}},
    {"--card ssd1306-128x64-i2c --lone",
     "jadelamp.h",
     {"#define jl_panel_open jl_lone_open", "-struct jl_direct {", NULL}},
    {"--card st7735-128x160-spi --lone",
     "jadelamp.c",
     {"#define JL_LONE_PANEL st7735_128x160_spi\n", "-#define JL_LONE_FRAMES", "jl_direct_init(",
      NULL}},
    {"--card hd44780-16x2-4bit --lone",
     "jadelamp.c",
     {"#undef jl_char_open\n#define JL_LONE_MODULE hd44780_16x2_4bit\n", "-#define JL_LONE_FRAMES",
      NULL}},
    {"--card ssd1680-128x296-spi --card ili9341-240x320-touch",
     "jadelamp.c",
     {"const struct jl_controller jl_ssd1680", "jl_paper_show(",
      "const struct jl_touch_part jl_xpt2046", "-const struct jl_touch_part jl_gt911", NULL}},
};

static void holds_what_was_asked_for(void) {
    for (size_t i = 0; i < sizeof bundles / sizeof bundles[0]; i++) {
        char line[400];
        shell_begin();
        test_row("%s", bundles[i].line);
        snprintf(line, sizeof line, JADELAMP " bundle %s --into .", bundles[i].line);
        EXPECT_INT(shell(line), 0);
        EXPECT_CONTAINS(output, "wrote jadelamp.h (");
        EXPECT_INT(shell_files(), 2);
        read_file(bundles[i].file);
        for (int k = 0; bundles[i].has[k]; k++) {
            bool away = bundles[i].has[k][0] == '-';
            test_row("%s in %s: %s", bundles[i].line, bundles[i].file, bundles[i].has[k]);
            EXPECT((strstr(text, bundles[i].has[k] + away) != NULL) == !away);
        }
        shell_end();
    }
}

static void refuses(void) {
    static const struct {
        const char *line;
        const char *says;
    } rows[] = {
        {"", "name a panel: --card CARD"},
        {"ssd1306-128x64-i2c", "one argument too many"},
        {"--card nobody", "no card nobody"},
        {"--card", "missing argument"},
        {"--font 9x99", "the library has nothing of the name jl_font_9x99"},
        {"--with jl_nothing", "nothing of the name jl_nothing"},
        {"--card ssd1306-128x64-i2c --card ssd1306-128x64-i2c", "two cards would both be called"},
        {"--card ssd1306-128x64-i2c --into /dev/null/such", "/dev/null/such"},
        {"--card rgb-480x272", "is scanned out"},
        {"--lone", "name a panel: --card CARD"},
        {"--card ssd1306-128x64-i2c --card st7735-128x160-spi --lone", "expected one --card"},
        {"--card ssd1306-128x64-i2c --all --lone", "and no --all"},
    };
    shell_begin();
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        char line[400];
        snprintf(line, sizeof line, JADELAMP " bundle %s", rows[i].line);
        EXPECT_INT(shell(line), 2);
        EXPECT_CONTAINS(output, rows[i].says);
        EXPECT_INT(shell_files(), 0);
    }
    EXPECT_INT(shell("JADELAMP_SHARE=/nowhere " JADELAMP " bundle --all"), 2);
    EXPECT_CONTAINS(output, "set JADELAMP_SHARE to the folder that holds src/ and include/");
    shell_end();
}

static void says_it_in_json(void) {
    shell_begin();
    /* A name that C would not take. */
    EXPECT_INT(shell("cp " SOURCE "/cards/pcd8544-84x48-spi.card 3d.card && " JADELAMP
                     " bundle --card 3d.card && grep -q '_3d;' jadelamp.h"),
               0);
    EXPECT_INT(shell(JADELAMP " bundle --card pcd8544-84x48-spi --json"), 0);
    EXPECT_CONTAINS(output, "\"library_files\":");
    EXPECT_CONTAINS(output, "\"source_bytes\":");
    shell_end();
}

/* The library's files, and more: C that is allowed, and that none of them has. */
#define SHARE                                                                                      \
    "rm -rf share && mkdir share && cp -R " SOURCE "/src " SOURCE "/include share/ && cd share "   \
    "&& "
#define BUNDLE "JADELAMP_SHARE=$PWD/share " JADELAMP " bundle --all --into ."

static void odd_sources(void) {
    shell_begin();
    EXPECT_INT(shell(SHARE "cp " ODD "/odd.c " ODD "/odd_own.h src/core/"), 0);
    EXPECT_INT(shell(BUNDLE), 0);
    EXPECT_INT(shell("echo 'int jl_odd(int);' >a.c && "
                     "echo 'int main(void) { return jl_odd(1) == 159 ? 0 : 1; }' >>a.c && "
                     "cc -std=c11 -Wall -Wextra -Wno-comment -Werror -o a a.c jadelamp.c && ./a"),
               0);
    shell_end();
}

/* A file that is cut off, or is none: no crash, and no endless search. */
static void broken_sources(void) {
    static const struct {
        const char *text,
            *says; /* what is said; NULL: a bundle is made, for the compiler to judge */
    } rows[] = {
        {"/* never ends", NULL},
        {"const char jl_odd[] = \"never ends", NULL},
        {"const char jl_odd[] = \"ends in a backslash\\\\\\", NULL},
        {"#define ODD \\\\", NULL},
        {"#define", NULL},
        {"int jl_odd(void) {", NULL},
        {"static int jl_odd = {", NULL},
        {"enum { ODD", NULL},
        {"enum odd { ODD, }", NULL},
        {"__attribute__((unused", NULL},
        {"__attribute__", NULL},
        {"struct", NULL},
        {"= 4;", NULL},
        {"int (*", NULL},
        {"int (* const", NULL},
        {"};", NULL},
        {"#include", NULL},
        {"#include odd", NULL},
        {"#include \"odd/" /* longer than a name can be */
         "2345678901234567890123456789012345678901234567890123456789012345678901234567890.h\"",
         NULL},
        {"#include \"nothing.h\"\n", "cannot read"},
        {"", NULL},
    };
    shell_begin();
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        FILE *file = NULL;
        EXPECT_INT(shell("test -d share || { " SHARE "true; }"), 0);
        file = fopen(shell_path("share/src/core/odd.c"), "w");
        if (EXPECT(file != NULL)) {
            fputs(rows[i].text, file);
            fclose(file);
        }
        EXPECT_INT(shell(BUNDLE), rows[i].says ? 2 : 0);
        test_row("%s", rows[i].text);
        EXPECT_CONTAINS(output, rows[i].says ? rows[i].says : "wrote jadelamp.h");
    }
    EXPECT_INT(shell("rm share/src/core/*.c; " BUNDLE), 2);
    EXPECT_CONTAINS(output, "src/core holds no sources");
    EXPECT_INT(shell("rm -r share/src/core; " BUNDLE), 2);
    EXPECT_CONTAINS(output, "src/core holds no sources");
    shell_end();
}

const struct test_group test_groups[] = {
    {"holds_what_was_asked_for", holds_what_was_asked_for},
    {"refuses", refuses},
    {"says_it_in_json", says_it_in_json},
    {"odd_sources", odd_sources},
    {"broken_sources", broken_sources},
    {NULL, NULL},
};
