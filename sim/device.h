/*
 * What an emulated controller implements, and what it may use of the board.
 */
#ifndef JADELAMP_SIM_DEVICE_H
#define JADELAMP_SIM_DEVICE_H

#include "commands/commands.h"
#include "jadelamp/sim/board.h"
#include "jadelamp/sim/touch.h"

enum { DEVICE_PINS = JL_DEVICE_D7 + 1, DEVICE_NAME_BYTES = 32 };

/* More commands than a wake-up sequence has, arguments included. */
enum { MOST_COMMANDS = 1000 };

/* Opcodes first..last that the part has not, but relatives have: what is right here. */
struct stranger {
    uint8_t first, last;
    const char *instead; /* NULL ends a list */
};

/* What a part is: facts from its datasheet, in one constant. */
struct jl_emulated_part {
    const char *name;
    const struct machine *machine;
    const void *facts; /* what the machine has differently for this part; its own type */
    const struct command_set *commands; /* or NULL */
    const struct stranger *strangers;   /* or NULL */
    size_t state_bytes;
    size_t fixed_bytes; /* of what survives a loss of power, such as trimmers; zeroed at first */
    /* Least write cycles by the datasheet: a bit on SPI, a strobe on 8080, SCL. 0: no such bus. */
    uint32_t serial_cycle_ps, parallel_cycle_ps, i2c_cycle_ps;
    uint32_t serial_read_cycle_ps, parallel_read_cycle_ps; /* where it can be read */
    bool words;                                            /* takes 16 lines, too */
    bool no_8080;     /* of the parallel buses it has 6800 only, */
    bool no_6800;     /* or 8080 only */
    bool select_high; /* CS selects while it is high; on a parallel bus it is low as usual */
};

/* What a place of the glass shows. */
struct place {
    int line;             /* of the memory, as it is scanned */
    int column, row;      /* where a program addresses it now */
    size_t offset, bytes; /* in the state of the device */
};

/* Ends are included. */
struct window {
    int first_column, last_column, first_row, last_row;
};

/* Which registers decide on the geometry, as users look for them. */
struct geometry_words {
    const char *rows;   /* how many are driven */
    const char *order;  /* or NULL: rows have one order only */
    const char *roll;   /* the first row; or NULL */
    const char *mirror; /* the directions */
    bool columns;       /* what is scanned one by one is columns of the glass, not rows */
};

/*
 * What the parts of a kind do. Callbacks get bytes in the order of the wire; jl_board_now_ps() is
 * the time at which the byte, or the first byte of a block, begins. Members for a bus or a
 * pin that the kind lacks are NULL. device->part has the facts.
 */
