/* Calls of the library and of the board that only implementers of controllers, targets and boards
 * need, each in a line or two. */
#include "harness.h"

#include <stdio.h>
#include <string.h>

#include "jadelamp/jadelamp.h"
#include "jadelamp/host/catalog.h"
#include "jadelamp/host/rig.h"
#include "jadelamp/sim/cells.h"
#include "jadelamp/sim/emulators.h"
#include "jadelamp/sim/explain.h"
#include "jadelamp/sim/rgb.h"
#include "jadelamp/sim/touch.h"

static struct jl_rig rig;

static void open_rig(const char *card_name) {
    struct jl_card card;
    struct jl_complaint complaint = {""};
    test_row("%s", card_name);
    EXPECT(jl_card_find(card_name, &card, &complaint) && jl_rig_open(&rig, &card, &complaint));
    EXPECT_TEXT(complaint.text, "");
}

/* ---- reading traffic out ---- */

static struct jl_explained told[8];
static size_t told_count;

static void keep(void *context, const struct jl_explained *explained) {
    (void)context;
    if (told_count < sizeof told / sizeof told[0]) {
        told[told_count++] = *explained;
    }
}

static struct jl_explainer reader(const char *part) {
    struct jl_explainer explainer;
    told_count = 0;
    test_row("%s", part);
    jl_explain_begin(&explainer, jl_catalog_find(part)->emulator, keep, NULL);
    return explainer;
}

static void commands_on_each_bus(void) {
    /* I2C: a control byte of 00 says that commands follow. */
    struct jl_explainer e = reader("ssd1306");
    jl_explain_i2c_start(&e);
    jl_explain_i2c_byte(&e, 0, 1, 0x00);
    jl_explain_i2c_byte(&e, 1, 2, 0xA8);
    EXPECT(!jl_explain_is_whole(&e) && jl_explain_under_way(&e)->opcode == 0xA8);
    jl_explain_i2c_byte(&e, 2, 3, 0x3F);
    EXPECT(jl_explain_is_whole(&e) && !jl_explain_reads(&e));
    jl_explain_end(&e);
    EXPECT(told_count == 1 && told[0].count == 1 && told[0].arguments[0] == 0x3F &&
           !jl_explain_under_way(&e));

    /* 16 lines: the opcode on the lower eight, a pixel on all. */
    e = reader("ili9488");
    jl_explain_lines_16(&e, 0, 1, 0x002C, false);
    jl_explain_lines_16(&e, 1, 2, 0xF800, true);
    jl_explain_end(&e);
    EXPECT(told_count == 2 && told[0].opcode == 0x2C && told[1].is_data);
    jl_explain_byte(&e, 0, 1, 0x04, false);
    EXPECT(jl_explain_reads(&e)); /* the ID is asked for */

    /* A memory LCD's mode comes first behind CS: 20 clears all. */
    e = reader("ls027b7dh01");
    jl_explain_mode_start(&e);
    jl_explain_mode_byte(&e, 0, 1, 0x20);
    jl_explain_mode_byte(&e, 1, 2, 0x00);
    jl_explain_end(&e);
    EXPECT(told_count >= 1 && told[0].opcode == 0x20);

    /* The st7920's serial bus: F8 is a command's sync byte, then 01 in nibbles clears. */
    e = reader("st7920");
    for (size_t i = 0; i < 3; i++) {
        jl_explain_synced_byte(&e, i, i + 1, (const uint8_t[]){0xF8, 0x00, 0x10}[i]);
    }
    jl_explain_end(&e);
    EXPECT(told_count == 1 && told[0].opcode == 0x01);

    /* The t6963c is asked before each byte; its arguments come first, and a step has them behind.
     */
    e = reader("t6963c");
    EXPECT(jl_explain_polls(e.part) && !jl_explain_polls(jl_catalog_find("ssd1306")->emulator));
    jl_explain_step(&e, (const uint8_t[]){0x24, 0x34, 0x02}, 3);
    jl_explain_end(&e);
    EXPECT(told_count == 1 && told[0].opcode == 0x24 && told[0].count == 2);
}

