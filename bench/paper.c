/*
 * What e-paper costs on each shipped card, in virtual time, exact and the same in every run: bytes
 * and wire time of a full update and of a clock field in a partial one, against the pixels alone,
 * and how long the glass takes. A black/white picture travels twice, for the new and for the old
 * plane; with red or greys there are two planes.
 */
#include <stdio.h>
#include <stdlib.h>

#include "jadelamp/draw.h"
#include "jadelamp/host/catalog.h"
#include "jadelamp/host/rig.h"
#include "jadelamp/text.h"

static void must(jl_status status) {
    if (status != JL_OK) {
        fprintf(stderr, "bench: %s\n", jl_status_text(status));
        exit(1);
    }
}

/* A present: bytes against the pixels it had to move, wire time, and all of it. */
static void present(struct jl_rig *rig, const char *what, unsigned long pixel_bytes) {
    double byte_us = 8e6 / rig->card.clock_hz;
    double start_us = jl_rig_now_us(rig);
    uint64_t start = jl_rig_bus_bytes(rig);
    must(jl_panel_present(&rig->panel, &rig->frame));
    unsigned long bytes = (unsigned long)(jl_rig_bus_bytes(rig) - start);
    printf("    %-8s %6lu bytes for %6lu of pixels, %+8.2f %%  wire %8.2f ms  in all %6.2f s\n",
           what, bytes, pixel_bytes, 100.0 * ((double)bytes / (double)pixel_bytes - 1),
           (double)bytes * byte_us / 1e3, (jl_rig_now_us(rig) - start_us) / 1e6);
}

static void measure(const struct jl_card *card) {
    static struct jl_rig rig;
    struct jl_complaint complaint = {""};
    if (!jl_rig_open(&rig, card, &complaint)) {
        fprintf(stderr, "bench: %s\n", complaint.text);
        exit(1);
    }
    struct jl_text_style style = {.font = &jl_font_6x8, .ink = JL_BLACK, .paper = JL_WHITE};
    const struct jl_format *format = rig.panel.format;
    unsigned long plane = (unsigned long)((card->width + 7) / 8 * card->height);
    bool greys = format == &jl_grey2_planes;
    /* The clock stands on 30 x 8 pixels within 32 x 8: four bytes a row. */
    unsigned long clock_bytes = 4 * 8 * (format->planes > 1 ? 1 : 2);
    printf("  %s\n", card->name);
    must(jl_panel_wake(&rig.panel));
    jl_text(&rig.frame.target, 9, 16, "12:46", &style);
    present(&rig, "full", 2 * plane);
    jl_text(&rig.frame.target, 9, 16, "21:35", &style);
    if (greys) {
        printf("    partial  none: greys take a full update\n");
    } else {
        present(&rig, "partial", clock_bytes);
    }
    if (!greys) {
        jl_board_wait_ps(rig.board, 200000000000000u);
        must(jl_epaper_request(&rig.panel, JL_UPDATE_FAST));
        double start_us = jl_rig_now_us(&rig);
        must(jl_panel_present(&rig.panel, &rig.frame));
        printf("    fast     the glass takes %.2f s\n", (jl_rig_now_us(&rig) - start_us) / 1e6);
    }
    jl_rig_close(&rig);
}

static void measure_card(void *context, const char *name, const char *path) {
    struct jl_card card;
    struct jl_complaint complaint = {""};
    (void)context;
    (void)name;
    if (!jl_card_read(path, &card, &complaint)) {
        fprintf(stderr, "bench: %s\n", complaint.text);
        exit(1);
    }
    if (card.controller->driver && card.controller->driver->paper) {
        measure(&card);
    }
}

int main(void) {
    puts("E-paper: a full update, and a clock of 30x8 pixels in a partial one");
    if (!jl_share_cards("cards", measure_card, NULL)) {
        fprintf(stderr, "bench: the cards are missing\n");
        return 1;
    }
    return 0;
}
