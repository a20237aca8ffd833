/* The library as two files. */
#include "jadelamp/host/bundle.h"

#include <ctype.h>
#include <dirent.h>
#include <stdlib.h>
#include <string.h>

#include "../baking/card_as_c.h"
#include "c_tokens.h"
#include "jadelamp/version.h"
#include "sources.h"

struct bundling {
    const struct jl_bundle *bundle;
    struct sources sources;
    struct c_names wanted;  /* constants that are named */
    struct c_names skipped; /* public headers that stay away unless others need them */
    struct c_names written; /* public headers */
    struct jl_complaint *complaint;
    bool failed; /* no memory for a part of it, or a file that cannot be read */
};

static bool want(struct bundling *bundling, const char *name) {
    return jl_host_c_names_add(&bundling->wanted, name, strlen(name));
}

/* ---- what is wanted ---- */

static bool has_cells(const struct jl_bundle *bundle) {
    bool has = bundle->all;
    for (int i = 0; i < bundle->card_count; i++) {
        has |= bundle->cards[i].cells.bus != JL_CELLS_NONE;
    }
    return has;
}

static bool has_paper(const struct jl_bundle *bundle) {
    bool has = bundle->all;
    for (int i = 0; i < bundle->card_count; i++) {
        const struct jl_card *card = &bundle->cards[i];
        has |= !card->cells.bus && card->controller->driver->paper;
    }
    return has;
}

static bool has_scanned(const struct jl_bundle *bundle) {
    bool has = bundle->all;
    for (int i = 0; i < bundle->card_count; i++) {
        has |= bundle->cards[i].controller->scanned;
    }
    return has;
}

static bool has_touch(const struct jl_bundle *bundle) {
    bool has = bundle->all;
    for (int i = 0; i < bundle->card_count; i++) {
        has |= bundle->cards[i].touch.controller != NULL;
    }
    return has;
}

/* Whether frames and bands of one format are all that can be drawn on: of 1-bit panels, on which
 * other targets are rare, and whose operations are a good part of a small program. */
static bool has_lone_frames(const struct jl_bundle *bundle) {
    const struct jl_card *card = bundle->cards;
    if (!bundle->lone || card->cells.bus || card->controller->scanned) {
        return false;
    }
    const struct jl_format *format = card->format ? card->format : card->controller->driver->format;
    return format->bits_per_pixel == 1 && format->planes == 1;
}

/* Other targets than frames. */
static bool is_other_target(const struct source *source) {
    static const char *const files[] = {"panel/direct.c",        "panel/direct_shade.c",
                                        "panel/direct_stream.c", "panel/present_as.c",
                                        "draw/magnify.c",        "draw/dithered.c"};
    for (size_t i = 0; i < sizeof files / sizeof files[0]; i++) {
        if (strcmp(source->path, files[i]) == 0) {
            return true;
        }
    }
    return false;
}

/* Files of which only those come that somebody names: constants, one or a few a file. */
static bool is_choice(const struct source *source) {
    static const char *const begins[] = {"formats/",   "fonts/",     "controllers/",
                                         "draw/font_", "panel/bus_", "chars/wire_",
                                         "chars/rom_", "panel/next_"};
    static const char *const touch[] = {"touch/xpt2046.c", "touch/ft6x36.c", "touch/gt911.c",
                                        "touch/cst816.c"};
    for (size_t i = 0; i < sizeof begins / sizeof begins[0]; i++) {
        if (strncmp(source->path, begins[i], strlen(begins[i])) == 0) {
            return true;
        }
    }
    for (size_t i = 0; i < sizeof touch / sizeof touch[0]; i++) {
        if (strcmp(source->path, touch[i]) == 0) {
            return true;
        }
    }
    return false;
}

static bool is_of_room(const struct source *source, const char *room) {
    size_t length = strlen(room);
    return strncmp(source->path, room, length) == 0 && source->path[length] == '/';
}

static bool is_general(const struct jl_bundle *bundle, const struct source *source) {
    return !is_choice(source) && (!has_lone_frames(bundle) || !is_other_target(source)) &&
           (!is_of_room(source, "chars") || has_cells(bundle)) &&
           (!is_of_room(source, "epaper") || has_paper(bundle)) &&
           (!is_of_room(source, "scanout") || has_scanned(bundle)) &&
           (!is_of_room(source, "touch") || has_touch(bundle));
}

/* A public header; the caller's. */
static char *public_text(struct bundling *bundling, const char *folder, const char *name) {
    char *text = jl_host_source_text(folder, name, bundling->complaint);
    bundling->failed |= !text;
    return text;
}

