/* A report on a card. */
#include "jadelamp/host/report.h"

#include <errno.h>
#include <stdlib.h>
#include <string.h>
#include <unistd.h>

#include "jadelamp/host/check.h"
#include "jadelamp/host/light.h"
#include "jadelamp/host/page.h"
#include "jadelamp/host/png.h"
#include "jadelamp/host/reading.h"
#include "jadelamp/host/timeline.h"
#include "jadelamp/version.h"

/* What was found out, before a page is begun. */
struct facts {
    struct jl_light_result light;
    struct jl_check_result check;
    char *told;     /* what the board says of first light, as text */
    char *sequence; /* read out, as text */
    bool has_bytes; /* else it is scanned out: nothing to read, and no timeline */
    char folder[900], timeline[1000];
};

static const char style[] =
    "body{font:15px/1.45 sans-serif;margin:24px auto;max-width:1180px;padding:0 20px;"
    "color:#1c2024}h1{margin-bottom:4px}h2{margin:28px 0 8px;border-bottom:1px solid #ccd2d8}"
    "pre{background:#f2f4f6;padding:10px;font-size:12.5px;white-space:pre-wrap}"
    "table{border-collapse:collapse}td,th{text-align:left;vertical-align:top;padding:4px 18px 4px "
    "0;border-bottom:1px solid "
    "#e2e6ea}td.n{text-align:right}.glass{max-width:100%}.wide{width:100%}.bad{color:#a01020;font-"
    "weight:bold}"
    "@media print{pre{background:none;border:1px solid #ccd2d8}"
    "img,tr{break-inside:avoid}}";

/* ---- finding out ---- */

struct listing {
    FILE *out;
    bool is_text;
    int lines;
};

static void take_line(void *context, const struct jl_reading_line *line) {
    struct listing *listing = context;
    if (listing->lines++ < JL_REPORT_LINES) {
        jl_reading_print(listing->out, line, listing->is_text);
    }
}

/* Ends a text in memory. False: not all of it found room. */
static bool end_text(FILE *out, struct jl_complaint *complaint) {
    bool whole = !ferror(out);
    return (fclose(out) == 0 && whole) || jl_complain(complaint, "out of memory for a report");
}

static bool read_out(const struct jl_card *card, struct facts *facts,
                     struct jl_complaint *complaint) {
    const struct jl_traffic_options options = {.awake = false};
    size_t bytes;
    struct jl_traffic *traffic =
        jl_traffic_open(facts->light.sight.capture_path, card, &options, complaint);
    if (!traffic) {
        return false;
    }
    struct listing listing = {.out = open_memstream(&facts->sequence, &bytes),
                              .is_text = card->cells.bus != JL_CELLS_NONE};
    bool good = listing.out ? jl_reading_run(traffic, take_line, &listing, complaint)
                            : jl_complain(complaint, "out of memory for a report");
    if (listing.out) {
        if (listing.lines > JL_REPORT_LINES) {
            fprintf(listing.out, "... and %d lines more\n", listing.lines - JL_REPORT_LINES);
        }
        good = end_text(listing.out, complaint) && good;
    }
    jl_traffic_close(traffic);
    return good;
}

static bool draw_timeline(const struct jl_card *card, struct facts *facts,
                          struct jl_complaint *complaint) {
    const struct jl_traffic_options options = {.awake = false};
    struct jl_traffic *traffic =
        jl_traffic_open(facts->light.sight.capture_path, card, &options, complaint);
    const struct jl_light_result *light = &facts->light;
    const struct jl_timeline_request request = {
        .path = facts->timeline,
        .to_ps = (uint64_t)((light->wake.microseconds + light->present.microseconds) * 1e6) + 1};
    snprintf(facts->timeline, sizeof facts->timeline, "%s/timeline.png", facts->folder);
    bool good = traffic && jl_timeline_write(traffic, &request, complaint);
    jl_traffic_close(traffic);
    return good;
}

