/*
 * What is known of a panel and of targets. Where the library is compiled for one panel alone
 * (`jadelamp bundle --lone`), JL_LONE_PANEL names its description, of which every field is then a
 * constant that the compiler looks through; with JL_LONE_FRAMES all targets are frames and bands of
 * its format. Elsewhere it is what panels were opened with, and frames made with. What is known
 * is not stored, since a constant that is pointed to has to be there.
 */
#ifndef JADELAMP_SRC_LONE_H
#define JADELAMP_SRC_LONE_H

#include "jadelamp/panel.h"

#ifdef JL_LONE_PANEL

extern const struct jl_panel_config JL_LONE_PANEL;

static inline const struct jl_panel_config *jl_config_of(const struct jl_panel *panel) {
    (void)panel;
    return &JL_LONE_PANEL;
}

static inline const struct jl_format *jl_format_of(const struct jl_panel *panel) {
    (void)panel;
    return JL_LONE_PANEL.format;
}

static inline void jl_panel_describe(struct jl_panel *panel, const struct jl_panel_config *config) {
    (void)panel, (void)config;
}

static inline bool jl_may_open(const struct jl_panel_config *config) {
    return config != NULL; /* the public call has made any other one NULL */
}

#else

static inline const struct jl_panel_config *jl_config_of(const struct jl_panel *panel) {
    return panel->config;
}

static inline const struct jl_format *jl_format_of(const struct jl_panel *panel) {
    return panel->format;
}

static inline void jl_panel_describe(struct jl_panel *panel, const struct jl_panel_config *config) {
    panel->config = config;
    panel->format = config->format ? config->format : config->controller->format;
}

static inline bool jl_may_open(const struct jl_panel_config *config) {
    return config && config->controller && config->bus;
}

#endif

#ifdef JL_LONE_FRAMES

static inline const struct jl_target_ops *jl_ops_of(const struct jl_target *target) {
    (void)target;
    return &JL_LONE_PANEL.format->ops;
}

static inline const struct jl_format *jl_frame_format(const struct jl_frame *frame) {
    (void)frame;
    return JL_LONE_PANEL.format;
}

#else

static inline const struct jl_target_ops *jl_ops_of(const struct jl_target *target) {
    return target->ops;
}

static inline const struct jl_format *jl_frame_format(const struct jl_frame *frame) {
    return frame->format;
}

#endif

/* A byte of fresh memory; lone frames have one plane. */
static inline uint8_t jl_clear_byte(const struct jl_format *format, unsigned plane) {
#ifdef JL_LONE_FRAMES
    (void)plane;
    return format->clear[0];
#else
    return format->clear[plane];
#endif
}

/* Whether there can be targets with these operations; nothing is drawn on others. */
static inline bool jl_may_aim(const struct jl_target_ops *ops) {
#ifdef JL_LONE_FRAMES
    return !ops;
#else
    (void)ops;
    return true;
#endif
}

/* Whether frames may have a format. */
static inline bool jl_may_frame(const struct jl_format *format) {
#ifdef JL_LONE_FRAMES
    return format == JL_LONE_PANEL.format;
#else
    return format != NULL;
#endif
}

/* Gives a frame its format, and then its size, which makes it one to draw on. */
static inline void jl_frame_describe(struct jl_frame *frame, const struct jl_format *format) {
#ifdef JL_LONE_FRAMES
    (void)frame, (void)format;
#else
    frame->format = format;
#endif
}

static inline void jl_frame_aim(struct jl_frame *frame, int16_t width, int16_t height) {
#ifdef JL_LONE_FRAMES
    jl_target_init(&frame->target, NULL, width, height);
#else
    jl_target_init(&frame->target, &frame->format->ops, width, height);
#endif
}

#endif
