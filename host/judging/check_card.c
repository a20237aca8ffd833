/*
 * A card's own sequence, judged: it is run on a board, and a port that stands before the panel's
 * reads along what is sent.
 */
#include <errno.h>
#include <stdlib.h>
#include <string.h>

#include "judge.h"
#include "rank.h"
#include "sequence.h"
#include "tapped_wire.h"
#include "trial.h"

struct along {
    struct judge judge;
    struct jl_rig rig;
    struct jl_port inner;
    struct jl_port_ops ops;
    struct jl_explainer explainer;
    bool data;                 /* D/C */
    bool selected;             /* CS of a memory LCD */
    struct tapped_wire wire;   /* of a module's cells */
    struct jl_host_kept *kept; /* NULL: bytes are judged only */
};

static uint64_t now_ps(const struct along *along) {
    return jl_board_now_ps(along->rig.board);
}

static void take_explained(void *context, const struct jl_explained *explained) {
    jl_host_judge_sent(&((struct along *)context)->judge, explained);
}

static void take_bytes(struct along *along, const uint8_t *bytes, size_t count, bool data) {
    const struct jl_card *card = &along->rig.card;
    if (card->bus == JL_BUS_8080_16) { /* words in this machine's order; commands on D7 to D0 */
        for (size_t i = 0; i + 1 < count; i += 2) {
            uint16_t word;
            memcpy(&word, bytes + i, sizeof word);
            jl_explain_lines_16(&along->explainer, now_ps(along), now_ps(along), word, data);
        }
        return;
    }
    for (size_t i = 0; i < count; i++) {
        if (card->bus == JL_BUS_I2C) {
            jl_explain_i2c_byte(&along->explainer, now_ps(along), now_ps(along), bytes[i]);
        } else if (card->bus == JL_BUS_MEMORY_LCD) {
            jl_explain_mode_byte(&along->explainer, now_ps(along), now_ps(along), bytes[i]);
        } else if (card->bus == JL_BUS_ST7920_SERIAL) {
            jl_explain_synced_byte(&along->explainer, now_ps(along), now_ps(along), bytes[i]);
        } else {
            jl_explain_byte(&along->explainer, now_ps(along), now_ps(along), bytes[i], data);
        }
    }
}

static void keep_bytes(struct along *along, const uint8_t *bytes, size_t count, bool data) {
    size_t step = along->rig.card.bus == JL_BUS_8080_16 ? 2 : 1; /* a command is on D7 to D0 */
    for (size_t i = 0; along->kept && i < count; i += step) {
        jl_host_keep_byte(along->kept, bytes[i], data);
    }
}

/* Instructions of a module, and text; the bytes of its expander are no commands. */
static void take_tapped(void *context, enum tapped_kind kind, uint8_t value) {
    struct along *along = context;
    if (kind == TAPPED_PULSE) {
        return; /* has neither name nor number */
    }
    jl_explain_byte(&along->explainer, now_ps(along), now_ps(along), value, kind == TAPPED_DATA);
    if (kind == TAPPED_COMMAND) {
        jl_explain_end(&along->explainer);
    }
}

static void take_transfer(struct along *along, const struct jl_transfer *t, bool data) {
    bool i2c = along->rig.card.bus == JL_BUS_I2C;
    if (along->rig.card.cells.bus) {
        return;
    }
    if (i2c) {
        jl_explain_i2c_start(&along->explainer);
    }
    if (i2c && along->kept) {
        jl_host_keep_start(along->kept);
    }
    keep_bytes(along, t->head, t->head_bytes, data);
    keep_bytes(along, t->body, t->body_bytes, data);
    take_bytes(along, t->head, t->head_bytes, data);
    take_bytes(along, t->body, t->body_bytes, data);
}

/* Before it goes out: what is found then is held against the command that was on its way. */
static jl_status send(void *context, const struct jl_transfer *t) {
    struct along *along = context;
    take_transfer(along, t, along->data);
    if (jl_explain_is_whole(&along->explainer) && !along->data) {
        jl_explain_end(&along->explainer);
    }
    return along->inner.ops->send(along->inner.context, t);
}

static jl_status send_nine(void *context, const struct jl_transfer *t, bool data) {
    struct along *along = context;
    take_transfer(along, t, data);
    return along->inner.ops->send_nine(along->inner.context, t, data);
}

