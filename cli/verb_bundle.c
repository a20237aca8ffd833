/* jadelamp bundle --card CARD */
#include "cli.h"

#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "jadelamp/host/bundle.h"

enum { CARD = 'c', FONT = 'f', NAME = 'w', MADE_BYTES = 600 };

struct wishes {
    struct jl_bundle bundle;
    struct jl_card *cards;
    char names[JL_BUNDLE_NAMES][64];
};

static bool take_card(struct wishes *wishes, const char *name, struct jl_complaint *complaint) {
    struct jl_bundle *bundle = &wishes->bundle;
    if (bundle->card_count == JL_BUNDLE_CARDS) {
        return jl_complain(complaint, "at most %d cards", JL_BUNDLE_CARDS);
    }
    return jl_card_find(name, &wishes->cards[bundle->card_count++], complaint);
}

/* A font by its size and kind, "8x13", or any constant of the library. */
static bool take_name(struct wishes *wishes, const char *before, const char *name,
                      struct jl_complaint *complaint) {
    struct jl_bundle *bundle = &wishes->bundle;
    if (bundle->name_count == JL_BUNDLE_NAMES) {
        return jl_complain(complaint, "at most %d fonts and other constants", JL_BUNDLE_NAMES);
    }
    char *to = wishes->names[bundle->name_count];
    snprintf(to, sizeof wishes->names[0], "%s%s", before, name);
    bundle->names[bundle->name_count++] = to;
    return true;
}

/* The options that may stand several times. False: complained. */
static bool take_all(poptContext context, const char **argv, struct wishes *wishes, int *bad_option,
                     struct jl_complaint *complaint) {
    int option;
    while ((option = cli_next_option(context, argv)) > 0) {
        char *argument = poptGetOptArg(context); /* popt allocates it */
        bool good = option == CARD
                        ? take_card(wishes, argument, complaint)
                        : take_name(wishes, option == FONT ? "jl_font_" : "", argument, complaint);
        free(argument);
        if (!good) {
            return false;
        }
    }
    *bad_option = option;
    return true;
}

/* Its own words, so that whoever finds the files can make them anew; the folder does not count. */
static void say_made(int argc, const char **argv, char made[MADE_BYTES]) {
    size_t length = (size_t)snprintf(made, MADE_BYTES, "jadelamp");
    for (int i = 0; i < argc && length + 1 < MADE_BYTES; i++) {
        bool into = strcmp(argv[i], "--into") == 0 || strcmp(argv[i], "-o") == 0;
        if (into) {
            i++;
        } else if (strncmp(argv[i], "--into=", 7) != 0) {
            length += (size_t)snprintf(made + length, MADE_BYTES - length, " %s", argv[i]);
        }
    }
}

static void print_json(const struct jl_bundle_told *told, const char *directory) {
    cJSON *json = cJSON_CreateObject();
    cJSON_AddStringToObject(json, "into", directory);
    cJSON_AddNumberToObject(json, "library_files", told->files);
    cJSON_AddNumberToObject(json, "header_bytes", (double)told->header_bytes);
    cJSON_AddNumberToObject(json, "source_bytes", (double)told->source_bytes);
    cli_print_json(json);
}

static int make(const char *verb, struct wishes *wishes, const char *directory, bool as_json) {
    struct jl_bundle_told told;
    struct jl_complaint complaint = {""};
    wishes->bundle.cards = wishes->cards;
    if (!jl_bundle_write(&wishes->bundle, directory, &told, &complaint)) {
        return cli_bad(verb, "%s", complaint.text);
    }
    if (as_json) {
        print_json(&told, directory);
    } else {
        printf("wrote jadelamp.h (%zu bytes) and jadelamp.c (%zu bytes, %d files of the library) "
               "into %s\n",
               told.header_bytes, told.source_bytes, told.files, directory);
    }
    return EXIT_GOOD;
}

int verb_bundle(int argc, const char **argv) {
    char *directory = NULL;
    char made[MADE_BYTES];
    int all = 0, lone = 0, as_json = 0, left = 0;
    struct jl_complaint complaint = {""};
    const struct poptOption options[] = {
        {"card", CARD, POPT_ARG_STRING, NULL, CARD,
         "a panel: its controller, bus and format, its description and pins; as often as there are",
         "CARD"},
        {"font", FONT, POPT_ARG_STRING, NULL, FONT, "a font, such as 8x13 or sans16", "FONT"},
        {"with", NAME, POPT_ARG_STRING, NULL, NAME,
         "any other constant of the library, such as jl_start_line_motion", "NAME"},
        {"all", 0, POPT_ARG_NONE, &all, 0, "everything", NULL},
        {"lone", 0, POPT_ARG_NONE, &lone, 0,
         "the panel is the only one: smaller, since all of its card is a constant", NULL},
        {"into", 'o', POPT_ARG_STRING, &directory, 0, "folder for the files, else this one", "DIR"},
        {"json", 0, POPT_ARG_NONE, &as_json, 0, "print JSON", NULL},
        POPT_AUTOHELP POPT_TABLEEND};
    struct wishes *wishes = calloc(1, sizeof *wishes);
    struct jl_card *cards = calloc(JL_BUNDLE_CARDS, sizeof *cards);
    poptContext context = poptGetContext(NULL, argc, argv, options, 0);
    int status = EXIT_BAD;
    say_made(argc, argv, made);
    poptSetOtherOptionHelp(
        context,
        "--card CARD\n\nWrites the library as two files, jadelamp.h and jadelamp.c, to copy into a "
        "project\nof any kind: with the controllers, buses, formats and fonts that are named, and "
        "no "
        "others.\n");
    if (!wishes || !cards) {
        status = cli_bad(argv[0], "out of memory");
    } else {
        wishes->cards = cards;
        wishes->bundle.made = made;
        if (!take_all(context, argv, wishes, &left, &complaint)) {
            status = cli_bad(argv[0], "%s", complaint.text);
        } else if (left < -1) {
            status = EXIT_BAD; /* reported */
        } else if (cli_too_many(context, argv[0])) {
            status = EXIT_BAD; /* reported */
        } else if (!all && !wishes->bundle.card_count && !wishes->bundle.name_count) {
            status = cli_bad(argv[0], "name a panel: --card CARD; jadelamp catalog lists them");
        } else {
            wishes->bundle.all = all != 0;
            wishes->bundle.lone = lone != 0;
            status = make(argv[0], wishes, directory ? directory : ".", as_json != 0);
        }
    }
    poptFreeContext(context);
    free(directory);
    free(cards);
    free(wishes);
    return status;
}
