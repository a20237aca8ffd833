/* Names at file scope: found, and changed. */
#include "c_names.h"

#include <stdlib.h>
#include <string.h>

#include "c_tokens.h"

/* ---- sets ---- */

bool jl_host_c_names_have(const struct c_names *names, const char *text, size_t length) {
    for (size_t i = 0; i < names->count; i++) {
        if (strncmp(names->list[i], text, length) == 0 && !names->list[i][length]) {
            return true;
        }
    }
    return false;
}

bool jl_host_c_names_add(struct c_names *names, const char *text, size_t length) {
    if (!length || length >= C_NAME_BYTES || jl_host_c_names_have(names, text, length)) {
        return true;
    }
    if (names->count == names->room) {
        size_t room = names->room ? 2 * names->room : 64;
        char(*list)[C_NAME_BYTES] = realloc(names->list, room * sizeof *list);
        if (!list) {
            names->failed = true;
            return false;
        }
        names->list = list;
        names->room = room;
    }
    memcpy(names->list[names->count], text, length);
    names->list[names->count++][length] = '\0';
    return true;
}

void jl_host_c_names_free(struct c_names *names) {
    free(names->list);
    *names = (struct c_names){0};
}

/* ---- finding ---- */

enum { MOST_TOKENS = 4096 };

/* A declaration at file scope: its tokens up to the ; or the body, without what is in brackets. */
struct declaration {
    struct c_token tokens[MOST_TOKENS];
    size_t count;
    bool is_static, is_extern, is_typedef, has_body, has_value;
};

static bool is_our_prefix(const struct c_token *name) {
    return name->length > 3 && strncmp(name->text, "jl_", 3) == 0;
}

/* The name that a declaration gives: before ( or [ or =, or behind (* of a pointer to functions. */
static const struct c_token *declared(const struct declaration *d) {
    const struct c_token *last = NULL;
    for (size_t i = 0; i < d->count; i++) {
        const struct c_token *token = &d->tokens[i];
        if (jl_host_c_is(token, "(") && i + 1 < d->count && jl_host_c_is(&d->tokens[i + 1], "*")) {
            for (size_t k = i + 2; k < d->count; k++) {
                if (d->tokens[k].kind == C_NAME && !jl_host_c_is(&d->tokens[k], "const")) {
                    return &d->tokens[k];
                }
            }
        }
        if (jl_host_c_is(token, "(") || jl_host_c_is(token, "[") || jl_host_c_is(token, "=")) {
            return last;
        }
        last = token->kind == C_NAME ? token : last;
    }
    return last;
}

struct finding {
    struct c_names *global, *own, *macros;
    bool good;
};

static void add(struct finding *finding, const struct c_token *name, bool global) {
    struct c_names *names = global ? finding->global : finding->own;
    finding->good = finding->good && jl_host_c_names_add(names, name->text, name->length);
}

static void end_declaration(struct finding *finding, struct declaration *d) {
    const struct c_token *name = d->count ? declared(d) : NULL;
    if (name && name->length > 3 && strncmp(name->text, "JL_", 3) == 0) {
        name = NULL; /* a macro of the library that writes declarations */
    }
    bool ours = name && is_our_prefix(name);
    /* A prototype, an extern or a tag alone defines nothing that others would look for here. */
    bool defines = d->has_body || d->has_value;
    if (name && (d->is_static || d->is_typedef || !ours) && !d->is_extern) {
        add(finding, name, false);
    } else if (name && ours && defines && !d->is_extern) {
        add(finding, name, true);
    }
    *d = (struct declaration){.count = 0};
}

static void take_directive(struct finding *finding, const struct c_token *token) {
    const char *at = token->text + 1;
    at += strspn(at, " \t");
    if (strncmp(at, "define", 6) == 0) {
        at += 6;
        at += strspn(at, " \t");
        size_t length = strcspn(at, " \t\n(\\");
        finding->good = finding->good && jl_host_c_names_add(finding->macros, at, length);
    }
}

/* What stands in the braces of an enum at file scope, and in those of others: nothing is taken. */
static const char *pass_braces(struct finding *finding, const char *at, bool is_enum) {
    int depth = 1;
    bool expects = true, begins = false;
    while (depth) {
        struct c_token token = jl_host_c_next(&at, begins);
        begins = token.kind == C_SPACE && token.text[token.length - 1] == '\n';
        begins |= token.kind == C_DIRECTIVE;
        if (token.kind == C_END) {
            break;
        }
        if (token.kind == C_DIRECTIVE) {
            take_directive(finding, &token);
        }
        depth += jl_host_c_is(&token, "{");
        depth -= jl_host_c_is(&token, "}");
        if (is_enum && depth == 1 && expects && token.kind == C_NAME) {
            add(finding, &token, false);
            expects = false;
        }
        expects |= is_enum && depth == 1 && jl_host_c_is(&token, ",");
    }
    return at;
}

static bool begins_tag(const struct declaration *d) {
    size_t n = d->count;
    return n >= 1 &&
           (jl_host_c_is(&d->tokens[n - 1], "struct") || jl_host_c_is(&d->tokens[n - 1], "union") ||
            jl_host_c_is(&d->tokens[n - 1], "enum"));
}

