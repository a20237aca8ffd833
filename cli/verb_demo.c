/* jadelamp demo */
#include "cli.h"

#include <stdio.h>
#include <stdlib.h>

#include "jadelamp/host/catalog.h"
#include "jadelamp/host/demo.h"

static void print_text(const struct jl_demo_result *result) {
    puts("Heron Quay: the quay gauge, an ssd1306 of 128x64 on I2C at 400 kHz\n");
    printf("  woken: %.1f ms, %llu bytes on the bus\n\n", result->wake.microseconds / 1e3,
           (unsigned long long)result->wake.bytes);
    puts("  time   tide     wire time  bytes on the bus");
    for (int i = 0; i < result->step_count; i++) {
        const struct jl_demo_step *step = &result->steps[i];
        printf("  %02d:%02d  %5.2f m  %6.2f ms  %5llu%s\n", step->minute / 60, step->minute % 60,
               step->height_cm / 100.0, step->cost.microseconds / 1e3,
               (unsigned long long)step->cost.bytes, i ? "" : "   the whole picture");
    }
    printf("\n  diagnostics of the controller: %zu\n", result->diagnostics);
    printf(
        "  wrote into %s:\n"
        "    quay-gauge-first-glass.png, quay-gauge-first-photo.png   the first reading\n"
        "    quay-gauge-last-glass.png, quay-gauge-last-photo.png     the last one\n"
        "    quay-gauge-damage.png                                    what the second one sends\n"
        "    quay-gauge.vcd                                           all wires\n",
        result->directory);
}

static void print_json(const struct jl_demo_result *result) {
    cJSON *json = cJSON_CreateObject();
    cJSON_AddStringToObject(json, "directory", result->directory);
    cJSON_AddItemToObject(json, "wake", cli_cost_json(&result->wake));
    cJSON *steps = cJSON_AddArrayToObject(json, "readings");
    for (int i = 0; i < result->step_count; i++) {
        cJSON *step = cJSON_CreateObject();
        cJSON_AddNumberToObject(step, "minute", result->steps[i].minute);
        cJSON_AddNumberToObject(step, "height_cm", result->steps[i].height_cm);
        cJSON_AddItemToObject(step, "present", cli_cost_json(&result->steps[i].cost));
        cJSON_AddItemToArray(steps, step);
    }
    cJSON_AddNumberToObject(json, "diagnostics", (double)result->diagnostics);
    cli_print_json(json);
}

static int demo(const char *verb, const char *data, const char *directory, bool as_json) {
    char shipped[1024];
    struct jl_demo_result result;
    struct jl_complaint complaint = {""};
    if (!data && !jl_share_path("demo", shipped, sizeof shipped)) {
        return cli_bad(verb, "the demo's data are missing: set JADELAMP_SHARE to the folder that "
                             "holds cards/ and demo/");
    }
    /* From 07:00 on, every ten minutes: the tide falls to low water. */
    if (!jl_demo_quay_gauge(data ? data : shipped, directory, 42, 12, &result, &complaint)) {
        return cli_bad(verb, "%s", complaint.text);
    }
    if (as_json) {
        print_json(&result);
    } else {
        print_text(&result);
    }
    return result.diagnostics ? EXIT_FINDINGS : EXIT_GOOD;
}

int verb_demo(int argc, const char **argv) {
    char *directory = NULL; /* popt allocates what it puts here */
    char *data = NULL;
    int as_json = 0;
    const struct poptOption options[] = {
        {"into", 'o', POPT_ARG_STRING, &directory, 0, "folder for the files, else heron-quay",
         "DIR"},
        {"data", 0, POPT_ARG_STRING, &data, 0, "folder with other cards/ and data/", "DIR"},
        {"json", 0, POPT_ARG_NONE, &as_json, 0, "print JSON", NULL},
        POPT_AUTOHELP POPT_TABLEEND};
    poptContext context = cli_parse(argc, argv, options, "");
    int status = EXIT_BAD;
    if (context && !cli_too_many(context, argv[0])) {
        status = demo(argv[0], data, directory ? directory : "heron-quay", as_json != 0);
    }
    poptFreeContext(context);
    free(directory);
    free(data);
    return status;
}
