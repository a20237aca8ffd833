/* Frames as pictures. */
#include "jadelamp/host/frame_picture.h"

#include <string.h>

bool jl_frame_picture(const struct jl_frame *frame, struct jl_picture *picture) {
    int width = frame->target.bounds.w, height = frame->target.bounds.h;
    /* get() takes a target that it may change, but frames do not. */
    struct jl_frame readable = *frame;
    if (!jl_picture_create(picture, width, height)) {
        return false;
    }
    for (int y = 0; y < height; y++) {
        for (int x = 0; x < width; x++) {
            jl_color c;
            frame->format->ops.get(&readable.target, (int16_t)x,
                                   (int16_t)(y + frame->target.bounds.y), 1, &c);
            uint8_t *at = jl_picture_at(picture, x, y);
            at[0] = jl_color_red(c);
            at[1] = jl_color_green(c);
            at[2] = jl_color_blue(c);
        }
    }
    return true;
}

bool jl_picture_enlarge(const struct jl_picture *picture, int scale, struct jl_picture *larger) {
    if (scale < 1 || !jl_picture_create(larger, picture->width * scale, picture->height * scale)) {
        return false;
    }
    for (int y = 0; y < larger->height; y++) {
        uint8_t *to = jl_picture_at(larger, 0, y);
        if (y % scale) {
            memcpy(to, jl_picture_at(larger, 0, y - 1), (size_t)larger->width * 3);
            continue;
        }
        for (int x = 0; x < picture->width; x++) {
            const uint8_t *from = jl_picture_at(picture, x, y / scale);
            for (int copy = 0; copy < scale; copy++, to += 3) {
                memcpy(to, from, 3);
            }
        }
    }
    return true;
}

bool jl_picture_turn(const struct jl_picture *picture, int quarters, struct jl_picture *turned) {
    int w = picture->width, h = picture->height;
    if (!jl_picture_create(turned, quarters & 1 ? h : w, quarters & 1 ? w : h)) {
        return false;
    }
    for (int y = 0; y < h; y++) {
        for (int x = 0; x < w; x++) {
            static const int signs[4][2] = {{1, 1}, {-1, 1}, {-1, -1}, {1, -1}};
            int to_x = quarters & 1 ? y : x, to_y = quarters & 1 ? x : y;
            to_x = signs[quarters & 3][0] < 0 ? turned->width - 1 - to_x : to_x;
            to_y = signs[quarters & 3][1] < 0 ? turned->height - 1 - to_y : to_y;
            memcpy(jl_picture_at(turned, to_x, to_y), jl_picture_at(picture, x, y), 3);
        }
    }
    return true;
}

void jl_picture_place(struct jl_picture *onto, const struct jl_picture *picture, int x, int y) {
    int left = x < 0 ? -x : 0;
    int right = onto->width - x < picture->width ? onto->width - x : picture->width;
    for (int dy = y < 0 ? -y : 0; left < right && dy < picture->height && y + dy < onto->height;
         dy++) {
        memcpy(jl_picture_at(onto, x + left, y + dy), jl_picture_at(picture, left, dy),
               (size_t)(right - left) * 3);
    }
}

static bool damaged(const struct jl_damage *damage, int x, int y) {
    for (int i = 0; i < damage->count; i++) {
        const struct jl_rect *r = &damage->rects[i];
        if (x >= r->x && x < r->x + r->w && y >= r->y && y < r->y + r->h) {
            return true;
        }
    }
    return false;
}

static void outline(struct jl_picture *picture, const struct jl_rect *r, int scale) {
    static const uint8_t red[3] = {255, 48, 48};
    int left = r->x * scale, right = (r->x + r->w) * scale - 1;
    int top = r->y * scale, bottom = (r->y + r->h) * scale - 1;
    bottom = bottom < picture->height ? bottom : picture->height - 1;
    for (int x = left; x <= right; x++) {
        memcpy(jl_picture_at(picture, x, top), red, 3);
        memcpy(jl_picture_at(picture, x, bottom), red, 3);
    }
    for (int y = top; y <= bottom; y++) {
        memcpy(jl_picture_at(picture, left, y), red, 3);
        memcpy(jl_picture_at(picture, right, y), red, 3);
    }
}

bool jl_damage_picture(const struct jl_frame *frame, int scale, struct jl_picture *picture) {
    struct jl_picture plain;
    if (!frame->damage || !jl_frame_picture(frame, &plain)) {
        return false;
    }
    for (int y = 0; y < plain.height; y++) {
        for (int x = 0; x < plain.width; x++) {
            if (!damaged(frame->damage, x, y)) {
                uint8_t *at = jl_picture_at(&plain, x, y);
                for (int c = 0; c < 3; c++) {
                    at[c] = (uint8_t)(at[c] / 3 + 10);
                }
            }
        }
    }
    bool good = jl_picture_enlarge(&plain, scale, picture);
    jl_picture_free(&plain);
    for (int i = 0; good && i < frame->damage->count; i++) {
        outline(picture, &frame->damage->rects[i], scale);
    }
    return good;
}
