/* Runs where they save something, literals between them. */
#include "packer.h"

#include <stdbool.h>
#include <string.h>

enum { MOST_LITERALS = 128, LEAST_RUN = 2, MOST_RUN = 129, RUN_BIAS = 126 };

struct packing {
    uint8_t *out; /* NULL: counting */
    size_t bytes;
};

static void put(struct packing *packing, const uint8_t *bytes, size_t count) {
    if (packing->out) {
        memcpy(packing->out + packing->bytes, bytes, count);
    }
    packing->bytes += count;
}

static size_t run_at(const uint8_t *line, size_t at, size_t units, size_t size) {
    size_t end = at + 1;
    while (end < units && end - at < MOST_RUN &&
           memcmp(line + at * size, line + end * size, size) == 0) {
        end++;
    }
    return end - at;
}

static void pack_line(struct packing *packing, const uint8_t *line, size_t units, size_t size) {
    /* Two equal bytes between literals cost as much either way. */
    size_t worth = size == 1 ? LEAST_RUN + 1 : LEAST_RUN;
    for (size_t at = 0; at < units;) {
        size_t run = run_at(line, at, units, size);
        if (run >= worth) {
            uint8_t control = (uint8_t)(run + RUN_BIAS);
            put(packing, &control, 1);
            put(packing, line + at * size, size);
            at += run;
            continue;
        }
        size_t end = at + run;
        while (end < units && end - at < MOST_LITERALS && run_at(line, end, units, size) < worth) {
            end++;
        }
        end = end - at > MOST_LITERALS ? at + MOST_LITERALS : end;
        uint8_t control = (uint8_t)(end - at - 1);
        put(packing, &control, 1);
        put(packing, line + at * size, (end - at) * size);
        at = end;
    }
}

size_t jl_host_pack_image(const struct jl_image *image, uint8_t *out) {
    const struct jl_format *format = image->format;
    struct packing packing = {out, 0};
    size_t bits = format->bits_per_pixel, width = (size_t)image->width;
    bool columns = format->line_rows_log2 != 0;
    size_t size = bits < 8 ? 1 : bits / 8;
    size_t units = columns || bits >= 8 ? width : (width * bits + 7) / 8;
    size_t rows = (size_t)1 << format->line_rows_log2;
    size_t lines = ((size_t)image->height + rows - 1) / rows * format->planes;
    for (size_t line = 0; line < lines; line++) {
        pack_line(&packing, image->pixels + line * units * size, units, size);
    }
    return packing.bytes;
}
