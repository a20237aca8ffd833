/*
 * The bytes of a tap (docs/tap.md): records framed as in RFC 1055, with a check word. What is lost
 * or damaged is counted and told; the next record that is whole goes on.
 */
#include <string.h>

#include "capture_reader.h"

enum { END = 0xC0, ESCAPE = 0xDB, ESCAPED_END = 0xDC, ESCAPED_ESCAPE = 0xDD };
enum { HEAD = 6, CHECK = 2, FILL_AT_ONCE = 240 };

static uint16_t check_of(const uint8_t *bytes, size_t count) {
    uint16_t check = 0xFFFF;
    for (; count; count--) {
        check = (uint16_t)(check ^ *bytes++ << 8);
        for (int bit = 0; bit < 8; bit++) {
            check = (uint16_t)(check & 0x8000 ? check << 1 ^ 0x1021 : check << 1);
        }
    }
    return check;
}

/* A frame without its ends and escapes. 0: the end of the source; -1: damaged. */
static int read_frame(struct jl_capture *capture, uint8_t *bytes, size_t room) {
    size_t count = 0;
    bool good = true;
    for (int c = source_get(&capture->source); c != SOURCE_END; c = source_get(&capture->source)) {
        if (c == END && !count && good) {
            continue; /* the end of one and the begin of the next */
        }
        if (c == END) {
            good = good && count >= HEAD + CHECK &&
                   check_of(bytes, count - CHECK) == (bytes[count - 2] | bytes[count - 1] << 8);
            return good ? (int)(count - CHECK) : -1;
        }
        if (c == ESCAPE) {
            int next = source_get(&capture->source);
            c = next == ESCAPED_END ? END : next == ESCAPED_ESCAPE ? ESCAPE : -1;
            good = good && c >= 0;
        }
        good = good && count < room;
        if (good) {
            bytes[count++] = (uint8_t)c;
        }
    }
    return 0; /* what was under way is no record yet */
}

/* ---- records to items ---- */

static void queue_byte(struct jl_capture *capture, uint8_t value, int data) {
    struct jl_capture_item *item = capture_queue(capture);
    item->kind = JL_ITEM_BYTE;
    item->value = value;
    item->data = (int8_t)data;
}

static void queue_kind(struct jl_capture *capture, enum jl_item_kind kind, uint32_t value) {
    struct jl_capture_item *item = capture_queue(capture);
    item->kind = kind;
    item->value = (uint8_t)value;
    item->high = value != 0;
    item->count = value;
}

static void queue_fill(struct jl_capture *capture) {
    struct tap *tap = &capture->tap;
    for (int i = 0; i < FILL_AT_ONCE && tap->fill_left; i++, tap->fill_left--) {
        queue_byte(capture, tap->fill[tap->fill_at], 1);
        tap->fill_at = (tap->fill_at + 1) % tap->fill_bytes;
    }
}

static void take_time(struct jl_capture *capture, const uint8_t *at) {
    struct tap *tap = &capture->tap;
    uint32_t now = at[0] | (uint32_t)at[1] << 8 | (uint32_t)at[2] << 16 | (uint32_t)at[3] << 24;
    tap->us += tap->timed ? (uint32_t)(now - tap->last_us) : 0; /* it wraps */
    tap->last_us = now;
    tap->timed = true;
    capture->now_ps = tap->us * 1000000;
}

static void take_body(struct jl_capture *capture, uint8_t kind, const uint8_t *bytes,
                      size_t count) {
    struct tap *tap = &capture->tap;
    if (kind == 'I') {
        queue_kind(capture, JL_ITEM_START, 0);
        tap->open = count > 0;
    }
    switch (kind) {
    case 'I':
    case 'i':
        for (size_t i = 0; i < count && tap->open; i++) {
            queue_byte(capture, (uint8_t)(kind == 'I' && i == 0 ? bytes[0] << 1 : bytes[i]), -1);
        }
        break;
    case 'C':
    case 'D':
        for (size_t i = 0; i < count; i++) {
            queue_byte(capture, bytes[i], kind == 'D');
        }
        break;
    case 'F':
        if (count > 4 && count <= 4 + sizeof tap->fill) {
            uint64_t times = bytes[0] | (uint32_t)bytes[1] << 8 | (uint32_t)bytes[2] << 16 |
                             (uint32_t)bytes[3] << 24;
            tap->fill_bytes = (unsigned)count - 4;
            tap->fill_left = times * tap->fill_bytes;
            tap->fill_at = 0;
            memcpy(tap->fill, bytes + 4, count - 4);
        }
        break;
    case 'P':
        if (count) {
            queue_kind(capture, JL_ITEM_RESET, bytes[0]);
        }
        break;
    default: /* B, E and R: nothing that the panel takes */
        break;
    }
}

static void take_record(struct jl_capture *capture, const uint8_t *bytes, size_t count) {
    struct tap *tap = &capture->tap;
    uint8_t kind = bytes[0], number = bytes[1];
    uint32_t missing = tap->numbered && kind != 'B' ? (uint8_t)(number - tap->number) : 0;
    missing = missing > tap->damaged ? missing : tap->damaged;
    take_time(capture, bytes + 2);
    if (tap->open && (kind != 'i' || missing)) {
        queue_kind(capture, JL_ITEM_STOP, 0);
        tap->open = false;
    }
    if (missing) {
        queue_kind(capture, JL_ITEM_LOST, missing);
    }
    tap->damaged = 0;
    tap->numbered = true;
    tap->number = (uint8_t)(number + 1);
    take_body(capture, kind, bytes + HEAD, count - HEAD);
}

bool jl_host_tap_begin(struct jl_capture *capture, struct jl_complaint *complaint) {
    capture->has_bytes = true;
    return jl_host_tap_more(capture, complaint) || complaint->text[0] == '\0';
}

bool jl_host_tap_more(struct jl_capture *capture, struct jl_complaint *complaint) {
    struct tap *tap = &capture->tap;
    uint8_t bytes[512];
    (void)complaint;
    while (!capture->queued) {
        if (tap->fill_left) {
            queue_fill(capture);
            return true;
        }
        int count = read_frame(capture, bytes, sizeof bytes);
        if (count == 0) {
            return false;
        }
        if (count < 0) {
            tap->damaged++;
        } else {
            take_record(capture, bytes, (size_t)count);
        }
    }
    return true;
}
