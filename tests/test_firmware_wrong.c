/* Firmware that does something wrong, and files that are none: what is told. */
#include "firmware_stage.h"
#include "harness.h"

#include <stdio.h>
#include <string.h>

#include "json_at.h"
#include "shell.h"

/* The same as JSON, and in a terminal; of a file without names there is no function to tell. */
static void findings_as_json(void) {
    firmware_begin();
    EXPECT_INT(shell("avr-objcopy --strip-all " FIRMWARE
                     "trouble_TOO_FAST.elf bare.elf && " JADELAMP
                     " run bare.elf -p atmega328p -c lcd.card --json"),
               1);
    cJSON *json = cJSON_Parse(output);
    if (EXPECT(json != NULL)) {
        EXPECT_TEXT(at(json, "function")->valuestring, "");
        EXPECT_TEXT(at(json, "deepest_in")->valuestring, "");
        const cJSON *said = at(json, "processor_findings");
        EXPECT(cJSON_GetArraySize(said) >= 1);
        EXPECT_INT(at(cJSON_GetArrayItem(said, 0), "count")->valueint, 17);
    }
    cJSON_Delete(json);
    EXPECT_INT(shell(RUN "by_usi.elf -c usi.card --mhz 8 --terminal braille"), 0);
    EXPECT_CONTAINS(output, "\xE2\xA1\x8F"); /* the left upper corner of a frame */
    EXPECT_INT(
        shell(RUN "by_usi.elf -c usi.card --mhz 8 --terminal blocks --json | grep -c '\xE2'"), 1);
    shell_end();
}

static void mistakes_are_told(void) {
    static const struct {
        const char *line;
        int status;
        const char *says;
    } rows[] = {
        {RUN "trouble_DEEP.elf -c lcd.card", 1, "the stack grew into the data"},
        {RUN "trouble_DEEP.elf -c lcd.card", 1, "crashed after"},
        {RUN "trouble_WILD.elf -c lcd.card", 1, "crashed after"},
        {RUN "trouble_SLAVE.elf -c lcd.card", 1, "the SS pin is an input"},
        {RUN "trouble_WAITS.elf -c lcd.card --seconds 1", 1, "in wait_for_a_bus_that_is_off"},
        {RUN "trouble_WAITS.elf -c lcd.card --seconds 1", 1, "nothing came on the bus"},
        {RUN "trouble_TOO_FAST.elf -c lcd.card", 1, "(WCOL): it is lost (17 times)"},
        {RUN "trouble_TOO_FAST.elf -c lcd.card", 1, "bytes arrive while the reset pin is low"},
        {RUN "open_drain.elf -c apart.card --mhz 8 --seconds 1", 1, "dark"},
        {RUN "by_usi.elf -c usi.card --mhz 8 -w dc=PB5", 1, "never driven: dc (PB5)"},
        {RUN "sluice.elf -c lcd.card --mhz 20", 1, "SPI clock 5.00 MHz"},
    };
    firmware_begin();
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        EXPECT_INT(shell(rows[i].line), rows[i].status);
        EXPECT_CONTAINS(output, rows[i].says);
    }
    shell_end();
}

