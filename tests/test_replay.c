/* Captures, read out and played by the command, as a user does. */
#include <cjson/cJSON.h>
#include <stdio.h>
#include <string.h>

#include "harness.h"
#include "jadelamp/host/file.h"
#include "shell.h"

static void put(const char *name, const char *content) {
    struct jl_complaint complaint;
    EXPECT(jl_file_put(shell_path(name), content, strlen(content), &complaint));
}

/* Whether a card stands for its controller on its bus: the one with the smallest glass, if that is
 * not large. Thorough tests take all cards. */
static bool stands_for_others(const cJSON *cards, const cJSON *card) {
    const cJSON *other;
    const char *controller = cJSON_GetObjectItem(card, "controller")->valuestring;
    const char *bus = cJSON_GetObjectItem(card, "bus")->valuestring;
    int pixels = cJSON_GetObjectItem(card, "width")->valueint *
                 cJSON_GetObjectItem(card, "height")->valueint;
    cJSON_ArrayForEach(other, cards) {
        bool alike =
            strcmp(cJSON_GetObjectItem(other, "controller")->valuestring, controller) == 0 &&
            strcmp(cJSON_GetObjectItem(other, "bus")->valuestring, bus) == 0;
        int others = cJSON_GetObjectItem(other, "width")->valueint *
                     cJSON_GetObjectItem(other, "height")->valueint;
        if (alike && (others < pixels || (others == pixels && other < card))) {
            return false;
        }
    }
    return pixels < 50000;
}

/* What first light recorded shows the same picture when it is played, of a part of all cards. */
static void play_cards(int part) {
    static char names[100][40];
    int count = 0;
    bool all = test_cases(4) == 4;
    shell_begin();
    EXPECT_INT(shell(JADELAMP " catalog --json"), 0);
    cJSON *json = cJSON_Parse(output);
    const cJSON *card;
    const cJSON *cards = cJSON_GetObjectItem(json, "cards");
    cJSON_ArrayForEach(card, cards) {
        const char *name = cJSON_GetObjectItem(card, "name")->valuestring;
        if (strncmp(name, "rgb", 3) != 0 && !strstr(name, "st7701") && count < 100 &&
            (all || stands_for_others(cards, card))) {
            snprintf(names[count++], sizeof names[0], "%s", name);
        }
    }
    cJSON_Delete(json);
    EXPECT(count > (all ? 50 : 25));
    for (int i = part; i < count; i += 4) {
        if (!test_turn(i / 4)) {
            continue;
        }
        char line[400];
        const char *name = names[i];
        test_row("%s", name);
        snprintf(line, sizeof line, JADELAMP " light %s", name);
        EXPECT_INT(shell(line), 0);
        snprintf(line, sizeof line,
                 JADELAMP " replay %s.vcd --card %s --into again >said && "
                          "cmp %s-glass.png again/%s-glass.png && ! grep error said",
                 name, name, name, name);
        EXPECT_INT(shell(line), 0);
        snprintf(line, sizeof line, "rm -r again %s*", name);
        EXPECT_INT(shell(line), 0);
    }
    shell_end();
}

static void every_card_again_1(void) {
    play_cards(0);
}

static void every_card_again_2(void) {
    play_cards(1);
}

static void every_card_again_3(void) {
    play_cards(2);
}

static void every_card_again_4(void) {
    play_cards(3);
}

