/* The glass of an e-paper part. */
#include "paper_glass.h"

#include <string.h>

/* What makers of glass ask for: three minutes between full updates, and one after some partial
 * ones. */
enum { LEAST_INTERVAL_S = 180, MOST_PARTIALS = 20 };
static const uint64_t second_ps = 1000000000000u;

static struct paper_glass *glass_of(struct jl_device *device) {
    return device->fixed;
}

/* Of all rows, what they did until now. */
static void movements_until(struct jl_device *device, const struct paper_update *update,
                            struct movements *rows) {
    uint64_t now = jl_board_now_ps(device->board);
    uint64_t frame_ps = (uint64_t)update->wave.frame_us * 1000000u;
    uint64_t frames = now > update->start_ps ? (now - update->start_ps) / frame_ps : 0;
    for (int row = 0; row < WAVE_ROWS; row++) {
        jl_sim_wave_movements(&update->wave, row, (uint32_t)(frames < 100000 ? frames : 100000),
                              device->celsius, &rows[row]);
    }
}

void jl_sim_paper_begin(struct jl_device *device, struct paper_update *update,
                        const struct wave *wave, paper_row_fn row_of) {
    uint64_t now = jl_board_now_ps(device->board);
    update->running = true;
    update->start_ps = now;
    update->wave = *wave;
    update->row_of = row_of;
    update->end_ps = now + (uint64_t)jl_sim_wave_frames(wave) * wave->frame_us * 1000000u;
}

void jl_sim_paper_stop(struct jl_device *device, struct paper_update *update) {
    struct movements rows[WAVE_ROWS];
    struct particle *cell = glass_of(device)->cells;
    if (!update->running) {
        return;
    }
    movements_until(device, update, rows);
    for (int y = 0; y < device->glass.height; y++) {
        for (int x = 0; x < device->glass.width; x++, cell++) {
            int row = update->row_of(device, x, y);
            if (row >= 0) {
                *cell = jl_sim_particle_moved(*cell, &rows[row]);
            }
        }
    }
    update->running = false;
    glass_of(device)->shown = true;
}

void jl_sim_paper_settle(struct jl_device *device, struct paper_update *update) {
    if (update->running && jl_board_now_ps(device->board) >= update->end_ps) {
        jl_sim_paper_stop(device, update);
    }
}

void jl_sim_paper_show(struct jl_device *device, const struct paper_update *update,
                       struct jl_picture *picture) {
    struct movements rows[WAVE_ROWS];
    const struct particle *cell = glass_of(device)->cells;
    memset(rows, 0, sizeof rows);
    if (update->running) {
        movements_until(device, update, rows);
    }
    for (int y = 0; y < device->glass.height; y++) {
        for (int x = 0; x < device->glass.width; x++, cell++) {
            int row = update->running ? update->row_of(device, x, y) : -1;
            uint32_t color =
                jl_sim_particle_color(row < 0 ? *cell : jl_sim_particle_moved(*cell, &rows[row]));
            uint8_t *at = jl_picture_at(picture, x, y);
            at[0] = (uint8_t)(color >> 16);
            at[1] = (uint8_t)(color >> 8);
            at[2] = (uint8_t)color;
        }
    }
}

bool jl_sim_paper_is_black(struct jl_device *device, int x, int y) {
    return glass_of(device)->cells[y * device->glass.width + x].black > PARTICLE_MOST / 2;
}

void jl_sim_paper_full(struct jl_device *device) {
    struct paper_glass *glass = glass_of(device);
    uint64_t now = jl_board_now_ps(device->board);
    if (glass->full_at_ps && now - glass->full_at_ps < LEAST_INTERVAL_S * second_ps) {
        jl_sim_device_report(device, JL_SEVERITY_WARNING, JL_CODE_UPDATE_RATE,
                             "full updates %llu s apart: the glass wants %d s, or it fades",
                             (unsigned long long)((now - glass->full_at_ps) / second_ps),
                             LEAST_INTERVAL_S);
    }
    glass->full_at_ps = now;
    glass->partial_count = 0;
}

void jl_sim_paper_partial(struct jl_device *device) {
    struct paper_glass *glass = glass_of(device);
    if (++glass->partial_count == MOST_PARTIALS + 1) {
        jl_sim_device_report(device, JL_SEVERITY_WARNING, JL_CODE_UPDATE_RATE,
                             "more than %d partial updates without a full one: ghosts of old "
                             "pictures stay",
                             MOST_PARTIALS);
    }
}
