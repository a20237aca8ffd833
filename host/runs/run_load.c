/* Programs from shared objects. */
#include <dlfcn.h>
#include <string.h>

#include "jadelamp/host/run.h"

jl_program jl_program_load(const char *path, struct jl_complaint *complaint) {
    char here[1100];
    /* A name without a folder is a file, too, and not one to be looked for in the system. */
    snprintf(here, sizeof here, "%s%s", strchr(path, '/') ? "" : "./", path);
    void *object = dlopen(here, RTLD_NOW | RTLD_LOCAL);
    if (!object) {
        jl_complain(complaint, "cannot load %s: %s", path, dlerror());
        return NULL;
    }
    void *symbol = dlsym(object, JL_PROGRAM_ENTRY);
    jl_program program = NULL;
    if (symbol) { /* POSIX lets an object pointer hold a function's address */
        memcpy(&program, &symbol, sizeof program);
        return program;
    }
    dlclose(object);
    jl_complain(complaint,
                "%s has no function %s: expected jl_status %s(const struct jl_port *port)", path,
                JL_PROGRAM_ENTRY, JL_PROGRAM_ENTRY);
    return NULL;
}