/* The header that declares a controller, with the family's that it includes, as one text; the
 * caller's. NULL: none, or it failed. */
static char *header_of(struct bundling *bundling, const char *controller) {
    struct dirent **list;
    char folder[1100], declared[64], *found = NULL;
    snprintf(folder, sizeof folder, "%s/jadelamp/controllers", bundling->sources.include);
    snprintf(declared, sizeof declared, " jl_%s;", controller);
    int count = scandir(folder, &list, NULL, alphasort);
    for (int i = 0; i < count; i++) {
        char *text = strstr(list[i]->d_name, ".h") && !found
                         ? public_text(bundling, folder, list[i]->d_name)
                         : NULL;
        if (text && strstr(text, declared)) {
            found = text;
        } else {
            free(text);
        }
        free(list[i]);
    }
    if (count >= 0) {
        free(list);
    }
    return found;
}

static void want_motions_in(struct bundling *bundling, const char *header) {
    for (int i = 0; i < bundling->sources.count; i++) {
        struct source *source = &bundling->sources.list[i];
        for (size_t k = 0; k < source->global.count; k++) {
            const char *name = source->global.list[k];
            source->wanted |= strstr(name, "_motion") && strstr(header, name);
        }
    }
}

/* Motions that the header of a controller names, or that of its family. */
static void want_motions(struct bundling *bundling, const char *controller) {
    static const char *const families[] = {"controllers/dcs.h", "controllers/ssd_oled.h"};
    char *own = header_of(bundling, controller);
    if (own) {
        want_motions_in(bundling, own);
    }
    for (size_t f = 0; own && f < sizeof families / sizeof families[0]; f++) {
        char include[80], path[80];
        snprintf(include, sizeof include, "\"jadelamp/%s\"", families[f]);
        snprintf(path, sizeof path, "jadelamp/%s", families[f]);
        char *family =
            strstr(own, include) ? public_text(bundling, bundling->sources.include, path) : NULL;
        if (family) {
            want_motions_in(bundling, family);
        }
        free(family);
    }
    free(own);
}

static bool want_card(struct bundling *bundling, const struct jl_card *card) {
    char text[8192] = "";
    FILE *out = fmemopen(text, sizeof text, "w");
    if (!out || !jl_host_card_write_body(out, card, "card", bundling->complaint)) {
        if (out) {
            fclose(out);
        }
        return false;
    }
    fclose(out);
    bool good = jl_host_c_names_used(text, strlen(text), &bundling->wanted);
    want_motions(bundling, card->controller->name);
    if (card->touch.controller) {
        char touch[48];
        snprintf(touch, sizeof touch, "jl_%s", card->touch.controller->name);
        good = good && want(bundling, touch);
    }
    return good;
}

static bool is_defined(const struct sources *sources, const char *name) {
    for (int i = 0; i < sources->count; i++) {
        if (jl_host_c_names_have(&sources->list[i].global, name, strlen(name))) {
            return true;
        }
    }
    return false;
}

/* Whether any name is defined by a file. */
static bool defines_any(const struct source *source, const struct c_names *names) {
    for (size_t i = 0; i < source->global.count; i++) {
        const char *name = source->global.list[i];
        if (jl_host_c_names_have(names, name, strlen(name))) {
            return true;
        }
    }
    return false;
}

/* What files use comes with them. */
static void close_over(struct bundling *bundling) {
    struct sources *sources = &bundling->sources;
    for (bool more = true; more;) {
        more = false;
        for (int i = 0; i < sources->count; i++) {
            struct source *source = &sources->list[i];
            bool used = source->wanted || defines_any(source, &bundling->wanted);
            for (int k = 0; k < sources->count && !used; k++) {
                used = sources->list[k].wanted && defines_any(source, &sources->list[k].used);
            }
            more |= used && !source->wanted;
            source->wanted |= used;
        }
    }
}

static bool choose(struct bundling *bundling) {
    const struct jl_bundle *bundle = bundling->bundle;
    struct sources *sources = &bundling->sources;
    for (int i = 0; i < bundle->name_count; i++) {
        if (!is_defined(sources, bundle->names[i])) {
            return jl_complain(bundling->complaint, "the library has nothing of the name %s",
                               bundle->names[i]);
        }
        if (!want(bundling, bundle->names[i])) {
            return jl_complain(bundling->complaint, "out of memory for a bundle");
        }
    }
    for (int i = 0; i < sources->count; i++) {
        sources->list[i].wanted = bundle->all || is_general(bundle, &sources->list[i]);
    }
    for (int i = 0; i < bundle->card_count; i++) {
        if (!want_card(bundling, &bundle->cards[i])) {
            return false;
        }
    }
    close_over(bundling);
    return true;
}

