/* jadelamp window CARD...: a program of its own, since it alone needs SDL2 and all that comes with
 * it. The command starts it. */
#include "cli.h"

#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "jadelamp/host/file.h"
#include "jadelamp/host/window.h"
#include "place.h"
#include "watch_source.h"

struct typed_window {
    char *directory, *program, *sheet, *card, *place, *source;
    int zoom, plain, frames, json, baud, tell_hands;
    double speed, patience;
};

static void print_json(const struct jl_window_result *result) {
    cJSON *json = cJSON_CreateObject();
    cJSON_AddNumberToObject(json, "frames", result->frames);
    cJSON_AddNumberToObject(json, "changes", result->changes);
    cJSON_AddNumberToObject(json, "real_s", result->real_s);
    cJSON_AddNumberToObject(json, "virtual_s", result->virtual_s);
    cJSON_AddNumberToObject(json, "starts", result->loads);
    cJSON_AddNumberToObject(json, "crashes", result->crashes);
    cJSON_AddNumberToObject(json, "diagnostics", result->diagnostics);
    cJSON_AddNumberToObject(json, "fingers", result->fingers);
    cJSON_AddNumberToObject(json, "keys", result->keys);
    cJSON_AddNumberToObject(json, "detents", result->detents);
    cJSON_AddStringToObject(json, "status", jl_status_name(result->status));
    cJSON_AddBoolToObject(json, "dark", result->dark);
    cli_print_json(json);
}

static int run(const char *verb, const struct jl_card *cards, int count,
               const struct typed_window *typed) {
    struct jl_window_result result;
    struct jl_complaint complaint = {""};
    static struct cli_place place;
    int tap = typed->source ? cli_open_source(verb, typed->source, typed->baud) : 0;
    if (tap < 0) {
        return EXIT_BAD;
    }
    if (typed->place && !cli_open_place(verb, typed->place, &cards[0], &place)) {
        return EXIT_BAD;
    }
    const struct jl_window_request request = {.cards = cards,
                                              .card_count = count,
                                              .object = typed->program,
                                              .tap = tap,
                                              .tell_hands = typed->tell_hands != 0,
                                              .sheet = typed->sheet,
                                              .directory = typed->directory,
                                              .beside = typed->place ? &place.port : NULL,
                                              .zoom = typed->zoom,
                                              .plain = typed->plain != 0,
                                              .frames = (uint32_t)typed->frames,
                                              .patience_ms = (uint32_t)(typed->patience * 1000),
                                              .speed_permille =
                                                  (uint32_t)(typed->speed * 1000 + 0.5),
                                              .told = typed->json ? stderr : stdout};
    bool good = jl_window(&request, &result, &complaint);
    if (typed->place) {
        cli_close_place(&place);
    }
    if (!good) {
        return cli_bad(verb, "%s", complaint.text);
    }
    if (typed->json) {
        print_json(&result);
    } else {
        printf("%u pictures of the window in %.2f s (%.1f a second), %.3f s of virtual time\n",
               (unsigned)result.frames, result.real_s, result.frames / result.real_s,
               result.virtual_s);
    }
    return jl_window_has_findings(&result) ? EXIT_FINDINGS : EXIT_GOOD;
}

