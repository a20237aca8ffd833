/* jadelamp run FIRMWARE: a program of its own, since it alone needs the processor's simulator,
 * whose licence is the GPL, version 3. The command starts it. */
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "cli.h"
#include "firmware_run.h"
#include "jadelamp/host/file.h"
#include "times.h"

enum { USUAL_SECONDS = 3, MOST_SECONDS = 3600 };

struct typed_firmware {
    char *card, *part, *directory, *terminal, *hands;
    char **wires, **times;
    int scale, seconds, json, film, no_wires, window;
    double mhz;
};

/* ---- telling ---- */

static void print_end(const struct firmware_result *result, const struct firmware *firmware,
                      double seconds) {
    static const char *const ends[] = {"still running after", "ended after",
                                       "sleeps for ever, without interrupts, after",
                                       "crashed after"};
    const char *name = firmware_function(firmware, result->pc);
    printf("  %s %.6f s, %llu cycles; at %04X%s%s\n", ends[result->end], seconds,
           (unsigned long long)result->cycles, (unsigned)result->pc, name ? ", in " : "",
           name ? name : "");
    if (result->end == ENDED_CRASH) {
        printf("  there is no instruction that the processor has, or memory that it lacks was "
               "used: a wild pointer, a stack over its data?\n");
    }
    if (!result->bytes && result->end == ENDED_TIME) {
        printf("  nothing came on the bus; in the last 0.1 s the program was between %04X and "
               "%04X: what does it wait for?\n",
               (unsigned)result->pc_low, (unsigned)result->pc_high);
    }
}

static void print_bursts(const struct firmware_result *result, uint32_t frequency) {
    size_t shown = result->burst_count < MOST_BURSTS ? result->burst_count : MOST_BURSTS;
    if (!shown) {
        return;
    }
    printf("  %llu bytes on the bus, in bursts without a pause of 1 ms:\n"
           "        at ms    takes ms       cycles    bytes  cycles a byte  wire busy\n",
           (unsigned long long)result->bytes);
    for (size_t i = 0; i < shown; i++) {
        const struct burst *burst = &result->bursts[i];
        double took = (double)(burst->until_ps - burst->from_ps);
        double cycles = took / 1e12 * frequency;
        printf("  %11.3f %11.3f %12.0f %8llu %14.1f %9.0f%%\n", (double)burst->from_ps / 1e9,
               took / 1e9, cycles, (unsigned long long)burst->bytes, cycles / (double)burst->bytes,
               100 * (double)burst->busy_ps / took);
    }
    if (result->burst_count > shown) {
        printf("  and %zu more\n", result->burst_count - shown);
    }
}

static void print_text(const struct firmware_result *result,
                       const struct firmware_request *request) {
    const struct jl_rig *rig = jl_live_rig(result->live);
    const struct part *part = request->part;
    printf("%s on %s at %g MHz, and ", request->look.base, part->name, request->frequency / 1e6);
    cli_print_card(&rig->card);
    printf("\n  %u of %u bytes of flash; of %d of RAM, %u for data and %u for the stack at its "
           "deepest",
           (unsigned)request->firmware->flash_bytes, (unsigned)part->flash_bytes,
           part->ram_until - part->ram_from, (unsigned)request->firmware->data_bytes,
           (unsigned)result->stack_bytes);
    const char *deepest = firmware_function(request->firmware, result->deepest_pc);
    printf("%s%s\n", deepest ? ", in " : "", deepest ? deepest : "");
    print_end(result, request->firmware, (double)result->cycles / request->frequency);
    for (size_t i = 0; i < result->said_count; i++) {
        const struct said *said = &result->said[i];
        printf("  %9.3f ms processor: %s", (double)said->cycle * 1e3 / request->frequency,
               said->text);
        printf(said->count > 1 ? " (%u times)\n" : "\n", said->count);
    }
    if (*result->undriven) {
        printf("  never driven: %s\n", result->undriven);
    }
    print_bursts(result, request->frequency);
    jl_sight_print(stdout, rig, &result->sight);
}

