/*
 * hd44780, one or two of them behind a glass of character cells (HD44780U datasheet; table 6
 * instructions, table 4 ROMs, figures 25 to 27 bus timing at 5 V). Choices where the datasheet
 * is silent: docs/architecture.md. Its relatives on I2C are here, too: aip31068, and st7036 with a
 * second table of instructions for its voltage and icons; and ws0010, an OLED, but for its graphic
 * mode.
 */
#include "../device.h"

#include <string.h>

#include "char_rom.h"
#include "control_byte.h"
#include "jadelamp/sim/cells.h"

enum {
    CELLS = 80,
    LINE = 40,
    SHORT_LINE = 16,    /* of three, as a pin of the st7036 can have it: 00..0F, 10..1F, 20..2F */
    CYCLES = 10,        /* of the oscillator: 37 us at 270 kHz */
    DATA_CYCLES = 11,   /* tADD: 4 us more */
    LONG_CYCLES = 410,  /* 1.52 ms */
    OLED_CYCLES = 1675, /* 6.2 ms */
    BLINK_CYCLES = 102400,
    SETUP_NS = 40,   /* tAS */
    HIGH_NS = 230,   /* PWEH */
    PERIOD_NS = 500, /* tcycE */
    DATA_NS = 80,    /* tDSW */
    HOLD_NS = 10,    /* tH, tAH */
    USUAL_HZ = 270000,
    USUAL_MV = 4500,
    VISIBLE_MV = 3800,
    FULL_MV = 4300, /* nothing is pale any more */
    BLOCKS_MV = 5400,
};

#define RESET_BUSY_PS 10000000000u /* 10 ms after power-on */

struct core {
    uint8_t ddram[CELLS], cgram[64];
    bool eight_bits, two_lines, three_lines;
    bool half; /* the upper nibble of a byte has come */
    uint8_t upper;
    bool upper_data;    /* RS with it */
    int knocks;         /* instructions so far; 3 and no more */
    unsigned exchanged; /* which of common instructions came low nibble first */
    uint64_t early_ps;  /* by how much it came too early */
    uint8_t address;
    bool in_cgram, warned_of_text;
    bool rising, scrolls;
    bool on, line, blink;
    int shift; /* cells that the display has moved to the left */
    uint64_t busy_until;
    uint64_t rose_at, fell_at;
    uint8_t answer; /* what a read brings */
    bool answered;  /* the enable has risen for a read */
};

/* What relatives have differently; the facts of a part. */
struct cells_part {
    bool tables; /* function set chooses between two */
    bool oled;   /* of its own light, with a supply by command */
};

struct state {
    struct core cores[2];
    struct control control; /* on I2C */
    uint8_t table;          /* bits 1 and 0 of function set */
    uint8_t contrast, icons[16], icon;
    bool booster, follower, to_icons, supply, graphics;
    uint64_t data_changed_at, control_changed_at;
    uint64_t bytes;
    bool hidden_reported;
};

struct fixed {
    int under; /* millivolts below the usual contrast voltage */
    uint32_t hertz;
};

static const struct fixed *fixed_of(const struct jl_device *device) {
    return device->fixed;
}

static uint64_t cycles_ps(const struct jl_device *device, uint64_t cycles) {
    uint32_t hertz = fixed_of(device)->hertz;
    return cycles * 1000000000000u / (hertz ? hertz : USUAL_HZ);
}

static const struct cells_part *part_of(const struct jl_device *device) {
    return device->part->facts;
}

static int millivolts_of(const struct jl_device *device) {
    const struct state *state = device->state;
    if (part_of(device)->oled) {
        return state->supply && !state->graphics ? USUAL_MV : 0;
    }
    if (part_of(device)->tables) { /* right at 32, if the supply is on */
        return state->booster && state->follower ? 3000 + 47 * state->contrast : 0;
    }
    return USUAL_MV - fixed_of(device)->under;
}

static bool has_two_cores(const struct jl_device *device) {
    return device->glass.cell_rows == 4 && device->glass.cell_columns > LINE / 2;
}

static int core_count(const struct jl_device *device) {
    return has_two_cores(device) ? 2 : 1;
}

/* ---- addresses ---- */

