/* Scanning the bus of a set of cards. */
#include "jadelamp/host/scan.h"

#include <string.h>

#include "jadelamp/sim/sim_port.h"
#include "rig_parts.h"

/* Who answers at the card's address: the controller, or the expander before it. */
static struct jl_device *add_device(struct jl_board *board, const struct jl_card *card) {
    struct jl_glass glass = {
        .width = card->width, .height = card->height, .column_offset = card->column_offset};
    struct jl_device *expander;
    if (card->cells.bus) {
        return jl_host_cells_add(board, card, &expander) ? expander : NULL;
    }
    return jl_board_add_device(board, card->controller->emulator, card->name, &glass);
}

static bool populate(struct jl_board *board, struct jl_i2c_bus *bus, const struct jl_card *cards,
                     size_t count, bool unplugged, struct jl_complaint *complaint) {
    for (size_t i = 0; i < count; i++) {
        if (cards[i].bus != JL_BUS_I2C) {
            continue;
        }
        struct jl_device *device = add_device(board, &cards[i]);
        if (!device || !jl_i2c_attach(bus, device, cards[i].i2c_address)) {
            return jl_complain(complaint, "no more room on the bus for %s: 16 panels at most",
                               cards[i].name);
        }
        jl_device_set_plugged(device, !unplugged);
    }
    return true;
}

bool jl_scan_cards(const struct jl_card *cards, size_t count, bool unplugged,
                   struct jl_scan_result *result, struct jl_complaint *complaint) {
    memset(result, 0, sizeof *result);
    uint32_t overhead_ns = 0;
    for (size_t i = 0; i < count; i++) {
        if (cards[i].bus == JL_BUS_I2C) {
            result->on_bus++;
            if (!result->clock_hz || cards[i].clock_hz < result->clock_hz) {
                result->clock_hz = cards[i].clock_hz;
            }
            if (cards[i].overhead_ns > overhead_ns) {
                overhead_ns = cards[i].overhead_ns;
            }
        }
    }
    if (!result->clock_hz) {
        return jl_complain(complaint,
                           "none of the cards is on I2C, so there is no bus to scan: SPI "
                           "and parallel panels do not answer");
    }
    struct jl_board *board = jl_board_create(1);
    struct jl_i2c_bus *bus = board ? jl_board_add_i2c(board, result->clock_hz, overhead_ns) : NULL;
    bool good = bus ? populate(board, bus, cards, count, unplugged, complaint)
                    : jl_complain(complaint, "out of memory for the board");
    if (good) {
        struct jl_sim_port sim = {.board = board, .i2c = bus};
        struct jl_port port = {.ops = &jl_sim_port_ops, .context = &sim};
        result->status = jl_scan_i2c(&port, result->found);
        result->microseconds = (double)jl_board_now_ps(board) / 1e6;
        for (int address = 0; address < 128; address++) {
            result->answered += JL_SCAN_FOUND(result->found, address);
        }
    }
    jl_board_destroy(board);
    return good;
}
