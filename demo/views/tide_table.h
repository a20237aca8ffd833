/* The tide table of Heron Quay: today's high and low waters on e-paper of 400x300. */
#ifndef HERON_QUAY_TIDE_TABLE_H
#define HERON_QUAY_TIDE_TABLE_H

#include "jadelamp/target.h"

enum { TIDE_TABLE_HEIGHTS = 49, TIDE_TABLE_TURNS = 5 };

struct tide_table {
    int16_t minute; /* of the day */
    struct {
        int16_t minute, height_cm;
        bool high;
    } turns[TIDE_TABLE_TURNS];
    int turn_count;
    int16_t heights[TIDE_TABLE_HEIGHTS]; /* centimetres, every half hour */
};

/* Draws the whole picture, 400x300 pixels. */
void tide_table_draw(struct jl_target *target, const struct tide_table *table);

/* The row that says what the water does now: what changes from time to time. */
void tide_table_now(struct jl_target *target, const struct tide_table *table);

#endif
