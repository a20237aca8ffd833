/* Faults, as several verbs take them. */
#include <stdlib.h>

#include "cli.h"

bool cli_read_faults(const char *verb, char **typed, struct jl_fault *faults, size_t *count) {
    struct jl_complaint complaint = {""};
    for (*count = 0; typed && typed[*count]; ++*count) {
        if (*count == JL_MOST_FAULTS) {
            cli_bad(verb, "--fault: %d of them at most", JL_MOST_FAULTS);
            return false;
        }
        if (!jl_fault_read(typed[*count], &faults[*count], &complaint)) {
            cli_bad(verb, "--fault: %s", complaint.text);
            return false;
        }
    }
    return true;
}

bool cli_inject(const char *verb, char **typed, struct jl_rig *rig, uint64_t replay_offset_ps) {
    struct jl_fault faults[JL_MOST_FAULTS];
    struct jl_complaint complaint = {""};
    size_t count;
    bool read = cli_read_faults(verb, typed, faults, &count);
    bool good = read && jl_fault_inject(faults, count, rig, replay_offset_ps, &complaint);
    if (read && !good) {
        cli_bad(verb, "--fault: %s", complaint.text);
    }
    return good;
}
