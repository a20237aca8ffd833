/* UTF-8 decoding (RFC 3629 section 3): shortest form only, no surrogates, up to U+10FFFF. */
#include "utf8.h"

uint32_t jl_utf8_next(const char **text) {
    const uint8_t *at = (const uint8_t *)*text;
    uint32_t code = *at;
    if (code == 0) {
        return 0;
    }
    at++;
    if (code >= 0x80) {
        int more = code >= 0xF0 ? 3 : code >= 0xE0 ? 2 : 1;
        /* 0x80..0xC1 cannot lead; 0xF5..0xFF would pass U+10FFFF. */
        if (code - 0xC2 > 0xF4 - 0xC2) {
            code = JL_UTF8_MALFORMED;
            more = 0;
        }
        code = more ? code & (0x3Fu >> more) : code;
        for (; more; more--) {
            uint32_t bits = *at - 0x80u;
            code = code << 6 | bits;
            /*
             * The second byte alone decides about overlong forms, surrogates and the top. Of four
             * bytes, two give 10..10F; of three, 20 and more but 360..37F; of four, three give
             * 400 and more.
             */
            if (bits > 0x3F || (more == 3 && code - 0x10 > 0xFF) ||
                (more == 2 && (code < 0x20 || code >> 5 == 0x1B))) {
                code = JL_UTF8_MALFORMED;
                break;
            }
            at++;
        }
    }
    *text = (const char *)at;
    return code;
}
