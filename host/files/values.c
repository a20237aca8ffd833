/* Readers of values; they touch no card and print nothing. */
#include "values.h"

#include <ctype.h>
#include <errno.h>
#include <math.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

bool jl_host_choose(const char *text, const struct choice *choices, int *out) {
    for (; choices->name; choices++) {
        if (strcmp(text, choices->name) == 0) {
            *out = choices->value;
            return true;
        }
    }
    return false;
}

const char *jl_host_list_choices(const struct choice *choices, char *out, size_t size) {
    out[0] = '\0';
    for (size_t i = 0; choices[i].name; i++) {
        size_t length = strlen(out);
        const char *between = i == 0 ? "" : choices[i + 1].name ? ", " : " or ";
        snprintf(out + length, size - length, "%s%s", between, choices[i].name);
    }
    return out;
}

bool jl_host_parse_number(const char *text, long least, long most, long *out) {
    char *end;
    if (!isdigit((unsigned char)text[0])) {
        return false;
    }
    errno = 0;
    /* Base 10 unless 0x stands there: a leading zero is not octal to a person. */
    bool hex = text[0] == '0' && (text[1] == 'x' || text[1] == 'X');
    *out = strtol(text, &end, hex ? 16 : 10);
    return *end == '\0' && errno == 0 && *out >= least && *out <= most;
}

bool jl_host_parse_quantity(const char *text, const struct unit *units, double least, double most,
                            double *out) {
    char *end;
    if (!isdigit((unsigned char)text[0])) {
        return false;
    }
    double number = strtod(text, &end);
    while (*end == ' ') {
        end++;
    }
    for (; units->name; units++) {
        if (strcmp(end, units->name) == 0) {
            *out = number * units->factor;
            return isfinite(*out) && *out >= least && *out <= most;
        }
    }
    return false;
}

bool jl_host_parse_size(const char *text, int *width, int *height) {
    int used = 0;
    if (sscanf(text, "%9d x %9d%n", width, height, &used) != 2 || *width < 1 || *width > 4096 ||
        *height < 1 || *height > 4096) {
        return false;
    }
    text += used;
    return *text == '\0' || strcmp(text, " pixels") == 0 || strcmp(text, " cells") == 0;
}

size_t jl_host_parse_hex_bytes(const char *text, uint8_t *out, size_t most) {
    size_t count = 0;
    while (*text) {
        if (*text == ' ') {
            text++;
            continue;
        }
        if (!isxdigit((unsigned char)text[0]) || !isxdigit((unsigned char)text[1]) ||
            isxdigit((unsigned char)text[2]) || (text[2] && text[2] != ' ') || count == most) {
            return 0;
        }
        char digits[3] = {text[0], text[1], '\0'};
        out[count++] = (uint8_t)strtoul(digits, NULL, 16);
        text += 2;
    }
    return count;
}

void jl_host_plain_name(const char *name, char *out, size_t size) {
    size_t length = 0;
    for (; *name && length + 1 < size; name++) {
        if (isalnum((unsigned char)*name)) {
            out[length++] = (char)tolower((unsigned char)*name);
        }
    }
    out[length] = '\0';
}
