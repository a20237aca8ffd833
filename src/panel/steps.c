/* The wake-up sequence encoding: its check and its interpreter. */
#include "steps.h"

#include "area.h"
#include "bus.h"

#define SEND_MOST 0x7F

/* Bytes of a step; more than there can be when it is unknown. */
static size_t step_length(const uint8_t *step) {
    static const uint8_t of_codes[] = {3, 4, 1, 1}; /* WAIT_MS, WAIT_BUSY, SETUP, CLEAR */
    if (step[0] - 1u < SEND_MOST) {
        return 1u + step[0];
    }
    unsigned code = step[0] - (unsigned)JL_STEP_CODE_WAIT_MS;
    return code < sizeof of_codes ? of_codes[code] : SIZE_MAX;
}

jl_status jl_steps_check(const uint8_t *steps, size_t bytes) {
    while (bytes) {
        size_t length;
        if (!steps || (length = step_length(steps)) > bytes) {
            return JL_BAD_ARGUMENT;
        }
        steps += length;
        bytes -= length;
    }
    return JL_OK;
}

static jl_status run_plain_step(const struct jl_panel *panel, const uint8_t *step) {
    const struct jl_port *port = panel->port;
    if (step[0] <= SEND_MOST) {
        return panel->config->bus->send(panel, false, step + 1, step[0]);
    }
    if (step[0] == JL_STEP_CODE_WAIT_BUSY) {
        const struct jl_controller *controller = panel->config->controller;
        return controller->wait_busy ? controller->wait_busy(port, step + 1) : JL_UNSUPPORTED;
    }
    /* At most 65 535 000 us. */
    port->ops->wait_us(port->context, (step[1] | (uint32_t)step[2] << 8) * 1000);
    return JL_OK;
}

jl_status jl_steps_run_plain(struct jl_panel *panel, const uint8_t *steps, size_t bytes) {
    panel->streaming = NULL;
    jl_status status = JL_OK;
    size_t length;
    for (; bytes && status == JL_OK; steps += length, bytes -= length) {
        length = step_length(steps);
        status = run_plain_step(panel, steps);
    }
    return status;
}

/* Makes the visible RAM show the format's clear colour. */
static jl_status clear(struct jl_panel *panel) {
    const struct jl_rect all = {0, 0, panel->width, panel->height};
    return jl_area_send(panel, &all, NULL);
}

jl_status jl_steps_run(struct jl_panel *panel, const uint8_t *steps, size_t bytes) {
    uint8_t setup[JL_STEPS_MOST_BYTES];
    jl_status status = JL_OK;
    size_t length;
    for (; bytes && status == JL_OK; steps += length, bytes -= length) {
        length = step_length(steps);
        if (steps[0] == JL_STEP_CODE_SETUP) {
            status =
                jl_steps_run_plain(panel, setup, panel->config->controller->setup(panel, setup));
        } else if (steps[0] == JL_STEP_CODE_CLEAR) {
            status = clear(panel);
        } else {
            status = run_plain_step(panel, steps);
        }
    }
    return status;
}
