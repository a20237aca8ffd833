/* What every verb refuses in the same way, and values of options that are out of range: status 2, a
 * sentence that says what was read and what would be right, and no file. */
#include "harness.h"

#include <stdio.h>
#include <string.h>

#include <cjson/cJSON.h>

#include "jadelamp/host/catalog.h"
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
        {"watch --from text -c nowhere", "no card nowhere"},
        {"watch --from text -c " CARD " --terminal x", "--terminal x: expected blocks or braille"},
        {"demo --fault rain", "expected unplugged"},
        {"scan --fault rain", "unknown option"},
        {"scan " CARD " nowhere", "no card nowhere"},
        {"scan --on foo", "expected i2c:/dev/i2c-1"},
        {"bundle --card nowhere", "no card nowhere"},
        {"bundle --card " CARD " --font nowhere", "nowhere"},
        {"bundle --card " CARD " --with jl_nowhere", "jl_nowhere"},
        {"report nowhere", "no card nowhere"},
        {"suspects nowhere", "no card nowhere"},
        {"suspects " CARD " --seen text", "text"},
        {"suspects " CARD " --corners 1,2", "--corners"},
        {"check nowhere", "no card nowhere"},
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
        {"bake picture text --format 5-6-5 --size 4294967305x9", "--size 4294967305x9: expected"},
        {"bake picture text --format 5-6-5 --crop 4294967297,0,9x9",
         "--crop 4294967297,0,9x9: expected"},
        {"bake picture text --format 5-6-5 --crop 1,2,3", "--crop 1,2,3: expected"},
        {"bake picture text --format 5-6-5 --background 12", "--background 12: expected"},
        {"bake picture text --format 5-6-5 --background 12345g", "--background 12345g: expected"},
        {"bake picture text --format 5-6-5 --background '#12345'", "--background #12345: expected"},
        {"bake picture text --format 5-6-5 --key FF00FG", "--key FF00FG: expected"},
        {"bake picture text --format 5-6-5 --key=-12345", "--key -12345: expected"},
        {"bake picture text --format 5-6-5 --key 0x1234", "--key 0x1234: expected"},
        {"bake screen x --size 4294967424x64", "--size 4294967424x64: expected WxH"},
        {"bake picture text --format 5-6-5 --clear some", "--clear some: expected"},
        {"bake picture text --format 5-6-5 --turn 45", "--turn 45: expected"},
        {"bake picture text -c hd44780-16x2-4bit", "a character module shows no pictures"},
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
        {"replay x -c " CARD " --scale 1", "--scale 1: expected 2 to 32"},
        {"replay x -c " CARD " --scale 33", "--scale 33: expected 2 to 32"},
        {"explain", "name a capture, a VCD or CSV file"},
        {"explain text -c " CARD " --from -1",
         "--from -1: expected milliseconds of the capture, 0 or more"},
        {"explain text -c " CARD " --from 1e30",
         "--from 1e+30: expected milliseconds of the capture"},
        {"explain text -c " CARD " --to -1",
         "--to -1: expected milliseconds of the capture, 0 or more"},
        {"explain text -c " CARD " --from 5 --to 4",
         "--to 4: expected milliseconds of the capture, 5 or more"},
        {"explain text -c " CARD " --to 1e30", "--to 1e+30: expected milliseconds"},
        {"explain text -c " CARD " --only tea", "tea"},
        {"budget text -c " CARD " --from -1", "--from -1: expected milliseconds of the capture"},
        {"budget text -c " CARD " --to 1e10", "--to 1e+10: expected milliseconds"},
        {"budget text -c " CARD " --pause 0", "--pause 0: expected milliseconds, more than 0"},
        {"replay text -c " CARD " --at 5 --at 2", "text:1: \"plain text\": expected a VCD file"},
        {"replay text -c " CARD " $(seq -f '--at %g' 999)", "times at most"},
        {"watch --from tcp:$(printf %0250d 0):1 -c " CARD, "expected tcp:HOST:PORT"},
        {"bundle $(for i in $(seq 99); do echo --card " CARD "; done)", "at most"},
        {"bundle --card " CARD " $(for i in $(seq 999); do echo --with jl_text; done)", "at most"},
        {"replay text -c " CARD " --pause -1", "--pause -1: expected milliseconds, more than 0"},
        {"replay text -c " CARD " --pause 1e30", "--pause 1e+30: expected milliseconds"},
        {"complete", "Usage: jadelamp complete WORD"},
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

