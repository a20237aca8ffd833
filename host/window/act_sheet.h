/* A screen sheet on the panel of a card, as it is edited. */
#ifndef JADELAMP_HOST_WINDOW_ACT_SHEET_H
#define JADELAMP_HOST_WINDOW_ACT_SHEET_H

#include "stage.h"

/* Shows it until the process ends; returns only when the panel fails. */
jl_status jl_host_act_sheet(struct stage *stage, struct jl_complaint *complaint);

#endif
