/* A port that stands before the rig's own, measures, and stops a program that does not end. */
#ifndef JADELAMP_HOST_RUN_METER_H
#define JADELAMP_HOST_RUN_METER_H

#include "jadelamp/host/run.h"

struct jl_host_meter {
    struct jl_rig *rig;
    struct jl_port inner; /* that it stands before */
    struct jl_port_ops ops;
    double most_us;       /* of the program's time */
    uint32_t patience_ms; /* of real time without a call; 0: endless */
    /* what it measures */
    double wire_us, waited_us, whole_us;
    uint64_t transfers;
    jl_status first_error;
    double first_error_us;
    bool other_bus;
    uint32_t levels; /* of pins, since time passed */
};

/* Puts the meter, whose rig and limits are set, before a port. */
void jl_host_meter_stand(struct jl_host_meter *meter, struct jl_port *port);

/* Runs the program through the meter. */
enum jl_run_end jl_host_meter_run(struct jl_host_meter *meter, jl_program program,
                                  jl_status *status);

#endif
