/*
 * What a capture spends: bytes and time on the wire, and where they go.
 */
#ifndef JADELAMP_HOST_BUDGET_H
#define JADELAMP_HOST_BUDGET_H

#include "jadelamp/host/traffic.h"

#ifdef __cplusplus
extern "C" {
#endif

/** Of the traffic to the panel; times in ps. */
struct jl_budget {
    uint64_t first_ps, last_ps; /**< of the first byte and behind the last one */
    uint64_t bytes;             /**< all that moved, of which: */
    uint64_t opcode_bytes, argument_bytes, data_bytes;
    uint64_t read_bytes;     /**< that the part gave */
    uint64_t framing_bytes;  /**< addresses, control and sync bytes, outputs of an expander */
    uint64_t commands, runs; /**< runs: data from one command to the next */
    uint64_t transfers;      /**< CS or START */
    uint64_t dc_changes;
    uint64_t bits_ps; /**< while bits moved; at the card's clock where the file does not tell */
    bool clock_is_the_cards;
    uint64_t gaps_ps, gaps, longest_gap_ps; /**< between bytes, of less than 1 ms */
    uint64_t waits_ps, waits;               /**< of 1 ms and more */
    uint64_t pixels, one_pixel_runs;
    uint64_t places, places_anew; /**< of the memory: jl_device_stored() */
    uint64_t repeated_windows;    /**< commands of two arguments and more that set what was set, */
    uint64_t repeated_bytes;      /**< and their bytes */
    uint64_t picture_bytes;       /**< of a whole picture in this depth; 0: not known */
    /** Whole pictures a second: as it was sent; with its bits alone; at the controller's limit. 0:
     * not known. */
    double as_sent, bits_alone, at_limit;
};

/** What would cost less. */
enum jl_remedy_kind {
    JL_REMEDY_CHANGES,    /**< send what changed from picture to picture */
    JL_REMEDY_ONE_WINDOW, /**< send each picture whole, in one window */
    JL_REMEDY_DEPTH,      /**< 16 bits a pixel, where 24 are sent and the part takes 16 */
    JL_REMEDY_SETTINGS,   /**< leave out what is set already */
    JL_REMEDY_GAPS,       /**< nothing between bytes: larger transfers, a FIFO, DMA */
    JL_REMEDY_CLOCK,      /**< the clock that the controller allows */
    JL_REMEDY_ALL,        /**< all of those that stand before it */
};

/** The same pictures with one thing changed. */
struct jl_remedy {
    enum jl_remedy_kind kind;
    uint64_t bytes;      /**< on the bus then */
    double microseconds; /**< on the wire then, gaps included; waits are not */
};

enum { JL_MOST_REMEDIES = 8 };

struct jl_remedies {
    double microseconds; /**< on the wire as it was sent: bits and gaps */
    bool resends;        /**< pictures can be sent again: not of cells, nor of e-paper */
    uint64_t pictures;   /**< that were told apart, and sent again by the driver of the card */
    bool others;         /**< some of them came out otherwise: no remedy is for pictures then */
    struct jl_remedy list[JL_MOST_REMEDIES]; /**< what saves most first; the last one is all */
    size_t count;
};

struct jl_budget_request {
    uint64_t pause_ps; /**< a picture is complete when so long nothing comes; 0: 1 ms */
    /** Receives what would cost less; or NULL: that takes more time. */
    struct jl_remedies *remedies;
};

/**
 * Plays a capture to its end and counts. For remedies, each completed picture is sent again to a
 * board of its own by the driver of the card. False: the capture is broken, and the complaint says
 * where; or no memory.
 */
bool jl_budget_run(struct jl_traffic *traffic, const struct jl_budget_request *request,
                   struct jl_budget *budget, struct jl_complaint *complaint);

/** As a sentence without its end, such as "send only what changed". Constant. */
const char *jl_remedy_text(enum jl_remedy_kind kind);

#ifdef __cplusplus
}
#endif

#endif
