/* Wake-up sequences of others, into steps. */
#include "jadelamp/host/wake_import.h"

#include <ctype.h>
#include <errno.h>
#include <stdlib.h>
#include <string.h>

#include "jadelamp/sim/explain.h"

enum {
    MOST_TEXT = 200000,
    MOST_MARKS = 8000,
    WORD_ROOM = 40,
    LONG_WAIT_MS = 500,
    ROW_WAIT_MS = 100
};

const char *jl_wake_layout_name(enum jl_wake_layout layout) {
    static const char *const names[] = {NULL, "lines", "counted", "rows", "calls", "flat"};
    return names[layout];
}

/* ---- text to marks ---- */

/* What matters of the text: numbers, words in front of a bracket, braces, ends of lines. */
struct mark {
    enum { NUMBER, CALL, OPEN, CLOSE, LINE } kind;
    int line;
    long number;
    char word[WORD_ROOM];
};

struct reading {
    const char *name;
    struct jl_wake_import *import;
    struct jl_complaint *complaint;
    const struct jl_catalog_entry *controller;
    struct mark *marks;
    int count;
    bool has_calls, has_nested, has_prefix;
};

static bool add_mark(struct reading *reading, struct mark mark) {
    if (reading->count == MOST_MARKS) {
        return jl_complain_at(reading->complaint, reading->name, mark.line,
                              "more than %d numbers and signs: expected a wake-up sequence alone",
                              MOST_MARKS);
    }
    reading->marks[reading->count++] = mark;
    return true;
}

/* Behind a comment that begins at `at`; `at` itself: none does. Ends of lines within are kept. */
static const char *skip_comment(const char *at, const char *end) {
    bool two = at + 1 < end && at[0] == '/';
    if (two && at[1] == '*') {
        const char *stop = at + 2;
        while (stop + 1 < end && !(stop[0] == '*' && stop[1] == '/')) {
            stop++;
        }
        return stop + 2 < end ? stop + 2 : end;
    }
    if ((two && at[1] == '/') || *at == ';' || *at == '#') {
        /* A semicolon ends a statement in C: it begins a comment where no bracket was closed. */
        const char *stop = at;
        while (stop < end && *stop != '\n') {
            stop++;
        }
        return stop;
    }
    return at;
}

/* A bare pair of hex digits is a byte, as in "36 48"; decimal numbers stand in C and behind
 * "delay". */
static bool take_number(struct reading *reading, const char **at, const char *end, int line,
                        bool bare) {
    bool negative = **at == '-';
    *at += negative;
    char digits[24];
    size_t length = 0;
    while (*at + length < end && isalnum((unsigned char)(*at)[length]) && length < 20) {
        digits[length] = (*at)[length];
        length++;
    }
    digits[length] = '\0';
    bool prefixed = digits[0] == '0' && (digits[1] == 'x' || digits[1] == 'X');
    bool binary =
        digits[0] == '0' && (digits[1] == 'b' || digits[1] == 'B') && strspn(digits + 2, "01") > 0;
    char *stop;
    long number = strtol(binary ? digits + 2 : digits, &stop,
                         binary                              ? 2
                         : prefixed || (bare && length == 2) ? 16
                                                             : 10);
    while (*stop == 'u' || *stop == 'U' || *stop == 'l' || *stop == 'L') {
        stop++;
    }
    *at += length;
    bool fraction = *at + 1 < end && **at == '.' && isdigit((unsigned char)(*at)[1]);
    if (*stop || fraction) {
        return jl_complain_at(reading->complaint, reading->name, line,
                              "%s%s: expected a whole number, such as 0x3A, 58 or 0b00111010",
                              digits, fraction ? "." : "");
    }
    reading->has_prefix |= prefixed;
    return add_mark(
        reading,
        (struct mark){.kind = NUMBER, .line = line, .number = negative ? -number : number});
}

static bool is_wait(const char *word) {
    return strcmp(word, "delay") == 0 || strcmp(word, "wait") == 0;
}

static bool take_word(struct reading *reading, const char **at, const char *end, int line) {
    struct mark mark = {.kind = CALL, .line = line};
    size_t length = 0;
    const char *c = *at;
    for (; c < end && (isalnum((unsigned char)*c) || *c == '_'); c++) {
        if (length < sizeof mark.word - 1) {
            mark.word[length++] = (char)tolower((unsigned char)*c);
        }
    }
    *at = c;
    while (c < end && *c == ' ') {
        c++;
    }
    if (c < end && *c == '(') {
        reading->has_calls = true;
    } else if (!is_wait(mark.word)) {
        return true;
    }
    return add_mark(reading, mark);
}

