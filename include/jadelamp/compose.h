/*
 * Text put together from words and numbers, in memory of the caller's, without the C library:
 *
 *   char memory[24];
 *   struct jl_compose line;
 *   jl_compose_begin(&line, memory, sizeof memory);
 *   jl_compose_text(&line, "Tide", -6);         // left-aligned in 6 characters
 *   jl_compose_fixed(&line, 184, 2, 6);         // right-aligned in 6
 *   jl_compose_text(&line, " m", 0);
 *   jl_text(target, 0, 0, memory, &style);      // "Tide    1.84 m"
 *
 * The memory always holds zero-terminated text. What does not fit any more is left out, whole
 * characters of a text and whole numbers, and `full` says so. Pure; callable from any context.
 *
 * A width is in characters: above 0 the piece stands at the right of it, below 0 at the left,
 * blanks fill the rest; 0, or a piece that is longer, takes what the piece needs.
 */
#ifndef JADELAMP_COMPOSE_H
#define JADELAMP_COMPOSE_H

#include <stdbool.h>
#include <stddef.h>
#include <stdint.h>

#ifdef __cplusplus
extern "C" {
#endif

/** Text under construction. Read the members freely. */
struct jl_compose {
    char *text;  /**< the caller's */
    size_t size; /**< of it, bytes */
    size_t used; /**< without the end */
    bool full;   /**< something did not fit: what comes later is left out, too */
};

/** Begins an empty text. @param memory as long as it is used; not NULL. @param size 1 or more */
void jl_compose_begin(struct jl_compose *text, char *memory, size_t size);

/** Adds UTF-8 text; of one that does not fit as many characters as do. */
void jl_compose_text(struct jl_compose *text, const char *words, int8_t width);

/** Adds a whole number. */
void jl_compose_int(struct jl_compose *text, int32_t value, int8_t width);

/** Adds a number without sign. */
void jl_compose_unsigned(struct jl_compose *text, uint32_t value, int8_t width);

/** Adds a fixed-point number as jl_format_fixed() writes it: 184 with 2 decimals is 1.84. */
void jl_compose_fixed(struct jl_compose *text, int32_t value, uint8_t decimals, int8_t width);

/** Adds at least `digits` hexadecimal digits, upper case. */
void jl_compose_hex(struct jl_compose *text, uint32_t value, uint8_t digits);

#ifdef __cplusplus
}
#endif

#endif
