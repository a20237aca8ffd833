#include "naive_packer.h"

#include <string.h>

static size_t equal_from(const uint8_t *line, size_t at, size_t units, size_t bytes, size_t most) {
    size_t end = at + 1;
    while (end < units && end - at < most &&
           memcmp(line + at * bytes, line + end * bytes, bytes) == 0) {
        end++;
    }
    return end - at;
}

size_t pack_lines(const uint8_t *lines, size_t units, size_t unit_bytes, size_t count,
                  struct test_random *random, uint8_t *out) {
    uint8_t *start = out;
    for (; count; count--, lines += units * unit_bytes) {
        for (size_t at = 0; at < units;) {
            size_t run = equal_from(lines, at, units, unit_bytes, 129);
            size_t literal = units - at < 128 ? units - at : 128;
            if (random) { /* shorter than possible, now and then */
                run = (size_t)test_random_between(random, 1, (int)run);
                literal = (size_t)test_random_between(random, 1, (int)literal);
            } else {
                literal = 1;
            }
            if (run >= 2) {
                *out++ = (uint8_t)(run + 126);
                memcpy(out, lines + at * unit_bytes, unit_bytes);
                out += unit_bytes;
                at += run;
            } else {
                *out++ = (uint8_t)(literal - 1);
                memcpy(out, lines + at * unit_bytes, literal * unit_bytes);
                out += literal * unit_bytes;
                at += literal;
            }
        }
    }
    return (size_t)(out - start);
}
