/* jadelamp light CARD */
#include "cli.h"

#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "jadelamp/host/terminal.h"

static const char *const severity_names[] = {
    [JL_SEVERITY_NOTE] = "note",
    [JL_SEVERITY_WARNING] = "warning",
    [JL_SEVERITY_ERROR] = "error",
};

static bool parse_fault(const char *text, struct jl_light_request *request) {
    char *end;
    if (strcmp(text, "unplugged") == 0) {
        request->fault = JL_LIGHT_UNPLUGGED;
    } else if (strcmp(text, "sda-low") == 0) {
        request->fault = JL_LIGHT_SDA_LOW;
    } else if (strncmp(text, "nack-at=", 8) == 0 && text[8] >= '0' && text[8] <= '9') {
        request->fault = JL_LIGHT_NACK_AT;
        request->fault_byte = strtoull(text + 8, &end, 10);
        return *end == '\0';
    } else {
        return false;
    }
    return true;
}

static void print_cost(const char *what, jl_status status, const struct jl_wire_cost *cost) {
    printf("  %-8s %8.2f ms  %6llu bytes on the bus  %s\n", what, cost->microseconds / 1e3,
           (unsigned long long)cost->bytes, jl_status_text(status));
}

static void print_text(struct jl_light_result *result, const char *directory) {
    const struct jl_card *card = &result->rig.card;
    printf("%s: ", card->name);
    cli_print_card(card);
    putchar('\n');
    print_cost("wake", result->wake_status, &result->wake);
    print_cost("present", result->present_status, &result->present);
    if (result->why_dark) {
        printf("  dark: %s\n", result->why_dark);
    } else {
        printf("  lit, brightness %d of 255\n", jl_device_brightness(result->rig.device));
    }
    if (result->cells_text) {
        cli_print_lines(result->cells_text);
    }
    const struct jl_diagnostic *list;
    size_t count = jl_board_diagnostics(result->rig.board, &list);
    for (size_t i = 0; i < count; i++) {
        printf("  %9.3f ms %s: %s\n", (double)list[i].at_ps / 1e9, severity_names[list[i].severity],
               list[i].text);
    }
    size_t total = jl_board_diagnostic_total(result->rig.board);
    if (total > count) {
        printf("  and %zu more\n", total - count);
    }
    printf("  wrote the glass, a photo and the wires (VCD) into %s\n", directory);
}

static void print_json(const struct jl_light_result *result) {
    cJSON *json = cJSON_CreateObject();
    cJSON_AddItemToObject(json, "card", cli_card_json(&result->rig.card));
    cJSON_AddStringToObject(json, "wake_status", jl_status_name(result->wake_status));
    cJSON_AddItemToObject(json, "wake", cli_cost_json(&result->wake));
    cJSON_AddStringToObject(json, "present_status", jl_status_name(result->present_status));
    cJSON_AddItemToObject(json, "present", cli_cost_json(&result->present));
    cJSON_AddBoolToObject(json, "lit", result->why_dark == NULL);
    cJSON_AddStringToObject(json, "why_dark", result->why_dark ? result->why_dark : "");
    if (result->cells_text) {
        cJSON_AddStringToObject(json, "text", result->cells_text);
    }
    cJSON_AddStringToObject(json, "capture", result->capture_path);
    cJSON *array = cJSON_AddArrayToObject(json, "diagnostics");
    const struct jl_diagnostic *list;
    size_t count = jl_board_diagnostics(result->rig.board, &list);
    for (size_t i = 0; i < count; i++) {
        cJSON *entry = cJSON_CreateObject();
        cJSON_AddNumberToObject(entry, "microseconds", (double)list[i].at_ps / 1e6);
        cJSON_AddStringToObject(entry, "severity", severity_names[list[i].severity]);
        cJSON_AddStringToObject(entry, "text", list[i].text);
        cJSON_AddItemToArray(array, entry);
    }
    cli_print_json(json);
}

