/*
 * The light of a screen: fades, is dimmed when nobody does anything, goes off later, and comes back
 * with the first touch or key, which does nothing else then.
 *
 *   static const struct jl_light_config config = {.way = &jl_light_pwm, .full = 255, .dim = 60,
 *       .fade_ms = 300, .dim_after_ms = 30000, .off_after_ms = 60000};
 *   struct jl_light light;
 *   jl_light_open(&light, &config, &panel);
 *   for (;;) {
 *       jl_light_tick(&light, now_ms);
 *       if (jl_light_event(&light, &event, now_ms)) { ... hand the event on ... }
 *   }
 *
 * Levels are as the eye sees them: 128 looks half as bright as 255, and is 18 % of the light
 * (CIE 1976 lightness, ISO/CIE 11664-4).
 */
#ifndef JADELAMP_LIGHT_H
#define JADELAMP_LIGHT_H

#include "jadelamp/event.h"
#include "jadelamp/panel.h"

#ifdef __cplusplus
extern "C" {
#endif

/** A way to make light; constants below. The member is for the library. */
struct jl_light_way {
    /* duty: of 65535, in proportion to the light */
    jl_status (*set)(struct jl_panel *panel, uint16_t duty);
};

/** Backlight on JL_PIN_LIGHT, on (from half of the light) or off; needs JL_MODULE_LIGHT_WIRED. */
extern const struct jl_light_way jl_light_pin;
/** Backlight on JL_PIN_LIGHT by the port's set_duty(). */
extern const struct jl_light_way jl_light_pwm;
/** jl_panel_contrast(): OLED, or the light that a TFT controller drives. OLED glows a little at 0.
 */
extern const struct jl_light_way jl_light_contrast;

/** Description: constant. Times of 0: never, and without a fade. */
struct jl_light_config {
    const struct jl_light_way *way;
    uint8_t full;          /**< level at first */
    uint8_t dim;           /**< level while idle; a lower full level stays */
    bool sleep_when_off;   /**< jl_panel_sleep() while it is off: present nothing then */
    uint16_t fade_ms;      /**< from 0 to 255 */
    uint32_t dim_after_ms; /**< without an event */
    uint32_t off_after_ms; /**< without an event; more than dim_after_ms */
};

/** A light. The caller's memory; members are for the library. */
struct jl_light {
    const struct jl_light_config *config;
    struct jl_panel *panel;
    uint8_t full, target, from, level;
    uint8_t passed_over; /* fingers and keys whose touch woke it, a bit each */
    bool is_set, is_started, asleep, is_off;
    uint32_t event_ms, fade_from_ms;
};

/**
 * Ties it to its description and panel. Sends nothing; the first jl_light_tick() begins at 0.
 *
 * @return JL_OK; JL_BAD_ARGUMENT (NULL, no way, or a panel that was not opened)
 */
JL_MUST_CHECK
jl_status jl_light_open(struct jl_light *light, const struct jl_light_config *config,
                        struct jl_panel *panel);

/** Another level, 0..255, to which it fades. NULL: does nothing. */
void jl_light_set(struct jl_light *light, uint8_t full);

/**
 * Goes on with fades and idle times. Call it every 10 to 50 ms. Sends only when the level changes.
 *
 * @return JL_OK; JL_BAD_ARGUMENT; or of the panel's calls: then the next tick tries again, also
 *         after the panel was woken anew
 */
jl_status jl_light_tick(struct jl_light *light, uint32_t now_ms);

/**
 * Somebody did something: lights it fully again.
 *
 * @param event NULL: no event of a hand, such as an alarm to be seen
 * @return whether the event is to be handed on: false for what woke it from off, up to and
 *         with the finger's leaving or the key's going up
 */
bool jl_light_event(struct jl_light *light, const struct jl_event *event, uint32_t now_ms);

/** Whether it went off by itself. */
bool jl_light_is_off(const struct jl_light *light);

#ifdef __cplusplus
}
#endif

#endif
