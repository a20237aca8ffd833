/*
 * Memory LCDs: the bytes of lines and modes, pictures by geometry, the voltage that has to move,
 * and what mistakes look like.
 */
#include "harness.h"

#include <stdio.h>
#include <string.h>

#include "jadelamp/jadelamp.h"
#include "jadelamp/sim/board.h"
#include "jadelamp/sim/emulators.h"
#include "jadelamp/sim/sim_port.h"
#include "notebook.h"

struct lcd {
    struct jl_board *board;
    struct jl_device *device;
    struct jl_stream_bus *bus;
    struct jl_sim_port sim;
    struct jl_port port;
    struct jl_panel_config config;
    struct jl_panel panel;
};

static uint8_t memory[400 / 8 * 240], shadow[400 / 8 * 240];

static const struct {
    const struct jl_controller *controller;
    const struct jl_emulated_part *part;
    uint32_t clock_hz;
} lcds[] = {{&jl_ls013b7dh03, &jl_emulated_ls013b7dh03, 1000000},
            {&jl_ls027b7dh01, &jl_emulated_ls027b7dh01, 2000000}};
enum { LCDS = sizeof lcds / sizeof lcds[0] };

static void attach(struct lcd *lcd, int which) {
    struct jl_glass glass = {.width = lcds[which].controller->ram_width,
                             .height = lcds[which].controller->ram_height,
                             .kind = JL_GLASS_SILVER};
    *lcd = (struct lcd){.board = jl_board_create(1)};
    lcd->device = jl_board_add_device(lcd->board, lcds[which].part, "lcd", &glass);
    lcd->bus = jl_board_add_spi(lcd->board, lcds[which].clock_hz, 0, 0);
    EXPECT(jl_stream_attach(lcd->bus, lcd->device));
}

static struct jl_frame open_lcd(struct lcd *lcd, int which) {
    struct jl_frame frame;
    attach(lcd, which);
    lcd->sim = (struct jl_sim_port){.board = lcd->board,
                                    .stream = lcd->bus,
                                    .device = lcd->device,
                                    .clock_hz = lcds[which].clock_hz};
    lcd->port = (struct jl_port){
        .ops = &jl_sim_port_ops, .context = &lcd->sim, .clock_hz = lcds[which].clock_hz};
    lcd->config = (struct jl_panel_config){.controller = lcds[which].controller,
                                           .bus = &jl_bus_memory_lcd,
                                           .width = lcds[which].controller->ram_width,
                                           .height = lcds[which].controller->ram_height};
    EXPECT_INT(jl_panel_open(&lcd->panel, &lcd->config, &lcd->port), JL_OK);
    EXPECT_INT(jl_frame_init(&frame, &jl_black_white, lcd->config.width, lcd->config.height, memory,
                             sizeof memory),
               JL_OK);
    EXPECT_INT(jl_panel_wake(&lcd->panel), JL_OK);
    return frame;
}

static void fill_with_noise(struct jl_frame *frame, uint32_t seed) {
    struct test_random random = {seed};
    for (size_t i = 0; i < (size_t)frame->target.bounds.h * frame->stride_bytes; i++) {
        frame->pixels[i] = (uint8_t)(test_random_next(&random) >> 11);
    }
}

/* A pixel of the glass is the frame's bit: bit 7 of a byte is the leftmost, 1 is white. */
static void expect_shown(struct lcd *lcd, const struct jl_frame *frame) {
    struct jl_picture glass;
    size_t wrong = 0;
    EXPECT(jl_device_picture(lcd->device, &glass));
    for (int y = 0; y < glass.height; y++) {
        for (int x = 0; x < glass.width; x++) {
            bool bit =
                frame->pixels[(size_t)y * frame->stride_bytes + (size_t)x / 8] >> (7 - x % 8) & 1;
            wrong += (jl_picture_at(&glass, x, y)[0] != 0) != bit;
        }
    }
    EXPECT_INT((long long)wrong, 0);
    jl_picture_free(&glass);
}

static size_t complaints(const struct lcd *lcd, const char **last) {
    const struct jl_diagnostic *list;
    size_t count = 0, all = jl_board_diagnostics(lcd->board, &list);
    for (size_t i = 0; i < all; i++) {
        if (list[i].severity != JL_SEVERITY_NOTE) {
            count++;
            *last = list[i].text;
        }
    }
    return count;
}

static void expect_content(const struct lcd *lcd) {
    const char *last = "";
    if (!EXPECT_INT((long long)complaints(lcd, &last), 0)) {
        printf("    %s\n", last);
    }
}

