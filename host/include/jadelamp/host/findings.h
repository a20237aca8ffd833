/*
 * What the controllers of a board found wrong, told to a person.
 */
#ifndef JADELAMP_HOST_FINDINGS_H
#define JADELAMP_HOST_FINDINGS_H

#include <stdio.h>

#include "jadelamp/sim/board.h"

#ifdef __cplusplus
extern "C" {
#endif

/**
 * Prints a line each, the first 20, two blanks before it: time, severity, text, and how often.
 *
 * @param offset_ps what is taken from the board's times: 0, or that of a capture
 *        (jl_traffic_offset_ps())
 */
void jl_findings_print(FILE *out, const struct jl_board *board, uint64_t offset_ps);

/** How many are more than a note. */
size_t jl_findings_count(const struct jl_board *board);

/** A time of the board less the offset, in ms; not below 0. */
double jl_findings_ms(uint64_t board_ps, uint64_t offset_ps);

#ifdef __cplusplus
}
#endif

#endif
