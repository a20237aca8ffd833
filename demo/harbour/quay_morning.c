/* The quay gauge runs through a morning. */
#include "jadelamp/demo/harbour.h"

#include <stdio.h>
#include <string.h>

#include "jadelamp/host/file.h"
#include "jadelamp/host/frame_picture.h"
#include "jadelamp/host/png.h"
#include "quay_gauge.h"

#define BETWEEN_PS 50000000000u /* of the ten minutes from reading to reading */

static struct quay_reading reading_at(const struct jl_tide_table *table, int row) {
    const struct jl_tide_row *now = &table->rows[row];
    const struct jl_tide_row *next = row + 1 < table->count ? now + 1 : now;
    int change = next->height_cm - now->height_cm;
    int high = jl_tide_next_high(table, row);
    return (struct quay_reading){
        .minute = now->minute,
        .height_cm = now->height_cm,
        .trend = change > 1    ? TIDE_RISING
                 : change < -1 ? TIDE_FALLING
                               : TIDE_SLACK,
        .next_high_minute = high < 0 ? -1 : table->rows[high].minute,
        .next_high_cm = high < 0 ? 0 : table->rows[high].height_cm,
    };
}

static struct jl_wire_cost cost_since(const struct jl_rig *rig, double us, uint64_t bytes) {
    return (struct jl_wire_cost){jl_rig_now_us(rig) - us, jl_rig_bus_bytes(rig) - bytes};
}

/* What the next present will send, as a picture. */
static bool write_damage(const struct jl_rig *rig, const char *directory,
                         struct jl_complaint *complaint) {
    char path[1024];
    struct jl_picture picture;
    if (!jl_path_join(path, sizeof path, directory, "quay-gauge-damage", ".png", complaint)) {
        return false;
    }
    if (!jl_damage_picture(&rig->frame, 8, &picture)) {
        return jl_complain(complaint, "out of memory for %s", path);
    }
    bool good = jl_png_write(path, &picture, complaint);
    jl_picture_free(&picture);
    return good;
}

static bool show_row(struct jl_rig *rig, const struct jl_tide_table *table, int row,
                     const char *damage_directory, struct jl_demo_step *step,
                     struct jl_complaint *complaint) {
    struct quay_reading reading = reading_at(table, row);
    double us = jl_rig_now_us(rig);
    uint64_t bytes = jl_rig_bus_bytes(rig);
    quay_gauge_draw(&rig->frame.target, &reading);
    if (damage_directory && !write_damage(rig, damage_directory, complaint)) {
        return false;
    }
    step->minute = reading.minute;
    step->height_cm = reading.height_cm;
    /* As firmware does it: a panel that was lost is woken again, with the next reading. */
    step->status = jl_panel_status(&rig->panel);
    if (step->status != JL_OK) {
        step->status = jl_panel_wake(&rig->panel);
    }
    if (step->status == JL_OK) {
        step->status = jl_panel_present(&rig->panel, &rig->frame);
    }
    step->cost = cost_since(rig, us, bytes);
    jl_board_wait_ps(rig->board, BETWEEN_PS);
    return true;
}

static bool run(struct jl_rig *rig, const struct jl_tide_table *table, int first,
                struct jl_demo_result *result, struct jl_complaint *complaint) {
    result->wake_status = jl_panel_wake(&rig->panel);
    result->wake = cost_since(rig, 0, 0);
    for (int i = 0; i < result->step_count; i++) {
        if (!show_row(rig, table, first + i, i == 1 ? result->directory : NULL, &result->steps[i],
                      complaint)) {
            return false;
        }
        bool ends = i == 0 || i == result->step_count - 1;
        const char *base = i == 0 ? "quay-gauge-first" : "quay-gauge-last";
        if (ends && !jl_rig_photograph(rig, result->directory, base, 8, complaint)) {
            return false;
        }
    }
    result->diagnostics = jl_board_diagnostic_total(rig->board);
    return true;
}

bool jl_demo_quay_gauge(const char *data, const char *directory,
                        const struct jl_demo_morning *morning, struct jl_demo_result *result,
                        struct jl_complaint *complaint) {
    int first = morning->first, count = morning->count;
    struct jl_tide_table table;
    struct jl_card card;
    struct jl_rig rig;
    char path[1024];
    memset(result, 0, sizeof *result);
    snprintf(result->directory, sizeof result->directory, "%s", directory);
    if (strlen(data) > sizeof path - 64) {
        return jl_complain(complaint, "the path is too long: %.80s...", data);
    }
    snprintf(path, sizeof path, "%s/data/tide.csv", data);
    if (!jl_tide_read(path, &table, complaint)) {
        return false;
    }
    int most = (int)(sizeof result->steps / sizeof result->steps[0]);
    if (first < 0 || count < 1 || count > most || first + count > table.count) {
        return jl_complain(complaint, "%s has %d rows: readings %d to %d are not there", path,
                           table.count, first, first + count - 1);
    }
    result->step_count = count;
    snprintf(path, sizeof path, "%s/cards/quay-gauge.card", data);
    if (!jl_card_read(path, &card, complaint) || !jl_directory_make(directory, complaint) ||
        !jl_rig_open(&rig, &card, complaint)) {
        return false;
    }
    struct jl_file capture;
    bool good = jl_path_join(path, sizeof path, directory, "quay-gauge", ".vcd", complaint) &&
                jl_file_begin(&capture, path, complaint);
    if (good) {
        jl_rig_record(&rig, &capture);
        good =
            jl_fault_inject(morning->faults, morning->fault_count, &rig, UINT64_MAX, complaint) &&
            run(&rig, &table, first, result, complaint);
        jl_rig_record_end(&rig, &capture);
        if (good) {
            good = jl_file_commit(&capture, complaint);
        } else {
            jl_file_abandon(&capture);
        }
    }
    jl_rig_close(&rig);
    return good;
}
