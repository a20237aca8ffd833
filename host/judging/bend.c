/* One mistake on the way. */
#include "bend.h"

#include <string.h>

static void put(struct bend *bend, uint8_t byte) {
    if (bend->out_count < sizeof bend->out) {
        bend->out[bend->out_count++] = byte;
    }
}

/* A command with the arguments that came with it, in one transfer. */
static void take_command(void *context, const struct jl_explained *explained) {
    struct bend *bend = context;
    bool mine = !explained->is_data && explained->opcode == bend->opcode;
    if (explained->is_data || (mine && bend->kind == BEND_DROP)) {
        return;
    }
    put(bend, mine && bend->kind == BEND_OPCODE ? bend->value : explained->opcode);
    for (size_t i = 0; i < explained->count && i < JL_EXPLAIN_ARGUMENTS; i++) {
        bool bent = mine && bend->kind == BEND_ARGUMENT && i == 0;
        put(bend, bent ? bend->value : explained->arguments[i]);
    }
}

static jl_status pass_on(struct bend *bend, const struct jl_transfer *t) {
    return bend->nine ? bend->inner.ops->send_nine(bend->inner.context, t, bend->data)
                      : bend->inner.ops->send(bend->inner.context, t);
}

static jl_status send_out(struct bend *bend, const struct jl_transfer *t, const uint8_t *bytes,
                          size_t count) {
    const struct jl_transfer changed = {
        .body = bytes, .body_bytes = count, .i2c_address = t->i2c_address};
    return count ? pass_on(bend, &changed) : JL_OK;
}

/* ---- what wires do to every byte ---- */

static bool is_of_wires(enum bend_kind kind) {
    return kind == BEND_LATE || kind == BEND_REVERSE || kind == BEND_PAIR || kind == BEND_CROSSED;
}

static uint8_t reversed(uint8_t byte) {
    unsigned turned = 0;
    for (int bit = 0; bit < 8; bit++) {
        turned = turned << 1 | (byte >> bit & 1u);
    }
    return (uint8_t)turned;
}

/* On lines that are exchanged. */
static uint8_t over_lines(enum bend_kind kind, uint8_t byte) {
    return kind == BEND_REVERSE ? reversed(byte)
           : kind == BEND_PAIR  ? (uint8_t)((byte & 0xFC) | (byte >> 1 & 1) | (byte & 1) << 1)
                                : byte;
}

/* The part samples as the data change, and gets the level from before. */
static uint8_t late(struct bend *bend, uint8_t byte) {
    uint8_t taken = (uint8_t)(byte >> 1 | (bend->last_bit ? 0x80 : 0));
    bend->last_bit = byte & 1;
    return taken;
}

/*
 * What was data is its clock, and rises where a 1 follows a 0; what was the clock is low then, as
 * data change while it is: so each of these edges is a bit of 0.
 */
static void crossed(struct bend *bend, uint8_t byte) {
    for (int bit = 7; bit >= 0; bit--) {
        bool high = byte >> bit & 1;
        bend->edges += high && !bend->last_bit;
        bend->last_bit = high;
    }
    if (bend->edges >= 8) {
        bend->edges -= 8;
        put(bend, 0x00);
    }
}

static jl_status send_by_wires(struct bend *bend, const struct jl_transfer *t) {
    bend->out_count = 0;
    for (size_t i = 0; i < t->body_bytes; i++) {
        uint8_t byte = t->body[i];
        if (bend->kind == BEND_CROSSED) {
            crossed(bend, byte);
        } else {
            put(bend, bend->kind == BEND_LATE ? late(bend, byte) : over_lines(bend->kind, byte));
        }
    }
    return send_out(bend, t, bend->out, bend->out_count);
}

/* Commands whose arguments come like themselves, one behind the other. */
static void split(struct bend *bend, const uint8_t *bytes, size_t count) {
    for (size_t i = 0; i < count; i++) {
        jl_explain_byte(&bend->explainer, 0, 0, bytes[i], false);
    }
    jl_explain_end(&bend->explainer);
}

static jl_status send_i2c(struct bend *bend, const struct jl_transfer *t) {
    uint8_t whole[300];
    size_t all = t->head_bytes + t->body_bytes;
    bool commands = t->head_bytes && t->head[0] == 0x00;
    if (!commands || all > sizeof whole || bend->kind == BEND_NOTHING) {
        return bend->inner.ops->send(bend->inner.context, t);
    }
    memcpy(whole, t->head, t->head_bytes);
    if (t->body_bytes) {
        memcpy(whole + t->head_bytes, t->body, t->body_bytes);
    }
    bend->out_count = 0;
    put(bend, 0x00);
    split(bend, whole + 1, all - 1);
    return bend->out_count > 1 ? send_out(bend, t, bend->out, bend->out_count) : JL_OK;
}