/* Two hex digits that stand alone. */
static bool is_bare_byte(const char *at, const char *end) {
    return at + 1 < end && isxdigit((unsigned char)at[0]) && isxdigit((unsigned char)at[1]) &&
           (at + 2 == end || !(isalnum((unsigned char)at[2]) || at[2] == '_'));
}

/* -1 ends tables in C; elsewhere a dash parts bytes. */
static bool begins_number(const char *at, const char *end, bool c_text) {
    bool minus = c_text && *at == '-' && at + 1 < end;
    return isdigit((unsigned char)at[minus]) || (!c_text && is_bare_byte(at, end));
}

static bool make_marks(struct reading *reading, const char *text, size_t bytes) {
    const char *at = text, *end = text + bytes;
    int line = 1, depth = 0;
    bool c_text = memchr(text, '{', bytes) != NULL || memchr(text, '(', bytes) != NULL;
    while (at < end) {
        const char *behind = *at == ';' && c_text ? at : skip_comment(at, end);
        if (behind != at) {
            for (; at < behind; at++) {
                line += *at == '\n';
            }
            continue;
        }
        if (c_text && *at == '"') { /* texts for people; \" ends none */
            for (at++; at < end && *at != '"' && *at != '\n'; at++) {
                at += *at == '\\' && at + 1 < end;
            }
            at += at < end && *at == '"';
        } else if (*at == '\n') {
            if (!add_mark(reading, (struct mark){.kind = LINE, .line = line})) {
                return false;
            }
            line++;
            at++;
        } else if (*at == '{' || *at == '}') {
            depth += *at == '{' ? 1 : -1;
            reading->has_nested |= depth > 2;
            if (!add_mark(reading,
                          (struct mark){.kind = *at == '{' ? OPEN : CLOSE, .line = line})) {
                return false;
            }
            at++;
        } else if (begins_number(at, end, c_text)) {
            if (!take_number(reading, &at, end, line, !c_text)) {
                return false;
            }
        } else if (isalpha((unsigned char)*at) || *at == '_') {
            if (!take_word(reading, &at, end, line)) {
                return false;
            }
        } else {
            at++;
        }
    }
    return add_mark(reading, (struct mark){.kind = LINE, .line = line});
}

/* ---- marks to steps ---- */

static struct jl_wake_step *new_step(struct reading *reading, int line) {
    struct jl_wake_import *import = reading->import;
    if (import->count == JL_WAKE_MOST_STEPS) {
        jl_complain_at(reading->complaint, reading->name, line, "more than %d steps",
                       JL_WAKE_MOST_STEPS);
        return NULL;
    }
    struct jl_wake_step *step = &import->steps[import->count++];
    memset(step, 0, sizeof *step);
    return step;
}

static bool add_byte(struct reading *reading, struct jl_wake_step *step, const struct mark *mark) {
    if (mark->number < 0 || mark->number > 255) {
        return jl_complain_at(reading->complaint, reading->name, mark->line,
                              "%ld: expected a byte, 0 to 255", mark->number);
    }
    if (step->count == sizeof step->bytes) {
        return jl_complain_at(reading->complaint, reading->name, mark->line,
                              "a command with more than %zu arguments", sizeof step->bytes - 1);
    }
    step->bytes[step->count++] = (uint8_t)mark->number;
    return true;
}

static bool add_wait(struct reading *reading, long ms, int line) {
    struct jl_wake_step *step = new_step(reading, line);
    if (step) {
        step->wait_ms = (uint32_t)(ms < 0 ? 0 : ms > 65535 ? 65535 : ms);
    }
    return step != NULL;
}

/* A command a line. The last mark ends a line: behind any other there is one more. */
static bool read_as_lines(struct reading *reading) {
    struct jl_wake_step *step = NULL;
    for (int i = 0; i < reading->count; i++) {
        const struct mark *mark = &reading->marks[i];
        if (mark->kind == LINE) {
            step = NULL;
        } else if (mark->kind == CALL && is_wait(mark->word)) {
            if (mark[1].kind != NUMBER) {
                return jl_complain_at(reading->complaint, reading->name, mark->line,
                                      "%s: expected milliseconds behind it, such as %s 120",
                                      mark->word, mark->word);
            }
            if (!add_wait(reading, mark[1].number, mark->line)) {
                return false;
            }
            i++;
        } else if (mark->kind == NUMBER) {
            step = step ? step : new_step(reading, mark->line);
            if (!step || !add_byte(reading, step, mark)) {
                return false;
            }
        }
    }
    return true;
}

