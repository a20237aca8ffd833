/* Plain and gzip'd files alike, through zlib. */
#include "capture_source.h"

#include <errno.h>
#include <stdio.h>
#include <string.h>

bool jl_host_source_open(struct capture_source *source, const char *path,
                         struct jl_complaint *complaint) {
    memset(source, 0, offsetof(struct capture_source, bytes));
    snprintf(source->path, sizeof source->path, "%s", path);
    source->line = 1;
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

bool jl_host_source_fill(struct capture_source *source) {
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
