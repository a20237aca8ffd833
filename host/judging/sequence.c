/* Sequences, from the encoding of steps and back. */
#include "sequence.h"

#include <stdlib.h>
#include <string.h>

#include "jadelamp/sim/explain.h"
#include "tapped_wire.h"

static struct sequence_item *add(struct sequence *sequence) {
    struct sequence_item *item =
        sequence->count < SEQUENCE_ITEMS ? &sequence->items[sequence->count] : NULL;
    sequence->count++;
    if (item) {
        *item = (struct sequence_item){.is_command = true};
    }
    return item;
}

static void take_command(void *context, const struct jl_explained *explained) {
    struct sequence_item *item = explained->is_data ? NULL : add(context);
    if (item && explained->count < SEQUENCE_BYTES) {
        item->bytes[0] = explained->opcode;
        memcpy(item->bytes + 1, explained->arguments, explained->count);
        item->count = 1 + explained->count;
        item->name = explained->name;
        item->missing = explained->missing;
    }
}

static void take_steps(struct sequence *sequence, struct jl_explainer *explainer,
                       const struct jl_panel *panel, const uint8_t *steps, size_t bytes) {
    for (size_t at = 0; at < bytes; at += jl_card_step_length(steps + at)) {
        const uint8_t *step = steps + at;
        if (step[0] < JL_STEP_CODE_WAIT_MS) {
            jl_explain_step(explainer, step + 1, step[0]);
        } else if (step[0] == JL_STEP_CODE_WAIT_MS) {
            if (sequence->count <= SEQUENCE_ITEMS) {
                sequence->items[sequence->count - 1].wait_ms += step[1] | step[2] << 8;
            }
        } else if (step[0] == JL_STEP_CODE_SETUP && panel) {
            uint8_t setup[JL_STEPS_MOST_BYTES];
            size_t count = panel->config->controller->setup(panel, setup);
            take_steps(sequence, explainer, NULL, setup, count);
        } else {
            struct sequence_item *item = add(sequence);
            if (item) {
                item->is_command = false;
                item->count = jl_card_step_length(step);
                memcpy(item->bytes, step, item->count);
            }
        }
    }
}

/* ---- a module's own way to wake ---- */

struct recording {
    struct sequence *sequence;
    struct jl_explainer explainer;
    struct tapped_wire wire;
    struct jl_port inner;
    struct jl_port_ops ops;
    uint32_t waited_us;
};

/* Times below a tenth of a millisecond are the wire's own. */
static void end_wait(struct recording *recording) {
    struct sequence *sequence = recording->sequence;
    if (sequence->count <= SEQUENCE_ITEMS) {
        sequence->items[sequence->count - 1].wait_ms += (int)((recording->waited_us + 900) / 1000);
    }
    recording->waited_us = 0;
}

static void record(void *context, enum tapped_kind kind, uint8_t value) {
    struct recording *recording = context;
    end_wait(recording);
    if (kind == TAPPED_COMMAND) {
        jl_explain_byte(&recording->explainer, 0, 0, value, false);
        jl_explain_end(&recording->explainer);
    } else if (kind == TAPPED_PULSE) {
        struct sequence_item *item = add(recording->sequence);
        if (item) {
            *item = (struct sequence_item){.bytes = {JL_CHAR_STEP_CODE_PULSE, value}, .count = 2};
        }
    }
}

static void record_wait(void *context, uint32_t microseconds) {
    struct recording *recording = context;
    recording->waited_us += microseconds;
    recording->inner.ops->wait_us(recording->inner.context, microseconds);
}

static void pass_pin(void *context, enum jl_pin pin, bool high) {
    struct recording *recording = context;
    recording->inner.ops->set_pin(recording->inner.context, pin, high);
}

static bool pass_level(void *context, enum jl_pin pin) {
    struct recording *recording = context;
    return recording->inner.ops->get_pin(recording->inner.context, pin);
}

