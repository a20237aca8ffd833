/* Where a card is: a file, one of a folder of cards, or one that was built in. */
#include <errno.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <sys/stat.h>

#include "card_reading.h"
#include "jadelamp/host/card.h"
#include "shipped_cards.h"

/* Either a path, or text that was built in. */
struct place {
    const char *wanted;
    char path[4096];
    const struct jl_host_shipped_card *shipped;
};

static void match_name(void *context, const char *name, const char *path) {
    struct place *place = context;
    if (strcmp(name, place->wanted) == 0) {
        snprintf(place->path, sizeof place->path, "%s", path);
    }
}

static const struct jl_host_shipped_card *find_shipped(const char *name) {
    for (size_t i = 0; i < jl_host_shipped_card_count; i++) {
        if (strcmp(jl_host_shipped_cards[i].name, name) == 0) {
            return &jl_host_shipped_cards[i];
        }
    }
    return NULL;
}

static bool locate(const char *path_or_name, struct place *place, struct jl_complaint *complaint) {
    struct stat info;
    *place = (struct place){.wanted = path_or_name};
    if (strlen(path_or_name) >= sizeof place->path) {
        return jl_complain(complaint, "the path of the card is longer than %d bytes",
                           (int)sizeof place->path - 1);
    }
    if (stat(path_or_name, &info) == 0 || strchr(path_or_name, '/')) {
        snprintf(place->path, sizeof place->path, "%s", path_or_name);
    } else if (getenv("JADELAMP_SHARE")) {
        jl_share_cards("cards", match_name, place);
    } else {
        place->shipped = find_shipped(path_or_name);
    }
    return *place->path || place->shipped ||
           jl_complain(complaint,
                       "no card %s: neither a file nor one of the cards that \"jadelamp "
                       "catalog\" lists",
                       path_or_name);
}

bool jl_card_find(const char *path_or_name, struct jl_card *card, struct jl_complaint *complaint) {
    struct place place;
    if (!locate(path_or_name, &place, complaint)) {
        return false;
    }
    return place.shipped ? jl_card_read_text(place.shipped->name, (const char *)place.shipped->text,
                                             place.shipped->bytes, card, complaint)
                         : jl_card_read(place.path, card, complaint);
}

char *jl_card_source(const char *path_or_name, struct jl_complaint *complaint) {
    struct place place;
    if (!locate(path_or_name, &place, complaint)) {
        return NULL;
    }
    char *text = calloc(1, JL_CARD_MOST_BYTES + 1);
    FILE *stream = place.shipped || !text ? NULL : fopen(place.path, "r");
    if (!text) {
        jl_complain(complaint, "out of memory for the card %s", path_or_name);
    } else if (place.shipped) {
        memcpy(text, place.shipped->text, place.shipped->bytes);
    } else if (!stream || (fread(text, 1, JL_CARD_MOST_BYTES, stream), ferror(stream))) {
        jl_complain(complaint, "cannot read the card %s: %s", place.path, strerror(errno));
        free(text);
        text = NULL;
    }
    if (stream) {
        fclose(stream);
    }
    return text;
}

bool jl_card_find_unnamed(const char *path_or_name, struct jl_card *card,
                          struct jl_complaint *complaint) {
    char *text = jl_card_source(path_or_name, complaint);
    size_t count;
    const struct jl_catalog_entry *entries = jl_catalog(&count);
    bool good = false;
    for (size_t i = 0; i < count && text && !good; i++) {
        struct jl_complaint first = {""}; /* of a part that does not fit, the next one may */
        if (entries[i].driver && !entries[i].scanned) {
            good = jl_host_card_read_text_as(path_or_name, text, strlen(text), &entries[i], card,
                                             &first);
            *complaint = *complaint->text ? *complaint : first;
        }
        if (card->controller && !card->controller_left_out) {
            break; /* it names one: others would not help */
        }
    }
    free(text);
    return good;
}
