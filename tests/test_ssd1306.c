/*
 * The emulated ssd1306 by itself: raw bytes as any firmware would send them.
 * Expected pictures are geometry: which source pixel each dot of the glass shows.
 */
#include "harness.h"

#include <string.h>

#include "jadelamp/sim/board.h"
#include "jadelamp/sim/emulators.h"

enum { WIDTH = 128, HEIGHT = 64, DARK = -1, LIT = -2, PS_PER_MS = 1000000000 };

struct raw {
    struct jl_board *board;
    struct jl_device *device;
    struct jl_i2c_bus *bus;
};

static const struct jl_glass usual_glass = {.width = WIDTH, .height = HEIGHT};

static struct raw raw_open(const struct jl_glass *glass) {
    struct raw raw = {.board = jl_board_create(7)};
    raw.device = jl_board_add_device(raw.board, &jl_emulated_ssd1306, "raw", glass);
    raw.bus = jl_board_add_i2c(raw.board, 400000, 0);
    EXPECT(raw.device && jl_i2c_attach(raw.bus, raw.device, 0x3C));
    return raw;
}

static void raw_send(struct raw *raw, uint8_t control, const uint8_t *bytes, size_t count) {
    EXPECT(jl_i2c_start(raw->bus));
    EXPECT(jl_i2c_write(raw->bus, 0x78));
    EXPECT(jl_i2c_write(raw->bus, control));
    for (size_t i = 0; i < count; i++) {
        EXPECT(jl_i2c_write(raw->bus, bytes[i]));
    }
    jl_i2c_stop(raw->bus);
}

#define COMMANDS(raw, ...)                                                                         \
    raw_send((raw), 0x00, (const uint8_t[]){__VA_ARGS__}, sizeof((uint8_t[]){__VA_ARGS__}))

/* A source picture without symmetry: a pseudo-random bit of x and y. */
static bool source(int x, int y) {
    uint32_t v = (uint32_t)(y * WIDTH + x) * 2654435761u;
    return (v ^ v >> 15) >> 20 & 1;
}

static uint8_t source_byte(int page, int column) {
    uint8_t byte = 0;
    for (int bit = 0; bit < 8; bit++) {
        byte |= (uint8_t)(source(column, page * 8 + bit) << bit);
    }
    return byte;
}

static void raw_write_source(struct raw *raw) {
    uint8_t bytes[WIDTH * HEIGHT / 8];
    for (int i = 0; i < WIDTH * HEIGHT / 8; i++) {
        bytes[i] = source_byte(i / WIDTH, i % WIDTH);
    }
    COMMANDS(raw, 0x21, 0x00, 0x7F, 0x22, 0x00, 0x07);
    raw_send(raw, 0x40, bytes, sizeof bytes);
}

/* The wake-up of the usual module, as its makers print it. */
static void raw_wake(struct raw *raw) {
    COMMANDS(raw, 0xAE, 0xD5, 0x80, 0xA8, 0x3F, 0xD3, 0x00, 0x40, 0x8D, 0x14, 0x20, 0x00, 0xA1,
             0xC8, 0xDA, 0x12, 0x81, 0xCF, 0xD9, 0xF1, 0xDB, 0x20, 0xA4, 0xA6, 0x2E);
    raw_write_source(raw);
    COMMANDS(raw, 0xAF);
    jl_board_wait_ps(raw->board, (uint64_t)150 * PS_PER_MS);
}

static struct jl_picture raw_look(struct raw *raw) {
    struct jl_picture picture;
    EXPECT(jl_device_picture(raw->device, &picture));
    return picture;
}

/* Where a dot of the glass takes its pixel from; DARK or LIT in x for none. */
struct from {
    int x, y;
};
typedef struct from (*transform_fn)(int x, int y);

static void expect_transform(struct raw *raw, const char *name, int width, int height,
                             transform_fn transform, bool inverted) {
    struct jl_picture seen = raw_look(raw);
    struct jl_picture expected;
    EXPECT(jl_picture_create(&expected, width, height));
    for (int y = 0; y < height; y++) {
        for (int x = 0; x < width; x++) {
            struct from from = transform(x, y);
            bool lit = from.x == LIT || (from.x != DARK && source(from.x, from.y) != inverted);
            memset(jl_picture_at(&expected, x, y), lit ? 255 : 0, 3);
        }
    }
    EXPECT_PICTURE(&seen, &expected, name);
    jl_picture_free(&seen);
    jl_picture_free(&expected);
}

