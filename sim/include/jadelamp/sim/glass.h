/*
 * The glass in front of an emulated controller: how it is bonded and mounted,
 * and how it looks.
 */
#ifndef JADELAMP_SIM_GLASS_H
#define JADELAMP_SIM_GLASS_H

#include "jadelamp/sim/picture.h"

#ifdef __cplusplus
extern "C" {
#endif

/** How the glass makes its light. */
enum jl_glass_kind {
    JL_GLASS_WHITE,
    JL_GLASS_BLUE,
    JL_GLASS_YELLOW_BLUE, /**< rows 0..15 yellow, the rest blue, a dark gap between */
    JL_GLASS_YELLOW,
    JL_GLASS_GREEN,
    JL_GLASS_COLOR_OLED,
    JL_GLASS_TFT,       /**< colour filters in front of a light */
    JL_GLASS_LCD_GREEN, /**< dark dots on yellow-green */
    JL_GLASS_LCD_GREY,  /**< dark dots on light grey */
    JL_GLASS_LCD_BLUE,  /**< white dots on blue */
    JL_GLASS_SILVER,    /**< memory LCD: bright where a bit is 1, dark where it is 0; no light */
    JL_GLASS_PAPER,     /**< e-paper, black on white */
    JL_GLASS_PAPER_RED, /**< e-paper, black and red on white */
};

/**
 * A glass. The zero value of the members after `kind` is the part's usual module; each
 * emulated controller says in its file which one that is.
 */
struct jl_glass {
    int width;  /**< pixels */
    int height; /**< pixels */
    /** RAM column at the left edge of the upright, unmirrored glass. A mirrored glass is bonded to
     * the same outputs, so its left edge is the last of them. */
    int column_offset;
    int row_offset; /**< the same for rows, from the upper edge */
    enum jl_glass_kind kind;
    bool mirrored_x; /**< the first column is where the usual module has the last */
    bool mirrored_y; /**< the same for rows */
    bool rows_other; /**< bonded the other way than rows of the usual module of this size */
    bool external_supply;
    bool bgr;         /**< red and blue subpixels in each other's place */
    bool ips;         /**< bright where the usual glass is dark, unless the controller inverts */
    bool round;       /**< only the circle inside can be seen */
    bool light_wired; /**< of TFT and LCD: the light is on while JL_DEVICE_LIGHT is high; else
                         always */
    /** RAM as strapped by pins of the controller, where it has such; 0 is all of it. */
    int ram_width, ram_height;
    /** Of a glass with character cells, as jl_glass_cells() makes it; 0: dots all over. */
    int cell_columns, cell_rows;
    bool halves;       /**< one row of cells, the right half of it bonded as a second line */
    bool european_rom; /**< the character ROM is A02, else A00 */
};

/** Dots from a cell to the next: 5 x 8 and the gap. */
enum { JL_CELL_WIDTH = 6, JL_CELL_HEIGHT = 9 };

/** Whether dots darken what is behind them instead of shining. */
bool jl_glass_is_lcd(const struct jl_glass *glass);

/** Whether the glass is electronic paper, and keeps its picture. */
bool jl_glass_is_paper(const struct jl_glass *glass);

/** Whether nothing can be seen without the light behind it: TFT, and LCD with light dots. */
bool jl_glass_needs_light(const struct jl_glass *glass);

/** A glass of character cells, with dark or light dots by its kind. */
struct jl_glass jl_glass_cells(int columns, int rows, enum jl_glass_kind kind);

/** Whether a place is in the gap between cells, where the glass has no dots. */
bool jl_glass_is_gap(const struct jl_glass *glass, int x, int y);

/**
 * What a person (or a camera held close) sees: each pixel a small square with a
 * gap, in the colours of the glass.
 *
 * @param logical    one pixel a dot, black is dark
 * @param brightness 0..255 of the lit dots
 * @param light      whether the light behind TFT and LCD is on; OLED has none
 * @param scale      side of a dot with its gap, 2..32 pixels
 * @param photo      receives a new picture; the caller frees it
 * @return false when there is no memory or scale is out of range
 */
bool jl_glass_photo(const struct jl_glass *glass, const struct jl_picture *logical,
                    uint8_t brightness, bool light, int scale, struct jl_picture *photo);

#ifdef __cplusplus
}
#endif

#endif
