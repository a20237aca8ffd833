/* What every verb refuses in the same way, and values of options that are out of range: status 2, a
 * sentence that says what was read and what would be right, and no file. */
#include "harness.h"

#include <stdio.h>
#include <string.h>

#include "shell.h"

#define CARD "ssd1306-128x64-i2c"

static void each_verb(void) {
    static const struct {
        const char *verb, *bare; /* what it says to nothing; NULL: it works without */
        const char *many;        /* so many operands that the last is one too many */
    } rows[] = {
        {"catalog", NULL, "ssd1306 extra"},
        {"scan", NULL, NULL},
        {"light", "name a card", CARD " extra"},
        {"run", "name a shared object or firmware", "x.so -c " CARD " extra"},
        {"explain", "name a capture", "a.vcd extra"},
        {"replay", "name a capture", "a.vcd extra"},
        {"budget", "name a capture, a VCD or CSV file, or --work NAME", "a.vcd extra"},
        {"watch", "name a source and a panel", "extra"},
        {"check", "name a card", CARD " extra"},
        {"suspects", "name a card", CARD " extra"},
        {"report", "name a card", CARD " extra"},
        {"compare", "name two pictures", "a.png b.png extra"},
        {"bake picture", "name a picture", "a.png extra"},
        {"bake font", "name a font file", "--size 12 a.ttf extra"},
        {"bake frames", "name a GIF or pictures", NULL},
        {"bake glyph", "name a file with text art", "a.txt extra"},
        {"bake art", "name a C file", "a.c extra"},
        {"bake card", "name a card", CARD " extra"},
        {"bake steps", "name a file", "a.txt extra"},
        {"bake screen", "name a sheet", "a.screen extra"},
        {"bundle", "name a panel: --card CARD", "extra"},
        {"demo", NULL, "extra"},
    };
    shell_begin();
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        char line[300];
        snprintf(line, sizeof line, JADELAMP " %s --nonsense", rows[i].verb);
        EXPECT_INT(shell(line), 2);
        snprintf(line, sizeof line,
                 "jadelamp %s: --nonsense: unknown option; see jadelamp %s --help", rows[i].verb,
                 rows[i].verb);
        EXPECT_CONTAINS(output, line);
        snprintf(line, sizeof line, JADELAMP " %s --help", rows[i].verb);
        EXPECT_INT(shell(line), 0);
        snprintf(line, sizeof line, "Usage: jadelamp %s", rows[i].verb);
        EXPECT_CONTAINS(output, line);
        snprintf(line, sizeof line, JADELAMP " %s", rows[i].verb);
        if (rows[i].bare) {
            EXPECT_INT(shell(line), 2);
            EXPECT_CONTAINS(output, rows[i].bare);
        }
        if (rows[i].many) {
            snprintf(line, sizeof line, JADELAMP " %s %s", rows[i].verb, rows[i].many);
            EXPECT_INT(shell(line), 2);
            EXPECT_CONTAINS(output, "\"extra\" is one argument too many");
        }
    }
    EXPECT_INT(shell_files(), 0);
    shell_end();
}

