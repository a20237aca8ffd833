/* The cards that ship, inside the library: programs find them wherever they are installed. */
#ifndef JADELAMP_HOST_SHIPPED_CARDS_H
#define JADELAMP_HOST_SHIPPED_CARDS_H

#include <stddef.h>

struct jl_host_shipped_card {
    const char *name;
    const unsigned char *text; /* not zero-terminated */
    size_t bytes;
};

/* By name; made by the build from cards/. */
extern const struct jl_host_shipped_card jl_host_shipped_cards[];
extern const size_t jl_host_shipped_card_count;

#endif
