/* Who is on the bus? The addresses that answer, on the glass of one of them. */
#include "example.h"

enum { WIDTH = 96, HEIGHT = 16 };

static const struct jl_panel_config strip = {.controller = &jl_ssd0303,
                                             .bus = &jl_bus_i2c_single,
                                             .i2c_address = 0x3D,
                                             .width = WIDTH,
                                             .height = HEIGHT,
                                             .column_offset = 36};
static uint8_t pixels[JL_MONO_COLUMNS_BYTES(WIDTH, HEIGHT)];

jl_status example_run(const struct jl_port *port) {
    static const struct jl_text_style style = {.font = &jl_font_6x8, .ink = JL_WHITE};
    struct jl_panel panel;
    struct jl_frame frame;
    uint8_t found[16];
    jl_status status = jl_scan_i2c(port, found);
    if (status != JL_OK) {
        return status;
    }
    jl_panel_open(&panel, &strip, port);
    jl_panel_wake(&panel);
    jl_panel_frame(&panel, &frame, pixels, sizeof pixels);
    jl_text(&frame.target, 0, 0, "on the bus:", &style);
    int16_t x = 0;
    for (uint8_t address = 0x08; address < 0x78; address++) {
        if (JL_SCAN_FOUND(found, address)) {
            char digits[4];
            jl_format_hex(digits, sizeof digits, address, 2);
            jl_text(&frame.target, x, 8, digits, &style);
            x = (int16_t)(x + 18);
        }
    }
    jl_panel_present(&panel, &frame);
    return jl_panel_status(&panel);
}
