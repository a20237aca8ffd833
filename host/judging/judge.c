/* Findings: gathered with the step that is to blame, told once, sorted. */
#include "judge.h"

#include <ctype.h>
#include <stdarg.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

/* Commands that drivers put into one transfer. */
enum { IN_A_TRANSFER = 16 };

const char *jl_check_grade_name(enum jl_check_grade grade) {
    static const char *const names[] = {"dark", "wrong", "marginal", "wasteful"};
    return names[grade];
}

void jl_host_judge_begin(struct judge *judge, struct jl_check_result *check,
                         const struct jl_card *card) {
    memset(judge, 0, sizeof *judge);
    memset(check, 0, sizeof *check);
    judge->check = check;
    judge->card = card;
}

static struct jl_check_finding *add(struct judge *judge, enum jl_check_grade grade,
                                    const char *code, const char *remedy) {
    struct jl_check_result *check = judge->check;
    check->found++;
    if (check->count == JL_CHECK_MOST) {
        return NULL;
    }
    struct jl_check_finding *finding = &check->findings[check->count++];
    *finding = (struct jl_check_finding){.grade = grade, .code = code};
    snprintf(finding->remedy, sizeof finding->remedy, "%s", remedy);
    return finding;
}

/* Steps are counted from 1; 0 is the whole. */
static void set_step(const struct judge *judge, struct jl_check_finding *finding, int step) {
    finding->step = step;
    finding->command[0] = '\0';
    if (step > 0 && step <= judge->step_count) {
        finding->at_ps = judge->steps[step - 1].at_ps;
        snprintf(finding->command, sizeof finding->command, "%s", judge->steps[step - 1].words);
    }
}

void jl_host_judge_find(struct judge *judge, enum jl_check_grade grade, int step, const char *code,
                        const char *remedy, const char *format, ...) {
    va_list arguments;
    struct jl_check_finding *finding = add(judge, grade, code, remedy);
    if (!finding) {
        return;
    }
    set_step(judge, finding, step);
    va_start(arguments, format);
    vsnprintf(finding->reason, sizeof finding->reason, format, arguments);
    va_end(arguments);
}

/* ---- what is sent ---- */

static void put_words(char *out, size_t size, const struct jl_explained *explained) {
    char words[80];
    jl_explain_words(explained, words, sizeof words);
    snprintf(out, size, "%02X %.40s%s%.76s", explained->opcode,
             explained->name ? explained->name : "unknown command", *words ? "  " : "", words);
}

void jl_host_judge_sent(struct judge *judge, const struct jl_explained *explained) {
    if (explained->is_data) {
        judge->pixels_came |= explained->count > 1;
        return;
    }
    judge->check->commands++;
    if (judge->step_count == JUDGE_STEPS) {
        return;
    }
    struct judged_step *step = &judge->steps[judge->step_count++];
    *step = (struct judged_step){.opcode = explained->opcode,
                                 .name = explained->name,
                                 .count = explained->count,
                                 .at_ps = explained->at_ps};
    put_words(step->words, sizeof step->words, explained);
    for (size_t i = 0; i < explained->count && i < JL_EXPLAIN_ARGUMENTS; i++) {
        step->sum = step->sum * 31 + explained->arguments[i] + 1;
    }
    judge->wake_count = judge->pixels_came ? judge->wake_count : judge->step_count;
}

void jl_host_judge_waited(struct judge *judge, uint64_t picoseconds) {
    if (judge->step_count && !judge->pixels_came) {
        judge->steps[judge->step_count - 1].wait_ps += picoseconds;
    }
}

/* The opcode that stands at a place of a text; -1: no two hexadecimal digits, or more of them. */
static int opcode_at(const char *text) {
    text += strncmp(text, "0x", 2) == 0 ? 2 : 0;
    bool two = isxdigit((unsigned char)text[0]) && isxdigit((unsigned char)text[1]) &&
               !isalnum((unsigned char)text[2]);
    return two ? (int)strtol(text, NULL, 16) : -1;
}

/*
 * The command that a diagnostic is about, as controllers say it: what came too early "after 11",
 * "command 2A ...", or "2A (set_column_address) ...". -1: it names none.
 */
static int opcode_named_in(const char *text) {
    const char *after = strstr(text, " too early after "), *command = strstr(text, "command ");
    command = command                        ? command
              : strstr(text, "instruction ") ? strstr(text, "instruction ") + 4
                                             : NULL;
    int opcode = after ? opcode_at(after + 17) : -1;
    opcode = opcode < 0 && command ? opcode_at(command + 8) : opcode;
    return opcode < 0 ? opcode_at(text) : opcode;
}

/* The number of the last command with an opcode, among so many; 0: there is none. */
static int step_of_opcode(const struct judge *judge, int opcode, int among) {
    int first = judge->step_count > among ? judge->step_count - among : 0;
    for (int i = judge->step_count - 1; i >= first; i--) {
        if (judge->steps[i].opcode == opcode) {
            return i + 1;
        }
    }
    return 0;
}

/* The last command that stands as "(A5)" in a text; 0: none does. */
static int step_in_brackets(const struct judge *judge, const char *text) {
    for (const char *at = strchr(text, '('); at; at = strchr(at + 1, '(')) {
        int opcode = at[1] && at[2] && at[3] == ')' ? opcode_at(at + 1) : -1;
        int step = opcode < 0 ? 0 : step_of_opcode(judge, opcode, judge->wake_count);
        if (step) {
            return step;
        }
    }
    return 0;
}

