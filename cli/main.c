/* jadelamp VERB ... */
#include "cli.h"

#include <stdio.h>
#include <string.h>

#include "jadelamp/host/file.h"
#include "jadelamp/version.h"

static const struct verb {
    const char *name;
    int (*run)(int argc, const char **argv);
    const char *what;
} verbs[] = {
    {"catalog", verb_catalog, "list the controllers and panel cards that are known"},
    {"scan", verb_scan, "ask a simulated I2C bus who is there"},
    {"light", verb_light, "first light: wake the panel of a card and show the test card"},
    {"run", verb_run, "run a program of yours, or compiled firmware, on the panel of a card"},
    {"window", verb_window, "show the glass of a card, and work it with mouse and keys"},
    {"explain", verb_explain, "read a logic analyser's capture out, command by command"},
    {"replay", verb_replay, "play such a capture to an emulated panel, and look at its glass"},
    {"budget", verb_budget, "tell what a capture spends, in bytes and time"},
    {"watch", verb_watch, "show what a real panel must show, live, from a tap in its firmware"},
    {"check", verb_check, "judge a wake-up sequence: what is wrong, why, and what helps"},
    {"suspects", verb_suspects, "show what each likely mistake looks like on the glass"},
    {"report", verb_report, "write a page about a card, to send to a colleague"},
    {"compare", verb_compare, "tell how two pictures differ"},
    {"bake", verb_bake, "turn pictures and drawings into C data"},
    {"bundle", verb_bundle, "write the library as two files, to copy into a project"},
    {"demo", verb_demo, "run the made-up harbour of Heron Quay"},
};

enum { VERB_COUNT = sizeof verbs / sizeof verbs[0] };

const char *cli_verb_name(int number) {
    return number < VERB_COUNT ? verbs[number].name : NULL;
}

static void print_help(FILE *stream) {
    fprintf(stream, "jadelamp: bring up small displays on the desktop, on emulated controllers.\n\n"
                    "Usage: jadelamp VERB [OPTIONS] [ARGUMENTS]\n\n");
    for (int i = 0; i < VERB_COUNT; i++) {
        fprintf(stream, "  %-9s %s\n", verbs[i].name, verbs[i].what);
    }
    fprintf(stream, "\njadelamp VERB --help tells more; jadelamp --version prints the version.\n"
                    "Exit status: 0 good, 1 findings, 2 bad usage or input.\n");
}

int main(int argc, const char **argv) {
    if (argc < 2) {
        print_help(stderr);
        return EXIT_BAD;
    }
    if (strcmp(argv[1], "--help") == 0 || strcmp(argv[1], "-h") == 0) {
        print_help(stdout);
        return EXIT_GOOD;
    }
    if (strcmp(argv[1], "--version") == 0) {
        puts("jadelamp " JL_VERSION_TEXT);
        return EXIT_GOOD;
    }
    if (strcmp(argv[1], "complete") == 0) { /* for shells, and not in the list */
        return cli_finish(argv[1], verb_complete(argc - 1, argv + 1));
    }
    jl_file_tidy_on_signals();
    cli_json_begin();
    for (int i = 0; i < VERB_COUNT; i++) {
        if (strcmp(argv[1], verbs[i].name) == 0) {
            return cli_finish(argv[1], verbs[i].run(argc - 1, argv + 1));
        }
    }
    fprintf(stderr, "jadelamp: \"%s\" is not a verb\n\n", argv[1]);
    print_help(stderr);
    return EXIT_BAD;
}