static void print_json(const struct firmware_result *result,
                       const struct firmware_request *request) {
    static const char *const ends[] = {"time-up", "ended", "sleeps", "crashed"};
    const struct jl_rig *rig = jl_live_rig(result->live);
    const char *name = firmware_function(request->firmware, result->pc);
    cJSON *json = cJSON_CreateObject(), *bursts = cJSON_CreateArray(), *said = cJSON_CreateArray();
    cJSON_AddItemToObject(json, "card", cli_card_json(&rig->card));
    cJSON_AddStringToObject(json, "processor", request->part->name);
    cJSON_AddNumberToObject(json, "hz", request->frequency);
    cJSON_AddStringToObject(json, "end", ends[result->end]);
    cJSON_AddNumberToObject(json, "cycles", (double)result->cycles);
    cJSON_AddNumberToObject(json, "pc", result->pc);
    cli_json_text(json, "function", name ? name : "");
    cJSON_AddNumberToObject(json, "flash_bytes", request->firmware->flash_bytes);
    cJSON_AddNumberToObject(json, "data_bytes", request->firmware->data_bytes);
    cJSON_AddNumberToObject(json, "stack_bytes", result->stack_bytes);
    const char *deepest = firmware_function(request->firmware, result->deepest_pc);
    cli_json_text(json, "deepest_in", deepest ? deepest : "");
    cJSON_AddNumberToObject(json, "bytes", (double)result->bytes);
    for (size_t i = 0; i < result->burst_count && i < MOST_BURSTS; i++) {
        const struct burst *burst = &result->bursts[i];
        cJSON *one = cJSON_CreateObject();
        cJSON_AddNumberToObject(one, "at_us", (double)burst->from_ps / 1e6);
        cJSON_AddNumberToObject(one, "us", (double)(burst->until_ps - burst->from_ps) / 1e6);
        cJSON_AddNumberToObject(one, "busy_us", (double)burst->busy_ps / 1e6);
        cJSON_AddNumberToObject(one, "bytes", (double)burst->bytes);
        cJSON_AddItemToArray(bursts, one);
    }
    cJSON_AddItemToObject(json, "bursts", bursts);
    for (size_t i = 0; i < result->said_count; i++) {
        cJSON *one = cJSON_CreateObject();
        cJSON_AddNumberToObject(one, "cycle", (double)result->said[i].cycle);
        cJSON_AddNumberToObject(one, "count", result->said[i].count);
        cJSON_AddStringToObject(one, "text", result->said[i].text);
        cJSON_AddItemToArray(said, one);
    }
    cJSON_AddItemToObject(json, "processor_findings", said);
    cli_json_sight(json, rig, &result->sight);
    cli_print_json(json);
}

/* ---- pictures on the way ---- */

/* What was recorded, played once more. */
static bool take_pictures(const struct firmware_result *result, struct jl_replay_request *replay,
                          struct jl_complaint *complaint) {
    static struct jl_replay_result pictures; /* large */
    struct jl_traffic *traffic = jl_traffic_open(result->sight.capture_path,
                                                 &jl_live_rig(result->live)->card, NULL, complaint);
    bool good = traffic && jl_replay(traffic, replay, &pictures, complaint);
    for (size_t i = 0; good && i + 2 < pictures.path_count; i++) { /* but for the last two */
        printf("        %s\n", pictures.paths[i]);
    }
    jl_traffic_close(traffic);
    return good;
}

/* ---- the verb ---- */

static int run(const struct typed_firmware *typed, const char *path,
               struct firmware_request *request) {
    static struct firmware firmware;
    static struct firmware_result result;
    static struct jl_card card;
    static struct jl_hand_script hands;
    static struct jl_replay_request replay;
    struct jl_complaint complaint = {""};
    bool pictures = typed->times || typed->film;
    request->firmware = &firmware;
    request->hands = typed->hands ? &hands : NULL;
    if (!cli_take_times("run", typed->times, &replay)) {
        return EXIT_BAD;
    }
    bool good = jl_card_find(typed->card, &card, &complaint) &&
                firmware_read(path, &firmware, &complaint) &&
                (!typed->hands || jl_hand_script_read(typed->hands, &hands, &complaint));
    if (!good) {
        return cli_bad("run", "%s", complaint.text);
    }
    char all[160];
    part_names(all, sizeof all);
    const char *name = typed->part ? typed->part : firmware.part_name;
    request->part = part_of_name(name);
    if (!request->part) {
        return *name ? cli_bad("run", "no processor %s is known here: %s", name, all)
                     : cli_bad("run",
                               "%s does not say for which processor it is: say "
                               "--processor, with one of %s",
                               path, all);
    }
    static struct tell_tap tap;
    if (typed->window && card.cells.bus && card.bus != JL_BUS_I2C) {
        return cli_bad("run", "--window: modules on plain pins are not shown in one");
    }
    if (typed->window && !tell_tap_window(&tap, typed->card, !typed->hands)) {
        return EXIT_BAD;
    }
    request->tap = typed->window ? &tap : NULL;
    jl_hand_script_turn(&hands, card.turn, card.width, card.height);
    good = firmware_run(&card, request, &result, &complaint);
    tell_tap_end(&tap);
    int status = EXIT_BAD;
    if (good) {
        (typed->json ? print_json : print_text)(&result, request);
        replay.directory = request->look.directory;
        replay.base = request->look.base;
        replay.scale = typed->scale;
        replay.film = typed->film != 0;
        good = !pictures || take_pictures(&result, &replay, &complaint);
    }
    if (!good) {
        cli_bad("run", "%s", complaint.text);
    } else {
        if (typed->terminal && !typed->json) {
            cli_print_glass(&result.sight.glass, typed->terminal);
        }
        bool found = result.end == ENDED_CRASH || result.said_count ||
                     jl_sight_has_findings(jl_live_rig(result.live), &result.sight);
        status = found ? EXIT_FINDINGS : EXIT_GOOD;
    }
    firmware_close(&result);
    return cli_finish("run", status);
}

