/* What first light shows of a screen sheet. */
#ifndef JADELAMP_HOST_LIGHT_SCREEN_H
#define JADELAMP_HOST_LIGHT_SCREEN_H

#include "jadelamp/host/light.h"

/*
 * Shows all pages, and a strip of samples, one after the other on a panel that is awake, and
 * writes BASE-pages.png where there are several, BASE-film.png where values have several samples.
 * The sight gets their paths.
 */
bool jl_host_light_sheets(struct jl_rig *rig, const struct jl_light_request *request,
                          struct jl_sight *sight, struct jl_complaint *complaint);

#endif
