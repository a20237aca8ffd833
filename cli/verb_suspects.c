/* jadelamp suspects CARD */
#include "cli.h"

#include <stdio.h>
#include <stdlib.h>

#include "jadelamp/host/suspects.h"

static void print_text(const struct jl_card *card, const struct jl_suspects *suspects,
                       const char *directory) {
    printf("%s: %d mistakes that it can have, and that show\n\n", card->name, suspects->count);
    for (int i = 0; i < suspects->count; i++) {
        printf("  %-13s  %-37s %s%s\n", suspects->list[i].name, suspects->list[i].mistake,
               suspects->dark[i] ? "dark; " : "", suspects->list[i].remedy);
    }
    printf("\n  wrote %s-suspects-1.png%s%s-suspects.html into %s\n", card->name,
           suspects->pages > 1 ? " and on, " : ", ", card->name, directory);
}

static void print_json(const struct jl_card *card, const struct jl_suspects *suspects) {
    cJSON *json = cJSON_CreateObject();
    cJSON_AddItemToObject(json, "card", cli_card_json(card));
    cJSON_AddNumberToObject(json, "pages", suspects->pages);
    cJSON *list = cJSON_AddArrayToObject(json, "suspects");
    for (int i = 0; i < suspects->count; i++) {
        cJSON *one = cJSON_CreateObject();
        cJSON_AddStringToObject(one, "name", suspects->list[i].name);
        cJSON_AddStringToObject(one, "mistake", suspects->list[i].mistake);
        cJSON_AddStringToObject(one, "remedy", suspects->list[i].remedy);
        cJSON_AddBoolToObject(one, "dark", suspects->dark[i] != NULL);
        cJSON_AddItemToArray(list, one);
    }
    cli_print_json(json);
}

int verb_suspects(int argc, const char **argv) {
    static struct jl_card card; /* large */
    static struct jl_suspects suspects;
    struct jl_complaint complaint = {""};
    char *typed = NULL; /* popt allocates what it puts here */
    int as_json = 0;
    const struct poptOption options[] = {
        {"into", 'o', POPT_ARG_STRING, &typed, 0, "folder for the files, else this one", "DIR"},
        {"json", 0, POPT_ARG_NONE, &as_json, 0, "print JSON", NULL},
        POPT_AUTOHELP POPT_TABLEEND};
    poptContext context = cli_parse(
        argc, argv, options,
        "CARD\n\nShows what the test card would look like under each likely mistake that the card\n"
        "can have: in its description, its wake-up sequence, its wiring. Writes contact sheets\n"
        "NAME-suspects-1.png and so on, and NAME-suspects.html with the remedies.\n");
    int status = EXIT_BAD;
    const char *name = context ? poptGetArg(context) : NULL;
    const char *directory = typed ? typed : ".";
    if (context && !name) {
        cli_bad(argv[0], "name a card: a file or one that jadelamp catalog lists");
    } else if (context && !cli_too_many(context, argv[0])) {
        bool good = jl_card_find(name, &card, &complaint) &&
                    jl_suspects_draw(&card, &suspects, &complaint) &&
                    jl_suspects_write(&suspects, directory, card.name, &complaint);
        if (!good) {
            status = cli_bad(argv[0], "%s", complaint.text);
        } else if (as_json) {
            print_json(&card, &suspects);
            status = EXIT_GOOD;
        } else {
            print_text(&card, &suspects, directory);
            status = EXIT_GOOD;
        }
        jl_suspects_free(&suspects);
    }
    poptFreeContext(context);
    free(typed);
    return status;
}
