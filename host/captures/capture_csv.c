/*
 * Comma separated values (RFC 4180, and with ; or tabs between): a column of time, and columns of
 * levels or volts; or of bytes that are decoded already, where a column holds more than 0 and 1.
 */
#include <ctype.h>
#include <math.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <strings.h>

#include "../files/values.h"
#include "capture_reader.h"

enum { LINE = sizeof((struct csv *)0)->first_line, WORD = 64 };

#define USUAL_THRESHOLD 1.5

/* ---- lines and fields ---- */

/* A line without its end. False: the end of the file, or a line that is too long. */
static bool next_line(struct jl_capture *capture, char *line, struct jl_complaint *complaint) {
    struct capture_source *source = &capture->source;
    size_t length = 0;
    int c = source_get(source);
    if (c == SOURCE_END) {
        return false;
    }
    for (; c != SOURCE_END && c != '\n'; c = source_get(source)) {
        if (length == LINE - 1) {
            return jl_complain_at(complaint, source->path, source->line,
                                  "a line of more than %d characters: is this a CSV or a VCD file?",
                                  LINE);
        }
        if (!c) {
            return jl_complain_at(complaint, source->path, source->line,
                                  "a zero byte: expected text, a CSV or a VCD file");
        }
        line[length++] = (char)c;
    }
    source->line += c == SOURCE_END; /* the last line may end with the file */
    while (length && (line[length - 1] == '\r' || line[length - 1] == ' ')) {
        length--;
    }
    line[length] = '\0';
    return true;
}

/* Cuts a line at its separators, in place; quotes and blanks around a field go. */
static int cut(char *line, char separator, char **fields, int most) {
    int count = 0;
    for (char *at = line; at && count < most;) {
        char *next = NULL;
        while (*at == ' ') {
            at++;
        }
        if (*at == '"') {
            char *end = strchr(++at, '"');
            next = end ? strchr(end, separator) : NULL;
            if (end) {
                *end = '\0';
            }
        } else {
            next = strchr(at, separator);
        }
        fields[count++] = at;
        if (next) {
            *next++ = '\0';
        }
        char *end = at + strlen(at);
        while (end > at && end[-1] == ' ') {
            *--end = '\0';
        }
        at = next;
    }
    return count;
}

/* What occurs most often of those that are usual. */
static char separator_of(const char *line) {
    static const char usual[] = {'\t', ';', ','};
    char best = ',';
    int most = 0;
    for (size_t i = 0; i < sizeof usual; i++) {
        int count = 0;
        for (const char *at = line; *at; at++) {
            count += *at == usual[i];
        }
        if (count > most) {
            most = count;
            best = usual[i];
        }
    }
    return best;
}

static bool read_number(const struct csv *csv, const char *field, double *value) {
    char text[WORD];
    snprintf(text, sizeof text, "%s", field);
    for (char *at = text; csv->decimal_comma && *at; at++) {
        *at = *at == ',' ? '.' : *at;
    }
    char *end = text;
    *value = strtod(text, &end);
    return end != text && !*end && isfinite(*value);
}

/* ---- the header ---- */

static bool is_one_of(const char *word, const char *const *words) {
    for (; *words; words++) {
        if (strcmp(word, *words) == 0) {
            return true;
        }
    }
    return false;
}

static double seconds_of_unit(const char *unit) {
    static const struct {
        const char *name;
        double seconds;
    } units[] = {{"ps", 1e-12},
                 {"ns", 1e-9},
                 {"us", 1e-6},
                 {"\xC2\xB5s", 1e-6},
                 {"ms", 1e-3},
                 {"milliseconds", 1e-3},
                 {"s", 1},
                 {"sec", 1},
                 {"seconds", 1},
                 {"nanoseconds", 1e-9},
                 {"microseconds", 1e-6}};
    for (size_t i = 0; i < sizeof units / sizeof units[0]; i++) {
        if (strcasecmp(unit, units[i].name) == 0) {
            return units[i].seconds;
        }
    }
    return 0;
}

/* The last word of a header such as "Time [us]", "time_ns" or "Time(s)", if it is a unit. */
static double unit_in_header(const char *header) {
    char text[WORD];
    snprintf(text, sizeof text, "%s", header);
    size_t end = strlen(text);
    while (end && strchr(" ])}", text[end - 1])) {
        text[--end] = '\0';
    }
    size_t start = end;
    while (start && !strchr(" [({_/,;-", text[start - 1])) {
        start--;
    }
    return start ? seconds_of_unit(text + start) : 0;
}

