/* uc8179: 800 sources, 600 gates; glass of 800x480. */
#include "uc_paper.h"

#include "../core/mem.h"

static const uint8_t JL_FLASH wake_steps[] = {
    JL_STEP_WAIT_BUSY(UC_IDLE, UC_SHORT_MS),
    JL_STEP_SEND(0x01, 0x07, 0x07, 0x3F, 0x3F), /* voltages: inside, +-15 V */
    JL_STEP_SEND(0x06, 0x17, 0x17, 0x28, 0x17), /* booster */
    JL_STEP_SEND(0x15, 0x00),                   /* one data line */
    JL_STEP_SEND(0x60, 0x22),                   /* gate timing */
    JL_STEP_SETUP,
    JL_STEP_CLEAR,
};

/* Its 50h has DDX in bits 1..0 of the first byte, 01 as for the others, and the interval in a
 * second. */
static size_t setup(const struct jl_panel *panel, uint8_t *out) {
    static const uint8_t of_borders[] = {0x11, 0x21, 0x91};
    size_t bytes = jl_uc_paper_size_wide(panel, out);
    const uint8_t steps[] = {JL_STEP_SEND(0x50, jl_uc_paper_border(panel, of_borders), 0x07)};
    memcpy(out + bytes, steps, sizeof steps);
    return bytes + sizeof steps;
}

static const struct jl_paper paper = {
    .present = jl_paper_present,
    .show = jl_paper_show,
    .wait = jl_paper_wait,
    .resume = jl_paper_resume,
    .update = jl_uc_paper_update,
    .updates = 1 << JL_UPDATE_FULL | 1 << JL_UPDATE_FAST | 1 << JL_UPDATE_PARTIAL,
};

const struct jl_controller jl_uc8179 =
    UC_PAPER_CONTROLLER("uc8179", 800, 600, setup, wide, wake_steps, 50, &paper);
