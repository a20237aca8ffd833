/* Commands and their arguments in words. */
#include "jadelamp/sim/explain.h"

#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "device.h"

void jl_explain_begin(struct jl_explainer *explainer, const struct jl_emulated_part *part,
                      jl_explained_fn fn, void *context) {
    *explainer = (struct jl_explainer){.part = part, .fn = fn, .context = context};
}

static const struct command_set *set_of(const struct jl_explainer *explainer) {
    const struct command_set *set = explainer->part->commands;
    return set && explainer->extended && set->extended ? set->extended : set;
}

void jl_explain_end(struct jl_explainer *explainer) {
    struct jl_explained *now = &explainer->now;
    if (!explainer->under_way || explainer->command_due) {
        return;
    }
    explainer->under_way = false;
    now->missing = now->is_data || (int)now->count >= explainer->least
                       ? 0
                       : explainer->least - (int)now->count;
    explainer->fn(explainer->context, now);
}

bool jl_explain_reads(const struct jl_explainer *explainer) {
    return explainer->under_way && explainer->now.answers;
}

const struct jl_explained *jl_explain_under_way(const struct jl_explainer *explainer) {
    return explainer->under_way ? &explainer->now : NULL;
}

bool jl_explain_is_whole(const struct jl_explainer *explainer) {
    return !explainer->command_due && (!explainer->under_way || explainer->now.is_data ||
                                       (int)explainer->now.count >= explainer->least);
}

static void begin_command(struct jl_explainer *explainer, uint64_t at_ps, uint8_t opcode) {
    const struct command_set *all = explainer->part->commands, *set;
    jl_explain_end(explainer);
    set = set_of(explainer);
    const struct command *command = set ? jl_sim_find_command(set, opcode) : NULL;
    explainer->now = (struct jl_explained){.at_ps = at_ps,
                                           .opcode = opcode,
                                           .name = command ? command->name : NULL,
                                           .answers = command && command->reading &&
                                                      strcmp(command->reading, ANSWER) == 0};
    if (command && !explainer->now.answers) {
        explainer->now.reading = command->reading;
    }
    explainer->least = command ? command->least : 0;
    explainer->most = command ? command->most : 0;
    explainer->under_way = true;
    explainer->pixels = !all || !all->writes[0];
    for (size_t i = 0; all && i < sizeof all->writes && all->writes[i]; i++) {
        explainer->pixels |= all->writes[i] == opcode;
    }
    if (all && all->extended && (opcode & all->switch_mask) == all->switch_value) {
        explainer->extended = opcode & all->switch_bit;
    }
}

static void take_argument(struct jl_explainer *explainer, uint8_t byte) {
    struct jl_explained *now = &explainer->now;
    if (now->count < sizeof now->arguments) {
        now->arguments[now->count++] = byte;
    }
}

static void take_data(struct jl_explainer *explainer, uint64_t at_ps, uint8_t byte) {
    struct jl_explained *now = &explainer->now;
    if (!explainer->under_way || !now->is_data) {
        jl_explain_end(explainer);
        *now =
            (struct jl_explained){.at_ps = at_ps, .is_data = true, .begins = explainer->first_data};
        explainer->under_way = true;
    }
    if (now->count < sizeof explainer->first_data) {
        explainer->first_data[now->count] = byte;
    }
    now->count++;
}

/* Whether a byte with this level of D/C belongs to the command under way. */
static bool is_argument(const struct jl_explainer *explainer, bool data) {
    const struct command_set *set = explainer->part->commands;
    const struct jl_explained *now = &explainer->now;
    bool as_data = set && set->arguments_as_data;
    bool due = explainer->under_way && !now->is_data && (int)now->count < explainer->most;
    /* of an unknown command or one too many: still what belongs to the command before */
    bool belongs =
        data && ((as_data && explainer->under_way && !now->is_data && !explainer->pixels) ||
                 jl_explain_reads(explainer));
    return (due && data == as_data) || belongs;
}

/*
 * Of parts whose commands come behind their arguments: these are kept until it is there, and the
 * command is told at once. In auto write they are pixels.
 */
