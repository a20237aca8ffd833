/* The glass of an e-paper part: its particles, and the update that moves them now. */
#ifndef JADELAMP_SIM_PAPER_GLASS_H
#define JADELAMP_SIM_PAPER_GLASS_H

#include "device.h"
#include "particles.h"

/* In the memory that survives a loss of power; all zero is white paper. */
struct paper_glass {
    bool shown;              /* an update ended since the glass was made */
    uint64_t full_at_ps;     /* when the last full update began; 0: never */
    uint32_t partial_count;  /* since then */
    struct particle cells[]; /* width * height of the glass */
};

/* Fixed memory of a part with that many pixels at most. */
#define PAPER_GLASS_BYTES(SOURCES, GATES)                                                          \
    (sizeof(struct paper_glass) + sizeof(struct particle) * (SOURCES) * (GATES))

/* Which row of the waveform a pixel of the glass follows; negative: it is not driven. */
typedef int (*paper_row_fn)(struct jl_device *device, int x, int y);

struct paper_update {
    bool running;
    uint64_t start_ps, end_ps;
    struct wave wave;
    paper_row_fn row_of; /* must not change its answers while the update runs */
};

/* An update from now on; the board's time is its first frame. */
void jl_sim_paper_begin(struct jl_device *device, struct paper_update *update,
                        const struct wave *wave, paper_row_fn row_of);

/* Keeps what an update has done so far; past its end it is over. */
void jl_sim_paper_settle(struct jl_device *device, struct paper_update *update);

/* Stops it where it is: reset, or no power any more. */
void jl_sim_paper_stop(struct jl_device *device, struct paper_update *update);

/* What is on the glass now. */
void jl_sim_paper_show(struct jl_device *device, const struct paper_update *update,
                       struct jl_picture *picture);

/* Whether a pixel looks black now, and whether it looks red. */
bool jl_sim_paper_is_black(struct jl_device *device, int x, int y);

/*
 * Waveforms of a part's own, longer in the cold. The full one flashes: inverse, black, white, the
 * picture, 2.5 s at 25 C; rows 0 and 1 are black and white, 2 and 3 the same again, or red, which
 * takes 8 s more. The partial one drives rows 1 (black to white) and 2 (white to black) for 15
 * frames.
 */
void jl_sim_paper_full_wave(struct wave *wave, int celsius, bool red);
void jl_sim_paper_partial_wave(struct wave *wave, int celsius);

/* A full update begins: says when they come too often for the glass. */
void jl_sim_paper_full(struct jl_device *device);
/* The same for a partial one. */
void jl_sim_paper_partial(struct jl_device *device);

#endif
