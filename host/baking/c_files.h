/* A pair of C files, header and body, that are both written or neither. */
#ifndef JADELAMP_HOST_C_FILES_H
#define JADELAMP_HOST_C_FILES_H

#include <stdint.h>

#include "jadelamp/host/file.h"
#include "jadelamp/image.h"

struct c_files {
    struct jl_file header, body;
    const char *name;
};

/*
 * Opens DIRECTORY/NAME.h and NAME.c and writes the first comment, the guard and the include of
 * each. False after complaining, and nothing is open.
 */
bool jl_host_c_files_begin(struct c_files *files, const char *directory, const char *name,
                           const char *made, const char *include, struct jl_complaint *complaint);

/* Whether it can be the name of something in C. */
bool jl_host_c_is_name(const char *name);

/* Ends the guard and gives both files their names. */
bool jl_host_c_files_commit(struct c_files *files, struct jl_complaint *complaint);

/* What C names for how an image's pixels are packed: they lie in flash. */
const char *jl_host_c_packing(const struct jl_image *image);

/* Bytes as an initializer, indented, without braces. */
void jl_host_c_write_bytes(FILE *stream, const uint8_t *bytes, size_t count);

#endif
