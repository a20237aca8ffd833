#include "cases.h"

#include "jadelamp/jadelamp.h"

enum { W = 40, H = 32, MOST_BYTES = W * H * 3 };

static uint16_t pixel_words[MOST_BYTES / 2];
static uint8_t *const pixels = (uint8_t *)pixel_words;

static void emit_text(const char *text) {
    size_t count = 0;
    while (text[count]) {
        count++;
    }
    emit(text, count);
}

static void emit_status(jl_status status) {
    uint8_t byte = (uint8_t)status;
    emit(&byte, 1);
}

/* ---- what is drawn; coordinates at and past all ends ---- */

static void rects(struct jl_target *t) {
    jl_fill_rect(t, (struct jl_rect){-32768, -32768, 32767, 32767}, JL_RED);
    jl_fill_rect(t, (struct jl_rect){-30000, 3, 32767, 4}, JL_WHITE);
    jl_stroke_rect(t, (struct jl_rect){-5, -32768, 12, 32767}, JL_AQUA);
    jl_stroke_rect(t, (struct jl_rect){32760, 5, 32767, 9}, JL_AQUA);
    jl_stroke_rect(t, (struct jl_rect){10, 10, 20, 12}, JL_YELLOW);
    jl_fill_pattern(t, (struct jl_rect){-9, 20, 32767, 30}, jl_pattern_hatch, JL_WHITE, JL_CLEAR);
}

static void lines(struct jl_target *t) {
    static const int16_t ends[][4] = {
        {-32768, -32768, 32767, 32767}, {32767, -300, -32768, 400}, {0, 0, 39, 31}, {39, 3, 0, 27},
        {-20000, 31, 20000, -3},        {20, -32768, 21, 32767}};
    for (size_t i = 0; i < sizeof ends / sizeof ends[0]; i++) {
        jl_draw_line(t, ends[i][0], ends[i][1], ends[i][2], ends[i][3], JL_WHITE);
        jl_draw_wide_line(t, (struct jl_point){ends[i][1], ends[i][0]},
                          (struct jl_point){ends[i][3], ends[i][2]}, (int16_t)(3 + 2 * i),
                          JL_RGB(40 * i, 255 - 30 * i, 90));
    }
}

static void rounds(struct jl_target *t) {
    jl_fill_ellipse(t, -300, 16, 320, 5, JL_TEAL);
    jl_stroke_ellipse(t, 32767, 32767, 1000, 20, JL_WHITE);
    jl_stroke_ellipse(t, -32768, 10, 1000, 200, JL_WHITE);
    jl_fill_ellipse(t, 20, -700, 900, 705, JL_ORANGE);
    jl_stroke_circle(t, 20, 16, 13, JL_WHITE);
    jl_fill_rounded(t, (struct jl_rect){-32768, 20, 32767, 300}, 900, JL_RED);
    jl_fill_rounded(t, (struct jl_rect){5, 5, 32767, 32767}, 20, JL_GREEN);
    jl_stroke_rounded(t, (struct jl_rect){2, 2, 30, 20}, 6, JL_LIME);
    jl_fill_ring(t, -32768, 16, 700, 600, JL_DEGREES(30), JL_SWEEP(170), JL_BLUE);
    jl_fill_ring(t, 20, 16, 15, 9, JL_DEGREES(300), JL_SWEEP(150), JL_FUCHSIA);
    jl_draw_arc(t, 300, 16, 290, JL_DEGREES(180), JL_SWEEP(180), JL_WHITE);
}

static void polygons(struct jl_target *t) {
    static const struct jl_point star[] = {{20, 1}, {31, 30}, {2, 11}, {38, 11}, {9, 30}};
    static const struct jl_point huge[] = {{-32768, -20000}, {32767, 40}, {-2000, 32767}};
    static const struct jl_point bend[4] = {{0, 31}, {-300, -200}, {400, -100}, {39, 31}};
    jl_fill_polygon(t, huge, 3, JL_MAROON);
    jl_fill_polygon(t, star, 5, JL_YELLOW);
    jl_stroke_polygon(t, star, 5, JL_BLUE);
    jl_draw_polyline(t, star, 5, JL_WHITE);
    jl_draw_bezier(t, bend, JL_RED);
}