static void commands_by_name(void) {
    const struct jl_emulated_part *part = jl_catalog_find("ssd1306")->emulator;
    struct jl_named_command command;
    char near[100];
    struct jl_explainer e = reader("ssd1306");
    jl_explain_byte(&e, 0, 1, 0xA8, false);
    EXPECT(jl_explain_find(part, jl_explain_under_way(&e)->name, &command));
    EXPECT(command.opcode == 0xA8 && command.least == 1 && command.most == 1);
    EXPECT(!jl_explain_find(part, "multiplx ratio", &command));
    /* Commands with a number in them are read back, and only as far as the part has them: B0 to B7.
     */
    struct jl_worded_command worded;
    char text[100], words[60];
    e = reader("ssd1306");
    jl_explain_byte(&e, 2, 3, 0xB7, false);
    jl_explain_end(&e);
    EXPECT_INT((long long)told_count, 1);
    snprintf(text, sizeof text, "%s %s", told[told_count - 1].name,
             jl_explain_words(&told[told_count - 1], words, sizeof words));
    EXPECT(jl_explain_read(part, text, &worded) && worded.bytes[0] == 0xB7);
    char *number = strchr(text, '7');
    if (EXPECT(number != NULL)) {
        *number = '9';
        EXPECT(!jl_explain_read(part, text, &worded));
    }
    EXPECT_CONTAINS(jl_explain_nearest(part, "multiplx ratio", near, sizeof near), "multiplex");
}

/* ---- devices and buses ---- */

static void devices_looked_into(void) {
    struct jl_box box;
    uint64_t places, anew;
    open_rig("st7789-240x240-spi");
    EXPECT_INT(jl_rig_wake(&rig), JL_OK);
    EXPECT_INT(jl_rig_present(&rig), JL_OK); /* all of it */
    jl_device_stored(rig.device, &places, &anew);
    uint64_t before = places, before_anew = anew;
    jl_fill_rect(&rig.frame.target, (struct jl_rect){16, 8, 4, 2}, JL_RED);
    EXPECT_INT(jl_rig_present(&rig), JL_OK);
    jl_device_stored(rig.device, &places, &anew);
    EXPECT_INT((long long)(places - before), 4 * 2);
    EXPECT_INT((long long)(anew - before_anew), 4 * 2);
    EXPECT_INT(jl_device_data_depth(rig.device), 16);
    EXPECT(jl_device_data_box(rig.device, &box) && box.left == 16 && box.top == 8 &&
           box.right == 19 && box.bottom == 9);
    EXPECT_TEXT(jl_severity_name(JL_SEVERITY_WARNING), "warning");
    jl_rig_close(&rig);
}

/* The same picture sent again is stored again, and is nothing new. */
static void the_same_again_is_nothing_new(void) {
    static const char *const cards[] = {
        "ssd1306-128x64-i2c",  "ssd1331-96x64-spi", "ssd1327-128x128-spi", "st7735-128x160-spi",
        "ili9225-176x220-spi", "uc1701-128x64-spi", "st7920-128x64-serial"};
    for (size_t i = 0; i < sizeof cards / sizeof cards[0]; i++) {
        uint64_t places[3], anew[3];
        open_rig(cards[i]);
        EXPECT_INT(jl_rig_wake(&rig), JL_OK);
        jl_draw_test_card(&rig.frame.target, "quay");
        EXPECT_INT(jl_rig_present(&rig), JL_OK);
        jl_device_stored(rig.device, &places[0], &anew[0]);
        jl_frame_damage_all(&rig.frame);
        EXPECT_INT(jl_rig_present(&rig), JL_OK);
        jl_device_stored(rig.device, &places[1], &anew[1]);
        EXPECT(places[1] > places[0] && anew[1] == anew[0]);
        jl_target_mode(&rig.frame.target, JL_MODE_INVERT, 0);
        jl_fill_rect(&rig.frame.target, (struct jl_rect){0, 0, 96, 64}, JL_WHITE);
        jl_target_mode(&rig.frame.target, JL_MODE_REPLACE, 0);
        EXPECT_INT(jl_rig_present(&rig), JL_OK);
        jl_device_stored(rig.device, &places[2], &anew[2]);
        EXPECT(anew[2] > anew[1]);
        jl_rig_close(&rig);
    }
}

static void lights_dimmed(void) {
    open_rig("st7701-480x480");
    EXPECT_INT(jl_rig_wake(&rig), JL_OK);
    EXPECT_INT(jl_rig_present(&rig), JL_OK);
    jl_device_set_light(rig.device, 65535);
    int full = jl_device_brightness(rig.device);
    jl_device_set_light(rig.device, 65535 / 4);
    EXPECT(full > 0 && jl_device_brightness(rig.device) <= full / 4 + 1);
    jl_rig_close(&rig);
}

