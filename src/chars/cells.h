/* What the files of character modules share: cells and their places in DDRAM. */
#ifndef JADELAMP_SRC_CELLS_H
#define JADELAMP_SRC_CELLS_H

#include "jadelamp/char_panel.h"

/* A controller has 80 cells; positions count through both lines, unlike addresses. */
#define JL_CHAR_POSITIONS   80
#define JL_CHAR_LINE_CELLS  40
#define JL_CHAR_SHORT_CELLS 16 /* of the three lines that an st7036 can have */

/*
 * Times by the datasheet at 270 kHz (37 us, 4 more after data until the address has moved on, and
 * 1.52 ms), stretched to 190 kHz, the slowest oscillator it allows.
 */
#define JL_CHAR_US      53
#define JL_CHAR_DATA_US 59
#define JL_CHAR_LONG_US 2200

/* Commands (HD44780U datasheet, table 6). */
#define JL_CHAR_CLEAR     0x01
#define JL_CHAR_HOME      0x02
#define JL_CHAR_ENTRY     0x04
#define JL_CHAR_RISING    0x02
#define JL_CHAR_SCROLLS   0x01
#define JL_CHAR_DISPLAY   0x08
#define JL_CHAR_ON        0x04
#define JL_CHAR_SHIFT     0x10
#define JL_CHAR_WHOLE     0x08
#define JL_CHAR_RIGHTWARD 0x04
#define JL_CHAR_FUNCTION  0x20
#define JL_CHAR_8_BITS    0x10
#define JL_CHAR_2_LINES   0x08
#define JL_CHAR_CGRAM     0x40
#define JL_CHAR_DDRAM     0x80

/* Cells beside each other on the glass and in DDRAM. All strips of a module are equally long. */
struct jl_char_strip {
    uint8_t controller; /* 0 or 1 */
    uint8_t position;   /* of its first cell */
};

/* In the order of positions, so that strips which follow in DDRAM follow here. */
struct jl_char_strip jl_char_strip_at(const struct jl_char_panel *panel, uint8_t index);
uint8_t jl_char_strip_cells(const struct jl_char_panel *panel);
/* Which strip a cell is on; *offset receives its place there. */
uint8_t jl_char_strip_of(const struct jl_char_panel *panel, uint8_t column, uint8_t row,
                         uint8_t *offset);

/*
 * What a module was opened with. Where the library is compiled for one alone (`jadelamp bundle
 * --lone`), JL_LONE_MODULE names its description: constants, which the compiler looks through.
 */
#ifdef JL_LONE_MODULE
extern const struct jl_char_config JL_LONE_MODULE;
#endif

static inline const struct jl_char_config *jl_cells_of(const struct jl_char_panel *panel) {
#ifdef JL_LONE_MODULE
    (void)panel;
    return &JL_LONE_MODULE;
#else
    return panel->config;
#endif
}

/* A constant that is known is not pointed to: it would have to be there. */
static inline void jl_char_describe(struct jl_char_panel *panel,
                                    const struct jl_char_config *config) {
#ifdef JL_LONE_MODULE
    (void)panel, (void)config;
#else
    panel->config = config;
#endif
}

/* Whether a module may be opened as it is described. */
static inline bool jl_may_open_cells(const struct jl_char_config *config) {
#ifdef JL_LONE_MODULE
    return config != NULL; /* the public call has made any other one NULL */
#else
    return config && config->wire;
#endif
}

static inline bool jl_char_two_lines(const struct jl_char_panel *panel) {
    const struct jl_char_config *config = jl_cells_of(panel);
    return config->rows > 1 || (config->flags & JL_CHAR_HALVES);
}

static inline bool jl_char_two_controllers(const struct jl_char_panel *panel) {
    const struct jl_char_config *config = jl_cells_of(panel);
    return config->rows == 4 && config->columns > JL_CHAR_LINE_CELLS / 2;
}

/* The enables of all controllers. */
static inline uint8_t jl_char_all(const struct jl_char_panel *panel) {
    return jl_char_two_controllers(panel) ? 3 : 1;
}

/* The command that makes a position the next one. */
uint8_t jl_char_address(const struct jl_char_panel *panel, uint8_t position);

/* Keeps the first status that is not JL_OK, of a panel that is there; returns it as it is. */
jl_status jl_char_note(struct jl_char_panel *panel, jl_status status);

/* JL_OK when the module takes commands; every call that sends begins with it. */
jl_status jl_char_ready(struct jl_char_panel *panel);

/* The same for text, which may also go to a buffer. */
jl_status jl_char_takes_text(struct jl_char_panel *panel);

/* Sends through the wire; an error puts the panel to sleep, as nobody knows what arrived. */
jl_status jl_char_send(struct jl_char_panel *panel, uint8_t enables, uint8_t command,
                       const uint8_t *data, size_t count);

/* The same for a command that takes the long time. */
jl_status jl_char_send_long(struct jl_char_panel *panel, uint8_t command);

/* Sends data to a position, with an address only if the controller is elsewhere. */
jl_status jl_char_send_at(struct jl_char_panel *panel, uint8_t controller, uint8_t position,
                          const uint8_t *codes, size_t count);

/* Makes each controller's position the one it had before CGRAM was written. */
jl_status jl_char_close_cgram(struct jl_char_panel *panel);

/* Up to `most` codes of a text; returns how many the whole text has, at most 255. */
uint8_t jl_char_encode(struct jl_char_panel *panel, const char *text, uint8_t *codes, uint8_t most);

/* The ROM code of a character; '?' when it is missing. */
uint8_t jl_char_code(struct jl_char_panel *panel, uint32_t code);

#endif
