/* Runs and literals. */
#include "../core/flash.h"
#include "../core/packing.h"

enum { RUN = 128, RUN_BIAS = 126 };

static uint32_t units_of(const uint8_t *control) {
    uint8_t value = jl_flash_byte(control);
    return value >= RUN ? value - (uint32_t)RUN_BIAS : value + 1u;
}

static const uint8_t *behind(const uint8_t *control, uint8_t unit_bytes) {
    uint8_t value = jl_flash_byte(control);
    uint32_t stored = value >= RUN ? 1 : value + 1u;
    return control + 1 + stored * unit_bytes;
}

/* Goes on, or begins again, to the control byte that a unit belongs to. */
static void seek(const struct jl_image *image, const struct jl_lines *lines,
                 struct jl_unpacking *state, uint32_t line, uint32_t unit) {
    if (!state->at || state->line > line) {
        *state = (struct jl_unpacking){.at = image->pixels, .line_at = image->pixels};
    } else if (state->line == line && state->unit > unit) {
        state->at = state->line_at;
        state->unit = 0;
    }
    while (state->line < line || state->unit + units_of(state->at) <= unit) {
        state->unit += units_of(state->at);
        state->at = behind(state->at, lines->unit_bytes);
        if (state->unit >= lines->units) {
            state->unit = 0;
            state->line++;
            state->line_at = state->at;
        }
    }
}

static void read(const struct jl_image *image, const struct jl_lines *lines,
                 struct jl_unpacking *state, uint32_t line, uint32_t first, uint32_t count,
                 uint8_t *out) {
    uint8_t bytes = lines->unit_bytes;
    while (count) {
        seek(image, lines, state, line, first);
        uint32_t inside = first - state->unit;
        uint32_t part = units_of(state->at) - inside;
        const uint8_t *unit = state->at + 1;
        part = part < count ? part : count;
        first += part;
        count -= part;
        if (jl_flash_byte(state->at) < RUN) {
            jl_flash_read(out, unit + inside * bytes, (size_t)part * bytes);
            out += part * bytes;
            continue;
        }
        for (; part; part--, out += bytes) {
            for (uint8_t i = 0; i < bytes; i++) {
                out[i] = jl_flash_byte(unit + i);
            }
        }
    }
}

static bool check(const uint8_t *at, size_t bytes, const struct jl_lines *lines) {
    const uint8_t *end = at + bytes;
    for (uint32_t line = 0; line < lines->count; line++) {
        uint32_t unit = 0;
        while (unit < lines->units) {
            if (at >= end || (size_t)(behind(at, lines->unit_bytes) - at) > (size_t)(end - at)) {
                return false;
            }
            unit += units_of(at);
            at = behind(at, lines->unit_bytes);
        }
        if (unit > lines->units) {
            return false;
        }
    }
    return true;
}

const struct jl_packing jl_packing_runs = {.read = read, .check = check};
