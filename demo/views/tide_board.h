/* The tide board of Heron Quay: the day's tide and the wind on 240x320. */
#ifndef HERON_QUAY_TIDE_BOARD_H
#define HERON_QUAY_TIDE_BOARD_H

#include "wind_dial.h"

enum { TIDE_BOARD_HEIGHTS = 25 };

struct tide_board {
    int16_t heights[TIDE_BOARD_HEIGHTS]; /* centimetres, every hour from midnight to midnight */
    int16_t minute;                      /* of the day */
    int16_t height_cm;                   /* now */
    struct wind_reading wind;
};

void tide_board_draw(struct jl_target *target, const struct tide_board *board);

#endif
