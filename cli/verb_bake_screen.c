/* jadelamp bake screen */
#include "bake.h"

#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "jadelamp/host/screen_sheet.h"
#include "screen_options.h"

struct typed_bake {
    char *directory, *card, *size, *colors, *compiler;
    int json;
};

/* Which variant: a card's, or what was typed of one. */
static bool choose_glass(const char *verb, const struct typed_bake *typed,
                         struct jl_screen_glass *glass) {
    static const char *const names[] = {"mono", "grey", "colour"};
    static struct jl_card card; /* large */
    struct jl_complaint complaint = {""};
    int used = 0;
    if (typed->card) {
        if (!jl_card_find(typed->card, &card, &complaint)) {
            cli_bad(verb, "%s", complaint.text);
            return false;
        }
        *glass = jl_screen_glass_of(&card);
        return true;
    }
    if (typed->size &&
        (sscanf(typed->size, "%9dx%9d%n", &glass->width, &glass->height, &used) != 2 ||
         typed->size[used] || glass->width < 1 || glass->height < 1)) {
        cli_bad(verb, "--size %s: expected WxH, such as 128x64", typed->size);
        return false;
    }
    for (int i = 0; typed->colors && i < 3; i++) {
        if (strcmp(names[i], typed->colors) == 0) {
            glass->colors = (enum jl_screen_colors)i;
            return true;
        }
    }
    if (typed->colors) {
        cli_bad(verb, "--colors %s: expected mono, grey or colour", typed->colors);
    }
    return !typed->colors;
}

static void print_json(const struct jl_screen *screen, const struct jl_screen_cost *cost,
                       size_t flash_bytes, const char *directory) {
    cJSON *json =
        bake_json(jl_screen_name(screen), directory, (const char *const[4]){".c", ".h", NULL});
    cli_json_screen_findings(json, screen);
    cJSON_AddNumberToObject(json, "items", cost->items);
    cJSON_AddNumberToObject(json, "font_bytes", (double)cost->font_bytes);
    cJSON_AddNumberToObject(json, "picture_bytes", (double)cost->picture_bytes);
    if (flash_bytes) {
        cJSON_AddNumberToObject(json, "flash_bytes", (double)flash_bytes);
    }
    cJSON_AddNumberToObject(json, "most_ram_bytes", (double)cost->most_ram_bytes);
    cli_print_json(json);
}

static int screen(const char *verb, const char *path, const char *made,
                  const struct typed_bake *typed) {
    struct jl_complaint complaint = {""};
    struct jl_screen_glass glass = {.colors = JL_SCREEN_MONO};
    struct jl_screen_cost cost;
    const char *directory = typed->directory ? typed->directory : ".";
    if (!choose_glass(verb, typed, &glass)) {
        return EXIT_BAD;
    }
    struct jl_screen *sheet = jl_screen_read(path, &glass, &complaint);
    if (!sheet || !jl_screen_write(sheet, directory, made, &cost, &complaint)) {
        jl_screen_free(sheet);
        return cli_bad(verb, "%s", complaint.text);
    }
    const char *name = jl_screen_name(sheet);
    size_t flash_bytes = 0;
    if (typed->compiler &&
        !jl_screen_measure(directory, name, typed->compiler, &flash_bytes, &complaint)) {
        jl_screen_free(sheet);
        return cli_bad(verb, "%s", complaint.text);
    }
    bool found = cli_screen_findings(sheet, !typed->json);
    if (typed->json) {
        print_json(sheet, &cost, flash_bytes, directory);
    } else {
        glass = jl_screen_glass(sheet);
        printf("%s: %d items for %d x %d; in flash %zu bytes of fonts, %zu of pictures, and the "
               "code;\n  at most %zu bytes of RAM on a 32-bit machine\n",
               name, cost.items, glass.width, glass.height, cost.font_bytes, cost.picture_bytes,
               cost.most_ram_bytes);
        if (typed->compiler) {
            printf("  %zu bytes of flash in all, by %s -Os, without the library\n", flash_bytes,
                   typed->compiler);
        }
        printf("wrote %s.c and .h into %s%s\n", name, directory,
               cost.wrote_events ? "; and what buttons and sliders do, to fill in" : "");
    }
    jl_screen_free(sheet);
    return found ? EXIT_FINDINGS : EXIT_GOOD;
}

int bake_screen(int argc, const char **argv) {
    struct typed_bake typed = {.json = 0}; /* popt allocates what it puts here */
    char made[600];
    const struct poptOption options[] = {
        {"card", 'c', POPT_ARG_STRING, &typed.card, 0, "the sheet's variant for this card's panel",
         "CARD"},
        {"size", 's', POPT_ARG_STRING, &typed.size, 0, "its variant of a size, else its first",
         "WxH"},
        {"colors", 0, POPT_ARG_STRING, &typed.colors, 0, "its variant for such glass, else mono",
         "mono|grey|colour"},
        {"into", 'o', POPT_ARG_STRING, &typed.directory, 0, "folder for the files, else this one",
         "DIR"},
        {"cc", 0, POPT_ARG_STRING, &typed.compiler, 0,
         "compile it with this, with -Os, and print the flash that it takes", "COMPILER"},
        {"json", 0, POPT_ARG_NONE, &typed.json, 0, "print JSON", NULL},
        POPT_AUTOHELP POPT_TABLEEND};
    bake_command(argc, argv, made, sizeof made);
    argv[0] = "bake screen";
    poptContext context = cli_parse(
        argc, argv, options,
        "SHEET\n\nTurns a screen sheet into NAME.c and NAME.h: a struct of its values, functions "
        "that\ndraw it and that redraw what changed, with just the characters it can show. What\n"
        "buttons and sliders do goes into NAME_events.c, which is never written over. Exit\n"
        "status 1 when a text may not fit, an item lies off the glass, and the like.\n");
    int status = EXIT_BAD;
    const char *path = context ? poptGetArg(context) : NULL;
    if (context && !path) {
        cli_bad(argv[0], "name a sheet; see jadelamp bake screen --help");
    } else if (context && typed.card && (typed.size || typed.colors)) {
        cli_bad(argv[0], "--card says size and colours already");
    } else if (context && !cli_too_many(context, argv[0])) {
        status = screen(argv[0], path, made, &typed);
    }
    poptFreeContext(context);
    free(typed.directory);
    free(typed.card);
    free(typed.size);
    free(typed.colors);
    free(typed.compiler);
    return status;
}
