/* The panel's life: exact bytes, statuses, and every way a bus can fail. */
#include "harness.h"

#include <string.h>

#include "bench_panel.h"
#include "naive.h"

/* ---- a port that writes down what it is asked to send ---- */

struct logger {
    uint8_t bytes[4096];
    size_t count;
    size_t starts[256]; /* where each transfer begins */
    size_t transfers;
    bool dc;
    bool cs;
};

static struct logger logger;

static jl_status log_send(void *context, const struct jl_transfer *t) {
    struct logger *log = context;
    log->starts[log->transfers++ % 256] = log->count;
    if (t->i2c_address) {
        log->bytes[log->count++] = (uint8_t)(t->i2c_address << 1);
    } else {
        EXPECT(!log->cs);
        log->bytes[log->count++] = log->dc ? 'D' : 'C';
    }
    for (size_t i = 0; i < t->head_bytes; i++) {
        log->bytes[log->count++] = t->head[i];
    }
    for (size_t i = 0; i < t->body_bytes; i++) {
        log->bytes[log->count++] = t->body[i];
    }
    return JL_OK;
}

static void log_wait(void *context, uint32_t microseconds) {
    (void)context;
    (void)microseconds;
}

static void log_pin(void *context, enum jl_pin pin, bool high) {
    struct logger *log = context;
    if (pin == JL_PIN_DC) {
        log->dc = high;
    } else if (pin == JL_PIN_CS) {
        log->cs = high;
    }
}

static const struct jl_port_ops log_ops = {
    .send = log_send, .wait_us = log_wait, .set_pin = log_pin};
static const struct jl_port log_port = {.ops = &log_ops, .context = &logger};

static uint8_t pixels[JL_MONO_COLUMNS_BYTES(128, 64)];
static struct jl_frame frame;
static struct jl_damage damage;
static struct jl_panel panel;
static struct jl_panel_config config;

static void wake_on_log(const struct jl_panel_config *wanted) {
    config = *wanted;
    memset(&logger, 0, sizeof logger);
    EXPECT_INT(
        jl_frame_init(&frame, &jl_mono_columns, config.width, config.height, pixels, sizeof pixels),
        JL_OK);
    jl_frame_track(&frame, &damage);
    EXPECT_INT(jl_panel_open(&panel, &config, &log_port), JL_OK);
    EXPECT_INT((long long)logger.count, 0);
    EXPECT_INT(jl_panel_wake(&panel), JL_OK);
}

static void forget_log(void) {
    logger.count = logger.transfers = 0;
}

/* Opcode and arguments as table 9-1 of the datasheet has them for 128x64. */
static void wake_up_bytes(void) {
    static const uint8_t expected[] = {
        0x78, 0x00, 0xE3, 0xE3, 0xE3, 0xE3, 0xE3, 0xE3, 0xE3, /* fill a broken command */
        0xAE, 0x2E, 0xD5, 0x80, 0xD3, 0x00, 0x40, 0x20, 0x00, 0xDB, 0x20, 0x78,
        0x00, 0xA8, 0x3F, 0xDA, 0x12, 0x8D, 0x14, 0xD9, 0xF1, 0xA1, 0xC8, 0x81,
        0xCF, 0xA4, 0xA6, 0x78, 0x00, 0x21, 0x00, 0x7F, 0x22, 0x00, 0x07, /* the whole RAM */
    };
    struct jl_panel_config usual = bench_usual_config();
    wake_on_log(&usual);
    EXPECT_BYTES(logger.bytes, expected, sizeof expected);
    /* 1024 black bytes in data transfers, then display on as the very last. */
    size_t zeros = 0;
    size_t at = sizeof expected;
    while (at + 3 < logger.count) {
        EXPECT_INT(logger.bytes[at], 0x78);
        EXPECT_INT(logger.bytes[at + 1], 0x40);
        for (at += 2; at < logger.count && logger.bytes[at] == 0; at++) {
            zeros++;
        }
    }
    EXPECT_INT((long long)zeros, 1024);
    static const uint8_t last[] = {0x78, 0x00, 0xAF};
    EXPECT_BYTES(logger.bytes + logger.count - 3, last, 3);
}

