/* Names and meanings of what is found wrong. */
#include "jadelamp/sim/codes.h"

#define NAME(enumerator, name, meaning)    name,
#define MEANING(enumerator, name, meaning) meaning,

const char *jl_code_name(enum jl_code code) {
    static const char *const names[] = {JL_CODES(NAME)};
    return names[code];
}

const char *jl_code_meaning(enum jl_code code) {
    static const char *const meanings[] = {JL_CODES(MEANING)};
    return meanings[code];
}