static void bad_input_is_refused(void) {
    static const struct {
        const char *line, *says;
    } rows[] = {
        {RUN "by_usi.elf", "name the panel, with --card CARD"},
        {RUN "by_usi.elf -c nobody", "no card nobody"},
        {RUN "by_usi.elf -c usi.card -p z80", "no processor z80 is known here: atmega328p, "},
        {RUN "by_usi.hex -c usi.card", "does not say for which processor it is: say --processor"},
        {RUN "hello.elf -c ssd1306-128x64-i2c -p attiny85", "of flash"},
        {RUN "by_usi.elf -c ssd1306-128x32-spi", "does not say which pin dc is: add \"dc = PB1\""},
        {RUN "by_usi.elf -c far.card", "dc = GPIO25: the attiny85 has no such pin; expected one of "
                                       "PB0 to PB5"},
        {RUN "by_usi.elf -c twice.card", "PB0 is both cs and dc"},
        {RUN "by_usi.elf -c usi.card -w dc", "--wire dc: expected WIRE=PIN, such as cs=PB2"},
        {RUN "by_usi.elf -c usi.card -w =PB1", "--wire =PB1: expected WIRE=PIN"},
        {RUN "by_usi.elf -c usi.card -w scl=PB1", "--wire scl=PB1: expected WIRE=PIN"},
        {RUN "by_usi.elf -c usi.card -w dc=PB9", "dc = PB9: the attiny85 has no such pin"},
        {RUN "by_usi.elf -c usi.card -w dc=PA1", "dc = PA1: the attiny85 has no such pin"},
        {RUN "by_usi.elf -c usi.card -w dc=B1", "dc = B1: the attiny85 has no such pin"},
        {RUN "by_usi.elf -c usi.card -w dc=PB11", "dc = PB11: the attiny85 has no such pin"},
        {RUN "by_usi.elf -c usi.card -w dc=P", "dc = P: the attiny85 has no such pin"},
        {RUN "open_drain.elf -c wrong.card", "key_ok = PB7: the attiny85 has no such pin"},
        {RUN "by_usi.elf -c usi.card extra", "\"extra\" is one argument too many"},
        {RUN "by_usi.elf -c usi.card --terminal x", "--terminal x: expected blocks or braille"},
        {RUN "by_usi.elf -c usi.card --mhz 0.01", "--mhz 0.01: expected 0.03 to 40"},
        {RUN "by_usi.elf -c usi.card --mhz 41", "--mhz 41: expected 0.03 to 40"},
        {RUN "by_usi.elf -c usi.card --seconds -1", "--seconds -1: expected 1 to"},
        {RUN "by_usi.elf -c usi.card --seconds 100000", "--seconds 100000: expected 1 to"},
        {RUN "by_usi.elf -c usi.card --scale 1", "--scale 1: expected 2 to 32"},
        {RUN "by_usi.elf -c usi.card --scale 33", "--scale 33: expected 2 to 32"},
        {RUN "by_usi.elf -c usi.card --no-wires --at 5", "--film and --at need the capture"},
        {RUN "by_usi.elf -c usi.card --no-wires --film", "--film and --at need the capture"},
        {RUN "heart.elf -c heart.card --mhz 8 --window",
         "modules on plain pins are not shown in one"},
        {RUN "by_usi.elf -c same.card", "PB3 is both dc and key_ok: a pin has one wire"},
        {RUN "open_drain.elf -c one.card", "PB3 is both key_ok and key_back: a pin has one wire"},
        {RUN "by_usi.elf -c usi.card -w te=PB1", "expected WIRE=PIN, such as cs=PB2; this card's "
                                                 "wires are cs, dc, clk, mosi"},
        {RUN "by_usi.elf -c usi.card -w dc=PB9", "dc = PB9: the attiny85 has no such pin"},
        {RUN "by_usi.elf -c usi.card --mhz 400", "--mhz 400: expected 0.03 to 40"},
        {RUN "by_usi.elf -c usi.card --seconds -1", "--seconds -1: expected 1 to 3600"},
        {RUN "by_usi.elf -c usi.card --scale 99", "--scale 99: expected 2 to 32"},
        {RUN "by_usi.elf -c usi.card --at soon", "--at soon: expected milliseconds"},
        {RUN "by_usi.elf -c usi.card --no-wires --film", "need the capture"},
        {RUN "by_usi.elf -c usi.card --hands none.hands", "cannot read the script none.hands"},
        {"echo '1 s key ok' > k.hands; " RUN "by_usi.elf -c usi.card --hands k.hands",
         "no key_ok or knob_a in [pins], for the hands"},
        {RUN "busy_lcd.elf -c busy.card --window", "modules on plain pins are not shown"},
        {RUN "by_usi.elf -c usi.card more", "one argument too many"},
        {RUN "by_usi.elf -c rgb-480x272", "glass that is scanned out"},
        {JADELAMP " run none.elf -c usi.card", "none.elf: No such file"},
        {"head -c 300 " FIRMWARE "by_usi.elf > cut.elf; " JADELAMP " run cut.elf -c usi.card",
         "cut.elf: "},
        {"echo ':00000002FE' > odd.hex; " JADELAMP " run odd.hex -c usi.card",
         "odd.hex:1: the file ends without its last record"},
        {"echo ':0100000000FE' > odd.hex; " JADELAMP " run odd.hex -c usi.card",
         "odd.hex:1: the check sum is FE, expected FF"},
        {"echo ':0g0000001FF' > odd.hex; " JADELAMP " run odd.hex -c usi.card",
         "odd.hex:1: \":0g0000001FF\": expected a record of Intel HEX"},
        {"echo ':00:00001FF' > odd.hex; " JADELAMP " run odd.hex -c usi.card",
         "odd.hex:1: \":00:00001FF\": expected a record of Intel HEX"},
        {"echo ':01000009' > odd.hex; " JADELAMP " run odd.hex -c usi.card",
         "odd.hex:1: \":01000009\": expected a record of Intel HEX"},
        {"printf ':00000001FF00\\n' > odd.hex; " JADELAMP " run odd.hex -c usi.card",
         "odd.hex:1: \":00000001FF00\": expected a record of Intel HEX"},
        {"printf ':0G\\n' > odd.hex; " JADELAMP " run odd.hex -c usi.card", "expected a record"},
        {"printf ':%0580d\\n' 0 > odd.hex; " JADELAMP " run odd.hex -c usi.card",
         "expected a record of Intel HEX"},
        {"printf ':00\\nabc\\n' > odd.hex; " JADELAMP " run odd.hex -c usi.card",
         "odd.hex:1: \":00\": expected a record"},
        {"printf ':0100000000FF\\n\\nabc\\n' > odd.hex; " JADELAMP "-firmware odd.hex -c usi.card",
         "odd.hex:3: \"abc\": expected a record"},
        {JADELAMP "-firmware none.hex -c usi.card", "none.hex: No such file"},
        {JADELAMP "-firmware", "name a firmware file; see jadelamp run --help"},
        {"echo ':00000009F7' > odd.hex; " JADELAMP " run odd.hex -c usi.card",
         "odd.hex:1: a record of type 09"},
        {"printf ':020000040100F9\\n:0100000000FF\\n' > odd.hex; " JADELAMP
         " run odd.hex -c usi.card",
         "odd.hex:2: 1 bytes at 1000000: expected addresses below 40000"},
        {"echo ':00000001FF' > odd.hex; " JADELAMP " run odd.hex -c usi.card",
         "odd.hex: holds no byte of a program"},
        {"echo rjmp > odd.elf; " JADELAMP " run odd.elf -c usi.card", "odd.elf: is no firmware"},
        {"cp " JADELAMP " odd.elf; " JADELAMP "-firmware odd.elf -c usi.card",
         "odd.elf: is for machine 62 of ELF's list; expected AVR, 83"},
    };
    firmware_begin();
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        EXPECT_INT(shell(rows[i].line), 2);
        EXPECT_CONTAINS(output, rows[i].says);
        EXPECT(!shell_has("by_usi-glass.png"));
    }
    shell_end();
}

