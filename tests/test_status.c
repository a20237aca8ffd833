/* The first status of a panel, for programs that check once; and frames made for a panel. */
#include "harness.h"

#include <string.h>

#include "bench_panel.h"
#include "jadelamp/bands.h"
#include "jadelamp/controllers/st7789.h"

static struct {
    unsigned transfers;
    bool fails;
} port_state;

static jl_status send(void *context, const struct jl_transfer *t) {
    (void)context;
    (void)t;
    port_state.transfers++;
    return port_state.fails ? JL_NO_ANSWER : JL_OK;
}

static void wait_us(void *context, uint32_t microseconds) {
    (void)context;
    (void)microseconds;
}

static void set_pin(void *context, enum jl_pin pin, bool high) {
    (void)context;
    (void)pin;
    (void)high;
}

static const struct jl_port_ops ops = {.send = send, .wait_us = wait_us, .set_pin = set_pin};
static const struct jl_port port = {.ops = &ops};

static uint8_t pixels[JL_MONO_COLUMNS_BYTES(128, 64)];
static struct jl_frame frame;
static struct jl_panel panel;
static struct jl_panel_config config;

static void wake(const struct jl_panel_config *wanted) {
    config = *wanted;
    memset(&port_state, 0, sizeof port_state);
    EXPECT_INT(jl_panel_open(&panel, &config, &port), JL_OK);
    EXPECT_INT(jl_panel_wake(&panel), JL_OK);
    EXPECT_INT(jl_panel_frame(&panel, &frame, pixels, sizeof pixels), JL_OK);
}

/* A program without checks learns at its end what went wrong first. */
static void first_status_is_kept(void) {
    struct jl_panel_config usual = bench_usual_config();
    struct jl_bands bands;
    uint8_t memory[64];
    wake(&usual);
    EXPECT_INT(jl_panel_status(&panel), JL_OK);
    EXPECT_INT(jl_panel_status(NULL), JL_BAD_ARGUMENT);
    config.motion = NULL;
    static const struct jl_scroll scroll = {JL_SCROLL_LEFT, 0, 7, 5};
    static const struct {
        const char *name;
        jl_status status;
    } rows[] = {
        {"idle", JL_UNSUPPORTED},       {"turn", JL_BAD_TURN},        {"no frame", JL_BAD_ARGUMENT},
        {"scroll", JL_NO_MOTION},       {"roll", JL_NO_MOTION},       {"piece", JL_OUT_OF_RANGE},
        {"converted", JL_BAD_ARGUMENT}, {"changes", JL_BAD_ARGUMENT}, {"image", JL_BAD_ARGUMENT},
        {"bands", JL_TOO_SMALL},        {"frame", JL_TOO_SMALL}};
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        static struct jl_frame small;
        test_row("%s", rows[i].name);
        EXPECT_INT(jl_panel_wake(&panel), JL_OK);
        EXPECT_INT(jl_panel_status(&panel), JL_OK);
        switch (i) {
        case 0:
            jl_panel_idle(&panel, true);
            break;
        case 1:
            jl_panel_turn(&panel, JL_TURN_90);
            break;
        case 2:
            jl_panel_present(&panel, NULL);
            break;
        case 3:
            jl_panel_scroll_start(&panel, &scroll);
            break;
        case 4:
            jl_panel_roll(&panel, 0, 64, 3);
            break;
        case 5:
            jl_panel_send(&panel, (struct jl_rect){0, 3, 8, 8}, pixels, 8);
            break;
        case 6:
            jl_panel_present_as(&panel, &frame, NULL, 0);
            break;
        case 7:
            jl_panel_present_changes(&panel, &frame, NULL);
            break;
        case 8:
            jl_panel_send_image(&panel, 0, 0, NULL, NULL, 0);
            break;
        case 9:
            EXPECT_INT(jl_bands_begin(&bands, &panel, memory, sizeof memory), JL_TOO_SMALL);
            EXPECT_INT(jl_bands_end(&bands), JL_TOO_SMALL);
            break;
        default:
            jl_panel_frame(&panel, &small, memory, sizeof memory);
            break;
        }
        EXPECT_INT(jl_panel_status(&panel), rows[i].status);
        jl_panel_contrast(&panel, 7); /* a refusal stops nothing, and the first one stays */
        EXPECT_INT(panel.contrast, 7);
        jl_panel_turn(&panel, 99);
        EXPECT_INT(jl_panel_status(&panel), rows[i].status);
    }
    test_row("a bus that fails");
    EXPECT_INT(jl_panel_wake(&panel), JL_OK);
    port_state.fails = true;
    EXPECT_INT(jl_panel_present(&panel, &frame), JL_NO_ANSWER);
    unsigned sent = port_state.transfers;
    EXPECT_INT(jl_panel_present(&panel, &frame), JL_NOT_AWAKE);
    EXPECT_INT(jl_panel_contrast(&panel, 1), JL_NOT_AWAKE);
    EXPECT_INT(port_state.transfers, sent);
    EXPECT_INT(jl_panel_status(&panel), JL_NO_ANSWER);
    test_row("asleep");
    port_state.fails = false;
    EXPECT_INT(jl_panel_wake(&panel), JL_OK);
    EXPECT_INT(jl_panel_sleep(&panel), JL_OK);
    EXPECT_INT(jl_panel_present(&panel, &frame), JL_NOT_AWAKE);
    EXPECT_INT(jl_panel_status(&panel), JL_NOT_AWAKE);
    test_row("a scroll that is stopped is no failure");
    config.motion = &jl_ssd1306_motion;
    EXPECT_INT(jl_panel_wake(&panel), JL_OK);
    EXPECT_INT(jl_panel_scroll_start(&panel, &scroll), JL_OK);
    EXPECT_INT(jl_panel_scroll_stop(&panel), JL_OK);
    EXPECT_INT(jl_panel_status(&panel), JL_OK);
    test_row("a description that is refused");
    config.i2c_address = 0x78;
    EXPECT_INT(jl_panel_open(&panel, &config, &port), JL_BAD_ADDRESS);
    EXPECT_INT(jl_panel_wake(&panel), JL_NOT_AWAKE);
    EXPECT_INT(jl_panel_present(&panel, &frame), JL_NOT_AWAKE);
    EXPECT_INT(jl_panel_status(&panel), JL_BAD_ADDRESS);
}

