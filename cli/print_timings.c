/* Timings of glass that is scanned out, and numbers that were typed. */
#include <stdio.h>

#include "cli.h"

cJSON *cli_timings_json(const struct jl_card *card) {
    static const char *const kinds[] = {"line", "picture"};
    static const char *const parts[] = {"sync", "back_porch", "pixels", "front_porch"};
    struct jl_timings timings;
    cJSON *json = cJSON_CreateObject();
    if (!jl_timings_of(card, &timings)) {
        return json;
    }
    int forms = card->scanout.link_hz ? JL_TIMING_FORMS : JL_FORM_LINK;
    for (int which = 0; which < 2; which++) {
        cJSON *kind = cJSON_AddObjectToObject(json, kinds[which]);
        for (int form = 0; form < forms - (which && forms == JL_TIMING_FORMS); form++) {
            cJSON *object =
                cJSON_AddObjectToObject(kind, jl_timing_form_name((enum jl_timing_form)form));
            for (int part = 0; part < JL_TIMING_PARTS; part++) {
                cJSON_AddNumberToObject(object, parts[part], timings.parts[which][form][part]);
            }
            cJSON_AddNumberToObject(object, "total", timings.totals[which][form]);
        }
    }
    cJSON_AddNumberToObject(json, "refresh_hz", timings.sums.refresh_mhz / 1e3);
    cJSON_AddNumberToObject(json, "line_ns", timings.sums.line_ns);
    cJSON_AddNumberToObject(json, "frame_bytes", timings.sums.frame_bytes);
    cJSON_AddNumberToObject(json, "buffers_bytes", (double)timings.buffers_bytes);
    cJSON_AddNumberToObject(json, "mean_bytes_s", timings.sums.mean_bytes_s);
    cJSON_AddNumberToObject(json, "peak_bytes_s", timings.sums.peak_bytes_s);
    return json;
}

void cli_print_timings_briefly(const struct jl_card *card) {
    struct jl_timings timings;
    if (jl_timings_of(card, &timings)) {
        printf("%27s  %d x %d clocks, %.1f Hz, %.0f KB\n", "", timings.sums.line_clocks,
               timings.sums.picture_lines, timings.sums.refresh_mhz / 1e3,
               timings.sums.frame_bytes / 1024.0);
        printf("%27s  %.1f MB/s, %.1f while pixels go out\n", "", timings.sums.mean_bytes_s / 1e6,
               timings.sums.peak_bytes_s / 1e6);
    }
}

void cli_print_typed(const struct jl_typed *typed) {
    printf("  typed       %d numbers, %d against the card\n", typed->numbers, typed->count);
    for (int i = 0; i < typed->count && i < JL_TYPED_MOST; i++) {
        printf("    %s\n", typed->texts[i]);
    }
    if (typed->count && !typed->is_possible) {
        puts("    no peripheral can be set so: below is the card as it is");
    } else if (typed->count) {
        puts("    below is what the glass makes of them");
    }
}

cJSON *cli_typed_json(const struct jl_typed *typed) {
    cJSON *json = cJSON_CreateObject();
    cJSON_AddNumberToObject(json, "numbers", typed->numbers);
    cJSON_AddNumberToObject(json, "count", typed->count);
    cJSON_AddBoolToObject(json, "possible", typed->is_possible);
    cJSON *array = cJSON_AddArrayToObject(json, "contradictions");
    for (int i = 0; i < typed->count && i < JL_TYPED_MOST; i++) {
        cJSON *holder = cJSON_CreateObject();
        cli_json_text(holder, "text", typed->texts[i]);
        cJSON_AddItemToArray(array, cJSON_DetachItemFromObject(holder, "text"));
        cJSON_Delete(holder);
    }
    return json;
}
