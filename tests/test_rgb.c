/*
 * The emulated RGB bus: the right picture in every depth and width, and what each mistake makes of
 * it by geometry, with the sentence that names it; memory, tears, line buffers, and what a
 * recording holds. The glass is 60x40, so that every pixel is looked at.
 */
#include "harness.h"

#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "jadelamp/scanout.h"
#include "jadelamp/sim/emulators.h"
#include "jadelamp/sim/rgb.h"
#include "vcd.h"

enum { W = 60, H = 40 };
#define PS_PER_S 1000000000000u

static struct world {
    struct jl_board *board;
    struct jl_device *glass;
    struct jl_rgb_bus *bus;
    struct jl_rgb_source source;
    struct jl_rgb_panel panel;
    struct jl_picture seen;
} world;

static uint8_t frame[W * H * 4];
static uint32_t palette[256];

static uint32_t color_of(int x, int y) {
    return (uint32_t)(x * 4) << 16 | (uint32_t)(y * 6) << 8 | (uint32_t)(255 - x * 2 - y);
}

/* The frame in memory, as a processor with the low byte first has it. */
static void fill_frame(int bits) {
    for (int i = 0; i < 256; i++) {
        palette[i] = (uint32_t)i * 0x010203u & 0xFFFFFFu;
    }
    for (int y = 0; y < H; y++) {
        for (int x = 0; x < W; x++) {
            uint32_t c = color_of(x, y);
            uint8_t *at = frame + (y * W + x) * bits / 8;
            unsigned rgb565 = (c >> 19 & 31) << 11 | (c >> 10 & 63) << 5 | (c >> 3 & 31);
            switch (bits) {
            case 8:
                at[0] = (uint8_t)(x + y);
                break;
            case 16:
                at[0] = (uint8_t)rgb565;
                at[1] = (uint8_t)(rgb565 >> 8);
                break;
            case 24:
                at[0] = (uint8_t)(c >> 16);
                at[1] = (uint8_t)(c >> 8);
                at[2] = (uint8_t)c;
                break;
            default:
                at[0] = (uint8_t)c;
                at[1] = (uint8_t)(c >> 8);
                at[2] = (uint8_t)(c >> 16);
                at[3] = 0xEE; /* nobody looks at it */
            }
        }
    }
}

/* A description of both sides that agrees. */
static void describe(int bits, int lines, int inputs) {
    struct jl_rgb_timing timing = {
        .width = W, .height = H, .clock_hz = 200000, .line = {5, 7, 4}, .picture = {3, 6, 2}};
    world =
        (struct world){.source = {.timing = timing,
                                  .drives_de = true,
                                  .drives_syncs = true,
                                  .data_lines = lines,
                                  .bits_per_pixel = bits},
                       .panel = {.timing = timing,
                                 .least_hz = 100000,
                                 .most_hz = 300000,
                                 .bits = {inputs / 3, inputs == 16 ? 6 : inputs / 3, inputs / 3}}};
    world.source.timing.falling = true;
    jl_rgb_wire(&world.panel, lines, true);
    fill_frame(bits);
}

static void build(void) {
    const struct jl_glass shape = {.width = W, .height = H, .kind = JL_GLASS_TFT};
    world.board = jl_board_create(7);
    world.glass = jl_board_add_device(world.board, &jl_emulated_rgb_glass, "glass", &shape);
    world.bus = jl_board_add_rgb(world.board, &world.source, world.glass, &world.panel);
    EXPECT(world.bus != NULL);
    jl_rgb_palette(world.bus, palette);
}

/* Lets pictures pass, as the peripheral is set. */
static void pass(double pictures) {
    const struct jl_rgb_timing *t = &world.source.timing;
    double clocks = (t->width + t->line.sync + t->line.back + t->line.front) *
                    (double)(t->height + t->picture.sync + t->picture.back + t->picture.front);
    jl_board_wait_ps(world.board, (uint64_t)(clocks / t->clock_hz * PS_PER_S * pictures));
}

static void look(void) {
    jl_picture_free(&world.seen);
    EXPECT(jl_device_picture(world.glass, &world.seen));
}

static void run(double pictures) {
    build();
    jl_rgb_show(world.bus, frame, sizeof frame);
    pass(pictures);
    look();
}

static void close_world(void) {
    jl_picture_free(&world.seen);
    jl_board_destroy(world.board);
}

static uint32_t seen_at(int x, int y) {
    const uint8_t *rgb = jl_picture_at(&world.seen, x, y);
    return (uint32_t)rgb[0] << 16 | (uint32_t)rgb[1] << 8 | rgb[2];
}

/* The sentences, one behind the other. */
static const char *said(void) {
    static char text[4096];
    const struct jl_diagnostic *list;
    size_t count = jl_board_diagnostics(world.board, &list);
    text[0] = '\0';
    for (size_t i = 0; i < count; i++) {
        strncat(text, list[i].text, sizeof text - strlen(text) - 2);
        strcat(text, "\n");
    }
    return text;
}

static int sentences(void) {
    return (int)jl_board_diagnostic_total(world.board);
}

/* A channel through so many lines and inputs: where there are fewer, the lowest bits are lost;
 * where there are more, the top ones come again. So each of eight bits is one of the frame's. */
static unsigned channel(unsigned v, int frame_bits, int lines, int inputs) {
    unsigned out = 0;
    for (int from_top = 0; from_top < 8; from_top++) {
        int bit = from_top % inputs % lines % frame_bits;
        out |= (v >> (7 - bit) & 1) << (7 - from_top);
    }
    return out;
}

