/* The photo: how the glass looks to a person. Colours and gaps are drawn by eye. */
#include "jadelamp/sim/glass.h"

#include "device.h"

#include <string.h>

enum { SPLIT_ROWS = 16, LEAST_SCALE = 2, MOST_SCALE = 32, BEZEL_DOTS = 3 };

struct shade {
    uint8_t r, g, b;
};

static const struct shade bezel = {10, 12, 14};
static const struct shade unlit = {19, 22, 26};

static struct shade lit_shade(const struct jl_glass *glass, int row) {
    static const struct shade white = {236, 246, 255}, blue = {92, 190, 255},
                              yellow = {255, 214, 64}, green = {120, 255, 130};
    switch (glass->kind) {
    case JL_GLASS_BLUE:
        return blue;
    case JL_GLASS_YELLOW_BLUE:
        return row < SPLIT_ROWS ? yellow : blue;
    case JL_GLASS_YELLOW:
        return yellow;
    case JL_GLASS_GREEN:
        return green;
    case JL_GLASS_LCD_GREEN:
        return (struct shade){40, 50, 34};
    case JL_GLASS_LCD_GREY:
        return (struct shade){34, 38, 52};
    case JL_GLASS_LCD_BLUE:
        return (struct shade){228, 240, 255};
    case JL_GLASS_SILVER:
        return (struct shade){206, 210, 204};
    case JL_GLASS_COLOR_OLED:
    case JL_GLASS_TFT:
        return (struct shade){255, 255, 255};
    case JL_GLASS_WHITE:
    default:
        return white;
    }
}

bool jl_glass_is_lcd(const struct jl_glass *glass) {
    return glass->kind >= JL_GLASS_LCD_GREEN && glass->kind <= JL_GLASS_LCD_BLUE;
}

bool jl_glass_is_paper(const struct jl_glass *glass) {
    return glass->kind == JL_GLASS_PAPER || glass->kind == JL_GLASS_PAPER_RED;
}

bool jl_glass_needs_light(const struct jl_glass *glass) {
    return glass->kind == JL_GLASS_LCD_BLUE || glass->kind == JL_GLASS_TFT;
}

/* What is between the dots of an LCD: without a light what is reflected, or nothing on blue. */
static struct shade lcd_ground(const struct jl_glass *glass, bool light) {
    static const struct shade grounds[] = {{160, 184, 62}, {190, 196, 188}, {26, 62, 196}};
    static const struct shade reflected[] = {{96, 108, 58}, {122, 126, 120}, {8, 10, 16}};
    return (light ? grounds : reflected)[glass->kind - JL_GLASS_LCD_GREEN];
}

/* The light behind a TFT shines a little through black. */
static struct shade unlit_shade(const struct jl_glass *glass, unsigned glow, bool light) {
    if (jl_glass_is_lcd(glass)) { /* dots that do not turn are seen a little */
        struct shade ground = lcd_ground(glass, light), dot = lit_shade(glass, 0);
        if (!light && jl_glass_needs_light(glass)) {
            return ground;
        }
        return (struct shade){(uint8_t)((ground.r * 15 + dot.r) / 16),
                              (uint8_t)((ground.g * 15 + dot.g) / 16),
                              (uint8_t)((ground.b * 15 + dot.b) / 16)};
    }
    if (glass->kind != JL_GLASS_TFT) {
        return unlit;
    }
    uint8_t leak = (uint8_t)(light ? 10 + glow * 14 / 255 : 6);
    return (struct shade){leak, leak, (uint8_t)(leak + 3)};
}

/* Outside the circle of a round glass: its pixels' centres are farther out than the rim. */
static bool hidden(const struct jl_glass *glass, int x, int y) {
    long from_middle_x = 2L * x + 1 - glass->width;
    long from_middle_y = 2L * y + 1 - glass->height;
    long rim = glass->width;
    return glass->round &&
           from_middle_x * from_middle_x + from_middle_y * from_middle_y > rim * rim;
}

void jl_sim_glass_hide_corners(const struct jl_glass *glass, struct jl_picture *picture) {
    for (int y = 0; y < picture->height; y++) {
        for (int x = 0; x < picture->width; x++) {
            if (hidden(glass, x, y)) {
                memset(jl_picture_at(picture, x, y), 0, 3);
            }
        }
    }
}

static uint8_t mix(uint8_t from, uint8_t to, unsigned share) {
    return (uint8_t)((from * (255 - share) + to * share + 127) / 255);
}

