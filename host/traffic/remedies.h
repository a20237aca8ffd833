/* What would cost less than a capture does. */
#ifndef JADELAMP_HOST_REMEDIES_H
#define JADELAMP_HOST_REMEDIES_H

#include "jadelamp/host/budget.h"
#include "resend.h"

/* Seconds of a byte at the limit of a card's controller; 0: not known. */
double jl_host_limit_byte_s(const struct jl_card *card);

void jl_host_find_remedies(const struct jl_budget *budget, struct jl_rig *rig,
                           const struct resending *resending, struct jl_remedies *remedies);

#endif
