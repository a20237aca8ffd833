/* Programs from shared objects. */
#include "run_load.h"

#include <dlfcn.h>
#include <string.h>

bool jl_host_object_load(const char *path, struct jl_host_object *object,
                         struct jl_complaint *complaint) {
    char here[1100];
    /* A name without a folder is a file, too, and not one to be looked for in the system. */
    snprintf(here, sizeof here, "%s%s", strchr(path, '/') ? "" : "./", path);
    object->handle = dlopen(here, RTLD_NOW | RTLD_LOCAL);
    if (!object->handle) {
        return jl_complain(complaint, "cannot load %s: %s", path, dlerror());
    }
    void *symbol = jl_host_object_symbol(object, JL_PROGRAM_ENTRY);
    if (symbol) { /* POSIX lets an object pointer hold a function's address */
        memcpy(&object->program, &symbol, sizeof object->program);
        return true;
    }
    dlclose(object->handle);
    return jl_complain(complaint,
                       "%s has no function %s: expected jl_status %s(const struct jl_port *port)",
                       path, JL_PROGRAM_ENTRY, JL_PROGRAM_ENTRY);
}

void *jl_host_object_symbol(const struct jl_host_object *object, const char *name) {
    return dlsym(object->handle, name);
}

jl_program jl_program_load(const char *path, struct jl_complaint *complaint) {
    struct jl_host_object object;
    return jl_host_object_load(path, &object, complaint) ? object.program : NULL;
}