/* What each description must change in the set-up, byte by byte. */
static void setup_follows_description(void) {
    static const struct {
        const char *name;
        int width, height, offset, module, turn, contrast;
        bool inverted;
        uint8_t mux, pins, pump, remap, scan, set_contrast, inverse;
    } rows[] = {
        {"128x64", 128, 64, 0, 0, 0, 0, false, 63, 0x12, 0x14, 0xA1, 0xC8, 0xCF, 0xA6},
        {"128x32", 128, 32, 0, 0, 0, 0, false, 31, 0x02, 0x14, 0xA1, 0xC8, 0xCF, 0xA6},
        {"72x40", 72, 40, 28, 0, 0, 0x40, false, 39, 0x12, 0x14, 0xA1, 0xC8, 0x40, 0xA6},
        {"64x48 inverted", 64, 48, 32, 0, 0, 0, true, 47, 0x12, 0x14, 0xA1, 0xC8, 0xCF, 0xA7},
        {"half turn", 128, 64, 0, 0, JL_TURN_180, 0, false, 63, 0x12, 0x14, 0xA0, 0xC0, 0xCF, 0xA6},
        {"turn x", 128, 64, 0, 0, JL_TURN_MIRROR, 0, false, 63, 0x12, 0x14, 0xA0, 0xC8, 0xCF, 0xA6},
        {"mounted upside down", 128, 64, 0, JL_MODULE_MIRROR_X | JL_MODULE_MIRROR_Y, 0, 0, false,
         63, 0x12, 0x14, 0xA0, 0xC0, 0xCF, 0xA6},
        {"external supply", 128, 64, 0, JL_MODULE_EXTERNAL_SUPPLY, 0, 0, false, 63, 0x12, 0x10,
         0xA1, 0xC8, 0xCF, 0xA6},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        test_row("%s", rows[i].name);
        struct jl_panel_config wanted = bench_usual_config();
        wanted.width = (int16_t)rows[i].width;
        wanted.height = (int16_t)rows[i].height;
        wanted.column_offset = (int16_t)rows[i].offset;
        wanted.module = (uint8_t)rows[i].module;
        wanted.turn = (uint8_t)rows[i].turn;
        wanted.contrast = (uint8_t)rows[i].contrast;
        wanted.inverted = rows[i].inverted;
        wake_on_log(&wanted);
        const uint8_t *setup = logger.bytes + logger.starts[1] + 2;
        EXPECT_INT(setup[1], rows[i].mux);
        EXPECT_INT(setup[3], rows[i].pins);
        EXPECT_INT(setup[5], rows[i].pump);
        EXPECT_INT(setup[8], rows[i].remap);
        EXPECT_INT(setup[9], rows[i].scan);
        EXPECT_INT(setup[11], rows[i].set_contrast);
        EXPECT_INT(setup[13], rows[i].inverse);
        const uint8_t *window = logger.bytes + logger.starts[2] + 2;
        EXPECT_INT(window[1], rows[i].offset);
        EXPECT_INT(window[2], rows[i].offset + rows[i].width - 1);
        EXPECT_INT(window[5], rows[i].height / 8 - 1);
    }
}

static void each_call_sends_its_bytes(void) {
    static const struct jl_scroll right = {JL_SCROLL_RIGHT, 1, 6, 25};
    static const struct jl_scroll left = {JL_SCROLL_LEFT, 0, 7, 2};
    struct jl_panel_config usual = bench_usual_config();
#define EXPECT_SENDS(call, ...)                                                                    \
    do {                                                                                           \
        static const uint8_t bytes[] = {0x78, 0x00, __VA_ARGS__};                                  \
        forget_log();                                                                              \
        EXPECT_INT(call, JL_OK);                                                                   \
        EXPECT_INT((long long)logger.count, (long long)sizeof bytes);                              \
        EXPECT_BYTES(logger.bytes, bytes, sizeof bytes);                                           \
    } while (0)
    wake_on_log(&usual);
    EXPECT_SENDS(jl_panel_contrast(&panel, 0x33), 0x81, 0x33);
    EXPECT_SENDS(jl_panel_invert(&panel, true), 0xA7);
    EXPECT_SENDS(jl_panel_invert(&panel, false), 0xA6);
    EXPECT_SENDS(jl_panel_all_on(&panel, true), 0xA5);
    EXPECT_SENDS(jl_panel_all_on(&panel, false), 0xA4);
    EXPECT_SENDS(jl_panel_turn(&panel, (JL_TURN_180 | JL_TURN_MIRROR)), 0xA1, 0xC0);
    EXPECT_SENDS(jl_panel_sleep(&panel), 0xAE);
    EXPECT_SENDS(jl_panel_resume(&panel), 0xAF);
    EXPECT_SENDS(jl_panel_scroll_start(&panel, &right), 0x2E, 0x26, 0x00, 0x01, 0x06, 0x06, 0x00,
                 0xFF, 0x2F);
    EXPECT_SENDS(jl_panel_scroll_stop(&panel), 0x2E);
    EXPECT_SENDS(jl_panel_scroll_start(&panel, &left), 0x2E, 0x27, 0x00, 0x00, 0x07, 0x07, 0x00,
                 0xFF, 0x2F);
    EXPECT_SENDS(jl_panel_scroll_stop(&panel), 0x2E);
#undef EXPECT_SENDS
}

