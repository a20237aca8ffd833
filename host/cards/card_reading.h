/* A card while it is read: what the files that read keys share. */
#ifndef JADELAMP_HOST_CARD_READING_H
#define JADELAMP_HOST_CARD_READING_H

#include <stdio.h>

#include "../files/values.h"
#include "jadelamp/host/card.h"

/* Pixels as a card names them; which format that is depends on controller and bus. */
enum pixels {
    PIXELS_USUAL,
    PIXELS_332,
    PIXELS_565,
    PIXELS_666,
    PIXELS_888,
    PIXELS_GREYS,
    PIXELS_PALETTE
};

enum { JL_HOST_CARD_MOST_KEYS = 128 };

struct reading {
    const char *path;
    FILE *stream;
    int line;        /* of the text that inih got last */
    long bytes_left; /* of what a card may have */
    bool failed;
    int failed_line;
    struct jl_card *card;
    const struct jl_catalog_entry *stand_in; /* for a controller that the card does not name */
    struct jl_complaint *complaint;
    enum pixels pixels;
    const struct key *keys; /* all that a card may have */
    size_t key_count;
    int lines[JL_HOST_CARD_MOST_KEYS]; /* where each key stands; 0: it does not */
    bool rows_sequential;
    /* of glass that is scanned out: what is only looked at when the card is whole */
    uint16_t with_sync[2], totals[2]; /* of a line, of a picture; 0: none */
    char data[160];
    bool rest_low;
};

/* As jl_card_read_text(); a card that names no controller gets the stand-in, or NULL: a mistake. */
bool jl_host_card_read_text_as(const char *name, const char *text, size_t bytes,
                               const struct jl_catalog_entry *stand_in, struct jl_card *card,
                               struct jl_complaint *complaint);

/* A key, and what reads its value. */
struct key {
    const char *section;
    const char *name;
    bool (*read)(struct reading *reading, const char *key, const char *value);
    int what;
};

/* Keeps the first mistake: later ones are often its consequences. Returns false. */
__attribute__((format(printf, 3, 4))) bool jl_host_card_fail_at(struct reading *reading, int line,
                                                                const char *format, ...);

#define FAIL(reading, ...) jl_host_card_fail_at((reading), (reading)->line, __VA_ARGS__)

bool jl_host_card_choice(struct reading *reading, const char *key, const char *value,
                         const struct choice *choices, int *out);

/* A quarter turn or mirror by name: enum jl_turn. */
extern const struct choice jl_host_card_turns[];

/* Times, in nanoseconds. */
extern const struct unit jl_host_card_time_units[];

/* A 7-bit address, and a frequency with its unit. */
bool jl_host_card_address(struct reading *reading, const char *key, const char *value,
                          uint8_t *out);
bool jl_host_card_hertz(struct reading *reading, const char *key, const char *value, uint32_t *out);

/* For inih, whose reader this is: the next line of reading->stream; NULL at the end, or when it
 * failed. */
char *jl_host_card_next_line(char *text, int size, void *reading);

/* The line of a key; 0 when the card has none. */
int jl_host_card_line(const struct reading *reading, const char *section, const char *name);

static inline bool jl_host_card_seen(const struct reading *reading, const char *section,
                                     const char *name) {
    return jl_host_card_line(reading, section, name) != 0;
}

/* Fails at the line of a key, or of another one that it cannot be without. */
#define FAIL_KEY(reading, section, name, ...)                                                      \
    jl_host_card_fail_at((reading), jl_host_card_line((reading), (section), (name)), __VA_ARGS__)

#endif