static void buses_as_they_are_seen(void) {
    open_rig("ssd1306-128x64-i2c");
    struct jl_i2c_bus *i2c = rig.sim.i2c;
    EXPECT(jl_i2c_slow_down(i2c, 50000) && !jl_i2c_slow_down(i2c, 1));
    uint64_t began = jl_board_now_ps(rig.board);
    EXPECT(jl_i2c_start(i2c) && jl_i2c_write(i2c, 0x3C << 1));
    EXPECT(jl_board_now_ps(rig.board) - began >= (uint64_t)10 * 20000000); /* ten bits of 20 us */
    jl_i2c_see_stop(i2c);
    jl_rig_close(&rig);

    /* ID3 of an ili9341 is read with one dummy byte in front (datasheet 8.2.3). */
    open_rig("ili9341-240x320-spi");
    struct jl_stream_bus *bus = rig.sim.stream;
    uint8_t id[4];
    jl_stream_read_cycle(bus, 150000);
    jl_device_set_pin(rig.device, JL_DEVICE_CS, false);
    jl_device_set_pin(rig.device, JL_DEVICE_DC, false);
    jl_stream_see(bus, (const uint8_t[]){0xDA}, 1, 800000);
    began = jl_board_now_ps(rig.board);
    id[0] = (uint8_t)jl_stream_see_read(bus, 1200000);
    EXPECT_INT((long long)(jl_board_now_ps(rig.board) - began), 1200000);
    jl_stream_read(bus, id, 1);
    EXPECT(jl_board_now_ps(rig.board) - began >= 1200000 + 8 * 150000);
    jl_device_set_pin(rig.device, JL_DEVICE_CS, true);
    jl_rig_close(&rig);

    /* Nine bits: D/C comes first. Nine-bit 0A5 turns all pixels on, as A5 with D/C low would. */
    open_rig("uc1701-128x64-3wire");
    EXPECT_INT(jl_rig_wake(&rig), JL_OK);
    struct jl_picture dark = {0}, lit = {0};
    jl_board_wait_ps(rig.board, 200000000000); /* 200 ms */
    EXPECT(jl_rig_look(&rig, &dark));
    jl_device_set_pin(rig.device, JL_DEVICE_CS, false);
    jl_stream_see_nine(rig.sim.stream, 0xA5, false, 1000000);
    jl_device_set_pin(rig.device, JL_DEVICE_CS, true);
    jl_board_wait_ps(rig.board, 200000000000); /* 200 ms */
    EXPECT(jl_rig_look(&rig, &lit) &&
           memcmp(dark.rgb, lit.rgb, (size_t)dark.width * (size_t)dark.height * 3) != 0);
    jl_picture_free(&dark);
    jl_picture_free(&lit);
    jl_rig_close(&rig);
}

/* Of the ws0010 busy flag and column are read with RS low, and pixels with RS high. */
static void busy_flag_and_pixels_read(void) {
    uint16_t read;
    open_rig("ws0010-100x16-dots");
    struct jl_stream_bus *bus = rig.sim.stream;
    EXPECT_INT(jl_rig_wake(&rig), JL_OK);
    jl_board_wait_ps(rig.board, 10000000000);
    jl_device_set_pin(rig.device, JL_DEVICE_CS, false);
    jl_device_set_pin(rig.device, JL_DEVICE_DC, false);
    jl_stream_see(bus, (const uint8_t[]){0x80 | 37}, 1, 1000000);
    EXPECT_INT(jl_stream_see_read(bus, 1000000), 0x80 | 37); /* column 37 is set, and it is busy */
    jl_board_wait_ps(rig.board, 1000000000);
    EXPECT_INT(jl_stream_see_read(bus, 1000000), 37);
    jl_device_set_pin(rig.device, JL_DEVICE_DC, true);
    jl_stream_see(bus, (const uint8_t[]){0x5A}, 1, 1000000);
    jl_board_wait_ps(rig.board, 1000000000);
    jl_device_set_pin(rig.device, JL_DEVICE_DC, false);
    jl_stream_see(bus, (const uint8_t[]){0x80 | 37}, 1, 1000000);
    jl_board_wait_ps(rig.board, 1000000000);
    jl_device_set_pin(rig.device, JL_DEVICE_DC, true);
    read = jl_stream_see_read(bus, 1000000);
    EXPECT_INT(read, 0x5A);
    jl_rig_close(&rig);
}

