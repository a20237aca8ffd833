/*
 * One bit of an input file turned around, for each kind of file that the command reads: it ends
 * with one of its three statuses, soon, and says what it refuses. And what is in the way of files
 * that are written.
 */
#include "harness.h"

#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "shell.h"

/* A file, how it is made, and what reads it; OUT goes away each time. */
static const struct kind {
    const char *file, *made_by, *read_by;
} kinds[] = {
    {"a.card", "cp " SOURCE "/cards/t6963c-240x128.card a.card", "light a.card --into out"},
    {"b.card", "cp " SOURCE "/demo/cards/lock-display.card b.card", "check b.card"},
    {"a.screen",
     "printf 'screen a\nglass 128 x 64\nvalue warm = number -9.0 to 60.0 decimals 1 sample 12.4\n"
     "text \"{warm} C\" in 4 16 96 x 32 font 8x13 paper black\nline 0 10 to 127 10\n' >a.screen",
     "light ssd1306-128x64-i2c --screen a.screen --into out"},
    {"art.txt",
     "printf '= 26F5\\n#####\\n.....\\n#####\\n.....\\n.....\\n.....\\n.....\\n.....\\n' >art.txt",
     "bake glyph art.txt --into out"},
    {"steps.c", "printf 'static const uint8_t s[] = {0xAE, 0xD5, 0x80, 0xA1, 0xAF};\\n' >steps.c",
     "bake steps steps.c --controller ssd1306"},
    {"a.png", "cp " SOURCE "/docs/screenshots/light.png a.png && convert a.png -resize 40x a.png",
     "bake picture a.png --card ssd1306-128x64-i2c --into out"},
    {"a.gif", "convert -size 20x12 xc:white xc:black a.gif",
     "bake frames a.gif --card ssd1306-128x64-i2c --into out"},
    {"a.vcd", JADELAMP " light sh1106-128x64-i2c --into . && mv sh1106-128x64-i2c.vcd a.vcd",
     "explain a.vcd --card sh1106-128x64-i2c"},
    {"b.vcd", "cp a.vcd b.vcd", "replay b.vcd --card sh1106-128x64-i2c --into out"},
    {"c.vcd", "cp a.vcd c.vcd", "budget c.vcd --card sh1106-128x64-i2c"},
    {"a.csv",
     "printf 'Time [s],SCL,SDA\\n0,1,1\\n1e-6,1,0\\n2e-6,0,0\\n3e-6,1,0\\n4e-6,1,1\\n' >a.csv",
     "explain a.csv --card sh1106-128x64-i2c"},
    {"hands.txt",
     "cp " SOURCE "/demo/data/lock.hands hands.txt && cp " SOURCE
     "/demo/cards/lock-panel.card k.card "
     "&& printf '[pins]\nkey_ok = A0\nkey_back = A1\nknob_a = A2\nknob_b = A3\n' >>k.card",
     "run " PROGRAM " --card k.card --hands hands.txt --into out --seconds 1"},
};

static char bytes[4 << 20];

static size_t load(const char *name) {
    FILE *file = fopen(shell_path(name), "rb");
    size_t count = file ? fread(bytes, 1, sizeof bytes, file) : 0;
    EXPECT(file && !fclose(file) && count > 10);
    return count;
}

static void save(const char *name, size_t count) {
    FILE *file = fopen(shell_path(name), "wb");
    EXPECT(file && fwrite(bytes, 1, count, file) == count && !fclose(file));
}

static void one_bit_of_any_file(void) {
    struct test_random random = {20};
    shell_begin();
    for (size_t i = 0; i < sizeof kinds / sizeof kinds[0]; i++) {
        const struct kind *kind = &kinds[i];
        if (!EXPECT_INT(shell(kind->made_by), 0)) {
            printf("%s\n", output);
            continue;
        }
        size_t count = load(kind->file);
        char whole[400];
        snprintf(whole, sizeof whole, JADELAMP " %s; s=$?; rm -rf out; test $s != 2",
                 kind->read_by);
        EXPECT_INT(shell(whole), 0); /* as it is, it is read */
        int tries = test_cases(40);
        for (int k = 0; k < tries; k++) {
            char line[400];
            /* half of them near the beginning, where most of the structure is */
            int last = k % 2 && count > 300 ? 299 : (int)count - 1;
            size_t at = (size_t)test_random_between(&random, 0, last);
            char bit = (char)(1 << test_random_between(&random, 0, 7));
            bytes[at] = (char)(bytes[at] ^ bit);
            save(kind->file, count);
            snprintf(line, sizeof line, "timeout 60 " JADELAMP " %s; s=$?; rm -rf out; exit $s",
                     kind->read_by);
            int status = shell(line);
            test_row("%s, byte %zu, bit %02X", kind->read_by, at, (unsigned)(unsigned char)bit);
            EXPECT(status >= 0 && status <= 2);
            EXPECT(status != 2 || strstr(output, "jadelamp ") != NULL);
            EXPECT(strstr(output, "runtime error") == NULL);
            bytes[at] = (char)(bytes[at] ^ bit);
        }
        save(kind->file, count);
    }
    shell_end();
}

/* Links in the place of outputs, names that lead elsewhere, folders with odd names. */
static void files_stay_where_they_belong(void) {
    shell_begin();
    EXPECT_INT(shell("mkdir in out && echo safe >victim"), 0);
    EXPECT_INT(shell("ln -s ../victim out/ssd1306-128x64-i2c-glass.png"), 0);
    EXPECT_INT(shell(JADELAMP " light ssd1306-128x64-i2c --into out"), 0);
    EXPECT_INT(shell("cat victim"), 0);
    EXPECT_TEXT(output, "safe\n");
    EXPECT_INT(shell("test ! -L out/ssd1306-128x64-i2c-glass.png"), 0);
    EXPECT_INT(shell("sed 's/^\\[panel\\]/&\\nname = ..\\/..\\/elsewhere/' " SOURCE
                     "/cards/ssd1306-128x64-i2c.card >in/evil.card"),
               0);
    EXPECT_INT(shell("mkdir -p deep/er && cd deep/er && " JADELAMP
                     " light ../../in/evil.card --into . >told && rm told && ls -A | wc -l"),
               0);
    EXPECT_TEXT(output, "3\n");
    EXPECT_INT(shell("ls ../elsewhere* elsewhere*"), 2);
    EXPECT_INT(shell("mkdir \"a'b\" && " JADELAMP " bake screen " SOURCE
                     "/demo/screens/quay-gauge.screen --cc cc --into \"a'b\""),
               2);
    EXPECT_CONTAINS(output, "a folder with a ' in its name cannot be measured in");
    EXPECT_INT(shell("ls | grep -c part"), 1); /* no draft is left */
    shell_end();
}

const struct test_group test_groups[] = {
    {"one_bit_of_any_file", one_bit_of_any_file},
    {"files_stay_where_they_belong", files_stay_where_they_belong},
    {NULL, NULL},
};