/* A wake-up sequence as a table of bytes, and what its lines say. */
static void words(void) {
    static const struct {
        const char *card, *bytes; /* "C" a command, "D" data, hexadecimal */
        const char *says[5];
    } rows[] = {
        {"ssd1306-128x64-spi",
         "CAE CA8 C3F C20 C00 C21 C00 C7F CD5 C80 CA1 C81 CCF DFF D00 CAF",
         {"A8    multiplex ratio           64 rows", "20    memory addressing mode    horizontal",
          "21    column address            columns 0 to 127",
          "D5    clock                     oscillator 8 of 15, divided by 1",
          "data  2                         FF 00"}},
        {"st7565-128x64-spi",
         "CA3 CC8 C2F C81 C20 CB3 C12 C05",
         {"A3    bias                      1/7", "booster on, regulator on, follower on",
          "electronic volume         32 of 63", "B3    page                      page 3",
          "column 32 and the low nibble"}},
        {"ssd1322-256x64-spi",
         "C15 D1C D5B C75 D00 D3F CA0 D14 D11 CCA D3F C5C D12 D34",
         {"columns 112 to 367", "75    row address               rows 0 to 63",
          "addresses count along a row, columns as they are, nibbles in order, COMs down",
          "CA    multiplex ratio           64 rows", "data  2                         12 34"}},
        {"ssd1351-128x128-spi",
         "CFD D12 CA0 D74 CC1 DC8 D80 DC8 CB3 DF1",
         {"FD    command lock              unlocked",
          "order BGR, COMs down, split yes, 65k colours",
          "contrast of A, B and C    200 128 200 of 255",
          "oscillator 15 of 15, divided by 2 to the power of 1", ""}},
        {"ili9341-240x320-spi",
         "C36 D48 C3A D55 C2A D00 D0A D00 DEF C33 D00 D10 D01 D20 D00 D10 CB6 D08 DA2 D27",
         {"MY 0 MX 1 MV 0, order BGR, refresh ML 0 MH 0", "16 bits a pixel",
          "set_column_address        columns 10 to 239", "16 lines fixed, 288 scroll, 16 fixed",
          "sources mirrored, gates as they are"}},
        {"st7789-240x240-spi",
         "CB2 D0C D0C D00 D33 D33 C44 D01 C11",
         {"porches                   back 12, front 12 lines", "(1 argument missing)",
          "11    exit_sleep_mode", "", ""}},
        {"ssd1680-122x250-spi",
         "C01 DF9 D00 D00 C44 D00 D0F C22 DF7 C10 D01",
         {"250 gates, from the first", "columns 0 to 127",
          "clock on, voltages on, temperature read, waveform loaded, mode 1, display yes",
          "deep sleep                mode 1", ""}},
        {"uc8151-128x296-spi",
         "C61 D80 D01 D28 C00 D1F C50 D97",
         {"resolution                128 x 296",
          "waveform inside, black and white, scan up, shift right, booster on, no reset", "97", "",
          ""}},
        {"pcd8544-84x48-spi",
         "C21 CB8 C14 C20 C0C C85 C43 DFF",
         {"Vop                       step 56 of 127", "bias                      4 of 7",
          "shows the RAM", "column 5", "bank 3"}},
        {"st7920-128x64-6800",
         "C30 C0C C90 C36 C85 D12",
         {"8 data lines, basic set", "DDRAM address             word 16",
          "8 data lines, extended set", "5, the row first, then the word", "data  1"}},
        {"hd44780-16x2-8bit",
         "C38 C0E C06 C4A CC0 D41",
         {"8 data lines, two lines, 5x8 dots", "display on, cursor on, blinking off",
          "address counts up, display stays", "character 1, row 2",
          "data  1                         41  \"A\""}},
        /* where data go on the upright glass */
        {"ssd1306-128x64-spi",
         "C20 C00 CA1 CC8 C21 C0A C13 C22 C01 C02 DFF D00 D11",
         {"data  3                         FF 00 11  24 pixels into columns 10 to 19, rows 8 to 23",
          "", "", "", ""}},
        {"ssd1306-128x64-spi",
         "C20 C00 CA0 CC0 C21 C0A C13 C22 C01 C02 DFF",
         {"8 pixels into columns 108 to 117, rows 40 to 55", "", "", "", ""}},
        {"st7565-128x64-spi",
         "CA0 CC8 CB2 C11 C04 DFF D00",
         {"data  2                         FF 00  16 pixels into columns 20 to 127, rows 16 to 23",
          "", "", "", ""}},
        {"ssd1322-256x64-spi",
         "CA0 D14 D11 CCA D3F C15 D1C D1D C75 D02 D05 C5C D12 D34",
         {"4 pixels into columns 0 to 7, rows 2 to 5", "", "", "", ""}},
        {"st7735-128x160-offset",
         "C3A D05 C36 DC8 C2A D00 D02 D00 D0B C2B D00 D01 D00 D14 C2C DF8 D00",
         {"1 pixels into columns 0 to 9, rows 0 to 19", "", "", "", ""}},
        {"ili9341-240x320-spi",
         "C3A D55 C36 D28 C2A D00 D00 D00 D1D C2B D00 D05 D00 D09 C2C DF8 D00 D00 D00",
         {"2 pixels into columns 230 to 234, rows 0 to 29", "", "", "", ""}},
        {"sh1106-128x64-spi",
         "C8D CE0",
         {"8D    unknown command", "read-modify-write", "", "", ""}},
    };
    shell_begin();
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        char table[2000] = "time,byte,dc\n", line[200];
        size_t length = strlen(table);
        int n = 500;
        for (const char *at = rows[i].bytes; *at; at += strcspn(at, " "), at += *at == ' ') {
            length += (size_t)snprintf(table + length, sizeof table - length, "0.%04d,%.2s,%d\n", n,
                                       at + 1, *at == 'D');
            n += 5;
        }
        test_row("%s", rows[i].card);
        put("bytes.csv", table);
        snprintf(line, sizeof line, JADELAMP " explain bytes.csv --card %s --only command,data",
                 rows[i].card);
        EXPECT(shell(line) != 2);
        for (int k = 0; k < 5; k++) {
            EXPECT_CONTAINS(output, rows[i].says[k]);
        }
        EXPECT(!strstr(output, " ms  wait "));
    }
    shell_end();
}