static void gradients(struct jl_target *t) {
    const uint8_t bits[3] = {5, 6, 5}, coarse[3] = {1, 1, 1};
    jl_fill_gradient(t, (struct jl_rect){0, 0, W, 16}, JL_AXIS_X, JL_BLACK, JL_WHITE, bits);
    jl_fill_gradient(t, (struct jl_rect){0, 16, W, 10}, JL_AXIS_Y, JL_WHITE, JL_RED, coarse);
    jl_fill_gradient(t, (struct jl_rect){-32768, 26, 32767, 6}, JL_AXIS_X, JL_AQUA, JL_RED, NULL);
    jl_fill_gradient(t, (struct jl_rect){-20000, 26, 32767, 6}, JL_AXIS_X, JL_AQUA, JL_RED, bits);
}

/* A soft glyph of 5x3, and cells of 40 rows for a box that is taller than 16. */
static const uint8_t JL_FLASH soft_table[] = {
    'J', 'L', 'F', '1', 4, 40, 40, 0,  1, 0,   1,    0,    'A',  0,    0,    0,    1,    0,   0,
    0,   0,   0,   0,   5, 3,  1,  20, 7, 0x0, 0x8F, 0x40, 0xF4, 0xC8, 0xF0, 0x27, 0x3F, 0x10};

static void texts(struct jl_target *t) {
    struct jl_font soft;
    const struct jl_text_style plain = {.font = &jl_font_6x8, .ink = JL_WHITE, .paper = JL_NAVY};
    emit_status(jl_font_open(&soft, soft_table, sizeof soft_table));
    struct jl_text_style style = {.font = &soft, .ink = JL_ORANGE, .paper = JL_CLEAR};
    jl_text(t, -3, -12, "AzA", &style);
    style.ink = JL_CLEAR;
    style.paper = JL_BLUE;
    jl_text(t, 20, -15, "A", &style);
    jl_text(t, 32767, 3, "past the end", &plain);
    jl_text(t, -32768, 3, "before the start", &plain);
    jl_text(t, 2, 2, "Q\xC3\xA4\xE0\x80\xF0\x9F\x8C\x8A\xED\xA0\x80!", &plain);
    jl_text_number(t, 0, 12, INT32_MIN, 3, &plain);
    jl_text_at(t, 20, 32767, JL_ANCHOR_CENTRE | JL_ANCHOR_BOTTOM, "low", &plain);
    jl_text_box(t, (struct jl_rect){1, 20, 38, 12},
                JL_TEXT_WRAP | JL_TEXT_ELLIPSIS | JL_ANCHOR_CENTRE, "tide and wind and more of it",
                &plain);
    jl_text_turned(t, 30, 30, JL_TEXT_UP, "up", &plain);
}

static void numbers(struct jl_target *t) {
    static const float values[] = {0.0f, -1.5f, 3.14159f, 1e9f, 123456.789f, 4.2e9f};
    char text[24];
    (void)t;
    for (size_t i = 0; i < sizeof values / sizeof values[0]; i++) {
        jl_format_float(text, sizeof text, values[i], (uint8_t)i);
        emit_text(text);
    }
    jl_format_fixed(text, sizeof text, INT32_MIN, 9);
    emit_text(text);
    jl_format_int(text, sizeof text, -2147483647, 15, '0');
    emit_text(text);
    jl_format_hex(text, sizeof text, 0xDEADBEEF, 4);
    emit_text(text);
    for (uint32_t d = 0; d < 65536; d += 331) {
        int16_t both[] = {jl_sine((jl_direction)d), jl_cosine((jl_direction)d)};
        uint8_t bytes[] = {(uint8_t)((uint16_t)both[0] >> 8), (uint8_t)both[0],
                           (uint8_t)((uint16_t)both[1] >> 8), (uint8_t)both[1]};
        emit(bytes, sizeof bytes);
    }
}

