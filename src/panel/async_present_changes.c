/* Sending what differs from a shadow, while the program goes on. */
#include "async.h"
#include "panel.h"
#include "present_changes.h"

jl_status jl_async_present_changes(struct jl_async *async, struct jl_frame *frame, void *shadow) {
    jl_status status = jl_async_ready(async);
    if (status == JL_OK) {
        status = frame && shadow && frame->damage ? jl_present_check(async->panel, frame)
                                                  : JL_BAD_ARGUMENT;
    }
    if (status == JL_OK) {
        jl_present_narrow(async->panel, frame, shadow);
        status = jl_async_present(async, frame);
    }
    if (status == JL_OK) {
        frame->damage->shadow = shadow;
    }
    return status;
}