/* A window write, byte by byte, on both buses: datasheet 10.1.3 to 10.1.5. */
static void window_write_bytes(void) {
    static const uint8_t on_i2c[] = {0x78, 0x00, 0x21, 0x0A, 0x0C, 0x22, 0x02, 0x03, 0x78,
                                     0x40, 0xF0, 0xF0, 0xF0, 0x78, 0x40, 0x3F, 0x3F, 0x3F};
    static const uint8_t on_spi[] = {'C',  0x21, 0x0A, 0x0C, 0x22, 0x02, 0x03, 'D',
                                     0xF0, 0xF0, 0xF0, 'D',  0x3F, 0x3F, 0x3F};
    for (int bus = 0; bus < 2; bus++) {
        struct jl_panel_config wanted = bench_usual_config();
        wanted.bus = bus ? &jl_bus_spi : &jl_bus_i2c;
        wanted.i2c_address = bus ? 0 : 0x3C;
        wake_on_log(&wanted);
        EXPECT_INT(jl_panel_present(&panel, &frame), JL_OK);
        forget_log();
        jl_fill_rect(&frame.target, (struct jl_rect){10, 20, 3, 10}, JL_WHITE);
        EXPECT_INT(jl_panel_present(&panel, &frame), JL_OK);
        const uint8_t *expected = bus ? on_spi : on_i2c;
        size_t size = bus ? sizeof on_spi : sizeof on_i2c;
        EXPECT_INT((long long)logger.count, (long long)size);
        EXPECT_BYTES(logger.bytes, expected, size);
        forget_log();
        EXPECT_INT(jl_panel_present(&panel, &frame), JL_OK);
        EXPECT_INT((long long)logger.count, 0); /* nothing changed, nothing sent */
        EXPECT(!bus || logger.cs);              /* released after the last transfer */
    }
}

/* ---- waits ---- */

static uint64_t waited_us;
static int busy_turns; /* BUSY stays high for so many looks */

static void count_wait(void *context, uint32_t microseconds) {
    (void)context;
    waited_us += microseconds;
}

static bool busy_pin(void *context, enum jl_pin pin) {
    (void)context;
    EXPECT_INT(pin, JL_PIN_BUSY);
    return busy_turns-- > 0;
}

