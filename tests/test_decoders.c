/* Waveforms drawn by hand from the bus standards, and what comes out as bytes. */
#include <stdio.h>
#include <string.h>

#include "harness.h"
#include "jadelamp/host/decode.h"

/* ---- what came out, as text ---- */

static char told[8000];
static size_t told_length;

static void tell(void *context, const struct jl_bus_event *event) {
    const bool *with_times = context;
    char *at = told + told_length;
    size_t room = sizeof told - told_length;
    int length = 0;
    switch (event->kind) {
    case JL_BUS_BYTE:
        length = snprintf(at, room, "%s%02X%s%s", event->address ? "@" : "", event->value,
                          event->data ? "d" : "", event->refused ? "!" : "");
        if (event->has_answer) {
            length += snprintf(at + length, room - (size_t)length, "/%02X", event->answer);
        }
        break;
    case JL_BUS_READ:
        length = snprintf(at, room, "r%02X%s%s", event->value, event->data ? "d" : "",
                          event->refused ? "!" : "");
        break;
    case JL_BUS_DOUBT:
        length = snprintf(at, room, "(%s)", event->text);
        break;
    default: {
        static const char *const words[] = {"S", "P", "", "", "[", "]", "reset", "light", ""};
        bool pin = event->kind == JL_BUS_RESET || event->kind == JL_BUS_LIGHT;
        length = snprintf(at, room, "%s%s", words[event->kind],
                          !pin          ? ""
                          : event->high ? "1"
                                        : "0");
        break;
    }
    }
    told_length += (size_t)length;
    if (*with_times) {
        told_length +=
            (size_t)snprintf(told + told_length, sizeof told - told_length, "%llu-%llu",
                             (unsigned long long)event->at_ps, (unsigned long long)event->until_ps);
    }
    told_length += (size_t)snprintf(told + told_length, sizeof told - told_length, " ");
}

/* ---- a pencil ---- */

struct pencil {
    struct jl_decoder *decoder;
    uint64_t now;
    struct test_random *jitter; /* NULL: none */
};

static struct pencil begin(struct jl_decoding decoding, bool *with_times) {
    told_length = 0;
    told[0] = '\0';
    struct pencil pencil = {jl_decoder_create(&decoding, tell, with_times), 1000, NULL};
    EXPECT(pencil.decoder != NULL);
    return pencil;
}

static const char *end(struct pencil *pencil) {
    jl_decoder_end(pencil->decoder, pencil->now);
    jl_decoder_destroy(pencil->decoder);
    return told;
}

static void set(struct pencil *pencil, enum jl_role role, bool high) {
    jl_decoder_level(pencil->decoder, pencil->now, role, high);
}

static void wait(struct pencil *pencil, uint64_t ps) {
    pencil->now += ps;
    if (pencil->jitter) {
        pencil->now += test_random_next(pencil->jitter) % (ps / 3 + 1);
    }
}

/* ---- I2C: UM10204 figures 4 to 9 ---- */

static void i2c_start(struct pencil *pencil) {
    set(pencil, JL_ROLE_SDA, true);
    wait(pencil, 1000);
    set(pencil, JL_ROLE_SCL, true);
    wait(pencil, 1000);
    set(pencil, JL_ROLE_SDA, false);
    wait(pencil, 1000);
    set(pencil, JL_ROLE_SCL, false);
    wait(pencil, 1000);
}

static void i2c_stop(struct pencil *pencil) {
    set(pencil, JL_ROLE_SDA, false);
    wait(pencil, 1000);
    set(pencil, JL_ROLE_SCL, true);
    wait(pencil, 1000);
    set(pencil, JL_ROLE_SDA, true);
    wait(pencil, 1000);
}

static void i2c_bit(struct pencil *pencil, bool bit, uint64_t stretch) {
    set(pencil, JL_ROLE_SDA, bit);
    wait(pencil, 1000 + stretch);
    set(pencil, JL_ROLE_SCL, true);
    wait(pencil, 1000);
    set(pencil, JL_ROLE_SCL, false);
    wait(pencil, 500);
}

