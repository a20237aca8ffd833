/* Captures: which format a file has, and its items one by one. */
#include <ctype.h>
#include <stdlib.h>
#include <string.h>

#include "capture_reader.h"

/* VCD begins with a keyword, behind white space at most. */
static bool looks_like_vcd(struct jl_capture *capture) {
    while (isspace(source_peek(&capture->source))) {
        source_get(&capture->source);
    }
    return source_peek(&capture->source) == '$';
}

/* A tap in a file begins with the end of a frame: 0xC0. No text does, in ASCII or UTF-8. What comes
 * live is always one: who begins to listen hears the middle of a record. */
static bool looks_like_tap(struct jl_capture *capture) {
    return capture->source.live || source_peek(&capture->source) == 0xC0;
}

struct jl_capture *jl_capture_open(const char *path, const struct jl_capture_options *options,
                                   struct jl_complaint *complaint) {
    static const struct jl_capture_options usual = {0};
    struct jl_capture *capture = calloc(1, sizeof *capture);
    if (!capture) {
        jl_complain(complaint, "%s: out of memory", path);
        return NULL;
    }
    if (!jl_host_source_open(&capture->source, path, options ? options->live : NULL, complaint)) {
        free(capture);
        return NULL;
    }
    capture->format = looks_like_tap(capture)   ? FORMAT_TAP
                      : looks_like_vcd(capture) ? FORMAT_VCD
                                                : FORMAT_CSV;
    bool good = source_peek(&capture->source) != SOURCE_END;
    if (!good && capture->source.failed) {
        jl_host_source_complain(&capture->source, complaint);
    } else if (!good) {
        jl_complain(complaint, "%s: the file is empty: a VCD or a CSV file was expected", path);
    } else {
        good = capture->format == FORMAT_TAP ? jl_host_tap_begin(capture, complaint)
               : capture->format == FORMAT_CSV
                   ? jl_host_csv_begin(capture, options ? options : &usual, complaint)
                   : jl_host_vcd_begin(capture, complaint);
    }
    if (!good) {
        jl_capture_close(capture);
        return NULL;
    }
    return capture;
}

void jl_capture_close(struct jl_capture *capture) {
    if (!capture) {
        return;
    }
    for (size_t i = 0; i < capture->name_count; i++) {
        free((void *)(uintptr_t)capture->names[i].name);
    }
    free(capture->names);
    jl_host_source_close(&capture->source);
    free(capture);
}

size_t jl_capture_names(const struct jl_capture *capture, const struct jl_capture_name **names) {
    *names = capture->names;
    return capture->name_count;
}

bool jl_capture_has_bytes(const struct jl_capture *capture) {
    return capture->has_bytes;
}

uint64_t jl_capture_now_ps(const struct jl_capture *capture) {
    return capture->now_ps;
}

enum jl_capture_step jl_capture_next(struct jl_capture *capture, struct jl_capture_item *item,
                                     struct jl_complaint *complaint) {
    while (capture->taken == capture->queued) {
        capture->taken = capture->queued = 0;
        if (capture->broken) {
            *complaint = capture->complaint;
            return JL_CAPTURE_BAD;
        }
        complaint->text[0] = '\0';
        bool more = capture->format == FORMAT_TAP   ? jl_host_tap_more(capture, complaint)
                    : capture->format == FORMAT_CSV ? jl_host_csv_more(capture, complaint)
                                                    : jl_host_vcd_more(capture, complaint);
        /* What the last words of a file that is cut say is nonsense. */
        if (!more && capture->source.failed && capture->source.at == capture->source.end) {
            jl_host_source_complain(&capture->source, complaint);
        }
        /* What came before a broken line is handed out first. */
        capture->broken = !more && complaint->text[0];
        capture->complaint = *complaint;
        if (!more && !capture->queued) {
            return capture->broken ? JL_CAPTURE_BAD : JL_CAPTURE_END;
        }
    }
    *item = capture->queue[capture->taken++];
    return JL_CAPTURE_ITEM;
}
