/* Waking by a sequence of the program's own. */
#include "../core/mem.h"
#include "jadelamp/wake.h"
#include "knock.h"

/* Bytes of a step; more than there can be where it is unknown. */
static size_t length_of(const uint8_t *step) {
    switch (step[0]) {
    case JL_STEP_CODE_WAIT_MS:
        return 3;
    case JL_CHAR_STEP_CODE_PULSE:
        return 2;
    case JL_STEP_CODE_SETUP:
    case JL_STEP_CODE_CLEAR:
        return 1;
    default:
        return step[0] && step[0] < JL_STEP_CODE_WAIT_MS ? 1u + step[0] : SIZE_MAX;
    }
}

static jl_status check(const uint8_t *steps, size_t bytes, bool *pulses) {
    while (bytes) {
        size_t length;
        if (!steps || (length = length_of(steps)) > bytes) {
            return JL_BAD_STEPS;
        }
        *pulses = *pulses || steps[0] == JL_CHAR_STEP_CODE_PULSE;
        steps += length;
        bytes -= length;
    }
    return JL_OK;
}

/* An instruction, and what the panel keeps of it. */
static jl_status instruct(struct jl_char_panel *panel, uint8_t command) {
    if (command >= JL_CHAR_ENTRY && command < JL_CHAR_DISPLAY) {
        panel->entry = command;
    } else if (command >= JL_CHAR_DISPLAY && command < JL_CHAR_SHIFT) {
        panel->display = command;
    }
    return command ? jl_char_send(panel, jl_char_all(panel), command, NULL, 0) : JL_OK;
}

static jl_status set_up(struct jl_char_panel *panel) {
    const struct jl_char_config *config = jl_cells_of(panel);
    jl_status status = instruct(panel, (uint8_t)(JL_CHAR_FUNCTION |
                                                 (config->wire->eight_bits ? JL_CHAR_8_BITS : 0) |
                                                 (jl_char_two_lines(panel) ? JL_CHAR_2_LINES : 0)));
    status = status == JL_OK ? instruct(panel, JL_CHAR_DISPLAY) : status;
    status = status == JL_OK ? jl_char_send_long(panel, JL_CHAR_CLEAR) : status;
    status = status == JL_OK ? instruct(panel, JL_CHAR_ENTRY | JL_CHAR_RISING) : status;
    return status == JL_OK ? instruct(panel, JL_CHAR_DISPLAY | JL_CHAR_ON) : status;
}

static jl_status run(struct jl_char_panel *panel, const uint8_t *step) {
    const struct jl_port *port = panel->port;
    jl_status status = JL_OK;
    switch (step[0]) {
    case JL_STEP_CODE_WAIT_MS:
        port->ops->wait_us(port->context, (step[1] | (uint32_t)step[2] << 8) * 1000);
        break;
    case JL_CHAR_STEP_CODE_PULSE:
        status = jl_cells_of(panel)->wire->knock(panel, step[1] & 15);
        port->ops->wait_us(port->context, JL_CHAR_US);
        break;
    case JL_STEP_CODE_SETUP:
        return set_up(panel);
    case JL_STEP_CODE_CLEAR:
        return jl_char_send_long(panel, JL_CHAR_CLEAR);
    default:
        for (uint8_t i = 1; i <= step[0] && status == JL_OK; i++) {
            status = instruct(panel, step[i]);
        }
    }
    return status;
}

jl_status jl_char_wake_by(struct jl_char_panel *panel, const uint8_t *steps, size_t bytes) {
    bool pulses = false;
    if (!panel || !panel->port) {
        return panel ? JL_NOT_AWAKE : JL_BAD_ARGUMENT;
    }
    const struct jl_char_config *config = jl_cells_of(panel);
    jl_status status = check(steps, bytes, &pulses);
    if (status != JL_OK) {
        return jl_char_note(panel, status);
    }
    panel->awake = false;
    panel->status = JL_OK;
    status = pulses ? config->wire->rest(panel) : jl_char_knock(panel);
    panel->entry = JL_CHAR_ENTRY | JL_CHAR_RISING;
    panel->display = JL_CHAR_DISPLAY;
    panel->column = panel->row = 0;
    for (size_t at = 0; at < bytes && status == JL_OK; at += length_of(steps + at)) {
        status = run(panel, steps + at);
    }
    if (status == JL_OK) { /* from a known address on */
        panel->address[0] = panel->address[1] = 0;
        status = instruct(panel, jl_char_address(panel, 0));
    }
    panel->awake = status == JL_OK;
    for (uint16_t i = 0; panel->shown && i < (uint16_t)(config->columns * config->rows); i++) {
        panel->shown[i] = (uint8_t)~panel->wanted[i]; /* what the cells hold is not known */
    }
    return status == JL_OK ? jl_char_define_glyphs(panel) : jl_char_note(panel, status);
}