#define TRANSFORM(name, from_x, from_y)                                                            \
    static struct from name(int x, int y) {                                                        \
        (void)x;                                                                                   \
        (void)y;                                                                                   \
        return (struct from){(from_x), (from_y)};                                                  \
    }

TRANSFORM(upright, x, y)
TRANSFORM(dark, DARK, 0)
TRANSFORM(all_lit, LIT, 0)
TRANSFORM(up_8, x, (y + 8) % HEIGHT)
TRANSFORM(up_5_and_8, x, (y + 13) % HEIGHT)
TRANSFORM(upside_mirrored, x, HEIGHT - 1 - y)
TRANSFORM(interlaced, x, y % 2 ? 32 + y / 2 : y / 2)
TRANSFORM(lower_half_only, y < 32 ? DARK : x, y - 32)
TRANSFORM(every_other_row, y % 2 ? x : DARK, y / 2)
TRANSFORM(sides_swapped, x, y % 2 ? y - 1 : y + 1)
TRANSFORM(mirrored, WIDTH - 1 - x, y)

/* Registers that act on the glass at once: wake properly, then one wrong byte. */
static void wrong_bytes_show(void) {
    static const struct {
        const char *name;
        uint8_t bytes[4];
        int count;
        transform_fn transform;
        bool inverted;
    } rows[] = {
        {"right", {0xE3}, 1, upright, false},
        {"com-pins-sequential", {0xDA, 0x02}, 2, interlaced, false},
        {"com-pins-swapped", {0xDA, 0x32}, 2, sides_swapped, false},
        {"multiplex-32", {0xA8, 0x1F}, 2, lower_half_only, false},
        {"multiplex-32-sequential", {0xA8, 0x1F, 0xDA, 0x02}, 4, every_other_row, false},
        {"com-scan-normal", {0xC0}, 1, upside_mirrored, false},
        {"offset-8", {0xD3, 0x08}, 2, up_8, false},
        {"start-line-8", {0x48}, 1, up_8, false},
        {"start-line-and-offset", {0x45, 0xD3, 0x08}, 3, up_5_and_8, false},
        {"remap-after-writing", {0xA0}, 1, upright, false},
        {"inverted", {0xA7}, 1, upright, true},
        {"all-on", {0xA5}, 1, all_lit, false},
        {"asleep", {0xAE}, 1, dark, false},
        {"pump-off", {0x8D, 0x10}, 2, dark, false},
        {"multiplex-invalid-keeps", {0xA8, 0x0E}, 2, upright, false},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct raw raw = raw_open(&usual_glass);
        test_row("%s", rows[i].name);
        raw_wake(&raw);
        raw_send(&raw, 0x00, rows[i].bytes, (size_t)rows[i].count);
        expect_transform(&raw, rows[i].name, WIDTH, HEIGHT, rows[i].transform, rows[i].inverted);
        jl_board_destroy(raw.board);
    }
}

/* The remap acts on what is written after it. */
static void remap_before_writing(void) {
    struct raw raw = raw_open(&usual_glass);
    raw_wake(&raw);
    COMMANDS(&raw, 0xA0);
    raw_write_source(&raw);
    expect_transform(&raw, "segment-remap", WIDTH, HEIGHT, mirrored, false);
    jl_board_destroy(raw.board);
}

/*
 * 32-row glass bonded in sequence, with the bytes of a 64-row module. Row y hangs
 * on pad 31 - y of one side; alternative pins drive that pad from common
 * 2 * (31 - y), and the reversed scan shows row rows - 1 - common there: 2 * y + 1
 * of 64 rows, 2 * y - 31 of 32 rows. So every other row is lost.
 */
TRANSFORM(squashed, x, y * 2 + 1)
TRANSFORM(squashed_then_dark, y < 16 ? DARK : x, y * 2 - 31)
TRANSFORM(second_half, x, y + 32)

