/* Commands with their arguments in words, as explain.c writes them, read back. */
#include "jadelamp/sim/explain.h"

#include <ctype.h>
#include <stdlib.h>
#include <string.h>

#include "find_name.h"

/* What was read so far: bytes, and which of their bits the words said. */
struct words {
    const char *text; /* the rest, plain */
    uint8_t bytes[1 + JL_WORDED_ARGUMENTS], said[1 + JL_WORDED_ARGUMENTS];
};

/* Which bits of which bytes stand in {}, and what is done with them. */
struct field {
    size_t byte; /* 0: the opcode */
    bool high_first, low_first;
    unsigned high, low;
    unsigned times, plus;
    const char *list; /* "|a|b}", or NULL: a number */
    bool hex;
};

/* `at` is behind the brace, and behind the other one then. */
static struct field read_field(const char **at) {
    struct field field = {.times = 1};
    char *end;
    if (**at == 'c') {
        ++*at;
    } else {
        field.byte = 1 + (size_t)strtoul(*at, &end, 10);
        field.high_first = *end == 'w';
        field.low_first = *end == 'l';
        *at = end + (field.high_first || field.low_first);
    }
    const char *p = *at;
    field.high = field.high_first || field.low_first ? 15 : 7;
    if (*p == ':') {
        field.high = field.low = (unsigned)strtoul(p + 1, &end, 10);
        if (*end == '-') {
            field.low = (unsigned)strtoul(end + 1, &end, 10);
        }
        p = end;
    }
    for (; *p == '*' || *p == '+'; p = end) {
        unsigned by = (unsigned)strtoul(p + 1, &end, 10);
        *(*p == '*' ? &field.times : &field.plus) = by;
    }
    field.hex = *p == 'x';
    field.list = *p == '|' ? p : NULL;
    p += strcspn(p, "}");
    *at = p + (*p == '}');
    return field;
}

/* How many letters of the rest of the text a word has, of letters and digits alone; 0: it is
 * another one. */
static size_t word_length(const char *text, const char *word, size_t size) {
    size_t length = 0;
    for (size_t i = 0; i < size; i++) {
        if (isalnum((unsigned char)word[i])) {
            if (text[length] != tolower((unsigned char)word[i])) {
                return 0;
            }
            length++;
        }
    }
    return length;
}

/* The number that a field has in the text. False: none stands there. */
static bool take_number(const struct field *field, struct words *words, unsigned *number) {
    if (field->list) {
        size_t longest = 0;
        unsigned index = 0;
        bool twice = false; /* a word that stands for two numbers says neither */
        for (const char *word = field->list; *word == '|'; index++) {
            size_t size = strcspn(word + 1, "|}");
            size_t length = word_length(words->text, word + 1, size);
            twice = length > longest ? false : twice || (length && length == longest);
            if (length > longest) {
                longest = length;
                *number = index;
            }
            word += 1 + size;
        }
        words->text += longest;
        return longest > 0 && !twice;
    }
    char digits[8] = "";
    size_t count = 0;
    while (count < (field->hex ? 2u : sizeof digits - 1) &&
           (field->hex ? isxdigit((unsigned char)words->text[count])
                       : isdigit((unsigned char)words->text[count]))) {
        digits[count] = words->text[count];
        count++;
    }
    unsigned value = (unsigned)strtoul(digits, NULL, field->hex ? 16 : 10);
    words->text += count;
    *number = value < field->plus ? 0 : (value - field->plus) / field->times;
    return count && value >= field->plus && (value - field->plus) % field->times == 0;
}

static bool put_number(const struct field *field, struct words *words, unsigned number) {
    unsigned bits = field->high - field->low + 1;
    bool two = field->high_first || field->low_first;
    if (number >> bits || field->byte + two >= sizeof words->bytes) {
        return false;
    }
    uint32_t value = number << field->low, mask = ((1u << bits) - 1) << field->low;
    size_t low = field->byte + field->high_first, high = field->byte + field->low_first;
    words->bytes[low] |= (uint8_t)value;
    words->said[low] |= (uint8_t)mask;
    if (two) {
        words->bytes[high] |= (uint8_t)(value >> 8);
        words->said[high] |= (uint8_t)(mask >> 8);
    }
    return true;
}

static bool read_as(const struct command *command, struct words *words) {
    const char *at = command->reading;
    unsigned number = 0;
    while (*at) {
        if (*at == '{') {
            at++;
            struct field field = read_field(&at);
            if (!take_number(&field, words, &number) || !put_number(&field, words, number)) {
                return false;
            }
        } else if (!isalnum((unsigned char)*at)) {
            at++;
        } else if (tolower((unsigned char)*at++) != *words->text++) {
            return false;
        }
    }
    return !*words->text;
}

/* Opcodes of a range differ in bits that the words have said. */
static bool fill_opcode(const struct command *command, struct words *words) {
    if (command->first == command->last) {
        words->bytes[0] = command->first;
        return true;
    }
    words->bytes[0] =
        (uint8_t)((words->bytes[0] & words->said[0]) | (command->first & ~words->said[0]));
    return words->bytes[0] >= command->first && words->bytes[0] <= command->last;
}

/* Whether the words are those of the bytes: where a value stands twice, both must be the same. */
static bool reads_back(const struct command *command, const struct words *words,
                       const char *plain) {
    char text[200], back[JL_PLAIN_ROOM];
    struct jl_explained explained = {.opcode = words->bytes[0],
                                     .name = command->name,
                                     .reading = command->reading,
                                     .count = command->least};
    memcpy(explained.arguments, words->bytes + 1, command->least);
    jl_explain_words(&explained, text, sizeof text);
    jl_sim_make_plain(text, back);
    return strcmp(back, plain) == 0;
}

bool jl_explain_read(const struct jl_emulated_part *part, const char *text,
                     struct jl_worded_command *worded) {
    const struct command *list[JL_MOST_NAMES];
    char plain[JL_PLAIN_ROOM], name[JL_PLAIN_ROOM];
    int count = jl_sim_list_commands(part, list), found = 0;
    jl_sim_make_plain(text, plain);
    for (int i = 0; i < count; i++) {
        const struct command *command = list[i];
        jl_sim_make_plain(command->name, name);
        size_t length = strlen(name);
        bool readable = command->reading && strcmp(command->reading, ANSWER) != 0 &&
                        command->least <= JL_WORDED_ARGUMENTS;
        struct words words = {.text = plain + length};
        if (!readable || strncmp(plain, name, length) != 0 || !plain[length] ||
            !read_as(command, &words) || !fill_opcode(command, &words) ||
            !reads_back(command, &words, plain + length)) {
            continue;
        }
        found++;
        *worded = (struct jl_worded_command){.count = 1u + command->least};
        memcpy(worded->bytes, words.bytes, worded->count);
        for (size_t k = 1; k < worded->count; k++) {
            worded->unsaid[k] = (uint8_t)~words.said[k];
        }
    }
    return found == 1;
}