static void waits_in_the_wake_up(void) {
    static const uint8_t wait_ms[] = {JL_STEP_SEND(0xAE), JL_STEP_WAIT_MS(300), JL_STEP_WAIT_MS(0)};
    static const uint8_t wait_low[] = {JL_STEP_WAIT_BUSY(0, 400), JL_STEP_SEND(0xAF)};
    static const uint8_t wait_high[] = {JL_STEP_WAIT_BUSY(1, 400), JL_STEP_SEND(0xAF)};
    static const struct {
        const char *name;
        const uint8_t *steps;
        size_t bytes;
        bool has_pin;
        int busy;
        jl_status status;
        uint64_t us;
        size_t transfers;
        const struct jl_controller *controller;
    } rows[] = {
        {"a time", wait_ms, sizeof wait_ms, true, 0, JL_OK, 300000, 1, NULL},
        {"idle at once", wait_low, sizeof wait_low, true, 0, JL_OK, 0, 1, NULL},
        {"idle after 25 ms", wait_low, sizeof wait_low, true, 25, JL_OK, 25000, 1, NULL},
        {"idle at the last look", wait_low, sizeof wait_low, true, 400, JL_OK, 400000, 1, NULL},
        {"never idle", wait_low, sizeof wait_low, true, 401, JL_TIMEOUT, 400000, 0, NULL},
        {"never busy", wait_high, sizeof wait_high, true, 0, JL_TIMEOUT, 400000, 0, NULL},
        {"busy is high", wait_high, sizeof wait_high, true, 9, JL_OK, 0, 1, NULL},
        {"no such pin", wait_low, sizeof wait_low, false, 0, JL_UNSUPPORTED, 0, 0, NULL},
        {"a part without", wait_low, sizeof wait_low, true, 0, JL_UNSUPPORTED, 0, 0, &jl_ssd1306},
    };
    struct jl_controller with_pin = jl_ssd1306;
    with_pin.rare_step = jl_rare_step;
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        struct jl_port_ops ops = log_ops;
        ops.wait_us = count_wait;
        ops.get_pin = rows[i].has_pin ? busy_pin : NULL;
        struct jl_port port = {.ops = &ops, .context = &logger};
        test_row("%s", rows[i].name);
        config = bench_usual_config();
        config.controller = rows[i].controller ? rows[i].controller : &with_pin;
        config.wake_steps = rows[i].steps;
        config.wake_steps_bytes = (uint16_t)rows[i].bytes;
        forget_log();
        waited_us = 0;
        busy_turns = rows[i].busy;
        EXPECT_INT(jl_panel_open(&panel, &config, &port), JL_OK);
        EXPECT_INT(jl_panel_wake(&panel), rows[i].status);
        EXPECT_INT((long long)waited_us, (long long)rows[i].us);
        EXPECT_INT((long long)logger.transfers, (long long)rows[i].transfers);
    }
}

/* A port with a small buffer: no transfer carries more, and nothing is lost. */
static void long_transfers_are_split(void) {
    struct jl_port small = log_port;
    small.most_body_bytes = 31;
    struct jl_panel_config usual = bench_usual_config();
    wake_on_log(&usual);
    EXPECT_INT(jl_panel_open(&panel, &config, &small), JL_OK);
    EXPECT_INT(jl_panel_wake(&panel), JL_OK);
    for (size_t i = 0; i < sizeof pixels; i++) {
        pixels[i] = (uint8_t)(i * 7);
    }
    forget_log();
    EXPECT_INT(jl_panel_present(&panel, &frame), JL_OK);
    EXPECT_INT((long long)logger.transfers, 1 + 34); /* the window, 33 of 31 bytes and 1 */
    size_t seen = 0;
    for (size_t i = 1; i < logger.transfers; i++) {
        size_t end = i + 1 < logger.transfers ? logger.starts[i + 1] : logger.count;
        size_t body = end - logger.starts[i] - 2;
        EXPECT(body <= 31);
        EXPECT_INT(logger.bytes[logger.starts[i] + 1], 0x40);
        EXPECT_BYTES(logger.bytes + logger.starts[i] + 2, pixels + seen, body);
        seen += body;
    }
    EXPECT_INT((long long)seen, 1024);
}

