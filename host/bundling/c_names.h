/* Which names a piece of C defines at file scope, and the same piece with some of them changed. */
#ifndef JADELAMP_HOST_C_NAMES_H
#define JADELAMP_HOST_C_NAMES_H

#include <stdbool.h>
#include <stddef.h>
#include <stdio.h>

enum { C_NAME_BYTES = 64 };

/* A set of names. Zero it first; jl_host_c_names_free() it. */
struct c_names {
    char (*list)[C_NAME_BYTES];
    size_t count, room;
    bool failed; /* one did not come in: no memory */
};

/* False: no memory. */
bool jl_host_c_names_add(struct c_names *names, const char *text, size_t length);
bool jl_host_c_names_have(const struct c_names *names, const char *text, size_t length);
void jl_host_c_names_free(struct c_names *names);

/*
 * Names of functions, objects, tags, types and constants of enums that stand at file scope: those
 * with jl_ in front that other files see, and all others, which are the file's own. And macros.
 * False: no memory.
 */
bool jl_host_c_names_of(const char *text, struct c_names *global, struct c_names *own,
                        struct c_names *macros);

/* All names that a piece of C uses, of whatever kind. */
bool jl_host_c_names_used(const char *text, size_t length, struct c_names *used);

/* Writes a piece of C whose own names have a prefix then. Members keep theirs. */
void jl_host_c_rename(FILE *out, const char *text, const struct c_names *own, const char *prefix);

#endif