/* Behind "jadelamp", and a part of what it says. */
static void out_of_range(void) {
    static const struct {
        const char *line, *says;
    } rows[] = {
        {"run x.so", "name the panel, with --card CARD"},
        {"run x.so -c " CARD " --scale 1", "--scale 1: expected 2 to 32"},
        {"run x.so -c " CARD " --scale 33", "--scale 33: expected 2 to 32"},
        {"run x.so -c " CARD " --seconds 0", "--seconds 0: expected 1 to 3600"},
        {"run x.so -c " CARD " --seconds 3601", "--seconds 3601: expected 1 to 3600"},
        {"run x.so -c " CARD " --terminal x", "--terminal x: expected blocks or braille"},
        {"watch --from x", "name a source and a panel"},
        {"watch -c " CARD, "name a source and a panel"},
        {"watch --from x -c " CARD " --patience 0", "--patience 0: expected 0.1 to 1000000"},
        {"watch --from x -c " CARD " --patience 2000000", "expected 0.1 to 1000000"},
        {"watch --from unix:/nowhere -c " CARD, "--from unix:/nowhere: No such file or directory"},
        {"watch --from tcp:x -c " CARD, "expected tcp:HOST:PORT, such as tcp:localhost:4444"},
        {"watch --from tcp:x: -c " CARD, "expected tcp:HOST:PORT"},
        {"watch --from tcp:localhost:1 -c " CARD, "Connection refused"},
        {"compare a b --tolerance -1", "--tolerance -1: expected 0 to 255"},
        {"compare a b --tolerance 256", "--tolerance 256: expected 0 to 255"},
        {"compare a", "name two pictures"},
        {"compare text text", "cannot read text: Not a PNG file"},
        {"bake picture text", "say --format NAME, or --card CARD for a card's own"},
        {"bake picture text --format rgb565", "--format rgb565: expected mono-columns"},
        {"bake picture text --format 5-6-5 --size 10", "--size 10: expected"},
        {"bake picture text --format 5-6-5 --size 0x9", "--size 0x9: expected"},
        {"bake picture text --format 5-6-5 --size 9x0", "--size 9x0: expected"},
        {"bake picture text --format 5-6-5 --size 70000x9", "--size 70000x9: expected"},
        {"bake picture text --format 5-6-5 --size 9x70000", "--size 9x70000: expected"},
        {"bake picture text --format 5-6-5 --size 9x9x9", "--size 9x9x9: expected"},
        {"bake picture text --format 5-6-5 --crop 1,2,3", "--crop 1,2,3: expected"},
        {"bake picture text --format 5-6-5 --background 12", "--background 12: expected"},
        {"bake picture text --format 5-6-5 --background 12345g", "--background 12345g: expected"},
        {"bake picture text --format 5-6-5 --fit some", "--fit some: expected"},
        {"bake picture text --format 5-6-5 --dither some", "--dither some: expected"},
        {"bake picture text -c nowhere", "no card nowhere"},
        {"bake font text", "say --size N, in pixels"},
        {"bake frames text", "say --format NAME"},
        {"bake screen x -c " CARD " --size 1x1", "--card says size and colours already"},
        {"bake screen x -c " CARD " --colors mono", "--card says size and colours already"},
        {"bake screen x --size 1", "--size 1: expected WxH, such as 128x64"},
        {"bake screen x --size 0x4", "--size 0x4: expected WxH"},
        {"bake screen x --size 4x0", "--size 4x0: expected WxH"},
        {"bake screen x --size 4x4x", "--size 4x4x: expected WxH"},
        {"bake screen x --size 8x8 --colors no", "--colors no: expected mono, grey or colour"},
        {"bake screen x -c nowhere", "no card nowhere"},
        {"bake steps text --layout x", "--layout x: expected lines, counted, rows, calls or flat"},
        {"bake steps text", "text: there are no bytes in it"},
        {"bake card nowhere", "no card nowhere"},
        {"replay x -c nowhere", "no card nowhere"},
        {"replay x", "name the panel behind the wires"},
        {"replay text -c " CARD, "text:1: \"plain text\": expected a VCD file, or CSV"},
        {"replay x -c " CARD " --terminal x", "--terminal x: expected blocks or braille"},
        {"replay x -c " CARD " --at x", "--at x: expected"},
        {"replay x -c " CARD " --at -1", "--at -1: expected"},
        {"replay x -c " CARD " --at 1e10", "--at 1e10: expected"},
        {"replay x -c " CARD " --at 5x", "--at 5x: expected"},
        {"explain text -c " CARD, "text:1: \"plain text\": expected a VCD file, or CSV"},
        {"budget x --work y", "name a capture, a VCD or CSV file, or --work NAME"},
        {"budget --work nowhere -c " CARD,
         "there is no workload \"nowhere\": expected first-light"},
        {"light " CARD " --scale 33", "--scale 33: expected 2 to 32"},
        {"light " CARD " --page x", "--page and --set are of a sheet: name it with --screen"},
        {"light " CARD " --set a=1", "--page and --set are of a sheet: name it with --screen"},
        {"light " CARD " --screen text", "text:1: plain: no line begins so"},
        {"light " CARD " --screen good.screen --page x", "the sheet has main"},
        {"light " CARD " --screen good.screen --set a", "expected NAME=VALUE"},
        {"light " CARD " --screen good.screen --set b=1", "b: "},
        {"light " CARD " --on i2c:", "expected i2c:/dev/i2c-1, or spi:"},
        {"light " CARD " --on foo", "expected i2c:/dev/i2c-1, or spi:"},
        {"light " CARD " --on spi:/dev/spidev9.9", CARD " is wired for I2C"},
        {"light ssd1306-128x64-spi --on spi:/dev/spidev9.9", "SPI needs the line of D/C"},
        {"light ssd1306-128x64-spi --on spi:/dev/spidev9.9,dc=a", "\"dc=a\": expected dc=LINE"},
        {"light ssd1306-128x64-spi --on spi:/dev/spidev9.9,dc=-1", "lines being 0 to 1023"},
        {"light ssd1306-128x64-spi --on spi:/dev/spidev9.9,dc=1024", "lines being 0 to 1023"},
        {"light ssd1306-128x64-spi --on spi:/dev/spidev9.9,dc=", "\"dc=\": expected"},
        {"light ssd1306-128x64-spi --on spi:/dev/spidev9.9,dc=25,what=3", "\"what=3\": expected"},
        {"check " CARD " --capture text", "expected a VCD file, or CSV"},
    };
    shell_begin();
    EXPECT_INT(shell("echo plain text >text; printf 'screen s\\nglass 128 x 64\\nvalue a = number "
                     "0 to 9 sample 3\\n"
                     "page main\\nrect 0 0 9 x 9 fill white\\n' >good.screen"),
               0);
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        char line[300];
        snprintf(line, sizeof line, JADELAMP " %s", rows[i].line);
        EXPECT_INT(shell(line), 2);
        EXPECT_CONTAINS(output, rows[i].says);
    }
    EXPECT_INT(shell_files(), 2);
    shell_end();
}

const struct test_group test_groups[] = {
    {"each_verb", each_verb},
    {"out_of_range", out_of_range},
    {NULL, NULL},
};
