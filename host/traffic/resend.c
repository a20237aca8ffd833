/* Completed pictures, through frames of the card's own, to boards that count their bytes. */
#include "resend.h"

#include <stdlib.h>
#include <string.h>

#include "jadelamp/draw.h"
#include "jadelamp/host/compare.h"

#define USUAL_PAUSE_PS 1000000000u
#define LIGHT_UP_PS    200000000000u

enum way { CHANGES, IN_WHOLE, WAYS };

struct resending {
    struct jl_traffic *traffic;
    struct board {
        struct jl_rig rig;
        bool open, awake;
        void *shadow;
        uint64_t before; /* bytes that do not count */
    } boards[WAYS];
    struct jl_picture last;
    bool has_last;
    struct resent resent;
};

static void draw(struct jl_target *target, const struct jl_picture *picture) {
    for (int y = 0; y < picture->height; y++) {
        for (int x = 0; x < picture->width; x++) {
            const uint8_t *rgb = jl_picture_at(picture, x, y);
            jl_draw_pixel(target, (int16_t)x, (int16_t)y, JL_RGB(rgb[0], rgb[1], rgb[2]));
        }
    }
}

/* False: the board does not show that picture. */
static bool send(struct board *board, enum way way, const struct jl_picture *picture,
                 struct resent *resent) {
    struct jl_rig *rig = &board->rig;
    struct jl_picture seen;
    if (!board->awake) {
        board->awake = jl_rig_wake(rig) == JL_OK;
        /* It clears the memory, which the first picture fills all the same. */
        board->before =
            jl_frame_bytes(rig->frame.format, rig->frame.target.width, rig->frame.target.height);
    }
    draw(&rig->frame.target, picture);
    jl_status status;
    if (way == CHANGES) {
        status = jl_panel_present_changes(&rig->panel, &rig->frame, board->shadow);
    } else {
        jl_frame_damage_all(&rig->frame);
        status = jl_panel_present(&rig->panel, &rig->frame);
    }
    jl_board_wait_ps(rig->board, LIGHT_UP_PS);
    if (status != JL_OK) {
        return false;
    }
    if (!jl_rig_look(rig, &seen)) {
        resent->failed = true;
        return false;
    }
    bool shown = jl_picture_compare(&seen, picture, 0, NULL) == 0;
    jl_picture_free(&seen);
    return shown;
}

static void look(void *context, uint64_t at_ps, bool is_pause) {
    struct resending *resending = context;
    struct jl_rig *rig = jl_traffic_rig(resending->traffic);
    struct jl_picture glass;
    (void)at_ps;
    if (!is_pause || jl_device_why_dark(rig->device)) {
        return;
    }
    if (!jl_rig_look(rig, &glass)) {
        resending->resent.failed = true;
        return;
    }
    if (resending->has_last && jl_picture_compare(&resending->last, &glass, 0, NULL) == 0) {
        jl_picture_free(&glass);
        return;
    }
    for (int way = 0; way < WAYS; way++) {
        resending->resent.others |=
            !send(&resending->boards[way], (enum way)way, &glass, &resending->resent);
    }
    resending->resent.pictures++;
    if (resending->has_last) {
        jl_picture_free(&resending->last);
    }
    resending->last = glass;
    resending->has_last = true;
}

/* E-paper and cells have no frames that could be sent so. */
static bool can_resend(const struct jl_card *card) {
    return !card->cells.bus && !card->controller->driver->paper;
}

static bool open_board(struct board *board, const struct jl_card *card, bool awake) {
    struct jl_complaint complaint;
    board->open = jl_rig_open(&board->rig, card, &complaint);
    board->shadow = board->open ? malloc(jl_frame_bytes(card->format, board->rig.frame.target.width,
                                                        board->rig.frame.target.height))
                                : NULL;
    if (board->shadow && awake) { /* neither its wake-up nor the dark picture is in the capture */
        board->awake =
            jl_rig_wake(&board->rig) == JL_OK &&
            jl_panel_present_changes(&board->rig.panel, &board->rig.frame, board->shadow) == JL_OK;
        board->before = jl_rig_bus_bytes(&board->rig);
    }
    return board->shadow != NULL;
}

struct resending *jl_host_resend_begin(struct jl_traffic *traffic, uint64_t pause_ps) {
    const struct jl_card *card = &jl_traffic_rig(traffic)->card;
    struct resending *resending = calloc(1, sizeof *resending);
    bool good = resending != NULL;
    if (!good || !can_resend(card)) {
        return resending;
    }
    resending->traffic = traffic;
    resending->resent.at_all = true;
    for (int way = 0; way < WAYS; way++) {
        good = good && open_board(&resending->boards[way], card, jl_traffic_was_awake(traffic));
    }
    if (!good) {
        jl_host_resend_end(resending);
        return NULL;
    }
    if (jl_traffic_was_awake(traffic)) { /* what is on the glass at first is no new picture */
        jl_board_wait_ps(resending->boards[0].rig.board, LIGHT_UP_PS);
        resending->has_last = jl_rig_look(&resending->boards[0].rig, &resending->last);
        resending->resent.failed = !resending->has_last;
    }
    jl_traffic_watch(traffic,
                     &(struct jl_traffic_watch){.pause_ps = pause_ps ? pause_ps : USUAL_PAUSE_PS,
                                                .fn = look,
                                                .context = resending});
    return resending;
}

struct resent jl_host_resent(const struct resending *resending) {
    struct resent resent = resending->resent;
    if (resent.pictures) {
        const struct board *boards = resending->boards;
        resent.changes = jl_rig_bus_bytes(&boards[CHANGES].rig) - boards[CHANGES].before;
        resent.in_whole = jl_rig_bus_bytes(&boards[IN_WHOLE].rig) - boards[IN_WHOLE].before;
    }
    return resent;
}

void jl_host_resend_end(struct resending *resending) {
    for (int way = 0; resending && way < WAYS; way++) {
        if (resending->boards[way].open) {
            jl_rig_close(&resending->boards[way].rig);
        }
        free(resending->boards[way].shadow);
    }
    if (resending && resending->has_last) {
        jl_picture_free(&resending->last);
    }
    free(resending);
}
