/* Real time. */
#include "pace.h"

#include <time.h>

double jl_host_real_s(void) {
    struct timespec now;
    clock_gettime(CLOCK_MONOTONIC, &now);
    return (double)now.tv_sec + (double)now.tv_nsec / 1e9;
}

void jl_host_real_wait(double seconds) {
    struct timespec span = {.tv_sec = (time_t)seconds};
    span.tv_nsec = (long)((seconds - (double)span.tv_sec) * 1e9);
    if (seconds > 0) {
        nanosleep(&span, NULL);
    }
}