/* On 16 lines arguments are on the low eight, and pixels on all. */
static void words_of_16_lines(void) {
    static const char *const says[] = {"C5    VCOM control              00 12 80",
                                       "16 bits a pixel", "columns 0 to 319", "data  307200",
                                       "153600 pixels into columns 0 to 319, rows 0 to 479"};
    shell_begin();
    EXPECT_INT(shell(JADELAMP " light ili9488-320x480-8080"), 0);
    EXPECT_INT(shell(JADELAMP " explain ili9488-320x480-8080.vcd -c ili9488-320x480-8080"), 0);
    for (size_t i = 0; i < sizeof says / sizeof says[0]; i++) {
        EXPECT_CONTAINS(output, says[i]);
    }
    shell_end();
}

/* Bits of a capture that somebody drew: an ssd1306 on wires with names of their own. */
static const char drawn[] =
    "$timescale 1 us $end\n$scope module board $end\n$var wire 1 a Chan_0 $end\n"
    "$var wire 1 b Chan_1 $end\n$var wire 1 c Chan_2 $end\n$var wire 1 d nCS $end\n"
    "$upscope $end\n$enddefinitions $end\n"
    "#0 0a 0b 0c 1d\n#1000 0d\n"
    /* AF = 1010 1111, D/C low; a clock of 100 kHz */
    "#1010 1b #1015 1a #1020 0a 0b #1025 1a #1030 0a 1b #1035 1a #1040 0a 0b #1045 1a #1050 0a 1b\n"
    "#1055 1a #1060 0a #1065 1a #1070 0a #1075 1a #1080 0a #1085 1a #1090 0a\n#1100 1d\n#200000\n";

