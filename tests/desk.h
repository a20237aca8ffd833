/* A display without a screen, and hands on its mouse and keys: real events of X11. */
#ifndef JADELAMP_TESTS_DESK_H
#define JADELAMP_TESTS_DESK_H

#include <stdbool.h>

#include "jadelamp/sim/picture.h"

/* Starts the display, in a folder of the test's own: shell_begin(). */
void desk_begin(void);

/* Ends it, and what is still shown on it. */
void desk_end(void);

/* Starts `jadelamp window WORDS` and waits until it shows something. */
void desk_window(const char *words);

/* The same of any command that opens a window. */
void desk_command(const char *command);

/* Waits for it to end by itself; what it printed is in `output`. Returns its exit status. */
int desk_wait(void);

/* What xdotool does: "key s", "mousemove 10 20 click 1". */
void desk_do(const char *deed);

/* What is on the screen now; the caller frees it. */
struct jl_picture desk_picture(void);

/* Where the glass is on the screen, by what is not the window's ground; and how large. */
void desk_find_glass(int *left, int *top, int *width, int *height);

/* Presses s and waits for the file that comes of it; the caller frees the picture. */
struct jl_picture desk_shot(const char *name);

/* Waits until the window has told something, so many times, up to 10 s. */
bool desk_wait_told(const char *text, int times);

/* Waits until a file is there, up to 10 s. */
bool desk_wait_for(const char *name);

#endif