/* The command that switched the display on. */
static int step_of_on(const struct judge *judge) {
    int step = step_of_opcode(judge, JUDGE_DISPLAY_ON, JUDGE_STEPS);
    return step ? step : step_of_opcode(judge, JUDGE_DCS_DISPLAY_ON, JUDGE_STEPS);
}

/* Tells who is to blame for what a controller found: whom it names, or what came last. */
static void set_blamed(const struct judge *judge, struct jl_check_finding *finding,
                       const struct jl_diagnostic *diagnostic, uint64_t at_ps) {
    const char *text = diagnostic->text;
    const struct jl_explained *open =
        judge->explainer ? jl_explain_under_way(judge->explainer) : NULL;
    int opcode = opcode_named_in(text);
    int step = diagnostic->code == JL_CODE_ON_TOO_EARLY ? step_of_on(judge)
               : opcode < 0                             ? step_in_brackets(judge, text)
                            : step_of_opcode(judge, opcode, IN_A_TRANSFER);
    if (open && !open->is_data && (opcode == open->opcode || (opcode < 0 && !step))) {
        finding->step = judge->check->commands + 1;
        put_words(finding->command, sizeof finding->command, open);
    } else {
        set_step(judge, finding, step ? step : judge->step_count);
    }
    finding->at_ps = at_ps;
}

/* Whether it comes again with each command that follows, for the same reason. */
static bool is_told_once(const struct judge *judge, enum jl_code code) {
    return code == JL_CODE_LOCKED || code == JL_CODE_NO_WRITE_COMMAND ||
           (judge->card->cells.bus && code == JL_CODE_BUSY);
}

bool jl_host_judge_has_told(const struct judge *judge, const char *code) {
    for (size_t i = 0; i < judge->check->count; i++) {
        if (strcmp(judge->check->findings[i].code, code) == 0) {
            return true;
        }
    }
    return false;
}

void jl_host_judge_diagnostic(struct judge *judge, const struct jl_diagnostic *diagnostic,
                              uint64_t at_ps) {
    enum jl_check_grade grade;
    const char *remedy;
    /* Of what does no harm to the picture, a flash at start-up is worth a word here. */
    bool note =
        diagnostic->severity == JL_SEVERITY_NOTE && diagnostic->code != JL_CODE_ON_TOO_EARLY;
    if (note || diagnostic->count > 1) {
        return;
    }
    bool of_glass = jl_host_judge_meaning(diagnostic->code, &grade, &remedy);
    if (is_told_once(judge, diagnostic->code) &&
        jl_host_judge_has_told(judge, jl_code_name(diagnostic->code))) {
        return;
    }
    struct jl_check_finding *finding = add(judge, grade, jl_code_name(diagnostic->code), remedy);
    if (finding) {
        judge->of_glass[judge->check->count - 1] = of_glass;
        set_blamed(judge, finding, diagnostic, at_ps);
        snprintf(finding->reason, sizeof finding->reason, "%s", diagnostic->text);
    }
}

/* ---- who is to blame ---- */

bool jl_host_judge_wants_blame(const struct judge *judge) {
    bool wants = false;
    for (size_t i = 0; i < judge->check->count; i++) {
        wants |= judge->of_glass[i];
    }
    return wants;
}

/* The number of the command that is the so-manieth of its opcode. */
static int step_of_blamed(const struct judge *judge, const struct blamed *blamed) {
    int occurrence = 0;
    for (int i = 0; i < judge->step_count && blamed->nth; i++) {
        occurrence += judge->steps[i].opcode == blamed->opcode;
        if (occurrence == blamed->occurrence) {
            return i + 1;
        }
    }
    return 0;
}

/* One step: it is what all of these are about. */
static void blame_one(struct judge *judge, const struct blamed *one) {
    for (size_t i = 0; i < judge->check->count; i++) {
        struct jl_check_finding *finding = &judge->check->findings[i];
        if (judge->of_glass[i]) {
            set_step(judge, finding, step_of_blamed(judge, one));
            snprintf(finding->remedy, sizeof finding->remedy, "%s: then the glass is right",
                     one->remedy);
        }
    }
}

void jl_host_judge_blame(struct judge *judge, const struct blame *blame) {
    enum jl_check_grade worst = JL_CHECK_WASTEFUL;
    if (blame->count == 1) {
        blame_one(judge, &blame->of[0]);
        return;
    }
    for (size_t i = 0; i < judge->check->count; i++) {
        enum jl_check_grade grade = judge->check->findings[i].grade;
        worst = judge->of_glass[i] && grade < worst ? grade : worst;
    }
    for (int i = 0; i < blame->count && i < BLAME_MOST; i++) {
        jl_host_judge_find(judge, worst, step_of_blamed(judge, &blame->of[i]), "change",
                           blame->of[i].remedy, "change %d of the %d that make the glass right",
                           i + 1, blame->count);
    }
}

static int by_grade(const void *a, const void *b) {
    const struct jl_check_finding *x = a, *y = b;
    return x->grade != y->grade ? (int)x->grade - (int)y->grade : x->step - y->step;
}

void jl_host_judge_sort(struct judge *judge) {
    struct jl_check_result *check = judge->check;
    qsort(check->findings, check->count, sizeof check->findings[0], by_grade);
}