static void i2c_byte(struct pencil *pencil, unsigned byte, bool acknowledged, uint64_t stretch) {
    for (int bit = 7; bit >= 0; bit--) {
        i2c_bit(pencil, byte >> bit & 1, bit == 7 ? stretch : 0);
    }
    i2c_bit(pencil, !acknowledged, 0);
}

/* "S 78 00! P" and so on: bytes, "!" not acknowledged, "~" after a stretched clock, "b" a bit. */
static void draw_i2c(struct pencil *pencil, const char *script) {
    for (const char *at = script; *at; at += strspn(at, " ")) {
        size_t length = strcspn(at, " ");
        unsigned byte;
        if (*at == 'S') {
            i2c_start(pencil);
        } else if (*at == 'P') {
            i2c_stop(pencil);
        } else if (*at == 'b') {
            i2c_bit(pencil, true, 0);
        } else if (sscanf(at, "%2x", &byte) == 1) {
            i2c_byte(pencil, byte, !memchr(at, '!', length),
                     memchr(at, '~', length) ? 90000000 : 0);
        }
        at += length;
    }
}

static void i2c(void) {
    static const struct {
        const char *drawn, *told;
    } rows[] = {
        {"S 78 00 AE P", "S @78 00 AE P "},
        {"S 78! P", "S @78! P "},
        {"S 78 00 AF! P S 78 40 FF P", "S @78 00 AF! P S @78 40 FF P "},
        {"S 78 10 S 79 A5 5A! P", "S @78 10 S @79 rA5 r5A! P "}, /* a repeated START; reading */
        {"S 78~ 00~ AE~ P", "S @78 00 AE P "},
        {"S 78 b b b P", "S @78 (a STOP in the middle of a byte) P "},
        {"S 78 b b S 78 P", "S @78 (a START in the middle of a byte) S @78 P "},
        {"AE 00 P S 78 P", "(SCL moves without a START before: what comes up to the next START is "
                           "left out) P S @78 P "},
        {"S 78 b b b", "S @78 (the capture ends in the middle of a byte) "},
    };
    for (size_t i = 0; i < 2 * (sizeof rows / sizeof rows[0]); i++) {
        struct test_random jitter = {7};
        bool with_times = false;
        struct pencil pencil = begin((struct jl_decoding){.kind = JL_DECODE_I2C}, &with_times);
        test_row("%s%s", rows[i / 2].drawn, i % 2 ? ", with jitter" : "");
        pencil.jitter = i % 2 ? &jitter : NULL;
        set(&pencil, JL_ROLE_SCL, true);
        set(&pencil, JL_ROLE_SDA, true);
        wait(&pencil, 5000);
        /* what begins within a transfer does so with SCL low */
        if (rows[i / 2].drawn[0] == 'A') {
            set(&pencil, JL_ROLE_SCL, false);
            wait(&pencil, 1000);
        }
        draw_i2c(&pencil, rows[i / 2].drawn);
        EXPECT_TEXT(end(&pencil), rows[i / 2].told);
    }
    /* Times: from the first bit's clock, nine bits of 2.5 us, in units of ps here. */
    bool with_times = true;
    struct pencil pencil = begin((struct jl_decoding){.kind = JL_DECODE_I2C}, &with_times);
    draw_i2c(&pencil, "S 78");
    EXPECT_TEXT(end(&pencil), "S3000-0 @786000-28500 ");
}

/* ---- SPI ---- */

struct spi {
    int mode, bits;
    bool cs, select_high;
};

