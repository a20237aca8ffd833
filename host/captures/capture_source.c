/* Plain and gzip'd files alike, through zlib; and what comes as one looks. */
#include "capture_source.h"

#include <errno.h>
#include <poll.h>
#include <stdio.h>
#include <string.h>
#include <unistd.h>

bool jl_host_source_open(struct capture_source *source, const char *path,
                         const struct jl_capture_live *live, struct jl_complaint *complaint) {
    memset(source, 0, offsetof(struct capture_source, bytes));
    snprintf(source->path, sizeof source->path, "%s", path);
    source->line = 1;
    source->live = live;
    if (live) {
        return true;
    }
    errno = 0;
    source->file = gzopen(path, "rb");
    if (!source->file) {
        return jl_complain(complaint, "%s: %s", path, errno ? strerror(errno) : "out of memory");
    }
    gzbuffer(source->file, SOURCE_BYTES);
    return true;
}

void jl_host_source_close(struct capture_source *source) {
    if (source->file) {
        gzclose(source->file);
    }
}

/* What is there, as soon as something is. */
static bool fill_live(struct capture_source *source) {
    const struct jl_capture_live *live = source->live;
    struct pollfd wait = {.fd = live->file, .events = POLLIN};
    int ready = 0;
    while ((ready = poll(&wait, 1, live->idle_ms)) == 0 || (ready < 0 && errno == EINTR)) {
        if (!live->idle(live->context)) {
            return false;
        }
    }
    ssize_t count = ready > 0 ? read(live->file, source->bytes, SOURCE_BYTES) : -1;
    source->at = 0;
    source->end = count > 0 ? (size_t)count : 0;
    return count > 0;
}

bool jl_host_source_fill(struct capture_source *source) {
    if (source->live) {
        return fill_live(source);
    }
    int count = source->failed ? 0 : gzread(source->file, source->bytes, SOURCE_BYTES);
    int error = Z_OK;
    /* A gzip'd file that ends early is no error of gzread(), but of gzerror(). */
    gzerror(source->file, &error);
    source->failed |= count < 0 || error != Z_OK;
    source->at = 0;
    source->end = count > 0 ? (size_t)count : 0;
    return source->end > 0;
}

bool jl_host_source_complain(struct capture_source *source, struct jl_complaint *complaint) {
    int error = Z_OK;
    const char *why = gzerror(source->file, &error);
    return jl_complain_at(complaint, source->path, source->line, "the file cannot be read on: %s",
                          error == Z_ERRNO ? strerror(errno)
                          : error == Z_BUF_ERROR
                              ? "it ends too early, in the middle of its gzip data"
                              : why);
}
