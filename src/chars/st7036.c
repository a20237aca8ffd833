/*
 * st7036 (instruction table): the set of an hd44780, and a second one for the voltage of the glass
 * and for icons, which function set chooses by its bits 1 and 0.
 */
#include "jadelamp/st7036.h"

#include "wire_i2c.h"

enum {
    FIRST_TABLE = JL_CHAR_FUNCTION | JL_CHAR_8_BITS, /* with N as it is; the usual one */
    SECOND_TABLE = FIRST_TABLE | 1,
    BIAS = 0x14, /* 1/5; bit 0 with three lines */
    ICON_ADDRESS = 0x40,
    POWER = 0x5C,        /* icons and booster on; bits 1 and 0 are those of the contrast */
    FOLLOWER = 0x6C,     /* on; ratio 4 of 7 */
    CONTRAST_LOW = 0x70, /* its bits 3 to 0 */
    USUAL_CONTRAST = 36,
};

#define FOLLOWER_US 200000u /* until the voltage stands; more than an int may hold */

static uint8_t table(const struct jl_char_panel *panel, uint8_t which) {
    return (uint8_t)(which | (jl_char_two_lines(panel) ? JL_CHAR_2_LINES : 0));
}

/* Opens the second table, sends from it, and closes it. */
static jl_status send_second(struct jl_char_panel *panel, const uint8_t *commands, uint8_t count) {
    const struct jl_char_wire *wire = jl_cells_of(panel)->wire;
    jl_status status = wire->send(panel, 1, table(panel, SECOND_TABLE), NULL, 0);
    for (uint8_t i = 0; i < count && status == JL_OK; i++) {
        status = wire->send(panel, 1, commands[i], NULL, 0);
    }
    return status == JL_OK ? wire->send(panel, 1, table(panel, FIRST_TABLE), NULL, 0) : status;
}

/* As every wake-up begins; what follows chooses the first table again. */
static jl_status rest(struct jl_char_panel *panel) {
    const struct jl_port *port = panel->port;
    uint8_t contrast = jl_cells_of(panel)->contrast ? jl_cells_of(panel)->contrast : USUAL_CONTRAST;
    uint8_t three = jl_cells_of(panel)->rows == 3;
    const uint8_t commands[] = {(uint8_t)(BIAS | three), (uint8_t)(CONTRAST_LOW | (contrast & 15)),
                                (uint8_t)(POWER | (contrast >> 4 & 3)), FOLLOWER};
    jl_status status = jl_wire_i2c_rest(panel);
    status = status == JL_OK ? send_second(panel, commands, sizeof commands) : status;
    port->ops->wait_us(port->context, FOLLOWER_US);
    return status;
}

const struct jl_char_wire jl_char_wire_st7036 = {.eight_bits = true,
                                                 .three_rows = true,
                                                 .check = jl_wire_i2c_check,
                                                 .rest = rest,
                                                 .knock = jl_wire_i2c_knock,
                                                 .send = jl_wire_i2c_send,
                                                 .light = jl_wire_i2c_light};

/* Whether commands may be sent that the wire does not know of, and a value in range. */
static jl_status ready(struct jl_char_panel *panel, bool in_range) {
    jl_status status = jl_char_ready(panel);
    return status == JL_OK && !in_range ? jl_char_note(panel, JL_OUT_OF_RANGE) : status;
}

/* As jl_char_send(): an error puts the panel to sleep. */
static jl_status done(struct jl_char_panel *panel, jl_status status) {
    panel->awake = status == JL_OK;
    return jl_char_note(panel, status);
}

jl_status jl_st7036_contrast(struct jl_char_panel *panel, uint8_t contrast) {
    jl_status status = ready(panel, contrast < 64);
    const uint8_t commands[] = {(uint8_t)(CONTRAST_LOW | (contrast & 15)),
                                (uint8_t)(POWER | (contrast >> 4 & 3))};
    return status == JL_OK ? done(panel, send_second(panel, commands, sizeof commands)) : status;
}

jl_status jl_st7036_icons(struct jl_char_panel *panel, uint8_t address, uint8_t bits) {
    jl_status status = ready(panel, address < 16 && bits < 32);
    if (status != JL_OK) {
        return status;
    }
    status = jl_wire_i2c_send(panel, 1, table(panel, SECOND_TABLE), NULL, 0);
    if (status == JL_OK) {
        status = jl_wire_i2c_send(panel, 1, (uint8_t)(ICON_ADDRESS | address), &bits, 1);
    }
    if (status == JL_OK) {
        status = jl_wire_i2c_send(panel, 1, table(panel, FIRST_TABLE), NULL, 0);
    }
    status = done(panel, status);
    return status == JL_OK ? jl_char_close_cgram(panel) : status; /* text goes on where it was */
}
