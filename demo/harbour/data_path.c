/* Where the demo's cards, tables and scripts lie. */
#include "data_path.h"

#include <stdio.h>

bool data_path(char *path, size_t size, const char *data, const char *folder, const char *name,
               const char *ending, struct jl_complaint *complaint) {
    int length = snprintf(path, size, "%s/%s/%s%s", data, folder, name, ending);
    return (length > 0 && (size_t)length < size) ||
           jl_complain(complaint, "the path is too long: %.80s...", data);
}
