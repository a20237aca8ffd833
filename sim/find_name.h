/* Inside the board: commands of a part as a list, and names without what is not in them. */
#ifndef JADELAMP_SIM_FIND_NAME_H
#define JADELAMP_SIM_FIND_NAME_H

#include "commands/commands.h"
#include "device.h"

enum { JL_PLAIN_ROOM = 200, JL_MOST_NAMES = 200 };

/* Letters and digits alone, small: "Set_Pixel-Format" and "set pixel format" are one. */
void jl_sim_make_plain(const char *name, char out[JL_PLAIN_ROOM]);

/* All commands of a part's sets; what a part lacks of the common ones is left out. How many. */
int jl_sim_list_commands(const struct jl_emulated_part *part,
                         const struct command *list[JL_MOST_NAMES]);

#endif