static int window(int argc, const char **argv) {
    static struct jl_card cards[JL_WINDOW_MOST_CARDS]; /* large */
    struct typed_window typed = {
        .speed = 1, .patience = 5, .baud = 115200}; /* popt allocates what it puts here */
    const struct poptOption options[] = {
        {"program", 0, POPT_ARG_STRING, &typed.program, 0,
         "shared object with your program, else the test card; loaded anew when it changes",
         "FILE.so"},
        {"screen", 0, POPT_ARG_STRING, &typed.sheet, 0,
         "show this screen sheet, with sliders for its values; anew when it is saved", "SHEET"},
        {"card", 'c', POPT_ARG_STRING, &typed.card, 0, "the same as CARD", "CARD"},
        {"zoom", 'z', POPT_ARG_INT, &typed.zoom, 0,
         "pixels for one of the glass, 1..32; else what fits", "N"},
        {"plain", 'p', POPT_ARG_NONE, &typed.plain, 0, "square pixels instead of the photo", NULL},
        {"speed", 0, POPT_ARG_DOUBLE, &typed.speed, 0,
         "of virtual time, 1 is real, 0.1 ten times slower: 0.001..100", "X"},
        {"into", 'o', POPT_ARG_STRING, &typed.directory, 0,
         "folder for pictures and captures, else this one", "DIR"},
        {"patience", 0, POPT_ARG_DOUBLE, &typed.patience, 0,
         "seconds without a transfer or a wait, then a program hangs; else 5", "S"},
        {"frames", 0, POPT_ARG_INT, &typed.frames, 0,
         "pictures of the window, then it closes; for scripts", "N"},
        {"from", 0, POPT_ARG_STRING, &typed.source, 0,
         "show what a tap in firmware says: a file, a serial line, unix:PATH or tcp:HOST:PORT",
         "SOURCE"},
        {"tell-hands", 0, POPT_ARG_NONE, &typed.tell_hands, 0,
         "tell SOURCE what the mouse and the keys do, a line each time", NULL},
        {"baud", 0, POPT_ARG_INT, &typed.baud, 0, "speed of a serial line; else 115200", "N"},
        {"on", 0, POPT_ARG_STRING, &typed.place, 0, CLI_PLACE_HELP, "PLACE"},
        {"json", 0, POPT_ARG_NONE, &typed.json, 0, "print what happened as JSON, in the end", NULL},
        POPT_AUTOHELP POPT_TABLEEND};
    poptContext context = cli_parse(
        argc, argv, options,
        "CARD...\n\nA window on the glass of a card, or of several on one board. The mouse is a "
        "finger\n(the right button a second one); wheel, arrows, Enter and Backspace are knob and "
        "keys\nwhere a card names their pins. Keys: space stops time, . and , step by 1 and 0.1 "
        "ms,\n[ and ] change the speed, + and - the zoom, p the look; s writes a picture, c "
        "begins\n"
        "and ends a capture, r starts anew, q closes. Exit status 1 when the program failed,\nthe "
        "glass is dark in the end or a controller found something wrong.\n");
    int status = EXIT_BAD, count = 0;
    const char *name;
    struct jl_complaint complaint = {""};
    bool good = context != NULL;
    if (good && typed.card) {
        good = jl_card_find(typed.card, &cards[count++], &complaint);
        if (!good) {
            cli_bad(argv[0], "%s", complaint.text);
        }
    }
    while (good && (name = poptGetArg(context)) != NULL) {
        if (count == JL_WINDOW_MOST_CARDS) {
            cli_bad(argv[0], "at most %d cards share a window", JL_WINDOW_MOST_CARDS);
            good = false;
        } else if (!jl_card_find(name, &cards[count++], &complaint)) {
            cli_bad(argv[0], "%s", complaint.text);
            good = false;
        }
    }
    if (!good) {
        /* reported */
    } else if (!count) {
        cli_bad(argv[0], "name a card; see jadelamp window --help");
    } else if ((typed.sheet != NULL) + (typed.program != NULL) + (typed.source != NULL) > 1) {
        cli_bad(argv[0], "--screen, --program and --from: expected one of them");
    } else if (typed.tell_hands && !typed.source) {
        cli_bad(argv[0], "--tell-hands: name who is told, with --from SOURCE");
    } else if (typed.zoom < 0 || typed.zoom > 32) {
        cli_bad(argv[0], "--zoom %d: expected 1 to 32", typed.zoom);
    } else if (!(typed.speed >= 0.001 && typed.speed <= 100)) {
        cli_bad(argv[0], "--speed %g: expected 0.001 to 100", typed.speed);
    } else if (!(typed.patience >= 0.1 && typed.patience <= 3600)) {
        cli_bad(argv[0], "--patience %g: expected 0.1 to 3600", typed.patience);
    } else if (typed.frames < 0) {
        cli_bad(argv[0], "--frames %d: expected 1 or more", typed.frames);
    } else {
        status = run(argv[0], cards, count, &typed);
    }
    poptFreeContext(context);
    free(typed.directory);
    free(typed.program);
    free(typed.sheet);
    free(typed.card);
    free(typed.place);
    free(typed.source);
    return status;
}

int main(int argc, const char **argv) {
    argv[0] = "window"; /* as the command calls it */
    jl_file_tidy_on_signals();
    return cli_finish(argv[0], window(argc, argv));
}
