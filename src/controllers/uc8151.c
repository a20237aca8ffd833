/* uc8151: 160 sources, 296 gates. */
#include "uc_paper.h"

static const uint8_t JL_FLASH wake_steps[] = {
    JL_STEP_WAIT_BUSY(UC_IDLE, UC_SHORT_MS),
    JL_STEP_SEND(0x01, 0x03, 0x00, 0x2B, 0x2B), /* voltages: inside, +-11 V */
    JL_STEP_SEND(0x06, 0x17, 0x17, 0x17),       /* booster */
    JL_STEP_SEND(0x82, 0x12),                   /* VCOM, -1 V */
    JL_STEP_SETUP,
    JL_STEP_CLEAR,
};

const struct jl_controller jl_uc8151 = UC_PAPER_CONTROLLER(
    "uc8151", 160, 296, jl_uc_paper_setup_narrow, narrow, wake_steps, 100, &jl_uc_paper);
