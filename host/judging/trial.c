/* The test card on a panel, and a look at it. */
#include "trial.h"

#include <string.h>

#include "../runs/light_content.h"
#include "jadelamp/host/frame_picture.h"

/* Differences of a channel that colours of 5 and 6 bits make; and particles of e-paper. */
enum { TOLERANCE = 12, PAPER_TOLERANCE = 110 };

/* What the card wants inverted is right so. */
static void invert(struct jl_picture *picture) {
    size_t bytes = (size_t)picture->width * (size_t)picture->height * 3;
    for (size_t i = 0; i < bytes; i++) {
        picture->rgb[i] = (uint8_t)~picture->rgb[i];
    }
}

jl_status jl_host_trial_show(struct jl_rig *rig, const char *title) {
    jl_status status = jl_rig_wake(rig);
    if (status == JL_OK && rig->card.cells.bus) {
        status = jl_char_test_card(&rig->cells, title);
    } else if (status == JL_OK) {
        jl_host_draw_test_card(jl_rig_frame(rig), title);
        status = jl_rig_present(rig);
    }
    if (status == JL_OK && rig->card.module & JL_MODULE_LIGHT_WIRED) {
        status = jl_panel_light(&rig->panel, true);
    }
    return status;
}

/* Round glass cannot show its corners: what is there is right. */
static void forgive_corners(struct jl_picture *expected, const struct jl_picture *seen) {
    long radius = expected->width / 2 - 1;
    for (int y = 0; y < expected->height; y++) {
        for (int x = 0; x < expected->width; x++) {
            long dx = 2L * x + 1 - expected->width, dy = 2L * y + 1 - expected->height;
            if (dx * dx + dy * dy > 4 * radius * radius) {
                memcpy(jl_picture_at(expected, x, y), jl_picture_at(seen, x, y), 3);
            }
        }
    }
}

/* What a module shows that was woken by the driver's own sequence. */
static bool look_at_usual(const struct jl_card *card, struct jl_picture *picture) {
    static struct jl_card usual; /* large */
    struct jl_rig rig;
    struct jl_complaint complaint;
    usual = *card;
    usual.has_wake = false;
    if (!jl_rig_open(&rig, &usual, &complaint)) {
        return false;
    }
    bool good = jl_host_trial_show(&rig, card->controller->name) == JL_OK;
    jl_board_wait_ps(rig.board, TRIAL_LIGHT_UP_PS);
    good = good && jl_rig_look(&rig, picture);
    jl_rig_close(&rig);
    return good;
}

/* Pixels that differ; in what way is a long search, which is made only where somebody asks. */
static long differing(const struct jl_picture *expected, const struct jl_picture *seen,
                      int tolerance, struct jl_comparison *comparison) {
    struct jl_comparison own = {0};
    if (!comparison && expected->width == seen->width && expected->height == seen->height) {
        return jl_picture_compare(expected, seen, tolerance, NULL);
    }
    comparison = comparison ? comparison : &own;
    return jl_compare(expected, seen, tolerance, comparison) ? comparison->differing : 0;
}

/* Of cells any difference counts. */
static bool cells_differ(struct jl_rig *rig, struct jl_comparison *comparison) {
    struct jl_picture expected = {0}, seen = {0};
    bool differs = look_at_usual(&rig->card, &expected) && jl_rig_look(rig, &seen) &&
                   differing(&expected, &seen, 0, comparison) > 0;
    jl_picture_free(&expected);
    jl_picture_free(&seen);
    return differs;
}

bool jl_host_trial_differs(struct jl_rig *rig, struct jl_comparison *comparison) {
    if (rig->card.cells.bus) {
        return rig->card.has_wake && cells_differ(rig, comparison);
    }
    struct jl_picture expected = {0}, seen = {0};
    bool paper = rig->card.controller->driver->paper != NULL;
    /* Of e-paper it is the frame that is turned, not what its controller gets. */
    bool good = jl_frame_picture(jl_rig_frame(rig), &expected) &&
                (paper ? jl_device_picture(rig->device, &seen) : jl_rig_look(rig, &seen));
    if (good && rig->card.inverted) {
        invert(&expected);
    }
    if (good && rig->card.round && expected.width == seen.width && expected.height == seen.height) {
        forgive_corners(&expected, &seen);
    }
    bool differs = good && differing(&expected, &seen, paper ? PAPER_TOLERANCE : TOLERANCE,
                                     comparison) > (long)expected.width * expected.height / 200;
    jl_picture_free(&expected);
    jl_picture_free(&seen);
    return differs;
}

bool jl_host_trial_is_right(const struct jl_card *card) {
    struct jl_rig rig;
    struct jl_complaint complaint;
    if (!jl_rig_open(&rig, card, &complaint)) {
        return false;
    }
    bool right = jl_host_trial_show(&rig, card->controller->name) == JL_OK;
    jl_board_wait_ps(rig.board, TRIAL_LIGHT_UP_PS);
    right = right && !jl_device_why_dark(rig.device) && !jl_host_trial_differs(&rig, NULL);
    jl_rig_close(&rig);
    return right;
}