/* The cell of an address, or a negative number. */
static int cell_of(const struct core *core, uint8_t address) {
    if (core->three_lines) {
        return address < 3 * SHORT_LINE ? address : -1;
    }
    if (!core->two_lines) {
        return address < CELLS ? address : -1;
    }
    int column = address & 0x3F;
    return column < LINE ? (address >> 6) * LINE + column : -1;
}

static int cell_count(const struct core *core) {
    return core->three_lines ? 3 * SHORT_LINE : CELLS;
}

static int line_length(const struct core *core) {
    return core->three_lines ? SHORT_LINE : core->two_lines ? LINE : CELLS;
}

static uint8_t address_of(const struct core *core, int cell) {
    return (uint8_t)(core->two_lines && !core->three_lines && cell >= LINE ? 0x40 + cell - LINE
                                                                           : cell);
}

static void step_address(struct core *core, bool rising) {
    int by = rising ? 1 : -1;
    if (core->in_cgram) {
        core->address = (uint8_t)((core->address + by) & 0x3F);
        return;
    }
    int cell = cell_of(core, core->address);
    core->address = cell < 0 ? (uint8_t)((core->address + by) & 0x7F)
                             : address_of(core, (cell + by + cell_count(core)) % cell_count(core));
}

static void move_display(struct core *core, int left) {
    int length = line_length(core);
    core->shift = (core->shift + left + length) % length;
}

/* ---- instructions ---- */

static void clear(struct core *core) {
    memset(core->ddram, ' ', CELLS);
    core->address = 0;
    core->in_cgram = false;
    core->shift = 0;
    core->rising = true;
}

static void set_function(struct jl_device *device, struct core *core, uint8_t byte) {
    core->eight_bits = byte & 0x10;
    core->two_lines = byte & 0x08;
    core->half = false;
    if ((byte & 0x0C) == 0x04 && !part_of(device)->tables && !part_of(device)->oled) {
        jl_sim_device_report(device, JL_SEVERITY_NOTE, JL_CODE_ARGUMENT_VALUE,
                             "function set %02X asks for 5x10 dots, which this glass has not",
                             byte);
    }
}

static void set_address(struct jl_device *device, struct core *core, uint8_t byte) {
    core->in_cgram = false;
    core->address = byte & 0x7F;
    if (cell_of(core, core->address) < 0) {
        jl_sim_device_report(device, JL_SEVERITY_WARNING, JL_CODE_ADDRESS_RANGE,
                             "DDRAM address %02X does not exist: %s", core->address,
                             core->three_lines ? "three lines have 00..0F, 10..1F and 20..2F"
                                               : "a line has 00..27, the second 40..67");
    }
    if (!core->two_lines && !core->three_lines && core->address >= 0x40 &&
        device->glass.cell_rows > 1) {
        jl_sim_device_report(
            device, JL_SEVERITY_WARNING, JL_CODE_WRONG_MODE,
            "address %02X is the far end of the only line: the function set has N = 0; send 28 (4 "
            "data lines) or 38 (8) for two lines",
            core->address);
    }
}

/* The second table; false: it is as in the first one. */
static bool execute_second(struct jl_device *device, uint8_t byte) {
    struct state *state = device->state;
    switch (byte >> 4) {
    case 1: /* bias and oscillator */
        if (!(byte & 1) && state->cores[0].three_lines) {
            jl_sim_device_report(device, JL_SEVERITY_WARNING, JL_CODE_ARGUMENT_VALUE,
                                 "%02X is for one or two lines: bit 0 has to be 1 with three",
                                 byte);
        }
        return true;
    case 4:
        state->icon = byte & 15;
        state->to_icons = true;
        return true;
    case 5:
        state->booster = byte & 4;
        state->contrast = (uint8_t)((state->contrast & 15) | (byte & 3) << 4);
        return true;
    case 6:
        state->follower = byte & 8;
        return true;
    case 7:
        state->contrast = (uint8_t)((state->contrast & 0x30) | (byte & 15));
        return true;
    default:
        return false;
    }
}

