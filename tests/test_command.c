/* The command and the examples, run as a user runs them. */
#include "harness.h"

#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "jadelamp/host/card.h"
#include "jadelamp/host/file.h"
#include "jadelamp/host/png.h"
#include "jadelamp/jadelamp.h"
#include "json_at.h"
#include "kinds.h"
#include "shell.h"
#include "wind_dial.h"

static struct jl_complaint complaint;

/* What the last word may become; "!" before what must not be there. */
static void completion(void) {
    static const struct {
        const char *words, *has[3];
    } rows[] = {
        {"''", {"light\n", "bundle\n", "!complete"}},
        {"--v", {"--version\n", "!light"}},
        {"su", {"suspects\n", "!bundle"}},
        {"light ssd1306-128x32-", {"ssd1306-128x32-i2c\n", "ssd1306-128x32-spi\n:file\n", "!x64"}},
        {"light card -", {"--screen\n", "--json\n", "!--rank"}},
        {"light --terminal ''", {"blocks\nbraille\n", "!:file"}},
        {"light --terminal=br", {"--terminal=braille\n", "!blocks"}},
        {"light --terminal = br", {"braille\n", "!--terminal"}},
        {"light --terminal =", {"blocks\nbraille\n"}},
        {"light --into ''", {":folder\n", "!:file"}},
        {"light -o ''", {":folder\n", "!:file"}},
        {"light --screen ''", {":file\n", "!ssd1306"}},
        {"explain capture.vcd -c pcd8", {"pcd8544-84x48-spi\n", "!ssd1306"}},
        {"catalog ks", {"ks0108\n", "!ssd1306", "!:file"}},
        {"check --ra", {"--rank\n", "!--json"}},
        {"bake ''", {"picture\n", "font\n", "!--"}},
        {"bake fo", {"font\n", "!picture"}},
        {"bake font --s", {"--size\n", "!--text"}},
        {"bundle --a", {"--all\n", "!--card"}},
        {"dance --", {"!--"}},
        {"--h", {"--help\n", "!light"}},
        {"light --te", {"--terminal\n", "--text\n", "!--json"}},
        {"compare ''", {":file\n", "!ssd1306"}},
        {"run ''", {":file\n"}},
        {"run --hands ''", {":file\n", "!ssd1306"}},
        {"window --program ''", {":file\n", "!ssd1306"}},
        {"watch --from ''", {":file\n", "!ssd1306"}},
        {"suspects --seen ''", {":file\n", "!ssd1306"}},
        {"bake picture --fit=", {"--fit=fit\n", "--fit=fill\n", "!:file"}},
        {"bake picture -d ''", {"none\nordered\ndiffusion\n", "!:file"}},
        {"bake picture --card=st7789-", {"--card=st7789-240x240-spi\n", "!ssd1306"}},
        {"bake steps --controller ''", {"ssd1306\n", "gc9a01\n", "!:file"}},
        {"bundle --card a --font ''", {"!ssd1306"}},
        {"light --nonsense ''", {"ssd1306-128x64-i2c\n"}}, /* as if it were not there */
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        char line[200];
        snprintf(line, sizeof line, JADELAMP " complete %s", rows[i].words);
        EXPECT_INT(shell_run(".", line), 0);
        for (int k = 0; k < 3 && rows[i].has[k]; k++) {
            const char *text = rows[i].has[k];
            EXPECT((strstr(output, text + (*text == '!')) != NULL) == (*text != '!'));
        }
    }
}

