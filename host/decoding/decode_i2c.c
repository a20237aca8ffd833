/*
 * I2C (UM10204 3.1): SDA falls while SCL is high, START; rises, STOP; else bits as SCL rises, eight
 * and the acknowledgement. A changing clock, and clocks that are stretched, make no difference.
 */
#include "decoder.h"

static void end_byte(struct jl_decoder *decoder, bool acknowledged) {
    uint64_t bit =
        decoder->last_bit_ps > decoder->word_ps ? (decoder->last_bit_ps - decoder->word_ps) / 8 : 0;
    bool read = decoder->reading && !decoder->address_due;
    jl_host_decoder_tell(decoder,
                         (struct jl_bus_event){.at_ps = decoder->word_ps,
                                               .until_ps = decoder->word_ps + 9 * bit,
                                               .kind = read ? JL_BUS_READ : JL_BUS_BYTE,
                                               .value = (uint16_t)(decoder->shifted & 0xFF),
                                               .address = decoder->address_due,
                                               .refused = !acknowledged});
    if (decoder->address_due) {
        decoder->reading = decoder->shifted & 1;
    }
    decoder->address_due = false;
    decoder->bits = 0;
    decoder->shifted = 0;
}

void jl_host_decode_i2c(struct jl_decoder *decoder, const struct step *step) {
    bool stays_high = was(step, JL_ROLE_SCL) && is(step, JL_ROLE_SCL);
    if (stays_high && fell(step, JL_ROLE_SDA)) {
        if (decoder->bits > 1) { /* the clock of a repeated START or STOP counts one */
            jl_host_decoder_doubt(decoder, step->at_ps, "a START in the middle of a byte");
        }
        decoder->open = decoder->address_due = true;
        decoder->bits = decoder->shifted = 0;
        jl_host_decoder_tell(decoder,
                             (struct jl_bus_event){.at_ps = step->at_ps, .kind = JL_BUS_START});
    } else if (stays_high && rose(step, JL_ROLE_SDA)) {
        if (decoder->open && decoder->bits > 1) {
            jl_host_decoder_doubt(decoder, step->at_ps, "a STOP in the middle of a byte");
        }
        decoder->open = false;
        decoder->bits = decoder->shifted = 0;
        jl_host_decoder_tell(decoder,
                             (struct jl_bus_event){.at_ps = step->at_ps, .kind = JL_BUS_STOP});
    } else if (rose(step, JL_ROLE_SCL) && !decoder->open) {
        if (!decoder->doubted_start) {
            decoder->doubted_start = true;
            jl_host_decoder_doubt(decoder, step->at_ps,
                                  "SCL moves without a START before: what comes up to the next "
                                  "START is left out");
        }
    } else if (rose(step, JL_ROLE_SCL)) {
        if (decoder->bits == 8) {
            decoder->last_bit_ps = step->at_ps;
            end_byte(decoder, !is(step, JL_ROLE_SDA));
            return;
        }
        decoder->word_ps = decoder->bits ? decoder->word_ps : step->at_ps;
        decoder->shifted = decoder->shifted << 1 | is(step, JL_ROLE_SDA);
        decoder->bits++;
    }
}
