/* A berth plate of Heron Quay: who lies here, with a picture of the boat, on 135x240. */
#ifndef HERON_QUAY_BERTH_PLATE_H
#define HERON_QUAY_BERTH_PLATE_H

#include "jadelamp/target.h"

struct berth {
    char name[8];  /* "B7" */
    char boat[16]; /* "" when it is free */
    int16_t length_cm;
    char until[12]; /* "26 Nov" */
};

/* The 16 colours it is drawn in, for frames of jl_palette4. */
extern const jl_color berth_palette[16];

void berth_plate_draw(struct jl_target *target, const struct berth *berth);

#endif