static unsigned execute(struct jl_device *device, struct core *core, uint8_t byte) {
    struct state *state = device->state;
    state->to_icons = false;
    if (part_of(device)->tables && (byte & 0xE0) == 0x20) {
        state->table = byte & 3;
    }
    if (state->table == 1 && execute_second(device, byte)) {
        return CYCLES;
    }
    if (part_of(device)->oled && (byte & 0xF3) == 0x13) {
        state->supply = byte & 4;
        state->graphics = byte & 8;
        return CYCLES;
    }
    if (byte & 0x80) {
        set_address(device, core, byte);
    } else if (byte & 0x40) {
        core->in_cgram = true;
        core->warned_of_text = false;
        core->address = byte & 0x3F;
    } else if (byte & 0x20) {
        set_function(device, core, byte);
    } else if (byte & 0x10) {
        if (byte & 0x08) {
            move_display(core, byte & 0x04 ? -1 : 1);
        } else {
            step_address(core, byte & 0x04);
        }
    } else if (byte & 0x08) {
        core->on = byte & 0x04;
        core->line = byte & 0x02;
        core->blink = byte & 0x01;
    } else if (byte & 0x04) {
        core->rising = byte & 0x02;
        core->scrolls = byte & 0x01;
    } else if (byte & 0x02) {
        core->address = 0;
        core->in_cgram = false;
        core->shift = 0;
        return part_of(device)->oled ? OLED_CYCLES : LONG_CYCLES;
    } else if (byte & 0x01) {
        clear(core);
        return part_of(device)->oled ? OLED_CYCLES : LONG_CYCLES;
    } else {
        jl_sim_device_report(device, JL_SEVERITY_WARNING, JL_CODE_UNKNOWN_COMMAND,
                             "00 is no instruction");
    }
    return CYCLES;
}

/* Text behind the last column: a line that is too long, if the display is never shifted. */
static void tell_hidden_text(struct jl_device *device, const struct core *core, int cell,
                             uint8_t byte) {
    const struct jl_glass *glass = &device->glass;
    struct state *state = device->state;
    int shown = glass->cell_columns * (glass->cell_rows == 4 && !has_two_cores(device) ? 2 : 1) /
                (glass->halves ? 2 : 1);
    bool one_line = !core->two_lines && glass->cell_rows > 1; /* told with the address */
    if (core->three_lines) {
        return; /* its lines end with the glass */
    }
    if (core->shift == 0 && !one_line && byte != ' ' && cell % LINE >= shown &&
        !state->hidden_reported) {
        state->hidden_reported = true;
        jl_sim_device_report(device, JL_SEVERITY_NOTE, JL_CODE_ADDRESS_RANGE,
                             "%02X is text at address %02X, where no cell of this glass shows it: "
                             "a line has %d, the rest waits until the display is shifted",
                             byte, core->address, shown);
    }
}

static void take_data(struct jl_device *device, struct core *core, uint8_t byte) {
    struct state *state = device->state;
    if (state->to_icons) {
        state->icons[state->icon] = byte & 0x1F;
        state->icon = (state->icon + 1) & 15;
        return;
    }
    if (core->in_cgram) {
        if (byte > 0x1F && !core->warned_of_text) {
            core->warned_of_text = true;
            jl_sim_device_report(
                device, JL_SEVERITY_WARNING, JL_CODE_TEXT_AS_GLYPH,
                "%02X was written to CGRAM address %02X, and looks like text: set a "
                "DDRAM address after the glyphs",
                byte, core->address);
        }
        jl_sim_stored(device, 1, core->cgram[core->address] != (byte & 0x1F));
        core->cgram[core->address] = byte & 0x1F;
        step_address(core, core->rising);
        return;
    }
    int cell = cell_of(core, core->address);
    if (cell >= 0) {
        tell_hidden_text(device, core, cell, byte);
        jl_sim_stored(device, 1, core->ddram[cell] != byte);
        core->ddram[cell] = byte;
    }
    step_address(core, core->rising);
    if (core->scrolls) {
        move_display(core, core->rising ? 1 : -1);
    }
}

static void take_byte(struct jl_device *device, struct core *core, bool data, uint8_t byte,
                      uint64_t early_ps) {
    struct state *state = device->state;
    state->bytes++;
    if (early_ps) {
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_BUSY,
                             "%s %02X ignored: it came %.1f us before the controller was ready",
                             data ? "data" : "instruction", byte, (double)early_ps / 1e6);
        return;
    }
    unsigned cycles = DATA_CYCLES;
    if (data) {
        take_data(device, core, byte);
    } else {
        cycles = execute(device, core, byte);
    }
    core->busy_until = jl_board_now_ps(device->board) + cycles_ps(device, cycles);
}

