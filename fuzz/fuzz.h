/* What the fuzz targets share: libFuzzer's entry, and bytes as a file for parsers that want one. */
#ifndef JADELAMP_FUZZ_H
#define JADELAMP_FUZZ_H

#include <stddef.h>
#include <stdint.h>
#include <stdio.h>
#include <unistd.h>

int LLVMFuzzerTestOneInput(const uint8_t *data, size_t size);

/* The path of a file with these bytes; each call overwrites it. */
static inline const char *fuzz_file(const uint8_t *data, size_t size) {
    static char path[64];
    snprintf(path, sizeof path, "/tmp/jadelamp-fuzz-%ld", (long)getpid());
    FILE *file = fopen(path, "wb");
    if (file) {
        fwrite(data, 1, size, file);
        fclose(file);
    }
    return path;
}

#endif
