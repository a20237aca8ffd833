/* Shell lines, run as a user runs them, in a folder of the test's own. */
#ifndef JADELAMP_TESTS_SHELL_H
#define JADELAMP_TESTS_SHELL_H

#include <stdbool.h>

#include "jadelamp/sim/picture.h"

/* What the last line printed, on stdout and stderr. */
extern char output[65536];

/* Runs a line in a folder; the row of the next checks is the line. Returns the exit status. */
int shell_run(const char *folder, const char *line);

/* Makes an empty folder, and removes it with all that is in it. */
void shell_begin(void);
void shell_end(void);

/* Runs a line there, as shell_run(). */
int shell(const char *line);

/* The path of a file there, for this process; until the next call. */
const char *shell_path(const char *name);

/* Whether there is a file, and how many. */
bool shell_has(const char *name);
int shell_files(void);

/* How many cards ship, by the files in their folder, so that a new one changes no test. */
int shell_cards_that_ship(void);

/* A PNG there; the caller frees it. */
struct jl_picture shell_picture(const char *name);

#endif
