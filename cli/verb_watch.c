/* jadelamp watch --from SOURCE --card CARD */
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <time.h>
#include <unistd.h>

#include "cli.h"
#include "jadelamp/host/compare.h"
#include "jadelamp/host/file.h"
#include "jadelamp/host/findings.h"
#include "jadelamp/host/png.h"
#include "jadelamp/host/reading.h"
#include "watch_source.h"

enum { IDLE_MS = 40, SHOW_MS = 100 };

struct watching {
    struct jl_traffic *traffic;
    struct jl_complaint complaint;
    const char *directory, *terminal;
    int explain, patience_ms;
    bool quiet;  /* JSON is to come, and nothing else */
    bool clears; /* the terminal can be written over */
    struct jl_picture last;
    double shown_ms, heard_ms;
    size_t pictures, doubts;
    bool failed;
};

static double now_ms(void) {
    struct timespec now;
    clock_gettime(CLOCK_MONOTONIC, &now);
    return (double)now.tv_sec * 1e3 + (double)now.tv_nsec / 1e6;
}

static bool write_glass(struct watching *watching, const struct jl_picture *glass) {
    char path[1024];
    return jl_path_join(path, sizeof path, watching->directory,
                        jl_traffic_rig(watching->traffic)->card.name, "-glass.png",
                        &watching->complaint) &&
           jl_png_write(path, glass, &watching->complaint);
}

/* The glass as it is now, when it is another one. */
static void show(struct watching *watching) {
    struct jl_picture glass;
    watching->shown_ms = now_ms();
    if (watching->failed || !jl_rig_look(jl_traffic_rig(watching->traffic), &glass)) {
        return;
    }
    if (watching->last.rgb && jl_picture_compare(&glass, &watching->last, 0, NULL) == 0) {
        jl_picture_free(&glass);
        return;
    }
    jl_picture_free(&watching->last);
    watching->last = glass;
    watching->pictures++;
    watching->failed = !write_glass(watching, &glass);
    if (watching->terminal && watching->clears) {
        fputs("\033[H\033[J", stdout);
        cli_print_glass(&glass, watching->terminal);
        fflush(stdout);
    }
}

/* Nothing comes: what there is, is shown, and time goes on on the board. */
static bool idle(void *context) {
    struct watching *watching = context;
    if (watching->traffic) {
        jl_board_wait_ps(jl_traffic_rig(watching->traffic)->board, IDLE_MS * (uint64_t)1000000000);
        show(watching);
    }
    return !watching->failed && now_ms() - watching->heard_ms < watching->patience_ms;
}

static void take_line(void *context, const struct jl_reading_line *line) {
    struct watching *watching = context;
    watching->doubts += line->kind == JL_LINE_DOUBT;
    watching->heard_ms = now_ms();
    bool always = line->kind == JL_LINE_DOUBT || line->kind == JL_LINE_DIAGNOSTIC;
    if (!watching->quiet && (watching->explain || always)) {
        jl_reading_print(stdout, line,
                         jl_traffic_rig(watching->traffic)->card.cells.bus != JL_CELLS_NONE);
        fflush(stdout);
    }
    if (watching->heard_ms - watching->shown_ms >= SHOW_MS) {
        show(watching);
    }
}

static int tell_end(struct watching *watching, bool as_json) {
    struct jl_rig *rig = jl_traffic_rig(watching->traffic);
    const char *why = jl_device_why_dark(rig->device);
    if (as_json) {
        cJSON *json = cJSON_CreateObject();
        cJSON_AddItemToObject(json, "card", cli_card_json(&rig->card));
        cJSON_AddNumberToObject(json, "bytes", (double)jl_rig_bus_bytes(rig));
        cJSON_AddNumberToObject(json, "pictures", (double)watching->pictures);
        cJSON_AddNumberToObject(json, "doubts", (double)watching->doubts);
        cJSON_AddBoolToObject(json, "lit", why == NULL);
        cJSON_AddStringToObject(json, "why_dark", why ? why : "");
        cli_json_findings(json, rig->board, jl_traffic_offset_ps(watching->traffic));
        cli_print_json(json);
    } else {
        if (watching->terminal && !watching->clears && watching->last.rgb) {
            cli_print_glass(&watching->last, watching->terminal);
        }
        printf("%llu bytes of the panel, %zu pictures that differ; %s%s\n",
               (unsigned long long)jl_rig_bus_bytes(rig), watching->pictures,
               why ? "dark: " : "lit", why ? why : "");
    }
    return why || watching->doubts || jl_findings_count(rig->board) ? EXIT_FINDINGS : EXIT_GOOD;
}

