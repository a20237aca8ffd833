/* A clock in digits two rows high, each of 3 x 2 cells, put together from five parts. */
#include "example.h"

#include "digit_parts.h"

static const struct jl_char_config lcd = {
    .wire = &jl_char_wire_4,
    .glyphs = digit_parts,
    .glyph_count = 5,
    .columns = 16,
    .rows = 2,
};

/* Indices of parts: F full, T top, B bottom, D both; blanks are the ROM's. */
enum { F = 0, T = 1, B = 2, D = 3, DOT = 4, N = ' ' };

static const uint8_t digits[10][2][3] = {
    {{F, T, F}, {F, B, F}}, {{N, N, F}, {N, N, F}}, {{D, D, F}, {F, B, B}}, {{D, D, F}, {B, B, F}},
    {{F, B, F}, {N, N, F}}, {{F, D, D}, {B, B, F}}, {{F, D, D}, {F, B, F}}, {{T, T, F}, {N, N, F}},
    {{F, D, F}, {F, B, F}}, {{F, D, F}, {B, B, F}},
};

static jl_status put_digit(struct jl_char_panel *panel, uint8_t column, uint8_t digit) {
    jl_status status = jl_char_put_codes(panel, column, 0, digits[digit][0], 3);
    return status == JL_OK ? jl_char_put_codes(panel, column, 1, digits[digit][1], 3) : status;
}

static jl_status put_clock(struct jl_char_panel *panel, uint16_t minute) {
    static const uint8_t columns[] = {0, 4, 8, 12}, dot = DOT;
    const uint8_t shown[] = {(uint8_t)(minute / 600), (uint8_t)(minute / 60 % 10),
                             (uint8_t)(minute % 60 / 10), (uint8_t)(minute % 10)};
    jl_status status = JL_OK;
    for (uint8_t i = 0; i < 4 && status == JL_OK; i++) {
        status = put_digit(panel, columns[i], shown[i]);
    }
    for (uint8_t row = 0; row < 2 && status == JL_OK; row++) {
        status = jl_char_put_codes(panel, 7, row, &dot, 1);
    }
    return status;
}

jl_status example_run(const struct jl_port *port) {
    static uint8_t cells[JL_CHAR_BUFFER_BYTES(16, 2)];
    struct jl_char_panel panel;
    jl_status status = jl_char_open(&panel, &lcd, port);
    if (status == JL_OK) {
        status = jl_char_buffer(&panel, cells, sizeof cells);
    }
    if (status == JL_OK) {
        status = jl_char_wake(&panel);
    }
    for (uint16_t minute = 12 * 60 + 38; minute <= 12 * 60 + 40 && status == JL_OK; minute++) {
        status = put_clock(&panel, minute);
        if (status == JL_OK) {
            status = jl_char_present(&panel);
        }
        port->ops->wait_us(port->context, 1000000);
    }
    return status;
}