/* ---- the header ---- */

static const char *const of_cells[] = {"char_panel.h", "char_wiring.h", "st7036.h"};
static const char *const of_paper[] = {"epaper.h"};
static const char *const of_scanned[] = {"scanout.h"};
static const char *const of_targets[] = {"direct.h", "magnify.h", "dither.h"};
static const char *const of_touch[] = {"touch.h", "calibration.h"};

static void skip(struct bundling *bundling, bool here, const char *const *list, size_t count) {
    for (size_t i = 0; i < count && !here; i++) {
        jl_host_c_names_add(&bundling->skipped, list[i], strlen(list[i]));
    }
}

/* Headers of controllers that no wanted file defines. */
static bool is_other_controller(const struct bundling *bundling, const char *path) {
    char name[48];
    if (strncmp(path, "controllers/", 12) != 0) {
        return false;
    }
    snprintf(name, sizeof name, "jl_%.*s", (int)strcspn(path + 12, "."), path + 12);
    const struct sources *sources = &bundling->sources;
    bool is_part = false, is_wanted = false;
    for (int i = 0; i < sources->count; i++) {
        if (jl_host_c_names_have(&sources->list[i].global, name, strlen(name))) {
            is_part = true;
            is_wanted |= sources->list[i].wanted;
        }
    }
    return is_part && !is_wanted;
}

static bool write_public(struct bundling *bundling, FILE *out, const char *path, bool top) {
    const char *begin, *end;
    struct include include;
    if (jl_host_c_names_have(&bundling->written, path, strlen(path))) {
        return true;
    }
    jl_host_c_names_add(&bundling->written, path, strlen(path));
    char name[SOURCE_PATH + 16];
    snprintf(name, sizeof name, "jadelamp/%s", path);
    char *text = jl_host_source_text(bundling->sources.include, name, bundling->complaint);
    if (!text) {
        return false;
    }
    bool good = true;
    jl_host_inside_guard(text, &begin, &end);
    while (good && jl_host_next_include(begin, &include) && include.begin < end) {
        fwrite(begin, 1, (size_t)(include.begin - begin), out);
        begin = include.end;
        if (strncmp(include.what, "\"jadelamp/", 10) != 0) {
            fprintf(out, "#include %s\n", include.what);
            continue;
        }
        char other[SOURCE_PATH];
        snprintf(other, sizeof other, "%.*s", (int)strlen(include.what) - 11, include.what + 10);
        bool away = top && (jl_host_c_names_have(&bundling->skipped, other, strlen(other)) ||
                            is_other_controller(bundling, other));
        good = away || write_public(bundling, out, other, false);
    }
    fwrite(begin, 1, (size_t)(end - begin), out);
    free(text);
    return good;
}

static void write_comment(FILE *out, const struct jl_bundle *bundle) {
    fprintf(
        out,
        "/*\n * Jade Lamp %s as two files, made by %s.\n * To change it, change the library and "
        "make it anew.\n */\n",
        JL_VERSION_TEXT, bundle->made ? bundle->made : "jadelamp bundle");
}

/* A card's name as one of C. */
static void name_for_c(const char *name, char out[64]) {
    snprintf(out, 64, "%s%.60s", isdigit((unsigned char)*name) ? "_" : "", name);
    for (char *c = out; *c; c++) {
        *c = isalnum((unsigned char)*c) ? *c : '_';
    }
}

/* Another description than the lone one is refused as none would be. The constant itself is
 * compared and not handed on, so that it, and the tables it points to, need not be in the program.
 */
static void write_lone(FILE *out, const struct jl_bundle *bundle) {
    const char *kind = has_cells(bundle) ? "char" : "panel";
    const char *type = has_cells(bundle) ? "jl_char_panel" : "jl_panel";
    char name[64];
    name_for_c(bundle->cards[0].name, name);
    fprintf(
        out,
        "/* This is a bundle for the panel alone: another description is refused. What stands for "
        "the\n * right one is any pointer but NULL. */\n"
        "static inline jl_status jl_lone_open(struct %s *panel, const struct jl_%s_config "
        "*config,\n"
        "                                     const struct jl_port *port) {\n"
        "    const void *right = config == &%s ? (const void *)port : NULL;\n"
        "    return jl_%s_open(panel, (const struct jl_%s_config *)right, port);\n"
        "}\n"
        "#define jl_%s_open jl_lone_open\n\n",
        type, kind, name, kind, kind, kind);
}

