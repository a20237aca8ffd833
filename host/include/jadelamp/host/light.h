/*
 * First light of a card: wake the panel, present the test card, look.
 */
#ifndef JADELAMP_HOST_LIGHT_H
#define JADELAMP_HOST_LIGHT_H

#include "jadelamp/host/rig.h"

#ifdef __cplusplus
extern "C" {
#endif

/** Faults to try a card with. */
enum jl_light_fault { JL_LIGHT_NO_FAULT, JL_LIGHT_UNPLUGGED, JL_LIGHT_SDA_LOW, JL_LIGHT_NACK_AT };

struct jl_light_request {
    const char *directory; /**< where the files go; made when missing */
    int scale;             /**< of the photo, 2..32 */
    enum jl_light_fault fault;
    uint64_t fault_byte; /**< for JL_LIGHT_NACK_AT: bytes on the bus before it */
};

/** What one step cost on the wire, in virtual time. */
struct jl_wire_cost {
    double microseconds;
    uint64_t bytes;
};

struct jl_light_result {
    struct jl_rig rig; /**< open: for diagnostics and further looks */
    jl_status wake_status, present_status;
    struct jl_wire_cost wake, present;
    const char *why_dark; /**< NULL when lit */
    struct jl_picture glass;
    char *cells_text; /**< of a character module: jl_cells_text(); else NULL */
    char capture_path[1024];
};

/**
 * Runs first light and writes BASE-glass.png, BASE-photo.png and BASE.vcd, BASE
 * being the card's name. A panel that does not answer is a result, not a
 * failure: see the statuses. False: the files or the rig could not be made.
 * Close the result in either case.
 */
bool jl_light(const struct jl_card *card, const struct jl_light_request *request,
              struct jl_light_result *result, struct jl_complaint *complaint);

/** Frees the result; harmless on a zeroed one. */
void jl_light_close(struct jl_light_result *result);

#ifdef __cplusplus
}
#endif

#endif
