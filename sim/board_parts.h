/*
 * Inside the board: what its files share. Device files include device.h only.
 */
#ifndef JADELAMP_SIM_BOARD_PARTS_H
#define JADELAMP_SIM_BOARD_PARTS_H

#include "device.h"

enum {
    MOST_DEVICES = 32,
    MOST_BUSES = 8,
    MOST_ON_BUS = 16,
    MOST_RGB = 4,
    MOST_WIRES = MOST_BUSES * (2 + 19) + MOST_DEVICES * DEVICE_PINS + MOST_RGB * 28,
    MOST_DIAGNOSTICS = 256,
};

/* A wire of the recording. The index doubles as its VCD identifier. */
typedef int wire_id;
#define NO_WIRE (-1)

/* A change of a level that is not written yet. */
struct edge {
    uint64_t at_ps;
    wire_id wire;
    bool high;
};

/*
 * Edges are told out of order: a bus tells those of a whole bit before its time has passed, and a
 * DMA transfer those of a byte when it is through. They wait here, sorted, until nothing earlier
 * can come.
 */
enum { STAMP_DIGITS = 20 }; /* of a time of 64 bits */

struct recorder {
    jl_record_fn sink;
    void *context;
    bool failed;
    uint64_t last_ns;
    struct edge *waiting;
    size_t waiting_count, waiting_room;
    char text[4096]; /* that the sink has not had yet */
    size_t length;
    uint64_t stamp_ns;            /* the time whose digits these are, the last one lowest */
    char stamp[2 * STAMP_DIGITS]; /* and room to copy them at once */
    uint8_t stamp_length;
};

struct timed;

struct jl_board {
    uint64_t now_ps;
    uint64_t noise_seed;
    struct jl_device *devices[MOST_DEVICES];
    size_t device_count;
    struct jl_i2c_bus *i2c[MOST_BUSES];
    size_t i2c_count;
    size_t stream_count, rgb_count;
    struct timed *timed[MOST_BUSES + MOST_RGB]; /* both kinds */
    size_t timed_count;
    bool levels[MOST_WIRES];
    bool declared[MOST_WIRES]; /* in the recording */
    int wire_count;
    void (*brown_out)(struct jl_board *board); /* NULL: none is to come */
    uint64_t brown_out_ps;
    jl_time_fn on_time; /* NULL: nobody */
    void *time_context;
    uint64_t call_ps;
    struct recorder recorder;
    struct jl_diagnostic diagnostics[MOST_DIAGNOSTICS];
    size_t diagnostic_count, diagnostic_total;
    jl_diagnostic_fn on_diagnostic;
    void *diagnostic_context;
};

/* Adds a diagnostic of a bus, printf-like; `kind` is constant, such as "i2c". */
__attribute__((format(printf, 6, 7))) void
jl_sim_bus_report(struct jl_board *board, const char *kind, uint64_t byte,
                  enum jl_severity severity, enum jl_code code, const char *format, ...);

/* A new wire; its name in the recording comes from who declares it. */
wire_id jl_sim_wire_create(struct jl_board *board, bool level);

/* Sets a level at a time that is not before any earlier one of this wire. */
void jl_sim_wire_set(struct jl_board *board, wire_id wire, bool high, uint64_t at_ps);

/* Writes the edges up to a time, before which none will be told any more. */
void jl_sim_recorder_write_until(struct jl_board *board, uint64_t at_ps);

/* Lets time pass up to `until_ps`; DMA transfers go on meanwhile. */
void jl_sim_board_advance(struct jl_board *board, uint64_t until_ps);

/* True while somebody records, so that buses can skip the bits otherwise. */
bool jl_sim_board_records(const struct jl_board *board);

struct jl_i2c_bus {
    struct jl_board *board;
    uint64_t bit_ps;
    uint64_t overhead_ps;
    struct jl_device *devices[MOST_ON_BUS];
    uint8_t addresses[MOST_ON_BUS];
    bool addressed[MOST_ON_BUS];
    size_t device_count;
    wire_id scl, sda;
    bool open; /* between START and STOP */
    bool expect_address;
    bool refused, reading; /* nobody took the address; it had the read bit */
    uint8_t address;       /* of the transaction, 7 bits */
    uint64_t byte_count;
    bool sda_held;
    bool failing;
    bool fail_for_good;
    uint64_t fail_byte; /* in terms of byte_count */
};

/* A DMA transfer under way. */
struct flight {
    const uint8_t *bytes; /* the firmware's memory; NULL: none */
    uint8_t *as_started;  /* what it held then */
    size_t units, taken;
    uint64_t start_ps;
    bool reported;
};

/*
 * What goes on while time passes, as the clock sees it: when its next piece is through, when what
 * is on the wire now began, how it is handed over; and how it is freed.
 */
struct timed_ops {
    uint64_t (*next_ps)(const struct timed *timed);
    uint64_t (*begun_ps)(const struct timed *timed);
    void (*deliver_until)(struct timed *timed, uint64_t until_ps);
    void (*release)(struct timed *timed);
};
struct timed {
    const struct timed_ops *ops;
    bool in_flight;
};

/* SPI when it has no lines, else 8080. */
struct jl_stream_bus {
    struct timed timed; /* first: the clock's view of it */
    struct jl_board *board;
    uint64_t unit_ps;      /* a byte, or a word of 16 lines */
    uint64_t read_unit_ps; /* of reads, where it is more */
    uint32_t times_slower;
    uint64_t overhead_ps;
    int unit_bytes;
    int lines;   /* 0: SPI; 8 or 16: 8080, or 6800 */
    bool enable; /* 6800: E instead of WR */
    bool idle_high;
    struct jl_device *devices[MOST_ON_BUS];
    size_t device_count;
    wire_id strobe, read_strobe; /* SCK; WR and RD; E and R/W */
    wire_id data[16];            /* SPI: MOSI */
    wire_id miso;
    uint64_t byte_count;
    bool contention_reported;
    struct flight flight;
};

#endif
