/* From traffic to lanes of a timeline. */
#include "timeline_lanes.h"

#include <stdio.h>
#include <stdlib.h>

#include "../traffic/traffic_feed.h"
#include "jadelamp/host/reading.h"

/* Narrower spans have no label. */
enum { LEAST_LABEL = 22 };

#define WAIT_PS 1000000000u

struct filling {
    struct lanes *lanes;
    bool has_byte, selected;
    uint64_t behind_ps, selected_ps;
    uint64_t unit_ps; /* of bytes that have no length in the capture */
};

bool jl_host_lanes_begin(struct lanes *lanes) {
    lanes->cover = calloc((size_t)LANES * (size_t)lanes->width, sizeof *lanes->cover);
    return lanes->cover != NULL;
}

void jl_host_lanes_free(struct lanes *lanes) {
    free(lanes->cover);
}

static double pixel_of(const struct lanes *lanes, uint64_t at_ps) {
    uint64_t at = at_ps < lanes->from_ps ? lanes->from_ps
                  : at_ps > lanes->to_ps ? lanes->to_ps
                                         : at_ps;
    return (double)(at - lanes->from_ps) * lanes->width / (double)(lanes->to_ps - lanes->from_ps);
}

static void put_label(struct lanes *lanes, enum lane lane, double left, double right,
                      const char *text) {
    if (right - left >= LEAST_LABEL && lanes->label_count < MOST_LABELS) {
        struct label *label = &lanes->labels[lanes->label_count++];
        *label = (struct label){.lane = lane, .left = left, .right = right};
        snprintf(label->text, sizeof label->text, "%s", text);
    }
}

static void put_span(struct lanes *lanes, enum lane lane, uint64_t at_ps, uint64_t until_ps,
                     const char *text) {
    double left = pixel_of(lanes, at_ps), right = pixel_of(lanes, until_ps);
    double *cover = lanes->cover + (size_t)lane * (size_t)lanes->width;
    if (until_ps < lanes->from_ps || at_ps > lanes->to_ps || right <= left) {
        return;
    }
    lanes->share[lane] += (right - left) / lanes->width;
    for (int x = (int)left; x < lanes->width && x < right; x++) {
        double first = left > x ? left : x, last = right < x + 1 ? right : x + 1;
        cover[x] += last - first;
    }
    put_label(lanes, lane, left, right, text);
}

/* ---- the wire ---- */

static void take_byte(struct filling *filling, const struct jl_bus_event *event) {
    struct lanes *lanes = filling->lanes;
    if (filling->has_byte && event->at_ps > filling->behind_ps &&
        event->at_ps - filling->behind_ps < WAIT_PS) {
        put_span(lanes, LANE_GAPS, filling->behind_ps, event->at_ps, "");
    }
    filling->has_byte = true;
    filling->behind_ps =
        event->until_ps > event->at_ps ? event->until_ps : event->at_ps + filling->unit_ps;
    lanes->bits +=
        (pixel_of(lanes, filling->behind_ps) - pixel_of(lanes, event->at_ps)) / lanes->width;
}

static void take_event(void *context, const struct jl_bus_event *event, bool foreign) {
    struct filling *filling = context;
    struct lanes *lanes = filling->lanes;
    switch (event->kind) {
    case JL_BUS_START:
    case JL_BUS_SELECTED:
        if (!filling->selected) {
            filling->selected = true;
            filling->selected_ps = event->at_ps;
        }
        break;
    case JL_BUS_STOP:
    case JL_BUS_DESELECTED:
        if (filling->selected) {
            put_span(lanes, LANE_SELECT, filling->selected_ps, event->at_ps, "");
        }
        filling->selected = false;
        break;
    case JL_BUS_BYTE:
        if (!foreign) {
            take_byte(filling, event);
        }
        break;
    default:
        break;
    }
}

/* ---- what it means ---- */

static void take_line(void *context, const struct jl_reading_line *line) {
    struct filling *filling = context;
    struct lanes *lanes = filling->lanes;
    char text[LABEL_BYTES] = "";
    switch (line->kind) {
    case JL_LINE_COMMAND:
        snprintf(text, sizeof text, "%02X %s", line->explained->opcode,
                 line->explained->name ? line->explained->name : "");
        put_span(lanes, LANE_COMMANDS, line->at_ps, line->until_ps, text);
        break;
    case JL_LINE_DATA:
        snprintf(text, sizeof text, "%zu bytes", line->explained->count);
        put_span(lanes, LANE_DATA, line->at_ps, line->until_ps, text);
        break;
    case JL_LINE_WAIT:
        snprintf(text, sizeof text, "%.3g ms", (double)(line->until_ps - line->at_ps) / 1e9);
        put_span(lanes, LANE_WAITS, line->at_ps, line->until_ps, text);
        break;
    case JL_LINE_DIAGNOSTIC:
        if (line->at_ps >= lanes->from_ps && line->at_ps <= lanes->to_ps) {
            double at = pixel_of(lanes, line->at_ps);
            lanes->share[LANE_FOUND]++;
            put_label(lanes, LANE_FOUND, at, at + LEAST_LABEL,
                      jl_code_name(line->diagnostic->code));
        }
        break;
    default:
        break;
    }
}

bool jl_host_lanes_fill(struct lanes *lanes, struct jl_traffic *traffic,
                        struct jl_complaint *complaint) {
    struct filling filling = {.lanes = lanes,
                              .unit_ps = jl_host_unit_ps(&jl_traffic_rig(traffic)->card)};
    jl_traffic_tap(traffic, take_event, &filling);
    bool good = jl_reading_run(traffic, take_line, &filling, complaint);
    if (filling.selected) { /* it ends within a transfer, or CS is tied */
        put_span(lanes, LANE_SELECT, filling.selected_ps, jl_traffic_now_ps(traffic), "");
    }
    return good;
}
