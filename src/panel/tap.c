/*
 * Records of docs/tap.md: kind, number, time, what it is about, a check word; framed as in RFC
 * 1055, so that a reader who lost bytes finds the next record.
 */
#include "jadelamp/tap.h"

enum { END = 0xC0, ESCAPE = 0xDB, ESCAPED_END = 0xDC, ESCAPED_ESCAPE = 0xDD };
enum { MOST_BYTES = 240, CHUNK = 32 };

/* A record on its way. */
struct record {
    const struct jl_tap *tap;
    uint16_t check; /* CRC-16, polynomial 1021h, from FFFFh on */
    uint8_t count;
    uint8_t chunk[CHUNK];
};

static void flush(struct record *record) {
    record->tap->sink(record->tap->context, record->chunk, record->count);
    record->count = 0;
}

static void put_framed(struct record *record, uint8_t byte) {
    if (record->count > CHUNK - 2) {
        flush(record);
    }
    if (byte == END || byte == ESCAPE) {
        record->chunk[record->count++] = ESCAPE;
        byte = byte == END ? ESCAPED_END : ESCAPED_ESCAPE;
    }
    record->chunk[record->count++] = byte;
}

/* Four bits at a time: a table of 32 bytes, and no loop over bits. */
static uint16_t check_of(uint16_t check, uint8_t byte) {
    static const uint16_t table[16] = {0x0000, 0x1021, 0x2042, 0x3063, 0x4084, 0x50A5,
                                       0x60C6, 0x70E7, 0x8108, 0x9129, 0xA14A, 0xB16B,
                                       0xC18C, 0xD1AD, 0xE1CE, 0xF1EF};
    check = (uint16_t)(check << 4 ^ table[(check >> 12 ^ byte >> 4) & 15]);
    return (uint16_t)(check << 4 ^ table[(check >> 12 ^ byte) & 15]);
}

static void put(struct record *record, uint8_t byte) {
    record->check = check_of(record->check, byte);
    put_framed(record, byte);
}

static void put_all(struct record *record, const uint8_t *bytes, size_t count) {
    for (; count; count--) {
        put(record, *bytes++);
    }
}

static void begin(struct record *record, struct jl_tap *tap, uint8_t kind) {
    const struct jl_port_ops *ops = tap->port->ops;
    uint32_t now = ops->now_us ? ops->now_us(tap->port->context) : tap->waited_us;
    *record = (struct record){.tap = tap, .check = 0xFFFF, .count = 1, .chunk = {END}};
    put(record, kind);
    put(record, tap->number++);
    for (uint8_t shift = 0; shift < 32; shift = (uint8_t)(shift + 8)) {
        put(record, (uint8_t)(now >> shift));
    }
}

static void end(struct record *record) {
    uint16_t check = record->check;
    put_framed(record, (uint8_t)check);
    put_framed(record, (uint8_t)(check >> 8));
    if (record->count == CHUNK) {
        flush(record);
    }
    record->chunk[record->count++] = END;
    flush(record);
}

/* Commands or data; on I2C the address and the head stand in front, in the first of several. */
static void tell(struct jl_tap *tap, const struct jl_transfer *t, uint8_t kind) {
    struct record record;
    const uint8_t *body = t->body;
    size_t left = t->body_bytes;
    bool first = true;
    do {
        size_t count = left < MOST_BYTES ? left : MOST_BYTES;
        begin(&record, tap, kind == 'I' && !first ? 'i' : kind);
        if (kind == 'I' && first) {
            put(&record, t->i2c_address);
        }
        put_all(&record, t->head, first ? t->head_bytes : 0);
        put_all(&record, body, count);
        end(&record);
        body += count;
        left -= count;
        first = false;
    } while (left);
}

/* Nothing but I2C gives an address. */
static uint8_t kind_of(const struct jl_tap *tap, const struct jl_transfer *t) {
    return t->i2c_address ? 'I' : tap->data ? 'D' : 'C';
}

