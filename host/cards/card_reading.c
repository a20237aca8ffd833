/* What all keys of a card are read with: complaints, choices, and what was seen. */
#include "card_reading.h"

#include <stdarg.h>
#include <string.h>

bool jl_host_card_fail_at(struct reading *reading, int line, const char *format, ...) {
    if (!reading->failed) {
        char text[400];
        va_list arguments;
        va_start(arguments, format);
        vsnprintf(text, sizeof text, format, arguments);
        va_end(arguments);
        jl_complain(reading->complaint, "%s:%d: %s", reading->path, line ? line : reading->line,
                    text);
        reading->failed_line = line;
    }
    reading->failed = true;
    return false;
}

bool jl_host_card_choice(struct reading *reading, const char *key, const char *value,
                         const struct choice *choices, int *out) {
    char list[200];
    return jl_host_choose(value, choices, out) ||
           FAIL(reading, "%s = %s: expected one of %s", key, value,
                jl_host_list_choices(choices, list, sizeof list));
}

int jl_host_card_line(const struct reading *reading, const char *section, const char *name) {
    for (size_t i = 0; i < reading->key_count; i++) {
        if (strcmp(reading->keys[i].section, section) == 0 &&
            strcmp(reading->keys[i].name, name) == 0) {
            return reading->lines[i];
        }
    }
    return 0;
}
