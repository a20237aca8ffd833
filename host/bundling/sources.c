/* Reading the library's files, and putting templates in their places. */
#include "sources.h"

#include <ctype.h>
#include <dirent.h>
#include <errno.h>
#include <stdlib.h>
#include <string.h>

#include "jadelamp/host/catalog.h"

static const char *const rooms[] = {"core",  "formats",     "draw",   "smooth",     "fonts",
                                    "panel", "controllers", "epaper", "chars",      "scanout",
                                    "touch", "inputs",      "light",  "instruments"};

char *jl_host_source_text(const char *folder, const char *path, struct jl_complaint *complaint) {
    char name[1200];
    snprintf(name, sizeof name, "%s/%s", folder, path);
    FILE *file = fopen(name, "r");
    char *text = NULL;
    size_t count = 0, room = 0;
    while (file && !feof(file) && !ferror(file)) {
        if (room - count < 2) {
            room = room ? 2 * room : 16384;
            char *more = realloc(text, room);
            if (!more) {
                break;
            }
            text = more;
        }
        count += fread(text + count, 1, room - count - 1, file);
        text[count] = '\0';
    }
    if (!file || ferror(file) || !text) {
        jl_complain(complaint, "cannot read %s: %s", name, strerror(errno));
        free(text);
        text = NULL;
    }
    if (file) {
        fclose(file);
    }
    return text;
}

bool jl_host_next_include(const char *at, struct include *include) {
    while ((at = strstr(at, "#include")) != NULL) {
        const char *what = at + 8 + strspn(at + 8, " \t");
        size_t length = strcspn(what, "\n");
        while (length && what[length - 1] != '"' && what[length - 1] != '>') {
            length--;
        }
        if ((*what == '"' || *what == '<') && length < sizeof include->what) {
            include->begin = at;
            include->end = what + strcspn(what, "\n");
            include->end += *include->end == '\n';
            memcpy(include->what, what, length);
            include->what[length] = '\0';
            return true;
        }
        at += 8;
    }
    return false;
}

bool jl_host_inside_guard(const char *text, const char **begin, const char **end) {
    const char *guard = strstr(text, "#ifndef ");
    size_t length = guard ? strcspn(guard + 8, "\n") : 0;
    const char *line = guard ? guard + 8 + length + 1 : NULL;
    bool has = guard && strncmp(line, "#define ", 8) == 0 &&
               strncmp(line + 8, guard + 8, length) == 0 && length > 2 &&
               strncmp(guard + 8 + length - 2, "_H", 2) == 0;
    *begin = text;
    *end = text + strlen(text);
    if (has) {
        *begin = line + 8 + length + 1;
        const char *last = *begin;
        for (const char *at = last; (at = strstr(at, "#endif")) != NULL; at += 6) {
            last = at;
        }
        *end = last;
    }
    return has;
}

/* "draw/dots.c" and "../core/mem.h" are "core/mem.h". */
static void resolve(const char *from, const char *what, char out[SOURCE_PATH]) {
    int room = (int)strcspn(from, "/");
    bool up = strncmp(what, "../", 3) == 0;
    snprintf(out, SOURCE_PATH, "%.*s%s%.50s", up ? 0 : room, from, up ? "" : "/",
             what + (up ? 3 : 0));
}

struct source_header *jl_host_source_header(const struct sources *sources, const char *path) {
    for (int i = 0; i < sources->header_count; i++) {
        if (strcmp(sources->headers[i].path, path) == 0) {
            return &sources->headers[i];
        }
    }
    return NULL;
}

/* ---- one file ---- */

struct expanding {
    struct sources *sources;
    struct c_names *headers; /* that are needed in front */
    FILE *out;
    bool has_template; /* what follows may need its macros, and stays in its place */
    struct jl_complaint *complaint;
    bool good;
};

static void expand(struct expanding *expanding, const char *path, const char *begin,
                   const char *end);

static struct source_header *read_header(struct sources *sources, const char *path,
                                         const char *text, struct jl_complaint *complaint);