/* Behind the last column an ssd1306 goes back to the one that was set (10.1.3, page addressing),
 * and an sh1106 stays behind it. */
static void memory_read_past_a_line(void) {
    static const struct {
        const struct jl_emulated_part *part;
        uint8_t last, behind; /* column; and what is read behind it */
    } rows[] = {{&jl_emulated_ssd1306, 127, 0x11}, {&jl_emulated_sh1106, 131, 0xFF}};
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct jl_board *board = jl_board_create(1);
        struct jl_glass glass = {.width = 128, .height = 64};
        struct jl_device *device = jl_board_add_device(board, rows[i].part, "panel", &glass);
        struct jl_stream_bus *bus = jl_board_add_8080(board, 500, 0, 8);
        const uint8_t to_first[] = {0xB0, 0x00, 0x10},
                      to_last[] = {0xB0, rows[i].last & 15, 0x10 | rows[i].last >> 4};
        uint8_t read[3];
        EXPECT(jl_stream_attach(bus, device));
        jl_device_set_pin(device, JL_DEVICE_CS, false);
        jl_device_set_pin(device, JL_DEVICE_DC, false);
        jl_stream_see(bus, to_first, sizeof to_first, 500000);
        jl_device_set_pin(device, JL_DEVICE_DC, true);
        jl_stream_see(bus, (const uint8_t[]){0x22}, 1, 500000);
        jl_device_set_pin(device, JL_DEVICE_DC, false);
        jl_stream_see(bus, to_last, sizeof to_last, 500000);
        jl_device_set_pin(device, JL_DEVICE_DC, true);
        jl_stream_see(bus, (const uint8_t[]){0x11}, 1, 500000);
        jl_device_set_pin(device, JL_DEVICE_DC, false);
        jl_stream_see(bus, to_last, sizeof to_last, 500000);
        jl_device_set_pin(device, JL_DEVICE_DC, true);
        for (int k = 0; k < 3; k++) {
            read[k] = (uint8_t)jl_stream_see_read(bus, 500000); /* the first one is a dummy */
        }
        test_row("column %d", rows[i].last);
        EXPECT_INT(read[1], 0x11);
        EXPECT_INT(read[2], rows[i].behind);
        jl_board_destroy(board);
    }
}

/* Of e-paper every particle is on the photo: a black picture is as wide as its pixels. */
static void photos_to_the_edge(void) {
    struct jl_picture photo = {0};
    enum { SCALE = 2 };
    int black = 0;
    open_rig("ssd1681-200x200-spi");
    EXPECT_INT(jl_rig_wake(&rig), JL_OK);
    jl_clear(&rig.frame.target, JL_BLACK);
    EXPECT_INT(jl_rig_present(&rig), JL_OK);
    EXPECT(jl_rig_photo(&rig, SCALE, &photo));
    for (int x = 0; x < photo.width; x++) {
        black += jl_picture_at(&photo, x, photo.height / 2)[0] < 100;
    }
    EXPECT_INT(black, 200 * SCALE);
    black = 0;
    for (int y = 0; y < photo.height; y++) {
        black += jl_picture_at(&photo, photo.width / 2, y)[0] < 100;
    }
    EXPECT_INT(black, 200 * SCALE);
    jl_picture_free(&photo);
    jl_rig_close(&rig);
}

static void cells_scan_out_and_hands(void) {
    open_rig("hd44780-16x2-4bit");
    uint64_t before = jl_cells_byte_count(rig.device);
    EXPECT_INT(jl_rig_wake(&rig), JL_OK);
    EXPECT(jl_cells_byte_count(rig.device) > before);
    struct jl_glass glass = jl_glass_cells(16, 2, JL_GLASS_LCD_BLUE);
    EXPECT(!jl_glass_is_gap(&glass, 0, 0) &&
           jl_glass_is_gap(&glass, 5, 0)); /* cells of five columns */
    jl_rig_close(&rig);

    open_rig("rgb-480x272");
    EXPECT_INT(jl_rig_wake(&rig), JL_OK);
    EXPECT(rig.sim.rgb && jl_rgb_hold(rig.sim.rgb) && jl_rgb_hold(rig.sim.rgb));
    jl_rig_close(&rig);

    /* Gray code: one contact changes at a time, and four changes are where it began. */
    for (int quarter = 0; quarter < 8; quarter++) {
        unsigned changed = jl_hand_contacts(quarter) ^ jl_hand_contacts(quarter + 1);
        EXPECT(changed == 1 || changed == 2);
        EXPECT_INT(jl_hand_contacts(quarter), jl_hand_contacts(quarter + 4));
    }
}

