/* Items of a capture, through a decoder, to the emulated controller. */
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "traffic_bus.h"
#include "traffic_feed.h"
#include "traffic_wires.h"

#define RESET_PS 80000000000u /* on a board that goes on anyway: until the reset is over */

enum { MOST_EVENTS = 256 };

struct jl_traffic {
    struct jl_capture *capture;
    struct jl_decoder *decoder;
    struct role_wires found;
    int8_t role_of_wire[512]; /* -1: none */
    struct jl_rig own, *rig;  /* its own, or that of the options */
    struct traffic_feed feed;
    bool rig_open, ended, awake;
    uint64_t before_ps; /* the board's time when the capture begins */
    uint64_t at_ps;
    /* what the decoder said, and is not handed out yet */
    struct jl_bus_event events[MOST_EVENTS];
    size_t event_count, taken;
    struct jl_traffic_watch watch;
    size_t watched;        /* of its times */
    uint64_t last_byte_ps; /* until then bytes came */
    bool has_bytes;
    jl_traffic_tap_fn tap;
    void *tap_context;
    /* decoded bytes: the transfer that is open */
    int address;
    /* I2C: addresses of others, 0 to 127, a bit each, and whether the panel was ever meant */
    uint32_t others[4];
    bool meant;
    char doubt[160];
    char lost[160]; /* one item is told at a time */
};

static void keep_event(void *context, const struct jl_bus_event *event) {
    struct jl_traffic *traffic = context;
    if (traffic->event_count < MOST_EVENTS) { /* one item never makes that many */
        traffic->events[traffic->event_count++] = *event;
    }
}

/* ---- opening ---- */

static bool open_decoder(struct jl_traffic *traffic, const char *path, const struct jl_card *card,
                         const struct jl_traffic_options *options, struct jl_complaint *complaint) {
    struct jl_complaint why = {""};
    struct jl_decoding decoding;
    jl_role_set wanted = 0, needed = 0;
    jl_host_describe_bus(card, &decoding, &wanted, &needed);
    memset(traffic->role_of_wire, -1, sizeof traffic->role_of_wire);
    if (!jl_capture_has_bytes(traffic->capture) &&
        !jl_host_find_wires(traffic->capture, card, options->wires, wanted, needed, &traffic->found,
                            &why)) {
        return jl_complain(complaint, "%s: %s", path, why.text);
    }
    for (int role = 0; role < JL_ROLES && !jl_capture_has_bytes(traffic->capture); role++) {
        if (traffic->found.wires[role] >= 0) {
            traffic->role_of_wire[traffic->found.wires[role]] = (int8_t)role;
        }
    }
    decoding.has_cs =
        !jl_capture_has_bytes(traffic->capture) && traffic->found.wires[JL_ROLE_CS] >= 0;
    decoding.pulse_ps = options->pulse_ps;
    traffic->decoder = jl_decoder_create(&decoding, keep_event, traffic);
    return traffic->decoder ||
           jl_complain(complaint, "%s: out of memory, or a bus that no capture has", card->name);
}

struct jl_traffic *jl_traffic_open(const char *path, const struct jl_card *card,
                                   const struct jl_traffic_options *options,
                                   struct jl_complaint *complaint) {
    static const struct jl_traffic_options usual = {0};
    options = options ? options : &usual;
    if (card->controller->scanned) {
        jl_complain(complaint, "%s: glass that is scanned out has no bytes to read", card->name);
        return NULL;
    }
    struct jl_traffic *traffic = calloc(1, sizeof *traffic);
    if (!traffic) {
        jl_complain(complaint, "%s: out of memory", path);
        return NULL;
    }
    traffic->address = -1;
    traffic->rig = options->rig ? options->rig : &traffic->own;
    traffic->capture = jl_capture_open(path, &options->capture, complaint);
    if (traffic->capture && open_decoder(traffic, path, card, options, complaint)) {
        traffic->rig_open = options->rig || jl_rig_open(traffic->rig, card, complaint);
    }
    if (!traffic->rig_open) {
        jl_traffic_close(traffic);
        return NULL;
    }
    bool bytes = jl_capture_has_bytes(traffic->capture);
    traffic->before_ps = options->rig ? RESET_PS : TRAFFIC_BEFORE_PS;
    traffic->awake = options->awake;
    if (options->awake) {
        jl_status status = jl_rig_wake(traffic->rig);
        if (status != JL_OK) {
            jl_complain(complaint, "%s: the driver of the card cannot wake it: %s", card->name,
                        jl_status_text(status));
            jl_traffic_close(traffic);
            return NULL;
        }
        traffic->before_ps += jl_board_now_ps(traffic->rig->board);
    }
    jl_host_feed_begin(&traffic->feed, traffic->rig, traffic->before_ps,
                       options->awake || (!bytes && traffic->found.wires[JL_ROLE_RESET] >= 0),
                       !bytes && traffic->found.wires[JL_ROLE_CS] >= 0,
                       !bytes && traffic->found.wires[JL_ROLE_LIGHT] >= 0);
    return traffic;
}

