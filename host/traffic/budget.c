/* The bill of a capture. */
#include "jadelamp/host/budget.h"

#include <string.h>

#include "jadelamp/host/reading.h"
#include "remedies.h"
#include "resend.h"
#include "traffic_feed.h"

#define GAP_PS 1000000000u /* 1 ms: from there on it is a wait */

struct counting {
    struct jl_budget *budget;
    bool has_byte, has_level, level;
    bool reads_as_it_writes;   /* SPI with four wires */
    uint64_t behind_ps;        /* the last byte */
    uint8_t arguments[256][6]; /* of each opcode as it came last */
    uint8_t argument_counts[256];
};

/* ---- the wire ---- */

static void count_byte(struct counting *counting, const struct jl_bus_event *event) {
    struct jl_budget *budget = counting->budget;
    if (!counting->has_byte) {
        budget->first_ps = event->at_ps;
    } else if (event->at_ps > counting->behind_ps) {
        uint64_t gap = event->at_ps - counting->behind_ps;
        bool wait = gap >= GAP_PS;
        *(wait ? &budget->waits_ps : &budget->gaps_ps) += gap;
        *(wait ? &budget->waits : &budget->gaps) += 1;
        if (!wait && gap > budget->longest_gap_ps) {
            budget->longest_gap_ps = gap;
        }
    }
    counting->has_byte = true;
    counting->behind_ps = budget->last_ps = event->until_ps;
    budget->bits_ps += event->until_ps - event->at_ps;
    budget->bytes++;
    if (counting->has_level && counting->level != event->data) {
        budget->dc_changes++;
    }
    counting->has_level = true;
    counting->level = event->data;
}

static void count_event(void *context, const struct jl_bus_event *event, bool foreign) {
    struct counting *counting = context;
    if (foreign) {
        return;
    }
    if (event->kind == JL_BUS_BYTE || event->kind == JL_BUS_READ) {
        count_byte(counting, event);
        counting->budget->read_bytes += event->kind == JL_BUS_READ;
    } else if (event->kind == JL_BUS_START || event->kind == JL_BUS_SELECTED) {
        counting->budget->transfers++;
    }
}

/* ---- what the bytes are ---- */

/* Windows are commands of two arguments and more that come again and again. */
static void count_command(struct counting *counting, const struct jl_explained *explained) {
    struct jl_budget *budget = counting->budget;
    uint8_t *last = counting->arguments[explained->opcode];
    size_t count = explained->count;
    budget->commands++;
    budget->opcode_bytes++;
    if (explained->answers) { /* on SPI something goes out meanwhile; else it was a read */
        budget->read_bytes += counting->reads_as_it_writes ? count : 0;
        return;
    }
    budget->argument_bytes += count;
    if (count >= 2 && count <= sizeof counting->arguments[0]) {
        bool again = counting->argument_counts[explained->opcode] == count &&
                     memcmp(last, explained->arguments, count) == 0;
        budget->repeated_windows += again;
        budget->repeated_bytes += again ? count + 1 : 0;
        memcpy(last, explained->arguments, count);
        counting->argument_counts[explained->opcode] = (uint8_t)count;
    }
}

static void count_line(void *context, const struct jl_reading_line *line) {
    struct counting *counting = context;
    struct jl_budget *budget = counting->budget;
    if (line->kind == JL_LINE_COMMAND) {
        count_command(counting, line->explained);
    } else if (line->kind == JL_LINE_DATA) {
        budget->runs++;
        budget->data_bytes += line->explained->count;
        budget->pixels += line->pixels;
        budget->one_pixel_runs += line->pixels == 1;
    }
}

/* Decoded bytes have a time, and no length. */
static void take_the_cards_clock(struct jl_budget *budget, const struct jl_card *card) {
    uint64_t bits = budget->bytes * jl_host_unit_ps(card);
    if (!budget->bits_ps) {
        budget->clock_is_the_cards = true;
        budget->bits_ps = bits;
        uint64_t unit = jl_host_unit_ps(card);
        budget->longest_gap_ps -= unit < budget->longest_gap_ps ? unit : budget->longest_gap_ps;
        budget->gaps_ps -= bits < budget->gaps_ps ? bits : budget->gaps_ps;
    }
}

/* ---- pictures a second ---- */

static void count_pictures(struct jl_budget *budget, const struct jl_card *card, unsigned depth) {
    budget->picture_bytes = ((uint64_t)card->width * (uint64_t)card->height * depth + 7) / 8;
    double bytes = (double)budget->picture_bytes, limit = jl_host_limit_byte_s(card);
    if (!budget->picture_bytes || !budget->data_bytes) {
        return;
    }
    double busy = (double)(budget->bits_ps + budget->gaps_ps) / 1e12;
    double bits = (double)budget->bits_ps / 1e12 / (double)budget->bytes;
    budget->as_sent = busy > 0 ? (double)budget->data_bytes / bytes / busy : 0;
    budget->bits_alone = bits > 0 ? 1 / (bytes * bits) : 0;
    budget->at_limit = limit > 0 ? 1 / (bytes * limit) : 0;
}

bool jl_budget_run(struct jl_traffic *traffic, const struct jl_budget_request *request,
                   struct jl_budget *budget, struct jl_complaint *complaint) {
    struct counting counting = {.budget = budget};
    struct jl_rig *rig = jl_traffic_rig(traffic);
    struct resending *resending = NULL;
    memset(budget, 0, sizeof *budget);
    counting.reads_as_it_writes = rig->card.bus == JL_BUS_SPI;
    if (request->remedies && !(resending = jl_host_resend_begin(traffic, request->pause_ps))) {
        return jl_complain(complaint, "out of memory for the pictures of %s", rig->card.name);
    }
    uint64_t places, anew;
    jl_device_stored(rig->device, &places, &anew);
    jl_traffic_tap(traffic, count_event, &counting);
    bool good = jl_reading_run(traffic, count_line, &counting, complaint);
    if (good) {
        uint64_t known =
            budget->opcode_bytes + budget->argument_bytes + budget->data_bytes + budget->read_bytes;
        budget->framing_bytes = budget->bytes > known ? budget->bytes - known : 0;
        take_the_cards_clock(budget, &rig->card);
        jl_device_stored(rig->device, &budget->places, &budget->places_anew);
        budget->places -= places; /* those of a wake-up before the capture */
        budget->places_anew -= anew;
        count_pictures(budget, &rig->card, jl_device_data_depth(rig->device));
    }
    if (good && resending && jl_host_resent(resending).failed) {
        good = jl_complain(complaint, "out of memory for the pictures of %s", rig->card.name);
    }
    if (good && resending) {
        jl_host_find_remedies(budget, rig, resending, request->remedies);
    }
    jl_host_resend_end(resending);
    return good;
}
