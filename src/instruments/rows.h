/* Rows of text of which one is chosen, and more of them than the box can show: lists and menus. */
#ifndef JADELAMP_SRC_ROWS_H
#define JADELAMP_SRC_ROWS_H

#include "instrument.h"

struct rows {
    struct jl_rect box;
    const struct jl_theme *theme;
    const void *texts; /* a pointer to text every `stride` bytes */
    size_t stride;
    int16_t count, selected, first;
};

/* Rows that fit. */
int16_t jl_rows_seen(const struct rows *rows);

/* The row at a place, -1: none. */
int16_t jl_rows_at(const struct rows *rows, int16_t x, int16_t y);

/* `first` such that the chosen row is seen, and no place is left free. */
int16_t jl_rows_first(const struct rows *rows);

struct jl_rect jl_rows_area(const struct rows *rows, int16_t row);
void jl_rows_draw(struct jl_target *target, const struct rows *rows);

/* What differs when another row is chosen, or others are seen. */
void jl_rows_changes(const struct rows *rows, int16_t shown_selected, int16_t shown_first,
                     struct parts *parts);

/*
 * Takes an event: moves what is chosen (*selected) and seen (*first); `rest` keeps the pixels that
 * a drag has left over. True: the row was tapped, or JL_KEY_OK went down.
 */
bool jl_rows_event(const struct rows *rows, const struct jl_event *event, int16_t *selected,
                   int16_t *first, int16_t *rest);

#endif
