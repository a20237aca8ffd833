/* Rates. */
#include "rates.h"

#include <string.h>

#define SPAN_S 1.0

/* Bits of a byte, with the acknowledge of I2C and the D/C of 3-wire SPI (UM10204, 3.1.5). */
static double byte_us(const struct jl_card *card) {
    if (card->cycle_ns) {
        return card->cycle_ns / 1e3 / (card->bus == JL_BUS_8080_16 ? 2 : 1);
    }
    if (!card->clock_hz || card->bus == JL_BUS_RGB || card->cells.bus == JL_CELLS_PARALLEL_4 ||
        card->cells.bus == JL_CELLS_PARALLEL_8) {
        return 0;
    }
    bool nine = card->bus == JL_BUS_I2C || card->bus == JL_BUS_SPI_3WIRE;
    return (nine ? 9e6 : 8e6) / card->clock_hz;
}

void jl_host_rates_begin(struct rates *rates, const struct jl_card *card) {
    memset(rates, 0, sizeof *rates);
    rates->byte_us = byte_us(card);
}

struct rates_now jl_host_rates_feed(struct rates *rates, const struct link_report *report,
                                    double real_s) {
    const struct rates_then now = {real_s, (double)report->now_ps / 1e12, report->panels[0].bytes,
                                   report->changes};
    struct rates_now told = {0};
    if (rates->count && now.virtual_s < rates->kept[(rates->count - 1) % RATES_KEPT].virtual_s) {
        rates->count = 0; /* started anew */
    }
    /* The oldest that is within the span. */
    unsigned first = rates->count > RATES_KEPT ? rates->count - RATES_KEPT : 0;
    while (first < rates->count && rates->kept[first % RATES_KEPT].real_s < real_s - SPAN_S) {
        first++;
    }
    if (first < rates->count) {
        const struct rates_then *then = &rates->kept[first % RATES_KEPT];
        double virtual_s = now.virtual_s - then->virtual_s;
        told.known = virtual_s > 0;
        if (told.known) {
            told.bytes_s = (double)(now.bytes - then->bytes) / virtual_s;
            told.changes_s = (now.changes - then->changes) / virtual_s;
            told.load = told.bytes_s * rates->byte_us / 1e6;
            told.pace = virtual_s / (real_s - then->real_s);
        }
    }
    rates->kept[rates->count++ % RATES_KEPT] = now;
    return told;
}
