/* UTF-8 decoding (RFC 3629 section 3): shortest form only, no surrogates, up to U+10FFFF. */
#include "utf8.h"

uint32_t jl_utf8_next(const char **text) {
    const uint8_t *at = (const uint8_t *)*text;
    uint32_t lead = *at;
    if (lead == 0) {
        return 0;
    }
    at++;
    uint32_t code = lead;
    if (lead >= 0x80) {
        uint8_t more = lead >= 0xF0 ? 3 : lead >= 0xE0 ? 2 : 1;
        /* 0x80..0xC1 cannot lead; 0xF5..0xFF would pass U+10FFFF. */
        if (lead < 0xC2 || lead > 0xF4) {
            more = 0;
            code = JL_UTF8_MALFORMED;
        } else {
            code = lead & (0x3Fu >> more);
        }
        for (uint8_t i = 0; i < more; i++) {
            /* The second byte alone decides about overlong forms, surrogates and the top. */
            uint8_t least = 0x80, most = 0xBF;
            if (i == 0) {
                least = lead == 0xE0 ? 0xA0 : lead == 0xF0 ? 0x90 : 0x80;
                most = lead == 0xED ? 0x9F : lead == 0xF4 ? 0x8F : 0xBF;
            }
            if (*at < least || *at > most) {
                code = JL_UTF8_MALFORMED;
                break;
            }
            code = code << 6 | (*at & 0x3Fu);
            at++;
        }
    }
    *text = (const char *)at;
    return code;
}
