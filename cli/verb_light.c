/* jadelamp light CARD */
#include "place.h"
#include "screen_options.h"

#include <stdio.h>
#include <stdlib.h>
#include <string.h>

/* "\\n" as people type it in a shell becomes a line end, in place. */
static void take_line_ends(char *text) {
    char *out = text;
    for (const char *at = text; *at; at++) {
        bool is_end = at[0] == '\\' && at[1] == 'n';
        *out++ = is_end ? '\n' : *at;
        at += is_end;
    }
    *out = '\0';
}

static void print_cost(const char *what, jl_status status, const struct jl_wire_cost *cost) {
    printf("  %-8s %8.2f ms  %6llu bytes on the bus  %s\n", what, cost->microseconds / 1e3,
           (unsigned long long)cost->bytes, jl_status_text(status));
}

/* `glass` is another card's, or NULL; `numbers` are those that were typed, or NULL. */
static void print_text(struct jl_light_result *result, const struct jl_card *card,
                       const struct jl_card *glass, const struct jl_typed *numbers) {
    struct jl_timings timings;
    printf("%s: ", card->name);
    cli_print_card(card);
    putchar('\n');
    if (jl_timings_of(card, &timings)) {
        jl_timings_print(stdout, card, &timings);
    }
    if (numbers) {
        cli_print_typed(numbers);
    }
    if (glass) {
        printf("  wired to %s: ", glass->name);
        cli_print_card(glass);
        putchar('\n');
    }
    print_cost("wake", result->wake_status, &result->wake);
    print_cost("present", result->present_status, &result->present);
    jl_sight_print(stdout, &result->rig, &result->sight);
}

static void print_json(const struct jl_light_result *result, const struct jl_card *card,
                       const struct jl_card *glass, const struct jl_typed *numbers,
                       const struct jl_screen *screen) {
    cJSON *json = cJSON_CreateObject();
    cJSON_AddItemToObject(json, "card", cli_card_json(card));
    if (numbers) {
        cJSON_AddItemToObject(json, "typed", cli_typed_json(numbers));
    }
    if (glass) {
        cJSON_AddItemToObject(json, "glass", cli_card_json(glass));
    }
    cJSON_AddStringToObject(json, "wake_status", jl_status_name(result->wake_status));
    cJSON_AddItemToObject(json, "wake", cli_cost_json(&result->wake));
    cJSON_AddStringToObject(json, "present_status", jl_status_name(result->present_status));
    cJSON_AddItemToObject(json, "present", cli_cost_json(&result->present));
    if (result->twin.second) {
        cJSON_AddStringToObject(json, "beside_status", jl_status_name(result->twin.second_status));
    }
    if (screen) {
        cli_json_screen_findings(json, screen);
    }
    cli_json_sight(json, &result->rig, &result->sight);
    cli_print_json(json);
}

/* What was typed, as popt gives it. */
struct typed_light {
    char *directory, *terminal, *glass, *text, *picture, *numbers, *place;
    char **faults;
    int json, film, no_wires;
    struct screen_typed screen;
};

static int light(const char *verb, const char *card_name, struct jl_light_request *request,
                 const struct typed_light *typed) {
    struct jl_complaint complaint = {""};
    static struct jl_card card, glass;
    static struct jl_light_result result; /* large */
    static struct jl_typed numbers;
    struct jl_fault faults[JL_MOST_FAULTS];
    if (!cli_read_faults(verb, typed->faults, faults, &request->fault_count)) {
        return EXIT_BAD;
    }
    request->faults = faults;
    if (!jl_card_find(card_name, &card, &complaint) ||
        (typed->glass && !jl_card_find(typed->glass, &glass, &complaint))) {
        return cli_bad(verb, "%s", complaint.text);
    }
    if (typed->numbers && !jl_typed_read(typed->numbers, &card, &numbers, &complaint)) {
        return cli_bad(verb, "%s", complaint.text);
    }
    request->glass = typed->numbers ? &card : typed->glass ? &glass : NULL; /* the real one */
    const struct jl_typed *compared = typed->numbers ? &numbers : NULL;
    const struct jl_card *other = typed->glass ? &glass : NULL;
    static struct jl_screen_state state; /* large */
    struct jl_screen *screen = NULL;
    if (typed->screen.sheet) {
        struct jl_screen_glass wanted = jl_screen_glass_of(&card);
        screen = cli_read_screen(verb, &typed->screen, &wanted, &state);
        if (!screen) {
            return EXIT_BAD;
        }
        request->screen = screen;
        request->state = &state;
    }
    static struct cli_place place;
    if (typed->place && !cli_open_place(verb, typed->place, &card, &place)) {
        jl_screen_free(screen);
        return EXIT_BAD;
    }
    request->beside = typed->place ? &place.port : NULL;
    int status;
    if (!jl_light(compared ? &compared->card : &card, request, &result, &complaint)) {
        status = cli_bad(verb, "%s", complaint.text);
    } else {
        if (typed->json) {
            print_json(&result, &card, other, compared, screen);
        } else {
            print_text(&result, &card, other, compared);
        }
        if (typed->place && !typed->json) {
            printf("  on %s: %s\n", place.bus, jl_status_text(result.twin.second_status));
        }
        bool object = screen && cli_screen_findings(screen, !typed->json);
        if (typed->terminal && !typed->json) {
            cli_print_glass(&result.sight.glass, typed->terminal);
        }
        bool found = result.wake_status != JL_OK || result.present_status != JL_OK ||
                     jl_sight_has_findings(&result.rig, &result.sight) ||
                     (compared && compared->count) || object;
        status = found ? EXIT_FINDINGS : EXIT_GOOD;
    }
    jl_light_close(&result);
    jl_screen_free(screen);
    if (typed->place) {
        cli_close_place(&place);
    }
    return status;
}

