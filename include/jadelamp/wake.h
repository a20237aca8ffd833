/*
 * Wake-up sequences: a compact byte encoding, kept in flash.
 *
 *   static const uint8_t JL_FLASH steps[] = {
 *       JL_STEP_SEND(0xAE),             // display off
 *       JL_STEP_SEND(0xD5, 0x80),       // clock
 *       JL_STEP_SETUP,                  // size, orientation, contrast: from the description
 *       JL_STEP_CLEAR,                  // black, before anything is lit
 *       JL_STEP_SEND(0xAF),             // display on
 *       JL_STEP_WAIT_MS(100),
 *   };
 *
 * The encoding: 0x01..0x7F is a count of bytes to send that follow, opcode
 * first; the codes below have their own arguments. A sequence ends with its
 * last byte.
 */
#ifndef JADELAMP_WAKE_H
#define JADELAMP_WAKE_H

#include <stddef.h>
#include <stdint.h>

#include "jadelamp/flash.h"
#include "jadelamp/status.h"

#ifdef __cplusplus
extern "C" {
#endif

#define JL_STEP_CODE_WAIT_MS   0x80 /* then milliseconds, low byte first */
#define JL_STEP_CODE_WAIT_BUSY 0x81 /* then level, then the limit in ms, low byte first */
#define JL_STEP_CODE_BLOCK     0x82 /* then the number of the block */
#define JL_STEP_CODE_SETUP     0x83
#define JL_STEP_CODE_CLEAR     0x84

/**
 * Sends 1 to 127 bytes: an opcode and its arguments. Controllers that take
 * arguments with D/C low accept several commands in one step.
 */
#define JL_STEP_SEND(...) (uint8_t)sizeof((uint8_t[]){__VA_ARGS__}), __VA_ARGS__

/** Waits at least 0..65535 ms. */
#define JL_STEP_WAIT_MS(ms) JL_STEP_CODE_WAIT_MS, (uint8_t)((ms)&0xFF), (uint8_t)((ms) >> 8)

/**
 * Sends an opcode and its arguments, of any length, from memory that the description names:
 * blocks[n]. For waveform tables and the like. Needs a controller with rare steps (rare_step in
 * controller.h); others give JL_UNSUPPORTED. JL_BAD_STEPS: there is no such block.
 */
#define JL_STEP_BLOCK(n) JL_STEP_CODE_BLOCK, (n)

/**
 * Waits until the BUSY pin has the level (0, 1), at most 0..65535 ms. For controllers with
 * such a pin (rare_step in controller.h); others give JL_UNSUPPORTED.
 */
#define JL_STEP_WAIT_BUSY(level, ms)                                                               \
    JL_STEP_CODE_WAIT_BUSY, (level), (uint8_t)((ms)&0xFF), (uint8_t)((ms) >> 8)

/** Sends what the panel's description asks for: size, wiring, orientation, contrast. */
#define JL_STEP_SETUP JL_STEP_CODE_SETUP

/** Makes the visible part of the controller's RAM black. */
#define JL_STEP_CLEAR JL_STEP_CODE_CLEAR

/**
 * Checks a sequence without sending anything. It is marked JL_FLASH (flash.h); there a step has at
 * most 48 bytes where flash is a memory of its own.
 * @return JL_OK; JL_BAD_ARGUMENT when a step is unknown or runs past the end, or steps is NULL
 *         and bytes is not 0
 */
JL_MUST_CHECK
jl_status jl_steps_check(const uint8_t *steps, size_t bytes);

#ifdef __cplusplus
}
#endif

#endif