static void pictures(struct jl_target *t) {
    static const uint8_t bits[] = {0x3C, 0x42, 0xA5, 0x81, 0xA5, 0x99, 0x42, 0x3C};
    static const struct jl_bitmap face = {bits, 8, 8, &jl_bits_rows_msb};
    static const uint8_t JL_FLASH packed[] = {130,  0xF8, 0x00, 1,    0x07, 0xE0, 0x00, 0x1F, 0,
                                              0xFF, 0xFF, 131,  0x12, 0x34, 0,    0x84, 0x10};
    static const struct jl_image boat = {.format = &jl_rgb565,
                                         .pixels = packed,
                                         .width = 6,
                                         .height = 2,
                                         .packing = &jl_packing_runs};
    static const uint8_t share[] = {0x0F, 0x8F, 0x42, 0xF1, 0x73, 0xF0};
    /* what lies in flash and is read there, as it is */
    static const uint8_t JL_FLASH lasting[] = {0x18, 0x7E, 0xFF, 0x99, 0x3C, 0x24, 0x66, 0xC3};
    static const struct jl_bitmap orders[] = {{lasting, 8, 8, &jl_flash_columns},
                                              {lasting, 8, 8, &jl_flash_rows_msb},
                                              {lasting, 8, 8, &jl_flash_rows_lsb}};
    static const struct jl_image plain = {.format = &jl_grey4,
                                          .pixels = lasting,
                                          .width = 4,
                                          .height = 4,
                                          .packing = jl_flash_pixels};
    struct jl_image soft = boat;
    soft.mask = share;
    soft.mask_bits = 4;
    jl_draw_bitmap(t, 3, 3, &face, JL_WHITE, JL_CLEAR);
    jl_draw_bitmap(t, -32768, 3, &face, JL_WHITE, JL_RED);
    jl_draw_bitmap(t, 36, 28, &face, JL_CLEAR, JL_RED);
    emit_status(jl_image_check(&boat, sizeof packed));
    jl_draw_image(t, 20, 10, &boat);
    jl_draw_image(t, 30, 31, &boat);
    jl_draw_image(t, 12, 20, &soft);
    for (uint8_t i = 0; i < 3; i++) {
        jl_draw_bitmap(t, (int16_t)(i * 9), 23, &orders[i], JL_WHITE, JL_NAVY);
    }
    jl_draw_image(t, 34, 3, &plain);
}

static void modes(struct jl_target *t) {
    jl_fill_gradient(t, (struct jl_rect){0, 0, W, H}, JL_AXIS_Y, JL_NAVY, JL_YELLOW, NULL);
    if (jl_target_mode(t, JL_MODE_BLEND, 100)) {
        jl_fill_circle(t, 10, 10, 9, JL_RED);
    }
    if (jl_target_mode(t, JL_MODE_INVERT, 0)) {
        jl_fill_rect(t, (struct jl_rect){5, 5, 30, 9}, JL_WHITE);
    }
    jl_target_mode(t, JL_MODE_REPLACE, 0);
}

static const struct {
    const char *name;
    void (*draw)(struct jl_target *t);
} cases[] = {{"rects", rects},       {"lines", lines},       {"rounds", rounds},
             {"polygons", polygons}, {"texts", texts},       {"gradients", gradients},
             {"numbers", numbers},   {"pictures", pictures}, {"modes", modes}};
enum { CASES = sizeof cases / sizeof cases[0] };

static void draw_all(const struct jl_format *const *formats, uint8_t count) {
    for (uint8_t i = 0; i < CASES; i++) {
        for (uint8_t f = 0; f < count; f++) {
            /* Upright, and one turn or another. */
            for (uint8_t turned = 0; turned < 2; turned++) {
                struct jl_frame frame;
                emit_text(cases[i].name);
                emit_status(jl_frame_init(&frame, formats[f], W, H, pixels, MOST_BYTES));
                if (turned) {
                    jl_target_turn(&frame.target, (uint8_t)(1 + (i + f) % 7));
                }
                cases[i].draw(&frame.target);
                emit(pixels, (size_t)jl_frame_bytes(formats[f], W, H));
            }
        }
    }
    emit_text(END_MARK);
}

void run_bits(void) {
    static const struct jl_format *const formats[] = {&jl_mono_columns, &jl_mono_columns_msb,
                                                      &jl_mono_rows, &jl_grey2, &jl_grey4};
    draw_all(formats, sizeof formats / sizeof formats[0]);
}

