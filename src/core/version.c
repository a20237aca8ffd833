/* Which library is linked. */
#include "jadelamp/version.h"

long jl_version(void) {
    return JL_VERSION;
}