/* A page for each controller, in words and as JSON: none is wider than a terminal. */
/* A folder whose own name is allowed, and with whose files' names there are too many letters. */
static void paths_that_are_too_long(void) {
    static const char *const lines[] = {
        "light " CARD " --no-wires",
        "light " CARD,
        "light ssd1680-122x250-spi --no-wires --film",
        "light " CARD " --screen a.screen",
        "replay " CARD ".vcd --card " CARD,
        "replay " CARD ".vcd --card " CARD " --film --series --gif",
        "report " CARD,
        "suspects " CARD,
        "bundle --card " CARD,
        "bake card " CARD,
        "bake picture a.png --format 5-6-5",
        "bake frames a.png a.png --format 5-6-5",
        "bake font /usr/share/fonts/truetype/dejavu/DejaVuSans.ttf --size 9 --text a",
        "bake glyph a.txt",
        "bake screen a.screen",
        "watch --from a.png --card " CARD,
    };
    shell_begin();
    EXPECT_INT(shell(JADELAMP
                     " light " CARD " >/dev/null && cp " CARD "-glass.png a.png && "
                     "printf 'screen a\nglass 128 x 64\ntext \"x\" at 0 0\n' >a.screen && "
                     "{ echo '= 2605'; for i in 1 2 3 4 5 6 7 8; do echo '#.#.#'; done; } >a.txt"),
               0);
    /* 1022 letters with the blanks in between: for "/" and two more there is room, not for names.
     */
    EXPECT_INT(shell("part=$(printf '%0203d' 0); long=$part/$part/$part/$part/$part/00; "
                     "mkdir -p $long && echo $long >long; test $(wc -c <long) -gt 1020"),
               0);
    for (size_t i = 0; i < sizeof lines / sizeof lines[0]; i++) {
        char line[300];
        snprintf(line, sizeof line, JADELAMP " %s --into $(cat long)", lines[i]);
        EXPECT_INT(shell(line), 2);
        EXPECT(strstr(output, "too long") || strstr(output, "cannot read the") ||
               strstr(output, "File name"));
        EXPECT_INT(shell("test -z \"$(find $(cat long) -type f)\""), 0);
        snprintf(line, sizeof line, JADELAMP " %s --into $(cat long)$(cat long)", lines[i]);
        EXPECT_INT(shell(line), 2);
    }
    EXPECT_INT(
        shell(JADELAMP " light $(cat long)/$(cat long)/$(cat long)/$(cat long)/$(cat long).card"),
        2);
    EXPECT_CONTAINS(output, "the path of the card is longer than 4095 bytes");
    shell_end();
}

static void a_page_for_each_controller(void) {
    size_t controllers;
    const struct jl_catalog_entry *list = jl_catalog(&controllers);
    shell_begin();
    for (size_t i = 0; i < controllers; i++) {
        char line[200];
        snprintf(line, sizeof line, JADELAMP " catalog %s", list[i].name);
        EXPECT_INT(shell(line), 0);
        EXPECT(strncmp(output, list[i].name, strlen(list[i].name)) == 0);
        EXPECT_CONTAINS(output, list[i].kind);
        int width = 0, most = 0;
        for (const char *at = output; *at; at++) {
            width = *at == '\n' ? 0 : width + 1;
            most = width > most ? width : most;
        }
        EXPECT(most <= 80);
        snprintf(line, sizeof line, JADELAMP " catalog %s --json", list[i].name);
        EXPECT_INT(shell(line), 0);
        cJSON *json = cJSON_Parse(output);
        const cJSON *first = cJSON_GetArrayItem(cJSON_GetObjectItem(json, "controllers"), 0);
        if (EXPECT(first != NULL)) {
            EXPECT_TEXT(cJSON_GetObjectItem(first, "name")->valuestring, list[i].name);
        }
        cJSON_Delete(json);
    }
    shell_end();
}

