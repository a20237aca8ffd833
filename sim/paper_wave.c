/* The waveforms that e-paper parts have by themselves, as their makers' memory holds them. */
#include "paper_glass.h"

#include <string.h>

enum { FRAME_US = 20000 }; /* 50 Hz */

/* Frames for the temperature that the part knows: in the cold more of them. */
static uint8_t frames_at(int frames, int celsius) {
    int scaled = frames * 100 / jl_sim_particle_speed(celsius);
    return (uint8_t)(scaled < 255 ? scaled : 255);
}

static enum drive goal_of(int row) {
    return row & 1 ? DRIVE_WHITE : DRIVE_BLACK;
}

void jl_sim_paper_full_wave(struct wave *wave, int celsius, bool red) {
    memset(wave, 0, sizeof *wave);
    wave->frame_us = FRAME_US;
    for (int row = 0; row < WAVE_ROWS; row++) {
        struct wave_group flashes = {
            (uint8_t)(goal_of(row + 1) << 6 | DRIVE_BLACK << 4 | DRIVE_WHITE << 2 | goal_of(row)),
            {frames_at(15, celsius), frames_at(30, celsius), frames_at(30, celsius),
             frames_at(50, celsius)},
            1};
        if (red) {
            uint8_t slow = frames_at(100, celsius);
            if (row >= 2) {
                flashes.levels = DRIVE_BLACK << 4 | DRIVE_WHITE << 2;
            }
            wave->rows[row][1] =
                (struct wave_group){row >= 2 ? 0xFF : 0, {slow, slow, slow, slow}, 1};
        }
        wave->rows[row][0] = flashes;
    }
}

void jl_sim_paper_partial_wave(struct wave *wave, int celsius) {
    memset(wave, 0, sizeof *wave);
    wave->frame_us = FRAME_US;
    for (int row = 0; row < WAVE_ROWS; row++) {
        bool changes = row == 1 || row == 2;
        wave->rows[row][0] = (struct wave_group){
            (uint8_t)((changes ? goal_of(row) : DRIVE_NONE) << 6), {frames_at(15, celsius)}, 1};
    }
}