/* Lines, exit statuses and a part of what they print. */
static void usage(void) {
    static const struct {
        const char *line;
        int status;
        const char *says;
    } rows[] = {
        {JADELAMP, 2, "Usage: jadelamp VERB"},
        {JADELAMP " --help", 0, "first light"},
        {JADELAMP " --version", 0, "jadelamp 0.1.0"},
        {JADELAMP " bundle --help", 0, "Usage: jadelamp bundle --card CARD"},
        {JADELAMP " bundle --nonsense", 2, "--nonsense"},
        {JADELAMP " complete", 2, "Usage: jadelamp complete WORD..."},
        {JADELAMP " complete --help", 0, "Usage: jadelamp complete WORD..."},
        {JADELAMP " dance", 2, "\"dance\" is not a verb"},
        {JADELAMP " catalog --help", 0, "--json"},
        {JADELAMP " catalog", 0, "ssd1306-72x40-i2c"},
        {JADELAMP " catalog", 0, "ssd1306         monochrome OLED    128x64    I2C SPI 8080 6800"},
        {JADELAMP " catalog ssd1306", 0, "I2C up to 400 kHz, at 0x3C or 0x3D"},
        {JADELAMP " catalog ssd1306", 0, "dark until 8D 14 comes before AF"},
        {JADELAMP " catalog ssd1306", 0, "ssd1306-128x32-spi"},
        {JADELAMP " catalog sh1106", 0, "two columns to the"},
        {JADELAMP " catalog ssd1306 | grep -c sh1106-", 1, "0"},
        {JADELAMP " catalog xpt2046", 0, "ili9341-240x320-touch"},
        {JADELAMP " catalog gt911", 0, "No panel card has it: [touch] controller = gt911"},
        {JADELAMP " catalog gt911 | grep -c 'Panel cards'", 1, "0"},
        {JADELAMP " catalog extra", 2, "no controller extra"},
        {JADELAMP " catalog ssd1306 extra", 2, "\"extra\" is one argument too many"},
        {JADELAMP " catalog ssd1306 --json", 0, "\"quirks\""},
        {JADELAMP " catalog ssd1306 --json > /dev/full", 2, "could not be written"},
        {JADELAMP " catalog --nonsense", 2, "--nonsense"},
        {"JADELAMP_SHARE=nowhere " JADELAMP " catalog", 2, "JADELAMP_SHARE"},
        {JADELAMP " scan", 0, "0x3C    0x78, 0x79"},
        {JADELAMP " scan ssd1306-128x64-spi", 2, "none of the cards is on I2C"},
        {JADELAMP " scan --unplugged", 1, "Nobody answered. Look at"},
        {JADELAMP " scan missing-card", 2, "no card missing-card"},
        {JADELAMP " light", 2, "name a card"},
        {JADELAMP " light missing-card", 2, "no card missing-card"},
        {JADELAMP " light ssd1306-128x64-i2c two", 2, "one argument too many"},
        {JADELAMP " light ssd1306-128x64-i2c --scale 1", 2, "expected 2 to 32"},
        {JADELAMP " light ssd1306-128x64-i2c --terminal ascii", 2, "expected blocks or braille"},
        {JADELAMP " light ssd1306-128x64-i2c --text a --picture b", 2, "expected one of them"},
        {JADELAMP " light ssd1306-128x64-i2c --picture /nowhere.png", 2, "/nowhere.png"},
        {JADELAMP " light hd44780-16x2-4bit --picture x", 2, "shows no pictures"},
        {JADELAMP " light hd44780-16x2-4bit --film", 2, "a film is of e-paper"},
        {JADELAMP " light st7789-240x240-spi --film", 2, "a film is of e-paper"},
        {JADELAMP " light ssd1306-128x64-i2c --glass nothing", 2, "no card nothing"},
        {JADELAMP " light ssd1306-128x64-i2c --glass pcd8544-84x48-spi", 2,
         "the bus of ssd1306-128x64-i2c does not reach the pcd8544 of pcd8544-84x48-spi"},
        {JADELAMP " light ssd1306-128x64-i2c --glass hd44780-20x4-expander", 2,
         "one has pixels, the other one cells"},
        {JADELAMP " light hd44780-16x2-4bit --glass hd44780-20x4-expander", 2,
         "the bus of hd44780-16x2-4bit does not reach the module of hd44780-20x4-expander"},
        {JADELAMP " light ssd1306-128x64-i2c --glass sh1106-128x64-i2c --json --into x; rm -r x", 0,
         "\"code\":\t\"unknown-command\""},
        {JADELAMP " light ssd1306-128x64-i2c --fault rain", 2, "expected unplugged"},
        {JADELAMP " light ssd1306-128x64-i2c --fault nack-at=x", 2, "expected unplugged"},
        {JADELAMP " light ssd1306-128x64-spi --fault sda-low", 2, "which only I2C has"},
        {JADELAMP " light hd44780-20x4-expander --fault unplugged --into x; rm -r x", 0,
         "no answer"},
        {JADELAMP " scan hd44780-20x4-expander", 0, "0x27    0x4E, 0x4F"},
        {JADELAMP " catalog", 0, "20x4 cells, 4 bits behind I2C at 0x27, 100 kHz"},
        {JADELAMP " bake", 2, "expected what to bake: glyph, picture"},
        {JADELAMP " bake font --help", 0, "Usage: jadelamp bake font FILE"},
        {JADELAMP " bake font /nowhere.ttf --size 12", 2,
         "cannot read the font /nowhere.ttf: No such file or directory"},
        {JADELAMP " bake font --bad x", 2, "see jadelamp bake font --help"},
        {JADELAMP " bake cake x", 2, "cake: expected what to bake: glyph, picture"},
        {JADELAMP " bake glyph", 2, "name a file with text art"},
        {JADELAMP " bake glyph /nowhere.txt", 2, "cannot read /nowhere.txt"},
        {JADELAMP " demo extra", 2, "one argument too many"},
        {JADELAMP " demo --data /nowhere", 2, "cannot read the table /nowhere/data/tide.csv"},
    };
    shell_begin();
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        EXPECT_INT(shell(rows[i].line), rows[i].status);
        EXPECT_CONTAINS(output, rows[i].says);
    }
    EXPECT_INT(shell_files(), 0); /* none of these may write */
    shell_end();
}

