/*
 * Screen sheets: text files that describe a screen, back to front. They are looked at on any
 * target, and become C. docs/screen-sheets.md lists every word.
 *
 *   screen quay_gauge
 *   glass 128 x 64
 *   value height = number 0 to 9.99 decimals 2 sample 3.91
 *   page main
 *   rect 0 0 128 x 64 stroke white
 *   text "Tide {height} m" in 4 20 120 x 8 font 6x8 paper black
 */
#ifndef JADELAMP_HOST_SCREEN_SHEET_H
#define JADELAMP_HOST_SCREEN_SHEET_H

#include "jadelamp/event.h"
#include "jadelamp/host/card.h"
#include "jadelamp/target.h"

#include <stddef.h>

#ifdef __cplusplus
extern "C" {
#endif

struct jl_screen;

/** What glass can show; sheets may say different things for each. */
enum jl_screen_colors { JL_SCREEN_MONO, JL_SCREEN_GREY, JL_SCREEN_COLOR };

/** Which of the sheet's variants is meant. */
struct jl_screen_glass {
    int width, height; /**< of the picture, as it is turned; 0: the first that the sheet names */
    enum jl_screen_colors colors;
};

/** The variant for a card's panel, as it is turned. */
struct jl_screen_glass jl_screen_glass_of(const struct jl_card *card);

enum jl_screen_value_kind {
    JL_SCREEN_NUMBER, /**< with `decimals` */
    JL_SCREEN_CLOCK,  /**< minutes of the day; -1: none */
    JL_SCREEN_CHOICE, /**< an index */
    JL_SCREEN_WORDS,  /**< UTF-8 text */
    JL_SCREEN_SWITCH, /**< 0 or 1 */
    JL_SCREEN_SERIES, /**< numbers, one behind the other */
};

enum { JL_SCREEN_VALUES = 48, JL_SCREEN_WORDS_BYTES = 64, JL_SCREEN_SERIES_NUMBERS = 256 };

/** A value, as the sheet describes it. */
struct jl_screen_value {
    const char *name;
    enum jl_screen_value_kind kind;
    int32_t least, most; /**< without the decimal point */
    uint8_t decimals;
    uint16_t count; /**< choices, bytes of words, or numbers of a series */
};

/** What a screen shows: a page, and what its values are. */
struct jl_screen_state {
    int page;
    int32_t numbers[JL_SCREEN_VALUES];
    char words[JL_SCREEN_VALUES][JL_SCREEN_WORDS_BYTES];
    int16_t series[JL_SCREEN_VALUES][JL_SCREEN_SERIES_NUMBERS];
};

/**
 * Reads a sheet, with the pictures and fonts that it names, by paths from its folder.
 *
 * @return NULL: the complaint says file:line, what was read and what would be right
 */
struct jl_screen *jl_screen_read(const char *path, const struct jl_screen_glass *glass,
                                 struct jl_complaint *complaint);

/** The same from text in memory; `name` stands for the path in complaints, and for the folder. */
struct jl_screen *jl_screen_read_text(const char *name, const char *text, size_t bytes,
                                      const struct jl_screen_glass *glass,
                                      struct jl_complaint *complaint);

/** Frees it; NULL is fine. */
void jl_screen_free(struct jl_screen *screen);

/** Its name, for C and for files. */
const char *jl_screen_name(const struct jl_screen *screen);

/** The glass that was chosen. */
struct jl_screen_glass jl_screen_glass(const struct jl_screen *screen);

/** Its pages; and the name of one of them. */
int jl_screen_page_count(const struct jl_screen *screen);
const char *jl_screen_page_name(const struct jl_screen *screen, int page);

/** Its values, as many as it says. */
int jl_screen_value_count(const struct jl_screen *screen);
struct jl_screen_value jl_screen_value(const struct jl_screen *screen, int index);

/** The value of that name, -1: none. */
int jl_screen_value_find(const struct jl_screen *screen, const char *name);

/** How many different samples there are: the rows of the longest column, 1 or more. */
int jl_screen_sample_count(const struct jl_screen *screen);

/** Sets all values to their samples number `step`; those with fewer begin again. Page 0. */
void jl_screen_sample(const struct jl_screen *screen, int step, struct jl_screen_state *state);

/** Sets a value from text, as a sheet writes samples. False: the complaint says what is right. */
bool jl_screen_set(const struct jl_screen *screen, const char *name, const char *text,
                   struct jl_screen_state *state, struct jl_complaint *complaint);

/** A value as texts write it; empty for series. */
void jl_screen_value_text(const struct jl_screen *screen, int index,
                          const struct jl_screen_state *state, char *out, size_t size);

/** Draws a page on any target. */
void jl_screen_draw(const struct jl_screen *screen, const struct jl_screen_state *state,
                    struct jl_target *target);

/**
 * Draws what differs from a state that the target shows: about what the C redraws, with instruments
 * whole. True: something did.
 */
bool jl_screen_update(const struct jl_screen *screen, const struct jl_screen_state *shown,
                      const struct jl_screen_state *state, struct jl_target *target);

/** What an event does: pages and sliders. True: something changed. */
bool jl_screen_event(const struct jl_screen *screen, const struct jl_event *event,
                     struct jl_screen_state *state);

/**
 * What a careful reader would object to, such as text that does not fit its box: "file:line: ..."
 * each.
 *
 * @return how many; NULL in *list: none
 */
size_t jl_screen_findings(const struct jl_screen *screen, const char *const **list);

/** What the C takes: of the sheet's own fonts and pictures in flash, and of the screen in RAM. */
struct jl_screen_cost {
    size_t font_bytes, picture_bytes;
    int fonts, pictures, items;
    size_t most_ram_bytes; /**< of the screen's struct, where pointers have 32 bits */
    bool wrote_events;     /**< functions to fill in were written, for the first time */
};

/**
 * Writes DIRECTORY/NAME.c and NAME.h, NAME being the screen's, both or neither; and, where it has
 * buttons or sliders and that is not there yet, NAME_events.c to fill in.
 *
 * @param made what made it, for the files' first comment
 */
bool jl_screen_write(const struct jl_screen *screen, const char *directory, const char *made,
                     struct jl_screen_cost *cost, struct jl_complaint *complaint);

/**
 * Compiles what was written by a compiler of the user's, such as "arm-none-eabi-gcc
 * -mcpu=cortex-m0plus -mthumb", with -Os, and tells the flash that it takes: code, fonts and
 * pictures of the screen, without what it needs of the library.
 *
 * @param compiler a line for the shell
 */
bool jl_screen_measure(const char *directory, const char *name, const char *compiler,
                       size_t *flash_bytes, struct jl_complaint *complaint);

#ifdef __cplusplus
}
#endif

#endif