static void wrong_bytes_on_32_rows(void) {
    static const struct {
        const char *name;
        uint8_t mux, pins;
        transform_fn transform;
    } rows[] = {
        {"32-right", 0x1F, 0x02, upright},
        {"32-alternate-64", 0x3F, 0x12, squashed},
        {"32-mux-64", 0x3F, 0x02, second_half},
        {"32-alternate-32", 0x1F, 0x12, squashed_then_dark},
    };
    static const struct jl_glass glass = {.width = WIDTH, .height = 32};
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct raw raw = raw_open(&glass);
        test_row("%s", rows[i].name);
        raw_wake(&raw);
        COMMANDS(&raw, 0xA8, rows[i].mux, 0xDA, rows[i].pins);
        expect_transform(&raw, rows[i].name, WIDTH, 32, rows[i].transform, false);
        jl_board_destroy(raw.board);
    }
}

/* ---- addressing modes ---- */

/* Writes `count` numbered bytes after the commands; says which cell got byte k. */
static void addressing_modes(void) {
    static const struct {
        const char *name;
        uint8_t commands[12];
        int command_count;
        int bytes;
        int mode; /* 0 horizontal, 1 vertical, 2 page */
        int c0, c1, p0, p1;
    } rows[] = {
        {"horizontal, whole", {0x20, 0x00, 0x21, 0, 127, 0x22, 0, 7}, 8, 1024, 0, 0, 127, 0, 7},
        {"horizontal, window", {0x20, 0x00, 0x21, 10, 14, 0x22, 2, 4}, 8, 15, 0, 10, 14, 2, 4},
        {"horizontal, wraps", {0x20, 0x00, 0x21, 10, 14, 0x22, 2, 4}, 8, 22, 0, 10, 14, 2, 4},
        {"horizontal, one cell", {0x20, 0x00, 0x21, 127, 127, 0x22, 7, 7}, 8, 3, 0, 127, 127, 7, 7},
        {"vertical, window", {0x20, 0x01, 0x21, 10, 14, 0x22, 2, 4}, 8, 15, 1, 10, 14, 2, 4},
        {"vertical, wraps", {0x20, 0x01, 0x21, 10, 14, 0x22, 2, 4}, 8, 17, 1, 10, 14, 2, 4},
        {"vertical, whole", {0x20, 0x01, 0x21, 0, 127, 0x22, 0, 7}, 8, 1024, 1, 0, 127, 0, 7},
        {"page, from reset", {0x20, 0x02}, 2, 128, 2, 0, 127, 0, 0},
        {"page, page 3 column 0x25", {0x20, 0x02, 0xB3, 0x05, 0x12}, 5, 20, 2, 0x25, 127, 3, 3},
        {"page, frame burst stays", {0x20, 0x02, 0xB0, 0x00, 0x10}, 5, 1024, 2, 0, 127, 0, 0},
        {"page, wraps to its start", {0x20, 0x02, 0xB7, 0x0A, 0x17}, 5, 15, 2, 0x7A, 127, 7, 7},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        uint8_t ram[8][WIDTH], bytes[1024];
        struct raw raw = raw_open(&usual_glass);
        test_row("%s", rows[i].name);
        raw_wake(&raw);
        for (int page = 0; page < 8; page++) {
            for (int column = 0; column < WIDTH; column++) {
                ram[page][column] = source_byte(page, column);
            }
        }
        int w = rows[i].c1 - rows[i].c0 + 1, h = rows[i].p1 - rows[i].p0 + 1;
        for (int k = 0; k < rows[i].bytes; k++) {
            int column = rows[i].mode == 1 ? k / h % w : k % w;
            int page = rows[i].mode == 0 ? k / w % h : rows[i].mode == 1 ? k % h : 0;
            bytes[k] = (uint8_t)(k * 37 + 11);
            ram[rows[i].p0 + page][rows[i].c0 + column] = bytes[k];
        }
        raw_send(&raw, 0x00, rows[i].commands, (size_t)rows[i].command_count);
        raw_send(&raw, 0x40, bytes, (size_t)rows[i].bytes);
        struct jl_picture seen = raw_look(&raw);
        int wrong = 0;
        for (int y = 0; y < HEIGHT; y++) {
            for (int x = 0; x < WIDTH; x++) {
                wrong += (jl_picture_at(&seen, x, y)[0] != 0) != (ram[y / 8][x] >> y % 8 & 1);
            }
        }
        EXPECT_INT(wrong, 0);
        /* 1024 bytes over one page are no picture. */
        EXPECT_INT((long long)jl_board_diagnostic_total(raw.board),
                   rows[i].mode == 2 && rows[i].bytes > WIDTH);
        jl_picture_free(&seen);
        jl_board_destroy(raw.board);
    }
}

