/* Firmware on simulated processors, for tests: cards, and pictures that a rule tells. */
#ifndef JADELAMP_TESTS_FIRMWARE_STAGE_H
#define JADELAMP_TESTS_FIRMWARE_STAGE_H

#include <stdbool.h>

/* jadelamp run, up to the name of a firmware. */
#define RUN JADELAMP " run " FIRMWARE

/* shell_begin(), with all cards there. */
void firmware_begin(void);

/* Pixels of a glass that are not as a rule has them; -1: another size. */
int firmware_wrong_pixels(const char *name, int width, int height, bool (*rule)(int x, int y));

/* The rules of a firmware's picture: a diagonal in each square of eight, and all else. */
bool firmware_diagonals(int x, int y);
bool firmware_turned_over(int x, int y);

#endif
