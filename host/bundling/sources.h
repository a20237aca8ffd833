/* The library's own files, as they are installed or stand in the source. */
#ifndef JADELAMP_HOST_SOURCES_H
#define JADELAMP_HOST_SOURCES_H

#include "c_names.h"
#include "c_tokens.h"
#include "jadelamp/host/file.h"

enum { SOURCE_PATH = 80 };

/* A .c file. */
struct source {
    char path[SOURCE_PATH]; /* "core/frame.c", from src/ */
    char stem[SOURCE_PATH]; /* "frame" */
    char *text;             /* without comments of its own at the top, its templates in place */
    struct c_names global, own, macros, used;
    struct c_names headers; /* of src/ that it needs, in order: "core/mem.h" */
    bool wanted;
};

/* A header of src/ with a guard. */
struct source_header {
    char path[SOURCE_PATH];
    char *text;             /* without the guard and its includes */
    struct c_names headers; /* that it needs itself */
    struct c_names macros;
    bool written;
};

struct sources {
    char src[1024], include[1024]; /* the folders */
    struct source *list;
    int count;
    struct source_header *headers;
    int header_count;
    struct c_names system; /* "<stddef.h>" that any of them includes */
};

/* Reads all of src/. False: complained. */
bool jl_host_sources_read(struct sources *sources, struct jl_complaint *complaint);
void jl_host_sources_free(struct sources *sources);

/* A file as text, the caller's. NULL: complained. */
char *jl_host_source_text(const char *folder, const char *path, struct jl_complaint *complaint);

/* NULL: there is none. */
struct source_header *jl_host_source_header(const struct sources *sources, const char *path);

/*
 * The next #include of a text, from `at` on: the line's begin and end, and what it includes, with
 * its marks. False: none follows.
 */
struct include {
    const char *begin, *end;
    char what[SOURCE_PATH + 2];
};
bool jl_host_next_include(const char *at, struct include *include);

/* The definition of a macro, with the lines that continue it. False: it is not in the text. */
bool jl_host_find_macro(const char *text, const char *name, struct c_token *definition);

/* What stands in the guard of a header, to its last #endif; the whole text where it has none.
 * True: it has one. */
bool jl_host_inside_guard(const char *text, const char **begin, const char **end);

#endif