/* ---- the bus ---- */

static uint8_t lines(const struct jl_device *device) {
    uint8_t byte = 0;
    for (int i = 0; i < 8; i++) {
        byte = (uint8_t)(byte | device->pins[JL_DEVICE_D0 + i] << i);
    }
    return byte;
}

/* Before a byte is complete: what makes nonsense of it, and of those behind. */
static void tell_causes(struct jl_device *device, struct core *core) {
    const uint32_t low_lines = 15u << JL_DEVICE_D0;
    bool data = device->pins[JL_DEVICE_DC];
    core->knocks += !data && core->knocks < 3;
    if (!core->eight_bits && data != core->upper_data) {
        jl_sim_device_report(
            device, JL_SEVERITY_ERROR, JL_CODE_NIBBLE_STEP,
            "RS changed between the two nibbles of a byte, which are out of step: "
            "a pulse of E was lost or is too many, or 3 3 3 2 were not sent first");
    }
    /* A byte at power-on, while the pins were anything, is no harm: after a wake-up of a kind. */
    bool woken = core->knocks > 2;
    if (core->eight_bits && data && woken && !(device->driven & low_lines)) {
        jl_sim_device_report(
            device, JL_SEVERITY_ERROR, JL_CODE_NIBBLE_AS_BYTE,
            "data in 8-bit mode, but nothing drives D0 to D3: each nibble counts as "
            "a byte. The 2 behind 3 3 3 is missing, or was lost");
    }
}

/* Low nibble first shows in what every wake-up has: 28, 0C, 06 and 01 in some order. */
static void tell_exchanged(struct jl_device *device, struct core *core, uint8_t byte) {
    static const uint8_t common[] = {0x82, 0xC0, 0x60, 0x10};
    unsigned before = core->exchanged;
    for (unsigned i = 0; i < sizeof common && !core->on; i++) {
        core->exchanged |= (unsigned)(byte == common[i]) << i;
    }
    if (core->exchanged == 15 && before != 15) {
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_NIBBLES_EXCHANGED,
                             "82, C0, 60 and 10 came, and never a display on: these are 28, 0C, 06 "
                             "and 01 with their nibbles exchanged. The high nibble goes first");
    }
}

static void latch(struct jl_device *device, struct core *core) {
    uint8_t byte = lines(device);
    uint64_t now = jl_board_now_ps(device->board);
    uint64_t early_ps = now < core->busy_until ? core->busy_until - now : 0;
    if (!core->eight_bits && !core->half) {
        core->half = true;
        core->upper = byte & 0xF0;
        core->upper_data = device->pins[JL_DEVICE_DC];
        core->early_ps = early_ps;
        return;
    }
    tell_causes(device, core);
    if (!core->eight_bits) {
        byte = (uint8_t)(core->upper | byte >> 4);
        early_ps = core->early_ps ? core->early_ps : early_ps;
        core->half = false;
        if (!core->upper_data) {
            tell_exchanged(device, core, byte);
        }
    }
    take_byte(device, core, device->pins[JL_DEVICE_DC], byte, early_ps);
}

static void begin_read(struct jl_device *device, struct core *core) {
    bool busy = jl_board_now_ps(device->board) < core->busy_until;
    core->answered = true;
    if (core->half) {
        return; /* the answer was made with the upper nibble */
    }
    if (!device->pins[JL_DEVICE_DC]) {
        core->answer = (uint8_t)(busy << 7 | core->address);
    } else if (core->in_cgram) {
        core->answer = core->cgram[core->address];
    } else {
        int cell = cell_of(core, core->address);
        core->answer = cell < 0 ? 0xFF : core->ddram[cell];
    }
}

static void end_read(struct jl_device *device, struct core *core) {
    core->answered = false;
    if (!core->eight_bits) {
        core->half = !core->half;
    }
    if (!core->half && device->pins[JL_DEVICE_DC]) {
        step_address(core, core->rising);
    }
}

