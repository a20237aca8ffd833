/* Asynchronous sendings: a list of areas, of which one line or block at a time is in flight. */
#include "async.h"

#include "../core/lone.h"
#include "bus.h"
#include "panel.h"
#include "present.h"

/* What a transfer may take where the port has a clock: as on I2C at 100 kHz, and a second more. */
enum { BYTE_US = 100 };
#define MORE_US    1000000u
#define MOST_BYTES ((UINT32_MAX - MORE_US) / BYTE_US)

static void start_the_clock(struct jl_async *async, uint32_t bytes) {
    const struct jl_port *port = async->panel->port;
    async->allowed_us = bytes < MOST_BYTES ? MORE_US + bytes * BYTE_US : UINT32_MAX;
    if (port->ops->now_us) {
        async->since_us = port->ops->now_us(port->context);
    }
}

static bool out_of_time(const struct jl_async *async) {
    const struct jl_port *port = async->panel->port;
    return port->ops->now_us &&
           port->ops->now_us(port->context) - async->since_us > async->allowed_us;
}

static bool worth_starting(const struct jl_async *async, size_t bytes) {
    const struct jl_panel *panel = async->panel;
    const struct jl_port *port = panel->port;
    return port->ops->start && port->ops->poll && bytes >= port->least_start_bytes &&
           jl_config_of(panel)->bus->begin;
}

static jl_status start(struct jl_async *async, size_t bytes) {
    const struct jl_panel *panel = async->panel;
    const struct jl_bus *bus = jl_config_of(panel)->bus;
    struct jl_transfer t;
    bus->begin(panel, true, &t);
    t.body = async->rest.line;
    t.body_bytes = bytes;
    jl_status status = panel->port->ops->start(panel->port->context, &t);
    async->in_flight = status == JL_OK;
    if (status != JL_OK) {
        bus->end(panel);
    }
    if (status == JL_OK || (status == JL_BUSY && !async->refused)) {
        start_the_clock(async, (uint32_t)bytes);
    }
    async->refused = status == JL_BUSY;
    return status;
}

/* Past what has been sent of a line. */
static void step(struct jl_async *async, size_t bytes) {
    struct jl_rest *rest = &async->rest;
    async->left_in_line -= bytes;
    rest->line += bytes;
    if (async->left_in_line == 0 && --rest->lines) {
        rest->line += rest->stride_bytes - rest->line_bytes;
        async->left_in_line = rest->line_bytes;
    }
}

static jl_status send_next(struct jl_async *async) {
    struct jl_rest *rest = &async->rest;
    size_t bytes = jl_bus_part(async->panel->port, async->left_in_line);
    bool whole = async->left_in_line == rest->line_bytes;
    jl_status status;
    if (worth_starting(async, bytes)) {
        status = start(async, bytes);
    } else if (whole) { /* short lines go out in one call, all that are left of the part */
        status = jl_config_of(async->panel)->bus->lines(async->panel, rest);
        rest->lines = 0;
        return status;
    } else { /* the tail of a line that was split */
        status = jl_config_of(async->panel)->bus->send(async->panel, true, rest->line, bytes);
    }
    if (status == JL_OK) {
        step(async, bytes);
    }
    return status;
}

/* The next of the areas; on e-paper, behind the last one, what its update wants. */
static jl_status next_area(struct jl_async *async) {
    struct jl_panel *panel = async->panel;
    jl_status status = JL_OK;
    async->flow = NULL;
    if (async->shows && !async->areas_left) {
        status = jl_config_of(panel)->controller->paper->show(panel, &async->showing, NULL);
        async->areas_left = status == JL_OK && async->showing.send ? async->area_count : 0;
        async->shows = status == JL_BUSY || async->areas_left > 0;
    }
    if (async->areas_left) {
        jl_flow_begin(&async->own_flow, async->areas[--async->areas_left], false);
        async->flow = &async->own_flow;
    }
    return status;
}

/* The next lines of the source, or its next area. False: nothing is left. */
static bool find_next(struct jl_async *async, jl_status *status) {
    do {
        *status = JL_OK;
        if (async->flow) {
            *status = jl_flow_next(async->panel, async->flow, &async->frame, &async->rest);
            async->left_in_line = async->rest.line_bytes;
            if (*status != JL_OK || async->rest.lines) {
                return true;
            }
        }
        *status = next_area(async);
    } while (*status == JL_OK && async->flow);
    return *status != JL_OK;
}

static jl_status end(struct jl_async *async, jl_status status) {
    async->rest.lines = 0;
    async->areas_left = 0;
    async->flow = NULL;
    async->shows = false;
    if (async->panel->sending == &async->sending) { /* else e-paper went to sleep */
        async->panel->state = STATE_AWAKE;
    }
    jl_panel_end_call(async->panel, status);
    if (async->ready) {
        async->ready(async->context);
    }
    return status;
}

