/* Texts of the status codes; alone in its file so that they are linked only if used. */
#include "jadelamp/status.h"

const char *jl_status_text(jl_status status) {
#define TEXT_ENTRY(name, text) [name] = text,
    static const char *const texts[JL_STATUS_COUNT] = {JL_STATUS_LIST(TEXT_ENTRY)};
#undef TEXT_ENTRY
    /* Through unsigned, so that negative values are caught by the same compare. */
    return (unsigned)status < JL_STATUS_COUNT ? texts[status] : "unknown status";
}