/* Whole, changes, pieces, bands, from a frame of greys; and the voltage moves meanwhile. */
static void every_way(void) {
    for (int which = 0; which < LCDS; which++) {
        struct lcd lcd;
        struct jl_damage damage;
        struct jl_bands bands;
        test_row("%s", lcds[which].controller->name);
        struct jl_frame frame = open_lcd(&lcd, which);
        struct jl_picture glass;
        EXPECT(jl_device_picture(lcd.device, &glass)); /* white, as it is cleared */
        size_t bytes = (size_t)(glass.width * glass.height) * 3, white = 0;
        for (size_t i = 0; i < bytes; i++) {
            white += glass.rgb[i] == 255;
        }
        EXPECT_INT((long long)white, (long long)bytes);
        jl_picture_free(&glass);

        fill_with_noise(&frame, 7);
        EXPECT_INT(jl_panel_present(&lcd.panel, &frame), JL_OK);
        expect_shown(&lcd, &frame);

        jl_frame_track(&frame, &damage);
        EXPECT_INT(jl_panel_present(&lcd.panel, &frame), JL_OK);
        jl_fill_rect(&frame.target, (struct jl_rect){13, 40, 30, 9}, JL_WHITE);
        jl_fill_rect(&frame.target, (struct jl_rect){60, 42, 30, 40}, JL_BLACK);
        uint64_t before = jl_stream_byte_count(lcd.bus);
        EXPECT_INT(jl_memory_lcd_vcom(&lcd.panel), JL_OK);
        EXPECT_INT(jl_panel_present(&lcd.panel, &frame), JL_OK);
        expect_shown(&lcd, &frame);
        /* The voltage's two bytes, and 42 lines in one transaction would be the least; the two
         * rectangles share 7 lines. */
        size_t line = (size_t)frame.target.bounds.w / 8 + 2;
        EXPECT(jl_stream_byte_count(lcd.bus) - before <= 2 + 2 * 2 + 49 * line);

        fill_with_noise(&frame, 8);
        EXPECT_INT(jl_panel_present_changes(&lcd.panel, &frame, shadow), JL_OK);
        expect_shown(&lcd, &frame);
        EXPECT_INT(jl_panel_present_changes(&lcd.panel, &frame, shadow), JL_OK);

        struct jl_rect piece = {0, 3, frame.target.bounds.w, 2};
        memset(memory + 3 * frame.stride_bytes, 0x5A, 2 * frame.stride_bytes);
        EXPECT_INT(
            jl_panel_send(&lcd.panel, piece, memory + 3 * frame.stride_bytes, frame.stride_bytes),
            JL_OK);
        expect_shown(&lcd, &frame);
        piece.w = (int16_t)(piece.w - 8); /* a part of a line cannot be sent */
        EXPECT_INT(jl_panel_send(&lcd.panel, piece, memory, frame.stride_bytes), JL_OUT_OF_RANGE);

        static uint8_t strip[600];
        jl_draw_test_card(&frame.target, "bands");
        EXPECT_INT(jl_bands_begin(&bands, &lcd.panel, strip, sizeof strip), JL_OK);
        while (jl_bands_next(&bands)) {
            jl_draw_test_card(&bands.frame.target, "bands");
        }
        EXPECT_INT(jl_bands_end(&bands), JL_OK);
        expect_shown(&lcd, &frame);

        struct jl_direct direct;
        EXPECT_INT(jl_direct_init(&direct, &lcd.panel, strip, sizeof strip), JL_UNSUPPORTED);
        EXPECT_INT(jl_panel_sleep(&lcd.panel), JL_UNSUPPORTED);
        EXPECT_INT(jl_panel_turn(&lcd.panel, JL_TURN_180), JL_BAD_TURN);
        expect_content(&lcd);
        jl_board_destroy(lcd.board);
    }
}

/* A port that takes a few bytes at a time: the lines go out in as many pieces, under one CS. */
static void in_pieces(void) {
    static const uint16_t most[] = {1, 7, 16, 17, 1000};
    for (size_t i = 0; i < sizeof most / sizeof most[0]; i++) {
        struct lcd lcd;
        struct jl_frame frame = open_lcd(&lcd, 0);
        lcd.port.most_body_bytes = most[i];
        test_row("%u at a time", (unsigned)most[i]);
        fill_with_noise(&frame, 9);
        EXPECT_INT(jl_panel_present(&lcd.panel, &frame), JL_OK);
        expect_shown(&lcd, &frame);
        expect_content(&lcd);
        jl_board_destroy(lcd.board);
    }
}

static struct notebook book;

/* Two lines from the fourth on, byte by byte, from the timing charts. */
static void bytes_of_lines(void) {
    struct jl_port port = {.ops = &note_ops, .context = &book};
    struct jl_panel panel;
    const struct jl_panel_config config = {
        .controller = &jl_ls013b7dh03, .bus = &jl_bus_memory_lcd, .width = 128, .height = 128};
    static uint8_t pixels[2 * 16];
    memset(pixels, 0xA5, sizeof pixels);
    book = (struct notebook){.kept = 16, .selected_high = true};
    EXPECT_INT(jl_panel_open(&panel, &config, &port), JL_OK);
    EXPECT_INT(jl_panel_wake(&panel), JL_OK);
    EXPECT_TEXT(book.text, "C2000");
    book = (struct notebook){.kept = 16, .selected_high = true};
    EXPECT_INT(jl_panel_send(&panel, (struct jl_rect){0, 3, 128, 2}, pixels, 16), JL_OK);
    /* lines 4 and 5, lowest bit first: 20 and A0 */
    EXPECT_TEXT(book.text, "C8020 CA5A5A5A5A5A5A5A5A5A5A5A5A5A5A5A5 C00A0 "
                           "CA5A5A5A5A5A5A5A5A5A5A5A5A5A5A5A5 C0000");
    book = (struct notebook){.kept = 16, .selected_high = true};
    EXPECT_INT(jl_memory_lcd_vcom(&panel), JL_OK);
    EXPECT_INT(jl_panel_send(&panel, (struct jl_rect){0, 127, 128, 1}, pixels, 16), JL_OK);
    EXPECT_INT(jl_memory_lcd_vcom(&panel), JL_OK);
    EXPECT_TEXT(book.text, "C4000 CC001 CA5A5A5A5A5A5A5A5A5A5A5A5A5A5A5A5 C0000 C0000");
    EXPECT_INT(jl_memory_lcd_vcom(NULL), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_memory_lcd_vcom_pin(NULL), JL_BAD_ARGUMENT);
}