static void wires_by_name(void) {
    static const struct {
        const char *line;
        int status;
        const char *says;
    } rows[] = {
        {JADELAMP " explain d.vcd --card ssd1306-128x64-spi --wire clk=Chan_0 --wire mosi=Chan_1 "
                  "-w dc=board.Chan_2",
         1, "1.010 ms  AF    display off or on         on\n"},
        {JADELAMP " explain d.vcd --card ssd1306-128x64-spi --wire clk=Chan_0 --wire mosi=Chan_1 "
                  "-w dc=board.Chan_2 --json",
         1, "\"opcode\":\t175"},
        {"printf '[panel]\\ncontroller = ssd1306\\n[glass]\\nsize = 128 x 64\\n[bus]\\nkind = "
         "spi\\n[pins]\\nclk = Chan_0\\nmosi = CHAN1\\ndc = chan-2\\ncs = PB2\\n' "
         ">my.card; " JADELAMP " explain d.vcd --card my.card; echo $?; rm my.card",
         0, "1.010 ms  AF    display off or on         on\n"},
        {JADELAMP " explain d.vcd --card ssd1306-128x64-spi", 2,
         "no wire for dc: say which one it is, with dc=NAME; there are board.Chan_0, "
         "board.Chan_1, board.Chan_2, board.nCS"},
        {JADELAMP " explain d.vcd --card ssd1306-128x64-spi -w clk=x", 2,
         "no wire is called \"x\": there are board.Chan_0"},
        {JADELAMP " explain d.vcd --card ssd1306-128x64-spi -w clock=Chan_0", 2,
         "\"clock=Chan_0\": expected ROLE=NAME, with a role such as scl"},
        {JADELAMP " explain d.vcd", 2, "name the panel behind the wires: --card CARD"},
        {JADELAMP " explain d.vcd --card nobody", 2, "no card nobody"},
        {JADELAMP " explain --card ssd1306-128x64-spi", 2, "name a capture"},
        {JADELAMP " explain d.vcd e.vcd --card ssd1306-128x64-spi", 2, "one argument too many"},
        {JADELAMP " explain none.vcd --card ssd1306-128x64-spi", 2, "none.vcd: No such file"},
        {JADELAMP " explain d.vcd --card rgb-480x272", 2, "scanned out has no bytes"},
        {JADELAMP " explain d.vcd --card ssd1306-128x64-spi --only words", 2,
         "\"words\" is no kind of line: expected command, data"},
        {JADELAMP " replay d.vcd --card ssd1306-128x64-spi -w clk=Chan_0 -w mosi=Chan_1 -w "
                  "dc=Chan_2; rm d-*.png",
         0, "dark: the charge pump is off"},
        {JADELAMP " replay d.vcd --card ssd1306-128x64-spi --at x", 2,
         "--at x: expected milliseconds"},
        {JADELAMP " replay d.vcd --card ssd1306-128x64-spi --terminal ascii", 2,
         "expected blocks or braille"},
        {"head -c 600 d.vcd >e.vcd; echo '#1 0a' >>e.vcd; " JADELAMP
         " replay e.vcd --card ssd1306-128x64-spi -w clk=Chan_0 -w mosi=Chan_1 -w dc=Chan_2; "
         "echo $?; ls e-*; rm e.vcd",
         0, "time runs backwards"},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        shell_begin();
        put("d.vcd", drawn);
        EXPECT_INT(shell(rows[i].line), rows[i].status);
        EXPECT_CONTAINS(output, rows[i].says);
        EXPECT_INT(shell_files(), 1); /* outputs whole or not at all */
        shell_end();
    }
}

/* What is read: an identity over SPI, with and without MISO, and a busy flag on pins. */
/* The wires of id.vcd in a scope, beside another one of the same names: the one that has more of
 * the bus is meant; of two alike the options have to say. */
static void names_in_scopes(void) {
    static const struct {
        const char *others, *options, *says;
    } rows[] = {
        {"$var wire 1 C clk $end $var wire 1 O mosi $end", "", "00 85 85 52\n"},
        {"$var wire 1 C clk $end $var wire 1 O mosi $end", " -w clk=b.clk -w mosi=b.mosi", "sleep"},
        {"$var wire 1 C clk $end $var wire 1 O mosi $end $var wire 1 I miso $end "
         "$var wire 1 D dc $end $var wire 1 S cs $end",
         "", "both a.cs and b.cs may be cs: say which, with cs=NAME"},
        {"$var wire 1 C clk $end $var wire 1 O mosi $end $var wire 1 I miso $end "
         "$var wire 1 D dc $end $var wire 1 S cs $end",
         " -w clk=a.clk -w mosi=a.mosi -w miso=a.miso -w dc=a.dc -w cs=a.cs", "00 85 85 52\n"},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        char line[900];
        snprintf(line, sizeof line,
                 "sed 's/$timescale 1 us $end/& $scope module a $end/; s/$enddefinitions/$upscope "
                 "$end $scope module b $end %s $upscope $end &/; s/#0 /&0C 0O 0I 0D 0S /' id.vcd "
                 "> two.vcd; " JADELAMP " explain two.vcd -c ili9341-240x320-spi%s",
                 rows[i].others, rows[i].options);
        EXPECT_INT(shell(line), strncmp(rows[i].says, "both", 4) ? 1 : 2); /* 1: it stays dark */
        EXPECT_CONTAINS(output, rows[i].says);
        /* what a.miso answers is read only where all wires of the bus are those of a */
        EXPECT((strstr(output, "00 85 85 52\n") != NULL) == !strncmp(rows[i].says, "00", 2));
    }
}

