/*
 * Faults of the board as people type them, for rigs and for captures that are played back.
 */
#ifndef JADELAMP_HOST_FAULT_H
#define JADELAMP_HOST_FAULT_H

#include "jadelamp/host/rig.h"
#include "jadelamp/sim/faults.h"

#ifdef __cplusplus
extern "C" {
#endif

enum jl_fault_kind {
    JL_FAULT_UNPLUGGED,    /**< "unplugged" */
    JL_FAULT_NACK_AT,      /**< "nack-at=BYTE": on I2C; it and all later ones; `number` */
    JL_FAULT_SDA_LOW,      /**< "sda-low" */
    JL_FAULT_PIN,          /**< "busy-high", "dc-low", "d3-low" ...; `pin`, `high` */
    JL_FAULT_CUT_AT,       /**< "cut-at=BYTE"; `number` */
    JL_FAULT_FLIP,         /**< "flip=N" or "flip=N,SEED": one bit in N; `number`, `seed` */
    JL_FAULT_SLOW,         /**< "slow=N": a clock so many times slower; `number` */
    JL_FAULT_BROWN_OUT_AT, /**< "brown-out-at=MS"; `number` in ps */
};

/** What such a fault does: faults.h and board.h of the board. */
struct jl_fault {
    enum jl_fault_kind kind;
    uint64_t number;
    uint32_t seed; /**< 1 where none was typed */
    enum jl_device_pin pin;
    bool high;
};

enum { JL_MOST_FAULTS = 8 };

/** All that can be typed, as help texts say it. */
#define JL_FAULT_HELP                                                                              \
    "try it on a broken board: unplugged, sda-low, nack-at=BYTE, PIN-low, PIN-high, "              \
    "cut-at=BYTE, flip=N or flip=N,SEED (one bit in N), slow=N, brown-out-at=MS"

/** Reads one. False: the complaint says what would be right. */
bool jl_fault_read(const char *text, struct jl_fault *fault, struct jl_complaint *complaint);

/**
 * Puts faults on the board of a rig, before anything is sent. Bytes are counted from now on.
 * False: one has no meaning for it; the complaint says why, and those before it are there.
 *
 * @param replay_offset_ps of a capture that is played back, jl_traffic_offset_ps(): then only
 *        what lies between the wires and the part is a fault. UINT64_MAX: it is none
 */
bool jl_fault_inject(const struct jl_fault *faults, size_t count, struct jl_rig *rig,
                     uint64_t replay_offset_ps, struct jl_complaint *complaint);

#ifdef __cplusplus
}
#endif

#endif