static void complain_if_short(struct jl_device *device, uint64_t since_ps, unsigned least_ns,
                              const char *what) {
    uint64_t ps = jl_board_now_ps(device->board) - since_ps;
    if (since_ps && ps < least_ns * (uint64_t)1000) {
        jl_sim_device_report(device, JL_SEVERITY_ERROR, JL_CODE_PULSE_TOO_SHORT,
                             "%s: %u ns, the datasheet asks for %u ns", what, (unsigned)(ps / 1000),
                             least_ns);
    }
}

static void enable_changed(struct jl_device *device, struct core *core, bool high) {
    struct state *state = device->state;
    uint64_t now = jl_board_now_ps(device->board);
    bool read = device->pins[JL_DEVICE_RW];
    if (high) {
        complain_if_short(device, state->control_changed_at, SETUP_NS, "RS and R/W before E rises");
        complain_if_short(device, core->rose_at, PERIOD_NS, "E from rise to rise");
        core->rose_at = now;
        if (read) {
            begin_read(device, core);
        }
        return;
    }
    complain_if_short(device, core->rose_at, HIGH_NS, "E high");
    /* Before any instruction that is an expander, whose outputs are high until its first byte: E
     * falls together with the rest, and nothing is read. */
    core->fell_at = read && !core->knocks ? 0 : now;
    if (core->answered) {
        end_read(device, core);
    } else if (!read) {
        complain_if_short(device, state->data_changed_at, DATA_NS, "data before E falls");
        latch(device, core);
    }
}

static void pin_changed(struct jl_device *device, enum jl_device_pin pin, bool high) {
    struct state *state = device->state;
    bool data = pin >= JL_DEVICE_D0;
    if (pin == JL_DEVICE_E || (pin == JL_DEVICE_E2 && has_two_cores(device))) {
        enable_changed(device, &state->cores[pin == JL_DEVICE_E2], high);
    } else if (data || pin == JL_DEVICE_DC || pin == JL_DEVICE_RW) {
        if (!data || !device->pins[JL_DEVICE_RW]) { /* else it drives them itself */
            complain_if_short(device, state->cores[0].fell_at, HOLD_NS, "levels held after E fell");
        }
        *(data ? &state->data_changed_at : &state->control_changed_at) =
            jl_board_now_ps(device->board);
    }
}

static bool pin_level(struct jl_device *device, enum jl_device_pin pin) {
    const struct state *state = device->state;
    bool level = device->pins[pin];
    for (int i = 0; i < 2 && pin >= JL_DEVICE_D0; i++) {
        const struct core *core = &state->cores[i];
        int bit = (int)(pin - JL_DEVICE_D0);
        if (!core->answered || (!core->eight_bits && bit < 4)) {
            continue;
        }
        return core->answer >> (core->half && !core->eight_bits ? bit - 4 : bit) & 1;
    }
    return level;
}

/* ---- power ---- */

static void start_core(struct jl_device *device, struct core *core, enum jl_cells_start start) {
    uint8_t noise[2];
    memset(core, 0, sizeof *core);
    core->three_lines = device->glass.cell_rows == 3;
    jl_sim_device_noise(device, core->cgram, sizeof core->cgram);
    for (size_t i = 0; i < sizeof core->cgram; i++) {
        core->cgram[i] &= 0x1F;
    }
    clear(core);
    core->eight_bits = start <= JL_CELLS_8_BITS;
    if (start == JL_CELLS_RESET) {
        core->busy_until = jl_board_now_ps(device->board) + RESET_BUSY_PS;
        return;
    }
    jl_sim_device_noise(device, core->ddram, CELLS);
    jl_sim_device_noise(device, noise, sizeof noise);
    core->two_lines = noise[0] & 1;
    core->on = noise[0] & 2;
    core->line = noise[0] & 4;
    core->blink = noise[0] & 8;
    core->rising = noise[0] & 16;
    core->scrolls = noise[0] & 32;
    core->in_cgram = noise[0] & 64;
    core->address = noise[1] & (core->in_cgram ? 0x3F : 0x7F);
    core->half = start == JL_CELLS_HALF;
    core->upper = (uint8_t)(noise[1] & 0xF0);
}

void jl_cells_start(struct jl_device *device, enum jl_cells_start start) {
    struct state *state = device->state;
    state->table = 0;
    state->booster = state->follower = state->to_icons = state->supply = state->graphics = false;
    state->contrast = 0;
    start_core(device, &state->cores[0], start);
    start_core(device, &state->cores[1], start);
}