/* ---- the right picture ---- */

static void right_pictures(void) {
    static const int depths[] = {8, 16, 24, 32}, widths[] = {16, 18, 24};
    for (int i = 0; i < 4 * 9 * 2; i++) {
        int bits = depths[i % 4], lines = widths[i / 4 % 3], inputs = widths[i / 12 % 3];
        describe(bits, lines, inputs);
        world.panel.by_syncs = i >= 36;
        test_row("%d bits, %d lines, %d inputs, %s", bits, lines, inputs,
                 world.panel.by_syncs ? "by syncs" : "by DE");
        run(2.5);
        EXPECT_TEXT(said(), "");
        EXPECT(!jl_device_why_dark(world.glass));
        int wrong = 0;
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x++) {
                uint32_t c = bits == 8 ? palette[(x + y) & 255] : color_of(x, y);
                int rb = lines / 3, g = lines == 16 ? 6 : rb;
                int irb = inputs / 3, ig = inputs == 16 ? 6 : irb;
                int frb = bits == 16 ? 5 : 8, fg = bits == 16 ? 6 : 8;
                uint32_t expected = channel(c >> 16, frb, rb, irb) << 16 |
                                    channel(c >> 8 & 255, fg, g, ig) << 8 |
                                    channel(c & 255, frb, rb, irb);
                wrong += seen_at(x, y) != expected;
            }
        }
        EXPECT_INT(wrong, 0);
        close_world();
    }
}

/* Low inputs at ground: full is not quite full. */
static void low_inputs_at_ground(void) {
    describe(16, 16, 24);
    jl_rgb_wire(&world.panel, 16, false);
    memset(frame, 0xFF, sizeof frame);
    run(1.5);
    EXPECT_INT(seen_at(3, 3), 0xF8FCF8);
    EXPECT_TEXT(said(), "");
    close_world();
}

/* ---- shifts: the glass shows S(x - dx, y - dy), and black where that is none ---- */

static void shifts(void) {
    static const struct {
        const char *name;
        bool by_syncs;
        struct jl_rgb_porches line, picture; /* of the peripheral, else 5 7 4 and 3 6 2 */
        bool hsync_high, vsync_high;
        int dx, dy;
        const char *says;
    } rows[] = {
        {"back porch 3 more",
         true,
         {5, 10, 4},
         {3, 6, 2},
         false,
         false,
         3,
         0,
         "sync and back porch of a line are 15 clocks, the glass wants 12: the picture is shifted "
         "by 3 to the right\n"},
        {"back porch 4 less",
         true,
         {5, 3, 4},
         {3, 6, 2},
         false,
         false,
         -4,
         0,
         "are 8 clocks, the glass wants 12: the picture is shifted by 4 to the left\n"},
        {"longer pulse", true, {9, 7, 4}, {3, 6, 2}, false, false, 4, 0, "are 16 clocks"},
        {"lines",
         true,
         {5, 7, 4},
         {3, 9, 2},
         false,
         false,
         0,
         3,
         "sync and back porch of a picture are 12 lines, the glass wants 9: the picture is shifted "
         "by 3 down\n"},
        {"lines less", true, {5, 7, 4}, {1, 6, 2}, false, false, 0, -2, "shifted by 2 up\n"},
        {"HSYNC the other way",
         true,
         {5, 7, 4},
         {3, 6, 2},
         true,
         false,
         -5,
         0,
         "HSYNC is active high, the glass wants it low: the picture is shifted by the pulse of 5 "
         "clocks\n"},
        {"VSYNC the other way",
         true,
         {5, 7, 4},
         {3, 6, 2},
         false,
         true,
         0,
         -3,
         "VSYNC is active high, the glass wants it low: the picture is shifted by its pulse\n"},
        {"by DE porches do not matter", false, {2, 12, 3}, {5, 1, 6}, true, true, 0, 0, ""},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        describe(24, 24, 24);
        world.panel.by_syncs = rows[i].by_syncs;
        world.source.timing.line = rows[i].line;
        world.source.timing.picture = rows[i].picture;
        world.source.timing.hsync_high = rows[i].hsync_high;
        world.source.timing.vsync_high = rows[i].vsync_high;
        world.source.timing.clock_hz = 290000;
        test_row("%s", rows[i].name);
        run(3.2);
        EXPECT_CONTAINS(said(), rows[i].says);
        EXPECT_INT(sentences(), *rows[i].says ? 1 : 0); /* once, however many pictures */
        int wrong = 0;
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x++) {
                int from_x = x - rows[i].dx, from_y = y - rows[i].dy;
                bool there = from_x >= 0 && from_x < W && from_y >= 0 && from_y < H;
                wrong += seen_at(x, y) != (there ? color_of(from_x, from_y) : 0);
            }
        }
        EXPECT_INT(wrong, 0);
        close_world();
    }
}

