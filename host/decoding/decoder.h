/* Inside of a decoder. Each bus sees steps: the levels of all wires before and behind a time. */
#ifndef JADELAMP_HOST_DECODER_H
#define JADELAMP_HOST_DECODER_H

#include "jadelamp/host/decode.h"

/* Levels as sets of roles. */
struct step {
    uint64_t at_ps;
    jl_role_set before, now;
    jl_role_set known; /* before, and now, too */
};

static inline bool was(const struct step *step, enum jl_role role) {
    return step->before >> role & 1;
}

static inline bool is(const struct step *step, enum jl_role role) {
    return step->now >> role & 1;
}

static inline bool rose(const struct step *step, enum jl_role role) {
    return step->known >> role & 1 && !was(step, role) && is(step, role);
}

static inline bool fell(const struct step *step, enum jl_role role) {
    return step->known >> role & 1 && was(step, role) && !is(step, role);
}

struct jl_decoder {
    struct jl_decoding decoding;
    jl_bus_event_fn fn;
    void *context;
    /* edges that may still turn out to be glitches, oldest first */
    struct pending {
        uint64_t at_ps;
        enum jl_role role;
        bool high;
    } pending[64];
    size_t pending_count;
    uint64_t glitches;
    jl_role_set heard; /* roles that were told of */
    /* the step under way */
    struct step step;
    jl_role_set known, strobes; /* roles with a level; and those whose edges do something */
    /* a word under way */
    unsigned shifted, answer, bits;
    uint64_t word_ps, bit_ps, last_bit_ps;
    bool open, address_due; /* I2C: between START and STOP; the next byte is an address */
    bool reading;
    bool selected, was_selected; /* by CS; before the step */
    bool doubted_start, doubted_edge;
    unsigned high_nibble;
    bool nibble_due;
};

/* One of these takes a step. */
void jl_host_decode_i2c(struct jl_decoder *decoder, const struct step *step);
void jl_host_decode_spi(struct jl_decoder *decoder, const struct step *step);
void jl_host_decode_parallel(struct jl_decoder *decoder, const struct step *step);

/* Gives an event to whoever asked. */
void jl_host_decoder_tell(struct jl_decoder *decoder, struct jl_bus_event event);
void jl_host_decoder_doubt(struct jl_decoder *decoder, uint64_t at_ps, const char *text);

/* CS as the bus has it: tells when it changes. Returns whether the part is selected now. */
bool jl_host_decoder_select(struct jl_decoder *decoder, const struct step *step);

#endif
