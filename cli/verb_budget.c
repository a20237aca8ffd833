/* jadelamp budget CAPTURE --card CARD */
#include "capture_options.h"

#include <stdio.h>

#include "jadelamp/host/budget.h"

static double percent(uint64_t part, uint64_t whole) {
    return whole ? 100.0 * (double)part / (double)whole : 0;
}

static void print_bytes(const char *what, uint64_t bytes, uint64_t all) {
    printf("  %-34s %10llu  %5.1f %%\n", what, (unsigned long long)bytes, percent(bytes, all));
}

static void print_time(const char *what, uint64_t ps, uint64_t all) {
    printf("  %-34s %10.3f ms  %5.1f %%\n", what, (double)ps / 1e9, percent(ps, all));
}

static void print_count(const char *what, uint64_t count) {
    printf("  %-34s %10llu\n", what, (unsigned long long)count);
}

static void print_text(const struct jl_rig *rig, const struct jl_budget *b) {
    uint64_t whole = b->bits_ps + b->gaps_ps + b->waits_ps;
    printf("%s: ", rig->card.name);
    cli_print_card(&rig->card);
    printf("\nbytes on the bus                     %10llu\n", (unsigned long long)b->bytes);
    print_bytes("data", b->data_bytes, b->bytes);
    print_bytes("commands", b->opcode_bytes, b->bytes);
    print_bytes("their arguments", b->argument_bytes, b->bytes);
    print_bytes("addresses, control and sync bytes", b->framing_bytes, b->bytes);
    printf("time from the first to the last      %10.3f ms\n",
           (double)(b->last_ps - b->first_ps) / 1e9);
    print_time("bits", b->bits_ps, whole);
    print_time("gaps between bytes, below 1 ms", b->gaps_ps, whole);
    print_time("waits", b->waits_ps, whole);
    if (b->gaps) {
        printf("  a gap lasts                        %10.3f us, the longest %.3f us\n",
               (double)b->gaps_ps / (double)b->gaps / 1e6, (double)b->longest_gap_ps / 1e6);
    }
    puts("how it was sent");
    print_count("transfers (CS or START)", b->transfers);
    if (rig->card.bus != JL_BUS_I2C) {
        print_count("D/C changes", b->dc_changes);
    }
    print_count("commands", b->commands);
    print_count("runs of data", b->runs);
    print_count("runs of one pixel", b->one_pixel_runs);
    print_count("settings that set what was set", b->repeated_windows);
    if (b->as_sent > 0) {
        printf("whole pictures a second, %llu bytes each\n"
               "  %-34s %10.2f\n  %-34s %10.2f\n  %-34s %10.2f\n",
               (unsigned long long)b->picture_bytes, "as it was sent", b->as_sent,
               "data alone, without gaps", b->bits_alone, "data at the controller's limit",
               b->at_limit);
    }
}

static void print_json(const struct jl_budget *b) {
    const struct {
        const char *name;
        double value;
    } numbers[] = {
        {"bytes", (double)b->bytes},
        {"data_bytes", (double)b->data_bytes},
        {"opcode_bytes", (double)b->opcode_bytes},
        {"argument_bytes", (double)b->argument_bytes},
        {"framing_bytes", (double)b->framing_bytes},
        {"microseconds", (double)(b->last_ps - b->first_ps) / 1e6},
        {"bits_microseconds", (double)b->bits_ps / 1e6},
        {"gaps_microseconds", (double)b->gaps_ps / 1e6},
        {"waits_microseconds", (double)b->waits_ps / 1e6},
        {"longest_gap_microseconds", (double)b->longest_gap_ps / 1e6},
        {"transfers", (double)b->transfers},
        {"dc_changes", (double)b->dc_changes},
        {"commands", (double)b->commands},
        {"runs", (double)b->runs},
        {"one_pixel_runs", (double)b->one_pixel_runs},
        {"repeated_settings", (double)b->repeated_windows},
        {"picture_bytes", (double)b->picture_bytes},
        {"pictures_a_second_as_sent", b->as_sent},
        {"pictures_a_second_bits_alone", b->bits_alone},
        {"pictures_a_second_at_limit", b->at_limit},
    };
    cJSON *json = cJSON_CreateObject();
    for (size_t i = 0; i < sizeof numbers / sizeof numbers[0]; i++) {
        cJSON_AddNumberToObject(json, numbers[i].name, numbers[i].value);
    }
    cli_print_json(json);
}

int verb_budget(int argc, const char **argv) {
    struct cli_capture typed = {.card = NULL};
    int as_json = 0, status = EXIT_BAD;
    const struct poptOption options[] = {
        CLI_CAPTURE_OPTIONS(typed),
        {"json", 0, POPT_ARG_NONE, &as_json, 0, "print JSON", NULL},
        POPT_AUTOHELP POPT_TABLEEND};
    poptContext context = cli_parse(argc, argv, options,
                                    "CAPTURE\n\nTells what a capture of a logic analyser spends: "
                                    "bytes and time, and where they go.");
    const char *path = context ? poptGetArg(context) : NULL;
    if (context && !path) {
        cli_bad("budget", "name a capture, a VCD or CSV file");
    } else if (context && !cli_too_many(context, "budget")) {
        struct jl_complaint complaint = {""};
        struct jl_budget budget;
        struct jl_traffic *traffic = cli_open_capture("budget", path, &typed);
        if (traffic && !jl_budget_run(traffic, &budget, &complaint)) {
            cli_bad("budget", "%s", complaint.text);
        } else if (traffic) {
            status = EXIT_GOOD;
            if (as_json) {
                print_json(&budget);
            } else {
                print_text(jl_traffic_rig(traffic), &budget);
            }
        }
        jl_traffic_close(traffic);
    }
    cli_capture_free(&typed);
    poptFreeContext(context);
    return status;
}
