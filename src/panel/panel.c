/* Opening, waking, sleeping: the life of a panel. */
#include "panel.h"

#include "../core/lone.h"
#include "area.h"
#include "reset.h"
#include "steps.h"

/* Also a size below 1 and a negative offset, which are great as uint16_t. */
static bool outside(int16_t offset, int16_t size, int16_t ram) {
    return (uint32_t)(uint16_t)offset + (uint16_t)(size - 1) >= (uint16_t)ram;
}

static jl_status check_config(const struct jl_panel *panel) {
    const struct jl_panel_config *config = jl_config_of(panel);
    const struct jl_controller *controller = config->controller;
    const struct jl_format *format = jl_format_of(panel);
    const struct jl_port_ops *ops = panel->port->ops;
    if (!ops || !ops->send || !ops->wait_us ||
        ((config->module & JL_MODULE_RESET_WIRED) && !ops->set_pin)) {
        return JL_BAD_PORT;
    }
    if (!(controller->buses >> config->bus->kind & 1)) {
        return JL_BAD_BUS;
    }
    if (outside(config->column_offset, config->width, controller->ram_width) ||
        outside(config->row_offset, config->height, controller->ram_height) ||
        (config->width & (controller->column_unit - 1)) ||
        (config->row_offset && format->line_rows_log2)) { /* pages begin at the glass's edge */
        return JL_BAD_SIZE;
    }
    if (!jl_turn_possible(controller, config->turn)) {
        return JL_BAD_TURN;
    }
    if (jl_steps_check(config->wake_steps, config->wake_steps_bytes)) {
        return JL_BAD_STEPS;
    }
    if (!(controller->layouts[config->bus->wires] >> format->layout & 1)) {
        return JL_BAD_FORMAT;
    }
    return config->bus->check(panel);
}

jl_status jl_panel_open(struct jl_panel *panel, const struct jl_panel_config *config,
                        const struct jl_port *port) {
    if (!panel) {
        return JL_BAD_ARGUMENT;
    }
    *panel = (struct jl_panel){.state = STATE_UNUSABLE, .port = port};
    if (!jl_may_open(config) || !port) {
        return jl_panel_note(panel, JL_BAD_ARGUMENT);
    }
    jl_panel_describe(panel, config);
    config = jl_config_of(panel);
    jl_status status = check_config(panel);
    if (status == JL_OK) {
        panel->state = STATE_OPEN;
        panel->inverted = config->inverted;
        panel->contrast =
            config->contrast ? config->contrast : config->controller->default_contrast;
        jl_panel_take_turn(panel, config->turn);
    }
    return jl_panel_note(panel, status);
}

jl_status jl_panel_note(struct jl_panel *panel, jl_status status) {
    if (panel->status == JL_OK) {
        panel->status = (uint8_t)status;
    }
    return status;
}

jl_status jl_panel_end_call(struct jl_panel *panel, jl_status status) {
    panel->addressed.w = panel->addressed.h = 0;
    if (status != JL_OK) {
        panel->state = STATE_OPEN;
    }
    return jl_panel_note(panel, status);
}

jl_status jl_panel_ready(struct jl_panel *panel) {
    if (!panel) {
        return JL_BAD_ARGUMENT;
    }
    static const uint8_t of_states[] = {JL_NOT_AWAKE, JL_NOT_AWAKE, JL_OK, JL_BUSY, JL_NOT_AWAKE};
    return panel->state == STATE_SENDING ? panel->sending->finish(panel->sending)
                                         : jl_panel_note(panel, of_states[panel->state]);
}

/* What stops the interpreter: the description's own steps, and the clear colour. */
static jl_status run_code(struct jl_panel *panel, uint8_t code) {
    uint8_t setup[JL_STEPS_MOST_BYTES];
    if (code == JL_STEP_CODE_CLEAR) {
        if (panel->plane) { /* e-paper that resumes, and kept its picture */
            return JL_OK;
        }
        const struct jl_rect all = {0, 0, panel->width, panel->height};
        return jl_area_send(panel, &all, NULL);
    }
    return jl_steps_run_encoded(panel, setup, jl_config_of(panel)->controller->setup(panel, setup));
}

static jl_status run_wake_steps(struct jl_panel *panel) {
    const struct jl_panel_config *config = jl_config_of(panel);
    const uint8_t *at = config->wake_steps;
    uint16_t bytes = config->wake_steps_bytes;
    if (!at) {
        at = config->controller->wake_steps;
        bytes = config->controller->wake_steps_bytes;
    }
    struct jl_steps steps = {at, at + bytes};
    jl_status status;
    while ((status = jl_steps_run(panel, &steps)) == JL_OK && steps.at != steps.end) {
        status = run_code(panel, jl_flash_byte(steps.at++));
        if (status != JL_OK) {
            break;
        }
    }
    return status;
}

jl_status jl_panel_wake(struct jl_panel *panel) {
    if (!panel) {
        return JL_BAD_ARGUMENT;
    }
    if (panel->state == STATE_UNUSABLE) {
        return JL_NOT_AWAKE;
    }
    const struct jl_panel_config *config = jl_config_of(panel);
    (void)jl_panel_ready(panel); /* what is under way must end; its error is past then */
    panel->shown = NULL;
    panel->status = JL_OK;
    jl_panel_end_call(panel, JL_OK); /* a reset forgets what was addressed */
    config->bus->end(panel);         /* no transfer is open */
    if (config->module & JL_MODULE_RESET_WIRED) {
        jl_reset(panel);
    }
    jl_status status = run_wake_steps(panel);
    panel->state = STATE_AWAKE;
    return jl_panel_end_call(panel, status);
}

jl_status jl_panel_apply(struct jl_panel *panel, enum jl_setting setting, uint8_t value) {
    uint8_t steps[JL_STEPS_MOST_BYTES];
    size_t bytes = jl_config_of(panel)->controller->setting(panel, setting, value, steps);
    if (!bytes) {
        return jl_panel_note(panel, JL_UNSUPPORTED);
    }
    return jl_panel_end_call(panel, jl_steps_run_encoded(panel, steps, bytes));
}

jl_status jl_panel_sleep(struct jl_panel *panel) {
    jl_status status = jl_panel_ready(panel);
    if (status == JL_OK) {
        status = jl_panel_apply(panel, JL_SETTING_POWER, 0);
    }
    if (status == JL_OK) {
        panel->state = STATE_ASLEEP;
    }
    return status;
}

jl_status jl_panel_resume(struct jl_panel *panel) {
    if (!panel) {
        return JL_BAD_ARGUMENT;
    }
    if (panel->state != STATE_ASLEEP) {
        return jl_panel_ready(panel);
    }
    const struct jl_paper *paper = jl_config_of(panel)->controller->paper;
    if (paper) {
        return paper->resume(panel);
    }
    panel->state = STATE_AWAKE;
    return jl_panel_apply(panel, JL_SETTING_POWER, 1);
}