struct jl_rgb_panel;
struct rgb_line;
struct rgb_wires;
struct machine {
    /* Whether such a glass can be bonded to the part. Its sides are 1 to 4096 by then, and no
     * number of it is below 0. */
    bool (*fits)(const struct jl_emulated_part *part, const struct jl_glass *glass);
    /* State is zeroed before. RAM becomes noise here. */
    void (*power_on)(struct jl_device *device);
    void (*reset)(struct jl_device *device, bool low); /* or NULL: no such pin */
    /* Addressed, to be written or read: acknowledges or not. */
    bool (*i2c_begin)(struct jl_device *device, bool read);
    bool (*i2c_write)(struct jl_device *device, uint8_t byte);
    uint8_t (*i2c_read)(struct jl_device *device);
    /* Where it answers, when it was attached at an address. NULL: just there. */
    uint8_t (*i2c_address)(struct jl_device *device, uint8_t attached);
    /* Bytes from SPI or an 8-bit 8080 bus, D/C the same for all of them. */
    void (*write)(struct jl_device *device, const uint8_t *bytes, size_t count, bool data);
    /* Words from a 16-bit 8080 bus. */
    void (*write_words)(struct jl_device *device, const uint16_t *words, size_t count, bool data);
    /* The next 8 bits that it gives on SPI, or the next byte on a parallel bus. */
    uint8_t (*read)(struct jl_device *device);
    /* The next word on 16 lines. NULL: that byte, on D7..D0. */
    uint16_t (*read_word)(struct jl_device *device);
    /* SPI with a wire of its own for it: whether that is driven in the next clocks. NULL: never. */
    bool (*gives)(const struct jl_device *device);
    /* CS begins to select. */
    void (*selected)(struct jl_device *device);
    bool chips; /* selected by JL_DEVICE_CHIP1 to 3 */
    /* JL_DEVICE_VCOM changed; or NULL: no such pin. */
    void (*vcom)(struct jl_device *device);
    /* For parts on plain pins: instead of reset() and selected(), each change of a level. */
    void (*pin_changed)(struct jl_device *device, enum jl_device_pin pin, bool high);
    /* The level of a pin, be it driven by the part or to it. */
    bool (*pin_level)(struct jl_device *device, enum jl_device_pin pin);
    /*
     * Pins that the part drives by itself, (1 << pin) each; their level at a time, and when it
     * changes next after a time (UINT64_MAX: not as things are).
     */
    uint32_t outputs;
    bool (*output)(struct jl_device *device, enum jl_device_pin pin, uint64_t at_ps);
    uint64_t (*output_change)(struct jl_device *device, enum jl_device_pin pin, uint64_t after_ps);
    /* The picture is black and has the size of the glass. NULL: a part without a picture. */
    void (*show)(struct jl_device *device, struct jl_picture *picture);
    uint8_t (*brightness)(struct jl_device *device);
    const char *(*why_dark)(struct jl_device *device);
    /* Registers are lost and the memory is not. NULL: as a reset; without one, as power_on(). */
    void (*brown_out)(struct jl_device *device);
    /* The plug is pulled. NULL: nothing to do. */
    void (*power_off)(struct jl_device *device);
    /* Its glass keeps a picture by itself: it is shown whatever the part does. */
    bool keeps_picture;
    /* As show(), but what each line showed when it was scanned last. NULL: as show(). */
    void (*seen)(struct jl_device *device, struct jl_picture *picture);
    /* For jl_sim_judge_...: what a pixel of the glass shows; false: nothing drives it. */
    bool (*behind)(struct jl_device *device, int x, int y, struct place *place);
    /* Where data go now: columns and rows as a program addresses them, in pixels. */
    void (*window)(const struct jl_device *device, struct window *window);
    const struct geometry_words *words;
    void (*judge_more)(struct jl_device *device); /* or NULL: once, when the first pixels show */
    /* Glass of an RGB bus: how it is wired to so many data lines; and a line, at its end. */
    void (*attach_rgb)(struct jl_device *device, const struct jl_rgb_panel *panel, int data_lines);
    void (*take_line)(struct jl_device *device, const struct rgb_line *line);
};

struct jl_device {
    const struct jl_emulated_part *part;
    const struct machine *machine;
    struct jl_board *board;
    char name[DEVICE_NAME_BYTES];
    char scope[DEVICE_NAME_BYTES]; /* the name, as a recording can write it */
    struct jl_glass glass;
    void *state, *fixed;
    uint8_t *at_power_on; /* a copy of the state */
    struct judged {
        bool geometry, once; /* judged as it is now; judged at least once */
        bool edges;          /* looked for what was never written */
        bool on, snow, snow_told;
        unsigned depth; /* bits a pixel, and bits of pixels since power-on */
        uint64_t bits;
        uint64_t on_since_ps;
    } judged;
    struct window_account {
        uint64_t bytes;    /* for the present window, so far; 0: no window yet */
        int width, height; /* of it, in units of so many bits */
        unsigned bits;
        uint64_t bytes_before; /* for the one before, and how often so many came in a row */
        int alike, singles;    /* and windows of one unit */
    } window;
    uint64_t stored, stored_anew; /* jl_device_stored() */
    struct faults {
        uint32_t held, held_high, outside_high; /* pins that are stuck, their levels, and which
                                                   they were driven to; (1 << pin) each */
        bool cutting, cut;                      /* it is to come; it has come */
        uint64_t cut_byte;                      /* on its bus */
        uint32_t flip_one_in;
        uint64_t flip_state, flip_after; /* bits until the next one */
        bool silent;                     /* nothing is reported */
    } faults;
    uint32_t driven; /* pins that were ever set from outside, (1 << pin) each */
    int pin_wires[DEVICE_PINS];
    const struct jl_i2c_bus *i2c;
    const struct jl_stream_bus *stream;
    const uint64_t *bus_bytes; /* that its bus has moved; NULL: none */
    /*
     * Which of the bytes that a machine was given together it looks at, so that what it reports
     * has its own time and place: the machine sets `at`; where words were split, at_base too, and
     * how many bytes a word made.
     */
    size_t at, at_base, at_word_bytes;
    size_t at_unit_bytes; /* of a word on the bus, and its time */
    uint64_t at_unit_ps;
    const struct rgb_wires *rgb_wires; /* of an RGB bus, and its data lines */
    int rgb_lines;
    uint64_t noise_seed;
    /* the shift register behind a serial input */
    bool three_wire;
    bool unplugged;
    bool rgb_anew; /* it has forgotten the picture: all lines in full, please */
    bool means_mirrored, means_negative; /* on purpose */
    unsigned shifted, shifted_bits;
    bool took_bytes, bytes_passed;  /* on its bus: for it, and while it was not selected */
    uint64_t low_bytes, high_bytes; /* that it took, by D/C */
    uint8_t opcodes[32];            /* that it took, known or not, a bit each */
    bool command_came;              /* since power-on */
    bool reset_came;                /* an edge of the reset pin */
    bool arguments_missing;         /* some of the opcodes may have been meant as arguments */
    bool reversed_reported, early_data_reported, stuck_reported;
    unsigned cs_bits; /* since CS became active, on SPI */
    bool clock_reported, read_clock_reported;
    bool pins[DEVICE_PINS];
    uint64_t tolerated_cycle_ps;
    int celsius;         /* around the glass */
    uint16_t light_duty; /* of JL_DEVICE_LIGHT while it is high */
    /* touch panels: fingers by hand, or steps that they follow */
    struct finger {
        bool down;
        int x, y; /* on the upright glass, pixels */
        uint64_t edge_ps;
    } fingers[JL_TOUCH_FINGERS];
    const struct jl_hand_step *steps;
    size_t step_count;
    struct jl_touch_flaws flaws;
};