static enum csv_use use_of(const char *header) {
    static const char *const times[] = {"t", "time", "timestamp", "start", "starttime", NULL};
    static const char *const values[] = {"byte", "bytes", "data", "value",    "hex", "mosi",
                                         "sda",  "sdi",   "din",  "databyte", NULL};
    static const char *const data[] = {"dc",  "rs", "a0",      "dcx",         "cd",
                                       "dcn", "di", "cmddata", "commanddata", NULL};
    static const char *const addresses[] = {"address", "addr", "id", "i2caddress", NULL};
    static const char *const acks[] = {"ack", "acked", "acknak", "acknack", NULL};
    char name[WORD];
    jl_host_plain_name(header, name, sizeof name);
    /* "time" with a unit behind it is one, too */
    return is_one_of(name, times) || strncmp(name, "time", 4) == 0     ? CSV_TIME
           : is_one_of(name, values)                                   ? CSV_VALUE
           : is_one_of(name, data)                                     ? CSV_DATA
           : is_one_of(name, addresses)                                ? CSV_ADDRESS
           : strcmp(name, "startbit") == 0                             ? CSV_START
           : strcmp(name, "stop") == 0 || strcmp(name, "stopbit") == 0 ? CSV_STOP
           : is_one_of(name, acks)                                     ? CSV_ACK
           : strcmp(name, "type") == 0 || strcmp(name, "event") == 0   ? CSV_TYPE
                                                                       : CSV_IGNORED;
}

/* "00" is a byte. */
static bool is_level_or_volts(const struct csv *csv, const char *field) {
    double value;
    return read_number(csv, field, &value) &&
           (((value == 0 || value == 1) && strlen(field) == 1) || strpbrk(field, ".,"));
}

/* Whether a header speaks of bytes, and the first row does. */
static bool holds_bytes(const struct csv *csv, char **header, int columns, char **row, int fields) {
    for (int i = 0; i < columns && i < fields; i++) {
        enum csv_use use = use_of(header[i]);
        if ((use == CSV_VALUE && *row[i] && !is_level_or_volts(csv, row[i])) || use == CSV_TYPE) {
            return true;
        }
    }
    return false;
}

static bool complain_of_time(struct jl_capture *capture, struct jl_complaint *complaint) {
    return jl_complain_at(complaint, capture->source.path, 1,
                          "no column of time: expected one called \"time\", in front if nothing "
                          "is called anything");
}

static bool name_columns(struct jl_capture *capture, char **header, int columns, bool has_header,
                         struct jl_complaint *complaint) {
    struct csv *csv = &capture->csv;
    csv->time_column = has_header ? -1 : 0;
    for (int i = 0; i < columns && has_header; i++) {
        if (csv->time_column < 0 && use_of(header[i]) == CSV_TIME) {
            csv->time_column = i;
        }
    }
    if (csv->time_column < 0) {
        return complain_of_time(capture, complaint);
    }
    for (int i = 0; i < columns; i++) {
        char name[WORD + 8];
        snprintf(name, sizeof name, "%.60s", header[i]);
        if (!has_header) {
            snprintf(name, sizeof name, "column%d", i + 1);
        }
        csv->levels[i] = -1;
        csv->uses[i] = i == csv->time_column ? CSV_TIME
                       : capture->has_bytes  ? use_of(header[i])
                                             : CSV_LEVEL;
        if (csv->uses[i] == CSV_LEVEL) {
            csv->wires[i] = capture->wire_count++;
            if (!jl_host_capture_name(capture, csv->wires[i], name, complaint)) {
                return false;
            }
        }
    }
    return true;
}

