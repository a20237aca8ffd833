/*
 * Texts of the status codes; alone in its file so that they are linked only if used. Each is an
 * array of its own: where all of the library is one file, literals would stay in programs that
 * never ask for a text.
 */
#include "jadelamp/status.h"

static const char unknown_status[] = "unknown status";
#define TEXT_ARRAY(name, text) static const char text_of_##name[] = text;
JL_STATUS_LIST(TEXT_ARRAY)
#undef TEXT_ARRAY

const char *jl_status_text(jl_status status) {
#define TEXT_ENTRY(name, text) [name] = text_of_##name,
    static const char *const texts[JL_STATUS_COUNT] = {JL_STATUS_LIST(TEXT_ENTRY)};
#undef TEXT_ENTRY
    /* Through unsigned, so that negative values are caught by the same compare. */
    return (unsigned)status < JL_STATUS_COUNT ? texts[status] : unknown_status;
}
