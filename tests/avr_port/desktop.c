/* The same example on the desktop, with a port that writes what on_simavr.c writes. */
#include "example.h"

#include <stdio.h>

static bool dc;

static jl_status send_spi(void *context, const struct jl_transfer *t) {
    (void)context;
    for (size_t i = 0; i < t->body_bytes; i++) {
        printf("%c %02X\n", dc ? 'D' : 'C', t->body[i]);
    }
    return JL_OK;
}

static jl_status send_i2c(void *context, const struct jl_transfer *t) {
    (void)context;
    printf("%02X:", t->i2c_address);
    for (size_t i = 0; i < t->head_bytes; i++) {
        printf(" %02X", t->head[i]);
    }
    for (size_t i = 0; i < t->body_bytes; i++) {
        printf(" %02X", t->body[i]);
    }
    printf("\n");
    return JL_OK;
}

static void wait_us(void *context, uint32_t microseconds) {
    (void)context, (void)microseconds;
}

static void set_pin(void *context, enum jl_pin pin, bool high) {
    (void)context;
    dc = pin == JL_PIN_DC ? high : dc;
}

int main(int argc, char **argv) {
    (void)argv;
    const struct jl_port_ops ops = {
        .send = argc > 1 ? send_spi : send_i2c, .wait_us = wait_us, .set_pin = set_pin};
    const struct jl_port port = {.ops = &ops};
    return example_run(&port) == JL_OK ? 0 : 1;
}