void run_planes(void) {
    static const struct jl_format *const formats[] = {&jl_black_white_red, &jl_grey2_planes};
    draw_all(formats, sizeof formats / sizeof formats[0]);
}

void run_bytes(void) {
    static const struct jl_format *const formats[] = {&jl_rgb332, &jl_rgb565, &jl_rgb666,
                                                      &jl_rgb666_low};
    draw_all(formats, sizeof formats / sizeof formats[0]);
}

/* ---- panels: all that goes over the wire ---- */

static jl_status send(void *context, const struct jl_transfer *t) {
    (void)context;
    emit(&t->i2c_address, 1);
    emit(t->head, t->head_bytes);
    emit(t->body, t->body_bytes);
    return JL_OK;
}

static void wait_us(void *context, uint32_t us) {
    uint8_t bytes[] = {'w', (uint8_t)(us >> 24), (uint8_t)(us >> 16), (uint8_t)(us >> 8),
                       (uint8_t)us};
    (void)context;
    emit(bytes, sizeof bytes);
}

static void set_pin(void *context, enum jl_pin pin, bool high) {
    uint8_t bytes[] = {(uint8_t)pin, high};
    (void)context;
    emit(bytes, sizeof bytes);
}

/* BUSY: whatever is waited for comes with the next look. */
static bool get_pin(void *context, enum jl_pin pin) {
    static bool level;
    (void)context;
    (void)pin;
    level = !level;
    return level;
}

static const struct jl_port_ops ops = {
    .send = send, .wait_us = wait_us, .set_pin = set_pin, .get_pin = get_pin};

static void show(const struct jl_panel_config *config) {
    const struct jl_port port = {.ops = &ops};
    static uint8_t band[480];
    struct jl_panel panel;
    struct jl_epaper paper;
    struct jl_bands bands;
    struct jl_direct direct;
    emit_text(config->controller->name);
    emit_status(jl_panel_open(&panel, config, &port));
    if (config->controller->paper) {
        emit_status(jl_epaper_begin(&paper, &panel));
    }
    emit_status(jl_panel_wake(&panel));
    emit_status(jl_bands_begin(&bands, &panel, band, sizeof band));
    while (jl_bands_next(&bands)) { /* many: of what is cheap to draw */
        rects(&bands.frame.target);
    }
    emit_status(jl_bands_end(&bands));
    struct jl_rect part = {8, 8, 16, 16};
    emit_status(jl_bands_begin_area(&bands, &panel, part, band, 64));
    while (jl_bands_next(&bands)) {
        polygons(&bands.frame.target);
    }
    emit_status(jl_bands_end(&bands));
    emit_status(jl_direct_init(&direct, &panel, band, 100));
    if (direct.status == JL_OK) {
        texts(&direct.target);
        gradients(&direct.target);
    }
}

void run_panels(void) {
    static const struct jl_panel_config panels[] = {
        {.controller = &jl_ssd1306,
         .width = 128,
         .height = 64,
         .bus = &jl_bus_i2c,
         .i2c_address = 60},
        {.controller = &jl_sh1106,
         .width = 128,
         .height = 64,
         .bus = &jl_bus_i2c_single,
         .i2c_address = 60,
         .column_offset = 2,
         .turn = JL_TURN_180},
        {.controller = &jl_ili9341,
         .width = 240,
         .height = 320,
         .bus = &jl_bus_spi,
         .turn = JL_TURN_90,
         .module = JL_MODULE_RESET_WIRED},
        {.controller = &jl_ssd1327, .width = 128, .height = 128, .bus = &jl_bus_spi_3wire},
        {.controller = &jl_st7920, .width = 128, .height = 64, .bus = &jl_bus_st7920_serial}};
    for (size_t i = 0; i < sizeof panels / sizeof panels[0]; i++) {
        show(&panels[i]);
    }
    emit_text(END_MARK);
}

void run_paper(void) {
    static const struct jl_panel_config panels[] = {
        {.controller = &jl_ssd1680, .width = 122, .height = 250, .bus = &jl_bus_spi},
        {.controller = &jl_uc8179, .width = 800, .height = 480, .bus = &jl_bus_spi}};
    for (size_t i = 0; i < sizeof panels / sizeof panels[0]; i++) {
        show(&panels[i]);
    }
    emit_text(END_MARK);
}