/* Another width and height: what is read is one run of pixels. */
static void other_sizes(void) {
    static const struct {
        int width, height;
        const char *says;
    } rows[] = {
        {W - 10, H, "a line has 50 pixels, the glass 60"},
        {W + 10, H, "a line has 70 pixels, the glass 60"},
        {W, H - 4, "a picture has 36 lines, the glass 40"},
        {W, H + 4, "a picture has 44 lines, the glass 40"},
    };
    for (size_t i = 0; i < 8; i++) {
        describe(24, 24, 24);
        world.panel.by_syncs = i >= 4;
        world.source.timing.width = rows[i % 4].width;
        world.source.timing.height = rows[i % 4].height;
        world.source.timing.clock_hz = 290000;
        test_row("%dx%d, by %s", rows[i % 4].width, rows[i % 4].height, i >= 4 ? "syncs" : "DE");
        build();
        jl_rgb_show(world.bus, frame, W * H * 3);
        pass(2.2);
        look();
        EXPECT_CONTAINS(said(), rows[i % 4].says);
        EXPECT_INT(sentences(), 1);
        int wrong = 0;
        for (int y = 0; y < H; y++) {
            for (int x = 0; x < W; x++) {
                bool there = x < rows[i % 4].width && y < rows[i % 4].height;
                int pixel = y * rows[i % 4].width + x;
                bool inside = there && pixel < W * H;
                wrong += seen_at(x, y) != (inside ? color_of(pixel % W, pixel / W) : 0);
            }
        }
        EXPECT_INT(wrong, 0);
        close_world();
    }
}

/* ---- wires ---- */

static void wire_mistakes(void) {
    static const struct {
        const char *name, *says;
        int lines;
        int wires[3][8];
    } rows[] = {
        {"blue in reverse",
         "blue is wired in reverse: its lowest data line leads to B7",
         24,
         {{7, 6, 5, 4, 3, 2, 1, 0},
          {8, 9, 10, 11, 12, 13, 14, 15},
          {16, 17, 18, 19, 20, 21, 22, 23}}},
        {"red and blue",
         "red and blue are exchanged",
         24,
         {{16, 17, 18, 19, 20, 21, 22, 23},
          {8, 9, 10, 11, 12, 13, 14, 15},
          {0, 1, 2, 3, 4, 5, 6, 7}}},
        {"blue on the low inputs",
         "the 5 lines of blue lead to B0..B4: at most 1/8 of its light; "
         "lead them to B3..B7",
         16,
         {{0, 1, 2, 3, 4, -1, -1, -1},
          {9, 10, 5, 6, 7, 8, 9, 10},
          {13, 14, 15, 11, 12, 13, 14, 15}}},
        {"green on the low inputs",
         "the 6 lines of green lead to G0..G5: at most 1/4 of its light",
         16,
         {{2, 3, 4, 0, 1, 2, 3, 4}, {5, 6, 7, 8, 9, 10, -1, -1}, {13, 14, 15, 11, 12, 13, 14, 15}}},
        {"one at ground",
         "input R6 of the glass leads to ground, not to data line D22",
         24,
         {{0, 1, 2, 3, 4, 5, 6, 7},
          {8, 9, 10, 11, 12, 13, 14, 15},
          {16, 17, 18, 19, 20, 21, -1, 23}}},
        {"two exchanged",
         "input G7 of the glass is on data line D14, which is bit 6 of green, not "
         "on D15",
         24,
         {{0, 1, 2, 3, 4, 5, 6, 7},
          {8, 9, 10, 11, 12, 13, 15, 14},
          {16, 17, 18, 19, 20, 21, 22, 23}}},
        {"of another colour",
         "input B7 of the glass is on data line D8, which is bit 0 of green",
         24,
         {{0, 1, 2, 3, 4, 5, 6, 8},
          {8, 9, 10, 11, 12, 13, 14, 15},
          {16, 17, 18, 19, 20, 21, 22, 23}}},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        describe(rows[i].lines == 16 ? 16 : 24, rows[i].lines, 24);
        memcpy(world.panel.wires, rows[i].wires, sizeof world.panel.wires);
        test_row("%s", rows[i].name);
        run(1.5);
        EXPECT_CONTAINS(said(), rows[i].says);
        EXPECT_INT(sentences(), 1);
        int wrong = 0;
        for (int p = 0; p < W * H; p++) {
            uint32_t c = color_of(p % W, p / W), lines = c, expected = 0;
            if (rows[i].lines == 16) {
                lines = (c >> 3 & 31) | (c >> 10 & 63) << 5 | (c >> 19 & 31) << 11;
            }
            for (int k = 0; k < 24; k++) {
                int wire = rows[i].wires[k / 8][k % 8];
                expected |= (wire < 0 ? 0 : lines >> wire & 1) << k;
            }
            wrong += seen_at(p % W, p / W) != expected;
        }
        EXPECT_INT(wrong, 0);
        close_world();
    }
}

/* ---- dark glass, edges, clocks, memory ---- */

