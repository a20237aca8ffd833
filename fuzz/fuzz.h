/* What the fuzz targets share: libFuzzer's entry, and bytes as a file for parsers that want one. */
#ifndef JADELAMP_FUZZ_H
#define JADELAMP_FUZZ_H

#include <stddef.h>
#include <stdint.h>
#include <stdio.h>
#include <string.h>
#include <sys/mman.h>
#include <unistd.h>

int LLVMFuzzerTestOneInput(const uint8_t *data, size_t size);

/*
 * The path of a file with these bytes; each call overwrites it. It is in memory, not on a disk: a
 * hundred times as many inputs a second.
 */
static inline const char *fuzz_file(const uint8_t *data, size_t size) {
    static char path[64];
    static int file = -1;
    if (file < 0) {
        file = memfd_create("fuzz", 0);
        snprintf(path, sizeof path, "/proc/self/fd/%d", file);
    }
    if (ftruncate(file, 0) != 0 || pwrite(file, data, size, 0) != (ssize_t)size) {
        return "/dev/null";
    }
    return path;
}

#endif
