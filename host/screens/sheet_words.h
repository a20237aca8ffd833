/* Lines of a sheet as words: what is read, and where it stands. */
#ifndef JADELAMP_HOST_SHEET_WORDS_H
#define JADELAMP_HOST_SHEET_WORDS_H

#include "jadelamp/color.h"
#include "jadelamp/geometry.h"
#include "jadelamp/host/complaint.h"

#include <stddef.h>
#include <stdint.h>

enum { WORDS_A_LINE = 96, WORD_BYTES = 160 };

/* A line, word by word. A comma is a blank; "=" stands alone; text in quotes is one word. */
struct words {
    const char *file;
    int line;
    struct jl_complaint *complaint;
    int count, at; /* the next one */
    char text[WORDS_A_LINE][WORD_BYTES];
    bool quoted[WORDS_A_LINE];
};

#define WORDS_FAIL(words, ...)                                                                     \
    jl_complain_at((words)->complaint, (words)->file, (words)->line, __VA_ARGS__)

/* Splits a line, without its end. False: complained. */
bool jl_host_words_split(struct words *words, const char *line, size_t bytes);

/* The next word, not taken; "" at the end. */
const char *jl_host_word_peek(const struct words *words);

/* What stands there, for complaints. */
const char *jl_host_word_seen(const struct words *words);

/* Takes the next word if it is this one. */
bool jl_host_word_is(struct words *words, const char *word);

/* Takes the next word, whatever it is; `what` is expected there. NULL: complained. */
const char *jl_host_word_next(struct words *words, const char *what);

/* Takes a text in quotes. NULL: complained. */
const char *jl_host_word_text(struct words *words, const char *what);

/* Whether the next word begins like a number. */
bool jl_host_word_is_number(const struct words *words);

/* Takes a whole number within a range. False: complained. */
bool jl_host_word_int(struct words *words, const char *what, long least, long most, int *number);

/* Takes a number with up to `decimals` digits behind its point, as a whole one without it. */
bool jl_host_word_fixed(struct words *words, const char *what, int decimals, int32_t *number);

/* Takes a word that must be there, such as "to". */
bool jl_host_word_must(struct words *words, const char *word, const char *example);

/* "X Y". */
bool jl_host_word_place(struct words *words, struct jl_point *place);

/* "X Y W x H". */
bool jl_host_word_box(struct words *words, struct jl_rect *box);

/* A name for C: letters, digits and _, up to 31. */
bool jl_host_word_name(struct words *words, const char *what, char name[32]);

/* Whether the line is through. False: complained of what is left. */
bool jl_host_words_end(const struct words *words);

#endif
