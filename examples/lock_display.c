/* The lock keeper's display: levels as bars of our own characters, and a boat on the water. */
#include "example.h"

#include "lock_display.h"
#include "lock_glyphs.h"

static const struct jl_char_config lcd = {
    .wire = &jl_char_wire_expander,
    .expander = &jl_char_expander_usual,
    .i2c_address = 0x27,
    .rom = &jl_char_rom_a00,
    .glyphs = lock_glyphs,
    .glyph_count = 8,
    .columns = 20,
    .rows = 4,
};

/* The chamber is emptied: every two seconds 60 cm less. */
enum { STEPS = 6, UPPER_CM = 411, LOWER_CM = 77, STEP_CM = 60 };

jl_status example_run(const struct jl_port *port) {
    static uint8_t cells[JL_CHAR_BUFFER_BYTES(20, 4)];
    struct lock_reading reading = {
        .minute = 520, .upper_cm = UPPER_CM, .lower_cm = LOWER_CM, .boat = "Sandpiper going down"};
    struct jl_char_panel panel;
    jl_status status = jl_char_open(&panel, &lcd, port);
    if (status == JL_OK) {
        status = jl_char_buffer(&panel, cells, sizeof cells);
    }
    if (status == JL_OK) {
        status = jl_char_wake(&panel);
    }
    for (uint8_t step = 0; step < STEPS && status == JL_OK; step++) {
        reading.chamber_cm = (int16_t)(UPPER_CM - step * STEP_CM);
        status = lock_display_draw(&panel, &reading, step);
        if (status == JL_OK) {
            status = jl_char_present(&panel);
        }
        port->ops->wait_us(port->context, 2000000);
    }
    return status;
}
