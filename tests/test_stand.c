/* The test stand, as a test program meets it: what is met, what is not, and what is left then. */
#include "harness.h"

#include <stdio.h>
#include <string.h>
#include <unistd.h>

#include "jadelamp/jadelamp.h"
#include "jadelamp/host/png.h"
#include "jadelamp/host/stand.h"
#include "shell.h"

static const char *const oled = "ssd1306-128x32-i2c";

/* ---- what a stand says goes to stderr, and its files into the working directory ---- */

static struct {
    int before, saved;
    char folder[1024], said[20000];
} place;

static void begin(void) {
    shell_begin();
    EXPECT(getcwd(place.folder, sizeof place.folder) != NULL);
    EXPECT(chdir(shell_path("")) == 0);
    fflush(stderr);
    place.saved = dup(STDERR_FILENO);
    EXPECT(freopen("said", "w", stderr) != NULL);
}

static const char *said(void) {
    fflush(stderr);
    FILE *file = fopen("said", "r");
    size_t count = file ? fread(place.said, 1, sizeof place.said - 1, file) : 0;
    place.said[count] = '\0';
    if (file) {
        fclose(file);
    }
    return place.said;
}

static void end(void) {
    said();
    fflush(stderr);
    dup2(place.saved, STDERR_FILENO);
    close(place.saved);
    EXPECT(chdir(place.folder) == 0);
    shell_end();
}

static bool is_there(const char *name) {
    return access(name, R_OK) == 0;
}

static struct jl_picture picture_of(const char *name) {
    struct jl_picture picture = {0};
    struct jl_complaint complaint = {""};
    jl_png_read(name, &picture, &complaint);
    EXPECT_TEXT(complaint.text, "");
    return picture;
}

/* ---- a driver without the library ---- */

static bool send(struct jl_stand *stand, const uint8_t *bytes, size_t count) {
    return jl_stand_i2c_write(stand, 0x3C, bytes, count);
}

/* Wakes the panel and lights one column of eight pixels at the top left. */
static bool light_a_column(struct jl_stand *stand) {
    static const uint8_t wake[] = {0,    0xA8, 0x1F, 0xDA, 0x02, 0xA1, 0xC8, 0x8D, 0x14,
                                   0x20, 0x00, 0x21, 0,    127,  0x22, 0,    3,    0xAF};
    uint8_t data[1 + 512] = {0x40, 0xFF};
    return send(stand, wake, sizeof wake) && send(stand, data, sizeof data);
}

static void put_column(const char *path, int column) {
    struct jl_picture picture;
    struct jl_complaint complaint;
    EXPECT(jl_picture_create(&picture, 128, 32));
    for (int y = 0; y < 8; y++) {
        memset(jl_picture_at(&picture, column, y), 255, 3);
    }
    EXPECT(jl_png_write(path, &picture, &complaint));
    jl_picture_free(&picture);
}

static void all_is_met(void) {
    begin();
    put_column("column.png", 0);
    struct jl_stand *stand = jl_stand_open(oled, "met");
    bool good = JL_EXPECT(stand, light_a_column(stand));
    good = JL_EXPECT_BYTES(stand, 19 + 514) && good;
    good = JL_EXPECT_WIRE_US(stand, 12002.5) && good; /* 533 bytes of nine bits, 4 for the ends */
    good = JL_EXPECT_GLASS(stand, "column.png") && good;
    good = JL_EXPECT_NO_FINDINGS(stand) && good;
    jl_stand_mark(stand);
    jl_stand_wait_us(stand, 5000); /* no wire */
    good = JL_EXPECT_BYTES(stand, 0) && good;
    good = JL_EXPECT_WIRE_US(stand, 0) && good;
    EXPECT(good);
    EXPECT_INT(jl_stand_close(stand), 0);
    EXPECT_TEXT(said(), "");
    EXPECT(!is_there("met.vcd")); /* nothing is left */
    end();
}