static void take_in_front(struct jl_explainer *explainer, uint64_t at_ps, uint8_t byte,
                          bool command) {
    const struct jl_explained before = explainer->now;
    bool had = explainer->command_due;
    if (!command && explainer->writing) {
        take_data(explainer, at_ps, byte);
        return;
    }
    if (!command) {
        if (!had) {
            jl_explain_end(explainer);
            explainer->now = (struct jl_explained){.at_ps = at_ps};
            explainer->under_way = explainer->command_due = true;
        }
        take_argument(explainer, byte);
        return;
    }
    explainer->command_due = false;
    explainer->under_way = explainer->under_way && !had;
    begin_command(explainer, had ? before.at_ps : at_ps, byte);
    if (had) {
        explainer->now.count = before.count;
        memcpy(explainer->now.arguments, before.arguments, sizeof before.arguments);
    }
    explainer->writing = explainer->pixels;
}

void jl_explain_lines_16(struct jl_explainer *explainer, uint64_t at_ps, uint64_t until_ps,
                         uint16_t word, bool data) {
    if (data && !is_argument(explainer, true)) {
        jl_explain_byte(explainer, at_ps, until_ps, (uint8_t)(word >> 8), true);
    }
    jl_explain_byte(explainer, at_ps, until_ps, (uint8_t)word, data);
}

void jl_explain_byte(struct jl_explainer *explainer, uint64_t at_ps, uint64_t until_ps,
                     uint8_t byte, bool data) {
    bool first = !data && explainer->part->commands && explainer->part->commands->index_of_two &&
                 !explainer->index_half;
    explainer->index_half = first;
    if (explainer->part->commands && explainer->part->commands->arguments_first) {
        take_in_front(explainer, at_ps, byte, data);
    } else if (first) {
        jl_explain_end(explainer); /* the lower byte says which register */
    } else if (is_argument(explainer, data)) {
        take_argument(explainer, byte);
    } else if (data) {
        take_data(explainer, at_ps, byte);
    } else {
        begin_command(explainer, at_ps, byte);
    }
    explainer->now.until_ps = until_ps;
}

void jl_explain_step(struct jl_explainer *explainer, const uint8_t *bytes, size_t count) {
    const struct command_set *set = explainer->part->commands;
    bool in_front = set && set->arguments_first && count;
    size_t opcode_bytes = (size_t)jl_explain_opcode_bytes(explainer->part);
    for (size_t i = in_front; i < count; i++) {
        jl_explain_byte(explainer, 0, 0, bytes[i], !in_front && opcode_bytes && i >= opcode_bytes);
    }
    if (in_front) {
        jl_explain_byte(explainer, 0, 0, bytes[0], true);
    }
    jl_explain_end(explainer);
}

bool jl_explain_polls(const struct jl_emulated_part *part) {
    return part->commands && part->commands->arguments_first;
}

int jl_explain_opcode_bytes(const struct jl_emulated_part *part) {
    const struct command_set *set = part->commands;
    return !set || !set->arguments_as_data ? 0 : set->index_of_two ? 2 : 1;
}

/* ---- framings ---- */

void jl_explain_mode_start(struct jl_explainer *explainer) {
    jl_explain_end(explainer);
    explainer->mode_due = true;
}

/* Numbers of lines, pixels and zeros go as data; the zeros behind other modes as an argument. */
void jl_explain_mode_byte(struct jl_explainer *explainer, uint64_t at_ps, uint64_t until_ps,
                          uint8_t byte) {
    bool data = !explainer->mode_due && explainer->mode_writes;
    if (explainer->mode_due) {
        explainer->mode_writes = byte & 0x80;
    }
    explainer->mode_due = false;
    jl_explain_byte(explainer, at_ps, until_ps, byte, data);
}

void jl_explain_i2c_start(struct jl_explainer *explainer) {
    explainer->control_due = true;
}

void jl_explain_i2c_byte(struct jl_explainer *explainer, uint64_t at_ps, uint64_t until_ps,
                         uint8_t byte) {
    if (explainer->control_due) {
        explainer->control_data = byte & 0x40;
        explainer->control_one = byte & 0x80;
        explainer->control_due = false;
        return;
    }
    jl_explain_byte(explainer, at_ps, until_ps, byte, explainer->control_data);
    explainer->control_due = explainer->control_one;
}