/* A damaged file is refused, or runs to an end: nothing else. */
static unsigned char bytes[65536]; /* of an ELF file */
static size_t read_elf(void) {
    FILE *in = fopen(FIRMWARE "by_usi.elf", "rb");
    size_t count = in ? fread(bytes, 1, sizeof bytes, in) : 0;
    EXPECT(in != NULL && count > 1000);
    if (in) {
        fclose(in);
    }
    return count;
}

static void write_elf(size_t count) {
    FILE *out = fopen(shell_path("damaged.elf"), "wb");
    EXPECT(out && fwrite(bytes, 1, count, out) == count);
    fclose(out);
}

/* Fields of an ELF file (its specification, figures 1-3, 1-8 and 2-1), one at a time. */
static void elf_files_that_are_wrong(void) {
    enum { MACHINE = 18, SECTIONS = 32, SEGMENTS = 44, FLASH = 52, DATA = FLASH + 32 };
    enum { TYPE = 0, OFFSET = 4, ADDRESS = 8, LOADED = 12, IN_FILE = 16, IN_MEMORY = 20 };
    static const struct {
        int at, size;
        unsigned long value;
        int status;
        const char *says;
    } rows[] = {
        {MACHINE, 2, 62, 2, "is for machine 62 of ELF's list; expected AVR, 83"},
        {SEGMENTS, 2, 0, 2, "holds no program: an object that was not linked?"},
        {FLASH + TYPE, 4, 0, 0, NULL}, /* then what .data begins with is all there is */
        {FLASH + OFFSET, 4, 0xFFFFFFF0, 2, "is cut off: segment 0 ends behind the file"},
        {FLASH + IN_FILE, 4, 0x7FFFFFFF, 2, "is cut off: segment 0 ends behind the file"},
        {FLASH + LOADED, 4, 0x50000, 2, "a segment of 234 bytes at 50000: no AVR has flash there"},
        {FLASH + LOADED, 4, 0x3FFFF, 2, "no AVR has flash there"},
        {FLASH + LOADED, 4, 0x812000, 2, "no AVR has flash there"},
        {FLASH + LOADED, 4, 0x820000, 0, NULL}, /* fuses */
        {FLASH + LOADED, 4, 0x8000, 2, "the firmware has 33002 bytes, the attiny85 8192 of flash"},
        {DATA + LOADED, 4, 0x810000, 0, NULL}, /* the EEPROM */
        {DATA + LOADED, 4, 0x810FFF, 2, "no AVR has flash there"},
        {DATA + IN_MEMORY, 4, 0x900000, 0, NULL}, /* more than there can be */
        {DATA + ADDRESS, 4, 0x100, 0, NULL},
        {SECTIONS, 4, 0xFFFFFF00, 0, NULL}, /* no names: it runs as well */
    };
    static const size_t lengths[] = {5, 20, 51, 52, 60, 115};
    char line[300];
    firmware_begin();
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        size_t count = read_elf();
        for (int k = 0; k < rows[i].size; k++) {
            bytes[rows[i].at + k] = (unsigned char)(rows[i].value >> 8 * k);
        }
        write_elf(count);
        snprintf(line, sizeof line,
                 JADELAMP "-firmware damaged.elf -p attiny85 --mhz 8 --seconds 1 "
                          "--no-wires -c usi.card");
        int status = shell(line);
        test_row("field %d = %lX", rows[i].at, rows[i].value);
        EXPECT(rows[i].status == 2 ? status == 2 : status <= 1); /* what runs may be anything */
        if (rows[i].status == 2) {
            EXPECT_CONTAINS(output, rows[i].says);
        }
    }
    for (size_t i = 0; i < sizeof lengths / sizeof lengths[0]; i++) {
        read_elf();
        write_elf(lengths[i]);
        EXPECT_INT(shell(JADELAMP "-firmware damaged.elf -p attiny85 -c usi.card"), 2);
        test_row("%zu bytes", lengths[i]);
        EXPECT_CONTAINS(output, "damaged.elf: ");
    }
    shell_end();
}