static jl_status repeat(void *context, const struct jl_transfer *t, uint32_t times) {
    struct along *along = context;
    take_transfer(along, t, along->data);
    return along->inner.ops->repeat(along->inner.context, t, times);
}

static jl_status receive(void *context, const struct jl_transfer *t, uint8_t *bytes, size_t count) {
    struct along *along = context;
    return along->inner.ops->receive(along->inner.context, t, bytes, count);
}

static void wait_us(void *context, uint32_t microseconds) {
    struct along *along = context;
    if (jl_explain_is_whole(&along->explainer)) {
        jl_explain_end(&along->explainer);
    }
    jl_host_judge_waited(&along->judge, (uint64_t)microseconds * 1000000);
    along->inner.ops->wait_us(along->inner.context, microseconds);
}

static void set_pin(void *context, enum jl_pin pin, bool high) {
    struct along *along = context;
    if (pin == JL_PIN_DC) {
        along->data = high;
    }
    if (pin == JL_PIN_CS && along->rig.card.bus == JL_BUS_MEMORY_LCD && high != along->selected) {
        along->selected = high;
        if (high) {
            jl_explain_mode_start(&along->explainer);
        }
    }
    along->inner.ops->set_pin(along->inner.context, pin, high);
}

static bool get_pin(void *context, enum jl_pin pin) {
    struct along *along = context;
    return along->inner.ops->get_pin(along->inner.context, pin);
}

static void set_duty(void *context, enum jl_pin pin, uint16_t duty) {
    struct along *along = context;
    along->inner.ops->set_duty(along->inner.context, pin, duty);
}

static uint32_t now_us(void *context) {
    struct along *along = context;
    return along->inner.ops->now_us(along->inner.context);
}

/* The rig's panel has a pointer to the port: it is exchanged in place. Without DMA, since bytes
 * are judged one behind the other. */
static void stand_before(struct along *along) {
    along->inner = along->rig.port;
    along->ops = (struct jl_port_ops){.send = send,
                                      .wait_us = wait_us,
                                      .set_pin = set_pin,
                                      .get_pin = get_pin,
                                      .receive = receive,
                                      .set_duty = set_duty,
                                      .repeat = along->inner.ops->repeat ? repeat : NULL,
                                      .send_nine = along->inner.ops->send_nine ? send_nine : NULL,
                                      .now_us = now_us,
                                      .scanout = along->inner.ops->scanout};
    along->rig.port.ops = &along->ops;
    along->rig.port.context = along;
    if (along->rig.card.cells.bus) {
        jl_host_tap_wire(&along->wire, &along->rig, take_tapped, along);
    }
}

static void take_diagnostic(void *context, const struct jl_diagnostic *diagnostic) {
    struct along *along = context;
    jl_host_judge_diagnostic(&along->judge, diagnostic, diagnostic->at_ps);
}

/* ---- the picture ---- */

static void judge_picture(struct along *along) {
    struct jl_comparison comparison;
    if (jl_host_trial_differs(&along->rig, &comparison)) {
        jl_host_judge_find(&along->judge, JL_CHECK_WRONG,
                           jl_host_judge_step_of(&along->judge, comparison.relation), "picture",
                           *comparison.relation ? "take that back in the sequence or in the card"
                                                : "compare the sequence with the datasheet's",
                           "the glass does not show the test card%s%s",
                           *comparison.relation ? ": it is " : "", comparison.relation);
        if (along->judge.check->count) {
            along->judge.of_glass[along->judge.check->count - 1] = true;
        }
    }
}

static void run(struct along *along) {
    struct jl_rig *rig = &along->rig;
    jl_status status = jl_host_trial_show(rig, rig->card.controller->name);
    jl_explain_end(&along->explainer);
    if (status != JL_OK) {
        jl_host_judge_find(&along->judge, JL_CHECK_DARK, 0, "status",
                           "look at the wiring, the address and the pins", "the driver gave up: %s",
                           jl_status_text(status));
        return;
    }
    jl_board_wait_ps(rig->board, TRIAL_LIGHT_UP_PS);
    if (!jl_device_why_dark(rig->device)) {
        judge_picture(along);
    }
}

/*
 * A step whose arguments are not all there. Where they travel like opcodes, the part takes the next
 * commands for them, and what it complains of is further on.
 */