bool jl_host_csv_begin(struct jl_capture *capture, const struct jl_capture_options *options,
                       struct jl_complaint *complaint) {
    struct csv *csv = &capture->csv;
    char line[LINE], kept[LINE], second[LINE];
    char *header[MOST_COLUMNS], *row[MOST_COLUMNS];
    memset(csv, 0, sizeof *csv);
    csv->threshold = options->threshold != 0 ? options->threshold : USUAL_THRESHOLD;
    do {
        complaint->text[0] = '\0';
        if (!next_line(capture, line, complaint)) {
            return complaint->text[0] ? false
                                      : jl_complain(complaint,
                                                    "%s: only empty lines and comments: "
                                                    "a VCD or a CSV file was expected",
                                                    capture->source.path);
        }
    } while (!*line || *line == '#');
    csv->separator = separator_of(line);
    csv->decimal_comma = csv->separator == ';';
    memcpy(kept, line, sizeof kept);
    int columns = cut(line, csv->separator, header, MOST_COLUMNS);
    double time;
    bool has_header = !read_number(csv, header[0], &time);
    if (columns < 2) {
        return jl_complain_at(complaint, capture->source.path, capture->source.line - 1,
                              "\"%.60s\": expected a VCD file, or CSV with a column of time and "
                              "one for each wire",
                              kept);
    }
    if (has_header) {
        if (!next_line(capture, second, complaint)) {
            return complaint->text[0] ? false
                                      : jl_complain(complaint, "%s: a header, and no row behind it",
                                                    capture->source.path);
        }
        memcpy(csv->first_line, second, sizeof csv->first_line);
        int fields = cut(second, csv->separator, row, MOST_COLUMNS);
        capture->has_bytes = holds_bytes(csv, header, columns, row, fields);
    } else {
        memcpy(csv->first_line, kept, sizeof csv->first_line);
    }
    csv->first_line_due = true;
    csv->columns = columns;
    if (!name_columns(capture, header, columns, has_header, complaint)) {
        return false;
    }
    csv->seconds_a_unit = options->time_unit ? seconds_of_unit(options->time_unit)
                          : has_header       ? unit_in_header(header[csv->time_column])
                                             : 1;
    if (options->time_unit && csv->seconds_a_unit == 0) {
        return jl_complain(complaint, "\"%.20s\" is no unit of time: expected s, ms, us, ns or ps",
                           options->time_unit);
    }
    csv->seconds_a_unit = csv->seconds_a_unit == 0 ? 1 : csv->seconds_a_unit;
    return true;
}

/* ---- rows ---- */

static bool complain_of_field(struct jl_capture *capture, struct jl_complaint *complaint,
                              int column, const char *field, const char *right) {
    return jl_complain_at(complaint, capture->source.path, capture->source.line - 1,
                          "column %d: \"%.40s\", expected %s", column + 1, field, right);
}

static bool take_time(struct jl_capture *capture, const char *field,
                      struct jl_complaint *complaint) {
    struct csv *csv = &capture->csv;
    double time;
    if (!read_number(csv, field, &time)) {
        return complain_of_field(capture, complaint, csv->time_column, field, "a time");
    }
    time *= csv->seconds_a_unit;
    if (!csv->started && time < 0) { /* before the trigger */
        csv->first_time = time;
    }
    csv->started = true;
    time -= csv->first_time;
    if (time < 0 || time > 1.8e7) {
        return complain_of_field(capture, complaint, csv->time_column, field,
                                 "rising times of less than 200 days");
    }
    uint64_t now = (uint64_t)(time * 1e12 + 0.5);
    if (now < capture->now_ps) {
        return jl_complain_at(complaint, capture->source.path, capture->source.line - 1,
                              "time runs backwards: %.40s; expected rising times", field);
    }
    capture->now_ps = now;
    return true;
}

static bool take_level(struct jl_capture *capture, int column, const char *field,
                       struct jl_complaint *complaint) {
    struct csv *csv = &capture->csv;
    double value;
    bool known = *field && !(strchr("xXzZ", *field) && !field[1]);
    if (known && !read_number(csv, field, &value)) {
        return complain_of_field(capture, complaint, column, field, "0, 1 or volts");
    }
    bool volts = known && value != 0 && value != 1;
    bool high = known && (volts ? value >= csv->threshold : value == 1);
    signed char level = !known ? 2 : high;
    /* A blank field of a sparse table is "as before". */
    if (!*field || level == csv->levels[column]) {
        return true;
    }
    csv->levels[column] = level;
    struct jl_capture_item *item = capture_queue(capture);
    item->wire = csv->wires[column];
    item->high = high;
    item->known = known;
    return true;
}

/* "0xAE", "AE", "AEh". */
static bool read_byte(const char *field, unsigned *value) {
    char *end;
    unsigned long number = strtoul(field, &end, 16);
    end += *end == 'h' || *end == 'H';
    *value = (unsigned)number;
    return *field && isxdigit((unsigned char)*field) && !*end && number <= 0xFF;
}

