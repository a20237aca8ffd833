/*
 * Glass without a memory, 800x480: a frame is scanned out of RAM by a display peripheral. Here it
 * is emulated, set up once right and then with each usual mistake; what the glass shows goes into
 * scan_glass.png, and what the emulated glass says of it is printed.
 */
#include <stdio.h>
#include <string.h>

#include "jadelamp/draw.h"
#include "jadelamp/host/png.h"
#include "jadelamp/host/rig.h"
#include "jadelamp/host/sheet.h"
#include "jadelamp/instruments.h"
#include "jadelamp/sim/emulators.h"

enum { WIDTH = 800, HEIGHT = 480, MOST_PICTURES = 12 };

static uint16_t pixels[WIDTH * HEIGHT];

static void draw(struct jl_target *target, int32_t inflow) {
    static const struct jl_zone zones[] = {
        {60, JL_GRADE_GOOD}, {80, JL_GRADE_WARN}, {100, JL_GRADE_ALARM}};
    static const struct jl_dial_face face = {.box = {30, 70, 340, 340},
                                             .theme = &jl_theme_night,
                                             .scale = {0, 100, zones, 3},
                                             .start = JL_DEGREES(225),
                                             .sweep = JL_SWEEP(270),
                                             .major = 5,
                                             .minor = 4,
                                             .numbers = true,
                                             .label = "inflow"};
    static const struct jl_text_style style = {
        .font = &jl_font_8x13, .ink = JL_WHITE, .paper = JL_CLEAR};
    static const jl_color colors[] = {JL_RED, JL_LIME, JL_BLUE, JL_WHITE};
    struct jl_dial dial = {.face = &face, .value = inflow};
    jl_clear(target, jl_theme_night.back);
    jl_text(target, 30, 24, "Heron Quay, inner basin", &style);
    jl_dial_draw(target, &dial);
    for (int16_t i = 0; i < 4; i++) {
        jl_fill_gradient(target, (struct jl_rect){420, (int16_t)(70 + 90 * i), 340, 70}, JL_AXIS_X,
                         JL_BLACK, colors[i], NULL);
    }
    jl_stroke_rect(target, (struct jl_rect){0, 0, WIDTH, HEIGHT}, JL_WHITE);
}

/* One set-up: the peripheral, the glass, and the part at the end of the wires. */
struct setup {
    struct jl_rgb_source source;
    struct jl_rgb_panel panel;
    const struct jl_emulated_part *part;
    bool draws; /* on the frame while it is scanned */
};

static void blue_on_low_inputs(struct setup *setup) {
    for (int bit = 0; bit < 8; bit++) {
        setup->panel.wires[0][bit] = bit < 5 ? bit : JL_RGB_GROUND;
    }
}

static void red_in_reverse(struct setup *setup) {
    for (int bit = 0; bit < 5; bit++) {
        setup->panel.wires[2][7 - bit] = 11 + bit;
    }
}

static void mistake(int number, struct setup *setup) {
    struct jl_rgb_timing *timing = &setup->source.timing;
    switch (number) {
    case 1:
        timing->line.back += 46;
        break;
    case 2:
        timing->vsync_high = timing->hsync_high = true;
        break;
    case 3:
        timing->clock_hz = 10e6;
        break;
    case 4:
        timing->clock_hz = 60e6;
        break;
    case 5:
        timing->falling = !timing->falling;
        break;
    case 6:
        blue_on_low_inputs(setup);
        break;
    case 7:
        red_in_reverse(setup);
        break;
    case 8: /* a line needs 1600 bytes: it has 256 in the FIFO and 1343 come */
        setup->source.memory_bytes_s = 55.9e6;
        break;
    case 9:
        setup->draws = true;
        break;
    case 10:
        setup->panel.by_syncs = false;
        setup->source.drives_de = false;
        break;
    case 11:
        setup->panel.timing.width = setup->source.timing.width = 480;
        setup->part = &jl_emulated_st7701; /* and nobody sends 11 and 29 */
        break;
    default:
        break;
    }
}

