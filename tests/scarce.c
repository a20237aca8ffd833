/*
 * Memory that runs out, disks that are full, files that cannot be opened: linked into a copy of the
 * command by ld's --wrap, so that only calls of our own code are counted, and one of them fails.
 *
 * SCARCE_AT: number of the call that fails, from 1. Or
 * SCARCE_PLACE: number of the place in the code whose first call fails, from 1; 0: places are only
 *     counted. A place is a call and who called the function that it is in, three times over.
 * SCARCE_TOLD: a file that gets how many calls there were, and places where they are counted.
 */
#include <errno.h>
#include <execinfo.h>
#include <fcntl.h>
#include <stdarg.h>
#include <stdbool.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <sys/stat.h>

enum { OUTWARDS = 4, OWN = 3, MOST_PLACES = 4096, ERROR_SEEN = 0x20 };

static long calls, places;
static void *seen[MOST_PLACES][OUTWARDS];

/* The number of the place, if this is its first call; else 0. */
static __attribute__((noinline)) long new_place(void) {
    void *frames[OWN + OUTWARDS] = {NULL};
    backtrace(frames, OWN + OUTWARDS);
    for (long i = 0; i < places; i++) {
        if (memcmp(seen[i], frames + OWN, sizeof seen[i]) == 0) {
            return 0;
        }
    }
    if (places == MOST_PLACES) {
        return 0;
    }
    memcpy(seen[places], frames + OWN, sizeof seen[places]);
    return ++places;
}

static long number_in(const char *name) {
    const char *text = getenv(name);
    return text ? strtol(text, NULL, 10) : 0;
}

static __attribute__((noinline)) bool fails(int reason) {
    long at = number_in("SCARCE_AT"), place = number_in("SCARCE_PLACE");
    calls++;
    /* Behind the one that fails nobody asks for places, and finding them takes long. */
    bool asked = getenv("SCARCE_PLACE") && (!place || places < place);
    bool now = (at && calls == at) || (asked && new_place() == place && place);
    if (now) {
        errno = reason;
    }
    return now;
}

/* The names are the linker's. */
#define WRAP(type, name, given, passed, reason, failure)                                           \
    type __real_##name given;                                                                      \
    type __wrap_##name given;                                                                      \
    type __wrap_##name given {                                                                     \
        return fails(reason) ? (failure) : __real_##name passed;                                   \
    }

WRAP(void *, malloc, (size_t bytes), (bytes), ENOMEM, NULL)
WRAP(void *, calloc, (size_t count, size_t bytes), (count, bytes), ENOMEM, NULL)
WRAP(void *, realloc, (void *memory, size_t bytes), (memory, bytes), ENOMEM, NULL)
WRAP(char *, strdup, (const char *text), (text), ENOMEM, NULL)
WRAP(FILE *, fopen, (const char *path, const char *mode), (path, mode), EMFILE, NULL)
WRAP(FILE *, fdopen, (int handle, const char *mode), (handle, mode), ENOMEM, NULL)
WRAP(FILE *, open_memstream, (char **text, size_t *size), (text, size), ENOMEM, NULL)
WRAP(char *, mkdtemp, (char *path), (path), ENOSPC, NULL)
WRAP(FILE *, tmpfile, (void), (), EMFILE, NULL)
WRAP(int, mkdir, (const char *path, mode_t mode), (path, mode), ENOSPC, -1)
WRAP(int, rename, (const char *from, const char *to), (from, to), EIO, -1)

/* A file for writing is written to, or flushed, in vain; reading and the terminal are left alone.
 */
static bool is_output(FILE *stream) {
    int flags = fcntl(fileno(stream), F_GETFL);
    return stream != stdout && stream != stderr && (flags & O_ACCMODE) != O_RDONLY;
}

size_t __real_fwrite(const void *bytes, size_t size, size_t count, FILE *stream);
size_t __wrap_fwrite(const void *bytes, size_t size, size_t count, FILE *stream);
size_t __wrap_fwrite(const void *bytes, size_t size, size_t count, FILE *stream) {
    if (is_output(stream) && fails(ENOSPC)) {
        stream->_flags |= ERROR_SEEN; /* as the C library does it */
        return 0;
    }
    return __real_fwrite(bytes, size, count, stream);
}

int __real_fclose(FILE *stream);
int __wrap_fclose(FILE *stream);
int __wrap_fclose(FILE *stream) {
    bool bad = is_output(stream) && fails(ENOSPC);
    int result = __real_fclose(stream);
    errno = bad ? ENOSPC : errno;
    return bad ? EOF : result;
}

int __real_fflush(FILE *stream);
int __wrap_fflush(FILE *stream);
int __wrap_fflush(FILE *stream) {
    if (stream && is_output(stream) && fails(ENOSPC)) {
        stream->_flags |= ERROR_SEEN;
        return EOF;
    }
    return __real_fflush(stream);
}

int __real_open(const char *path, int flags, ...);
int __wrap_open(const char *path, int flags, ...);
int __wrap_open(const char *path, int flags, ...) {
    va_list rest;
    va_start(rest, flags);
    int mode = flags & O_CREAT ? va_arg(rest, int) : 0;
    va_end(rest);
    return fails(EMFILE) ? -1 : __real_open(path, flags, mode);
}

__attribute__((destructor)) static void tell(void) {
    const char *path = getenv("SCARCE_TOLD");
    FILE *file = path ? __real_fopen(path, "w") : NULL;
    if (file) {
        fprintf(file, "%ld %ld", calls, places);
        __real_fclose(file);
    }
}