static int check_and_run(const struct typed_firmware *typed, const char *path) {
    char base[200];
    struct firmware_request request = {
        .frequency = (uint32_t)(typed->mhz * 1e6 + 0.5),
        .seconds = (uint32_t)(typed->seconds  ? typed->seconds
                              : typed->window ? MOST_SECONDS
                                              : USUAL_SECONDS),
        .wires = typed->wires,
        .look = {.directory = typed->directory ? typed->directory : ".",
                 .base = base,
                 .scale = typed->scale,
                 .no_wires = typed->no_wires != 0}};
    cli_base_of(path, base, sizeof base);
    if (!typed->card) {
        return cli_bad("run", "name the panel, with --card CARD; jadelamp catalog lists cards");
    }
    if (!(typed->mhz >= 0.03 && typed->mhz <= 40)) {
        return cli_bad("run", "--mhz %g: expected 0.03 to 40", typed->mhz);
    }
    if (typed->seconds < 0 || typed->seconds > MOST_SECONDS) {
        return cli_bad("run", "--seconds %d: expected 1 to %d", typed->seconds, MOST_SECONDS);
    }
    if (typed->no_wires && (typed->film || typed->times)) {
        return cli_bad("run", "--film and --at need the capture that --no-wires leaves out");
    }
    return run(typed, path, &request);
}

int main(int argc, const char **argv) {
    static const char *verb[1] = {"run"};
    struct typed_firmware typed = {.mhz = 16};
    const struct poptOption options[] = {
        {"card", 'c', POPT_ARG_STRING, &typed.card, 0,
         "the panel on the processor's pins, which its [pins] name", "CARD"},
        {"processor", 'p', POPT_ARG_STRING, &typed.part, 0,
         "atmega328p, atmega2560, attiny85; else as the ELF file says", "NAME"},
        {"mhz", 0, POPT_ARG_DOUBLE, &typed.mhz, 0, "clock of the processor; else 16", "N"},
        {"wire", 'w', POPT_ARG_ARGV, &typed.wires, 0,
         "the pin of a wire, instead of the card's: sda, scl, cs, dc, clk, mosi, rst, light, e, "
         "rw, wr, rd, d0 to d15",
         "WIRE=PIN"},
        {"seconds", 0, POPT_ARG_INT, &typed.seconds, 0,
         "of the processor's time, then it is stopped; else 3", "N"},
        {"into", 'o', POPT_ARG_STRING, &typed.directory, 0, "folder for the files, else this one",
         "DIR"},
        {"scale", 's', POPT_ARG_INT, &typed.scale, 0,
         "pixels of the photo for one of the glass, 2..32; else what fits about 1000", "N"},
        {"at", 0, POPT_ARG_ARGV, &typed.times, 0, "the glass at this time, too", "MS"},
        {"film", 0, POPT_ARG_NONE, &typed.film, 0, "a sheet of all pictures that were complete",
         NULL},
        {"terminal", 't', POPT_ARG_STRING, &typed.terminal, 0, "show the glass here too",
         "blocks|braille"},
        {"hands", 0, POPT_ARG_STRING, &typed.hands, 0,
         "script of what hands do: fingers on the card's touch panel, keys, the knob", "FILE"},
        {"window", 0, POPT_ARG_NONE, &typed.window, 0,
         "show the glass in a window, in real time, until that is closed", NULL},
        {"no-wires", 0, POPT_ARG_NONE, &typed.no_wires, 0, "write no capture", NULL},
        {"json", 0, POPT_ARG_NONE, &typed.json, 0, "print JSON", NULL},
        POPT_AUTOHELP POPT_TABLEEND};
    argv[0] = verb[0];
    jl_file_tidy_on_signals();
    poptContext context = cli_parse(
        argc, argv, options,
        "FIRMWARE --card CARD\n\nRuns compiled firmware, an ELF file or Intel HEX for an AVR, on a "
        "simulated\nprocessor whose pins are wired to the emulated panel of a card. Writes\n"
        "NAME-glass.png, NAME-photo.png and NAME.vcd, for explain, replay and budget. Exit\n"
        "status 1 when it crashes, the panel stays dark or something was found wrong.\n");
    const char *path = context ? poptGetArg(context) : NULL;
    int status = EXIT_BAD;
    if (context && !path) {
        cli_bad("run", "name a firmware file; see jadelamp run --help");
    } else if (context && !cli_too_many(context, "run") &&
               cli_good_look("run", typed.terminal, typed.scale)) {
        status = check_and_run(&typed, path);
    }
    poptFreeContext(context);
    free(typed.card);
    free(typed.part);
    free(typed.directory);
    free(typed.terminal);
    free(typed.hands);
    cli_free_texts(typed.wires);
    cli_free_texts(typed.times);
    return status;
}
