/* What is shown: a program, or the test card, on which fingers leave marks. */
#include <string.h>

#include "../runs/light_content.h"
#include "../runs/run_load.h"
#include "jadelamp/controllers/memory_lcd.h"
#include "jadelamp/shapes.h"
#include "act_sheet.h"
#include "act_tap.h"

enum { MARK_RADIUS = 3, TOUCH_EVERY_US = 10000, VCOM_EVERY_US = 500000 };

/* ---- the test card ---- */

static jl_status show_test_card(struct jl_rig *rig) {
    const char *title = rig->card.controller->name;
    if (rig->card.cells.bus) {
        return jl_char_test_card(&rig->cells, title);
    }
    jl_host_draw_test_card(jl_rig_frame(rig), title);
    return jl_rig_present(rig);
}

static void mark_touches(struct jl_rig *rig) {
    struct jl_touch_point points[LINK_FINGERS];
    uint8_t count = 0;
    if (jl_touch_read(&rig->touch, points, LINK_FINGERS, &count) != JL_OK || !count) {
        return;
    }
    struct jl_target *target = &jl_rig_frame(rig)->target;
    for (uint8_t i = 0; i < count; i++) {
        jl_fill_circle(target, points[i].x, points[i].y, MARK_RADIUS,
                       points[i].finger ? JL_RGB(255, 160, 0) : JL_WHITE);
    }
    jl_rig_present(rig);
}

static bool has_vcom(const struct jl_rig *rig) {
    return rig->card.bus == JL_BUS_MEMORY_LCD;
}

static jl_status act_test_card(struct stage *stage) {
    bool goes_on = false;
    jl_status status = jl_host_wake_all(stage);
    for (int i = 0; i < stage->count && status == JL_OK; i++) {
        status = show_test_card(&stage->rigs[i]);
        goes_on |= stage->rigs[i].touch_device || has_vcom(&stage->rigs[i]);
    }
    for (int us = 0; goes_on && status == JL_OK; us = (us + TOUCH_EVERY_US) % VCOM_EVERY_US) {
        for (int i = 0; i < stage->count && status == JL_OK; i++) {
            if (stage->rigs[i].touch_device) {
                mark_touches(&stage->rigs[i]);
            }
            if (has_vcom(&stage->rigs[i]) && us == 0) {
                status = jl_memory_lcd_vcom(&stage->rigs[i].panel);
            }
        }
        jl_board_wait_ps(stage->rigs[0].board, TOUCH_EVERY_US * (uint64_t)1000000);
    }
    return status;
}

/* ---- programs ---- */

/* What the last program kept comes back, if it is as large. */
static void give_back(struct stage *stage, const struct jl_program_kept *kept) {
    unsigned bytes = atomic_load(&stage->link->kept_bytes);
    if (kept->bytes > JL_PROGRAM_KEPT_BYTES) {
        jl_host_stage_note(stage, "%s has %zu bytes, and %d can be kept", JL_PROGRAM_KEPT,
                           kept->bytes, JL_PROGRAM_KEPT_BYTES);
        return;
    }
    if (bytes == kept->bytes) {
        memcpy(kept->memory, stage->link->kept, bytes);
    } else if (bytes) {
        jl_host_stage_note(stage, "%s has %zu bytes, and had %u: it starts anew", JL_PROGRAM_KEPT,
                           kept->bytes, bytes);
    }
    stage->kept = kept;
}

static jl_status act_program(struct stage *stage, jl_program program) {
    static struct jl_host_meter meters[JL_WINDOW_MOST_CARDS];
    static struct jl_port ports[JL_WINDOW_MOST_CARDS];
    for (int i = 0; i < stage->count; i++) {
        /* No end: it is looked at as long as one likes. */
        meters[i] = (struct jl_host_meter){.rig = &stage->rigs[i], .most_us = 1e300};
        ports[i] = stage->rigs[i].port;
        jl_host_meter_stand(&meters[i], &ports[i]);
    }
    jl_status status = program(ports);
    for (int i = 0; i < stage->count; i++) {
        if (meters[i].other_bus) {
            jl_host_stage_note(stage, "the program talks another bus than %s is wired for",
                               stage->rigs[i].card.name);
        }
    }
    return status;
}

jl_status jl_host_act(struct stage *stage, struct jl_complaint *complaint) {
    const struct jl_window_request *request = stage->request;
    struct jl_host_object object = {.program = request->program};
    if (request->object) {
        if (!jl_host_object_load(request->object, &object, complaint)) {
            return JL_BAD_ARGUMENT;
        }
        const struct jl_program_kept *kept = jl_host_object_symbol(&object, JL_PROGRAM_KEPT);
        if (kept) {
            give_back(stage, kept);
        }
    }
    if (request->tap) {
        return jl_host_act_tap(stage, complaint);
    }
    if (request->sheet) {
        return jl_host_act_sheet(stage, complaint);
    }
    return object.program ? act_program(stage, object.program) : act_test_card(stage);
}
