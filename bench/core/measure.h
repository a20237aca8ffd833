/* Counting instructions of a microcontroller core that is emulated. */
#ifndef JADELAMP_BENCH_CORE_MEASURE_H
#define JADELAMP_BENCH_CORE_MEASURE_H

#include <stdint.h>

/* Instructions of a call, without those of calling it; to within 40. */
uint32_t measure(void (*call)(void *context), void *context);

/* A line: a name, and numbers. Up to three; the rest is left out below 0. */
void report(const char *name, int32_t first, int32_t second, int32_t third);

/* The same with two numbers in tenths; 0: it is not drawn there. */
void report_tenths(const char *name, int32_t first, int32_t second);

/* What is measured; start.c calls it. */
void bench(void);

#endif
