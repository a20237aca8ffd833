/*
 * What is known: controllers, their buses and addresses, and the cards that ship.
 */
#ifndef JADELAMP_HOST_CATALOG_H
#define JADELAMP_HOST_CATALOG_H

#include <stddef.h>
#include <stdint.h>

#include "jadelamp/panel.h"
#include "jadelamp/touch.h"
#include "jadelamp/sim/board.h"

#ifdef __cplusplus
extern "C" {
#endif

/** A controller that can be driven and emulated. */
struct jl_catalog_entry {
    const char *name;
    const struct jl_controller *driver; /**< NULL: a character module, see char_panel.h */
    const struct jl_emulated_part *emulator;
    const char *kind;         /**< what it drives, in words */
    const char *glasses;      /**< usual glass sizes */
    const char *pixel_format; /**< in words */
    bool chips;               /**< several controllers behind the glass */
    /** A parallel bus that the part has by itself, and its name in C; NULL: the usual one. */
    const struct jl_bus *own_bus;
    const char *own_bus_name;
    /** Of a character controller that needs wires of its own: with 4 and 8 lines, or on I2C in the
     * first place; and what their names end with. NULL: the usual ones. */
    const struct jl_char_wire *wires[2];
    const char *wire_name;
    bool on_i2c;          /**< character controllers: on I2C by themselves, at these addresses */
    uint8_t addresses[4]; /**< 7-bit, 0 ends the list */
    enum jl_glass_kind glass_kind; /**< of the usual module */
    /** Of e-paper: waveforms for what the part cannot do by itself, or NULL. */
    const struct jl_wave *partial_wave, *red_partial_wave, *grey_wave;
    bool scanned;          /**< has no memory: its pixels come over an RGB bus */
    const char *quirks[4]; /**< what surprises people, a sentence each; ends with NULL */
};

/** All controllers; the count goes to *count. Constant memory. */
const struct jl_catalog_entry *jl_catalog(size_t *count);

/** By part number, or NULL. */
const struct jl_catalog_entry *jl_catalog_find(const char *name);

/** A touch controller that can be driven and emulated. */
struct jl_touch_entry {
    const char *name;
    const struct jl_touch_part *driver;
    const struct jl_emulated_part *emulator;
    const char *kind;      /**< in words */
    uint8_t addresses[2];  /**< 7-bit, 0: none */
    uint32_t most_hz;      /**< of its bus */
    const char *quirks[3]; /**< what surprises people, a sentence each; ends with NULL */
};

/** All touch controllers; the count goes to *count. Constant memory. */
const struct jl_touch_entry *jl_touch_catalog(size_t *count);

/** By part number, or NULL. */
const struct jl_touch_entry *jl_touch_catalog_find(const char *name);

/** Highest clock on I2C, of the expander where there is one; 0: no I2C. */
uint32_t jl_catalog_most_i2c_hz(const struct jl_catalog_entry *entry);

/** Highest write clock on SPI or the part's own serial bus; 0: has none. */
uint32_t jl_catalog_most_serial_hz(const struct jl_catalog_entry *entry);

/** Least write cycle on a parallel bus, in nanoseconds; 0: has none. */
uint32_t jl_catalog_least_cycle_ns(const struct jl_catalog_entry *entry);

/** What usually lives at a 7-bit I2C address, in words; NULL when nothing is known. */
const char *jl_catalog_dweller(uint8_t address);

/**
 * The folder of data that ships: "cards", "demo" or one below. From the environment
 * variable JADELAMP_SHARE when set, else the installed one beside the program,
 * else the source tree it was built from.
 * False: it does not fit or is not there.
 */
bool jl_share_path(const char *folder, char *out, size_t size);

/** Called for a card file; both strings end with the call. */
typedef void (*jl_card_file_fn)(void *context, const char *name, const char *path);

/**
 * Calls back for every card in a folder that ships ("cards", "demo/cards"), in
 * alphabetical order. False: the folder is missing.
 */
bool jl_share_cards(const char *folder, jl_card_file_fn each, void *context);

#ifdef __cplusplus
}
#endif

#endif
