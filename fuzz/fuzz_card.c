/* Panel cards. */
#include "fuzz.h"
#include "jadelamp/host/card.h"

int LLVMFuzzerTestOneInput(const uint8_t *data, size_t size) {
    static struct jl_card card;
    struct jl_complaint complaint;
    jl_card_read_text("card", (const char *)data, size, &card, &complaint);
    return 0;
}
