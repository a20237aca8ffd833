/* jadelamp check CARD [CAPTURE] */
#include "cli.h"

#include <stdio.h>
#include <stdlib.h>

#include "jadelamp/host/check.h"

static void print_text(const struct jl_card *card, const struct jl_check_result *check) {
    printf("%s: %d commands in %.1f ms\n", card->name, check->commands,
           (double)check->until_ps / 1e9);
    for (size_t i = 0; i < check->count; i++) {
        const struct jl_check_finding *finding = &check->findings[i];
        printf("\n  %-9s", jl_check_grade_name(finding->grade));
        if (finding->step) {
            printf("step %d, %.3f ms: %s", finding->step, (double)finding->at_ps / 1e9,
                   finding->command);
        } else {
            printf("of the whole");
        }
        printf("\n           %s\n           -> %s\n", finding->reason, finding->remedy);
    }
    if (check->found > check->count) {
        printf("\n  and %zu more\n", check->found - check->count);
    }
    if (!check->found) {
        puts("  nothing to object to");
    }
}

static void print_json(const struct jl_card *card, const struct jl_check_result *check) {
    cJSON *json = cJSON_CreateObject();
    cJSON_AddItemToObject(json, "card", cli_card_json(card));
    cJSON_AddNumberToObject(json, "commands", check->commands);
    cJSON_AddNumberToObject(json, "found", (double)check->found);
    cJSON *list = cJSON_AddArrayToObject(json, "findings");
    for (size_t i = 0; i < check->count; i++) {
        const struct jl_check_finding *finding = &check->findings[i];
        cJSON *one = cJSON_CreateObject();
        cJSON_AddStringToObject(one, "grade", jl_check_grade_name(finding->grade));
        cJSON_AddNumberToObject(one, "step", finding->step);
        cJSON_AddNumberToObject(one, "microseconds", (double)finding->at_ps / 1e6);
        cJSON_AddStringToObject(one, "command", finding->command);
        cJSON_AddStringToObject(one, "code", finding->code);
        cJSON_AddStringToObject(one, "reason", finding->reason);
        cJSON_AddStringToObject(one, "remedy", finding->remedy);
        cJSON_AddItemToArray(list, one);
    }
    cli_print_json(json);
}

static void print_ranks(const struct jl_rank *ranks, int count) {
    for (int i = 0; i < count; i++) {
        const struct jl_rank *rank = &ranks[i];
        printf("  %-9s %4d of %4d commands", rank->controller->name, rank->understood,
               rank->commands);
        for (int k = 0; k < rank->strange_count; k++) {
            printf("%s%02X", k ? " " : "; not ", rank->strange[k]);
        }
        putchar('\n');
    }
}

static void print_ranks_json(const struct jl_rank *ranks, int count) {
    cJSON *json = cJSON_CreateObject();
    cJSON *list = cJSON_AddArrayToObject(json, "controllers");
    for (int i = 0; i < count; i++) {
        cJSON *one = cJSON_CreateObject();
        cJSON_AddStringToObject(one, "controller", ranks[i].controller->name);
        cJSON_AddNumberToObject(one, "understood", ranks[i].understood);
        cJSON_AddNumberToObject(one, "commands", ranks[i].commands);
        cJSON *strange = cJSON_AddArrayToObject(one, "strange");
        for (int k = 0; k < ranks[i].strange_count; k++) {
            cJSON_AddItemToArray(strange, cJSON_CreateNumber(ranks[i].strange[k]));
        }
        cJSON_AddItemToArray(list, one);
    }
    cli_print_json(json);
}

/* Exit status 1 when another controller understands more than the one that the card names. */
static int rank(const char *verb, const struct jl_card *card, const char *capture, bool as_json) {
    static struct jl_rank ranks[JL_RANKS];
    struct jl_complaint complaint = {""};
    const struct jl_traffic_options options = {.awake = false};
    struct jl_traffic *traffic = NULL;
    int count = 0;
    if (!capture || (traffic = jl_traffic_open(capture, card, &options, &complaint)) != NULL) {
        count = jl_rank_controllers(card, traffic, ranks, &complaint);
    }
    jl_traffic_close(traffic);
    if (!count) {
        return cli_bad(verb, "%s", complaint.text);
    }
    if (as_json) {
        print_ranks_json(ranks, count);
    } else {
        printf("%s: which controllers understand what is sent\n", card->name);
        print_ranks(ranks, count);
    }
    bool own = ranks[0].controller == card->controller || card->controller_left_out;
    return own ? EXIT_GOOD : EXIT_FINDINGS;
}

static bool judge_capture(const char *path, const struct jl_card *card,
                          struct jl_check_result *check, struct jl_complaint *complaint) {
    const struct jl_traffic_options options = {.awake = false};
    struct jl_traffic *traffic = jl_traffic_open(path, card, &options, complaint);
    bool good = traffic && jl_check_traffic(traffic, check, complaint);
    jl_traffic_close(traffic);
    return good;
}

int verb_check(int argc, const char **argv) {
    static struct jl_card card; /* large */
    static struct jl_check_result check;
    struct jl_complaint complaint = {""};
    char *capture = NULL; /* popt allocates what it puts here */
    int as_json = 0, ranks = 0;
    const struct poptOption options[] = {
        {"rank", 0, POPT_ARG_NONE, &ranks, 0,
         "tell instead which controllers understand what is sent", NULL},
        {"capture", 0, POPT_ARG_STRING, &capture, 0,
         "judge this capture's traffic instead of the card's own sequence", "FILE"},
        {"json", 0, POPT_ARG_NONE, &as_json, 0, "print JSON", NULL},
        POPT_AUTOHELP POPT_TABLEEND};
    poptContext context = cli_parse(
        argc, argv, options,
        "CARD\n\nJudges the wake-up sequence of a card as a careful reader of the datasheet "
        "would: it is\nrun on the emulated controller, with the test card behind it. Each finding "
        "has its\nstep, what comes of it (dark, wrong, marginal, wasteful), the reason and a "
        "remedy. Exit\nstatus 1 when there is any.\n");
    int status = EXIT_BAD;
    const char *name = cli_take_card(context, argv[0]);
    if (name && ranks) {
        status = jl_card_find_unnamed(name, &card, &complaint)
                     ? rank(argv[0], &card, capture, as_json != 0)
                     : cli_bad(argv[0], "%s", complaint.text);
    } else if (name) {
        bool good = jl_card_find(name, &card, &complaint) &&
                    (capture ? judge_capture(capture, &card, &check, &complaint)
                             : jl_check_card(&card, &check, &complaint));
        if (!good) {
            status = cli_bad(argv[0], "%s", complaint.text);
        } else {
            as_json ? print_json(&card, &check) : print_text(&card, &check);
            status = check.found ? EXIT_FINDINGS : EXIT_GOOD;
        }
    }
    poptFreeContext(context);
    free(capture);
    return status;
}
