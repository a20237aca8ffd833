/* Steps that e-paper has otherwise. */
#include "paper.h"

#include "../core/lone.h"

static jl_status wait_busy(const struct jl_panel *panel, const uint8_t *step) {
    const struct jl_port *port = panel->port;
    struct jl_showing showing = {0};
    jl_status status;
    while ((status = jl_paper_look(panel, &showing, step)) == JL_BUSY) {
        port->ops->wait_us(port->context, 1000);
    }
    return status;
}

jl_status jl_paper_rare_step(const struct jl_panel *panel, const uint8_t *step) {
    const struct jl_panel_config *config = jl_config_of(panel);
    if (config->column_offset & 7) {
        return JL_BAD_SIZE;
    }
    if (step[0] == JL_STEP_CODE_WAIT_BUSY) {
        return wait_busy(panel, step);
    }
    uint8_t number = step[1];
    uint16_t most = config->block_count < JL_PAPER_WAVE ? config->block_count : JL_PAPER_WAVE;
    struct jl_wave blocks = {config->blocks, (uint8_t)most};
    if (number >= JL_PAPER_WAVE) {
        const struct jl_wave *wave = jl_paper_wave(panel, panel->update);
        number = (uint8_t)(number - JL_PAPER_WAVE);
        blocks = wave ? *wave : (struct jl_wave){NULL, 0};
    }
    if (number >= blocks.count) {
        return JL_BAD_STEPS;
    }
    const struct jl_block *block = &blocks.blocks[number];
    return config->bus->send(panel, false, block->bytes, block->count);
}
