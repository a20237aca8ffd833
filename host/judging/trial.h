/* A card's panel, woken and shown the test card: is it right? */
#ifndef JADELAMP_HOST_TRIAL_H
#define JADELAMP_HOST_TRIAL_H

#include "jadelamp/host/compare.h"
#include "jadelamp/host/rig.h"

/* Long enough for any glass to light up. */
#define TRIAL_LIGHT_UP_PS 300000000000u

/* Wakes the rig and shows the test card with a title, of cells too; the status of what failed. */
jl_status jl_host_trial_show(struct jl_rig *rig, const char *title);

/*
 * Whether another picture than the test card is on the glass; the comparison says how it differs,
 * which takes far longer than to see that it does. NULL: nobody asks. Of cells: another one than
 * behind the driver's own sequence.
 */
bool jl_host_trial_differs(struct jl_rig *rig, struct jl_comparison *comparison);

/* All of that on a board of its own: the glass is lit and right. */
bool jl_host_trial_is_right(const struct jl_card *card);

#endif
