/* The wake-up sequence encoding: its check and its interpreter. */
#include "steps.h"

#include "../core/lone.h"
#include "bus.h"

jl_status jl_steps_check(const uint8_t *steps, size_t bytes) {
    while (bytes) {
        size_t length;
        if (!steps || (length = jl_flash_step_length(steps)) > bytes || !JL_STEP_FITS(length)) {
            return JL_BAD_ARGUMENT;
        }
        steps += length;
        bytes -= length;
    }
    return JL_OK;
}

/* One that is neither SETUP nor CLEAR. */
static jl_status run_step(const struct jl_panel *panel, const uint8_t *step) {
    const struct jl_panel_config *config = jl_config_of(panel);
    const struct jl_port *port = panel->port;
    if (step[0] <= JL_STEP_SEND_MOST) {
        return config->bus->send(panel, false, step + 1, step[0]);
    }
    if (step[0] != JL_STEP_CODE_WAIT_MS) {
        return config->controller->rare_step ? config->controller->rare_step(panel, step)
                                             : JL_UNSUPPORTED;
    }
    /* At most 65 535 000 us. */
    port->ops->wait_us(port->context, (step[1] | (uint32_t)step[2] << 8) * 1000);
    return JL_OK;
}

#ifdef __AVR__
enum { COPY_BYTES = JL_STEP_MOST };
#else
enum { COPY_BYTES = 1 }; /* there is none */
#endif

jl_status jl_steps_run(struct jl_panel *panel, struct jl_steps *steps) {
    jl_status status = JL_OK;
    uint8_t copy[COPY_BYTES];
    panel->streaming = NULL;
    while (status == JL_OK && steps->at != steps->end &&
           jl_flash_byte(steps->at) < JL_STEP_CODE_SETUP) {
        const uint8_t *step = steps->at;
        size_t length = jl_flash_step_length(step);
        steps->at += length;
        status = run_step(panel, jl_flash_copy(copy, step, length));
    }
    return status;
}

#ifdef __AVR__
jl_status jl_steps_run_encoded(struct jl_panel *panel, const uint8_t *steps, size_t bytes) {
    const uint8_t *end = steps + bytes;
    jl_status status = JL_OK;
    panel->streaming = NULL;
    while (status == JL_OK && steps != end) {
        const uint8_t *step = steps;
        steps += jl_step_length(step);
        status = run_step(panel, step);
    }
    return status;
}
#else
jl_status jl_steps_run_encoded(struct jl_panel *panel, const uint8_t *steps, size_t bytes) {
    struct jl_steps all = {steps, steps + bytes};
    return jl_steps_run(panel, &all);
}
#endif
