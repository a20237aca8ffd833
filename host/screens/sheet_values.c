/* Values of a sheet: their kinds, ranges and samples. */
#include <errno.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <sys/stat.h>

#include "screen_parts.h"

enum { MINUTES_OF_DAY = 1440, CSV_LINE = 2000, MOST_CSV_BYTES = 20000000 };

/* ---- samples of a CSV file ---- */

/* The field number `wanted` of a line, without blanks around it; it is changed. NULL: none. */
static char *field_of(char *line, int wanted) {
    char *at = line;
    for (int field = 0; at; field++) {
        char *comma = strchr(at, ',');
        if (field == wanted) {
            at += strspn(at, " \t\"");
            size_t length = comma && comma > at ? (size_t)(comma - at) : comma ? 0 : strlen(at);
            while (length && strchr(" \t\r\n\"", at[length - 1])) {
                length--;
            }
            at[length] = '\0';
            return at;
        }
        at = comma ? comma + 1 : NULL;
    }
    return NULL;
}

static int column_of(const char *header, const char *name) {
    for (int field = 0; field < 64; field++) {
        char line[CSV_LINE];
        snprintf(line, sizeof line, "%s", header);
        char *text = field_of(line, field);
        if (!text) {
            return NONE;
        }
        if (strcmp(text, name) == 0) {
            return field;
        }
    }
    return NONE;
}

/* A field as the words of a sample: choices and words are in quotes there. */
static bool read_field(struct words *words, const struct value *value, const char *text,
                       int32_t *number) {
    char ignored[JL_SCREEN_WORDS_BYTES];
    words->count = 1;
    words->at = 0;
    words->quoted[0] = value->kind == JL_SCREEN_CHOICE;
    snprintf(words->text[0], WORD_BYTES, "%s", text);
    return jl_host_value_read(words, value, number, ignored);
}

/* Column NAME of "FILE", perhaps every N rows, perhaps of whole numbers that lack their point. */
static bool read_column(struct sheet_reading *reading, struct value *value) {
    struct words *words = &reading->words;
    char path[512], line[CSV_LINE], name[WORD_BYTES];
    const char *word = jl_host_word_next(words, "the name of a column");
    int every = 1;
    if (!word) {
        return false;
    }
    snprintf(name, sizeof name, "%s", word);
    if (!jl_host_word_must(words, "of", "sample column height_cm of \"tide.csv\"") ||
        !(word = jl_host_word_text(words, "a file")) || !jl_host_sheet_path(reading, word, path)) {
        return false;
    }
    struct value as = *value; /* how fields are read */
    while (words->at < words->count) {
        if (jl_host_word_is(words, "whole")) {
            as.decimals = 0;
        } else if (!jl_host_word_is(words, "every")) {
            break;
        } else if (!jl_host_word_int(words, "rows", 1, 10000, &every)) {
            return false;
        }
    }
    if (value->kind == JL_SCREEN_WORDS) {
        return WORDS_FAIL(words, "%s: words have one sample, in quotes", value->name);
    }
    struct stat info;
    FILE *stream = fopen(path, "r");
    if (!stream) {
        return WORDS_FAIL(words, "cannot read %s: %s", path, strerror(errno));
    }
    if (fstat(fileno(stream), &info) != 0 || !S_ISREG(info.st_mode) ||
        info.st_size > MOST_CSV_BYTES) {
        fclose(stream);
        return WORDS_FAIL(words, "%s: expected a file of up to %d MB", path,
                          MOST_CSV_BYTES / 1000000);
    }
    struct words *row = calloc(1, sizeof *row);
    value->samples = calloc(MOST_SAMPLES, sizeof *value->samples);
    bool good = row && value->samples;
    int column = fgets(line, sizeof line, stream) ? column_of(line, name) : NONE;
    if (!good) {
        WORDS_FAIL(words, "out of memory for samples");
    } else if (column == NONE) {
        good = WORDS_FAIL(words, "%s has no column %s in its first line", path, name);
    } else {
        *row = (struct words){.file = path, .line = 1, .complaint = words->complaint};
    }
    for (int number = 0; good && fgets(line, sizeof line, stream); number++) {
        char *text = field_of(line, column);
        row->line++;
        if (number % every || value->sample_count == MOST_SAMPLES || !*line || *line == '\n') {
            continue;
        }
        good = text ? read_field(row, &as, text, &value->samples[value->sample_count++])
                    : WORDS_FAIL(row, "there is no column %s in this row", name);
    }
    if (good && !value->sample_count) {
        good = WORDS_FAIL(words, "%s has no row below its first line", path);
    }
    free(row);
    fclose(stream);
    return good;
}

static bool read_sample(struct sheet_reading *reading, struct value *value) {
    struct words *words = &reading->words;
    if (jl_host_word_is(words, "column")) {
        return read_column(reading, value);
    }
    int room = value->kind == JL_SCREEN_SERIES ? value->count : 1;
    value->samples = calloc((size_t)room, sizeof *value->samples);
    if (!value->samples) {
        return WORDS_FAIL(words, "out of memory for samples");
    }
    do {
        if (!jl_host_value_read(words, value, &value->samples[value->sample_count], value->words)) {
            return false;
        }
        value->sample_count++;
    } while (value->sample_count < room && words->at < words->count);
    return true;
}

