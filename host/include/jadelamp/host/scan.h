/*
 * Who is on the I2C bus of a set of cards?
 */
#ifndef JADELAMP_HOST_SCAN_H
#define JADELAMP_HOST_SCAN_H

#include "jadelamp/host/card.h"

#ifdef __cplusplus
extern "C" {
#endif

struct jl_scan_result {
    uint8_t found[16]; /**< read with JL_SCAN_FOUND() */
    int answered;
    int on_bus; /**< cards with a panel on I2C */
    jl_status status;
    double microseconds; /**< of virtual time */
    uint32_t clock_hz;
};

/**
 * Puts the panels of all I2C cards on one simulated bus, at the clock of the
 * slowest, and scans it. Cards with another bus are left out.
 *
 * @param unplugged try it with nobody there
 */
bool jl_scan_cards(const struct jl_card *cards, size_t count, bool unplugged,
                   struct jl_scan_result *result, struct jl_complaint *complaint);

#ifdef __cplusplus
}
#endif

#endif
