/* Reading scripts of hands. */
#include "jadelamp/host/hand_script.h"

#include <errno.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "../files/values.h"

enum { LINE_BYTES = 200, TAP_MS = 80, MOST_FILE_BYTES = 65536 };
#define PS_PER_MS ((uint64_t)1000000000)

struct reading {
    const char *name;
    int line;
    struct jl_hand_script *script;
    struct jl_complaint *complaint;
    uint64_t at_ps;
};

#define FAIL(reading, ...)                                                                         \
    jl_complain_at((reading)->complaint, (reading)->name, (reading)->line, __VA_ARGS__)

static bool add(struct reading *reading, uint64_t at_ps, enum jl_hand_deed deed, int which, int x,
                int y) {
    struct jl_hand_script *script = reading->script;
    if (script->step_count == JL_HAND_MOST_STEPS) {
        return FAIL(reading, "a script has at most %d deeds", JL_HAND_MOST_STEPS);
    }
    script->steps[script->step_count++] = (struct jl_hand_step){at_ps, deed, which, x, y};
    script->end_ps = at_ps > script->end_ps ? at_ps : script->end_ps;
    return true;
}

/* "X Y", perhaps with "finger N" behind. */
static bool read_place(struct reading *reading, const char *deed, const char *text, int *finger,
                       int *x, int *y) {
    char rest[LINE_BYTES];
    int used = 0;
    *finger = 0;
    bool good = sscanf(text, "%9d %9d%n", x, y, &used) == 2;
    if (good && text[used]) {
        int more = 0;
        good = sscanf(text + used, " finger %9d%n %199s", finger, &more, rest) == 1 &&
               *finger >= 0 && *finger < JL_TOUCH_FINGERS;
    }
    good = good && *x >= -4096 && *x <= 4096 && *y >= -4096 && *y <= 4096;
    return good || FAIL(reading,
                        "%s %s: expected a place, such as %s 120 200, perhaps with a "
                        "finger of 0 to %d: %s 120 200 finger 1",
                        deed, text, deed, JL_TOUCH_FINGERS - 1, deed);
}

static bool touch(struct reading *reading, const char *deed, const char *text) {
    int finger, x, y;
    if (!read_place(reading, deed, text, &finger, &x, &y)) {
        return false;
    }
    if (strcmp(deed, "slide") == 0) {
        return add(reading, reading->at_ps, JL_HAND_SLIDE, finger, x, y);
    }
    return add(reading, reading->at_ps, JL_HAND_PRESS, finger, x, y) &&
           (*deed == 'p' ||
            add(reading, reading->at_ps + TAP_MS * PS_PER_MS, JL_HAND_LIFT, finger, x, y));
}

static bool lift(struct reading *reading, const char *text) {
    int finger = 0, used = 0;
    bool good = !*text || (sscanf(text, "finger %9d%n", &finger, &used) == 1 && !text[used] &&
                           finger >= 0 && finger < JL_TOUCH_FINGERS);
    return good ? add(reading, reading->at_ps, JL_HAND_LIFT, finger, 0, 0)
                : FAIL(reading, "lift %s: expected lift, or lift finger 1", text);
}

static bool key(struct reading *reading, const char *text) {
    static const struct choice names[] = {
        {"ok", 0}, {"back", 1}, {"up", 2}, {"down", 3}, {NULL, 0}};
    int which;
    long number;
    if (!jl_host_choose(text, names, &which)) {
        if (!jl_host_parse_number(text, 0, 4, &number)) {
            return FAIL(reading, "key %s: expected ok, back, up, down, or a number from 0 to 4",
                        text);
        }
        which = (int)number;
    }
    return add(reading, reading->at_ps, JL_HAND_KEY_DOWN, which, 0, 0) &&
           add(reading, reading->at_ps + TAP_MS * PS_PER_MS, JL_HAND_KEY_UP, which, 0, 0);
}

static bool turn(struct reading *reading, const char *text) {
    int detents, used = 0;
    bool good = sscanf(text, "%9d%n", &detents, &used) == 1 && !text[used] && detents != 0 &&
                detents >= -100 && detents <= 100;
    return good ? add(reading, reading->at_ps, JL_HAND_TURN, 0, detents, 0)
                : FAIL(reading,
                       "turn %s: expected detents from -100 to 100, clockwise, such as "
                       "turn -2",
                       text);
}

static bool look(struct reading *reading, const char *text) {
    struct jl_hand_script *script = reading->script;
    if (script->look_count == JL_HAND_MOST_LOOKS || !*text ||
        strlen(text) >= JL_HAND_CAPTION_BYTES) {
        return FAIL(reading, "look %s: expected a caption of 1 to %d characters, at most %d times",
                    text, JL_HAND_CAPTION_BYTES - 1, JL_HAND_MOST_LOOKS);
    }
    struct jl_hand_look *next = &script->looks[script->look_count++];
    next->at_ps = reading->at_ps;
    strcpy(next->caption, text);
    script->end_ps = reading->at_ps > script->end_ps ? reading->at_ps : script->end_ps;
    return true;
}

