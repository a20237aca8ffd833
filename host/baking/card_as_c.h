/* A card's description as C, for files of its own and for bundles. */
#ifndef JADELAMP_HOST_CARD_AS_C_H
#define JADELAMP_HOST_CARD_AS_C_H

#include <stdio.h>

#include "jadelamp/host/card.h"

/* What a header says: the constant of that name, its clock and its pins. */
void jl_host_card_write_header(FILE *out, const struct jl_card *card, const char *name);

/* The constant itself, with what it points at. False after complaining: the library has no words
 * for such a card. */
bool jl_host_card_write_body(FILE *out, const struct jl_card *card, const char *name,
                             struct jl_complaint *complaint);

#endif
