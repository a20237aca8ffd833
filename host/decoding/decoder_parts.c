/* What all buses have: events, doubts, the selection. */
#include "decoder.h"

void jl_host_decoder_tell(struct jl_decoder *decoder, struct jl_bus_event event) {
    decoder->fn(decoder->context, &event);
}

void jl_host_decoder_doubt(struct jl_decoder *decoder, uint64_t at_ps, const char *text) {
    jl_host_decoder_tell(decoder,
                         (struct jl_bus_event){.at_ps = at_ps, .kind = JL_BUS_DOUBT, .text = text});
}

bool jl_host_decoder_select(struct jl_decoder *decoder, const struct step *step) {
    const struct jl_decoding *decoding = &decoder->decoding;
    decoder->was_selected = decoder->selected;
    if (!decoding->has_cs) {
        return true;
    }
    if (decoder->known >> JL_ROLE_CS & 1) {
        decoder->selected = is(step, JL_ROLE_CS) == decoding->select_high;
    }
    if (decoder->selected && !decoder->was_selected && !(step->known >> JL_ROLE_CS & 1)) {
        jl_host_decoder_doubt(decoder, step->at_ps,
                              "the capture begins while CS is active: its first bytes may be cut");
    }
    if (decoder->selected != decoder->was_selected) {
        jl_host_decoder_tell(
            decoder,
            (struct jl_bus_event){.at_ps = step->at_ps,
                                  .kind = decoder->selected ? JL_BUS_SELECTED : JL_BUS_DESELECTED});
    }
    return decoder->selected;
}