/* Data change on the edge that does not take them; in modes 0 and 2 the first is there before. */
static void spi_bit(struct pencil *pencil, const struct spi *spi, bool bit, uint64_t half) {
    bool idle = spi->mode >= 2;
    if (spi->mode % 2 == 0) {
        set(pencil, JL_ROLE_MOSI, bit);
        wait(pencil, half);
        set(pencil, JL_ROLE_CLOCK, !idle);
        wait(pencil, half);
        set(pencil, JL_ROLE_CLOCK, idle);
    } else {
        set(pencil, JL_ROLE_CLOCK, !idle);
        set(pencil, JL_ROLE_MOSI, bit);
        wait(pencil, half);
        set(pencil, JL_ROLE_CLOCK, idle);
        wait(pencil, half);
    }
}

/* "C2A" a command, "DFF" data, "[" and "]" CS, "_" a long pause, "bN" N bits only, "R"/"r" reset.
 */
static void draw_spi(struct pencil *pencil, const struct spi *spi, const char *script) {
    for (const char *at = script; *at; at += strspn(at, " ")) {
        size_t length = strcspn(at, " ");
        unsigned byte = 0, bits = 8;
        if (*at == '[' || *at == ']') {
            set(pencil, JL_ROLE_CS, (*at == '[') == spi->select_high);
        } else if (*at == '_') {
            wait(pencil, 10000000);
        } else if (*at == 'R' || *at == 'r') {
            set(pencil, JL_ROLE_RESET, *at == 'R');
        } else {
            bool data = *at == 'D';
            if (*at == 'b') {
                sscanf(at + 1, "%u", &bits);
            } else {
                sscanf(at + 1, "%2x", &byte);
            }
            if (spi->bits == 9) {
                spi_bit(pencil, spi, data, 500);
            } else {
                set(pencil, JL_ROLE_DC, data);
            }
            for (unsigned bit = bits; bit > 0; bit--) {
                spi_bit(pencil, spi, byte >> (bit - 1) & 1, 500);
            }
        }
        wait(pencil, 300);
        at += length;
    }
}

static void spi(void) {
    static const struct {
        const char *drawn;
        int bits;
        bool cs;
        const char *told;
    } rows[] = {
        {"] [ C2A D00 D7F ]", 8, true, "[ 2A 00d 7Fd ] "},
        {"] [ C2A D00 ] [ D55 ]", 8, true, "[ 2A 00d ] [ 55d ] "},
        {"] [ C2A D00 DA5 ]", 9, true, "[ 2A 00d A5d ] "},
        {"C2A D00 DAA", 8, false, "2A 00d AAd "},
        {"] C11 [ C2A ] C22", 8, true, "[ 2A ] "}, /* others on the bus */
        {"] R r R [ C2A ]", 8, true, "reset1 reset0 reset1 [ 2A ] "},
        {"] [ C2A b3 ] [ C2B ]", 8, true,
         "[ 2A ] (CS moves in the middle of a word: its bits are lost) [ 2B ] "},
        {"C2A b3 _ C2B", 8, false,
         "2A (a pause in the middle of a word, and there is no CS: a new word begins) 2B "},
        {"[ C2A ]", 8, true,
         "(the capture begins while CS is active: its first bytes may be cut) [ 2A ] "},
        {"] [ C2A b3", 8, true, "[ 2A (the capture ends in the middle of a byte) "},
    };
    for (size_t i = 0; i < 4 * (sizeof rows / sizeof rows[0]); i++) {
        bool with_times = false, high = i % 8 >= 4;
        struct spi how = {(int)(i % 4), rows[i / 4].bits, rows[i / 4].cs, high};
        struct test_random jitter = {11};
        struct pencil pencil = begin((struct jl_decoding){.kind = JL_DECODE_SPI,
                                                          .mode = how.mode,
                                                          .bits = how.bits,
                                                          .has_cs = how.cs,
                                                          .select_high = high},
                                     &with_times);
        test_row("mode %d, %s", how.mode, rows[i / 4].drawn);
        pencil.jitter = i % 2 ? &jitter : NULL;
        set(&pencil, JL_ROLE_CLOCK, how.mode >= 2);
        set(&pencil, JL_ROLE_MOSI, false);
        set(&pencil, JL_ROLE_DC, false);
        draw_spi(&pencil, &how, rows[i / 4].drawn);
        EXPECT_TEXT(end(&pencil), rows[i / 4].told);
    }
    /* Read in the wrong mode, data change as they are taken. */
    bool with_times = false;
    struct spi how = {1, 8, false, false};
    struct pencil pencil =
        begin((struct jl_decoding){.kind = JL_DECODE_SPI, .bits = 8}, &with_times);
    set(&pencil, JL_ROLE_CLOCK, false);
    set(&pencil, JL_ROLE_MOSI, false);
    set(&pencil, JL_ROLE_DC, false);
    draw_spi(&pencil, &how, "C55");
    EXPECT_CONTAINS(end(&pencil), "data changes with the edge that takes it: is it another SPI "
                                  "mode?");
}

