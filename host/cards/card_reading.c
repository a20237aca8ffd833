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

const struct choice jl_host_card_turns[] = {
    {"upright", JL_TURN_0},
    {"quarter-turn", JL_TURN_90},
    {"half-turn", JL_TURN_180},
    {"three-quarter-turn", JL_TURN_270},
    {"mirrored-x", JL_TURN_MIRROR},
    {"mirrored-y", JL_TURN_180 | JL_TURN_MIRROR},
    {"mirrored-quarter-turn", JL_TURN_90 | JL_TURN_MIRROR},
    {"mirrored-three-quarter-turn", JL_TURN_270 | JL_TURN_MIRROR},
    {NULL, 0}};

bool jl_host_card_address(struct reading *reading, const char *key, const char *value,
                          uint8_t *out) {
    long number;
    if (!jl_host_parse_number(value, 0, 255, &number)) {
        return FAIL(reading, "%s = %s: expected a 7-bit I2C address, such as 0x3C", key, value);
    }
    if (number > 0x77) {
        return FAIL(reading,
                    "%s = %s: that is the 8-bit form, with the read/write bit; write the 7-bit "
                    "address: %s = 0x%02lX",
                    key, value, key, (unsigned long)number >> 1);
    }
    if (number < 0x08) {
        return FAIL(reading, "%s = %s: addresses below 0x08 are reserved by the I2C specification",
                    key, value);
    }
    *out = (uint8_t)number;
    return true;
}

bool jl_host_card_hertz(struct reading *reading, const char *key, const char *value,
                        uint32_t *out) {
    static const struct unit units[] = {{"Hz", 1}, {"kHz", 1e3}, {"MHz", 1e6}, {NULL, 0}};
    double hertz;
    if (!jl_host_parse_quantity(value, units, 1000, 2e8, &hertz)) {
        return FAIL(reading,
                    "%s = %s: expected a frequency from 1 kHz to 200 MHz with its unit (Hz, kHz or "
                    "MHz), such as 400 kHz",
                    key, value);
    }
    *out = (uint32_t)(hertz + 0.5);
    return true;
}

/* The reader of inih, like fgets(): counts lines, which inih's handler does not get. */
char *jl_host_card_next_line(char *text, int size, void *context) {
    struct reading *reading = context;
    int length = 0, c = 0;
    if (reading->failed || reading->bytes_left <= 0) {
        return NULL;
    }
    reading->line++;
    while (length + 1 < size && c != '\n' && (c = getc(reading->stream)) != EOF) {
        if (c == '\0') {
            FAIL(reading, "there is a zero byte in this line: expected a text file");
            return NULL;
        }
        text[length++] = (char)c;
    }
    text[length] = '\0';
    reading->bytes_left -= length;
    if (length + 1 == size && c != '\n') {
        FAIL(reading, "the line is longer than %d characters", size - 2);
        return NULL;
    }
    if (length == 0) { /* the end of the file is no line */
        reading->line--;
        return NULL;
    }
    return text;
}

const struct unit jl_host_card_time_units[] = {
    {"ns", 1}, {"us", 1e3}, {"ms", 1e6}, {"s", 1e9}, {NULL, 0}};
