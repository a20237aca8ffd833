/*
 * A reader of value change dumps and decoders of what is on the wires, written
 * from IEEE 1364-2005 clause 18 and the bus specifications alone.
 */
#ifndef JADELAMP_TESTS_VCD_H
#define JADELAMP_TESTS_VCD_H

#include <stdbool.h>
#include <stddef.h>
#include <stdint.h>

enum { VCD_WIRES = 32, VCD_TOKENS = 8192 };

/* Where a recording goes; free the text. */
struct vcd_text {
    char *text;
    size_t length, room;
    size_t refuse_after; /* refuses what would be more; 0: takes everything */
};

/* A jl_record_fn whose context is a struct vcd_text. */
bool vcd_take(void *context, const char *text, size_t bytes);

struct vcd_edge {
    uint64_t ns;
    int wire;
    bool high;
};

struct vcd {
    struct {
        char scope[40], name[16], id[4];
    } wires[VCD_WIRES];
    int wire_count;
    struct vcd_edge *edges; /* initial values included */
    size_t edge_count;
    uint64_t end_ns;
    bool good;
};

/* Parses a whole text; free with vcd_free(). */
struct vcd vcd_parse(const char *text);
void vcd_free(struct vcd *vcd);
int vcd_wire(const struct vcd *vcd, const char *scope, const char *name);

/* What was decoded: START 'S', byte with ACK 'A' or NACK 'N', STOP 'P'; SPI: 'C' or 'D' by D/C. */
struct bus_token {
    char kind;
    uint8_t byte;
    uint64_t ns;
};

struct bus_log {
    struct bus_token tokens[VCD_TOKENS];
    size_t count;
    /* shortest times seen, ns */
    uint64_t low, high, data_setup, start_hold, stop_setup, bus_free;
    bool changed_while_high; /* SDA inside a bit, or SPI data on the sampling edge */
};

void decode_i2c(const struct vcd *vcd, int scl, int sda, struct bus_log *log);
void decode_spi(const struct vcd *vcd, int cs, int sck, int mosi, int dc, struct bus_log *log);

#endif
