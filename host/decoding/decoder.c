/* Edges in, without glitches, and all of one time together. */
#include "decoder.h"

#include <stdlib.h>

struct jl_decoder *jl_decoder_create(const struct jl_decoding *decoding, jl_bus_event_fn fn,
                                     void *context) {
    bool good =
        decoding->kind == JL_DECODE_I2C ||
        (decoding->kind == JL_DECODE_SPI && decoding->mode >= 0 && decoding->mode <= 3 &&
         (decoding->bits == 8 || decoding->bits == 9)) ||
        (decoding->kind == JL_DECODE_8080 && (decoding->bits == 8 || decoding->bits == 16)) ||
        (decoding->kind == JL_DECODE_6800 && (decoding->bits == 4 || decoding->bits == 8));
    struct jl_decoder *decoder = good ? calloc(1, sizeof *decoder) : NULL;
    if (decoder) {
        decoder->decoding = *decoding;
        decoder->fn = fn;
        decoder->context = context;
        decoder->selected = !decoding->has_cs;
        decoder->strobes = decoding->kind == JL_DECODE_I2C
                               ? JL_ROLE_BIT(JL_ROLE_SCL) | JL_ROLE_BIT(JL_ROLE_SDA)
                               : JL_ROLE_BIT(JL_ROLE_CS) | JL_ROLE_BIT(JL_ROLE_CLOCK) |
                                     JL_ROLE_BIT(JL_ROLE_WR) | JL_ROLE_BIT(JL_ROLE_RD) |
                                     JL_ROLE_BIT(JL_ROLE_E);
    }
    return decoder;
}

void jl_decoder_destroy(struct jl_decoder *decoder) {
    free(decoder);
}

uint64_t jl_decoder_glitches(const struct jl_decoder *decoder) {
    return decoder->glitches;
}

/* ---- pins beside the bus ---- */

static void tell_pins(struct jl_decoder *decoder, const struct step *step, jl_role_set fresh) {
    static const struct {
        enum jl_role role;
        enum jl_bus_event_kind kind;
    } pins[] = {{JL_ROLE_RESET, JL_BUS_RESET},
                {JL_ROLE_LIGHT, JL_BUS_LIGHT},
                {JL_ROLE_CHIP1, JL_BUS_CHIP1},
                {JL_ROLE_CHIP2, JL_BUS_CHIP2},
                {JL_ROLE_CHIP3, JL_BUS_CHIP3}};
    for (size_t i = 0; i < sizeof pins / sizeof pins[0]; i++) {
        enum jl_role role = pins[i].role;
        if (rose(step, role) || fell(step, role) || fresh >> role & 1) {
            jl_host_decoder_tell(decoder, (struct jl_bus_event){.at_ps = step->at_ps,
                                                                .kind = pins[i].kind,
                                                                .high = is(step, role)});
        }
    }
}

/* ---- steps ---- */

static void run_step(struct jl_decoder *decoder) {
    struct step *step = &decoder->step;
    const jl_role_set pins = JL_ROLE_BIT(JL_ROLE_RESET) | JL_ROLE_BIT(JL_ROLE_LIGHT) |
                             JL_ROLE_BIT(JL_ROLE_CHIP1) | JL_ROLE_BIT(JL_ROLE_CHIP2) |
                             JL_ROLE_BIT(JL_ROLE_CHIP3);
    jl_role_set fresh = decoder->known & ~step->known;
    jl_role_set moved = (step->before ^ step->now) | fresh;
    if (!moved) {
        return;
    }
    if (moved & pins) {
        tell_pins(decoder, step, fresh);
    }
    if (!(moved & decoder->strobes)) { /* levels only: they count when something takes them */
        step->before = step->now;
        step->known = decoder->known;
        return;
    }
    if (decoder->decoding.kind == JL_DECODE_I2C) {
        jl_host_decode_i2c(decoder, step);
    } else if (decoder->decoding.kind == JL_DECODE_SPI) {
        jl_host_decode_spi(decoder, step);
    } else {
        jl_host_decode_parallel(decoder, step);
    }
    step->before = step->now;
    step->known = decoder->known;
}

/* All changes of one time make one step; of CS that moves there and back, two: on a board without
 * overhead one transfer follows another at once. */
static void take(struct jl_decoder *decoder, uint64_t at_ps, enum jl_role role, bool high) {
    struct step *step = &decoder->step;
    jl_role_set bit = JL_ROLE_BIT(role);
    bool back = role == JL_ROLE_CS && high != is(step, role) && was(step, role) != is(step, role);
    if (at_ps != step->at_ps || back) {
        run_step(decoder);
        step->at_ps = at_ps;
    }
    if (!(decoder->known & bit)) { /* its first level is how it was before, too */
        decoder->known |= bit;
        step->before = high ? step->before | bit : step->before & ~bit;
    }
    step->now = high ? step->now | bit : step->now & ~bit;
}

static void release(struct jl_decoder *decoder, uint64_t until_ps, bool all) {
    size_t done = 0;
    while (done < decoder->pending_count &&
           (all || decoder->pending[done].at_ps + decoder->decoding.pulse_ps <= until_ps)) {
        const struct pending *edge = &decoder->pending[done++];
        take(decoder, edge->at_ps, edge->role, edge->high);
    }
    decoder->pending_count -= done;
    for (size_t i = 0; done && i < decoder->pending_count; i++) {
        decoder->pending[i] = decoder->pending[i + done];
    }
}

void jl_decoder_level(struct jl_decoder *decoder, uint64_t at_ps, enum jl_role role, bool high) {
    if (!decoder->decoding.pulse_ps) {
        take(decoder, at_ps, role, high);
        return;
    }
    if (!(decoder->heard >> role & 1)) { /* no edge, and so no part of a pulse */
        decoder->heard |= JL_ROLE_BIT(role);
        release(decoder, at_ps, true);
        take(decoder, at_ps, role, high);
        return;
    }
    release(decoder, at_ps, decoder->pending_count == 64);
    for (size_t i = 0; i < decoder->pending_count; i++) {
        if (decoder->pending[i].role == role && decoder->pending[i].high != high) {
            /* It came and went: both edges go. */
            decoder->glitches++;
            decoder->pending_count--;
            for (; i < decoder->pending_count; i++) {
                decoder->pending[i] = decoder->pending[i + 1];
            }
            return;
        }
    }
    decoder->pending[decoder->pending_count++] = (struct pending){at_ps, role, high};
}

void jl_decoder_reach(struct jl_decoder *decoder, uint64_t at_ps) {
    release(decoder, at_ps, false);
    if (at_ps > decoder->step.at_ps) {
        run_step(decoder);
    }
}

void jl_decoder_end(struct jl_decoder *decoder, uint64_t at_ps) {
    release(decoder, at_ps, true);
    run_step(decoder);
    if (decoder->bits) {
        jl_host_decoder_doubt(decoder, at_ps, "the capture ends in the middle of a byte");
    }
}