static void what_is_not_met_is_told(void) {
    begin();
    put_column("column.png", 2);
    struct jl_stand *stand = jl_stand_open(oled, "not met");
    EXPECT(light_a_column(stand));
    EXPECT(!JL_EXPECT_BYTES(stand, 532));
    EXPECT(!JL_EXPECT_WIRE_US(stand, 12002.4));
    EXPECT(!JL_EXPECT_GLASS(stand, "column.png"));
    EXPECT(!JL_EXPECT(stand, 1 + 1 == 3));
    EXPECT(send(stand, (const uint8_t[]){0, 0xAD}, 2)); /* no command of this part */
    EXPECT(!JL_EXPECT_NO_FINDINGS(stand));
    EXPECT(!JL_EXPECT_TEXT(stand, "tide"));
    EXPECT_INT(jl_stand_close(stand), 1);
    const char *const parts[] = {
        "test_stand.c:",
        "533 bytes on the bus, at most 532 were expected",
        "12002.5 us on the wire, at most 12002.4 were expected",
        "the glass differs from column.png in 16 pixels, columns 0 to 2, rows 0 to 7",
        "the glass: ./not-met-column-glass.png",
        "not so: 1 + 1 == 3",
        "1 finding",
        "unknown command AD",
        "is no character module",
        "not met: 6 expectations, 6 not met",
        "all wires: ./not-met.vcd",
    };
    for (size_t i = 0; i < sizeof parts / sizeof parts[0]; i++) {
        EXPECT_CONTAINS(said(), parts[i]);
    }
    struct jl_picture glass = picture_of("not-met-column-glass.png");
    struct jl_picture difference = picture_of("not-met-column-difference.png");
    const uint8_t *red = jl_picture_at(&difference, 2, 7),
                  *green = jl_picture_at(&difference, 0, 0);
    EXPECT_INT(jl_picture_at(&glass, 0, 7)[0], 255);
    EXPECT_INT(jl_picture_at(&glass, 2, 7)[0], 0);
    EXPECT(red[0] > red[1] && green[1] > green[0]); /* only expected; only seen */
    jl_picture_free(&glass);
    jl_picture_free(&difference);
    EXPECT(is_there("not-met.vcd"));
    end();
}

/* A picture of which there is none yet, and one of another size. */
static void pictures_that_do_not_fit(void) {
    begin();
    struct jl_picture small;
    struct jl_complaint complaint;
    EXPECT(jl_picture_create(&small, 8, 8));
    EXPECT(jl_png_write("small.png", &small, &complaint));
    jl_picture_free(&small);
    struct jl_stand *stand = jl_stand_open(oled, "first");
    EXPECT(light_a_column(stand));
    EXPECT(!JL_EXPECT_GLASS(stand, "nothing/first.png"));
    EXPECT(!JL_EXPECT_GLASS(stand, "small.png"));
    EXPECT_INT(jl_stand_close(stand), 1);
    EXPECT_CONTAINS(said(), "nothing/first.png");
    EXPECT_CONTAINS(said(), "keep it as that file if it is right: ./first-glass.png");
    EXPECT_CONTAINS(said(), "the glass is 128x32, small.png is 8x8");
    EXPECT(is_there("first-glass.png") && is_there("first-small-difference.png"));
    end();
}

static void tests_that_are_none(void) {
    static const struct {
        const char *card;
        void (*run)(struct jl_stand *stand);
        int status;
        const char *says;
    } rows[] = {
        {"ssd1306-128x32-i2c", NULL, 1, "a test that expects nothing cannot fail"},
        {"nobody-has-this", NULL, 2, "nobody-has-this"},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        begin();
        test_row("%s", rows[i].card);
        EXPECT_INT(jl_stand_close(jl_stand_open(rows[i].card, "none")), rows[i].status);
        EXPECT_CONTAINS(said(), rows[i].says);
        end();
    }
    begin();
    EXPECT(!JL_EXPECT(NULL, true) && !JL_EXPECT_BYTES(NULL, 1) && !JL_EXPECT_TEXT(NULL, ""));
    EXPECT(!JL_EXPECT_GLASS(NULL, "a.png") && !JL_EXPECT_WIRE_US(NULL, 1));
    EXPECT(!JL_EXPECT_NO_FINDINGS(NULL) && !jl_stand_port(NULL) && !jl_stand_rig(NULL));
    EXPECT(!jl_stand_i2c_write(NULL, 0x3C, NULL, 0) && !jl_stand_level(NULL, JL_DEVICE_BUSY));
    jl_stand_write(NULL, NULL, 0);
    jl_stand_drive(NULL, JL_DEVICE_CS, true);
    jl_stand_fault(NULL, "unplugged");
    jl_stand_wait_us(NULL, 1);
    jl_stand_mark(NULL);
    EXPECT_TEXT(said(), "");
    end();
}