/* ---- for those who write controllers ---- */

static void stretches_of_an_area(void) {
    static const struct {
        const char *card;
        size_t (*next)(struct jl_panel *, const struct jl_rect *, struct jl_stretch *, uint8_t *);
        int count, planes; /* of two lines of memory, and planes */
    } rows[] = {
        {"sh1106-128x64-i2c", jl_next_page, 2, 1},
        {"sh1106-128x64-i2c", jl_next_line, 2, 1},
        {"pcd8544-84x48-spi", jl_next_wrapped, 2, 1},
        {"ssd1680-128x296-spi", jl_next_paper, 1, 1},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct jl_stretch stretch = {0};
        struct jl_rect area = {8, 8, 16, 16};
        uint8_t out[JL_STEPS_MOST_BYTES];
        int count = 0, pixels = 0;
        open_rig(rows[i].card);
        for (;;) {
            rows[i].next(&rig.panel, &area, &stretch, out);
            if (!stretch.area.h) {
                break;
            }
            count++;
            pixels += stretch.area.w * stretch.area.h;
        }
        EXPECT_INT(count, rows[i].count);
        EXPECT_INT(pixels, 16 * 16 * rows[i].planes);
        jl_rig_close(&rig);
    }
}

static void epaper_parts(void) {
    open_rig("ssd1680-128x296-spi");
    const struct jl_paper *paper = rig.config.controller->paper;
    EXPECT(paper->present == jl_paper_present && paper->wait == jl_paper_wait &&
           paper->resume == jl_paper_resume);
    EXPECT_INT(jl_rig_wake(&rig), JL_OK);
    jl_draw_paper_test_card(&rig.frame.target, "quay");
    EXPECT_INT(jl_paper_present(&rig.panel, &rig.frame), JL_OK);
    EXPECT_INT(jl_panel_sleep(&rig.panel), JL_OK);
    EXPECT_INT(jl_paper_resume(&rig.panel), JL_OK);
    EXPECT_INT(jl_paper_rare_step(&rig.panel, (const uint8_t[]){JL_STEP_BLOCK(0x7F)}),
               JL_BAD_STEPS);
    jl_rig_close(&rig);
}

/* ---- a target of one's own ---- */

struct counter {
    struct jl_target target;
    long pixels;
};

static void count_fill(struct jl_target *target, struct jl_rect area, uint32_t ink) {
    (void)ink;
    ((struct counter *)target)->pixels += (long)area.w * area.h;
}

static void count_stencil(struct jl_target *target, const struct jl_stencil *stencil) {
    const struct jl_bitmap *map = stencil->map;
    for (int x = 0; x < stencil->area.w; x++) {
        unsigned bits = map->order->column(map, stencil->map_x + x, stencil->map_y);
        for (; bits; bits >>= 1) {
            ((struct counter *)target)->pixels += bits & 1;
        }
    }
}

static void targets_of_ones_own(void) {
    static const struct jl_target_ops ops = {.fill = count_fill, .stencil = count_stencil};
    static const uint8_t cross[3] = {2, 7, 2};
    const struct jl_bitmap map = {cross, 3, 3, &jl_bits_columns};
    struct counter counter = {.pixels = 0};
    jl_target_init(&counter.target, &ops, 10, 10);
    jl_fill_rect(&counter.target, (struct jl_rect){8, 8, 5, 5}, JL_WHITE);
    EXPECT_INT(counter.pixels, 2 * 2);
    jl_draw_bitmap(&counter.target, 0, 0, &map, JL_WHITE, JL_CLEAR);
    EXPECT_INT(counter.pixels, 2 * 2 + 5);
    EXPECT(jl_rect_is_empty((struct jl_rect){3, 3, 0, 9}) &&
           !jl_rect_is_empty((struct jl_rect){-3, 0, 1, 1}));
}

/* ---- instruments that are drawn anew only where they changed ---- */

