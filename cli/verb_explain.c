/* jadelamp explain CAPTURE --card CARD */
#include "capture_options.h"
#include "times.h"

#include <math.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "jadelamp/host/reading.h"

/* What lines to print, and how. */
struct printing {
    uint64_t from_ps, to_ps;
    unsigned kinds; /* 1 << enum jl_line_kind */
    cJSON *lines;   /* NULL: text */
    bool is_text;   /* data are characters */
    size_t found;   /* diagnostics above a note */
};

static cJSON *hex_array(const uint8_t *bytes, size_t count) {
    cJSON *array = cJSON_CreateArray();
    for (size_t i = 0; i < count; i++) {
        cJSON_AddItemToArray(array, cJSON_CreateNumber(bytes[i]));
    }
    return array;
}

static cJSON *line_json(const struct jl_reading_line *line) {
    cJSON *json = cJSON_CreateObject();
    char words[400];
    cJSON_AddStringToObject(json, "kind", jl_line_kind_name(line->kind));
    cJSON_AddNumberToObject(json, "microseconds", (double)line->at_ps / 1e6);
    cJSON_AddNumberToObject(json, "until_microseconds", (double)line->until_ps / 1e6);
    if (line->kind == JL_LINE_COMMAND) {
        const struct jl_explained *explained = line->explained;
        cJSON_AddNumberToObject(json, "opcode", explained->opcode);
        cJSON_AddStringToObject(json, "name", explained->name ? explained->name : "");
        cJSON_AddBoolToObject(json, "reads", explained->answers && !line->unseen);
        cJSON_AddItemToObject(json, "arguments", hex_array(explained->arguments, explained->count));
        cJSON_AddNumberToObject(json, "missing_arguments", explained->missing);
        cJSON_AddStringToObject(json, "words", jl_explain_words(explained, words, sizeof words));
    } else if (line->kind == JL_LINE_DATA) {
        size_t count = line->explained->count;
        if (line->has_box) {
            const int box[] = {line->box.left, line->box.top, line->box.right, line->box.bottom};
            cJSON_AddNumberToObject(json, "pixels", (double)line->pixels);
            cJSON_AddItemToObject(json, "glass_box", cJSON_CreateIntArray(box, 4));
        }
        cJSON_AddNumberToObject(json, "bytes", (double)count);
        cJSON_AddNumberToObject(json, "places", (double)line->places);
        cJSON_AddNumberToObject(json, "places_changed", (double)line->anew);
        cJSON_AddItemToObject(json, "first",
                              hex_array(line->explained->begins, count < 16 ? count : 16));
    } else if (line->kind == JL_LINE_READ) {
        cJSON_AddNumberToObject(json, "bytes", (double)line->count);
        cJSON_AddNumberToObject(json, "last", line->last);
    } else if (line->kind == JL_LINE_RESET || line->kind == JL_LINE_LIGHT) {
        cJSON_AddBoolToObject(json, "high", line->high);
    } else if (line->text) {
        if (line->diagnostic) {
            cJSON_AddStringToObject(json, "severity", jl_severity_name(line->diagnostic->severity));
            cJSON_AddStringToObject(json, "code", jl_code_name(line->diagnostic->code));
        }
        cJSON_AddStringToObject(json, "text", line->text);
    }
    return json;
}

static void take_line(void *context, const struct jl_reading_line *line) {
    struct printing *printing = context;
    printing->found +=
        line->kind == JL_LINE_DIAGNOSTIC && line->diagnostic->severity != JL_SEVERITY_NOTE;
    if (!(printing->kinds >> line->kind & 1) || line->until_ps < printing->from_ps ||
        line->at_ps > printing->to_ps) {
        return;
    }
    if (printing->lines) {
        cJSON_AddItemToArray(printing->lines, line_json(line));
    } else {
        jl_reading_print(stdout, line, printing->is_text);
    }
}

