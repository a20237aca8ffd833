/*
 * Plain firmware code. Text on the left; on the right three columns of water, two cells wide, in
 * steps of an eighth of a cell, and the boat on the water of the chamber.
 */
#include "lock_display.h"

#include "jadelamp/format.h"

enum { TEXT_CELLS = 13, WATER_ROWS = 3, STEPS_A_CELL = 8, FULL_CM = 500 };

/* "HH:MM". */
static void clock_text(char out[6], int16_t minute) {
    jl_format_int(out, 3, minute / 60, 2, '0');
    out[2] = ':';
    jl_format_int(out + 3, 3, minute % 60, 2, '0');
}

/* Two cells of a column: blank, one to seven eighths, or full. */
static jl_status put_water(struct jl_char_panel *panel, uint8_t column, uint8_t row,
                           int16_t eighths) {
    static const char *const cells[] = {"  ",           "\u2581\u2581", "\u2582\u2582",
                                        "\u2583\u2583", "\u2584\u2584", "\u2585\u2585",
                                        "\u2586\u2586", "\u2587\u2587", "\u2588\u2588"};
    int16_t clipped = eighths < 0 ? 0 : eighths > STEPS_A_CELL ? STEPS_A_CELL : eighths;
    return jl_char_put(panel, column, row, cells[clipped]);
}

static jl_status draw_column(struct jl_char_panel *panel, uint8_t column, int16_t cm, bool boat) {
    int16_t steps = (int16_t)(cm * (WATER_ROWS * STEPS_A_CELL) / FULL_CM);
    jl_status status = JL_OK;
    for (int16_t row = 3; row >= 0 && status == JL_OK; row--) {
        bool floats = boat && steps <= 0 && steps > -STEPS_A_CELL;
        status = floats ? jl_char_put(panel, column, (uint8_t)row, "\u26F5 ")
                        : put_water(panel, column, (uint8_t)row, steps);
        steps = (int16_t)(steps - STEPS_A_CELL);
    }
    return status;
}

static jl_status draw_level(struct jl_char_panel *panel, uint8_t row, const char *name,
                            int16_t cm) {
    jl_status status = jl_char_field(panel, 0, row, 7, JL_CHAR_LEFT, name, ' ');
    if (status == JL_OK) {
        status = jl_char_number(panel, 7, row, 4, cm, 2);
    }
    return status == JL_OK ? jl_char_put(panel, 11, row, " m") : status;
}

jl_status lock_display_draw(struct jl_char_panel *panel, const struct lock_reading *reading,
                            uint16_t marquee_step) {
    bool boat = reading->boat[0] != '\0';
    char time[6];
    clock_text(time, reading->minute);
    jl_status status = jl_char_field(panel, 0, 0, 8, JL_CHAR_LEFT, "Lock", ' ');
    if (status == JL_OK) {
        status = jl_char_put(panel, 8, 0, time);
    }
    if (status == JL_OK) {
        status = draw_level(panel, 1, "upper", reading->upper_cm);
    }
    if (status == JL_OK) {
        status = draw_level(panel, 2, "lower", reading->lower_cm);
    }
    if (status == JL_OK) {
        status = jl_char_marquee(panel, 0, 3, TEXT_CELLS, boat ? reading->boat : "no boat",
                                 marquee_step);
    }
    if (status == JL_OK) {
        status = draw_column(panel, 14, reading->upper_cm, false);
    }
    if (status == JL_OK) {
        status = draw_column(panel, 16, reading->chamber_cm, boat);
    }
    return status == JL_OK ? draw_column(panel, 18, reading->lower_cm, false) : status;
}
