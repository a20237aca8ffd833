/* Findings: gathered, told once, sorted; and rules about the sequence as a whole. */
#include "judge.h"

#include <ctype.h>
#include <stdarg.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

/* Waits that nothing asks for are told when they are as long as this in all. */
#define VAIN_PS ((uint64_t)20000000000)

/* Commands that drivers put into one transfer. */
enum { IN_A_TRANSFER = 16 };

const char *jl_check_grade_name(enum jl_check_grade grade) {
    static const char *const names[] = {"dark", "wrong", "marginal", "wasteful"};
    return names[grade];
}

void jl_host_judge_begin(struct judge *judge, struct jl_check *check, const struct jl_card *card) {
    memset(judge, 0, sizeof *judge);
    memset(check, 0, sizeof *check);
    judge->check = check;
    judge->card = card;
}

static struct jl_check_finding *add(struct judge *judge) {
    struct jl_check *check = judge->check;
    check->found++;
    return check->count < JL_CHECK_MOST ? &check->findings[check->count++] : NULL;
}

void jl_host_judge_find(struct judge *judge, enum jl_check_grade grade, int step, const char *code,
                        const char *remedy, const char *format, ...) {
    va_list arguments;
    struct jl_check_finding *finding = add(judge);
    if (!finding) {
        return;
    }
    *finding =
        (struct jl_check_finding){.grade = grade, .step = step, .code = code, .remedy = remedy};
    if (step > 0 && step <= judge->step_count) {
        finding->at_ps = judge->steps[step - 1].at_ps;
        snprintf(finding->command, sizeof finding->command, "%02X", judge->steps[step - 1].opcode);
    }
    va_start(arguments, format);
    vsnprintf(finding->reason, sizeof finding->reason, format, arguments);
    va_end(arguments);
}

/* ---- what is sent ---- */

void jl_host_judge_sent(struct judge *judge, const struct jl_explained *explained) {
    char words[60];
    if (explained->is_data) {
        judge->pixels_came |= explained->count > 1;
        return;
    }
    judge->check->commands++;
    judge->now_step = judge->check->commands;
    jl_explain_words(explained, words, sizeof words);
    snprintf(judge->now, sizeof judge->now, "%02X %.40s%s%.30s", explained->opcode,
             explained->name ? explained->name : "unknown command", *words ? "  " : "", words);
    if (judge->pixels_came || judge->step_count == JUDGE_STEPS) {
        return;
    }
    struct judged_step *step = &judge->steps[judge->step_count++];
    *step = (struct judged_step){.opcode = explained->opcode,
                                 .name = explained->name,
                                 .count = explained->count,
                                 .at_ps = explained->at_ps};
    for (size_t i = 0; i < explained->count && i < JL_EXPLAIN_ARGUMENTS; i++) {
        step->sum = step->sum * 31 + explained->arguments[i] + 1;
    }
}

void jl_host_judge_waited(struct judge *judge, uint64_t picoseconds) {
    if (judge->step_count && !judge->pixels_came) {
        judge->steps[judge->step_count - 1].wait_ps += picoseconds;
    }
}

/*
 * The step that a diagnostic is about. A transfer of several commands is told as a whole, before
 * what the controller says of it: a diagnostic that names a command is of the last such step.
 */
static int step_named_in(const struct judge *judge, const char *text) {
    const char *at = strstr(text, "command ");
    if (at) {
        char *end;
        unsigned long opcode = strtoul(at + 8, &end, 16);
        bool hex = end > at + 8 && !isalnum((unsigned char)*end); /* not "command data" */
        int first = judge->step_count > IN_A_TRANSFER ? judge->step_count - IN_A_TRANSFER : 0;
        for (int i = judge->step_count - 1; hex && i >= first; i--) {
            if (judge->steps[i].opcode == opcode) {
                return i + 1;
            }
        }
    }
    return 0;
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
    jl_host_judge_meaning(diagnostic->code, &grade, &remedy);
    struct jl_check_finding *finding = add(judge);
    if (finding) {
        *finding = (struct jl_check_finding){.grade = grade,
                                             .step = judge->now_step,
                                             .at_ps = at_ps,
                                             .code = jl_code_name(diagnostic->code),
                                             .remedy = remedy};
        snprintf(finding->command, sizeof finding->command, "%s", judge->now);
        int named =
            judge->now_step == judge->step_count ? step_named_in(judge, diagnostic->text) : 0;
        if (named && named != judge->now_step) {
            const struct judged_step *step = &judge->steps[named - 1];
            finding->step = named;
            snprintf(finding->command, sizeof finding->command, "%02X %s", step->opcode,
                     step->name ? step->name : "unknown command");
        }
        snprintf(finding->reason, sizeof finding->reason, "%s", diagnostic->text);
    }
}

/* ---- the whole ---- */

