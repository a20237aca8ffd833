/*
 * Faults on the board: joints, wires and a supply that are bad, so that a program can be seen to
 * notice, and to come back. More stand with what they are about: jl_device_set_plugged(),
 * jl_i2c_fail_at(), jl_i2c_hold_sda(), jl_i2c_slow_down() in board.h; jl_cells_oscillator() in
 * cells.h.
 */
#ifndef JADELAMP_SIM_FAULTS_H
#define JADELAMP_SIM_FAULTS_H

#include "jadelamp/sim/board.h"

#ifdef __cplusplus
extern "C" {
#endif

/**
 * A wire of a device is stuck: it stays at a level, whoever drives it. JL_DEVICE_D0 to
 * JL_DEVICE_D7 are the lines of a parallel bus; on SPI, JL_DEVICE_D0 is MOSI. A BUSY that never
 * ends is JL_DEVICE_BUSY at the level that the part has while it is busy. False: it has no such
 * wire.
 */
bool jl_device_hold_pin(struct jl_device *device, enum jl_device_pin pin, bool high);

/** Ends it: the level is then what it was driven to meanwhile. */
void jl_device_release_pin(struct jl_device *device, enum jl_device_pin pin);

/**
 * Of the bytes on the bus of a device from now on, number `index` (0 is the next) and the rest of
 * its transfer do not arrive, and the master does not notice. The next START, or CS, is heard
 * again. False: it is on no bus whose bytes are counted, such as a character module on pins.
 */
bool jl_device_cut_at(struct jl_device *device, uint64_t index);

/**
 * Of the bits that a device hears, one in so many is the other one, on the average and by chance;
 * the same ones with the same seed. 0 ends it. False: as jl_device_cut_at().
 */
bool jl_device_flip_bits(struct jl_device *device, uint32_t one_in, uint32_t seed);

/**
 * At a time of the board, or now if that is past, the supply of all devices dips: their registers
 * are lost as by a reset, and their memories are not. Of expanders, the outputs go high. A later
 * call replaces one that has not come yet.
 */
void jl_board_brown_out_at(struct jl_board *board, uint64_t at_ps);

/** SPI, 8080 and 6800: everything takes so many times as long, 1..1000. False: out of range. */
bool jl_stream_slow_down(struct jl_stream_bus *bus, uint32_t times);

#ifdef __cplusplus
}
#endif

#endif
