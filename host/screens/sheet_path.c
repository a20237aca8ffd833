/* Files that a sheet names, by paths from its own folder. */
#include <stdio.h>

#include "screen_parts.h"

bool jl_host_sheet_path(struct sheet_reading *reading, const char *name, char path[512]) {
    int length = *name == '/' ? snprintf(path, 512, "%s", name)
                              : snprintf(path, 512, "%s/%s", reading->folder, name);
    return length < 512 || WORDS_FAIL(&reading->words, "%s: the path is too long", name);
}