/* Interrupted at any moment, a command leaves whole files only. */
static void an_interrupted_command_leaves_no_drafts(void) {
    static const char *const signals[] = {"INT", "TERM", "HUP"};
    int stopped = 0;
    for (int i = 0; i < 12; i++) {
        char line[300];
        shell_begin();
        snprintf(line, sizeof line,
                 "timeout --preserve-status -s %s 0.%03d %s demo --into d > /dev/null",
                 signals[i % 3], 10 + i * 12, JADELAMP);
        stopped += shell(line) != 0;
        EXPECT_INT(shell("mkdir -p d; ls d | grep -c part"), 1); /* grep finds none */
        EXPECT_INT(shell("for f in d/*.png; do test ! -e $f || tail -c 8 $f | grep -q END; done"),
                   0);
        shell_end();
    }
    EXPECT(stopped > 2);
}

/* Rows of a terminal are never wrapped. */
static void nothing_is_wider_than_the_terminal(void) {
    static const char *const lines[] = {
        JADELAMP " catalog",
        JADELAMP " catalog ssd1306",
        JADELAMP " catalog st7920",
        JADELAMP " catalog hd44780",
        JADELAMP " light st7789-240x320-spi --terminal blocks | grep -v wrote",
        JADELAMP " light ili9488-320x480-spi --terminal braille | grep -v wrote",
        "COLUMNS=40 " JADELAMP " light ssd1306-128x64-i2c --terminal blocks | tail -n 16"};
    shell_begin();
    for (size_t i = 0; i < sizeof lines / sizeof lines[0]; i++) {
        int most = i + 1 == sizeof lines / sizeof lines[0] ? 40 : 80, columns = 0, widest = 0;
        EXPECT_INT(shell(lines[i]), 0);
        for (const char *c = output; *c; c++) {
            columns = *c == '\n' ? 0 : columns + ((*c & 0xC0) != 0x80);
            widest = columns > widest ? columns : widest;
        }
        EXPECT(widest <= most && widest > 20);
    }
    shell_end();
}

