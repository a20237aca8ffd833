/* jadelamp bake glyph FILE */
#include "cli.h"

#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "jadelamp/host/glyph_art.h"

/* The file's name without folder and ending, '-' made '_'. */
static void default_name(const char *path, char *name, size_t size) {
    const char *slash = strrchr(path, '/');
    snprintf(name, size, "%s", slash ? slash + 1 : path);
    char *dot = strrchr(name, '.');
    if (dot && dot != name) {
        *dot = '\0';
    }
    for (char *c = name; *c; c++) {
        *c = *c == '-' || *c == ' ' ? '_' : *c;
    }
}

static void print_art(const struct jl_glyph_art *art) {
    for (int y = 0; y < 8; y++) {
        for (int i = 0; i < art->count; i++) {
            printf("  ");
            for (int x = 4; x >= 0; x--) {
                printf("%s", art->glyphs[i].rows[y] >> x & 1 ? "\u2588\u2588" : "\u00B7\u00B7");
            }
        }
        putchar('\n');
    }
    for (int i = 0; i < art->count; i++) {
        printf("  %d: U+%04X  ", i, (unsigned)art->glyphs[i].code);
    }
    putchar('\n');
}

static int bake_glyph(const char *verb, const char *path, const char *directory, const char *name) {
    char usual[100];
    struct jl_glyph_art art;
    struct jl_complaint complaint = {""};
    const char *slash = strrchr(path, '/');
    if (!name) {
        default_name(path, usual, sizeof usual);
        name = usual;
    }
    if (!jl_glyph_art_read(path, &art, &complaint) ||
        !jl_glyph_art_bake(&art, directory, name, slash ? slash + 1 : path, &complaint)) {
        return cli_bad(verb, "%s", complaint.text);
    }
    print_art(&art);
    printf("wrote %s.c and %s.h into %s\n", name, name, directory);
    return EXIT_GOOD;
}

int verb_bake(int argc, const char **argv) {
    char *directory = NULL; /* popt allocates what it puts here */
    char *name = NULL;
    const struct poptOption options[] = {
        {"into", 'o', POPT_ARG_STRING, &directory, 0, "folder for the files, else this one", "DIR"},
        {"name", 'n', POPT_ARG_STRING, &name, 0, "of the constant and the files, else FILE's",
         "NAME"},
        POPT_AUTOHELP POPT_TABLEEND};
    poptContext context = cli_parse(
        argc, argv, options,
        "glyph FILE\n\nglyph turns text art into characters of a character module: a line "
        "\"= 26F5\"\nwith a code point, then 8 rows of 5 dots, # or . each. Up to 8 of them.\n");
    if (!context) {
        return EXIT_BAD;
    }
    int status = EXIT_BAD;
    const char *kind = poptGetArg(context);
    const char *path = poptGetArg(context);
    if (!kind || strcmp(kind, "glyph") != 0) {
        cli_bad(argv[0], "%s: expected what to bake: glyph", kind ? kind : "nothing");
    } else if (!path) {
        cli_bad(argv[0], "name a file with text art; see jadelamp bake --help");
    } else if (!cli_too_many(context, argv[0])) {
        status = bake_glyph(argv[0], path, directory ? directory : ".", name);
    }
    poptFreeContext(context);
    free(directory);
    free(name);
    return status;
}
