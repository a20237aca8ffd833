/* Sequences, from the encoding of steps and back. */
#include "sequence.h"

#include <stdlib.h>
#include <string.h>

#include "jadelamp/sim/explain.h"

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

/* A step of several commands, or of one whose arguments travel like data. */
static void take_send(struct jl_explainer *explainer, const uint8_t *bytes, size_t count) {
    bool as_data = jl_explain_arguments_are_data(explainer->part);
    for (size_t i = 0; i < count; i++) {
        jl_explain_byte(explainer, 0, 0, bytes[i], as_data && i > 0);
    }
    jl_explain_end(explainer);
}

size_t jl_host_step_length(const uint8_t *step) {
    switch (step[0]) {
    case JL_STEP_CODE_WAIT_MS:
        return 3;
    case JL_STEP_CODE_WAIT_BUSY:
        return 4;
    case JL_STEP_CODE_BLOCK:
        return 2;
    default:
        return step[0] < JL_STEP_CODE_WAIT_MS ? 1u + step[0] : 1;
    }
}

static void take_steps(struct sequence *sequence, struct jl_explainer *explainer,
                       const struct jl_panel *panel, const uint8_t *steps, size_t bytes) {
    for (size_t at = 0; at < bytes; at += jl_host_step_length(steps + at)) {
        const uint8_t *step = steps + at;
        if (step[0] < JL_STEP_CODE_WAIT_MS) {
            take_send(explainer, step + 1, step[0]);
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
                item->count = jl_host_step_length(step);
                memcpy(item->bytes, step, item->count);
            }
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
    take_steps(sequence, &explainer, &rig.panel,
               card->has_wake ? card->wake_steps : driver->wake_steps,
               card->has_wake ? card->wake_bytes : driver->wake_steps_bytes);
    jl_rig_close(&rig);
    return sequence->count <= SEQUENCE_ITEMS;
}

bool jl_host_sequence_into(const struct sequence *sequence, struct jl_card *card) {
    size_t at = 0;
    for (int i = 0; i < sequence->count; i++) {
        const struct sequence_item *item = &sequence->items[i];
        if (at + item->count + 4 > sizeof card->wake_steps || item->count >= JL_STEP_CODE_WAIT_MS) {
            return false;
        }
        if (item->is_command) {
            card->wake_steps[at++] = (uint8_t)item->count;
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
