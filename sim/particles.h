/*
 * Electronic paper: black, white and red particles that a waveform moves, and that stay where
 * they are without one. No controller is in here: only what voltages do to pixels.
 *
 * The movement is a model chosen by eye, not physics. In a frame of drive a particle goes a share
 * of the way that is left: 13 % to black or to white at 25 C, 1.7 % to red, and red goes away by
 * 7 %. So 15 frames leave an eighth of the old picture (a ghost), 50 frames nothing that can be
 * seen. In the cold the shares are smaller.
 */
#ifndef JADELAMP_SIM_PARTICLES_H
#define JADELAMP_SIM_PARTICLES_H

#include <stdbool.h>
#include <stdint.h>

/* A pixel: 0..PARTICLE_MOST of black on white, and of red over both. */
enum { PARTICLE_MOST = 4095 };
struct particle {
    uint16_t black, red;
};

/* What a source line does to its pixel; the two bits of a table. */
enum drive { DRIVE_NONE, DRIVE_BLACK, DRIVE_WHITE, DRIVE_RED };

/* Up to four phases one after the other, `times` times. */
struct wave_group {
    uint8_t levels; /* two bits a phase, the first in bits 7..6: enum drive */
    uint8_t frames[4];
    uint8_t times;
};

/* A waveform: which row a pixel follows is the controller's affair. */
enum { WAVE_ROWS = 4, WAVE_GROUPS = 12 };
struct wave {
    struct wave_group rows[WAVE_ROWS][WAVE_GROUPS]; /* a group of 0 times ends a row */
    uint32_t frame_us;
};

/* How long the longest row takes, in frames. */
uint32_t jl_sim_wave_frames(const struct wave *wave);

/* A phase of a movement. */
struct movement {
    enum drive drive;
    uint32_t kept, red_kept; /* of the way that is left, in 65536ths */
};

/* What a row does in its first frames: movements that go one after the other. */
enum { MOST_MOVEMENTS = 256 };
struct movements {
    int count;
    struct movement list[MOST_MOVEMENTS];
};
void jl_sim_wave_movements(const struct wave *wave, int row, uint32_t frames, int celsius,
                           struct movements *out);

/* Moves one pixel. */
struct particle jl_sim_particle_moved(struct particle particle, const struct movements *by);

/* Its colour, 0x00RRGGBB. */
uint32_t jl_sim_particle_color(struct particle particle);

/* How fast particles move at a temperature, in hundredths of 25 C. Waveforms from a part's own
 * memory last so much longer. */
int jl_sim_particle_speed(int celsius);

#endif