int jl_host_judge_step_of(const struct judge *judge, const char *relation) {
    static const struct {
        const char *word;
        uint8_t opcodes[6]; /* of OLEDs and LCDs of one colour; of colour glass */
    } kinds[] = {
        {"inverted", {0xA7, 0xA6, 0x21, 0x20, 0x0D, 0x0C}},
        {"mirrored left", {0xA0, 0xA1, 0x36}},
        {"mirrored top", {0xC0, 0xC8, 0x36}},
        {"turned", {0x36, 0xA0, 0xA1, 0xC0, 0xC8}},
        {"red and blue", {0x36, 0xA0}},
        {"shifted", {0xD3, 0xA2, 0xA1, 0x2A, 0x2B}},
    };
    for (size_t kind = 0; kind < sizeof kinds / sizeof kinds[0]; kind++) {
        if (!strstr(relation, kinds[kind].word)) {
            continue;
        }
        for (int i = judge->step_count - 1; i >= 0; i--) {
            uint8_t opcode = judge->steps[i].opcode;
            if (opcode && memchr(kinds[kind].opcodes, opcode, sizeof kinds[kind].opcodes)) {
                return i + 1;
            }
        }
    }
    return 0;
}

bool jl_host_judge_needs_wait(const struct jl_card *card, uint8_t opcode) {
    const char *part = card->controller->name;
    if (card->cells.bus || card->controller->driver->paper || strncmp(part, "st7920", 6) == 0) {
        return true; /* each of their commands takes time */
    }
    if (card->format->bits_per_pixel > 4 && strncmp(part, "ssd", 3) != 0) {
        return opcode == 0x01 || opcode == 0x10 || opcode == 0x11 || opcode == 0x29;
    }
    bool powers =
        opcode >= 0x28 && opcode <= 0x2F; /* st7565, uc1701: booster, regulator, follower */
    return powers || opcode == 0xE2 || opcode == 0xAE || opcode == 0xAF || opcode == 0x25;
}

static void look_at_waits(struct judge *judge) {
    uint64_t vain_ps = 0;
    int waits = 0, first = 0;
    for (int i = 0; i < judge->step_count; i++) {
        const struct judged_step *step = &judge->steps[i];
        if (step->wait_ps >= 1000000000 && !jl_host_judge_needs_wait(judge->card, step->opcode)) {
            vain_ps += step->wait_ps;
            waits++;
            first = first ? first : i + 1;
        }
    }
    if (vain_ps >= VAIN_PS) {
        jl_host_judge_find(judge, JL_CHECK_WASTEFUL, first, "wait-in-vain",
                           "leave out waits that the datasheet does not ask for",
                           "%d wait%s of %.0f ms in all, behind commands that need none", waits,
                           waits == 1 ? "" : "s", (double)vain_ps / 1e9);
    }
}

/* Registers that hold what they were given; addresses and what starts something are none. */
static bool is_setting(const struct judge *judge, const struct judged_step *step) {
    static const uint8_t others[] = {0x01, 0x10, 0x11, 0x13, 0x15, 0x20, 0x21, 0x22, 0x24, 0x25,
                                     0x26, 0x2A, 0x2B, 0x2C, 0x2E, 0x2F, 0x38, 0x44, 0x45, 0x4E,
                                     0x4F, 0x5C, 0x75, 0x90, 0xE2, 0xE3, 0xFD, 0xEF, 0xFE, 0xEB};
    bool color = judge->card->format && judge->card->format->bits_per_pixel > 4;
    bool page_address =
        !color && (step->opcode < 0x20 || (step->opcode >= 0xB0 && step->opcode < 0xC0));
    return step->name && !page_address && step->count > 0 &&
           !memchr(others, step->opcode, sizeof others);
}

static void look_at_repeats(struct judge *judge) {
    for (int i = 0; i < judge->step_count; i++) {
        const struct judged_step *later = &judge->steps[i];
        for (int k = i - 1; k >= 0 && is_setting(judge, later); k--) {
            const struct judged_step *first = &judge->steps[k];
            if (first->opcode != later->opcode || first->count != later->count) {
                continue;
            }
            if (first->sum == later->sum) {
                jl_host_judge_find(judge, JL_CHECK_WASTEFUL, i + 1, "no-effect", "leave it out",
                                   "step %d has set the same already", k + 1);
            } else {
                jl_host_judge_find(judge, JL_CHECK_WASTEFUL, k + 1, "undone",
                                   "keep the one that is meant",
                                   "step %d sets it anew: only the last one counts", i + 1);
            }
            break;
        }
    }
}

static int by_grade(const void *a, const void *b) {
    const struct jl_check_finding *x = a, *y = b;
    return x->grade != y->grade ? (int)x->grade - (int)y->grade : x->step - y->step;
}

void jl_host_judge_end(struct judge *judge, struct jl_device *device) {
    struct jl_check *check = judge->check;
    const char *why = jl_device_why_dark(device);
    if (why) {
        jl_host_judge_find(judge, JL_CHECK_DARK, 0, "dark",
                           "send what is missing, or wire what is not there",
                           "the glass stays dark: %s", why);
    }
    if (!judge->card->cells.bus) {
        look_at_waits(judge);
        look_at_repeats(judge);
    }
    qsort(check->findings, check->count, sizeof check->findings[0], by_grade);
}
