/* A file as a stream of characters that knows its line. */
#ifndef JADELAMP_HOST_CAPTURE_SOURCE_H
#define JADELAMP_HOST_CAPTURE_SOURCE_H

#include <stdbool.h>
#include <stddef.h>
#include <zlib.h>

#include "jadelamp/host/capture.h"

enum { SOURCE_END = -1, SOURCE_BYTES = 1 << 16 };

struct capture_source {
    gzFile file;
    const struct jl_capture_live *live; /* or NULL: then it is read from there */
    char path[400];
    int line; /* of the next character */
    bool failed;
    size_t at, end;
    unsigned char bytes[SOURCE_BYTES];
};

bool jl_host_source_open(struct capture_source *source, const char *path,
                         const struct jl_capture_live *live, struct jl_complaint *complaint);
void jl_host_source_close(struct capture_source *source);

/* Fills the buffer. False: the end, or a file that cannot be read (failed). */
bool jl_host_source_fill(struct capture_source *source);

/* What could not be read, as a complaint. Returns false. */
bool jl_host_source_complain(struct capture_source *source, struct jl_complaint *complaint);

/* The next character, or SOURCE_END. */
static inline int source_get(struct capture_source *source) {
    if (source->at == source->end && !jl_host_source_fill(source)) {
        return SOURCE_END;
    }
    int c = source->bytes[source->at++];
    source->line += c == '\n';
    return c;
}

/* The same without taking it. */
static inline int source_peek(struct capture_source *source) {
    if (source->at == source->end && !jl_host_source_fill(source)) {
        return SOURCE_END;
    }
    return source->bytes[source->at];
}

#endif
