/*
 * The process that is shown: rigs on one board, whose time is held back to the real one's, and
 * what runs on them.
 */
#ifndef JADELAMP_HOST_WINDOW_STAGE_H
#define JADELAMP_HOST_WINDOW_STAGE_H

#include "../runs/run_meter.h"
#include "jadelamp/host/twin.h"
#include "jadelamp/host/file.h"
#include "link.h"

/* What a hand does on one thing, as long as it must last to be noticed. */
struct hold {
    unsigned served; /* presses */
    bool down;
    uint64_t since_ps;
};

struct stage {
    struct jl_twin twin; /* with hardware beside the first card */
    struct link *link;
    const struct jl_window_request *request;
    struct link_report next; /* as it will be told */
    struct jl_rig rigs[JL_WINDOW_MOST_CARDS];
    int count;
    long parent;
    /* the pace: real time for virtual time */
    double begun_real_s;
    uint64_t begun_ps;
    uint32_t speed_permille;
    uint64_t passed_ps; /* of what was granted while paused */
    double next_report_s;
    /* served wishes */
    uint32_t shots, records;
    struct hold holds[LINK_FINGERS + LINK_KEYS];
    char hands[80]; /* as they were told last */
    bool recording;
    struct jl_file capture;
    int file_number;
    const struct jl_program_kept *kept;
    size_t told; /* of the board's diagnostics */
};

/* Runs in the child, and ends it. */
_Noreturn void jl_host_stage_run(struct link *link, const struct jl_window_request *request,
                                 long parent);

/* What runs there, until it returns. */
jl_status jl_host_act(struct stage *stage, struct jl_complaint *complaint);

/* Wakes all panels, their lights and their touch panels. */
jl_status jl_host_wake_all(struct stage *stage);

/* A finding beside those of the board, for the window to tell. */
void jl_host_stage_line(struct stage *stage, enum jl_severity severity, const char *text);

/* The last thing that happened, for the window to tell. */
__attribute__((format(printf, 2, 3))) void jl_host_stage_note(struct stage *stage,
                                                              const char *format, ...);

/* For a process that begins: what was wished before is past. */
void jl_host_wishes_begin(struct stage *stage);

/* Moves fingers, keys and the knob. True: the knob has farther to go. */
bool jl_host_wishes_hands(struct stage *stage, uint64_t now_ps);

/* Pictures and captures; or the end of the process. */
void jl_host_wishes_serve(struct stage *stage);

#endif
