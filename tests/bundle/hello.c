/*
 * The first program on three panels, with a port that writes down all that it is asked for: built
 * with a bundle for many processors, and with the whole library on the desktop. What they write
 * must be the same.
 */
#ifdef WHOLE_LIBRARY
#include "hd44780_16x2_4bit.h"
#include "ssd1306_128x64_i2c.h"
#include "st7735_128x160_spi.h"
#else
#include "jadelamp.h"
#endif

#include "hello.h"

static void emit_number(char what, uint32_t number) {
    const uint8_t bytes[] = {(uint8_t)what, (uint8_t)(number >> 24), (uint8_t)(number >> 16),
                             (uint8_t)(number >> 8), (uint8_t)number};
    emit(bytes, sizeof bytes);
}

/* Pictures are long: their bytes are summed up, and the sum stands for them. */
static void emit_bytes(const uint8_t *bytes, size_t count) {
    uint32_t sum = 0;
    if (count <= 16) {
        emit(bytes, count);
        return;
    }
    for (size_t i = 0; i < count; i++) {
        sum = sum * 31 + bytes[i] + 1;
    }
    emit_number('#', sum);
}

static jl_status send(void *context, const struct jl_transfer *t) {
    (void)context;
    emit_number('s', (uint32_t)t->i2c_address << 16 | (uint32_t)(t->head_bytes + t->body_bytes));
    emit_bytes(t->head, t->head_bytes);
    emit_bytes(t->body, t->body_bytes);
    return JL_OK;
}

static void wait_us(void *context, uint32_t microseconds) {
    (void)context;
    emit_number('w', microseconds);
}

static void set_pin(void *context, enum jl_pin pin, bool high) {
    (void)context;
    emit_number('p', (uint32_t)pin << 8 | high);
}

static const struct jl_port_ops ops = {.send = send, .wait_us = wait_us, .set_pin = set_pin};
static const struct jl_port port = {.ops = &ops};
#if !defined(PART) || PART != 3
static const struct jl_text_style plain = {
    .font = &jl_font_8x13, .ink = JL_WHITE, .paper = JL_BLACK};
#endif

static void end(char what, jl_status status) {
    emit_number(what, (uint32_t)(status == JL_OK));
}

#if !defined(PART) || PART == 1
/* Each way of painting: by dots, rows of colours, soft edges, what is there, turned, inverted. */
static void draw_much(struct jl_frame *frame) {
    static const uint8_t bits[] = {0x18, 0x3C, 0x7E, 0xFF, 0xFF, 0x7E, 0x3C, 0x18};
    static const struct jl_bitmap map = {bits, 8, 8, &jl_bits_columns};
    struct jl_target *target = &frame->target;
    jl_draw_line(target, 3, 60, 120, 9, JL_WHITE);
    jl_draw_pixel(target, 127, 63, JL_WHITE);
    jl_draw_bitmap(target, 60, 20, &map, JL_WHITE, JL_CLEAR);
    jl_fill_gradient(target, (struct jl_rect){0, 48, 60, 12}, JL_AXIS_X, JL_BLACK, JL_WHITE, NULL);
    jl_smooth_disc(target, jl_fine_middle(40, 30), JL_FINE(9), JL_WHITE, JL_CLEAR);
    jl_text_box(target, (struct jl_rect){70, 0, 57, 30}, JL_ANCHOR_CENTRE, "upper gate open",
                &plain);
    if (jl_target_mode(target, JL_MODE_INVERT, 255)) {
        jl_fill_rect(target, (struct jl_rect){10, 10, 50, 30}, JL_WHITE);
        jl_target_mode(target, JL_MODE_REPLACE, 255);
    }
    jl_target_turn(target, JL_TURN_90);
    jl_text(target, 2, 2, "Quay", &plain);
    jl_stroke_rect(target, (struct jl_rect){1, 1, 40, 20}, JL_WHITE);
    jl_target_turn(target, 0);
    jl_frame_scroll(frame, (struct jl_rect){0, 0, 128, 64}, 3, -5, JL_BLACK);
}

static void on_oled(void) {
    static uint8_t pixels[1024];
    struct jl_panel panel;
    struct jl_frame frame;
    jl_panel_open(&panel, &ssd1306_128x64_i2c, &port);
    jl_panel_wake(&panel);
    jl_panel_frame(&panel, &frame, pixels, sizeof pixels);
    jl_text(&frame.target, 0, 0, "Heron Quay", &plain);
    jl_fill_circle(&frame.target, 100, 40, 17, JL_WHITE);
    jl_panel_present(&panel, &frame);
    draw_much(&frame);
    jl_panel_present(&panel, &frame);
    emit_bytes(pixels, sizeof pixels);
    jl_panel_contrast(&panel, 40);
    end('o', jl_panel_status(&panel));
}

#endif

#if !defined(PART) || PART == 2
/* In bands: half a screen of 5-6-5 would be more than a small part has. */
static void on_tft(void) {
    static uint8_t memory[128 * 8 * 2];
    struct jl_panel panel;
    struct jl_bands bands;
    jl_panel_open(&panel, &st7735_128x160_spi, &port);
    jl_panel_wake(&panel);
    jl_bands_begin(&bands, &panel, memory, sizeof memory);
    while (jl_bands_next(&bands)) {
        jl_clear(&bands.frame.target, JL_RGB(0, 40, 60));
        jl_text(&bands.frame.target, 4, 70, "Heron Quay", &plain);
        jl_draw_line(&bands.frame.target, 0, 0, 127, 159, JL_RED);
    }
    end('t', jl_panel_status(&panel));
}

#endif

#if !defined(PART) || PART == 3
static void on_cells(void) {
    struct jl_char_panel panel;
    jl_char_open(&panel, &hd44780_16x2_4bit, &port);
    jl_char_wake(&panel);
    jl_char_put(&panel, 3, 1, "Heron Quay");
    end('c', jl_char_status(&panel));
}

#endif

/* Each alone where all of them would be too much: constants take RAM on an AVR. */
void hello(void) {
#if !defined(PART) || PART == 1
    on_oled();
#endif
#if !defined(PART) || PART == 2
    on_tft();
#endif
#if !defined(PART) || PART == 3
    on_cells();
#endif
    emit("*end*\n", 6);
}
