/*
 * 8080: a byte or word as WR rises, a read as RD rises. 6800: as E falls, by R/W; on 4 lines,
 * D7..D4, two make a byte. Levels count as they were before the edge: hold times may be 0.
 */
#include "decoder.h"

static unsigned lines(const struct step *step, int bits) {
    unsigned all = (unsigned)(step->before >> JL_ROLE_D0 & 0xFFFF);
    return bits == 16 ? all : bits == 8 ? all & 0xFF : all >> 4 & 0x0F;
}

static void tell_word(struct jl_decoder *decoder, const struct step *step, bool read) {
    unsigned value = lines(step, decoder->decoding.bits);
    /* A cycle is from strobe to strobe; of one that stands alone, or is the first to read or to
     * write, twice its pulse. */
    uint64_t from = decoder->word_ps, pulse = step->at_ps - from;
    uint64_t cycle = from - decoder->last_bit_ps;
    if (!decoder->last_bit_ps || cycle > 4 * pulse || read != decoder->reading) {
        cycle = 2 * pulse;
    }
    decoder->last_bit_ps = from;
    decoder->reading = read;
    if (decoder->decoding.bits == 4) {
        if (!decoder->nibble_due) {
            decoder->high_nibble = value;
            decoder->nibble_due = true;
            return;
        }
        decoder->nibble_due = false;
        value |= decoder->high_nibble << 4;
    }
    jl_host_decoder_tell(decoder, (struct jl_bus_event){.at_ps = from,
                                                        .until_ps = from + cycle,
                                                        .kind = read ? JL_BUS_READ : JL_BUS_BYTE,
                                                        .value = (uint16_t)value,
                                                        .data = was(step, JL_ROLE_DC)});
}

void jl_host_decode_parallel(struct jl_decoder *decoder, const struct step *step) {
    bool intel = decoder->decoding.kind == JL_DECODE_8080;
    /* CS may end with the strobe: its end is told behind the word. */
    bool late = decoder->selected;
    if (!late && !jl_host_decoder_select(decoder, step)) {
        return;
    }
    if (intel ? fell(step, JL_ROLE_WR) || fell(step, JL_ROLE_RD) : rose(step, JL_ROLE_E)) {
        decoder->word_ps = step->at_ps;
    }
    if (intel && rose(step, JL_ROLE_WR)) {
        tell_word(decoder, step, false);
    } else if (intel && rose(step, JL_ROLE_RD)) {
        tell_word(decoder, step, true);
    } else if (!intel && fell(step, JL_ROLE_E)) {
        tell_word(decoder, step, was(step, JL_ROLE_RW));
    }
    if (late && !jl_host_decoder_select(decoder, step)) {
        decoder->nibble_due = false;
    }
}
