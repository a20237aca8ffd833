/* Pictures of a replay: at times, at each change, at the end. */
#include "jadelamp/host/replay.h"

#include <stdio.h>
#include <stdlib.h>
#include <string.h>

#include "jadelamp/host/animation.h"
#include "jadelamp/host/compare.h"
#include "jadelamp/host/file.h"
#include "jadelamp/host/png.h"
#include "jadelamp/host/sheet.h"

#define USUAL_PAUSE_PS 1000000000u

enum { FILM_COLUMNS = 5, CAPTION = 24 };

struct replay {
    struct jl_traffic *traffic;
    const struct jl_replay_request *request;
    struct jl_replay_result *result;
    struct jl_complaint *complaint;
    bool failed;
    struct jl_picture *moments; /* kept for film and animation */
    uint64_t *times;
    size_t kept;
    struct jl_picture last;
    bool has_last;
};

static bool out_of_memory(struct replay *replay) {
    return jl_complain(replay->complaint, "out of memory for the pictures of %s",
                       replay->request->base);
}

/* Writes a picture, and notes its path: of a series the last one only. */
static bool write_picture(struct replay *replay, const char *ending,
                          const struct jl_picture *picture, bool again) {
    struct jl_replay_result *result = replay->result;
    size_t at = again ? result->path_count - 1 : result->path_count;
    return jl_path_join(result->paths[at], sizeof result->paths[at], replay->request->directory,
                        replay->request->base, ending, replay->complaint) &&
           jl_png_write(result->paths[at], picture, replay->complaint) &&
           (result->path_count = at + 1) > 0;
}

static bool copy(const struct jl_picture *from, struct jl_picture *to) {
    if (!jl_picture_create(to, from->width, from->height)) {
        return false;
    }
    memcpy(to->rgb, from->rgb, 3 * (size_t)from->width * (size_t)from->height);
    return true;
}

/* A completed picture that is another one than the last. Takes the picture. */
static bool keep_change(struct replay *replay, struct jl_picture *glass, uint64_t at_ps) {
    const struct jl_replay_request *request = replay->request;
    size_t number = ++replay->result->changes;
    char ending[32];
    replay->result->left_out +=
        (request->series || request->animation) && number > JL_REPLAY_MOMENTS;
    snprintf(ending, sizeof ending, "-%04zu.png", number);
    if (request->series && number <= JL_REPLAY_MOMENTS &&
        !write_picture(replay, ending, glass, number > 2)) {
        jl_picture_free(glass);
        return false;
    }
    bool wanted = request->animation || (request->film && replay->kept < JL_REPLAY_FILM_TILES);
    if (wanted && replay->kept < JL_REPLAY_MOMENTS) {
        if (!copy(glass, &replay->moments[replay->kept])) {
            jl_picture_free(glass);
            return out_of_memory(replay);
        }
        replay->times[replay->kept++] = at_ps;
    }
    if (replay->has_last) {
        jl_picture_free(&replay->last);
    }
    replay->last = *glass;
    replay->has_last = true;
    return true;
}

static bool take_look(struct replay *replay, uint64_t at_ps, bool is_pause) {
    struct jl_picture glass;
    if (!jl_rig_look(jl_traffic_rig(replay->traffic), &glass)) {
        return out_of_memory(replay);
    }
    bool good = true;
    if (!is_pause) {
        char ending[48];
        snprintf(ending, sizeof ending, "-at-%.3fms.png", (double)at_ps / 1e9);
        good = write_picture(replay, ending, &glass, false);
        jl_picture_free(&glass);
    } else if (replay->has_last && jl_picture_compare(&glass, &replay->last, 0, NULL) == 0) {
        jl_picture_free(&glass);
    } else {
        good = keep_change(replay, &glass, at_ps);
    }
    return good;
}

static void look(void *context, uint64_t at_ps, bool is_pause) {
    struct replay *replay = context;
    replay->failed = replay->failed || !take_look(replay, at_ps, is_pause);
}

/* ---- what becomes of the moments ---- */