static void bad_descriptions(void) {
    static const uint8_t broken_steps[] = {0x05, 0xAE};
    static const uint8_t unknown_step[] = {0xFE};
    static const struct {
        const char *name;
        int width, height, offset, address;
        const struct jl_bus *bus;
        int turn;
        const uint8_t *steps;
        int step_bytes;
        jl_status status;
    } rows[] = {
        {"good", 128, 64, 0, 0x3C, &jl_bus_i2c, 0, NULL, 0, JL_OK},
        {"8-bit address", 128, 64, 0, 0x78, &jl_bus_i2c, 0, NULL, 0, JL_BAD_ADDRESS},
        {"reserved address", 128, 64, 0, 0x07, &jl_bus_i2c, 0, NULL, 0, JL_BAD_ADDRESS},
        {"no address on SPI is fine", 128, 64, 0, 0, &jl_bus_spi, 0, NULL, 0, JL_OK},
        {"no such bus", 128, 64, 0, 0x3C, &jl_bus_8080_16, 0, NULL, 0, JL_BAD_BUS},
        {"no width", 0, 64, 0, 0x3C, &jl_bus_i2c, 0, NULL, 0, JL_BAD_SIZE},
        {"negative height", 128, -64, 0, 0x3C, &jl_bus_i2c, 0, NULL, 0, JL_BAD_SIZE},
        {"negative offset", 128, 64, -1, 0x3C, &jl_bus_i2c, 0, NULL, 0, JL_BAD_SIZE},
        {"too wide", 129, 64, 0, 0x3C, &jl_bus_i2c, 0, NULL, 0, JL_BAD_SIZE},
        {"offset past the RAM", 72, 40, 57, 0x3C, &jl_bus_i2c, 0, NULL, 0, JL_BAD_SIZE},
        {"too high", 128, 65, 0, 0x3C, &jl_bus_i2c, 0, NULL, 0, JL_BAD_SIZE},
        {"unknown turn", 128, 64, 0, 0x3C, &jl_bus_i2c, 8, NULL, 0, JL_BAD_TURN},
        {"quarter turn", 128, 64, 0, 0x3C, &jl_bus_i2c, JL_TURN_90, NULL, 0, JL_BAD_TURN},
        {"steps cut", 128, 64, 0, 0x3C, &jl_bus_i2c, 0, broken_steps, 2, JL_BAD_STEPS},
        {"unknown step", 128, 64, 0, 0x3C, &jl_bus_i2c, 0, unknown_step, 1, JL_BAD_STEPS},
    };
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        test_row("%s", rows[i].name);
        config = (struct jl_panel_config){
            .controller = &jl_ssd1306,
            .width = (int16_t)rows[i].width,
            .height = (int16_t)rows[i].height,
            .column_offset = (int16_t)rows[i].offset,
            .bus = rows[i].bus,
            .i2c_address = (uint8_t)rows[i].address,
            .turn = (uint8_t)rows[i].turn,
            .wake_steps = rows[i].steps,
            .wake_steps_bytes = (uint16_t)rows[i].step_bytes,
        };
        EXPECT_INT(jl_panel_open(&panel, &config, &log_port), rows[i].status);
        EXPECT_INT(jl_panel_wake(&panel), rows[i].status == JL_OK ? JL_OK : JL_NOT_AWAKE);
    }
    struct jl_port_ops no_pins = log_ops;
    no_pins.set_pin = NULL;
    struct jl_port pinless = {.ops = &no_pins, .context = &logger};
    test_row("SPI without pins, reset without pins, NULLs");
    config = bench_usual_config();
    config.bus = &jl_bus_spi;
    EXPECT_INT(jl_panel_open(&panel, &config, &pinless), JL_BAD_PORT);
    config = bench_usual_config();
    EXPECT_INT(jl_panel_open(&panel, &config, &pinless), JL_OK);
    config.module = JL_MODULE_RESET_WIRED;
    EXPECT_INT(jl_panel_open(&panel, &config, &pinless), JL_BAD_PORT);
    EXPECT_INT(jl_panel_open(NULL, &config, &log_port), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_panel_open(&panel, NULL, &log_port), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_panel_open(&panel, &config, NULL), JL_BAD_ARGUMENT);
}

