/* The command that an opcode is. */
#include <stddef.h>

#include "commands.h"

static const struct command *find_in(const struct command *list, uint8_t opcode) {
    for (; list->name; list++) {
        if (opcode >= list->first && opcode <= list->last) {
            return list;
        }
    }
    return NULL;
}

const struct command *jl_sim_find_command(const struct command_set *set, uint8_t opcode) {
    const struct command *own = find_in(set->own, opcode);
    if (own || !set->common) {
        return own;
    }
    for (size_t i = 0; i < sizeof set->lacks && set->lacks[i]; i++) {
        if (set->lacks[i] == opcode) {
            return NULL;
        }
    }
    return find_in(set->common, opcode);
}
