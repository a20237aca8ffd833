/* jadelamp run PROGRAM --card CARD */
#include "cli.h"

#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <sys/stat.h>

#include "jadelamp/host/run.h"

static void print_json(const struct jl_run_result *result) {
    static const char *const ends[] = {"returned", "time-up", "stuck"};
    cJSON *json = cJSON_CreateObject();
    cJSON_AddItemToObject(json, "card", cli_card_json(&result->rig.card));
    cJSON_AddStringToObject(json, "end", ends[result->end]);
    cJSON_AddStringToObject(json, "status", jl_status_name(result->status));
    cJSON_AddStringToObject(json, "first_bus_error", jl_status_name(result->bus_status));
    cJSON_AddItemToObject(json, "wire", cli_cost_json(&result->cost));
    cJSON_AddNumberToObject(json, "transfers", (double)result->transfers);
    cJSON_AddNumberToObject(json, "scanned_out", result->scans);
    cJSON_AddNumberToObject(json, "waited_us", result->waited_us);
    cJSON_AddNumberToObject(json, "whole_us", result->whole_us);
    cli_json_sight(json, &result->rig, &result->sight);
    cli_print_json(json);
}

/*
 * Firmware for another processor is run by a program of its own. ELF for it, by its machine (System
 * V ABI, ELF header: e_machine at byte 18); Intel HEX, by its colon.
 */
static bool is_firmware(const char *path) {
    enum { AVR = 83 };
    unsigned char head[20] = {0};
    const char *dot = strrchr(path, '.');
    struct stat about;
    /* What is no file, such as a script from a pipe, would be lost to its reader. */
    bool file = stat(path, &about) == 0 && S_ISREG(about.st_mode);
    FILE *in = file ? fopen(path, "rb") : NULL;
    size_t count = in ? fread(head, 1, sizeof head, in) : 0;
    if (in) {
        fclose(in);
    }
    bool elf = count == sizeof head && memcmp(head, "\177ELF", 4) == 0;
    return elf ? head[18] == AVR && head[19] == 0
               : head[0] == ':' || (dot && (!strcmp(dot, ".hex") || !strcmp(dot, ".elf")));
}

struct typed_run {
    char *card, *directory, *terminal, *hands;
    int scale, seconds, json, no_wires;
};

static int run(const char *verb, const char *card_name, const char *path,
               const struct typed_run *typed) {
    char name[100];
    static struct jl_card card;
    static struct jl_run_result result; /* large */
    static struct jl_hand_script hands;
    struct jl_complaint complaint = {""};
    cli_base_of(path, name, sizeof name);
    const struct jl_run_request request = {.name = name,
                                           .directory = typed->directory,
                                           .scale = typed->scale,
                                           .hands = typed->hands ? &hands : NULL,
                                           .most_ms = (uint32_t)typed->seconds * 1000,
                                           .no_wires = typed->no_wires};
    jl_program program = NULL;
    if (!jl_card_find(card_name, &card, &complaint) ||
        (typed->hands && !jl_hand_script_read(typed->hands, &hands, &complaint)) ||
        !(program = jl_program_load(path, &complaint))) {
        return cli_bad(verb, "%s", complaint.text);
    }
    int status;
    if (!jl_run(&card, program, &request, &result, &complaint)) {
        status = cli_bad(verb, "%s", complaint.text);
    } else {
        if (typed->json) {
            print_json(&result);
        } else {
            jl_run_print(stdout, &result);
        }
        if (typed->terminal && !typed->json) {
            cli_print_glass(&result.sight.glass, typed->terminal);
        }
        status = jl_run_has_findings(&result) ? EXIT_FINDINGS : EXIT_GOOD;
    }
    jl_run_close(&result);
    return status;
}

int verb_run(int argc, const char **argv) {
    struct typed_run typed = {.seconds = 10}; /* popt allocates what it puts here */
    for (int i = 1; i < argc; i++) {
        if (argv[i][0] != '-' && is_firmware(argv[i])) {
            return cli_start_program("firmware", argv);
        }
    }
    const struct poptOption options[] = {
        {"card", 'c', POPT_ARG_STRING, &typed.card, 0, "the panel it runs on", "CARD"},
        {"into", 'o', POPT_ARG_STRING, &typed.directory, 0, "folder for the files, else this one",
         "DIR"},
        {"scale", 's', POPT_ARG_INT, &typed.scale, 0,
         "pixels of the photo for one of the glass, 2..32; else what fits about 1000", "N"},
        {"terminal", 't', POPT_ARG_STRING, &typed.terminal, 0, "show the glass here too",
         "blocks|braille"},
        {"hands", 0, POPT_ARG_STRING, &typed.hands, 0,
         "script of what fingers do on the card's touch panel", "FILE"},
        {"seconds", 0, POPT_ARG_INT, &typed.seconds, 0,
         "of the program's own time, then it is stopped; else 10", "N"},
        {"no-wires", 0, POPT_ARG_NONE, &typed.no_wires, 0, "record no wires: faster", NULL},
        {"json", 0, POPT_ARG_NONE, &typed.json, 0, "print JSON", NULL},
        POPT_AUTOHELP POPT_TABLEEND};
    poptContext context = cli_parse(
        argc, argv, options,
        "PROGRAM.so --card CARD\n\nRuns a program of yours on the emulated panel of a card. The "
        "shared object has\na function jl_status " JL_PROGRAM_ENTRY "(const struct jl_port "
        "*port), as on\nhardware. Writes NAME-glass.png, NAME-photo.png and NAME.vcd. Exit status "
        "1 when\nit fails, the panel stays dark or the controller found something wrong.\n\n"
        "jadelamp run FIRMWARE --card CARD: an ELF file or Intel HEX for an AVR runs on a\n"
        "simulated processor, made with any library; jadelamp-firmware --help tells more.\n");
    if (!context) {
        return EXIT_BAD;
    }
    int status = EXIT_BAD;
    const char *path = poptGetArg(context);
    if (!path) {
        cli_bad(argv[0], "name a shared object or firmware; see jadelamp run --help");
    } else if (!typed.card) {
        cli_bad(argv[0], "name the panel, with --card CARD; jadelamp catalog lists cards");
    } else if (cli_too_many(context, argv[0]) ||
               !cli_good_look(argv[0], typed.terminal, typed.scale)) {
        /* reported */
    } else if (typed.seconds < 1 || typed.seconds > 3600) {
        cli_bad(argv[0], "--seconds %d: expected 1 to 3600", typed.seconds);
    } else {
        status = run(argv[0], typed.card, path, &typed);
    }
    poptFreeContext(context);
    free(typed.card);
    free(typed.directory);
    free(typed.terminal);
    free(typed.hands);
    return status;
}
