/*
 * Character modules: glasses of cells with 5 x 8 dots and the hd44780 command set.
 *
 *   static const struct jl_char_config lcd = {
 *       .wire = &jl_char_wire_expander,
 *       .expander = &jl_char_expander_usual,
 *       .i2c_address = 0x27,
 *       .columns = 20,
 *       .rows = 4,
 *   };
 *   jl_char_open(&panel, &lcd, &port);
 *   jl_char_wake(&panel);
 *   jl_char_put(&panel, 0, 0, "Upper gate open");
 *   return jl_char_status(&panel);
 *
 * Every call returns its status. The panel also keeps the first one that was not JL_OK, so that
 * a program may check once, at the end: jl_char_status().
 *
 * Columns and rows count from 0. No call is for interrupts; all block until their bytes are
 * out. A NULL panel gives JL_BAD_ARGUMENT. After a status that came from the bus nothing is known
 * of the module: calls do nothing and return JL_NOT_AWAKE until jl_char_wake() brought it back
 * (text for a buffer is still written to it). After a failed jl_char_open() all calls do nothing.
 * Sources of numbers: HD44780U datasheet, tables 6 (instructions) and figures 23, 24
 * (initialisation).
 */
#ifndef JADELAMP_CHAR_PANEL_H
#define JADELAMP_CHAR_PANEL_H

#include "jadelamp/char_wiring.h"

