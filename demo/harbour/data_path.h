/* Where the demo's cards, tables and scripts lie. */
#ifndef JADELAMP_DEMO_DATA_PATH_H
#define JADELAMP_DEMO_DATA_PATH_H

#include <stddef.h>

#include "jadelamp/host/complaint.h"

/* DATA/FOLDER/NAME with its ending. False after complaining: too long. */
bool data_path(char *path, size_t size, const char *data, const char *folder, const char *name,
               const char *ending, struct jl_complaint *complaint);

#endif