static void damaged_files_end(void) {
    unsigned random = 20261128;
    firmware_begin();
    size_t count = read_elf();
    for (int i = 0; i < 40; i++) {
        unsigned char kept[4];
        size_t places[4];
        for (int k = 0; k < 4; k++) {
            random = random * 1103515245u + 12345u;
            /* headers and tables as often as code */
            places[k] = (random >> 8) % (k < 2 ? 300 : count);
            kept[k] = bytes[places[k]];
            bytes[places[k]] ^= (unsigned char)(1u << (random >> 4 & 7));
        }
        write_elf(count);
        int status = shell(JADELAMP "-firmware damaged.elf -p attiny85 --mhz 1 --seconds 1 "
                                    "--no-wires -c usi.card");
        test_row("damage %d", i);
        EXPECT(status >= 0 && status <= 2);
        for (int k = 3; k >= 0; k--) {
            bytes[places[k]] = kept[k];
        }
    }
    shell_end();
}

const struct test_group test_groups[] = {
    {"findings_as_json", findings_as_json},
    {"mistakes_are_told", mistakes_are_told},
    {"bad_input_is_refused", bad_input_is_refused},
    {"elf_files_that_are_wrong", elf_files_that_are_wrong},
    {"damaged_files_end", damaged_files_end},
    {NULL, NULL},
};
