/*
 * A capture, read out: commands by their names, data, waits, resets, and what the emulated
 * controller finds wrong, in the order of time.
 */
#ifndef JADELAMP_HOST_READING_H
#define JADELAMP_HOST_READING_H

#include <stdio.h>

#include "jadelamp/host/traffic.h"
#include "jadelamp/sim/explain.h"

#ifdef __cplusplus
extern "C" {
#endif

enum jl_line_kind {
    JL_LINE_COMMAND,
    JL_LINE_DATA,
    JL_LINE_READ,       /**< bytes that were read without such a command: `count`, `last` */
    JL_LINE_WAIT,       /**< from one byte to the next, 1 ms and more */
    JL_LINE_RESET,      /**< `high` */
    JL_LINE_LIGHT,      /**< `high` */
    JL_LINE_DIAGNOSTIC, /**< told when it is found first */
    JL_LINE_DOUBT,      /**< of the decoder: `text` */
};

/** Times are those of the capture. */
struct jl_reading_line {
    uint64_t at_ps, until_ps;
    enum jl_line_kind kind;
    bool high;
    uint64_t count;                         /**< of what was read, */
    uint16_t last;                          /**< and its last byte */
    bool unseen;                            /**< of a command that reads: the capture has no MISO */
    const struct jl_explained *explained;   /**< of commands and data */
    const struct jl_diagnostic *diagnostic; /**< its own times are the board's */
    const char *text;
    /* of data: where on the upright glass they go, and how many pixels they are; 0: not known */
    bool has_box;
    struct jl_box box;
    uint64_t pixels;
    uint64_t places, anew; /**< of the memory, and those that held something else before */
};

typedef void (*jl_reading_fn)(void *context, const struct jl_reading_line *line);

/** Reads a capture to its end. False: it is broken, and the complaint says where. */
bool jl_reading_run(struct jl_traffic *traffic, jl_reading_fn fn, void *context,
                    struct jl_complaint *complaint);

/** Prints a line for a person, with its time. `is_text`: data are characters of a module. */
void jl_reading_print(FILE *out, const struct jl_reading_line *line, bool is_text);

/** "command", "data", "read", "wait", "reset", "light", "diagnostic", "doubt". */
const char *jl_line_kind_name(enum jl_line_kind kind);

#ifdef __cplusplus
}
#endif

#endif