static bool says_yes(const char *field) {
    static const char *const yes[] = {"1", "true", "yes", "x",    "start", "stop", "ack",
                                      "s", "p",    "d",   "data", "high",  NULL};
    char word[WORD];
    jl_host_plain_name(field, word, sizeof word);
    return is_one_of(word, yes);
}

/* Of two, which one; false: neither. */
static bool read_one_of_two(const char *field, bool *yes) {
    static const char *const no[] = {"0",   "false", "no",      "low", "nak", "nack",
                                     "cmd", "c",     "command", "n",   NULL};
    char word[WORD];
    jl_host_plain_name(field, word, sizeof word);
    *yes = says_yes(field);
    return *yes || is_one_of(word, no);
}

static bool take_bytes(struct jl_capture *capture, char **fields, int count,
                       struct jl_complaint *complaint) {
    const struct csv *csv = &capture->csv;
    struct jl_capture_item byte = {
        .at_ps = capture->now_ps, .kind = JL_ITEM_BYTE, .data = -1, .address = -1};
    bool has_byte = false, start = false, stop = false, yes;
    for (int i = 0; i < count && i < csv->columns; i++) {
        unsigned value = 0;
        char word[WORD];
        jl_host_plain_name(fields[i], word, sizeof word);
        if (!*fields[i]) {
            continue;
        }
        switch (csv->uses[i]) {
        case CSV_VALUE:
            if (!read_byte(fields[i], &value)) {
                return complain_of_field(capture, complaint, i, fields[i],
                                         "a byte in hexadecimal, 00 to FF");
            }
            has_byte = true;
            byte.value = (uint8_t)value;
            break;
        case CSV_DATA:
            if (!read_one_of_two(fields[i], &yes)) {
                return complain_of_field(capture, complaint, i, fields[i],
                                         "data or command, 1 or 0");
            }
            byte.data = yes;
            break;
        case CSV_ADDRESS:
            if (!read_byte(fields[i], &value) || value > 0x7F) {
                return complain_of_field(capture, complaint, i, fields[i],
                                         "a 7-bit address in hexadecimal, 00 to 7F");
            }
            byte.address = (int16_t)value;
            break;
        case CSV_START:
            start |= says_yes(fields[i]);
            break;
        case CSV_STOP:
            stop |= says_yes(fields[i]);
            break;
        case CSV_ACK:
            if (!read_one_of_two(fields[i], &yes)) {
                return complain_of_field(capture, complaint, i, fields[i], "ACK or NAK, 1 or 0");
            }
            byte.refused = !yes;
            break;
        case CSV_TYPE:
            start |= strcmp(word, "start") == 0 || strcmp(word, "restart") == 0;
            stop |= strcmp(word, "stop") == 0;
            byte.data = strcmp(word, "command") == 0 ? 0
                        : strcmp(word, "data") == 0  ? 1
                                                     : byte.data;
            break;
        default:
            break;
        }
    }
    if (start) {
        capture_queue(capture)->kind = JL_ITEM_START;
    }
    if (has_byte) {
        *capture_queue(capture) = byte;
    }
    if (stop) {
        capture_queue(capture)->kind = JL_ITEM_STOP;
    }
    return true;
}

bool jl_host_csv_more(struct jl_capture *capture, struct jl_complaint *complaint) {
    struct csv *csv = &capture->csv;
    char line[LINE], *fields[MOST_COLUMNS];
    line[0] = '\0';
    while (!capture->queued) {
        if (csv->first_line_due) {
            memcpy(line, csv->first_line, sizeof line);
            csv->first_line_due = false;
        } else if (!next_line(capture, line, complaint)) {
            return false;
        }
        if (!*line || *line == '#') {
            continue;
        }
        int count = cut(line, csv->separator, fields, MOST_COLUMNS);
        if (count <= csv->time_column) {
            return jl_complain_at(complaint, capture->source.path, capture->source.line - 1,
                                  "%d columns, expected %d as above", count, csv->columns);
        }
        if (!take_time(capture, fields[csv->time_column], complaint)) {
            return false;
        }
        if (capture->has_bytes) {
            if (!take_bytes(capture, fields, count, complaint)) {
                return false;
            }
            continue;
        }
        for (int i = 0; i < count && i < csv->columns; i++) {
            if (csv->uses[i] == CSV_LEVEL && !take_level(capture, i, fields[i], complaint)) {
                return false;
            }
        }
    }
    return true;
}