static bool write_header(struct bundling *bundling, FILE *out) {
    const struct jl_bundle *bundle = bundling->bundle;
    skip(bundling, has_cells(bundle), of_cells, sizeof of_cells / sizeof of_cells[0]);
    skip(bundling, has_paper(bundle), of_paper, 1);
    skip(bundling, has_scanned(bundle), of_scanned, 1);
    skip(bundling, has_touch(bundle), of_touch, sizeof of_touch / sizeof of_touch[0]);
    skip(bundling, !has_lone_frames(bundle), of_targets, sizeof of_targets / sizeof of_targets[0]);
    write_comment(out, bundle);
    fputs("#ifndef JADELAMP_H\n#define JADELAMP_H\n\n", out);
    bool good = write_public(bundling, out, "jadelamp.h", true);
    if (bundle->card_count) {
        fputs("\n/* ---- the panels ---- */\n\n#ifdef __cplusplus\nextern \"C\" {\n#endif\n\n",
              out);
    }
    for (int i = 0; i < bundle->card_count; i++) {
        char name[64];
        name_for_c(bundle->cards[i].name, name);
        jl_host_card_write_header(out, &bundle->cards[i], name);
        fputc('\n', out);
    }
    if (bundle->lone) {
        write_lone(out, bundle);
    }
    if (bundle->card_count) {
        fputs("#ifdef __cplusplus\n}\n#endif\n", out);
    }
    fputs("\n#endif\n", out);
    return good;
}

/* ---- the source ---- */

static void write_headers(struct bundling *bundling, FILE *out, const struct c_names *headers) {
    for (size_t i = 0; i < headers->count; i++) {
        struct source_header *header = jl_host_source_header(&bundling->sources, headers->list[i]);
        if (header && !header->written) {
            header->written = true;
            write_headers(bundling, out, &header->headers);
            fprintf(out, "\n/* ======== %s ======== */\n", header->path);
            fputs(header->text, out);
        }
    }
}

/* Whether a piece of C has one of some names, and not as a member. */
static bool mentions(const struct c_token *piece, const struct c_names *names) {
    const char *at = piece->text;
    bool behind_dot = false;
    while (at < piece->text + piece->length) {
        struct c_token token = jl_host_c_next(&at, false);
        if (token.kind == C_NAME && !behind_dot &&
            jl_host_c_names_have(names, token.text, token.length)) {
            return true;
        }
        behind_dot = jl_host_c_is(&token, ".") || jl_host_c_is(&token, "->");
    }
    return false;
}

/*
 * Macros of headers that speak of the file's own names speak of them as they are called now; also
 * those that the file uses through another macro only.
 */
static void write_macros_anew(struct bundling *bundling, FILE *out, const struct source *source,
                              const struct c_names *headers) {
    for (size_t i = 0; i < headers->count; i++) {
        const struct source_header *header =
            jl_host_source_header(&bundling->sources, headers->list[i]);
        for (size_t k = 0; header && k < header->macros.count; k++) {
            struct c_token definition;
            const char *name = header->macros.list[k];
            if (jl_host_find_macro(header->text, name, &definition) &&
                mentions(&definition, &source->own)) {
                char *text = calloc(1, definition.length + 1);
                if (text) {
                    memcpy(text, definition.text, definition.length);
                    fprintf(out, "#undef %s\n", name);
                    jl_host_c_rename(out, text, &source->own, source->stem);
                }
                bundling->failed |= !text;
                free(text);
            }
        }
        if (header) {
            write_macros_anew(bundling, out, source, &header->headers);
        }
    }
}

static void write_source(struct bundling *bundling, FILE *out, const struct source *source) {
    write_headers(bundling, out, &source->headers);
    fprintf(out, "\n/* ======== %s ======== */\n", source->path);
    write_macros_anew(bundling, out, source, &source->headers);
    jl_host_c_rename(out, source->text, &source->own, source->stem);
    for (size_t i = 0; i < source->macros.count; i++) {
        bool renamed = jl_host_c_names_have(&source->own, source->macros.list[i],
                                            strlen(source->macros.list[i]));
        fprintf(out, "#undef %s%s%s\n", renamed ? source->stem : "", renamed ? "_" : "",
                source->macros.list[i]);
    }
}