static void redrawn_once(void) {
    static uint8_t pixels[JL_RGB565_BYTES(120, 80)];
    struct jl_frame frame;
    struct jl_target *t = &frame.target;
    static const char *const items[] = {"North quay", "Sluice"};
    static const struct jl_menu_entry entries[] = {{"Light", NULL, 1}, {"Pump", NULL, 2}};
    static const struct jl_menu_page page = {"Quay", entries, 2};
    const struct jl_rect box = {0, 0, 120, 80};
    const struct jl_list_face list_face = {box, &jl_theme_night};
    const struct jl_menu_face menu_face = {box, &jl_theme_night};
    const struct jl_message_face message_face = {box,        &jl_theme_night,     "Gate",
                                                 "Open it?", {"Yes", "No", NULL}, JL_GRADE_WARN};
    const struct jl_number_face number_face = {
        .box = box, .theme = &jl_theme_night, .unit = "m", .decimals = 2};
    const struct jl_pages_face pages_face = {
        .box = box, .theme = &jl_theme_night, .titles = items, .count = 2};
    const struct jl_stepper_face stepper_face = {
        .box = {0, 0, 120, 30}, .theme = &jl_theme_night, .scale = {.from = 0, .to = 9}};
    struct jl_list list = {.face = &list_face, .items = items, .count = 2};
    struct jl_menu menu = {.face = &menu_face, .pages = {&page}};
    struct jl_message message = {.face = &message_face};
    struct jl_number number = {.face = &number_face, .value = 184};
    struct jl_pages pages = {.face = &pages_face};
    struct jl_stepper stepper = {.face = &stepper_face, .value = 3};
    EXPECT_INT(jl_frame_init(&frame, &jl_rgb565, 120, 80, pixels, sizeof pixels), JL_OK);
    EXPECT(jl_list_redraw(t, &list) && !jl_list_redraw(t, &list));
    EXPECT(jl_menu_redraw(t, &menu) && !jl_menu_redraw(t, &menu));
    EXPECT(jl_message_redraw(t, &message) && !jl_message_redraw(t, &message));
    EXPECT(jl_number_redraw(t, &number) && !jl_number_redraw(t, &number));
    EXPECT(jl_pages_redraw(t, &pages) && !jl_pages_redraw(t, &pages));
    EXPECT(jl_stepper_redraw(t, &stepper) && !jl_stepper_redraw(t, &stepper));
    /* Segments that are two pixels high leave no gap: all of the box is lit. */
    const struct jl_level_face level_face = {.box = {0, 0, 100, 2},
                                             .theme = &jl_theme_night,
                                             .scale = {.from = 0, .to = 10},
                                             .segments = 10};
    const struct jl_level level = {.face = &level_face, .value = 10};
    jl_color row[JL_CHUNK];
    int dark = 0;
    jl_color face; /* as the frame keeps it */
    jl_draw_pixel(t, 110, 70, jl_theme_night.face);
    t->ops->get(t, 110, 70, 1, &face);
    jl_level_draw(t, &level);
    for (int16_t x = 0; x + JL_CHUNK <= 100; x += JL_CHUNK) {
        t->ops->get(t, x, 1, JL_CHUNK, row);
        for (int i = 0; i < JL_CHUNK; i++) {
            dark += row[i] == face;
        }
    }
    EXPECT_INT(dark, 0);
    stepper.value = 4;
    EXPECT(jl_stepper_redraw(t, &stepper));
}

const struct test_group test_groups[] = {
    {"commands_on_each_bus", commands_on_each_bus},
    {"commands_by_name", commands_by_name},
    {"devices_looked_into", devices_looked_into},
    {"the_same_again_is_nothing_new", the_same_again_is_nothing_new},
    {"lights_dimmed", lights_dimmed},
    {"buses_as_they_are_seen", buses_as_they_are_seen},
    {"busy_flag_and_pixels_read", busy_flag_and_pixels_read},
    {"memory_read_past_a_line", memory_read_past_a_line},
    {"photos_to_the_edge", photos_to_the_edge},
    {"cells_scan_out_and_hands", cells_scan_out_and_hands},
    {"stretches_of_an_area", stretches_of_an_area},
    {"epaper_parts", epaper_parts},
    {"targets_of_ones_own", targets_of_ones_own},
    {"redrawn_once", redrawn_once},
    {NULL, NULL},
};
