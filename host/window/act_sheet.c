/* A screen sheet as it is edited: read anew when it is saved, with values by hand or by sample. */
#include "act_sheet.h"

#include "jadelamp/draw.h"

#include <string.h>
#include <sys/stat.h>
#include <time.h>

enum { TICK_US = 20000, SAMPLE_US = 1000000 };

struct showing {
    struct stage *stage;
    struct jl_screen *screen; /* NULL: the sheet is wrong, and what was shown stays */
    struct jl_screen_state state, shown;
    bool anew;  /* it was saved, and is not on the glass yet */
    bool whole; /* nothing of the sheet is on the frame yet */
    struct stat file;
    unsigned set[JL_SCREEN_VALUES]; /* how often the hand set it */
    int32_t by_hand[JL_SCREEN_VALUES];
    struct jl_gestures gestures;
    struct jl_key keys[LINK_KEYS];
};

static bool is_saved(const struct showing *showing, struct stat *now) {
    return stat(showing->stage->request->sheet, now) == 0 &&
           (now->st_mtim.tv_sec != showing->file.st_mtim.tv_sec ||
            now->st_mtim.tv_nsec != showing->file.st_mtim.tv_nsec ||
            now->st_size != showing->file.st_size || now->st_ino != showing->file.st_ino);
}

static void tell_findings(struct showing *showing) {
    const char *const *list;
    size_t count = jl_screen_findings(showing->screen, &list);
    for (size_t i = 0; i < count; i++) {
        jl_host_stage_line(showing->stage, JL_SEVERITY_WARNING, list[i]);
    }
}

/* Values that the hand has set, by their names: a sheet that is edited has them in other places. */
static void keep_sets(struct showing *showing, const struct jl_screen *old,
                      const struct jl_screen *new) {
    int32_t numbers[JL_SCREEN_VALUES] = {0};
    bool has[JL_SCREEN_VALUES] = {false};
    for (int i = 0; i < jl_screen_value_count(new); i++) {
        struct jl_screen_value value = jl_screen_value(new, i);
        int was = old ? jl_screen_value_find(old, value.name) : -1;
        if (was >= 0 && showing->set[was]) {
            int32_t number = showing->by_hand[was];
            has[i] = true;
            numbers[i] = number < value.least  ? value.least
                         : number > value.most ? value.most
                                               : number;
        }
    }
    for (int i = 0; i < JL_SCREEN_VALUES; i++) {
        showing->set[i] = has[i];
        showing->by_hand[i] = numbers[i];
    }
}

/* False: complained, for the window to tell. */
static bool read_sheet(struct showing *showing, struct jl_complaint *complaint) {
    struct stage *stage = showing->stage;
    struct jl_screen_glass glass = jl_screen_glass_of(&stage->rigs[0].card);
    struct jl_screen *screen = jl_screen_read(stage->request->sheet, &glass, complaint);
    if (!screen) {
        return false;
    }
    keep_sets(showing, showing->screen, screen);
    jl_screen_free(showing->screen);
    showing->screen = screen;
    if (showing->state.page >= jl_screen_page_count(screen)) {
        showing->state.page = 0;
    }
    for (int i = 0; i < JL_SCREEN_VALUES; i++) { /* sets of before are past */
        atomic_store(&stage->link->sets[i].count, 0);
    }
    showing->whole = true;
    tell_findings(showing);
    return true;
}

static void look_at_file(struct showing *showing) {
    struct stat now;
    struct jl_complaint complaint = {""};
    if (!is_saved(showing, &now)) {
        return;
    }
    showing->file = now;
    if (read_sheet(showing, &complaint)) {
        showing->anew = true;
    } else {
        jl_host_stage_line(showing->stage, JL_SEVERITY_ERROR, complaint.text);
    }
}

/* ---- values ---- */

static void take_values(struct showing *showing, uint32_t now_us) {
    struct link *link = showing->stage->link;
    int page = showing->state.page;
    jl_screen_sample(showing->screen, (int)(now_us / SAMPLE_US), &showing->state);
    showing->state.page = page;
    for (int i = 0; i < jl_screen_value_count(showing->screen); i++) {
        if (atomic_exchange(&link->sets[i].count, 0)) {
            showing->set[i] = 1;
            showing->by_hand[i] = atomic_load(&link->sets[i].number);
        }
        if (showing->set[i]) {
            showing->state.numbers[i] = showing->by_hand[i];
        }
    }
}