static bool find_out(const struct jl_card *card, struct facts *facts,
                     struct jl_complaint *complaint) {
    /* Pixels of the photo are pixels of the page: a picture of a grid, made smaller, shows moire.
     */
    int scale = 600 / (card->width + 6);
    const struct jl_light_request request = {.directory = facts->folder,
                                             .scale = card->cells.bus ? 0
                                                      : scale < 2     ? 2
                                                      : scale > 8     ? 8
                                                                      : scale};
    size_t bytes;
    if (!jl_light(card, &request, &facts->light, complaint) ||
        !jl_check_card(card, &facts->check, complaint)) {
        return false;
    }
    struct jl_sight seen = facts->light.sight; /* without the files: these go */
    seen.glass_path[0] = seen.photo_path[0] = seen.capture_path[0] = '\0';
    FILE *out = open_memstream(&facts->told, &bytes);
    if (!out) {
        return jl_complain(complaint, "out of memory for a report");
    }
    jl_sight_print(out, &facts->light.rig, &seen);
    facts->has_bytes = !card->controller->scanned;
    return end_text(out, complaint) &&
           (!facts->has_bytes ||
            (read_out(card, facts, complaint) && draw_timeline(card, facts, complaint)));
}

/* ---- the page ---- */

static void heading(struct jl_file *file, const char *text) {
    jl_page_put(file, "<h2>");
    jl_page_text(file, text);
    jl_page_put(file, "</h2>\n");
}

static void listing_of(struct jl_file *file, const char *text) {
    jl_page_put(file, "<pre>");
    jl_page_text(file, text);
    jl_page_put(file, "</pre>\n");
}

static void cell(struct jl_file *file, const char *text) {
    jl_page_put(file, "<td>");
    jl_page_text(file, text);
    jl_page_put(file, "</td>");
}

static void put_findings(struct jl_file *file, const struct jl_check_result *check) {
    heading(file, "What a careful reader of the datasheet says");
    if (!check->found) {
        jl_page_put(file, "<p>Nothing to object to.</p>\n");
        return;
    }
    jl_page_put(file, "<table><tr><th>what comes of it</th><th>step</th><th>why</th><th>remedy"
                      "</th></tr>\n");
    for (size_t i = 0; i < check->count; i++) {
        const struct jl_check_finding *one = &check->findings[i];
        char step[160] = "the whole";
        if (one->step) {
            snprintf(step, sizeof step, "%d, %.3f ms: %s", one->step, (double)one->at_ps / 1e9,
                     one->command);
        }
        jl_page_put(file, "<tr>");
        cell(file, jl_check_grade_name(one->grade));
        cell(file, step);
        cell(file, one->reason);
        cell(file, one->remedy);
        jl_page_put(file, "</tr>\n");
    }
    jl_page_put(file, "</table>\n");
}

static void put_cost(struct jl_file *file, const char *what, jl_status status,
                     const struct jl_wire_cost *cost) {
    char number[60];
    jl_page_put(file, "<tr>");
    cell(file, what);
    snprintf(number, sizeof number, "<td class=\"n\">%.2f ms</td>", cost->microseconds / 1e3);
    jl_page_put(file, number);
    snprintf(number, sizeof number, "<td class=\"n\">%llu</td>", (unsigned long long)cost->bytes);
    jl_page_put(file, number);
    cell(file, jl_status_text(status));
    jl_page_put(file, "</tr>\n");
}

static bool put_wire(struct jl_file *file, const struct facts *facts,
                     struct jl_complaint *complaint) {
    heading(file, "On the wire");
    jl_page_put(file, "<table><tr><th></th><th>time</th><th>bytes</th><th>status</th></tr>\n");
    put_cost(file, "wake up", facts->light.wake_status, &facts->light.wake);
    put_cost(file, "the picture", facts->light.present_status, &facts->light.present);
    jl_page_put(file, "</table>\n");
    if (!facts->has_bytes) {
        return true;
    }
    jl_page_put(file, "<p><img class=\"wide\" alt=\"the wire over time\" src=\"");
    bool good = jl_page_file(file, facts->timeline, "image/png", complaint);
    jl_page_put(file, "\"></p>\n");
    return good;
}