static void other_mistakes(void) {
    static const struct {
        const char *name, *says, *dark;
        bool by_syncs, no_de, no_syncs, de_low, wrong_edge;
        double clock_hz, memory;
        bool spoiled;
    } rows[] = {
        {"no DE", "", "DE never becomes active", false, true, false, false, false, 0, 0, true},
        {"DE upside down", "", "DE is active at the other level", false, false, false, true, false,
         0, 0, true},
        {"no syncs", "", "HSYNC and VSYNC are idle", true, false, true, false, false, 0, 0, true},
        {"no DE, but by syncs", "", NULL, true, true, false, false, false, 0, 0, false},
        {"no syncs, but by DE", "", NULL, false, false, true, false, false, 0, 0, false},
        {"edge", "data changes with the clock edge at which the glass latches it", NULL, false,
         false, false, false, true, 0, 0, true},
        {"too fast", "the pixel clock is 0.40 MHz, the glass takes 0.30", NULL, false, false, false,
         false, false, 400000, 0, true},
        {"too slow", "the pixel clock is 0.06 MHz, 15.5 pictures a second", NULL, false, false,
         false, false, false, 60000, 0, true},
        {"slow for the eye", "46.4 pictures a second: rows fade", NULL, false, false, false, false,
         false, 180000, 0, true},
        {"memory", "memory is too slow: ", NULL, false, false, false, false, false, 0, 400000,
         true},
        {"memory that is nearly enough", "of what memory gives: above 60 %", NULL, false, false,
         false, false, false, 0, 610000, false},
        {"memory that is enough", "", NULL, false, false, false, false, false, 0, 800000, false},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        describe(24, 24, 24);
        world.panel.by_syncs = rows[i].by_syncs;
        world.source.drives_de = !rows[i].no_de;
        world.source.drives_syncs = !rows[i].no_syncs;
        world.source.timing.de_low = rows[i].de_low;
        world.source.timing.falling = !rows[i].wrong_edge;
        world.source.timing.clock_hz = rows[i].clock_hz > 0 ? rows[i].clock_hz : 200000;
        world.source.memory_bytes_s = rows[i].memory;
        world.source.fifo_bytes = 64;
        test_row("%s", rows[i].name);
        run(2.9);
        EXPECT_CONTAINS(said(), rows[i].says);
        EXPECT_INT(sentences(), *rows[i].says ? 1 : 0);
        if (rows[i].dark) {
            EXPECT_CONTAINS(jl_device_why_dark(world.glass), rows[i].dark);
        } else {
            EXPECT(!jl_device_why_dark(world.glass));
        }
        int wrong = 0, lit = 0, strange = 0;
        for (int p = 0; p < W * H; p++) {
            uint32_t seen = seen_at(p % W, p / W);
            uint32_t now = color_of(p % W, p / W), before = p % W ? color_of(p % W - 1, p / W) : 0;
            wrong += seen != now;
            lit += seen != 0;
            strange += (seen & ~(now | before)) != 0 || (~seen & now & before) != 0;
        }
        /* A clock that looks too early sees, line by line, this pixel or the one before. */
        bool looks_early = rows[i].wrong_edge || rows[i].clock_hz > 300000;
        EXPECT(!looks_early || strange == 0);
        EXPECT_INT(lit > 0, !rows[i].dark);
        EXPECT_INT(wrong > 0, rows[i].spoiled);
        /* The same in each run. */
        struct jl_picture first = world.seen;
        world.seen.rgb = NULL;
        jl_board_destroy(world.board);
        run(2.9);
        EXPECT_BYTES(world.seen.rgb, first.rgb, (size_t)W * H * 3);
        jl_picture_free(&first);
        close_world();
    }
}

/* Late pixels, by clocks one after the other: memory gives its share in each, up to what the FIFO
 * holds; a pixel takes a byte, or comes when there is one. */
static void late_pixels(void) {
    static const struct {
        double rate;
        int fifo;
    } rows[] = {{100000, 20}, {150000, 3}, {190000, 1}, {165000, 64}, {199000, 2}};
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        describe(8, 24, 24);
        world.source.memory_bytes_s = rows[i].rate;
        world.source.fifo_bytes = rows[i].fifo;
        test_row("%.0f bytes a second, FIFO of %d", rows[i].rate, rows[i].fifo);
        run(1.95);
        double holds = rows[i].fifo;
        int wrong = 0, late = 0, next = 0;
        uint32_t last = 0;
        for (int y = 0; y < H; y++) {
            for (int clock = 0; clock < W + 16; clock++) { /* the porches come behind */
                holds += rows[i].rate / 200000;
                if (clock < W) {
                    bool has = holds >= 1;
                    holds -= has;
                    last = has ? palette[(next % W + next / W) & 255] : last;
                    next += has;
                    late += !has;
                    wrong += seen_at(clock, y) != last;
                }
                holds = holds > rows[i].fifo ? rows[i].fifo : holds;
            }
        }
        EXPECT_INT(wrong, 0);
        char sentence[80];
        snprintf(sentence, sizeof sentence, "memory is too slow: %d pixels", late);
        EXPECT_CONTAINS(said(), late ? sentence : "");
        EXPECT_CONTAINS(said(), late ? "0.2 MB/s are needed" : ""); /* a byte a clock, 200 kHz */
        EXPECT_INT(sentences(), late ? 1 : 1); /* else it is more than 60 % of it */
        close_world();
    }
}

/* What is not written again fades: whole for 20 ms, then as 20 ms to its age. */
static void rows_fade(void) {
    describe(24, 24, 24);
    memset(frame, 0xFF, sizeof frame);
    run(1.9);
    EXPECT_INT(seen_at(0, 0), 0xFFFFFF);
    close_world();
    describe(24, 24, 24);
    memset(frame, 0xFF, sizeof frame);
    world.source.timing.clock_hz = 60000;
    run(2);
    int off = 0;
    for (int y = 0; y < H; y++) {
        double age_ms = (51 - (9 + y + 1)) * 76 / 60.0; /* lines since its end */
        int expected = age_ms <= 20 ? 255 : (int)(255 * 20 / age_ms);
        int difference = (int)(seen_at(7, y) & 255) - expected;
        off += difference < -2 || difference > 2;
    }
    EXPECT_INT(off, 0);
    close_world();
}

