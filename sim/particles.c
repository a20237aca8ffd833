/* Electronic paper: how particles move. */
#include "particles.h"

/* In 65536ths of the way that is left, in a frame at 25 C. */
enum { ONE = 65536, TO_BLACK_OR_WHITE = 8520, TO_RED = 1120, FROM_RED = 4700 };

enum { SLOWEST = 20, FASTEST = 250 };

int jl_sim_particle_speed(int celsius) {
    int speed = 30 + celsius * 70 / 25;
    return speed < SLOWEST ? SLOWEST : speed > FASTEST ? FASTEST : speed;
}

uint32_t jl_sim_wave_frames(const struct wave *wave) {
    uint32_t longest = 0;
    for (int row = 0; row < WAVE_ROWS; row++) {
        uint32_t frames = 0;
        for (int i = 0; i < WAVE_GROUPS && wave->rows[row][i].times; i++) {
            const struct wave_group *group = &wave->rows[row][i];
            uint32_t once =
                (uint32_t)group->frames[0] + group->frames[1] + group->frames[2] + group->frames[3];
            frames += once * group->times;
        }
        longest = frames > longest ? frames : longest;
    }
    return longest;
}

/* share to the power of frames, all in 65536ths. */
static uint32_t kept_after(uint32_t share, uint32_t frames) {
    uint64_t kept = ONE;
    for (uint32_t i = 0; i < frames; i++) {
        kept = kept * share / ONE;
    }
    return (uint32_t)kept;
}

static uint32_t share_of(int per_frame, int speed) {
    int moved = per_frame * speed / 100;
    return (uint32_t)(moved < ONE / 2 ? ONE - moved : ONE / 2);
}

void jl_sim_wave_movements(const struct wave *wave, int row, uint32_t frames, int celsius,
                           struct movements *out) {
    int speed = jl_sim_particle_speed(celsius);
    out->count = 0;
    for (int i = 0; i < WAVE_GROUPS; i++) {
        const struct wave_group *group = &wave->rows[row][i];
        for (int part = 0; part < 4 * group->times && frames; part++) {
            enum drive drive = (enum drive)(group->levels >> (6 - 2 * (part % 4)) & 3);
            uint32_t now = group->frames[part % 4];
            now = now < frames ? now : frames;
            frames -= now;
            if (drive != DRIVE_NONE && now && out->count < MOST_MOVEMENTS) {
                int per_frame = drive == DRIVE_RED ? TO_RED : TO_BLACK_OR_WHITE;
                out->list[out->count++] =
                    (struct movement){drive, kept_after(share_of(per_frame, speed), now),
                                      kept_after(share_of(FROM_RED, speed), now)};
            }
        }
    }
}

static uint16_t toward(uint16_t from, uint16_t goal, uint32_t kept) {
    int32_t left = (int32_t)from - goal;
    return (uint16_t)(goal + (int32_t)((int64_t)left * kept / ONE));
}

struct particle jl_sim_particle_moved(struct particle particle, const struct movements *by) {
    for (int i = 0; i < by->count; i++) {
        const struct movement *m = &by->list[i];
        if (m->drive == DRIVE_RED) {
            particle.red = toward(particle.red, PARTICLE_MOST, m->kept);
        } else {
            particle.black =
                toward(particle.black, m->drive == DRIVE_BLACK ? PARTICLE_MOST : 0, m->kept);
            particle.red = toward(particle.red, 0, m->red_kept);
        }
    }
    return particle;
}

uint32_t jl_sim_particle_color(struct particle particle) {
    uint32_t red_of_255 = (particle.red * 255u + PARTICLE_MOST / 2) / PARTICLE_MOST;
    uint32_t grey = 255 - (particle.black * 255u + PARTICLE_MOST / 2) / PARTICLE_MOST;
    uint32_t rest = (grey * (255 - red_of_255) + 127) / 255;
    return (rest + red_of_255) << 16 | rest << 8 | rest;
}
