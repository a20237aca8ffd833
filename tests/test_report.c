/* A report: one page that has all of it, and leaves nothing else behind. */
#include "harness.h"

#include <stdio.h>
#include <string.h>

#include "shell.h"

/* A wake-up without a charge pump, in page mode, with what HTML would take for its own. */
static const char dark_card[] = "; <b>tried</b> & dark\n"
                                "[panel]\ncontroller = ssd1306\n"
                                "[glass]\nsize = 128 x 64 pixels\n"
                                "[bus]\nkind = i2c\naddress = 0x3C\nclock = 400 kHz\n"
                                "[wake]\nstep = send AE\nstep = send D5 80\nstep = send A8 3F\n"
                                "step = send AF\n";

/* What a page must say, in order; NULL ends it. */
static const struct {
    const char *card;
    int status;
    const char *says[12];
} pages[] = {
    {"st7789-240x240-spi",
     0,
     {"<!DOCTYPE html>", "<title>st7789-240x240-spi</title>", "src=\"data:image/png;base64,",
      "lit, brightness 255 of 255", "Nothing to object to", "115279",
      "src=\"data:image/png;base64,", "11    exit_sleep_mode", "57600 pixels into columns 0 to 239",
      "controller = st7789", "Jade Lamp 0.1.0</p>\n</body></html>\n", NULL}},
    {"dark.card",
     1,
     {"<title>dark</title>", "stays dark: the charge pump is off", "src=\"data:image/png;base64,",
      "<td>dark</td><td>the whole</td>", "<td>wrong</td><td>5, 0.427 ms: 21 column address",
      "<td>wrong</td><td>6, 0.495 ms: 22 page address", "1034</td>", "oscillator 8 of 15",
      "; &lt;b&gt;tried&lt;/b&gt; &amp; dark\n[panel]", "</html>\n", NULL}},
    {"hd44780-16x2-4bit",
     0,
     {"src=\"data:image/png;base64,", "\\~", "function set", "controller = hd44780", "</html>\n",
      NULL}},
    {"ssd1681-200x200-spi",
     0,
     {"src=\"data:image/png;base64,", "Nothing to object to", "controller = ssd1681", "</html>\n",
      NULL}},
    {"rgb-480x272",
     0,
     {"src=\"data:image/png;base64,", "Glass that is scanned out has no bytes to read.",
      "kind = rgb", "</html>\n", NULL}},
};

static void begin(void) {
    shell_begin();
    FILE *file = fopen(shell_path("dark.card"), "w");
    if (EXPECT(file != NULL)) {
        fputs(dark_card, file);
        fclose(file);
    }
    EXPECT_INT(shell("mkdir scratch"), 0);
}

static char page[1 << 22];

static void read_page(const char *path) {
    FILE *file = fopen(path, "r");
    size_t count = 0;
    if (EXPECT(file != NULL)) {
        count = fread(page, 1, sizeof page - 1, file);
        fclose(file);
    }
    page[count] = '\0';
}

static void says_all_of_it(void) {
    for (size_t i = 0; i < sizeof pages / sizeof pages[0]; i++) {
        char line[300];
        begin();
        snprintf(line, sizeof line, "TMPDIR=$PWD/scratch " JADELAMP " report %s --into out",
                 pages[i].card);
        EXPECT_INT(shell(line), pages[i].status);
        EXPECT_CONTAINS(output, "-report.html");
        EXPECT_INT(shell("ls out | wc -l; ls scratch | wc -l"), 0);
        EXPECT_TEXT(output, "1\n0\n");
        EXPECT_INT(shell("mv out/*-report.html page.html"), 0);
        read_page(shell_path("page.html"));
        const char *at = page;
        for (int k = 0; at && pages[i].says[k]; k++) {
            test_row("%s: %s", pages[i].card, pages[i].says[k]);
            at = strstr(at, pages[i].says[k]);
            EXPECT(at != NULL);
            at = at ? at + strlen(pages[i].says[k]) : NULL;
        }
        test_row("%s", pages[i].card);
        EXPECT(at && !*at);
        EXPECT(!strstr(page, "http") && !strstr(page, "<script") && !strstr(page, "<b>"));
        shell_end();
    }
}

/* The first picture in the page is the photo that first light writes. */
static void has_the_photo_in_it(void) {
    begin();
    EXPECT_INT(shell(JADELAMP " report ssd1306-128x32-i2c"), 0);
    EXPECT_INT(shell(JADELAMP " light ssd1306-128x32-i2c --scale 4"), 0);
    EXPECT_INT(
        shell("sed -n 's/.*alt=\"the glass\" src=\"data:image.png;base64,\\([^\"]*\\)\".*/\\1/p' "
              "ssd1306-128x32-i2c-report.html | base64 -d > inside.png"),
        0);
    struct jl_picture inside = shell_picture("inside.png"),
                      photo = shell_picture("ssd1306-128x32-i2c-photo.png");
    EXPECT_INT(photo.width, 4 * (128 + 6));
    EXPECT_PICTURE(&inside, &photo, "the photo in a report");
    jl_picture_free(&inside);
    jl_picture_free(&photo);
    shell_end();
}

static const struct {
    const char *line, *says;
} refused[] = {
    {"report", "name a card"},
    {"report no-such-card", "no card no-such-card"},
    {"report scratch/none.card", "cannot read the card scratch/none.card"},
    {"report dark.card extra", "extra"},
    {"report ssd1306-128x64-i2c --into dark.card", "dark.card"},
};

static void refuses(void) {
    begin();
    for (size_t i = 0; i < sizeof refused / sizeof refused[0]; i++) {
        char line[300];
        snprintf(line, sizeof line, "TMPDIR=$PWD/scratch " JADELAMP " %s", refused[i].line);
        EXPECT_INT(shell(line), 2);
        EXPECT_CONTAINS(output, refused[i].says);
        EXPECT_INT(shell("ls . scratch | grep -c ."), 0);
        EXPECT_TEXT(output, "4\n"); /* the card, scratch, and the two headings */
    }
    EXPECT_INT(shell("TMPDIR=$PWD/none " JADELAMP " report dark.card"), 2);
    EXPECT_CONTAINS(output, "cannot make a folder in");
    shell_end();
}

const struct test_group test_groups[] = {
    {"says_all_of_it", says_all_of_it},
    {"has_the_photo_in_it", has_the_photo_in_it},
    {"refuses", refuses},
    {NULL, NULL},
};
