/*
 * First light of a card: wake the panel, present the test card or a content of one's own, look.
 */
#ifndef JADELAMP_HOST_LIGHT_H
#define JADELAMP_HOST_LIGHT_H

#include "jadelamp/host/fault.h"
#include "jadelamp/host/screen_sheet.h"
#include "jadelamp/host/sight.h"
#include "jadelamp/host/twin.h"

#ifdef __cplusplus
extern "C" {
#endif

struct jl_light_request {
    const char *directory;         /**< where the files go; made when missing */
    int scale;                     /**< of the photo, 2..32; 0: about 1000 pixels */
    const struct jl_fault *faults; /**< to try the card with; or NULL */
    size_t fault_count;
    const struct jl_card *glass; /**< another card's controller and glass: jl_rig_open_on(); NULL */
    /** UTF-8 instead of the test card, wrapped in the middle of the glass; NULL: none. */
    const char *text;
    const char *picture; /**< path of a picture instead of it, fitted; NULL: none. Not with text */
    /** A screen sheet instead of it, which was read for this card: jl_screen_glass_of(). NULL:
     * none. Not with text or a picture */
    const struct jl_screen *screen;
    const struct jl_screen_state *state; /**< what that shows */
    bool no_wires;                       /**< no recording of the wires: faster, and no BASE.vcd */
    bool film; /**< of e-paper: writes BASE-film.png, the glass while it changes */
    /** A port with a real panel, which gets everything, too (twin.h); NULL: none. Not with glass
     * that is scanned out */
    const struct jl_port *beside;
};

struct jl_light_result {
    struct jl_rig rig; /**< open: for diagnostics and further looks */
    struct jl_sight sight;
    jl_status wake_status, present_status;
    struct jl_wire_cost wake, present;
    struct jl_twin twin; /**< with `beside`: its second_status is the real panel's */
};

/**
 * Runs first light and writes BASE-glass.png, BASE-photo.png and BASE.vcd, BASE
 * being the card's name; of a screen sheet also BASE-pages.png and BASE-film.png, where it has
 * several pages, and several samples. A panel that does not answer is a result, not a
 * failure: see the statuses. False: the files or the rig could not be made, or the picture not
 * be read. Close the result in either case.
 */
bool jl_light(const struct jl_card *card, const struct jl_light_request *request,
              struct jl_light_result *result, struct jl_complaint *complaint);

/** Frees the result; harmless on a zeroed one. */
void jl_light_close(struct jl_light_result *result);

#ifdef __cplusplus
}
#endif

#endif