/* JSON is UTF-8 whatever the files are called, and names each file that was written. */
static void json_names_the_files(void) {
    static const char *const lines[] = {
        "cp one.card \"$(printf 'n\\377m')\".card; " JADELAMP
        " light \"$(printf 'n\\377m')\".card --json --into out",
        JADELAMP " bake glyph art.txt --json --into out",
        JADELAMP " bake glyph art.txt --font --json --into out",
        JADELAMP " bake picture p.png --format 5-6-5 --json --into out",
        JADELAMP " bake picture p.png --format 5-6-5 --raw --json --into out",
        JADELAMP " bake frames p.png p.png --format 5-6-5 --json --into out"};
    struct jl_picture picture;
    shell_begin();
    EXPECT(jl_picture_create(&picture, 3, 2));
    EXPECT(jl_png_write(shell_path("p.png"), &picture, &complaint));
    jl_picture_free(&picture);
    EXPECT_INT(shell("printf '[panel]\ncontroller=ssd1306\n[glass]\nsize=128x64\n[bus]\n"
                     "kind=spi\n' > one.card; (echo '= 26F5'; for i in 1 2 3 4 5 6 7 8; do echo "
                     "'#.#.#'; done) > art.txt"),
               0);
    for (size_t i = 0; i < sizeof lines / sizeof lines[0]; i++) {
        EXPECT_INT(shell("rm -rf out; mkdir out"), 0);
        EXPECT_INT(shell(lines[i]), 0);
        cJSON *json = cJSON_Parse(output);
        if (!EXPECT(json != NULL)) {
            continue;
        }
        int count = cJSON_GetArraySize(at(json, "files"));
        EXPECT(count >= 2);
        for (int k = 0; i > 0 && k < count; k++) {
            EXPECT(shell_has(cJSON_GetArrayItem(at(json, "files"), k)->valuestring));
        }
        char listing[64];
        snprintf(listing, sizeof listing, "test $(ls out | wc -l) = %d", count);
        cJSON_Delete(json);
        EXPECT_INT(shell(listing), 0);
    }
    shell_end();
}

static void outputs_are_whole_or_absent(void) {
    shell_begin();
    EXPECT_INT(shell("touch taken; " JADELAMP " light ssd1306-128x64-i2c --into taken"), 2);
    EXPECT_CONTAINS(output, "taken");
    EXPECT_INT(shell("mkdir -p d/ssd1306-128x64-i2c-photo.png; " JADELAMP
                     " light ssd1306-128x64-i2c --into d"),
               2);
    EXPECT_CONTAINS(output, "is a directory");
    EXPECT_INT(shell("ls d | grep -c part"), 1); /* grep finds none */
    EXPECT_INT(shell(JADELAMP " catalog > /dev/full"), 2);
    /* A file-size limit of 8 KB stops the capture: an error, and no half file. */
    EXPECT_INT(
        shell("mkdir e; trap '' XFSZ; ulimit -f 8; " JADELAMP " light ssd1306-128x64-i2c --into e"),
        2);
    EXPECT_CONTAINS(output, "nothing of it was kept");
    EXPECT_INT(shell("ls -A e | wc -l | grep -qx 0"), 0);
    shell_end();
}