static bool write_page(struct jl_file *file, const struct jl_card *card, const char *source,
                       const struct facts *facts, struct jl_complaint *complaint) {
    const char *why = facts->light.sight.why_dark;
    jl_page_put(file, "<!DOCTYPE html>\n<html lang=\"en\"><head><meta charset=\"utf-8\"><title>");
    jl_page_text(file, card->name);
    jl_page_put(file, "</title>\n<style>");
    jl_page_put(file, style);
    jl_page_put(file, "</style></head>\n<body><h1>");
    jl_page_text(file, card->name);
    jl_page_put(file, "</h1>\n<p>");
    jl_page_text(file, card->controller->name);
    jl_page_put(file, ", tried on an emulated board.</p>\n");
    if (why) {
        jl_page_put(file, "<p class=\"bad\">The glass stays dark: ");
        jl_page_text(file, why);
        jl_page_put(file, "</p>\n");
    }
    jl_page_put(file, "<p><img class=\"glass\" alt=\"the glass\" src=\"");
    bool good = jl_page_file(file, facts->light.sight.photo_path, "image/png", complaint);
    jl_page_put(file, "\"></p>\n");
    listing_of(file, facts->told);
    put_findings(file, &facts->check);
    good = good && put_wire(file, facts, complaint);
    heading(file, "The traffic, read out");
    if (facts->has_bytes) {
        listing_of(file, facts->sequence);
    } else {
        jl_page_put(file, "<p>Glass that is scanned out has no bytes to read.</p>\n");
    }
    heading(file, "The card");
    listing_of(file, source);
    jl_page_put(file, "<p>Jade Lamp " JL_VERSION_TEXT "</p>\n</body></html>\n");
    return good;
}

/* ---- all of it ---- */

static bool begin_folder(struct facts *facts, struct jl_complaint *complaint) {
    const char *root = getenv("TMPDIR");
    root = root && *root ? root : "/tmp";
    snprintf(facts->folder, sizeof facts->folder, "%.800s/jadelamp-XXXXXX", root);
    return mkdtemp(facts->folder) ||
           jl_complain(complaint, "cannot make a folder in %.800s: %s", root, strerror(errno));
}

static void end_folder(const struct facts *facts) {
    const struct jl_sight *sight = &facts->light.sight;
    const char *const paths[] = {sight->glass_path, sight->photo_path, sight->capture_path,
                                 facts->timeline};
    for (size_t i = 0; i < sizeof paths / sizeof paths[0]; i++) {
        if (*paths[i]) {
            unlink(paths[i]);
        }
    }
    rmdir(facts->folder);
}

bool jl_report_write(const struct jl_card *card, const char *source, const char *directory,
                     struct jl_report *report, struct jl_complaint *complaint) {
    struct jl_file file = {0};
    struct facts *facts = calloc(1, sizeof *facts);
    memset(report, 0, sizeof *report);
    if (!facts) {
        return jl_complain(complaint, "out of memory for a report");
    }
    bool good = begin_folder(facts, complaint);
    if (good) {
        good = find_out(card, facts, complaint) && jl_directory_make(directory, complaint) &&
               jl_path_join(report->path, sizeof report->path, directory, card->name,
                            "-report.html", complaint) &&
               jl_file_begin(&file, report->path, complaint);
        if (good) {
            good = write_page(&file, card, source, facts, complaint);
            good = good ? jl_file_commit(&file, complaint) : (jl_file_abandon(&file), false);
        }
        report->lit = good && !facts->light.sight.why_dark;
        report->findings = facts->check.found;
        end_folder(facts);
    }
    jl_light_close(&facts->light);
    free(facts->told);
    free(facts->sequence);
    free(facts);
    return good;
}
