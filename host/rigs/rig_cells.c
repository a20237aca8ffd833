/* From the card of a character module to a module on a simulated board. */
#include <string.h>

#include "rig_parts.h"

static uint8_t mask_of(int bit) {
    return bit < 0 ? 0 : (uint8_t)(1 << bit);
}

static const struct jl_char_wire *usual_wire(const struct jl_card_cells *cells) {
    switch (cells->bus) {
    case JL_CELLS_PARALLEL_4:
        return cells->reads_busy ? &jl_char_wire_4_busy : &jl_char_wire_4;
    case JL_CELLS_PARALLEL_8:
        return cells->reads_busy ? &jl_char_wire_8_busy : &jl_char_wire_8;
    case JL_CELLS_I2C:
        return &jl_char_wire_i2c;
    default:
        return &jl_char_wire_expander;
    }
}

/* A wake-up of the card's own is sent as it is: wires that switch a supply on would add to it. They
 * leave the time that clearing takes. */
static const struct jl_char_wire *wire_of(struct jl_rig *rig) {
    const struct jl_card *card = &rig->card;
    const struct jl_char_wire *usual = usual_wire(&card->cells);
    const struct jl_char_wire *own =
        card->controller->wires[card->cells.bus == JL_CELLS_PARALLEL_8];
    if (!own || !card->has_wake) {
        return own ? own : usual;
    }
    rig->slow_wire = *usual;
    rig->slow_wire.long_us = own->long_us;
    rig->slow_wire.three_rows = own->three_rows;
    return &rig->slow_wire;
}

static void describe(struct jl_rig *rig) {
    const struct jl_card *card = &rig->card;
    const struct jl_cells_wiring *wiring = &card->cells.outputs;
    rig->outputs = (struct jl_char_expander){
        .rs = mask_of(wiring->rs),
        .e = mask_of(wiring->e),
        .rw = mask_of(wiring->rw),
        .e2 = mask_of(wiring->e2),
        .light = mask_of(wiring->light),
        .data = {mask_of(wiring->data[0]), mask_of(wiring->data[1]), mask_of(wiring->data[2]),
                 mask_of(wiring->data[3])},
        .light_low = wiring->light_low,
    };
    rig->cells_config = (struct jl_char_config){
        .wire = wire_of(rig),
        .expander = &rig->outputs,
        .rom = card->cells.only_ascii     ? NULL
               : card->cells.european_rom ? &jl_char_rom_a02
                                          : &jl_char_rom_a00,
        .columns = (uint8_t)card->width,
        .rows = (uint8_t)card->height,
        .flags = (uint8_t)((card->cells.halves ? JL_CHAR_HALVES : 0) |
                           (card->works_up_to ? JL_CHAR_FAST_EXPANDER : 0)),
        .i2c_address = card->i2c_address,
    };
}

struct jl_device *jl_host_cells_add(struct jl_board *board, const struct jl_card *card,
                                    struct jl_device **expander) {
    struct jl_glass glass = jl_glass_cells(card->width, card->height, card->glass_kind);
    glass.halves = card->cells.halves;
    glass.european_rom = card->cells.european_rom;
    /* An output that leads nowhere: the light is on the supply. */
    glass.light_wired = card->cells.bus != JL_CELLS_EXPANDER || card->cells.outputs.light >= 0;
    struct jl_device *module =
        jl_board_add_device(board, card->controller->emulator, card->name, &glass);
    *expander = NULL;
    if (module && card->cells.millivolts) {
        jl_cells_voltage(module, card->cells.millivolts);
    }
    if (module && card->cells.bus == JL_CELLS_EXPANDER) {
        *expander = jl_board_add_expander(board, "expander", module, &card->cells.outputs);
        module = *expander ? module : NULL;
        if (module && card->works_up_to) {
            jl_device_tolerates(*expander, 1000000000000u / card->works_up_to);
        }
    }
    return module;
}

static bool build(struct jl_rig *rig, const struct jl_card *module) {
    rig->device = jl_host_cells_add(rig->board, module, &rig->expander);
    rig->sim.device = rig->device;
    bool behind = rig->card.cells.bus == JL_CELLS_EXPANDER;
    bool native = rig->card.cells.bus == JL_CELLS_I2C;
    if (rig->device && native) {
        return module->cells.bus == JL_CELLS_I2C &&
               jl_host_rig_connect(rig, rig->device, module->i2c_address);
    }
    return rig->device && module->cells.bus != JL_CELLS_I2C && behind == (rig->expander != NULL) &&
           (!behind || jl_host_rig_connect(rig, rig->expander, module->i2c_address));
}

bool jl_host_rig_open_cells(struct jl_rig *rig, const struct jl_card *module,
                            struct jl_complaint *complaint) {
    bool built = build(rig, module);
    jl_status status = JL_OK;
    describe(rig);
    if (built) {
        status = jl_char_open(&rig->cells, &rig->cells_config, &rig->port);
    }
    if (built && status == JL_OK) {
        status = jl_char_buffer(&rig->cells, rig->cell_memory, sizeof rig->cell_memory);
    }
    if (!built && strcmp(module->name, rig->card.name) != 0) {
        return jl_complain(complaint, "the bus of %s does not reach the module of %s",
                           rig->card.name, module->name);
    }
    return (built && status == JL_OK) ||
           jl_complain(complaint, "cannot build the board for %s: %s", rig->card.name,
                       built ? jl_status_text(status) : "the glass or the expander does not fit");
}
