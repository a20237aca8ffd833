/* First light of a card. */
#include "jadelamp/host/light.h"

#include <stdlib.h>
#include <string.h>

#include "jadelamp/draw.h"
#include "jadelamp/host/file.h"

static void inject(struct jl_rig *rig, const struct jl_light_request *request) {
    switch (request->fault) {
    case JL_LIGHT_UNPLUGGED:
        jl_device_set_plugged(rig->device, false);
        if (rig->expander) {
            jl_device_set_plugged(rig->expander, false);
        }
        break;
    case JL_LIGHT_SDA_LOW:
        if (rig->sim.i2c) {
            jl_i2c_hold_sda(rig->sim.i2c, true);
        }
        break;
    case JL_LIGHT_NACK_AT:
        if (rig->sim.i2c) {
            jl_i2c_fail_at(rig->sim.i2c, request->fault_byte, true);
        }
        break;
    case JL_LIGHT_NO_FAULT:
        break;
    }
}

static void draw_test_card(struct jl_frame *frame, const char *title) {
    unsigned bits = frame->format->bits_per_pixel;
    if (bits == 1) {
        jl_draw_test_card(&frame->target, title);
    } else if (bits <= 4) {
        jl_draw_grey_test_card(&frame->target, title);
    } else {
        jl_draw_color_test_card(&frame->target, title);
    }
}

static void run(struct jl_light_result *result) {
    struct jl_rig *rig = &result->rig;
    double start_us = jl_rig_now_us(rig);
    uint64_t start_bytes = jl_rig_bus_bytes(rig);
    bool cells = rig->card.cells.bus != JL_CELLS_NONE;
    result->wake_status = cells ? jl_char_wake(&rig->cells) : jl_panel_wake(&rig->panel);
    double woken_us = jl_rig_now_us(rig);
    uint64_t woken_bytes = jl_rig_bus_bytes(rig);
    if (cells) {
        result->present_status = jl_char_test_card(&rig->cells, rig->card.controller->name);
    } else {
        draw_test_card(&rig->frame, rig->card.controller->name);
        result->present_status = jl_panel_present(&rig->panel, &rig->frame);
    }
    result->wake = (struct jl_wire_cost){woken_us - start_us, woken_bytes - start_bytes};
    result->present =
        (struct jl_wire_cost){jl_rig_now_us(rig) - woken_us, jl_rig_bus_bytes(rig) - woken_bytes};
}

/* The text on a character module; NULL: no memory. */
static char *text_of(struct jl_device *device) {
    size_t size = jl_cells_text(device, NULL, 0) + 1;
    char *text = malloc(size);
    if (text) {
        jl_cells_text(device, text, size);
    }
    return text;
}

bool jl_light(const struct jl_card *card, const struct jl_light_request *request,
              struct jl_light_result *result, struct jl_complaint *complaint) {
    struct jl_file capture = {0};
    memset(result, 0, sizeof *result);
    if (!jl_rig_open(&result->rig, card, complaint) ||
        !jl_directory_make(request->directory, complaint) ||
        !jl_path_join(result->capture_path, sizeof result->capture_path, request->directory,
                      card->name, ".vcd", complaint) ||
        !jl_file_begin(&capture, result->capture_path, complaint)) {
        return false;
    }
    struct jl_rig *rig = &result->rig;
    inject(rig, request);
    jl_board_record(rig->board, jl_file_write, &capture);
    run(result);
    jl_board_record_end(rig->board);
    if (!jl_file_commit(&capture, complaint)) {
        return false;
    }
    if (!jl_rig_photograph(rig, request->directory, card->name, request->scale, complaint)) {
        return false;
    }
    result->why_dark = jl_device_why_dark(rig->device);
    if (card->cells.bus && !(result->cells_text = text_of(rig->device))) {
        return jl_complain(complaint, "out of memory for the text of %s", card->name);
    }
    return jl_device_picture(rig->device, &result->glass) ||
           jl_complain(complaint, "out of memory for the picture of %s", card->name);
}

void jl_light_close(struct jl_light_result *result) {
    jl_picture_free(&result->glass);
    free(result->cells_text);
    jl_rig_close(&result->rig);
}
