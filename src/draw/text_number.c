/* Numbers straight to the target. */
#include "jadelamp/format.h"
#include "jadelamp/text.h"

uint16_t jl_text_number(struct jl_target *target, int16_t x, int16_t y, int32_t value,
                        uint8_t decimals, const struct jl_text_style *style) {
    char text[JL_FORMAT_BYTES];
    jl_format_fixed(text, sizeof text, value, decimals);
    return jl_text(target, x, y, text, style);
}