void jl_explain_synced_byte(struct jl_explainer *explainer, uint64_t at_ps, uint64_t until_ps,
                            uint8_t byte) {
    if ((byte & 0xF8) == 0xF8) {
        explainer->synced = true;
        explainer->control_data = byte & 2;
        explainer->nibble_due = false;
    } else if (explainer->synced && !explainer->nibble_due) {
        explainer->nibble = byte & 0xF0;
        explainer->nibble_due = true;
    } else if (explainer->synced) {
        explainer->nibble_due = false;
        jl_explain_byte(explainer, at_ps, until_ps, (uint8_t)(explainer->nibble | byte >> 4),
                        explainer->control_data);
    }
}

/* ---- words ---- */

struct value {
    unsigned number;
    bool there;
};

static struct value value_of(const struct jl_explained *explained, const char **at) {
    struct value value = {explained->opcode, true};
    if (**at == 'c') {
        ++*at;
        return value;
    }
    char *end;
    size_t index = (size_t)strtoul(*at, &end, 10);
    bool high_first = *end == 'w', low_first = *end == 'l';
    bool two = high_first || low_first;
    const uint8_t *bytes = explained->arguments + index;
    *at = end + two;
    value.there = index + two < explained->count;
    value.number = !value.there ? 0
                   : high_first ? (unsigned)bytes[0] << 8 | bytes[1]
                   : low_first  ? (unsigned)bytes[1] << 8 | bytes[0]
                                : bytes[0];
    return value;
}

/* A word of "|a|b|c}" by number. */
static void put_word(const char *words, unsigned number, char *out, size_t size) {
    for (; number && *words && *words != '}'; number--) {
        words += 1 + strcspn(words + 1, "|}");
    }
    if (*words != '|') {
        snprintf(out, size, "?");
        return;
    }
    snprintf(out, size, "%.*s", (int)strcspn(words + 1, "|}"), words + 1);
}

/* What stands in {}; `at` is behind the brace, and behind the other one then. */
static void put_value(const struct jl_explained *explained, const char **at, char *out,
                      size_t size) {
    struct value value = value_of(explained, at);
    const char *p = *at;
    if (*p == ':') {
        char *end;
        unsigned high = (unsigned)strtoul(p + 1, &end, 10), low = high;
        if (*end == '-') {
            low = (unsigned)strtoul(end + 1, &end, 10);
        }
        value.number = value.number >> low & ((1u << (high - low + 1)) - 1);
        p = end;
    }
    for (; *p == '*' || *p == '+';) {
        char *end;
        unsigned by = (unsigned)strtoul(p + 1, &end, 10);
        value.number = *p == '*' ? value.number * by : value.number + by;
        p = end;
    }
    if (!value.there) {
        snprintf(out, size, "?");
    } else if (*p == '|') {
        put_word(p, value.number, out, size);
    } else {
        snprintf(out, size, *p == 'x' ? "%02X" : "%u", value.number);
    }
    p += strcspn(p, "}");
    *at = p + (*p == '}');
}

static void put_bytes(const uint8_t *bytes, size_t count, size_t all, char *out, size_t size) {
    size_t length = 0;
    out[0] = '\0';
    for (size_t i = 0; i < count && length + 8 < size; i++) {
        length += (size_t)snprintf(out + length, size - length, "%s%02X", i ? " " : "", bytes[i]);
    }
    if (count < all && length + 8 < size) {
        snprintf(out + length, size - length, " ...");
    }
}

const char *jl_explain_words(const struct jl_explained *explained, char *out, size_t size) {
    size_t length = 0;
    if (!size) {
        return "";
    }
    out[0] = '\0';
    if (explained->is_data) {
        size_t some = explained->count < 8 ? explained->count : 8;
        put_bytes(explained->begins, some, explained->count, out, size);
        return out;
    }
    if (!explained->reading) {
        size_t some = explained->count < 16 ? explained->count : 16;
        put_bytes(explained->arguments, some, explained->count, out, size);
        return out;
    }
    for (const char *at = explained->reading; *at && length + 1 < size;) {
        if (*at == '{') {
            at++;
            put_value(explained, &at, out + length, size - length);
            length += strlen(out + length);
        } else {
            out[length++] = *at++;
            out[length] = '\0';
        }
    }
    return out;
}