/* The numbers alone; how many. */
static int numbers_of(const struct reading *reading, const struct mark **numbers) {
    int count = 0;
    for (int i = 0; i < reading->count; i++) {
        if (reading->marks[i].kind == NUMBER) {
            numbers[count++] = &reading->marks[i];
        }
    }
    return count;
}

/* Whether what begins at `at` is opcodes with counts, to the very end; and reads it, if wanted. */
static bool walk_counted(struct reading *reading, const struct mark **numbers, int count, int at,
                         bool reads, int *commands) {
    *commands = 0;
    while (at < count) {
        if (at + 1 >= count) {
            return numbers[at]->number == 0; /* a zero may end the table */
        }
        long flags = numbers[at + 1]->number, arguments = flags & 0x7F;
        if (flags < 0 || flags > 255 || numbers[at]->number > 255 ||
            at + 2 + arguments + (flags >> 7) > count) {
            return false;
        }
        struct jl_wake_step *step = reads ? new_step(reading, numbers[at]->line) : NULL;
        if (reads && (!step || !add_byte(reading, step, numbers[at]))) {
            return false;
        }
        for (int i = 0; i < arguments && reads; i++) {
            if (!add_byte(reading, step, numbers[at + 2 + i])) {
                return false;
            }
        }
        at += 2 + (int)arguments;
        ++*commands;
        if (flags & 0x80) { /* 255 stands for half a second */
            long ms = numbers[at]->number == 255 ? LONG_WAIT_MS : numbers[at]->number;
            if (reads && !add_wait(reading, ms, numbers[at]->line)) {
                return false;
            }
            at++;
        }
    }
    return true;
}

/* Where a counted table begins: behind the number of its commands, if that stands first. -1: it is
 * none. */
static int begin_of_counted(struct reading *reading, const struct mark **numbers, int count) {
    int commands;
    if (count > 2 && walk_counted(reading, numbers, count, 1, false, &commands) &&
        commands == numbers[0]->number) {
        return 1;
    }
    return walk_counted(reading, numbers, count, 0, false, &commands) && commands > 1 ? 0 : -1;
}

static bool read_as_counted(struct reading *reading, const struct mark **numbers, int count) {
    int commands, begin = begin_of_counted(reading, numbers, count);
    if (begin < 0) {
        return jl_complain(reading->complaint,
                           "%s: the counts do not add up: expected opcode, count, arguments, with "
                           "bit 7 of the count for a wait behind them",
                           reading->name);
    }
    return walk_counted(reading, numbers, count, begin, true, &commands);
}

/* Whether another row begins behind a mark in one. */
static bool has_more_rows(const struct reading *reading, int i) {
    int depth = 2;
    for (; i < reading->count && depth; i++) {
        if (reading->marks[i].kind == OPEN && depth++ == 1) {
            return true;
        }
        depth -= reading->marks[i].kind == CLOSE;
    }
    return false;
}

/* {opcode, {arguments}, count} in any order of the last two. */
static bool read_as_rows(struct reading *reading) {
    int depth = 0, before = 0;
    struct jl_wake_step *step = NULL;
    long count = -1;
    for (int i = 0; i < reading->count; i++) {
        const struct mark *mark = &reading->marks[i];
        if (mark->kind == OPEN) {
            depth++;
            before = depth == 2 ? 0 : before;
            step = depth == 2 ? NULL : step;
            count = depth == 2 ? -1 : count;
        } else if (mark->kind == NUMBER && depth == 2 && !step) {
            bool no_opcode = mark->number <= 0 || mark->number > 255;
            if (no_opcode && !has_more_rows(reading, i)) { /* it marks the end of the table */
                return true;
            }
            step = new_step(reading, mark->line);
            if (!step || !add_byte(reading, step, mark)) {
                return false;
            }
        } else if (mark->kind == NUMBER && depth == 2) {
            count = mark->number;
        } else if (mark->kind == NUMBER && depth > 2 && step && !add_byte(reading, step, mark)) {
            return false;
        } else if (mark->kind == CLOSE) {
            if (depth == 2 && step && count >= 0) {
                long wanted = count & 0x1F;
                step->count = wanted + 1 < step->count ? (uint8_t)(wanted + 1) : step->count;
                if (count & 0x80 && !add_wait(reading, ROW_WAIT_MS, mark->line)) {
                    return false;
                }
            }
            depth--;
        }
    }
    return true;
}

