/* Opening, waking, sleeping: the life of a panel. */
#include "panel.h"

#include "bus.h"
#include "steps.h"

#define FLIP_ALL JL_FLIP_HALF_TURN

static jl_status check_config(const struct jl_panel_config *config, const struct jl_port *port) {
    const struct jl_controller *controller = config->controller;
    if (!controller || !port->ops || !port->ops->send || !port->ops->wait_us || config->width < 1 ||
        config->height < 1 || config->column_offset < 0 || (config->flip & ~FLIP_ALL)) {
        return JL_BAD_ARGUMENT;
    }
    if ((unsigned)config->bus > JL_BUS_SPI || !(controller->buses & (1u << config->bus))) {
        return JL_UNSUPPORTED;
    }
    if (config->bus == JL_BUS_I2C && (config->i2c_address < 0x08 || config->i2c_address > 0x77)) {
        return JL_BAD_ADDRESS;
    }
    bool needs_pins = config->bus == JL_BUS_SPI || (config->module & JL_MODULE_RESET_WIRED);
    if (needs_pins && !port->ops->set_pin) {
        return JL_BAD_ARGUMENT;
    }
    if ((int32_t)config->column_offset + config->width > controller->ram_width ||
        config->height > controller->ram_height ||
        (config->width & (controller->column_unit - 1))) {
        return JL_OUT_OF_RANGE;
    }
    return config->wake_steps ? jl_steps_check(config->wake_steps, config->wake_steps_bytes)
                              : JL_OK;
}

jl_status jl_panel_open(struct jl_panel *panel, const struct jl_panel_config *config,
                        const struct jl_port *port) {
    if (!panel) {
        return JL_BAD_ARGUMENT;
    }
    *panel = (struct jl_panel){.state = STATE_UNUSABLE};
    if (!config || !port) {
        return JL_BAD_ARGUMENT;
    }
    jl_status status = check_config(config, port);
    if (status == JL_OK) {
        panel->config = config;
        panel->port = port;
        panel->state = STATE_OPEN;
    }
    return status;
}

jl_status jl_panel_settle(struct jl_panel *panel, jl_status status) {
    if (status != JL_OK) {
        panel->state = STATE_OPEN;
    }
    return status;
}

jl_status jl_panel_ready(const struct jl_panel *panel) {
    if (!panel) {
        return JL_BAD_ARGUMENT;
    }
    return panel->state == STATE_AWAKE       ? JL_OK
           : panel->state == STATE_SCROLLING ? JL_BUSY
                                             : JL_NOT_AWAKE;
}

static void reset_pulse(const struct jl_panel *panel) {
    const struct jl_port *port = panel->port;
    const struct jl_controller *controller = panel->config->controller;
    /* Whatever the pin was before: low for long enough, then high, is a reset. */
    jl_bus_pin(port, JL_PIN_RESET, false);
    port->ops->wait_us(port->context, controller->reset_low_us);
    jl_bus_pin(port, JL_PIN_RESET, true);
    port->ops->wait_us(port->context, controller->reset_recovery_us);
}

jl_status jl_panel_wake(struct jl_panel *panel) {
    if (!panel) {
        return JL_BAD_ARGUMENT;
    }
    if (panel->state == STATE_UNUSABLE) {
        return JL_NOT_AWAKE;
    }
    const struct jl_panel_config *config = panel->config;
    const struct jl_controller *controller = config->controller;
    panel->flip = config->flip;
    panel->contrast = config->contrast ? config->contrast : controller->default_contrast;
    panel->inverted = config->inverted;
    panel->all_on = false;
    panel->stale = true;
    if (config->bus == JL_BUS_SPI) {
        jl_bus_pin(panel->port, JL_PIN_CS, true);
    }
    if (config->module & JL_MODULE_RESET_WIRED) {
        reset_pulse(panel);
    }
    jl_status status =
        config->wake_steps
            ? jl_steps_run(panel, config->wake_steps, config->wake_steps_bytes)
            : jl_steps_run(panel, controller->wake_steps, controller->wake_steps_bytes);
    panel->state = STATE_AWAKE;
    return jl_panel_settle(panel, status);
}

jl_status jl_panel_apply(struct jl_panel *panel, enum jl_setting setting, uint8_t value) {
    uint8_t steps[JL_STEPS_MOST_BYTES];
    size_t bytes = panel->config->controller->setting(panel, setting, value, steps);
    if (!bytes) {
        return JL_UNSUPPORTED;
    }
    return jl_panel_settle(panel, jl_steps_run_plain(panel, steps, bytes));
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
        return panel->state == STATE_AWAKE ? JL_OK : JL_NOT_AWAKE;
    }
    panel->state = STATE_AWAKE;
    return jl_panel_apply(panel, JL_SETTING_POWER, 1);
}