/* ---- light ---- */

static void why_it_is_dark(void) {
    static const struct jl_glass external = {
        .width = WIDTH, .height = HEIGHT, .external_supply = true};
    static const struct {
        const char *name;
        uint8_t bytes[8];
        int count, wait_ms;
        const struct jl_glass *glass;
        const char *why; /* NULL: lit */
    } rows[] = {
        {"nothing sent", {0xE3}, 1, 200, &usual_glass, "never switched on"},
        {"pump missing", {0xAF}, 1, 200, &usual_glass, "charge pump is off"},
        {"pump after AF", {0xAF, 0x8D, 0x14}, 3, 200, &usual_glass, "enabled after AF"},
        {"pump before AF", {0x8D, 0x14, 0xAF}, 3, 200, &usual_glass, NULL},
        {"pump late, AF again", {0xAF, 0x8D, 0x14, 0xAF}, 4, 200, &usual_glass, NULL},
        {"too early to look", {0x8D, 0x14, 0xAF}, 3, 50, &usual_glass, "less than 100 ms"},
        {"external supply", {0xAF}, 1, 200, &external, NULL},
        {"slept", {0x8D, 0x14, 0xAF, 0xAE}, 4, 200, &usual_glass, "sleeps"},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct raw raw = raw_open(rows[i].glass);
        test_row("%s", rows[i].name);
        raw_send(&raw, 0x00, rows[i].bytes, (size_t)rows[i].count);
        jl_board_wait_ps(raw.board, (uint64_t)rows[i].wait_ms * PS_PER_MS);
        const char *why = jl_device_why_dark(raw.device);
        if (rows[i].why) {
            EXPECT_CONTAINS(why ? why : "lit", rows[i].why);
        } else {
            EXPECT(why == NULL);
        }
        jl_board_destroy(raw.board);
    }
}

/* Power-on RAM is noise: neither black nor white, the same in each run, other by seed. */
static void ram_is_noise_at_power_on(void) {
    struct jl_picture first = {0};
    for (int run = 0; run < 3; run++) {
        struct jl_board *board = jl_board_create(run < 2 ? 5 : 6);
        struct raw raw = {.board = board};
        raw.device = jl_board_add_device(board, &jl_emulated_ssd1306, "noise", &usual_glass);
        raw.bus = jl_board_add_i2c(board, 400000, 0);
        EXPECT(jl_i2c_attach(raw.bus, raw.device, 0x3C));
        COMMANDS(&raw, 0x8D, 0x14, 0xAF);
        jl_board_wait_ps(board, (uint64_t)150 * PS_PER_MS);
        struct jl_picture seen = raw_look(&raw);
        int lit = 0;
        for (int i = 0; i < WIDTH * HEIGHT; i++) {
            lit += seen.rgb[i * 3] != 0;
        }
        EXPECT(lit > WIDTH * HEIGHT * 2 / 5 && lit < WIDTH * HEIGHT * 3 / 5);
        if (run == 0) {
            first = seen;
        } else {
            bool same = memcmp(first.rgb, seen.rgb, WIDTH * HEIGHT * 3) == 0;
            EXPECT_INT(same, run == 1);
            jl_picture_free(&seen);
        }
        jl_board_destroy(board);
    }
    jl_picture_free(&first);
}

/* ---- scrolling ---- */

/* A frame at reset timing: (2 + 2 + 50) * 64 clocks at 370 kHz. */
#define FRAME_PS ((uint64_t)54 * 64 * 1000000000000u / 370000)

static int steps_seen;
static bool steps_left;

static struct from scrolled(int x, int y) {
    bool moves = y >= 8 && y < 24; /* pages 1 and 2 */
    int shift = steps_left ? steps_seen : WIDTH - steps_seen % WIDTH;
    return (struct from){moves ? (x + shift) % WIDTH : x, y};
}

