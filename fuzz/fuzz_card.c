/* Panel cards. */
#include <stdlib.h>

#include "fuzz.h"
#include "jadelamp/host/timings.h"

int LLVMFuzzerTestOneInput(const uint8_t *data, size_t size) {
    static struct jl_card card;
    struct jl_complaint complaint;
    struct jl_timings timings;
    if (jl_card_read_text("card", (const char *)data, size, &card, &complaint) &&
        card.bus == JL_BUS_RGB && !jl_timings_of(&card, &timings)) {
        abort(); /* a card that is good can be scanned out */
    }
    return 0;
}
