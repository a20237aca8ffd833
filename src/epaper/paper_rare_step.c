/* Steps that e-paper has otherwise. */
#include "paper.h"

jl_status jl_paper_rare_step(const struct jl_panel *panel, const uint8_t *step) {
    const struct jl_panel_config *config = panel->config;
    if (config->column_offset & 7) {
        return JL_BAD_SIZE;
    }
    if (step[0] == JL_STEP_CODE_WAIT_BUSY) {
        uint8_t turned[4] = {step[0], step[1] != jl_epaper_config_of(panel)->busy_inverted, step[2],
                             step[3]};
        return jl_rare_step(panel, turned);
    }
    if (step[1] < JL_PAPER_WAVE) {
        return jl_rare_step(panel, step);
    }
    const struct jl_wave *wave = jl_paper_wave(panel, panel->update);
    uint8_t number = step[1] - JL_PAPER_WAVE;
    if (!wave || number >= wave->count) {
        return JL_BAD_STEPS;
    }
    return config->bus->send(panel, false, wave->blocks[number].bytes, wave->blocks[number].count);
}
