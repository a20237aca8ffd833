/*
 * Files that are written whole or not at all: into a neighbour first, which
 * takes the real name at the end.
 */
#ifndef JADELAMP_HOST_FILE_H
#define JADELAMP_HOST_FILE_H

#include <stddef.h>
#include <stdio.h>

#include "jadelamp/host/complaint.h"

#ifdef __cplusplus
extern "C" {
#endif

/** A file being written. Zero it before the first use. */
struct jl_file {
    FILE *stream;
    char path[1024];
    char draft[1064];
    bool failed;
    int reason; /* errno of what failed first */
};

/** Opens a draft beside `path`. False: the complaint says why. */
bool jl_file_begin(struct jl_file *file, const char *path, struct jl_complaint *complaint);

/** Adds bytes. Fits jl_record_fn with the file as context. False: no space, and so on. */
bool jl_file_write(void *file, const char *bytes, size_t count);

/** Something did not come in whole, for the reason in errno: jl_file_commit() will fail and say so.
 */
void jl_file_fail(struct jl_file *file);

/** Gives the draft its name. False: nothing of it is left and an older file stands untouched. */
bool jl_file_commit(struct jl_file *file, struct jl_complaint *complaint);

/**
 * From now on a signal that ends the process (SIGINT, SIGTERM, SIGHUP, SIGPIPE) removes the drafts
 * that are open, and ends it as before. For commands.
 */
void jl_file_tidy_on_signals(void);

/** Drops the draft; harmless when nothing is open. */
void jl_file_abandon(struct jl_file *file);

/** All in one: the bytes become the file. */
bool jl_file_put(const char *path, const void *bytes, size_t count, struct jl_complaint *complaint);

/** Makes a directory and its parents; one that exists is fine. */
bool jl_directory_make(const char *path, struct jl_complaint *complaint);

/** Joins directory, base name and ending; blanks in the base become '-'. False: too long. */
bool jl_path_join(char *out, size_t size, const char *directory, const char *base,
                  const char *ending, struct jl_complaint *complaint);

#ifdef __cplusplus
}
#endif

#endif