static void power_on(struct jl_device *device) {
    jl_cells_start(device, JL_CELLS_RESET);
}

static void brown_out(struct jl_device *device) {
    struct state *state = device->state;
    for (int i = 0; i < 2; i++) {
        struct core before = state->cores[i];
        start_core(device, &state->cores[i], JL_CELLS_RESET);
        memcpy(state->cores[i].ddram, before.ddram, sizeof before.ddram);
        memcpy(state->cores[i].cgram, before.cgram, sizeof before.cgram);
    }
}

void jl_cells_voltage(struct jl_device *device, int millivolts) {
    ((struct fixed *)device->fixed)->under = USUAL_MV - millivolts;
}

void jl_cells_oscillator(struct jl_device *device, uint32_t hertz) {
    ((struct fixed *)device->fixed)->hertz = hertz;
}

uint64_t jl_cells_byte_count(const struct jl_device *device) {
    return ((const struct state *)device->state)->bytes;
}

/* ---- the glass ---- */

/* Which outputs of which controller a cell of the glass is bonded to. */
struct bond {
    int core, line, column;
};

static struct bond bond_of(const struct jl_device *device, int column, int row) {
    const struct jl_glass *glass = &device->glass;
    if (has_two_cores(device)) {
        return (struct bond){row / 2, row % 2, column};
    }
    if (glass->cell_rows == 4) {
        return (struct bond){0, row % 2, column + row / 2 * glass->cell_columns};
    }
    if (glass->halves) {
        int half = glass->cell_columns / 2;
        return (struct bond){0, column / half, column % half};
    }
    return (struct bond){0, row, column};
}

/* The DDRAM cell that a bonded place shows, or a negative number: none. */
static int shown_cell(const struct core *core, struct bond bond) {
    int length = line_length(core);
    if (core->two_lines || core->three_lines) {
        return bond.line * length + (bond.column + core->shift) % length;
    }
    return bond.line ? -1 : (bond.column + core->shift) % CELLS;
}

/* Driven for one line, a glass of two gets too high a voltage: the well-known row of blocks. */
static bool is_overdriven(const struct jl_device *device, const struct core *core) {
    return !part_of(device)->oled && !core->two_lines && !core->three_lines &&
           (device->glass.cell_rows > 1 || device->glass.halves);
}

/* All dots of the place are dark, whatever its cell holds. */
static bool is_block(const struct jl_device *device, const struct core *core, struct bond bond) {
    return millivolts_of(device) > BLOCKS_MV || (is_overdriven(device, core) && bond.line == 0);
}

static uint8_t dots_of(struct jl_device *device, struct bond bond, int y) {
    const struct state *state = device->state;
    const struct core *core = &state->cores[bond.core];
    int cell = shown_cell(core, bond);
    if (is_block(device, core, bond)) {
        return 0x1F;
    }
    if (cell < 0 || !core->on) {
        return 0;
    }
    const struct char_rom *rom =
        device->glass.european_rom ? &jl_sim_char_rom_a02 : &jl_sim_char_rom_a00;
    uint8_t code = core->ddram[cell];
    uint8_t dots = code < 16 ? core->cgram[(code & 7) * 8 + y] : rom->rows[code][y];
    bool here = !core->in_cgram && cell_of(core, core->address) == cell;
    bool dark = jl_board_now_ps(device->board) / cycles_ps(device, BLINK_CYCLES) % 2;
    if (here && ((core->line && y == 7) || (core->blink && dark))) {
        return 0x1F;
    }
    return dots;
}

static void show(struct jl_device *device, struct jl_picture *picture) {
    for (int y = 0; y < picture->height; y++) {
        for (int x = 0; x < picture->width; x++) {
            if (jl_glass_is_gap(&device->glass, x, y)) {
                continue;
            }
            struct bond bond = bond_of(device, x / JL_CELL_WIDTH, y / JL_CELL_HEIGHT);
            uint8_t dots = dots_of(device, bond, y % JL_CELL_HEIGHT);
            if (dots >> (4 - x % JL_CELL_WIDTH) & 1) {
                memset(jl_picture_at(picture, x, y), 255, 3);
            }
        }
    }
}

