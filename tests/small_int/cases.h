/*
 * Drawing cases whose bytes must be the same whatever the size of int: built for the desktop and
 * for a microcontroller of 16-bit int, and compared byte by byte.
 */
#ifndef JADELAMP_TESTS_SMALL_INT_CASES_H
#define JADELAMP_TESTS_SMALL_INT_CASES_H

#include <stddef.h>
#include <stdint.h>

/* Given by the machine: takes bytes of the stream. */
void emit(const void *bytes, size_t count);

/*
 * Each part runs its cases, which begin with their names, and ends with END_MARK. Several, because
 * the emulated microcontroller reaches only 64 KiB of constants.
 */
void run_bits(void);   /* formats of less than a byte a pixel */
void run_planes(void); /* formats of two planes */
void run_bytes(void);  /* formats of whole bytes */
void run_panels(void); /* wake-up, bands and direct drawing on panels */
void run_paper(void);  /* the same on e-paper */
void run_touch(void);  /* calibration, gestures, light */
void run_instruments(void);
void run_controls(void);
void run_scans(void); /* scan-out */

#define END_MARK "*end*\n"

#endif
