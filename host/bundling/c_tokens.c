/* Tokens of C. */
#include "c_tokens.h"

#include <ctype.h>
#include <string.h>

static const char *end_of_line(const char *at) {
    while (*at && !(*at == '\n' && at[-1] != '\\')) {
        at++;
    }
    return *at ? at + 1 : at;
}

static const char *end_of_comment(const char *at) {
    const char *end = strstr(at + 2, "*/");
    return end ? end + 2 : at + strlen(at);
}

static const char *end_of_quote(const char *at) {
    char quote = *at++;
    while (*at && *at != quote) {
        at += *at == '\\' && at[1] ? 2 : 1;
    }
    return *at ? at + 1 : at;
}

struct c_token jl_host_c_next(const char **at, bool line_begins) {
    const char *begin = *at, *end = begin + 1;
    enum c_kind kind = C_OTHER;
    if (!*begin) {
        return (struct c_token){C_END, begin, 0};
    }
    if (line_begins && *begin == '#') {
        kind = C_DIRECTIVE;
        end = end_of_line(begin);
    } else if (isspace((unsigned char)*begin)) {
        kind = C_SPACE;
    } else if (begin[0] == '/' && begin[1] == '*') {
        kind = C_SPACE;
        end = end_of_comment(begin);
    } else if (begin[0] == '/' && begin[1] == '/') {
        kind = C_SPACE;
        end = end_of_line(begin);
    } else if (*begin == '"' || *begin == '\'') {
        end = end_of_quote(begin);
    } else if (isalpha((unsigned char)*begin) || *begin == '_') {
        kind = C_NAME;
        while (isalnum((unsigned char)*end) || *end == '_') {
            end++;
        }
    } else if (isdigit((unsigned char)*begin)) {
        while (isalnum((unsigned char)*end) || *end == '.') {
            end++;
        }
    } else if (begin[0] == '-' && begin[1] == '>') {
        end = begin + 2;
    }
    *at = end;
    return (struct c_token){kind, begin, (size_t)(end - begin)};
}

bool jl_host_c_is(const struct c_token *token, const char *text) {
    return token->length == strlen(text) && strncmp(token->text, text, token->length) == 0;
}