/* A terminal behind it, of which the size counts: `script` gives one. */
static void in_a_terminal(void) {
    static const struct {
        const char *line, *has;
    } rows[] = {
        {"light " CARD " --terminal braille --no-wires", "\xE2\xA1\x8F"}, /* a frame's corner */
        {"replay " CARD ".vcd -c " CARD " --terminal braille", "\xE2\xA1\x8F"},
        {"replay " CARD ".vcd -c " CARD " --terminal blocks", "\xE2\x96\x88"},
        {"watch --from told.tap -c " CARD " --terminal braille", "\x1B["}, /* it is drawn over */
        {"explain " CARD ".vcd -c " CARD, "AE"},
        {"explain " CARD ".vcd -c " CARD " --from 1 --to 2 --only command", "page address"},
    };
    shell_begin();
    EXPECT_INT(shell(JADELAMP " light " CARD " >told; printf '\\300' >told.tap"), 0);
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        char line[400];
        snprintf(line, sizeof line,
                 "script -qec 'stty cols 140 rows 50; " JADELAMP " %s' typescript </dev/null",
                 rows[i].line);
        shell(line); /* the status is that of the glass */
        EXPECT_CONTAINS(output, rows[i].has);
    }
    shell_end();
}

/* Names of files are bytes; JSON is UTF-8 (RFC 8259). What is none becomes U+FFFD, byte by byte. */
static void json_is_utf_8(void) {
#define NO "\xEF\xBF\xBD"
    static const struct {
        const char *name, *clean;
    } rows[] = {
        {"plain", "plain"},
        {"\xC3\xA9t\xC3\xA9", "\xC3\xA9t\xC3\xA9"},
        {"\xE2\x82\xAC", "\xE2\x82\xAC"},
        {"\xF0\x9F\x8C\x8A", "\xF0\x9F\x8C\x8A"},
        {"\xF4\x8F\xBF\xBF", "\xF4\x8F\xBF\xBF"}, /* the last one there is */
        {"\xED\x9F\xBF", "\xED\x9F\xBF"},
        {"\xE0\xA0\x80", "\xE0\xA0\x80"},
        {"\x80", NO},
        {"\xC0\xAF", NO NO}, /* longer than it need be */
        {"\xC1\x81", NO NO},
        {"\xE0\x9F\xBF", NO NO NO},
        {"\xF0\x8F\xBF\xBF", NO NO NO NO},
        {"\xED\xA0\x80", NO NO NO},        /* half of a pair */
        {"\xF4\x90\x80\x80", NO NO NO NO}, /* behind the last one */
        {"\xF5\x80\x80\x80", NO NO NO NO},
        {"\xFF", NO},
        {"\xC3", NO}, /* cut off */
        {"\xE2\x82", NO NO},
        {"\xF0\x9F\x8C", NO NO NO},
        {"\xC3(", NO "("},
        {"\xE2\x82(", NO NO "("},
        {"\xF0\x9F\x8C(", NO NO NO "("},
    };
    shell_begin();
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        char path[60], line[300];
        snprintf(path, sizeof path, "%s.card", rows[i].name);
        FILE *card = fopen(shell_path(path), "w");
        if (!EXPECT(card != NULL)) {
            continue;
        }
        fputs("[panel]\ncontroller = ssd1306\n[glass]\nsize = 128 x 64\n[bus]\nkind = spi\n", card);
        fclose(card);
        snprintf(line, sizeof line, JADELAMP " light './%s' --json --no-wires", path);
        EXPECT_INT(shell(line), 0);
        cJSON *json = cJSON_Parse(output);
        EXPECT_TEXT(
            json ? cJSON_GetObjectItem(cJSON_GetObjectItem(json, "card"), "name")->valuestring
                 : output,
            rows[i].clean);
        cJSON_Delete(json);
    }
    shell_end();
}

