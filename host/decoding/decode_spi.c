/*
 * SPI, most significant bit first. Modes 0 and 3 sample as the clock rises, 1 and 2 as it falls. A
 * word is 8 bits, with D/C on its wire while the last one comes, or 9 with D/C in front. What a
 * part answers on three wires is 8 bits.
 */
#include "decoder.h"

/* A pause of so many bit times in the middle of a word, and the word is given up. */
enum { PAUSE_BITS = 12 };

static void drop_word(struct jl_decoder *decoder, uint64_t at_ps, const char *why) {
    if (decoder->bits) {
        jl_host_decoder_doubt(decoder, at_ps, why);
    }
    decoder->bits = decoder->shifted = 0;
}

bool jl_decoder_answered(struct jl_decoder *decoder) {
    decoder->reading = decoder->decoding.bits == 9 && decoder->decoding.has_cs;
    return decoder->reading;
}

static void end_word(struct jl_decoder *decoder, const struct step *step) {
    bool reading = decoder->reading, nine = decoder->decoding.bits == 9 && !reading;
    uint64_t bit = (step->at_ps - decoder->word_ps) / (nine ? 8 : 7);
    bool data = reading || (nine ? decoder->shifted >> 8 & 1 : was(step, JL_ROLE_DC));
    decoder->bit_ps = bit;
    /* Bits are taken in their middle: so the last one is over before a pin moves behind it. */
    uint64_t half = decoder->word_ps < bit / 2 ? decoder->word_ps : bit / 2;
    jl_host_decoder_tell(decoder,
                         (struct jl_bus_event){.at_ps = decoder->word_ps - half,
                                               .until_ps = step->at_ps + bit - half,
                                               .kind = reading ? JL_BUS_READ : JL_BUS_BYTE,
                                               .value = (uint16_t)(decoder->shifted & 0xFF),
                                               .has_answer = decoder->known >> JL_ROLE_MISO & 1,
                                               .answer = (uint8_t)decoder->answer,
                                               .data = data});
    decoder->bits = decoder->shifted = 0;
}

void jl_host_decode_spi(struct jl_decoder *decoder, const struct step *step) {
    bool selected = jl_host_decoder_select(decoder, step);
    bool rising = decoder->decoding.mode == 0 || decoder->decoding.mode == 3;
    if (selected != decoder->was_selected) {
        if (decoder->reading) { /* nobody reads on behind what he wants to know */
            decoder->reading = false;
            decoder->bits = decoder->shifted = 0;
        }
        drop_word(decoder, step->at_ps, "CS moves in the middle of a word: its bits are lost");
    }
    if (!selected || !(rising ? rose(step, JL_ROLE_CLOCK) : fell(step, JL_ROLE_CLOCK))) {
        return;
    }
    if (was(step, JL_ROLE_MOSI) != is(step, JL_ROLE_MOSI) && !decoder->doubted_edge &&
        !decoder->reading) {
        decoder->doubted_edge = true;
        jl_host_decoder_doubt(decoder, step->at_ps,
                              "data changes with the edge that takes it: is it another SPI mode?");
    }
    if (decoder->bits && decoder->bit_ps &&
        step->at_ps - decoder->last_bit_ps > PAUSE_BITS * decoder->bit_ps &&
        !decoder->decoding.has_cs) {
        drop_word(decoder, step->at_ps,
                  "a pause in the middle of a word, and there is no CS: a "
                  "new word begins");
    }
    decoder->word_ps = decoder->bits ? decoder->word_ps : step->at_ps;
    decoder->last_bit_ps = step->at_ps;
    decoder->shifted = decoder->shifted << 1 | was(step, JL_ROLE_MOSI);
    decoder->answer = decoder->answer << 1 | was(step, JL_ROLE_MISO);
    if (++decoder->bits == (decoder->reading ? 8u : (unsigned)decoder->decoding.bits)) {
        end_word(decoder, step);
    }
}