#ifdef __cplusplus
extern "C" {
#endif

/** A character of one's own: eight rows from the top, bit 4 is the left dot. */
struct jl_char_glyph {
    uint32_t code; /**< the code point that shows it; 0: only by its ROM code, the index */
    uint8_t rows[8];
};

enum jl_char_flag {
    JL_CHAR_HALVES = 1,        /**< one row whose right half is the controller's second line */
    JL_CHAR_FAST_EXPANDER = 2, /**< this expander works above its 100 kHz: seen, not promised */
    JL_CHAR_LIGHT_OFF = 4,     /**< wakes with the backlight off */
};

/** What a module is. Constant; kept by the panel. */
struct jl_char_config {
    const struct jl_char_wire *wire;
    const struct jl_char_expander *expander; /**< for jl_char_wire_expander */
    const struct jl_char_rom *rom;           /**< NULL: jl_char_rom_ascii */
    /** Characters of one's own, sent by jl_char_wake(); the first is index 0. Or NULL. */
    const struct jl_char_glyph *glyphs;
    uint8_t glyph_count;   /**< 0..8 */
    uint8_t columns, rows; /**< 1, 2 or 4 rows; as many columns as DDRAM has for them */
    uint8_t flags;         /**< sum of enum jl_char_flag */
    uint8_t i2c_address;   /**< of the expander, or of a controller on I2C, 7 bits */
    uint8_t contrast;      /**< of an st7036, 1..63; 0: 36, which suits usual glass */
};

/** A module under way. The members are for reading. */
struct jl_char_panel {
    const struct jl_char_config *config;
    const struct jl_port *port; /**< NULL: not open */
    uint8_t *wanted, *shown;    /**< jl_char_buffer()'s memory */
    uint32_t missing_code;      /**< the last character that neither ROM nor glyphs had */
    uint16_t missing;           /**< how many such were asked for since jl_char_open() */
    uint8_t address[2];     /**< where the next byte of data goes, by controller: 0..79 through both
                             lines */
    uint8_t column, row;    /**< of the cursor, as set */
    uint8_t display, entry; /**< commands in force */
    uint8_t outputs;        /**< of the expander */
    uint8_t idle_bytes;     /**< for an expander above its limit */
    bool light, awake;
    uint8_t status; /**< the first that was not JL_OK: jl_char_status() */
};

/**
 * Checks a description and fills the panel; sends nothing.
 *
 * @return JL_OK; JL_BAD_ARGUMENT (NULL, or more than 8 glyphs); JL_BAD_SIZE (no such module);
 *         JL_BAD_PORT (an operation is missing); JL_BAD_ADDRESS; JL_BAD_WIRING;
 *         JL_CLOCK_TOO_FAST (port.clock_hz above 100 kHz and no JL_CHAR_FAST_EXPANDER)
 */
jl_status jl_char_open(struct jl_char_panel *panel, const struct jl_char_config *config,
                       const struct jl_port *port);

/**
 * Wakes the module from any state, also from the middle of a byte in 4-bit mode: cleared, display
 * on, no cursor, text from left to right, glyphs defined. Takes 50 ms and more.
 */
jl_status jl_char_wake(struct jl_char_panel *panel);

/** A step of jl_char_wake_by(): a pulse of all enables, with RS low and four bits on D7..D4. */
#define JL_CHAR_STEP_PULSE(nibble) JL_CHAR_STEP_CODE_PULSE, (nibble)
#define JL_CHAR_STEP_CODE_PULSE    0x85

/**
 * Wakes the module by a sequence of one's own, such as a datasheet of a relative has it. Its steps
 * (wake.h): JL_STEP_SEND() of instructions, JL_STEP_WAIT_MS(), JL_CHAR_STEP_PULSE(), JL_STEP_CLEAR
 * (01h with its wait), and JL_STEP_SETUP: what jl_char_wake() sends behind its pulses. A sequence
 * without a pulse gets those of jl_char_wake() in front. Glyphs come last. Each instruction waits
 * as long as the wire does.
 *
 * @param steps constant; free again on return
 * @return as jl_char_wake(); JL_BAD_STEPS (such a step is not known, or cut: nothing was sent)
 */
jl_status jl_char_wake_by(struct jl_char_panel *panel, const uint8_t *steps, size_t bytes);

/**
 * The first status other than JL_OK that a call on this module gave since the last
 * jl_char_wake(), or since jl_char_open(). Sends nothing.
 *
 * @return JL_OK: all went well; JL_BAD_ARGUMENT (NULL)
 */
JL_MUST_CHECK
jl_status jl_char_status(const struct jl_char_panel *panel);

/** Bytes that jl_char_buffer() needs. */
#define JL_CHAR_BUFFER_BYTES(columns, rows) (2 * (columns) * (rows))

/**
 * From now on text is written to memory, and jl_char_present() sends the cells that changed.
 *
 * @param memory the caller's, as long as the panel is used; NULL: text is sent at once again
 * @return JL_OK; JL_TOO_SMALL; JL_UNSUPPORTED (jl_char_entry() set another direction or scroll);
 *         JL_NOT_AWAKE (not open)
 */
jl_status jl_char_buffer(struct jl_char_panel *panel, void *memory, size_t size);

/** Sends the cells that differ from what is shown: for each run of them one address. */
jl_status jl_char_present(struct jl_char_panel *panel);

/**
 * Writes UTF-8 text from a cell on. What the ROM lacks is looked for in the glyphs; what is
 * in neither becomes '?' and is counted in panel->missing.
 *
 * @return JL_OK; JL_TOO_WIDE (the row ends before the text: what fits is written);
 *         JL_OUT_OF_RANGE (no such cell: nothing is written); JL_NOT_AWAKE; or the port's status
 */
jl_status jl_char_put(struct jl_char_panel *panel, uint8_t column, uint8_t row, const char *text);

/**
 * The same for codes of the ROM; 0..7 are the glyphs. Codes that would leave the row are refused:
 * JL_OUT_OF_RANGE, and nothing is written.
 */
jl_status jl_char_put_codes(struct jl_char_panel *panel, uint8_t column, uint8_t row,
                            const uint8_t *codes, uint8_t count);

/**
 * As jl_char_put(), at once, and also to the columns past the glass that a line of DDRAM has
 * (40 in all; 80 on one row): shifting the display brings them into view. Not for modules of
 * four rows or two halves, nor with a buffer: JL_UNSUPPORTED.
 */
jl_status jl_char_put_hidden(struct jl_char_panel *panel, uint8_t column, uint8_t row,
                             const char *text);

/** Writes where the cursor is, as the controller goes on from there; not with a buffer. */
jl_status jl_char_type(struct jl_char_panel *panel, const char *text);

/** Where text stands in a field. */
enum jl_char_align { JL_CHAR_LEFT, JL_CHAR_CENTRE, JL_CHAR_RIGHT };

/**
 * Writes text into a field of `width` cells: the rest is filled with a character, text that is
 * too long is cut at its end.
 */
jl_status jl_char_field(struct jl_char_panel *panel, uint8_t column, uint8_t row, uint8_t width,
                        enum jl_char_align align, const char *text, uint32_t fill);

/**
 * Writes a number as jl_format_fixed() does to the right of a field, blanks before it.
 * @return as jl_char_put(); JL_TOO_WIDE: it does not fit, and the field is filled with '#', since
 *         a part of a number would be read as another number
 */
jl_status jl_char_number(struct jl_char_panel *panel, uint8_t column, uint8_t row, uint8_t width,
                         int32_t value, uint8_t decimals);

/**
 * Shows the part of a text that step `step` of a marquee has reached: text longer than the
 * field moves left by a cell a step and comes round after three blanks; shorter text stands.
 */
jl_status jl_char_marquee(struct jl_char_panel *panel, uint8_t column, uint8_t row, uint8_t width,
                          const char *text, uint16_t step);

/** Blanks in all cells; without a buffer also the shift and the cursor go home. */
jl_status jl_char_clear(struct jl_char_panel *panel);

/** The shift of the display and the cursor go home; the text stays. */
jl_status jl_char_home(struct jl_char_panel *panel);

/** What shows where the cursor is. */
enum jl_char_cursor { JL_CHAR_NO_CURSOR = 0, JL_CHAR_BLINK = 1, JL_CHAR_LINE = 2 };

/** Shows a cursor (sum of enum jl_char_cursor) at a cell. */
jl_status jl_char_cursor(struct jl_char_panel *panel, uint8_t column, uint8_t row, uint8_t cursor);

/** Turns the display on or off; DDRAM stays. */
jl_status jl_char_show(struct jl_char_panel *panel, bool on);

/** Turns the backlight on or off, where the wiring has one. */
jl_status jl_char_light(struct jl_char_panel *panel, bool on);

/** Moves the whole display by cells: to the right, or to the left when negative. */
jl_status jl_char_shift(struct jl_char_panel *panel, int8_t cells);

/** Moves the cursor by cells, as jl_char_shift(). */
jl_status jl_char_move(struct jl_char_panel *panel, int8_t cells);

/** How the cursor and the display go on as text is written; add up. */
enum jl_char_entry {
    JL_CHAR_LEFTWARD = 1,   /**< text runs to the left */
    JL_CHAR_AUTOSCROLL = 2, /**< the display moves, so that the cursor seems to stand */
};

/** Sets the way text is written; with a buffer only 0 is possible. */
jl_status jl_char_entry(struct jl_char_panel *panel, uint8_t entry);

/**
 * Defines a character of one's own; cells that show it change at once.
 *
 * @param index 0..7, else JL_OUT_OF_RANGE
 * @param rows  eight, as in struct jl_char_glyph
 */
jl_status jl_char_define(struct jl_char_panel *panel, uint8_t index, const uint8_t rows[8]);

/**
 * Fills all cells with a test card: a sign in each corner, the size, a ruler of columns, and
 * characters that tell the ROMs apart. Redefines the glyphs 0..3. With a buffer it is sent, too.
 */
jl_status jl_char_test_card(struct jl_char_panel *panel, const char *title);

#ifdef __cplusplus
}
#endif

#endif
