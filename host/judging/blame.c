/* Blame by trial. */
#include "blame.h"

#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "jadelamp/sim/explain.h"
#include "sequence.h"
#include "trial.h"

enum { MOST_EDITS = 200 };

enum edit_kind { EDIT_REPLACE, EDIT_DELETE, EDIT_INSERT, EDIT_WAIT };

/* A difference between the card's sequence and the driver's. */
struct edit {
    enum edit_kind kind;
    int at;    /* item of the card; an insertion stands behind it */
    int right; /* item of the driver */
};

struct search {
    const struct jl_card *card;
    struct sequence own, right;
    int partner[SEQUENCE_ITEMS];   /* of the card's items: the driver's; -1: none */
    int partnered[SEQUENCE_ITEMS]; /* of the driver's */
    struct edit edits[MOST_EDITS];
    int edit_count;
    bool active[MOST_EDITS];
    struct jl_card changed;
    struct sequence edited;
};

/* ---- what is the same in both ---- */

static bool same_bytes(const struct sequence_item *a, const struct sequence_item *b) {
    return a->is_command == b->is_command && a->count == b->count &&
           memcmp(a->bytes, b->bytes, a->count) == 0;
}

/* Commands of MIPI DCS whose pairs are two names: sleep, partial mode, inversion, on, idle. */
static bool is_pair(uint8_t a, uint8_t b) {
    return (a ^ b) == 1 && ((a & 0xFE) == 0x10 || (a & 0xFE) == 0x12 || (a & 0xFE) == 0x20 ||
                            (a & 0xFE) == 0x28 || (a & 0xFE) == 0x38);
}

/* Whether they set the same register. */
static bool same_kind(const struct search *search, const struct sequence_item *a,
                      const struct sequence_item *b) {
    bool color = !search->card->cells.bus && search->card->format->bits_per_pixel > 4;
    return a->is_command && b->is_command &&
           (a->bytes[0] == b->bytes[0] || (a->name && b->name && strcmp(a->name, b->name) == 0) ||
            (color && is_pair(a->bytes[0], b->bytes[0])));
}

static void pair_up(struct search *search) {
    for (int i = 0; i < SEQUENCE_ITEMS; i++) {
        search->partner[i] = search->partnered[i] = -1;
    }
    for (int round = 0; round < 2; round++) { /* what is equal, then what is of a kind */
        for (int i = 0; i < search->own.count; i++) {
            for (int k = 0; k < search->right.count && search->partner[i] < 0; k++) {
                const struct sequence_item *a = &search->own.items[i], *b = &search->right.items[k];
                if (search->partnered[k] < 0 &&
                    (round ? same_kind(search, a, b) : same_bytes(a, b))) {
                    search->partner[i] = k;
                    search->partnered[k] = i;
                }
            }
        }
    }
}

static void add_edit(struct search *search, enum edit_kind kind, int at, int right) {
    if (search->edit_count < MOST_EDITS) {
        search->edits[search->edit_count++] = (struct edit){kind, at, right};
    }
}

/* Whether it is the last one of its kind, from an item on. */
static bool is_last(const struct search *search, const struct sequence *sequence, int i) {
    for (int k = i + 1; k < sequence->count; k++) {
        if (same_kind(search, &sequence->items[i], &sequence->items[k])) {
            return false;
        }
    }
    return true;
}

/* Insertions come first, since what comes first is taken back first: an exchange tells more. */
static void list_edits(struct search *search) {
    int behind = 0;
    for (int k = 0; k < search->right.count; k++) {
        if (search->partnered[k] < 0) {
            add_edit(search, EDIT_INSERT, behind, k);
        } else if (search->partnered[k] > behind) {
            behind = search->partnered[k];
        }
    }
    for (int i = 0; i < search->own.count; i++) {
        const struct sequence_item *item = &search->own.items[i];
        int k = search->partner[i];
        if (k < 0) {
            if (item->is_command) {
                add_edit(search, EDIT_DELETE, i, -1);
            }
            continue;
        }
        const struct sequence_item *right = &search->right.items[k];
        if (!same_bytes(item, right)) {
            add_edit(search, EDIT_REPLACE, i, k);
        } else if (is_last(search, &search->own, i) && !is_last(search, &search->right, k)) {
            add_edit(search, EDIT_DELETE, i, -1); /* it has the last word where it should not */
        }
        if (item->wait_ms < right->wait_ms) {
            add_edit(search, EDIT_WAIT, i, k);
        }
    }
}

/* ---- trying ---- */

static void put(struct sequence *sequence, const struct sequence_item *item) {
    if (sequence->count < SEQUENCE_ITEMS) {
        sequence->items[sequence->count++] = *item;
    }
}