/* ---- buffers ---- */

/* Drawn on while it is scanned: rows before are the old ones in this picture. */
static void tears(void) {
    describe(24, 24, 24);
    build();
    jl_rgb_show(world.bus, frame, W * H * 3);
    pass(1 + (3 + 6 + 15.0) / 51); /* the first 15 rows of the second picture are out */
    memset(frame, 0xFF, sizeof frame);
    pass((51 - 24 - 2.0) / 51); /* and the rest */
    look();
    int wrong = 0;
    for (int y = 0; y < H; y++) {
        wrong += seen_at(9, y) != (y < 15 ? color_of(9, y) : 0xFFFFFF);
    }
    EXPECT_INT(wrong, 0);
    EXPECT_CONTAINS(said(), "torn: rows 0 to 14 were drawn on after they had been scanned");
    pass(1);
    look();
    EXPECT_INT(seen_at(9, 3), 0xFFFFFF);
    pass(2);
    EXPECT_INT(sentences(), 1);
    close_world();
    /* No tear: between two pictures; and on rows that are all out already, in the first one, too.
     */
    for (int i = 0; i < 3; i++) {
        describe(24, 24, 24);
        build();
        jl_rgb_show(world.bus, frame, W * H * 3);
        pass(i ? i - 1 + (3 + 6 + 30.0) / 51 : 1 + 49.8 / 51);
        memset(frame, 0xFF, i ? 25 * W * 3 : sizeof frame);
        pass(2);
        EXPECT_INT(sentences(), 0);
        close_world();
    }
}

/* Two buffers: the other one comes with the next picture, whole. */
static void swaps(void) {
    static uint8_t other[W * H * 3];
    describe(24, 24, 24);
    memset(other, 0x55, sizeof other);
    build();
    jl_rgb_show(world.bus, frame, W * H * 3);
    EXPECT(jl_rgb_is_shown(world.bus));
    pass(1.5);
    jl_rgb_show(world.bus, other, sizeof other);
    EXPECT(!jl_rgb_is_shown(world.bus));
    pass(0.4);
    EXPECT(!jl_rgb_is_shown(world.bus));
    pass(0.2);
    EXPECT(jl_rgb_is_shown(world.bus));
    EXPECT_INT((long long)jl_rgb_picture_count(world.bus), 2);
    pass(0.2);
    look(); /* the first rows, so far */
    EXPECT_INT(seen_at(9, 0), 0x555555);
    EXPECT_INT(seen_at(9, H - 1), color_of(9, H - 1));
    pass(0.7);
    look();
    EXPECT_INT(seen_at(9, H - 1), 0x555555);
    EXPECT_INT(sentences(), 0);
    EXPECT_INT((long long)jl_rgb_byte_count(world.bus) / (W * H * 3), 3);
    close_world();
}

/* Another palette recolours the picture, which nobody draws. */
static void palettes_change(void) {
    describe(8, 24, 24);
    run(2.5);
    EXPECT_INT(seen_at(20, 9), palette[29]);
    for (int i = 0; i < 256; i++) {
        palette[i] = 0xFFFFFFu - palette[i];
    }
    jl_rgb_palette(world.bus, palette);
    EXPECT(seen_at(20, 9) != palette[29]);
    pass(2);
    look();
    EXPECT_INT(seen_at(20, 9), palette[29]);
    close_world();
}

/* Without power it shows nothing; with it again, all of the next picture. */
static void unplugged_and_back(void) {
    describe(24, 24, 24);
    run(2.5);
    jl_device_set_plugged(world.glass, false);
    pass(2);
    EXPECT_CONTAINS(jl_device_why_dark(world.glass), "unplugged");
    jl_device_set_plugged(world.glass, true);
    pass(2);
    look();
    int wrong = 0;
    for (int p = 0; p < W * H; p++) {
        wrong += seen_at(p % W, p / W) != color_of(p % W, p / W);
    }
    EXPECT_INT(wrong, 0);
    close_world();
}

/* Glass by DE finds the beginning of a picture by a line without. */
static void no_rest_between_pictures(void) {
    describe(24, 24, 24);
    world.source.timing.picture = (struct jl_rgb_porches){0, 0, 0};
    run(3);
    EXPECT_CONTAINS(jl_device_why_dark(world.glass), "DE has no line of rest between pictures");
    close_world();
}

/* What lies behind the memory is not read. */
static void short_memory(void) {
    describe(24, 24, 24);
    build();
    uint8_t *half = malloc(W * H * 3 / 2); /* a sanitizer sees a byte more */
    EXPECT(half != NULL);
    memset(half, 0x77, W * H * 3 / 2);
    jl_rgb_show(world.bus, half, W * H * 3 / 2);
    pass(2);
    look();
    EXPECT_INT(seen_at(5, H / 2 - 1), 0x777777);
    EXPECT_INT(seen_at(5, H / 2), 0);
    close_world();
    free(half);
}

static uint8_t line_buffers[2][4 * W * 3];
static int next_rows;

/* The firmware's interrupt: 4 rows more into the buffer that is free. */
static void refill(void *context) {
    int *calls = context;
    memcpy(line_buffers[*calls & 1], frame + next_rows * W * 3, sizeof line_buffers[0]);
    next_rows = (next_rows + 4) % H;
    ++*calls;
}