static void tell_values(struct showing *showing) {
    struct link_report *next = &showing->stage->next;
    int count = 0;
    for (int i = 0; i < jl_screen_value_count(showing->screen); i++) {
        struct jl_screen_value value = jl_screen_value(showing->screen, i);
        struct link_value *told = &next->values[count++];
        snprintf(told->name, sizeof told->name, "%s", value.name);
        jl_screen_value_text(showing->screen, i, &showing->state, told->text, sizeof told->text);
        told->least = value.least;
        told->most = value.most;
        told->number = showing->state.numbers[i];
        told->slides = value.kind != JL_SCREEN_WORDS && value.kind != JL_SCREEN_SERIES;
    }
    next->value_count = count;
}

/* ---- hands ---- */

static void take_event(struct showing *showing, const struct jl_event *event) {
    struct jl_screen_state before = showing->state;
    jl_screen_event(showing->screen, event, &showing->state);
    for (int i = 0; i < jl_screen_value_count(showing->screen); i++) { /* a slider of the screen */
        if (showing->state.numbers[i] != before.numbers[i]) {
            showing->set[i] = 1;
            showing->by_hand[i] = showing->state.numbers[i];
        }
    }
}

static void take_hands(struct showing *showing, uint32_t now_ms) {
    struct jl_rig *rig = &showing->stage->rigs[0];
    struct jl_event events[JL_GESTURE_EVENTS];
    struct jl_touch_point points[LINK_FINGERS];
    uint8_t count = 0;
    if (rig->touch_device) {
        (void)jl_touch_read(&rig->touch, points, LINK_FINGERS, &count);
        count = jl_gestures_feed(&showing->gestures, points, count, now_ms, events);
        for (uint8_t i = 0; i < count; i++) {
            take_event(showing, &events[i]);
        }
    }
    for (int i = 0; i < LINK_KEYS; i++) {
        bool down = !rig->port.ops->get_pin(rig->port.context, (enum jl_pin)(JL_PIN_KEY_OK + i));
        if (jl_key_feed(&showing->keys[i], down, now_ms, events)) {
            take_event(showing, &events[0]);
        }
    }
}

/* Real time since a file was written; its time is as fine as the file system's. */
static double since_ms(const struct timespec *then) {
    struct timespec now;
    clock_gettime(CLOCK_REALTIME, &now);
    return (double)(now.tv_sec - then->tv_sec) * 1e3 + (double)(now.tv_nsec - then->tv_nsec) / 1e6;
}

/* Only what changed is drawn, and sent, as the baked C does. */
static jl_status show(struct showing *showing) {
    struct jl_rig *rig = &showing->stage->rigs[0];
    struct jl_target *target = &jl_rig_frame(rig)->target;
    bool changed = showing->whole;
    if (showing->whole) {
        jl_clear(target, JL_BLACK);
        jl_screen_draw(showing->screen, &showing->state, target);
    } else {
        changed = jl_screen_update(showing->screen, &showing->shown, &showing->state, target);
    }
    showing->whole = false;
    showing->shown = showing->state;
    jl_status status = changed ? jl_rig_present(rig) : JL_OK;
    if (showing->anew) {
        jl_host_stage_note(showing->stage,
                           "%s was read anew: on the glass %.0f ms after it was saved",
                           showing->stage->request->sheet, since_ms(&showing->file.st_mtim));
        showing->anew = false;
    }
    return status;
}

jl_status jl_host_act_sheet(struct stage *stage, struct jl_complaint *complaint) {
    static struct showing showing; /* large */
    struct jl_rig *rig = &stage->rigs[0];
    showing.stage = stage;
    showing.gestures.settings = &jl_gestures_usual;
    for (uint8_t i = 0; i < LINK_KEYS; i++) {
        showing.keys[i].key = i;
    }
    (void)stat(stage->request->sheet, &showing.file);
    if (rig->card.cells.bus) {
        jl_complain(complaint, "%s is a character module: a screen sheet is for pixels",
                    rig->card.name);
        return JL_UNSUPPORTED;
    }
    struct jl_complaint why = {""};
    if (!read_sheet(&showing, &why)) {
        jl_host_stage_line(stage, JL_SEVERITY_ERROR, why.text);
    }
    jl_status status = jl_host_wake_all(stage);
    while (status == JL_OK) {
        uint32_t now_us = (uint32_t)(jl_board_now_ps(rig->board) / 1000000);
        look_at_file(&showing);
        if (showing.screen) {
            take_values(&showing, now_us);
            take_hands(&showing, now_us / 1000);
            tell_values(&showing);
            status = show(&showing);
        }
        jl_board_wait_ps(rig->board, TICK_US * (uint64_t)1000000);
    }
    return status;
}