/* The same answer as words and as JSON: one object, and the same exit status. */
static void json_of_each_verb(void) {
    static const struct {
        const char *line;
        int status;
        const char *member; /* that the object has */
    } rows[] = {
        {"catalog st7789", 0, "controllers"},
        {"catalog gt911", 0, "touch_controllers"},
        {"catalog st7920", 0, "controllers"},
        {"scan hd44780-20x4-expander", 0, "answers"},
        {"scan --unplugged", 1, "answers"},
        {"light hd44780-16x2-4bit --no-wires --text hello", 0, "text"},
        {"light hd44780-16x2-4bit --no-wires --fault unplugged", 1, "diagnostics"},
        {"light ssd1681-200x200-spi --no-wires", 0, "lit"},
        {"light " CARD " --screen good.screen --no-wires", 0, "lit"},
        {"light " CARD " --glass sh1106-128x64-i2c --no-wires", 1, "why_dark"},
        {"light " CARD " --no-wires --terminal blocks", 0, "lit"},
        {"replay in/" CARD ".vcd -c " CARD " --terminal braille", 0, "lit"},
        {"explain in/ssd1306-128x64-spi.vcd -c ssd1306-128x64-spi --to 20", 0, "lines"},
        {"explain in/" CARD ".vcd -c " CARD " --only command --from 1 --to 3", 0, "lines"},
        {"bake picture in/" CARD "-glass.png -c turned.card", 0, "files"},
        {"bake picture in/" CARD "-glass.png --format 5-6-5 --background '#FF8800' --size 9x9", 0,
         "files"},
        {"replay in/" CARD ".vcd -c " CARD, 0, "lit"},
        {"replay in/dark.vcd -c " CARD, 1, "why_dark"},
        {"watch --from in/told.tap -c " CARD, 1, "why_dark"},
        {"explain in/" CARD ".vcd -c " CARD, 0, "lines"},
        {"explain in/dark.vcd -c " CARD, 1, "lines"},
        {"budget in/" CARD ".vcd -c " CARD, 0, "bytes"},
        {"budget --work number -c " CARD, 0, "bytes"},
        {"check " CARD, 0, "findings"},
        {"check " CARD " --capture in/dark.vcd", 1, "findings"},
        {"compare in/" CARD "-glass.png in/" CARD "-glass.png", 0, "differing"},
        {"compare in/" CARD "-glass.png in/dark-glass.png", 1, "differing"},
        {"report " CARD, 0, "lit"},
        {"bake card " CARD, 0, "files"},
        {"bake screen good.screen --size 128x64", 0, "files"},
        {"bake picture in/" CARD "-glass.png -c " CARD, 0, "files"},
        {"bake glyph star.txt", 0, "files"},
        {"bundle --card " CARD, 0, "library_files"},
        {"bundle --card " CARD " --into=here", 0, "library_files"},
        {"bundle -o there --card " CARD, 0, "library_files"},
    };
    shell_begin();
    EXPECT_INT(
        shell(
            "printf 'screen s\nglass 128 x 64\nvalue a = number 0 to 9 sample 3\n"
            "rect 0 0 9 x 9 fill white\ntext \"{a}\" in 20 20 30 x 8 paper black\n' >good.screen; "
            "(echo '= 2605'; for i in 1 2 3 4 5 6 7 8; do echo '#.#.#'; done) >star.txt; " JADELAMP
            " light " CARD " --into in >told; " JADELAMP
            " light ssd1306-128x64-spi --into in >told; "
            "mkdir out; printf '[panel]\\ncontroller = st7789\\norientation = quarter-turn\\n"
            "[glass]\\nsize = 240 x 320\\n[bus]\\nkind = spi\\nclock = 15 MHz\\n' "
            ">out/turned.card; " JADELAMP
            " light sh1106-128x64-i2c --into other >told; mv other/*.vcd in/dark.vcd; "
            "printf '\\300' >in/told.tap; "
            "mv other/*-glass.png in/dark-glass.png"),
        0);
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        char line[400];
        snprintf(line, sizeof line,
                 "cd out && ln -sf ../in ../*.screen ../*.txt . && " JADELAMP " %s", rows[i].line);
        EXPECT_INT(shell(line), rows[i].status);
        EXPECT(output[0] != '{');
        snprintf(line, sizeof line, "cd out && " JADELAMP " %s --json 2>errors", rows[i].line);
        EXPECT_INT(shell(line), rows[i].status);
        cJSON *json = cJSON_Parse(output);
        if (EXPECT(cJSON_IsObject(json)) &&
            !EXPECT(cJSON_GetObjectItem(json, rows[i].member) != NULL)) {
            printf("    no %s in %.300s\n", rows[i].member, output);
        }
        cJSON_Delete(json);
    }
    shell_end();
}

const struct test_group test_groups[] = {
    {"each_verb", each_verb},
    {"out_of_range", out_of_range},
    {"paths_that_are_too_long", paths_that_are_too_long},
    {"a_page_for_each_controller", a_page_for_each_controller},
    {"in_a_terminal", in_a_terminal},
    {"json_is_utf_8", json_is_utf_8},
    {"json_of_each_verb", json_of_each_verb},
    {NULL, NULL},
};
