/* Timings in all forms. */
#include "jadelamp/host/timings.h"

const char *jl_timing_part_name(enum jl_timing_part part) {
    static const char *const names[] = {"sync", "back porch", "pixels", "front porch"};
    return names[part];
}

const char *jl_timing_form_name(enum jl_timing_form form) {
    static const char *const names[] = {"separate", "summed", "link"};
    return names[form];
}

static void fill(struct jl_timings *timings, int which, const struct jl_porches *porches,
                 int pixels, double link_per_clock) {
    const int separate[JL_TIMING_PARTS] = {porches->sync, porches->back, pixels, porches->front};
    int sum = 0;
    for (int part = 0; part < JL_TIMING_PARTS; part++) {
        sum += separate[part];
        timings->parts[which][JL_FORM_SEPARATE][part] = separate[part];
        timings->parts[which][JL_FORM_SUMMED][part] = sum - 1;
        timings->parts[which][JL_FORM_LINK][part] =
            (int)(separate[part] * (which ? 1.0 : link_per_clock) + 0.5);
    }
    timings->totals[which][JL_FORM_SEPARATE] = sum;
    timings->totals[which][JL_FORM_SUMMED] = sum - 1;
    timings->totals[which][JL_FORM_LINK] = (int)(sum * (which ? 1.0 : link_per_clock) + 0.5);
}

bool jl_timings_of(const struct jl_card *card, struct jl_timings *timings) {
    const struct jl_card_scanout *scanout = &card->scanout;
    const struct jl_scanout_config *config = &scanout->config;
    *timings = (struct jl_timings){.link_line = 0};
    if (!card->controller->scanned ||
        jl_scanout_sums(config, card->format->bits_per_pixel, &timings->sums) != JL_OK) {
        return false;
    }
    double link = (double)scanout->link_hz / config->clock_hz;
    fill(timings, 0, &config->line, config->width, link);
    fill(timings, 1, &config->picture, config->height, link);
    timings->link_line = timings->sums.line_clocks * link;
    timings->line_buffers = scanout->memory.buffers == JL_BUFFERS_LINES;
    size_t frame = timings->sums.frame_bytes;
    timings->buffers_bytes = timings->line_buffers
                                 ? 2 * frame / (size_t)config->height * (size_t)scanout->memory.rows
                             : scanout->memory.buffers == JL_BUFFERS_ONE ? frame
                                                                         : 2 * frame;
    return true;
}

static void print_row(FILE *out, const char *name, const struct jl_timings *timings, int part,
                      bool link) {
    const int forms = link ? JL_TIMING_FORMS : JL_FORM_LINK;
    fprintf(out, "  %-12s", name);
    for (int which = 0; which < 2; which++) {
        for (int form = 0; form < forms - which * link; form++) {
            int value = part < JL_TIMING_PARTS ? timings->parts[which][form][part]
                                               : timings->totals[which][form];
            fprintf(out, "%10d", value);
        }
        fprintf(out, "%s", which ? "\n" : "    ");
    }
}

void jl_timings_print(FILE *out, const struct jl_card *card, const struct jl_timings *timings) {
    const struct jl_scanout_sums *sums = &timings->sums;
    const struct jl_card_scanout *scanout = &card->scanout;
    bool link = scanout->link_hz != 0;
    uint8_t flags = scanout->config.flags;
    fprintf(out, "  %-12s%20s%s    %20s\n", "timings", "line, in clocks", link ? "          " : "",
            "picture, in lines");
    fprintf(out, "  %-12s%10s%10s%s    %10s%10s\n", "", "separate", "summed",
            link ? "      link" : "", "separate", "summed");
    for (int part = 0; part < JL_TIMING_PARTS; part++) {
        print_row(out, jl_timing_part_name((enum jl_timing_part)part), timings, part, link);
    }
    print_row(out, "total", timings, JL_TIMING_PARTS, link);
    fprintf(out, "  %-12s%s, HSYNC %s, VSYNC %s, DE %s, latched as the clock %s\n", "levels",
            flags & JL_SCANOUT_SYNC ? "by syncs" : "by DE",
            flags & JL_SCANOUT_HSYNC_HIGH ? "high" : "low",
            flags & JL_SCANOUT_VSYNC_HIGH ? "high" : "low",
            flags & JL_SCANOUT_DE_LOW ? "low" : "high",
            flags & JL_SCANOUT_FALLING ? "falls" : "rises");
    fprintf(out, "  %-12s%.2f pictures a second, %.2f us a line\n", "refresh",
            sums->refresh_mhz / 1e3, sums->line_ns / 1e3);
    if (link) {
        bool whole = timings->link_line - (int)(timings->link_line + 0.5) < 0.005 &&
                     (int)(timings->link_line + 0.5) - timings->link_line < 0.005;
        fprintf(out, "  %-12sa line takes %.2f byte clocks of %.2f MHz%s\n", "link",
                timings->link_line, scanout->link_hz / 1e6,
                whole ? "" : ", which is no whole number");
    }
    fprintf(out, "  %-12s%.0f KB a frame of %d bits, %s %.0f KB\n", "memory",
            sums->frame_bytes / 1024.0, card->format->bits_per_pixel,
            timings->line_buffers                       ? "line buffers"
            : scanout->memory.buffers == JL_BUFFERS_ONE ? "one of them"
                                                        : "two of them",
            (double)timings->buffers_bytes / 1024);
    fprintf(out, "  %-12s%.1f MB/s on the mean, %.1f MB/s while pixels go out\n", "bandwidth",
            sums->mean_bytes_s / 1e6, sums->peak_bytes_s / 1e6);
}