/* A call that failed is told, too: a record of its own behind what was tried. */
static jl_status tell_status(struct jl_tap *tap, jl_status status) {
    struct record record;
    if (status != JL_OK) {
        begin(&record, tap, 'E');
        put(&record, (uint8_t)status);
        end(&record);
    }
    return status;
}

static jl_status send(void *context, const struct jl_transfer *transfer) {
    struct jl_tap *tap = context;
    tell(tap, transfer, kind_of(tap, transfer));
    return tell_status(tap, tap->port->ops->send(tap->port->context, transfer));
}

static jl_status send_nine(void *context, const struct jl_transfer *transfer, bool data) {
    struct jl_tap *tap = context;
    tell(tap, transfer, data ? 'D' : 'C');
    return tell_status(tap, tap->port->ops->send_nine(tap->port->context, transfer, data));
}

static jl_status repeat(void *context, const struct jl_transfer *transfer, uint32_t times) {
    struct jl_tap *tap = context;
    struct record record;
    begin(&record, tap, 'F');
    for (uint8_t shift = 0; shift < 32; shift = (uint8_t)(shift + 8)) {
        put(&record, (uint8_t)(times >> shift));
    }
    put_all(&record, transfer->body, transfer->body_bytes);
    end(&record);
    return tell_status(tap, tap->port->ops->repeat(tap->port->context, transfer, times));
}

static jl_status receive(void *context, const struct jl_transfer *transfer, uint8_t *bytes,
                         size_t count) {
    struct jl_tap *tap = context;
    struct record record;
    tell(tap, transfer, kind_of(tap, transfer));
    jl_status status = tap->port->ops->receive(tap->port->context, transfer, bytes, count);
    begin(&record, tap, 'R');
    put_all(&record, bytes, status != JL_OK ? 0 : count < MOST_BYTES ? count : MOST_BYTES);
    end(&record);
    return tell_status(tap, status);
}

static void wait_us(void *context, uint32_t microseconds) {
    struct jl_tap *tap = context;
    tap->waited_us += microseconds;
    tap->port->ops->wait_us(tap->port->context, microseconds);
}

static void set_pin(void *context, enum jl_pin pin, bool high) {
    struct jl_tap *tap = context;
    struct record record;
    tap->data = pin == JL_PIN_DC ? high : tap->data;
    if (pin == JL_PIN_RESET) {
        begin(&record, tap, 'P');
        put(&record, high);
        end(&record);
    }
    tap->port->ops->set_pin(tap->port->context, pin, high);
}

static bool get_pin(void *context, enum jl_pin pin) {
    const struct jl_tap *tap = context;
    return tap->port->ops->get_pin(tap->port->context, pin);
}

static uint32_t now_us(void *context) {
    const struct jl_tap *tap = context;
    return tap->port->ops->now_us(tap->port->context);
}

static void set_duty(void *context, enum jl_pin pin, uint16_t duty) {
    const struct jl_tap *tap = context;
    tap->port->ops->set_duty(tap->port->context, pin, duty);
}

void jl_tap_begin(struct jl_tap *tap, struct jl_port *tapped, const struct jl_port *port,
                  jl_tap_sink sink, void *context) {
    const struct jl_port_ops *ops = port->ops;
    struct record record;
    *tap = (struct jl_tap){.port = port, .sink = sink, .context = context};
    tap->ops = (struct jl_port_ops){.send = send, .wait_us = wait_us};
    tap->ops.set_pin = ops->set_pin ? set_pin : NULL;
    tap->ops.get_pin = ops->get_pin ? get_pin : NULL;
    tap->ops.repeat = ops->repeat ? repeat : NULL;
    tap->ops.send_nine = ops->send_nine ? send_nine : NULL;
    tap->ops.receive = ops->receive ? receive : NULL;
    tap->ops.set_duty = ops->set_duty ? set_duty : NULL;
    tap->ops.now_us = ops->now_us ? now_us : NULL;
    *tapped = *port;
    tapped->ops = &tap->ops;
    tapped->context = tap;
    begin(&record, tap, 'B');
    end(&record);
}
