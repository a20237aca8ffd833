#include "shell.h"

#include <dirent.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <sys/stat.h>
#include <sys/wait.h>
#include <unistd.h>

#include "harness.h"
#include "jadelamp/host/card.h"
#include "jadelamp/host/file.h"
#include "jadelamp/host/png.h"

char output[65536];

static char work[64];

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

int shell(const char *line) {
    return shell_run(work, line);
}

void shell_begin(void) {
    struct jl_complaint complaint;
    snprintf(work, sizeof work, "shell-test-%ld", (long)getpid());
    EXPECT(jl_directory_make(work, &complaint));
}

void shell_end(void) {
    char line[128];
    snprintf(line, sizeof line, "rm -rf %s", work);
    EXPECT_INT(system(line), 0);
}

const char *shell_path(const char *name) {
    static char path[256];
    snprintf(path, sizeof path, "%s/%s", work, name);
    return path;
}

bool shell_has(const char *name) {
    struct stat info;
    return stat(shell_path(name), &info) == 0;
}

int shell_files(void) {
    char line[128];
    snprintf(line, sizeof line, "ls -A %s | wc -l", work);
    FILE *pipe = popen(line, "r");
    int count = -1;
    EXPECT(pipe && fscanf(pipe, "%d", &count) == 1);
    pclose(pipe);
    return count;
}

struct jl_picture shell_picture(const char *name) {
    struct jl_picture picture = {0};
    struct jl_complaint complaint;
    if (!EXPECT(jl_png_read(shell_path(name), &picture, &complaint))) {
        printf("    %s\n", complaint.text);
        jl_picture_create(&picture, 1, 1);
    }
    return picture;
}

int shell_cards_that_ship(void) {
    char folder[512];
    EXPECT(jl_share_path("cards", folder, sizeof folder));
    DIR *directory = opendir(folder);
    int count = 0;
    for (struct dirent *entry; directory && (entry = readdir(directory)) != NULL;) {
        size_t length = strlen(entry->d_name);
        count += length > 5 && strcmp(entry->d_name + length - 5, ".card") == 0;
    }
    EXPECT(directory && closedir(directory) == 0);
    EXPECT(count > 40);
    return count;
}
