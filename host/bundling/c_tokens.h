/* C as tokens: enough to find names and to change them. */
#ifndef JADELAMP_HOST_C_TOKENS_H
#define JADELAMP_HOST_C_TOKENS_H

#include <stdbool.h>
#include <stddef.h>

enum c_kind {
    C_NAME,      /* identifiers and keywords */
    C_OTHER,     /* numbers, strings, characters, one mark each; -> is one */
    C_SPACE,     /* spaces, ends of lines and comments */
    C_DIRECTIVE, /* a line with #, and those that continue it */
    C_END,
};

struct c_token {
    enum c_kind kind;
    const char *text;
    size_t length;
};

/* The token at a place; `at` goes behind it. At the begin of a line, # begins a directive. */
struct c_token jl_host_c_next(const char **at, bool line_begins);

bool jl_host_c_is(const struct c_token *token, const char *text);

#endif