static void json_output(void) {
    shell_begin();
    EXPECT_INT(shell(JADELAMP " light ssd1306-72x40-i2c --json"), 0);
    cJSON *json = cJSON_Parse(output);
    if (EXPECT(json != NULL)) {
        EXPECT(cJSON_IsTrue(at(json, "lit")));
        EXPECT_TEXT(at(json, "wake_status")->valuestring, "JL_OK");
        EXPECT_INT(at(at(json, "card"), "width")->valueint, 72);
        /* 360 pixels bytes, address and control, window of 8 bytes. */
        EXPECT_INT(at(at(json, "present"), "bus_bytes")->valueint, 360 + 2 + 8);
        EXPECT_INT(cJSON_GetArraySize(at(json, "diagnostics")), 0);
    }
    cJSON_Delete(json);
    EXPECT_INT(shell(JADELAMP " light ssd1306-72x40-i2c --fault unplugged --json"), 1);
    json = cJSON_Parse(output);
    if (EXPECT(json != NULL)) {
        EXPECT_TEXT(at(json, "wake_status")->valuestring, "JL_NO_ANSWER");
        EXPECT_TEXT(at(json, "present_status")->valuestring, "JL_NOT_AWAKE");
    }
    cJSON_Delete(json);
    EXPECT_INT(shell(JADELAMP " scan --json"), 0);
    json = cJSON_Parse(output);
    if (EXPECT(json != NULL)) {
        EXPECT_TEXT(at(json, "status")->valuestring, "JL_OK");
        const cJSON *answer = cJSON_GetArrayItem(at(json, "answers"), 1);
        EXPECT_INT(at(answer, "address")->valueint, 0x3C);
        EXPECT_INT(at(answer, "write_byte")->valueint, 0x78);
        EXPECT_INT(at(answer, "read_byte")->valueint, 0x79);
    }
    cJSON_Delete(json);
    EXPECT_INT(shell(JADELAMP " catalog --json"), 0);
    json = cJSON_Parse(output);
    if (EXPECT(json != NULL)) {
        size_t controllers;
        jl_catalog(&controllers);
        EXPECT_INT(cJSON_GetArraySize(at(json, "cards")), shell_cards_that_ship());
        EXPECT_INT(cJSON_GetArraySize(at(json, "controllers")), (long long)controllers);
        EXPECT_TEXT(at(cJSON_GetArrayItem(at(json, "controllers"), 0), "name")->valuestring,
                    "ssd1306");
        const cJSON *touch = at(json, "touch_controllers");
        EXPECT_INT(cJSON_GetArraySize(touch), 4);
        EXPECT_INT(at(cJSON_GetArrayItem(touch, 0), "most_hz")->valueint, 2500000);
    }
    cJSON_Delete(json);
    EXPECT_INT(shell(JADELAMP " demo --json"), 0);
    json = cJSON_Parse(output);
    if (EXPECT(json != NULL)) {
        EXPECT_INT(cJSON_GetArraySize(at(json, "readings")), 12);
        EXPECT_INT(at(json, "diagnostics")->valueint, 0);
    }
    cJSON_Delete(json);
    shell_end();
}

