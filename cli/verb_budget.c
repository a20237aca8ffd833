/* jadelamp budget CAPTURE --card CARD */
#include "capture_options.h"
#include "times.h"

#include <math.h>
#include <stdio.h>
#include <stdlib.h>

#include "jadelamp/host/budget.h"
#include "jadelamp/host/timeline.h"
#include "jadelamp/host/workload.h"

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
    if (b->read_bytes) {
        print_bytes("what was read", b->read_bytes, b->bytes);
    }
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
    if (b->clock_is_the_cards) {
        puts("  this file has no times of bits: the clock is the card's");
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
    if (b->places) {
        printf("  %-34s %10.1f %%\n", "data that the memory had already",
               percent(b->places - b->places_anew, b->places));
    }
    if (b->as_sent > 0) {
        printf("whole pictures a second, %llu bytes each\n"
               "  %-34s %10.2f\n  %-34s %10.2f\n  %-34s %10.2f\n",
               (unsigned long long)b->picture_bytes, "as it was sent", b->as_sent,
               "data alone, without gaps", b->bits_alone, "data at the controller's limit",
               b->at_limit);
    }
}

static void print_remedies(const struct jl_remedies *r) {
    if (r->microseconds <= 0) {
        return;
    }
    printf("what the same pictures would cost with one thing changed, of %.3f ms on the wire\n",
           r->microseconds / 1e3);
    if (r->others) {
        puts("  pictures: the card's driver shows them otherwise; is it the right card?");
    } else if (r->resends && !r->pictures) {
        puts("  pictures: none were told apart (--pause, --awake)");
    } else if (r->resends) {
        printf("  pictures that differ: %llu\n", (unsigned long long)r->pictures);
    }
    for (size_t i = 0; i < r->count; i++) {
        const struct jl_remedy *one = &r->list[i];
        printf("  %5.1f %% less  %10.3f ms  %9llu bytes  %s\n",
               100 * (1 - one->microseconds / r->microseconds), one->microseconds / 1e3,
               (unsigned long long)one->bytes, jl_remedy_text(one->kind));
    }
    if (!r->count) {
        puts("  nothing that would save a hundredth");
    }
}

static cJSON *remedies_json(const struct jl_remedies *r) {
    static const char *const names[] = {"changes", "one-window", "depth", "settings",
                                        "gaps",    "clock",      "all"};
    cJSON *array = cJSON_CreateArray();
    for (size_t i = 0; i < r->count; i++) {
        const struct jl_remedy *one = &r->list[i];
        cJSON *json = cJSON_CreateObject();
        cJSON_AddStringToObject(json, "remedy", names[one->kind]);
        cJSON_AddStringToObject(json, "text", jl_remedy_text(one->kind));
        cJSON_AddNumberToObject(json, "bytes", (double)one->bytes);
        cJSON_AddNumberToObject(json, "microseconds", one->microseconds);
        cJSON_AddItemToArray(array, json);
    }
    return array;
}

static void print_json(const struct jl_budget *b, const struct jl_remedies *r) {
    const struct {
        const char *name;
        double value;
    } numbers[] = {
        {"bytes", (double)b->bytes},
        {"data_bytes", (double)b->data_bytes},
        {"opcode_bytes", (double)b->opcode_bytes},
        {"argument_bytes", (double)b->argument_bytes},
        {"read_bytes", (double)b->read_bytes},
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
        {"places", (double)b->places},
        {"places_changed", (double)b->places_anew},
        {"picture_bytes", (double)b->picture_bytes},
        {"pictures_a_second_as_sent", b->as_sent},
        {"pictures_a_second_bits_alone", b->bits_alone},
        {"pictures_a_second_at_limit", b->at_limit},
    };
    cJSON *json = cJSON_CreateObject();
    for (size_t i = 0; i < sizeof numbers / sizeof numbers[0]; i++) {
        cJSON_AddNumberToObject(json, numbers[i].name, numbers[i].value);
    }
    cJSON_AddNumberToObject(json, "wire_microseconds", r->microseconds);
    cJSON_AddNumberToObject(json, "pictures", (double)r->pictures);
    cJSON_AddItemToObject(json, "remedies", remedies_json(r));
    cli_print_json(json);
}

/* A built-in workload on the board. NULL: reported. */
static struct jl_traffic *open_work(const char *card_name, const char *work) {
    static struct jl_card card;
    struct jl_complaint complaint = {""};
    struct jl_traffic *traffic = NULL;
    if (!card_name) {
        cli_bad("budget", "name the panel: --card CARD");
        return NULL;
    }
    if (jl_card_find(card_name, &card, &complaint)) {
        traffic = jl_workload_traffic(&card, work, &complaint);
    }
    if (!traffic) {
        cli_bad("budget", "%s", complaint.text);
    }
    return traffic;
}

