/*
 * Wake-up sequences as people have them, read into steps of a card: a C array, an init table, calls
 * that write commands and data, or lines of hexadecimal bytes. docs/panel-cards.md shows each.
 */
#ifndef JADELAMP_HOST_WAKE_IMPORT_H
#define JADELAMP_HOST_WAKE_IMPORT_H

#include "jadelamp/host/catalog.h"
#include "jadelamp/host/complaint.h"

#include <stdio.h>

#ifdef __cplusplus
extern "C" {
#endif

enum jl_wake_layout {
    JL_WAKE_ANY,     /**< found out by what is there */
    JL_WAKE_LINES,   /**< a command a line: 36 48, or 0x36, 0x48; "delay 120" waits */
    JL_WAKE_COUNTED, /**< opcode, count, arguments; bit 7 of a count: a wait in ms behind them */
    JL_WAKE_ROWS,    /**< {opcode, {arguments}, count} or {opcode, count, {arguments}} */
    JL_WAKE_CALLS,   /**< write_command(0x36); write_data(0x48); delay(120); by their names */
    JL_WAKE_FLAT,    /**< commands and arguments one behind the other: by the controller's table */
};

/** "lines", "counted", "rows", "calls", "flat"; NULL for JL_WAKE_ANY. */
const char *jl_wake_layout_name(enum jl_wake_layout layout);

/** A step: bytes to send, or a wait. */
struct jl_wake_step {
    uint8_t bytes[127];
    uint8_t count; /**< 0: a wait */
    uint32_t wait_ms;
};

enum { JL_WAKE_MOST_STEPS = 400 };

struct jl_wake_import {
    struct jl_wake_step steps[JL_WAKE_MOST_STEPS];
    int count;
    enum jl_wake_layout layout; /**< as it was read */
};

/**
 * Reads text in memory; `name` stands for the path in complaints.
 *
 * @param controller for JL_WAKE_FLAT, and to find out; or NULL
 */
bool jl_wake_import_text(const char *name, const char *text, size_t bytes,
                         enum jl_wake_layout layout, const struct jl_catalog_entry *controller,
                         struct jl_wake_import *import, struct jl_complaint *complaint);

/** The same from a file. */
bool jl_wake_import(const char *path, enum jl_wake_layout layout,
                    const struct jl_catalog_entry *controller, struct jl_wake_import *import,
                    struct jl_complaint *complaint);

/** Prints it as a card's section, with the commands' names where the controller is known. */
void jl_wake_import_print(FILE *out, const struct jl_wake_import *import,
                          const struct jl_catalog_entry *controller);

#ifdef __cplusplus
}
#endif

#endif
