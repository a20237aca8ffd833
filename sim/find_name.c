/* Commands by their names, and names that are near. */
#include "jadelamp/sim/explain.h"

#include <ctype.h>
#include <stdio.h>
#include <string.h>

#include "find_name.h"

enum { NEAREST = 3 };

void jl_sim_make_plain(const char *name, char out[JL_PLAIN_ROOM]) {
    size_t length = 0;
    for (; *name && length < JL_PLAIN_ROOM - 1; name++) {
        if (isalnum((unsigned char)*name)) {
            out[length++] = (char)tolower((unsigned char)*name);
        }
    }
    out[length] = '\0';
}

int jl_sim_list_commands(const struct jl_emulated_part *part,
                         const struct command *list[JL_MOST_NAMES]) {
    int count = 0;
    const struct command_set *set = part->commands;
    for (int turn = 0; turn < 2 && set; turn++, set = set->extended) {
        for (const struct command *own = set->own; own->name && count < JL_MOST_NAMES; own++) {
            list[count++] = own;
        }
        for (const struct command *common = set->common;
             common && common->name && count < JL_MOST_NAMES; common++) {
            if (jl_sim_find_command(set, common->first) == common) {
                list[count++] = common;
            }
        }
    }
    return count;
}

bool jl_explain_find(const struct jl_emulated_part *part, const char *name,
                     struct jl_named_command *command) {
    const struct command *list[JL_MOST_NAMES];
    char wanted[JL_PLAIN_ROOM], other[JL_PLAIN_ROOM];
    int count = jl_sim_list_commands(part, list), found = 0;
    jl_sim_make_plain(name, wanted);
    for (int i = 0; i < count; i++) {
        jl_sim_make_plain(list[i]->name, other);
        if (strcmp(wanted, other) == 0) {
            found += list[i]->first == list[i]->last ? 1 : 2;
            *command = (struct jl_named_command){list[i]->first, list[i]->least, list[i]->most};
        }
    }
    return found == 1 && *wanted;
}

/* How many letters must be changed, put in or left out. */
static int distance(const char *a, const char *b) {
    int row[JL_PLAIN_ROOM];
    int width = (int)strlen(b);
    for (int j = 0; j <= width; j++) {
        row[j] = j;
    }
    for (int i = 0; a[i]; i++) {
        int corner = row[0];
        row[0] = i + 1;
        for (int j = 0; j < width; j++) {
            int change = corner + (a[i] != b[j]);
            corner = row[j + 1];
            int least = corner + 1 < row[j] + 1 ? corner + 1 : row[j] + 1;
            row[j + 1] = change < least ? change : least;
        }
    }
    return row[width];
}

const char *jl_explain_nearest(const struct jl_emulated_part *part, const char *name, char *out,
                               size_t size) {
    const struct command *list[JL_MOST_NAMES];
    char wanted[JL_PLAIN_ROOM], other[JL_PLAIN_ROOM];
    int count = jl_sim_list_commands(part, list);
    bool taken[JL_MOST_NAMES] = {false};
    size_t length = 0;
    jl_sim_make_plain(name, wanted);
    *out = '\0';
    for (int turn = 0; turn < NEAREST; turn++) {
        int best = -1, least = JL_PLAIN_ROOM;
        for (int i = 0; i < count; i++) {
            jl_sim_make_plain(list[i]->name, other);
            int now = taken[i] || list[i]->first != list[i]->last ? JL_PLAIN_ROOM
                                                                  : distance(wanted, other);
            best = now < least ? i : best;
            least = now < least ? now : least;
        }
        if (best < 0) {
            break;
        }
        taken[best] = true;
        length += (size_t)snprintf(out + length, size - length, "%s%s",
                                   !turn                 ? ""
                                   : turn == NEAREST - 1 ? " or "
                                                         : ", ",
                                   list[best]->name);
        length = length < size ? length : size - 1;
    }
    return out;
}
