/* Fingers on the glass: set by hand or following steps, and the flaws of a touch panel. */
#include "fingers.h"

enum { BOUNCE_UNIT_US = 100 };
#define PS_PER_US   ((uint64_t)1000000)
#define PS_PER_HOUR ((uint64_t)3600 * 1000000 * 1000000)

void jl_touch_press(struct jl_device *device, int finger, int x, int y) {
    if (finger >= 0 && finger < JL_TOUCH_FINGERS) {
        struct finger *at = &device->fingers[finger];
        at->edge_ps = at->down ? at->edge_ps : jl_board_now_ps(device->board);
        at->down = true;
        at->x = x;
        at->y = y;
    }
}

void jl_touch_lift(struct jl_device *device, int finger) {
    if (finger >= 0 && finger < JL_TOUCH_FINGERS && device->fingers[finger].down) {
        device->fingers[finger].down = false;
        device->fingers[finger].edge_ps = jl_board_now_ps(device->board);
    }
}

void jl_touch_follow(struct jl_device *device, const struct jl_hand_step *steps, size_t count) {
    device->steps = steps;
    device->step_count = count;
}

void jl_touch_set_flaws(struct jl_device *device, const struct jl_touch_flaws *flaws) {
    device->flaws = *flaws;
}

static bool is_of_finger(const struct jl_hand_step *step, int finger) {
    return step->deed <= JL_HAND_LIFT && step->which == finger;
}

/* Between two places, at a time between two. */
static int between(int from, int to, uint64_t part, uint64_t whole) {
    return whole ? from + (int)((to - from) * (double)part / (double)whole) : to;
}

static struct finger following(const struct jl_device *device, int finger, uint64_t at_ps) {
    struct finger now = {false, 0, 0, 0};
    uint64_t last_ps = 0;
    for (size_t i = 0; i < device->step_count; i++) {
        const struct jl_hand_step *step = &device->steps[i];
        if (!is_of_finger(step, finger)) {
            continue;
        }
        if (step->at_ps > at_ps) {
            if (step->deed == JL_HAND_SLIDE && now.down) {
                now.x = between(now.x, step->x, at_ps - last_ps, step->at_ps - last_ps);
                now.y = between(now.y, step->y, at_ps - last_ps, step->at_ps - last_ps);
            }
            return now;
        }
        bool down = step->deed != JL_HAND_LIFT;
        now.edge_ps = down == now.down ? now.edge_ps : step->at_ps;
        now.down = down;
        now.x = down ? step->x : now.x;
        now.y = down ? step->y : now.y;
        last_ps = step->at_ps;
    }
    return now;
}

/* Contact comes and goes, the same in each run. */
static bool bounces(const struct jl_device *device, const struct finger *finger, uint64_t at_ps) {
    uint64_t since_us = (at_ps - finger->edge_ps) / PS_PER_US;
    return finger->edge_ps && since_us < device->flaws.bounce_us &&
           (since_us / BOUNCE_UNIT_US * 7 + finger->edge_ps / PS_PER_US) % 3 != 0;
}

int jl_sim_touch_width(const struct jl_device *device) {
    return device->flaws.turn & 1 ? device->glass.height : device->glass.width;
}

int jl_sim_touch_height(const struct jl_device *device) {
    return device->flaws.turn & 1 ? device->glass.width : device->glass.height;
}

struct felt jl_sim_finger(struct jl_device *device, int finger, uint64_t at_ps) {
    struct finger at = device->steps ? following(device, finger, at_ps) : device->fingers[finger];
    struct felt felt = {at.down != bounces(device, &at, at_ps), at.x, at.y};
    int width = device->glass.width, height = device->glass.height;
    /* Undo the quarter turns that the glass was mounted with, one by one. */
    for (int quarter = device->flaws.turn & 3; quarter > 0; quarter--) {
        int x = felt.x, side = width;
        felt.x = felt.y;
        felt.y = side - 1 - x;
        width = height;
        height = side;
    }
    felt.x = device->flaws.turn & 4 ? width - 1 - felt.x : felt.x;
    return felt;
}

uint64_t jl_sim_touched_last_ps(struct jl_device *device) {
    uint64_t now = jl_board_now_ps(device->board), last = 0;
    for (int i = 0; i < JL_TOUCH_FINGERS; i++) {
        struct finger at = device->steps ? following(device, i, now) : device->fingers[i];
        uint64_t touched = at.down ? now : at.edge_ps;
        last = touched > last ? touched : last;
    }
    return last;
}

int jl_sim_touch_reading(struct jl_device *device, int value, bool of_y, int most) {
    const struct jl_touch_flaws *flaws = &device->flaws;
    double hours = (double)jl_board_now_ps(device->board) / (double)PS_PER_HOUR;
    value += (int)((of_y ? flaws->drift_y : flaws->drift_x) * hours);
    if (flaws->noise) {
        uint8_t noise[2];
        jl_sim_device_noise(device, noise, sizeof noise);
        value += (noise[0] << 8 | noise[1]) % (2 * flaws->noise + 1) - flaws->noise;
    }
    return value < 0 ? 0 : value > most ? most : value;
}
