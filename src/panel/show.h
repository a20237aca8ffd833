/* Sending a picture once, or as often as e-paper wants it. */
#ifndef JADELAMP_SRC_SHOW_H
#define JADELAMP_SRC_SHOW_H

#include "../core/lone.h"
#include "panel.h"

/*
 * Whether all areas of a picture have to be sent now: once, or on e-paper some times, with an
 * update of the glass in between; blocks. False: the picture is shown, or there was an error.
 */
static inline bool jl_show_next(struct jl_panel *panel, struct jl_showing *showing,
                                const struct jl_frame *frame, jl_status *status) {
    const struct jl_paper *paper = jl_config_of(panel)->controller->paper;
    return paper ? paper->wait(panel, showing, frame, status) : showing->pass++ == 0;
}

#endif
