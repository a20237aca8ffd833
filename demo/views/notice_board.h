/* The notice board of Heron Quay: sluice times and a warning on e-paper of 296x128 with red. */
#ifndef HERON_QUAY_NOTICE_BOARD_H
#define HERON_QUAY_NOTICE_BOARD_H

#include "jadelamp/target.h"

enum { NOTICE_BOARD_TIMES = 3 };

struct notice_board {
    int16_t minute; /* of the day */
    struct {
        int16_t opens, closes; /* minutes of the day */
    } sluice[NOTICE_BOARD_TIMES];
    int sluice_count;
    const char *warning; /* shown in red; "": none */
};

/* Draws the whole picture, 296x128 pixels. */
void notice_board_draw(struct jl_target *target, const struct notice_board *board);

/* Draws the clock alone, where it stands in the picture: what changes every minute. */
void notice_board_clock(struct jl_target *target, int16_t minute);

#endif
