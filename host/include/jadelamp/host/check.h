/*
 * A wake-up sequence, judged as a careful reader of the datasheet would: what leaves the glass
 * dark, what makes a wrong picture, what fails in the field, what is done in vain.
 */
#ifndef JADELAMP_HOST_CHECK_H
#define JADELAMP_HOST_CHECK_H

#include "jadelamp/host/traffic.h"

#ifdef __cplusplus
extern "C" {
#endif

/** What comes of it, the worst first. */
enum jl_check_grade {
    JL_CHECK_DARK,     /**< nothing can be seen */
    JL_CHECK_WRONG,    /**< another picture than was meant */
    JL_CHECK_MARGINAL, /**< works on the bench, and may fail in the field */
    JL_CHECK_WASTEFUL, /**< the right picture, later than need be */
};

/** "dark", "wrong", "marginal", "wasteful". */
const char *jl_check_grade_name(enum jl_check_grade grade);

struct jl_check_finding {
    enum jl_check_grade grade;
    int step;          /**< number of the command, from 1; 0: of the whole */
    uint64_t at_ps;    /**< since the begin */
    char command[128]; /**< in words; empty: of the whole */
    const char *code;  /**< what kind it is: jl_code_name(), or a rule's name */
    char reason[240];  /**< a sentence */
    char remedy[160];  /**< what to do; a sentence */
};

enum { JL_CHECK_MOST = 64 };

struct jl_check_result {
    struct jl_check_finding findings[JL_CHECK_MOST]; /**< the worst first, then by their steps */
    size_t count;
    size_t found; /**< in all; more than the room are only counted */
    int commands; /**< that were read */
    uint64_t until_ps;
};

/**
 * Runs a card's wake-up sequence and the test card on its emulated panel, and judges what was sent.
 * False: the board could not be built.
 */
bool jl_check_card(const struct jl_card *card, struct jl_check_result *check,
                   struct jl_complaint *complaint);

/** Judges a capture's traffic, to its end. False: it is broken, and the complaint says where. */
bool jl_check_traffic(struct jl_traffic *traffic, struct jl_check_result *check,
                      struct jl_complaint *complaint);

/** How well a controller understands a sequence. */
struct jl_rank {
    const struct jl_catalog_entry *controller;
    int understood;     /**< commands that it has, with as many arguments as came */
    int named;          /**< of those, with a name in its datasheet; others are "maker's own" */
    int commands;       /**< into which the bytes fall, as it reads them */
    uint8_t strange[8]; /**< the first opcodes that it has not, or not with these arguments */
    int strange_count;
};

enum { JL_RANKS = 48 };

/**
 * Ranks the controllers on the card's bus by how well they understand what is sent, the best first:
 * a card's own sequence, or, with `traffic`, a capture's. Of equal ones the card's own is first.
 *
 * @param traffic NULL: the card's sequence; else it is read to its end
 * @return how many there are; 0: complained
 */
int jl_rank_controllers(const struct jl_card *card, struct jl_traffic *traffic,
                        struct jl_rank ranks[JL_RANKS], struct jl_complaint *complaint);

#ifdef __cplusplus
}
#endif

#endif
