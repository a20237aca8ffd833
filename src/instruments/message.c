/* A message. */
#include "jadelamp/instruments/message.h"

#include "instrument.h"

static uint8_t count_of(const struct jl_message_face *face) {
    uint8_t count = 0;
    while (count < JL_MESSAGE_BUTTONS && face->buttons[count]) {
        count++;
    }
    return count;
}

static int16_t button_height(const struct jl_message_face *face) {
    uint8_t font = face->theme->font->height;
    return (int16_t)(font + (font > 9 ? 14 : 7));
}

static struct jl_rect button_of(const struct jl_message_face *face, uint8_t index) {
    int16_t height = button_height(face), count = count_of(face);
    struct jl_rect box = jl_inset(face->box, 3);
    int16_t left = (int16_t)((int32_t)box.w * index / count);
    int16_t right = (int16_t)((int32_t)box.w * (index + 1) / count);
    return (struct jl_rect){(int16_t)(box.x + left + 1), (int16_t)(box.y + box.h - height),
                            (int16_t)(right - left - 2), height};
}

int8_t jl_message_event(struct jl_message *message, const struct jl_event *event) {
    const struct jl_message_face *face = message->face;
    uint8_t count = count_of(face);
    int8_t pressed = JL_MESSAGE_NONE;
    for (uint8_t i = 0; i < count; i++) {
        if (jl_grip_event(&message->grips[i], button_of(face, i), event)) {
            pressed = (int8_t)i;
        }
    }
    if (count == 0) {
        return JL_MESSAGE_NONE;
    }
    int32_t focus = (int32_t)message->focus + jl_event_steps(event);
    message->focus = (uint8_t)(focus < 0 ? 0 : focus >= count ? count - 1 : focus);
    if (event->kind == JL_EVENT_KEY && event->which == JL_KEY_BACK && !event->dx) {
        return (int8_t)(count - 1);
    }
    return jl_event_chooses(event) ? (int8_t)message->focus : pressed;
}

static uint8_t look_of(const struct jl_message *message, uint8_t index) {
    return (uint8_t)((message->grips[index].inside ? LOOK_PRESSED : 0) |
                     (message->focus == index ? LOOK_FOCUSED : 0));
}

static void draw(struct jl_target *target, const void *instrument) {
    const struct jl_message *message = instrument;
    const struct jl_message_face *face = message->face;
    const struct jl_theme *theme = face->theme;
    struct jl_rect text = jl_inset(face->box, 4);
    struct jl_text_style style = jl_theme_text(theme->font, theme->ink, JL_CLEAR);
    jl_fill_rect(target, face->box, theme->face);
    jl_stroke_rect(target, face->box, theme->ink);
    if (face->title) {
        struct jl_rect title = jl_inset(face->box, 1);
        title.h = (int16_t)(theme->font->height + 2);
        style.ink = theme->back;
        jl_fill_rect(target, title,
                     face->grade == JL_GRADE_GOOD ? theme->accent
                                                  : jl_theme_grade(theme, face->grade));
        jl_text_box(target, title, JL_ANCHOR_CENTRE | JL_ANCHOR_MIDDLE | JL_TEXT_ELLIPSIS,
                    face->title, &style);
        text.y = (int16_t)(title.y + title.h + 1);
        style.ink = theme->ink;
    }
    int16_t end = count_of(face) ? button_of(face, 0).y : (int16_t)(face->box.y + face->box.h - 2);
    text.h = (int16_t)(end - 1 - text.y);
    jl_text_box(target, text, JL_ANCHOR_CENTRE | JL_ANCHOR_MIDDLE | JL_TEXT_WRAP | JL_TEXT_ELLIPSIS,
                face->text, &style);
    for (uint8_t i = 0; i < count_of(face); i++) {
        jl_draw_key_cap(target, button_of(face, i), theme, face->buttons[i], look_of(message, i));
    }
}

static void find_changes(const struct jl_message *message, struct parts *parts) {
    for (uint8_t i = 0; i < count_of(message->face); i++) {
        if (look_of(message, i) != message->shown[i]) {
            jl_parts_add(parts, button_of(message->face, i));
        }
    }
}

static void remember(struct jl_message *message) {
    for (int i = 0; i < JL_MESSAGE_BUTTONS; i++) {
        message->shown[i] = look_of(message, (uint8_t)i);
    }
}

bool jl_message_redraw(struct jl_target *target, struct jl_message *message) {
    struct parts parts = {0};
    if (message->drawn) {
        find_changes(message, &parts);
    } else {
        jl_parts_add(&parts, message->face->box);
    }
    remember(message);
    message->drawn = true;
    return jl_parts_draw(&parts, message->face->box, target, draw, message);
}

void jl_message_draw(struct jl_target *target, const struct jl_message *message) {
    jl_instrument_draw(target, message->face->box, draw, message);
}