static void line_buffers_in_time_and_late(void) {
    static const struct {
        const char *name;
        double rate;
        bool late;
    } rows[] = {
        {"at once", 0, false},
        {"in time", 800000, false}, /* 4 rows in 0.9 ms, of 1.52 */
        {"late", 400000, true},     /* 1.8 ms */
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        uint8_t *const buffers[] = {line_buffers[0], line_buffers[1]};
        int calls = 0;
        describe(24, 24, 24);
        world.source.refill_bytes_s = rows[i].rate;
        test_row("%s", rows[i].name);
        build();
        next_rows = 0;
        refill(&calls);
        refill(&calls);
        jl_rgb_show_lines(world.bus, buffers, sizeof line_buffers[0], refill, &calls);
        pass(3);
        look();
        EXPECT_INT(calls, 2 + 30); /* ten a picture */
        int wrong = 0;
        for (int p = 0; p < W * H; p++) {
            wrong += seen_at(p % W, p / W) != color_of(p % W, p / W);
        }
        EXPECT_INT(wrong > 0, rows[i].late);
        EXPECT_INT(sentences(), rows[i].late ? 1 : 0);
        if (rows[i].late) {
            EXPECT_CONTAINS(said(), "the line buffers are filled too slowly: 4 rows take 1800.0 us "
                                    "at 0.4 MB/s, and are through in 1520.0 us");
            /* What is shown instead are rows of two buffers before. */
            int older[2] = {0, 0}, neither = 0;
            for (int y = 8; y < H; y++) {
                bool late = seen_at(7, y) == color_of(7, y - 8);
                older[y / 4 % 2] += late;
                neither += !late && seen_at(7, y) != color_of(7, y);
            }
            EXPECT(older[0] > 0 && older[1] > 0);
            EXPECT_INT(neither, 0);
        }
        close_world();
    }
}

/* From a frame to line buffers and back, each at a vertical sync. */
static void frames_and_line_buffers_in_turn(void) {
    uint8_t *const buffers[] = {line_buffers[0], line_buffers[1]};
    static uint8_t white[W * H * 3];
    int calls = 0;
    memset(white, 0xFF, sizeof white);
    describe(24, 24, 24);
    next_rows = 0;
    build();
    jl_rgb_show(world.bus, white, sizeof white);
    pass(1.5);
    refill(&calls);
    refill(&calls);
    jl_rgb_show_lines(world.bus, buffers, sizeof line_buffers[0], refill, &calls);
    pass(0.45);
    EXPECT_INT(calls, 2); /* not before the sync */
    look();
    EXPECT_INT(seen_at(9, H - 1), 0xFFFFFF);
    pass(1.02);
    look();
    EXPECT_INT(calls, 12);
    int wrong = 0;
    for (int p = 0; p < W * H; p++) {
        wrong += seen_at(p % W, p / W) != color_of(p % W, p / W);
    }
    EXPECT_INT(wrong, 0);
    close_world();
    calls = 0;
    next_rows = 0;
    describe(24, 24, 24);
    build();
    refill(&calls);
    refill(&calls);
    jl_rgb_show_lines(world.bus, buffers, sizeof line_buffers[0], refill, &calls);
    pass(1.5);
    jl_rgb_show(world.bus, white, sizeof white);
    EXPECT(!jl_rgb_is_shown(world.bus));
    pass(1.48);
    look();
    EXPECT_INT(seen_at(9, 0), 0xFFFFFF);
    EXPECT_INT(seen_at(9, H - 1), 0xFFFFFF);
    int after = calls;
    pass(2);
    EXPECT_INT(calls, after);
    close_world();
}

static uint8_t tall_buffers[2][8 * W * 3];

static void refill_tall(void *context) {
    int *calls = context;
    memcpy(tall_buffers[*calls & 1], frame + *calls % 5 * 8 * W * 3, sizeof tall_buffers[0]);
    ++*calls;
}

/* Five buffers a picture: a second beginning is in the first one again, and nothing is late. */
static void line_buffers_begin_twice(void) {
    uint8_t *const buffers[] = {tall_buffers[0], tall_buffers[1]};
    describe(24, 24, 24);
    world.source.refill_bytes_s = 500000; /* 8 rows in 2.88 ms of 3.04 */
    build();
    for (int i = 0; i < 2; i++) {
        int calls = 0;
        test_row("beginning %d", i);
        refill_tall(&calls);
        refill_tall(&calls);
        jl_rgb_show_lines(world.bus, buffers, sizeof tall_buffers[0], refill_tall, &calls);
        pass(1.005);
        look();
        int wrong = 0;
        for (int p = 0; p < W * H; p++) {
            wrong += seen_at(p % W, p / W) != color_of(p % W, p / W);
        }
        EXPECT_INT(wrong, 0);
        jl_rgb_show(world.bus, frame, sizeof frame); /* from the next sync on */
        pass(0.99);
    }
    EXPECT_INT(sentences(), 0);
    close_world();
}

/* ---- a recording ---- */

