/* What the C of a screen takes, by a compiler of the user's. */
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <unistd.h>

#include "jadelamp/host/screen_sheet.h"

/* The folder with the library's headers: in the source, or where it is installed. */
static bool find_headers(char *path, size_t size) {
    return jl_share_path("include", path, size) || jl_share_path("../../include", path, size);
}

bool jl_screen_measure(const char *directory, const char *name, const char *compiler,
                       size_t *flash_bytes, struct jl_complaint *complaint) {
    char headers[1024], line[4096], object[] = "/tmp/jadelamp-size-XXXXXX";
    unsigned long text = 0, data = 0;
    if (!find_headers(headers, sizeof headers)) {
        return jl_complain(complaint, "the library's headers were not found: set JADELAMP_SHARE to "
                                      "the folder that holds include/");
    }
    if (strchr(directory, '\'') || strchr(headers, '\'')) { /* names stand in quotes below */
        return jl_complain(complaint, "a folder with a ' in its name cannot be measured in: %s",
                           strchr(directory, '\'') ? directory : headers);
    }
    int file = mkstemp(object);
    if (file < 0) {
        return jl_complain(complaint, "cannot make a temporary file in /tmp");
    }
    close(file);
    /* The section sizes by the compiler's own tool: a header line, then the figures. */
    int length =
        snprintf(line, sizeof line,
                 "%s -std=c11 -Os -ffreestanding -ffunction-sections -fdata-sections -I'%s' "
                 "-c '%s/%s.c' -o %s && $(%s -print-prog-name=size) %s | tail -n 1",
                 compiler, headers, directory, name, object, compiler, object);
    FILE *pipe = (size_t)length < sizeof line ? popen(line, "r") : NULL;
    bool good = pipe && fscanf(pipe, "%lu %lu", &text, &data) == 2;
    good = pipe && pclose(pipe) == 0 && good;
    unlink(object);
    *flash_bytes = text + data;
    return good ||
           jl_complain(complaint, "%.200s did not compile %s.c, or has no tool `size` beside it",
                       compiler, name);
}