/* What the part answers is taken with the edge that takes a bit of MOSI. */
static void what_the_part_answers_on_spi(void) {
    static const struct {
        unsigned sent, answered;
        const char *told;
    } rows[] = {{0x04, 0x00, "04/00 "}, {0x00, 0x85, "00/85 "}, {0xFF, 0x52, "FF/52 "}};
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        bool with_times = false;
        struct pencil pencil =
            begin((struct jl_decoding){.kind = JL_DECODE_SPI, .bits = 8}, &with_times);
        test_row("%s", rows[i].told);
        set(&pencil, JL_ROLE_CLOCK, false);
        set(&pencil, JL_ROLE_DC, false);
        for (int bit = 7; bit >= 0; bit--) {
            set(&pencil, JL_ROLE_MOSI, rows[i].sent >> bit & 1);
            set(&pencil, JL_ROLE_MISO, rows[i].answered >> bit & 1);
            wait(&pencil, 500);
            set(&pencil, JL_ROLE_CLOCK, true);
            set(&pencil, JL_ROLE_MISO, false); /* it changes again at once */
            wait(&pencil, 500);
            set(&pencil, JL_ROLE_CLOCK, false);
        }
        EXPECT_TEXT(end(&pencil), rows[i].told);
    }
}

static void clock_out(struct pencil *pencil, unsigned value, int bits) {
    while (bits--) {
        set(pencil, JL_ROLE_MOSI, value >> bits & 1);
        wait(pencil, 500);
        set(pencil, JL_ROLE_CLOCK, true);
        wait(pencil, 500);
        set(pencil, JL_ROLE_CLOCK, false);
    }
}

/* On three wires an answer has no D/C bit, and its end is CS, within a byte, too (one clock in
 * front of 24 bits). */
static void what_the_part_answers_on_three_wires(void) {
    static const struct {
        bool has_cs;
        int bits; /* of a word */
        const char *told;
    } rows[] = {{true, 9, "[ 04 r42d rC2d ] [ 2Ad 11 ] "},
                {true, 8, "[ 02 21 61 ] (CS moves in the middle of a word: its bits are lost) [ "},
                {false, 9, "04 85 0Ad 95d 08 "}};
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        bool with_times = false;
        struct pencil pencil = begin((struct jl_decoding){.kind = JL_DECODE_SPI,
                                                          .bits = rows[i].bits,
                                                          .has_cs = rows[i].has_cs},
                                     &with_times);
        test_row("%d bits, with CS: %d", rows[i].bits, rows[i].has_cs);
        set(&pencil, JL_ROLE_CLOCK, false);
        set(&pencil, JL_ROLE_DC, false);
        set(&pencil, JL_ROLE_CS, true);
        wait(&pencil, 500);
        set(&pencil, JL_ROLE_CS, false);
        clock_out(&pencil, 0x04, 9);
        jl_decoder_reach(pencil.decoder, pencil.now);
        EXPECT_INT(jl_decoder_answered(pencil.decoder), i == 0);
        clock_out(&pencil, 0x42C2 << 3 | 5, 19);
        wait(&pencil, 500);
        set(&pencil, JL_ROLE_CS, true);
        wait(&pencil, 500);
        set(&pencil, JL_ROLE_CS, false);
        clock_out(&pencil, 0x12A << 9 | 0x11, 18);
        set(&pencil, JL_ROLE_CS, true);
        EXPECT_CONTAINS(end(&pencil), rows[i].told);
    }
}

