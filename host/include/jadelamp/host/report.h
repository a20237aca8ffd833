/*
 * A report on a card: one page to send to a colleague.
 */
#ifndef JADELAMP_HOST_REPORT_H
#define JADELAMP_HOST_REPORT_H

#include "jadelamp/host/card.h"

#ifdef __cplusplus
extern "C" {
#endif

/** Lines of the sequence in a report; what comes behind them is counted. */
enum { JL_REPORT_LINES = 250 };

struct jl_report {
    char path[1024]; /**< of the page */
    bool lit;
    size_t findings; /**< of jl_check_card() and of the board */
};

/**
 * Runs first light of a card, and writes NAME-report.html: the glass, what is wrong, the sequence
 * read out, what it costs on the wire, the card's text, the version. One file, which works offline
 * and without scripts.
 *
 * @param source the card's text, jl_card_source()
 * @return false after complaining; then there is no new file
 */
bool jl_report_write(const struct jl_card *card, const char *source, const char *directory,
                     struct jl_report *report, struct jl_complaint *complaint);

#ifdef __cplusplus
}
#endif

#endif
