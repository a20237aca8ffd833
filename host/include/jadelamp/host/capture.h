/*
 * Captures of a logic analyser, of any firmware's traffic: value change dumps (VCD, IEEE 1364-2005
 * clause 18), and comma separated values, of levels, of volts or of bytes that are decoded already;
 * and the bytes of a tap (docs/tap.md).
 * Read as a stream: memory does not grow with the length. Gzip'd files are read as they are.
 */
#ifndef JADELAMP_HOST_CAPTURE_H
#define JADELAMP_HOST_CAPTURE_H

#include <stddef.h>
#include <stdint.h>

#include "jadelamp/host/complaint.h"

#ifdef __cplusplus
extern "C" {
#endif

struct jl_capture;

/** What comes while one looks, such as from a UART: an open file that is read instead, as the bytes
 * of a tap. */
struct jl_capture_live {
    int file;
    int idle_ms;                 /**< after so long without a byte, and again and again, */
    bool (*idle)(void *context); /**< this is called; false: that is the end */
    void *context;
};

/** How to read what a file does not say itself. Zero is the usual. */
struct jl_capture_options {

    double threshold; /**< of volts, between low and high; 0: 1.5 V */
    const char
        *time_unit; /**< of CSV: "s", "ms", "us", "ns", "ps"; NULL: as the header says, or s */
    const struct jl_capture_live *live; /**< the caller's, while it is open; NULL: the path's */
};

/** A name of a wire, with its scopes: "board.panel.scl"; a bit of a vector: "data[3]". */
struct jl_capture_name {
    const char *name;
    int wire; /**< several names may be of one wire */
};

enum jl_item_kind {
    JL_ITEM_LEVEL, /**< a wire changed, or its level is told first */
    /* of a file of decoded bytes */
    JL_ITEM_START,
    JL_ITEM_BYTE,
    JL_ITEM_STOP,
    /* of a tap */
    JL_ITEM_RESET, /**< the pin's level, in `high` */
    JL_ITEM_LOST,  /**< `count` records are missing before this one */
};

/** Something at a time, not before the one before. */
struct jl_capture_item {
    uint64_t at_ps;
    enum jl_item_kind kind;
    int wire;
    bool high;  /**< of an unknown level: false */
    bool known; /**< neither x nor z */
    /* of bytes */
    uint8_t value;
    int8_t data;     /**< D/C: 1 data, 0 a command, -1 not said */
    int16_t address; /**< 7-bit, or -1: not said */
    bool refused;    /**< not acknowledged */
    uint32_t count;
};

/** Opens a file and reads what stands before its first item. NULL: the complaint says why. */
struct jl_capture *jl_capture_open(const char *path, const struct jl_capture_options *options,
                                   struct jl_complaint *complaint);

void jl_capture_close(struct jl_capture *capture);

/** Its wires' names, and how many; none of a file of bytes. The capture's memory. */
size_t jl_capture_names(const struct jl_capture *capture, const struct jl_capture_name **names);

/** Whether its items are bytes. */
bool jl_capture_has_bytes(const struct jl_capture *capture);

enum jl_capture_step { JL_CAPTURE_ITEM, JL_CAPTURE_END, JL_CAPTURE_BAD };

/** The next item. BAD: the complaint has file:line, what was read, what would be right. */
enum jl_capture_step jl_capture_next(struct jl_capture *capture, struct jl_capture_item *item,
                                     struct jl_complaint *complaint);

/** The time of the last mark in the file, at its end also without a change. */
uint64_t jl_capture_now_ps(const struct jl_capture *capture);

#ifdef __cplusplus
}
#endif

#endif