/* The first program of the README with too little memory, without a panel, with a bad one. */
static void frames_of_a_panel(void) {
    struct jl_panel_config usual = bench_usual_config();
    static struct jl_frame made;
    static const struct jl_text_style style = {.font = &jl_font_6x8, .ink = JL_WHITE};
    static const struct {
        size_t bytes;
        jl_status status;
    } rows[] = {{sizeof pixels, JL_OK}, {sizeof pixels - 1, JL_TOO_SMALL}, {0, JL_TOO_SMALL}};
    wake(&usual);
    for (size_t i = 0; i < sizeof rows / sizeof rows[0]; i++) {
        test_row("%zu bytes", rows[i].bytes);
        memset(pixels, 0xA5, sizeof pixels);
        EXPECT_INT(jl_panel_frame(&panel, &made, pixels, rows[i].bytes), rows[i].status);
        jl_text(&made.target, 0, 0, "Heron Quay", &style);
        EXPECT_INT(pixels[sizeof pixels - 1], rows[i].status == JL_OK ? 0 : 0xA5);
        EXPECT_INT(pixels[0] == 0xA5, rows[i].status != JL_OK);
        EXPECT_INT(jl_panel_present(&panel, &made),
                   rows[i].status == JL_OK ? JL_OK : JL_BAD_FRAME_SIZE);
        EXPECT_INT(jl_panel_status(&panel), rows[i].status);
    }
    EXPECT_INT(jl_panel_frame(NULL, &made, pixels, sizeof pixels), JL_BAD_ARGUMENT);
    EXPECT_INT(jl_panel_frame(&panel, NULL, pixels, sizeof pixels), JL_BAD_ARGUMENT);
    config.i2c_address = 3;
    EXPECT_INT(jl_panel_open(&panel, &config, &port), JL_BAD_ADDRESS);
    EXPECT_INT(jl_panel_frame(&panel, &made, pixels, sizeof pixels), JL_BAD_ARGUMENT);
    jl_text(&made.target, 0, 0, "Heron Quay", &style);
    EXPECT_INT(made.target.bounds.w, 0);

    struct jl_panel_config tall = {
        .controller = &jl_st7789, .bus = &jl_bus_8080_8, .width = 24, .height = 30, .turn = 1};
    static uint8_t colors[24 * 30 * 2];
    EXPECT_INT(jl_panel_open(&panel, &tall, &port), JL_OK);
    EXPECT_INT(jl_panel_frame(&panel, &made, colors, sizeof colors), JL_OK);
    EXPECT(made.format == &jl_rgb565);
    EXPECT_INT(made.target.width, 30);
    EXPECT_INT(made.target.height, 24);
}

const struct test_group test_groups[] = {
    {"first_status_is_kept", first_status_is_kept},
    {"frames_of_a_panel", frames_of_a_panel},
    {NULL, NULL},
};