/* ---- other buses ---- */

/* A TFT on SPI: sleep out, on, and one red pixel at the top left of a window of two. */
static void send_tft(struct jl_stand *stand) {
    static const struct {
        bool data;
        uint8_t bytes[6];
        size_t count;
        uint32_t wait_us;
    } steps[] = {{false, {0x11}, 1, 150000}, {false, {0x3A}, 1, 0},
                 {true, {0x55}, 1, 0},       {false, {0x21}, 1, 0},
                 {false, {0x2A}, 1, 0},      {true, {0, 0, 0, 1}, 4, 0},
                 {false, {0x2B}, 1, 0},      {true, {0, 0, 0, 0}, 4, 0},
                 {false, {0x2C}, 1, 0},      {true, {0xF8, 0, 0, 0x1F}, 4, 0},
                 {false, {0x29}, 1, 0}};
    for (size_t i = 0; i < sizeof steps / sizeof steps[0]; i++) {
        jl_stand_drive(stand, JL_DEVICE_DC, steps[i].data);
        jl_stand_drive(stand, JL_DEVICE_CS, false);
        jl_stand_write(stand, steps[i].bytes, steps[i].count);
        jl_stand_drive(stand, JL_DEVICE_CS, true);
        jl_stand_wait_us(stand, steps[i].wait_us);
    }
}

static void a_tft_on_spi(void) {
    begin();
    struct jl_stand *stand = jl_stand_open("st7789-240x240-spi", "tft");
    send_tft(stand);
    EXPECT(JL_EXPECT_BYTES(stand, 20));
    struct jl_picture glass;
    EXPECT(jl_rig_look(jl_stand_rig(stand), &glass));
    EXPECT_BYTES(jl_picture_at(&glass, 0, 0), "\xFF\0\0\0\0\xFF", 6);
    jl_picture_free(&glass);
    EXPECT(!jl_stand_i2c_write(stand, 0x3C, NULL, 0));
    EXPECT(!jl_stand_i2c_write(stand, 0x3C, NULL, 0)); /* told once */
    EXPECT_INT(jl_stand_close(stand), 1);
    EXPECT_CONTAINS(said(), "on another bus: call jl_stand_write()");
    EXPECT_CONTAINS(said(), "1 expectation, 1 not met");
    end();
}

/* A character module on pins, by hand: 8 lines, then a letter. */
static void send_cells(struct jl_stand *stand) {
    static const struct {
        bool data;
        uint8_t byte;
        uint32_t wait_us;
    } steps[] = {{false, 0x38, 5000}, {false, 0x38, 200},  {false, 0x38, 60}, {false, 0x38, 60},
                 {false, 0x0C, 60},   {false, 0x01, 2000}, {false, 0x06, 60}, {true, 'H', 60},
                 {true, 'i', 60},     {false, 0xC2, 60},   {true, '!', 60}};
    jl_stand_wait_us(stand, 50000);
    for (size_t i = 0; i < sizeof steps / sizeof steps[0]; i++) {
        jl_stand_drive(stand, JL_DEVICE_DC, steps[i].data);
        for (int line = 0; line < 8; line++) {
            jl_stand_drive(stand, (enum jl_device_pin)(JL_DEVICE_D0 + line),
                           steps[i].byte >> line & 1);
        }
        jl_stand_wait_us(stand, 1);
        jl_stand_drive(stand, JL_DEVICE_E, true);
        jl_stand_wait_us(stand, 1);
        jl_stand_drive(stand, JL_DEVICE_E, false);
        jl_stand_wait_us(stand, steps[i].wait_us);
    }
}

