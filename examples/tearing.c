/*
 * Tearing, and how to avoid it: a buoy moves to the right on a panel that scans its glass from top
 * to bottom, 59 times a second. On the left the picture was presented at any moment, on the
 * right when the scan paused. Both are what a person would have seen in the scan after.
 *
 * For the desktop: it looks at the simulated glass. The calls of the library are the same on
 * hardware.
 */
#include <stdio.h>

#include "jadelamp/beam.h"
#include "jadelamp/host/file.h"
#include "jadelamp/host/frame_picture.h"
#include "jadelamp/host/png.h"
#include "jadelamp/host/rig.h"
#include "jadelamp/jadelamp.h"

enum { SCALE = 3, TIMEOUT_MS = 40 };

static void draw_buoy(struct jl_target *t, int16_t x) {
    const struct jl_point body[] = {{(int16_t)(x - 34), 268},
                                    {(int16_t)(x - 14), 70},
                                    {(int16_t)(x + 14), 70},
                                    {(int16_t)(x + 34), 268}};
    jl_clear(t, JL_RGB(120, 180, 220));
    jl_fill_rect(t, (struct jl_rect){0, 250, t->width, 70}, JL_RGB(20, 70, 110));
    jl_fill_polygon(t, body, 4, JL_RED);
    jl_fill_rect(t, (struct jl_rect){(int16_t)(x - 24), 150, 48, 40}, JL_WHITE);
    jl_fill_circle(t, x, 54, 16, JL_YELLOW);
}

/* Two pictures; `seen` receives the scan in which the second one came. */
static jl_status move_buoy(struct jl_rig *rig, bool wait, struct jl_picture *seen) {
    draw_buoy(&rig->frame.target, 60);
    jl_status status = jl_panel_present(&rig->panel, &rig->frame);
    if (status == JL_OK) {
        status = jl_beam_wait(&rig->panel, JL_BEAM_TOP, TIMEOUT_MS);
    }
    rig->port.ops->wait_us(rig->port.context, 5000); /* the program does other things */
    draw_buoy(&rig->frame.target, 110);
    if (status == JL_OK) {
        status = wait ? jl_beam_present(&rig->panel, &rig->frame, JL_BEAM_BLANK, TIMEOUT_MS)
                      : jl_panel_present(&rig->panel, &rig->frame);
    }
    if (status == JL_OK) {
        status = jl_beam_wait(&rig->panel, JL_BEAM_BLANK, TIMEOUT_MS);
    }
    return status == JL_OK && !jl_device_seen(rig->device, seen) ? JL_TOO_SMALL : status;
}

static bool write_pair(const struct jl_rig *rig, const struct jl_picture seen[2], const char *path,
                       struct jl_complaint *complaint) {
    struct jl_picture photos[2], sheet;
    const struct jl_glass *glass = jl_device_glass(rig->device);
    bool good = jl_glass_photo(glass, &seen[0], 255, true, SCALE, &photos[0]) &&
                jl_glass_photo(glass, &seen[1], 255, true, SCALE, &photos[1]) &&
                jl_picture_create(&sheet, 2 * photos[0].width, photos[0].height);
    if (!good) {
        return jl_complain(complaint, "out of memory for %s", path);
    }
    jl_picture_place(&sheet, &photos[0], 0, 0);
    jl_picture_place(&sheet, &photos[1], photos[0].width, 0);
    good = jl_png_write(path, &sheet, complaint);
    jl_picture_free(&photos[0]);
    jl_picture_free(&photos[1]);
    jl_picture_free(&sheet);
    return good;
}

int main(int argc, char **argv) {
    char path[1024];
    struct jl_card card;
    struct jl_rig rig;
    struct jl_complaint complaint = {""};
    struct jl_picture seen[2] = {{0}};
    if (!jl_path_join(path, sizeof path, argc > 1 ? argv[1] : ".", "tearing", ".png", &complaint) ||
        !jl_card_find("st7789-170x320-8080", &card, &complaint) ||
        !jl_rig_open(&rig, &card, &complaint)) {
        fprintf(stderr, "%s\n", complaint.text);
        return 2;
    }
    jl_status status = jl_panel_wake(&rig.panel);
    for (int wait = 0; wait < 2 && status == JL_OK; wait++) {
        status = move_buoy(&rig, wait, &seen[wait]);
    }
    bool saved = status == JL_OK && write_pair(&rig, seen, path, &complaint);
    printf("tearing: %s; %s\n", jl_status_text(status), saved ? path : complaint.text);
    jl_picture_free(&seen[0]);
    jl_picture_free(&seen[1]);
    jl_rig_close(&rig);
    return saved ? 0 : 1;
}