/* "command,wait" as bits. False: reported. */
static bool take_kinds(const char *verb, const char *text, unsigned *kinds) {
    *kinds = 0;
    for (const char *at = text; *at;) {
        size_t length = strcspn(at, ",");
        int kind = JL_LINE_COMMAND;
        for (; kind <= JL_LINE_DOUBT; kind++) {
            const char *name = jl_line_kind_name((enum jl_line_kind)kind);
            if (strlen(name) == length && strncmp(at, name, length) == 0) {
                *kinds |= 1u << kind;
                break;
            }
        }
        if (kind > JL_LINE_DOUBT) {
            cli_bad(
                verb,
                "\"%.*s\" is no kind of line: expected command, data, read, wait, reset, light, "
                "diagnostic or doubt, with commas between",
                (int)length, at);
            return false;
        }
        at += length + (at[length] == ',');
    }
    return true;
}

static int explain(const char *verb, const char *path, struct cli_capture *typed,
                   struct printing *printing, bool as_json) {
    struct jl_complaint complaint = {""};
    struct jl_traffic *traffic = cli_open_capture(verb, path, typed);
    if (!traffic) {
        return EXIT_BAD;
    }
    printing->is_text = jl_traffic_rig(traffic)->card.cells.bus != JL_CELLS_NONE;
    printing->lines = as_json ? cJSON_CreateArray() : NULL;
    bool good = jl_reading_run(traffic, take_line, printing, &complaint);
    const char *why = jl_device_why_dark(jl_traffic_rig(traffic)->device);
    if (as_json && good) {
        cJSON *json = cJSON_CreateObject();
        cJSON_AddItemToObject(json, "lines", printing->lines);
        cJSON_AddBoolToObject(json, "lit", why == NULL);
        cJSON_AddStringToObject(json, "why_dark", why ? why : "");
        cli_print_json(json);
    } else if (as_json) {
        cJSON_Delete(printing->lines);
    } else if (good && why) {
        printf("At the end the glass is dark: %s\n", why);
    }
    jl_traffic_close(traffic);
    return !good                    ? cli_bad(verb, "%s", complaint.text)
           : printing->found || why ? EXIT_FINDINGS
                                    : EXIT_GOOD;
}

int verb_explain(int argc, const char **argv) {
    struct cli_capture typed = {.card = NULL};
    struct printing printing = {.to_ps = UINT64_MAX, .kinds = ~0u};
    char *kinds = NULL;
    double from_ms = NAN, to_ms = NAN;
    int as_json = 0;
    const struct poptOption options[] = {
        CLI_CAPTURE_OPTIONS(typed),
        {"from", 0, POPT_ARG_DOUBLE, &from_ms, 0, "begin at this time of the capture", "MS"},
        {"to", 0, POPT_ARG_DOUBLE, &to_ms, 0, "end at this time", "MS"},
        {"only", 0, POPT_ARG_STRING, &kinds, 0,
         "lines of these kinds: command, data, read, wait, reset, light, diagnostic, doubt",
         "KIND,..."},
        {"json", 0, POPT_ARG_NONE, &as_json, 0, "print JSON", NULL},
        POPT_AUTOHELP POPT_TABLEEND};
    poptContext context = cli_parse(argc, argv, options,
                                    "CAPTURE\n\nReads a capture of a logic analyser out: commands "
                                    "by name, arguments in words,\ndata, waits, and what the "
                                    "controller of the card would find wrong.");
    int status = EXIT_BAD;
    if (context) {
        const char *path = poptGetArg(context);
        if (!path) {
            cli_bad("explain", "name a capture, a VCD or CSV file");
        } else if (!cli_too_many(context, "explain") &&
                   cli_take_span("explain", from_ms, to_ms, &printing.from_ps, &printing.to_ps) &&
                   (!kinds || take_kinds("explain", kinds, &printing.kinds))) {
            status = explain("explain", path, &typed, &printing, as_json);
        }
    }
    cli_capture_free(&typed);
    free(kinds);
    poptFreeContext(context);
    return status;
}
