/* The process that is shown, from the window's side: started, watched, started anew. */
#ifndef JADELAMP_HOST_WINDOW_ACTOR_H
#define JADELAMP_HOST_WINDOW_ACTOR_H

#include <sys/types.h>
#include <time.h>

#include "link.h"

enum actor_end { ACTOR_RUNS, ACTOR_CRASHED, ACTOR_HUNG, ACTOR_ENDED };

enum { ACTOR_FILES = 256 };

struct actor {
    struct link *link;
    const struct jl_window_request *request;
    pid_t process; /* 0: none */
    enum actor_end end;
    char why[LINK_NOTE_BYTES]; /* of a crash, and the like */
    /* whether its time stands still */
    unsigned long long alive_ps;
    double alive_s;
    /* its object's file, as it was when it was loaded, and as it was seen last */
    struct timespec loaded_at, seen_at;
    off_t seen_bytes;
    bool keeps[ACTOR_FILES]; /* files that the caller has open: a tap, hardware */
};

/* Before the window opens any of its own. */
void jl_host_actor_note_files(struct actor *actor);

/* Starts it, or starts it anew. False: the system has no process to give. */
bool jl_host_actor_start(struct actor *actor, struct jl_complaint *complaint);

/* Looks after it. True: something ended, which `end` and `why` tell. */
bool jl_host_actor_look(struct actor *actor);

/* Whether its object was built anew, and is whole: the same twice in a row. */
bool jl_host_actor_is_stale(struct actor *actor);

/* Ends it: what it writes is finished first. */
void jl_host_actor_stop(struct actor *actor);

#endif