/* Arguments and pixels with D/C high. */
static jl_status send_data(struct bend *bend, const struct jl_transfer *t) {
    if (bend->dropping) {
        return JL_OK;
    }
    bool argument =
        bend->kind == BEND_ARGUMENT && bend->under_way == bend->opcode && bend->argument == 0;
    bool swap = bend->kind == BEND_SWAP && t->body_bytes > 16 && t->body_bytes <= sizeof bend->out;
    bend->argument += (int)t->body_bytes;
    if (!t->body_bytes || (!argument && !swap) || t->body_bytes > sizeof bend->out) {
        return pass_on(bend, t);
    }
    memcpy(bend->out, t->body, t->body_bytes);
    if (argument) {
        bend->out[0] = bend->value;
    }
    for (size_t i = 0; swap && i + 1 < t->body_bytes; i += 2) {
        bend->out[i] = t->body[i + 1];
        bend->out[i + 1] = t->body[i];
    }
    return send_out(bend, t, bend->out, t->body_bytes);
}

static jl_status send_command(struct bend *bend, const struct jl_transfer *t) {
    size_t as_data = (size_t)jl_explain_opcode_bytes(bend->rig->card.controller->emulator);
    size_t at = as_data > 1 ? as_data - 1 : 0; /* of the opcode */
    bend->out_count = 0;
    bend->argument = 0;
    bend->under_way = t->body_bytes > at ? t->body[at] : 0;
    bend->dropping = as_data && bend->kind == BEND_DROP && bend->under_way == bend->opcode;
    if (bend->dropping) {
        return JL_OK;
    }
    if (as_data) {
        for (size_t i = 0; i < t->body_bytes; i++) {
            bool mine = i == at && bend->kind == BEND_OPCODE && t->body[at] == bend->opcode;
            put(bend, mine ? bend->value : t->body[i]);
        }
    } else {
        split(bend, t->body, t->body_bytes);
    }
    return send_out(bend, t, bend->out, bend->out_count);
}

static jl_status send(void *context, const struct jl_transfer *t) {
    struct bend *bend = context;
    if (bend->rig->card.bus == JL_BUS_I2C) {
        return send_i2c(bend, t);
    }
    if (bend->kind == BEND_DC || bend->kind == BEND_PINS || bend->kind == BEND_CHIPS ||
        bend->kind == BEND_NOTHING) {
        return pass_on(bend, t);
    }
    if (is_of_wires(bend->kind)) {
        return send_by_wires(bend, t);
    }
    return bend->data ? send_data(bend, t) : send_command(bend, t);
}

static jl_status send_nine(void *context, const struct jl_transfer *t, bool data) {
    struct bend *bend = context;
    bend->data = data;
    bend->nine = true;
    return send(context, t);
}

static void set_pin(void *context, enum jl_pin pin, bool high) {
    struct bend *bend = context;
    if (pin == JL_PIN_CS && !high) {
        bend->last_bit = false;
        bend->edges = 0;
    }
    if (bend->kind == BEND_CHIPS && (pin == JL_PIN_CHIP1 || pin == JL_PIN_CHIP2)) {
        pin = pin == JL_PIN_CHIP1 ? JL_PIN_CHIP2 : JL_PIN_CHIP1;
    }
    if (bend->kind == BEND_PINS && (pin == JL_PIN_DC || pin == JL_PIN_CS)) {
        pin = pin == JL_PIN_DC ? JL_PIN_CS : JL_PIN_DC;
    } else if (pin == JL_PIN_DC) {
        bend->data = high;
        high = bend->kind == BEND_DC ? !high : high;
    }
    bend->inner.ops->set_pin(bend->inner.context, pin, high);
}

/* Wires do to what comes what they do to what goes. */
static jl_status receive(void *context, const struct jl_transfer *t, uint8_t *bytes, size_t count) {
    struct bend *bend = context;
    jl_status status = bend->inner.ops->receive(bend->inner.context, t, bytes, count);
    for (size_t i = 0; i < count && jl_card_is_parallel(&bend->rig->card); i++) {
        bytes[i] = over_lines(bend->kind, bytes[i]);
    }
    return status;
}

static bool get_pin(void *context, enum jl_pin pin) {
    struct bend *bend = context;
    return bend->inner.ops->get_pin(bend->inner.context, pin);
}

static void wait_us(void *context, uint32_t microseconds) {
    struct bend *bend = context;
    bend->inner.ops->wait_us(bend->inner.context, microseconds);
}

static uint32_t now_us(void *context) {
    struct bend *bend = context;
    return bend->inner.ops->now_us(bend->inner.context);
}

static void set_duty(void *context, enum jl_pin pin, uint16_t duty) {
    struct bend *bend = context;
    bend->inner.ops->set_duty(bend->inner.context, pin, duty);
}

void jl_host_bend_stand(struct bend *bend, struct jl_rig *rig) {
    bend->rig = rig;
    bend->inner = rig->port;
    jl_explain_begin(&bend->explainer, rig->card.controller->emulator, take_command, bend);
    /* Without fills and DMA: all bytes come through send(). */
    bend->ops = (struct jl_port_ops){.send = send,
                                     .send_nine = rig->port.ops->send_nine ? send_nine : NULL,
                                     .receive = rig->port.ops->receive ? receive : NULL,
                                     .set_pin = set_pin,
                                     .get_pin = get_pin,
                                     .wait_us = wait_us,
                                     .now_us = now_us,
                                     .set_duty = set_duty};
    rig->port.ops = &bend->ops;
    rig->port.context = bend;
}
