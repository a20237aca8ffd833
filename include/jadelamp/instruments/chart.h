/*
 * A strip chart: values by time, the highest and the lowest of each column kept.
 *
 *   struct jl_chart_column columns[120];
 *   struct jl_chart chart = {.face = &face, .columns = columns, .room = 120};
 *   jl_chart_add(&chart, value);            // as often as there is one
 *   jl_chart_redraw(&frame.target, &chart);
 */
#ifndef JADELAMP_INSTRUMENTS_CHART_H
#define JADELAMP_INSTRUMENTS_CHART_H

#include "jadelamp/instruments/instrument.h"

#ifdef __cplusplus
extern "C" {
#endif

/** What a column of the chart has seen. */
struct jl_chart_column {
    int16_t low, high;
};

struct jl_chart_face {
    struct jl_rect box;
    const struct jl_theme *theme;
    struct jl_scale scale; /**< within int16_t; its zones colour the columns */
    uint8_t divisions;     /**< lines across; 0: none */
    uint16_t values;       /**< that make a column; 0 counts as 1 */
    bool sweeps;           /**< from left to right, over what is old; else it scrolls */
    uint8_t gap;           /**< of a sweep: columns ahead that are empty, 1 or more */
    bool number;           /**< the last value, in the upper right corner */
    uint8_t decimals;      /**< of the number and of the scale's ends */
};

/** The box holds as many columns as its width less two; `room` more or less is cut or left free. */
struct jl_chart {
    const struct jl_chart_face *face;
    struct jl_chart_column *columns; /**< the caller's */
    uint16_t room;                   /**< how many there are, 2 or more */
    /* The library's: columns that are whole, the one that is not, the last value. */
    uint32_t count;
    struct jl_chart_column open;
    uint16_t open_values;
    int16_t last;
    uint32_t shown;
    int16_t shown_last;
    bool drawn; /**< false: all is to be drawn */
};

/** Adds a value; what is off the scale is kept as it is, and shown at its end. */
void jl_chart_add(struct jl_chart *chart, int16_t value);

/** Forgets all values. */
void jl_chart_empty(struct jl_chart *chart);

/** Draws all of it, on any target. */
void jl_chart_draw(struct jl_target *target, const struct jl_chart *chart);
/** Draws what changed; see instrument.h. */
bool jl_chart_redraw(struct jl_target *target, struct jl_chart *chart);

#ifdef __cplusplus
}
#endif

#endif
