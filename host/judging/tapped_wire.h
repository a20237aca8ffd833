/* The wire of a character module with somebody who listens. */
#ifndef JADELAMP_HOST_TAPPED_WIRE_H
#define JADELAMP_HOST_TAPPED_WIRE_H

#include "jadelamp/host/rig.h"

enum tapped_kind { TAPPED_PULSE, TAPPED_COMMAND, TAPPED_DATA };

/* Gets four bits of a pulse, an instruction, or a byte of text, before it goes out. */
typedef void (*tapped_fn)(void *context, enum tapped_kind kind, uint8_t value);

struct tapped_wire {
    struct jl_char_wire wire; /* first: found from the description */
    const struct jl_char_wire *inner;
    tapped_fn fn;
    void *context;
};

/* Stands before the wire of a rig's module from now on. It is as long as the rig. */
void jl_host_tap_wire(struct tapped_wire *tapped, struct jl_rig *rig, tapped_fn fn, void *context);

#endif
