/*
 * The demo: the harbour of Heron Quay, with its quay gauge, tide board, berth plate, wind dial,
 * lock keeper's display, sluice sign, notice board and tide table, harbour console and lock panel.
 */
#ifndef JADELAMP_HOST_DEMO_H
#define JADELAMP_HOST_DEMO_H

#include "jadelamp/host/light.h"

#ifdef __cplusplus
extern "C" {
#endif

enum { JL_DEMO_MOST_ROWS = 512 };

/** One line of the tide table. */
struct jl_tide_row {
    int minute; /**< of the day */
    int height_cm;
};

struct jl_tide_table {
    struct jl_tide_row rows[JL_DEMO_MOST_ROWS];
    int count;
};

/**
 * Reads "HH:MM,centimetres" lines after a header line; times must rise.
 * False: the complaint names file, line and what would be right.
 */
bool jl_tide_read(const char *path, struct jl_tide_table *table, struct jl_complaint *complaint);

/** Index of the next high water after a row (a height that the next one does not pass), or -1. */
int jl_tide_next_high(const struct jl_tide_table *table, int after);

/** One reading on the gauge. */
struct jl_demo_step {
    int minute, height_cm;
    struct jl_wire_cost cost;
    jl_status status;
};

struct jl_demo_result {
    struct jl_demo_step steps[24];
    int step_count;
    struct jl_wire_cost wake;
    jl_status wake_status;
    size_t diagnostics;
    char directory[1024];
};

/** Which rows of the tide table, and faults on the gauge's board. */
struct jl_demo_morning {
    int first, count;
    const struct jl_fault *faults;
    size_t fault_count;
};

/**
 * Runs the quay gauge for `count` rows of its tide table from row `first` on, waking it again
 * where it was lost, and writes pictures of the first and the last reading, of the damage of the
 * second, and a capture.
 *
 * @param data      folder with cards/ and data/, such as the one that ships
 * @param directory for the files; made when missing
 */
bool jl_demo_quay_gauge(const char *data, const char *directory,
                        const struct jl_demo_morning *morning, struct jl_demo_result *result,
                        struct jl_complaint *complaint);

/** A board that shows two pictures, one after the other. */
struct jl_demo_board {
    struct jl_card card;
    const char *way;    /**< how its pixels travel, in words */
    const char *base;   /**< of its files: BASE-glass.png, BASE-photo.png */
    bool has_film;      /**< of e-paper: BASE-film.png shows the first update */
    size_t pixel_bytes; /**< of RAM, for frames, bands or cells */
    struct jl_wire_cost wake, first, second;
    size_t diagnostics;
    char text[400]; /**< of a character module: what stands on it at the end; else empty */
};

enum { JL_DEMO_BOARDS = 7 };

/**
 * Runs the other boards of the harbour and writes the second picture of each.
 *
 * @param boards receives JL_DEMO_BOARDS results
 */
bool jl_demo_boards(const char *data, const char *directory,
                    struct jl_demo_board boards[JL_DEMO_BOARDS], struct jl_complaint *complaint);

/** A thing with hands on it: what a script did there, and what that cost. */
struct jl_demo_console {
    struct jl_card card;
    const char *base;     /**< of its files: BASE-film.png */
    const char *hands;    /**< what it is worked with, in words */
    double seconds;       /**< of virtual time */
    int events, presents; /**< of hands; and pictures that were sent */
    uint64_t touch_bytes; /**< moved to read the touch glass, or 0 */
    uint64_t bytes;       /**< moved for pictures; or read from memory, all the time */
    uint32_t scans;       /**< pictures that were scanned out; 0: the panel has a memory */
    size_t diagnostics;
};

enum { JL_DEMO_CONSOLES = 2 };

/**
 * Runs the harbour console and the lock panel with the hands of their scripts in data/, and
 * writes film strips.
 *
 * @param consoles receives JL_DEMO_CONSOLES results
 */
bool jl_demo_consoles(const char *data, const char *directory,
                      struct jl_demo_console consoles[JL_DEMO_CONSOLES],
                      struct jl_complaint *complaint);

/**
 * Writes all of it at a glance, from the files that the calls above wrote: harbour.png, and
 * harbour.html, a page to click through that needs no other file.
 */
bool jl_demo_overview(const char *directory, const struct jl_demo_board boards[JL_DEMO_BOARDS],
                      const struct jl_demo_console consoles[JL_DEMO_CONSOLES],
                      struct jl_complaint *complaint);

#ifdef __cplusplus
}
#endif

#endif
