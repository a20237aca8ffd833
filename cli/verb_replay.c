/* jadelamp replay CAPTURE --card CARD */
#include "capture_options.h"
#include "times.h"

#include <math.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "jadelamp/host/findings.h"
#include "jadelamp/host/replay.h"

struct typed_replay {
    struct cli_capture capture;
    char *directory, *terminal;
    char **times;
    char **faults;
    int series, film, animation, json, scale;
};

/* The capture's name without folder and endings, for the files. */
static void base_of(const char *path, char *out, size_t size) {
    const char *slash = strrchr(path, '/');
    snprintf(out, size, "%.200s", slash ? slash + 1 : path);
    static const char *const endings[] = {".gz", ".vcd", ".csv"};
    for (size_t i = 0; i < sizeof endings / sizeof endings[0]; i++) {
        size_t length = strlen(out), ending = strlen(endings[i]);
        if (length > ending && strcmp(out + length - ending, endings[i]) == 0) {
            out[length - ending] = '\0';
        }
    }
}

static void print_text(struct jl_traffic *traffic, const struct jl_replay_result *result) {
    struct jl_rig *rig = jl_traffic_rig(traffic);
    const char *why = jl_device_why_dark(rig->device);
    printf("%s: ", rig->card.name);
    cli_print_card(&rig->card);
    printf("\n  %.3f ms of traffic", (double)result->length_ps / 1e9);
    if (result->changes) {
        printf(", %zu pictures that differ", result->changes);
    }
    printf("\n  %s%s\n", why ? "dark: " : "lit", why ? why : "");
    if (result->doubts) {
        printf("  doubt: %s", result->doubt);
        if (result->doubts > 1) {
            printf(" (and %zu more: jadelamp explain --only doubt)", result->doubts - 1);
        }
        putchar('\n');
    }
    if (result->left_out) {
        printf("  of the pictures, the last %llu are not among the files: %d at most\n",
               (unsigned long long)result->left_out, JL_REPLAY_MOMENTS);
    }
    jl_findings_print(stdout, rig->board, jl_traffic_offset_ps(traffic));
    for (size_t i = 0; i < result->path_count; i++) {
        printf("  %s %s\n", i ? "     " : "wrote", result->paths[i]);
    }
}

static void print_json(struct jl_traffic *traffic, const struct jl_replay_result *result) {
    struct jl_rig *rig = jl_traffic_rig(traffic);
    const char *why = jl_device_why_dark(rig->device), *paths[JL_REPLAY_TIMES + 8];
    cJSON *json = cJSON_CreateObject();
    cJSON_AddItemToObject(json, "card", cli_card_json(&rig->card));
    cJSON_AddNumberToObject(json, "microseconds", (double)result->length_ps / 1e6);
    cJSON_AddNumberToObject(json, "pictures", (double)result->changes);
    cJSON_AddBoolToObject(json, "lit", why == NULL);
    cJSON_AddStringToObject(json, "why_dark", why ? why : "");
    cJSON_AddNumberToObject(json, "doubts", (double)result->doubts);
    cJSON_AddStringToObject(json, "doubt", result->doubt);
    cli_json_findings(json, rig->board, jl_traffic_offset_ps(traffic));
    for (size_t i = 0; i < result->path_count; i++) {
        paths[i] = result->paths[i];
    }
    cli_json_files(json, paths, result->path_count);
    cli_print_json(json);
}

static int replay(const char *path, const struct typed_replay *typed,
                  struct jl_replay_request *request) {
    static struct jl_replay_result result; /* large */
    struct jl_complaint complaint = {""};
    struct jl_traffic *traffic = cli_open_capture("replay", path, &typed->capture);
    if (!traffic) {
        return EXIT_BAD;
    }
    int status;
    struct jl_rig *rig = jl_traffic_rig(traffic);
    if (!cli_inject("replay", typed->faults, rig, jl_traffic_offset_ps(traffic))) {
        status = EXIT_BAD;
    } else if (!jl_replay(traffic, request, &result, &complaint)) {
        status = cli_bad("replay", "%s", complaint.text);
    } else {
        struct jl_picture glass;
        if (typed->json) {
            print_json(traffic, &result);
        } else {
            print_text(traffic, &result);
        }
        if (typed->terminal && !typed->json && jl_rig_look(rig, &glass)) {
            cli_print_glass(&glass, typed->terminal);
            jl_picture_free(&glass);
        }
        bool found = jl_device_why_dark(rig->device) || jl_findings_count(rig->board);
        status = found ? EXIT_FINDINGS : EXIT_GOOD;
    }
    jl_traffic_close(traffic);
    return status;
}

int verb_replay(int argc, const char **argv) {
    struct typed_replay typed = {.directory = NULL};
    double pause_ms = NAN;
    const struct poptOption options[] = {
        CLI_CAPTURE_OPTIONS(typed.capture),
        {"into", 'o', POPT_ARG_STRING, &typed.directory, 0, "folder for the files, else this one",
         "DIR"},
        {"at", 0, POPT_ARG_ARGV, &typed.times, 0, "the glass at this time, too", "MS"},
        {"series", 0, POPT_ARG_NONE, &typed.series, 0,
         "each completed picture as NAME-0001.png ...", NULL},
        {"film", 0, POPT_ARG_NONE, &typed.film, 0, "a sheet of the moments when the glass changed",
         NULL},
        {"gif", 0, POPT_ARG_NONE, &typed.animation, 0, "an animated GIF in real time", NULL},
        {"pause", 0, POPT_ARG_DOUBLE, &pause_ms, 0,
         "a picture is complete when nothing comes for so long; else 1", "MS"},
        CLI_FAULT_OPTION(typed.faults),
        {"scale", 's', POPT_ARG_INT, &typed.scale, 0,
         "pixels of the photo for one of the glass, 2..32", "N"},
        {"terminal", 't', POPT_ARG_STRING, &typed.terminal, 0, "show the glass here too",
         "blocks|braille"},
        {"json", 0, POPT_ARG_NONE, &typed.json, 0, "print JSON", NULL},
        POPT_AUTOHELP POPT_TABLEEND};
    poptContext context =
        cli_parse(argc, argv, options,
                  "CAPTURE\n\nPlays a capture of a logic analyser to the emulated panel of the "
                  "card. Writes\nNAME-glass.png and NAME-photo.png, as it is at the end. Exit "
                  "status 1 when the\npanel stays dark or the controller found something wrong.");
    int status = EXIT_BAD;
    const char *path = context ? poptGetArg(context) : NULL;
    struct jl_replay_request request = {.directory = typed.directory ? typed.directory : ".",
                                        .scale = typed.scale,
                                        .series = typed.series != 0,
                                        .film = typed.film != 0,
                                        .animation = typed.animation != 0};
    char base[220];
    if (context && !path) {
        cli_bad("replay", "name a capture, a VCD or CSV file");
    } else if (context && !cli_too_many(context, "replay") &&
               cli_good_look("replay", typed.terminal, typed.scale) &&
               cli_take_times("replay", typed.times, &request) &&
               cli_take_pause("replay", pause_ms, &request.pause_ps)) {
        base_of(path, base, sizeof base);
        request.base = base;
        status = replay(path, &typed, &request);
    }
    cli_capture_free(&typed.capture);
    free(typed.directory);
    free(typed.terminal);
    cli_free_texts(typed.times);
    cli_free_texts(typed.faults);
    poptFreeContext(context);
    return status;
}
