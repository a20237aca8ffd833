/* The usual mistakes of people who bring up a panel. */
#ifndef JADELAMP_HOST_MISTAKES_H
#define JADELAMP_HOST_MISTAKES_H

#include "bend.h"
#include "jadelamp/host/suspects.h"

/* One: in the description (`alter`), on the way (`bend`), or in the wires (`fault`). */
struct mistake {
    struct jl_suspect told;
    unsigned where;                      /* sum of kinds, in mistakes.c; a bus: only there */
    const char *controller;              /* of names that begin so; NULL: any */
    bool (*alter)(struct jl_card *card); /* false: the card cannot have it */
    enum bend_kind bend;
    uint8_t opcode, value;
    const char *fault;
    bool (*alter_glass)(struct jl_card *glass); /* as `alter`, of the module itself */
    bool uncleared; /* the memory is not cleared, and the program draws in its middle only */
};

extern const struct mistake jl_host_mistakes[];
extern const int jl_host_mistake_count;

/* Whether a card is of those that can have it. */
bool jl_host_mistake_fits(const struct mistake *mistake, const struct jl_card *card);

#endif
