/* Sending what differs from a shadow of the last picture. */
#include "present_changes.h"

#include "../core/lone.h"
#include "../core/mem.h"
#include "panel.h"

/* One line of memory within an area: finds runs that differ, adds them, copies them. True: some
 * did. */
static bool compare_line(struct jl_frame *frame, uint8_t *shadow, const uint8_t *pixels,
                         struct jl_rect line_area, size_t first_byte, size_t bytes) {
    const struct jl_format *format = jl_frame_format(frame);
    /* Pixels of a row in a byte, or bytes of a pixel: byte index to column and back. */
    unsigned column_bits = format->column_bits;
    size_t i = 0;
    bool differs = false;
    while (i < bytes) {
        while (i < bytes && pixels[first_byte + i] == shadow[first_byte + i]) {
            i++;
        }
        size_t start = i;
        while (i < bytes && pixels[first_byte + i] != shadow[first_byte + i]) {
            shadow[first_byte + i] = pixels[first_byte + i];
            i++;
        }
        if (start < i) {
            differs = true;
            size_t first_column = (first_byte + start) * 8 / column_bits;
            size_t end_column = ((first_byte + i) * 8 + column_bits - 1) / column_bits;
            struct jl_rect run = {(int16_t)first_column, line_area.y,
                                  (int16_t)(end_column - first_column), line_area.h};
            frame->damage->add(frame->damage, jl_rect_intersect(run, frame->target.bounds), 0);
        }
    }
    return differs;
}

static void compare_area(struct jl_frame *frame, uint8_t *shadow, struct jl_rect area) {
    const struct jl_format *format = jl_frame_format(frame);
    unsigned shift = format->line_rows_log2;
    unsigned column_bits = format->column_bits;
    size_t first_byte = (size_t)area.x * column_bits / 8;
    size_t end_byte = ((size_t)(area.x + area.w) * column_bits + 7) / 8;
    for (int line = area.y >> shift; line << shift < area.y + area.h; line++) {
        struct jl_rect line_area = {area.x, (int16_t)(line << shift), area.w,
                                    (int16_t)(1 << shift)};
        for (unsigned plane = 0; plane < format->planes; plane++) {
            size_t at = plane * (size_t)frame->plane_bytes + (size_t)line * frame->stride_bytes;
            if (compare_line(frame, shadow + at, frame->pixels + at, line_area, first_byte,
                             end_byte - first_byte) &&
                plane) {
                frame->damage->second_plane = true;
            }
        }
    }
}

void jl_present_narrow(const struct jl_panel *panel, struct jl_frame *frame, uint8_t *shadow) {
    struct jl_damage *damage = frame->damage;
    if (!jl_present_in_step(panel, frame) || damage->shadow != shadow) {
        /* All of the frame will be sent, and the shadow is to hold all of it. */
        damage->panel = NULL;
        memcpy(shadow, frame->pixels, (size_t)frame->plane_bytes * jl_frame_format(frame)->planes);
        return;
    }
    struct jl_damage before = *damage;
    jl_damage_clear(damage);
    damage->second_plane = false;
    for (uint8_t i = 0; i < before.count; i++) {
        compare_area(frame, shadow, jl_rect_intersect(before.rects[i], frame->target.bounds));
    }
}

jl_status jl_panel_present_changes(struct jl_panel *panel, struct jl_frame *frame, void *shadow) {
    jl_status status = jl_panel_ready(panel);
    if (status != JL_OK) {
        return status;
    }
    status = frame && shadow && frame->damage ? jl_present_check(panel, frame) : JL_BAD_ARGUMENT;
    if (status == JL_OK) {
        jl_present_narrow(panel, frame, shadow);
        status = jl_panel_present(panel, frame);
    }
    if (status == JL_OK) {
        frame->damage->shadow = shadow;
    }
    return jl_panel_note(panel, status);
}
