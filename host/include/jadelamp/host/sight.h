/*
 * What came out of something that ran on a rig: the glass, the files, why it is dark.
 */
#ifndef JADELAMP_HOST_SIGHT_H
#define JADELAMP_HOST_SIGHT_H

#include <stdio.h>

#include "jadelamp/host/rig.h"

#ifdef __cplusplus
extern "C" {
#endif

enum { JL_SIGHT_PATH_BYTES = 1024 };

/** Free it with jl_sight_free(). */
struct jl_sight {
    struct jl_picture glass; /**< as mounted: jl_rig_look() */
    const char *why_dark;    /**< NULL when it is lit. Constant memory */
    uint64_t offset_ps;      /**< the board's time when what ran began */
    char *cells_text;        /**< of a character module: jl_cells_text(); else NULL */
    char glass_path[JL_SIGHT_PATH_BYTES];
    char photo_path[JL_SIGHT_PATH_BYTES];
    char capture_path[JL_SIGHT_PATH_BYTES]; /**< empty where nothing was recorded */
    char film_path[JL_SIGHT_PATH_BYTES];    /**< of an update, or of samples; else empty */
    char pages_path[JL_SIGHT_PATH_BYTES];   /**< of a screen sheet with several; else empty */
};

/** What a step cost on the wire, in virtual time. */
struct jl_wire_cost {
    double microseconds;
    uint64_t bytes;
};

/** Runs something on the rig. */
typedef void (*jl_sight_fn)(void *context);

/** How something is looked at. */
struct jl_sight_request {
    const char *directory, *base; /**< where files go, and how their names begin */
    int scale;                    /**< of the photo: 2..32, or 0 for about 1000 pixels */
    bool no_wires;                /**< no recording: faster, and no BASE.vcd */
};

/**
 * Records all wires while `run` runs, then looks at the glass. Writes BASE-glass.png,
 * BASE-photo.png and BASE.vcd. False: a file could not be written, or no memory; free the sight
 * in either case.
 */
bool jl_sight_of(struct jl_rig *rig, const struct jl_sight_request *request, jl_sight_fn run,
                 void *context, struct jl_sight *sight, struct jl_complaint *complaint);

/** The same of a rig on which something has run already: nothing is recorded. */
bool jl_sight_after(struct jl_rig *rig, const struct jl_sight_request *request,
                    struct jl_sight *sight, struct jl_complaint *complaint);

/** Frees what it holds; harmless on a zeroed one. */
void jl_sight_free(struct jl_sight *sight);

/**
 * Prints for a person: lit or why not, the text of a character module, what the controllers found
 * wrong, and the files, if there are some. Two blanks before each line.
 */
void jl_sight_print(FILE *out, const struct jl_rig *rig, const struct jl_sight *sight);

/** Whether the glass is dark, or a controller found something that is more than a note. */
bool jl_sight_has_findings(const struct jl_rig *rig, const struct jl_sight *sight);

#ifdef __cplusplus
}
#endif

#endif
