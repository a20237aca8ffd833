/* Inside of a capture: what the readers of all formats share. */
#ifndef JADELAMP_HOST_CAPTURE_READER_H
#define JADELAMP_HOST_CAPTURE_READER_H

#include "capture_source.h"
#include "jadelamp/host/capture.h"

enum { MOST_WIRES = 512, MOST_NAMES = 4096, MOST_COLUMNS = 128, MOST_QUEUED = 256 };

/* Identifiers of VCD, each with its wires: a table of chains. */
struct vcd_net {
    char id[16];
    int first_wire, bits;
    int next; /* in the chain, or -1 */
};

struct vcd {
    uint64_t unit_ps, units_a_ps; /* one of them is 1 */
    struct vcd_net nets[MOST_WIRES];
    int net_count;
    int chains[1024];
    short of_letter[128]; /* the net of an identifier of one letter, or -1: most of all traffic */
    bool dumping;         /* inside $dumpvars and its like */
};

enum csv_use {
    CSV_IGNORED,
    CSV_TIME,
    CSV_LEVEL,
    CSV_VALUE,
    CSV_DATA,
    CSV_ADDRESS,
    CSV_START,
    CSV_STOP,
    CSV_ACK,
    CSV_TYPE
};

struct csv {
    char separator;
    bool decimal_comma;
    enum csv_use uses[MOST_COLUMNS];
    int wires[MOST_COLUMNS], columns, time_column;
    signed char levels[MOST_COLUMNS]; /* -1: not known yet */
    double seconds_a_unit, first_time;
    bool time_moved; /* the first time is below 0, and counts as 0 */
    double threshold;
    char first_line[4096];
    bool first_line_due, started;
};

struct tap {
    uint64_t us; /* since the first record */
    uint32_t last_us, damaged;
    bool timed, numbered, open; /* open: an I2C transfer that may go on */
    uint8_t number;             /* of the next record */
    uint8_t fill[8];
    unsigned fill_bytes, fill_at;
    uint64_t fill_left; /* bytes */
};

struct jl_capture {
    struct capture_source source;
    struct jl_capture_name *names;
    size_t name_count, name_room;
    int wire_count;
    enum { FORMAT_VCD, FORMAT_CSV, FORMAT_TAP } format;
    bool has_bytes;
    uint64_t now_ps;
    struct jl_capture_item queue[MOST_QUEUED];
    size_t queued, taken;
    bool broken; /* behind what is queued */
    struct jl_complaint complaint;
    union {
        struct vcd vcd;
        struct csv csv;
        struct tap tap;
    };
};

/* A wire gets a name, copied. False: too many, or no memory. */
bool jl_host_capture_name(struct jl_capture *capture, int wire, const char *name,
                          struct jl_complaint *complaint);

static inline struct jl_capture_item *capture_queue(struct jl_capture *capture) {
    struct jl_capture_item *item = &capture->queue[capture->queued++];
    *item = (struct jl_capture_item){.at_ps = capture->now_ps, .data = -1, .address = -1};
    return item;
}

/* All read up to the first item, and then make the queue fuller. False of the second: the end, or
 * a complaint that is not empty. */
bool jl_host_vcd_begin(struct jl_capture *capture, struct jl_complaint *complaint);
bool jl_host_vcd_more(struct jl_capture *capture, struct jl_complaint *complaint);
bool jl_host_csv_begin(struct jl_capture *capture, const struct jl_capture_options *options,
                       struct jl_complaint *complaint);
bool jl_host_csv_more(struct jl_capture *capture, struct jl_complaint *complaint);
bool jl_host_tap_begin(struct jl_capture *capture, struct jl_complaint *complaint);
bool jl_host_tap_more(struct jl_capture *capture, struct jl_complaint *complaint);

#endif
