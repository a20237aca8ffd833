/* Finds libgd by the name of its interface, which has been 3 since 2013. */
#include "gd_library.h"

#include <dlfcn.h>

#define GD_FILE "libgd.so.3"

static bool load(struct gd_library *gd) {
    static const char *const names[] = {
#define GD_NAME(name) #name,
        GD_FUNCTIONS(GD_NAME)
#undef GD_NAME
    };
    void **members[] = {
#define GD_PLACE(name) (void **)(void *)&gd->name,
        GD_FUNCTIONS(GD_PLACE)
#undef GD_PLACE
    };
    void *library = dlopen(GD_FILE, RTLD_NOW | RTLD_LOCAL);
    bool good = library != NULL;
    for (size_t i = 0; good && i < sizeof names / sizeof names[0]; i++) {
        *members[i] = dlsym(library, names[i]);
        good = *members[i] != NULL;
    }
    return good;
}

const struct gd_library *jl_host_gd(struct jl_complaint *complaint) {
    static struct gd_library gd;
    static bool loaded;
    loaded = loaded || load(&gd);
    if (!loaded && complaint) {
        jl_complain(complaint, "pictures need %s: install the package libgd3", GD_FILE);
    }
    return loaded ? &gd : NULL;
}