jl_status jl_async_go(struct jl_async *async) {
    jl_status status = JL_OK;
    async->panel->state = STATE_SENDING;
    while (status == JL_OK && !async->in_flight) {
        if (async->rest.lines) {
            status = send_next(async);
        } else if (!find_next(async, &status)) {
            return end(async, JL_OK);
        }
    }
    /* A start that was refused loses nothing: jl_async_poll() tries again, as it does where an
     * update is under way. */
    bool waits = async->refused || (async->shows && status == JL_BUSY);
    return status == JL_OK || waits ? JL_OK : end(async, status);
}

/* Of a transfer in flight, or of one that the port would not start. */
static jl_status look(struct jl_async *async) {
    const struct jl_panel *panel = async->panel;
    jl_status status = JL_OK;
    if (async->in_flight) {
        status = panel->port->ops->poll(panel->port->context);
    }
    if ((status == JL_BUSY || async->refused) && out_of_time(async)) {
        status = JL_TIMEOUT;
    }
    return status;
}

static bool is_under_way(const struct jl_async *async) {
    return async->flow || async->shows;
}

jl_status jl_async_poll(struct jl_async *async) {
    if (!async || !async->panel) {
        return JL_BAD_ARGUMENT;
    }
    if (!is_under_way(async)) {
        return JL_OK;
    }
    jl_status status = look(async);
    if (status == JL_BUSY) {
        return JL_BUSY;
    }
    if (async->in_flight) {
        async->in_flight = false;
        jl_config_of(async->panel)->bus->end(async->panel);
    }
    status = status == JL_OK ? jl_async_go(async) : end(async, status);
    return status == JL_OK && is_under_way(async) ? JL_BUSY : status;
}

jl_status jl_async_finish(struct jl_async *async) {
    jl_status status;
    while ((status = jl_async_poll(async)) == JL_BUSY) {
        if (async->showing.waiting) { /* for e-paper: seconds */
            async->panel->port->ops->wait_us(async->panel->port->context, 1000);
        }
    }
    return status;
}

static jl_status finish_sending(struct jl_sending *sending) {
    return jl_async_finish((struct jl_async *)sending);
}

jl_status jl_async_init(struct jl_async *async, struct jl_panel *panel, jl_ready_fn ready,
                        void *context) {
    if (!async || !panel) {
        return JL_BAD_ARGUMENT;
    }
    if (panel->state == STATE_SENDING) {
        (void)jl_panel_ready(panel); /* what is under way must end; its error is past then */
    }
    *async = (struct jl_async){
        .sending = {finish_sending}, .panel = panel, .ready = ready, .context = context};
    return panel->state == STATE_UNUSABLE ? JL_NOT_AWAKE : JL_OK;
}

jl_status jl_async_ready(struct jl_async *async) {
    if (!async || !async->panel) {
        return JL_BAD_ARGUMENT;
    }
    jl_status status = jl_panel_ready(async->panel);
    if (status == JL_OK) {
        async->panel->sending = &async->sending;
        async->refused = false;
    }
    return status;
}

jl_status jl_async_present(struct jl_async *async, struct jl_frame *frame) {
    jl_status status = jl_async_ready(async);
    if (status == JL_OK) {
        status = jl_present_check(async->panel, frame);
    }
    if (status != JL_OK) {
        return status;
    }
    struct jl_panel *panel = async->panel;
    const struct jl_rect *areas;
    uint8_t count = jl_present_areas(panel, frame, &areas);
    async->shows = jl_config_of(panel)->controller->paper != NULL;
    if (async->shows) {
        async->showing = (struct jl_showing){.areas = count};
        status = jl_config_of(panel)->controller->paper->show(panel, &async->showing, frame);
        if (status != JL_OK && status != JL_BUSY) {
            async->shows = false;
            return jl_panel_note(panel, status);
        }
    }
    for (uint8_t i = 0; i < count; i++) { /* taken from the end */
        async->areas[i] = areas[count - 1 - i];
    }
    async->area_count = async->areas_left = count;
    async->frame = *frame;
    jl_present_done(panel, frame);
    if (count == 0 && !async->shows) {
        return end(async, JL_OK);
    }
    if (count) {
        jl_flow_begin(&async->own_flow, async->areas[--async->areas_left], false);
        async->flow = &async->own_flow;
    }
    return jl_async_go(async);
}

jl_status jl_async_send(struct jl_async *async, struct jl_rect area, const void *pixels,
                        uint16_t stride_bytes) {
    jl_status status = jl_async_ready(async);
    if (status != JL_OK) {
        return status;
    }
    status = jl_piece_check(async->panel, area, pixels);
    if (status != JL_OK) {
        return status;
    }
    async->panel->shown = NULL;
    async->frame = jl_frame_of_pixels(async->panel, area, pixels, stride_bytes);
    jl_flow_begin(&async->own_flow, area, false);
    async->flow = &async->own_flow;
    return jl_async_go(async);
}
