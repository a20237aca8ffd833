/* Starting, watching and ending the process that is shown. */
#include "actor.h"

#include <errno.h>
#include <fcntl.h>
#include <signal.h>
#include <stdio.h>
#include <string.h>
#include <sys/stat.h>
#include <sys/wait.h>
#include <unistd.h>

#include "pace.h"
#include "stage.h"

/* Without a call of its port for so long it hangs: loops for ever, or waits for something else. */
#define USUAL_PATIENCE_S 5.0
/* To finish a capture, then it is ended. */
#define FAREWELL_S 2.0

static void forget_draft(struct actor *actor) {
    if (*actor->link->draft) {
        unlink(actor->link->draft);
        actor->link->draft[0] = '\0';
    }
}

static void look_at_file(struct actor *actor) {
    struct stat info;
    if (actor->request->object && stat(actor->request->object, &info) == 0) {
        actor->seen_at = info.st_mtim;
        actor->seen_bytes = info.st_size;
    }
}

void jl_host_actor_note_files(struct actor *actor) {
    for (int file = 0; file < ACTOR_FILES; file++) {
        actor->keeps[file] = fcntl(file, F_GETFD) >= 0;
    }
}

/* What the window has open is not the program's: the display's socket, above all. */
static void close_others(const struct actor *actor) {
    for (int file = 3; file < ACTOR_FILES; file++) {
        if (!actor->keeps[file]) {
            close(file);
        }
    }
}

bool jl_host_actor_start(struct actor *actor, struct jl_complaint *complaint) {
    long parent = (long)getpid();
    if (actor->end == ACTOR_CRASHED || actor->end == ACTOR_HUNG) {
        atomic_store(&actor->link->kept_bytes, 0); /* what made it fail, perhaps */
    }
    jl_host_link_begin(actor->link);
    look_at_file(actor);
    actor->loaded_at = actor->seen_at;
    fflush(NULL); /* or both write what is waiting */
    pid_t process = fork();
    if (process < 0) {
        return jl_complain(complaint, "cannot start the program: %s", strerror(errno));
    }
    if (process == 0) {
        signal(SIGINT, SIG_DFL);
        signal(SIGTERM, SIG_DFL);
        close_others(actor);
        jl_host_stage_run(actor->link, actor->request, parent);
    }
    actor->process = process;
    actor->end = ACTOR_RUNS;
    actor->alive_ps = 0;
    actor->alive_s = jl_host_real_s();
    return true;
}

static bool ended(struct actor *actor, enum actor_end end) {
    actor->end = end;
    actor->process = 0;
    forget_draft(actor);
    return true;
}

static bool tell_death(struct actor *actor, int state) {
    if (WIFSIGNALED(state)) {
        snprintf(actor->why, sizeof actor->why, "crashed: %s (signal %d)",
                 strsignal(WTERMSIG(state)), WTERMSIG(state));
    } else if (actor->link->report.state == LINK_FAILED) {
        snprintf(actor->why, sizeof actor->why, "%s", actor->link->report.note);
        return ended(actor, ACTOR_ENDED);
    } else {
        snprintf(actor->why, sizeof actor->why, "ended its process with status %d",
                 WEXITSTATUS(state));
    }
    return ended(actor, ACTOR_CRASHED);
}

static void kill_it(struct actor *actor) {
    kill(actor->process, SIGKILL);
    waitpid(actor->process, NULL, 0);
}

bool jl_host_actor_look(struct actor *actor) {
    int state = 0;
    if (!actor->process) {
        return false;
    }
    if (waitpid(actor->process, &state, WNOHANG) == actor->process) {
        return tell_death(actor, state);
    }
    unsigned long long now_ps = atomic_load(&actor->link->alive_ps);
    double now_s = jl_host_real_s();
    if (now_ps != actor->alive_ps || atomic_load(&actor->link->paused)) {
        actor->alive_ps = now_ps;
        actor->alive_s = now_s;
    }
    double patience_s =
        actor->request->patience_ms ? actor->request->patience_ms / 1e3 : USUAL_PATIENCE_S;
    if (now_s - actor->alive_s < patience_s) {
        return false;
    }
    snprintf(actor->why, sizeof actor->why,
             "hangs: no transfer and no wait for %.3g s, after %.3f s of its time", patience_s,
             (double)now_ps / 1e12);
    kill_it(actor);
    return ended(actor, ACTOR_HUNG);
}

bool jl_host_actor_is_stale(struct actor *actor) {
    struct timespec before = actor->seen_at;
    off_t bytes = actor->seen_bytes;
    look_at_file(actor);
    bool rests = before.tv_sec == actor->seen_at.tv_sec &&
                 before.tv_nsec == actor->seen_at.tv_nsec && bytes == actor->seen_bytes;
    bool is_new = actor->seen_at.tv_sec != actor->loaded_at.tv_sec ||
                  actor->seen_at.tv_nsec != actor->loaded_at.tv_nsec;
    return rests && is_new;
}

void jl_host_actor_stop(struct actor *actor) {
    if (!actor->process) {
        return;
    }
    double until_s = jl_host_real_s() + FAREWELL_S;
    atomic_store(&actor->link->quits, 1);
    while (waitpid(actor->process, NULL, WNOHANG) == 0) {
        if (jl_host_real_s() > until_s) {
            kill_it(actor);
            break;
        }
        jl_host_real_wait(0.002);
    }
    actor->process = 0;
    forget_draft(actor);
}