/* The calls in every state: awake, asleep, scrolling, never woken. */
static void calls_know_the_state(void) {
    static const struct jl_scroll scroll = {JL_SCROLL_LEFT, 0, 7, 5};
    struct jl_panel_config usual = bench_usual_config();
    wake_on_log(&usual);
    EXPECT_INT(jl_panel_open(&panel, &config, &log_port), JL_OK);
    forget_log();
    EXPECT_INT(jl_panel_present(&panel, &frame), JL_NOT_AWAKE);
    EXPECT_INT(jl_panel_contrast(&panel, 1), JL_NOT_AWAKE);
    EXPECT_INT(jl_panel_resume(&panel), JL_NOT_AWAKE);
    EXPECT_INT(jl_panel_scroll_stop(&panel), JL_NOT_AWAKE);
    EXPECT_INT((long long)logger.count, 0);
    EXPECT_INT(jl_panel_wake(&panel), JL_OK);
    EXPECT_INT(jl_panel_resume(&panel), JL_OK);
    EXPECT_INT(jl_panel_scroll_stop(&panel), JL_OK);
    EXPECT_INT(jl_panel_scroll_start(&panel, &scroll), JL_OK);
    EXPECT_INT(jl_panel_present(&panel, &frame), JL_BUSY);
    EXPECT_INT(jl_panel_sleep(&panel), JL_BUSY);
    EXPECT_INT(jl_panel_scroll_start(&panel, &scroll), JL_BUSY);
    EXPECT_INT(jl_panel_scroll_stop(&panel), JL_OK);
    EXPECT_INT(jl_panel_sleep(&panel), JL_OK);
    EXPECT_INT(jl_panel_present(&panel, &frame), JL_NOT_AWAKE);
    EXPECT_INT(jl_panel_resume(&panel), JL_OK);
    EXPECT_INT(jl_panel_turn(&panel, 8), JL_BAD_TURN);
    EXPECT_INT(jl_panel_turn(&panel, JL_TURN_90), JL_BAD_TURN);
    EXPECT_INT(jl_panel_scroll_start(&panel, NULL), JL_BAD_ARGUMENT);
    struct jl_scroll bad = scroll;
    bad.frames_per_step = 6;
    EXPECT_INT(jl_panel_scroll_start(&panel, &bad), JL_OUT_OF_RANGE);
    bad = (struct jl_scroll){JL_SCROLL_LEFT, 0, 8, 5};
    EXPECT_INT(jl_panel_scroll_start(&panel, &bad), JL_OUT_OF_RANGE);
    bad = (struct jl_scroll){JL_SCROLL_LEFT, 5, 4, 5};
    EXPECT_INT(jl_panel_scroll_start(&panel, &bad), JL_OUT_OF_RANGE);
    config.motion = NULL;
    EXPECT_INT(jl_panel_scroll_start(&panel, &scroll), JL_NO_MOTION);
    EXPECT_INT(jl_panel_present(&panel, NULL), JL_BAD_ARGUMENT);
    static struct jl_frame other;
    EXPECT_INT(jl_frame_init(&other, &jl_mono_columns, 64, 64, pixels, sizeof pixels), JL_OK);
    EXPECT_INT(jl_panel_present(&panel, &other), JL_BAD_FRAME_SIZE);
    struct jl_format strange = jl_mono_columns;
    EXPECT_INT(jl_frame_init(&other, &strange, 128, 64, pixels, sizeof pixels), JL_OK);
    EXPECT_INT(jl_panel_present(&panel, &other), JL_BAD_FRAME_FORMAT);
    EXPECT_INT(jl_panel_present(NULL, &frame), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_panel_wake(NULL), JL_BAD_ARGUMENT);
}

/*
 * A bus that fails at byte n, for every n of wake + present: the status is the
 * port's, time is bounded, and a new wake-up gives the right picture, with no
 * reset pin to help.
 */
static void fails_at_every_byte(void) {
    static struct naive expected;
    struct bench_panel bench;
    struct jl_panel_config usual = bench_usual_config();
    struct jl_picture reference;
    naive_init(&expected, 128, 64);
    naive_test_card(&expected, "retry");
    EXPECT(naive_picture(&expected, &reference));
    for (int for_good = 0; for_good < 2; for_good++) {
        for (uint64_t at = 0; at < 2140; at += at < 120 ? 1 : 97) {
            test_row("byte %d fails %s", (int)at, for_good ? "for good" : "once");
            bench_open_usual(&bench, &usual);
            jl_i2c_fail_at(bench.sim.i2c, at, for_good != 0);
            jl_draw_test_card(&bench.frame.target, "retry");
            jl_status status = jl_panel_wake(&bench.panel);
            if (status == JL_OK) {
                status = jl_panel_present(&bench.panel, &bench.frame);
            }
            EXPECT_INT(status, at < jl_i2c_byte_count(bench.sim.i2c) ? JL_NO_ANSWER : JL_OK);
            EXPECT(jl_board_now_ps(bench.board) < 100000000000u);
            EXPECT_INT(jl_panel_present(&bench.panel, &bench.frame),
                       status == JL_OK ? JL_OK : JL_NOT_AWAKE);
            jl_i2c_heal(bench.sim.i2c);
            EXPECT_INT(jl_panel_wake(&bench.panel), JL_OK);
            EXPECT_INT(jl_panel_present(&bench.panel, &bench.frame), JL_OK);
            struct jl_picture seen = bench_look(&bench);
            EXPECT_PICTURE(&seen, &reference, "retry");
            jl_picture_free(&seen);
            bench_close(&bench);
        }
    }
    jl_picture_free(&reference);
}