/* What was typed, as popt gives it. */
struct typed_budget {
    struct cli_capture capture;
    char *work, *timeline;
    uint64_t pause_ps, from_ps, to_ps; /* UINT64_MAX: not typed; a pause 0 */
    int json;
};

static struct jl_traffic *open_traffic(const char *path, const struct typed_budget *typed) {
    return typed->work ? open_work(typed->capture.card, typed->work)
                       : cli_open_capture("budget", path, &typed->capture);
}

/* The traffic once more, from its first to its last byte where no times were typed. */
static bool draw_timeline(const char *path, const struct typed_budget *typed,
                          const struct jl_budget *budget) {
    struct jl_complaint complaint = {""};
    struct jl_traffic *traffic = open_traffic(path, typed);
    const struct jl_timeline_request request = {
        .path = typed->timeline,
        .from_ps = typed->from_ps < UINT64_MAX ? typed->from_ps : budget->first_ps,
        .to_ps = typed->to_ps < UINT64_MAX ? typed->to_ps : budget->last_ps};
    bool good = traffic && jl_timeline_write(traffic, &request, &complaint);
    if (traffic && !good) {
        cli_bad("budget", "%s", complaint.text);
    }
    jl_traffic_close(traffic);
    return good;
}

static int tell(const char *path, const struct typed_budget *typed) {
    struct jl_complaint complaint = {""};
    struct jl_budget budget;
    struct jl_remedies remedies = {0};
    const struct jl_budget_request request = {.pause_ps = typed->pause_ps, .remedies = &remedies};
    struct jl_traffic *traffic = open_traffic(path, typed);
    int status = EXIT_BAD;
    if (traffic && !jl_budget_run(traffic, &request, &budget, &complaint)) {
        cli_bad("budget", "%s", complaint.text);
    } else if (traffic && (!typed->timeline || draw_timeline(path, typed, &budget))) {
        status = EXIT_GOOD;
        if (typed->json) {
            print_json(&budget, &remedies);
        } else {
            print_text(jl_traffic_rig(traffic), &budget);
            print_remedies(&remedies);
        }
        if (typed->timeline && !typed->json) {
            printf("wrote %s\n", typed->timeline);
        }
    }
    jl_traffic_close(traffic);
    return status;
}

int verb_budget(int argc, const char **argv) {
    /* popt allocates what it puts here */
    struct typed_budget typed = {.work = NULL, .from_ps = UINT64_MAX, .to_ps = UINT64_MAX};
    double pause_ms = NAN, from_ms = NAN, to_ms = NAN;
    const struct poptOption options[] = {
        CLI_CAPTURE_OPTIONS(typed.capture),
        {"work", 0, POPT_ARG_STRING, &typed.work, 0,
         "instead of a capture, what the library sends: first-light, pictures, number, needle or "
         "pixels",
         "NAME"},
        {"pause", 0, POPT_ARG_DOUBLE, &pause_ms, 0,
         "a picture is complete when nothing comes for so long; else 1", "MS"},
        {"timeline", 0, POPT_ARG_STRING, &typed.timeline, 0,
         "draw the wire over time, as .png or .svg", "FILE"},
        {"from", 0, POPT_ARG_DOUBLE, &from_ms, 0, "the timeline begins then", "MS"},
        {"to", 0, POPT_ARG_DOUBLE, &to_ms, 0, "and ends then", "MS"},
        {"json", 0, POPT_ARG_NONE, &typed.json, 0, "print JSON", NULL},
        POPT_AUTOHELP POPT_TABLEEND};
    poptContext context =
        cli_parse(argc, argv, options,
                  "CAPTURE\n\nTells what a capture of a logic analyser spends: bytes and time, "
                  "where they go,\nand what would cost less.");
    const char *path = context ? poptGetArg(context) : NULL;
    int status = EXIT_BAD;
    if (context && !path == !typed.work) {
        cli_bad("budget", "name a capture, a VCD or CSV file, or --work NAME");
    } else if (context && !cli_too_many(context, "budget") &&
               cli_take_span("budget", from_ms, to_ms, &typed.from_ps, &typed.to_ps) &&
               cli_take_pause("budget", pause_ms, &typed.pause_ps)) {
        status = tell(path, &typed);
    }
    cli_capture_free(&typed.capture);
    free(typed.work);
    free(typed.timeline);
    poptFreeContext(context);
    return status;
}