static void text_on_a_module(void) {
    static const struct {
        const char *lines;
        bool met;
    } rows[] = {{"Hi\n  !", true}, {"Hi   \n  !\n", true}, {"Hi", false}, {"Hi\n  !\nmore", false},
                {"Hi\n !", false}, {"hi\n  !", false},     {"", false}};
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        begin();
        test_row("\"%s\"", rows[i].lines);
        struct jl_stand *stand = jl_stand_open("hd44780-16x2-8bit", "module");
        send_cells(stand);
        EXPECT(JL_EXPECT_TEXT(stand, rows[i].lines) == rows[i].met);
        EXPECT(JL_EXPECT_NO_FINDINGS(stand));
        EXPECT_INT(jl_stand_close(stand), !rows[i].met);
        EXPECT_CONTAINS(said(), rows[i].met ? "" : "|Hi              |");
        end();
    }
}

/* What is called for another bus is told once, with the call that is right. */
static void other_buses(void) {
    enum { I2C_WRITE, I2C_READ, WRITE, NINE, READ };
    static const struct {
        const char *card;
        int call;
        const char *says;
    } rows[] = {
        {"st7789-240x240-spi", I2C_READ, "on another bus: call jl_stand_write()"},
        {"hd44780-16x2-8bit", I2C_WRITE, "on another bus: call jl_stand_drive()"},
        {"hd44780-16x2-8bit", READ, "on another bus: call jl_stand_drive()"},
        {"ssd1306-128x32-i2c", WRITE, "on another bus: call jl_stand_i2c_write()"},
        {"ssd1306-128x32-i2c", NINE, "on another bus: call jl_stand_i2c_write()"},
        {"ssd1306-128x32-i2c", READ, "on another bus: call jl_stand_i2c_write()"},
        {"ks0108-128x64", NINE, "on another bus: call jl_stand_write()"},
        {NULL, I2C_READ, ""},
        {NULL, NINE, ""},
        {NULL, READ, ""},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        uint8_t bytes[2] = {0};
        begin();
        struct jl_stand *stand = rows[i].card ? jl_stand_open(rows[i].card, "other") : NULL;
        test_row("%s, call %d", rows[i].card ? rows[i].card : "no stand", rows[i].call);
        for (int times = 0; times < 2; times++) {
            switch (rows[i].call) {
            case I2C_WRITE:
                EXPECT(!jl_stand_i2c_write(stand, 0x3C, bytes, 2));
                break;
            case I2C_READ:
                EXPECT(!jl_stand_i2c_read(stand, 0x3C, bytes, 2));
                break;
            case WRITE:
                jl_stand_write(stand, bytes, 2);
                break;
            case NINE:
                jl_stand_write_nine(stand, true, bytes, 2);
                break;
            default:
                jl_stand_read(stand, bytes, 2);
                break;
            }
        }
        EXPECT_INT(jl_stand_close(stand), rows[i].card ? 1 : 2);
        EXPECT_CONTAINS(said(), rows[i].says);
        const char *once = strstr(said(), rows[i].says);
        EXPECT(once && (!rows[i].card || !strstr(once + 1, rows[i].says)));
        end();
    }
    begin(); /* nobody can begin */
    struct jl_stand *stand = jl_stand_open(oled, "held");
    uint8_t byte = 0;
    jl_stand_fault(stand, "sda-low");
    EXPECT(!jl_stand_i2c_write(stand, 0x3C, &byte, 1) && !jl_stand_i2c_read(stand, 0x3C, &byte, 1));
    EXPECT(JL_EXPECT(stand, byte == 0));
    EXPECT_INT(jl_stand_close(stand), 0);
    end();
}

