/* Findings as they come up: what was sent, step by step, and what is held against it. */
#ifndef JADELAMP_HOST_JUDGE_H
#define JADELAMP_HOST_JUDGE_H

#include "blame.h"
#include "jadelamp/host/check.h"
#include "jadelamp/host/reading.h"

enum { JUDGE_STEPS = 512 };

enum { JUDGE_DISPLAY_ON = 0xAF, JUDGE_DCS_DISPLAY_ON = 0x29 };

/* A command as it was sent. */
struct judged_step {
    uint8_t opcode;
    const char *name; /* NULL: the part does not have it */
    uint32_t sum;     /* of its arguments */
    size_t count;
    uint64_t at_ps, wait_ps; /* that came behind it */
    char words[128];
};

struct judge {
    struct jl_check_result *check;
    const struct jl_card *card;
    struct judged_step steps[JUDGE_STEPS]; /* the first ones */
    int step_count;
    int wake_count; /* of them, up to the first pixels */
    bool pixels_came;
    const struct jl_explainer *explainer; /* a command that is not whole yet; NULL: not known */
    bool of_glass[JL_CHECK_MOST];         /* findings about what the glass shows */
};

void jl_host_judge_begin(struct judge *judge, struct jl_check_result *check,
                         const struct jl_card *card);

/* A command with its arguments, or data. */
void jl_host_judge_sent(struct judge *judge, const struct jl_explained *explained);

/* Time in which nothing came. */
void jl_host_judge_waited(struct judge *judge, uint64_t picoseconds);

/* Something that the board found. */
void jl_host_judge_diagnostic(struct judge *judge, const struct jl_diagnostic *diagnostic,
                              uint64_t at_ps);

/* A finding of the whole, or of a step. */
__attribute__((format(printf, 6, 7))) void jl_host_judge_find(struct judge *judge,
                                                              enum jl_check_grade grade, int step,
                                                              const char *code, const char *remedy,
                                                              const char *format, ...);

/* Whether something of a kind was found. */
bool jl_host_judge_has_told(const struct judge *judge, const char *code);

/* Looks at all of it, and at the glass. */
void jl_host_judge_whole(struct judge *judge, struct jl_device *device);

/* Whether anything was found that the glass shows; then these steps are to blame for it. */
bool jl_host_judge_wants_blame(const struct judge *judge);
void jl_host_judge_blame(struct judge *judge, const struct blame *blame);

/* The worst findings first. */
void jl_host_judge_sort(struct judge *judge);

/* What a mistake of a kind comes to, and what to do. True: it is one that the glass shows, whatever
 * was sent last. */
bool jl_host_judge_meaning(enum jl_code code, enum jl_check_grade *grade, const char **remedy);

/* The last step that sets what a picture is by: "inverted", "mirrored left to right". 0: none. */
int jl_host_judge_step_of(const struct judge *judge, const char *relation);

/* Whether the part needs a wait behind a command: section 1.3 of the datasheets' timing. */
bool jl_host_judge_needs_wait(const struct jl_card *card, uint8_t opcode);

#endif