static int watch(struct watching *watching, const char *source, int file, const char *card_name,
                 bool as_json) {
    static struct jl_card card;
    const struct jl_capture_live live = {
        .file = file, .idle_ms = IDLE_MS, .idle = idle, .context = watching};
    const struct jl_traffic_options options = {.capture = {.live = &live}};
    struct jl_complaint *complaint = &watching->complaint;
    int status = EXIT_BAD;
    watching->heard_ms = now_ms();
    bool good = jl_card_find(card_name, &card, complaint) &&
                jl_directory_make(watching->directory, complaint) &&
                (watching->traffic = jl_traffic_open(source, &card, &options, complaint)) &&
                jl_reading_run(watching->traffic, take_line, watching, complaint);
    if (good) {
        show(watching);
        good = !watching->failed;
    }
    status = good ? tell_end(watching, as_json) : cli_bad("watch", "%s", complaint->text);
    jl_traffic_close(watching->traffic);
    jl_picture_free(&watching->last);
    return status;
}

int verb_watch(int argc, const char **argv) {
    static struct watching watching; /* a complaint is large */
    char *source = NULL, *card = NULL, *directory = NULL, *terminal = NULL;
    int baud = 115200, as_json = 0;
    double patience = 1e6;
    const struct poptOption options[] = {
        {"from", 'f', POPT_ARG_STRING, &source, 0,
         "a file, a serial line, - for what is piped in, unix:PATH or tcp:HOST:PORT", "SOURCE"},
        {"card", 'c', POPT_ARG_STRING, &card, 0, "the panel", "CARD"},
        {"terminal", 't', POPT_ARG_STRING, &terminal, 0, "show the glass here, as it changes",
         "blocks|braille"},
        {"explain", 0, POPT_ARG_NONE, &watching.explain, 0, "print what is sent, in words", NULL},
        {"into", 'o', POPT_ARG_STRING, &directory, 0,
         "folder for NAME-glass.png, which is written anew when the glass changes; else this one",
         "DIR"},
        {"baud", 0, POPT_ARG_INT, &baud, 0, "speed of a serial line; else 115200", "N"},
        {"patience", 0, POPT_ARG_DOUBLE, &patience, 0,
         "end when so long nothing came; else at the end of the source", "SECONDS"},
        {"json", 0, POPT_ARG_NONE, &as_json, 0, "print JSON, at the end", NULL},
        POPT_AUTOHELP POPT_TABLEEND};
    poptContext context = cli_parse(
        argc, argv, options,
        "--from SOURCE --card CARD\n\nShows what the glass of a real panel must show now, from the "
        "bytes of a tap in its\nfirmware (docs/tap.md). What is lost on the way is told. Exit "
        "status 1 when records\nwere lost, the panel is dark or the controller found something "
        "wrong.\n");
    int status = EXIT_BAD, file;
    if (!context || cli_too_many(context, argv[0]) || !cli_good_look(argv[0], terminal, 0)) {
        /* reported */
    } else if (!source || !card) {
        cli_bad(argv[0], "name a source and a panel, with --from SOURCE and --card CARD");
    } else if (!(patience >= 0.1 && patience <= 1e6)) {
        cli_bad(argv[0], "--patience %g: expected 0.1 to 1000000", patience);
    } else if ((file = cli_open_source(argv[0], source, baud)) >= 0) {
        watching.directory = directory ? directory : ".";
        watching.terminal = terminal;
        watching.quiet = as_json != 0;
        watching.patience_ms = (int)(patience * 1000);
        watching.clears = isatty(STDOUT_FILENO) && !watching.explain;
        status = watch(&watching, source, file, card, as_json != 0);
        close(file);
    }
    poptFreeContext(context);
    free(source);
    free(card);
    free(directory);
    free(terminal);
    return status;
}