/* "TIME UNIT DEED ...", the line without comment and blanks around it. */
static bool read_line(struct reading *reading, const char *line) {
    static const struct unit units[] = {{"ms", 1e9}, {"s", 1e12}, {NULL, 0}};
    char time[LINE_BYTES], unit[LINE_BYTES], deed[LINE_BYTES], both[2 * LINE_BYTES + 2];
    int used = 0;
    double ps;
    if (sscanf(line, "%199s %199s %199s%n", time, unit, deed, &used) != 3) {
        return FAIL(reading, "%s: expected a time and a deed, such as 0.5 s tap 120 200", line);
    }
    snprintf(both, sizeof both, "%s %s", time, unit);
    if (!jl_host_parse_quantity(both, units, 0, 3.6e15, &ps)) {
        return FAIL(reading,
                    "%s: expected a time up to an hour with its unit, ms or s, such as "
                    "0.5 s",
                    both);
    }
    if ((uint64_t)ps < reading->at_ps) {
        return FAIL(reading, "%s: times must rise; the line before is at %.3f s", both,
                    (double)reading->at_ps / 1e12);
    }
    reading->at_ps = (uint64_t)ps;
    const char *rest = line + used;
    rest += strspn(rest, " \t");
    if (strcmp(deed, "tap") == 0 || strcmp(deed, "press") == 0 || strcmp(deed, "slide") == 0) {
        return touch(reading, deed, rest);
    }
    return strcmp(deed, "lift") == 0   ? lift(reading, rest)
           : strcmp(deed, "key") == 0  ? key(reading, rest)
           : strcmp(deed, "turn") == 0 ? turn(reading, rest)
           : strcmp(deed, "look") == 0 ? look(reading, rest)
                                       : FAIL(reading,
                                              "%s: unknown deed; known are: tap, press, "
                                              "slide, lift, key, turn, look",
                                              deed);
}

/* Steps in the order of their time: what a tap ends may lie behind the next line. */
static void sort(struct jl_hand_script *script) {
    for (size_t i = 1; i < script->step_count; i++) {
        struct jl_hand_step step = script->steps[i];
        size_t at = i;
        for (; at > 0 && script->steps[at - 1].at_ps > step.at_ps; at--) {
            script->steps[at] = script->steps[at - 1];
        }
        script->steps[at] = step;
    }
}

bool jl_hand_script_read_text(const char *name, const char *text, struct jl_hand_script *script,
                              struct jl_complaint *complaint) {
    struct reading reading = {name, 0, script, complaint, 0};
    memset(script, 0, sizeof *script);
    while (*text) {
        char line[LINE_BYTES];
        size_t length = strcspn(text, "\r\n"), end;
        reading.line++;
        if (length >= sizeof line) {
            return FAIL(&reading, "the line is longer than %d characters", LINE_BYTES - 1);
        }
        memcpy(line, text, length);
        line[length] = '\0';
        line[strcspn(line, ";")] = '\0';
        for (end = strlen(line); end > 0 && strchr(" \t", line[end - 1]); end--) {
            line[end - 1] = '\0';
        }
        const char *start = line + strspn(line, " \t");
        if (*start && !read_line(&reading, start)) {
            return false;
        }
        text += length;
        text += *text == '\r';
        text += *text == '\n';
    }
    sort(script);
    return true;
}

bool jl_hand_script_read(const char *path, struct jl_hand_script *script,
                         struct jl_complaint *complaint) {
    FILE *stream = fopen(path, "r");
    char *text = calloc(1, MOST_FILE_BYTES + 1);
    size_t count = stream && text ? fread(text, 1, MOST_FILE_BYTES + 1, stream) : 0;
    bool failed = !stream || !text || ferror(stream);
    if (stream) {
        fclose(stream);
    }
    bool good =
        failed ? jl_complain(complaint, "cannot read the script %s: %s", path,
                             errno ? strerror(errno) : "out of memory")
        : count > MOST_FILE_BYTES
            ? jl_complain(complaint, "%s: a script has at most %d bytes", path, MOST_FILE_BYTES)
        : memchr(text, 0, count)
            ? jl_complain(complaint, "%s: there is a zero byte: expected a text file", path)
            : jl_hand_script_read_text(path, text, script, complaint);
    free(text);
    return good;
}

void jl_hand_script_start(struct jl_hand_script *script, uint64_t at_ps) {
    for (size_t i = 0; i < script->step_count; i++) {
        script->steps[i].at_ps += at_ps;
    }
    for (size_t i = 0; i < script->look_count; i++) {
        script->looks[i].at_ps += at_ps;
    }
    script->end_ps += at_ps;
}

void jl_hand_script_turn(struct jl_hand_script *script, uint8_t turn, int width, int height) {
    /* Of the picture, which is mirrored, then turned clockwise quarter by quarter. */
    for (size_t i = 0; i < script->step_count; i++) {
        struct jl_hand_step *step = &script->steps[i];
        int across = turn & 1 ? height : width, down = turn & 1 ? width : height;
        if (step->deed > JL_HAND_SLIDE) {
            continue;
        }
        step->x = turn & 4 ? across - 1 - step->x : step->x;
        for (int quarter = 0; quarter < (turn & 3); quarter++) {
            int x = step->x;
            step->x = down - 1 - step->y;
            step->y = x;
            int side = across;
            across = down;
            down = side;
        }
    }
}
