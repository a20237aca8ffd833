/*
 * What went wrong, in words for a person: what was read, where, what would be
 * right. Desktop code fills one of these instead of printing.
 */
#ifndef JADELAMP_HOST_COMPLAINT_H
#define JADELAMP_HOST_COMPLAINT_H

#include <stdbool.h>

#ifdef __cplusplus
extern "C" {
#endif

/** An error text, complete with file and line where there is one. Empty: none. */
struct jl_complaint {
    char text[512];
};

/** Writes the text, printf-like, and returns false, so that callers can return the call. */
__attribute__((format(printf, 2, 3))) bool jl_complain(struct jl_complaint *complaint,
                                                       const char *format, ...);

/** The same of a line of a file: "FILE:LINE: " stands before the text. */
__attribute__((format(printf, 4, 5))) bool
jl_complain_at(struct jl_complaint *complaint, const char *path, int line, const char *format, ...);

#ifdef __cplusplus
}
#endif

#endif
