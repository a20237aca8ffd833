/* What the command prints as JSON. */
#ifndef JADELAMP_TESTS_JSON_AT_H
#define JADELAMP_TESTS_JSON_AT_H

#include <cjson/cJSON.h>

#include "harness.h"

/* A member, which must be there. */
static inline const cJSON *at(const cJSON *json, const char *key) {
    const cJSON *item = cJSON_GetObjectItemCaseSensitive(json, key);
    EXPECT(item != NULL);
    return item;
}

#endif