static void recordings(void) {
    struct vcd_text text = {0};
    describe(16, 16, 24);
    world.panel.by_syncs = true;
    build();
    jl_rgb_record_lines(world.bus, 9, 2); /* the first two rows */
    EXPECT(jl_board_record(world.board, vcd_take, &text));
    jl_rgb_show(world.bus, frame, sizeof frame);
    pass(2);
    EXPECT(jl_board_record_end(world.board));
    struct vcd vcd = vcd_parse(text.text);
    EXPECT(vcd.good);
    int pclk = vcd_wire(&vcd, "glass", "pclk"), hsync = vcd_wire(&vcd, "glass", "hsync");
    int vsync = vcd_wire(&vcd, "glass", "vsync"), de = vcd_wire(&vcd, "glass", "de");
    EXPECT(pclk >= 0 && hsync >= 0 && vsync >= 0 && de >= 0);
    int lines[16];
    for (int i = 0; i < 16; i++) {
        char name[8];
        snprintf(name, sizeof name, "%c%d",
                 i < 5    ? 'b'
                 : i < 11 ? 'g'
                          : 'r',
                 i < 5    ? i
                 : i < 11 ? i - 5
                          : i - 11);
        lines[i] = vcd_wire(&vcd, "glass", name);
        EXPECT(lines[i] >= 0);
    }
    EXPECT_INT(vcd_wire(&vcd, "glass", "b5"), -1);
    /* Read as glass does: at each rising edge with DE, a pixel. */
    bool levels[VCD_WIRES] = {false};
    int hsyncs = 0, vsyncs = 0, des = 0, pixels = 0, wrong = 0, clocks = 0;
    for (size_t i = 0; i < vcd.edge_count; i++) {
        const struct vcd_edge *edge = &vcd.edges[i];
        bool before = levels[edge->wire];
        levels[edge->wire] = edge->high;
        hsyncs += edge->wire == hsync && !edge->high && before;
        vsyncs += edge->wire == vsync && !edge->high && before;
        des += edge->wire == de && edge->high && !before;
        if (edge->wire != pclk || !edge->high || before) {
            continue;
        }
        clocks++;
        if (levels[de]) {
            unsigned value = 0, at = (unsigned)pixels++;
            for (int k = 0; k < 16; k++) {
                value |= (unsigned)levels[lines[k]] << k;
            }
            wrong += value != (frame[2 * at] | (unsigned)frame[2 * at + 1] << 8);
        }
    }
    EXPECT_INT(hsyncs, 102);
    EXPECT_INT(vsyncs, 2);
    EXPECT_INT(des, 80);
    EXPECT_INT(clocks, 2 * 76);
    EXPECT_INT(pixels, 2 * W);
    EXPECT_INT(wrong, 0);
    vcd_free(&vcd);
    free(text.text);
    close_world();
}

/* ---- what cannot be ---- */

