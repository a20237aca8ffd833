/*
 * The command's own parts. Nothing is computed here: arguments in, calls of the
 * host library, text or JSON out.
 */
#ifndef JADELAMP_CLI_H
#define JADELAMP_CLI_H

#include <cjson/cJSON.h>
#include <popt.h>
#include <stdbool.h>

#include "jadelamp/host/complaint.h"
#include "jadelamp/host/light.h"
#include "jadelamp/host/timings.h"

/* Exit statuses, the same for every verb. */
enum { EXIT_GOOD = 0, EXIT_FINDINGS = 1, EXIT_BAD = 2 };

int verb_catalog(int argc, const char **argv);
int verb_scan(int argc, const char **argv);
int verb_light(int argc, const char **argv);
int verb_run(int argc, const char **argv);
int verb_window(int argc, const char **argv);
int verb_bake(int argc, const char **argv);
int verb_bundle(int argc, const char **argv);
int verb_explain(int argc, const char **argv);
int verb_replay(int argc, const char **argv);
int verb_budget(int argc, const char **argv);
int verb_watch(int argc, const char **argv);
int verb_suspects(int argc, const char **argv);
int verb_report(int argc, const char **argv);
int verb_check(int argc, const char **argv);
int verb_compare(int argc, const char **argv);
int verb_demo(int argc, const char **argv);
int verb_complete(int argc, const char **argv);

/* The verbs of the help, from 0 on; NULL behind the last one. */
const char *cli_verb_name(int number);

/* Starts the program jadelamp-PROGRAM, beside this one or on the PATH, in this one's place; argv[0]
 * is the verb. Returns only when that fails. */
int cli_start_program(const char *program, const char **argv);

/*
 * Parses the options of a verb; argv[0] is the verb. NULL: already reported.
 * `operands` is shown in the help behind the options.
 */
poptContext cli_parse(int argc, const char **argv, const struct poptOption *options,
                      const char *operands);

/* The next option that has a value of its own; -1: no more; below: a bad one, reported. */
int cli_next_option(poptContext context, const char **argv);

/* Prints "jadelamp VERB: text" on stderr and returns EXIT_BAD. */
__attribute__((format(printf, 2, 3))) int cli_bad(const char *verb, const char *format, ...);

/* The status of a verb that is through, or EXIT_BAD: what it printed did not get out. */
int cli_finish(const char *verb, int status);

/* The only operand, a card. NULL: reported, that there is none or one more; or no context. */
const char *cli_take_card(poptContext context, const char *verb);

/* Reports a left-over operand. True: there was one. */
bool cli_too_many(poptContext context, const char *verb);

/* Prints the object and frees it. */
void cli_print_json(cJSON *json);

/* From now on JSON for which there is no memory ends the command: status 2, and a word why. */
void cli_json_begin(void);

/* Prints a card's controller, size and bus in one line, without line end. */
void cli_print_card(const struct jl_card *card);

/* The same as its size, bus and speed alone, in 50 columns. */
void cli_print_card_briefly(const struct jl_card *card);

/* The same facts as JSON. */
cJSON *cli_card_json(const struct jl_card *card);

/* Timings of glass that is scanned out; briefly in one line, or nothing for other cards. */
cJSON *cli_timings_json(const struct jl_card *card);
void cli_print_timings_briefly(const struct jl_card *card);

/* What was typed, and what of it contradicts the card. */
void cli_print_typed(const struct jl_typed *typed);
cJSON *cli_typed_json(const struct jl_typed *typed);

/* The name of a file without folder and ending. */
void cli_base_of(const char *path, char *name, size_t size);

/* Prints lines of text, indented. */
void cli_print_lines(const char *text);

/* A string as JSON; bytes that are no UTF-8 become U+FFFD, since JSON text is UTF-8 (RFC
 * 8259, 8.1). */
void cli_json_text(cJSON *json, const char *name, const char *text);

/* An array "files" with the paths that were written. */
void cli_json_files(cJSON *json, const char *const *paths, size_t count);

/* An array "diagnostics"; the offset is taken from the board's times. */
void cli_json_findings(cJSON *json, const struct jl_board *board, uint64_t offset_ps);

/* What came out of a run: lit, why not, text, diagnostics, files. */
void cli_json_sight(cJSON *json, const struct jl_rig *rig, const struct jl_sight *sight);

/* The glass in the terminal, no wider than that; style is blocks or braille. */
void cli_print_glass(const struct jl_picture *glass, const char *style);

/* Whether --terminal has a known style, NULL being one, and --scale is one, 0 being the usual; else
 * reported. */
bool cli_good_look(const char *verb, const char *style, int scale);

/* Faults to try something with, as often as wanted. */
#define CLI_FAULT_OPTION(TYPED)                                                                    \
    { "fault", 0, POPT_ARG_ARGV, &(TYPED), 0, JL_FAULT_HELP, "FAULT" }

/* Reads what was typed into `faults`, of JL_MOST_FAULTS. False: reported. */
bool cli_read_faults(const char *verb, char **typed, struct jl_fault *faults, size_t *count);

/* Reads them and puts them on the board of a rig: jl_fault_inject(). False: reported. */
bool cli_inject(const char *verb, char **typed, struct jl_rig *rig, uint64_t replay_offset_ps);

/* Frees a list that popt made of an option; NULL is fine. */
void cli_free_texts(char **texts);

/* A cost as JSON. */
cJSON *cli_cost_json(const struct jl_wire_cost *cost);

/* "0x3C" in a static buffer that the next call overwrites. */
const char *cli_hex(unsigned byte);

#endif
