/* Numbers that were typed elsewhere: whatever they are, the card made of them can be scanned out.
 */
#include <stdlib.h>

#include "fuzz.h"
#include "jadelamp/host/timings.h"

int LLVMFuzzerTestOneInput(const uint8_t *data, size_t size) {
    static struct jl_card card;
    static struct jl_typed typed;
    struct jl_timings timings;
    struct jl_complaint complaint;
    if (!card.controller && !jl_card_find("rgb-1024x600", &card, &complaint)) {
        abort();
    }
    if (jl_typed_read(fuzz_file(data, size), &card, &typed, &complaint) &&
        !jl_timings_of(&typed.card, &timings)) {
        abort();
    }
    return 0;
}