/* Braces at file scope: of a tag, a function, or a value. */
static const char *take_braces(struct finding *finding, struct declaration *d, const char *at) {
    size_t n = d->count;
    bool is_tag = begins_tag(d), named = false,
         is_enum = is_tag && jl_host_c_is(&d->tokens[n - 1], "enum");
    if (!is_tag && n >= 2) {
        struct declaration before = *d;
        before.count = n - 1;
        named = begins_tag(&before) && !d->has_value;
        is_enum = named && jl_host_c_is(&d->tokens[n - 2], "enum");
    }
    if (named) {
        add(finding, &d->tokens[n - 1], false);
    }
    at = pass_braces(finding, at, is_enum);
    if (!is_tag && !named && !d->has_value) {
        d->has_body = true;
        end_declaration(finding, d);
    } else if (is_tag || named) {
        d->count = 0; /* declarators may follow, and a ; alone is none */
    }
    return at;
}

static const char *pass_parens(const char *at) {
    for (int depth = 1; depth;) {
        struct c_token token = jl_host_c_next(&at, false);
        if (token.kind == C_END) {
            break;
        }
        depth += jl_host_c_is(&token, "(");
        depth -= jl_host_c_is(&token, ")");
    }
    return at;
}

static void take_word(struct declaration *d, const struct c_token *token) {
    d->is_static |= jl_host_c_is(token, "static");
    d->is_extern |= jl_host_c_is(token, "extern");
    d->is_typedef |= jl_host_c_is(token, "typedef");
    d->has_value |= jl_host_c_is(token, "=");
    if (d->count < MOST_TOKENS) {
        d->tokens[d->count++] = *token;
    }
}

bool jl_host_c_names_of(const char *text, struct c_names *global, struct c_names *own,
                        struct c_names *macros) {
    struct finding finding = {global, own, macros, true};
    struct declaration *d = calloc(1, sizeof *d);
    const char *at = text;
    bool begins = true;
    while (d) {
        struct c_token token = jl_host_c_next(&at, begins);
        begins = token.kind == C_DIRECTIVE ||
                 (token.kind == C_SPACE && (token.text[token.length - 1] == '\n' || begins));
        if (token.kind == C_END) {
            break;
        }
        if (token.kind == C_DIRECTIVE) {
            take_directive(&finding, &token);
        } else if (jl_host_c_is(&token, "__attribute__") ||
                   jl_host_c_is(&token, "_Static_assert")) {
            at += strcspn(at, "(");
            at = *at ? pass_parens(at + 1) : at;
        } else if (jl_host_c_is(&token, "{")) {
            at = take_braces(&finding, d, at);
        } else if (jl_host_c_is(&token, ";")) {
            end_declaration(&finding, d);
        } else if (token.kind != C_SPACE) {
            take_word(d, &token);
        }
    }
    free(d);
    return d && finding.good;
}

bool jl_host_c_names_used(const char *text, size_t length, struct c_names *used) {
    const char *at = text;
    bool good = true;
    while (at < text + length) {
        struct c_token token = jl_host_c_next(&at, false);
        if (token.kind == C_NAME && token.length > 3 && strncmp(token.text, "jl_", 3) == 0) {
            good = good && jl_host_c_names_add(used, token.text, token.length);
        }
    }
    return good;
}

/* ---- changing ---- */

/* Where a name stands: behind . or -> it is a member; in the braces of a struct it is one where
 * something ends behind it. */
struct place {
    bool behind_dot, opens_struct;
    int struct_depth; /* 0: not in a struct of file scope */
    int depth;
};

static bool ends_member(const char *at) {
    at += strspn(at, " \n");
    return *at == ';' || *at == ',' || *at == '[' || *at == ':' || *at == ')';
}

static void write_changed(FILE *out, const char *text, size_t size, const struct c_names *own,
                          const char *prefix, struct place *place, bool begins);

static void write_token(FILE *out, const struct c_token *token, const char *behind,
                        const struct c_names *own, const char *prefix, struct place *place) {
    bool is_member = place->behind_dot || (place->struct_depth && ends_member(behind));
    if (token->kind == C_NAME && !is_member &&
        jl_host_c_names_have(own, token->text, token->length)) {
        fprintf(out, "%s_", prefix);
    }
    fwrite(token->text, 1, token->length, out);
}

static void follow(struct place *place, const struct c_token *token) {
    if (token->kind == C_SPACE || token->kind == C_DIRECTIVE) {
        return;
    }
    place->behind_dot = jl_host_c_is(token, ".") || jl_host_c_is(token, "->");
    if (jl_host_c_is(token, "{")) {
        place->depth++;
        place->struct_depth =
            place->opens_struct && !place->struct_depth ? place->depth : place->struct_depth;
    } else if (jl_host_c_is(token, "}")) {
        place->struct_depth = place->struct_depth == place->depth ? 0 : place->struct_depth;
        place->depth--;
    }
    bool keyword = jl_host_c_is(token, "struct") || jl_host_c_is(token, "union");
    place->opens_struct = keyword || (place->opens_struct && token->kind == C_NAME);
}

static void write_changed(FILE *out, const char *text, size_t size, const struct c_names *own,
                          const char *prefix, struct place *place, bool begins) {
    const char *at = text;
    while (at < text + size) {
        struct c_token token = jl_host_c_next(&at, begins);
        begins = token.kind == C_DIRECTIVE ||
                 (token.kind == C_SPACE && (token.text[token.length - 1] == '\n' || begins));
        if (token.kind == C_DIRECTIVE) {
            struct place inside = {false, false, 0, 0};
            write_changed(out, token.text, token.length, own, prefix, &inside, false);
        } else {
            write_token(out, &token, at, own, prefix, place);
        }
        follow(place, &token);
    }
}

void jl_host_c_rename(FILE *out, const char *text, const struct c_names *own, const char *prefix) {
    struct place place = {false, false, 0, 0};
    size_t length = strlen(text);
    write_changed(out, text, length, own, prefix, &place, true);
    if (length && text[length - 1] != '\n') {
        fputc('\n', out); /* a directive may follow */
    }
}
