/* A port that makes one mistake on the way to the panel. */
#ifndef JADELAMP_HOST_BEND_H
#define JADELAMP_HOST_BEND_H

#include "jadelamp/host/rig.h"
#include "jadelamp/sim/explain.h"

enum bend_kind {
    BEND_NOTHING,
    BEND_SILENT,   /* nothing is sent at all: not by way of a port */
    BEND_DROP,     /* the command `opcode` is not sent */
    BEND_OPCODE,   /* `value` is sent instead of it */
    BEND_ARGUMENT, /* its first argument is `value` */
    BEND_SWAP,     /* the bytes of each pair of data are exchanged */
    BEND_DC,       /* D/C is the other way round */
    BEND_PINS,     /* D/C and CS are exchanged */
    BEND_LATE,     /* each bit is taken for the one behind it: SPI, data move as they are taken */
    BEND_REVERSE,  /* the bits of each byte from the other end */
    BEND_PAIR,     /* the two lowest of them exchanged */
    BEND_CROSSED,  /* SPI: clock and data exchanged */
    BEND_CHIPS,    /* the selects of two controllers behind one glass are exchanged */
};

/* The largest transfer: a whole frame of 800x480 with three bytes a pixel. */
enum { BEND_MOST = 800 * 480 * 3 };

struct bend {
    enum bend_kind kind;
    uint8_t opcode, value;
    /* its own */
    struct jl_port inner;
    struct jl_port_ops ops;
    struct jl_rig *rig;
    struct jl_explainer explainer;
    bool data, dropping; /* D/C; the command under way is left out */
    bool nine;           /* by send_nine() */
    bool last_bit;       /* of the ones since CS fell; and how many the part has of a byte */
    int edges;
    uint8_t under_way; /* its opcode */
    int argument;      /* how many of its arguments came */
    uint8_t out[BEND_MOST];
    size_t out_count;
};

/* Stands before a rig's port from now on. The bend is as long as the rig. */
void jl_host_bend_stand(struct bend *bend, struct jl_rig *rig);

#endif
