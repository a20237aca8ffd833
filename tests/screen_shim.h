/* The C that a screen sheet becomes, compiled and loaded, so that a test can call it. */
#ifndef JADELAMP_TESTS_SCREEN_SHIM_H
#define JADELAMP_TESTS_SCREEN_SHIM_H

#include "jadelamp/host/screen_sheet.h"

struct screen_shim {
    void *object;
    struct jl_screen_cost cost;
    void (*set)(int which, int32_t number, const char *words, const int16_t *series);
    void (*page)(int page);
    int (*shown_page)(void);
    void (*zero)(void);
    size_t (*bytes)(void);
    void (*draw)(struct jl_target *target);
    bool (*update)(struct jl_target *target);
    bool (*event)(const struct jl_event *event);
};

/* Writes the C into a folder of the shell's, with warnings as errors, and loads it. */
bool screen_shim_load(struct screen_shim *shim, const struct jl_screen *screen,
                      const char *directory, bool has_events);

/* Gives it the values and the page. */
void screen_shim_state(const struct screen_shim *shim, const struct jl_screen *screen,
                       const struct jl_screen_state *state);

void screen_shim_close(struct screen_shim *shim);

#endif