static uint8_t brightness(struct jl_device *device) {
    int millivolts = millivolts_of(device);
    return (uint8_t)(millivolts >= FULL_MV
                         ? 255
                         : 40 + (millivolts - VISIBLE_MV) * 215 / (FULL_MV - VISIBLE_MV));
}

static const char *why_dark(struct jl_device *device) {
    const struct state *state = device->state;
    if (part_of(device)->oled && !millivolts_of(device)) {
        return state->graphics
                   ? "it is in graphic mode, which is not shown here: 17 shows characters"
                   : "the supply of the glass is off: send 17";
    }
    if (part_of(device)->tables && millivolts_of(device) < VISIBLE_MV) {
        return state->booster && state->follower
                   ? "there is too little contrast: 70 + its lower digit, 5C + its upper one, "
                     "behind 39"
                   : "the glass has no voltage: 5C (booster) and 6C (follower) behind 39, and 200 "
                     "ms";
    }
    if (millivolts_of(device) < VISIBLE_MV) {
        return "the contrast voltage is too low: turn the trimmer at V0";
    }
    if (millivolts_of(device) > BLOCKS_MV) {
        return NULL;
    }
    for (int i = 0; i < core_count(device); i++) {
        if (state->cores[i].on || is_overdriven(device, &state->cores[i])) {
            return NULL;
        }
    }
    return "the display is off (0C turns it on)";
}

static bool fits(const struct jl_emulated_part *part, const struct jl_glass *glass) {
    const struct cells_part *facts = part->facts;
    int columns = glass->cell_columns, rows = glass->cell_rows;
    if (columns < 1 || glass->width != columns * JL_CELL_WIDTH - 1 ||
        glass->height != rows * JL_CELL_HEIGHT - 1) {
        return false;
    }
    if (glass->halves) {
        return rows == 1 && columns <= CELLS && columns % 2 == 0;
    }
    if (rows == 3) {
        return facts->tables && columns <= SHORT_LINE;
    }
    return rows == 1 ? columns <= CELLS : (rows == 2 || rows == 4) && columns <= LINE;
}

/* ---- the text of it ---- */

struct writing {
    char *out;
    size_t size, length;
};

static void write_byte(struct writing *writing, char byte) {
    if (writing->length + 1 < writing->size) {
        writing->out[writing->length] = byte;
        writing->out[writing->length + 1] = '\0';
    }
    writing->length++;
}

static void write_text(struct writing *writing, const char *text) {
    for (; *text; text++) {
        write_byte(writing, *text);
    }
}

static void write_hex(struct writing *writing, unsigned byte) {
    write_byte(writing, "0123456789ABCDEF"[byte >> 4 & 15]);
    write_byte(writing, "0123456789ABCDEF"[byte & 15]);
}

/* UTF-8 of the characters in ROMs, none of which is past U+FFFF. */
static void write_code(struct writing *writing, const struct jl_device *device, uint8_t code) {
    const struct char_rom *rom =
        device->glass.european_rom ? &jl_sim_char_rom_a02 : &jl_sim_char_rom_a00;
    unsigned point = rom->text[code];
    if (code < 16 && !point) {
        point = code & 7 ? 0x245Fu + (code & 7) : 0x24EAu;
    }
    point = point ? point : 0xB7;
    if (point < 0x80) {
        write_byte(writing, (char)point);
    } else if (point < 0x800) {
        write_byte(writing, (char)(0xC0 | point >> 6));
        write_byte(writing, (char)(0x80 | (point & 63)));
    } else {
        write_byte(writing, (char)(0xE0 | point >> 12));
        write_byte(writing, (char)(0x80 | (point >> 6 & 63)));
        write_byte(writing, (char)(0x80 | (point & 63)));
    }
}

/* The cells of a controller that no place on the glass shows, in runs of one line; no blank ones.
 */
