/* What a tap costs the core: a transfer of 1024 bytes, and a pin, with a sink that takes all. */
#include "jadelamp/tap.h"
#include "measure.h"

static uint32_t sunk;

static void sink(void *context, const uint8_t *bytes, size_t count) {
    (void)context, (void)bytes;
    sunk += (uint32_t)count;
}

static jl_status take(void *context, const struct jl_transfer *transfer) {
    (void)context, (void)transfer;
    return JL_OK;
}

static void set_pin(void *context, enum jl_pin pin, bool high) {
    (void)context, (void)pin, (void)high;
}

static const struct jl_port_ops ops = {.send = take, .set_pin = set_pin};
static const struct jl_port port = {.ops = &ops};

static void send_picture(void *context) {
    static uint8_t pixels[1024];
    const struct jl_port *to = context;
    const struct jl_transfer t = {.body = pixels, .body_bytes = sizeof pixels};
    (void)to->ops->send(to->context, &t);
}

static void move_pin(void *context) {
    const struct jl_port *to = context;
    to->ops->set_pin(to->context, JL_PIN_RESET, true);
}

void bench(void) {
    static struct jl_tap tap;
    static struct jl_port tapped;
    jl_tap_begin(&tap, &tapped, &port, sink, NULL);
    send_picture(&tapped); /* the emulator's first turn through new code counts more */
    move_pin(&tapped);
    uint32_t picture = measure(send_picture, &tapped), pin = measure(move_pin, &tapped);
    sunk = 0;
    send_picture(&tapped);
    report("1024 bytes: instructions, sent", (int32_t)picture, (int32_t)sunk, -1);
    report("a pin", (int32_t)pin, -1, -1);
}
