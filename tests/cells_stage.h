/* A character module on the board for tests, by any wire; and pins moved without a driver. */
#ifndef JADELAMP_TESTS_CELLS_STAGE_H
#define JADELAMP_TESTS_CELLS_STAGE_H

#include "jadelamp/char_panel.h"
#include "jadelamp/sim/cells.h"
#include "jadelamp/sim/emulators.h"
#include "jadelamp/sim/sim_port.h"

enum { CELLS_WIRES = 5, CELLS_EXPANDER = 4 };

/* The wires under test: 4 and 8 bits waiting, 4 and 8 bits with busy flag, expander. */
extern const struct jl_char_wire *const cells_wires[CELLS_WIRES];

/* The sizes under test; the last is the one of two controllers. */
enum { CELLS_SIZES = 10 };
struct cells_size {
    uint8_t columns, rows;
    bool halves;
};
extern const struct cells_size cells_sizes[CELLS_SIZES];

struct cells_stage {
    struct jl_board *board;
    struct jl_device *device, *expander;
    struct jl_sim_port sim;
    struct jl_port port;
    struct jl_char_expander map;
    struct jl_char_config config;
    struct jl_char_panel panel;
    uint8_t work[700];
};

/* An expander with E2 where the light usually is, for modules of two controllers. */
extern const struct jl_char_expander cells_map_two;

/* Board, module and an opened panel that is not awake; expects that this works. */
void cells_open(struct cells_stage *stage, const struct cells_size *size, int wire);
/* The same with changed parts: what is set in `config` is kept. At an I2C clock. */
void cells_open_config(struct cells_stage *stage, const struct jl_char_config *config,
                       const struct jl_char_expander *map, uint32_t clock_hz);
void cells_close(struct cells_stage *stage);

/* Expects lines of ASCII in the cells, dot by dot as the text art has them; '\n' between rows. */
void cells_expect(struct cells_stage *stage, const char *lines, const char *name);

/* Expects jl_cells_text(). */
void cells_expect_text(struct cells_stage *stage, const char *text);

/* Expects no diagnostics above a note. */
void cells_expect_quiet(struct cells_stage *stage);

/* Expects a diagnostic with a text. */
void cells_expect_complaint(struct cells_stage *stage, const char *text);

/* A pulse of E with RS and the lines D7..D0 at levels, then a wait. */
void cells_pulse(struct jl_device *device, struct jl_board *board, bool rs, uint8_t lines,
                 unsigned wait_us);
/* A byte to a module in 8-bit mode, or as two nibbles, then 60 us; clear and home take 3 ms. */
void cells_byte(struct cells_stage *stage, bool eight, bool rs, uint8_t byte);

#endif
