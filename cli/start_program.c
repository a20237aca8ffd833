/* Verbs that are programs of their own: what they need, the command does not load. */
#include "cli.h"

#include <errno.h>
#include <stdio.h>
#include <string.h>
#include <unistd.h>

int cli_start_program(const char *program, const char **argv) {
    char here[1024], name[64], path[1100];
    ssize_t length = readlink("/proc/self/exe", here, sizeof here - 1);
    here[length > 0 ? length : 0] = '\0';
    char *slash = strrchr(here, '/');
    snprintf(name, sizeof name, "jadelamp-%s", program);
    snprintf(path, sizeof path, "%.*s%s", slash ? (int)(slash + 1 - here) : 0, here, name);
    fflush(stdout);
    /* It takes the words and changes none of them. */
    execv(path, (char *const *)(uintptr_t)argv);
    int reason = errno;
    execvp(name, (char *const *)(uintptr_t)argv);
    return cli_bad(argv[0],
                   "cannot start %s: %s. It is a program of its own; was it built, and "
                   "installed beside jadelamp?",
                   path, strerror(reason));
}

int verb_window(int argc, const char **argv) {
    (void)argc;
    return cli_start_program(argv[0], argv);
}
