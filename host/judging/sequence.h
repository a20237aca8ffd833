/* A wake-up sequence, taken apart into commands with what follows them. */
#ifndef JADELAMP_HOST_SEQUENCE_H
#define JADELAMP_HOST_SEQUENCE_H

#include "jadelamp/host/rig.h"

enum { SEQUENCE_ITEMS = 300, SEQUENCE_BYTES = 160 };

/* A command; or other steps, as a card encodes them. */
struct sequence_item {
    bool is_command;
    uint8_t bytes[SEQUENCE_BYTES]; /* opcode and arguments; or an encoded step */
    size_t count;
    int wait_ms;      /* behind it */
    int missing;      /* arguments that its step does not have */
    const char *name; /* of the command; NULL: the part has none such */
};

struct sequence {
    int count;
    struct sequence_item items[SEQUENCE_ITEMS]; /* the first one has no bytes: the wait in front */
};

/* The card's own sequence, or the driver's where it has none; what the description decides is
 * written out. False: no memory, or it is too long. */
bool jl_host_sequence_of(const struct jl_card *card, struct sequence *sequence);

/* Makes a sequence the card's. False: it is too long. */
bool jl_host_sequence_into(const struct sequence *sequence, struct jl_card *card);

#endif