static void reads(void) {
    /* 04, then four bytes of nothing; answered 00 85 85 52. CS, D/C, and 1 us a bit */
    static const unsigned sent[] = {0x04, 0, 0, 0, 0}, answered[] = {0xFF, 0x00, 0x85, 0x85, 0x52};
    static const struct {
        const char *line, *says;
    } rows[] = {
        {JADELAMP " explain id.vcd -c ili9341-240x320-spi",
         "04    read id                   00 85 85 52\n"},
        {JADELAMP " explain id.vcd -c ili9341-240x320-spi --json", "[0, 133, 133, 82]"},
        {"sed 's/miso/other/' id.vcd >no.vcd; " JADELAMP " explain no.vcd -c ili9341-240x320-spi",
         "04    read id                   4 bytes, not seen: the capture has no MISO\n"},
        {"sed 's/miso/other/' id.vcd >no.vcd; " JADELAMP
         " explain no.vcd -c ili9341-240x320-spi -w miso=other",
         "00 85 85 52\n"},
        {JADELAMP " light hd44780-16x2-8bit >x; " JADELAMP
                  " explain hd44780-16x2-8bit.vcd -c hd44780-16x2-8bit --only read",
         " read  "},
    };
    static char content[9000];
    size_t length = (size_t)snprintf(
        content, sizeof content,
        "$timescale 1 us $end $var wire 1 c clk $end $var wire 1 o mosi $end $var wire 1 i miso "
        "$end $var wire 1 d dc $end $var wire 1 s cs $end $enddefinitions $end\n"
        "#0 0c 0o 0i 0d 1s\n#10 0s\n");
    for (size_t i = 0, now = 20; i < 5; i++) {
        length +=
            (size_t)snprintf(content + length, sizeof content - length, "#%zu %dd\n", now, i > 0);
        for (int bit = 7; bit >= 0; bit--, now += 2) {
            length += (size_t)snprintf(content + length, sizeof content - length,
                                       "#%zu 0c %uo %ui #%zu 1c\n", now, sent[i] >> bit & 1,
                                       answered[i] >> bit & 1, now + 1);
        }
    }
    snprintf(content + length, sizeof content - length, "#110 0c #120 1s #200\n");
    shell_begin();
    put("id.vcd", content);
    names_in_scopes();
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        EXPECT(shell(rows[i].line) < 2);
        EXPECT_CONTAINS(output, rows[i].says);
        EXPECT(!strstr(output, "error"));
    }
    shell_end();
}

static size_t cycle(char *content, size_t size, unsigned byte, bool dc, bool rw, size_t *now) {
    size_t length = (size_t)snprintf(content, size, "#%zu %dd %dr", *now, dc, rw);
    for (int bit = 0; bit < 8; bit++) {
        length += (size_t)snprintf(content + length, size - length, " %u%d", byte >> bit & 1, bit);
    }
    length += (size_t)snprintf(content + length, size - length, "\n#%zu 1e\n#%zu 0e\n", *now + 1,
                               *now + 3);
    *now += 5;
    return length;
}

/* The status is asked behind each byte of data, as drivers of a ks0108 do: with D/C low, which
 * moves no address. */
static void status_between_data(void) {
    static const unsigned commands[] = {0x3F, 0xC0, 0xB8, 0x40};
    static char content[20000];
    size_t now = 2000;
    size_t length = (size_t)snprintf(
        content, sizeof content,
        "$timescale 1 us $end $var wire 1 e e $end $var wire 1 d rs $end $var wire 1 r rw $end "
        "$var wire 1 a chip1 $end $var wire 1 b chip2 $end $var wire 1 0 d0 $end "
        "$var wire 1 1 d1 $end $var wire 1 2 d2 $end $var wire 1 3 d3 $end $var wire 1 4 d4 $end "
        "$var wire 1 5 d5 $end $var wire 1 6 d6 $end $var wire 1 7 d7 $end $enddefinitions $end\n"
        "#0 0e 0d 0r 1a 0b\n");
    for (size_t i = 0; i < sizeof commands / sizeof commands[0]; i++) {
        length += cycle(content + length, sizeof content - length, commands[i], false, false, &now);
    }
    for (unsigned x = 0; x < 64; x++) {
        length += cycle(content + length, sizeof content - length, x, true, false, &now);
        length += cycle(content + length, sizeof content - length, 0, false, true, &now);
    }
    snprintf(content + length, sizeof content - length, "#%zu\n", now + 1000);
    shell_begin();
    put("polls.vcd", content);
    EXPECT(shell(JADELAMP " replay polls.vcd -c ks0108-128x64") < 2);
    struct jl_picture glass = shell_picture("polls-glass.png");
    int wrong = 0;
    for (int i = 0; glass.rgb && i < 64 * 8; i++) {
        wrong += (jl_picture_at(&glass, i % 64, i / 64)[2] > 127) != (i % 64 >> i / 64 & 1);
    }
    EXPECT_INT(glass.width, 128);
    EXPECT_INT(wrong, 0);
    jl_picture_free(&glass);
    shell_end();
}

