/* What is wished of the process that is shown: fingers, keys, pictures, captures, and its end. */
#include <errno.h>
#include <string.h>
#include <sys/socket.h>
#include <unistd.h>

#include "jadelamp/host/png.h"
#include "stage.h"

/* Presses and pauses as short as this are noticed by programs that filter bounces, however slow
 * the time is. */
#define LEAST_HOLD_PS ((uint64_t)60000000000)

/* True: it went down, or up. */
static bool follow(struct hold *hold, struct link_press *press, uint64_t now_ps) {
    bool held = atomic_load(&press->held) != 0, more = atomic_load(&press->count) != hold->served;
    if ((hold->served || hold->down) && now_ps - hold->since_ps < LEAST_HOLD_PS) {
        return false;
    }
    if (hold->down ? held && !more : !more) {
        return false;
    }
    hold->down = !hold->down;
    hold->served += hold->down;
    hold->since_ps = now_ps;
    return true;
}

static void move_fingers(struct stage *stage, uint64_t now_ps) {
    for (int i = 0; i < LINK_FINGERS; i++) {
        struct link_finger *finger = &stage->link->fingers[i];
        unsigned place = atomic_load(&finger->place);
        struct jl_device *glass = stage->rigs[atomic_load(&finger->panel)].touch_device;
        bool changed = follow(&stage->holds[i], &finger->press, now_ps);
        if (glass && stage->holds[i].down) {
            jl_touch_press(glass, i, (int)(place >> 16), (int)(place & 0xFFFF));
        } else if (glass && changed) {
            jl_touch_lift(glass, i);
        }
    }
}

static uint8_t keys_down(struct stage *stage, uint64_t now_ps) {
    uint8_t keys = 0;
    for (int i = 0; i < LINK_KEYS; i++) {
        struct hold *hold = &stage->holds[LINK_FINGERS + i];
        follow(hold, &stage->link->keys[i], now_ps);
        keys |= (uint8_t)(hold->down << i);
    }
    return keys;
}

static bool move_hand(struct stage *stage, uint64_t now_ps) {
    struct link *link = stage->link;
    int wanted = atomic_load(&link->quarters), now = stage->rigs[0].hand.knob_quarters;
    int next = now + (wanted > now) - (wanted < now);
    uint8_t keys = keys_down(stage, now_ps);
    for (int i = 0; i < stage->count; i++) {
        stage->rigs[i].hand.keys = keys;
        stage->rigs[i].hand.knob_quarters = next;
    }
    return next != wanted;
}

/* Whoever does not listen any more, or too slowly, misses it: the next line says all again. */
static void tell_hands(struct stage *stage) {
    const struct jl_sim_hand *hand = &stage->rigs[0].hand;
    char line[sizeof stage->hands];
    int length = snprintf(line, sizeof line, "hands %d %d", hand->keys, hand->knob_quarters);
    for (int i = 0; i < LINK_FINGERS; i++) {
        unsigned place = atomic_load(&stage->link->fingers[i].place);
        bool down = stage->holds[i].down;
        length += snprintf(line + length, sizeof line - (size_t)length, " %d %d",
                           down ? (int)(place >> 16) : -1, down ? (int)(place & 0xFFFF) : -1);
    }
    if (strcmp(line, stage->hands) != 0) {
        strcpy(stage->hands, line);
        line[length++] = '\n';
        int file = stage->request->tap;
        if (send(file, line, (size_t)length, MSG_NOSIGNAL | MSG_DONTWAIT) < 0 &&
            errno == ENOTSOCK && write(file, line, (size_t)length) < 0) {
            jl_host_stage_note(stage, "what hands do cannot be told: %s", strerror(errno));
        }
    }
}

bool jl_host_wishes_hands(struct stage *stage, uint64_t now_ps) {
    move_fingers(stage, now_ps);
    bool turning = move_hand(stage, now_ps);
    if (stage->request->tell_hands) {
        tell_hands(stage);
    }
    return turning;
}

/* "NAME-1.vcd" and so on, of a number that is free. */
static bool next_path(struct stage *stage, const char *kind, char *path, size_t size,
                      struct jl_complaint *complaint) {
    const struct jl_window_request *request = stage->request;
    const char *name = request->name ? request->name : request->cards[0].name;
    const char *directory = request->directory ? request->directory : ".";
    for (int tries = 0; tries < 10000; tries++) {
        char ending[40];
        snprintf(ending, sizeof ending, "-%d%s", ++stage->file_number, kind);
        if (!jl_path_join(path, size, directory, name, ending, complaint)) {
            return false;
        }
        if (access(path, F_OK) != 0) {
            return jl_directory_make(directory, complaint);
        }
    }
    return jl_complain(complaint, "there are 10000 files %s already", path);
}

static void take_shot(struct stage *stage) {
    char path[1024] = "";
    struct jl_complaint complaint = {""};
    struct jl_picture picture = {0};
    bool good = true;
    for (int i = 0; i < stage->count && good; i++) {
        good = next_path(stage, ".png", path, sizeof path, &complaint) &&
               (jl_rig_look(&stage->rigs[i], &picture) || jl_complain(&complaint, "no memory")) &&
               jl_png_write(path, &picture, &complaint);
        jl_picture_free(&picture);
    }
    jl_host_stage_note(stage, good ? "wrote %s" : "no picture: %s", good ? path : complaint.text);
}

static void end_capture(struct stage *stage) {
    struct jl_complaint complaint = {""};
    jl_rig_record_end(&stage->rigs[0], &stage->capture);
    bool good = jl_file_commit(&stage->capture, &complaint);
    stage->recording = false;
    stage->link->draft[0] = '\0';
    jl_host_stage_note(stage, good ? "wrote %s" : "no capture: %s",
                       good ? stage->capture.path : complaint.text);
}

static void begin_capture(struct stage *stage) {
    char path[1024];
    struct jl_complaint complaint = {""};
    if (next_path(stage, ".vcd", path, sizeof path, &complaint) &&
        jl_file_begin(&stage->capture, path, &complaint)) {
        snprintf(stage->link->draft, sizeof stage->link->draft, "%s", stage->capture.draft);
        jl_rig_record(&stage->rigs[0], &stage->capture);
        stage->recording = true;
        jl_host_stage_note(stage, "all wires are captured into %s", path);
    } else {
        jl_host_stage_note(stage, "no capture: %s", complaint.text);
    }
}

void jl_host_wishes_serve(struct stage *stage) {
    struct link *link = stage->link;
    if (stage->shots != atomic_load(&link->shots)) {
        stage->shots = atomic_load(&link->shots);
        take_shot(stage);
        stage->next_report_s = 0;
    }
    if (stage->records != atomic_load(&link->records)) {
        stage->records = atomic_load(&link->records);
        stage->recording ? end_capture(stage) : begin_capture(stage);
        stage->next_report_s = 0;
    }
    if (atomic_load(&link->quits) || getppid() != stage->parent) {
        if (stage->recording) {
            end_capture(stage);
        }
        _exit(0);
    }
}

void jl_host_wishes_begin(struct stage *stage) {
    struct link *link = stage->link;
    stage->shots = atomic_load(&link->shots);
    stage->records = atomic_load(&link->records);
    for (int i = 0; i < LINK_FINGERS + LINK_KEYS; i++) { /* what was pressed before is past */
        stage->holds[i].served = atomic_load(
            i < LINK_FINGERS ? &link->fingers[i].press.count : &link->keys[i - LINK_FINGERS].count);
    }
}
