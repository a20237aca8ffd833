/*
 * What the window and the process that it shows share: memory that both have mapped. Pictures and
 * figures go one way, hands and wishes the other.
 */
#ifndef JADELAMP_HOST_WINDOW_LINK_H
#define JADELAMP_HOST_WINDOW_LINK_H

#include <stdatomic.h>

#include "jadelamp/host/window.h"

enum {
    LINK_FINGERS = 2,
    LINK_KEYS = 4,
    LINK_LINES = 256,
    LINK_LINE_BYTES = 256,
    LINK_NOTE_BYTES = 256
};

/* ---- what is shown ---- */

/* How the program stands. */
enum link_state { LINK_RUNS, LINK_RETURNED, LINK_FAILED };

struct link_panel {
    uint8_t brightness;
    bool light, dark;
    uint64_t bytes; /* on its bus */
    char why_dark[120];
};

/* A value of a screen sheet. */
struct link_value {
    char name[32], text[40]; /* what it is called, and what it is now */
    int32_t least, most, number;
    bool slides; /* it can be set */
};

/* A report, whole: written between two counts of `turn`. */
struct link_report {
    uint64_t now_ps;
    uint32_t changes;
    enum link_state state;
    jl_status status;
    char note[LINK_NOTE_BYTES]; /* the last thing that was done, such as a file that was written */
    uint32_t notes;             /* how many there were */
    struct link_panel panels[JL_WINDOW_MOST_CARDS];
    bool records;
    int value_count;
    struct link_value values[JL_SCREEN_VALUES];
};

/* A diagnostic: written before the count rises, and never again. */
struct link_line {
    enum jl_severity severity;
    uint64_t at_ps;
    char text[LINK_LINE_BYTES];
};

/* ---- what is wished ---- */

/* Something that is pressed and let go: how often it was, and whether it is held. */
struct link_press {
    atomic_uint count;
    atomic_uint held;
};

struct link_finger {
    struct link_press press;
    atomic_uint panel; /* the number of it */
    atomic_uint place; /* x << 16 | y, pixels of its upright glass */
};

struct link {
    atomic_uint turn; /* odd: the report is being written */
    struct link_report report;
    atomic_uint line_count;
    struct link_line lines[LINK_LINES];
    atomic_ullong alive_ps; /* virtual time, each time the program lets some pass */
    /* wishes */
    atomic_uint speed_permille;
    atomic_uint paused;
    atomic_ullong granted_ps; /* virtual time that may pass while it is paused: rises */
    struct link_finger fingers[LINK_FINGERS];
    struct link_press keys[LINK_KEYS];
    atomic_int quarters; /* of detents, that the knob was turned */
    atomic_uint shots, records, quits;
    struct {
        atomic_uint count; /* how often it was set by hand */
        atomic_int number;
    } sets[JL_SCREEN_VALUES];
    /* what programs keep */
    atomic_uint kept_bytes;
    uint8_t kept[JL_PROGRAM_KEPT_BYTES];
    char draft[1064]; /* of a capture under way; empty: none */
    size_t pixel_at[JL_WINDOW_MOST_CARDS], bytes;
};

/* The pixels of a panel's glass, 3 bytes each, behind the rest. */
uint8_t *jl_host_link_pixels(struct link *link, int panel);

/* Memory for these cards; NULL: none. */
struct link *jl_host_link_open(const struct jl_card *cards, int count);
void jl_host_link_close(struct link *link);

/* For a program that begins: what the last one said is gone, what is wished stays. */
void jl_host_link_begin(struct link *link);

/* The report and the pixels between two turns. False: it is being written; try again. */
bool jl_host_link_read(struct link *link, struct link_report *report, uint8_t *pixels);

#endif