static void say(struct jl_board *board, struct jl_device *glass, const char *caption) {
    const struct jl_diagnostic *list;
    size_t count = jl_board_diagnostics(board, &list);
    const char *dark = jl_device_why_dark(glass);
    printf("%s\n", caption);
    for (size_t i = 0; i < count; i++) {
        printf("    %s\n", list[i].text);
    }
    if (dark || !count) {
        printf("    %s\n", dark ? dark : "nothing is wrong");
    }
}

/* Scans two pictures out. */
static bool scan(const struct setup *setup, struct jl_frame *frame, const char *caption,
                 struct jl_picture *seen) {
    const struct jl_glass shape = {
        .width = setup->panel.timing.width, .height = HEIGHT, .kind = JL_GLASS_TFT};
    struct jl_board *board = jl_board_create(1);
    struct jl_device *glass = jl_board_add_device(board, setup->part, "glass", &shape);
    struct jl_rgb_bus *bus =
        glass ? jl_board_add_rgb(board, &setup->source, glass, &setup->panel) : NULL;
    bool good = bus != NULL;
    if (good) {
        const uint64_t ms = 1000000000;
        double picture_ms = 525.0 * 1056 / setup->source.timing.clock_hz * 1e3;
        draw(&frame->target, 20);
        jl_rgb_show(bus, frame->pixels, sizeof pixels);
        jl_board_wait_ps(board, (uint64_t)(picture_ms * 1.55) * ms);
        if (setup->draws) {
            draw(&frame->target, 85);
        }
        jl_board_wait_ps(board, (uint64_t)(picture_ms * 0.44) * ms);
        good = jl_device_picture(glass, seen);
        jl_board_wait_ps(board, 2 * ms);
        say(board, glass, caption);
    }
    jl_board_destroy(board);
    return good;
}

/* Half the size, so that twelve of them fit. */
static bool halve(struct jl_picture *picture) {
    struct jl_picture half;
    if (!jl_picture_create(&half, WIDTH / 2, HEIGHT / 2)) {
        return false;
    }
    for (int y = 0; y < half.height; y++) {
        for (int x = 0; x < half.width && 2 * x < picture->width; x++) {
            for (int i = 0; i < 3; i++) {
                int sum = 0;
                for (int k = 0; k < 4; k++) {
                    sum += jl_picture_at(picture, 2 * x + k % 2, 2 * y + k / 2)[i];
                }
                half.rgb[3 * (y * half.width + x) + i] = (uint8_t)(sum / 4);
            }
        }
    }
    jl_picture_free(picture);
    *picture = half;
    return true;
}

int main(int argc, char **argv) {
    static const char *const captions[MOST_PICTURES] = {"right",
                                                        "back porch 72 instead of 26",
                                                        "both syncs active high",
                                                        "clock 10 MHz: rows fade",
                                                        "clock 60 MHz: too fast",
                                                        "the other clock edge",
                                                        "blue on the low inputs",
                                                        "red in reverse",
                                                        "memory too slow",
                                                        "one buffer, drawn on in scan",
                                                        "DE not wired, glass goes by it",
                                                        "command port never woken"};
    static struct jl_card card;
    struct jl_picture pictures[MOST_PICTURES] = {{0}}, sheet = {0};
    struct jl_complaint complaint = {""};
    struct jl_frame frame;
    char path[1024];
    bool good =
        jl_card_find("rgb-800x480", &card, &complaint) &&
        jl_frame_init(&frame, &jl_rgb565_cpu, WIDTH, HEIGHT, pixels, sizeof pixels) == JL_OK;
    for (int i = 0; i < MOST_PICTURES && good; i++) {
        struct setup setup = {.source = jl_rig_rgb_source(&card),
                              .panel = jl_rig_rgb_panel(&card),
                              .part = &jl_emulated_rgb_glass};
        mistake(i, &setup);
        good = scan(&setup, &frame, captions[i], &pictures[i]) && halve(&pictures[i]);
    }
    snprintf(path, sizeof path, "%s/scan_glass.png", argc > 1 ? argv[1] : ".");
    good = good && jl_sheet_create(&sheet, pictures, captions, MOST_PICTURES, 3) &&
           jl_png_write(path, &sheet, &complaint);
    printf("%s: %s\n", path, good ? "written" : complaint.text);
    for (int i = 0; i < MOST_PICTURES; i++) {
        jl_picture_free(&pictures[i]);
    }
    jl_picture_free(&sheet);
    return good ? 0 : 1;
}
