/* jadelamp bake glyph, and art for the reverse */
#include "bake.h"

#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "jadelamp/host/bake_font.h"
#include "jadelamp/host/glyph_art.h"

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

static void print_glyph_json(const struct jl_glyph_art *art, const char *name,
                             const char *directory) {
    cJSON *json = bake_json(name, directory, (const char *const[4]){".c", ".h", NULL});
    cJSON *codes = cJSON_AddArrayToObject(json, "characters");
    for (int i = 0; i < art->count; i++) {
        cJSON_AddItemToArray(codes, cJSON_CreateNumber(art->glyphs[i].code));
    }
    cli_print_json(json);
}

static int glyph(const char *verb, const char *path, const char *directory, const char *given,
                 bool as_json) {
    char usual[100];
    struct jl_glyph_art art;
    struct jl_complaint complaint = {""};
    const char *slash = strrchr(path, '/'), *name = bake_name(given, path, usual);
    if (!jl_glyph_art_read(path, &art, &complaint) ||
        !jl_glyph_art_bake(&art, directory, name, slash ? slash + 1 : path, &complaint)) {
        return cli_bad(verb, "%s", complaint.text);
    }
    if (as_json) {
        print_glyph_json(&art, name, directory);
        return EXIT_GOOD;
    }
    print_art(&art);
    printf("wrote %s.c and %s.h into %s\n", name, name, directory);
    return EXIT_GOOD;
}

/* The same for a font: any size, any number. */
static int art_font(const char *verb, const char *path, int ascent, const char *made,
                    const char *directory, const char *given, bool as_json) {
    char usual[100];
    struct jl_baked_font baked;
    struct jl_complaint complaint = {""};
    const char *name = bake_name(given, path, usual);
    if (ascent < 0 || ascent > 64) {
        return cli_bad(verb, "--ascent %d: expected 1 to 64 rows", ascent);
    }
    if (!jl_bake_art_font(path, ascent, &baked, &complaint)) {
        return cli_bad(verb, "%s", complaint.text);
    }
    bool good = jl_baked_font_write(&baked, directory, name, made, &complaint);
    if (good && as_json) {
        cJSON *json = bake_json(name, directory, (const char *const[4]){".c", ".h", NULL});
        cJSON_AddNumberToObject(json, "characters", baked.glyphs);
        cJSON_AddNumberToObject(json, "height", baked.font.height);
        cJSON_AddNumberToObject(json, "bytes", (double)baked.bytes);
        cli_print_json(json);
    } else if (good) {
        printf("%s: %d characters in lines of %d pixels, %zu bytes of flash\nwrote %s.c and %s.h "
               "into %s\n",
               name, baked.glyphs, baked.font.height, baked.bytes, name, name, directory);
    }
    jl_baked_font_free(&baked);
    return good ? EXIT_GOOD : cli_bad(verb, "%s", complaint.text);
}

int bake_glyph(int argc, const char **argv) {
    char *directory = NULL; /* popt allocates what it puts here */
    char *name = NULL;
    int as_font = 0, ascent = 0, as_json = 0;
    char made[600];
    const struct poptOption options[] = {
        {"into", 'o', POPT_ARG_STRING, &directory, 0, "folder for the files, else this one", "DIR"},
        {"name", 'n', POPT_ARG_STRING, &name, 0, "of the constant and the files, else FILE's",
         "NAME"},
        {"font", 0, POPT_ARG_NONE, &as_font, 0, "a font or icons of any size instead", NULL},
        {"json", 0, POPT_ARG_NONE, &as_json, 0, "print JSON", NULL},
        {"ascent", 0, POPT_ARG_INT, &ascent, 0, "rows above the baseline of such a font", "N"},
        POPT_AUTOHELP POPT_TABLEEND};
    bake_command(argc, argv, made, sizeof made);
    poptContext context =
        cli_parse(argc, argv, options,
                  "FILE\n\nTurns text art into characters of a character module: a line \"= 26F5\" "
                  "with a\ncode point, then 8 rows of 5 dots, # or . each. Up to 8 of them.\n");
    int status = EXIT_BAD;
    const char *path = context ? poptGetArg(context) : NULL;
    if (context && !path) {
        cli_bad(argv[0], "name a file with text art; see jadelamp bake glyph --help");
    } else if (context && !cli_too_many(context, argv[0])) {
        status = as_font ? art_font(argv[0], path, ascent, made, directory ? directory : ".", name,
                                    as_json != 0)
                         : glyph(argv[0], path, directory ? directory : ".", name, as_json != 0);
    }
    poptFreeContext(context);
    free(directory);
    free(name);
    return status;
}

/* ---- the reverse ---- */

int bake_art(int argc, const char **argv) {
    struct jl_complaint complaint = {""};
    const struct poptOption options[] = {POPT_AUTOHELP POPT_TABLEEND};
    poptContext context = cli_parse(
        argc, argv, options,
        "FILE.c\n\nPrints a font that was baked into C as text art, for review or a diff; soft\n"
        "edges as : and +.\n");
    int status = EXIT_BAD;
    const char *path = context ? poptGetArg(context) : NULL;
    if (context && !path) {
        cli_bad(argv[0], "name a C file that jadelamp bake wrote");
    } else if (context && !cli_too_many(context, argv[0])) {
        status = jl_print_baked_font(path, stdout, &complaint)
                     ? EXIT_GOOD
                     : cli_bad(argv[0], "%s", complaint.text);
    }
    poptFreeContext(context);
    return status;
}