static void judge_steps(struct along *along) {
    const struct jl_card *card = &along->rig.card;
    struct sequence *sequence = malloc(sizeof *sequence);
    bool listens = card->has_wake && !jl_explain_opcode_bytes(card->controller->emulator);
    if (sequence && listens && jl_host_sequence_of(card, sequence)) {
        for (int i = 0, step = 0; i < sequence->count; i++) {
            const struct sequence_item *item = &sequence->items[i];
            step += item->is_command;
            if (item->missing) {
                jl_host_judge_find(
                    &along->judge, JL_CHECK_WRONG, step, jl_code_name(JL_CODE_ARGUMENT_COUNT),
                    "send each command with all of its arguments",
                    "step %02X (%s) lacks %d argument%s: what follows is taken for "
                    "them",
                    item->bytes[0], item->name, item->missing, item->missing == 1 ? "" : "s");
            }
        }
    }
    free(sequence);
}

bool jl_check_card(const struct jl_card *card, struct jl_check_result *check,
                   struct jl_complaint *complaint) {
    struct along *along = calloc(1, sizeof *along);
    if (!along) {
        return jl_complain(complaint, "out of memory for a check");
    }
    errno = 0;
    bool good = jl_rig_open(&along->rig, card, complaint);
    if (good) {
        jl_host_judge_begin(&along->judge, check, card);
        along->judge.explainer = &along->explainer;
        jl_explain_begin(&along->explainer, card->controller->emulator, take_explained, along);
        if (!card->controller->scanned) { /* that has no commands, or a port of its own for them */
            stand_before(along);
        }
        jl_board_on_diagnostic(along->rig.board, take_diagnostic, along);
        run(along);
        check->until_ps = now_ps(along);
        if (!card->cells.bus) {
            judge_steps(along);
        }
        jl_host_judge_whole(&along->judge, along->rig.device);
        jl_rig_close(&along->rig);
        if (jl_host_judge_wants_blame(&along->judge)) {
            struct blame blame;
            jl_host_blame(card, &blame);
            jl_host_judge_blame(&along->judge, &blame);
        }
        jl_host_judge_sort(&along->judge);
        if (errno == ENOMEM) { /* somewhere: what was judged may be half of it */
            good = jl_complain(complaint, "out of memory for a check of %s", card->name);
        }
    }
    free(along);
    return good;
}

/* The card's sequence alone, without a picture behind it. */
static bool keep_sequence(const struct jl_card *card, struct jl_host_kept *kept,
                          struct jl_complaint *complaint) {
    struct along *along = calloc(1, sizeof *along);
    static struct jl_check_result ignored; /* large */
    if (!along) {
        return jl_complain(complaint, "out of memory for a ranking");
    }
    bool good = jl_rig_open(&along->rig, card, complaint);
    if (good) {
        jl_host_judge_begin(&along->judge, &ignored, card);
        jl_explain_begin(&along->explainer, card->controller->emulator, take_explained, along);
        along->kept = kept;
        stand_before(along);
        (void)jl_rig_wake(&along->rig); /* what was sent counts, however it ended */
        jl_rig_close(&along->rig);
    }
    free(along);
    return good;
}

int jl_rank_controllers(const struct jl_card *card, struct jl_traffic *traffic,
                        struct jl_rank ranks[JL_RANKS], struct jl_complaint *complaint) {
    bool by_steps = card->controller_left_out && !traffic;
    struct jl_host_kept *kept = by_steps ? NULL : jl_host_kept_new();
    if (by_steps && !card->has_wake) {
        jl_complain(complaint,
                    "%s has neither a controller nor [wake]: there is nothing to rank by",
                    card->name);
        return 0;
    }
    if (card->cells.bus || card->controller->scanned) {
        free(kept);
        jl_complain(complaint, "%s has no commands that tell controllers apart", card->name);
        return 0;
    }
    if (!kept && !by_steps) {
        jl_complain(complaint, "out of memory for a ranking");
        return 0;
    }
    bool good = by_steps  ? true
                : traffic ? jl_host_keep_traffic(traffic, kept, complaint)
                          : keep_sequence(card, kept, complaint);
    int count = good ? jl_host_rank_kept(card, kept, ranks) : 0;
    if (good && !count) {
        jl_complain(complaint, "no controller is known for the bus of %s", card->name);
    }
    free(kept);
    return count;
}
