/* UTF-8 decoding (RFC 3629 section 3): shortest form only, no surrogates, up to U+10FFFF. */
#include "utf8.h"

uint32_t jl_utf8_next(const char **text) {
    const uint8_t *at = (const uint8_t *)*text;
    uint_fast8_t lead = *at;
    uint32_t code = lead;
    if (lead == 0) {
        return 0;
    }
    at++;
    if (lead >= 0x80) {
        uint_fast8_t more = lead >= 0xF0 ? 3 : lead >= 0xE0 ? 2 : 1;
        unsigned begun = lead & (0x3Fu >> more); /* 15 bits at most before the last byte */
        code = JL_UTF8_MALFORMED;
        /* Others cannot lead, or would pass U+10FFFF. */
        while (lead >= 0xC2 && lead <= 0xF4) {
            uint_fast8_t bits = *at ^ 0x80;
            unsigned longer = begun << 6 | bits;
            /*
             * The second byte alone decides about overlong forms, surrogates and the top. Of four
             * bytes, two give 10..10F; of three, 20 and more but 360..37F; of four, three give
             * 400 and more.
             */
            if (bits > 0x3F || (more == 3 && longer - 0x10 > 0xFF) ||
                (more == 2 && (longer < 0x20 || longer >> 5 == 0x1B))) {
                break;
            }
            at++;
            if (--more == 0) {
                code = (uint32_t)begun << 6 | bits;
                break;
            }
            begun = longer;
        }
    }
    *text = (const char *)at;
    return code;
}
