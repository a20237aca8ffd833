/* Lines of a reading, for a person. */
#include <stdio.h>

#include "jadelamp/host/reading.h"

static void print_command(FILE *out, const struct jl_reading_line *line) {
    const struct jl_explained *explained = line->explained;
    char words[400];
    jl_explain_words(explained, words, sizeof words);
    if (line->unseen && explained->count) {
        snprintf(words, sizeof words, "%zu byte%s, not seen: the capture has no MISO",
                 explained->count, explained->count == 1 ? "" : "s");
    }
    fprintf(out, "%02X    %-*s%s%s", explained->opcode, *words ? 24 : 0,
            explained->name ? explained->name : "unknown command", *words ? "  " : "", words);
    if (explained->missing) {
        fprintf(out, "  (%d argument%s missing)", explained->missing,
                explained->missing > 1 ? "s" : "");
    }
}

/* The first ones, as ASCII has them. */
static void print_characters(FILE *out, const struct jl_explained *explained) {
    fprintf(out, "  \"");
    for (size_t i = 0; i < explained->count && i < 16; i++) {
        uint8_t c = explained->begins[i];
        fputc(c >= ' ' && c <= '~' ? c : '.', out);
    }
    fputc('"', out);
}

/* Whether data changed anything: said where most of them did not. */
static void print_news(FILE *out, const struct jl_reading_line *line) {
    if (line->places && !line->anew) {
        fprintf(out, "; nothing new");
    } else if (line->places && 100 * line->anew < 95 * line->places) {
        double share = 100.0 * (double)line->anew / (double)line->places;
        if (share < 1) {
            fprintf(out, "; less than 1 %% new");
        } else {
            fprintf(out, "; %.0f %% new", share);
        }
    }
}

void jl_reading_print(FILE *out, const struct jl_reading_line *line, bool is_text) {
    char words[100];
    fprintf(out, "%12.3f ms  ", (double)line->at_ps / 1e9);
    switch (line->kind) {
    case JL_LINE_COMMAND:
        print_command(out, line);
        break;
    case JL_LINE_DATA:
        jl_explain_words(line->explained, words, sizeof words);
        fprintf(out, "data  %-24zu  %s", line->explained->count, words);
        if (is_text) {
            print_characters(out, line->explained);
        }
        if (line->has_box && line->pixels) {
            fprintf(out, "  %llu pixels into columns %d to %d, rows %d to %d",
                    (unsigned long long)line->pixels, line->box.left, line->box.right,
                    line->box.top, line->box.bottom);
        }
        print_news(out, line);
        break;
    case JL_LINE_READ:
        fprintf(out, "read  %-24llu  the last %02X", (unsigned long long)line->count, line->last);
        break;
    case JL_LINE_WAIT:
        fprintf(out, "wait  %.3f ms", (double)(line->until_ps - line->at_ps) / 1e9);
        break;
    case JL_LINE_RESET:
    case JL_LINE_LIGHT:
        fprintf(out, "%s %s", jl_line_kind_name(line->kind), line->high ? "high" : "low");
        break;
    case JL_LINE_DIAGNOSTIC:
        fprintf(out, "  %s: %s", jl_severity_name(line->diagnostic->severity), line->text);
        break;
    default:
        fprintf(out, "  doubt: %s", line->text);
        break;
    }
    fputc('\n', out);
}
