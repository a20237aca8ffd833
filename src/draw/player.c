/* Playing animations. */
#include "jadelamp/animation.h"

void jl_player_begin(struct jl_player *player, const struct jl_animation *animation,
                     uint32_t now_ms, bool once) {
    *player = (struct jl_player){.animation = animation, .due_ms = now_ms, .once = once};
}

static bool is_over(const struct jl_player *player) {
    return player->once && player->next == player->animation->step_count;
}

uint32_t jl_player_left(const struct jl_player *player, uint32_t now_ms) {
    if (is_over(player)) {
        return UINT32_MAX;
    }
    uint32_t left = player->due_ms - now_ms;
    return left >= 0x80000000u ? 0 : left; /* past, on a clock that wraps */
}

static void draw(struct jl_target *target, int16_t x, int16_t y,
                 const struct jl_animation_step *step) {
    for (uint16_t i = 0; i < step->part_count; i++) {
        const struct jl_animation_part *part = &step->parts[i];
        jl_draw_image(target, (int16_t)(x + part->x), (int16_t)(y + part->y), &part->image);
    }
}

bool jl_player_poll(struct jl_player *player, struct jl_target *target, int16_t x, int16_t y,
                    uint32_t now_ms) {
    const struct jl_animation *animation = player->animation;
    uint16_t drawn = 0;
    while (jl_player_left(player, now_ms) == 0) {
        if (drawn > animation->step_count) { /* too late for all of it: go on from now */
            player->due_ms = now_ms + 1;
            break;
        }
        bool round = player->next == animation->step_count;
        const struct jl_animation_step *step =
            round ? &animation->again : &animation->steps[player->next];
        draw(target, x, y, step);
        player->due_ms += step->shown_ms;
        player->next = (uint16_t)(round ? 1 : player->next + 1);
        drawn++;
    }
    return drawn != 0;
}