/* Whether the glass is right with the edits that are active. */
static bool is_right(struct search *search) {
    struct sequence *edited = &search->edited;
    edited->count = 0;
    for (int i = 0; i < search->own.count; i++) {
        struct sequence_item item = search->own.items[i];
        bool deleted = false;
        for (int e = 0; e < search->edit_count; e++) {
            const struct edit *edit = &search->edits[e];
            if (!search->active[e] || edit->at != i) {
                continue;
            }
            if (edit->kind == EDIT_REPLACE) {
                int wait_ms = item.wait_ms;
                item = search->right.items[edit->right];
                item.wait_ms = wait_ms;
            }
            deleted |= edit->kind == EDIT_DELETE;
        }
        for (int e = 0; e < search->edit_count; e++) {
            if (search->active[e] && search->edits[e].at == i &&
                search->edits[e].kind == EDIT_WAIT) {
                item.wait_ms = search->right.items[search->edits[e].right].wait_ms;
            }
        }
        if (!deleted) {
            put(edited, &item);
        } else if (edited->count) {
            edited->items[edited->count - 1].wait_ms += item.wait_ms;
        }
        for (int e = 0; e < search->edit_count; e++) {
            if (search->active[e] && search->edits[e].at == i &&
                search->edits[e].kind == EDIT_INSERT) {
                put(edited, &search->right.items[search->edits[e].right]);
            }
        }
    }
    search->changed = *search->card;
    return jl_host_sequence_into(edited, &search->changed) &&
           jl_host_trial_is_right(&search->changed);
}

/* Takes back what it can of so many edits at a time; whether it was any. */
static bool take_back(struct search *search, int chunk) {
    bool taken = false;
    for (int from = 0; from < search->edit_count; from += chunk) {
        bool before[MOST_EDITS];
        bool any = false;
        memcpy(before, search->active, sizeof before);
        for (int e = from; e < from + chunk && e < search->edit_count; e++) {
            any |= search->active[e];
            search->active[e] = false;
        }
        if (any && !is_right(search)) {
            memcpy(search->active, before, sizeof before);
        } else {
            taken |= any;
        }
    }
    return taken;
}

/* Many at a time at first; then one by one, until each of those that are left is needed. */
static void minimize(struct search *search) {
    for (int chunk = search->edit_count; chunk > 1; chunk /= 2) {
        take_back(search, chunk);
    }
    while (take_back(search, 1)) {
    }
}

/* Whether they differ in one hexadecimal digit, as what is mistyped does. */
static bool is_mistyped(const struct sequence_item *a, const struct sequence_item *b) {
    int digits = 0;
    for (size_t i = 0; i < a->count && a->count == b->count; i++) {
        unsigned differs = (unsigned)(a->bytes[i] ^ b->bytes[i]);
        digits += (differs & 0x0F) != 0;
        digits += (differs & 0xF0) != 0;
    }
    return digits == 1;
}

/*
 * Where the driver's sequence mends nothing, as steps of the same register came in another order:
 * one edit alone, or one step that is left out, or mistyped. Whether there is such a one.
 */
static bool mend_with_one(struct search *search) {
    for (int i = 0; i < search->own.count; i++) {
        const struct sequence_item *item = &search->own.items[i];
        for (int k = 0; item->is_command && k < search->right.count; k++) {
            if (search->right.items[k].is_command && is_mistyped(item, &search->right.items[k])) {
                add_edit(search, EDIT_REPLACE, i, k);
            }
        }
        if (item->is_command) {
            add_edit(search, EDIT_DELETE, i, -1);
        }
    }
    memset(search->active, 0, sizeof search->active);
    for (int e = 0; e < search->edit_count; e++) {
        search->active[e] = true;
        if (is_right(search)) {
            return true;
        }
        search->active[e] = false;
    }
    return false;
}

/* What is missing may be there, mistyped: then that is to be exchanged. */
static void find_mistyped(struct search *search, struct edit *edit) {
    const struct edit before = *edit;
    const struct sequence_item *right = &search->right.items[edit->right];
    for (int i = 0; i < search->own.count; i++) {
        const struct sequence_item *item = &search->own.items[i];
        if (item->is_command && search->partner[i] < 0 && is_mistyped(item, right)) {
            *edit = (struct edit){EDIT_REPLACE, i, before.right};
            if (is_right(search)) {
                return;
            }
            *edit = before;
        }
    }
}

/* ---- telling ---- */

