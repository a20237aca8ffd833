/* A 16x2 module on four pins: a number with decimals, a heart of one's own, text that scrolls. */
#include "example.h"

static const struct jl_char_glyph heart[] = {
    {0x2665, {0x00, 0x0A, 0x1F, 0x1F, 0x0E, 0x04, 0x00, 0x00}}};
static const struct jl_char_config lcd = {
    .wire = &jl_char_wire_4, .columns = 16, .rows = 2, .glyphs = heart, .glyph_count = 1};

jl_status example_run(const struct jl_port *port) {
    struct jl_char_panel panel;
    jl_char_open(&panel, &lcd, port);
    jl_char_wake(&panel);
    jl_char_put(&panel, 0, 0, "Supply");
    jl_char_put(&panel, 14, 0, "V\u2665");
    for (uint16_t step = 0; step < 12; step++) {
        jl_char_number(&panel, 8, 0, 5, 1234 + step, 2);
        jl_char_marquee(&panel, 0, 1, 16, "Heron Quay: upper gate open until 18:40", step);
        port->ops->wait_us(port->context, 200000);
    }
    return jl_char_status(&panel);
}
