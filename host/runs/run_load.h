/* Programs from shared objects, as the files of runs and windows have them. */
#ifndef JADELAMP_HOST_RUN_LOAD_H
#define JADELAMP_HOST_RUN_LOAD_H

#include "jadelamp/host/run.h"

struct jl_host_object {
    void *handle;
    jl_program program;
};

/* False: the complaint says why. It stays loaded. */
bool jl_host_object_load(const char *path, struct jl_host_object *object,
                         struct jl_complaint *complaint);

/* Something else of it, by name; NULL: it has none. */
void *jl_host_object_symbol(const struct jl_host_object *object, const char *name);

#endif