static void absent_and_stuck(void) {
    struct bench_panel bench;
    struct jl_panel_config usual = bench_usual_config();
    bench_open_usual(&bench, &usual);
    jl_device_set_plugged(bench.device, false);
    EXPECT_INT(jl_panel_wake(&bench.panel), JL_NO_ANSWER);
    EXPECT(jl_board_now_ps(bench.board) < 1000000000u); /* 1 ms */
    jl_i2c_hold_sda(bench.sim.i2c, true);
    EXPECT_INT(jl_panel_wake(&bench.panel), JL_TIMEOUT);
    EXPECT(jl_board_now_ps(bench.board) < 100000000000u);
    jl_i2c_hold_sda(bench.sim.i2c, false);
    jl_device_set_plugged(bench.device, true);
    EXPECT_INT(jl_panel_wake(&bench.panel), JL_OK);
    EXPECT(jl_device_why_dark(bench.device) != NULL);
    struct jl_picture seen = bench_look(&bench);
    EXPECT(jl_device_why_dark(bench.device) == NULL);
    jl_picture_free(&seen);
    /* A failure in the middle of a present keeps the damage for the next one. */
    EXPECT_INT(jl_panel_present(&bench.panel, &bench.frame), JL_OK);
    jl_fill_rect(&bench.frame.target, (struct jl_rect){3, 3, 9, 9}, JL_WHITE);
    jl_i2c_fail_at(bench.sim.i2c, 12, false);
    EXPECT_INT(jl_panel_present(&bench.panel, &bench.frame), JL_NO_ANSWER);
    EXPECT_INT(bench.damage.count, 1);
    bench_close(&bench);
}

/* The promises of wire economy, in bytes and in virtual time. */
static void wire_economy(void) {
    static const struct jl_text_style style = {.font = &jl_font_6x8, .ink = JL_WHITE};
    struct bench_panel bench;
    struct jl_panel_config usual = bench_usual_config();
    bench_open_usual(&bench, &usual);
    EXPECT_INT(jl_panel_wake(&bench.panel), JL_OK);
    uint64_t start = jl_board_now_ps(bench.board);
    EXPECT_INT(jl_panel_present(&bench.panel, &bench.frame), JL_OK);
    uint64_t ideal = (uint64_t)1024 * 9 * 2500000;
    EXPECT((jl_board_now_ps(bench.board) - start) * 100 <= ideal * 102);
    jl_text(&bench.frame.target, 10, 24, "103.9 cm", &style);
    EXPECT_INT(jl_panel_present(&bench.panel, &bench.frame), JL_OK);
    uint64_t bytes = jl_i2c_byte_count(bench.sim.i2c);
    jl_text(&bench.frame.target, 10, 24, "247.9 cm", &style);
    EXPECT_INT(jl_panel_present(&bench.panel, &bench.frame), JL_OK);
    EXPECT(jl_i2c_byte_count(bench.sim.i2c) - bytes < 60);
    EXPECT(jl_i2c_byte_count(bench.sim.i2c) > bytes);
    bench_close(&bench);

    usual.bus = &jl_bus_spi;
    bench_open_usual(&bench, &usual);
    EXPECT_INT(jl_panel_wake(&bench.panel), JL_OK);
    start = jl_board_now_ps(bench.board);
    EXPECT_INT(jl_panel_present(&bench.panel, &bench.frame), JL_OK);
    ideal = (uint64_t)1024 * 8 * 125000;
    EXPECT((jl_board_now_ps(bench.board) - start) * 100 <= ideal * 101);
    bench_close(&bench);
}

const struct test_group test_groups[] = {
    {"wake_up_bytes", wake_up_bytes},
    {"setup_follows_description", setup_follows_description},
    {"each_call_sends_its_bytes", each_call_sends_its_bytes},
    {"window_write_bytes", window_write_bytes},
    {"waits_in_the_wake_up", waits_in_the_wake_up},
    {"long_transfers_are_split", long_transfers_are_split},
    {"bad_descriptions", bad_descriptions},
    {"calls_know_the_state", calls_know_the_state},
    {"fails_at_every_byte", fails_at_every_byte},
    {"absent_and_stuck", absent_and_stuck},
    {"wire_economy", wire_economy},
    {NULL, NULL},
};