void jl_traffic_close(struct jl_traffic *traffic) {
    if (traffic) {
        if (traffic->rig_open && traffic->rig == &traffic->own) {
            jl_rig_close(traffic->rig);
        }
        jl_decoder_destroy(traffic->decoder);
        jl_capture_close(traffic->capture);
        free(traffic);
    }
}

struct jl_rig *jl_traffic_rig(struct jl_traffic *traffic) {
    return traffic->rig;
}

uint64_t jl_traffic_offset_ps(const struct jl_traffic *traffic) {
    return traffic->before_ps;
}

bool jl_traffic_was_awake(const struct jl_traffic *traffic) {
    return traffic->awake;
}

uint64_t jl_traffic_now_ps(const struct jl_traffic *traffic) {
    return jl_capture_now_ps(traffic->capture);
}

const char *jl_traffic_wire(const struct jl_traffic *traffic, enum jl_role role) {
    return jl_capture_has_bytes(traffic->capture) ? NULL : traffic->found.names[role];
}

/* ---- decoded bytes ---- */

static void say(struct jl_traffic *traffic, const struct jl_capture_item *item,
                struct jl_bus_event event) {
    event.at_ps = event.until_ps = item->at_ps;
    keep_event(traffic, &event);
}

/* Of I2C, an address that is told beside the byte makes START and address byte. */
static void take_byte(struct jl_traffic *traffic, const struct jl_capture_item *item) {
    const struct jl_card *card = &traffic->rig->card;
    if (card->bus == JL_BUS_I2C && item->address >= 0 && item->address != traffic->address) {
        say(traffic, item, (struct jl_bus_event){.kind = JL_BUS_START});
        say(traffic, item,
            (struct jl_bus_event){
                .kind = JL_BUS_BYTE, .address = true, .value = (uint16_t)(item->address << 1)});
        traffic->address = item->address;
    }
    bool first = card->bus == JL_BUS_I2C && traffic->address == -2;
    traffic->address = first ? item->value >> 1 : traffic->address;
    say(traffic, item,
        (struct jl_bus_event){.kind = JL_BUS_BYTE,
                              .value = item->value,
                              .data = item->data == 1,
                              .address = first,
                              .refused = item->refused});
}

static void take_item(struct jl_traffic *traffic, const struct jl_capture_item *item) {
    traffic->at_ps = item->at_ps;
    switch (item->kind) {
    case JL_ITEM_LEVEL:
        if (traffic->role_of_wire[item->wire] >= 0) {
            if (traffic->feed.pins) {
                jl_host_feed_level(&traffic->feed, item->at_ps,
                                   (enum jl_role)traffic->role_of_wire[item->wire], item->high);
            }
            jl_decoder_level(traffic->decoder, item->at_ps,
                             (enum jl_role)traffic->role_of_wire[item->wire], item->high);
        }
        break;
    case JL_ITEM_START:
        traffic->address = -2; /* the next byte says it, unless a column does */
        say(traffic, item, (struct jl_bus_event){.kind = JL_BUS_START});
        break;
    case JL_ITEM_STOP:
        traffic->address = -1;
        say(traffic, item, (struct jl_bus_event){.kind = JL_BUS_STOP});
        break;
    case JL_ITEM_RESET:
        say(traffic, item, (struct jl_bus_event){.kind = JL_BUS_RESET, .high = item->high});
        break;
    case JL_ITEM_LOST:
        snprintf(traffic->lost, sizeof traffic->lost,
                 "%u records of the tap were lost or damaged: what is shown may be wrong until it "
                 "is drawn anew",
                 (unsigned)item->count);
        say(traffic, item, (struct jl_bus_event){.kind = JL_BUS_DOUBT, .text = traffic->lost});
        break;
    default:
        take_byte(traffic, item);
        break;
    }
}

/* ---- whose traffic it is ---- */

