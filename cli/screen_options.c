/* Screen sheets on the command line. */
#include "screen_options.h"

#include <stdio.h>
#include <stdlib.h>
#include <string.h>

static bool set(const struct jl_screen *screen, const char *text, struct jl_screen_state *state,
                struct jl_complaint *complaint) {
    char name[64];
    const char *equal = strchr(text, '=');
    if (!equal || equal - text >= (int)sizeof name) {
        return jl_complain(complaint, "--set %s: expected NAME=VALUE, such as --set height=3.91",
                           text);
    }
    snprintf(name, sizeof name, "%.*s", (int)(equal - text), text);
    return jl_screen_set(screen, name, equal + 1, state, complaint);
}

static bool choose_page(const struct jl_screen *screen, const char *name,
                        struct jl_screen_state *state, struct jl_complaint *complaint) {
    char known[300] = "";
    for (int i = 0; i < jl_screen_page_count(screen); i++) {
        size_t length = strlen(known);
        if (strcmp(jl_screen_page_name(screen, i), name) == 0) {
            state->page = i;
            return true;
        }
        snprintf(known + length, sizeof known - length, "%s%s", i ? ", " : "",
                 jl_screen_page_name(screen, i));
    }
    return jl_complain(complaint, "--page %s: the sheet has %s", name, known);
}

struct jl_screen *cli_read_screen(const char *verb, const struct screen_typed *typed,
                                  const struct jl_screen_glass *glass,
                                  struct jl_screen_state *state) {
    struct jl_complaint complaint = {""};
    struct jl_screen *screen = jl_screen_read(typed->sheet, glass, &complaint);
    bool good = screen != NULL;
    if (good) {
        jl_screen_sample(screen, typed->step, state);
        good = !typed->page || choose_page(screen, typed->page, state, &complaint);
    }
    for (char **one = typed->sets; good && one && *one; one++) {
        good = set(screen, *one, state, &complaint);
    }
    if (!good) {
        cli_bad(verb, "%s", complaint.text);
        jl_screen_free(screen);
        return NULL;
    }
    return screen;
}

bool cli_screen_findings(const struct jl_screen *screen, bool prints) {
    const char *const *list;
    size_t count = jl_screen_findings(screen, &list);
    for (size_t i = 0; prints && i < count; i++) {
        printf("%s\n", list[i]);
    }
    return count > 0;
}

void cli_json_screen_findings(cJSON *json, const struct jl_screen *screen) {
    const char *const *list;
    size_t count = jl_screen_findings(screen, &list);
    cJSON *array = cJSON_AddArrayToObject(json, "sheet_findings");
    for (size_t i = 0; i < count; i++) {
        cJSON_AddItemToArray(array, cJSON_CreateString(list[i]));
    }
}

void cli_free_screen(struct screen_typed *typed) {
    free(typed->sheet);
    free(typed->page);
    cli_free_texts(typed->sets);
}