static bool write_panel(struct bundling *bundling, FILE *out, const struct jl_card *card) {
    char name[64], *text = NULL;
    size_t size;
    struct c_names global = {0}, own = {0}, macros = {0};
    name_for_c(card->name, name);
    FILE *body = open_memstream(&text, &size);
    bool good = body && jl_host_card_write_body(body, card, name, bundling->complaint);
    good = good && !ferror(body);
    good = body && fclose(body) == 0 && good;
    good = good && jl_host_c_names_of(text, &global, &own, &macros);
    /* The constants themselves keep their names: those of the header. */
    for (size_t i = 0; good && i < own.count; i++) {
        if (strncmp(own.list[i], name, strlen(name)) == 0) {
            own.list[i][0] = '\0';
        }
    }
    if (good) {
        fprintf(out, "\n/* ======== %s ======== */\n", name);
        jl_host_c_rename(out, text, &own, name);
    }
    free(text);
    jl_host_c_names_free(&global);
    jl_host_c_names_free(&own);
    jl_host_c_names_free(&macros);
    return good;
}

static bool write_body(struct bundling *bundling, FILE *out, struct jl_bundle_told *told) {
    const struct jl_bundle *bundle = bundling->bundle;
    struct sources *sources = &bundling->sources;
    write_comment(out, bundle);
    fputs("#include \"jadelamp.h\"\n\n", out);
    /* In one file, small functions of headers may find no user. */
    fputs("#ifdef __clang__\n#pragma clang diagnostic ignored \"-Wunused-function\"\n#endif\n\n",
          out);
    if (bundle->lone) {
        char name[64];
        name_for_c(bundle->cards[0].name, name);
        fprintf(out, "#undef jl_%s_open\n", has_cells(bundle) ? "char" : "panel");
        fprintf(out, "#define JL_LONE_%s %s\n%s\n", has_cells(bundle) ? "MODULE" : "PANEL", name,
                has_lone_frames(bundle) ? "#define JL_LONE_FRAMES\n" : "");
    }
    for (size_t i = 0; i < sources->system.count; i++) {
        fprintf(out, "#include %s\n", sources->system.list[i]);
    }
    told->files = 0;
    for (int i = 0; i < sources->count; i++) {
        if (sources->list[i].wanted) {
            write_source(bundling, out, &sources->list[i]);
            told->files++;
        }
    }
    bool good = true;
    for (int i = 0; i < bundle->card_count && good; i++) {
        good = write_panel(bundling, out, &bundle->cards[i]);
    }
    return good;
}

static bool are_apart(const struct jl_bundle *bundle, struct jl_complaint *complaint) {
    if (bundle->lone && (bundle->all || bundle->card_count != 1)) {
        return jl_complain(complaint,
                           "a bundle for a lone panel has one card, and not everything: expected "
                           "one --card, and no --all");
    }
    for (int i = 0; i < bundle->card_count; i++) {
        char name[64], other[64];
        name_for_c(bundle->cards[i].name, name);
        for (int k = 0; k < i; k++) {
            name_for_c(bundle->cards[k].name, other);
            if (strcmp(name, other) == 0) {
                return jl_complain(complaint,
                                   "two cards would both be called %s: name one of them "
                                   "otherwise, in its [panel] section",
                                   name);
            }
        }
    }
    return true;
}

bool jl_bundle_write(const struct jl_bundle *bundle, const char *directory,
                     struct jl_bundle_told *told, struct jl_complaint *complaint) {
    struct bundling bundling = {.bundle = bundle, .complaint = complaint};
    struct jl_file header = {0}, body = {0};
    char path[1200];
    complaint->text[0] = '\0';
    bool good = are_apart(bundle, complaint) &&
                jl_host_sources_read(&bundling.sources, complaint) && choose(&bundling);
    snprintf(path, sizeof path, "%s/jadelamp.h", directory);
    good =
        good && jl_directory_make(directory, complaint) && jl_file_begin(&header, path, complaint);
    snprintf(path, sizeof path, "%s/jadelamp.c", directory);
    good = good && jl_file_begin(&body, path, complaint);
    good =
        good && write_header(&bundling, header.stream) && write_body(&bundling, body.stream, told);
    good = good && !bundling.failed && !bundling.skipped.failed && !bundling.written.failed;
    if (good) {
        told->header_bytes = (size_t)ftell(header.stream);
        told->source_bytes = (size_t)ftell(body.stream);
        if (ferror(header.stream) || ferror(body.stream)) {
            jl_file_fail(&header);
        }
        good = jl_file_commit(&header, complaint);
        if (good && !jl_file_commit(&body, complaint)) { /* the header alone is of no use */
            remove(header.path);
            good = false;
        }
    }
    jl_file_abandon(&header);
    jl_file_abandon(&body);
    jl_host_sources_free(&bundling.sources);
    jl_host_c_names_free(&bundling.wanted);
    jl_host_c_names_free(&bundling.skipped);
    jl_host_c_names_free(&bundling.written);
    if (!good && !*complaint->text) {
        jl_complain(complaint, "out of memory for a bundle");
    }
    return good;
}
