/*
 * Which steps of a card's sequence are to blame that the glass is dark or wrong: found by trying.
 * The driver's own sequence is known to be right for the card, so that a step that differs from
 * its is taken back, and the panel is woken anew.
 */
#ifndef JADELAMP_HOST_BLAME_H
#define JADELAMP_HOST_BLAME_H

#include "jadelamp/host/card.h"

enum { BLAME_MOST = 8, BLAME_WORDS = 100 };

struct blame {
    int count; /* 0: none is, or not by a step; more than BLAME_MOST are only counted */
    struct blamed {
        int nth;                  /* of the commands of the sequence, from 1; 0: one is missing */
        uint8_t opcode;           /* of it, or of the missing one */
        int occurrence;           /* which of its commands of that opcode it is, from 1 */
        char remedy[BLAME_WORDS]; /* "send DA 12 instead of DA 02" */
    } of[BLAME_MOST];
};

/* The smallest change to the sequence that makes the glass right. Not of glass that is scanned out:
 * none is blamed there. */
void jl_host_blame(const struct jl_card *card, struct blame *blame);

#endif