static void scroll_moves_pages(void) {
    static const struct {
        uint8_t code;
        int frames;
    } intervals[] = {{0, 5}, {1, 64}, {2, 128}, {3, 256}, {4, 3}, {5, 4}, {6, 25}, {7, 2}};
    for (int i = 0; i < 16; i++) {
        struct raw raw = raw_open(&usual_glass);
        steps_left = i % 2;
        test_row("interval %d, %s", intervals[i / 2].frames, steps_left ? "left" : "right");
        raw_wake(&raw);
        COMMANDS(&raw, 0xD9, 0x22);
        COMMANDS(&raw, steps_left ? 0x27 : 0x26, 0x00, 0x01, intervals[i / 2].code, 0x02, 0x00,
                 0xFF, 0x2F);
        uint64_t step = FRAME_PS * (uint64_t)intervals[i / 2].frames;
        steps_seen = 3;
        jl_board_wait_ps(raw.board, step * 7 / 2);
        expect_transform(&raw, "scroll", WIDTH, HEIGHT, scrolled, false);
        steps_seen = 131; /* more than once around */
        jl_board_wait_ps(raw.board, step * 128);
        expect_transform(&raw, "scroll-around", WIDTH, HEIGHT, scrolled, false);
        COMMANDS(&raw, 0x2E);
        jl_board_wait_ps(raw.board, step * 10);
        expect_transform(&raw, "scroll-stopped", WIDTH, HEIGHT, scrolled, false);
        jl_board_destroy(raw.board);
    }
}

/* 29h: one column right and 3 rows up a step, in rows 16..47 only (A3h). */
static struct from diagonal(int x, int y) {
    bool in_area = y >= 16 && y < 48;
    int row = in_area ? 16 + (y - 16 + 3 * steps_seen) % 32 : y;
    return (struct from){(x + WIDTH - steps_seen) % WIDTH, row};
}

static void scroll_diagonally(void) {
    struct raw raw = raw_open(&usual_glass);
    raw_wake(&raw);
    COMMANDS(&raw, 0xD9, 0x22, 0xA3, 16, 32, 0x29, 0x00, 0x00, 0x07, 0x07, 0x03, 0x2F);
    steps_seen = 4;
    jl_board_wait_ps(raw.board, FRAME_PS * 9);
    expect_transform(&raw, "scroll-diagonal", WIDTH, HEIGHT, diagonal, false);
    jl_board_destroy(raw.board);
}

/* What lies beyond the multiplex ratio is not driven: not a row more, not a row less. */
static void rows_that_are_driven(void) {
    static const uint8_t ratios[] = {15, 31, 47, 62, 63};
    for (size_t i = 0; i < sizeof ratios; i++) {
        struct raw raw = raw_open(&usual_glass);
        raw_wake(&raw);
        COMMANDS(&raw, 0xA8, ratios[i], 0xA5); /* all dots, whatever the RAM has */
        struct jl_picture seen = raw_look(&raw);
        int lit = 0;
        for (int y = 0; y < 64; y++) {
            lit += jl_picture_at(&seen, 5, y)[0] > 128;
        }
        test_row("ratio %d", ratios[i] + 1);
        EXPECT_INT(lit, ratios[i] + 1);
        jl_picture_free(&seen);
        jl_board_destroy(raw.board);
    }
}

/* ---- the stream ---- */

/* Co = 1 takes single bytes; arguments may come in another transaction. */
static void control_bytes(void) {
    struct raw raw = raw_open(&usual_glass);
    raw_wake(&raw);
    static const uint8_t pairs[] = {0xD3, 0x80, 0x08, 0xC0, 0xFF, 0x80, 0xD3};
    raw_send(&raw, 0x80, pairs, sizeof pairs); /* D3 08, one data byte, D3 ... */
    COMMANDS(&raw, 0x00);                      /* ... and its argument later */
    struct jl_picture seen = raw_look(&raw);
    for (int y = 0; y < 8; y++) {
        EXPECT_INT(jl_picture_at(&seen, 0, y)[0], 255);
        EXPECT_INT(jl_picture_at(&seen, 1, y)[0], source(1, y) ? 255 : 0);
    }
    jl_picture_free(&seen);
    EXPECT_INT((long long)jl_board_diagnostic_total(raw.board), 0);
    EXPECT(jl_i2c_start(raw.bus));
    EXPECT(jl_i2c_write(raw.bus, 0x79));
    EXPECT_INT(jl_i2c_read(raw.bus, false), 0x00); /* status: on */
    jl_i2c_stop(raw.bus);
    jl_board_destroy(raw.board);
}