static bool has_any(const char *word, const char *const *parts) {
    for (; *parts; parts++) {
        if (strstr(word, *parts)) {
            return true;
        }
    }
    return false;
}

enum { MOST_IN_FRONT = 8 };

/* Calls, by what their names say. */
static bool read_as_calls(struct reading *reading) {
    static const char *const waits[] = {"delay", "wait", "sleep", NULL};
    static const char *const data[] = {"data", "dat", "param", "arg", NULL};
    static const char *const commands[] = {"cmd", "comm", "com", "index", "reg", "inst", NULL};
    struct jl_wake_step *step = NULL;
    bool in_front = reading->controller && jl_explain_polls(reading->controller->emulator);
    const struct mark *kept[MOST_IN_FRONT]; /* data that their command follows */
    int kept_count = 0;
    for (int i = 0; i < reading->count; i++) {
        const struct mark *call = &reading->marks[i];
        if (call->kind != CALL) {
            continue;
        }
        bool is_wait = has_any(call->word, waits), is_data = has_any(call->word, data);
        bool is_command = !is_data && has_any(call->word, commands);
        for (int k = i + 1; k < reading->count && reading->marks[k].kind == NUMBER; k++) {
            const struct mark *number = &reading->marks[k];
            if (is_wait) {
                bool micro = strstr(call->word, "us") || strstr(call->word, "micro");
                long ms = micro ? (number->number + 999) / 1000 : number->number;
                if (!add_wait(reading, ms, call->line)) {
                    return false;
                }
                step = NULL;
                break;
            }
            if (in_front && is_data) {
                if (kept_count == MOST_IN_FRONT) {
                    return jl_complain_at(reading->complaint, reading->name, call->line,
                                          "more than %d bytes of data in front of a command",
                                          MOST_IN_FRONT);
                }
                kept[kept_count++] = number;
                continue;
            }
            if (is_command && k == i + 1) {
                step = new_step(reading, call->line);
            }
            bool taken = is_command || is_data;
            if (taken && is_data && !step) {
                return jl_complain_at(reading->complaint, reading->name, call->line,
                                      "%s(): data before any command", call->word);
            }
            if (taken && (!step || !add_byte(reading, step, number))) {
                return false;
            }
            for (int n = 0; n < kept_count && is_command; n++) {
                if (!add_byte(reading, step, kept[n])) {
                    return false;
                }
            }
            kept_count = is_command ? 0 : kept_count;
        }
    }
    if (kept_count) {
        return jl_complain_at(reading->complaint, reading->name, kept[0]->line,
                              "data that no command follows: the %s has them in front",
                              reading->controller->name);
    }
    return reading->import->count ||
           jl_complain(reading->complaint,
                       "%s: no call there is named as one that writes a command, such as "
                       "write_command(0x36)",
                       reading->name);
}

/* One behind the other, parted by the controller's own table. */
struct flat {
    struct reading *reading;
    bool failed;
};

static void take_explained(void *context, const struct jl_explained *explained) {
    struct flat *flat = context;
    struct jl_wake_step *step = new_step(flat->reading, 0);
    if (!step || explained->is_data) {
        flat->failed |= !step;
        return;
    }
    step->bytes[step->count++] = explained->opcode;
    for (size_t i = 0; i < explained->count && step->count < sizeof step->bytes; i++) {
        step->bytes[step->count++] = explained->arguments[i];
    }
}

static bool read_as_flat(struct reading *reading, const struct mark **numbers, int count) {
    struct flat flat = {reading, false};
    struct jl_explainer explainer;
    if (!reading->controller) {
        return jl_complain(reading->complaint,
                           "%s: bytes one behind the other: say --controller, whose table parts "
                           "them, or --layout",
                           reading->name);
    }
    if (jl_explain_polls(reading->controller->emulator)) {
        return jl_complain(reading->complaint,
                           "%s: bytes one behind the other cannot be parted for the %s, whose "
                           "commands come behind their arguments: give each step a line, its "
                           "command first",
                           reading->name, reading->controller->name);
    }
    jl_explain_begin(&explainer, reading->controller->emulator, take_explained, &flat);
    for (int i = 0; i < count; i++) {
        if (numbers[i]->number > 255) {
            return jl_complain_at(reading->complaint, reading->name, numbers[i]->line,
                                  "%ld: expected a byte, 0 to 255", numbers[i]->number);
        }
        /* Where arguments come with D/C high, a byte is one while the command lacks some. */
        bool high = !jl_explain_is_whole(&explainer) &&
                    jl_explain_opcode_bytes(reading->controller->emulator) != 0;
        jl_explain_byte(&explainer, 0, 0, (uint8_t)numbers[i]->number, high);
    }
    jl_explain_end(&explainer);
    return !flat.failed;
}

