/*
 * Which controller is it? The bytes are kept as they came, with D/C, and read as each part would
 * read them: whose commands have names, and as many arguments as there came, it is likely for.
 */
#include <stdlib.h>
#include <string.h>

#include "jadelamp/host/reading.h"
#include "rank.h"

enum { MOST_KEPT = 40000 };

enum kept_kind { KEPT_BYTE, KEPT_DATA, KEPT_START };

struct kept {
    uint8_t byte, kind;
};

struct jl_host_kept {
    struct kept list[MOST_KEPT];
    int count;
};

struct jl_host_kept *jl_host_kept_new(void) {
    return calloc(1, sizeof(struct jl_host_kept));
}

static void keep(struct jl_host_kept *kept, uint8_t byte, enum kept_kind kind) {
    if (kept->count < MOST_KEPT) {
        kept->list[kept->count++] = (struct kept){byte, (uint8_t)kind};
    }
}

void jl_host_keep_start(struct jl_host_kept *kept) {
    keep(kept, 0, KEPT_START);
}

void jl_host_keep_byte(struct jl_host_kept *kept, uint8_t byte, bool data) {
    keep(kept, byte, data ? KEPT_DATA : KEPT_BYTE);
}

/* ---- reading as a part would ---- */

static void take(void *context, const struct jl_explained *explained) {
    struct jl_rank *rank = context;
    if (explained->is_data) {
        return;
    }
    bool good = explained->name && !explained->missing;
    rank->commands++;
    rank->understood += good;
    rank->named += good && strcmp(explained->name, "maker's own") != 0;
    if (!good && rank->strange_count < (int)sizeof rank->strange &&
        !memchr(rank->strange, explained->opcode, (size_t)rank->strange_count)) {
        rank->strange[rank->strange_count++] = explained->opcode;
    }
}

static void read_as(const struct jl_card *card, const struct jl_host_kept *kept,
                    struct jl_rank *rank) {
    struct jl_explainer explainer;
    jl_explain_begin(&explainer, rank->controller->emulator, take, rank);
    for (int i = 0; i < kept->count; i++) {
        const struct kept *one = &kept->list[i];
        if (one->kind == KEPT_START) {
            jl_explain_i2c_start(&explainer);
        } else if (card->bus == JL_BUS_I2C) {
            jl_explain_i2c_byte(&explainer, 0, 0, one->byte);
        } else if (card->bus == JL_BUS_ST7920_SERIAL) {
            jl_explain_synced_byte(&explainer, 0, 0, one->byte);
        } else {
            jl_explain_byte(&explainer, 0, 0, one->byte, one->kind == KEPT_DATA);
        }
    }
    jl_explain_end(&explainer);
}

/* A card's own steps, sent as this part wants them. */
static void read_steps_as(const struct jl_card *card, struct jl_rank *rank) {
    struct jl_explainer explainer;
    jl_explain_begin(&explainer, rank->controller->emulator, take, rank);
    for (size_t at = 0; at < card->wake_bytes;) {
        const uint8_t *step = card->wake_steps + at;
        if (step[0] < JL_STEP_CODE_WAIT_MS) {
            jl_explain_step(&explainer, step + 1, step[0]);
        }
        at += jl_card_step_length(step);
    }
}

/* Whether a part can be at the end of the card's bus at all. */
static bool fits(const struct jl_card *card, const struct jl_catalog_entry *entry) {
    if (!entry->driver || entry->scanned || card->cells.bus) {
        return false;
    }
    return card->bus == JL_BUS_I2C     ? jl_catalog_most_i2c_hz(entry) != 0
           : jl_card_is_parallel(card) ? jl_catalog_least_cycle_ns(entry) != 0
                                       : jl_catalog_most_serial_hz(entry) != 0;
}

static int by_share(const void *a, const void *b) {
    const struct jl_rank *x = a, *y = b;
    int64_t left = (int64_t)x->understood * y->commands;
    int64_t right = (int64_t)y->understood * x->commands;
    return left != right          ? (left < right) - (left > right)
           : x->named != y->named ? y->named - x->named
                                  : strcmp(x->controller->name, y->controller->name);
}

int jl_host_rank_kept(const struct jl_card *card, const struct jl_host_kept *kept,
                      struct jl_rank ranks[JL_RANKS]) {
    size_t entries;
    const struct jl_catalog_entry *catalog = jl_catalog(&entries);
    int count = 0;
    for (size_t i = 0; i < entries && count < JL_RANKS; i++) {
        if (fits(card, &catalog[i])) {
            ranks[count] = (struct jl_rank){.controller = &catalog[i]};
            kept ? read_as(card, kept, &ranks[count]) : read_steps_as(card, &ranks[count]);
            count++;
        }
    }
    qsort(ranks, (size_t)count, sizeof ranks[0], by_share);
    /* Of equal ones the card's own first. */
    for (int i = 1; i < count; i++) {
        bool equal = (int64_t)ranks[i].understood * ranks[0].commands ==
                     (int64_t)ranks[0].understood * ranks[i].commands;
        if (equal && !card->controller_left_out && ranks[i].controller == card->controller) {
            struct jl_rank own = ranks[i];
            memmove(ranks + 1, ranks, sizeof ranks[0] * (size_t)i);
            ranks[0] = own;
        }
    }
    return count;
}

/* ---- a capture's bytes ---- */

static void keep_event(void *context, const struct jl_bus_event *event, bool foreign) {
    struct jl_host_kept *kept = context;
    if (foreign || event->kind != JL_BUS_BYTE) {
        return;
    }
    if (event->address) {
        jl_host_keep_start(kept);
    } else {
        jl_host_keep_byte(kept, (uint8_t)event->value, event->data);
    }
}

bool jl_host_keep_traffic(struct jl_traffic *traffic, struct jl_host_kept *kept,
                          struct jl_complaint *complaint) {
    struct jl_bus_event event;
    bool foreign;
    enum jl_traffic_step step;
    jl_traffic_tap(traffic, keep_event, kept);
    do {
        step = jl_traffic_next(traffic, &event, &foreign, complaint);
    } while (step == JL_TRAFFIC_EVENT);
    return step == JL_TRAFFIC_END;
}
