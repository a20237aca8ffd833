/* jadelamp bake card */
#include "bake.h"

#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "jadelamp/host/bake_card.h"

/* The card's name as one of C: what C does not take becomes "_". */
static void name_for_c(const char *name, char *out, size_t size) {
    snprintf(out, size, "%s", name);
    for (char *c = out; *c; c++) {
        bool good =
            (*c >= 'a' && *c <= 'z') || (*c >= 'A' && *c <= 'Z') || (*c >= '0' && *c <= '9');
        *c = good ? *c : '_';
    }
}

static int bake(const char *verb, const char *path, const char *given, const char *directory,
                const char *made, bool as_json) {
    static struct jl_card card; /* large */
    struct jl_complaint complaint = {""};
    char name[100];
    if (!jl_card_find(path, &card, &complaint)) {
        return cli_bad(verb, "%s", complaint.text);
    }
    name_for_c(given ? given : card.name, name, sizeof name);
    if (!jl_card_bake(&card, directory, given ? given : name, made, &complaint)) {
        return cli_bad(verb, "%s", complaint.text);
    }
    if (as_json) {
        cli_print_json(bake_json(name, directory, (const char *const[4]){".c", ".h", NULL}));
    } else {
        printf("%s: %s, %zu pins%s\nwrote %s.c and .h into %s\n", name, card.controller->name,
               card.pin_count, card.has_wake ? ", and a wake-up sequence of its own" : "", name,
               directory);
    }
    return EXIT_GOOD;
}

int bake_card(int argc, const char **argv) {
    char *directory = NULL, *name = NULL; /* popt allocates what it puts here */
    char made[600];
    int as_json = 0;
    const struct poptOption options[] = {
        {"into", 'o', POPT_ARG_STRING, &directory, 0, "folder for the files, else this one", "DIR"},
        {"name", 'n', POPT_ARG_STRING, &name, 0, "of the constant and the files, else the card's",
         "NAME"},
        {"json", 0, POPT_ARG_NONE, &as_json, 0, "print JSON", NULL},
        POPT_AUTOHELP POPT_TABLEEND};
    bake_command(argc, argv, made, sizeof made);
    argv[0] = "bake card";
    poptContext context = cli_parse(
        argc, argv, options,
        "CARD\n\nTurns a panel card into NAME.c and NAME.h: a constant struct jl_panel_config for\n"
        "jl_panel_open(), its clock, the pins that the card names as NAME_PIN_CS and so on, and\n"
        "the wake-up sequence that it has.\n");
    int status = EXIT_BAD;
    const char *path = context ? poptGetArg(context) : NULL;
    if (context && !path) {
        cli_bad(argv[0], "name a card: a file or one that jadelamp catalog lists");
    } else if (context && !cli_too_many(context, argv[0])) {
        status = bake(argv[0], path, name, directory ? directory : ".", made, as_json != 0);
    }
    poptFreeContext(context);
    free(directory);
    free(name);
    return status;
}