static bool has_findings(const struct jl_light_result *result) {
    const struct jl_diagnostic *list;
    size_t count = jl_board_diagnostics(result->rig.board, &list);
    bool found =
        result->wake_status != JL_OK || result->present_status != JL_OK || result->why_dark;
    for (size_t i = 0; i < count; i++) {
        found |= list[i].severity != JL_SEVERITY_NOTE;
    }
    return found;
}

static void print_terminal(const struct jl_picture *glass, const char *style) {
    char *text = jl_terminal_text(glass, strcmp(style, "braille") == 0 ? JL_TERMINAL_BRAILLE
                                                                       : JL_TERMINAL_BLOCKS);
    if (text) {
        fputs(text, stdout);
    }
    free(text);
}

static int light(const char *verb, const char *card_name, const struct jl_light_request *request,
                 const char *terminal, bool as_json) {
    struct jl_complaint complaint = {""};
    struct jl_card card;
    struct jl_light_result result;
    if (!jl_card_find(card_name, &card, &complaint)) {
        return cli_bad(verb, "%s", complaint.text);
    }
    if (request->fault >= JL_LIGHT_SDA_LOW && card.bus != JL_BUS_I2C) {
        return cli_bad(verb,
                       "that fault needs an acknowledge bit, and %s is not on I2C; try unplugged",
                       card.name);
    }
    int status;
    if (!jl_light(&card, request, &result, &complaint)) {
        status = cli_bad(verb, "%s", complaint.text);
    } else {
        if (as_json) {
            print_json(&result);
        } else {
            print_text(&result, request->directory);
        }
        if (terminal && !as_json) {
            print_terminal(&result.glass, terminal);
        }
        status = has_findings(&result) ? EXIT_FINDINGS : EXIT_GOOD;
    }
    jl_light_close(&result);
    return status;
}

int verb_light(int argc, const char **argv) {
    struct jl_light_request request = {.scale = 0};
    char *directory = NULL; /* popt allocates what it puts here */
    char *fault = NULL;
    char *terminal = NULL;
    int as_json = 0;
    const struct poptOption options[] = {
        {"into", 'o', POPT_ARG_STRING, &directory, 0, "folder for the files, else this one", "DIR"},
        {"scale", 's', POPT_ARG_INT, &request.scale, 0,
         "pixels of the photo for one of the glass, 2..32; else what fits about 1000", "N"},
        {"terminal", 't', POPT_ARG_STRING, &terminal, 0, "show the glass here too",
         "blocks|braille"},
        {"fault", 0, POPT_ARG_STRING, &fault, 0, "try it on a broken bus",
         "unplugged|sda-low|nack-at=BYTE"},
        {"json", 0, POPT_ARG_NONE, &as_json, 0, "print JSON", NULL},
        POPT_AUTOHELP POPT_TABLEEND};
    poptContext context = cli_parse(
        argc, argv, options,
        "CARD\n\nCARD is a file, or the name of a card that jadelamp catalog lists.\nWrites "
        "NAME-glass.png, NAME-photo.png and NAME.vcd. Exit status 1 when the\npanel stays "
        "dark or the controller found something wrong.\n");
    if (!context) {
        return EXIT_BAD;
    }
    int status = EXIT_BAD;
    request.directory = directory ? directory : ".";
    const char *card_name = poptGetArg(context);
    if (!card_name) {
        cli_bad(argv[0], "name a card: a file or one that jadelamp catalog lists");
    } else if (cli_too_many(context, argv[0])) {
        /* reported */
    } else if (request.scale != 0 && (request.scale < 2 || request.scale > 32)) {
        cli_bad(argv[0], "--scale %d: expected 2 to 32", request.scale);
    } else if (terminal && strcmp(terminal, "blocks") != 0 && strcmp(terminal, "braille") != 0) {
        cli_bad(argv[0], "--terminal %s: expected blocks or braille", terminal);
    } else if (fault && !parse_fault(fault, &request)) {
        cli_bad(argv[0], "--fault %s: expected unplugged, sda-low or nack-at=BYTE", fault);
    } else {
        status = light(argv[0], card_name, &request, terminal, as_json != 0);
    }
    poptFreeContext(context);
    free(directory);
    free(fault);
    free(terminal);
    return status;
}
