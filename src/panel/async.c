/* Asynchronous presents: a list of areas, of which one line or block at a time is in flight. */
#include "async.h"
#include "bus.h"
#include "panel.h"

static const uint8_t i2c_data_follow = 0x40; /* as in bus_i2c.c */

static bool has_pins(const struct jl_panel *panel) {
    return panel->config->bus->kind != JL_BUS_I2C;
}

/* 3-wire SPI and the paced buses repack bytes through the stack, which no DMA can read later. */
enum {
    STARTED_KINDS = 1 << JL_BUS_I2C | 1 << JL_BUS_SPI | 1 << JL_BUS_8080_8 | 1 << JL_BUS_8080_16 |
                    1 << JL_BUS_6800_8
};

static bool worth_starting(const struct jl_async *async, size_t bytes) {
    const struct jl_port *port = async->panel->port;
    return port->ops->start && port->ops->poll && bytes >= port->least_start_bytes &&
           (STARTED_KINDS >> async->panel->config->bus->kind & 1);
}

static jl_status start(struct jl_async *async, size_t bytes) {
    const struct jl_panel *panel = async->panel;
    const struct jl_port *port = panel->port;
    struct jl_transfer t = {.body = async->line, .body_bytes = bytes};
    if (has_pins(panel)) {
        jl_bus_pin(port, JL_PIN_DC, true);
        jl_bus_pin(port, JL_PIN_CS, false);
    } else {
        t.head = &i2c_data_follow;
        t.head_bytes = 1;
        t.i2c_address = panel->config->i2c_address;
    }
    jl_status status = port->ops->start(port->context, &t);
    async->in_flight = status == JL_OK;
    if (status != JL_OK && has_pins(panel)) {
        jl_bus_pin(port, JL_PIN_CS, true);
    }
    return status;
}

static void take_run(struct jl_async *async, const struct jl_run *run) {
    struct jl_rest rest = jl_rest_of(async->panel, run);
    async->line = rest.line;
    async->line_bytes = async->left_in_line = rest.line_bytes;
    async->lines = rest.lines;
    async->stride_bytes = rest.stride_bytes;
}

/* Past what has been sent of a line. */
static void step(struct jl_async *async, size_t bytes) {
    async->left_in_line -= (uint32_t)bytes;
    async->line += bytes;
    if (async->left_in_line == 0 && --async->lines) {
        async->line += async->stride_bytes - async->line_bytes;
        async->left_in_line = async->line_bytes;
    }
}

/* Short lines go out in one call, all that are left of the area. */
static jl_status send_lines(struct jl_async *async) {
    struct jl_rest rest = {async->line, async->line_bytes, async->lines, async->stride_bytes};
    async->lines = 0;
    return jl_rest_send(async->panel, rest);
}

static jl_status send_next(struct jl_async *async) {
    size_t bytes = jl_bus_part(async->panel->port, async->left_in_line);
    bool whole = async->left_in_line == async->line_bytes;
    jl_status status;
    if (worth_starting(async, bytes)) {
        status = start(async, bytes);
    } else if (whole) {
        return send_lines(async);
    } else { /* the tail of a line that was split */
        status = async->panel->config->bus->send(async->panel, true, async->line, bytes);
    }
    if (status == JL_OK) {
        step(async, bytes);
    }
    return status;
}

static jl_status open_next(struct jl_async *async) {
    struct jl_run run;
    struct jl_rect *area = &run.area;
    jl_run_find(async->panel, &async->frame, async->areas[--async->area_count], &run);
    int16_t rows = (int16_t)(1 << async->panel->format->line_rows_log2);
    if (async->panel->config->controller->line_windows && area->h > rows) {
        async->areas[async->area_count++] = (struct jl_rect){area->x, (int16_t)(area->y + rows),
                                                             area->w, (int16_t)(area->h - rows)};
        area->h = rows;
    }
    jl_status status = jl_window_open(async->panel, run.area);
    if (status == JL_OK) {
        take_run(async, &run);
    }
    return status;
}

static jl_status end(struct jl_async *async, jl_status status) {
    async->lines = 0;
    async->area_count = 0;
    async->panel->state = STATE_AWAKE;
    jl_panel_settle(async->panel, status);
    if (async->ready) {
        async->ready(async->context);
    }
    return status;
}

/* Until a transfer is in flight, or nothing is left. */
static jl_status go_on(struct jl_async *async) {
    jl_status status = JL_OK;
    async->panel->state = STATE_SENDING;
    while (status == JL_OK && !async->in_flight && (async->lines || async->area_count)) {
        status = async->lines ? send_next(async) : open_next(async);
    }
    return status == JL_OK && async->in_flight ? JL_BUSY : end(async, status);
}

jl_status jl_async_poll(struct jl_async *async) {
    if (!async || !async->panel) {
        return JL_BAD_ARGUMENT;
    }
    const struct jl_panel *panel = async->panel;
    if (!async->in_flight) {
        return JL_OK;
    }
    jl_status status = panel->port->ops->poll(panel->port->context);
    if (status == JL_BUSY) {
        return JL_BUSY;
    }
    async->in_flight = false;
    if (has_pins(panel)) {
        jl_bus_pin(panel->port, JL_PIN_CS, true);
    }
    return status == JL_OK ? go_on(async) : end(async, status);
}

jl_status jl_async_finish(struct jl_async *async) {
    jl_status status;
    do {
        status = jl_async_poll(async);
    } while (status == JL_BUSY);
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
    }
    return status;
}

jl_status jl_async_present(struct jl_async *async, struct jl_frame *frame) {
    jl_status status = jl_async_ready(async);
    if (status == JL_OK) {
        status = jl_present_check(async->panel, frame);
    }
    if (status != JL_OK) {
        if (async && async->panel) {
            async->panel->shown = NULL; /* as in jl_panel_present() */
        }
        return status;
    }
    const struct jl_rect *areas;
    async->area_count = jl_present_areas(async->panel, frame, &areas);
    for (uint8_t i = 0; i < async->area_count; i++) {
        async->areas[i] = areas[i];
    }
    async->frame = *frame;
    async->panel->shown = frame;
    if (frame->damage) {
        frame->damage->count = 0;
    }
    return go_on(async);
}

jl_status jl_async_run(struct jl_async *async, const struct jl_run *run) {
    take_run(async, run);
    return go_on(async);
}

jl_status jl_async_send(struct jl_async *async, struct jl_rect area, const void *pixels,
                        uint16_t stride_bytes) {
    jl_status status = jl_async_ready(async);
    if (status != JL_OK) {
        return status;
    }
    struct jl_run run;
    status = jl_piece_check(async->panel, area, pixels, stride_bytes, &run);
    if (status != JL_OK) {
        return status;
    }
    async->panel->shown = NULL;
    if (async->panel->config->controller->line_windows) {
        return end(async, async->panel->config->controller->write(async->panel, &run));
    }
    status = jl_window_open(async->panel, area);
    if (status != JL_OK) {
        return jl_panel_settle(async->panel, status);
    }
    return jl_async_run(async, &run);
}
