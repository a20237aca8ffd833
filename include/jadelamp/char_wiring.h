/*
 * How character modules are wired, and which characters their ROM has. A description names
 * constants of this header, and a program links only those.
 */
#ifndef JADELAMP_CHAR_WIRING_H
#define JADELAMP_CHAR_WIRING_H

#include "jadelamp/flash.h"
#include "jadelamp/port.h"

#ifdef __cplusplus
extern "C" {
#endif

struct jl_char_panel;
struct jl_char_config;

/**
 * A way from the port to the module; for the library, which waits between the calls. Commands
 * of the controller are never 0, so that 0 can mean none.
 */
struct jl_char_wire {
    bool eight_bits;
    uint16_t long_us;  /**< the longest that clearing takes; 0: 2200 us */
    bool three_rows;   /**< of a part whose pins can make it one of three rows of 16 */
    uint8_t before_on; /**< a command that is sent before the display is switched on; 0: none */
    bool reads_busy;   /**< each byte waits for the busy flag, else for the longest time */
    /** Of the description and the port of a module that is being opened; JL_OK, or what is wrong.
     */
    jl_status (*check)(const struct jl_char_panel *panel);
    /** All lines as they rest, whatever they were. */
    jl_status (*rest)(struct jl_char_panel *panel);
    /** One pulse of all enables with RS low and four bits on D7..D4, without waiting. */
    jl_status (*knock)(struct jl_char_panel *panel, uint8_t nibble);
    /** A command, unless it is 0, and bytes of data, to the enables of a mask (1, 2 or 3). */
    jl_status (*send)(struct jl_char_panel *panel, uint8_t enables, uint8_t command,
                      const uint8_t *data, size_t count);
    /** The backlight, on or off as panel->light says. */
    jl_status (*light)(struct jl_char_panel *panel);
};

/**
 * Parallel wirings, by set_pin(): RS is JL_PIN_DC, then JL_PIN_E, and D4..D7 or D0..D7. Without
 * R/W (tied low) each byte waits 53 us, or 59 after data: 37 and 41 us at the usual 270 kHz,
 * stretched to the slowest oscillator of the datasheet (190 kHz). The ..._busy ones need JL_PIN_RW
 * and get_pin().
 */
extern const struct jl_char_wire jl_char_wire_4, jl_char_wire_8, jl_char_wire_4_busy,
    jl_char_wire_8_busy;

/**
 * The waiting ones for ws0010, whose glass is an OLED: display on is preceded by 17h, which
 * switches its supply on, and clearing takes 6.2 ms. It needs no contrast and has no backlight.
 */
extern const struct jl_char_wire jl_char_wire_4_oled, jl_char_wire_8_oled;

/**
 * An I2C port expander (pcf8574, pcf8574A) in front of a module in 4-bit mode. A character is
 * four bytes, and any number of them go out as one transfer from the port's work memory (else
 * from 64 bytes of the stack). Up to 100 kHz, the expander's limit, these bytes take longer
 * than the controller; with JL_CHAR_FAST_EXPANDER idle bytes are put between.
 */
extern const struct jl_char_wire jl_char_wire_expander;

/**
 * Controllers on I2C by themselves, with a control byte in front of each other one: aip31068 and
 * relatives. Up to 400 kHz, at which these two bytes take longer than the controller. A backlight
 * is JL_PIN_LIGHT, if the port has set_pin(). One controller only.
 */
extern const struct jl_char_wire jl_char_wire_i2c;
/**
 * The same for st7036, whose voltage comes from its booster, set up by commands (st7036.h). Waking
 * takes 200 ms more.
 */
extern const struct jl_char_wire jl_char_wire_st7036;

/** Which output of an expander (a mask of one bit) goes where. 0: not connected. */
struct jl_char_expander {
    uint8_t rs, e;
    uint8_t rw;      /**< held low */
    uint8_t e2;      /**< for 40 x 4 cells */
    uint8_t light;   /**< backlight */
    uint8_t data[4]; /**< D4, D5, D6, D7 */
    bool light_low;  /**< the backlight is on while its output is low */
};

/** The usual adapter: RS, R/W, E and backlight on P0..P3, D4..D7 on P4..P7. */
extern const struct jl_char_expander jl_char_expander_usual;
/** The same with a backlight that is on while P3 is low. */
extern const struct jl_char_expander jl_char_expander_light_low;
/** D4..D7 on P0..P3, RS, R/W, E and backlight on P4..P7. */
extern const struct jl_char_expander jl_char_expander_data_first;
/** D4..D7 on P0..P3, E, R/W, RS and backlight on P4..P7. */
extern const struct jl_char_expander jl_char_expander_e_first;

/** `count` characters from a code point on, at ROM codes from `code` on. */
struct jl_char_range {
    uint16_t first;
    uint8_t count;
    uint8_t code;
};

/** Which characters a ROM has, and where. Ranges by rising code point, marked JL_FLASH (flash.h).
 */
struct jl_char_rom {
    const struct jl_char_range *ranges;
    uint8_t range_count;
};

/** What all ROMs have alike: ASCII without backslash and tilde. */
extern const struct jl_char_rom jl_char_rom_ascii;
/** ROM A00, Western and Japanese: half-width katakana, some Greek and accented letters. */
extern const struct jl_char_rom jl_char_rom_a00;
/** ROM A02, European: Latin-1, some Cyrillic and Greek, symbols. */
extern const struct jl_char_rom jl_char_rom_a02;

#ifdef __cplusplus
}
#endif

#endif