/* The glass suffers where the voltage stands still; by a call, by the pin, or not at all. */
static void voltage_that_moves(void) {
    for (int way = 0; way < 4; way++) {
        struct lcd lcd;
        const char *last = "";
        test_row("way %d", way);
        struct jl_frame frame = open_lcd(&lcd, 0);
        EXPECT_INT(jl_panel_present(&lcd.panel, &frame), JL_OK);
        for (int half = 0; half < 8; half++) {
            jl_board_wait_ps(lcd.board, 500000000000u);
            if (way == 0) {
                EXPECT_INT(jl_memory_lcd_vcom(&lcd.panel), JL_OK);
            } else if (way == 1) {
                EXPECT_INT(jl_memory_lcd_vcom_pin(&lcd.panel), JL_OK);
            } else if (way == 2) { /* pictures alone do not move it */
                EXPECT_INT(jl_panel_present(&lcd.panel, &frame), JL_OK);
            }
        }
        expect_shown(&lcd, &frame);
        EXPECT_INT((long long)complaints(&lcd, &last), way > 1);
        if (way > 1) {
            EXPECT_CONTAINS(last, "VCOM has stood still for 4.");
        }
        jl_board_destroy(lcd.board);
    }
}

/* Bytes of one's own, in transactions: "|" begins the next one. */
static void play(struct lcd *lcd, const char *text) {
    for (; *text; text++) {
        if (*text == '|') {
            jl_device_set_pin(lcd->device, JL_DEVICE_CS, false);
            jl_board_wait_ps(lcd->board, 2000000);
            jl_device_set_pin(lcd->device, JL_DEVICE_CS, true);
            jl_board_wait_ps(lcd->board, 6000000);
        } else if (*text == '!') { /* no time for its CS */
            jl_device_set_pin(lcd->device, JL_DEVICE_CS, false);
            jl_device_set_pin(lcd->device, JL_DEVICE_CS, true);
        } else if (*text == '*') { /* a line's pixels */
            static const uint8_t line[16] = {0};
            jl_stream_write(lcd->bus, line, sizeof line);
        } else {
            unsigned byte = 0;
            sscanf(text, "%2x", &byte);
            uint8_t one = (uint8_t)byte;
            jl_stream_write(lcd->bus, &one, 1);
            text++;
        }
    }
    jl_device_set_pin(lcd->device, JL_DEVICE_CS, false);
}

static void mistakes(void) {
    static const struct {
        const char *name, *bytes, *says; /* NULL: content */
    } rows[] = {
        {"right", "|2000|8080*000000|", NULL},
        {"two lines", "|2000|8080*0040*0000|", NULL},
        {"without the last zeros", "|2000|8080*00|", "8 more bits of zeros end a transaction"},
        {"cut in a line", "|2000|808000000000|", "CS ended in line 1, which is lost"},
        {"without the zeros of a mode", "|20|", "8 bits of zeros belong to it"},
        {"line 129", "|2000|8081*0000|", "line 129: expected 1 to 128"},
        {"the highest bit first", "|2000|8003*0000|", "line 192: expected 1 to 128"},
        {"hasty CS", "!2000", "CS rose 0.0 us before the first bit, at least 6 us"},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct lcd lcd;
        const char *last = "";
        struct jl_picture glass;
        test_row("%s", rows[i].name);
        attach(&lcd, 0);
        play(&lcd, rows[i].bytes);
        EXPECT(jl_device_picture(lcd.device, &glass));
        jl_picture_free(&glass);
        EXPECT_INT((long long)complaints(&lcd, &last), rows[i].says != NULL);
        if (rows[i].says) {
            EXPECT_CONTAINS(last, rows[i].says);
        }
        jl_board_destroy(lcd.board);
    }
    struct lcd lcd;
    attach(&lcd, 0);
    EXPECT_CONTAINS(jl_device_why_dark(lcd.device), "nothing was sent");
    jl_board_destroy(lcd.board);
}

const struct test_group test_groups[] = {
    {"every_way", every_way},
    {"in_pieces", in_pieces},
    {"bytes_of_lines", bytes_of_lines},
    {"voltage_that_moves", voltage_that_moves},
    {"mistakes", mistakes},
    {NULL, NULL},
};