static jl_status pass_on(void *context, const struct jl_transfer *t) {
    struct recording *recording = context;
    return recording->inner.ops->send(recording->inner.context, t);
}

static void record_waking(struct sequence *sequence, struct jl_rig *rig) {
    struct recording recording = {.sequence = sequence, .inner = rig->port};
    recording.ops = (struct jl_port_ops){
        .send = pass_on, .wait_us = record_wait, .set_pin = pass_pin, .get_pin = pass_level};
    jl_explain_begin(&recording.explainer, rig->card.controller->emulator, take_command, sequence);
    jl_host_tap_wire(&recording.wire, rig, record, &recording);
    rig->port.ops = &recording.ops;
    rig->port.context = &recording;
    (void)jl_char_wake(&rig->cells);
    end_wait(&recording);
}

/* Its steps; instructions are a byte each. */
static void take_cells(struct sequence *sequence, struct jl_explainer *explainer,
                       const struct jl_card *card) {
    for (size_t at = 0; at < card->wake_bytes; at += jl_card_step_length(card->wake_steps + at)) {
        const uint8_t *step = card->wake_steps + at;
        if (step[0] < JL_STEP_CODE_WAIT_MS) {
            jl_explain_step(explainer, step + 1, step[0]);
        } else if (step[0] == JL_STEP_CODE_WAIT_MS) {
            sequence->items[sequence->count - 1].wait_ms += step[1] | step[2] << 8;
        } else {
            struct sequence_item *item = add(sequence);
            if (item) {
                item->is_command = false;
                item->count = jl_card_step_length(step);
                memcpy(item->bytes, step, item->count);
            }
        }
        if (sequence->count >= SEQUENCE_ITEMS) {
            return;
        }
    }
}

bool jl_host_sequence_of(const struct jl_card *card, struct sequence *sequence) {
    struct jl_rig rig;
    struct jl_complaint complaint;
    struct jl_explainer explainer;
    if (!jl_rig_open(&rig, card, &complaint)) {
        return false;
    }
    const struct jl_controller *driver = rig.config.controller;
    sequence->count = 0;
    *add(sequence) = (struct sequence_item){.is_command = false};
    jl_explain_begin(&explainer, card->controller->emulator, take_command, sequence);
    if (card->cells.bus && card->has_wake) {
        take_cells(sequence, &explainer, card);
    } else if (card->cells.bus) {
        record_waking(sequence, &rig);
    } else {
        take_steps(sequence, &explainer, &rig.panel,
                   card->has_wake ? card->wake_steps : driver->wake_steps,
                   card->has_wake ? card->wake_bytes : driver->wake_steps_bytes);
    }
    jl_rig_close(&rig);
    return sequence->count <= SEQUENCE_ITEMS;
}

bool jl_host_sequence_into(const struct sequence *sequence, struct jl_card *card) {
    size_t at = 0;
    bool index = jl_explain_opcode_bytes(card->controller->emulator) == 2;
    for (int i = 0; i < sequence->count; i++) {
        const struct sequence_item *item = &sequence->items[i];
        if (at + item->count + 5 > sizeof card->wake_steps ||
            item->count + index >= JL_STEP_CODE_WAIT_MS) {
            return false;
        }
        if (item->is_command) {
            card->wake_steps[at++] = (uint8_t)(item->count + index);
        }
        if (item->is_command && index) {
            card->wake_steps[at++] = 0;
        }
        memcpy(card->wake_steps + at, item->bytes, item->count);
        at += item->count;
        if (item->wait_ms) {
            card->wake_steps[at++] = JL_STEP_CODE_WAIT_MS;
            card->wake_steps[at++] = (uint8_t)item->wait_ms;
            card->wake_steps[at++] = (uint8_t)(item->wait_ms >> 8);
        }
    }
    card->has_wake = true;
    card->wake_bytes = (uint16_t)at;
    return true;
}
