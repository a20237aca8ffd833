/* jadelamp report CARD */
#include "cli.h"

#include <stdio.h>
#include <stdlib.h>

#include "jadelamp/host/report.h"

static void print_result(const struct jl_card *card, const struct jl_report *report, bool as_json) {
    if (as_json) {
        cJSON *json = cJSON_CreateObject();
        cJSON_AddItemToObject(json, "card", cli_card_json(card));
        cJSON_AddStringToObject(json, "path", report->path);
        cJSON_AddBoolToObject(json, "lit", report->lit);
        cJSON_AddNumberToObject(json, "findings", (double)report->findings);
        cli_print_json(json);
    } else {
        printf("%s: %s, %zu to object to\n  wrote %s\n", card->name, report->lit ? "lit" : "dark",
               report->findings, report->path);
    }
}

int verb_report(int argc, const char **argv) {
    static struct jl_card card; /* large */
    struct jl_report report;
    struct jl_complaint complaint = {""};
    char *typed = NULL; /* popt allocates what it puts here */
    int as_json = 0;
    const struct poptOption options[] = {
        {"into", 'o', POPT_ARG_STRING, &typed, 0, "folder for the file, else this one", "DIR"},
        {"json", 0, POPT_ARG_NONE, &as_json, 0, "print JSON", NULL},
        POPT_AUTOHELP POPT_TABLEEND};
    poptContext context =
        cli_parse(argc, argv, options,
                  "CARD\n\nWrites NAME-report.html, a page to send to a colleague: the glass, what "
                  "is wrong,\n"
                  "the traffic read out, what it costs, the card itself. One file, which works\n"
                  "offline. Exit status 1 when the panel stays dark or there is something to\n"
                  "object to.\n");
    int status = EXIT_BAD;
    const char *name = cli_take_card(context, argv[0]);
    if (name) {
        char *source =
            jl_card_find(name, &card, &complaint) ? jl_card_source(name, &complaint) : NULL;
        if (source && jl_report_write(&card, source, typed ? typed : ".", &report, &complaint)) {
            print_result(&card, &report, as_json != 0);
            status = report.lit && !report.findings ? EXIT_GOOD : EXIT_FINDINGS;
        } else {
            status = cli_bad(argv[0], "%s", complaint.text);
        }
        free(source);
    }
    poptFreeContext(context);
    free(typed);
    return status;
}