/* ---- the line ---- */

/* "0 to 9.99": bounds are read as fine as there are digits, once it is known how many. */
static bool read_range(struct words *words, struct value *value, int least, int most) {
    int begin = words->at;
    words->at += 3;
    if (jl_host_word_is(words, "decimals")) {
        int decimals;
        if (!jl_host_word_int(words, "digits behind the point", 0, 6, &decimals)) {
            return false;
        }
        value->decimals = (uint8_t)decimals;
    }
    int behind = words->at;
    words->at = begin;
    if (!jl_host_word_fixed(words, "the least", value->decimals, &value->least) ||
        !jl_host_word_must(words, "to", "number 0 to 9.99 decimals 2") ||
        !jl_host_word_fixed(words, "the most", value->decimals, &value->most)) {
        return false;
    }
    words->at = behind > words->at ? behind : words->at;
    bool wide = (int64_t)value->most - value->least > INT32_MAX;
    if (value->least >= value->most || value->least < least || value->most > most || wide) {
        return WORDS_FAIL(words,
                          "%s: the range must rise, lie within %d to %d without its "
                          "point, and span less than 2147483648",
                          value->name, least, most);
    }
    return true;
}

static bool read_choices(struct words *words, struct value *value) {
    value->kind = JL_SCREEN_CHOICE;
    while (words->at < words->count && words->quoted[words->at]) {
        const char *text = jl_host_word_text(words, "a choice");
        if (value->count == MOST_CHOICES || strlen(text) >= CHOICE_BYTES) {
            return WORDS_FAIL(words, "\"%s\": at most %d choices of %d bytes", text, MOST_CHOICES,
                              CHOICE_BYTES - 1);
        }
        strcpy(value->choices[value->count++], text);
    }
    value->most = value->count - 1;
    return value->count > 1 || WORDS_FAIL(words, "choice: expected two or more texts in quotes");
}

static bool read_kind(struct words *words, struct value *value) {
    int number;
    if (jl_host_word_is(words, "number")) {
        value->kind = JL_SCREEN_NUMBER;
        return read_range(words, value, -2147483647, 2147483647);
    }
    if (jl_host_word_is(words, "clock")) {
        value->kind = JL_SCREEN_CLOCK;
        value->most = MINUTES_OF_DAY - 1;
        if (jl_host_word_is(words, "or")) {
            value->least = -1;
            return jl_host_word_must(words, "none", "clock or none");
        }
        return true;
    }
    if (jl_host_word_is(words, "choice")) {
        return read_choices(words, value);
    }
    if (jl_host_word_is(words, "words")) {
        value->kind = JL_SCREEN_WORDS;
        bool good = jl_host_word_int(words, "bytes", 1, JL_SCREEN_WORDS_BYTES - 1, &number);
        value->count = (uint16_t)(good ? number : 0);
        return good;
    }
    if (jl_host_word_is(words, "switch")) {
        value->kind = JL_SCREEN_SWITCH;
        value->most = 1;
        return true;
    }
    if (jl_host_word_is(words, "series")) {
        value->kind = JL_SCREEN_SERIES;
        if (!jl_host_word_int(words, "how many numbers", 2, JL_SCREEN_SERIES_NUMBERS, &number) ||
            !jl_host_word_must(words, "of", "series 25 of 0 to 450")) {
            return false;
        }
        value->count = (uint16_t)number;
        return read_range(words, value, INT16_MIN, INT16_MAX);
    }
    return WORDS_FAIL(words,
                      "%s: expected number 0 to 9.99 decimals 2, clock, choice \"...\" \"...\", "
                      "words 20, switch, or series 25 of 0 to 450",
                      words->at < words->count ? words->text[words->at] : "the end of the line");
}

bool jl_host_sheet_read_value(struct sheet_reading *reading) {
    struct jl_screen *screen = reading->screen;
    struct words *words = &reading->words;
    if (screen->value_count == JL_SCREEN_VALUES) {
        return WORDS_FAIL(words, "a sheet has at most %d values", JL_SCREEN_VALUES);
    }
    struct value *value = &screen->values[screen->value_count];
    memset(value, 0, sizeof *value);
    value->line = words->line;
    if (!jl_host_word_name(words, "the name of a value", value->name)) {
        return false;
    }
    if (jl_screen_value_find(screen, value->name) != NONE) {
        return WORDS_FAIL(words, "%s: there is a value of that name already", value->name);
    }
    if (!jl_host_word_must(words, "=", "value height = number 0 to 9.99 decimals 2") ||
        !read_kind(words, value)) {
        return false;
    }
    screen->value_count++; /* from here on its samples are freed with the screen */
    return !jl_host_word_is(words, "sample") || read_sample(reading, value);
}

int jl_host_sheet_value(struct sheet_reading *reading) {
    const char *word = jl_host_word_next(&reading->words, "the name of a value");
    int index = word ? jl_screen_value_find(reading->screen, word) : NONE;
    if (word && index == NONE) {
        WORDS_FAIL(&reading->words, "%s: no value has that name; write value %s = ... above", word,
                   word);
    }
    return index;
}
