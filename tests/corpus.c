/* Inputs that fuzzing once found to reach something of their own, and files of ours, played to the
 * same targets without a fuzzer: with any compiler, and for counting branches. */
#include <dirent.h>
#include <stdbool.h>
#include <stdint.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

int LLVMFuzzerTestOneInput(const uint8_t *data, size_t size);

static int play(const char *path) {
    FILE *file = fopen(path, "rb");
    uint8_t *bytes = malloc(1 << 20);
    size_t count = file && bytes ? fread(bytes, 1, 1 << 20, file) : 0;
    bool whole = file && bytes && !ferror(file);
    if (file) {
        fclose(file);
    }
    if (whole) {
        fprintf(stderr, "%s\n", path); /* the last one is the one that crashed */
        /* Of just that size, so that what reads behind it is noticed. */
        uint8_t *exact = malloc(count ? count : 1);
        if (exact) {
            memcpy(exact, bytes, count);
            LLVMFuzzerTestOneInput(exact, count);
        }
        free(exact);
    }
    free(bytes);
    return whole;
}

static int play_all(const char *folder, const char *ending) {
    DIR *directory = opendir(folder);
    int played = 0;
    for (const struct dirent *entry; directory && (entry = readdir(directory)) != NULL;) {
        char path[2000];
        size_t length = strlen(entry->d_name), end = strlen(ending);
        if (entry->d_name[0] != '.' && length >= end &&
            strcmp(entry->d_name + length - end, ending) == 0) {
            snprintf(path, sizeof path, "%s/%s", folder, entry->d_name);
            played += play(path);
        }
    }
    if (directory) {
        closedir(directory);
    }
    return played;
}

/* usage: corpus_NAME LEAST FOLDER ENDING [FOLDER ENDING...], the last ENDING may be left out: fails
 * where fewer are found. */
int main(int argc, char **argv) {
    int played = 0;
    for (int i = 2; i < argc; i += 2) {
        played += play_all(argv[i], i + 1 < argc ? argv[i + 1] : "");
    }
    printf("%d inputs\n", played);
    return argc > 1 && played >= atoi(argv[1]) ? EXIT_SUCCESS : EXIT_FAILURE;
}
