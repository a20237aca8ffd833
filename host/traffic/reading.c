/* From events to lines. */
#include "jadelamp/host/reading.h"

#include <string.h>

#define WAIT_PS 1000000000u /* 1 ms */

enum { MOST_HELD = 32 };

struct reading {
    struct jl_traffic *traffic;
    jl_reading_fn fn;
    void *context;
    struct jl_explainer explainer;
    uint64_t now_ps;       /* when the event under way began */
    uint64_t last_byte_ps; /* until then bytes came; 0: none yet */
    /* diagnostics of the command under way: told behind it */
    struct jl_diagnostic held[MOST_HELD];
    size_t held_count;
    uint64_t stored, stored_anew; /* when the last event was through, */
    uint64_t places, anew;        /* and when the data under way began */
    bool unseen;                  /* what the command under way reads */
    uint64_t reads, reads_from_ps, reads_until_ps;
    uint16_t last_read;
    bool has_box; /* of the data under way */
    struct jl_box box;
    /* behind an expander: its outputs, and a nibble that waits for the other one */
    uint8_t outputs, nibble;
    bool nibble_due;
};

const char *jl_line_kind_name(enum jl_line_kind kind) {
    static const char *const names[] = {"command", "data",  "read",       "wait",
                                        "reset",   "light", "diagnostic", "doubt"};
    return names[kind];
}

static void tell(struct reading *reading, struct jl_reading_line line) {
    reading->fn(reading->context, &line);
}

/* Those of before a time: what the byte under way gave rise to belongs to what it begins. */
static void tell_held(struct reading *reading, uint64_t before_ps) {
    uint64_t offset = jl_traffic_offset_ps(reading->traffic);
    size_t left = 0;
    for (size_t i = 0; i < reading->held_count; i++) {
        const struct jl_diagnostic *one = &reading->held[i];
        uint64_t at = one->at_ps > offset ? one->at_ps - offset : 0;
        if (at >= before_ps) {
            reading->held[left++] = *one;
            continue;
        }
        tell(reading, (struct jl_reading_line){.at_ps = at,
                                               .until_ps = at,
                                               .kind = JL_LINE_DIAGNOSTIC,
                                               .diagnostic = one,
                                               .text = one->text});
    }
    reading->held_count = left;
}

static void hold_diagnostic(void *context, const struct jl_diagnostic *diagnostic) {
    struct reading *reading = context;
    if (diagnostic->count == 1 && reading->held_count < MOST_HELD) {
        reading->held[reading->held_count++] = *diagnostic;
    }
}

static void tell_explained(void *context, const struct jl_explained *explained) {
    struct reading *reading = context;
    struct jl_reading_line line = {.at_ps = explained->at_ps,
                                   .until_ps = explained->until_ps,
                                   .kind = explained->is_data ? JL_LINE_DATA : JL_LINE_COMMAND,
                                   .explained = explained,
                                   .unseen = explained->answers && reading->unseen};
    if (explained->is_data) {
        unsigned depth = jl_device_data_depth(jl_traffic_rig(reading->traffic)->device);
        line.has_box = reading->has_box;
        line.box = reading->box;
        jl_device_stored(jl_traffic_rig(reading->traffic)->device, &line.places, &line.anew);
        line.places -= reading->places;
        line.anew -= reading->anew;
        line.pixels = depth ? 8 * (uint64_t)explained->count / depth : 0;
    }
    tell(reading, line);
    tell_held(reading, reading->now_ps);
}

/* ---- bytes, by the framing of their bus ---- */

/* An instruction is taken as E falls; its nibbles are on the outputs that the card names. */
static void take_outputs(struct reading *reading, const struct jl_bus_event *event) {
    const struct jl_cells_wiring *wiring = &jl_traffic_rig(reading->traffic)->card.cells.outputs;
    uint8_t before = reading->outputs, now = (uint8_t)event->value, nibble = 0;
    reading->outputs = now;
    if (!(before >> wiring->e & 1) || now >> wiring->e & 1) {
        return;
    }
    for (int i = 0; i < 4; i++) {
        nibble = (uint8_t)(nibble | (before >> wiring->data[i] & 1) << i);
    }
    if (!reading->nibble_due) {
        reading->nibble = nibble;
        reading->nibble_due = true;
        return;
    }
    reading->nibble_due = false;
    jl_explain_byte(&reading->explainer, event->at_ps, event->until_ps,
                    (uint8_t)(reading->nibble << 4 | nibble), before >> wiring->rs & 1);
}

/* MIPI DCS 1.02: read_memory_start and read_memory_continue, whose answers take all lines. */
static bool gives_pixels(const struct jl_explainer *explainer) {
    uint8_t opcode = jl_explain_under_way(explainer)->opcode;
    return opcode == 0x2E || opcode == 0x3E;
}

/* What the part gives, be it asked by a command or by a strobe alone. */
static void take_read(struct reading *reading, const struct jl_bus_event *event) {
    const struct jl_card *card = &jl_traffic_rig(reading->traffic)->card;
    if (jl_explain_reads(&reading->explainer)) {
        reading->unseen = false;
        if (card->bus == JL_BUS_8080_16 && gives_pixels(&reading->explainer)) {
            jl_explain_byte(&reading->explainer, event->at_ps, event->until_ps,
                            (uint8_t)(event->value >> 8), true);
        }
        jl_explain_byte(&reading->explainer, event->at_ps, event->until_ps, (uint8_t)event->value,
                        true);
        return;
    }
    if (event->data && jl_explain_polls(card->controller->emulator)) {
        return; /* its status, in front of each byte */
    }
    if (!reading->reads++) {
        jl_explain_end(&reading->explainer);
        reading->reads_from_ps = event->at_ps;
    }
    reading->reads_until_ps = event->until_ps;
    reading->last_read = event->value;
}