static void buses_that_cannot_be(void) {
    describe(24, 24, 24);
    const struct jl_glass shape = {.width = W, .height = H, .kind = JL_GLASS_TFT};
    const struct jl_glass wide = {.width = 1281, .height = H, .kind = JL_GLASS_TFT};
    struct jl_board *board = jl_board_create(1);
    struct jl_device *glass = jl_board_add_device(board, &jl_emulated_rgb_glass, "glass", &shape);
    struct jl_device *other = jl_board_add_device(board, &jl_emulated_ili9341, "other", &shape);
    EXPECT(glass && other);
    EXPECT(!jl_board_add_device(board, &jl_emulated_rgb_glass, "wide", &wide));
    EXPECT_CONTAINS(jl_device_why_dark(glass), "not wired");
    EXPECT(!jl_board_add_rgb(board, &world.source, other, &world.panel));
#define REFUSES(change)                                                                            \
    describe(24, 24, 24);                                                                          \
    world.change;                                                                                  \
    test_row(#change);                                                                             \
    EXPECT(!jl_board_add_rgb(board, &world.source, glass, &world.panel))
    REFUSES(source.timing.width = 0);
    REFUSES(source.timing.height = -1);
    REFUSES(source.timing.clock_hz = 0);
    REFUSES(source.timing.clock_hz = 2e9);
    REFUSES(source.timing.line.back = -1);
    REFUSES(source.timing.picture.front = 70000);
    REFUSES(source.data_lines = 8);
    REFUSES(source.bits_per_pixel = 12);
    REFUSES(panel.timing.height = 0);
    REFUSES(panel.bits[1] = 4);
    REFUSES(panel.bits[2] = 9);
    REFUSES(panel.wires[0][7] = 24);
    REFUSES(panel.wires[2][0] = -2);
    describe(24, 24, 24);
    for (int i = 0; i < 4; i++) {
        EXPECT(jl_board_add_rgb(board, &world.source, glass, &world.panel) != NULL);
    }
    EXPECT(!jl_board_add_rgb(board, &world.source, glass, &world.panel)); /* no place */
    EXPECT_CONTAINS(jl_device_why_dark(glass), "its clock stands still");
    jl_board_destroy(board);
}

/* ---- glass with a command port ---- */

static struct jl_stream_bus *port_of_st7701(void) {
    const struct jl_glass shape = {.width = W, .height = H, .kind = JL_GLASS_TFT};
    world.board = jl_board_create(7);
    world.glass = jl_board_add_device(world.board, &jl_emulated_st7701, "glass", &shape);
    world.bus = jl_board_add_rgb(world.board, &world.source, world.glass, &world.panel);
    struct jl_stream_bus *spi = jl_board_add_spi(world.board, 2000000, 0, 0);
    EXPECT(spi && jl_stream_attach(spi, world.glass));
    jl_device_three_wire(world.glass, true);
    jl_device_set_pin(world.glass, JL_DEVICE_CS, false);
    jl_rgb_show(world.bus, frame, sizeof frame);
    return spi;
}

static void command(struct jl_stream_bus *spi, const char *hex) {
    for (int i = 0; hex[0]; i++, hex += hex[2] ? 3 : 2) {
        uint8_t byte = (uint8_t)strtoul(hex, NULL, 16);
        jl_stream_write_nine(spi, &byte, 1, i > 0);
    }
}

static void sleeping_glass_is_white(void) {
    static const struct {
        const char *name;
        const char *commands[4];
        uint32_t top, bottom; /* what is seen; 1: the picture, 2: its negative */
        const char *says;
    } rows[] = {
        {"no command", {NULL}, 0xFFFFFF, 0xFFFFFF, "the command port had no sleep out (11)"},
        {"sleep out only", {"11"}, 0xFFFFFF, 0xFFFFFF, "the command port had no display on (29)"},
        {"display on only", {"29"}, 0xFFFFFF, 0xFFFFFF, "the command port had no sleep out (11)"},
        {"woken", {"11", "29"}, 1, 1, ""},
        {"woken and sent to sleep", {"11", "29", "10"}, 0xFFFFFF, 0xFFFFFF, "no sleep out"},
        {"inverted", {"11", "29", "21"}, 2, 2, ""},
        {"24 lines", {"FF 77 01 00 00 10", "C0 02 00", "11", "29"}, 1, 0xFFFFFF, ""},
        {"24 and 2 lines", {"FF 77 01 00 00 10", "C0 82 01", "11", "29"}, 1, 0xFFFFFF, ""},
        {"no bank", {"C0 02 00", "11", "29"}, 1, 1, "unknown command C0: no bank is open"},
        {"no such bank", {"FF 77 01 00 00 20", "11", "29"}, 1, 1, "opens no bank"},
        {"no such command", {"5A", "11", "29"}, 1, 1, "unknown command 5A"},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        describe(24, 24, 24);
        test_row("%s", rows[i].name);
        struct jl_stream_bus *spi = port_of_st7701();
        for (int k = 0; k < 4 && rows[i].commands[k]; k++) {
            command(spi, rows[i].commands[k]);
            jl_board_wait_ps(world.board, PS_PER_S / 100);
        }
        pass(2);
        look();
        uint32_t top = color_of(8, 3), bottom = color_of(8, H - 1);
        EXPECT_INT(seen_at(8, 3), rows[i].top == 1   ? top
                                  : rows[i].top == 2 ? top ^ 0xFFFFFF
                                                     : rows[i].top);
        EXPECT_INT(seen_at(8, H - 1), rows[i].bottom == 1   ? bottom
                                      : rows[i].bottom == 2 ? bottom ^ 0xFFFFFF
                                                            : rows[i].bottom);
        EXPECT_CONTAINS(said(), rows[i].says);
        EXPECT_INT(sentences(), *rows[i].says ? 1 : 0);
        look();
        EXPECT_INT(sentences(), *rows[i].says ? 1 : 0); /* said once */
        if (rows[i].commands[0] && strcmp(rows[i].name, "24 and 2 lines") == 0) {
            EXPECT_INT(seen_at(8, 25), color_of(8, 25));
            EXPECT_INT(seen_at(8, 26), 0xFFFFFF);
        }
        close_world();
    }
}

static void commands_too_early(void) {
    describe(24, 24, 24);
    struct jl_stream_bus *spi = port_of_st7701();
    command(spi, "01");
    jl_board_wait_ps(world.board, PS_PER_S / 1000 * 4);
    command(spi, "11");
    EXPECT_CONTAINS(said(), "command 11 came less than 5 ms after a reset or sleep out");
    EXPECT_INT(sentences(), 1);
    jl_board_wait_ps(world.board, PS_PER_S / 1000 * 6);
    command(spi, "29");
    EXPECT_INT(sentences(), 1);
    /* A reset by the pin sends it to sleep again; meanwhile it is deaf. */
    jl_device_set_pin(world.glass, JL_DEVICE_RESET, false);
    command(spi, "11");
    command(spi, "29");
    look();
    EXPECT_INT(seen_at(8, 3), 0xFFFFFF);
    jl_device_set_pin(world.glass, JL_DEVICE_RESET, true);
    pass(2);
    look();
    EXPECT_INT(seen_at(8, 3), 0xFFFFFF);
    close_world();
}

const struct test_group test_groups[] = {
    {"right_pictures", right_pictures},
    {"low_inputs_at_ground", low_inputs_at_ground},
    {"shifts", shifts},
    {"other_sizes", other_sizes},
    {"wire_mistakes", wire_mistakes},
    {"other_mistakes", other_mistakes},
    {"late_pixels", late_pixels},
    {"rows_fade", rows_fade},
    {"tears", tears},
    {"swaps", swaps},
    {"palettes_change", palettes_change},
    {"unplugged_and_back", unplugged_and_back},
    {"no_rest_between_pictures", no_rest_between_pictures},
    {"short_memory", short_memory},
    {"line_buffers_in_time_and_late", line_buffers_in_time_and_late},
    {"frames_and_line_buffers_in_turn", frames_and_line_buffers_in_turn},
    {"line_buffers_begin_twice", line_buffers_begin_twice},
    {"recordings", recordings},
    {"buses_that_cannot_be", buses_that_cannot_be},
    {"sleeping_glass_is_white", sleeping_glass_is_white},
    {"commands_too_early", commands_too_early},
    {NULL, NULL},
};
