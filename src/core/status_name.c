/* Names of the status codes; alone in its file so that they are linked only if used. */
#include "jadelamp/status.h"

static const char unknown_name[] = "unknown";
#define NAME_ARRAY(name, text) static const char name_of_##name[] = #name;
JL_STATUS_LIST(NAME_ARRAY)
#undef NAME_ARRAY

const char *jl_status_name(jl_status status) {
#define NAME_ENTRY(name, text) [name] = name_of_##name,
    static const char *const names[JL_STATUS_COUNT] = {JL_STATUS_LIST(NAME_ENTRY)};
#undef NAME_ENTRY
    return (unsigned)status < JL_STATUS_COUNT ? names[status] : unknown_name;
}
