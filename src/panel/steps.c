/* The wake-up sequence encoding: its check and its interpreter. */
#include "steps.h"

#include "bus.h"
#include "window.h"

#define SEND_MOST 0x7F

/* Bytes of the step at steps[0], or 0 when it is unknown or runs past the end. */
static size_t step_length(const uint8_t *steps, size_t bytes)
{
    size_t length;
    uint8_t code = steps[0];
    if (code >= 1 && code <= SEND_MOST) {
        length = 1u + code;
    } else if (code == JL_STEP_CODE_WAIT_MS) {
        length = 3;
    } else if (code == JL_STEP_CODE_WAIT_BUSY) {
        length = 4;
    } else if (code == JL_STEP_CODE_SETUP || code == JL_STEP_CODE_CLEAR) {
        length = 1;
    } else {
        return 0;
    }
    return length <= bytes ? length : 0;
}

jl_status jl_steps_check(const uint8_t *steps, size_t bytes)
{
    if (!steps) {
        return JL_BAD_ARGUMENT;
    }
    while (bytes) {
        size_t length = step_length(steps, bytes);
        if (!length) {
            return JL_BAD_ARGUMENT;
        }
        steps += length;
        bytes -= length;
    }
    return JL_OK;
}

/* 1000 us at a time, so that 65535 ms cannot overflow the port's 32 bits. */
static void wait_ms(const struct jl_port *port, uint16_t ms)
{
    while (ms--) {
        port->ops->wait_us(port->context, 1000);
    }
}

static jl_status wait_busy(const struct jl_port *port, bool level, uint16_t limit_ms)
{
    if (!port->ops->get_pin) {
        return JL_UNSUPPORTED;
    }
    while (port->ops->get_pin(port->context, JL_PIN_BUSY) != level) {
        if (limit_ms-- == 0) {
            return JL_TIMEOUT;
        }
        port->ops->wait_us(port->context, 1000);
    }
    return JL_OK;
}

static uint16_t get_u16(const uint8_t *low_first)
{
    return (uint16_t)(low_first[0] | low_first[1] << 8);
}

static jl_status run_plain_step(const struct jl_panel *panel, const uint8_t *step)
{
    switch (step[0]) {
    case JL_STEP_CODE_WAIT_MS:
        wait_ms(panel->port, get_u16(step + 1));
        return JL_OK;
    case JL_STEP_CODE_WAIT_BUSY:
        return wait_busy(panel->port, step[1] != 0, get_u16(step + 2));
    default:
        return jl_bus_command(panel, step + 1, step[0]);
    }
}

jl_status jl_steps_run_plain(const struct jl_panel *panel, const uint8_t *steps, size_t bytes)
{
    jl_status status = JL_OK;
    size_t length;
    for (; bytes && status == JL_OK; steps += length, bytes -= length) {
        length = step_length(steps, bytes);
        if (!length) {
            return JL_BAD_ARGUMENT;
        }
        status = run_plain_step(panel, steps);
    }
    return status;
}

jl_status jl_steps_run(const struct jl_panel *panel, const uint8_t *steps, size_t bytes)
{
    uint8_t setup[JL_STEPS_MOST_BYTES];
    jl_status status = JL_OK;
    size_t length;
    for (; bytes && status == JL_OK; steps += length, bytes -= length) {
        length = step_length(steps, bytes);
        if (!length) {
            return JL_BAD_ARGUMENT;
        }
        if (steps[0] == JL_STEP_CODE_SETUP) {
            status = jl_steps_run_plain(panel, setup,
                                        panel->config->controller->setup(panel, setup));
        } else if (steps[0] == JL_STEP_CODE_CLEAR) {
            status = jl_window_clear(panel);
        } else {
            status = run_plain_step(panel, steps);
        }
    }
    return status;
}