/* Lines as JSON: an OLED's wake-up, its picture, and what another part says to it; a module's busy
 * flag. */
static void lines_as_json(void) {
    static const struct {
        const char *options, *says;
    } rows[] = {
        {"ssd1306-128x64-i2c.vcd -c ssd1306-128x64-i2c",
         "\"kind\":\"reset\",\"microseconds\":0,\"until_microseconds\":0,\"high\":true"},
        {"ssd1306-128x64-i2c.vcd -c ssd1306-128x64-i2c --only data",
         "\"pixels\":8192,\"glass_box\":[0, 0, 127, 63],\"bytes\":1024,\"places\":1024,"},
        {"ssd1306-128x64-i2c.vcd -c sh1106-128x64-i2c --only diagnostic",
         "\"severity\":\"error\",\"code\":\"unknown-command\",\"text\":\"unknown command 2E"},
        {"hd44780-16x2-8bit.vcd -c hd44780-16x2-8bit --only read",
         "\"kind\":\"read\",\"microseconds\":"},
    };
    shell_begin();
    EXPECT_INT(shell(JADELAMP " light ssd1306-128x64-i2c && " JADELAMP " light hd44780-16x2-8bit"),
               0);
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        char line[300];
        snprintf(line, sizeof line, JADELAMP " explain %s --json | tr -d '\\t\\n'",
                 rows[i].options);
        EXPECT_INT(shell(line), 0);
        EXPECT_CONTAINS(output, rows[i].says);
    }
    shell_end();
}

/* Traffic of somebody else, and doubts, are told by both verbs. */
static void whose_traffic_it_is(void) {
    static const struct {
        const char *card, *table, *says;
    } rows[] = {
        {"ssd1306-128x64-i2c", "time_ms,address,byte\n0,0x27,00\n1,0x50,01\n2,0x27,02\n",
         "nothing was sent to 0x3C, where the card has the panel; who was meant: 0x27, 0x50"},
        {"sh1106-128x64-spi",
         "time_ms,byte,dc\n0,AE,0\n1,D5,0\n2,80,0\n3,A8,0\n4,3F,0\n5,D3,0\n6,00,0\n7,40,0\n8,8D,"
         "0\n9,14,0\n10,20,0\n11,00,0\n12,A1,0\n13,C8,0\n14,DA,0\n15,12,0\n16,81,0\n17,CF,0\n18,21,"
         "0\n19,00,0\n20,7F,0\n21,22,0\n22,00,0\n23,07,0\n24,AF,0\n",
         "are known to ssd1306"},
        {"ili9341-240x320-spi", "time_ms,byte,dc\n0,AE,0\n1,D5,0\n2,80,0\n3,A8,0\n4,3F,0\n5,8D,0\n",
         "are known to ssd1306"},
    };
    static const char *const verbs[] = {"explain", "replay"};
    for (size_t i = 0; i < 2 * sizeof rows / sizeof rows[0]; i++) {
        char line[200];
        shell_begin();
        test_row("%s %s", verbs[i % 2], rows[i / 2].card);
        put("x.csv", rows[i / 2].table);
        snprintf(line, sizeof line, JADELAMP " %s x.csv -c %s", verbs[i % 2], rows[i / 2].card);
        EXPECT_INT(shell(line), 1);
        EXPECT_CONTAINS(output, rows[i / 2].says);
        shell_end();
    }
}