/* Paper is not even: a grain that is the same in every photo. */
static int grain(int x, int y) {
    uint32_t dice = (uint32_t)x * 2654435761u ^ (uint32_t)y * 2246822519u;
    dice ^= dice >> 15;
    dice *= 2654435761u;
    return (int)(dice >> 29) - 4;
}

/* Particles reflect: white is light grey, black is dark grey, and red is dull. No gaps. */
static void put_paper(const struct jl_picture *logical, int scale, int margin,
                      struct jl_picture *photo) {
    static const struct shade white = {222, 222, 214}, black = {42, 42, 46}, red = {172, 44, 38};
    for (int y = 0; y < photo->height; y++) {
        for (int x = 0; x < photo->width; x++) {
            int column = (x - margin) / scale, row = (y - margin) / scale;
            uint8_t *at = jl_picture_at(photo, x, y);
            struct shade shade = white;
            if (x >= margin && y >= margin && column < logical->width && row < logical->height) {
                const uint8_t *dot = jl_picture_at(logical, column, row);
                uint8_t redness = (uint8_t)(dot[0] - dot[1]); /* grey has none */
                unsigned light = redness < 255 ? dot[1] * 255u / (255u - redness) : 0;
                shade = (struct shade){mix(mix(black.r, white.r, light), red.r, redness),
                                       mix(mix(black.g, white.g, light), red.g, redness),
                                       mix(mix(black.b, white.b, light), red.b, redness)};
            }
            int uneven = grain(x, y);
            at[0] = (uint8_t)(shade.r + uneven);
            at[1] = (uint8_t)(shade.g + uneven);
            at[2] = (uint8_t)(shade.b + uneven);
        }
    }
}

static void put_dots(uint8_t *at, int count, struct shade shade) {
    for (int x = 0; x < count; x++, at += 3) {
        at[0] = shade.r;
        at[1] = shade.g;
        at[2] = shade.b;
    }
}

bool jl_glass_photo(const struct jl_glass *glass, const struct jl_picture *logical,
                    uint8_t brightness, bool light, int scale, struct jl_picture *photo) {
    if (scale < LEAST_SCALE || scale > MOST_SCALE) {
        return false;
    }
    bool split = glass->kind == JL_GLASS_YELLOW_BLUE && logical->height > SPLIT_ROWS;
    int margin = BEZEL_DOTS * scale;
    /* None where it would take half of a small dot's light away; TFT dots nearly touch. */
    int gap = scale >= 5 ? scale / 5 : scale > (glass->kind == JL_GLASS_TFT ? 3 : 2);
    /* Even at the lowest contrast an OLED glows: eyes are closer to logarithmic than linear. */
    unsigned glow = jl_glass_is_lcd(glass) ? brightness : 70 + brightness * 185u / 255;
    if (!light && jl_glass_needs_light(glass)) {
        glow = 0;
    }
    struct shade dark = unlit_shade(glass, glow, light);
    struct shade around = jl_glass_is_lcd(glass) ? lcd_ground(glass, light) : bezel;
    if (!jl_picture_create(photo, logical->width * scale + 2 * margin,
                           logical->height * scale + 2 * margin + (split ? scale : 0))) {
        return false;
    }
    if (jl_glass_is_paper(glass)) {
        put_paper(logical, scale, margin, photo);
        return true;
    }
    put_dots(photo->rgb, photo->width * photo->height, around);
    for (int y = 0; y < logical->height; y++) {
        struct shade lit = lit_shade(glass, y);
        int top = margin + y * scale + (split && y >= SPLIT_ROWS ? scale : 0);
        for (int x = 0; x < logical->width; x++) {
            if (hidden(glass, x, y) || jl_glass_is_gap(glass, x, y)) {
                continue;
            }
            /* Of one colour: the three channels of the logical picture are equal. */
            const uint8_t *dot = jl_picture_at(logical, x, y);
            struct shade shade = {mix(dark.r, lit.r, dot[0] * glow / 255),
                                  mix(dark.g, lit.g, dot[1] * glow / 255),
                                  mix(dark.b, lit.b, dot[2] * glow / 255)};
            put_dots(jl_picture_at(photo, margin + x * scale, top), scale - gap, shade);
        }
        const uint8_t *first = jl_picture_at(photo, 0, top);
        for (int copy = 1; copy < scale - gap; copy++) { /* squares: rows that are alike */
            memcpy(jl_picture_at(photo, 0, top + copy), first, (size_t)photo->width * 3);
        }
    }
    return true;
}
