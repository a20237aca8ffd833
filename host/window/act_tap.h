/* What a tap in firmware says, on the glass of the first card. */
#ifndef JADELAMP_HOST_WINDOW_ACT_TAP_H
#define JADELAMP_HOST_WINDOW_ACT_TAP_H

#include "stage.h"

/* Until the tap ends, or it is broken: then the complaint says why. */
jl_status jl_host_act_tap(struct stage *stage, struct jl_complaint *complaint);

#endif