/* A pulse of less than was asked for is none, on each wire of the bus. */
static void glitches(void) {
    static const struct {
        uint64_t pulse;
        bool right;
        int glitches;
    } rows[] = {{0, false, 0}, {30, false, 0}, {60, true, 4}, {400, true, 4}};
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        bool with_times = false;
        struct pencil pencil =
            begin((struct jl_decoding){.kind = JL_DECODE_SPI, .bits = 8, .pulse_ps = rows[i].pulse},
                  &with_times);
        test_row("%d ps", (int)rows[i].pulse);
        set(&pencil, JL_ROLE_CLOCK, false);
        set(&pencil, JL_ROLE_MOSI, false);
        set(&pencil, JL_ROLE_DC, true);
        for (int bit = 7; bit >= 0; bit--) {
            set(&pencil, JL_ROLE_MOSI, 0xA6 >> bit & 1);
            wait(&pencil, 500);
            if (bit % 2) { /* for 50 ps */
                set(&pencil, JL_ROLE_CLOCK, true);
                wait(&pencil, 50);
                set(&pencil, JL_ROLE_CLOCK, false);
                wait(&pencil, 450);
            }
            set(&pencil, JL_ROLE_CLOCK, true);
            wait(&pencil, 500);
            set(&pencil, JL_ROLE_CLOCK, false);
        }
        wait(&pencil, 1000);
        jl_decoder_end(pencil.decoder, pencil.now);
        EXPECT_INT(strcmp(told, "A6d ") == 0, rows[i].right);
        EXPECT_INT((long long)jl_decoder_glitches(pencil.decoder), rows[i].glitches);
        jl_decoder_destroy(pencil.decoder);
    }
}

/* ---- parallel buses ---- */

static void put_lines(struct pencil *pencil, unsigned word, int first, int count) {
    for (int i = 0; i < count; i++) {
        set(pencil, (enum jl_role)(JL_ROLE_D0 + first + i), word >> i & 1);
    }
}

static void strobe(struct pencil *pencil, enum jl_role role, bool active) {
    set(pencil, role, active);
    wait(pencil, 40);
    set(pencil, role, !active);
}