static void diagnostics(void) {
    static const struct {
        uint8_t control, bytes[8];
        int count;
        enum jl_severity severity;
        const char *text;
    } rows[] = {
        {0x00, {0xFF}, 1, JL_SEVERITY_ERROR, "unknown command FF"},
        {0x00, {0xC4}, 1, JL_SEVERITY_ERROR, "unknown command C4"},
        {0x00, {0x21, 0x00, 0x80}, 3, JL_SEVERITY_ERROR, "argument 0x80, expected 00..7F"},
        {0x00, {0x21, 0x20, 0x10}, 3, JL_SEVERITY_ERROR, "an end not before the start"},
        {0x00, {0x22, 0x00, 0x08}, 3, JL_SEVERITY_ERROR, "argument 0x08, expected 00..07"},
        {0x00, {0xA8, 0x05}, 2, JL_SEVERITY_ERROR, "expected 0F..3F"},
        {0x00, {0xD3, 0x40}, 2, JL_SEVERITY_ERROR, "expected 00..3F"},
        {0x00, {0xDA, 0x00}, 2, JL_SEVERITY_ERROR, "02, 12, 22 or 32"},
        {0x00, {0x8D, 0x04}, 2, JL_SEVERITY_ERROR, "10 (off) or 14 (on)"},
        {0x00, {0x20, 0x03}, 2, JL_SEVERITY_ERROR, "00 horizontal"},
        {0x00, {0xD9, 0x10}, 2, JL_SEVERITY_ERROR, "1..F clocks"},
        {0x00, {0xDB, 0x50}, 2, JL_SEVERITY_ERROR, "00, 20, 30 or 40"},
        {0x00,
         {0x26, 0x00, 0x02, 0x00, 0x01, 0x00, 0xFF},
         7,
         JL_SEVERITY_ERROR,
         "not before the first"},
        {0x00, {0xA3, 0x20, 0x30}, 3, JL_SEVERITY_ERROR, "within the multiplex ratio"},
        {0x00, {0x23, 0x00}, 2, JL_SEVERITY_NOTE, "later revisions"},
        {0x00, {0xB3}, 1, JL_SEVERITY_WARNING, "page addressing mode only"},
        {0x00,
         {0x20, 0x02, 0x21, 0x00, 0x7F},
         5,
         JL_SEVERITY_WARNING,
         "no effect in page addressing"},
        {0x00, {0x2F}, 1, JL_SEVERITY_WARNING, "without a scroll setup"},
        {0xAE, {0x00}, 1, JL_SEVERITY_ERROR, "0xAE stands where a control byte belongs"},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct raw raw = raw_open(&usual_glass);
        const struct jl_diagnostic *list;
        test_row("%s", rows[i].text);
        raw_wake(&raw);
        EXPECT_INT((long long)jl_board_diagnostic_total(raw.board), 0);
        raw_send(&raw, rows[i].control, rows[i].bytes, (size_t)rows[i].count);
        if (EXPECT(jl_board_diagnostics(raw.board, &list) >= 1)) {
            EXPECT_CONTAINS(list[0].text, rows[i].text);
            EXPECT_INT(list[0].severity, rows[i].severity);
            EXPECT_TEXT(list[0].device, "raw");
            EXPECT(list[0].at_ps > 0);
        }
        jl_board_destroy(raw.board);
    }
}

