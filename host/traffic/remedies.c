/*
 * Remedies, each as the same pictures with one thing changed: other bytes at the pace at which the
 * capture sent its own, or its own bytes at another pace.
 */
#include "remedies.h"

#include <stdlib.h>

#include "jadelamp/sim/explain.h"

const char *jl_remedy_text(enum jl_remedy_kind kind) {
    static const char *const texts[] = {
        "send only what changed from picture to picture",
        "send each picture whole, in one window",
        "send 16 bits a pixel instead of 24",
        "leave out settings that are set already",
        "leave no gaps between bytes: larger transfers, a FIFO or DMA",
        "raise the clock to the controller's limit",
        "all of these together",
    };
    return texts[kind];
}

double jl_host_limit_byte_s(const struct jl_card *card) {
    uint32_t cycle_ns = jl_catalog_least_cycle_ns(card->controller);
    uint32_t serial_hz = jl_catalog_most_serial_hz(card->controller);
    uint32_t i2c_hz = jl_catalog_most_i2c_hz(card->controller);
    return jl_card_is_parallel(card)       ? cycle_ns / 1e9
           : card->bus == JL_BUS_I2C       ? (i2c_hz ? 9.0 / i2c_hz : 0)
           : card->bus == JL_BUS_SPI_3WIRE ? (serial_hz ? 9.0 / serial_hz : 0)
                                           : (serial_hz ? 8.0 / serial_hz : 0);
}

struct finding {
    struct jl_remedies *remedies;
    const struct jl_budget *budget;
    double bits_us, gaps_us; /* of a byte, as it was sent */
    uint64_t bytes;          /* the fewest, */
    double least_bits_us;    /* and the fastest, so far: for all together */
};

/* One that saves less than a hundredth is none. */
static void offer(struct finding *finding, enum jl_remedy_kind kind, uint64_t bytes, double bits_us,
                  double gaps_us) {
    struct jl_remedies *remedies = finding->remedies;
    double microseconds = (double)bytes * (bits_us + gaps_us);
    if (microseconds < 0.99 * remedies->microseconds && remedies->count < JL_MOST_REMEDIES) {
        remedies->list[remedies->count++] = (struct jl_remedy){kind, bytes, microseconds};
        finding->bytes = bytes < finding->bytes ? bytes : finding->bytes;
        finding->least_bits_us =
            bits_us < finding->least_bits_us ? bits_us : finding->least_bits_us;
    }
}

/* Other bytes, at the same pace. */
static void offer_bytes(struct finding *finding, enum jl_remedy_kind kind, uint64_t bytes) {
    offer(finding, kind, bytes, finding->bits_us, finding->gaps_us);
}

static int by_time(const void *a, const void *b) {
    double x = ((const struct jl_remedy *)a)->microseconds;
    double y = ((const struct jl_remedy *)b)->microseconds;
    return (x > y) - (x < y);
}

void jl_host_find_remedies(const struct jl_budget *budget, struct jl_rig *rig,
                           const struct resending *resending, struct jl_remedies *remedies) {
    const struct resent resent = jl_host_resent(resending);
    double limit_us = 1e6 * jl_host_limit_byte_s(&rig->card);
    *remedies = (struct jl_remedies){
        .microseconds = (double)(budget->bits_ps + budget->gaps_ps) / 1e6,
        .resends = resent.at_all,
        .pictures = resent.pictures,
        .others = resent.others,
    };
    if (!budget->bytes || !budget->bits_ps) {
        return;
    }
    struct finding finding = {.remedies = remedies,
                              .budget = budget,
                              .bits_us = (double)budget->bits_ps / 1e6 / (double)budget->bytes,
                              .gaps_us = (double)budget->gaps_ps / 1e6 / (double)budget->bytes,
                              .bytes = budget->bytes};
    finding.least_bits_us = finding.bits_us;
    if (resent.pictures && !resent.others) {
        offer_bytes(&finding, JL_REMEDY_CHANGES, resent.changes);
        offer_bytes(&finding, JL_REMEDY_ONE_WINDOW, resent.in_whole);
    }
    if (jl_device_data_depth(rig->device) == 24 && rig->card.format->bits_per_pixel == 16) {
        offer_bytes(&finding, JL_REMEDY_DEPTH, budget->bytes - budget->data_bytes / 3);
    }
    offer_bytes(&finding, JL_REMEDY_SETTINGS, budget->bytes - budget->repeated_bytes);
    /* Between bytes, some controllers are busy. */
    const struct jl_controller *driver = rig->card.controller->driver;
    bool busy = rig->card.cells.bus == JL_CELLS_PARALLEL_4 ||
                rig->card.cells.bus == JL_CELLS_PARALLEL_8 || (driver && driver->byte_us) ||
                jl_explain_polls(rig->card.controller->emulator);
    if (!busy) {
        offer(&finding, JL_REMEDY_GAPS, budget->bytes, finding.bits_us, 0);
    }
    if (limit_us > 0 && !busy) {
        offer(&finding, JL_REMEDY_CLOCK, budget->bytes, limit_us, finding.gaps_us);
    }
    size_t single = remedies->count;
    qsort(remedies->list, single, sizeof remedies->list[0], by_time);
    if (single > 1) {
        offer(&finding, JL_REMEDY_ALL, finding.bytes, finding.least_bits_us,
              busy ? finding.gaps_us : 0);
    }
}
