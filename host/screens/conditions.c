/* Whether an item is there. */
#include "screen_parts.h"

bool jl_host_condition_holds(const struct condition *when, const struct jl_screen_state *state) {
    int32_t number = when->compare ? state->numbers[when->value] : 0;
    switch (when->compare) {
    case EQUAL:
        return number == when->number;
    case UNEQUAL:
        return number != when->number;
    case LESS:
        return number < when->number;
    case MORE:
        return number > when->number;
    case AT_MOST:
        return number <= when->number;
    case AT_LEAST:
        return number >= when->number;
    default:
        return true;
    }
}
