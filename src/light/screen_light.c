/* The light of a screen, and when it goes down. */
#include "jadelamp/light.h"

jl_status jl_light_open(struct jl_light *light, const struct jl_light_config *config,
                        struct jl_panel *panel) {
    if (!light) {
        return JL_BAD_ARGUMENT;
    }
    *light = (struct jl_light){.panel = panel};
    if (!config || !config->way || !panel || !panel->port) {
        return JL_BAD_ARGUMENT;
    }
    light->config = config;
    light->full = config->full;
    return JL_OK;
}

void jl_light_set(struct jl_light *light, uint8_t full) {
    if (light) {
        light->full = full;
    }
}

bool jl_light_is_off(const struct jl_light *light) {
    return light && light->is_off;
}

/* Lightness to light: a line up to 8 % of lightness, above it the cube of (L + 16) / 116. */
static uint16_t duty_of(uint8_t level) {
    if (level <= 20) {
        return (uint16_t)((uint32_t)level * 65535u * 100u / 255u / 903u); /* L / 903.3 */
    }
    uint64_t part = (uint64_t)level * 100 + 16 * 255; /* of 116 * 255 */
    const uint64_t whole = 116 * 255ul;
    return (uint16_t)((part * part * part * 65535 + whole * whole * whole / 2) /
                      (whole * whole * whole));
}

/* Where it fades to, by the time without an event. */
static uint8_t wanted(struct jl_light *light, uint32_t now_ms) {
    const struct jl_light_config *config = light->config;
    uint32_t idle = now_ms - light->event_ms;
    /* Once off it stays so, or a counter that wraps would light it. */
    light->is_off |= config->off_after_ms && idle >= config->off_after_ms;
    if (light->is_off) {
        return 0;
    }
    bool dimmed = config->dim_after_ms && idle >= config->dim_after_ms && config->dim < light->full;
    return dimmed ? config->dim : light->full;
}

static uint8_t faded(const struct jl_light *light, uint32_t now_ms) {
    uint32_t gone = now_ms - light->fade_from_ms, fade = light->config->fade_ms;
    uint8_t low = light->from < light->target ? light->from : light->target;
    uint8_t way = (uint8_t)(light->from + light->target - 2 * low);
    if (gone >= fade * way / 255) {
        return light->target;
    }
    uint8_t done = (uint8_t)(gone * 255 / fade);
    return (uint8_t)(light->from < light->target ? light->from + done : light->from - done);
}

/* Off, and down: the panel may sleep. */
static bool is_to_sleep(const struct jl_light *light, uint8_t level) {
    return light->is_off && !level && light->config->sleep_when_off;
}

static jl_status set(struct jl_light *light, uint8_t level) {
    jl_status status = JL_OK;
    if (light->asleep && !is_to_sleep(light, level)) {
        status = jl_panel_resume(light->panel);
        light->asleep = status != JL_OK;
    }
    if (status == JL_OK) {
        status = light->config->way->set(light->panel, duty_of(level));
    }
    if (status == JL_OK && is_to_sleep(light, level)) {
        status = jl_panel_sleep(light->panel);
        light->asleep = status == JL_OK;
    }
    light->is_set = status == JL_OK;
    return status;
}

jl_status jl_light_tick(struct jl_light *light, uint32_t now_ms) {
    if (!light || !light->config) {
        return JL_BAD_ARGUMENT;
    }
    if (!light->is_started) {
        light->is_started = true;
        light->event_ms = light->fade_from_ms = now_ms;
    }
    uint8_t target = wanted(light, now_ms);
    if (target != light->target) {
        light->from = light->level;
        light->target = target;
        light->fade_from_ms = now_ms;
    }
    uint8_t level = faded(light, now_ms);
    if (level == light->level && light->is_set && light->asleep == is_to_sleep(light, level)) {
        return JL_OK;
    }
    light->level = level;
    return set(light, level);
}

/* A finger's or key's bit; 0: an event that has no end, as of a knob. */
static uint8_t bit_of(const struct jl_event *event) {
    switch (event->kind) {
    case JL_EVENT_KEY:
    case JL_EVENT_KEY_UP:
        return (uint8_t)(4u << event->which % 6);
    case JL_EVENT_NONE:
    case JL_EVENT_STEP:
        return 0;
    default:
        return (uint8_t)(1u << (event->which & 1));
    }
}

bool jl_light_event(struct jl_light *light, const struct jl_event *event, uint32_t now_ms) {
    if (!light || !light->config) {
        return true;
    }
    bool woken = light->is_off;
    light->is_off = false;
    light->is_started = true;
    light->event_ms = now_ms;
    if (!event) {
        return true;
    }
    uint8_t bit = bit_of(event);
    bool ends = jl_event_is_end(event) || event->kind == JL_EVENT_KEY_UP;
    bool passed_over = woken || (light->passed_over & bit);
    if (passed_over && !ends) {
        light->passed_over |= bit;
    } else {
        light->passed_over = (uint8_t)(light->passed_over & ~bit);
    }
    return !passed_over;
}
