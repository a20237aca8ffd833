/* Usual pictures and changes, through the library, as a program would send them. */
#include "jadelamp/host/workload.h"

#include <errno.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <unistd.h>

#include "jadelamp/direct.h"
#include "jadelamp/draw.h"
#include "jadelamp/host/file.h"
#include "jadelamp/host/rig.h"
#include "jadelamp/shapes.h"
#include "jadelamp/text.h"

enum { PICTURES = 10, STEPS = 20, PIXELS = 500 };

#define BETWEEN_PS 20000000000u

const struct jl_workload jl_workloads[] = {
    {"first-light", "the test card once"},
    {"pictures", "ten whole pictures"},
    {"number", "a number that counts, twenty times"},
    {"needle", "the needle of a dial, twenty steps around"},
    {"pixels", "a curve of 500 pixels, each in a window of its own"},
    {NULL, NULL},
};

static jl_status send(struct jl_rig *rig) {
    jl_status status = rig->card.cells.bus ? jl_char_present(&rig->cells) : jl_rig_present(rig);
    jl_board_wait_ps(rig->board, BETWEEN_PS);
    return status;
}

static jl_status first_light(struct jl_rig *rig) {
    if (rig->card.cells.bus) {
        jl_char_test_card(&rig->cells, rig->card.controller->name);
    } else {
        jl_draw_test_card(&rig->frame.target, rig->card.controller->name);
    }
    return send(rig);
}

/* Nothing of one is in the next one. */
static jl_status pictures(struct jl_rig *rig) {
    struct jl_target *target = &rig->frame.target;
    jl_status status = JL_OK;
    for (int i = 0; i < PICTURES && status == JL_OK; i++) {
        for (int16_t y = 0; y < target->height; y = (int16_t)(y + 8)) {
            for (int16_t x = 0; x < target->width; x = (int16_t)(x + 8)) {
                bool lit = (x / 8 + y / 8 + i) % 2;
                jl_fill_rect(target, (struct jl_rect){x, y, 8, 8}, lit ? JL_WHITE : JL_BLACK);
            }
        }
        jl_frame_damage_all(&rig->frame);
        status = send(rig);
    }
    return status;
}

static jl_status number(struct jl_rig *rig) {
    static const struct jl_text_style style = {
        .font = &jl_font_8x13, .ink = JL_WHITE, .paper = JL_BLACK};
    jl_status status = JL_OK;
    for (int i = 0; i < STEPS && status == JL_OK; i++) {
        if (rig->card.cells.bus) {
            jl_char_number(&rig->cells, 0, 0, 5, 195 + i, 2);
        } else {
            jl_text_number(&rig->frame.target, 2, 2, 195 + i, 2, &style);
        }
        status = send(rig);
    }
    return status;
}

static jl_status needle(struct jl_rig *rig) {
    struct jl_target *target = &rig->frame.target;
    int16_t half = (int16_t)((target->width < target->height ? target->width : target->height) / 2);
    struct jl_point middle = {(int16_t)(target->width / 2), (int16_t)(target->height / 2)};
    struct jl_point tip = middle;
    jl_status status = JL_OK;
    jl_stroke_circle(target, middle.x, middle.y, (int16_t)(half - 1), JL_WHITE);
    for (int i = 0; i < STEPS && status == JL_OK; i++) {
        jl_draw_line(target, middle.x, middle.y, tip.x, tip.y, JL_BLACK);
        tip = jl_point_at(middle, (jl_direction)(i * 65536 / STEPS), (int16_t)(half - 4));
        jl_draw_line(target, middle.x, middle.y, tip.x, tip.y, JL_WHITE);
        status = send(rig);
    }
    return status;
}

static jl_status pixels(struct jl_rig *rig) {
    struct jl_direct direct;
    uint8_t buffer[64];
    jl_status status = jl_direct_init(&direct, &rig->panel, buffer, sizeof buffer);
    if (status != JL_OK) {
        return status;
    }
    int16_t width = direct.target.width, height = direct.target.height;
    for (int i = 0; i < PIXELS; i++) {
        int32_t wave = jl_sine((jl_direction)(i * 65536 / PIXELS));
        int16_t y = (int16_t)((height - 1) * (16384 + wave) / 32768);
        jl_draw_pixel(&direct.target, (int16_t)(i * width / PIXELS), y, JL_WHITE);
    }
    jl_board_wait_ps(rig->board, BETWEEN_PS);
    return direct.status;
}

static const struct job {
    jl_status (*run)(struct jl_rig *rig);
    bool dots; /* not for cells */
} jobs[] = {
    {first_light, false}, {pictures, true}, {number, false}, {needle, true}, {pixels, true}};

static bool find(const char *name, size_t *at, struct jl_complaint *complaint) {
    for (*at = 0; jl_workloads[*at].name; ++*at) {
        if (strcmp(jl_workloads[*at].name, name) == 0) {
            return true;
        }
    }
    return jl_complain(complaint,
                       "there is no workload \"%.40s\": expected first-light, pictures, number, "
                       "needle or pixels",
                       name);
}

static bool record(struct jl_rig *rig, const struct job *job, const char *name, const char *path,
                   struct jl_complaint *complaint) {
    struct jl_file file = {0};
    if (!jl_file_begin(&file, path, complaint)) {
        return false;
    }
    jl_status status = jl_rig_wake(rig);
    jl_rig_record(rig, &file);
    status = status == JL_OK ? job->run(rig) : status;
    jl_rig_record_end(rig, &file);
    if (status != JL_OK) {
        jl_file_abandon(&file);
        return jl_complain(complaint, "%s cannot show \"%s\": %s", rig->card.name, name,
                           jl_status_text(status));
    }
    return jl_file_commit(&file, complaint);
}

bool jl_workload_record(const struct jl_card *card, const char *name, const char *path,
                        struct jl_complaint *complaint) {
    size_t at;
    if (!find(name, &at, complaint)) {
        return false;
    }
    bool paper = !card->cells.bus && card->controller->driver->paper;
    if (card->controller->scanned || paper || (card->cells.bus && jobs[at].dots)) {
        return jl_complain(complaint, "the workload %s is not for %s: %s", name, card->name,
                           card->cells.bus             ? "it has cells, and no pixels"
                           : card->controller->scanned ? "it is scanned out"
                                                       : "e-paper changes by updates");
    }
    struct jl_rig *rig = malloc(sizeof *rig);
    if (!rig) {
        return jl_complain(complaint, "out of memory for the board of %s", card->name);
    }
    bool good = jl_rig_open(rig, card, complaint);
    if (good) {
        good = record(rig, &jobs[at], name, path, complaint);
        jl_rig_close(rig);
    }
    free(rig);
    return good;
}

struct jl_traffic *jl_workload_traffic(const struct jl_card *card, const char *name,
                                       struct jl_complaint *complaint) {
    char folder[900], path[1000];
    const char *root = getenv("TMPDIR");
    snprintf(folder, sizeof folder, "%.800s/jadelamp-XXXXXX", root && *root ? root : "/tmp");
    if (!mkdtemp(folder)) {
        jl_complain(complaint, "cannot make a folder in %.800s: %s", root ? root : "/tmp",
                    strerror(errno));
        return NULL;
    }
    snprintf(path, sizeof path, "%s/work.vcd", folder);
    const struct jl_traffic_options awake = {.awake = true};
    struct jl_traffic *traffic = NULL;
    if (jl_workload_record(card, name, path, complaint)) {
        traffic = jl_traffic_open(path, card, &awake, complaint);
    }
    unlink(path);
    rmdir(folder);
    return traffic;
}
