/* Files written whole or not at all; directories; paths. */
#include "jadelamp/host/file.h"

#include <errno.h>
#include <fcntl.h>
#include <signal.h>
#include <string.h>
#include <sys/stat.h>
#include <unistd.h>

/*
 * Drafts that a signal must remove: read by its handler, so each place is filled before it is
 * marked as used, and cleared the other way round.
 */
static struct {
    volatile sig_atomic_t used;
    char path[sizeof((struct jl_file *)0)->draft];
} drafts[8];

enum { MOST_DRAFTS = sizeof drafts / sizeof drafts[0] };

static void remember(const char *path) {
    for (int i = 0; i < MOST_DRAFTS; i++) {
        if (!drafts[i].used) {
            snprintf(drafts[i].path, sizeof drafts[i].path, "%s", path);
            drafts[i].used = 1;
            return;
        }
    }
}

static void forget(const char *path) {
    for (int i = 0; i < MOST_DRAFTS; i++) {
        if (drafts[i].used && strcmp(drafts[i].path, path) == 0) {
            drafts[i].used = 0;
        }
    }
}

static void tidy(int number) {
    for (int i = 0; i < MOST_DRAFTS; i++) {
        if (drafts[i].used) {
            unlink(drafts[i].path);
        }
    }
    struct sigaction usual = {.sa_handler = SIG_DFL};
    sigemptyset(&usual.sa_mask);
    sigaction(number, &usual, NULL);
    raise(number); /* comes when this handler has returned */
}

void jl_file_tidy_on_signals(void) {
    static const int numbers[] = {SIGINT, SIGTERM, SIGHUP, SIGPIPE};
    struct sigaction action = {.sa_handler = tidy};
    sigfillset(&action.sa_mask); /* a second signal must not end the first one's work */
    for (size_t i = 0; i < sizeof numbers / sizeof numbers[0]; i++) {
        sigaction(numbers[i], &action, NULL);
    }
}

/*
 * A draft that is new, so that nobody can have put a link in its place; one that a killed process
 * of the same number left is passed by.
 */
static FILE *open_draft(struct jl_file *file) {
    FILE *stream = NULL;
    int handle = -1;
    for (int attempt = 0; attempt < 100 && handle < 0; attempt++) {
        snprintf(file->draft, sizeof file->draft, "%s.part%ld-%d", file->path, (long)getpid(),
                 attempt % 100);
        remember(file->draft); /* before it exists: a signal may come right behind open() */
        handle = open(file->draft, O_WRONLY | O_CREAT | O_EXCL, 0666);
        if (handle < 0) {
            forget(file->draft); /* it is another's */
            if (errno != EEXIST) {
                return NULL;
            }
        }
    }
    stream = handle < 0 ? NULL : fdopen(handle, "wb");
    if (handle >= 0 && !stream) {
        close(handle);
        remove(file->draft);
        forget(file->draft);
    }
    return stream;
}

bool jl_file_begin(struct jl_file *file, const char *path, struct jl_complaint *complaint) {
    memset(file, 0, sizeof *file);
    int length = snprintf(file->path, sizeof file->path, "%s", path);
    if ((size_t)length >= sizeof file->path) {
        return jl_complain(complaint, "the path is too long: %.80s...", path);
    }
    struct stat info;
    if (stat(path, &info) == 0 && S_ISDIR(info.st_mode)) {
        return jl_complain(complaint, "cannot write %s: it is a directory", path);
    }
    file->stream = open_draft(file);
    if (!file->stream) {
        return jl_complain(complaint, "cannot write %s: %s", path, strerror(errno));
    }
    return true;
}

bool jl_file_write(void *context, const char *bytes, size_t count) {
    struct jl_file *file = context;
    if (!file->failed && fwrite(bytes, 1, count, file->stream) != count) {
        jl_file_fail(file);
    }
    return !file->failed;
}

void jl_file_fail(struct jl_file *file) {
    file->reason = file->failed ? file->reason : errno;
    file->failed = true;
}

bool jl_file_commit(struct jl_file *file, struct jl_complaint *complaint) {
    bool closed = fclose(file->stream) == 0;
    file->stream = NULL;
    if (file->failed || !closed || rename(file->draft, file->path) != 0) {
        int reason = file->failed ? file->reason : errno;
        remove(file->draft);
        forget(file->draft);
        return jl_complain(complaint, "cannot write %s: %s; nothing of it was kept", file->path,
                           strerror(reason));
    }
    forget(file->draft);
    return true;
}

void jl_file_abandon(struct jl_file *file) {
    if (file->stream) {
        fclose(file->stream);
        file->stream = NULL;
        remove(file->draft);
        forget(file->draft);
    }
}

bool jl_file_put(const char *path, const void *bytes, size_t count,
                 struct jl_complaint *complaint) {
    struct jl_file file;
    if (!jl_file_begin(&file, path, complaint)) {
        return false;
    }
    jl_file_write(&file, bytes, count);
    return jl_file_commit(&file, complaint);
}

bool jl_directory_make(const char *path, struct jl_complaint *complaint) {
    char part[1024];
    size_t length = strlen(path);
    if (length == 0 || length >= sizeof part) {
        return jl_complain(complaint, "not a usable directory name: \"%.80s\"", path);
    }
    memcpy(part, path, length + 1);
    for (size_t i = 1; i <= length; i++) {
        if (part[i] != '/' && part[i] != '\0') {
            continue;
        }
        char kept = part[i];
        part[i] = '\0';
        if (mkdir(part, 0777) != 0 && errno != EEXIST) {
            return jl_complain(complaint, "cannot make the directory %s: %s", part,
                               strerror(errno));
        }
        part[i] = kept;
    }
    struct stat info;
    if (stat(path, &info) != 0 || !S_ISDIR(info.st_mode)) {
        return jl_complain(complaint, "%s exists and is not a directory", path);
    }
    return true;
}

bool jl_path_join(char *out, size_t size, const char *directory, const char *base,
                  const char *ending, struct jl_complaint *complaint) {
    int length = snprintf(out, size, "%s/%s%s", directory, base, ending);
    if ((size_t)length >= size) {
        return jl_complain(complaint, "the path is too long: %.80s...", directory);
    }
    for (char *c = out + strlen(directory) + 1; *c; c++) {
        if (*c == ' ' || *c == '/') {
            *c = '-';
        }
    }
    return true;
}