/* Diagnostics that need a history. */
static void diagnostics_of_sequences(void) {
    const struct jl_diagnostic *list;
    uint8_t byte = 0xFF;
    struct raw raw = raw_open(&usual_glass);
    raw_wake(&raw);
    COMMANDS(&raw, 0x26, 0x00, 0x00, 0x00, 0x07, 0x00, 0xFF, 0x2F);
    raw_send(&raw, 0x40, &byte, 1);
    EXPECT_INT((long long)jl_board_diagnostics(raw.board, &list), 1);
    EXPECT_CONTAINS(list[0].text, "while the scroll runs");
    COMMANDS(&raw, 0x2E, 0xAE);
    raw_send(&raw, 0x40, &byte, 1);
    raw_send(&raw, 0x40, &byte, 1); /* reported once */
    EXPECT_INT((long long)jl_board_diagnostics(raw.board, &list), 2);
    EXPECT_CONTAINS(list[1].text, "while the display sleeps");
    EXPECT_INT(list[1].severity, JL_SEVERITY_NOTE);
    COMMANDS(&raw, 0x81);
    raw_send(&raw, 0x40, &byte, 1);
    EXPECT_INT((long long)jl_board_diagnostics(raw.board, &list), 3);
    EXPECT_CONTAINS(list[2].text, "command 0x81 still waits for 1 argument");
    /* Many mistakes of one kind are one, counted. */
    COMMANDS(&raw, 0x10);
    for (int i = 0; i < 300; i++) {
        COMMANDS(&raw, 0xFF);
    }
    EXPECT_INT((long long)jl_board_diagnostics(raw.board, &list), 4);
    EXPECT_INT(list[3].count, 300);
    EXPECT_INT((long long)jl_board_diagnostic_total(raw.board), 303);
    /* Many of one kind that differ in their numbers leave place for others. */
    for (int i = 0; i < 256; i++) {
        COMMANDS(&raw, 0xA8, (uint8_t)(64 + i % 192));
        COMMANDS(&raw, 0xD3, (uint8_t)(64 + i % 192));
    }
    EXPECT_INT((long long)jl_board_diagnostics(raw.board, &list), 4 + 32);
    EXPECT_INT(list[35].count, 512 - 31 * 2); /* the others came twice, at 192 and more, too */
    EXPECT_INT(list[35].code, JL_CODE_ARGUMENT_VALUE);
    EXPECT_INT((long long)jl_board_diagnostic_total(raw.board), 303 + 512);
    COMMANDS(&raw, 0xAD);
    EXPECT_INT((long long)jl_board_diagnostics(raw.board, &list), 4 + 32 + 1);
    EXPECT_INT(list[36].code, JL_CODE_UNKNOWN_COMMAND);
    jl_board_destroy(raw.board);
}

static void reset_pin(void) {
    const struct jl_diagnostic *list;
    struct raw raw = raw_open(&usual_glass);
    raw_wake(&raw);
    EXPECT(jl_i2c_start(raw.bus)); /* in the middle of a transfer it stops answering */
    EXPECT(jl_i2c_write(raw.bus, 0x78) && jl_i2c_write(raw.bus, 0x00));
    jl_device_set_pin(raw.device, JL_DEVICE_RESET, false);
    EXPECT(!jl_i2c_write(raw.bus, 0xAE));
    jl_i2c_stop(raw.bus);
    jl_device_set_pin(raw.device, JL_DEVICE_RESET, true);
    jl_board_wait_ps(raw.board, 1000000000);
    raw_wake(&raw);
    jl_device_set_pin(raw.device, JL_DEVICE_RESET, false);
    EXPECT_CONTAINS(jl_device_why_dark(raw.device), "reset");
    EXPECT(jl_i2c_start(raw.bus));
    EXPECT(!jl_i2c_write(raw.bus, 0x78));
    jl_i2c_stop(raw.bus);
    EXPECT_INT((long long)jl_board_diagnostics(raw.board, &list), 1);
    EXPECT_CONTAINS(list[0].text, "reset pin is low");
    jl_device_set_pin(raw.device, JL_DEVICE_RESET, true);
    EXPECT_CONTAINS(jl_device_why_dark(raw.device), "never switched on");
    jl_board_wait_ps(raw.board, 10000000); /* 10 us */
    /* The RAM survives, so waking without writing shows the old picture. */
    COMMANDS(&raw, 0x8D, 0x14, 0xA1, 0xC8, 0xAF);
    jl_board_wait_ps(raw.board, (uint64_t)150 * PS_PER_MS);
    expect_transform(&raw, "after-reset", WIDTH, HEIGHT, upright, false);
    EXPECT_INT((long long)jl_board_diagnostic_total(raw.board), 1);
    jl_device_set_pin(raw.device, JL_DEVICE_RESET, false);
    jl_board_wait_ps(raw.board, 2000000); /* 2 us of 3 */
    jl_device_set_pin(raw.device, JL_DEVICE_RESET, true);
    EXPECT_INT((long long)jl_board_diagnostics(raw.board, &list), 2);
    EXPECT_CONTAINS(list[1].text, "reset was low for 2000 ns");
    COMMANDS(&raw, 0xAE); /* its address comes one bit time, 2.5 us, after the reset */
    EXPECT_INT((long long)jl_board_diagnostics(raw.board, &list), 3);
    EXPECT_CONTAINS(list[2].text, "first byte 2500 ns after reset");
    jl_board_destroy(raw.board);
}