static void write_hidden(struct writing *writing, const struct jl_device *device,
                         const struct core *core, const bool *shown) {
    int length = line_length(core), count = cell_count(core);
    for (int first = 0; first < count; first++) {
        int last = first;
        bool blank = core->ddram[first] == ' ';
        while (!shown[first] && last + 1 < count && !shown[last + 1] && (last + 1) % length) {
            last++;
            blank &= core->ddram[last] == ' ';
        }
        if (shown[first] || blank) {
            first = last;
            continue;
        }
        write_text(writing, "hidden ");
        write_hex(writing, address_of(core, first));
        write_text(writing, "..");
        write_hex(writing, address_of(core, last));
        write_text(writing, " |");
        for (; first <= last; first++) {
            write_code(writing, device, core->ddram[first]);
        }
        first--;
        write_text(writing, "|\n");
    }
}

size_t jl_cells_text(struct jl_device *device, char *out, size_t size) {
    const struct state *state = device->state;
    const struct jl_glass *glass = &device->glass;
    struct writing writing = {out, size, 0};
    bool shown[2][CELLS] = {{false}};
    for (int row = 0; row < glass->cell_rows; row++) {
        write_byte(&writing, '|');
        for (int column = 0; column < glass->cell_columns; column++) {
            struct bond bond = bond_of(device, column, row);
            const struct core *core = &state->cores[bond.core];
            int cell = shown_cell(core, bond);
            if (cell >= 0 && !is_block(device, core, bond)) {
                shown[bond.core][cell] = true;
            }
            bool dark = cell < 0 || !core->on || why_dark(device);
            if (is_block(device, core, bond)) {
                write_text(&writing, "\u2588"); /* a full block */
            } else {
                write_code(&writing, device, dark ? ' ' : core->ddram[cell]);
            }
        }
        write_text(&writing, "|\n");
    }
    for (int i = 0; i < core_count(device); i++) {
        write_hidden(&writing, device, &state->cores[i], shown[i]);
    }
    return writing.length;
}

/* ---- I2C ---- */

static bool i2c_begin(struct jl_device *device, bool read) {
    control_begin(&((struct state *)device->state)->control);
    return !read; /* write only */
}

static bool i2c_write(struct jl_device *device, uint8_t byte) {
    struct state *state = device->state;
    struct core *core = &state->cores[0];
    if (!control_took(device, &state->control, byte)) {
        uint64_t now = jl_board_now_ps(device->board);
        take_byte(device, core, state->control.data, byte,
                  now < core->busy_until ? core->busy_until - now : 0);
    }
    return true;
}

static const struct cells_part usual = {.tables = false}, with_tables = {.tables = true},
                               with_oled = {.oled = true};

static const struct machine machine = {
    .fits = fits,
    .power_on = power_on,
    .brown_out = brown_out,
    .pin_changed = pin_changed,
    .pin_level = pin_level,
    .show = show,
    .brightness = brightness,
    .why_dark = why_dark,
};

/* Without pins but the light's. */
static const struct machine machine_on_i2c = {
    .fits = fits,
    .power_on = power_on,
    .brown_out = brown_out,
    .i2c_begin = i2c_begin,
    .i2c_write = i2c_write,
    .show = show,
    .brightness = brightness,
    .why_dark = why_dark,
};

const struct jl_emulated_part jl_emulated_hd44780 = {
    .name = "hd44780",
    .commands = &jl_sim_hd44780_commands,
    .machine = &machine,
    .facts = &usual,
    .state_bytes = sizeof(struct state),
    .fixed_bytes = sizeof(struct fixed),
};

const struct jl_emulated_part jl_emulated_aip31068 = {
    .name = "aip31068",
    .commands = &jl_sim_hd44780_commands,
    .machine = &machine_on_i2c,
    .facts = &usual,
    .state_bytes = sizeof(struct state),
    .fixed_bytes = sizeof(struct fixed),
    .i2c_cycle_ps = 2500000,
};

const struct jl_emulated_part jl_emulated_st7036 = {
    .name = "st7036",
    .commands = &jl_sim_st7036_commands,
    .machine = &machine_on_i2c,
    .facts = &with_tables,
    .state_bytes = sizeof(struct state),
    .fixed_bytes = sizeof(struct fixed),
    .i2c_cycle_ps = 2500000,
};

const struct jl_emulated_part jl_emulated_ws0010 = {
    .name = "ws0010",
    .commands = &jl_sim_ws0010_commands,
    .machine = &machine,
    .facts = &with_oled,
    .state_bytes = sizeof(struct state),
    .fixed_bytes = sizeof(struct fixed),
};