/* As a card's line has it: a part with opcodes of two bytes gets them whole. */
static void hex(const struct search *search, char *out, size_t size,
                const struct sequence_item *item) {
    if (!item->is_command) {
        if (item->bytes[0] == JL_CHAR_STEP_CODE_PULSE) {
            snprintf(out, size, "pulse %X", item->bytes[1]);
        } else {
            snprintf(out, size, "%s",
                     item->bytes[0] == JL_STEP_CODE_CLEAR ? "the clearing" : "the wait for BUSY");
        }
        return;
    }
    size_t most = item->count < 6 ? item->count : 6;
    bool two = jl_explain_opcode_bytes(search->card->controller->emulator) == 2;
    int at = snprintf(out, size, "%s", two ? "00 " : "");
    for (size_t i = 0; i < most; i++) {
        at += snprintf(out + at, size - (size_t)at, "%s%02X", i ? " " : "", item->bytes[i]);
    }
    if (most < item->count) {
        snprintf(out + at, size - (size_t)at, " ...");
    }
}

static void tell(const struct search *search, const struct edit *edit, struct blamed *one) {
    const struct sequence_item *own = &search->own.items[edit->at];
    const struct sequence_item *right = edit->right < 0 ? NULL : &search->right.items[edit->right];
    bool clear = right && !right->is_command && right->bytes[0] == JL_STEP_CODE_CLEAR;
    char is[32], should[32] = "";
    hex(search, is, sizeof is, own);
    if (right) {
        hex(search, should, sizeof should, right);
    }
    *one = (struct blamed){.opcode = own->bytes[0]};
    /* What is missing right behind another one of its kind should stand there instead. */
    bool instead =
        edit->kind == EDIT_INSERT && same_kind(search, own, right) && !same_bytes(own, right);
    switch (instead ? EDIT_REPLACE : edit->kind) {
    case EDIT_REPLACE:
        snprintf(one->remedy, sizeof one->remedy, "send %s instead of %s", should, is);
        break;
    case EDIT_DELETE:
        snprintf(one->remedy, sizeof one->remedy, "leave %s out", is);
        break;
    case EDIT_WAIT:
        snprintf(one->remedy, sizeof one->remedy, "wait %d ms behind %s", right->wait_ms, is);
        break;
    default:
        one->opcode = right->bytes[0];
        if (clear) {
            snprintf(one->remedy, sizeof one->remedy,
                     "clear the memory before the display is switched on");
        } else if (edit->at) {
            snprintf(one->remedy, sizeof one->remedy, "send %s behind %s", should, is);
        } else {
            snprintf(one->remedy, sizeof one->remedy, "send %s first", should);
        }
        return; /* no step: it is not there */
    }
    for (int i = 0; i <= edit->at; i++) {
        const struct sequence_item *item = &search->own.items[i];
        one->nth += item->is_command;
        one->occurrence += item->is_command && item->bytes[0] == own->bytes[0];
    }
}

/* The entry of a character module; a sequence without one gets it from the library. */
static bool is_pulse(const struct sequence_item *item) {
    return !item->is_command && item->count && item->bytes[0] == JL_CHAR_STEP_CODE_PULSE;
}

static bool has_pulse(const struct sequence *sequence) {
    bool has = false;
    for (int i = 0; i < sequence->count; i++) {
        has |= is_pulse(&sequence->items[i]);
    }
    return has;
}

static void leave_pulses_out(struct sequence *sequence) {
    int kept = 0;
    for (int i = 0; i < sequence->count; i++) {
        if (!is_pulse(&sequence->items[i])) {
            sequence->items[kept++] = sequence->items[i];
        }
    }
    sequence->count = kept;
}

void jl_host_blame(const struct jl_card *card, struct blame *blame) {
    blame->count = 0;
    if (card->controller->scanned || !card->has_wake) {
        return;
    }
    struct search *search = calloc(1, sizeof *search);
    if (!search) {
        return;
    }
    search->card = card;
    search->changed = *card;
    search->changed.has_wake = false;
    search->changed.wake_bytes = 0;
    if (jl_host_sequence_of(card, &search->own) &&
        jl_host_sequence_of(&search->changed, &search->right)) {
        if (card->cells.bus && !has_pulse(&search->own)) {
            leave_pulses_out(&search->right);
        }
        pair_up(search);
        list_edits(search);
        for (int e = 0; e < search->edit_count; e++) {
            search->active[e] = true;
        }
        bool all = search->edit_count && is_right(search);
        if (all) {
            minimize(search);
        }
        if (all || mend_with_one(search)) {
            for (int e = 0; e < search->edit_count; e++) {
                if (search->active[e] && search->edits[e].kind == EDIT_INSERT) {
                    find_mistyped(search, &search->edits[e]);
                }
            }
            for (int e = 0; e < search->edit_count; e++) {
                if (search->active[e] && blame->count++ < BLAME_MOST) {
                    tell(search, &search->edits[e], &blame->of[blame->count - 1]);
                }
            }
        }
    }
    free(search);
}