static void take_own_include(struct expanding *expanding, const char *path, const char *what) {
    char wanted[SOURCE_PATH + 2], other[SOURCE_PATH];
    const char *begin, *end;
    snprintf(wanted, sizeof wanted, "%.*s", (int)strlen(what) - 2, what + 1);
    resolve(path, wanted, other);
    if (jl_host_source_header(expanding->sources, other) && !expanding->has_template) {
        jl_host_c_names_add(expanding->headers, other, strlen(other));
        return;
    }
    char *text = jl_host_source_text(expanding->sources->src, other, expanding->complaint);
    if (!text) {
        expanding->good = false;
        return;
    }
    bool guarded = jl_host_inside_guard(text, &begin, &end);
    if (guarded && !expanding->has_template) {
        expanding->good &=
            read_header(expanding->sources, other, text, expanding->complaint) != NULL;
        jl_host_c_names_add(expanding->headers, other, strlen(other));
    } else {
        expand(expanding, other, begin, end);
        expanding->has_template |= !guarded;
    }
    free(text);
}

/* Writes a text without its includes; templates stand where they were included. */
static void expand(struct expanding *expanding, const char *path, const char *begin,
                   const char *end) {
    struct include include;
    while (jl_host_next_include(begin, &include) && include.begin < end) {
        fwrite(begin, 1, (size_t)(include.begin - begin), expanding->out);
        begin = include.end;
        if (*include.what == '<') {
            jl_host_c_names_add(&expanding->sources->system, include.what, strlen(include.what));
        } else if (strncmp(include.what, "\"jadelamp/", 10) != 0) {
            take_own_include(expanding, path, include.what);
        }
    }
    fwrite(begin, 1, (size_t)(end - begin), expanding->out);
}

static char *expanded(struct sources *sources, const char *path, const char *text,
                      struct c_names *headers, struct jl_complaint *complaint) {
    const char *begin, *end;
    char *out = NULL;
    size_t size = 0;
    struct expanding expanding = {sources, headers,   open_memstream(&out, &size),
                                  false,   complaint, true};
    if (!expanding.out) {
        jl_complain(complaint, "out of memory for %s", path);
        return NULL;
    }
    jl_host_inside_guard(text, &begin, &end);
    expand(&expanding, path, begin, end);
    expanding.good = expanding.good && !ferror(expanding.out);
    if (fclose(expanding.out) != 0 || !expanding.good) {
        free(out);
        out = NULL;
    }
    return out;
}

static struct source_header *read_header(struct sources *sources, const char *path,
                                         const char *text, struct jl_complaint *complaint) {
    struct source_header header = {.text = NULL};
    struct c_names unused = {0}, own = {0};
    snprintf(header.path, sizeof header.path, "%s", path);
    header.text = expanded(sources, path, text, &header.headers, complaint);
    struct source_header *list =
        realloc(sources->headers, (size_t)(sources->header_count + 1) * sizeof *list);
    if (list) {
        sources->headers = list;
    }
    bool good = header.text && list &&
                jl_host_c_names_of(header.text, &unused, &own, &header.macros) &&
                !header.headers.failed;
    jl_host_c_names_free(&unused);
    jl_host_c_names_free(&own);
    if (!good) {
        free(header.text);
        return NULL;
    }
    list[sources->header_count] = header;
    return &list[sources->header_count++];
}

static bool read_source(struct sources *sources, const char *path, struct jl_complaint *complaint) {
    struct source source = {.text = NULL};
    char *text = jl_host_source_text(sources->src, path, complaint);
    const char *slash = strchr(path, '/');
    snprintf(source.path, sizeof source.path, "%s", path);
    snprintf(source.stem, sizeof source.stem, "%.*s", (int)strlen(slash + 1) - 2, slash + 1);
    source.text = text ? expanded(sources, path, text, &source.headers, complaint) : NULL;
    free(text);
    struct source *list = realloc(sources->list, (size_t)(sources->count + 1) * sizeof *list);
    if (list) {
        sources->list = list;
    }
    if (!source.text || !list ||
        !jl_host_c_names_of(source.text, &source.global, &source.own, &source.macros) ||
        !jl_host_c_names_used(source.text, strlen(source.text), &source.used) ||
        source.headers.failed) {
        free(source.text);
        return false;
    }
    list[sources->count++] = source;
    return true;
}

static int is_source(const struct dirent *entry) {
    size_t length = strlen(entry->d_name);
    return length > 2 && strcmp(entry->d_name + length - 2, ".c") == 0;
}

