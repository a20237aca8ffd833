/* Levels of wires, written as a capture: a value change dump (VCD, IEEE 1364-2005 clause 18). */
#ifndef JADELAMP_HOST_CAPTURE_WRITE_H
#define JADELAMP_HOST_CAPTURE_WRITE_H

#include <stdint.h>

#include "jadelamp/host/file.h"

#ifdef __cplusplus
extern "C" {
#endif

enum { JL_CAPTURE_MOST_WIRES = 64 };

/** A capture that is being written, in steps of 100 ps. Zero it before the first use. */
struct jl_capture_writer {
    struct jl_file file;
    uint64_t stamp; /**< that was written last */
    bool stamped;
};

/** Begins a file with wires in a scope, which have no level yet. False: the complaint says why. */
bool jl_capture_write_begin(struct jl_capture_writer *writer, const char *path, const char *scope,
                            const char *const *names, size_t count, struct jl_complaint *complaint);

/** A wire has a level from a time on; times rise. */
void jl_capture_write_level(struct jl_capture_writer *writer, uint64_t at_ps, size_t wire,
                            bool high);

/** Ends it at a time: the file takes its name. False: it was not written. */
bool jl_capture_write_end(struct jl_capture_writer *writer, uint64_t at_ps,
                          struct jl_complaint *complaint);

#ifdef __cplusplus
}
#endif

#endif