int verb_light(int argc, const char **argv) {
    struct jl_light_request request = {.scale = 0};
    struct typed_light typed = {.faults = NULL}; /* popt allocates what it puts here */
    const struct poptOption options[] = {
        {"into", 'o', POPT_ARG_STRING, &typed.directory, 0, "folder for the files, else this one",
         "DIR"},
        {"scale", 's', POPT_ARG_INT, &request.scale, 0,
         "pixels of the photo for one of the glass, 2..32; else what fits about 1000", "N"},
        {"terminal", 't', POPT_ARG_STRING, &typed.terminal, 0, "show the glass here too",
         "blocks|braille"},
        {"text", 0, POPT_ARG_STRING, &typed.text, 0,
         "show this instead of the test card; \\n begins a line", "TEXT"},
        {"picture", 0, POPT_ARG_STRING, &typed.picture, 0, "show this instead of the test card",
         "FILE"},
        CLI_SCREEN_OPTIONS(typed.screen),
        {"glass", 0, POPT_ARG_STRING, &typed.glass, 0,
         "wire the description to another card's controller and glass", "CARD"},
        {"typed", 0, POPT_ARG_STRING, &typed.numbers, 0,
         "of glass that is scanned out: compare numbers that were typed elsewhere, and show what "
         "the glass makes of them",
         "FILE"},
        {"film", 0, POPT_ARG_NONE, &typed.film, 0,
         "of e-paper: write NAME-film.png, the glass while it changes", NULL},
        {"on", 0, POPT_ARG_STRING, &typed.place, 0, CLI_PLACE_HELP, "PLACE"},
        {"no-wires", 0, POPT_ARG_NONE, &typed.no_wires, 0, "record no wires: faster", NULL},
        CLI_FAULT_OPTION(typed.faults),
        {"json", 0, POPT_ARG_NONE, &typed.json, 0, "print JSON", NULL},
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
    const char *card_name = poptGetArg(context);
    request.directory = typed.directory ? typed.directory : ".";
    request.text = typed.text;
    request.picture = typed.picture;
    request.film = typed.film != 0;
    request.no_wires = typed.no_wires != 0;
    if (typed.text) {
        take_line_ends(typed.text);
    }
    if (!card_name) {
        cli_bad(argv[0], "name a card: a file or one that jadelamp catalog lists");
    } else if (cli_too_many(context, argv[0]) ||
               !cli_good_look(argv[0], typed.terminal, request.scale)) {
        /* reported */
    } else if ((typed.text != NULL) + (typed.picture != NULL) + (typed.screen.sheet != NULL) > 1) {
        cli_bad(argv[0], "--text, --picture and --screen: expected one of them");
    } else if (!typed.screen.sheet && (typed.screen.page || typed.screen.sets)) {
        cli_bad(argv[0], "--page and --set are of a sheet: name it with --screen");
    } else if (typed.numbers && typed.glass) {
        cli_bad(argv[0], "--typed and --glass: expected one of them");
    } else {
        status = light(argv[0], card_name, &request, &typed);
    }
    poptFreeContext(context);
    char *texts[] = {typed.directory, typed.terminal, typed.glass, typed.text,
                     typed.picture,   typed.numbers,  typed.place};
    for (size_t i = 0; i < sizeof texts / sizeof texts[0]; i++) {
        free(texts[i]);
    }
    cli_free_texts(typed.faults);
    cli_free_screen(&typed.screen);
    return status;
}