static void tell_reads(struct reading *reading) {
    if (reading->reads) {
        tell(reading, (struct jl_reading_line){.at_ps = reading->reads_from_ps,
                                               .until_ps = reading->reads_until_ps,
                                               .kind = JL_LINE_READ,
                                               .count = reading->reads,
                                               .last = reading->last_read});
    }
    reading->reads = 0;
}

static void take_byte(struct reading *reading, const struct jl_bus_event *event) {
    const struct jl_card *card = &jl_traffic_rig(reading->traffic)->card;
    struct jl_explainer *explainer = &reading->explainer;
    /* A wait within a command is between its bytes, and no line. */
    if (reading->last_byte_ps && event->at_ps > reading->last_byte_ps + WAIT_PS &&
        jl_explain_is_whole(explainer)) {
        jl_explain_end(explainer);
        tell(reading, (struct jl_reading_line){.at_ps = reading->last_byte_ps,
                                               .until_ps = event->at_ps,
                                               .kind = JL_LINE_WAIT});
    }
    reading->last_byte_ps = event->until_ps;
    if (card->cells.bus == JL_CELLS_EXPANDER) {
        if (!event->address) {
            take_outputs(reading, event);
        }
    } else if (card->bus == JL_BUS_I2C && event->address) {
        jl_explain_i2c_start(explainer);
    } else if (card->bus == JL_BUS_I2C) {
        jl_explain_i2c_byte(explainer, event->at_ps, event->until_ps, (uint8_t)event->value);
    } else if (card->bus == JL_BUS_ST7920_SERIAL) {
        jl_explain_synced_byte(explainer, event->at_ps, event->until_ps, (uint8_t)event->value);
    } else if (card->bus == JL_BUS_MEMORY_LCD) {
        jl_explain_mode_byte(explainer, event->at_ps, event->until_ps, (uint8_t)event->value);
    } else if (card->bus == JL_BUS_8080_16) {
        jl_explain_lines_16(explainer, event->at_ps, event->until_ps, event->value, event->data);
    } else {
        bool asked = event->data && jl_explain_reads(explainer);
        bool answer = asked && event->has_answer;
        reading->unseen = asked ? !answer : reading->unseen;
        jl_explain_byte(explainer, event->at_ps, event->until_ps,
                        answer ? event->answer : (uint8_t)event->value, event->data);
    }
}

static bool in_data(const struct reading *reading) {
    return reading->explainer.under_way && reading->explainer.now.is_data;
}

/* When data begin, the window is as it was set for them. */
static void take_byte_and_box(struct reading *reading, const struct jl_bus_event *event) {
    bool before = in_data(reading);
    take_byte(reading, event);
    if (!before && in_data(reading)) {
        reading->has_box =
            jl_device_data_box(jl_traffic_rig(reading->traffic)->device, &reading->box);
        reading->places = reading->stored;
        reading->anew = reading->stored_anew;
    }
}

static void take_event(struct reading *reading, const struct jl_bus_event *event) {
    switch (event->kind) {
    case JL_BUS_BYTE:
        tell_reads(reading);
        take_byte_and_box(reading, event);
        break;
    case JL_BUS_READ:
        take_read(reading, event);
        break;
    case JL_BUS_SELECTED:
        if (jl_traffic_rig(reading->traffic)->card.bus == JL_BUS_MEMORY_LCD) {
            jl_explain_mode_start(&reading->explainer);
        }
        break;
    case JL_BUS_CHIP1: /* data go to another controller now */
    case JL_BUS_CHIP2:
    case JL_BUS_CHIP3:
        jl_explain_end(&reading->explainer);
        break;
    case JL_BUS_RESET:
    case JL_BUS_LIGHT:
        jl_explain_end(&reading->explainer);
        tell(reading, (struct jl_reading_line){.at_ps = event->at_ps,
                                               .until_ps = event->at_ps,
                                               .kind = event->kind == JL_BUS_RESET ? JL_LINE_RESET
                                                                                   : JL_LINE_LIGHT,
                                               .high = event->high});
        break;
    case JL_BUS_DOUBT:
        tell(reading, (struct jl_reading_line){.at_ps = event->at_ps,
                                               .until_ps = event->at_ps,
                                               .kind = JL_LINE_DOUBT,
                                               .text = event->text});
        break;
    default:
        break;
    }
}

bool jl_reading_run(struct jl_traffic *traffic, jl_reading_fn fn, void *context,
                    struct jl_complaint *complaint) {
    struct reading reading = {.traffic = traffic, .fn = fn, .context = context};
    struct jl_rig *rig = jl_traffic_rig(traffic);
    struct jl_bus_event event;
    bool foreign = false;
    enum jl_traffic_step step;
    jl_explain_begin(&reading.explainer, rig->card.controller->emulator, tell_explained, &reading);
    jl_board_on_diagnostic(rig->board, hold_diagnostic, &reading);
    while ((step = jl_traffic_next(traffic, &event, &foreign, complaint)) == JL_TRAFFIC_EVENT) {
        reading.now_ps = event.at_ps;
        if (!foreign) {
            take_event(&reading, &event);
        }
        jl_device_stored(rig->device, &reading.stored, &reading.stored_anew);
    }
    jl_explain_end(&reading.explainer);
    tell_reads(&reading);
    tell_held(&reading, UINT64_MAX);
    jl_board_on_diagnostic(rig->board, NULL, NULL);
    return step == JL_TRAFFIC_END;
}