static void note_address(struct jl_traffic *traffic, const struct jl_bus_event *event,
                         bool foreign) {
    unsigned address = event->value >> 1 & 127;
    if (event->kind == JL_BUS_BYTE && event->address && foreign) {
        traffic->others[address / 32] |= 1u << address % 32;
    }
    traffic->meant |= event->kind == JL_BUS_BYTE && !foreign;
}

/* Nothing of an I2C capture was for the panel: a doubt at its end, with who was meant instead. */
static void doubt_whose(struct jl_traffic *traffic) {
    const struct jl_card *card = &traffic->rig->card;
    size_t length = 0;
    char list[60] = "";
    for (unsigned address = 0; address < 128 && length + 10 < sizeof list; address++) {
        if (traffic->others[address / 32] >> address % 32 & 1) {
            length += (size_t)snprintf(list + length, sizeof list - length, "%s0x%02X",
                                       length ? ", " : "", address);
        }
    }
    if (traffic->meant || !length) {
        return;
    }
    snprintf(traffic->doubt, sizeof traffic->doubt,
             "nothing was sent to 0x%02X, where the card has the panel; who was meant: %s",
             card->i2c_address, list);
    say(traffic, &(struct jl_capture_item){.at_ps = jl_capture_now_ps(traffic->capture)},
        (struct jl_bus_event){.kind = JL_BUS_DOUBT, .text = traffic->doubt});
}

/* ---- who looks ---- */

void jl_traffic_watch(struct jl_traffic *traffic, const struct jl_traffic_watch *watch) {
    traffic->watch = *watch;
    traffic->watched = 0;
}

/* Before something comes at a time: all that is to be seen until then. */
static void look(struct jl_traffic *traffic, uint64_t at_ps, bool is_byte, bool is_end) {
    const struct jl_traffic_watch *watch = &traffic->watch;
    while (watch->fn && traffic->watched < watch->time_count &&
           watch->times[traffic->watched] <= at_ps) {
        uint64_t time = watch->times[traffic->watched++];
        jl_board_go_to_ps(traffic->rig->board, time + traffic->before_ps);
        watch->fn(watch->context, time, false);
    }
    bool pause = is_byte && traffic->has_bytes && at_ps >= traffic->last_byte_ps + watch->pause_ps;
    if (watch->fn && watch->pause_ps && (pause || is_end)) {
        jl_board_go_to_ps(traffic->rig->board, at_ps + traffic->before_ps);
        watch->fn(watch->context, at_ps, true);
    }
}

void jl_traffic_tap(struct jl_traffic *traffic, jl_traffic_tap_fn fn, void *context) {
    traffic->tap = fn;
    traffic->tap_context = context;
}

enum jl_traffic_step jl_traffic_next(struct jl_traffic *traffic, struct jl_bus_event *event,
                                     bool *foreign, struct jl_complaint *complaint) {
    while (traffic->taken == traffic->event_count) {
        struct jl_capture_item item;
        traffic->taken = traffic->event_count = 0;
        if (traffic->ended) {
            return JL_TRAFFIC_END;
        }
        switch (jl_capture_next(traffic->capture, &item, complaint)) {
        case JL_CAPTURE_ITEM:
            take_item(traffic, &item);
            break;
        case JL_CAPTURE_END:
            traffic->ended = true;
            jl_decoder_end(traffic->decoder, jl_capture_now_ps(traffic->capture));
            jl_host_feed_end(&traffic->feed, jl_capture_now_ps(traffic->capture));
            look(traffic, jl_capture_now_ps(traffic->capture), false, true);
            doubt_whose(traffic);
            break;
        default:
            return JL_TRAFFIC_BAD;
        }
    }
    *event = traffic->events[traffic->taken++];
    bool is_byte = event->kind == JL_BUS_BYTE;
    if (event->kind != JL_BUS_DOUBT) {
        look(traffic, event->at_ps, is_byte, false);
    }
    traffic->last_byte_ps = is_byte ? event->until_ps : traffic->last_byte_ps;
    traffic->has_bytes |= is_byte;
    *foreign = jl_host_feed(&traffic->feed, event);
    if (jl_host_feed_is_asked(&traffic->feed, event)) {
        (void)jl_decoder_answered(traffic->decoder);
    }
    note_address(traffic, event, *foreign);
    if (traffic->tap) {
        traffic->tap(traffic->tap_context, event, *foreign);
    }
    return JL_TRAFFIC_EVENT;
}