static void clock_limits(void) {
    static const struct {
        uint32_t i2c_hz, spi_hz;
        const char *text; /* NULL: allowed */
    } rows[] = {{400000, 0, NULL},
                {400001, 0, "I2C clock 400001 Hz"},
                {0, 10000000, NULL},
                {0, 12000000, "SPI clock 12.00 MHz"}};
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        static const uint8_t nops[2] = {0xE3, 0xE3};
        struct raw raw = {.board = jl_board_create(1)};
        const struct jl_diagnostic *list;
        test_row("%u %u", (unsigned)rows[i].i2c_hz, (unsigned)rows[i].spi_hz);
        raw.device = jl_board_add_device(raw.board, &jl_emulated_ssd1306, "fast", &usual_glass);
        if (rows[i].i2c_hz) {
            raw.bus = jl_board_add_i2c(raw.board, rows[i].i2c_hz, 0);
            EXPECT(jl_i2c_attach(raw.bus, raw.device, 0x3C));
            raw_send(&raw, 0x00, nops, 2);
        } else {
            struct jl_stream_bus *spi = jl_board_add_spi(raw.board, rows[i].spi_hz, 0, 0);
            EXPECT(jl_stream_attach(spi, raw.device));
            jl_device_set_pin(raw.device, JL_DEVICE_DC, false);
            jl_device_set_pin(raw.device, JL_DEVICE_CS, false);
            jl_stream_write(spi, nops, 2);
        }
        size_t count = jl_board_diagnostics(raw.board, &list);
        EXPECT_INT((long long)count, rows[i].text ? 1 : 0);
        if (count) {
            EXPECT_CONTAINS(list[0].text, rows[i].text);
        }
        jl_board_destroy(raw.board);
    }
}

/* Any bytes at all: nothing crashes, and the glass can always be read. */
static void any_bytes_are_survived(void) {
    for (uint32_t seed = 1; seed <= (uint32_t)test_cases(240); seed++) {
        struct test_random random = {seed};
        struct raw raw = raw_open(&usual_glass);
        for (int i = 0; i < 200; i++) {
            uint8_t bytes[32];
            int count = test_random_between(&random, 0, 32);
            for (int k = 0; k < count; k++) {
                bytes[k] = (uint8_t)test_random_next(&random);
            }
            raw_send(&raw, (uint8_t)test_random_next(&random), bytes, (size_t)count);
            jl_board_wait_ps(raw.board, test_random_next(&random) * (uint64_t)1000);
        }
        COMMANDS(&raw, 0xE3, 0xE3, 0xE3, 0xE3, 0xE3, 0xE3, 0xE3, 0xAE);
        raw_wake(&raw);
        COMMANDS(&raw, 0xA3, 0, 64);
        test_row("seed %u", (unsigned)seed);
        expect_transform(&raw, "after-noise", WIDTH, HEIGHT, upright, false);
        jl_board_destroy(raw.board);
    }
}

const struct test_group test_groups[] = {
    {"wrong_bytes_show", wrong_bytes_show},
    {"remap_before_writing", remap_before_writing},
    {"wrong_bytes_on_32_rows", wrong_bytes_on_32_rows},
    {"addressing_modes", addressing_modes},
    {"why_it_is_dark", why_it_is_dark},
    {"ram_is_noise", ram_is_noise_at_power_on},
    {"scroll_moves_pages", scroll_moves_pages},
    {"scroll_diagonally", scroll_diagonally},
    {"control_bytes", control_bytes},
    {"diagnostics", diagnostics},
    {"diagnostics_of_sequences", diagnostics_of_sequences},
    {"rows_that_are_driven", rows_that_are_driven},
    {"reset_pin", reset_pin},
    {"clock_limits", clock_limits},
    {"any_bytes", any_bytes_are_survived},
    {NULL, NULL},
};
