#include "raw.h"

#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "harness.h"

struct raw raw_open(const struct jl_emulated_part *ops, struct jl_glass glass, uint32_t hz) {
    struct raw raw = {.board = jl_board_create(3)};
    raw.bus = jl_board_add_spi(raw.board, hz, 0, 0);
    raw.device = jl_board_add_device(raw.board, ops, "panel", &glass);
    EXPECT(raw.device && jl_stream_attach(raw.bus, raw.device));
    return raw;
}

enum { MOST_BYTES = 320000 };

void raw_send(struct raw *raw, bool data, const uint8_t *bytes, size_t count) {
    static uint8_t turned[MOST_BYTES];
    bool level = raw->wiring & RAW_DC_LOW    ? false
                 : raw->wiring & RAW_DC_HIGH ? true
                                             : data != !!(raw->wiring & RAW_DC_INVERTED);
    jl_device_set_pin(raw->device, JL_DEVICE_DC, level);
    jl_device_set_pin(raw->device, JL_DEVICE_CS, raw->select_high || raw->wiring & RAW_CS_HIGH);
    for (size_t i = 0; i < count && raw->wiring & RAW_LOW_BIT_FIRST; i++) {
        turned[i] = 0;
        for (int bit = 0; bit < 8; bit++) {
            turned[i] = (uint8_t)(turned[i] | (bytes[i] >> bit & 1) << (7 - bit));
        }
    }
    bytes = raw->wiring & RAW_LOW_BIT_FIRST ? turned : bytes;
    if (raw->nine) {
        jl_stream_write_nine(raw->bus, bytes, count, data);
    } else if (raw->words) {
        for (size_t i = 0; i < count; i++) {
            const uint16_t word = bytes[i];
            jl_stream_write(raw->bus, (const uint8_t *)&word, sizeof word);
        }
    } else {
        jl_stream_write(raw->bus, bytes, count);
    }
    jl_device_set_pin(raw->device, JL_DEVICE_CS, !raw->select_high);
}

void raw_play(struct raw *raw, const char *script) {
    static uint8_t same[40000];
    uint8_t bytes[160];
    for (const char *at = script; *at;) {
        int length = (int)strcspn(at, " ");
        if (*at == 'C' || *at == 'D') {
            size_t count = 0;
            unsigned value;
            for (int i = 1; i + 1 < length && sscanf(at + i, "%2x", &value) == 1; i += 2) {
                bytes[count++] = (uint8_t)value;
            }
            raw_send(raw, *at == 'D', bytes, count);
        } else if (*at == '~') {
            jl_board_wait_ps(raw->board, (uint64_t)strtol(at + 1, NULL, 10) * 1000000000);
        } else if (*at == '*' || *at == '+') {
            memset(same, *at == '+' ? 0xFF : 0, sizeof same);
            raw_send(raw, true, same, (size_t)strtol(at + 1, NULL, 10));
        } else {
            jl_device_set_pin(raw->device, JL_DEVICE_RESET, false);
            jl_board_wait_ps(raw->board, *at == 'R' ? 200000000u : 1000000u);
            jl_device_set_pin(raw->device, JL_DEVICE_RESET, !(raw->wiring & RAW_RESET_HELD));
        }
        at += length + (at[length] == ' ');
    }
}

void raw_expect_complaint(struct raw *raw, const char *text) {
    const struct jl_diagnostic *list;
    const char *seen = "";
    int complaints = 0;
    size_t count = jl_board_diagnostics(raw->board, &list);
    for (size_t i = 0; i < count; i++) {
        if (list[i].severity != JL_SEVERITY_NOTE) {
            seen = complaints++ ? seen : list[i].text;
        }
    }
    EXPECT_INT(complaints, text != NULL);
    EXPECT_CONTAINS(seen, text ? text : "");
}

int raw_count_color(struct jl_device *device, uint32_t color, int *x, int *y) {
    struct jl_picture glass;
    int count = 0;
    EXPECT(jl_device_picture(device, &glass));
    for (int p = 0; p < glass.width * glass.height; p++) {
        const uint8_t *at = glass.rgb + 3 * p;
        if (((uint32_t)at[0] << 16 | (uint32_t)at[1] << 8 | at[2]) == color) {
            *x = count ? *x : p % glass.width;
            *y = count ? *y : p / glass.width;
            count++;
        }
    }
    jl_picture_free(&glass);
    return count;
}

const char *raw_said(struct jl_board *board, const char *device) {
    static char text[30000];
    const struct jl_diagnostic *list;
    size_t count = jl_board_diagnostics(board, &list);
    text[0] = '\0';
    for (size_t i = 0; i < count; i++) {
        size_t length = strlen(text);
        if (strcmp(list[i].device, device) == 0 && length + sizeof list[i].text < sizeof text) {
            snprintf(text + length, sizeof text - length, "%s\n", list[i].text);
        }
    }
    return text;
}
