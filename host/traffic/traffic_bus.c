/* What a card says of its bus: how its wires are read, which there may be, what they hang on. */
#include "traffic_bus.h"

static jl_role_set roles(const enum jl_role *list, size_t count) {
    jl_role_set bits = 0;
    for (size_t i = 0; i < count; i++) {
        bits |= JL_ROLE_BIT(list[i]);
    }
    return bits;
}
#define ROLES(...)                                                                                 \
    roles((const enum jl_role[]){__VA_ARGS__},                                                     \
          sizeof((const enum jl_role[]){__VA_ARGS__}) / sizeof(enum jl_role))

static jl_role_set data_lines(int first, int count) {
    return (JL_ROLE_BIT(count) - 1) << (JL_ROLE_D0 + first);
}

void jl_host_describe_bus(const struct jl_card *card, struct jl_decoding *decoding,
                          jl_role_set *wanted, jl_role_set *needed) {
    const jl_role_set beside = ROLES(JL_ROLE_RESET, JL_ROLE_LIGHT);
    const jl_role_set parallel = ROLES(JL_ROLE_CS, JL_ROLE_DC);
    const jl_role_set two = ROLES(JL_ROLE_CHIP1, JL_ROLE_CHIP2);
    const jl_role_set chips = !card->controller->chips ? 0
                              : card->width > 128      ? two | ROLES(JL_ROLE_CHIP3)
                                                       : two;
    bool serial_cs = jl_card_selects_high(card);
    *decoding = (struct jl_decoding){.bits = 8, .mode = card->spi_mode, .select_high = serial_cs};
    switch (card->bus) {
    case JL_BUS_I2C:
        decoding->kind = JL_DECODE_I2C;
        *needed = ROLES(JL_ROLE_SCL, JL_ROLE_SDA);
        *wanted = *needed | beside;
        break;
    case JL_BUS_8080_8:
    case JL_BUS_8080_16:
        decoding->kind = JL_DECODE_8080;
        decoding->bits = card->bus == JL_BUS_8080_16 ? 16 : 8;
        *needed = ROLES(JL_ROLE_WR, JL_ROLE_DC) | data_lines(0, decoding->bits);
        *wanted = *needed | parallel | beside | ROLES(JL_ROLE_RD);
        break;
    case JL_BUS_6800_8:
        decoding->kind = JL_DECODE_6800;
        decoding->bits = card->cells.bus == JL_CELLS_PARALLEL_4 ? 4 : 8;
        *needed = ROLES(JL_ROLE_E, JL_ROLE_DC) |
                  (decoding->bits == 4 ? data_lines(4, 4) : data_lines(0, 8));
        *wanted = *needed | parallel | beside | ROLES(JL_ROLE_RW, JL_ROLE_E2);
        break;
    default:
        decoding->kind = JL_DECODE_SPI;
        decoding->bits = card->bus == JL_BUS_SPI_3WIRE ? 9 : 8;
        *needed =
            ROLES(JL_ROLE_CLOCK, JL_ROLE_MOSI) | (card->bus == JL_BUS_SPI ? ROLES(JL_ROLE_DC) : 0);
        *needed |= card->bus == JL_BUS_MEMORY_LCD ? ROLES(JL_ROLE_CS) : 0;
        *wanted = *needed | beside | ROLES(JL_ROLE_CS, JL_ROLE_MISO);
        break;
    }
    *wanted |= chips;
    *needed |= chips;
}

const char *jl_host_pin_of(const struct jl_card *card, enum jl_role role) {
    const char *pin = jl_card_pin(card, role == JL_ROLE_RESET ? "reset" : jl_role_name(role));
    return pin || role != JL_ROLE_DC ? pin : jl_card_pin(card, "rs");
}