/* On I2C with other parts, by a column of addresses; what is lit, and looked at on the way. */
static void replays(void) {
    char table[9000] = "time_ms,address,byte\n";
    size_t length = strlen(table);
    double now = 0;
    static const unsigned wake[] = {0x8D, 0x14, 0xA1, 0xC8, 0x20, 0x00, 0x21,
                                    0,    127,  0x22, 0,    7,    0xAF};
    static const unsigned windows[][7] = {{0x00, 0x21, 0, 127, 0x22, 0, 7}};
    for (size_t i = 0; i < sizeof wake / sizeof wake[0]; i++) {
        if (i == 0) {
            length += (size_t)snprintf(table + length, sizeof table - length, "%f,3C,00\n", now);
        }
        length += (size_t)snprintf(table + length, sizeof table - length, "%f,3C,%02X\n",
                                   now += 0.03, wake[i]);
    }
    /* an expander, which the card does not have */
    now += 0.03;
    length += (size_t)snprintf(table + length, sizeof table - length, "%f,27,FF\n%f,27,08\n", now,
                               now + 0.01);
    for (int picture = 0; picture < 2; picture++) {
        now += 200;
        length += (size_t)snprintf(table + length, sizeof table - length, "%f,27,08\n", now);
        for (size_t i = 0; i < 7; i++) {
            length += (size_t)snprintf(table + length, sizeof table - length, "%f,3C,%02X\n",
                                       now += 0.03, windows[0][i]);
        }
        length +=
            (size_t)snprintf(table + length, sizeof table - length, "%f,27,08\n", now += 0.03);
        length +=
            (size_t)snprintf(table + length, sizeof table - length, "%f,3C,40\n", now += 0.03);
        for (int i = 0; i < 128; i++) {
            length += (size_t)snprintf(table + length, sizeof table - length, "%f,3C,%s\n",
                                       now += 0.03, picture ? "0F" : "FF");
        }
    }
    shell_begin();
    put("two.csv", table);
    EXPECT_INT(shell(JADELAMP " replay two.csv --card ssd1306-128x64-i2c --at 206 --at 1 --series "
                              "--film --gif --pause 5 --into out"),
               1); /* what was never written is noise */
    EXPECT_CONTAINS(output, "pictures that differ");
    EXPECT_CONTAINS(output, "  lit\n");
    EXPECT_CONTAINS(output, "noise");
    EXPECT(!strstr(output, "acknowledged"));
    EXPECT(shell_has("out/two-at-1.000ms.png") && shell_has("out/two-at-206.000ms.png"));
    EXPECT(shell_has("out/two-film.png") && shell_has("out/two.gif"));
    EXPECT(shell_has("out/two-0001.png") && shell_has("out/two-glass.png"));
    /* The first page, whole at 206 ms and its upper half at the end. */
    static const struct {
        const char *name;
        int rows;
    } pictures[] = {{"out/two-at-206.000ms.png", 8}, {"out/two-glass.png", 4}};
    for (int i = 0; i < 2; i++) {
        struct jl_picture glass = shell_picture(pictures[i].name);
        int wrong = 0;
        for (int p = 0; p < 8 * 128; p++) {
            wrong += (glass.rgb[3 * p] != 0) != (p / 128 < pictures[i].rows);
        }
        EXPECT_INT(wrong, 0);
        jl_picture_free(&glass);
    }
    EXPECT_INT(shell("file out/two.gif | grep -q 'GIF image data.*128 x 64'"), 0);
    EXPECT_INT(shell(JADELAMP " replay two.csv --card ssd1306-128x64-i2c --json --into out"), 1);
    EXPECT_CONTAINS(output, "\"code\":\t\"noise-shown\"");
    EXPECT_CONTAINS(output, "out/two-glass.png");
    EXPECT_INT(shell(JADELAMP " explain two.csv --card ssd1306-128x64-i2c --from 100 --only data"),
               1);
    EXPECT_CONTAINS(output, "data  128");
    EXPECT(!strstr(output, "column address"));
    shell_end();
}

const struct test_group test_groups[] = {
    {"every_card_again_1", every_card_again_1},
    {"every_card_again_2", every_card_again_2},
    {"every_card_again_3", every_card_again_3},
    {"every_card_again_4", every_card_again_4},
    {"words", words},
    {"words_of_16_lines", words_of_16_lines},
    {"wires_by_name", wires_by_name},
    {"replays", replays},
    {"reads", reads},
    {"status_between_data", status_between_data},
    {"lines_as_json", lines_as_json},
    {"whose_traffic_it_is", whose_traffic_it_is},
    {NULL, NULL},
};
