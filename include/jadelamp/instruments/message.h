/* A message with up to three buttons to answer it. */
#ifndef JADELAMP_INSTRUMENTS_MESSAGE_H
#define JADELAMP_INSTRUMENTS_MESSAGE_H

#include "jadelamp/instruments/instrument.h"

#ifdef __cplusplus
extern "C" {
#endif

enum { JL_MESSAGE_BUTTONS = 3 };

struct jl_message_face {
    struct jl_rect box;
    const struct jl_theme *theme;
    const char *title;                       /**< or NULL */
    const char *text;                        /**< wrapped */
    const char *buttons[JL_MESSAGE_BUTTONS]; /**< from the left; ends with the first NULL */
    uint8_t grade;                           /**< enum jl_grade: the colour of its title */
};

struct jl_message {
    const struct jl_message_face *face;
    uint8_t focus; /**< the button that JL_KEY_OK presses; moved by knobs, and keys up and down */
    struct jl_grip grips[JL_MESSAGE_BUTTONS];
    uint8_t shown[JL_MESSAGE_BUTTONS];
    bool drawn; /**< false: all is to be drawn */
};

/** What jl_message_event() returns of events that answer nothing. */
#define JL_MESSAGE_NONE (-1)

/** The button that was pressed, 0..2, or JL_MESSAGE_NONE. JL_KEY_BACK presses the last one. */
int8_t jl_message_event(struct jl_message *message, const struct jl_event *event);

/** Draws all of it, on any target. */
void jl_message_draw(struct jl_target *target, const struct jl_message *message);
/** Draws what changed; see instrument.h. */
bool jl_message_redraw(struct jl_target *target, struct jl_message *message);

#ifdef __cplusplus
}
#endif

#endif
