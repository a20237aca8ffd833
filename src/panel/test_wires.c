/*
 * Patterns into the memory and back. All are written before the first is read, so that an area that
 * lands on another one is noticed, too.
 */
#include "../core/lone.h"
#include "area.h"
#include "panel.h"
#include "readback.h"
#include "steps.h"

enum { AREAS = 4, PIXELS = 16, MOST_BYTES = 3 * PIXELS };

/* A wire alone high, alone low, all of them to and fro, and a mixture. */
static uint8_t pattern(uint8_t area, uint8_t i) {
    uint8_t one = (uint8_t)(1u << (i & 7));
    return area == 0   ? one
           : area == 1 ? (uint8_t)~one
           : area == 2 ? (uint8_t)(i & 1 ? 0xFF : 0x00)
                       : (uint8_t)(i * 0x35u + 0x5Au);
}

static struct jl_rect place(const struct jl_panel *panel, uint8_t area) {
    int16_t rows = (int16_t)(1 << jl_format_of(panel)->line_rows_log2);
    return (struct jl_rect){0, (int16_t)(area * rows), PIXELS, rows};
}

static jl_status write(struct jl_panel *panel, uint8_t area, uint8_t bytes) {
    uint8_t pixels[MOST_BYTES];
    struct jl_rect at = place(panel, area);
    for (uint8_t i = 0; i < bytes; i++) {
        pixels[i] = pattern(area, i);
    }
    const struct jl_frame piece = jl_frame_of_pixels(panel, at, pixels, bytes);
    return jl_area_send(panel, &at, &piece);
}

/* The bytes of a pixel of 5-6-5 from the three that are read, six bits at the top of each. */
static void to_565(uint8_t *bytes) {
    for (unsigned i = 0; i < PIXELS; i++) {
        const uint8_t *read = bytes + 3 * i;
        uint8_t upper = (uint8_t)((read[0] & 0xF8) | read[1] >> 5);
        uint8_t lower = (uint8_t)((read[1] << 3 & 0xE0) | read[2] >> 3);
        bytes[2 * i] = upper;
        bytes[2 * i + 1] = lower;
    }
}

/* Which wires stood still while bytes were read. */
static void look_at_wires(struct jl_wire_test *test, const uint8_t *read, uint8_t bytes) {
    for (uint8_t i = 0; i < bytes; i++) {
        test->always_low &= (uint8_t)~read[i];
        test->always_high &= read[i];
    }
}

/* What comes for an area; `bytes` of the panel's format. */
static jl_status read(struct jl_panel *panel, const struct jl_reading *reading, uint8_t area,
                      uint8_t *into, uint8_t bytes, struct jl_wire_test *test) {
    struct jl_rect at = place(panel, area);
    struct jl_stretch stretch = {0};
    uint8_t raw[1 + MOST_BYTES]; /* the dummy byte */
    jl_status status = jl_stretch_next(panel, &at, &stretch);
    if (status != JL_OK) {
        return status;
    }
    uint8_t count = reading->memory_in_six_bits ? MOST_BYTES : bytes;
    status =
        jl_read_bytes(panel, reading->memory_command ? reading->memory_command : READ_NO_COMMAND,
                      true, raw, 1u + count);
    if (status != JL_OK) {
        return status;
    }
    look_at_wires(test, raw + 1, count);
    if (reading->memory_in_six_bits && bytes < MOST_BYTES) {
        to_565(raw + 1);
    }
    for (uint8_t i = 0; i < bytes; i++) {
        into[i] = raw[1 + i];
    }
    return jl_stretch_next(panel, &at, &stretch);
}

static void compare(struct jl_wire_test *test, uint8_t area, const uint8_t *read, uint8_t bytes,
                    uint8_t mask) {
    for (uint8_t i = 0; i < bytes; i++) {
        uint8_t wrong = (uint8_t)((read[i] ^ pattern(area, i)) & mask);
        test->bytes++;
        test->wrong = (uint16_t)(test->wrong + (wrong != 0));
        test->wrong_bits |= wrong;
    }
}

static jl_status run(struct jl_panel *panel, const struct jl_reading *reading,
                     struct jl_wire_test *test) {
    const struct jl_format *format = jl_format_of(panel);
    uint8_t bytes = (uint8_t)jl_line_bytes(format, PIXELS);
    uint8_t mask = format->layout == JL_LAYOUT_RGB666 ? 0xFC : 0xFF; /* bits that are kept */
    uint16_t lines = (uint16_t)panel->height >> format->line_rows_log2;
    uint8_t areas = (uint8_t)(lines < AREAS ? lines : AREAS);
    jl_status status = JL_OK;
    for (uint8_t i = 0; i < areas && status == JL_OK; i++) {
        status = write(panel, i, bytes);
    }
    for (uint8_t i = 0; i < areas && status == JL_OK; i++) {
        uint8_t back[MOST_BYTES];
        status = read(panel, reading, i, back, bytes, test);
        if (status == JL_OK) {
            compare(test, i, back, bytes, mask);
        }
    }
    uint8_t wires = reading->memory_in_six_bits ? 0xFC : 0xFF; /* the others carry nothing */
    test->always_low &= wires;
    test->always_high &= wires;
    bool still = test->always_low == wires || test->always_high == wires;
    return status != JL_OK ? status : !test->wrong ? JL_OK : still ? JL_NO_ANSWER : JL_MISREAD;
}

jl_status jl_panel_test_wires(struct jl_panel *panel, const struct jl_reading *reading,
                              struct jl_wire_test *result) {
    struct jl_wire_test test = {.always_low = 0xFF, .always_high = 0xFF};
    jl_status status = reading ? jl_read_check(panel, reading->memory_buses) : JL_BAD_ARGUMENT;
    if (status == JL_OK) {
        status = jl_panel_ready(panel);
    }
    if (status != JL_OK) {
        return panel ? jl_panel_note(panel, status) : status;
    }
    panel->shown = NULL;
    status = run(panel, reading, &test);
    if (result) {
        *result = test;
    }
    return status == JL_MISREAD || status == JL_NO_ANSWER ? jl_panel_note(panel, status)
                                                          : jl_panel_end_call(panel, status);
}