static bool write_film(struct replay *replay) {
    char texts[JL_REPLAY_FILM_TILES][CAPTION];
    const char *captions[JL_REPLAY_FILM_TILES];
    struct jl_picture sheet;
    size_t count = replay->kept < JL_REPLAY_FILM_TILES ? replay->kept : JL_REPLAY_FILM_TILES;
    for (size_t i = 0; i < count; i++) {
        snprintf(texts[i], sizeof texts[i], "%.3f ms", (double)replay->times[i] / 1e9);
        captions[i] = texts[i];
    }
    int columns = count < FILM_COLUMNS ? (int)count : FILM_COLUMNS;
    if (!jl_sheet_create(&sheet, replay->moments, captions, (int)count, columns)) {
        return out_of_memory(replay);
    }
    bool good = write_picture(replay, "-film.png", &sheet, false);
    jl_picture_free(&sheet);
    return good;
}

static bool write_animation(struct replay *replay) {
    struct jl_replay_result *result = replay->result;
    uint32_t *milliseconds = calloc(replay->kept, sizeof *milliseconds);
    if (!milliseconds || !replay->times) {
        free(milliseconds);
        return out_of_memory(replay);
    }
    for (size_t i = 0; i < replay->kept; i++) {
        uint64_t until = i + 1 < replay->kept ? replay->times[i + 1] : result->length_ps;
        uint64_t shown = until > replay->times[i] ? (until - replay->times[i]) / 1000000000u : 0;
        /* the last one stays for a second more, so that it is seen before all begins anew */
        shown += i + 1 == replay->kept ? 1000 : 0;
        milliseconds[i] = shown > 60000 ? 60000 : (uint32_t)shown;
    }
    char *path = result->paths[result->path_count];
    bool good =
        jl_path_join(path, sizeof result->paths[0], replay->request->directory,
                     replay->request->base, ".gif", replay->complaint) &&
        jl_animation_write(path, replay->moments, milliseconds, replay->kept, replay->complaint);
    result->path_count += good;
    free(milliseconds);
    return good;
}

static bool write_end(struct replay *replay) {
    struct jl_rig *rig = jl_traffic_rig(replay->traffic);
    struct jl_replay_result *result = replay->result;
    const struct jl_replay_request *request = replay->request;
    if (!jl_rig_photograph(rig, request->directory, request->base, request->scale,
                           replay->complaint)) {
        return false;
    }
    static const char *const endings[] = {"-glass.png", "-photo.png"};
    for (size_t i = 0; i < 2; i++) {
        jl_path_join(result->paths[result->path_count++], sizeof result->paths[0],
                     request->directory, request->base, endings[i], replay->complaint);
    }
    return true;
}

static bool play(struct replay *replay) {
    struct jl_bus_event event;
    bool foreign;
    enum jl_traffic_step step;
    do {
        step = jl_traffic_next(replay->traffic, &event, &foreign, replay->complaint);
        if (step == JL_TRAFFIC_EVENT && event.kind == JL_BUS_DOUBT && !replay->result->doubts++) {
            snprintf(replay->result->doubt, sizeof replay->result->doubt, "%s", event.text);
        }
    } while (step == JL_TRAFFIC_EVENT && !replay->failed);
    return step == JL_TRAFFIC_END && !replay->failed;
}

bool jl_replay(struct jl_traffic *traffic, const struct jl_replay_request *request,
               struct jl_replay_result *result, struct jl_complaint *complaint) {
    struct replay replay = {.traffic = traffic,
                            .request = request,
                            .result = result,
                            .complaint = complaint,
                            .moments = calloc(JL_REPLAY_MOMENTS, sizeof *replay.moments),
                            .times = calloc(JL_REPLAY_MOMENTS, sizeof *replay.times)};
    bool pictures = request->series || request->film || request->animation;
    uint64_t pause = request->pause_ps ? request->pause_ps : USUAL_PAUSE_PS;
    memset(result, 0, sizeof *result);
    jl_traffic_watch(traffic, &(struct jl_traffic_watch){.pause_ps = pictures ? pause : 0,
                                                         .times = request->times,
                                                         .time_count = request->time_count,
                                                         .fn = look,
                                                         .context = &replay});
    bool good = replay.moments && replay.times;
    if (!good) {
        out_of_memory(&replay);
    }
    good = good && jl_directory_make(request->directory, complaint) && play(&replay);
    result->length_ps = jl_traffic_now_ps(traffic);
    good = good && (!request->film || !replay.kept || write_film(&replay)) &&
           (!request->animation || !replay.kept || write_animation(&replay)) && write_end(&replay);
    for (size_t i = 0; i < replay.kept; i++) {
        jl_picture_free(&replay.moments[i]);
    }
    if (replay.has_last) {
        jl_picture_free(&replay.last);
    }
    free(replay.moments);
    free(replay.times);
    return good;
}
