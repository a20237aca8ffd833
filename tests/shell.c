#include "shell.h"

#include <stdio.h>
#include <sys/wait.h>

#include "harness.h"

char output[65536];

int shell_run(const char *folder, const char *line) {
    char whole[2048];
    snprintf(whole, sizeof whole, "cd %s && { %s ; } 2>&1", folder, line);
    FILE *pipe = popen(whole, "r");
    size_t length = pipe ? fread(output, 1, sizeof output - 1, pipe) : 0;
    output[length] = '\0';
    int status = pipe ? pclose(pipe) : -1;
    test_row("%s", line);
    return WIFEXITED(status) ? WEXITSTATUS(status) : 1000 + status;
}
