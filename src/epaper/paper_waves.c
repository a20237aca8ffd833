/* What the description says of e-paper, and its waveforms. */
#include "paper.h"

#include "../core/lone.h"

const struct jl_epaper_config *jl_epaper_config_of(const struct jl_panel *panel) {
    static const struct jl_epaper_config usual = {0};
    return jl_config_of(panel)->epaper ? jl_config_of(panel)->epaper : &usual;
}

const struct jl_wave *jl_paper_wave(const struct jl_panel *panel, uint8_t update) {
    const struct jl_epaper_config *config = jl_epaper_config_of(panel);
    return update == JL_UPDATE_PARTIAL ? config->partial_wave
           : update == JL_UPDATE_FAST  ? config->fast_wave
                                       : config->full_wave;
}

bool jl_paper_has(const struct jl_panel *panel, uint8_t update) {
    /* The part's own waveforms know no greys. */
    bool own = jl_config_of(panel)->controller->paper->updates >> update & 1 &&
               jl_format_of(panel)->layout != JL_LAYOUT_GREY2_PLANES;
    return own || jl_paper_wave(panel, update);
}
