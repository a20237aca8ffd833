/* Sheets: pictures side by side with captions, such as film strips. */
#ifndef JADELAMP_HOST_SHEET_H
#define JADELAMP_HOST_SHEET_H

#include "jadelamp/sim/picture.h"

#ifdef __cplusplus
extern "C" {
#endif

/**
 * Lays pictures out in rows, on white, each with its text below, in as many lines as it
 * takes.
 *
 * @param sheet    a new picture; the caller frees it
 * @param pictures of one size, 1 or more
 * @param columns  1 or more
 * @return false: no memory
 */
bool jl_sheet_create(struct jl_picture *sheet, const struct jl_picture *pictures,
                     const char *const *captions, int count, int columns);

#ifdef __cplusplus
}
#endif

#endif