static bool read_room(struct sources *sources, const char *room, struct jl_complaint *complaint) {
    char folder[1200], path[SOURCE_PATH];
    struct dirent **list;
    snprintf(folder, sizeof folder, "%s/%s", sources->src, room);
    int count = scandir(folder, &list, is_source, alphasort);
    bool good = count > 0 || jl_complain(complaint, "%s holds no sources", folder);
    for (int i = 0; i < count; i++) {
        snprintf(path, sizeof path, "%s/%.60s", room, list[i]->d_name);
        good = good && read_source(sources, path, complaint);
        free(list[i]);
    }
    if (count >= 0) {
        free(list);
    }
    return good;
}

bool jl_host_find_macro(const char *text, const char *name, struct c_token *definition) {
    const char *at = text;
    bool begins = true;
    for (;;) {
        struct c_token token = jl_host_c_next(&at, begins);
        begins = token.kind == C_DIRECTIVE ||
                 (token.kind == C_SPACE && (token.text[token.length - 1] == '\n' || begins));
        if (token.kind == C_END) {
            return false;
        }
        size_t length = strlen(name);
        if (token.kind == C_DIRECTIVE && strncmp(token.text, "#define ", 8) == 0 &&
            strncmp(token.text + 8, name, length) == 0 &&
            !isalnum((unsigned char)token.text[8 + length]) && token.text[8 + length] != '_') {
            *definition = token;
            return true;
        }
    }
}

/* Adds what the macros of headers use that a piece of a file names, and the macros in those. */
static bool follow_macros(const struct sources *sources, struct source *source,
                          struct c_names *followed, const char *text, size_t length) {
    const char *at = text;
    bool good = true;
    while (at < text + length && good) {
        struct c_token token = jl_host_c_next(&at, false);
        for (int i = 0; i < sources->header_count && token.kind == C_NAME; i++) {
            const struct source_header *header = &sources->headers[i];
            struct c_token definition;
            char name[C_NAME_BYTES];
            if (!jl_host_c_names_have(&header->macros, token.text, token.length) ||
                jl_host_c_names_have(followed, token.text, token.length)) {
                continue;
            }
            snprintf(name, sizeof name, "%.*s", (int)token.length, token.text);
            good = jl_host_c_names_add(followed, token.text, token.length);
            if (good && jl_host_find_macro(header->text, name, &definition)) {
                good = jl_host_c_names_used(definition.text, definition.length, &source->used) &&
                       follow_macros(sources, source, followed, definition.text, definition.length);
            }
        }
    }
    return good;
}

bool jl_host_sources_read(struct sources *sources, struct jl_complaint *complaint) {
    *sources = (struct sources){.count = 0};
    bool found = (jl_share_path("src", sources->src, sizeof sources->src) ||
                  jl_share_path("../../src", sources->src, sizeof sources->src)) &&
                 (jl_share_path("include", sources->include, sizeof sources->include) ||
                  jl_share_path("../../include", sources->include, sizeof sources->include));
    if (!found) {
        return jl_complain(complaint, "the library's sources were not found: set JADELAMP_SHARE to "
                                      "the folder that holds src/ and include/");
    }
    bool good = true;
    for (size_t i = 0; i < sizeof rooms / sizeof rooms[0] && good; i++) {
        good = read_room(sources, rooms[i], complaint);
    }
    for (int i = 0; i < sources->count && good; i++) {
        struct source *source = &sources->list[i];
        struct c_names followed = {0};
        good = follow_macros(sources, source, &followed, source->text, strlen(source->text));
        jl_host_c_names_free(&followed);
    }
    good = good && !sources->system.failed;
    return good;
}

void jl_host_sources_free(struct sources *sources) {
    for (int i = 0; i < sources->count; i++) {
        struct source *source = &sources->list[i];
        free(source->text);
        jl_host_c_names_free(&source->global);
        jl_host_c_names_free(&source->own);
        jl_host_c_names_free(&source->macros);
        jl_host_c_names_free(&source->used);
        jl_host_c_names_free(&source->headers);
    }
    for (int i = 0; i < sources->header_count; i++) {
        free(sources->headers[i].text);
        jl_host_c_names_free(&sources->headers[i].headers);
        jl_host_c_names_free(&sources->headers[i].macros);
    }
    free(sources->list);
    free(sources->headers);
    jl_host_c_names_free(&sources->system);
}
