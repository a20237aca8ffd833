/* Inside a test stand. */
#ifndef JADELAMP_HOST_STAND_PARTS_H
#define JADELAMP_HOST_STAND_PARTS_H

#include "jadelamp/host/file.h"
#include "jadelamp/host/stand.h"

enum { STAND_NAME_BYTES = 120 };

struct jl_stand {
    struct jl_rig rig;
    struct jl_port port; /* the rig's, with waits counted */
    struct jl_port_ops ops;
    char name[STAND_NAME_BYTES];
    struct jl_file capture; /* kept when something fails */
    int expected, failed;
    bool unwritten; /* a file could not be written */
    bool bus_told;
    uint64_t marked_ps, waited_ps, marked_bytes;
};

/* Lets time pass that is not the wire's. */
void jl_host_stand_wait(struct jl_stand *stand, uint64_t ps);

/* Counts a failure and begins its message: "FILE:LINE: NAME: "; without a file, "NAME: ". */
void jl_host_stand_fail(struct jl_stand *stand, const char *file, int line);

#endif