static bool read_marks(struct reading *reading, enum jl_wake_layout layout) {
    const struct mark **numbers = calloc(MOST_MARKS, sizeof *numbers);
    if (!numbers) {
        return jl_complain(reading->complaint, "out of memory for a sequence");
    }
    int count = numbers_of(reading, numbers);
    bool good = count > 0;
    if (!good) {
        jl_complain(reading->complaint, "%s: there are no bytes in it", reading->name);
    }
    if (layout == JL_WAKE_ANY) {
        layout = reading->has_calls                               ? JL_WAKE_CALLS
                 : reading->has_nested                            ? JL_WAKE_ROWS
                 : !reading->has_prefix                           ? JL_WAKE_LINES
                 : begin_of_counted(reading, numbers, count) >= 0 ? JL_WAKE_COUNTED
                                                                  : JL_WAKE_FLAT;
    }
    reading->import->layout = layout;
    good = good && (layout == JL_WAKE_LINES     ? read_as_lines(reading)
                    : layout == JL_WAKE_COUNTED ? read_as_counted(reading, numbers, count)
                    : layout == JL_WAKE_ROWS    ? read_as_rows(reading)
                    : layout == JL_WAKE_CALLS   ? read_as_calls(reading)
                                                : read_as_flat(reading, numbers, count));
    free(numbers);
    return good;
}

bool jl_wake_import_text(const char *name, const char *text, size_t bytes,
                         enum jl_wake_layout layout, const struct jl_catalog_entry *controller,
                         struct jl_wake_import *import, struct jl_complaint *complaint) {
    memset(import, 0, sizeof *import);
    struct reading reading = {.name = name,
                              .import = import,
                              .complaint = complaint,
                              .controller = controller,
                              .marks = calloc(MOST_MARKS, sizeof(struct mark))};
    if (!reading.marks) {
        return jl_complain(complaint, "out of memory for the sequence %s", name);
    }
    bool good = make_marks(&reading, text, bytes) && read_marks(&reading, layout);
    free(reading.marks);
    return good;
}

bool jl_wake_import(const char *path, enum jl_wake_layout layout,
                    const struct jl_catalog_entry *controller, struct jl_wake_import *import,
                    struct jl_complaint *complaint) {
    FILE *stream = fopen(path, "r");
    char *text = malloc(MOST_TEXT + 1);
    size_t count = stream && text ? fread(text, 1, MOST_TEXT + 1, stream) : 0;
    bool failed = !stream || !text || ferror(stream);
    int reason = errno;
    if (stream) {
        fclose(stream);
    }
    bool good =
        failed ? jl_complain(complaint, "cannot read %s: %s", path,
                             reason ? strerror(reason) : "out of memory")
        : count > MOST_TEXT
            ? jl_complain(complaint, "%s: a sequence has at most %d bytes of text", path, MOST_TEXT)
            : jl_wake_import_text(path, text, count, layout, controller, import, complaint);
    free(text);
    return good;
}

/* ---- as a card's section ---- */

static void print_name(void *context, const struct jl_explained *explained) {
    if (!explained->is_data && explained->name) {
        fprintf(context, "  ; %s", explained->name);
    }
}

void jl_wake_import_print(FILE *out, const struct jl_wake_import *import,
                          const struct jl_catalog_entry *controller) {
    fputs("[wake]\n", out);
    for (int i = 0; i < import->count; i++) {
        const struct jl_wake_step *step = &import->steps[i];
        if (!step->count) {
            fprintf(out, "step = wait %lu ms\n", (unsigned long)step->wait_ms);
            continue;
        }
        fputs("step = send", out);
        for (int k = 0; k < step->count; k++) {
            fprintf(out, " %02X", step->bytes[k]);
        }
        if (controller) {
            struct jl_explainer explainer;
            jl_explain_begin(&explainer, controller->emulator, print_name, out);
            jl_explain_step(&explainer, step->bytes, step->count);
        }
        fputc('\n', out);
    }
}