/* One pixel, a picture that lies elsewhere, and glass that is dark. */
static void what_is_seen_is_told(void) {
    begin();
    struct jl_picture picture;
    struct jl_complaint complaint;
    put_column("moved.png", 3);
    EXPECT(jl_picture_create(&picture, 128, 31));
    EXPECT(jl_png_write("lower.png", &picture, &complaint));
    jl_picture_free(&picture);
    struct jl_stand *stand = jl_stand_open(oled, "told");
    EXPECT(!JL_EXPECT_NO_FINDINGS(stand));
    EXPECT(!JL_EXPECT_GLASS(stand, "moved.png"));
    EXPECT_CONTAINS(said(), "0 findings, and the glass is dark: ");
    EXPECT_CONTAINS(said(), "it is dark: ");
    EXPECT(light_a_column(stand));
    EXPECT(!JL_EXPECT_GLASS(stand, "lower.png"));
    EXPECT_CONTAINS(said(), "the glass is 128x32, lower.png is 128x31");
    EXPECT(!JL_EXPECT_GLASS(stand, "moved.png"));
    EXPECT_CONTAINS(said(), "it is that picture shifted by -3,0");
    EXPECT(jl_rig_look(jl_stand_rig(stand), &picture));
    memset(jl_picture_at(&picture, 0, 0), 0, 3);
    EXPECT(jl_png_write("one.png", &picture, &complaint));
    jl_picture_free(&picture);
    EXPECT(!JL_EXPECT_GLASS(stand, "one.png"));
    EXPECT_CONTAINS(said(), "differs from one.png in 1 pixel, columns 0 to 0, rows 0 to 0");
    EXPECT(send(stand, (const uint8_t[]){0, 0xAD, 0xAC}, 3)); /* none of this part's */
    EXPECT(!JL_EXPECT_NO_FINDINGS(stand));
    EXPECT_CONTAINS(said(), "2 findings\n");
    EXPECT_INT(jl_stand_close(stand), 1);
    end();
}

/* ---- the library's own port, and faults ---- */

static void a_port_and_a_fault(void) {
    static const struct {
        const char *fault;
        jl_status status;
    } rows[] = {{NULL, JL_OK}, {"nack-at=10", JL_NO_ANSWER}, {"nonsense", JL_OK}};
    static const struct jl_panel_config config = {.controller = &jl_ssd1306,
                                                  .bus = &jl_bus_i2c,
                                                  .width = 128,
                                                  .height = 32,
                                                  .i2c_address = 0x3C};
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct jl_panel panel;
        begin();
        test_row("%s", rows[i].fault ? rows[i].fault : "no fault");
        struct jl_stand *stand = jl_stand_open(oled, "port");
        if (rows[i].fault) {
            jl_stand_fault(stand, rows[i].fault);
        }
        EXPECT_INT(jl_panel_open(&panel, &config, jl_stand_port(stand)), JL_OK);
        JL_EXPECT(stand, jl_panel_wake(&panel) == rows[i].status);
        jl_stand_port(stand)->ops->wait_us(jl_stand_port(stand)->context, 1000000);
        EXPECT(jl_stand_wire_us(stand) < 30000);
        EXPECT_INT(jl_stand_close(stand), i == 2);
        EXPECT_CONTAINS(said(), i == 2 ? "port: \"nonsense\" is no fault" : "");
        end();
    }
}

const struct test_group test_groups[] = {
    {"all_is_met", all_is_met},
    {"what_is_not_met_is_told", what_is_not_met_is_told},
    {"pictures_that_do_not_fit", pictures_that_do_not_fit},
    {"tests_that_are_none", tests_that_are_none},
    {"a_tft_on_spi", a_tft_on_spi},
    {"text_on_a_module", text_on_a_module},
    {"other_buses", other_buses},
    {"what_is_seen_is_told", what_is_seen_is_told},
    {"a_port_and_a_fault", a_port_and_a_fault},
    {NULL, NULL},
};
