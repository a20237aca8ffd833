/* The inner basin as seen from the office: quay walls, two gates, the water and a boat on it. */
#ifndef HERON_QUAY_BASIN_SCENE_H
#define HERON_QUAY_BASIN_SCENE_H

#include "jadelamp/target.h"

enum { BASIN_SCENE_WIDTH = 302, BASIN_SCENE_HEIGHT = 206, BASIN_SCENE_GATES = 2 };

/* What it shows, in pixels: zero it; redrawing forgets nothing else. */
struct basin_scene {
    int16_t x, y;
    int16_t water;                    /* above the ground */
    int16_t gates[BASIN_SCENE_GATES]; /* how far they are lifted */
    bool lamps;
    bool drawn;
    int16_t drawn_water, drawn_gates[BASIN_SCENE_GATES];
    bool drawn_lamps;
};

/* Level in cm, openings in percent. */
void basin_scene_set(struct basin_scene *scene, int32_t level, int32_t gate_1, int32_t gate_2,
                     bool lamps);

/* Draws it where it changed. Returns whether there was anything. */
bool basin_scene_redraw(struct jl_target *target, struct basin_scene *scene);

#endif
