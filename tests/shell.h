/* Shell lines, run as a user runs them. */
#ifndef JADELAMP_TESTS_SHELL_H
#define JADELAMP_TESTS_SHELL_H

/* What the last line printed, on stdout and stderr. */
extern char output[65536];

/* Runs a line in a folder; the row of the next checks is the line. Returns the exit status. */
int shell_run(const char *folder, const char *line);

#endif