/* Whether less time passed than a part needs. One nanosecond is rounding: recordings have no less.
 */
static inline bool jl_sim_too_short(uint64_t passed_ps, uint64_t least_ps) {
    return passed_ps + 1000 < least_ps;
}

/* Adds a diagnostic, printf-like. */
__attribute__((format(printf, 4, 5))) void jl_sim_device_report(struct jl_device *device,
                                                                enum jl_severity severity,
                                                                enum jl_code code,
                                                                const char *format, ...);

/*
 * The command that an opcode is. NULL: the part has none such, which is reported, with what may
 * have been meant.
 */
const struct command *jl_sim_take_opcode(struct jl_device *device, uint8_t opcode);

/* What to add where an argument that cannot be is a command; else "". */
const char *jl_sim_slip_words(const struct jl_device *device, uint8_t argument);

/*
 * How the glass shows the memory: at power-on; when registers change that decide on it; when the
 * display is switched on; with each lot of pixels, whether or not it is on; and when the picture
 * may be complete: at the next command, or when somebody looks.
 */
void jl_sim_judge_power_on(struct jl_device *device);
void jl_sim_judge_anew(struct jl_device *device);
/* A register that is set once, in the wake-up sequence. */
void jl_sim_judge_setting(struct jl_device *device, bool on);
void jl_sim_judge_on(struct jl_device *device);
void jl_sim_judge_shown(struct jl_device *device);
void jl_sim_judge_look(struct jl_device *device);

/*
 * What came for a window of width x height units of so many bits; and when another one begins.
 */
static inline void jl_sim_window_data(struct jl_device *device, size_t bytes, int width, int height,
                                      unsigned bits) {
    struct window_account *window = &device->window;
    if (!window->bytes) {
        window->width = width;
        window->height = height;
        window->bits = bits;
    }
    window->bytes += bytes;
}
void jl_sim_window_end(struct jl_device *device);

/* Data went to places of the memory; so many of them held something else. */
static inline void jl_sim_stored(struct jl_device *device, uint64_t places, uint64_t anew) {
    device->stored += places;
    device->stored_anew += anew;
}

/* Bytes of pixels of so many bits came, while the display is on or off. */
static inline void jl_sim_judge_pixels(struct jl_device *device, size_t bytes, unsigned depth,
                                       bool on) {
    struct judged *judged = &device->judged;
    judged->depth = depth;
    judged->bits += 8 * bytes;
    judged->on = on;
    if (on && (!judged->geometry || (judged->snow && !judged->snow_told))) {
        jl_sim_judge_shown(device);
    }
}

/* Whether low D/C tells its commands from data; not so on the st7920's serial bus, and of parts
 * whose commands come with C/D high. */
bool jl_sim_device_has_dc(const struct jl_device *device);

/* Whether its CS pin selects it now. */
bool jl_sim_device_is_selected(const struct jl_device *device);

/* Time of a byte on its SPI, 8080 or 6800 bus. */
uint64_t jl_sim_device_unit_ps(const struct jl_device *device);

/* Whether bits come one by one to it, and not from 8080. */
bool jl_sim_device_is_serial(const struct jl_device *device);

/* Makes black what a round glass cannot show. */
void jl_sim_glass_hide_corners(const struct jl_glass *glass, struct jl_picture *picture);

/* Fills memory with the device's own noise: the same bytes in every run. */
void jl_sim_device_noise(struct jl_device *device, uint8_t *bytes, size_t count);

#endif
