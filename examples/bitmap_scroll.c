/* A 1-bit picture from an array, the controller's own scroll, and inversion. */
#include "example.h"

static const struct jl_panel_config oled = {
    .controller = &jl_ssd1306,
    .width = 128,
    .height = 64,
    .bus = &jl_bus_i2c,
    .i2c_address = 0x3C,
    .motion = &jl_ssd1306_motion,
};

static uint8_t pixels[JL_MONO_COLUMNS_BYTES(128, 64)];

/* A boat of 24x16; each row is three bytes, the leftmost pixel in bit 7. */
static const uint8_t boat_bits[] = {
    0x00, 0x10, 0x00, 0x00, 0x30, 0x00, 0x00, 0x70, 0x00, 0x00, 0xF4, 0x00, 0x01, 0xF6, 0x00, 0x03,
    0xF7, 0x00, 0x07, 0xF7, 0x80, 0x0F, 0xF7, 0xC0, 0x1F, 0xF7, 0xE0, 0x00, 0x10, 0x00, 0x00, 0x10,
    0x00, 0xFF, 0xFF, 0xFF, 0x7F, 0xFF, 0xFE, 0x3F, 0xFF, 0xFC, 0x1F, 0xFF, 0xF8, 0x0F, 0xFF, 0xF0};
static const struct jl_bitmap boat = {boat_bits, 24, 16, &jl_bits_rows_msb};

static void draw(struct jl_target *target) {
    static const struct jl_text_style style = {.font = &jl_font_6x8, .ink = JL_WHITE};
    jl_text(target, 34, 2, "FERRY DUE", &style);
    jl_draw_bitmap(target, 20, 24, &boat, JL_WHITE, JL_BLACK);
    for (int16_t x = 0; x < 128; x = (int16_t)(x + 16)) {
        jl_draw_line(target, x, 42, (int16_t)(x + 8), 45, JL_WHITE);
        jl_draw_line(target, (int16_t)(x + 8), 45, (int16_t)(x + 16), 42, JL_WHITE);
    }
}

jl_status example_run(const struct jl_port *port) {
    static const struct jl_scroll sail = {JL_SCROLL_RIGHT, 3, 5,
                                          2}; /* pages 3..5, every 2 frames */
    struct jl_panel panel;
    struct jl_frame frame;
    jl_status status = jl_frame_init(&frame, &jl_mono_columns, 128, 64, pixels, sizeof pixels);
    if (status == JL_OK) {
        status = jl_panel_open(&panel, &oled, port);
    }
    if (status == JL_OK) {
        status = jl_panel_wake(&panel);
    }
    draw(&frame.target);
    if (status == JL_OK) {
        status = jl_panel_present(&panel, &frame);
    }
    if (status == JL_OK) {
        status = jl_panel_scroll_start(&panel, &sail);
    }
    port->ops->wait_us(port->context, 700000); /* the boat sails; the bus is idle */
    if (status == JL_OK) {
        status = jl_panel_scroll_stop(&panel);
    }
    return status == JL_OK ? jl_panel_invert(&panel, true) : status;
}
