/* Options of verbs that show a screen sheet. */
#ifndef JADELAMP_CLI_SCREEN_OPTIONS_H
#define JADELAMP_CLI_SCREEN_OPTIONS_H

#include "cli.h"
#include "jadelamp/host/screen_sheet.h"

/* What was typed, as popt gives it. */
struct screen_typed {
    char *sheet, *page;
    char **sets;
    int step;
};

#define CLI_SCREEN_OPTIONS(TYPED)                                                                  \
    {"screen", 0, POPT_ARG_STRING, &(TYPED).sheet, 0, "show this screen sheet", "SHEET"},          \
        {"page", 0, POPT_ARG_STRING, &(TYPED).page, 0, "of the sheet, else its first", "NAME"},    \
        {"set",       0, POPT_ARG_ARGV, &(TYPED).sets, 0, "a value of the sheet, else its sample", \
         "NAME=VALUE"},                                                                            \
    {                                                                                              \
        "step", 0, POPT_ARG_INT, &(TYPED).step, 0, "number of the samples, from 0", "N"            \
    }

/* Reads the sheet for a glass, and sets its state. NULL: reported. */
struct jl_screen *cli_read_screen(const char *verb, const struct screen_typed *typed,
                                  const struct jl_screen_glass *glass,
                                  struct jl_screen_state *state);

/* Prints what the sheet's reader found, if asked to. True: there was something. */
bool cli_screen_findings(const struct jl_screen *screen, bool prints);

/* The same as an array "sheet_findings". */
void cli_json_screen_findings(cJSON *json, const struct jl_screen *screen);

/* Frees what was typed. */
void cli_free_screen(struct screen_typed *typed);

#endif
