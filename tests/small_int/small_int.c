/* The cases on the desktop: the stream of the part that is named goes to standard output. */
#include <stdio.h>
#include <string.h>

#include "cases.h"

void emit(const void *bytes, size_t count) {
    if (count) {
        fwrite(bytes, 1, count, stdout);
    }
}

int main(int argc, char **argv) {
    static const struct {
        const char *name;
        void (*run)(void);
    } parts[] = {{"bits", run_bits},
                 {"planes", run_planes},
                 {"bytes", run_bytes},
                 {"panels", run_panels},
                 {"paper", run_paper},
                 {"touch", run_touch},
                 {"instruments", run_instruments},
                 {"controls", run_controls},
                 {"scans", run_scans}};
    const char *wanted = argc == 2 ? argv[1] : "";
    size_t i = 0;
    while (i < sizeof parts / sizeof parts[0] && strcmp(parts[i].name, wanted) != 0) {
        i++;
    }
    if (i == sizeof parts / sizeof parts[0]) {
        fprintf(
            stderr,
            "usage: small_int bits|planes|bytes|panels|paper|touch|instruments|controls|scans\n");
        return 2;
    }
    parts[i].run();
    return fflush(stdout) == 0 && !ferror(stdout) ? 0 : 1;
}