static void examples_show_what_they_should(void) {
    static const struct {
        const char *name, *stored;
    } rows[] = {{"hello", "hello"}, {"hello_bands", "hello"}, {"bitmap_scroll", "bitmap_scroll"}};
    shell_begin();
    for (int i = 0; i < 3; i++) {
        char line[1024];
        snprintf(line, sizeof line, "%s/example_%s ssd1306-128x64-i2c .", EXAMPLE_DIR,
                 rows[i].name);
        EXPECT_INT(shell(line), 0);
        snprintf(line, sizeof line, "%s-glass.png", rows[i].name);
        struct jl_picture seen = shell_picture(line);
        EXPECT_STORED_PICTURE(&seen, rows[i].stored);
        jl_picture_free(&seen);
    }
    EXPECT_INT(shell(EXAMPLE_DIR "/example_quay_gauge ssd1306-128x64-i2c ."), 0);
    EXPECT_CONTAINS(output, "ok");
    EXPECT_INT(shell(EXAMPLE_DIR "/example_notice st7735-128x160-spi ."), 0);
    EXPECT_CONTAINS(output, "ok");
    EXPECT_INT(shell(EXAMPLE_DIR "/example_lock_display hd44780-20x4-expander ."), 0);
    EXPECT_CONTAINS(output, "ok");
    EXPECT_INT(shell(EXAMPLE_DIR "/example_big_digits hd44780-16x2-4bit ."), 0);
    struct jl_picture clock = shell_picture("big_digits-glass.png");
    /* The 1 of 12:40 is its right third; the 4 has no lower left; the 0 is hollow. */
    static const int lit[][2] = {{2, 0}, {2, 1}, {8, 0}, {10, 1}, {12, 1}, {14, 0}},
                     empty[][2] = {{0, 0}, {1, 1}, {8, 1}, {9, 1}, {3, 0}, {15, 1}};
    for (int i = 0; i < 6; i++) {
        EXPECT(jl_picture_at(&clock, lit[i][0] * 6 + 2, lit[i][1] * 9 + 4)[0]);
        EXPECT(!jl_picture_at(&clock, empty[i][0] * 6 + 2, empty[i][1] * 9 + 4)[0]);
    }
    jl_picture_free(&clock);
    static const struct {
        const char *name;
        int width, height;
    } drawings[] = {{"wind_dial", 1456, 480},  {"tide_curve", 968, 320},
                    {"text_page", 1280, 800},  {"buoy_sprite", 1304, 240},
                    {"wire_buoy", 1048, 256},  {"gallery", 1308, 840},
                    {"instruments", 968, 320}, {"scan_glass", 1240, 1090},
                    {"tearing", 1056, 978},    {"smooth", 960, 640}};
    for (int i = 0; i < 10; i++) {
        char line[1024];
        snprintf(line, sizeof line, "%s/example_%s .", EXAMPLE_DIR, drawings[i].name);
        EXPECT_INT(shell(line), 0);
        snprintf(line, sizeof line, "%s.png", drawings[i].name);
        struct jl_picture seen = shell_picture(line);
        EXPECT_INT(seen.width, drawings[i].width);
        EXPECT_INT(seen.height, drawings[i].height);
        jl_picture_free(&seen);
    }
    /* Left: the lamp where the buoy was, its foot where it is; right: both where it is. */
    struct jl_picture pair = shell_picture("tearing.png");
    static const struct {
        int x, y; /* of the glass */
        bool torn, whole;
    } spots[] = {{60, 54, true, false},   {110, 54, false, true}, {110, 262, true, true},
                 {60, 262, false, false}, {60, 100, true, false}, {110, 100, false, true}};
    for (size_t i = 0; i < sizeof spots / sizeof spots[0]; i++) {
        test_row("spot %d, %d", spots[i].x, spots[i].y);
        for (int half = 0; half < 2; half++) {
            const uint8_t *at = jl_picture_at(&pair, half * 528 + (3 + spots[i].x) * 3 + 1,
                                              (3 + spots[i].y) * 3 + 1);
            EXPECT_INT(at[0] > 240, half ? spots[i].whole : spots[i].torn);
        }
    }
    jl_picture_free(&pair);
    /* The round dial after its last wind, drawn by the same code on a whole frame. */
    static uint8_t pixels[JL_RGB565_BYTES(240, 240)];
    struct jl_frame frame;
    EXPECT_INT(shell(EXAMPLE_DIR "/example_round_dial gc9a01-240x240-round ."), 0);
    EXPECT_CONTAINS(output, "ok");
    struct jl_picture dial = shell_picture("round_dial-glass.png");
    EXPECT_INT(jl_frame_init(&frame, &jl_rgb565, 240, 240, pixels, sizeof pixels), JL_OK);
    wind_dial_draw(&frame.target, 120, 120, 118, &(struct wind_reading){310, 24});
    int wrong = 0;
    for (int y = 36; y < 204; y++) { /* a square inside the circle */
        for (int x = 36; x < 204; x++) {
            const uint8_t *at = jl_picture_at(&dial, x, y);
            wrong += JL_RGB((jl_color)at[0], (jl_color)at[1], (jl_color)at[2]) !=
                     kind_of(&jl_rgb565)->see(pixels, 240, 240, x, y);
        }
    }
    EXPECT_INT(wrong, 0);
    jl_picture_free(&dial);
    shell_end();
}

const struct test_group test_groups[] = {
    {"usage", usage},
    {"completion", completion},
    {"an_interrupted_command_leaves_no_drafts", an_interrupted_command_leaves_no_drafts},
    {"nothing_is_wider_than_the_terminal", nothing_is_wider_than_the_terminal},
    {"json_names_the_files", json_names_the_files},
    {"outputs_whole_or_absent", outputs_are_whole_or_absent},
    {"json_output", json_output},
    {"examples", examples_show_what_they_should},
    {NULL, NULL},
};
