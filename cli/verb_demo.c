/* jadelamp demo */
#include "cli.h"

#include <stdio.h>
#include <stdlib.h>

#include "jadelamp/host/catalog.h"
#include "jadelamp/demo/harbour.h"

static void print_text(const struct jl_demo_result *result) {
    puts("Heron Quay: the quay gauge, an ssd1306 of 128x64 on I2C at 400 kHz\n");
    printf("  woken: %.1f ms, %llu bytes on the bus%s%s\n\n", result->wake.microseconds / 1e3,
           (unsigned long long)result->wake.bytes, result->wake_status ? "  " : "",
           result->wake_status ? jl_status_text(result->wake_status) : "");
    puts("  time   tide     wire time  bytes on the bus");
    for (int i = 0; i < result->step_count; i++) {
        const struct jl_demo_step *step = &result->steps[i];
        printf("  %02d:%02d  %5.2f m  %6.2f ms  %5llu%s", step->minute / 60, step->minute % 60,
               step->height_cm / 100.0, step->cost.microseconds / 1e3,
               (unsigned long long)step->cost.bytes,
               step->status ? "   "
               : i          ? ""
                            : "   the whole picture");
        puts(step->status ? jl_status_text(step->status) : "");
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

static void print_boards(const struct jl_demo_board *boards) {
    for (int i = 0; i < JL_DEMO_BOARDS; i++) {
        const struct jl_demo_board *board = &boards[i];
        printf("\nThe %s: ", board->card.name);
        cli_print_card(&board->card);
        printf("\n  %s: %zu bytes of RAM\n", board->way, board->pixel_bytes);
        printf("  the first picture %8.2f ms  %6llu bytes on the bus\n",
               board->first.microseconds / 1e3, (unsigned long long)board->first.bytes);
        printf("  the next one      %8.2f ms  %6llu bytes on the bus\n",
               board->second.microseconds / 1e3, (unsigned long long)board->second.bytes);
        cli_print_lines(board->text);
        printf("  diagnostics %zu; wrote %s-glass.png, %s-photo.png\n", board->diagnostics,
               board->base, board->base);
        if (board->has_film) {
            printf("  wrote %s-film.png: the glass while it changes\n", board->base);
        }
    }
}

static void print_consoles(const struct jl_demo_console *consoles) {
    for (int i = 0; i < JL_DEMO_CONSOLES; i++) {
        const struct jl_demo_console *console = &consoles[i];
        printf("\nThe %s, with %s: ", console->card.name, console->hands);
        cli_print_card(&console->card);
        printf("\n  in %.1f s: %d events, %d pictures, ", console->seconds, console->events,
               console->presents);
        if (console->scans) {
            printf("%u scanned out (%.1f MB/s)", (unsigned)console->scans,
                   (double)console->bytes / console->seconds / 1e6);
        } else {
            printf("%llu bytes on the bus for them", (unsigned long long)console->bytes);
        }
        if (console->touch_bytes) {
            printf(", %llu bytes for touch", (unsigned long long)console->touch_bytes);
        }
        printf("\n  diagnostics %zu; wrote %s-film.png\n", console->diagnostics, console->base);
    }
}

static cJSON *consoles_json(const struct jl_demo_console *consoles) {
    cJSON *array = cJSON_CreateArray();
    for (int i = 0; i < JL_DEMO_CONSOLES; i++) {
        cJSON *json = cli_card_json(&consoles[i].card);
        cJSON_AddNumberToObject(json, "seconds", consoles[i].seconds);
        cJSON_AddNumberToObject(json, "events", consoles[i].events);
        cJSON_AddNumberToObject(json, "presents", consoles[i].presents);
        cJSON_AddNumberToObject(json, "bus_bytes", (double)consoles[i].bytes);
        cJSON_AddNumberToObject(json, "scanned_out", consoles[i].scans);
        cJSON_AddNumberToObject(json, "touch_bytes", (double)consoles[i].touch_bytes);
        cJSON_AddNumberToObject(json, "diagnostics", (double)consoles[i].diagnostics);
        cJSON_AddItemToArray(array, json);
    }
    return array;
}

static cJSON *boards_json(const struct jl_demo_board *boards) {
    cJSON *array = cJSON_CreateArray();
    for (int i = 0; i < JL_DEMO_BOARDS; i++) {
        cJSON *json = cli_card_json(&boards[i].card);
        cJSON_AddNumberToObject(json, "pixel_bytes", (double)boards[i].pixel_bytes);
        cJSON_AddItemToObject(json, "wake", cli_cost_json(&boards[i].wake));
        cJSON_AddItemToObject(json, "first", cli_cost_json(&boards[i].first));
        cJSON_AddItemToObject(json, "second", cli_cost_json(&boards[i].second));
        if (*boards[i].text) {
            cJSON_AddStringToObject(json, "text", boards[i].text);
        }
        cJSON_AddNumberToObject(json, "diagnostics", (double)boards[i].diagnostics);
        cJSON_AddItemToArray(array, json);
    }
    return array;
}

static void print_json(const struct jl_demo_result *result, const struct jl_demo_board *boards,
                       const struct jl_demo_console *consoles) {
    cJSON *json = cJSON_CreateObject();
    cli_json_text(json, "directory", result->directory);
    cJSON_AddItemToObject(json, "wake", cli_cost_json(&result->wake));
    cJSON_AddStringToObject(json, "wake_status", jl_status_name(result->wake_status));
    cJSON *steps = cJSON_AddArrayToObject(json, "readings");
    for (int i = 0; i < result->step_count; i++) {
        cJSON *step = cJSON_CreateObject();
        cJSON_AddNumberToObject(step, "minute", result->steps[i].minute);
        cJSON_AddNumberToObject(step, "height_cm", result->steps[i].height_cm);
        cJSON_AddItemToObject(step, "present", cli_cost_json(&result->steps[i].cost));
        cJSON_AddStringToObject(step, "present_status", jl_status_name(result->steps[i].status));
        cJSON_AddItemToArray(steps, step);
    }
    cJSON_AddNumberToObject(json, "diagnostics", (double)result->diagnostics);
    cJSON_AddItemToObject(json, "boards", boards_json(boards));
    cJSON_AddItemToObject(json, "consoles", consoles_json(consoles));
    cli_print_json(json);
}

static int demo(const char *verb, const char *data, const char *directory, char **faults_typed,
                bool as_json) {
    char shipped[1024];
    struct jl_demo_result result;
    struct jl_demo_board boards[JL_DEMO_BOARDS];
    struct jl_demo_console consoles[JL_DEMO_CONSOLES];
    struct jl_complaint complaint = {""};
    struct jl_fault faults[JL_MOST_FAULTS];
    /* From 07:00 on, every ten minutes: the tide falls to low water. */
    struct jl_demo_morning morning = {.first = 42, .count = 12, .faults = faults};
    if (!cli_read_faults(verb, faults_typed, faults, &morning.fault_count)) {
        return EXIT_BAD;
    }
    if (!data && !jl_share_path("demo", shipped, sizeof shipped)) {
        return cli_bad(verb, "the demo's data are missing: set JADELAMP_SHARE to the folder that "
                             "holds cards/ and demo/");
    }
    data = data ? data : shipped;
    if (!jl_demo_quay_gauge(data, directory, &morning, &result, &complaint) ||
        !jl_demo_boards(data, directory, boards, &complaint) ||
        !jl_demo_consoles(data, directory, consoles, &complaint) ||
        !jl_demo_overview(directory, boards, consoles, &complaint)) {
        return cli_bad(verb, "%s", complaint.text);
    }
    if (as_json) {
        print_json(&result, boards, consoles);
    } else {
        print_text(&result);
        print_boards(boards);
        print_consoles(consoles);
        puts("\nAll at a glance: harbour.png, and harbour.html to click through");
    }
    size_t diagnostics = result.diagnostics + (result.wake_status != JL_OK);
    for (int i = 0; i < result.step_count; i++) {
        diagnostics += result.steps[i].status != JL_OK;
    }
    for (int i = 0; i < JL_DEMO_BOARDS; i++) {
        diagnostics += boards[i].diagnostics;
    }
    for (int i = 0; i < JL_DEMO_CONSOLES; i++) {
        diagnostics += consoles[i].diagnostics;
    }
    return diagnostics ? EXIT_FINDINGS : EXIT_GOOD;
}

int verb_demo(int argc, const char **argv) {
    char *directory = NULL; /* popt allocates what it puts here */
    char *data = NULL;
    char **faults = NULL;
    int as_json = 0;
    const struct poptOption options[] = {
        {"into", 'o', POPT_ARG_STRING, &directory, 0, "folder for the files, else heron-quay",
         "DIR"},
        {"data", 0, POPT_ARG_STRING, &data, 0, "folder with other cards/ and data/", "DIR"},
        CLI_FAULT_OPTION(faults),
        {"json", 0, POPT_ARG_NONE, &as_json, 0, "print JSON", NULL},
        POPT_AUTOHELP POPT_TABLEEND};
    poptContext context =
        cli_parse(argc, argv, options, "\n\nFaults are put on the board of the quay gauge.\n");
    int status = EXIT_BAD;
    if (context && !cli_too_many(context, argv[0])) {
        status = demo(argv[0], data, directory ? directory : "heron-quay", faults, as_json != 0);
    }
    poptFreeContext(context);
    free(directory);
    free(data);
    cli_free_texts(faults);
    return status;
}