static void parallel(void) {
    static const struct {
        enum jl_decoding_kind kind;
        int bits;
        const char *told;
    } rows[] = {
        {JL_DECODE_8080, 8, "[ 2A A5d r5Ad ] "},
        {JL_DECODE_8080, 16, "[ 2A 12A5d r345Ad ] "},
        {JL_DECODE_6800, 8, "[ 2A A5d r5Ad ] "},
        {JL_DECODE_6800, 4, "[ 2A A5d r5Ad ] "},
    };
    static const struct {
        unsigned word;
        bool data, read;
    } words[] = {{0x002A, false, false}, {0x12A5, true, false}, {0x345A, true, true}};
    for (size_t i = 0; i < 2 * (sizeof rows / sizeof rows[0]); i++) {
        bool with_times = false, intel = rows[i / 2].kind == JL_DECODE_8080;
        int bits = rows[i / 2].bits;
        struct pencil pencil =
            begin((struct jl_decoding){.kind = rows[i / 2].kind, .bits = bits, .has_cs = true},
                  &with_times);
        test_row("row %zu%s", i / 2, i % 2 ? ", CS ends with the strobe" : "");
        set(&pencil, JL_ROLE_CS, true);
        set(&pencil, JL_ROLE_WR, true);
        set(&pencil, JL_ROLE_RD, true);
        set(&pencil, JL_ROLE_E, false);
        set(&pencil, JL_ROLE_RW, false);
        put_lines(&pencil, 0, 0, 16);
        strobe(&pencil, intel ? JL_ROLE_WR : JL_ROLE_E, !intel); /* somebody else's */
        wait(&pencil, 100);
        set(&pencil, JL_ROLE_CS, false);
        for (size_t k = 0; k < 3; k++) {
            set(&pencil, JL_ROLE_DC, words[k].data);
            set(&pencil, JL_ROLE_RW, words[k].read);
            enum jl_role with = !intel ? JL_ROLE_E : words[k].read ? JL_ROLE_RD : JL_ROLE_WR;
            for (int half = bits == 4 ? 1 : 0; half >= 0; half--) {
                unsigned word = bits == 4 ? (words[k].word >> 4 * half & 15) << 4 : words[k].word;
                put_lines(&pencil, word, 0, 16);
                wait(&pencil, 20);
                set(&pencil, with, !intel);
                wait(&pencil, 40);
                set(&pencil, with, intel);
                if (k == 2 && !half && i % 2) {
                    set(&pencil, JL_ROLE_CS, true);
                }
                put_lines(&pencil, ~word, 0, 16); /* no hold time at all */
                wait(&pencil, 60);
            }
        }
        set(&pencil, JL_ROLE_CS, true);
        EXPECT_TEXT(end(&pencil), rows[i / 2].told);
    }
    /* A word lasts until the next one, or twice its pulse. */
    bool with_times = true;
    struct pencil pencil =
        begin((struct jl_decoding){.kind = JL_DECODE_8080, .bits = 8}, &with_times);
    set(&pencil, JL_ROLE_WR, true);
    put_lines(&pencil, 0, 0, 8);
    for (int i = 0; i < 3; i++) {
        wait(&pencil, i == 2 ? 10000 : 60);
        strobe(&pencil, JL_ROLE_WR, false);
    }
    EXPECT_TEXT(end(&pencil), "001060-1140 001160-1260 0011200-11280 ");
}

static void buses_that_are_none(void) {
    static const struct jl_decoding rows[] = {
        {.kind = JL_DECODE_SPI, .bits = 7},
        {.kind = JL_DECODE_SPI, .bits = 8, .mode = 4},
        {.kind = JL_DECODE_8080, .bits = 4},
        {.kind = JL_DECODE_6800, .bits = 16},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        test_row("row %zu", i);
        EXPECT(jl_decoder_create(&rows[i], tell, NULL) == NULL);
    }
}

/* A step is told with the next level, or when somebody says that its time is over. */
static void times_that_are_reached(void) {
    const struct jl_decoding decoding = {.kind = JL_DECODE_SPI, .bits = 8};
    bool with_times = false;
    struct pencil pencil = begin(decoding, &with_times);
    set(&pencil, JL_ROLE_RESET, false);
    EXPECT_TEXT(told, "");
    jl_decoder_reach(pencil.decoder, pencil.now);
    EXPECT_TEXT(told, ""); /* more may come at this time */
    jl_decoder_reach(pencil.decoder, pencil.now + 5000);
    EXPECT_TEXT(told, "reset0 ");
    jl_decoder_reach(pencil.decoder, pencil.now + 9000);
    EXPECT_TEXT(end(&pencil), "reset0 ");
}

const struct test_group test_groups[] = {
    {"i2c", i2c},
    {"spi", spi},
    {"what_the_part_answers_on_spi", what_the_part_answers_on_spi},
    {"what_the_part_answers_on_three_wires", what_the_part_answers_on_three_wires},
    {"glitches", glitches},
    {"times_that_are_reached", times_that_are_reached},
    {"parallel", parallel},
    {"buses_that_are_none", buses_that_are_none},
    {NULL, NULL},
};
