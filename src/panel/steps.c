/* The wake-up sequence encoding: its check and its interpreter. */
#include "steps.h"

#include "bus.h"
#include "window.h"

#define SEND_MOST 0x7F

/* Bytes of the step at steps[0], or 0 when it is unknown or runs past the end. */
static size_t step_length(const uint8_t *steps, size_t bytes) {
    static const uint8_t of_codes[] = {3, 4, 1, 1}; /* WAIT_MS, WAIT_BUSY, SETUP, CLEAR */
    size_t length = 0;
    if (steps[0] - 1u < SEND_MOST) {
        length = 1u + steps[0];
    } else if (steps[0] - (unsigned)JL_STEP_CODE_WAIT_MS < sizeof of_codes) {
        length = of_codes[steps[0] - JL_STEP_CODE_WAIT_MS];
    }
    return length <= bytes ? length : 0;
}

jl_status jl_steps_check(const uint8_t *steps, size_t bytes) {
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

/*
 * Both waits: for some time, or with a time limit for the BUSY pin's level.
 * 1000 us at a turn, so that 65535 ms cannot overflow the port's 32 bits.
 */
static jl_status wait(const struct jl_port *port, const uint8_t *step) {
    bool for_pin = step[0] == JL_STEP_CODE_WAIT_BUSY;
    const uint8_t *low_first = step + 1 + for_pin;
    uint32_t ms = low_first[0] | (uint32_t)low_first[1] << 8;
    if (for_pin && !port->ops->get_pin) {
        return JL_UNSUPPORTED;
    }
    for (;; ms--) {
        if (for_pin && port->ops->get_pin(port->context, JL_PIN_BUSY) == (step[1] != 0)) {
            return JL_OK;
        }
        if (ms == 0) {
            return for_pin ? JL_TIMEOUT : JL_OK;
        }
        port->ops->wait_us(port->context, 1000);
    }
}

static jl_status run_plain_step(const struct jl_panel *panel, const uint8_t *step) {
    return step[0] <= SEND_MOST ? jl_bus_command(panel, step + 1, step[0])
                                : wait(panel->port, step);
}

jl_status jl_steps_run_plain(const struct jl_panel *panel, const uint8_t *steps, size_t bytes) {
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

jl_status jl_steps_run(const struct jl_panel *panel, const uint8_t *steps, size_t bytes) {
    uint8_t setup[JL_STEPS_MOST_BYTES];
    jl_status status = JL_OK;
    size_t length;
    for (; bytes && status == JL_OK; steps += length, bytes -= length) {
        length = step_length(steps, bytes);
        if (!length) {
            return JL_BAD_ARGUMENT;
        }
        if (steps[0] == JL_STEP_CODE_SETUP) {
            status =
                jl_steps_run_plain(panel, setup, panel->config->controller->setup(panel, setup));
        } else if (steps[0] == JL_STEP_CODE_CLEAR) {
            status = jl_window_clear(panel);
        } else {
            status = run_plain_step(panel, steps);
        }
    }
    return status;
}
